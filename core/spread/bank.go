package spread

import (
	"errors"
	"math"
)

// Bank is how many of so many seeds are left in the ground after years without more: each year a share survives, and of
// those a share comes up, both 0–1.
func Bank(seeds, survival, emergence, years float64) (float64, error) {
	switch {
	case !(seeds >= 0) || math.IsInf(seeds, 0):
		return 0, errors.New("the seeds must not be below 0")
	case !(survival >= 0 && survival <= 1):
		return 0, errors.New("the survival must lie between 0 and 1")
	case !(emergence >= 0 && emergence <= 1):
		return 0, errors.New("the emergence must lie between 0 and 1")
	case !(years >= 0) || years > 1000:
		return 0, errors.New("the years must lie between 0 and 1000")
	}
	return seeds * math.Pow(survival*(1-emergence), years), nil
}

// YearsUntil is how many years go by until a share of seed, 0–1, is left in the ground without more: endless where none
// dies or comes up.
func YearsUntil(share, survival, emergence float64) float64 {
	if kept := survival * (1 - emergence); kept < 1 {
		if kept <= 0 {
			return 1
		}
		return math.Log(share) / math.Log(kept)
	}
	return math.Inf(1)
}

// SurvivalOf is the share of seed that survives a year, 0–1, where a share is left after years.
func SurvivalOf(years, left float64) float64 {
	if years <= 0 {
		return 0
	}
	return math.Pow(left, 1/years)
}

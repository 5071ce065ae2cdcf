package propagation

import (
	"cmp"
	"errors"
	"math"
	"slices"

	"bramblyacre/core/calendar"
)

// Kernel is how far from its mother seed falls: the two-dimensional t distribution with one
// degree of freedom, whose density at a distance r is p ÷ (π u (1 + r²/u)^(p+1)), p = Shape.
//
// Source: Clark, Silman, Kern, Macklin and HilleRisLambers 1999, Ecology 80:1475–1494.
type Kernel struct{ Scale, Shape float64 }

// KernelOfReach is the kernel of which a share (0–1, both outside) falls within a reach in metres.
func KernelOfReach(reach, share, shape float64) (Kernel, error) {
	if !(reach > 0) || !(share > 0 && share < 1) || !(shape > 0) {
		return Kernel{}, errors.New("the reach must be above 0 m, the share within it between 0 and 1, the shape above 0")
	}
	return Kernel{reach * reach / (math.Pow(1-share, -1/shape) - 1), shape}, nil
}

// Within is the share of seed that falls within a distance in metres, 0–1.
func (k Kernel) Within(distance float64) float64 {
	return 1 - math.Pow(1+distance*distance/k.Scale, -k.Shape)
}

// Distance is the distance in metres within which a share of the seed falls, 0 to less than 1.
func (k Kernel) Distance(share float64) float64 {
	return math.Sqrt(k.Scale * (math.Pow(1-share, -1/k.Shape) - 1))
}

// Expected is how many volunteers worth lifting stand about mothers: what one gives that was
// left to seed, by the share of her heads that were left (0–1).
func Expected(mothers int, each, headsLeft float64) float64 {
	return float64(mothers) * each * min(max(headsLeft, 0), 1)
}

// Rescue is a place where volunteers stand, to be lifted before its ground is worked.
type Rescue struct {
	ID int64
	// Worked is the day the ground is worked or hoed; Known is false where no such day is known.
	Worked calendar.Date
	Known  bool
	// Plants is how many of them are wanted and stand there.
	Plants int
	// Worth is what one of them is worth against another, in any unit.
	Worth float64
}

// RescueOrder orders places by the day that their ground is worked, those of no known day last;
// of one day, what is worth most in all first.
func RescueOrder(places []Rescue) {
	slices.SortStableFunc(places, func(a, b Rescue) int {
		if a.Known != b.Known {
			if a.Known {
				return -1
			}
			return 1
		}
		if a.Known && a.Worked != b.Worked {
			return cmp.Compare(a.Worked, b.Worked)
		}
		return cmp.Compare(b.Worth*float64(b.Plants), a.Worth*float64(a.Plants))
	})
}

// LargeEnough returns the day by which seedlings that came up on a day have gathered a warmth, in °C d
// above 0, in the middle of the weathers' members: large enough to lift. It is the weathers' end where they
// do not.
func LargeEnough(w *Weathers, from int, warmth float64) int {
	days := make([]int, 0, w.Size())
	for _, means := range w.means {
		sum, day := 0.0, max(from, 0)
		for ; day < len(means) && sum < warmth; day++ {
			sum += max(means[day], 0)
		}
		days = append(days, day)
	}
	return spreadOf(days).P50
}

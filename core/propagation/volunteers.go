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

// MiddleSized returns which of seedlings to lift, by their heights: the middle ones, the biggest
// left out first because they have outgrown the cell and then the smallest, in turns. The
// indices come back in the order of the heights given.
func MiddleSized(heights []float64, wanted int) []int {
	order := make([]int, len(heights))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(heights[a], heights[b]) })
	low, high := 0, len(order)
	for big := true; high-low > max(wanted, 0); big = !big {
		if big {
			high--
		} else {
			low++
		}
	}
	chosen := slices.Clone(order[low:high])
	slices.Sort(chosen)
	return chosen
}

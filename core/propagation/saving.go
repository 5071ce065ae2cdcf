package propagation

import (
	"errors"
	"math"
)

// MothersToSaveFrom returns how many plants seed is saved from so that after generations of it
// at least a share (0–1, both outside) of what varies in the kind is kept, where each mother gives
// alike: the least N with (1 − 1/(2N))^generations ≥ keep.
//
// Source: Wright 1931, Genetics 16:97–159: 1/(2N) is lost in each generation.
func MothersToSaveFrom(keep float64, generations int) (int, error) {
	if !(keep > 0 && keep < 1) || generations < 1 {
		return 0, errors.New("keep must lie between 0 and 1, both outside, and generations be 1 or more")
	}
	n := 1 / (2 * (1 - math.Pow(keep, 1/float64(generations))))
	return max(1, int(math.Ceil(n-1e-9))), nil
}

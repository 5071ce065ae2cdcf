package plot

import (
	"math"

	"bramblyacre/core/geometry"
)

// AreaM2 is the ground of a bed.
func (s *State) AreaM2(bedID int64) float64 {
	return math.Max(geometry.SmallestArea, s.Forms[bedID].Area())
}

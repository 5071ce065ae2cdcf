package propagation

import (
	"fmt"
	"math"
)

// CrownShare is the most of a crown that is taken from it where the mother is to go on as she
// was: a third.
const CrownShare = 1.0 / 3

// Mothers are the plants that pieces are taken from.
type Mothers struct {
	Plants int
	// YearOfLife is how old they are, 1 in their first year.
	YearOfLife int
	// Each is how many pieces one of full size gives without harm, Size how large they are against
	// that, 0–1.
	Each, Size float64
}

// TooYoungError says that plants of this year give nothing yet.
type TooYoungError struct{ Way string }

// Error says why.
func (e TooYoungError) Error() string {
	return fmt.Sprintf("a plant of this year gives nothing for %s yet; wait until it has stood a year", e.Way)
}

// Gives returns how many pieces mothers give together without harm by a way, whole pieces of
// each. Plants in their first year give none: a TooYoungError.
func (m Mothers) Gives(way string) (int, error) {
	if m.YearOfLife <= 1 {
		return 0, TooYoungError{way}
	}
	return m.Plants * int(m.Each*min(max(m.Size, 0), 1)+1e-9), nil
}

// Loses returns the share of her yield that a mother gives less in the year after pieces were
// taken: of a crown the share of its pieces that went, of cuttings what their shoots would have
// borne. Each piece is a share of 1 − CrownShare over what she gives, so that one that gave all
// she can without harm loses a third.
func (m Mothers) Loses(pieces int) float64 {
	could := float64(m.Plants) * m.Each * min(max(m.Size, 0), 1)
	if could <= 0 {
		return 1
	}
	return math.Min(1, CrownShare*float64(pieces)/could)
}

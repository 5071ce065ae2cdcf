package spread

import (
	"errors"
	"math"
)

// LeavesPiece is the chance that a dig leaves a piece in the ground that grows again: that it leaves one at all, times
// the share of pieces that grow; both 0–1.
func LeavesPiece(missed, regrows float64) float64 { return missed * regrows }

// DigsNeeded is how many digs it takes to be rid of a stand with a certainty, 0–1, where each leaves a piece that grows
// again with a chance, 0–1. It is an error for a chance of 1, for then no number does.
func DigsNeeded(leaves, sure float64) (int, error) {
	switch {
	case !(leaves >= 0 && leaves <= 1):
		return 0, errors.New("the chance that a dig leaves a piece must lie between 0 and 1")
	case !(sure > 0 && sure < 1):
		return 0, errors.New("the certainty must lie between 0 and 1, both outside")
	case leaves == 1:
		return 0, errors.New("where every dig leaves a piece that grows again, no number of digs is enough")
	case leaves == 0:
		return 1, nil
	}
	return max(1, int(math.Ceil(math.Log(1-sure)/math.Log(leaves)-1e-9))), nil
}

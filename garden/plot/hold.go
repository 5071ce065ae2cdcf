package plot

import (
	"cmp"
	"encoding/json"

	"bramblyacre/core/spread"
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// Policy is what a household wants of a stand that spreads.
type Policy string

// The policies: kept to its bed, kept from something farther, left alone, or got rid of, so that all of it may be
// taken.
const (
	PolicyHeld    Policy = "held"
	PolicyBounded Policy = "bounded"
	PolicyFree    Policy = "free"
	PolicyRid     Policy = "rid"
)

// StandHoldsTable holds how stands are held.
var StandHoldsTable = journal.NewTable(
	"stand_holds",
	(*store.Queries).GetStandHold,
	(*store.Queries).PutStandHold,
	(*store.Queries).DropStandHold,
)

// StandHolds are how stands are held, one at most of each.
var StandHolds = Keep(
	StandHoldsTable,
	(*store.Queries).ListStandHolds,
	func(r store.StandHold) int64 { return r.ID },
	func(a, b store.StandHold) int { return cmp.Compare(a.ID, b.ID) },
)

// HoldOf is how a planting is held; false where nobody said.
func (s *State) HoldOf(planting int64) (row store.StandHold, ways spread.Plan, has bool) {
	for _, row := range StandHolds.Of(s) {
		if row.PlantingID != planting {
			continue
		}
		if err := json.Unmarshal([]byte(row.Ways), &ways); err != nil || ways.Check() != nil {
			return row, nil, true // what cannot be read holds nothing
		}
		return row, ways, true
	}
	return row, nil, false
}

// IsToGo tells whether a planting is to be got rid of: all of it may be taken.
func (s *State) IsToGo(planting int64) bool {
	row, _, has := s.HoldOf(planting)
	return has && Policy(row.Policy) == PolicyRid
}

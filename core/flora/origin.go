package flora

import "fmt"

// Origin is how a planting came to be.
type Origin string

// The origins.
const (
	FromSeed      Origin = "seed"
	FromCutting   Origin = "cutting"
	FromDivision  Origin = "division"
	FromVolunteer Origin = "volunteer"
	FromBought    Origin = "bought"
	FromFound     Origin = "found"
)

// OriginRow says what an origin means for a planting's first year.
type OriginRow struct {
	Origin Origin
	Name   string
	// YearsAhead is how many years of life it has behind it when it is set.
	YearsAhead int
	// Settles is how many seasons, the one it is set in among them, it is left
	// alone to recover: a usual value.
	Settles int
	// FromStart is true where growth begins with the day it is set: a sowing. What is set
	// as a plant was growing before.
	FromStart bool
}

var originRows = []OriginRow{
	{FromSeed, "from seed", 0, 0, true},
	{FromCutting, "from a cutting", 0, 1, false},
	{FromDivision, "from a division", 1, 1, false},
	{FromVolunteer, "came up by itself", 0, 0, false},
	{FromBought, "bought", 1, 1, false},
	{FromFound, "found here", 1, 0, false},
}

// For is what the origin means for plants of a life form. One that lives a year is in
// it whenever it comes, and has no later season to settle for; one that lives two has
// one year behind it at most.
func (o OriginRow) For(form LifeForm) OriginRow {
	switch form {
	case Annual:
		o.YearsAhead, o.Settles = 0, 0
	case Biennial:
		if o.YearsAhead > 0 {
			o.YearsAhead, o.Settles = 1, 0
		}
	}
	return o
}

// IsSeedling tells whether a planting of the origin came up from seed where it stands.
func (o OriginRow) IsSeedling() bool { return o.Origin == FromSeed || o.Origin == FromVolunteer }

// Origins lists every origin.
func Origins() []OriginRow { return append([]OriginRow(nil), originRows...) }

// ParseOrigin returns the origin of a word with what it means, or an error.
func ParseOrigin(word string) (OriginRow, error) {
	for _, row := range originRows {
		if string(row.Origin) == word {
			return row, nil
		}
	}
	return OriginRow{}, fmt.Errorf("%q is not an origin; use seed, cutting, division, volunteer, bought or found", word)
}

package plot

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// RootSchool is how a household takes roots.
type RootSchool string

// The schools: the whole plant is lifted, with its crown put back or not, or a part is broken off and the plant goes
// back at once.
const (
	WholeRoot RootSchool = "whole"
	PartRoot  RootSchool = "part"
)

// RootStandsTable holds how stands of roots are taken.
var RootStandsTable = journal.NewTable(
	"root_stands",
	(*store.Queries).GetRootStand,
	(*store.Queries).PutRootStand,
	(*store.Queries).DropRootStand,
)

// RootStands are how stands of roots are taken, one row at most for a kind in a bed.
var RootStands = Keep(
	RootStandsTable,
	(*store.Queries).ListRootStands,
	func(r store.RootStand) int64 { return r.ID },
	func(a, b store.RootStand) int { return cmp.Compare(a.ID, b.ID) },
)

// RootStandOf is how the roots of a kind in a bed are taken; false where nobody said.
func (s *State) RootStandOf(species string, bed int64) (row store.RootStand, has bool) {
	for _, row := range RootStands.Of(s) {
		if row.SpeciesID == species && row.BedID == bed {
			return row, true
		}
	}
	return row, false
}

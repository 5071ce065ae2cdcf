package plot

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// What a household found on its own list of what the law forbids.
const (
	ListedYes    = "yes"
	ListedNo     = "no"
	ListedUnsure = "unsure"
)

// LawNotesTable holds what the household found on its own lists.
var LawNotesTable = journal.NewTable(
	"law_notes",
	(*store.Queries).GetLawNote,
	(*store.Queries).PutLawNote,
	(*store.Queries).DropLawNote,
)

// LawNotes are what the household found on its own lists, one at most of each kind.
var LawNotes = Keep(
	LawNotesTable,
	(*store.Queries).ListLawNotes,
	func(r store.LawNote) int64 { return r.ID },
	func(a, b store.LawNote) int { return cmp.Compare(a.ID, b.ID) },
)

// LawFound is what the household found of a kind on its own list; false where nobody looked.
func (s *State) LawFound(speciesID string) (store.LawNote, bool) {
	for _, row := range LawNotes.Of(s) {
		if row.SpeciesID == speciesID {
			return row, true
		}
	}
	return store.LawNote{}, false
}

// LawOf tells whether the household found out whether a kind stands on its list, and whether it does.
func (s *State) LawOf(speciesID string) (asked, forbids bool) {
	row, _ := s.LawFound(speciesID)
	return row.Listed == ListedYes || row.Listed == ListedNo, row.Listed == ListedYes
}

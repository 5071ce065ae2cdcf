package plot

import (
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// KeptSharesTable holds what households leave standing of their own accord.
var KeptSharesTable = journal.NewTable(
	"kept_shares",
	(*store.Queries).GetKeptShare,
	(*store.Queries).PutKeptShare,
	(*store.Queries).DropKeptShare,
)

// KeptShares are what is left standing of a part, by the household's own rule.
var KeptShares = Keep(
	KeptSharesTable,
	(*store.Queries).ListKeptShares,
	func(r store.KeptShare) int64 { return r.ID },
	func(a, b store.KeptShare) int { return int(a.ID - b.ID) },
)

// KeptShareOf is what the household leaves standing of a planting's part; false where it has no rule.
func (s *State) KeptShareOf(planting int64, part string) (row store.KeptShare, has bool) {
	for _, row := range KeptShares.Of(s) {
		if row.PlantingID == planting && row.Part == part {
			return row, true
		}
	}
	return row, false
}

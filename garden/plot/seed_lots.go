package plot

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// SeedLotsTable holds the lots of seed, kept to sow.
var SeedLotsTable = journal.NewTable(
	"seed_lots",
	(*store.Queries).GetSeedLot,
	(*store.Queries).PutSeedLot,
	(*store.Queries).DropSeedLot,
)

// SeedLots are the seed lots.
var SeedLots = Keep(
	SeedLotsTable,
	(*store.Queries).ListSeedLots,
	func(r store.SeedLot) int64 { return r.ID },
	func(a, b store.SeedLot) int { return cmp.Compare(a.ID, b.ID) },
)

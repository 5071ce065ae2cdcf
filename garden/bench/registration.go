package bench

import (
	"cmp"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

var placesTable = journal.NewTable(
	"raising_places",
	(*store.Queries).GetRaisingPlace,
	(*store.Queries).PutRaisingPlace,
	(*store.Queries).DropRaisingPlace,
)

var keptRoomsTable = journal.NewTable(
	"kept_rooms",
	(*store.Queries).GetKeptRoom,
	(*store.Queries).PutKeptRoom,
	(*store.Queries).DropKeptRoom,
)

var testsTable = journal.NewTable(
	"seed_tests",
	(*store.Queries).GetSeedTest,
	(*store.Queries).PutSeedTest,
	(*store.Queries).DropSeedTest,
)

var wishesTable = journal.NewTable(
	"wishes",
	(*store.Queries).GetWish,
	(*store.Queries).PutWish,
	(*store.Queries).DropWish,
)

var batchesTable = journal.NewTable(
	"batches",
	(*store.Queries).GetBatch,
	(*store.Queries).PutBatch,
	(*store.Queries).DropBatch,
)

var countsTable = journal.NewTable(
	"batch_counts",
	(*store.Queries).GetBatchCount,
	(*store.Queries).PutBatchCount,
	(*store.Queries).DropBatchCount,
)

var traysTable = journal.NewTable(
	"trays",
	(*store.Queries).GetTray,
	(*store.Queries).PutTray,
	(*store.Queries).DropTray,
)

var lineagesTable = journal.NewTable(
	"lineages",
	(*store.Queries).GetLineage,
	(*store.Queries).PutLineage,
	(*store.Queries).DropLineage,
)

var insuredTable = journal.NewTable(
	"insured_sowings",
	(*store.Queries).GetInsuredSowing,
	(*store.Queries).PutInsuredSowing,
	(*store.Queries).DropInsuredSowing,
)

var mixesTable = journal.NewTable(
	"own_mixes",
	(*store.Queries).GetOwnMix,
	(*store.Queries).PutOwnMix,
	(*store.Queries).DropOwnMix,
)

var shedTable = journal.NewTable(
	"shed",
	(*store.Queries).GetShedPart,
	(*store.Queries).PutShedPart,
	(*store.Queries).DropShedPart,
)

var bedWorksTable = journal.NewTable(
	"bed_works",
	(*store.Queries).GetBedWork,
	(*store.Queries).PutBedWork,
	(*store.Queries).DropBedWork,
)

var benchTable = journal.NewTable(
	"bench",
	(*store.Queries).GetBench,
	(*store.Queries).PutBench,
	(*store.Queries).DropBench,
)

// The kinds of entry.
const (
	kindWish      = "wish"
	kindBatch     = "batch"
	kindSeed      = "seed"
	kindBench     = "bench"
	kindVolunteer = "volunteers"
)

// registration is what the journal has to know of the bench.
var registration = journal.Registration{
	Tables: []journal.AnyTable{
		placesTable,
		keptRoomsTable,
		plot.SeedLotsTable,
		testsTable,
		wishesTable,
		plot.VolunteersTable,
		batchesTable,
		countsTable,
		traysTable,
		lineagesTable,
		insuredTable,
		mixesTable,
		shedTable,
		bedWorksTable,
		benchTable,
	},
	Kinds: []string{kindWish, kindBatch, kindSeed, kindBench, kindVolunteer},
}

// places are where plants are raised.
var places = plot.Keep(
	placesTable,
	(*store.Queries).ListRaisingPlaces,
	func(r store.RaisingPlace) int64 { return r.ID },
	func(a, b store.RaisingPlace) int { return cmp.Compare(a.ID, b.ID) },
)

// keptRooms are the room that food has first call on.
var keptRooms = plot.Keep(
	keptRoomsTable,
	(*store.Queries).ListKeptRooms,
	func(r store.KeptRoom) int64 { return r.ID },
	func(a, b store.KeptRoom) int { return cmp.Compare(a.ID, b.ID) },
)

// tests are the tests of seed.
var tests = plot.Keep(
	testsTable,
	(*store.Queries).ListSeedTests,
	func(r store.SeedTest) int64 { return r.ID },
	func(a, b store.SeedTest) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) },
)

// wishes are what is to be made more of.
var wishes = plot.Keep(
	wishesTable,
	(*store.Queries).ListWishs,
	func(r store.Wish) int64 { return r.ID },
	func(a, b store.Wish) int { return cmp.Compare(a.ID, b.ID) },
)

// batches are what is being raised, or was.
var batches = plot.Keep(
	batchesTable,
	(*store.Queries).ListBatchs,
	func(r store.Batch) int64 { return r.ID },
	func(a, b store.Batch) int { return cmp.Compare(a.ID, b.ID) },
)

// counts are what was counted of batches.
var counts = plot.Keep(
	countsTable,
	(*store.Queries).ListBatchCounts,
	func(r store.BatchCount) int64 { return r.ID },
	func(a, b store.BatchCount) int {
		return cmp.Or(cmp.Compare(a.BatchID, b.BatchID), cmp.Compare(a.ID, b.ID))
	},
)

// trays are the trays of cells.
var trays = plot.Keep(
	traysTable,
	(*store.Queries).ListTrays,
	func(r store.Tray) int64 { return r.ID },
	func(a, b store.Tray) int { return cmp.Compare(a.ID, b.ID) },
)

// lineages are what plantings came from.
var lineages = plot.Keep(
	lineagesTable,
	(*store.Queries).ListLineages,
	func(r store.Lineage) int64 { return r.ID },
	func(a, b store.Lineage) int { return cmp.Compare(a.ID, b.ID) },
)

// insured are plantings of self-seeders that are sown again each year to be certain.
var insured = plot.Keep(
	insuredTable,
	(*store.Queries).ListInsuredSowings,
	func(r store.InsuredSowing) int64 { return r.ID },
	func(a, b store.InsuredSowing) int { return cmp.Compare(a.ID, b.ID) },
)

// ownMixes are the grower's own recipes.
var ownMixes = plot.Keep(
	mixesTable,
	(*store.Queries).ListOwnMixs,
	func(r store.OwnMix) int64 { return r.ID },
	func(a, b store.OwnMix) int { return cmp.Compare(a.ID, b.ID) },
)

// shedParts are what the shed holds.
var shedParts = plot.Keep(
	shedTable,
	(*store.Queries).ListShedParts,
	func(r store.Shed) int64 { return r.ID },
	func(a, b store.Shed) int { return cmp.Compare(a.Name, b.Name) },
)

// bedWorks are the days on which beds are worked.
var bedWorks = plot.Keep(
	bedWorksTable,
	(*store.Queries).ListBedWorks,
	func(r store.BedWork) int64 { return r.ID },
	func(a, b store.BedWork) int { return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.ID, b.ID)) },
)

// benchRows holds the bench's one row.
var benchRows = plot.Keep(
	benchTable,
	(*store.Queries).ListBenchs,
	func(r store.Bench) int64 { return r.ID },
	func(a, b store.Bench) int { return cmp.Compare(a.ID, b.ID) },
)

var keptRows = []plot.AnyKept{
	places,
	keptRooms,
	plot.SeedLots,
	tests,
	wishes,
	plot.Volunteers,
	batches,
	counts,
	trays,
	lineages,
	insured,
	ownMixes,
	shedParts,
	bedWorks,
	benchRows,
}

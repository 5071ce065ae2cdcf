package plot

import (
	"cmp"
	"slices"
	"sync"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// The tables of the larder. They are held here since what was stored of a picking is no more in its basket.
var (
	ShelvesTable = journal.NewTable(
		"shelves", (*store.Queries).GetShelf, (*store.Queries).PutShelf, (*store.Queries).DropShelf)
	LotsTable     = journal.NewTable("lots", (*store.Queries).GetLot, (*store.Queries).PutLot, (*store.Queries).DropLot)
	LotFlowsTable = journal.NewTable(
		"lot_flows", (*store.Queries).GetLotFlow, (*store.Queries).PutLotFlow, (*store.Queries).DropLotFlow)
	TrayWeightsTable = journal.NewTable(
		"tray_weights",
		(*store.Queries).GetTrayWeight,
		(*store.Queries).PutTrayWeight,
		(*store.Queries).DropTrayWeight,
	)
	JarsTable     = journal.NewTable("jars", (*store.Queries).GetJar, (*store.Queries).PutJar, (*store.Queries).DropJar)
	JarFlowsTable = journal.NewTable(
		"jar_flows", (*store.Queries).GetJarFlow, (*store.Queries).PutJarFlow, (*store.Queries).DropJarFlow)
	RecallsTable = journal.NewTable(
		"recalls", (*store.Queries).GetRecall, (*store.Queries).PutRecall, (*store.Queries).DropRecall)
)

// Their rows, each in an order in which one, or those of one, are found by halving.
var (
	Shelves = Keep(ShelvesTable, (*store.Queries).ListShelves, func(r store.Shelf) int64 { return r.ID },
		func(a, b store.Shelf) int {
			return cmp.Or(cmp.Compare(a.Position, b.Position), cmp.Compare(a.ID, b.ID))
		})
	Lots = Keep(LotsTable, (*store.Queries).ListLots, func(r store.Lot) int64 { return r.ID },
		func(a, b store.Lot) int { return cmp.Compare(a.ID, b.ID) })
	LotFlows = Keep(LotFlowsTable, (*store.Queries).ListLotFlows, func(r store.LotFlow) int64 { return r.ID },
		func(a, b store.LotFlow) int { return cmp.Or(cmp.Compare(a.LotID, b.LotID), cmp.Compare(a.ID, b.ID)) })
	TrayWeights = Keep(TrayWeightsTable, (*store.Queries).ListTrayWeights, func(r store.TrayWeight) int64 { return r.ID },
		func(a, b store.TrayWeight) int { return cmp.Or(cmp.Compare(a.LotID, b.LotID), cmp.Compare(a.ID, b.ID)) })
	Jars = Keep(JarsTable, (*store.Queries).ListJars, func(r store.Jar) int64 { return r.ID },
		func(a, b store.Jar) int { return cmp.Compare(a.ID, b.ID) })
	JarFlows = Keep(JarFlowsTable, (*store.Queries).ListJarFlows, func(r store.JarFlow) int64 { return r.ID },
		func(a, b store.JarFlow) int { return cmp.Or(cmp.Compare(a.JarID, b.JarID), cmp.Compare(a.ID, b.ID)) })
	Recalls = Keep(RecallsTable, (*store.Queries).ListRecalls, func(r store.Recall) int64 { return r.ID },
		func(a, b store.Recall) int { return cmp.Compare(a.ID, b.ID) })
)

// runOf are the rows of one owner of a list that is in the owners' order.
func runOf[Row any](list []Row, owner int64, of func(Row) int64) []Row {
	by := func(r Row, id int64) int { return cmp.Compare(of(r), id) }
	first, _ := slices.BinarySearchFunc(list, owner, by)
	last, _ := slices.BinarySearchFunc(list, owner+1, by)
	return list[first:last]
}

func oneOf[Row any](list []Row, id int64, of func(Row) int64) (row Row, has bool) {
	if run := runOf(list, id, of); len(run) > 0 {
		return run[0], true
	}
	return row, false
}

// LotByID returns a lot.
func (s *State) LotByID(id int64) (store.Lot, bool) {
	return oneOf(Lots.Of(s), id, func(r store.Lot) int64 { return r.ID })
}

// JarByID returns a jar.
func (s *State) JarByID(id int64) (store.Jar, bool) {
	return oneOf(Jars.Of(s), id, func(r store.Jar) int64 { return r.ID })
}

// FlowsOfLot are what went into a lot, was added to it and was lost.
func (s *State) FlowsOfLot(id int64) []store.LotFlow {
	return runOf(LotFlows.Of(s), id, func(r store.LotFlow) int64 { return r.LotID })
}

// FlowsOfJar are what went into a jar and out of it, as it was noted.
func (s *State) FlowsOfJar(id int64) []store.JarFlow {
	return runOf(JarFlows.Of(s), id, func(r store.JarFlow) int64 { return r.JarID })
}

// WeightsOfLot are what a tray weighed.
func (s *State) WeightsOfLot(id int64) []store.TrayWeight {
	return runOf(TrayWeights.Of(s), id, func(r store.TrayWeight) int64 { return r.LotID })
}

// InJar is what a jar holds, in grams.
func (s *State) InJar(id int64) (grams float64) {
	for _, flow := range s.FlowsOfJar(id) {
		grams += flow.Grams
	}
	return max(0, grams)
}

// larder is what is found out of the larder's rows once, for all states in which those are the same.
type larder struct {
	once sync.Once
	// stored is what was taken into the larder of each picking, in grams.
	stored map[int64]float64
	// filled is what of each lot was filled into jars, in grams, and into which.
	filled map[int64]float64
	jarsOf map[int64][]int64
}

// larderTables are the tables that it is found out of.
var larderTables = []string{"lot_flows", "jar_flows"}

func (s *State) larder() *larder {
	l := s.rows.larder
	l.once.Do(func() {
		l.stored, l.filled, l.jarsOf = map[int64]float64{}, map[int64]float64{}, map[int64][]int64{}
		for _, flow := range LotFlows.Of(s) {
			if flow.PickingID != nil {
				l.stored[*flow.PickingID] += flow.Grams
			}
		}
		for _, flow := range JarFlows.Of(s) {
			if flow.Kind != "filled" || flow.LotID == nil {
				continue
			}
			l.filled[*flow.LotID] += flow.Grams
			if jars := l.jarsOf[*flow.LotID]; !slices.Contains(jars, flow.JarID) {
				l.jarsOf[*flow.LotID] = append(jars, flow.JarID)
			}
		}
	})
	return l
}

// StoredOf is what was taken into the larder of a picking, in grams, fresh.
func (s *State) StoredOf(picking int64) float64 { return s.larder().stored[picking] }

// FilledOf is what of a lot was filled into jars, in grams.
func (s *State) FilledOf(lot int64) float64 { return s.larder().filled[lot] }

// JarsOf are the jars that a lot was filled into.
func (s *State) JarsOf(lot int64) []int64 { return s.larder().jarsOf[lot] }

// RecallOf is why the household itself holds a picking or a lot back; false where it does not.
func (s *State) RecallOf(picking, lot int64) (row store.Recall, has bool) {
	for _, row := range Recalls.Of(s) {
		if row.UndoneOn == nil && (picking != 0 && orZero(row.PickingID) == picking || lot != 0 && orZero(row.LotID) == lot) {
			return row, true
		}
	}
	return row, false
}

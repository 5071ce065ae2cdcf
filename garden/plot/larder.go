package plot

import (
	"cmp"
	"slices"
	"sort"
	"sync"

	"bramblyacre/core/keeping"
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
	LotStepsTable = journal.NewTable(
		"lot_steps", (*store.Queries).GetLotStep, (*store.Queries).PutLotStep, (*store.Queries).DropLotStep)
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
	LotSteps = Keep(LotStepsTable, (*store.Queries).ListLotSteps, func(r store.LotStep) int64 { return r.ID },
		func(a, b store.LotStep) int { return cmp.Or(cmp.Compare(a.LotID, b.LotID), cmp.Compare(a.ID, b.ID)) })
	Jars = Keep(JarsTable, (*store.Queries).ListJars, func(r store.Jar) int64 { return r.ID },
		func(a, b store.Jar) int { return cmp.Compare(a.ID, b.ID) })
	JarFlows = Keep(JarFlowsTable, (*store.Queries).ListJarFlows, func(r store.JarFlow) int64 { return r.ID },
		func(a, b store.JarFlow) int { return cmp.Or(cmp.Compare(a.JarID, b.JarID), cmp.Compare(a.ID, b.ID)) })
	Recalls = Keep(RecallsTable, (*store.Queries).ListRecalls, func(r store.Recall) int64 { return r.ID },
		func(a, b store.Recall) int { return cmp.Compare(a.ID, b.ID) })
)

// runOf are the rows of one owner of a list that is in the owners' order.
func runOf[Row any](list []Row, owner int64, of func(Row) int64) []Row {
	first := sort.Search(len(list), func(i int) bool { return of(list[i]) >= owner })
	last := sort.Search(len(list), func(i int) bool { return of(list[i]) > owner })
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

// StepsOfLot are the steps of a lot that were done.
func (s *State) StepsOfLot(id int64) []store.LotStep {
	return runOf(LotSteps.Of(s), id, func(r store.LotStep) int64 { return r.LotID })
}

// InJar is what a jar holds, in grams.
func (s *State) InJar(id int64) (grams float64) {
	for _, flow := range s.FlowsOfJar(id) {
		grams += flow.Grams
	}
	return max(0, grams)
}

// larder is what is found out of the larder's rows once, for all states in which those are the same: each part when it
// is first asked for.
type larder struct {
	// stored is what was taken into the larder of each picking, in grams. It follows from what went into lots alone, which
	// a cup taken out of a jar does not change.
	stored *stored

	filledOnce sync.Once
	// filled is what of each lot was filled into jars, and into which.
	filled map[int64]filled

	placesOnce sync.Once
	// flowAt is where each flow of a jar stands among them.
	flowAt map[int64]int

	flowsOnce sync.Once
	flows     []keeping.Flow
}

// stored is what was taken into the larder of each picking, in grams, fresh.
type stored struct {
	once sync.Once
	of   map[int64]float64
}

// filled is what of a lot was filled into jars.
type filled struct {
	grams float64
	jars  []int64
}

func newLarder() *larder { return &larder{stored: &stored{}} }

// after is the larder after a change of a table: what does not follow from that table stays found out.
func (l *larder) after(table string) *larder {
	switch table {
	case LotFlowsTable.Name():
		return newLarder()
	case JarFlowsTable.Name():
		return &larder{stored: l.stored}
	}
	return l
}

func (s *State) filledOf(lot int64) filled {
	l := s.rows.larder
	l.filledOnce.Do(func() {
		l.filled = make(map[int64]filled, len(Lots.Of(s)))
		for _, flow := range JarFlows.Of(s) {
			if flow.LotID == nil {
				continue
			}
			of := l.filled[*flow.LotID]
			of.grams += flow.Grams
			if !slices.Contains(of.jars, flow.JarID) {
				of.jars = append(of.jars, flow.JarID)
			}
			l.filled[*flow.LotID] = of
		}
	})
	return l.filled[lot]
}

// StoredOf is what was taken into the larder of a picking, in grams, fresh.
func (s *State) StoredOf(picking int64) float64 {
	of := s.rows.larder.stored
	of.once.Do(func() {
		of.of = map[int64]float64{}
		for _, flow := range LotFlows.Of(s) {
			if flow.PickingID != nil {
				of.of[*flow.PickingID] += flow.Grams
			}
		}
	})
	return of.of[picking]
}

// FilledOf is what of a lot was filled into jars, in grams.
func (s *State) FilledOf(lot int64) float64 { return s.filledOf(lot).grams }

// JarsOf are the jars that a lot was filled into.
func (s *State) JarsOf(lot int64) []int64 { return s.filledOf(lot).jars }

// RecallOf is why the household itself holds a picking or a lot back; false where it does not.
func (s *State) RecallOf(picking, lot int64) (row store.Recall, has bool) {
	for _, row := range Recalls.Of(s) {
		if row.UndoneOn == nil && (picking != 0 && orZero(row.PickingID) == picking || lot != 0 && orZero(row.LotID) == lot) {
			return row, true
		}
	}
	return row, false
}

// JarFlowByID returns what went into a jar or out of it once.
func (s *State) JarFlowByID(id int64) (store.JarFlow, bool) {
	l := s.rows.larder
	l.placesOnce.Do(func() {
		flows := JarFlows.Of(s)
		l.flowAt = make(map[int64]int, len(flows))
		for i, flow := range flows {
			l.flowAt[flow.ID] = i
		}
	})
	at, has := l.flowAt[id]
	if !has {
		return store.JarFlow{}, false
	}
	return JarFlows.Of(s)[at], true
}

// LarderFlows are what went from pickings into lots, from lots into jars, from jars into lots and away, as it was
// noted: what went away by the id of its flow. What was found to be more or less when it was weighed went nowhere.
func (s *State) LarderFlows() []keeping.Flow {
	l := s.rows.larder
	l.flowsOnce.Do(func() {
		type noted struct {
			keeping.Flow
			id int64
		}
		var all []noted
		lotOf := map[int64]int64{} // of a jar's flow into it
		for _, flow := range LotFlows.Of(s) {
			to := keeping.Thing{Kind: keeping.Lot, ID: flow.LotID}
			switch {
			case flow.PickingID != nil:
				from := keeping.Thing{Kind: keeping.Picking, ID: *flow.PickingID}
				all = append(all, noted{keeping.Flow{From: from, To: to, Grams: flow.Grams}, 0})
			case flow.JarFlowID != nil:
				lotOf[*flow.JarFlowID] = flow.LotID
			}
		}
		for _, flow := range JarFlows.Of(s) {
			jar := keeping.Thing{Kind: keeping.Jar, ID: flow.JarID}
			lot, made := lotOf[flow.ID]
			switch {
			case flow.LotID != nil:
				from := keeping.Thing{Kind: keeping.Lot, ID: *flow.LotID}
				all = append(all, noted{keeping.Flow{From: from, To: jar, Grams: flow.Grams}, flow.ID})
			case made:
				to := keeping.Thing{Kind: keeping.Lot, ID: lot}
				all = append(all, noted{keeping.Flow{From: jar, To: to, Grams: -flow.Grams}, flow.ID})
			case flow.Grams < 0 && flow.Kind != "weighed":
				to := keeping.Thing{Kind: keeping.Away, ID: flow.ID}
				all = append(all, noted{keeping.Flow{From: jar, To: to, Grams: -flow.Grams}, flow.ID})
			}
		}
		slices.SortStableFunc(all, func(a, b noted) int { return cmp.Compare(a.id, b.id) })
		for _, one := range all {
			l.flows = append(l.flows, one.Flow)
		}
	})
	return l.flows
}

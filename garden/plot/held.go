package plot

import (
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// rows are the rows of the tables that the plot is worked out from; those that grow with the
// years by what they belong to. They are never changed once read: after a change the rows are
// others, and share with those before all that did not change.
type rows struct {
	site         store.Site
	beds         []store.Bed
	plantings    []store.Planting
	items        []store.PlanItem
	needs        []store.Need
	finds        []store.Find
	people       []store.Person
	ownPlants    []store.OwnPlant
	ownFigures   []store.OwnFigure
	ownClimates  []store.OwnClimate
	notes        []store.PlantNote
	answers      map[string][]store.JobAnswer // by job
	observations map[int64][]store.Observation
	pickings     map[int64][]store.Picking
	readings     map[int64][]store.Reading // by bed
	fates        map[int64][]store.Fate
	looks        map[lookedAt][]store.Look
	sortings     map[int64][]store.Sorting // by picking
	makings      map[int64][]store.Making  // by picking
	weather      weatherLog
	waterings    map[int64][]store.Watering // by bed
	feels        map[int64][]store.SoilFeel // by bed
	// kept are the rows of tables that one area alone reads, by table.
	kept map[string]any
	// larder is what is found out of the larder's rows, made when first asked for.
	larder *larder
}

// lookedAt is what a look at characters is of: a planting or a find, the other 0.
type lookedAt struct{ planting, find int64 }

// held is how the rows of one table are held.
type held struct {
	table string
	// read reads all rows.
	read func(context.Context, *store.Queries, *rows) error
	// change takes one change in.
	change func(*rows, journal.RowChange) error
}

// heldTables are the tables that the plot is worked out from.
var heldTables = []held{
	{
		"site",
		func(ctx context.Context, q *store.Queries, r *rows) (err error) {
			r.site, err = q.GetSite(ctx)
			return err
		},
		func(r *rows, c journal.RowChange) error { return json.Unmarshal(c.After, &r.site) },
	},
	listed(
		"beds",
		(*store.Queries).ListBeds,
		func(r *rows) *[]store.Bed { return &r.beds },
		func(r store.Bed) int64 { return r.ID },
		func(a, b store.Bed) int {
			return cmp.Or(cmp.Compare(a.RoundOrder, b.RoundOrder), cmp.Compare(a.ID, b.ID))
		},
	),
	listed(
		"plantings",
		(*store.Queries).ListPlantings,
		func(r *rows) *[]store.Planting { return &r.plantings },
		func(r store.Planting) int64 { return r.ID },
		func(a, b store.Planting) int { return cmp.Or(cmp.Compare(a.BedID, b.BedID), cmp.Compare(a.ID, b.ID)) },
	),
	listed(
		"plan_items",
		(*store.Queries).ListPlanItems,
		func(r *rows) *[]store.PlanItem { return &r.items },
		func(r store.PlanItem) int64 { return r.ID },
		func(a, b store.PlanItem) int { return cmp.Compare(a.ID, b.ID) },
	),
	listed(
		"needs",
		(*store.Queries).ListNeeds,
		func(r *rows) *[]store.Need { return &r.needs },
		func(r store.Need) int64 { return r.ID },
		func(a, b store.Need) int {
			return cmp.Or(cmp.Compare(a.SpeciesID, b.SpeciesID), cmp.Compare(a.Part, b.Part))
		},
	),
	listed(
		"finds",
		(*store.Queries).ListFinds,
		func(r *rows) *[]store.Find { return &r.finds },
		func(r store.Find) int64 { return r.ID },
		func(a, b store.Find) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	listed(
		"people",
		(*store.Queries).ListPeople,
		func(r *rows) *[]store.Person { return &r.people },
		func(r store.Person) int64 { return r.ID },
		func(a, b store.Person) int { return cmp.Compare(a.ID, b.ID) },
	),
	listed(
		"own_plants",
		(*store.Queries).ListOwnPlants,
		func(r *rows) *[]store.OwnPlant { return &r.ownPlants },
		func(r store.OwnPlant) int64 { return r.ID },
		func(a, b store.OwnPlant) int { return cmp.Compare(a.SpeciesID, b.SpeciesID) },
	),
	listed(
		"own_figures",
		(*store.Queries).ListOwnFigures,
		func(r *rows) *[]store.OwnFigure { return &r.ownFigures },
		func(r store.OwnFigure) int64 { return r.ID },
		func(a, b store.OwnFigure) int {
			return cmp.Or(cmp.Compare(a.SpeciesID, b.SpeciesID), cmp.Compare(a.Key, b.Key))
		},
	),
	listed(
		"own_climates",
		(*store.Queries).ListOwnClimates,
		func(r *rows) *[]store.OwnClimate { return &r.ownClimates },
		func(r store.OwnClimate) int64 { return r.ID },
		func(a, b store.OwnClimate) int { return cmp.Compare(a.ID, b.ID) },
	),
	listed(
		"plant_notes",
		(*store.Queries).ListPlantNotes,
		func(r *rows) *[]store.PlantNote { return &r.notes },
		func(r store.PlantNote) int64 { return r.ID },
		func(a, b store.PlantNote) int { return cmp.Compare(a.ID, b.ID) },
	),
	grouped(
		"job_answers",
		(*store.Queries).ListJobAnswers,
		func(r *rows) *map[string][]store.JobAnswer { return &r.answers },
		func(r store.JobAnswer) int64 { return r.ID },
		func(r store.JobAnswer) string { return r.JobKey },
		func(a, b store.JobAnswer) int { return cmp.Compare(a.ID, b.ID) },
	),
	grouped(
		"observations",
		(*store.Queries).ListObservations,
		func(r *rows) *map[int64][]store.Observation { return &r.observations },
		func(r store.Observation) int64 { return r.ID },
		func(r store.Observation) int64 { return r.PlantingID },
		func(a, b store.Observation) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"pickings",
		(*store.Queries).ListPickings,
		func(r *rows) *map[int64][]store.Picking { return &r.pickings },
		func(r store.Picking) int64 { return r.ID },
		func(r store.Picking) int64 { return r.PlantingID },
		func(a, b store.Picking) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"readings",
		(*store.Queries).ListReadings,
		func(r *rows) *map[int64][]store.Reading { return &r.readings },
		func(r store.Reading) int64 { return r.ID },
		func(r store.Reading) int64 { return r.BedID },
		func(a, b store.Reading) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"waterings",
		(*store.Queries).ListWaterings,
		func(r *rows) *map[int64][]store.Watering { return &r.waterings },
		func(r store.Watering) int64 { return r.ID },
		func(r store.Watering) int64 { return r.BedID },
		func(a, b store.Watering) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"soil_feels",
		(*store.Queries).ListSoilFeels,
		func(r *rows) *map[int64][]store.SoilFeel { return &r.feels },
		func(r store.SoilFeel) int64 { return r.ID },
		func(r store.SoilFeel) int64 { return r.BedID },
		func(a, b store.SoilFeel) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"weather_readings",
		(*store.Queries).ListWeatherReadings,
		func(r *rows) *map[string][]store.WeatherReading {
			return (*map[string][]store.WeatherReading)(&r.weather)
		},
		func(r store.WeatherReading) int64 { return r.ID },
		func(r store.WeatherReading) string { return yearOf(r.Day) },
		func(a, b store.WeatherReading) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"fates",
		(*store.Queries).ListFates,
		func(r *rows) *map[int64][]store.Fate { return &r.fates },
		func(r store.Fate) int64 { return r.ID },
		func(r store.Fate) int64 { return r.PlantingID },
		func(a, b store.Fate) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"looks",
		(*store.Queries).ListLooks,
		func(r *rows) *map[lookedAt][]store.Look { return &r.looks },
		func(r store.Look) int64 { return r.ID },
		func(r store.Look) lookedAt { return lookedAt{orZero(r.PlantingID), orZero(r.FindID)} },
		func(a, b store.Look) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"sortings",
		(*store.Queries).ListSortings,
		func(r *rows) *map[int64][]store.Sorting { return &r.sortings },
		func(r store.Sorting) int64 { return r.ID },
		func(r store.Sorting) int64 { return r.PickingID },
		func(a, b store.Sorting) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
	grouped(
		"makings",
		(*store.Queries).ListMakings,
		func(r *rows) *map[int64][]store.Making { return &r.makings },
		func(r store.Making) int64 { return r.ID },
		func(r store.Making) int64 { return r.PickingID },
		func(a, b store.Making) int { return byDay(a.Day, b.Day, a.ID, b.ID) },
	),
}

func orZero(id *int64) int64 {
	if id == nil {
		return 0
	}
	return *id
}

// byDay orders rows as they are read: by their day, those of a day as they were noted.
func byDay(dayA, dayB string, idA, idB int64) int {
	return cmp.Or(cmp.Compare(dayA, dayB), cmp.Compare(idA, idB))
}

// listed are rows that are held in one list, in the order that they are read in.
func listed[Row any](
	table string,
	read func(*store.Queries, context.Context) ([]Row, error),
	of func(*rows) *[]Row,
	id func(Row) int64,
	order func(a, b Row) int,
) held {
	return held{
		table,
		func(ctx context.Context, q *store.Queries, r *rows) (err error) {
			*of(r), err = read(q, ctx)
			return err
		},
		func(r *rows, c journal.RowChange) (err error) {
			*of(r), err = listAfter(*of(r), c, id, order)
			return err
		},
	}
}

// listAfter is a list of rows after one of them changed.
func listAfter[Row any](list []Row, c journal.RowChange, id func(Row) int64, order func(a, b Row) int) ([]Row, error) {
	after := slices.DeleteFunc(slices.Clone(list), func(row Row) bool { return id(row) == c.ID })
	changed, is, err := rowOf[Row](c.After)
	if is {
		after = inserted(after, changed, order)
	}
	return after, err
}

// inserted is a list in its order with a row more, after those that are alike.
func inserted[Row any](list []Row, row Row, order func(a, b Row) int) []Row {
	at, _ := slices.BinarySearchFunc(list, row, func(one, of Row) int {
		if order(one, of) <= 0 {
			return -1
		}
		return 1
	})
	return slices.Insert(list, at, row)
}

// grouped are rows that are held by what they belong to, those of one in the order that they
// are read in.
func grouped[Row any, Owner comparable](
	table string,
	read func(*store.Queries, context.Context) ([]Row, error),
	of func(*rows) *map[Owner][]Row,
	id func(Row) int64,
	owner func(Row) Owner,
	order func(a, b Row) int,
) held {
	return held{
		table,
		func(ctx context.Context, q *store.Queries, r *rows) error {
			all, err := read(q, ctx)
			groups := map[Owner][]Row{}
			for _, row := range all {
				groups[owner(row)] = append(groups[owner(row)], row)
			}
			*of(r) = groups
			return err
		},
		func(r *rows, c journal.RowChange) error {
			groups := maps.Clone(*of(r))
			before, was, errBefore := rowOf[Row](c.Before)
			after, is, err := rowOf[Row](c.After)
			if was {
				left := slices.DeleteFunc(slices.Clone(groups[owner(before)]), func(row Row) bool { return id(row) == c.ID })
				groups[owner(before)] = left
				if len(left) == 0 {
					delete(groups, owner(before))
				}
			}
			if is {
				groups[owner(after)] = inserted(slices.Clone(groups[owner(after)]), after, order)
			}
			*of(r) = groups
			return cmp.Or(errBefore, err)
		},
	}
}

// rowOf reads a row as the ledger keeps it; none where there is none.
func rowOf[Row any](text json.RawMessage) (row Row, is bool, err error) {
	if journal.IsNull(text) {
		return row, false, nil
	}
	err = json.Unmarshal(text, &row)
	return row, err == nil, err
}

// readRows reads all tables, and the last entry of the ledger, in one transaction, so that
// they agree.
func (g *Plot) readRows(ctx context.Context) (r *rows, last int64, err error) {
	r = &rows{kept: map[string]any{}, larder: newLarder()}
	err = g.Store.Reading(ctx, func(q *store.Queries) (err error) {
		if last, err = q.LastLedgerID(ctx); err != nil {
			return fmt.Errorf("read the ledger: %w", err)
		}
		for _, table := range g.tables {
			if err := table.read(ctx, q, r); err != nil {
				return fmt.Errorf("read %s: %w", table.table, err)
			}
		}
		return nil
	})
	return r, last, err
}

// with are the rows after an entry, as tables hold them.
func (r *rows) with(tables []held, changes []journal.RowChange) (*rows, error) {
	next := *r
	next.kept = maps.Clone(r.kept)
	for _, c := range changes {
		at := slices.IndexFunc(tables, func(h held) bool { return h.table == c.Table })
		if at < 0 {
			continue // nothing of the plot follows from it
		}
		next.larder = next.larder.after(c.Table)
		if err := tables[at].change(&next, c); err != nil {
			return nil, fmt.Errorf("take in %s %d: %w", c.Table, c.ID, err)
		}
	}
	return &next, nil
}

// same tells whether two lists are one and the same, as rows are that did not change.
func same[Row any](a, b []Row) bool {
	return len(a) == len(b) && (len(a) == 0 || &a[0] == &b[0])
}

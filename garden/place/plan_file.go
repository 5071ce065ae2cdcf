package place

import (
	"cmp"
	"context"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// PlanData is a whole plan for a file. Places are in metres from the plot's upper
// left corner, to the right and down.
type PlanData struct {
	Name string
	// Anchored is true where the file says how the plot lies: its bearing, its
	// size or its boundary. Without, the plot keeps its own.
	Anchored   bool
	Latitude   float64
	Longitude  *float64
	BearingDeg float64
	// Boundary is the one drawn; empty where it is the rectangle of WidthM by
	// DepthM.
	Boundary       geometry.Polygon
	WidthM, DepthM float64
	Beds           []PlanBed
	Items          []PlanItem
}

// PlanBed is a bed of a plan. What is typed as an amount of length has its unit
// written.
type PlanBed struct {
	Form plan.Form
	Bed  BedInput
}

// PlanItem is another thing of a plan.
type PlanItem struct {
	Form plan.Form
	Item ItemInput
}

// PlanFile returns the whole plan for a file, in metric units.
func (u *Uses) PlanFile(ctx context.Context) (PlanData, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return PlanData{}, err
	}
	metric := *s
	metric.Units = unit.Metric
	data := PlanData{
		Anchored:   true,
		Name:       s.Site.Name,
		Latitude:   s.Site.Latitude,
		Longitude:  s.Site.Longitude,
		BearingDeg: s.Site.BearingDeg,
		WidthM:     s.Site.WidthM,
		DepthM:     s.Site.DepthM,
	}
	if isDrawn(s.Site) {
		data.Boundary = s.Boundary
	}
	for _, bed := range s.Beds {
		data.Beds = append(data.Beds, PlanBed{s.Forms[bed.ID], bedInput(&metric, bed)})
	}
	for _, it := range s.Items {
		data.Items = append(data.Items, PlanItem{it.Form, exactItem(ItemAsTyped(&metric, it), it.Item.Traits)})
	}
	return data, nil
}

// exactItem writes a thing's lengths in full, so that they are read back as they
// were.
func exactItem(in ItemInput, t plan.Traits) ItemInput {
	if in.Height != "" {
		in.Height = exactMetres(t.HeightM)
	}
	if in.CrownBase != "" {
		in.CrownBase = exactMetres(t.CrownBaseM)
	}
	if t.ReachM != nil {
		in.Reach = exactMetres(*t.ReachM)
	}
	return in
}

func exactMetres(metres float64) string { return strconv.FormatFloat(metres, 'f', -1, 64) + " m" }

// exactForm writes a form's lengths in full.
func exactForm(f plan.Form) FormInput {
	in := FormInput{Shape: string(f.Shape), Turn: f.Turn}
	for _, p := range f.Points {
		at := f.OnPlan(p)
		in.Points = append(in.Points, Corner{exactMetres(at.X), exactMetres(at.Y)})
	}
	if len(f.Points) == 0 {
		in.X, in.Y = exactMetres(f.At.X), exactMetres(f.At.Y)
	}
	for _, length := range []struct {
		into   *string
		metres float64
	}{{&in.Width, f.Width}, {&in.Depth, f.Depth}, {&in.Inner, f.Inner}} {
		if length.metres > 0 {
			*length.into = exactMetres(length.metres)
		}
	}
	return in
}

// ImportPlan reads a plan into the plot, all of it or nothing. Beds are matched by
// name: one that the plot has is changed and keeps its plantings, one that the file
// lacks stays. The file's other things take the place of the plan's. A thing that
// cannot be is refused with its place in the file and the reason.
func (u *Uses) ImportPlan(ctx context.Context, data PlanData) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		// Far too large a plan is refused before it is gone through bed by bed.
		if len(data.Beds) > MostBeds {
			return journal.Record{}, say.ConflictError{
				Why: fmt.Sprintf("%d beds would lie on the plan; %d are the most.", len(data.Beds), MostBeds),
			}
		}
		if len(data.Items) > MostThings {
			return journal.Record{}, say.ConflictError{
				Why: fmt.Sprintf("%d things would stand on the plan; %d are the most.", len(data.Items), MostThings),
			}
		}
		on, err := withBoundary(ctx, s, d, data)
		if err != nil {
			return journal.Record{}, err
		}
		bedsChanged, err := importBeds(ctx, on, d, data.Beds)
		if err != nil {
			return journal.Record{}, err
		}
		drawn, removed, err := importItems(ctx, on, u.plot, d, data.Items)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: "plan",
			Summary: fmt.Sprintf(
				"Read a plan: %s changed, %s drawn, %d taken away",
				say.Counted(float64(bedsChanged), "bed", "beds"),
				say.Counted(float64(drawn), "thing", "things"),
				removed,
			),
		}, nil
	})
}

// withBoundary writes the file's boundary and bearing, and returns the plot with
// them.
func withBoundary(ctx context.Context, s *plot.State, d *journal.Draft, data PlanData) (*plot.State, error) {
	if !data.Anchored {
		return s, nil
	}
	in := BoundaryInput{BearingDeg: data.BearingDeg, Longitude: data.Longitude}
	for _, p := range data.Boundary {
		in.Points = append(in.Points, Corner{exactMetres(p.X), exactMetres(p.Y)})
	}
	on := *s
	if data.WidthM > 0 && data.DepthM > 0 {
		on.Site.WidthM, on.Site.DepthM = data.WidthM, data.DepthM
	}
	if on.Site.WidthM > plan.LargestM || on.Site.DepthM > plan.LargestM {
		return nil, say.Faults{{Field: "boundary", Message: "The plot is too large."}}
	}
	row, boundary, err := readBoundary(&on, in)
	if err != nil {
		return nil, within("boundary", err)
	}
	on.Site, on.Boundary = store.Site(row), boundary
	if on.Site != s.Site {
		if _, err := plot.SiteTable.Put(ctx, d, 1, row); err != nil {
			return nil, err
		}
	}
	return &on, nil
}

// within puts the place in the file before the fields of faults.
func within(place string, err error) error {
	var faults say.Faults
	if !errors.As(err, &faults) {
		return err
	}
	told := make(say.Faults, len(faults))
	for i, fault := range faults {
		told[i] = say.Fault{Field: place + "." + fault.Field, Message: fault.Message, Code: fault.Code}
	}
	return told
}

func importBeds(ctx context.Context, s *plot.State, d *journal.Draft, beds []PlanBed) (changed int, err error) {
	order := int64(0)
	named := map[string]store.Bed{}
	for _, bed := range s.Beds {
		order = max(order, bed.RoundOrder)
		named[strings.ToLower(bed.Name)] = bed
	}
	inFile := map[string]bool{}
	others := *s
	others.Beds = nil // pots of the file are judged against each other
	others.Forms = map[int64]plan.Form{}
	others.Items = nil // what a file draws over a building is so drawn
	for i, in := range beds {
		place := fmt.Sprintf("beds[%d] (%s)", i, in.Bed.Name)
		key := strings.ToLower(strings.TrimSpace(in.Bed.Name))
		if inFile[key] {
			return 0, say.Faults{{Field: place + ".name", Message: "The file has two beds called " + in.Bed.Name + "."}}
		}
		inFile[key] = true
		in.Bed.FormInput = exactForm(in.Form)
		row, err := readBed(&others, in.Bed, 0)
		if err != nil {
			return 0, within(place, err)
		}
		others.Beds = append(others.Beds, store.Bed{ID: int64(-i - 1), Name: row.Name})
		others.Forms[int64(-i-1)] = in.Form
		id := int64(0)
		if bed, has := named[key]; has {
			id, row.ID, row.RoundOrder = bed.ID, &bed.ID, bed.RoundOrder
			if sameBed(bed, row) {
				continue
			}
		} else {
			order++
			row.RoundOrder = order
		}
		if _, err := bedsTable.Put(ctx, d, id, row); err != nil {
			return 0, err
		}
		changed++
	}
	for _, bed := range s.Beds {
		if !inFile[strings.ToLower(bed.Name)] && !withinPlot(s.Forms[bed.ID], s.Boundary) {
			return 0, say.Faults{
				{Field: "boundary", Message: bed.Name + " is not in the file and would lie outside its boundary."},
			}
		}
	}
	return changed, nil
}

// sameBed tells whether writing a row would change nothing.
func sameBed(bed store.Bed, row store.PutBedParams) bool {
	was := bedParams(bed)
	measured := was.SunHours == row.SunHours ||
		was.SunHours != nil && row.SunHours != nil && *was.SunHours == *row.SunHours
	was.ID, was.SunHours, was.RemovedOn = row.ID, row.SunHours, row.RemovedOn
	return measured && was == row
}

func importItems(
	ctx context.Context,
	s *plot.State,
	g *plot.Plot,
	d *journal.Draft,
	items []PlanItem,
) (drawn, removed int, err error) {
	standing := map[string][]store.PlanItem{}
	for _, it := range s.Items {
		key := itemKey(itemParams(it.PlanItem))
		standing[key] = append(standing[key], it.PlanItem)
	}
	for i, in := range items {
		in.Item.FormInput = exactForm(in.Form)
		row, err := readItem(s, g, in.Item)
		if err != nil {
			return 0, 0, within(fmt.Sprintf("items[%d] (%s)", i, plot.ItemName(in.Item.Kind, in.Item.Name)), err)
		}
		if same := standing[itemKey(row)]; len(same) > 0 { // it stands there already
			standing[itemKey(row)] = same[1:]
			continue
		}
		if _, err := planItemsTable.Put(ctx, d, 0, row); err != nil {
			return 0, 0, err
		}
		drawn++
	}
	var left []store.PlanItem
	for _, rows := range standing {
		left = append(left, rows...)
	}
	slices.SortFunc(left, func(a, b store.PlanItem) int { return cmp.Compare(a.ID, b.ID) })
	today := s.Today.String()
	for _, item := range left {
		row := itemParams(item)
		row.RemovedOn = &today
		if _, err := planItemsTable.Put(ctx, d, item.ID, row); err != nil {
			return 0, 0, err
		}
		removed++
	}
	return drawn, removed, nil
}

// itemKey is the same for things that are alike in everything.
func itemKey(row store.PutPlanItemParams) string {
	return fmt.Sprintln(
		row.Kind,
		row.Name,
		row.Shape,
		row.XM,
		row.YM,
		row.WidthM,
		row.DepthM,
		row.TurnDeg,
		row.Points,
		row.Traits,
		row.Note,
	)
}

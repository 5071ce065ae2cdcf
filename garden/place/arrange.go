package place

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Thing names a bed or another thing on the plan.
type Thing struct {
	What string `json:"what" enum:"bed,item"`
	ID   int64  `json:"id"`
	// Version is of the thing as it was seen.
	Version say.Version `json:"version,omitempty"`
}

// ArrangeInput moves, turns or copies several things at once. The way to go is as
// typed; a turn is clockwise about the middle of them all.
type ArrangeInput struct {
	Things []Thing `json:"things" minItems:"1" maxItems:"500"`
	Right  string  `json:"right,omitempty"`
	Down   string  `json:"down,omitempty"`
	Turn   float64 `json:"turn,omitempty" doc:"Degrees clockwise"`
	Copy   bool    `json:"copy,omitempty" doc:"Leave the things and set copies; a bed's plantings stay where they are"`
}

// Arrange moves, turns or copies things on the plan, all of them or none.
func (u *Uses) Arrange(ctx context.Context, in ArrangeInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		by := geometry.Point{X: shift(s, &c, "right", in.Right), Y: shift(s, &c, "down", in.Down)}
		if math.IsNaN(in.Turn) || math.Abs(in.Turn) > 360 {
			c.Add("turn", "A turn lies between -360 and 360 degrees.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if by == (geometry.Point{}) && in.Turn == 0 {
			return journal.Record{}, say.Faults{{Field: "right", Message: "Say how far to move or turn it."}}
		}
		return arrange(ctx, s, d, in, by)
	})
}

func shift(s *plot.State, c *say.Checklist, field, text string) float64 {
	if strings.TrimSpace(text) == "" {
		return 0
	}
	return length(c, field, text, s.Units.GroundUnit(), -plan.LargestM, plan.LargestM)
}

func arrange(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	in ArrangeInput,
	by geometry.Point,
) (journal.Record, error) {
	var all geometry.Polygon
	forms := make([]plan.Form, len(in.Things))
	for i, thing := range in.Things {
		form, err := formOf(s, thing)
		if err != nil {
			return journal.Record{}, err
		}
		forms[i] = form
		all = append(all, form.Region().Corners()...)
	}
	low, high := all.Bounds()
	pivot := low.Plus(high).Times(0.5).Plus(by)
	// A thing on the move makes room for the others that move with it. Copies are
	// added as they are set, to a plot of their own: the shared one never changes.
	moving := without(s, in.Things)
	if in.Copy {
		moving = without(s, nil)
	}
	var names []string
	noted := journal.Record{Kind: "plan"}
	for i, thing := range in.Things {
		name, bed, err := setForm(ctx, moving, d, thing, forms[i].Moved(by, in.Turn, pivot).Recentred(), in.Copy)
		if err != nil {
			return journal.Record{}, err
		}
		names = append(names, name)
		noted.Bed = bed
	}
	verb := "Moved "
	switch {
	case in.Copy:
		verb = "Copied "
	case by == (geometry.Point{}):
		verb = "Turned "
	}
	noted.Summary = verb + someNames(names)
	return noted, nil
}

// someNames lists the first few names and counts the rest.
func someNames(names []string) string {
	const most = 3
	if len(names) > most {
		return fmt.Sprintf("%s and %d more", strings.Join(names[:most], ", "), len(names)-most)
	}
	return say.Joined(names)
}

// without is the plot without some things, for checking where they may stand.
func without(s *plot.State, things []Thing) *plot.State {
	rest := *s
	rest.Beds = nil
	for _, bed := range s.Beds {
		moved := false
		for _, thing := range things {
			moved = moved || thing.What == "bed" && thing.ID == bed.ID
		}
		if !moved {
			rest.Beds = append(rest.Beds, bed)
		}
	}
	return &rest
}

func formOf(s *plot.State, thing Thing) (plan.Form, error) {
	if thing.What == "bed" {
		bed, err := input.StandingBed(s, thing.ID)
		if err == nil {
			err = thing.Version.IsOf(say.VersionOf(bed), bed.Name)
		}
		return s.Forms[bed.ID], err
	}
	it, err := StandingItem(s, thing.ID)
	if err == nil {
		err = thing.Version.IsOf(say.VersionOf(it.PlanItem), plot.ItemName(it.PlanItem.Kind, it.Name))
	}
	return it.Form, err
}

// ReshapeInput is a thing's new place and shape.
type ReshapeInput struct {
	Thing
	FormInput
}

// Reshape gives one thing a new place and shape and leaves all else of it.
func (u *Uses) Reshape(ctx context.Context, in ReshapeInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if _, err := formOf(s, in.Thing); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		away := 0.0
		if in.What != "bed" {
			away = offPlotM
		}
		form := readForm(s, &c, in.FormInput, away)
		if it, err := StandingItem(s, in.ID); in.What != "bed" && err == nil && !it.Item.Kind.MayBe(form.Shape) {
			c.Add("shape", "A %s cannot be a %s.", it.PlanItem.Kind, form.Shape)
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		name, bed, err := setForm(ctx, s, d, in.Thing, form, false)
		return journal.Record{Kind: "plan", Summary: "Reshaped " + name, Bed: bed}, err
	})
}

// setForm writes a thing's new form, or a copy of the thing with it.
func setForm(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	thing Thing,
	form plan.Form,
	asCopy bool,
) (name string, bed *int64, err error) {
	id := thing.ID
	if thing.What == "bed" {
		row := bedParams(s.BedByID[id])
		var c say.Checklist
		checkBedForm(s, &c, form, id)
		if asCopy && form.Shape == plan.Round {
			checkBedForm(s, &c, form, 0)
		}
		if len(c.Faults) > 0 {
			return "", nil, say.ConflictError{Why: row.Name + ": " + c.Faults[0].Message}
		}
		if asCopy {
			id, row.ID, row.Name = 0, nil, freeName(s, row.Name)
			for _, other := range s.Beds {
				row.RoundOrder = max(row.RoundOrder, other.RoundOrder+1)
			}
		}
		setBedForm(&row, form)
		written, err := bedsTable.Put(ctx, d, id, row)
		if err == nil && asCopy { // the next copy takes another name
			s.Beds = append(s.Beds[:len(s.Beds):len(s.Beds)], written)
			s.Forms = withForm(s.Forms, written.ID, form)
		}
		return row.Name, &written.ID, err
	}
	it, err := StandingItem(s, id)
	if err != nil {
		return "", nil, err
	}
	if !form.At.IsFinite() || math.Abs(form.At.X) > plan.LargestM+offPlotM ||
		math.Abs(form.At.Y) > plan.LargestM+offPlotM {
		return "", nil, say.ConflictError{
			Why: plot.ItemName(it.PlanItem.Kind, it.Name) + " would stand too far from the plot.",
		}
	}
	row := itemParams(it.PlanItem)
	if asCopy {
		id, row.ID = 0, nil
	}
	setItemForm(&row, form)
	_, err = planItemsTable.Put(ctx, d, id, row)
	return plot.ItemName(row.Kind, row.Name), nil, err
}

func withForm(forms map[int64]plan.Form, id int64, form plan.Form) map[int64]plan.Form {
	more := map[int64]plan.Form{id: form}
	for other, f := range forms {
		more[other] = f
	}
	return more
}

// freeName returns a name with the first number that no bed has yet.
func freeName(s *plot.State, name string) string {
	for n := 2; ; n++ {
		tried := fmt.Sprintf("%s %d", name, n)
		taken := false
		for _, bed := range s.Beds {
			taken = taken || strings.EqualFold(bed.Name, tried)
		}
		if !taken {
			return tried
		}
	}
}

// BoundaryInput is the plot's boundary, the way its upper edge looks, and its
// meridian. No points at all stand for the plot's rectangle.
type BoundaryInput struct {
	Points     []Corner `json:"points,omitempty"`
	BearingDeg float64  `json:"bearingDeg" doc:"The way that the plan's upper edge looks, clockwise from true north"`
	Longitude  *float64 `json:"longitude,omitempty" doc:"Degrees, west below 0; for files alone"`
}

// SetBoundary changes the plot's boundary and its bearing.
func (u *Uses) SetBoundary(ctx context.Context, seen say.Version, in BoundaryInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(plot.PlaceVersion(s.Site), "the plot's place"); err != nil {
			return journal.Record{}, err
		}
		row, boundary, err := readBoundary(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		for _, bed := range s.Beds {
			if !withinPlot(s.Forms[bed.ID], boundary) {
				return journal.Record{}, say.Faults{
					{Field: "points", Message: bed.Name + " would lie outside. Move it first, or draw the boundary wider."},
				}
			}
		}
		_, err = plot.SiteTable.Put(ctx, d, 1, row)
		return journal.Record{
			Kind:    "plan",
			Summary: "Drew the boundary: " + unit.System(row.Units).Area(boundary.Area()),
		}, err
	})
}

func readBoundary(s *plot.State, in BoundaryInput) (store.PutSiteParams, geometry.Polygon, error) {
	var c say.Checklist
	row := store.PutSiteParams(s.Site)
	row.BearingDeg, row.Longitude, row.Boundary = math.Mod(in.BearingDeg, 360), in.Longitude, "[]"
	if !(in.BearingDeg >= -360 && in.BearingDeg <= 360) {
		c.Add("bearingDeg", "The bearing lies between 0 and 360 degrees, clockwise from north.")
	}
	if l := in.Longitude; l != nil && !(*l >= -180 && *l <= 180) {
		c.Add("longitude", "A longitude lies between -180 and 180 degrees, west below 0.")
	}
	boundary := geometry.Polygon{
		{X: 0, Y: 0},
		{X: row.WidthM, Y: 0},
		{X: row.WidthM, Y: row.DepthM},
		{X: 0, Y: row.DepthM},
	}
	if len(in.Points) > 0 {
		form := readForm(s, &c, FormInput{Shape: string(plan.Polygon), Points: in.Points}, plan.LargestM)
		boundary = geometry.Polygon(form.Points).Moved(form.At)
	}
	if err := c.Err(); err != nil {
		return row, nil, err
	}
	if len(in.Points) > 0 {
		low, high := boundary.Bounds()
		if low.X < -0.01 || low.Y < -0.01 {
			c.Add("points", "The boundary begins at the plan's upper left corner: no corner lies left of it or above it.")
		}
		row.WidthM, row.DepthM, row.Boundary = high.X, high.Y, encodePoints(boundary)
	}
	return row, boundary, c.Err()
}

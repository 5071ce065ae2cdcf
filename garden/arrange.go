package garden

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

// Thing names a bed or another thing on the plan.
type Thing struct {
	What string `json:"what" enum:"bed,item"`
	ID   int64  `json:"id"`
	// Version is of the thing as it was seen.
	Version Version `json:"version,omitempty"`
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
func (g *Garden) Arrange(ctx context.Context, in ArrangeInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		var c checklist
		by := geometry.Point{X: s.shift(&c, "right", in.Right), Y: s.shift(&c, "down", in.Down)}
		if math.IsNaN(in.Turn) || math.Abs(in.Turn) > 360 {
			c.add("turn", "A turn lies between -360 and 360 degrees.")
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		if by == (geometry.Point{}) && in.Turn == 0 {
			return record{}, Faults{{Field: "right", Message: "Say how far to move or turn it."}}
		}
		return s.arrange(ctx, d, in, by)
	})
}

func (s *state) shift(c *checklist, field, text string) float64 {
	if strings.TrimSpace(text) == "" {
		return 0
	}
	return c.length(field, text, s.units.GroundUnit(), -plan.LargestM, plan.LargestM)
}

func (s *state) arrange(ctx context.Context, d *draft, in ArrangeInput, by geometry.Point) (record, error) {
	var all geometry.Polygon
	forms := make([]plan.Form, len(in.Things))
	for i, thing := range in.Things {
		form, err := s.formOf(thing)
		if err != nil {
			return record{}, err
		}
		forms[i] = form
		all = append(all, form.Region().Corners()...)
	}
	low, high := all.Bounds()
	pivot := low.Plus(high).Times(0.5).Plus(by)
	// A thing on the move makes room for the others that move with it. Copies are
	// added as they are set, to a plot of their own: the shared one never changes.
	moving := s.without(in.Things)
	if in.Copy {
		moving = s.without(nil)
	}
	var names []string
	noted := record{kind: "plan"}
	for i, thing := range in.Things {
		name, bed, err := moving.setForm(ctx, d, thing, forms[i].Moved(by, in.Turn, pivot).Recentred(), in.Copy)
		if err != nil {
			return record{}, err
		}
		names = append(names, name)
		noted.bed = bed
	}
	verb := "Moved "
	switch {
	case in.Copy:
		verb = "Copied "
	case by == (geometry.Point{}):
		verb = "Turned "
	}
	noted.summary = verb + someNames(names)
	return noted, nil
}

// someNames lists the first few names and counts the rest.
func someNames(names []string) string {
	const most = 3
	if len(names) > most {
		return fmt.Sprintf("%s and %d more", strings.Join(names[:most], ", "), len(names)-most)
	}
	return joined(names)
}

// without is the plot without some things, for checking where they may stand.
func (s *state) without(things []Thing) *state {
	rest := *s
	rest.beds = nil
	for _, bed := range s.beds {
		moved := false
		for _, thing := range things {
			moved = moved || thing.What == "bed" && thing.ID == bed.ID
		}
		if !moved {
			rest.beds = append(rest.beds, bed)
		}
	}
	return &rest
}

func (s *state) formOf(thing Thing) (plan.Form, error) {
	if thing.What == "bed" {
		bed, err := s.standingBed(thing.ID)
		if err == nil {
			err = thing.Version.isOf(versionOf(bed), bed.Name)
		}
		return s.forms[bed.ID], err
	}
	it, err := s.standingItem(thing.ID)
	if err == nil {
		err = thing.Version.isOf(versionOf(it.PlanItem), itemName(it.PlanItem.Kind, it.Name))
	}
	return it.Form, err
}

// ReshapeInput is a thing's new place and shape.
type ReshapeInput struct {
	Thing
	FormInput
}

// Reshape gives one thing a new place and shape and leaves all else of it.
func (g *Garden) Reshape(ctx context.Context, in ReshapeInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		if _, err := s.formOf(in.Thing); err != nil {
			return record{}, err
		}
		var c checklist
		away := 0.0
		if in.What != "bed" {
			away = offPlotM
		}
		form := s.readForm(&c, in.FormInput, away)
		if it, err := s.standingItem(in.ID); in.What != "bed" && err == nil && !it.Item.Kind.MayBe(form.Shape) {
			c.add("shape", "A %s cannot be a %s.", it.PlanItem.Kind, form.Shape)
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		name, bed, err := s.setForm(ctx, d, in.Thing, form, false)
		return record{kind: "plan", summary: "Reshaped " + name, bed: bed}, err
	})
}

// setForm writes a thing's new form, or a copy of the thing with it.
func (s *state) setForm(ctx context.Context, d *draft, thing Thing, form plan.Form, asCopy bool) (name string, bed *int64, err error) {
	id := thing.ID
	if thing.What == "bed" {
		row := bedParams(s.bedByID[id])
		var c checklist
		s.checkBedForm(&c, form, id)
		if asCopy && form.Shape == plan.Round {
			s.checkBedForm(&c, form, 0)
		}
		if len(c.faults) > 0 {
			return "", nil, ConflictError{row.Name + ": " + c.faults[0].Message}
		}
		if asCopy {
			id, row.ID, row.Name = 0, nil, s.freeName(row.Name)
			for _, other := range s.beds {
				row.RoundOrder = max(row.RoundOrder, other.RoundOrder+1)
			}
		}
		setBedForm(&row, form)
		written, err := bedsTable.Put(ctx, d, id, row)
		if err == nil && asCopy { // the next copy takes another name
			s.beds = append(s.beds[:len(s.beds):len(s.beds)], written)
			s.forms = withForm(s.forms, written.ID, form)
		}
		return row.Name, &written.ID, err
	}
	it, err := s.standingItem(id)
	if err != nil {
		return "", nil, err
	}
	if !form.At.IsFinite() || math.Abs(form.At.X) > plan.LargestM+offPlotM || math.Abs(form.At.Y) > plan.LargestM+offPlotM {
		return "", nil, ConflictError{itemName(it.PlanItem.Kind, it.Name) + " would stand too far from the plot."}
	}
	row := itemParams(it.PlanItem)
	if asCopy {
		id, row.ID = 0, nil
	}
	setItemForm(&row, form)
	_, err = planItemsTable.Put(ctx, d, id, row)
	return itemName(row.Kind, row.Name), nil, err
}

func withForm(forms map[int64]plan.Form, id int64, form plan.Form) map[int64]plan.Form {
	more := map[int64]plan.Form{id: form}
	for other, f := range forms {
		more[other] = f
	}
	return more
}

// freeName returns a name with the first number that no bed has yet.
func (s *state) freeName(name string) string {
	for n := 2; ; n++ {
		tried := fmt.Sprintf("%s %d", name, n)
		taken := false
		for _, bed := range s.beds {
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
func (g *Garden) SetBoundary(ctx context.Context, seen Version, in BoundaryInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		if err := seen.isOf(placeVersion(s.site), "the plot's place"); err != nil {
			return record{}, err
		}
		row, boundary, err := s.readBoundary(in)
		if err != nil {
			return record{}, err
		}
		for _, bed := range s.beds {
			if !withinPlot(s.forms[bed.ID], boundary) {
				return record{}, Faults{{Field: "points", Message: bed.Name + " would lie outside. Move it first, or draw the boundary wider."}}
			}
		}
		_, err = siteTable.Put(ctx, d, 1, row)
		return record{kind: "plan", summary: "Drew the boundary: " + unit.System(row.Units).Area(boundary.Area())}, err
	})
}

func (s *state) readBoundary(in BoundaryInput) (store.PutSiteParams, geometry.Polygon, error) {
	var c checklist
	row := store.PutSiteParams(s.site)
	row.BearingDeg, row.Longitude, row.Boundary = math.Mod(in.BearingDeg, 360), in.Longitude, "[]"
	if !(in.BearingDeg >= -360 && in.BearingDeg <= 360) {
		c.add("bearingDeg", "The bearing lies between 0 and 360 degrees, clockwise from north.")
	}
	if l := in.Longitude; l != nil && !(*l >= -180 && *l <= 180) {
		c.add("longitude", "A longitude lies between -180 and 180 degrees, west below 0.")
	}
	boundary := geometry.Polygon{{X: 0, Y: 0}, {X: row.WidthM, Y: 0}, {X: row.WidthM, Y: row.DepthM}, {X: 0, Y: row.DepthM}}
	if len(in.Points) > 0 {
		form := s.readForm(&c, FormInput{Shape: string(plan.Polygon), Points: in.Points}, plan.LargestM)
		boundary = geometry.Polygon(form.Points).Moved(form.At)
	}
	if err := c.err(); err != nil {
		return row, nil, err
	}
	if len(in.Points) > 0 {
		low, high := boundary.Bounds()
		if low.X < -0.01 || low.Y < -0.01 {
			c.add("points", "The boundary begins at the plan's upper left corner: no corner lies left of it or above it.")
		}
		row.WidthM, row.DepthM, row.Boundary = high.X, high.Y, encodePoints(boundary)
	}
	return row, boundary, c.err()
}

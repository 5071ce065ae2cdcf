package garden

import (
	"errors"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

func wall(x1, y1, x2, y2, height string) place.ItemInput {
	return place.ItemInput{Kind: "wall", FormInput: place.FormInput{Shape: "line", Width: "30 cm", Points: []place.Corner{{X: x1, Y: y1}, {X: x2, Y: y2}}}, Height: height}
}

func tree(x, y, width, height string) place.ItemInput {
	return place.ItemInput{Kind: "tree", FormInput: place.FormInput{Shape: "round", X: x, Y: y, Width: width}, Height: height, Leaf: "evergreen"}
}

func pot(name, x, y string) place.BedInput {
	return place.BedInput{Name: name, FormInput: place.FormInput{Shape: "round", X: x, Y: y, Width: "60 cm"}}
}

// add sets a thing on the plan and returns its id.
func (p *fixture) add(in place.ItemInput) int64 {
	p.t.Helper()
	_, err := p.Place.AddItem(p.t.Context(), in)
	check(p.t, err)
	s, err := p.Plot.State(p.t.Context())
	check(p.t, err)
	return s.Items[len(s.Items)-1].ID
}

func (p *fixture) addBed(in place.BedInput) int64 {
	p.t.Helper()
	_, err := p.Place.AddBed(p.t.Context(), in)
	check(p.t, err)
	return p.newest().BedID
}

func (p *fixture) view() place.PlotView {
	p.t.Helper()
	v, err := p.Place.Plot(p.t.Context(), plot.NoDay)
	check(p.t, err)
	return v
}

func (p *fixture) bedView(id int64) place.BedView {
	p.t.Helper()
	for _, bed := range p.view().Beds {
		if bed.ID == id {
			return bed
		}
	}
	p.t.Fatalf("there is no bed %d", id)
	return place.BedView{}
}

func TestThingsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	good := tree("20 m", "12 m", "6 m", "9 m")
	for _, test := range []struct {
		spoil        func(*place.ItemInput)
		field, words string
	}{
		{func(in *place.ItemInput) { in.Height = "400 m" }, "height", "must lie between"},
		{func(in *place.ItemInput) { in.Height = "0" }, "height", "above nothing"},
		{func(in *place.ItemInput) { in.Height = "" }, "height", "Write a length"},
		{func(in *place.ItemInput) { in.Height = "tall" }, "height", "is not a length"},
		{func(in *place.ItemInput) { in.CrownBase = "10 m" }, "crownBase", "below the top"},
		{func(in *place.ItemInput) { in.Leaf = "" }, "leaf", "evergreen"},
		{func(in *place.ItemInput) { in.Leaf, in.LeafFrom, in.LeafUntil = "deciduous", 0, 10 }, "leaf", "month"},
		{func(in *place.ItemInput) { in.Tree = "triffid" }, "tree", "is not a tree on record"},
		{func(in *place.ItemInput) { in.LetsThrough = new(140.0) }, "letsThrough", "between 0 and 100"},
		{func(in *place.ItemInput) { in.Reach = "-3 m" }, "reach", "must lie between"},
		{func(in *place.ItemInput) { in.Width = "0" }, "width", "must lie between"},
		{func(in *place.ItemInput) { in.X = "3000 m" }, "x", "must lie between"},
		{func(in *place.ItemInput) { in.Shape = "line" }, "shape", "cannot be a line"},
		{func(in *place.ItemInput) { in.Kind = "dragon" }, "kind", "the plan knows"},
		{func(in *place.ItemInput) { *in = wall("2 m", "2 m", "2 m", "2 m", "1 m") }, "points", "no length"},
		{func(in *place.ItemInput) { in.Kind, in.Shape, in.Unsafe = "unsafe ground", "round", "" }, "unsafe", "Say what"},
		{func(in *place.ItemInput) { in.Kind, in.Shape, in.Unsafe = "unsafe ground", "round", "ghosts" }, "unsafe", "is not a kind"},
		{func(in *place.ItemInput) {
			in.Kind, in.FormInput = "slope", place.FormInput{X: "5 m", Y: "5 m", Width: "4 m", Depth: "4 m"}
			in.FallPercent = new(10.0)
		}, "facesDeg", "which way"},
	} {
		in := good
		test.spoil(&in)
		_, err := p.Place.AddItem(t.Context(), in)
		p.refused(err, test.field, test.words, before)
	}
	if _, err := p.Place.AddItem(t.Context(), good); err != nil {
		t.Errorf("a good tree is refused: %v", err)
	}
}

func TestBedsOfEveryShapeAndThoseThatCannotBe(t *testing.T) {
	p := newPlot(t)
	p.addBed(pot("Pot", "20 m", "15 m"))
	before := p.entries()
	polygon := func(corners ...place.Corner) place.FormInput {
		return place.FormInput{Shape: "polygon", Points: corners}
	}
	for _, test := range []struct {
		form         place.FormInput
		field, words string
	}{
		{polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "4 m", Y: "9 m"}), "points", "three corners"},
		{polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "4 m", Y: "12 m"}, place.Corner{X: "4 m", Y: "9 m"}, place.Corner{X: "1 m", Y: "12 m"}), "points", "crosses itself"},
		{polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "2 m", Y: "9 m"}, place.Corner{X: "3 m", Y: "9 m"}), "points", "folds back"},
		{polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "far", Y: "9 m"}, place.Corner{X: "3 m", Y: "10 m"}), "points[1].x", "is not a length"},
		{polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "29 m", Y: "9 m"}, place.Corner{X: "29 m", Y: "30 m"}), "points[2].y", "is not possible here"},
		{place.FormInput{Shape: "ring", X: "15 m", Y: "12 m", Width: "3 m", Inner: "4 m"}, "inner", "smaller than the ring"},
		{place.FormInput{Shape: "ring", X: "15 m", Y: "12 m", Width: "3 m"}, "inner", "Write a length"},
		{place.FormInput{Shape: "round", X: "20.3 m", Y: "15 m", Width: "60 cm"}, "x", "would stand in the pot Pot"},
		{place.FormInput{Shape: "round", X: "29.9 m", Y: "15 m", Width: "60 cm"}, "x", "reaches outside"},
		{place.FormInput{Shape: "line", Width: "1 m", Points: []place.Corner{{X: "1 m", Y: "9 m"}, {X: "5 m", Y: "9 m"}}}, "shape", "A bed is a rectangle"},
		{place.FormInput{Shape: "star", X: "2 m", Y: "15 m", Width: "60 cm"}, "shape", "Choose a shape"},
	} {
		_, err := p.Place.AddBed(t.Context(), place.BedInput{Name: "Other", FormInput: test.form})
		p.refused(err, test.field, test.words, before)
	}
	ring := p.bedView(p.addBed(place.BedInput{Name: "Ring", FormInput: place.FormInput{Shape: "ring", X: "15 m", Y: "12 m", Width: "4 m", Inner: "1 m"}}))
	if ring.Area != "11.8 m²" || len(ring.Hole) == 0 || ring.Size != "4 m across, its hole 1 m" {
		t.Errorf("a ring of 4 m is %s, %s", ring.Size, ring.Area)
	}
	l := p.bedView(p.addBed(place.BedInput{Name: "Ell", FormInput: polygon(place.Corner{X: "1 m", Y: "9 m"}, place.Corner{X: "4 m", Y: "9 m"}, place.Corner{X: "4 m", Y: "10 m"}, place.Corner{X: "2 m", Y: "10 m"}, place.Corner{X: "2 m", Y: "12 m"}, place.Corner{X: "1 m", Y: "12 m"})}))
	if l.Area != "5 m²" || l.Input.Points[3] != (place.Corner{X: "2 m", Y: "10 m"}) {
		t.Errorf("the L is %s, its corners %v", l.Area, l.Input.Points)
	}
}

func TestConditionsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	for field, spoil := range map[string]func(*place.BedInput){
		"texture": func(in *place.BedInput) { in.Texture = "mud" }, "drainage": func(in *place.BedInput) { in.Drainage = "well" }, "ph": func(in *place.BedInput) { in.PH = "15" },
		"winter": func(in *place.BedInput) { in.Winter = "snowy" }, "shelter": func(in *place.BedInput) { in.Shelter = "cosy" }, "edge": func(in *place.BedInput) { in.Edge = "sharp" },
		"mulch": func(in *place.BedInput) { in.Mulch = "3 m" }, "soilDepth": func(in *place.BedInput) { in.SoilDepth = "deep" }, "warmth": func(in *place.BedInput) { in.Warmth = "hot" }, "fertility": func(in *place.BedInput) { in.Fertility = "4" },
	} {
		in := goodBed()
		in.Name, in.Y = "Other", "9 m"
		spoil(&in)
		_, err := p.Place.AddBed(t.Context(), in)
		words := "Choose"
		if field == "mulch" {
			words = "must lie between"
		}
		p.refused(err, field, words, before)
	}
}

func TestSeveralThingsMoveTurnAndCopyTogether(t *testing.T) {
	p := newPlot(t)
	other := goodBed()
	other.Name, other.Y = "Other", "9 m"
	second := p.addBed(other)
	walnut := p.add(tree("20 m", "12 m", "6 m", "9 m"))
	things := []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}, {What: "bed", ID: second, Version: say.AsItStands}, {What: "item", ID: walnut, Version: say.AsItStands}}
	entry, err := p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things, Right: "1.5 m", Down: "2 ft"})
	check(t, err)
	if entry.Summary != "Moved Long Bed, Other and the tree" {
		t.Errorf("it is noted as %q", entry.Summary)
	}
	if at := p.bedView(p.bed).At; math.Abs(at.X-11.5) > 1e-9 || math.Abs(at.Y-5.6096) > 1e-9 {
		t.Errorf("the bed went to %v", at)
	}
	if got := len(p.bedView(p.bed).Plantings); got != 1 {
		t.Errorf("%d plantings went with the bed", got)
	}
	_, err = p.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if at := p.bedView(second).At; at != (geometry.Point{X: 10, Y: 9}) {
		t.Errorf("taken back, the second bed stands at %v", at)
	}
	// All or none: one of them would lie outside.
	before := p.entries()
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things, Down: "12 m"})
	var conflict say.ConflictError
	if !errors.As(err, &conflict) || !strings.Contains(err.Error(), "reaches outside") || p.entries() != before {
		t.Errorf("moved out of the plot: %v", err)
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things[:1], Down: "3 m", Copy: true})
	check(t, err)
	v := p.view()
	copied := v.Beds[len(v.Beds)-1]
	if copied.Name != "Long Bed 2" || len(copied.Plantings) != 0 || copied.At.Y != 8 || p.bedView(p.bed).At.Y != 5 {
		t.Errorf("the copy is %s at %v with %d plantings", copied.Name, copied.At, len(copied.Plantings))
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things[:1]})
	p.refused(err, "right", "how far", p.entries())
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things[:1], Right: "a bit"})
	p.refused(err, "right", "is not a unit of length", p.entries())
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "item", ID: 99, Version: say.AsItStands}}, Right: "1 m"})
	if !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("an unknown thing moved: %v", err)
	}
}

func TestAPotMayNotBeMovedIntoAnother(t *testing.T) {
	p := newPlot(t)
	p.addBed(pot("One", "20 m", "15 m"))
	two := p.addBed(pot("Two", "22 m", "15 m"))
	_, err := p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: two, Version: say.AsItStands}}, Right: "-1.8 m"})
	if err == nil || !strings.Contains(err.Error(), "would stand in the pot One") {
		t.Errorf("moved into the other: %v", err)
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: two, Version: say.AsItStands}}, Right: "30 cm", Copy: true})
	if err == nil || !strings.Contains(err.Error(), "would stand in the pot Two") {
		t.Errorf("copied into itself: %v", err)
	}
	_, err = p.Place.Reshape(t.Context(), place.ReshapeInput{Thing: place.Thing{What: "bed", ID: two, Version: say.AsItStands}, FormInput: place.FormInput{Shape: "round", X: "22 m", Y: "15 m", Width: "4 m"}})
	if err == nil || !strings.Contains(err.Error(), "would stand in the pot One") {
		t.Errorf("grown into the other: %v", err)
	}
}

// A copying that fails half-way leaves nothing behind, in the store or in memory.
func TestACopyThatFailsLeavesNothingBehind(t *testing.T) {
	p := newPlot(t)
	one := p.addBed(pot("One", "20 m", "15 m"))
	before := p.view()
	_, err := p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}, {What: "bed", ID: one, Version: say.AsItStands}}, Right: "10 cm", Copy: true})
	if err == nil {
		t.Fatal("a pot was copied into itself")
	}
	if after := p.view(); len(after.Beds) != len(before.Beds) {
		t.Errorf("%d beds are left of %d", len(after.Beds), len(before.Beds))
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}}, Down: "4 m", Copy: true})
	check(t, err)
	if beds := p.view().Beds; beds[len(beds)-1].Name != "Long Bed 2" {
		t.Errorf("the next copy is called %s", beds[len(beds)-1].Name)
	}
}

func TestTheBoundaryIsDrawnAndKeepsTheBedsInside(t *testing.T) {
	p := newPlot(t)
	corners := []place.Corner{{X: "0 m", Y: "0 m"}, {X: "40 m", Y: "0 m"}, {X: "40 m", Y: "12 m"}, {X: "20 m", Y: "25 m"}, {X: "0 m", Y: "25 m"}}
	_, err := p.Place.SetBoundary(t.Context(), say.AsItStands, place.BoundaryInput{Points: corners, BearingDeg: 30, Longitude: new(8.5)})
	check(t, err)
	v := p.view()
	if v.WidthM != 40 || v.DepthM != 25 || !v.Drawn || v.Bearing != 30 || v.AreaWords != "870 m²" {
		t.Errorf("the plot is %v by %v, %s, turned %v", v.WidthM, v.DepthM, v.AreaWords, v.Bearing)
	}
	outside := goodBed()
	outside.Name, outside.X, outside.Y, outside.Width = "Outside", "36 m", "22 m", "2 m" // in the rectangle, beyond the slant
	before := p.entries()
	_, err = p.Place.AddBed(t.Context(), outside)
	p.refused(err, "x", "reaches outside", before)
	for _, test := range []struct {
		in           place.BoundaryInput
		field, words string
	}{
		{place.BoundaryInput{Points: corners[:2]}, "points", "three corners"},
		{place.BoundaryInput{Points: []place.Corner{{X: "0", Y: "0"}, {X: "30 m", Y: "30 m"}, {X: "30 m", Y: "0"}, {X: "0", Y: "30 m"}}}, "points", "crosses itself"},
		{place.BoundaryInput{Points: []place.Corner{{X: "0", Y: "0"}, {X: "8 m", Y: "0"}, {X: "8 m", Y: "8 m"}, {X: "0", Y: "8 m"}}}, "points", "Long Bed would lie outside"},
		{place.BoundaryInput{Points: []place.Corner{{X: "-3 m", Y: "0"}, {X: "30 m", Y: "0"}, {X: "30 m", Y: "30 m"}}}, "points", "upper left corner"},
		{place.BoundaryInput{Points: corners, BearingDeg: 700}, "bearingDeg", "between 0 and 360"},
		{place.BoundaryInput{Points: corners, Longitude: new(200.0)}, "longitude", "between -180 and 180"},
	} {
		_, err := p.Place.SetBoundary(t.Context(), say.AsItStands, test.in)
		p.refused(err, test.field, test.words, before)
	}
	_, err = p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "50 m", Depth: "25 m", Units: "metric"})
	p.refused(err, "width", "is drawn on the plan", before)
	_, err = p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "40 m", Depth: "25 m", Units: "metric"})
	check(t, err)
}

// A wall to the south takes the noon sun from a bed in the north of the earth. In
// the south it takes the low sun of summer's mornings and evenings alone.
func TestAWallTakesTheSunOfTheRightHemisphere(t *testing.T) {
	lost := map[float64]float64{}
	for _, latitude := range []float64{46.6, -46.6} {
		p := newPlot(t)
		_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: latitude, Altitude: "640 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric"})
		check(t, err)
		in := goodBed()
		in.SunHours = nil
		_, err = p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
		check(t, err)
		open := p.bedView(p.bed).SunHours
		p.add(wall("2 m", "6.5 m", "28 m", "6.5 m", "3 m"))
		lost[latitude] = open - p.bedView(p.bed).SunHours
		ground, err := p.Place.BedGround(t.Context(), p.bed)
		check(t, err)
		if len(ground.Sun.Takers) != 1 || ground.Sun.Takers[0].Name != "the wall" {
			t.Errorf("at %v° the sun is taken by %+v", latitude, ground.Sun.Takers)
		}
		for m, hours := range ground.Sun.Months {
			if hours > ground.Sun.Open[m]+0.051 {
				t.Errorf("month %d has %v h of %v", m+1, hours, ground.Sun.Open[m])
			}
		}
	}
	if lost[46.6] < 3 || lost[-46.6] > lost[46.6]/2 {
		t.Errorf("the wall takes %v h in the north, %v in the south", lost[46.6], lost[-46.6])
	}
}

func TestMeasuredSunReplacesTheComputed(t *testing.T) {
	p := newPlot(t) // its bed was measured at 6 h
	if v := p.bedView(p.bed); v.SunHours != 6 || !strings.Contains(v.SunWords, "measured") {
		t.Errorf("the measured bed has %v, %s", v.SunHours, v.SunWords)
	}
	ground, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	if !ground.Sun.Measured || ground.Sun.Summer != 6 || !strings.Contains(ground.Sun.Words, "the plan gives") {
		t.Errorf("the ground says %q", ground.Sun.Words)
	}
}

// Turning the plan one way and the north arrow with it moves no hour of sun.
func TestTurningThePlanAndNorthTogetherChangesNothing(t *testing.T) {
	p := newPlot(t)
	in := goodBed()
	in.SunHours, in.X, in.Y = nil, "15 m", "10 m"
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
	check(t, err)
	p.add(wall("9 m", "12 m", "21 m", "12 m", "3 m"))
	p.add(tree("15 m", "7 m", "3 m", "6 m"))
	before, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	things := []place.Thing{{What: "bed", ID: p.bed, Version: say.AsItStands}}
	for _, it := range s.Items {
		things = append(things, place.Thing{What: "item", ID: it.ID, Version: say.AsItStands})
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: things, Turn: 40})
	check(t, err)
	turned, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	_, err = p.Place.SetBoundary(t.Context(), say.AsItStands, place.BoundaryInput{BearingDeg: -40})
	check(t, err)
	after, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	moved := 0.0
	for m := range 12 {
		moved = math.Max(moved, math.Abs(turned.Sun.Months[m]-before.Sun.Months[m]))
		if math.Abs(after.Sun.Months[m]-before.Sun.Months[m]) > 0.15 {
			t.Errorf("month %d has %v h, had %v", m+1, after.Sun.Months[m], before.Sun.Months[m])
		}
	}
	if moved < 0.5 {
		t.Errorf("turning the plan alone moved no hour by more than %v", moved)
	}
}

// While a tree is dragged the answer is the one that it has when let go there.
func TestADragTellsWhatTheMoveWillBe(t *testing.T) {
	p := newPlot(t)
	in := goodBed()
	in.SunHours = nil
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
	check(t, err)
	id := p.add(tree("20 m", "15 m", "5 m", "9 m"))
	entries := p.entries()
	drag, err := p.Place.Drag(t.Context(), place.DragInput{ItemID: id, XM: 10, YM: 8, Hour: 10})
	check(t, err)
	if p.entries() != entries {
		t.Error("a drag was noted")
	}
	_, err = p.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "item", ID: id, Version: say.AsItStands}}, Right: "-10 m", Down: "-7 m"})
	check(t, err)
	if now := p.bedView(p.bed).SunHours; drag.Beds[0].Hours != now {
		t.Errorf("the drag said %v h, and it is %v", drag.Beds[0].Hours, now)
	}
	shadows, err := p.Place.Shadows(t.Context(), plot.NoDay, 10)
	check(t, err)
	if len(shadows.Outlines) == 0 || len(drag.Shadows.Outlines) != len(shadows.Outlines) || drag.Shadows.Outlines[0][0] != shadows.Outlines[0][0] {
		t.Error("the dragged shadow is another than the one let go")
	}
	for _, bad := range []place.DragInput{{ItemID: id, XM: math.NaN()}, {ItemID: id, XM: 1e9}, {ItemID: id, Hour: 30}, {ItemID: id, On: "soon"}} {
		if _, err := p.Place.Drag(t.Context(), bad); !errors.As(err, new(say.Faults)) {
			t.Errorf("a drag %+v gave %v", bad, err)
		}
	}
}

func TestTheLightLayerIsTheDaysSun(t *testing.T) {
	p := newPlot(t)
	p.add(wall("2 m", "10 m", "28 m", "10 m", "3 m"))
	light, err := p.Place.Light(t.Context(), plot.NoDay)
	check(t, err)
	if len(light.Hours) != light.Columns*light.Rows || light.Columns != 60 || light.StepM != 0.5 {
		t.Fatalf("%d cells of %v m in %d columns", len(light.Hours), light.StepM, light.Columns)
	}
	at := func(x, y float64) float64 { return light.Hours[int(y/light.StepM)*light.Columns+int(x/light.StepM)] }
	if open := at(15, 3); math.Abs(open-light.OpenH) > 0.11 {
		t.Errorf("the open has %v h of %v", open, light.OpenH)
	}
	if shaded := at(15.2, 9.6); shaded > light.OpenH/2 {
		t.Errorf("north of the wall are %v h of %v", shaded, light.OpenH)
	}
	night, err := p.Place.Shadows(t.Context(), plot.NoDay, 0)
	check(t, err)
	if night.Altitude > 0 || len(night.Outlines) != 0 || night.Words != "The sun is down." {
		t.Errorf("at midnight: %+v", night)
	}
	if _, err := p.Place.Shadows(t.Context(), plot.NoDay, 25); !errors.As(err, new(say.Faults)) {
		t.Errorf("hour 25 gave %v", err)
	}
}

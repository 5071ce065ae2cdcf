package plan

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/geometry"
	"bramblyacre/core/sun"
)

func TestFormsThatCannotBe(t *testing.T) {
	l := []geometry.Point{{X: 0, Y: 0}, {X: 4, Y: 0}, {X: 4, Y: 1}}
	for name, test := range map[string]struct {
		form Form
		says string
	}{
		"no shape":               {Form{}, "choose a shape"},
		"no place":               {Form{Shape: Round, Width: 1, At: geometry.Point{X: math.NaN()}}, "where it lies"},
		"no breadth":             {Form{Shape: Rectangle, Width: 3}, "the breadth"},
		"a hole wider than all":  {Form{Shape: Ring, Width: 3, Inner: 4}, "hole"},
		"a ring without a hole":  {Form{Shape: Ring, Width: 3}, "hole"},
		"a bow tie":              {Form{Shape: Polygon, Points: []geometry.Point{{X: 0, Y: 0}, {X: 2, Y: 2}, {X: 2, Y: 0}, {X: 0, Y: 2}}}, "crosses itself"},
		"a line of one point":    {Form{Shape: Line, Width: 1, Points: l[:1]}, "from 2"},
		"a line without breadth": {Form{Shape: Line, Points: l}, "the breadth"},
		"a line without length":  {Form{Shape: Line, Width: 1, Points: []geometry.Point{{}, {}}}, "no length"},
		"too many corners":       {Form{Shape: Polygon, Points: make([]geometry.Point, 300)}, "at most"},
	} {
		if err := test.form.Check(); err == nil || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%s: got %v, want %q", name, err, test.says)
		}
	}
	for _, good := range forms() {
		if err := good.Check(); err != nil {
			t.Errorf("a %s is refused: %v", good.Shape, err)
		}
	}
}

func forms() []Form {
	at := geometry.Point{X: 12, Y: 7}
	l := []geometry.Point{{X: -3, Y: -3}, {X: 3, Y: -3}, {X: 3, Y: -1}, {X: -1, Y: -1}, {X: -1, Y: 3}, {X: -3, Y: 3}}
	return []Form{
		{Shape: Rectangle, At: at, Width: 6, Depth: 2, Turn: 25}, {Shape: Round, At: at, Width: 2}, {Shape: Ring, At: at, Width: 6, Inner: 2},
		{Shape: Polygon, At: at, Points: l, Turn: 70}, {Shape: Line, At: at, Width: 0.4, Points: l[:3]},
	}
}

func TestAreas(t *testing.T) {
	want := []float64{12, math.Pi, math.Pi * 8, 6*2 + 2*4, math.NaN()}
	for i, form := range forms() {
		if got := form.Area(); !math.IsNaN(want[i]) && math.Abs(got-want[i]) > 1e-9 {
			t.Errorf("a %s covers %v m², want %v", form.Shape, got, want[i])
		}
	}
}

// Moving and turning keep the area; moving back brings the form back.
func TestMovingBackIsWhereItWas(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 6))
	for _, form := range forms() {
		for range 30 {
			by := geometry.Point{X: rng.Float64()*20 - 10, Y: rng.Float64()*20 - 10}
			turn, pivot := rng.Float64()*720-360, geometry.Point{X: rng.Float64() * 30, Y: rng.Float64() * 30}
			moved := form.Moved(by, turn, pivot)
			if math.Abs(moved.Area()-form.Area()) > 1e-9 {
				t.Fatalf("a moved %s covers %v m² of %v", form.Shape, moved.Area(), form.Area())
			}
			back := moved.Moved(geometry.Point{}, -turn, pivot).Moved(by.Times(-1), 0, pivot)
			if back.At.Distance(form.At) > 1e-9 || math.Abs(back.Turn-form.Turn) > 1e-9 {
				t.Fatalf("a %s comes back at %+v, turned %v", form.Shape, back.At, back.Turn)
			}
		}
	}
}

// Recentred keeps the ground where it is, to a tenth of a millimetre, and is its
// own result: what is written and read again does not creep.
func TestRecentredIsStable(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 1))
	for range 300 {
		for _, form := range forms() {
			form = form.Moved(geometry.Point{X: rng.Float64() * 9, Y: rng.Float64() * 9}, rng.Float64()*360, geometry.Point{})
			once := form.Recentred()
			for i, corner := range form.Region().Corners() {
				if off := corner.Distance(once.Region().Corners()[i]); off > 2e-3 {
					t.Fatalf("a corner of a %s went %v m away", form.Shape, off)
				}
			}
			again := once
			if once.Shape == Polygon || once.Shape == Line { // as read from absolute corners
				again.Points = nil
				for _, p := range once.Points {
					again.Points = append(again.Points, once.OnPlan(p))
				}
				again.At = geometry.Point{}
			}
			again = again.Recentred()
			if again.At != once.At || again.Turn != once.Turn || again.Width != once.Width {
				t.Fatalf("read again, a %s moved from %+v to %+v", form.Shape, once, again)
			}
			for i := range once.Points {
				if again.Points[i] != once.Points[i] {
					t.Fatalf("read again, corner %d of a %s is %v, was %v", i, form.Shape, again.Points[i], once.Points[i])
				}
			}
		}
	}
}

func TestSamplesLieOnTheBed(t *testing.T) {
	for _, form := range forms() {
		points := form.Samples(25)
		if len(points) < 12 || len(points) > 50 {
			t.Errorf("a %s is sampled at %d points", form.Shape, len(points))
		}
		for _, p := range points {
			if form.Region().DistanceTo(p) > 1e-6 {
				t.Errorf("a sample of a %s lies at %v", form.Shape, p)
			}
		}
	}
}

func TestTraitsThatCannotBe(t *testing.T) {
	faults := func(kind string, traits Traits) string {
		row, err := KindOf(kind)
		if err != nil {
			t.Fatal(err)
		}
		var words []string
		for _, f := range traits.Check(row) {
			words = append(words, string(f.Trait)+": "+f.Why)
		}
		return strings.Join(words, "\n")
	}
	evergreen := Traits{HeightM: 4, Leaf: Evergreen}
	for name, test := range map[string]struct {
		kind   string
		traits Traits
		says   string
	}{
		"a tree of 400 m":         {"tree", Traits{HeightM: 400, Leaf: Evergreen}, "height"},
		"a wall without height":   {"wall", Traits{}, "height"},
		"a crown above its top":   {"tree", Traits{HeightM: 4, CrownBaseM: 5, Leaf: Evergreen}, "crown"},
		"a leaf season of none":   {"tree", Traits{HeightM: 4}, "evergreen"},
		"a month of 13":           {"hedge", Traits{HeightM: 2, Leaf: Deciduous, LeafFrom: 4, LeafUntil: 13}, "month"},
		"light of 120 per cent":   {"fence", Traits{HeightM: 2, LetsThrough: new(1.2)}, "between 0 and 100"},
		"a reach of a kilometre":  {"pond", Traits{ReachM: new(1000.0)}, "reach"},
		"unsafe without a reason": {"unsafe ground", Traits{}, "unsafe"},
		"a slope that overhangs":  {"slope", Traits{FallPercent: 300, FacesDeg: 90}, "fall"},
		"a slope to nowhere":      {"slope", Traits{FallPercent: 10, FacesDeg: 400}, "faces"},
	} {
		if got := faults(test.kind, test.traits); !strings.Contains(strings.ToLower(got), test.says) {
			t.Errorf("%s: %q lacks %q", name, got, test.says)
		}
	}
	if got := faults("tree", evergreen); got != "" {
		t.Errorf("a good tree is refused: %s", got)
	}
	if _, err := KindOf("dragon"); err == nil {
		t.Error("the plan knows dragons")
	}
}

// A deciduous crown is in leaf over the turn of the year in the south.
func TestLeafSeasons(t *testing.T) {
	tree, err := KindOf("tree")
	if err != nil {
		t.Fatal(err)
	}
	north := Traits{Leaf: Deciduous, LeafFrom: time.May, LeafUntil: time.October}
	south := Traits{Leaf: Deciduous, LeafFrom: time.October, LeafUntil: time.April}
	for m := range 12 {
		month := time.Month(m + 1)
		if in := north.InLeaf()[m]; in != (month >= time.May && month <= time.October) {
			t.Errorf("in %s the northern tree is in leaf: %v", month, in)
		}
		if in := south.InLeaf()[m]; in != (month >= time.October || month <= time.April) {
			t.Errorf("in %s the southern tree is in leaf: %v", month, in)
		}
		light := north.LightThrough(tree)[m]
		if bare := !north.InLeaf()[m]; bare != (light > 0.3) {
			t.Errorf("in %s %v of the light passes", month, light)
		}
	}
	thin := Traits{Leaf: Evergreen, LetsThrough: new(0.8)}
	if got := thin.LightThrough(tree); got[0] != 0.8 || got[6] != 0.8 {
		t.Errorf("the grower's own share is %v", got)
	}
}

func TestOnlyWhatIsTallShades(t *testing.T) {
	for _, kind := range Kinds() {
		item := Item{Kind: kind, Form: Form{Shape: kind.Shapes[0], At: geometry.Point{X: 5, Y: 5}, Width: 2, Depth: 2, Points: []geometry.Point{{X: -2}, {X: 2}, {X: 2, Y: 2}}}, Traits: Traits{HeightM: 3, Leaf: Evergreen}}
		obstacles := item.Obstacles()
		if (kind.Shade == NoShade) != (len(obstacles) == 0) {
			t.Errorf("a %s casts %d shadows", kind.Kind, len(obstacles))
		}
		for _, o := range obstacles {
			if o.High != 3 || o.Low >= o.High || kind.Shade == Crown && o.Radius != 1 {
				t.Errorf("a %s of 3 m stands from %v to %v", kind.Kind, o.Low, o.High)
			}
		}
	}
}

// A slope that faces south climbs to the north.
func TestASlopeClimbsAwayFromWhereItFaces(t *testing.T) {
	slope := Item{Form: Form{Shape: Rectangle, At: geometry.Point{X: 5, Y: 5}, Width: 10, Depth: 10}, Traits: Traits{FallPercent: 20, FacesDeg: 180}}
	slope.Kind.Kind = Slope
	terrain := sun.Terrain(slope.Ramps(0))
	top, foot := terrain.Height(geometry.Point{X: 5, Y: 0}), terrain.Height(geometry.Point{X: 5, Y: 10})
	if math.Abs(top-2) > 1e-9 || foot != 0 {
		t.Errorf("ten metres at 20 in 100 climb from %v to %v m", foot, top)
	}
	if got := (Item{Form: slope.Form}).Ramps(0); got != nil {
		t.Errorf("what is no slope has ramps: %v", got)
	}
}

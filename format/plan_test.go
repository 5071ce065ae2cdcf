package format

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"github.com/paulmach/orb/geojson"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"bramblyacre/core/geometry"
	"bramblyacre/demo"
	"bramblyacre/demo/demotest"
	"bramblyacre/garden"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

func check(t *testing.T, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// plotDir is a folder with the sample plot in it, or an empty one.
func plotDir(t *testing.T, sample bool) string {
	t.Helper()
	if sample {
		return demotest.Dir(t)
	}
	return t.TempDir()
}

// open returns a new garden: the sample plot, or an empty one.
func open(t *testing.T, sample bool) *garden.Garden {
	t.Helper()
	l, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), plotDir(t, sample))
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	noon := func() time.Time { return demo.Today.Time().Add(12 * time.Hour) }
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: l, PinnedTo: &demo.Today, Clock: noon, Seasons: 8})
	check(t, err)
	return g
}

func written(t *testing.T, g *garden.Garden) []byte {
	t.Helper()
	data, err := g.Place.PlanFile(t.Context())
	check(t, err)
	var text bytes.Buffer
	check(t, WritePlan(&text, data))
	return text.Bytes()
}

// What leaves comes back the same: into an empty plot, and into its own, where it
// changes nothing at all.
func TestAPlanThatLeavesComesBackTheSame(t *testing.T) {
	from := open(t, true)
	_, err := from.Place.Arrange(t.Context(), place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: 2, Version: say.AsItStands}, {What: "item", ID: 3, Version: say.AsItStands}, {What: "bed", ID: 6, Version: say.AsItStands}}, Right: "0.37 m", Down: "-11 in", Turn: 13.7})
	check(t, err)
	_, err = from.Place.SetBoundary(t.Context(), say.AsItStands, place.BoundaryInput{BearingDeg: 12.5, Longitude: new(-3.25), Points: []place.Corner{{X: "0", Y: "0"}, {X: "71.3 m", Y: "0"}, {X: "70 m", Y: "57.123 m"}, {X: "0", Y: "50 m"}}})
	check(t, err)
	out := written(t, from)
	data, err := ReadPlan(out)
	check(t, err)
	to := open(t, false)
	_, err = to.Place.ImportPlan(t.Context(), data)
	check(t, err)
	// Name and latitude are the site's own, set in its settings.
	here, there := anchorless(t, written(t, to)), anchorless(t, out)
	if !bytes.Equal(here, there) {
		t.Errorf("the plan came back as\n%s\nand was\n%s", here, there)
	}
	entry, err := from.Place.ImportPlan(t.Context(), data)
	check(t, err)
	if entry.Summary != "Read a plan: 0 beds changed, 0 things drawn, 0 taken away" {
		t.Errorf("read into its own plot: %s", entry.Summary)
	}
	if again := written(t, from); !bytes.Equal(again, out) {
		t.Error("read into its own plot, the plan changed")
	}
}

func anchorless(t *testing.T, text []byte) []byte {
	t.Helper()
	var file map[string]any
	check(t, json.Unmarshal(text, &file))
	anchor := file["anchor"].(map[string]any)
	delete(anchor, "name")
	delete(anchor, "latitude")
	again, err := json.MarshalIndent(file, "", " ")
	check(t, err)
	return again
}

func TestThePlanIsGeoJSON(t *testing.T) {
	file, err := geojson.UnmarshalFeatureCollection(written(t, open(t, true)))
	check(t, err)
	kinds := map[string]int{}
	for _, f := range file.Features {
		kinds[f.Properties.MustString("what")]++
		low, high := f.Geometry.Bound().Min, f.Geometry.Bound().Max
		if low[0] < -1 || high[0] > 72 || low[1] < -58 || high[1] > 1 {
			t.Errorf("a %s lies from %v to %v", f.Properties.MustString("what"), low, high)
		}
	}
	if kinds["bed"] != 10 || kinds["tree"] != 2 || kinds["unsafe ground"] != 1 {
		t.Errorf("the file holds %v", kinds)
	}
	if file.ExtraMembers["coordinates_are"] != planCRS {
		t.Error("the file does not say that it is in metres")
	}
}

func TestPlansThatCannotBeReadAreRefusedWithTheReason(t *testing.T) {
	g := open(t, true)
	good := string(written(t, g))
	before := good
	feature := func(what, geometry, rest string) string {
		return `{"type":"FeatureCollection","coordinates_are":"local metres","anchor":{"width_m":71,"depth_m":57},"features":[{"type":"Feature","properties":{"what":"` + what + `"` + rest + `},"geometry":` + geometry + `}]}`
	}
	square := `{"type":"Polygon","coordinates":[[[1,-50],[3,-50],[3,-52],[1,-52],[1,-50]]]}`
	for name, test := range map[string]struct{ text, says string }{
		"nothing":              {"", "not a GeoJSON"},
		"a list":               {"[]", "collection: array stands where it cannot"},
		"no JSON":              {"<kml/>", "not a GeoJSON"},
		"degrees":              {strings.Replace(good, `"local metres"`, `"degrees"`, 1), "degrees cannot be read"},
		"a bow tie":            {feature("bed", `{"type":"Polygon","coordinates":[[[1,-50],[3,-52],[3,-50],[1,-52],[1,-50]]]}`, `,"detail":{"name":"Tie"}`), "features[0]: bed: the outline crosses itself"},
		"two corners":          {feature("bed", `{"type":"Polygon","coordinates":[[[1,-50],[3,-52],[1,-50]]]}`, `,"detail":{"name":"Two"}`), "three corners"},
		"a point":              {feature("bed", `{"type":"Point","coordinates":[1,-50]}`, `,"detail":{"name":"Point"}`), "only a Polygon"},
		"nothing said":         {feature("", square, ""), "what is missing"},
		"an unknown key":       {feature("bed", square, `,"detail":{"name":"Key","colour":"red"}`), "colour"},
		"an unknown thing":     {feature("dragon", square, ""), "the plan knows"},
		"a bed without a name": {feature("bed", square, ""), "Give the bed a name"},
		"a bed outside":        {feature("bed", `{"type":"Polygon","coordinates":[[[90,-50],[95,-50],[95,-55]]]}`, `,"detail":{"name":"Out"}`), "features[0]: bed: the outline needs three corners"},
		"a closed bed outside": {feature("bed", `{"type":"Polygon","coordinates":[[[69,-50],[75,-50],[75,-55],[69,-50]]]}`, `,"detail":{"name":"Out"}`), "is not possible here"},
		"a tree of 400 m":      {feature("tree", square, `,"shape":"round","at_m":[5,-50],"width_m":4,"detail":{"kind":"tree","height":"400 m","leaf":"evergreen"}`), "must lie between"},
		"a round without size": {feature("tree", square, `,"shape":"round","at_m":[5,-50],"detail":{"kind":"tree","height":"4 m","leaf":"evergreen"}`), "width across"},
	} {
		data, err := ReadPlan([]byte(test.text))
		if err == nil {
			_, err = g.Place.ImportPlan(t.Context(), data)
		}
		if err == nil || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%s: got %v, want %q", name, err, test.says)
		}
	}
	if after := string(written(t, g)); after != before {
		t.Error("a plan that was refused changed the plot")
	}
}

// A file by hand may leave the anchor out: the plot keeps its bearing and boundary.
func TestAPlanWithoutAnAnchorLeavesThePlotLyingAsItDoes(t *testing.T) {
	g := open(t, true)
	_, err := g.Place.SetBoundary(t.Context(), say.AsItStands, place.BoundaryInput{BearingDeg: 20, Points: []place.Corner{{X: "0", Y: "0"}, {X: "71 m", Y: "0"}, {X: "71 m", Y: "57 m"}, {X: "0", Y: "50 m"}}})
	check(t, err)
	data, err := ReadPlan([]byte(`{"type":"FeatureCollection","coordinates_are":"local metres","features":[{"type":"Feature","properties":{"what":"bed","detail":{"name":"By hand"}},"geometry":{"type":"Polygon","coordinates":[[[1,-40],[3,-40],[3,-42],[1,-40]]]}}]}`))
	check(t, err)
	_, err = g.Place.ImportPlan(t.Context(), data)
	check(t, err)
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	if plot.Bearing != 20 || !plot.Drawn || len(plot.Beds) != 11 || plot.Beds[10].Area != "2 m²" {
		t.Errorf("the plot looks to %v°, drawn %v, with %d beds", plot.Bearing, plot.Drawn, len(plot.Beds))
	}
}

func TestABedMissingFromTheFileStaysWithItsPlantings(t *testing.T) {
	g := open(t, true)
	data, err := g.Place.PlanFile(t.Context())
	check(t, err)
	data.Beds, data.Items = data.Beds[:2], data.Items[:1]
	data.Beds[0].Form.At.Y++
	entry, err := g.Place.ImportPlan(t.Context(), data)
	check(t, err)
	if entry.Summary != "Read a plan: 1 bed changed, 0 things drawn, 10 taken away" {
		t.Errorf("it is noted as %q", entry.Summary)
	}
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	plantings := 0
	for _, bed := range plot.Beds {
		plantings += len(bed.Plantings)
	}
	if len(plot.Beds) != 10 || plantings != 35 || len(plot.Items) != 1 {
		t.Errorf("%d beds, %d plantings, %d things are left", len(plot.Beds), plantings, len(plot.Items))
	}
	twins := data
	twins.Beds = append(twins.Beds[:1:1], twins.Beds[0])
	if _, err := g.Place.ImportPlan(t.Context(), twins); err == nil || !strings.Contains(err.Error(), "two beds called") {
		t.Errorf("two beds of one name: %v", err)
	}
}

// The printed plan is one page, to a scale that it names, with every bed in its
// legend.
func TestThePrintedPlanIsOnePage(t *testing.T) {
	for _, sample := range []bool{true, false} {
		g := open(t, sample)
		var file bytes.Buffer
		check(t, writePlanPDF(t.Context(), g, &file))
		text := file.String()
		if !strings.HasPrefix(text, "%PDF-") || !strings.HasSuffix(strings.TrimSpace(text), "%%EOF") {
			t.Fatal("the file is no PDF")
		}
		if pages := strings.Count(text, "/Type /Page\n"); pages != 1 {
			t.Errorf("the plan has %d pages", pages)
		}
	}
}

// All that is drawn lies within the paper left for it; the empty rest of the plot takes none.
func TestThePrintedPlanFitsItsScale(t *testing.T) {
	g := open(t, true)
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	s := newSheet(fpdf.New("L", "mm", "A4", ""), plot)
	within := func(name string, areas []geometry.Polygon) {
		for _, area := range areas {
			for _, corner := range area {
				p := s.onPaper(corner)
				if p.X < sheetMargin-0.01 || p.X > s.width-sheetMargin-legendWidth+0.01 || p.Y < sheetMargin+headHeight-0.01 || p.Y > s.height-sheetMargin {
					t.Errorf("at 1 : %v a corner of %s lies at %v on %v by %v mm", s.scale, name, p, s.width, s.height)
				}
			}
		}
	}
	for _, bed := range plot.Beds {
		within(bed.Name, bed.Areas)
	}
	for _, item := range plot.Items {
		within(nameOf(item), item.Areas)
	}
	if metre := s.mm(1); metre != 1000/s.scale {
		t.Errorf("a metre is %v mm at 1 : %v", metre, s.scale)
	}
}

// What is not for use says so on paper, under its bed and whole: paper goes to people who
// never saw the screen.
func TestThePrintedPlanSaysWhatIsNotForUse(t *testing.T) {
	g := open(t, true)
	plot, err := g.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	entries := legendEntries(plot)
	unproven, unsafe := 0, 0
	for _, bed := range plot.Beds {
		for _, planted := range bed.Plantings {
			if planted.Identity != "sure" {
				unproven++
			}
			for _, notice := range planted.Ground {
				if notice.Forbids {
					unsafe++
				}
			}
		}
	}
	if unproven == 0 || unsafe == 0 {
		t.Fatalf("the sample plot has %d unproven plantings and %d on unsafe ground to print", unproven, unsafe)
	}
	printed := ""
	s := newSheet(fpdf.New("L", "mm", "A4", ""), plot)
	s.AddUTF8FontFromBytes("go", "", goregular.TTF)
	s.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	for _, l := range s.broken(entries, 8.5, legendWidth-4) {
		printed += strings.TrimSpace(l.text) + " "
	}
	for _, entry := range entries {
		if !strings.Contains(printed, strings.Join(strings.Fields(entry.text), " ")) && !strings.Contains(printed, entry.text) {
			t.Errorf("the legend does not print %q whole", entry.text)
		}
	}
	if n := strings.Count(printed, "UNPROVEN"); n != unproven {
		t.Errorf("%d plantings are unproven and %d are printed so", unproven, n)
	}
	if n := strings.Count(printed, "NOT FOR USE: "); n < unsafe {
		t.Errorf("%d plantings stand on unsafe ground and %d notices are printed", unsafe, n)
	}
}

package format

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
)

// formulas are texts that a spreadsheet would take for more than text.
var formulas = []string{"=HYPERLINK(\"http://a.example\")", "+leaf", "-tips", "@SUM(1)|cmd", "\t=1+1", " =1+1", "\r=1", "＝1+1", "\"=1", "'=1", "%0A=1"}

// No cell of a table begins a formula, whichever column a text came in by.
func TestNoCellOfATableIsAFormula(t *testing.T) {
	for _, text := range formulas {
		var out bytes.Buffer
		picked := now.PickingRow{Day: "2031-05-27", Bed: text, Plant: text, Botanical: text, Part: text, UnitName: text, Note: text}
		if err := WritePickings(&out, []now.PickingRow{picked}); err != nil {
			t.Fatal(err)
		}
		seen := now.ObservationRow{Day: "2031-05-27", Bed: text, Plant: text, Botanical: text, Stage: flora.InBud, Share: text, Marks: text, Note: text}
		if err := WriteObservations(&out, []now.ObservationRow{seen}); err != nil {
			t.Fatal(err)
		}
		reader := csv.NewReader(&out)
		reader.FieldsPerRecord = -1
		records, err := reader.ReadAll()
		if err != nil {
			t.Fatal(err)
		}
		guarded := 0
		for _, record := range records {
			for _, cell := range record {
				if strings.HasPrefix(cell, "'") {
					guarded++
				} else if strings.ContainsAny(cell, "=@|") || strings.HasPrefix(cell, "+") || strings.HasPrefix(cell, "-") {
					t.Errorf("a cell begins %q", cell)
				}
			}
		}
		if guarded != 6+6 {
			t.Errorf("%q: %d of 12 cells are guarded", text, guarded)
		}
	}
}

// Whatever breaks a line in a text, the calendar's lines are its own: a reader that splits
// at any break finds no property that was not written.
func TestNoTextBreaksOutOfTheCalendar(t *testing.T) {
	for _, end := range []string{"\r", "\n", "\r\n", "\v", "\f", "\u0085", "\u2028", "\u2029"} {
		text := "Bed" + end + "SUMMARY:forged" + end + "END:VEVENT"
		var out bytes.Buffer
		day := calendar.Must(2031, 5, 27)
		if err := WriteCalendar(&out, now.CalendarData{Name: text, Events: []area.Event{{UID: "window" + text, Summary: text, Description: text, Place: text, First: day, Last: day}}}); err != nil {
			t.Fatal(err)
		}
		breaks := strings.NewReplacer("\r\n", "\n", "\r", "\n", "\v", "\n", "\f", "\n", "\u0085", "\n", "\u2028", "\n", "\u2029", "\n")
		unfolded := strings.ReplaceAll(breaks.Replace(out.String()), "\n ", "")
		summaries, ends := 0, 0
		for line := range strings.Lines(unfolded) {
			if strings.HasPrefix(line, "SUMMARY") {
				summaries++
			}
			if strings.HasPrefix(line, "END:VEVENT") {
				ends++
			}
		}
		if summaries != 1 || ends != 1 {
			t.Errorf("with %q there are %d summaries and %d ends in %q", end, summaries, ends, unfolded)
		}
	}
}

// Any text can be printed: what a typeface lacks is an empty square, and nothing fails.
func TestAnyTextCanBePrinted(t *testing.T) {
	texts := []string{
		"Salbei und Königskerze", "ἄκορον", "зверобой", "ძირი", "նանա", "נענע", "نعناع", "薄荷", "サルビア", "พริก", "🌿🌱", "👩‍🌾", "\U000E0041\U000E007F tags",
		"a\u0301\u0327\u0323", "\u202Eesrever", "𝔖𝔞𝔩𝔳𝔦𝔞", "\U0010FFFF", "\ufffe", "𠀋", "☘️ 1/2 ½ ⅓", strings.Repeat("薄荷", 200), "", "\x00\x07",
	}
	for r := rune(0x20); r < 0x30000; r += 37 {
		texts = append(texts, fmt.Sprintf("bed %c%c", r, r+1))
	}
	long := []gather.LabelData{}
	plot, site := place.PlotView{WidthM: 30, DepthM: 20, ScaleM: 5, ScaleText: "5 m"}, place.SiteView{}
	for i, text := range texts {
		bed := place.BedView{ID: int64(i), Name: text, WidthM: 1, DepthM: 1}
		plot.Beds = append(plot.Beds, bed)
		if i < 23 {
			long = append(long, gather.LabelData{Title: text, Botanical: text, Part: text, From: text, Day: "2031-05-27", Cautions: []string{text}, Ask: text})
			site.Name += text
		}
	}
	var out bytes.Buffer
	if err := WritePlanPDF(&out, plot, site); err != nil || !bytes.HasPrefix(out.Bytes(), []byte("%PDF-")) {
		t.Errorf("the plan: %v", err)
	}
	for _, label := range long {
		out.Reset()
		if err := WriteLabelPDF(&out, label); err != nil || !bytes.HasPrefix(out.Bytes(), []byte("%PDF-")) {
			t.Errorf("the label of %q: %v", label.Title, err)
		}
	}
	if usualFace.has('薄') || !usualFace.has('ä') || !wideFace.has('ძ') || wideFace.has('🌿') {
		t.Error("the typefaces do not cover what they are thought to")
	}
}

func TestAPlanOfNothingOrOfTooMuchIsRefusedInWords(t *testing.T) {
	head := `{"type":"FeatureCollection","coordinates_are":"local metres","features":[`
	for text, says := range map[string]string{
		head + `null]}`: "features[0] is null",
		head + `{"type":"Feature","geometry":null,"properties":{"what":"bed","at_m":[1e300,0],"shape":"rectangle","width_m":1,"depth_m":1,"detail":{"name":"B"}}}]}`:             "100 km",
		head + `{"type":"Feature","geometry":{"type":"LineString","coordinates":[[0,0],[1e308,1e308],[-1e308,1]]},"properties":{"what":"fence","width_m":1}}]}`:                  "100 km",
		head + strings.Repeat(`{"type":"Feature","geometry":null,"properties":{}},`, place.MostThings+place.MostBeds+1) + `{"type":"Feature","geometry":null,"properties":{}}]}`: "1401 are the most",
	} {
		if _, err := ReadPlan([]byte(text)); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%.60s: %v", text, err)
		}
	}
}

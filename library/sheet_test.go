package library

import (
	"encoding/json"
	"fmt"
	"reflect"
	"strings"
	"testing"

	"bramblyacre/core/flora"
)

// sheetOf is a species' sheet as it comes back from a browser: through JSON.
func sheetOf(t *testing.T, l *Library, id string) map[string]any {
	t.Helper()
	text, has := l.Text(id)
	if !has {
		t.Fatalf("there is no %s", id)
	}
	sheet, err := ReadSheet(id+".toml", text)
	if err != nil {
		t.Fatal(err)
	}
	sent, err := json.Marshal(sheet)
	if err != nil {
		t.Fatal(err)
	}
	var back map[string]any
	if err := json.Unmarshal(sent, &back); err != nil {
		t.Fatal(err)
	}
	return back
}

// item is one item of a list of a sheet.
func item(sheet map[string]any, list string, i int) map[string]any {
	return sheet[list].([]any)[i].(map[string]any)
}

// A plant that went through a form unchanged is the same plant, figure by figure, and
// in its sheet no figure is a table any more.
func TestEveryPlantComesBackFromItsSheet(t *testing.T) {
	l, all := allSpecies(t)
	for _, s := range all {
		sheet := sheetOf(t, l, s.ID)
		if size := sheet["size"].(map[string]any); reflect.TypeOf(size["height"]).Kind() != reflect.String {
			t.Errorf("%s: its height is %v", s.ID, size["height"])
		}
		text, err := WriteSheet(sheet)
		if err != nil {
			t.Fatal(err)
		}
		again, err := l.ReadSpecies(s.ID+".toml", text)
		if err != nil {
			t.Errorf("%s: %v", s.ID, err)
			continue
		}
		before, _ := l.ReadSpecies(s.ID+".toml", mustText(l, s.ID))
		for _, pair := range []struct {
			what      string
			was, came any
		}{
			{"names", before.Names.Name, again.Names.Name}, {"size", before.Size, again.Size}, {"site", before.Site.Sun, again.Site.Sun},
			{"moisture", before.Site.Moisture, again.Site.Moisture}, {"growth", before.Growth, again.Growth}, {"shows", before.Identity.Shows, again.Identity.Shows},
			{"parts", before.Parts, again.Parts}, {"care", before.Care, again.Care}, {"cautions", len(before.Cautions), len(again.Cautions)},
		} {
			if was, came := asJSON(t, pair.was), asJSON(t, pair.came); was != came {
				t.Errorf("%s: its %s came back as\n%s\nand were\n%s", s.ID, pair.what, came, was)
			}
		}
	}
}

func mustText(l *Library, id string) []byte {
	text, _ := l.Text(id)
	return text
}

// asJSON writes a value so that an empty list and none are the same.
func asJSON(t *testing.T, v any) string {
	t.Helper()
	text, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return strings.ReplaceAll(string(text), ":[]", ":null")
}

// What was left empty means what is usual; what was begun and not finished is told.
func TestWhatIsLeftEmptyInASheet(t *testing.T) {
	l, _ := allSpecies(t)
	sheet := sheetOf(t, l, "ramsons")
	harvest := item(sheet, "part", 0)["harvest"].(map[string]any)
	harvest["cut_share"], harvest["way"], sheet["law"] = "", "  ", ""
	s, text, problems := l.CheckSheet(sheet)
	if len(problems) != 0 {
		t.Fatal(problems)
	}
	if rule := s.Parts[0].Harvest; rule.CutShare != l.usual.Kinds["leaf"].CutShare || rule.Way != l.usual.Kinds["leaf"].Way {
		t.Errorf("what is usual does not hold: %v, %q", rule.CutShare, rule.Way)
	}
	if strings.Contains(string(text), "law") {
		t.Error("an empty line is written out")
	}
	sheet["caution"] = append(sheet["caution"].([]any), map[string]any{"who": "", "text": ""})
	if _, _, problems := l.CheckSheet(sheet); len(problems) == 0 || !strings.HasPrefix(problems[0].Key, fmt.Sprintf("caution[%d]", len(s.Cautions))) {
		t.Errorf("a caution that was begun is lost unsaid: %v", problems)
	}
}

// Every fault of a sheet is told by the key of its field, with the item of a list it
// stands in, several at once; and a sheet with a fault is not a plant.
func TestAFaultOfASheetIsToldByItsKey(t *testing.T) {
	l, _ := allSpecies(t)
	for name, test := range map[string]struct {
		spoil func(sheet map[string]any)
		key   string
	}{
		"a figure that is none": {func(s map[string]any) { item(s, "part", 1)["harvest"].(map[string]any)["per_plant"] = "many" }, "part[1].harvest.per_plant"},
		"another unit":          {func(s map[string]any) { s["size"].(map[string]any)["height"] = "3 (1 to 9) kg usual" }, "size.height"},
		"nothing at all":        {func(s map[string]any) { s["size"].(map[string]any)["width"] = "" }, "size.width"},
		"a range back to front": {func(s map[string]any) { s["site"].(map[string]any)["sun"] = "7 to 2 (0 to 12) h usual" }, "site.sun"},
		"a word of no scale":    {func(s map[string]any) { s["site"].(map[string]any)["moisture"] = "damp to wet (dry to wet) usual" }, "site.moisture"},
		"a stage of no plant":   {func(s map[string]any) { item(s, "part", 0)["harvest"].(map[string]any)["from"] = "snoring" }, "part[0].harvest.from"},
		"a day of no month":     {func(s map[string]any) { item(s["growth"].(map[string]any), "year", 1)["course"] = "leafing 33 May" }, "growth.year[1].course"},
		"no such station":       {func(s map[string]any) { s["growth"].(map[string]any)["at"] = "the moon" }, "growth.at"},
		"no such character":     {func(s map[string]any) { s["identity"].(map[string]any)["shows"].(map[string]any)["mood"] = "glad" }, "identity.shows.mood"},
		"no such person":        {func(s map[string]any) { item(s, "caution", 1)["who"] = "the tired" }, "caution[1].who"},
		"no such look-alike":    {func(s map[string]any) { item(s, "look_alike", 2)["id"] = "mandrake" }, "look_alike[2].id"},
		"a list for a table":    {func(s map[string]any) { s["size"] = []any{1.0, 2.0} }, "size[0]"},
		"text for a table":      {func(s map[string]any) { s["growth"] = "fast" }, "growth"},
		"a number for text":     {func(s map[string]any) { s["wildlife"] = 7.0 }, "wildlife"},
		"tables without end":    {func(s map[string]any) { s["names"] = nested(3000) }, "names" + strings.Repeat(".a", deepest)},
		"a key of no plant":     {func(s map[string]any) { s["colour"] = "green" }, "colour"},
		"a deadly plant's look": {func(s map[string]any) {
			lily, _ := l.Species("lily-of-the-valley")
			shows := map[string]any{}
			for id, states := range lily.Identity.Shows {
				shows[id] = strings.Join(states, ", ")
			}
			s["identity"].(map[string]any)["shows"] = shows
			s["look_alike"] = s["look_alike"].([]any)[:2] // those with a page of their own
		}, "identity.shows"},
	} {
		sheet := sheetOf(t, l, "ramsons")
		test.spoil(sheet)
		_, _, problems := l.CheckSheet(sheet)
		found := false
		for _, p := range problems {
			found = found || p.Key == test.key && p.What != ""
			if strings.Contains(p.What, "TOML") || strings.Contains(p.What, "struct") {
				t.Errorf("%s is told in the program's words: %s", name, p.What)
			}
		}
		if !found {
			t.Errorf("%s: %v; want a fault at %s", name, problems, test.key)
		}
	}
	two := sheetOf(t, l, "ramsons")
	two["size"] = map[string]any{"height": "tall", "width": "wide"}
	item(two, "part", 0)["harvest"].(map[string]any)["grams_each"] = "heavy"
	if _, _, problems := l.CheckSheet(two); len(problems) != 3 {
		t.Errorf("three faults are told as %v", problems)
	}
	if _, err := ReadSheet("x.toml", []byte("[size\nheight = 3")); err == nil || !strings.Contains(err.Error(), "line 1") {
		t.Errorf("no TOML: %v", err)
	}
}

// nested is a table in a table in a table.
func nested(deep int) map[string]any {
	inner := map[string]any{"a": 1.0}
	for range deep {
		inner = map[string]any{"a": inner}
	}
	return inner
}

// Tables of figures become lines, and a table that is no whole figure stays, so that
// the check can say what it lacks.
func TestTablesBecomeLines(t *testing.T) {
	sheet, err := ReadSheet("x.toml", []byte(`
height = { value = 95, low = 80, high = 110, unit = "cm", standing = "usual" }
sun = { low = 0, from = 2, to = 7, high = 12, unit = "h", standing = "guess" }
moisture = { low = "dry", from = "fresh", to = "moist", high = "wet", standing = "usual" }
half = { value = 95, unit = "cm" }
common = [{ name = "Eibisch", language = "German" }]
`))
	if err != nil {
		t.Fatal(err)
	}
	for key, want := range map[string]any{
		"height": "95 (80 to 110) cm usual", "sun": "2 to 7 (0 to 12) h guess", "moisture": "fresh to moist (dry to wet) usual",
	} {
		if sheet[key] != want {
			t.Errorf("%s is %v, not %v", key, sheet[key], want)
		}
	}
	if _, stays := sheet["half"].(map[string]any); !stays {
		t.Errorf("half a figure became %v", sheet["half"])
	}
	if list := sheet["common"].([]any); list[0] != "Eibisch (German)" {
		t.Errorf("a name became %v", list[0])
	}
	if (flora.Problem{What: "w"}).Error() != "w" {
		t.Error("a fault without a key begins with one")
	}
}

// BenchmarkCheckSheet reads a plant of the grower's from its form and sets it against
// all others.
func BenchmarkCheckSheet(b *testing.B) {
	l, err := Shipped()
	if err != nil {
		b.Fatal(err)
	}
	sheet, err := ReadSheet("ramsons.toml", mustText(l, "ramsons"))
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, _, problems := l.CheckSheet(sheet); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

package library

import (
	"os"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

func oldText(t *testing.T, id string) []byte {
	t.Helper()
	text, err := os.ReadFile("testdata/format-1-" + id + ".toml")
	if err != nil {
		t.Fatal(err)
	}
	return text
}

// A plant that a grower wrote down in the format before this one is read as what it was: its
// ways, its water, its frosts and the months of its look-alikes are where they belong today.
func TestAPlantOfTheFormerFormatIsRead(t *testing.T) {
	l, _ := allSpecies(t)
	mint, err := l.ReadSpecies("peppermint.toml", oldText(t, "peppermint"))
	if err != nil {
		t.Fatal(err)
	}
	ways := map[string]string{}
	for _, p := range mint.Propagations {
		ways[p.Way] = p.How
	}
	if mint.Format != flora.FormatVersion || len(ways) != 3 || ways["runner"] != "pieces with a bud, any time in growth" || ways["softwood cutting"] != "soft, in water" {
		t.Errorf("format %d, ways %v", mint.Format, ways)
	}
	if leaf, _ := mint.Part("leaf"); leaf.Keep.Water == nil || leaf.Harvest == nil || leaf.Harvest.Sign == "" {
		t.Errorf("its leaf is %+v", leaf)
	}
	if when := mint.LookAlikes[0].When; when.String() != "July to October" {
		t.Errorf("pennyroyal shows %s", when)
	}
	hemlock, err := l.ReadSpecies("hemlock.toml", oldText(t, "hemlock"))
	if err != nil {
		t.Fatal(err)
	}
	if hemlock.Poison == nil || !strings.Contains(hemlock.Poison.First, "poison centre") || hemlock.Propagations[0].Way != "volunteers" {
		t.Errorf("hemlock: %+v, %+v", hemlock.Poison, hemlock.Propagations)
	}
}

// A form that was begun on a page of the former format is not lost: it is read, shown and
// checked as one of today's, as often as it comes.
func TestAFormOfTheFormerFormatIsBroughtForward(t *testing.T) {
	l, _ := allSpecies(t)
	sheet, err := ReadSheet("peppermint.toml", oldText(t, "peppermint"))
	if err != nil {
		t.Fatal(err)
	}
	if rows, is := sheet["propagate"].([]any); !is || len(rows) != 3 || sheet["propagation"] != nil {
		t.Errorf("the sheet has the ways %v", sheet["propagate"])
	}
	begun := map[string]any{"format": 2.0, "propagation": map[string]any{"seed": "In spring."}, "part": []any{map[string]any{"name": "leaf", "water": "0.8 share usual"}}}
	_, text, problems := l.CheckSheet(begun)
	for _, p := range problems {
		if strings.HasPrefix(p.Key, "propagat") || strings.Contains(p.Key, "water") {
			t.Errorf("what was filled in is refused: %s", p)
		}
	}
	if !strings.Contains(string(text), "In spring.") || !strings.Contains(string(text), "0.8 share usual") {
		t.Errorf("what was filled in is lost: %s", text)
	}
}

func TestMonthsAreReadOutOfTheFormerText(t *testing.T) {
	for text, want := range map[string]struct{ months, rest string }{
		"March to July":                   {"March to July", ""},
		"leaf March to July":              {"March to July", "leaf"},
		"all year":                        {"all year", ""},
		"all year, leaf":                  {"all year", ", leaf"},
		"summer":                          {"all year", "summer"},
		"from May":                        {"all year", "from May"},
		"stems from May, flowers in June": {"all year", "stems from May, flowers in June"},
		"March to April, autumn":          {"March to April", "autumn"},
		"November to February":            {"November to February", ""},
	} {
		months, rest := monthsOf(text)
		var m calendar.Months
		if err := m.UnmarshalText([]byte(months)); err != nil || months != want.months || strings.Trim(rest, " ,") != strings.Trim(want.rest, " ,") {
			t.Errorf("%q is read as %q, %q, %v", text, months, rest, err)
		}
	}
}

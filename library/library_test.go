package library

import (
	"strings"
	"testing"
	"testing/fstest"

	"bramblyacre/core/flora"
)

func TestShippedLibraryIsWhole(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	if len(l.AllSpecies()) < 8 || len(l.Climates()) < 3 {
		t.Errorf("%d species and %d climates ship", len(l.AllSpecies()), len(l.Climates()))
	}
	for _, s := range l.AllSpecies() {
		if len(s.Names.Common) < 3 || len(s.Parts) == 0 || len(s.Cautions) == 0 {
			t.Errorf("%s has %d common names, %d parts, %d cautions", s.ID, len(s.Names.Common), len(s.Parts), len(s.Cautions))
		}
		deadly := false
		for _, l := range s.LookAlikes {
			deadly = deadly || l.Danger == "deadly"
		}
		if !deadly {
			t.Errorf("%s names no deadly look-alike; each of the eight has one", s.ID)
		}
		taken := false
		for _, part := range s.Parts {
			taken = taken || part.Harvest != nil
			if part.Harvest != nil && part.Harvest.CutShare.Value+part.Harvest.Floor.Value > 1+1e-9 {
				t.Errorf("%s %s: %v is taken and %v left", s.ID, part.Name, part.Harvest.CutShare.Value, part.Harvest.Floor.Value)
			}
		}
		if !taken {
			t.Errorf("nothing of %s is taken", s.ID)
		}
		if found, has := l.Species(s.ID); !has || found != s {
			t.Errorf("%s is not found by its id", s.ID)
		}
	}
}

// spoilt is the hop's file with one thing changed.
func spoilt(t *testing.T, old, new string) error {
	t.Helper()
	text, err := shipped.ReadFile("species/hop.toml")
	if err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(string(text), old) {
		t.Fatalf("hop.toml does not hold %q", old)
	}
	_, err = ReadSpecies("hop.toml", []byte(strings.Replace(string(text), old, new, 1)))
	return err
}

func TestAFileThatCannotBeReliedOnNamesFileAndKey(t *testing.T) {
	base := `base = { value = 5, low = 3, high = 7, unit = "°C", standing = "guess" }`
	tests := []struct{ name, old, new, want string }{
		{"unknown key", `form = "perennial"`, "form = \"perennial\"\ncolour = \"green\"", "life.colour: this key is not known"},
		{"unit missing", base, `base = { value = 5, low = 3, high = 7, standing = "guess" }`, "growth.base.unit: is missing"},
		{"value missing", base, `base = { low = 3, high = 7, unit = "°C", standing = "guess" }`, "growth.base.value: is missing"},
		{"wrong unit", base, `base = { value = 5, low = 3, high = 7, unit = "°F", standing = "guess" }`, `growth.base: the unit is "°F"`},
		{"range the wrong way", base, `base = { value = 5, low = 7, high = 3, unit = "°C", standing = "guess" }`, "growth.base: the range runs the wrong way"},
		{"value out of range", base, `base = { value = 9, low = 3, high = 7, unit = "°C", standing = "guess" }`, "growth.base: the value 9 is outside"},
		{"standing unknown", base, `base = { value = 5, low = 3, high = 7, unit = "°C", standing = "hearsay" }`, "hearsay"},
		{"published without a source", base, `base = { value = 5, low = 3, high = 7, unit = "°C", standing = "published" }`, "must name its source"},
		{"stage unknown", `stage = "ripe"`, `stage = "mellow"`, "mellow"},
		{"stages out of order", `stage = "leafing"`, `stage = "shooting"`, "stands twice"},
		{"verdict unknown", `verdict = ["cooked"]`, `verdict = ["delicious"]`, `"delicious" is not a verdict`},
		{"poisonous and harvested", `verdict = ["cooked"]`, `verdict = ["poisonous"]`, "a part that is not used has no harvest"},
		{"caution for no part", `parts = ["cone"]`, `parts = ["tuber"]`, `has no part "tuber"`},
		{"broken TOML", `[life]`, `[life`, "line "},
		{"another format", `format = 1`, `format = 9`, "this program reads 1"},
	}
	for _, test := range tests {
		t.Run(test.name, func(t *testing.T) {
			err := spoilt(t, test.old, test.new)
			if err == nil || !strings.Contains(err.Error(), test.want) || !strings.HasPrefix(err.Error(), "hop.toml: ") {
				t.Errorf("got %v, want an error of hop.toml with %q", err, test.want)
			}
		})
	}
}

func TestTwoFilesForOneSpeciesAreRefused(t *testing.T) {
	text, err := shipped.ReadFile("species/hop.toml")
	if err != nil {
		t.Fatal(err)
	}
	_, err = Read(fstest.MapFS{"species/a.toml": {Data: text}, "species/b.toml": {Data: text}})
	if err == nil || !strings.Contains(err.Error(), "b.toml: id:") {
		t.Errorf("got %v", err)
	}
}

func TestABiennialHasTwoDifferentYears(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	burdock, _ := l.Species("greater-burdock")
	first, err := burdock.YearOfLifeRules(1)
	if err != nil {
		t.Fatal(err)
	}
	for _, rule := range first.Stages {
		if rule.Stage >= flora.InBud && rule.Stage <= flora.Ripe {
			t.Errorf("a burdock in its first year is %s", rule.Stage)
		}
	}
}

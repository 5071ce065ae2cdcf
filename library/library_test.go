package library

import (
	"strings"
	"testing"
	"testing/fstest"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
)

func TestShippedLibraryIsWhole(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	if len(l.AllSpecies()) < 90 || len(l.Climates()) < 8 {
		t.Errorf("%d species and %d climates ship", len(l.AllSpecies()), len(l.Climates()))
	}
	dangerous, stations := 0, map[string]int{}
	for _, s := range l.AllSpecies() {
		if len(s.Names.Common) < 3 || len(s.Parts) == 0 || len(s.Cautions) == 0 || len(s.Identity.Shows) < 12 {
			t.Errorf("%s has %d common names, %d parts, %d cautions, %d characters", s.ID, len(s.Names.Common), len(s.Parts), len(s.Cautions), len(s.Identity.Shows))
		}
		stations[s.Growth.At]++
		taken := false
		for _, part := range s.Parts {
			taken = taken || part.Harvest != nil
			if part.Harvest != nil && part.Harvest.CutShare.Value+part.Harvest.Floor.Value > 1+1e-9 {
				t.Errorf("%s %s: %v is taken and %v left", s.ID, part.Name, part.Harvest.CutShare.Value, part.Harvest.Floor.Value)
			}
		}
		if taken && !s.IsUsed() {
			t.Errorf("%s is taken and not used", s.ID)
		}
		if s.Identity.Danger == "deadly" {
			dangerous++
			if taken || s.IsUsed() {
				t.Errorf("%s is deadly, and something of it is offered", s.ID)
			}
		}
		if found, has := l.Species(s.ID); !has || found != s {
			t.Errorf("%s is not found by its id", s.ID)
		}
	}
	if dangerous < 12 || len(stations) < 6 {
		t.Errorf("%d deadly species have pages; the plants live at %d stations", dangerous, len(stations))
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
	shippedLibrary, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	_, err = shippedLibrary.ReadSpecies("hop.toml", []byte(strings.Replace(string(text), old, new, 1)))
	return err
}

func TestAFileThatCannotBeReliedOnNamesFileAndKey(t *testing.T) {
	base := `base = "5 (3 to 7) °C guess"`
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
		{"unknown character", `leaf-order = "opposite"`, `leaf-ordre = "opposite"`, "identity.shows.leaf-ordre: is not a character"},
		{"unknown state", `leaf-order = "opposite"`, `leaf-order = "crosswise"`, `"crosswise" is not a state`},
		{"must that is not shown", `must = ["growth"`, `must = ["petals"`, `"petals" is not among`},
		{"no kind of part", `kind = "fruit"`, `kind = "nose"`, `"nose" is none of`},
		{"caution for nobody known", `who = "hormone-dependent illness"`, `who = "hormones"`, `"hormones" is no circumstance`},
		{"organ risk without its caution", `wildlife =`, "organ_risk = [\"liver\"]\nwildlife =", "no caution by mouth is for liver trouble"},
		{"stages out of order", `stage = "leafing"`, `stage = "shooting"`, "stands twice"},
		{"verdict unknown", `verdict = ["cooked"]`, `verdict = ["delicious"]`, `"delicious" is not a verdict`},
		{"poisonous and harvested", `verdict = ["cooked"]`, `verdict = ["poisonous"]`, "a part that is not used has no harvest"},
		{"caution for no part", `parts = ["cone"]`, `parts = ["tuber"]`, `has no part "tuber"`},
		{"broken TOML", `[life]`, `[life`, "line "},
		{"another format", `format = 2`, `format = 9`, "this program reads 2"},
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
	works, err := shipped.ReadFile("works/works.toml")
	if err != nil {
		t.Fatal(err)
	}
	files := fstest.MapFS{"works/works.toml": {Data: works}, "species/a.toml": {Data: text}, "species/b.toml": {Data: text}}
	_, err = Read(files)
	if err == nil || !strings.Contains(err.Error(), "b.toml: id:") {
		t.Errorf("got %v", err)
	}
	delete(files, "works/works.toml")
	if _, err := Read(files); err == nil || !strings.Contains(err.Error(), `there is no work`) {
		t.Errorf("a caution that rests on a work that is not there: %v", err)
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

// A pot is as cold by the remedy as by the place it makes.
func TestThePotOfTheRemedyIsAsColdAsAPot(t *testing.T) {
	l, _ := allSpecies(t)
	for _, remedy := range l.Ground().Remedies.List {
		if remedy.ID == "pot" && remedy.Shifts["cold"] != l.Ground().Offsets.Pot.Value {
			t.Errorf("the remedy's pot is %v °C colder, a pot %v", remedy.Shifts["cold"], l.Ground().Offsets.Pot.Value)
		}
	}
}

// Every texture of the triangle has its soil, with the works that it rests on; light soils hold the least
// and clay drains no faster than sand.
func TestEveryTextureHoldsWater(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	lore := l.Ground().Water
	texture, err := ground.AspectOf(ground.Texture)
	if err != nil {
		t.Fatal(err)
	}
	held := map[string]float64{}
	for _, word := range texture.Words {
		soil, has := lore.Soil(word)
		if !has {
			t.Errorf("%s has no soil", word)
			continue
		}
		holding, err := soil.Holds(1)
		if err != nil {
			t.Fatal(err)
		}
		held[word] = holding.Available
		// FAO-56, table 19: from 50 mm a metre in sand up to 200 mm.
		if holding.Available < 50 || holding.Available > 200 {
			t.Errorf("a metre of %s holds %.0f mm", word, holding.Available)
		}
	}
	if !(held["sand"] < held["sandy loam"] && held["sandy loam"] < held["loam"] && held["loam"] < held["silt loam"]) {
		t.Errorf("held: %v", held)
	}
	if len(lore.Soils) != len(texture.Words) {
		t.Errorf("%d soils for %d textures", len(lore.Soils), len(texture.Words))
	}
}

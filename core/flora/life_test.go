package flora

import (
	"slices"
	"testing"
)

func stagesOf(t *testing.T, s *Species, year int) []Stage {
	t.Helper()
	rules, err := s.YearOfLifeRules(year)
	if err != nil {
		t.Fatal(err)
	}
	var stages []Stage
	for _, rule := range rules.Stages {
		stages = append(stages, rule.Stage)
	}
	return stages
}

// A plant that is too young to flower runs through leaf and rest alone, and is full-grown no
// sooner than it flowers.
func TestAPlantTooYoungToFlowerHasNoFlower(t *testing.T) {
	s := goodPlant()
	if !slices.Contains(stagesOf(t, s, 2), FirstFlower) {
		t.Fatal("the plant does not flower in its second year")
	}
	first := figure("4 (3 to 6) year of life guess")
	s.Flowering.FirstYear = &first
	for year, flowers := range map[int]bool{1: false, 2: false, 3: false, 4: true, 9: true} {
		stages := stagesOf(t, s, year)
		for _, stage := range []Stage{FirstFlower, Ripe} {
			if slices.Contains(stages, stage) != flowers {
				t.Errorf("year %d: %v", year, stages)
			}
		}
		if !slices.Contains(stages, FullLeaf) || !slices.Contains(stages, Resting) {
			t.Errorf("year %d is without leaf or rest: %v", year, stages)
		}
	}
	if s.FullGrownYear() != 4 {
		t.Errorf("it is full-grown in year %d", s.FullGrownYear())
	}
}

// A cutting has a first year of its own where one is told; every other year, and every other
// origin, is as it was, and the species itself is not changed.
func TestACuttingHasAFirstYearOfItsOwn(t *testing.T) {
	s := goodPlant()
	seedling := stagesOf(t, s, 1)
	s.Growth.Starts = []StartedYear{{By: []Origin{FromCutting}, YearOfLife: YearOfLife{Stages: s.Growth.Years[1].Stages}}}
	if s.AsStarted(FromSeed) != s || s.AsStarted(FromBought) != s {
		t.Error("another origin has another life")
	}
	cutting := s.AsStarted(FromCutting)
	if got := stagesOf(t, cutting, 1); !slices.Contains(got, FirstFlower) {
		t.Errorf("a cutting's first year is %v", got)
	}
	if got := stagesOf(t, cutting, 5); !slices.Equal(got, stagesOf(t, s, 5)) {
		t.Errorf("its fifth is %v", got)
	}
	if got := stagesOf(t, s, 1); !slices.Equal(got, seedling) {
		t.Errorf("the seedling's first year became %v", got)
	}
}

// Where a figure is not known more closely than its range, the range alone is written, and its
// middle is reckoned with.
func TestAFigureMayBeItsRangeAlone(t *testing.T) {
	f := figure("30 to 90 cm usual; in good ground")
	if f.Value != 60 || f.Low != 30 || f.High != 90 || f.Unit != "cm" || f.Note != "in good ground" {
		t.Errorf("read as %+v", f)
	}
	for _, line := range []string{"30 to cm usual", "30 to 90 usual", "3 to 7 (0 to 12) h usual", "90 to 30 cm usual"} {
		var f Figure
		if err := f.UnmarshalText([]byte(line)); err == nil && f.check("cm") == nil {
			t.Errorf("%q is read as %+v", line, f)
		}
	}
}

// A regrowth is a figure or none, and comes back as it was written.
func TestRegrowthIsAFigureOrNone(t *testing.T) {
	for line, grows := range map[string]bool{"none": false, "330 (220 to 460) °C d guess": true} {
		var r Regrowth
		if err := r.UnmarshalText([]byte(line)); err != nil || r.Grows() != grows {
			t.Errorf("%q: %+v, %v", line, r, err)
		}
		if back, err := r.MarshalText(); err != nil || string(back) != line {
			t.Errorf("%q is written as %q, %v", line, back, err)
		}
	}
	var nothing *Regrowth
	if nothing.Grows() || (&Regrowth{}).UnmarshalText([]byte("soon")) == nil {
		t.Error("nothing on record grows back, or a word is read as warmth")
	}
}

func TestTheWorksThatAPlantRestsOnAreFound(t *testing.T) {
	s := goodPlant()
	s.Cautions[0].Source = []string{"a-monograph"}
	s.Size.Height.Source, s.Site.Sun.Source, s.Site.Moisture.Source = "a-flora", "a-guide", "a-flora"
	depth := figure("3 mm usual")
	depth.Source = "a-paper"
	s.Propagations[0].Depth = &depth
	s.Poison = &Poison{Source: []string{"a-book"}}
	want := []string{"a-book", "a-flora", "a-guide", "a-monograph", "a-paper"}
	if got := s.Sources(); !slices.Equal(got, want) {
		t.Errorf("found %v", got)
	}
	for name, work := range map[string]Work{
		"no id": {Author: "A", Year: 1990, Title: "T", Kind: "book"}, "no author": {ID: "a", Year: 1990, Title: "T", Kind: "book"},
		"no kind": {ID: "a", Author: "A", Year: 1990, Title: "T"}, "of the year 99": {ID: "a", Author: "A", Year: 99, Title: "T", Kind: "book"},
	} {
		if len(work.Check()) == 0 {
			t.Errorf("a work with %s is taken", name)
		}
	}
	if problems := (Work{ID: "a-series", Author: "A", Title: "T", Kind: "monograph"}).Check(); len(problems) > 0 {
		t.Errorf("a series without a year is refused: %v", problems)
	}
}

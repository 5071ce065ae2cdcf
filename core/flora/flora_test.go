package flora

import (
	"strings"
	"testing"
)

func TestStagesKeepTheirNamesAndCodes(t *testing.T) {
	before := -1
	for _, stage := range Stages() {
		parsed, err := ParseStage(stage.String())
		if err != nil || parsed != stage {
			t.Errorf("%q is read back as %v, %v", stage, parsed, err)
		}
		if stage.BBCH() <= before || stage.BBCH() > 99 {
			t.Errorf("%q has the code %d after %d", stage, stage.BBCH(), before)
		}
		before = stage.BBCH()
	}
	if _, err := ParseStage("blooming"); err == nil || !strings.Contains(err.Error(), "full flower") {
		t.Errorf("an unknown stage gives %v; want the stages listed", err)
	}
}

func TestWeakestStandingDecides(t *testing.T) {
	if got := Weakest(Measured, Usual, Published); got != Usual {
		t.Errorf("the weakest is %s", got)
	}
	var s Standing
	if err := s.UnmarshalText([]byte("hearsay")); err == nil {
		t.Error("an unknown standing was accepted")
	}
}

func TestFiguresAreHeldToUnitRangeAndSource(t *testing.T) {
	good := Figure{Value: 3, Low: 2, High: 5, Unit: "°C", Standing: Usual}
	if err := good.check("°C"); err != nil {
		t.Errorf("a good figure is refused: %v", err)
	}
	tests := map[string]func(*Figure){
		"unit is missing": func(f *Figure) { f.Unit = "" },
		`unit is "°F"`:    func(f *Figure) { f.Unit = "°F" },
		"the wrong way":   func(f *Figure) { f.Low, f.High = 5, 2 },
		"outside its":     func(f *Figure) { f.Value = 9 },
		"its source":      func(f *Figure) { f.Standing = Published },
	}
	for want, spoil := range tests {
		f := good
		spoil(&f)
		if err := f.check("°C"); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("got %v, want an error with %q", err, want)
		}
	}
}

func TestYearsOfLife(t *testing.T) {
	years := []YearOfLife{{From: 1}, {From: 2}}
	tests := []struct {
		form LifeForm
		year int
		from int
	}{{Annual, 1, 1}, {Annual, 2, 0}, {Biennial, 2, 2}, {Biennial, 3, 0}, {Perennial, 1, 1}, {Perennial, 9, 2}, {Perennial, 0, 0}}
	for _, test := range tests {
		s := &Species{Life: Life{Form: test.form}, Growth: Growth{Years: years}}
		got, err := s.YearOfLifeRules(test.year)
		if (err != nil) != (test.from == 0) || got.From != test.from {
			t.Errorf("%s in year %d gives the sequence from %d, %v", test.form, test.year, got.From, err)
		}
	}
}

func TestOriginsAreKnownByTheirWord(t *testing.T) {
	for _, row := range Origins() {
		if got, err := ParseOrigin(string(row.Origin)); err != nil || got != row {
			t.Errorf("%q is read as %+v, %v", row.Origin, got, err)
		}
	}
	if _, err := ParseOrigin("magic"); err == nil {
		t.Error("an unknown origin was accepted")
	}
}

// Whatever way it came, an annual is in its only year and a biennial at most in its
// second, and neither is left alone for longer than it lives.
func TestNoOriginOutlivesThePlant(t *testing.T) {
	for _, row := range Origins() {
		for form, years := range map[LifeForm]int{Annual: 1, Biennial: 2} {
			of := row.For(form)
			if of.YearsAhead+1 > years || of.YearsAhead+of.Settles+1 > years || of.Origin != row.Origin || of.FromStart != row.FromStart {
				t.Errorf("%s of an %s plant: %+v", row.Origin, form, of)
			}
		}
		if row.For(Perennial) != row {
			t.Errorf("%s of a perennial changes", row.Origin)
		}
	}
}

// One plant is known by its genus and epithet, whatever the author or the case, and by
// its former names; a genus alone says nothing.
func TestOnePlantIsKnownByItsBotanicalNames(t *testing.T) {
	plant := func(botanical string, former ...string) *Species {
		return &Species{Names: Names{Botanical: botanical, Former: former}}
	}
	for _, test := range []struct {
		a, b *Species
		same bool
	}{
		{plant("Conium maculatum L."), plant("conium MACULATUM"), true},
		{plant("Jacobaea vulgaris Gaertn.", "Senecio jacobaea L."), plant("Senecio jacobaea L."), true},
		{plant("Senecio vulgaris L."), plant("Jacobaea vulgaris Gaertn.", "Senecio jacobaea L."), false},
		{plant("Mentha × piperita L."), plant("Mentha ×piperita"), true},
		{plant("Mentha × piperita L."), plant("Mentha aquatica L."), false},
		{plant("Mentha"), plant("Mentha"), false},
		{plant(""), plant(""), false},
	} {
		if got := SamePlant(test.a, test.b); got != test.same || SamePlant(test.b, test.a) != got {
			t.Errorf("%v and %v: %v", test.a.Names, test.b.Names, got)
		}
	}
}

package harvest_test

import (
	"math"
	"testing"

	"bramblyacre/core/harvest"
)

func mature(plants float64, firstYear int) []float64 {
	ages := make([]float64, firstYear)
	ages[firstYear-1] = plants
	return ages
}

// Where every plant lives and every crown goes back, a plant may be lifted once in as many years as it takes to come of
// age: the rotation is plants ÷ years, by simple count.
func TestRootsRotateByTheYearsThatTheyTake(t *testing.T) {
	for _, c := range []struct {
		plants    float64
		firstYear int
	}{{60, 1}, {60, 2}, {60, 3}, {61, 3}, {7, 4}} {
		stand := harvest.RootStand{Ages: mature(c.plants, c.firstYear), FirstYear: c.firstYear, Survival: 1, Replanted: 1}
		take, err := stand.SteadyTake(20, 0.95, 1)
		if want := int(c.plants) / c.firstYear; err != nil || take != want {
			t.Errorf("%+v: %d a year (%v), want %d", c, take, err, want)
		}
	}
}

// Without chance of years a large stand of plants that are of age at once keeps its number where (N − take) × survival ×
// (1 + offspring ÷ survival) is N: the young are not thinned in their first winter.
func TestALargeStandKeepsWhatTheBalanceSays(t *testing.T) {
	const plants, survival, offspring = 20_000, 0.8, 0.5
	stand := harvest.RootStand{Ages: []float64{plants}, FirstYear: 1, Survival: survival, Offspring: offspring}
	take, err := stand.SteadyTake(20, 0.95, 1)
	want := plants * (1 - 1/(survival+offspring))
	if err != nil || math.Abs(float64(take)-want) > 0.02*want {
		t.Errorf("%d a year (%v), want %.0f", take, err, want)
	}
}

// More that is taken never keeps a stand better, more that is put back never worse; a stand that only dies gives nothing.
func TestTakingMoreNeverKeepsBetter(t *testing.T) {
	stand := harvest.RootStand{
		Ages: []float64{6, 8, 26}, FirstYear: 3, Survival: 0.9, Offspring: 0.3, Replanted: 0.5, YearSigma: 0.3, Room: 60,
	}
	last := 1.0
	for take := range 20 {
		keeps := stand.Keeps(take, 20, 1)
		if keeps > last+0.03 { // the same seeds are drawn in another order
			t.Errorf("taking %d keeps it in %v, one fewer in %v", take, keeps, last)
		}
		last = keeps
	}
	none, err := stand.SteadyTake(20, 0.95, 1)
	if err != nil {
		t.Fatal(err)
	}
	stand.Replanted = 1
	if all, err := stand.SteadyTake(20, 0.95, 1); err != nil || all < none || all == 0 {
		t.Errorf("with all crowns back %d, with half %d (%v)", all, none, err)
	}
	dying := harvest.RootStand{Ages: mature(40, 2), FirstYear: 2, Survival: 0.9}
	if take, err := dying.SteadyTake(20, 0.95, 1); err != nil || take != 0 {
		t.Errorf("of a stand that only dies %d a year (%v)", take, err)
	}
}

func TestARootStandThatCannotBeIsRefused(t *testing.T) {
	sound := harvest.RootStand{Ages: []float64{1, 9}, FirstYear: 2, Survival: 0.9, Offspring: 0.2}
	for name, spoil := range map[string]func(s *harvest.RootStand){
		"survival":  func(s *harvest.RootStand) { s.Survival = 1.2 },
		"offspring": func(s *harvest.RootStand) { s.Offspring = -1 },
		"ages":      func(s *harvest.RootStand) { s.Ages = []float64{3} },
		"half":      func(s *harvest.RootStand) { s.Ages = []float64{3.5, 2} },
		"replanted": func(s *harvest.RootStand) { s.Replanted = math.NaN() },
		"year":      func(s *harvest.RootStand) { s.FirstYear = 0 },
	} {
		s := sound
		if spoil(&s); s.Check() == nil {
			t.Errorf("%s: %+v is taken", name, s)
		}
	}
	if _, err := sound.SteadyTake(0, 0.95, 1); err == nil {
		t.Error("no years at all are taken")
	}
}

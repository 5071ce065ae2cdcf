package harvest

import (
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// The stages by hand: before the first flower nothing is ready; in full flower it counts as the file says of that stage, in
// a mixture somewhere between; what is past and what is ready are never more than all plants.
func TestHowGoodAPartIsFollowsItsStages(t *testing.T) {
	f, flower := forecast(t, 4), herb().Parts[0]
	flower.Keep.Quality = map[string]flora.Figure{"first flower": figure(1), "full flower": figure(0.6)}
	if q := StageQuality(f, flower, calendar.Must(2031, time.March, 1)); q != 0 {
		t.Errorf("in March a flower counts %v", q)
	}
	least, most := 1.0, 0.0
	for day := f.Season.Start; day <= f.Season.End; day++ {
		q, ready, past := StageQuality(f, flower, day), ReadyShare(f, flower.Harvest, day), PastShare(f, flower.Harvest, day)
		if q != 0 && (q < 0.6-1e-9 || q > 1+1e-9) || ready+past > 1+1e-9 || (q > 0) != (ready > 0) {
			t.Fatalf("on %s it counts %v, %v are ready and %v past", day, q, ready, past)
		}
		if q > 0 {
			least, most = min(least, q), max(most, q)
		}
	}
	if least > 0.62 || most < 0.95 {
		t.Errorf("over its year it counts from %v to %v, want 0.6 to 1", least, most)
	}
	flower.Keep.Quality = nil
	if q := StageQuality(f, flower, calendar.Must(2031, time.July, 10)); q != 0 && q != 1 {
		t.Errorf("of a part of which nothing is on record it counts %v", q)
	}
}

// What is past only grows from the first flower until the plant dies back; of a root, which is taken through the winter,
// nothing ever is.
func TestWhatIsPastGrows(t *testing.T) {
	f, parts := forecast(t, 4), herb().Parts
	last := 0.0
	for day := calendar.Must(2031, time.May, 1); day < calendar.Must(2031, time.September, 1); day++ {
		past := PastShare(f, parts[0].Harvest, day)
		if past < last-1e-9 {
			t.Fatalf("on %s %v are past, the day before %v", day, past, last)
		}
		last = past
	}
	if last < 0.9 {
		t.Errorf("at the end of August %v are past", last)
	}
	if past := PastShare(f, parts[1].Harvest, calendar.Must(2031, time.July, 1)); past != 0 {
		t.Errorf("of roots %v are past in July", past)
	}
}

func TestLoreThatCannotBeIsRefused(t *testing.T) {
	sound := func() *Lore {
		range3 := func(v float64) flora.Figure { return flora.Figure{Value: v, Low: v, High: v} }
		return &Lore{
			Dry: []DryLore{{"thin leaf", range3(0.2), range3(900)}, {"root", range3(0.05), range3(2000)}},
			Air: AirLore{Exponent: range3(1.1), Energy: range3(40), Still: range3(0.3), Done: range3(0.1)},
		}
	}
	if err := sound().Check(); err != nil {
		t.Fatal(err)
	}
	for name, spoil := range map[string]func(*Lore){
		"kind":  func(l *Lore) { l.Dry[0].Kind = "feather" },
		"twice": func(l *Lore) { l.Dry[1].Kind = "thin leaf" },
		"rate":  func(l *Lore) { l.Dry[0].Rate.Low = 0 },
		"load":  func(l *Lore) { l.Dry[1].Load.Low = -1 },
		"done":  func(l *Lore) { l.Air.Done.High = 1 },
		"power": func(l *Lore) { l.Air.Exponent.Low = 0 },
	} {
		l := sound()
		if spoil(l); l.Check() == nil {
			t.Errorf("%s: %+v is taken", name, l)
		}
	}
}

// Young ones come up beside what runs or seeds about by other figures than beside what keeps to its place.
func TestOffspringFollowHowAKindSpreads(t *testing.T) {
	l := RootLore{Stays: figure(0.1), SeedsAbout: figure(0.3), Runs: figure(0.6)}
	for spread, want := range map[string]float64{"stays": 0.1, "seeds about": 0.3, "runs": 0.6} {
		if got := l.Offspring(&flora.Species{Site: flora.Site{Spread: spread}}).Value; got != want {
			t.Errorf("beside one that %s %v a year, want %v", spread, got, want)
		}
	}
}

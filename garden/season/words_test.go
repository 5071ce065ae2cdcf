package season

import (
	"math"
	"slices"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// twoStands is a question of ten days from 1 June on: sage of 40 tips counted by fours, which dries for three days, and
// thyme, which is not dried. 100 g are needed of the one, 50 g of the other.
func twoStands() *question {
	sage := &flora.Species{ID: "sage", Names: flora.Names{Name: "sage"}}
	thyme := &flora.Species{ID: "thyme", Names: flora.Names{Name: "thyme"}}
	leaf := flora.Part{Name: "leaf", Harvest: &flora.HarvestRule{One: "tip", Many: "tips"}}
	first := calendar.Must(2031, time.June, 1)
	planting := func(id int64, species *flora.Species) *plot.Planting {
		return &plot.Planting{Planting: store.Planting{ID: id, SpeciesID: species.ID}, Species: species, Bed: store.Bed{Name: "Bank"}}
	}
	one := slices.Repeat([]float64{1}, 10)
	return &question{
		state:  &plot.State{Units: unit.Metric, Today: first},
		season: calendar.SeasonOf(46, first), first: first, drier: store.GatherSetting{TrayM2: 0.12},
		products: []product{{species: sage, part: leaf, need: 100}, {species: thyme, part: leaf, need: 50}},
		stands:   []standing{{p: planting(1, sage), part: leaf, group: 4, grams: 2, dries: true}, {p: planting(2, thyme), part: leaf, group: 1, grams: 1}},
		problem: planning.Problem{
			Days: 10, TrayArea: 0.5, Minutes: slices.Repeat([]float64{60}, 10),
			Products: []planning.Product{{Need: 100, Weight: 1, By: -1}, {Need: 50, Weight: 1, By: -1}},
			Stands: []planning.Stand{
				{Products: []int{0}, Full: 10, CutShare: 0.5, Grams: 8, Area: 0.1, DryDays: 3, VisitMinutes: 5, UnitMinutes: 4, Quality: one},
				{Products: []int{1}, Full: 40, CutShare: 0.5, Grams: 1, VisitMinutes: 5, UnitMinutes: 1, Quality: one},
			},
		},
	}
}

// By hand: three fours of sage on day 2 are 5 + 3 × 4 minutes and 0.3 m² for three days; ten of thyme on the same day 15
// minutes and no tray.
func TestWhatAPlanTakesUp(t *testing.T) {
	q := twoStands()
	used := q.used([]planning.Pick{{Stand: 0, Day: 2, Units: 3}, {Stand: 1, Day: 2, Units: 10}, {Stand: 0, Day: 8, Units: 1}})
	for day, want := range []float64{0, 0, 32, 0, 0, 0, 0, 0, 9, 0} {
		if used.minutes[day] != want {
			t.Errorf("on day %d %v min, want %v", day, used.minutes[day], want)
		}
	}
	for day, want := range []float64{0, 0, 0.3, 0.3, 0.3, 0, 0, 0, 0.1, 0.1} {
		if math.Abs(used.trays[day]-want) > 1e-12 {
			t.Errorf("on day %d %v m², want %v", day, used.trays[day], want)
		}
	}
}

// A picking is kept in the part's own unit and comes back as it was; one of a stand that is no more, or of a day outside,
// is none.
func TestPickingsAreKeptInTheirOwnUnit(t *testing.T) {
	q := twoStands()
	kept := q.picking(planning.Pick{Stand: 0, Day: 3, Units: 2})
	if kept != (Picking{Planting: 1, Part: "leaf", Day: "2031-06-04", Units: 8}) {
		t.Fatalf("it is kept as %+v", kept)
	}
	if back, is := q.pick(kept); !is || back != (planning.Pick{Stand: 0, Day: 3, Units: 2}) {
		t.Errorf("it comes back as %+v, %v", back, is)
	}
	if back, is := q.pick(Picking{Planting: 1, Part: "leaf", Day: "2031-06-04", Units: 1}); !is || back.Units != 1 {
		t.Errorf("fewer than one count come back as %+v, %v", back, is)
	}
	for _, none := range []Picking{
		{Planting: 9, Part: "leaf", Day: "2031-06-04", Units: 4}, {Planting: 1, Part: "root", Day: "2031-06-04", Units: 4},
		{Planting: 1, Part: "leaf", Day: "2031-05-31", Units: 4}, {Planting: 1, Part: "leaf", Day: "2031-06-11", Units: 4}, {Planting: 1, Part: "leaf", Day: "soon", Units: 4},
	} {
		if pick, is := q.pick(none); is {
			t.Errorf("%+v is %+v", none, pick)
		}
	}
	twice := q.picksIn([]Picking{kept, kept})
	if len(twice) != 1 {
		t.Errorf("kept twice it is %+v", twice)
	}
}

func TestTheBoundIsSaidInWords(t *testing.T) {
	for _, c := range []struct {
		worth, bound float64
		working      bool
		want         string
	}{
		{100, 100, false, "No plan can be better"}, {100, 100.4, false, "Less than 1 % better is possible"}, {100, 102, false, "At most 2 % better is possible"},
		{100, 102.1, false, "At most 3 % better is possible"}, {0, 5, false, "Nothing could be planned"}, {1, math.Inf(1), true, "Being planned"},
	} {
		if got := betterWords(planning.Plan{Worth: c.worth, Bound: c.bound}, c.working); got != c.want {
			t.Errorf("%v of at most %v is said as %q, want %q", c.worth, c.bound, got, c.want)
		}
	}
}

// Runs of days on which nothing is left; a day without any time parts no run of full evenings.
func TestFullDaysAreSaidAsRuns(t *testing.T) {
	q := twoStands()
	trays := Trough{Used: []float64{5, 5, 1, 5, 0}, Of: []float64{5, 5, 5, 5, 5}}
	if got := q.fullSpans(trays, false); !slices.Equal(got, []string{"1–2 June", "4 June"}) {
		t.Errorf("full trays are %q", got)
	}
	evenings := Trough{Used: []float64{60, 0, 58, 0, 10}, Of: []float64{60, 0, 60, 0, 60}}
	if got := q.fullSpans(evenings, true); !slices.Equal(got, []string{"1–4 June"}) {
		t.Errorf("full evenings are %q", got)
	}
	if got := q.fullSpans(Trough{Used: []float64{9}}, false); len(got) != 0 {
		t.Errorf("of trays that nobody counted are full %q", got)
	}
}

// What one plan covers more than another counts no further than what is needed, the greatest part of a need first.
func TestWhatMoreBringsIsSaid(t *testing.T) {
	q := twoStands()
	if got := q.bringsWords([]float64{40, 10}, []float64{60, 50}); got != "40 g more thyme leaf, 20 g more sage leaf" {
		t.Errorf("it brings %q", got)
	}
	if got := q.bringsWords([]float64{90, 50}, []float64{400, 90}); got != "10 g more sage leaf" {
		t.Errorf("beyond the need it brings %q", got)
	}
	if got := q.gapWords([]float64{40, 10}, []float64{40, 12}, "less"); got != "2 g less thyme leaf" {
		t.Errorf("it costs %q", got)
	}
	if got := q.bringsWords([]float64{40, 10}, []float64{40.2, 10}); got != "" {
		t.Errorf("a crumb is said: %q", got)
	}
}

// A shortfall is due to what would fill most of it if there were no end of it.
func TestAShortfallIsDueToWhatWouldFillIt(t *testing.T) {
	q := twoStands()
	q.problem.TrayArea = 0.5
	plan := planning.Plan{Got: []float64{40, 50}}
	for _, c := range []struct {
		m    more
		want string
	}{
		{more{trays: []float64{95, 50}, hours: []float64{42, 50}}, "The drier is full on its days."},
		{more{trays: []float64{40, 50}, hours: []float64{90, 50}}, "There is no more time on its days."},
		{more{trays: []float64{42, 50}, hours: []float64{42, 50}, both: []float64{100, 50}}, "Drier and time together are short."},
		{more{trays: []float64{42, 50}, hours: []float64{42, 50}, both: []float64{44, 50}}, "40 tips stand here; half may be cut, and it does not grow again this season."},
		{more{}, "40 tips stand here; half may be cut, and it does not grow again this season."},
	} {
		if got := q.whyShort(0, plan, &c.m); got != c.want {
			t.Errorf("with %+v it falls short since %q, want %q", c.m, got, c.want)
		}
	}
	q.problem.TrayArea = 0
	if got := q.whyShort(0, plan, &more{trays: []float64{95, 50}}); got != "There is no drier." {
		t.Errorf("without a drier it falls short since %q", got)
	}
	if short := q.shortfall(1, plan.Got); short != 0 {
		t.Errorf("of what is covered %v g fall short", short)
	}
	if short := q.shortfall(0, []float64{98.5, 50}); short != 0 {
		t.Errorf("a crumb of %v g falls short", short)
	}
}

// One gone, one new, one of another size, one missed: each is counted once.
func TestWhatMovedIsCounted(t *testing.T) {
	q := twoStands()
	q.state.ByID = map[int64]*plot.Planting{1: q.stands[0].p, 2: q.stands[1].p}
	kept := []Picking{
		{Planting: 1, Part: "leaf", Day: "2031-06-02", Units: 8}, {Planting: 1, Part: "leaf", Day: "2031-06-05", Units: 4},
		{Planting: 2, Part: "leaf", Day: "2031-06-03", Units: 10}, {Planting: 2, Part: "leaf", Day: "2031-05-20", Units: 5},
	}
	now := planning.Plan{Picks: []planning.Pick{{Stand: 0, Day: 1, Units: 3}, {Stand: 0, Day: 7, Units: 1}, {Stand: 1, Day: 2, Units: 10}}}
	want := "1 picking was missed, 1 picking is new, 1 is gone and 1 is of another size"
	if got := q.movedWords(kept, now); got != want {
		t.Errorf("it is said %q, want %q", got, want)
	}
	q.stands[1].p.Pickings = []store.Picking{{Part: "leaf", Day: "2031-05-23"}}
	if got := q.movedWords(kept, now); got != "1 picking is new, 1 is gone and 1 is of another size" {
		t.Errorf("after it was picked three days late it is said %q", got)
	}
	if got := q.movedWords(q.pickings(now, nil), now); got != "" {
		t.Errorf("of an unchanged plan it is said %q", got)
	}
}

// Of a kept plan the weekday is dearest on which most is done on days that are nearly full, by prices the one that they
// say.
func TestTheDearestWeekday(t *testing.T) {
	q := twoStands() // 1 June 2031 is a Sunday
	busy := planning.Plan{Picks: []planning.Pick{{Stand: 1, Day: 3, Units: 50}, {Stand: 1, Day: 5, Units: 20}}}
	if got := q.dearestWeekday(busy); got != time.Wednesday {
		t.Errorf("dearest is %s, want the Wednesday that is nearly full", got)
	}
	busy.Minute = []float64{0, 0, 0, 1, 0, 3, 0, 0, 0, 0}
	if got := q.dearestWeekday(busy); got != time.Friday {
		t.Errorf("by the prices dearest is %s, want Friday", got)
	}
}

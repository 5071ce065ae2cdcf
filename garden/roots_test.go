package garden

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/roots"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// valerianOfTwoAges is a plot with old and young valerian in one bed.
func valerianOfTwoAges(t *testing.T) *fixture {
	t.Helper()
	p := newPlot(t)
	for _, in := range []input.PlantingInput{
		{BedID: p.bed, SpeciesID: "valerian", Plants: 8, StartedOn: "2027-04-10", Origin: "seed", Labelled: true, Source: "A label."},
		{BedID: p.bed, SpeciesID: "valerian", Plants: 6, StartedOn: "2031-04-10", Origin: "seed", Labelled: true, Source: "A label."},
	} {
		_, err := p.AddPlanting(t.Context(), in)
		check(t, err)
	}
	return p
}

func (p *fixture) root(ask roots.RootAsk) roots.RootView {
	p.t.Helper()
	v, err := p.Roots.Root(p.t.Context(), "valerian", p.bed, ask)
	check(p.t, err)
	return v
}

// Old and young of one kind in a bed are one stand: the old are lifted, the young stay, and no two that are lifted stand
// next to each other.
func TestTheOldAreLiftedAndNoTwoNeighbours(t *testing.T) {
	p := valerianOfTwoAges(t)
	v := p.root(roots.RootAsk{Take: new(4)})
	if v.Plants != nil && len(v.Plants) != 14 || v.FirstYear != 2 {
		t.Fatalf("%d plants, of age from year %d", len(v.Plants), v.FirstYear)
	}
	var lifted []roots.RootMark
	for _, plant := range v.Plants {
		switch {
		case plant.Lift && plant.Year < 2:
			t.Error("a young plant is lifted")
		case plant.Lift:
			lifted = append(lifted, plant)
		case plant.Year == 1 && plant.Why != "too young" && plant.Why != "settles until next season":
			t.Errorf("a young plant stays since it is %q", plant.Why)
		}
	}
	if len(lifted) == 0 || len(lifted) > 4 {
		t.Fatalf("%d are lifted of four that are wanted", len(lifted))
	}
	nearest := func(of roots.RootMark) (least float64) {
		least = 99
		for _, other := range v.Plants {
			if d := (other.X-of.X)*(other.X-of.X) + (other.Y-of.Y)*(other.Y-of.Y); d > 1e-9 {
				least = min(least, d)
			}
		}
		return least
	}
	for i, a := range lifted {
		for _, b := range lifted[:i] {
			if d := (a.X-b.X)*(a.X-b.X) + (a.Y-b.Y)*(a.Y-b.Y); d <= nearest(a)*1.01 {
				t.Errorf("two neighbours are lifted: %+v and %+v", a, b)
			}
		}
	}
	if len(v.Rotation) != 10 || v.Rotation[0].Year != 2031 {
		t.Errorf("the rotation is %+v", v.Rotation)
	}
}

// Whoever puts nothing back may lift no more than whoever does, more that lives bears no less, and of a stand that is left
// alone none is lost to the spade.
func TestWhatAStandBearsFollowsFromItsFigures(t *testing.T) {
	p := valerianOfTwoAges(t)
	v := p.root(roots.RootAsk{})
	if v.NoCrowns > v.Steady {
		t.Errorf("without crowns put back %d a year, with them %d", v.NoCrowns, v.Steady)
	}
	if !slices.IsSortedFunc(v.Curve, func(a, b roots.TakeChance) int { return int(1000 * (b.Chance - a.Chance - 0.04)) }) {
		t.Errorf("the more is lifted the better it is kept: %+v", v.Curve)
	}
	hardy := p.root(roots.RootAsk{Survival: new(1.0), Offspring: new(0.5), Crowns: new(1.0)})
	if hardy.Steady < v.Steady || hardy.Steady == 0 {
		t.Errorf("a stand of which all live bears %d a year, another %d", hardy.Steady, v.Steady)
	}
	dying := p.root(roots.RootAsk{Survival: new(0.5), Offspring: new(0.0)})
	if dying.Steady != 0 || dying.Futures[0].Middle[20] > 2 {
		t.Errorf("of a stand that dies out %d a year, in the end %v stand", dying.Steady, dying.Futures[0].Middle[20])
	}
	part := p.root(roots.RootAsk{School: "part"})
	if part.School != "part" || part.Crowns == v.Crowns {
		t.Errorf("broken into it is reckoned as %+v", part)
	}
	for _, ask := range []roots.RootAsk{{School: "pull"}, {Survival: new(1.4)}, {Offspring: new(-3.0)}, {Take: new(99)}} {
		if _, err := p.Roots.Root(t.Context(), "valerian", p.bed, ask); err == nil {
			t.Errorf("%+v is reckoned with", ask)
		}
	}
	if _, err := p.Roots.Root(t.Context(), "garden-sorrel", p.bed, roots.RootAsk{}); err == nil {
		t.Error("sorrel is a stand of roots")
	}
}

// What a household settles on for a year bounds the allowance of every planting of the stand, less what was lifted.
func TestWhatIsSettledBoundsTheAllowance(t *testing.T) {
	p := valerianOfTwoAges(t)
	ctx := t.Context()
	_, err := p.Roots.Settle(ctx, "valerian", p.bed, p.root(roots.RootAsk{}).Version, roots.RootInput{School: "whole", Take: new(int64(1))})
	check(t, err)
	v := p.root(roots.RootAsk{})
	if v.ThisYear != 1 || v.Settled == nil || *v.Settled != 1 {
		t.Errorf("settled it is %+v", v)
	}
	if _, err := p.Roots.Settle(ctx, "valerian", p.bed, "old", roots.RootInput{School: "whole"}); err == nil {
		t.Error("from a page that was opened before it is settled")
	}
	before := p.entries()
	for field, in := range map[string]roots.RootInput{"school": {}, "take": {School: "whole", Take: new(int64(50))}, "crowns": {School: "whole", Crowns: new(2.0)}} {
		_, err := p.Roots.Settle(ctx, "valerian", p.bed, say.AsItStands, in)
		p.refused(err, field, "", before)
	}
	*p.today = day.AddDays(170) // the top is asleep
	old := must(p.Place.Plot(ctx, plot.NoDay)).Beds[0].Plantings
	at := slices.IndexFunc(old, func(one place.PlantedView) bool { return one.SpeciesID == "valerian" })
	id := old[at].ID
	root := func() (a view.AllowanceView) {
		planting, err := p.Place.Planting(ctx, id, plot.NoDay)
		check(t, err)
		for _, a := range planting.Allowance {
			if a.Part == "root" {
				return a
			}
		}
		t.Fatal("there is no root")
		return a
	}
	if a := root(); a.Units != 1 || a.Limits[0].Kind != "steady" || !strings.Contains(a.Limits[0].Reason, "settled on") {
		t.Fatalf("the allowance is %+v", a)
	}
	_, err = p.Gather.NotePicking(ctx, id, gather.PickingInput{Day: p.today.String(), Part: "root", Amount: "1 root", CrownsBack: true})
	check(t, err)
	if a := root(); a.Units != 0 {
		t.Errorf("after the one root %v more may be lifted", a.Units)
	}
}

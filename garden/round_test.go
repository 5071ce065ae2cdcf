package garden

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// What the last round passed by comes first on the next; what was looked at since, or was not set yet, does not.
func TestWhatWasMissedLastTimeComesFirst(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	ids := []int64{p.planting}
	for _, of := range []struct{ species, on string }{
		{"valerian", "2028-04-10"}, {"lovage", "2028-04-10"}, {"common-sage", "2028-04-10"}, {"meadowsweet", "2028-04-10"}, {"anise-hyssop", "2031-05-24"},
	} {
		entry, err := p.Garden.Place.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: of.species, Plants: 3, StartedOn: of.on, Origin: "bought"})
		check(t, err)
		ids = append(ids, entry.Made)
	}
	first := func() (order []int64, missed []bool) {
		v, err := p.Now.Round(ctx)
		check(t, err)
		for _, stop := range v.Stops {
			order, missed = append(order, stop.ID), append(missed, stop.Missed)
		}
		return order, missed
	}
	if order, missed := first(); slices.Contains(missed, true) || order[0] != p.planting {
		t.Errorf("before any round: %v, missed %v", order, missed)
	}
	look := func(id int64, on string) {
		v, err := p.Place.Planting(ctx, id, plot.NoDay)
		check(t, err)
		_, err = p.seenSo(id, now.ObservationInput{Day: on, Stage: v.Expected.String(), Share: "most"})
		check(t, err)
	}
	for _, id := range ids[:3] {
		look(id, "2031-05-20") // a round of three
	}
	look(ids[3], "2031-05-22") // sage, in passing: seen since
	order, missed := first()
	if order[0] != ids[4] || !missed[0] || slices.Contains(missed[1:], true) {
		t.Errorf("meadowsweet %d was passed by; the order is %v, missed %v", ids[4], order, missed)
	}
	look(ids[4], "2031-05-27")
	// Looked at, it is missed no more, and keeps its place: a walk does not change under the feet.
	if order, missed := first(); slices.Contains(missed, true) || order[0] != ids[4] {
		t.Errorf("seen today: %v, missed %v", order, missed)
	}
}

// A look is worth going for where it narrows what is ahead, and no more once it was made.
func TestTheRoundSaysWhereALookIsWorthMost(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	worth := func() (days float64, words string) {
		v, err := p.Now.Round(ctx)
		check(t, err)
		return v.Stops[0].WorthDays, v.Stops[0].Worth
	}
	most := 0.0
	for on := day.AddDays(-60); on <= day; on = on.AddDays(4) {
		*p.today = on
		days, words := worth()
		if (words != "") != (days >= 2.5) {
			t.Errorf("%s: %v days, %q", on, days, words)
		}
		most = max(most, days)
	}
	if most < 2.5 {
		t.Fatalf("no look of the spring is worth more than %v days", most)
	}
	v, err := p.Now.Round(ctx)
	check(t, err)
	_, err = p.seenSo(p.planting, now.ObservationInput{Day: p.today.String(), Stage: v.Stops[0].Expected.String(), Share: "most"})
	check(t, err)
	if days, words := worth(); days != 0 || words != "" {
		t.Errorf("seen today a look is worth %v days: %q", days, words)
	}
}

// The beds are walked in the order that was set, the shortest is offered, and an order that leaves a bed out or names one twice
// is refused.
func TestTheOrderOfTheRoundIsTheGrowers(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	ids := []int64{p.bed}
	for i, at := range []string{"17 m", "9 m", "17 m"} {
		in := goodBed()
		in.Name, in.Y, in.X = []string{"Far", "Near", "Far too"}[i], at, "10 m"
		in.Width = "4 m"
		if i == 2 {
			in.X = "16 m"
		}
		bed, err := p.Place.AddBed(ctx, in)
		check(t, err)
		ids = append(ids, bed.Made)
	}
	v := must(p.Place.RoundOrder(ctx))
	if len(v.Beds) != 4 || v.Saves == "" || v.Shortest[0] != p.bed || v.Shortest[1] != ids[2] {
		t.Fatalf("%+v", v)
	}
	refused := func(what string, order []int64) {
		_, err := p.Place.SetRoundOrder(ctx, v.Version, order)
		if faults, is := err.(say.Faults); !is || faults[0].Field != "beds" {
			t.Errorf("%s: %v", what, err)
		}
	}
	refused("a bed left out", ids[:3])
	refused("a bed twice", []int64{ids[0], ids[1], ids[1], ids[2]})
	refused("no bed of the plan", []int64{ids[0], ids[1], ids[2], 99})
	entry, err := p.Place.SetRoundOrder(ctx, v.Version, v.Shortest)
	check(t, err)
	again := must(p.Place.RoundOrder(ctx))
	var walked []int64
	for _, bed := range again.Beds {
		walked = append(walked, bed.ID)
	}
	if !slices.Equal(walked, v.Shortest) || again.Saves != "" {
		t.Errorf("walked are %v of %v, saves %q", walked, v.Shortest, again.Saves)
	}
	if _, err := p.Place.SetRoundOrder(ctx, v.Version, ids); err == nil {
		t.Error("an order from an old page is taken")
	}
	_, err = p.TakeBack(ctx, entry.ID)
	check(t, err)
	if back := must(p.Place.RoundOrder(ctx)); back.Version != v.Version {
		t.Error("taken back the order is not as it was")
	}
}

// After the round it is told what each look moved, what surprised first, and what is to be done; a look that was as expected
// moves nothing and is counted.
func TestAfterTheRoundItIsToldWhatMoved(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	var ids []int64
	for _, species := range []string{"valerian", "lovage", "meadowsweet"} {
		entry, err := p.Garden.Place.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 3, StartedOn: "2028-04-10", Origin: "bought"})
		check(t, err)
		ids = append(ids, entry.Made)
	}
	before := must(p.Now.RoundAfter(ctx))
	if len(before.Looks) != 0 || before.Unchanged != 0 || len(before.Next) == 0 {
		t.Errorf("before any look: %+v", before)
	}
	round := must(p.Now.Round(ctx))
	for _, stop := range round.Stops {
		at := slices.Index(ids, stop.ID)
		if at < 0 {
			continue
		}
		stage := stop.Expected
		if at == 0 { // far ahead of what is expected
			k := slices.Index(stop.AllStages, stage)
			stage = stop.AllStages[k+4]
		}
		_, err := p.seenSo(stop.ID, now.ObservationInput{Day: "2031-05-27", Stage: stage.String(), Share: "most"})
		check(t, err)
	}
	after := must(p.Now.RoundAfter(ctx))
	if len(after.Looks)+after.Unchanged != 3 || len(after.Looks) == 0 {
		t.Fatalf("%+v", after)
	}
	first := after.Looks[0]
	if first.PlantingID != ids[0] || !first.Surprise || !strings.Contains(first.Moved, "sooner") || !strings.Contains(first.Why, "Seen ") {
		t.Errorf("%+v", first)
	}
	// What it says is what the planting's own page says.
	planting := must(p.Place.Planting(ctx, ids[0], plot.NoDay))
	most := 0
	for _, stage := range planting.Moved.Stages {
		if stage.After.P50 >= day && -stage.Days > most {
			most = -stage.Days
		}
	}
	if !strings.Contains(first.Moved, fmt.Sprintf(" %d days sooner", most)) {
		t.Errorf("it says %q, its page %d days", first.Moved, most)
	}
}

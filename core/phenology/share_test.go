package phenology

import (
	"testing"

	"bramblyacre/core/flora"
)

func TestSharesKeepTheirWords(t *testing.T) {
	before := 0.0
	for _, share := range Shares() {
		parsed, err := ParseShare(string(share))
		if err != nil || parsed != share {
			t.Errorf("%q is read as %q, %v", share, parsed, err)
		}
		low, high := share.bounds()
		if share.Near() <= before || share.Near() < low || share.Near() > high {
			t.Errorf("%q is near %v, between %v and %v", share, share.Near(), low, high)
		}
		if got := ShareOf(share.Near()); got != share {
			t.Errorf("%v of the plants are called %q, want %q", share.Near(), got, share)
		}
		before = share.Near()
	}
	if ShareOf(0) != AFew || ShareOf(1) != Most {
		t.Errorf("none is %q, all are %q", ShareOf(0), ShareOf(1))
	}
	if _, err := ParseShare("nearly all"); err == nil {
		t.Error("an unknown share was accepted")
	}
}

// A plant that flowers before it leafs keeps its own order: its forecast, its
// looks and its bands follow the species, not the list of stages.
func TestAPlantThatFlowersBeforeItLeafsKeepsItsOrder(t *testing.T) {
	species := herb()
	warmth := func(stage flora.Stage, v float64) flora.StageRule {
		return flora.StageRule{Stage: stage, Warmth: flora.Figure{Value: v}}
	}
	species.Growth.Years = []flora.YearOfLife{{From: 1, Stages: []flora.StageRule{
		warmth(flora.InBud, 20), warmth(flora.FullFlower, 60), warmth(flora.SettingSeed, 150), warmth(flora.Leafing, 220), warmth(flora.FullLeaf, 500),
	}}}
	daylight, err := NewDaylight(latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	p, err := NewPlan(species, 2, daylight, season.Start-1)
	if err != nil {
		t.Fatal(err)
	}
	from, days := year(t, 8)
	weather := ensemble(t, from, days[:122+120], 60)
	f := p.Forecast(weather, PriorPace(), nil)
	if flower, leaf := f.Dates(2), f.Dates(4); flower.P90 >= leaf.P10 {
		t.Errorf("it flowers %s to %s and leafs %s to %s", flower.P10, flower.P90, leaf.P10, leaf.P90)
	}
	bands := f.Bands(flora.FullFlower, flora.SettingSeed, flora.FullFlower)
	if len(bands) != 1 || bands[0].Opens != f.Dates(2) || bands[0].Closes != f.Dates(3) {
		t.Errorf("the flower's band is %+v", bands)
	}
	seen := Sighting{Day: season.Start.AddDays(115), Stage: flora.Leafing, Share: Most}
	pace, read, _, learned := p.Learn(PriorPace(), weather, seen)
	after := p.Forecast(weather, pace, []Reading{read})
	if index, _ := after.StageOn(seen.Day); !learned || after.Stages[index] != flora.Leafing {
		t.Errorf("seen leafing after its flowers, it is held to be %s (leafing from %s; a slip by %v)", after.Stages[index], f.Dates(4).P10, read.Slip())
	}
}

package garden

import (
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/suitability"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// roots plants something whose root is lifted and is sure, years ago, and returns its id.
func (p *fixture) roots(species string, plants int, started string) int64 {
	p.t.Helper()
	_, err := p.AddPlanting(p.t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: plants, StartedOn: started, Origin: "seed", Labelled: true, Source: "A label."})
	check(p.t, err)
	for _, planting := range must(p.Place.Plot(p.t.Context(), plot.NoDay)).Beds[0].Plantings {
		if planting.SpeciesID == species {
			return planting.ID
		}
	}
	p.t.Fatalf("there is no %s", species)
	return 0
}

func (p *fixture) standing(id int64) int {
	p.t.Helper()
	s, err := p.Plot.State(p.t.Context())
	check(p.t, err)
	return s.ByID[id].Standing()
}

func (p *fixture) allowed(id int64, part string) view.AllowanceView {
	p.t.Helper()
	v, err := p.Place.Planting(p.t.Context(), id, plot.NoDay)
	check(p.t, err)
	for _, a := range v.Allowance {
		if a.Part == part {
			return a
		}
	}
	p.t.Fatalf("there is no %s", part)
	return view.AllowanceView{}
}

// Out of season nothing passes the gate, however small: not half a root, not a gram of
// one, not for the twentieth time.
func TestNoCrumbPassesARefusal(t *testing.T) {
	p := newPlot(t)
	valerian := p.roots("valerian", 9, "2028-04-10")
	before := p.entries()
	for _, amount := range []string{"1 root", "1", "0.5", "1/2", "half a root", "1 g", "0.01 g", "0.001 oz"} {
		for range 3 {
			_, err := p.Gather.NotePicking(t.Context(), valerian, gather.PickingInput{Day: "2031-05-27", Part: "root", Amount: amount})
			if err == nil || p.entries() != before {
				t.Fatalf("%s of a root is taken in May", amount)
			}
		}
	}
	if p.standing(valerian) != 9 {
		t.Errorf("%d valerians stand", p.standing(valerian))
	}
	// After the allowance is taken nothing more is, in halves or in grams.
	left := p.allowed(p.planting, "leaf")
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: say.Number(left.Units)})
	check(t, err)
	for _, amount := range []string{"1", "1 g", "0.2 g", "half a leaf"} {
		if _, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: amount}); err == nil {
			t.Errorf("%s more is taken after the whole allowance", amount)
		}
	}
	// What was taken all the same is noted as that.
	picked, err := p.Gather.NotePicking(t.Context(), valerian, gather.PickingInput{Day: "2031-05-27", Part: "root", Amount: "1", TookAnyway: true})
	if err != nil || picked.Left == nil || p.standing(valerian) != 8 {
		t.Errorf("taken all the same: %v, %d stand", err, p.standing(valerian))
	}
}

// Rhizome is counted through the winter: what was lifted in December is not offered again
// in January.
func TestRhizomesAreCountedThroughTheWinter(t *testing.T) {
	p := newPlot(t)
	nettle := p.roots("stinging-nettle", 20, "2028-04-10")
	p.on("2031-12-20", func() {
		offered := p.allowed(nettle, "root")
		if !offered.Offered {
			t.Fatalf("in December nothing is offered: %+v", offered.Refusal)
		}
		_, err := p.Gather.NotePicking(t.Context(), nettle, gather.PickingInput{Day: "2031-12-20", Part: "root", Amount: say.Number(offered.Units)})
		check(t, err)
		if again := p.allowed(nettle, "root"); again.Offered {
			t.Errorf("the same day %s more", again.Amount)
		}
	})
	p.on("2032-01-10", func() {
		if again := p.allowed(nettle, "root"); again.Offered {
			t.Errorf("in January %s more", again.Amount)
		}
		_, err := p.Gather.NotePicking(t.Context(), nettle, gather.PickingInput{Day: "2032-01-10", Part: "root", Amount: "1"})
		if err == nil {
			t.Error("one more piece is taken in January")
		}
	})
}

// Six counted on the day on which two were lifted are six; two lifted after a count are
// taken off it. Crowns that were put back stay.
func TestACountIsAfterTheLiftingsBeforeIt(t *testing.T) {
	p := newPlot(t)
	valerian := p.roots("valerian", 8, "2028-04-10")
	lift := func(day, amount string, crowns bool) {
		t.Helper()
		_, err := p.Gather.NotePicking(t.Context(), valerian, gather.PickingInput{Day: day, Part: "root", Amount: amount, CrownsBack: crowns, TookAnyway: true})
		check(t, err)
	}
	count := func(plants int) {
		t.Helper()
		_, err := p.ChangePlanting(t.Context(), valerian, say.AsItStands, input.PlantingInput{BedID: p.bed, SpeciesID: "valerian", Plants: plants, StartedOn: "2028-04-10", Origin: "seed", Labelled: true, Source: "A label."})
		check(t, err)
	}
	p.on("2031-10-20", func() {
		lift("2031-10-20", "2", false)
		count(7) // one was missed before
		if got := p.standing(valerian); got != 7 {
			t.Errorf("counted 7 after a lifting, %d stand", got)
		}
		lift("2031-10-20", "2", false)
		if got := p.standing(valerian); got != 5 {
			t.Errorf("two lifted after the count leave %d", got)
		}
		lift("2031-10-20", "2", true)
		if got := p.standing(valerian); got != 5 {
			t.Errorf("with their crowns put back %d stand", got)
		}
		if !strings.Contains(p.newest().Summary, "the crowns put back") {
			t.Errorf("the ledger says %q", p.newest().Summary)
		}
		if !p.allowed(valerian, "root").Crowns {
			t.Error("it is not asked whether the crown was put back")
		}
	})
	burdock := p.roots("greater-burdock", 8, "2031-04-10")
	if a := p.allowed(burdock, "root"); a.Crowns || strings.Contains(a.Way, "crowns with buds") {
		t.Errorf("of a biennial: crowns %v, %s", a.Crowns, a.Way)
	}
	before := p.entries()
	_, err := p.Gather.NotePicking(t.Context(), burdock, gather.PickingInput{Day: "2031-05-27", Part: "root", Amount: "1", CrownsBack: true, TookAnyway: true})
	p.refused(err, "crownsBack", "no crown", before)
}

// A kilogram needed of young roots is more roots than of old ones: as many as weigh it here.
func TestANeedIsInUnitsOfThesePlants(t *testing.T) {
	p := newPlot(t)
	young := p.roots("elecampane", 40, "2030-04-10")
	_, err := p.Gather.SetNeed(t.Context(), say.AsItStands, gather.NeedInput{SpeciesID: "elecampane", Part: "root", Amount: "1 kg"})
	check(t, err)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	planting := s.ByID[young]
	part, _ := planting.Species.Part("root")
	needed := s.StillNeeded(planting, part, planting.Year)
	// By hand: full-grown roots of so many grams, of plants as large as their year makes them.
	each := part.Harvest.GramsEach.Value * math.Sqrt(float64(planting.Year)/planting.Species.Life.FullAge.Value)
	if want := 1000 / each; math.Abs(*needed-want) > 0.01*want || *needed < 1.1*1000/part.Harvest.GramsEach.Value {
		t.Errorf("1 kg is %.1f roots of the %s, want %.1f", *needed, say.YearWords(planting.Year), want)
	}
}

// What goes to the compost leaves the basket and what was taken towards the need; what is
// made into one thing is not there for another.
func TestWhatIsThrownOutAndMadeLeavesTheBasket(t *testing.T) {
	p := newPlot(t)
	sage := sureSage(p)
	_, err := p.Gather.SetNeed(t.Context(), say.AsItStands, gather.NeedInput{SpeciesID: "common-sage", Part: "leaf", Amount: "210 g"})
	check(t, err)
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "200 g", TookAnyway: true})
	check(t, err)
	basket := func() gather.BasketView { return must(p.Gather.Baskets(t.Context()))[0] }
	answers := map[string]string{}
	for _, q := range basket().Questions {
		answers[q.ID] = "seen"
	}
	before := p.entries()
	_, err = p.SortPicking(t.Context(), basket().PickingID, gather.SortingInput{By: "Ida", Answers: answers, Rejected: "210 g"})
	p.refused(err, "rejected", "no more", before)
	_, err = p.SortPicking(t.Context(), basket().PickingID, gather.SortingInput{By: "Ida", Answers: answers, Rejected: "40 g"})
	check(t, err)
	if b := basket(); b.Left != 160 || !strings.Contains(b.Words, "160 g left of 200 g") {
		t.Errorf("the basket is %q, %v g left", b.Words, b.Left)
	}
	s, err := p.Plot.State(t.Context())
	check(t, err)
	if taken := s.TakenGrams("common-sage", "leaf"); taken != 160 {
		t.Errorf("%v g count towards the need, want 160", taken)
	}
	_, err = p.Gather.UseFresh(t.Context(), basket().PickingID, gather.FreshUseInput{Preparation: "tea", Amount: "100 g"})
	check(t, err)
	before = p.entries()
	_, err = p.Gather.UseFresh(t.Context(), basket().PickingID, gather.FreshUseInput{Preparation: "steam", Amount: "100 g"})
	p.refused(err, "amount", "Only 60 g is left", before)
	_, err = p.Gather.UseFresh(t.Context(), basket().PickingID, gather.FreshUseInput{Preparation: "bath"})
	check(t, err)
	before = p.entries()
	for _, again := range []string{"", "1 g"} {
		_, err = p.Gather.UseFresh(t.Context(), basket().PickingID, gather.FreshUseInput{Preparation: "tea", Amount: again})
		p.refused(err, "amount", "Nothing is left", before)
	}
	if b := basket(); b.Left != 0 || len(b.Made) != 2 || !strings.Contains(b.Made[0], "100 g") {
		t.Errorf("made of it: %v, %v g left", b.Made, b.Left)
	}
	// What is kept goes into a jar of the store, which has its own label.
	before = p.entries()
	for _, kept := range []string{"vinegar", "tincture", "infused oil", "salve", "syrup", "honey"} {
		_, err = p.Gather.UseFresh(t.Context(), basket().PickingID, gather.FreshUseInput{Preparation: kept})
		p.refused(err, "preparation", "make the "+kept+" in the store", before)
		_, err = p.Gather.Label(t.Context(), basket().PickingID, kept)
		p.refused(err, "preparation", "make the "+kept+" in the store", before)
	}
	if as := basket().FreshAs; !slices.Equal(as, []string{"food", "tea", "bath", "steam"}) {
		t.Errorf("it may be used fresh as %v", as)
	}
	_, err = p.Gather.Label(t.Context(), basket().PickingID, "tea")
	check(t, err)
}

// A label is refused for what a part may not become, as the making is.
func TestALabelIsRefusedForWhatMayNotBeMade(t *testing.T) {
	p := newPlot(t)
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-26", Part: "leaf", Amount: "12"})
	check(t, err)
	basket := must(p.Gather.Baskets(t.Context()))[0]
	answers := map[string]string{}
	for _, q := range basket.Questions {
		answers[q.ID] = "seen"
	}
	_, err = p.SortPicking(t.Context(), basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(t, err)
	before := p.entries()
	for _, made := range []string{"tincture", "tea", "soap"} { // sorrel leaf is food alone
		_, err = p.Gather.Label(t.Context(), basket.PickingID, made)
		p.refused(err, "preparation", "is not made into that here; choose from food", before)
		_, err = p.Gather.UseFresh(t.Context(), basket.PickingID, gather.FreshUseInput{Preparation: made})
		p.refused(err, "preparation", "is not made into that here; choose from food", before)
	}
	_, err = p.Gather.Label(t.Context(), basket.PickingID, "food")
	check(t, err)
}

// Amounts are understood as growers write them, and shown in whole units.
func TestAmountsAreUnderstoodAsGrowersWriteThem(t *testing.T) {
	p := newPlot(t)
	sage := sureSage(p)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	planting := s.ByID[sage]
	part, _ := planting.Species.Part("leaf")
	water := part.Keep.Water.Value
	for _, test := range []struct {
		text  string
		grams float64
	}{
		{"1/4 lb", 453.59237 / 4}, {"1½ oz", 1.5 * 28.349523}, {"310 g", 310}, {"half a pound", 453.59237 / 2}, {"100 g fresh", 100},
		// A hundred grams dried to a tenth of water were 90 g of what is no water.
		{"100 g dried", 90 / (1 - water)}, {"100 g dry", 90 / (1 - water)},
	} {
		var c say.Checklist
		got := input.ReadAmount(s, &c, planting.Species, part, test.text, "", 2.5)
		if c.Err() != nil || math.Abs(got.Grams-test.grams) > 0.01 || got.Units != math.Max(1, math.Round(test.grams/2.5)) {
			t.Errorf("%q is %v g and %v units (%v), want %v g", test.text, got.Grams, got.Units, c.Err(), test.grams)
		}
	}
	before := p.entries()
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "two handfuls"})
	p.refused(err, "measureWeighs", "What does one handful of common sage leaf weigh", before)
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "two handfuls", MeasureWeighs: "a lot"})
	p.refused(err, "measureWeighs", "write for example 1.2 kg", before)
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "two handfuls", MeasureWeighs: "15 g"})
	check(t, err)
	if !strings.Contains(p.newest().Summary, "30 g") {
		t.Errorf("two handfuls of 15 g: %q", p.newest().Summary)
	}
	// Weighed once, it is not asked again, for this plant and part.
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "half a handful of leaf"})
	check(t, err)
	if got := p.newest().Summary; !strings.Contains(got, "7.5 g") || strings.Contains(got, ".0 ") {
		t.Errorf("half a handful: %q", got)
	}
	measures := must(p.Gather.Measures(t.Context()))
	if len(measures) != 1 || measures[0].Name != "handful" || measures[0].Grams != 15 || measures[0].Of != "common sage leaf" {
		t.Errorf("kept are %+v", measures)
	}
	_, err = p.Gather.RemoveMeasure(t.Context(), measures[0].ID)
	check(t, err)
	before = p.entries()
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "a handful"})
	p.refused(err, "measureWeighs", "weigh", before)
	for _, basket := range must(p.Gather.Baskets(t.Context())) {
		if strings.Contains(strings.Split(basket.Words, ",")[0], ".") {
			t.Errorf("on screen stands %q", basket.Words)
		}
	}
}

// Plants reckoned from an area fill that area again, in rows and in room.
func TestAnAreaIsReckonedOneWay(t *testing.T) {
	p := newPlot(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "yarrow", Area: "6 m2", StartedOn: "2029-04-10", Origin: "bought"})
	check(t, err)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for _, planting := range s.Plantings {
		if planting.SpeciesID != "yarrow" {
			continue
		}
		width := planting.Species.Size.Width.Value / 100
		if taken := float64(planting.Plants) * width * width; math.Abs(taken-6) > width*width/2+1e-9 {
			t.Errorf("6 m² are %d plants, which take %.2f m²", planting.Plants, taken)
		}
		if wanted := suitability.MatureArea(planting.Species, int(planting.Plants)); math.Abs(wanted-6) > width*width/2+1e-9 {
			t.Errorf("6 m² are %d plants, which want %.2f m² of room", planting.Plants, wanted)
		}
	}
}

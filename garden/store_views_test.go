package garden

import (
	"errors"
	"fmt"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/input"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// product is a product's line.
func (p *stocked) product(name string) larder.ProductView {
	p.t.Helper()
	view, err := p.Larder.Runway(p.t.Context())
	check(p.t, err)
	for _, one := range view.Products {
		if strings.Contains(one.Name, name) {
			return one
		}
	}
	p.t.Fatalf("no product %q among %+v", name, view.Products)
	return larder.ProductView{}
}

// storeJobs are the jobs of the store on a day.
func (p *stocked) storeJobs(on calendar.Date) (jobs []area.JobView) {
	p.t.Helper()
	view, err := p.Now.Now(p.t.Context(), on)
	check(p.t, err)
	for _, list := range [][]area.JobView{view.Closing, view.Open, view.Coming} {
		for _, job := range list {
			if job.Kind == "store" {
				jobs = append(jobs, job)
			}
		}
	}
	return jobs
}

func TestACupMovesTheRunway(t *testing.T) {
	p := newStocked(t)
	*p.today = calendar.Must(2030, 7, 1)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2030-07-01", "62 g")
	if one := p.product("sage"); one.Out != "nothing was taken of it yet" || one.RunsOut {
		t.Errorf("%+v", one)
	}
	// A cup of a gram every five days for eleven months: 73 g a year, so that what is left lasts some weeks.
	for day := calendar.Must(2030, 7, 5); day <= calendar.Must(2031, 4, 1); day = day.AddDays(5) {
		*p.today = day
		check(t, p.take(jar, larder.TakeInput{Kind: "taken", Amount: "1 g"}))
	}
	before := p.product("sage")
	if !before.RunsOut || !strings.Contains(before.Year, "a year takes about 7") || before.AsNeed == "" || before.Plants.Words == "" {
		t.Errorf("%+v", before)
	}
	left := 62 - float64(55)
	expected := p.today.AddDays(int(left * 5))
	if before.Early > expected || before.Late < expected {
		t.Errorf("%v g at one in five days end about %v, not from %v to %v", left, expected, before.Early, before.Late)
	}
	check(t, p.take(jar, larder.TakeInput{Kind: "taken", Amount: "4 g"}))
	after := p.product("sage")
	if after.Middle >= before.Middle {
		t.Errorf("after four cups more it is used up on %v, before on %v", after.Middle, before.Middle)
	}
	// A need that is said is told beside what is taken; it can be taken up as the need.
	_, err := p.Gather.SetNeed(t.Context(), after.NeedVersion, gather.NeedInput{SpeciesID: "common-sage", Part: "leaf", Amount: after.AsNeed})
	check(t, err)
	if now := p.product("sage"); now.Need == "" || now.AsNeed != "" {
		t.Errorf("need %q, still to take up %q", now.Need, now.AsNeed)
	}
	check(t, p.take(jar, larder.TakeInput{Kind: "taken"}))
	if now := p.product("sage"); now.Out != "used up" || now.Amount != "0 g" {
		t.Errorf("%+v", now)
	}
	p.balanced()
}

func TestBoughtStockStandsUntilTheOwnReplacesIt(t *testing.T) {
	p := newStocked(t)
	_, err := p.AddPlanting(t.Context(), input.PlantingInput{
		BedID: p.bed, SpeciesID: "small-leaved-lime", Plants: 1, StartedOn: "2029-11-03", Origin: "bought", Labelled: true,
		Source: "A label.",
	})
	check(t, err)
	_, err = p.Larder.Buy(t.Context(), larder.BoughtInput{
		SpeciesID: "small-leaved-lime", Part: "flower", From: "the herb stall", Amount: "40 g",
		Jar: larder.FillInput{Holds: "1 l"},
	})
	check(t, err)
	one := p.product("lime")
	if !strings.Contains(one.Bought, "the herb stall") || !strings.Contains(one.Bought, "20") || one.Window != "" {
		t.Errorf("%+v", one)
	}
	jar, err := p.Larder.Jar(t.Context(), p.newestJar())
	check(t, err)
	if !jar.Brief.Bought || jar.Left != "40 g" || len(jar.Sources) != 1 || jar.Sources[0].LotID == 0 {
		t.Errorf("%+v", jar)
	}
	p.balanced()
}

func TestWhatStandsIsShakenAndStrainedOnItsDay(t *testing.T) {
	p := newStocked(t)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	_, err := p.Larder.Make(t.Context(), larder.MakeLotInput{
		Making: "spirit", From: []larder.FromInput{{JarID: jar, Amount: "20 g"}}, Days: "14",
	})
	check(t, err)
	lot := p.newestLot()
	find := func(verb string) *area.JobView {
		for _, job := range p.storeJobs(plot.NoDay) {
			if job.Verb == verb {
				return &job
			}
		}
		return nil
	}
	if job := find("Shake"); job == nil || job.First != p.today.AddDays(1) || job.LotID != lot || job.Step != "shake" {
		t.Fatalf("shaken: %+v", job)
	}
	if job := find("Strain"); job == nil || job.First != p.today.AddDays(14) {
		t.Errorf("strained: %+v", job)
	}
	*p.today = p.today.AddDays(1)
	_, err = p.Larder.MarkStep(t.Context(), lot, larder.StepInput{Step: "shake"})
	check(t, err)
	if job := find("Shake"); job == nil || job.First != p.today.AddDays(1) {
		t.Errorf("after it was shaken: %+v", job)
	}
	if _, err := p.Larder.MarkStep(t.Context(), lot, larder.StepInput{Step: "shake"}); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("shaken twice a day: %v", err)
	}
	if _, err := p.Larder.MarkStep(t.Context(), lot, larder.StepInput{Step: "dance"}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a step that is none: %v", err)
	}
	*p.today = p.today.AddDays(20)
	if job := find("Strain"); job == nil || job.First > *p.today || find("Shake") != nil {
		t.Errorf("overdue: %+v", job)
	}
	_, err = p.Larder.Finish(t.Context(), lot, larder.FinishInput{Out: "85 ml"})
	check(t, err)
	if find("Strain") != nil {
		t.Error("strained, and asked for still")
	}
	bottle := p.jar(lot, "100 ml", "")
	check(t, p.take(bottle, larder.TakeInput{Kind: "taken", Amount: "1 teaspoon"}))
	if view, _ := p.Larder.Jar(t.Context(), bottle); view.Left != "80 ml" {
		t.Errorf("left %q", view.Left)
	}
	p.balanced()
}

func TestABasketIsAskedForBeforeItSpoils(t *testing.T) {
	p := newStocked(t)
	p.pick(p.sage, "leaf", "100 g", "2031-05-27")
	jobs := p.storeJobs(plot.NoDay)
	if len(jobs) != 1 || jobs[0].Verb != "Dry" || !jobs[0].Lasting || !strings.Contains(jobs[0].Amount, "100 g") {
		t.Fatalf("%+v", jobs)
	}
	*p.today = p.today.AddDays(4)
	if jobs := p.storeJobs(plot.NoDay); len(jobs) != 0 {
		t.Errorf("days past its time: %+v", jobs)
	}
}

func TestWhatDriesLateIsMovedApart(t *testing.T) {
	p := newStocked(t)
	lot := p.load(p.pick(p.sage, "leaf", "200 g", "2031-05-26"), 1, "", "2031-05-26T18:00")
	_, err := p.Larder.WeighTray(t.Context(), lot, larder.WeighingInput{At: "2031-05-27T08:00", Amount: "120 g"})
	check(t, err)
	_, err = p.Larder.MoveTray(t.Context(), lot, larder.MoveDryingInput{Tray: 3, Percent: 25})
	check(t, err)
	apart := p.newestLot()
	s := p.state()
	in, moved := s.FlowsOfLot(lot), s.FlowsOfLot(apart)
	if len(in) != 1 || len(moved) != 1 || !within(in[0].Grams, 150, 1e-9) || !within(moved[0].Grams, 50, 1e-9) {
		t.Errorf("%+v, %+v", in, moved)
	}
	if w := s.WeightsOfLot(apart); len(w) != 1 || !within(w[0].Grams, 30, 1e-9) {
		t.Errorf("its weighing: %+v", w)
	}
	drier, err := p.Larder.Drier(t.Context())
	check(t, err)
	if drier.Trays[0].Lot == nil || drier.Trays[2].Lot == nil || drier.Trays[0].Lot.Finish == "" {
		t.Errorf("%+v", drier.Trays)
	}
	p.dry(apart, "12 g", "2031-05-27T14:00")
	p.dry(lot, "36 g", "2031-05-27T16:00")
	p.balanced()
}

func TestAPartThatIsFrozenGoesIntoBags(t *testing.T) {
	p := newStocked(t)
	picking := p.pick(p.planting, "leaf", "900 g", "2031-05-27")
	in := larder.MakeLotInput{Making: "frozen", From: []larder.FromInput{{PickingID: picking}}, Bag: "500 ml"}
	sum, err := p.Larder.SumMaking(t.Context(), in)
	check(t, err)
	if len(sum.Steps) == 0 || !strings.Contains(strings.Join(sum.Lines, "; "), "bags of 500 ml") {
		t.Errorf("%+v", sum)
	}
	in.Out = "850 g"
	_, err = p.Larder.Make(t.Context(), in)
	check(t, err)
	lot := p.newestLot()
	_, err = p.Larder.FillJars(t.Context(), lot, []larder.FillInput{{Holds: "2 l", Amount: "425 g"}, {Holds: "2 l", Amount: "425 g"}})
	check(t, err)
	if jar, err := p.Larder.Jar(t.Context(), p.newestJar()); err != nil || jar.Brief.Vessel != "bag" {
		t.Errorf("%+v, %v", jar.Brief, err)
	}
	p.balanced()
}

// A label for the house names who is to mind something; a gift's names nobody of the house, and every caution.
func TestAGiftsLabelIsForSomeoneWhoDoesNotKnowTheHouse(t *testing.T) {
	p := newStocked(t)
	_, err := p.Household.PutPerson(t.Context(), 0, say.AsItStands, household.PersonInput{Name: "Hazelina", Circumstances: []string{"pregnant"}})
	check(t, err)
	_, lot, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	for _, gift := range []bool{false, true} {
		labels, err := p.Larder.Labels(t.Context(), larder.LabelsOf{JarIDs: []int64{jar}, Gift: gift})
		check(t, err)
		label := labels[0]
		all := strings.Join(append(append([]string{label.Title, label.What, label.For}, label.Lines...), label.Cautions...), "\n")
		if strings.Contains(all, "Hazelina") == gift {
			t.Errorf("gift %v: %s", gift, all)
		}
		for _, words := range []string{"Common sage", "leaf, dried", "From Long Bed, picked 20 May 2031", "Lot 1 of 2031", "Best before", "regnan"} {
			if !strings.Contains(all, words) {
				t.Errorf("gift %v: %q is missing in %s", gift, words, all)
			}
		}
		if len(label.Botanical) != 1 || !strings.Contains(label.Botanical[0], "Salvia officinalis") || label.LotID != lot {
			t.Errorf("%+v", label)
		}
	}
	if _, err := p.Larder.Labels(t.Context(), larder.LabelsOf{}); err == nil {
		t.Error("labels of nothing")
	}
}

func TestHoneyIsNeverForASmallChild(t *testing.T) {
	p := newStocked(t)
	_, err := p.Household.PutPerson(t.Context(), 0, say.AsItStands, household.PersonInput{Name: "Bud", Born: "2030-12-01", Circumstances: []string{}})
	check(t, err)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	sum, err := p.Larder.SumMaking(t.Context(), larder.MakeLotInput{Making: "honey", From: []larder.FromInput{{JarID: jar, Amount: "10 g"}}})
	check(t, err)
	if first := sum.Cautions.List[0]; len(first.Names) == 0 || first.Names[0] != "Bud" || !strings.Contains(sum.Cautions.Here, "Bud") {
		t.Errorf("%+v", sum.Cautions)
	}
	text := fmt.Sprintf("%+v", sum)
	for _, dose := range []string{"a day take", "dose of", "times daily", "mg per"} {
		if strings.Contains(text, dose) {
			t.Errorf("a dose is told: %q", dose)
		}
	}
}

// The making by a recipe goes by the recipe; the household's own step comes among the jobs.
func TestSomethingIsMadeByAnOwnRecipe(t *testing.T) {
	p := newStocked(t)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	entry, err := p.Larder.PutRecipe(t.Context(), 0, say.AsItStands, keeping.Recipe{
		Name: "Sage vinegar of the house", Making: "vinegar", Days: 10, MLPerGram: 12,
		Parts: []keeping.RecipePart{{Species: "common-sage", Part: "leaf", Share: 1}},
		Steps: []keeping.RecipeStep{{Day: 3, Text: "Add the peel of a lemon."}},
	})
	check(t, err)
	in := larder.MakeLotInput{RecipeID: entry.Made, From: []larder.FromInput{{JarID: jar, Amount: "20 g"}}}
	sum, err := p.Larder.SumMaking(t.Context(), in)
	check(t, err)
	if !strings.Contains(strings.Join(sum.Lines, "; "), "240 ml of vinegar") || sum.Ready != "6 June" {
		t.Errorf("%+v", sum)
	}
	// What the recipe does not name goes not in, and what it names is asked for.
	mix, err := p.Larder.PutRecipe(t.Context(), 0, say.AsItStands, keeping.Recipe{
		Name: "House tea", Making: "mix", Parts: []keeping.RecipePart{
			{Species: "common-sage", Part: "leaf", Share: 1}, {Species: "meadowsweet", Part: "flowering top", Share: 3},
		},
	})
	check(t, err)
	_, _, yarrow := p.dried(p.yarrow, "flowering top", "120 g", "2031-05-20", "34 g")
	_, _, meadowsweet := p.dried(p.meadowsweet, "flowering top", "120 g", "2031-05-20", "30 g")
	before := p.entries()
	_, err = p.Larder.Make(t.Context(), larder.MakeLotInput{RecipeID: mix.Made, From: []larder.FromInput{{JarID: jar, Amount: "5 g"}, {JarID: yarrow, Amount: "5 g"}}})
	p.refused(err, "from.1.pickingId", "not in the recipe", before)
	p.refused(err, "from", "wants meadowsweet flowering top", before)
	both, err := p.Larder.SumMaking(t.Context(), larder.MakeLotInput{RecipeID: mix.Made, From: []larder.FromInput{{JarID: jar, Amount: "10 g"}, {JarID: meadowsweet, Amount: "30 g"}}})
	check(t, err)
	if lines := strings.Join(both.Lines, "; "); !strings.Contains(lines, "by the recipe 10 g of common sage leaf; by the recipe 30 g of meadowsweet") {
		t.Errorf("%s", lines)
	}
	_, err = p.Larder.Make(t.Context(), in)
	check(t, err)
	found := false
	for _, job := range p.storeJobs(plot.NoDay) {
		found = found || strings.Contains(job.Reason, "peel of a lemon") && job.First == p.today.AddDays(3)
	}
	if !found {
		t.Errorf("its step is not among %+v", p.storeJobs(plot.NoDay))
	}
}

func TestAJarIsFoundByAnyNameOfWhatIsInIt(t *testing.T) {
	p := newStocked(t)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	for _, words := range []string{"sage jar", "salvia", "SAGE leaf"} {
		found, err := p.Now.Find(t.Context(), words)
		check(t, err)
		has := false
		for _, one := range found {
			has = has || one.Kind == "jar" && one.JarID == jar
		}
		if !has {
			t.Errorf("%q finds %+v", words, found)
		}
	}
}

// 500 ml at 40 % of one of 70 %: 286 ml of it, filled up with water (model.md §8).
func TestAStrongSpiritIsFilledUpWithWater(t *testing.T) {
	p := newStocked(t)
	_, _, jar := p.dried(p.sage, "leaf", "260 g", "2031-05-20", "62 g")
	in := larder.MakeLotInput{
		Making: "spirit", From: []larder.FromInput{{JarID: jar, Amount: "60 g"}}, Liquid: "500 ml", Strength: "70", DiluteTo: "40",
	}
	sum, err := p.Larder.SumMaking(t.Context(), in)
	check(t, err)
	if lines := strings.Join(sum.Lines, "; "); !strings.Contains(lines, "286 ml of the spirit, filled up with water to 500 ml") ||
		!strings.Contains(lines, "40 % as it is poured on") {
		t.Errorf("%s", lines)
	}
	before := p.entries()
	for to, words := range map[string]string{"80": "weaker, not stronger", "weak": "for example 40", "0": "above 0", "15": ""} {
		in.DiluteTo = to
		_, err := p.Larder.Make(t.Context(), in)
		field := "diluteTo"
		if to == "15" { // it can be mixed, and spoils
			field, words = "strength", "spoils"
		}
		p.refused(err, field, words, before)
	}
}

// A tea mixed of what is half a year old has half a year less before it; a jar of two lots is as old as its older one.
func TestALabelTellsTheAgeOfTheOldestInIt(t *testing.T) {
	p := newStocked(t)
	*p.today = calendar.Must(2030, 9, 1)
	_, _, old := p.dried(p.sage, "leaf", "200 g", "2030-09-01", "48 g") // sage leaf keeps 15 months: to December 2031
	*p.today = calendar.Must(2031, 5, 27)
	_, _, young := p.dried(p.meadowsweet, "flowering top", "120 g", "2031-05-20", "30 g")
	_, err := p.Larder.Make(t.Context(), larder.MakeLotInput{
		Making: "mix", Name: "Tea", Out: "20 g", From: []larder.FromInput{{JarID: old, Amount: "10 g"}, {JarID: young, Amount: "10 g"}},
	})
	check(t, err)
	tea := p.jar(p.newestLot(), "1 l", "")
	best := func(jar int64) string {
		labels, err := p.Larder.Labels(t.Context(), larder.LabelsOf{JarIDs: []int64{jar}})
		check(t, err)
		_, after, _ := strings.Cut(strings.Join(labels[0].Lines, " "), "Best before ")
		return after
	}
	sage, mixed := best(old), best(tea)
	if !strings.HasPrefix(sage, "December 2031") || mixed != sage && !strings.HasPrefix(mixed, "November 2031") {
		t.Errorf("the sage is best before %q, the tea with it before %q", sage, mixed)
	}
	lot := p.load(p.pick(p.sage, "leaf", "100 g", "2031-05-26"), 1, "", "2031-05-26T08:00")
	p.dry(lot, "24 g", "2031-05-27T08:00")
	_, err = p.Larder.FillJars(t.Context(), lot, []larder.FillInput{{JarID: old, Amount: "20 g"}})
	check(t, err)
	if again := best(old); again != sage {
		t.Errorf("filled up it is best before %q, it was %q", again, sage)
	}
	// What is left over of the lot is thrown out by name, and is no more.
	_, err = p.Larder.DiscardLot(t.Context(), lot, larder.DiscardInput{Why: "Crumbs."})
	check(t, err)
	if view, err := p.Larder.Lot(t.Context(), lot); err != nil || view.Line.Left != "" {
		t.Errorf("%+v, %v", view.Line, err)
	}
	if _, err := p.Larder.DiscardLot(t.Context(), lot, larder.DiscardInput{Why: "Crumbs."}); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("thrown out twice: %v", err)
	}
	// Past its time it is asked about before it goes into anything.
	*p.today = calendar.Must(2032, 3, 1)
	_, err = p.Larder.Make(t.Context(), larder.MakeLotInput{Making: "powder", Out: "4 g", From: []larder.FromInput{{JarID: old, Amount: "5 g"}}})
	if asked := say.Questions(err); len(asked) != 1 || !strings.Contains(asked[0], "past its time") {
		t.Errorf("stale: %v", err)
	}
	p.balanced()
}

// An oil of fresh herb in one jar with one of dried herb is for the skin only: the careful caution holds for the jar.
func TestAJarHasTheCautionsOfAllItsLots(t *testing.T) {
	p := newStocked(t)
	yarrow := p.pick(p.yarrow, "flowering top", "200 g", "2031-05-27")
	_, _, dry := p.dried(p.yarrow, "flowering top", "120 g", "2031-05-20", "34 g")
	var lots []int64
	for _, from := range []larder.FromInput{{JarID: dry, Amount: "20 g"}, {PickingID: yarrow, Amount: "40 g"}} {
		_, err := p.Larder.Make(t.Context(), larder.MakeLotInput{Making: "oil", From: []larder.FromInput{from}})
		check(t, err)
		lots = append(lots, p.newestLot())
	}
	for _, lot := range lots {
		_, err := p.Larder.Finish(t.Context(), lot, larder.FinishInput{Out: "100 ml"})
		check(t, err)
	}
	bottle := p.jar(lots[0], "500 ml", "")
	_, err := p.Larder.FillJars(t.Context(), lots[1], []larder.FillInput{{JarID: bottle}})
	check(t, err)
	labels, err := p.Larder.Labels(t.Context(), larder.LabelsOf{JarIDs: []int64{bottle}})
	check(t, err)
	if all := strings.Join(labels[0].Cautions, " "); !strings.Contains(all, "never by mouth") || !strings.Contains(all, "botulism") {
		t.Errorf("%s", all)
	}
}

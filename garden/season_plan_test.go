package garden

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/season"
)

// sageAndSorrel is a plot with sorrel and sage in it, a need of each, three trays and two evenings a week.
func sageAndSorrel(t *testing.T) (p *fixture, sage int64) {
	t.Helper()
	p = newPlot(t)
	sage = sureSage(p)
	p.need("garden-sorrel", "leaf", "200 g")
	p.need("common-sage", "leaf", "300 g")
	p.makeDo(fewHours)
	return p, sage
}

// eachPick calls something for every picking of a plan.
func eachPick(v season.SeasonPlanView, do func(season.PlanStand, season.PlanPick)) {
	for _, stand := range v.Stands {
		for _, pick := range stand.Picks {
			do(stand, pick)
		}
	}
}

func picksOf(v season.SeasonPlanView) (all []string) {
	eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
		all = append(all, fmt.Sprintf("%d/%s/%s/%d", stand.PlantingID, stand.Part, pick.Day, pick.Units))
	})
	slices.Sort(all)
	return all
}

// What a plan takes is reckoned here from the plants' own files: it keeps to the evenings that there are, to the trays,
// to the days on which somebody is there, and to what each stand may give.
func TestTheSeasonsPlanKeepsToWhatThereIs(t *testing.T) {
	p, sage := sageAndSorrel(t)
	_, err := p.Season.GoAway(t.Context(), season.AwayInput{First: "2031-06-09", Last: "2031-06-22"})
	check(t, err)
	v := p.planned()
	if len(picksOf(v)) == 0 || v.Kept {
		t.Fatalf("the plan is %+v", v)
	}
	minutes := map[calendar.Date]float64{}
	eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
		id := "garden-sorrel"
		if stand.PlantingID == sage {
			id = "common-sage"
		}
		species, _ := p.Plot.Lib().Species(id)
		part, _ := species.Part(stand.Part)
		if minutes[pick.Day] += 6 + float64(pick.Units)*part.Harvest.MinutesEach.Value; pick.Units < 1 {
			t.Errorf("%s takes %d", stand.Name, pick.Units)
		}
		if day := pick.Day.String(); day >= "2031-06-09" && day <= "2031-06-22" {
			t.Errorf("%s is picked on %s, when nobody is there", stand.Name, day)
		}
		state, err := p.Plot.State(t.Context())
		check(t, err)
		plants := float64(state.ByID[stand.PlantingID].Standing())
		if most := plants * part.Harvest.PerPlant.High * part.Harvest.CutShare.Value; float64(pick.Units) > most+1 {
			t.Errorf("%s: %d at once, of which no more than %.0f may be cut", stand.Name, pick.Units, most)
		}
	})
	for day, used := range minutes {
		there := map[string]float64{"Tuesday": 60, "Friday": 45}[day.Weekday().String()]
		if used > there+1e-6 {
			t.Errorf("on %s %.1f min are planned of %.0f", day.WeekdayDayMonth(), used, there)
		}
	}
	for i, used := range v.Trays.Used {
		if used > 3+1e-6 {
			t.Errorf("on day %d %.2f trays of 3 are full", i, used)
		}
	}
	if !strings.Contains(v.Better, "%") && v.Better != "No plan can be better" {
		t.Errorf("the bound is said as %q", v.Better)
	}
}

// A plan that is followed is what Now says, and stays as it is as long as nothing changes; picked as planned, the next
// one is what the plan says next.
func TestAFollowedPlanIsSaidOnNowAndMovesAfterAPicking(t *testing.T) {
	p, _ := sageAndSorrel(t)
	ctx := t.Context()
	_, err := p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01"})
	check(t, err)
	first := p.planned()
	if !first.Kept || first.Moved != "" || first.KeptOn != "27 May" {
		t.Fatalf("just kept it is %q, moved %q", first.KeptOn, first.Moved)
	}
	p.Plot.Forget()
	if again := p.planned(); !slices.Equal(picksOf(again), picksOf(first)) || again.Better != first.Better {
		t.Errorf("made again from an unchanged plot the plan is %v, was %v", picksOf(again), picksOf(first))
	}
	var soonest season.PlanPick
	var stand season.PlanStand
	eachPick(first, func(of season.PlanStand, pick season.PlanPick) {
		if soonest.Day == 0 || pick.Day < soonest.Day {
			soonest, stand = pick, of
		}
	})
	*p.today = soonest.Day
	view, err := p.Now.Now(ctx, plot.NoDay)
	check(t, err)
	said := false
	for _, job := range append(append(view.Closing, view.Open...), view.Coming...) {
		said = said || job.PlantingID == stand.PlantingID && strings.Contains(job.Reason, "Planned for "+soonest.Day.WeekdayDayMonth())
	}
	if !said {
		t.Errorf("on %s Now does not say that %s is planned", soonest.Day, stand.Name)
	}
	out, err := p.Season.Out(ctx)
	check(t, err)
	if at := slices.IndexFunc(out.Kinds, func(k season.OutKind) bool { return k.PlantingID == stand.PlantingID && k.Today }); at != 0 {
		t.Errorf("out to pick, what is planned today stands at %d: %+v", at, out.Kinds)
	}
	calendarOf, err := p.Now.Calendar(ctx)
	check(t, err)
	if !slices.ContainsFunc(calendarOf.Events, func(e area.Event) bool {
		return e.First == soonest.Day && e.Last == soonest.Day && strings.HasPrefix(e.UID, "planned-")
	}) {
		t.Error("the calendar has no picking on its day")
	}
	_, err = p.Gather.NotePicking(ctx, stand.PlantingID, gather.PickingInput{Day: soonest.Day.String(), Part: stand.Part, Amount: fmt.Sprint(soonest.Units), Where: "the tops", Left: "most of it", Weather: "dry"})
	check(t, err)
	after := p.planned()
	eachPick(after, func(of season.PlanStand, pick season.PlanPick) {
		if of.PlantingID == stand.PlantingID && pick.Day == soonest.Day {
			t.Errorf("picked as planned, %s is planned for today again", stand.Name)
		}
	})
	if strings.Contains(after.Moved, "missed") {
		t.Errorf("a picking that was carried out is said to be missed: %q", after.Moved)
	}
}

// A day that passes without its picking is said, and what can still be had is planned anew.
func TestAMissedPickingIsSaidAndPlannedAnew(t *testing.T) {
	p, _ := sageAndSorrel(t)
	_, err := p.Season.Keep(t.Context(), say.AsItStands, season.KeepPlanInput{On: "2031-06-01"})
	check(t, err)
	first := p.planned()
	last := calendar.Date(0)
	eachPick(first, func(_ season.PlanStand, pick season.PlanPick) {
		if last == 0 || pick.Day < last {
			last = pick.Day
		}
	})
	*p.today = last.AddDays(1)
	v := p.planned()
	if !strings.Contains(v.Moved, "missed") {
		t.Errorf("a day after the first picking's it is said %q", v.Moved)
	}
	eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
		if pick.Day < *p.today {
			t.Errorf("%s is planned for %s, which is past", stand.Name, pick.Day)
		}
	})
}

// A picking that is drawn to another day stays there, whatever else is noted, and what it costs is said before; one that
// cannot be there is refused with the reason, and nothing is written.
func TestAPickingIsTiedToADay(t *testing.T) {
	p, sage := sageAndSorrel(t)
	ctx := t.Context()
	v := p.planned()
	var from season.PlanPick
	eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
		if stand.PlantingID == sage {
			from = pick
		}
	})
	to := from.Day.AddDays(7)
	if to.String() > "2031-07-31" {
		to = from.Day.AddDays(-7)
	}
	tie := season.TieInput{PlantingID: sage, Part: "leaf", From: from.Day.String(), Day: to.String(), Why: "for the feast"}
	tried, err := p.Season.Try(ctx, season.KeepPlanInput{On: "2031-06-01", Tie: &tie})
	check(t, err)
	if tried.Words == "" || p.planned().Kept {
		t.Errorf("trying says %q, or was kept", tried.Words)
	}
	_, err = p.Season.Keep(ctx, v.Version, season.KeepPlanInput{On: "2031-06-01", Tie: &tie})
	check(t, err)
	isTied := func(v season.SeasonPlanView) (tied bool) {
		eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
			tied = tied || stand.PlantingID == sage && pick.Day == to && pick.Tied && pick.Why == "for the feast"
		})
		return tied
	}
	if !isTied(p.planned()) {
		t.Fatal("it is not tied to its day")
	}
	p.need("garden-sorrel", "leaf", "350 g")
	if !isTied(p.planned()) {
		t.Error("after another need it is not tied any more")
	}
	before := p.entries()
	for words, day := range map[string]string{
		"is past": "2031-05-01", "not the time": to.AddDays(1).String(), "season that is planned ends": "2032-02-03", "not a whole day": "soon",
		"nothing of it may be taken": "2031-12-30",
	} {
		tie.From, tie.Day = to.String(), day
		_, err := p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01", Tie: &tie})
		p.refused(err, "tie.day", words, before)
	}
	tie.Day, tie.Units = to.String(), 5000
	_, err = p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01", Tie: &tie})
	if err == nil || p.entries() != before {
		t.Errorf("five thousand are tied: %v", err)
	}
	_, err = p.Season.Keep(ctx, v.Version, season.KeepPlanInput{On: "2031-06-01"})
	if _, stale := err.(say.StaleError); !stale {
		t.Errorf("from a page that was opened before it is kept: %v", err)
	}
	_, err = p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01", Untie: &season.TieInput{PlantingID: sage, Part: "leaf", Day: to.String()}})
	check(t, err)
	if isTied(p.planned()) {
		t.Error("untied it is tied")
	}
}

// What is tied and cannot be any more is said with the reason, and the best plan that is left is made.
func TestATiedPickingThatCannotBeIsSaid(t *testing.T) {
	p, sage := sageAndSorrel(t)
	ctx := t.Context()
	tie := season.TieInput{PlantingID: sage, Part: "leaf", Day: "2031-06-17", Units: 5}
	_, err := p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01", Tie: &tie})
	check(t, err)
	gone, err := p.Season.GoAway(ctx, season.AwayInput{First: "2031-06-16", Last: "2031-06-18"})
	check(t, err)
	v := p.planned()
	if !slices.ContainsFunc(v.Notes, func(n string) bool { return strings.Contains(n, "cannot be kept. Nobody is there on 17 June") }) {
		t.Errorf("the notes are %q", v.Notes)
	}
	if len(picksOf(v)) == 0 {
		t.Error("no plan is left")
	}
	check(t, third(p.TakeBack(ctx, gone.ID)))
	eachPick(p.planned(), func(stand season.PlanStand, pick season.PlanPick) {
		if stand.PlantingID == sage && pick.Day.String() == "2031-06-17" && !pick.Tied {
			t.Error("when somebody is there again it is not tied any more")
		}
	})
}

// Needs that cannot be met, no drier, no hours: each is said by what it is due to.
func TestWhatFallsShortIsSaidByItsCause(t *testing.T) {
	short := func(v season.SeasonPlanView, key string) season.PlanProduct {
		at := slices.IndexFunc(v.Products, func(p season.PlanProduct) bool { return p.Key == key })
		if at < 0 || !v.Products[at].Short {
			t.Fatalf("%s does not fall short: %+v", key, v.Products)
		}
		return v.Products[at]
	}
	p, _ := sageAndSorrel(t)
	p.need("common-sage", "leaf", "200 kg")
	if got := short(p.planned(), "common-sage/leaf").Words; !strings.Contains(got, "stand here") {
		t.Errorf("two hundred kilos of four plants fall short since %q", got)
	}
	p, _ = sageAndSorrel(t)
	in := fewHours
	in.Trays = "0"
	p.makeDo(in)
	if got := short(p.planned(), "common-sage/leaf"); got.Words != "There is no drier." || got.Share != 0 {
		t.Errorf("without a drier sage falls short since %q, covered %v", got.Words, got.Share)
	}
	in = fewHours
	in.Minutes = []string{"0", "0", "0", "0", "0", "0", "0"}
	p.makeDo(in)
	if got := short(p.planned(), "garden-sorrel/leaf").Words; got != "There is no time for picking." {
		t.Errorf("without time sorrel falls short since %q", got)
	}
	p.makeDo(fewHours)
	unproven, err := p.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "lavender", Plants: 3, StartedOn: "2029-04-10", Origin: "bought"})
	check(t, err)
	p.need("lavender", "flower", "50 g")
	if got := short(p.planned(), "lavender/flower").Words; !strings.Contains(got, "Not proved") {
		t.Errorf("unproven lavender falls short since %q", got)
	}
	_, err = p.Place.RemovePlanting(t.Context(), unproven.Made)
	check(t, err)
	if got := short(p.planned(), "lavender/flower").Words; got != "None stands on the plot." {
		t.Errorf("lavender that does not stand here falls short since %q", got)
	}
}

// A feast's own amount is ready by its day, and counts towards the year's need.
func TestAFeastIsServedInTime(t *testing.T) {
	p, _ := sageAndSorrel(t)
	ctx := t.Context()
	_, err := p.Season.PlanFeast(ctx, season.FeastInput{Name: "Market", Day: "2031-06-14", SpeciesID: "common-sage", Part: "leaf", Amount: "20 g dried"})
	check(t, err)
	v := p.planned()
	at := slices.IndexFunc(v.Products, func(p season.PlanProduct) bool { return p.For == "Market, 14 June" })
	if at < 0 || v.Products[at].Short {
		t.Fatalf("the market is not served: %+v", v.Products)
	}
	inTime := 0.0
	eachPick(v, func(stand season.PlanStand, pick season.PlanPick) {
		if stand.Product == "common-sage/leaf" && pick.Day.String() < "2031-06-14" {
			inTime += pick.Grams
		}
	})
	species, _ := p.Plot.Lib().Species("common-sage")
	leaf, _ := species.Part("leaf")
	if fresh := 20 * 0.9 / (1 - leaf.Keep.Water.Value); inTime < fresh {
		t.Errorf("%v g are picked in time, 20 g dried are %v g fresh", inTime, fresh)
	}
	before := p.entries()
	for field, in := range map[string]season.FeastInput{
		"day":    {Name: "Past", Day: "2031-05-01", SpeciesID: "common-sage", Part: "leaf", Amount: "20 g"},
		"amount": {Name: "None", Day: "2031-06-20", SpeciesID: "common-sage", Part: "leaf"},
		"name":   {Day: "2031-06-20", SpeciesID: "common-sage", Part: "leaf", Amount: "20 g"},
		"part":   {Name: "Odd", Day: "2031-06-20", SpeciesID: "common-sage", Part: "bark", Amount: "20 g"},
	} {
		_, err := p.Season.PlanFeast(ctx, in)
		p.refused(err, field, "", before)
	}
	*p.today = calendar.Must(2031, 6, 20)
	if v := p.planned(); !slices.ContainsFunc(v.Notes, func(n string) bool { return strings.Contains(n, "Market is past") }) {
		t.Errorf("a feast that is past is not said: %q", v.Notes)
	}
}

// Cups and jars of dried herb: 12 cups of 5 g are 60 g dried, by the water of the leaf so many grams fresh; what a cup
// weighs is asked once.
func TestNeedsAreSaidInCupsOfDriedHerb(t *testing.T) {
	p, _ := sageAndSorrel(t)
	ctx := t.Context()
	ask := gather.NeedInput{SpeciesID: "common-sage", Part: "leaf", Amount: "12 cups dried"}
	_, err := p.Gather.SetNeed(ctx, say.AsItStands, ask)
	if asked := say.Questions(err); len(asked) != 1 || !strings.Contains(asked[0], "one cup of dried common sage leaf") {
		t.Fatalf("what a cup weighs is asked as %q, %v", asked, err)
	}
	ask.MeasureWeighs = "5 g"
	_, err = p.Gather.SetNeed(ctx, say.AsItStands, ask)
	check(t, err)
	species, _ := p.Plot.Lib().Species("common-sage")
	leaf, _ := species.Part("leaf")
	state, err := p.Plot.State(ctx)
	check(t, err)
	want := 60 * 0.9 / (1 - leaf.Keep.Water.Value)
	if grams, _ := state.NeedOf("common-sage", "leaf"); math.Abs(grams-want) > 1e-6 {
		t.Errorf("12 cups of 5 g dried are %v g fresh, want %v", grams, want)
	}
	ask.MeasureWeighs, ask.Amount, ask.Matters = "", "6 cups dried", "much"
	_, err = p.Gather.SetNeed(ctx, say.AsItStands, ask)
	check(t, err)
	view, err := p.Gather.Gather(ctx, plot.NoDay)
	check(t, err)
	at := slices.IndexFunc(view.Needs, func(n gather.NeedView) bool { return n.SpeciesID == "common-sage" && n.Part == "leaf" })
	if n := view.Needs[at]; n.Typed != "6 cups dried" || n.Matters != "much" || !strings.Contains(n.Plants, "full-grown plant") {
		t.Errorf("the need is shown as %+v", n)
	}
}

// More to make do with never covers less, and what one more would bring is what planning with it brings.
func TestMoreToMakeDoWithCoversNoLess(t *testing.T) {
	p, _ := sageAndSorrel(t)
	in := fewHours
	in.Trays, in.Minutes = "1", []string{"", "12", "", "", "", "", ""}
	p.makeDo(in)
	few := p.planned()
	p.makeDo(fewHours)
	for i, product := range p.planned().Products {
		if product.Share < few.Products[i].Share-0.03 {
			t.Errorf("%s: with more time and trays %v is covered, before %v", product.Name, product.Share, few.Products[i].Share)
		}
	}
	if len(few.Prices) == 0 {
		t.Errorf("with 12 minutes a week nothing more would bring anything: %+v", few.Products)
	}
}

// Two plans side by side: one kept by its name, and the one that is made with less time.
func TestTwoPlansAreHeldAgainstEachOther(t *testing.T) {
	p, _ := sageAndSorrel(t)
	ctx := t.Context()
	copied, err := p.Season.Copy(ctx, season.PlanCopyInput{On: "2031-06-01", Name: "With two evenings"})
	check(t, err)
	in := fewHours
	in.Minutes = []string{"", "10", "", "", "", "", ""}
	p.makeDo(in)
	other := p.planned().Others
	if len(other) != 1 || other[0].Name != "With two evenings" {
		t.Fatalf("the other plans are %+v", other)
	}
	v, err := p.Season.Plan(ctx, plot.NoDay, other[0].ID)
	check(t, err)
	if v.Against == nil || len(v.Against.Picks) == 0 || len(v.Against.Rows) != len(v.Products) {
		t.Fatalf("held against it stands %+v", v.Against)
	}
	_, err = p.Season.Copy(ctx, season.PlanCopyInput{On: "2031-06-01", Name: "With two evenings"})
	p.refused(err, "name", "one of this name", p.entries())
	_, err = p.Season.FollowCopy(ctx, copied.Made)
	check(t, err)
	if v := p.planned(); !v.Kept {
		t.Error("the copy is not followed")
	}
	_, err = p.Season.DropCopy(ctx, copied.Made)
	check(t, err)
	if _, err := p.Season.Plan(ctx, plot.NoDay, copied.Made); err == nil {
		t.Error("a plan that was let go is held against this one")
	}
}

// A household's own rule of what stays is the allowance's floor, and the plan's.
func TestWhatStaysForBeesIsTakenByNobody(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	_, err := p.Season.KeepShare(ctx, season.KeptShareInput{PlantingID: p.planting, Part: "leaf", Percent: 95, ForWhom: "slugs"})
	check(t, err)
	planting, err := p.Place.Planting(ctx, p.planting, plot.NoDay)
	check(t, err)
	a := planting.Allowance[0]
	if a.Limits[0].Kind != "floor" || !strings.Contains(a.Limits[0].Reason, "slugs: your own rule") || a.Keeps != "95 % stays for slugs" {
		t.Errorf("the allowance is %+v", a)
	}
	before := p.entries()
	for field, in := range map[string]season.KeptShareInput{
		"percent": {PlantingID: p.planting, Part: "leaf", Percent: 120, ForWhom: "bees"},
		"forWhom": {PlantingID: p.planting, Part: "leaf", Percent: 20},
		"part":    {PlantingID: p.planting, Part: "bark", Percent: 20, ForWhom: "bees"},
	} {
		_, err := p.Season.KeepShare(ctx, in)
		p.refused(err, field, "", before)
	}
}

// A custom's day is held against the best one, where it is asked for and in the calendar, and only while customs are
// switched on.
func TestADayThatAsksForAPlantIsHeldAgainstItsBest(t *testing.T) {
	p, _ := sageAndSorrel(t)
	ctx := t.Context()
	midsummer := season.CustomDayInput{Name: "Midsummer", Month: 6, Day: 21, SpeciesID: "common-sage", Part: "leaf"}
	_, err := p.Season.AddCustomDay(ctx, midsummer)
	p.refused(err, "name", "switched off", p.entries())
	check(t, third(p.Place.SetCustoms(ctx, true)))
	check(t, third(p.Season.AddCustomDay(ctx, midsummer)))
	winter := midsummer
	winter.Name, winter.Month = "Midwinter", 12
	check(t, third(p.Season.AddCustomDay(ctx, winter)))
	midsummer.Day, midsummer.Month = 30, 2
	_, err = p.Season.AddCustomDay(ctx, midsummer)
	p.refused(err, "day", "no such day", p.entries())
	asked := func() (words []string) {
		for _, stand := range p.planned().Stands {
			for _, custom := range stand.Customs {
				words = append(words, custom.Words)
			}
		}
		return words
	}
	words := asked()
	if len(words) != 2 || !strings.HasPrefix(words[0], "Midsummer, 21 June: ") || words[1] != "Midwinter, 21 December: nothing of it may be taken then" {
		t.Errorf("it says %q", words)
	}
	if !strings.Contains(words[0], "its best") {
		t.Errorf("against its best it says %q", words[0])
	}
	data, err := p.Now.Calendar(ctx)
	check(t, err)
	if !slices.ContainsFunc(data.Events, func(e area.Event) bool {
		return e.First.String() == "2031-06-21" && e.Summary == "common sage leaf is asked for"
	}) {
		t.Error("the calendar has no Midsummer")
	}
	check(t, third(p.Place.SetCustoms(ctx, false)))
	if words := asked(); len(words) != 0 {
		t.Errorf("switched off they ask: %q", words)
	}
}

// Days away that are past or the wrong way round, trays that are none, minutes beyond a day.
func TestWhatThereIsToMakeDoWithIsReadStrictly(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	for field, in := range map[string]season.AwayInput{
		"first": {First: "2031-05-01", Last: "2031-06-02"}, "last": {First: "2031-06-08", Last: "2031-06-02"},
	} {
		_, err := p.Season.GoAway(t.Context(), in)
		p.refused(err, field, "", before)
	}
	for field, change := range map[string]func(*season.MakeDoInput){
		"trays":     func(in *season.MakeDoInput) { in.Trays = "a few" },
		"tray":      func(in *season.MakeDoInput) { in.Tray = "wide" },
		"warmth":    func(in *season.MakeDoInput) { in.Warmth = "300 °C" },
		"minutes.2": func(in *season.MakeDoInput) { in.Minutes = []string{"", "", "30 h", "", "", "", ""} },
	} {
		in := fewHours
		change(&in)
		_, err := p.Season.SetMakeDo(t.Context(), say.AsItStands, in)
		p.refused(err, field, "", before)
	}
	p.makeDo(fewHours)
	v, err := p.Season.MakeDo(t.Context())
	check(t, err)
	// Saved as it is shown, nothing is otherwise.
	p.makeDo(season.MakeDoInput{DrierInput: input.DrierInput{Trays: v.Trays, Tray: v.TrayWords, Warmth: v.Warmth, MovingAir: v.MovingAir}, Minutes: v.Minutes})
	if again, err := p.Season.MakeDo(t.Context()); err != nil || again.TrayM2 != 0.12 || again.Trays != "3" || again.Warmth != v.Warmth {
		t.Errorf("saved unchanged it is %+v, %v", again, err)
	}
}

// In the south a season runs from July to June: at the end of May little of it is left, and the next one is planned from
// its first of July; an empty plot there, and one of which everything stands aside, answer every page, too.
func TestASeasonInTheSouthIsPlanned(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	empty := p.planned()
	if len(empty.Products) != 0 || len(empty.Notes) != 1 || len(empty.Stands) != 0 {
		t.Errorf("where nothing is needed the plan is %+v", empty)
	}
	noNulls(t, "an empty plan", empty)
	_, err := p.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -17, Altitude: "3800 m", ClimateID: "high-plateau-south", Width: "40 m", Depth: "30 m", Units: "us"})
	check(t, err)
	p.need("garden-sorrel", "leaf", "1 lb")
	p.makeDo(season.MakeDoInput{DrierInput: input.DrierInput{Trays: "2", Tray: "12 x 16 in", Warmth: "95 °F"}, Minutes: []string{"1 h", "", "", "", "", "", "1 h"}})
	this := p.planned()
	if this.Season.String() != "2030-07-01" || this.Last.String() != "2031-06-30" || this.First != day {
		t.Errorf("this season is planned from %s to %s", this.First, this.Last)
	}
	next := p.plannedOn(calendar.Must(2031, 9, 1))
	if next.First.String() != "2031-07-01" || next.Last.String() != "2032-06-30" || len(picksOf(next)) == 0 {
		t.Errorf("the next season is planned from %s to %s with %v", next.First, next.Last, picksOf(next))
	}
	eachPick(next, func(stand season.PlanStand, pick season.PlanPick) {
		if weekday := pick.Day.Weekday().String(); weekday != "Monday" && weekday != "Sunday" {
			t.Errorf("%s is picked on a %s", stand.Name, weekday)
		}
	})
	noNulls(t, "a plan", next)
	v, err := p.Season.MakeDo(ctx)
	check(t, err)
	if v.Warmth != "95 °F" || !strings.HasSuffix(v.TrayWords, "ft²") || v.TrayM2 < 0.123 || v.TrayM2 > 0.125 {
		t.Errorf("12 × 16 in at 95 °F is shown as %+v", v)
	}
}

// The planning can be stopped: what was found until then is shown, as a plan that keeps to all limits.
func TestAPlanningIsStopped(t *testing.T) {
	p, _ := sageAndSorrel(t)
	v, err := p.Season.Stop(t.Context(), plot.NoDay)
	check(t, err)
	if v.Working || v.Reckoning {
		t.Errorf("stopped it goes on: %+v", v)
	}
	for i, used := range v.Trays.Used {
		if used > 3+1e-6 {
			t.Errorf("on day %d %.2f trays of 3 are full", i, used)
		}
	}
}

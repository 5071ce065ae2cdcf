package garden

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/spread"
)

func (p *fixture) spread(free bool) spread.SpreadView {
	p.t.Helper()
	v, err := p.Spread.Spread(p.t.Context(), -1, free)
	check(p.t, err)
	return v
}

func (p *fixture) standOf(v spread.SpreadView, planting int64) spread.SpreadStand {
	p.t.Helper()
	for _, one := range v.Stands {
		if one.PlantingID == planting {
			return one
		}
	}
	p.t.Fatalf("planting %d is not on the map", planting)
	return spread.SpreadStand{}
}

func (p *fixture) holdOf(planting int64, ask spread.HoldAsk) spread.HoldView {
	p.t.Helper()
	v, err := p.Spread.Hold(p.t.Context(), planting, ask)
	check(p.t, err)
	return v
}

func option(t *testing.T, v spread.HoldView, ways ...string) spread.HoldOption {
	t.Helper()
	for _, o := range v.Options {
		if slices.Equal(o.Ways, ways) {
			return o
		}
	}
	t.Fatalf("%v is not among the ways: %+v", ways, v.Options)
	return spread.HoldOption{}
}

// Left alone it covers more each year, and reaches what is near before what is far; held it never covers more than left
// alone.
func TestTheMapGrowsAndHoldingKeepsItSmall(t *testing.T) {
	p := newPlot(t)
	mint := p.runner()
	_, err := p.Place.AddItem(t.Context(), place.ItemInput{Kind: "path", Name: "Near path", FormInput: place.FormInput{Shape: "line", Width: "60 cm", Points: []place.Corner{{X: "4 m", Y: "7.5 m"}, {X: "16 m", Y: "7.5 m"}}}})
	check(t, err)
	_, err = p.Place.AddItem(t.Context(), place.ItemInput{Kind: "path", Name: "Far path", FormInput: place.FormInput{Shape: "line", Width: "60 cm", Points: []place.Corner{{X: "4 m", Y: "12 m"}, {X: "16 m", Y: "12 m"}}}})
	check(t, err)
	free := p.standOf(p.spread(true), mint)
	if len(free.Maps) != 11 {
		t.Fatalf("%d maps", len(free.Maps))
	}
	for i, m := range free.Maps[1:] {
		if m.AreaM2 < free.Maps[i].AreaM2 || m.Lines[0] == "" {
			t.Errorf("year %d covers %v m², the year before %v", m.Year, m.AreaM2, free.Maps[i].AreaM2)
		}
	}
	reach := func(of spread.SpreadStand, where string) []float64 {
		for _, r := range of.Reaches {
			if r.Where == where {
				return r.ByYear
			}
		}
		return make([]float64, 11)
	}
	near, far := reach(free, "under the Near path"), reach(free, "under the Far path")
	for year := range near {
		if far[year] > near[year] {
			t.Errorf("year %d: at the far path with %v, at the near one with %v", year, far[year], near[year])
		}
	}
	if near[10] < 0.8 || far[1] >= near[1] && near[1] < 1 {
		t.Errorf("near %v, far %v", near, far)
	}
	_, err = p.Spread.SetHold(t.Context(), mint, say.AsItStands, spread.HoldInput{Policy: "held", Ways: []string{"edge:2"}})
	check(t, err)
	held := p.standOf(p.spread(false), mint)
	for i, m := range held.Maps {
		if m.AreaM2 > free.Maps[i].AreaM2+0.05 {
			t.Errorf("year %d: held it covers %v m², left alone %v", m.Year, m.AreaM2, free.Maps[i].AreaM2)
		}
	}
	if held.Maps[10].AreaM2 > 0.8*free.Maps[10].AreaM2 {
		t.Errorf("held it covers %v m² in the end, left alone %v", held.Maps[10].AreaM2, free.Maps[10].AreaM2)
	}
	if again := p.standOf(p.spread(true), mint); again.Maps[10].AreaM2 != free.Maps[10].AreaM2 {
		t.Error("left alone it covers something else once it is held")
	}
}

// What is seen sets the front right at once.
func TestASightingIsTakenIn(t *testing.T) {
	p := newPlot(t)
	mint := p.runner()
	before := p.standOf(p.spread(true), mint)
	_, err := p.Spread.NoteSighting(t.Context(), mint, spread.FrontSightingInput{Day: "2031-05-20", Kind: "at most"})
	check(t, err)
	within := p.standOf(p.spread(true), mint)
	if within.Over || within.Maps[0].AreaM2 > before.Maps[0].AreaM2 || !strings.Contains(within.State, "by what was seen") {
		t.Errorf("nothing is past its edge, and it says %q of %v m²", within.State, within.Maps[0].AreaM2)
	}
	_, err = p.Spread.NoteSighting(t.Context(), mint, spread.FrontSightingInput{Day: "2031-05-27", Kind: "farthest", X: new(10.0), Y: new(8.4)})
	check(t, err)
	over := p.standOf(p.spread(true), mint)
	_, err = p.Spread.SetHold(t.Context(), mint, say.AsItStands, spread.HoldInput{Policy: "held", Ways: []string{"edge:1"}})
	check(t, err)
	if jobs := p.holdOf(mint, spread.HoldAsk{}).Chosen.Jobs; !slices.ContainsFunc(jobs, func(j spread.HoldJob) bool { return strings.HasPrefix(j.What, "Lift all that is past") }) {
		t.Errorf("nobody asks for what is out to be lifted: %+v", jobs)
	}
	if !over.Over || len(over.Seen) != 2 || over.Maps[0].AreaM2 <= within.Maps[0].AreaM2 {
		t.Errorf("it was seen out there, and it says %q of %v m²", over.State, over.Maps[0].AreaM2)
	}
}

// A root barrier drawn on the plan lowers the chance that it gets beyond.
func TestABarrierOnThePlanLowersTheChance(t *testing.T) {
	p := newPlot(t)
	pond, err := p.Place.AddBed(t.Context(), place.BedInput{Name: "Far Bed", FormInput: place.FormInput{X: "10 m", Y: "8 m", Width: "8 m", Depth: "1 m"}})
	check(t, err)
	mint := p.runner()
	target := "bed:" + say.Number(float64(pond.Made))
	before := option(t, p.holdOf(mint, spread.HoldAsk{Target: target}))
	board := place.ItemInput{Kind: "root barrier", Name: "Board", Deep: "60 cm", FormInput: place.FormInput{Shape: "line", Width: "3 cm", Points: []place.Corner{
		{X: "5 m", Y: "3.4 m"}, {X: "15 m", Y: "3.4 m"}, {X: "15 m", Y: "6.6 m"}, {X: "5 m", Y: "6.6 m"}, {X: "5 m", Y: "3.4 m"},
	}}}
	_, err = p.Place.AddItem(t.Context(), board)
	check(t, err)
	after := option(t, p.holdOf(mint, spread.HoldAsk{Target: target}))
	if before.Out < 0.5 || after.Out > 0.4*before.Out {
		t.Errorf("out with %v, behind a board with %v", before.Out, after.Out)
	}
	entries := p.entries()
	board.Points = append(board.Points, place.Corner{X: "45 m", Y: "3 m"})
	_, err = p.Place.AddItem(t.Context(), board)
	p.refused(err, "points", "lies on the plot", entries)
	board.Points, board.Deep = board.Points[:5], "-20 cm"
	_, err = p.Place.AddItem(t.Context(), board)
	p.refused(err, "deep", "not possible", entries)
}

// Heads that come off late let more seed lie; and the last day is before the first plants set seed.
func TestBeheadingHasALastDay(t *testing.T) {
	p := newPlot(t)
	cicely := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "greater-burdock", Plants: 4, StartedOn: "2030-04-10", Origin: "seed"})
	v := p.holdOf(cicely, spread.HoldAsk{})
	if v.Deadline.Words == "" || len(v.Deadline.Late) < 10 {
		t.Fatalf("%+v", v.Deadline)
	}
	for i, late := range v.Deadline.Late[1:] {
		if late.Chance < v.Deadline.Late[i].Chance || late.Fallen < v.Deadline.Late[i].Fallen {
			t.Errorf("%v: late with %v, the day before with %v", late.On, late.Chance, v.Deadline.Late[i].Chance)
		}
	}
	if first := v.Deadline.Late[0]; first.On != v.Deadline.Last || first.Chance > 0.1 {
		t.Errorf("on the last day %v it is late with %v", first.On, first.Chance)
	}
	in := option(t, v, "behead")
	late := option(t, p.holdOf(cicely, spread.HoldAsk{BeheadOn: v.Deadline.Last.AddDays(45).String()}), "behead")
	if late.Out < in.Out || late.Bank == in.Bank {
		t.Errorf("in time: %v and %s, 45 days late: %v and %s", in.Out, in.Bank, late.Out, late.Bank)
	}
}

// What is chosen becomes the policy, its jobs come in their season, and the plant's own rows that it answers are not
// asked for besides.
func TestAPolicyBringsItsJobs(t *testing.T) {
	p := newPlot(t)
	mint := p.runner()
	asks := func(kind, verb string, on calendar.Date) bool {
		v, err := p.Now.Now(t.Context(), on)
		check(t, err)
		for _, job := range slices.Concat(v.Closing, v.Open, v.Coming) {
			if job.PlantingID == mint && job.Kind == kind && job.Verb == verb {
				return true
			}
		}
		return false
	}
	if !asks("care", "Edge", plot.NoDay) || asks("spread", "Edge", plot.NoDay) {
		t.Error("before anything was said the plant's own row asks for edging")
	}
	_, err := p.Spread.SetHold(t.Context(), mint, say.AsItStands, spread.HoldInput{Policy: "held", Ways: []string{"edge:2"}})
	check(t, err)
	june := calendar.Must(2031, 6, 12)
	if asks("care", "Edge", plot.NoDay) || !asks("spread", "Edge", june) || asks("spread", "Edge", calendar.Must(2031, 12, 12)) {
		t.Error("held by edging twice, it is asked for in June by the policy, and not in December")
	}
	v, err := p.Now.Now(t.Context(), june)
	check(t, err)
	for _, job := range slices.Concat(v.Closing, v.Open, v.Coming) {
		if job.Kind == "spread" && job.Verb == "Edge" {
			_, err := p.Now.AnswerJob(t.Context(), job.Key, "done")
			if err != nil && !strings.Contains(err.Error(), "no such job today") {
				t.Error(err)
			}
		}
	}
	_, err = p.Spread.SetHold(t.Context(), mint, say.AsItStands, spread.HoldInput{Policy: "free"})
	check(t, err)
	if asks("care", "Edge", plot.NoDay) || asks("spread", "Edge", june) {
		t.Error("what may run is edged")
	}
	_, err = p.Spread.DropHold(t.Context(), mint)
	check(t, err)
	if !asks("care", "Edge", plot.NoDay) {
		t.Error("with nothing said the plant's own row asks again")
	}
}

// A weed that is food: unproven it is for no use; proved, its window offers all of it, and what is picked counts.
func TestAWeedIsEaten(t *testing.T) {
	p := newPlot(t)
	weed := p.weed(40)
	v, err := p.Spread.CameUp(t.Context())
	check(t, err)
	if len(v.Groups) != 1 || v.Groups[0].Best != "eat" || v.Groups[0].Checked != "" {
		t.Fatalf("%+v", v.Groups)
	}
	_, err = p.Spread.DoWith(t.Context(), weed, spread.DeedInput{Deed: "eat", Day: "2031-05-27", Plants: 30})
	check(t, err)
	v, err = p.Spread.CameUp(t.Context())
	check(t, err)
	if len(v.Groups) != 1 || v.Groups[0].Plants != 10 || len(v.Done) != 1 || v.Done[0].PlantingID == 0 {
		t.Fatalf("%+v, done %+v", v.Groups, v.Done)
	}
	planting := v.Done[0].PlantingID
	part := func() (amount, refusal string, units float64) {
		view, err := p.Place.Planting(t.Context(), planting, plot.NoDay)
		check(t, err)
		for _, a := range view.Allowance {
			if a.Units > units || amount == "" {
				amount, units = a.Amount, a.Units
				refusal = ""
				if a.Refusal != nil {
					refusal = a.Refusal.Kind
				}
			}
		}
		return amount, refusal, units
	}
	if _, refusal, _ := part(); refusal != "unproven" {
		t.Errorf("unproven it is refused as %q", refusal)
	}
	prove(t, p.Garden, planting, "chickweed", "2031-05-21")
	prove(t, p.Garden, planting, "chickweed", "2031-05-26")
	amount, refusal, units := part()
	if refusal != "" || !strings.HasPrefix(amount, "All of it: ") || units == 0 {
		t.Fatalf("proved it is %q, %q, %v", amount, refusal, units)
	}
	view, err := p.Place.Planting(t.Context(), planting, plot.NoDay)
	check(t, err)
	for _, a := range view.Allowance {
		if a.Units > 0 {
			_, err = p.Gather.NotePicking(t.Context(), planting, gather.PickingInput{Day: "2031-05-27", Part: a.Part, Amount: say.Number(a.Units) + " " + a.UnitName})
			check(t, err)
			break
		}
	}
	baskets, err := p.Gather.Baskets(t.Context())
	check(t, err)
	if len(baskets) != 1 || !strings.HasPrefix(baskets[0].Name, "Chickweed") || baskets[0].Left == 0 {
		t.Errorf("%+v", baskets)
	}
}

// What cannot be is told at its field, and changes nothing.
func TestWhatSpreadsIsRefusedAtItsField(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	mint, weed := p.runner(), p.weed(12)
	balsam, err := p.Bench.NoteVolunteers(ctx, bench.VolunteerInput{SpeciesID: "himalayan-balsam", BedID: p.bed, Day: "2031-05-20", Plants: 4})
	check(t, err)
	hemlock, err := p.Bench.NoteVolunteers(ctx, bench.VolunteerInput{SpeciesID: "hemlock", BedID: p.bed, Day: "2031-05-20", Plants: 2})
	check(t, err)
	burdock := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "greater-burdock", Plants: 4, StartedOn: "2030-04-10", Origin: "seed"})
	before := p.entries()
	refused := func(err error, field, words string) {
		t.Helper()
		p.refused(err, field, words, before)
	}
	held := func(in spread.HoldInput) error {
		_, err := p.Spread.SetHold(ctx, mint, say.AsItStands, in)
		return err
	}
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"moonlight"}}), "ways", "no way of holding")
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"edge:900"}}), "ways", "from 1 to 6 times")
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"barrier:-4 cm"}}), "ways", "more than 0")
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"pot", "dig:1"}}), "ways", "not kept in a pot")
	refused(held(spread.HoldInput{Policy: "held"}), "ways", "at least one way")
	refused(held(spread.HoldInput{Policy: "free", Ways: []string{"edge:1"}}), "ways", "not held")
	refused(held(spread.HoldInput{Policy: "bounded", Ways: []string{"edge:1"}, Target: "the moon"}), "target", "kept from")
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"edge:1"}, Line: 1.4}), "line", "between 0 and 1")
	refused(held(spread.HoldInput{Policy: "held", Ways: []string{"behead"}}), "ways", "no seed")
	refused(held(spread.HoldInput{Policy: "someday", Ways: []string{"edge:1"}}), "policy", "held, bounded, free")
	asked := func(planting int64, ask spread.HoldAsk) error {
		_, err := p.Spread.Hold(ctx, planting, ask)
		return err
	}
	refused(asked(mint, spread.HoldAsk{Target: "the moon"}), "target", "on the plan")
	refused(asked(burdock, spread.HoldAsk{BeheadOn: "2031-02-02"}), "beheadOn", "no heads yet")
	refused(asked(burdock, spread.HoldAsk{BeheadOn: "2031-12-20"}), "beheadOn", "has fallen")
	refused(asked(burdock, spread.HoldAsk{BeheadOn: "soon"}), "beheadOn", "not a whole day")
	sighted := func(in spread.FrontSightingInput) error {
		_, err := p.Spread.NoteSighting(ctx, mint, in)
		return err
	}
	refused(sighted(spread.FrontSightingInput{Day: "2031-05-20", Kind: "farthest"}), "x", "Show on the map")
	refused(sighted(spread.FrontSightingInput{Day: "2031-05-20", Kind: "farthest", X: new(500.0), Y: new(2.0)}), "x", "on the plot")
	refused(sighted(spread.FrontSightingInput{Day: "2031-06-20", Kind: "at most"}), "day", "has not come yet")
	refused(sighted(spread.FrontSightingInput{Day: "2028-06-20", Kind: "at most"}), "day", "only began")
	_, err = p.Spread.NoteSighting(ctx, burdock, spread.FrontSightingInput{Day: "2031-05-20", Kind: "at most"})
	refused(err, "kind", "runs")
	did := func(id int64, in spread.DeedInput) error {
		_, err := p.Spread.DoWith(ctx, id, in)
		return err
	}
	today := "2031-05-27"
	refused(did(weed, spread.DeedInput{Deed: "eat", Day: today, Plants: 13}), "plants", "1 to the 12")
	refused(did(weed, spread.DeedInput{Deed: "move", Day: today, Plants: 2, BedID: p.bed}), "deed", "First cut one")
	refused(did(weed, spread.DeedInput{Deed: "frame it", Day: today, Plants: 2}), "deed", "what was done")
	refused(did(weed, spread.DeedInput{Deed: "lift whole", Day: "2031-05-01", Plants: 2}), "day", "only seen on")
	refused(did(balsam.Made, spread.DeedInput{Deed: "keep", Day: today, Plants: 2}), "deed", "list")
	refused(did(hemlock.Made, spread.DeedInput{Deed: "eat", Day: today, Plants: 2}), "deed", "deadly")
	refused(did(hemlock.Made, spread.DeedInput{Deed: "keep", Day: today, Plants: 2}), "deed", "deadly")
	_, err = p.Spread.PlanClearing(ctx, spread.ClearingInput{BedID: p.bed, Animal: "hens", Head: 3, Day: "2031-12-01", Days: 4, Then: "mulch"})
	refused(err, "animal", "No hens are kept")
	_, err = p.Spread.PlanClearing(ctx, spread.ClearingInput{BedID: p.bed, Animal: "hens", Head: 3, Day: "9999-12-31", Days: 4, Then: "mulch"})
	p.refused(err, "day", "more than two years ahead", p.entries())
	_, err = p.Spread.PlanClearing(ctx, spread.ClearingInput{BedID: 99, Animal: "geese", Head: 0, Day: "2030-12-01", Days: 400, Then: "wait"})
	for field, words := range map[string]string{"bedId": "on the plan", "animal": "Hens and ducks", "head": "From 1", "day": "is past", "days": "From 1", "then": "mulched"} {
		refused(err, field, words)
	}
	_, err = p.Spread.NoteLaw(ctx, "himalayan-balsam", say.AsItStands, spread.LawInput{Listed: "perhaps", Day: "2031-06-27"})
	refused(err, "listed", "your list")
	refused(err, "day", "has not come yet")
	_, err = p.Bench.NoteVolunteers(ctx, bench.VolunteerInput{SpeciesID: "chickweed", Day: "2031-05-20", Plants: 3, X: new(900.0), Y: new(1.0)})
	refused(err, "place", "not lie on the plan")
	_, err = p.Spread.Overtaken(ctx, 99, "unheard-of")
	refused(err, "plantingId", "that stands")
	refused(err, "weed", "plant of the library")
	copied, err := p.Plants.CopyOf(ctx, "peppermint")
	check(t, err)
	text := strings.Replace(copied.Text, `rate = "0.7 (0.3 to 1.5) m guess"`, `rate = "-0.7 (-1 to 1.5) m guess"`, 1)
	_, _, err = p.Plants.PutOwnPlant(ctx, say.AsItStands, plants.PlantFileInput{Text: text})
	refused(err, "text", "rate")
}

// A kind of which nothing is on record is never said to stay.
func TestWhatIsNotOnRecordIsSaidSo(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "peppermint")
	check(t, err)
	start := strings.Index(copied.Text, "[[spread]]")
	end := start + strings.Index(copied.Text[start:], "[hold]")
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: copied.Text[:start] + copied.Text[end:]})
	check(t, err)
	planting := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 2, StartedOn: "2030-05-10", Origin: "division"})
	v := p.spread(true)
	if len(v.Unknown) != 1 || v.Unknown[0].PlantingID != planting || !strings.Contains(v.Unknown[0].Words, "not on record") {
		t.Errorf("%+v", v.Unknown)
	}
	if _, err := p.Spread.Hold(t.Context(), planting, spread.HoldAsk{}); err == nil || !strings.Contains(err.Error(), "not on record") {
		t.Errorf("holding it: %v", err)
	}
}

// Worth and harm stand in one balance, the neighbours among them, and sum to what is said.
func TestWorthAndHarmAreWeighed(t *testing.T) {
	p := newPlot(t)
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, place.BedInput{Name: "By the fence", FormInput: place.FormInput{X: "5 m", Y: "1 m", Width: "8 m", Depth: "1.2 m"}, Moisture: "moist"})
	check(t, err)
	p.runner()
	v, err := p.Spread.Balance(t.Context(), "hemlock")
	check(t, err)
	seen := map[string]bool{}
	for _, kind := range v.Kinds {
		seen[kind.SpeciesID] = true
		weights := map[string]int{}
		for _, row := range kind.Rows {
			weights[row.Side] += row.Weight
			if row.Words == "" {
				t.Errorf("%s: nothing is said of %s", kind.Name, row.Subject)
			}
			if kind.SpeciesID == "peppermint" && row.Subject == "neighbours" && row.Side != "against" {
				t.Errorf("a mint by the fence, and of the neighbours: %q", row.Words)
			}
		}
		if weights["for"] != kind.For || weights["against"] != kind.Against {
			t.Errorf("%s: %v against %d for, %d against", kind.Name, weights, kind.For, kind.Against)
		}
	}
	if !seen["peppermint"] || !seen["hemlock"] {
		t.Errorf("%v", seen)
	}
	_, err = p.Spread.Balance(t.Context(), "moonwort of nowhere")
	p.refused(err, "species", "of the library", p.entries())
}

// The law's reminder asks the grower to look, keeps what was found, and changes what may be done.
func TestTheLawIsTheGrowersOwnList(t *testing.T) {
	p := newPlot(t)
	group, err := p.Bench.NoteVolunteers(t.Context(), bench.VolunteerInput{SpeciesID: "himalayan-balsam", BedID: p.bed, Day: "2031-05-20", Plants: 4})
	check(t, err)
	keeps := func() (goes bool, words string) {
		v, err := p.Spread.CameUp(t.Context())
		check(t, err)
		for _, g := range v.Groups {
			if g.ID == group.Made {
				return g.Deeds[0].Goes, g.Law.Words
			}
		}
		t.Fatal("it is not listed")
		return false, ""
	}
	if goes, words := keeps(); goes || !strings.Contains(words, "Look yours up") {
		t.Errorf("before anybody looked: %v, %q", goes, words)
	}
	for _, found := range []struct {
		listed, words string
		goes          bool
	}{{"no", "does not stand on your list", true}, {"yes", "stands on your list", false}, {"unsure", "could not tell", false}} {
		_, err := p.Spread.NoteLaw(t.Context(), "himalayan-balsam", say.AsItStands, spread.LawInput{Listed: found.listed, Day: "2031-05-20"})
		check(t, err)
		if goes, words := keeps(); goes != found.goes || !strings.Contains(words, found.words) {
			t.Errorf("%s: %v, %q", found.listed, goes, words)
		}
	}
}

// The household's own list stands against a kind of which the library knows no list: on the balance, in the verdict, on the
// bench, and where it is set.
func TestTheHouseholdsListHoldsForEveryKind(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "borage", Plants: 1, StartedOn: "2031-04-20", Origin: "seed"})
	group, err := p.Bench.NoteVolunteers(ctx, bench.VolunteerInput{SpeciesID: "borage", BedID: p.bed, Day: "2031-05-20", Plants: 4})
	check(t, err)
	var dangers []string
	volunteers, err := p.Bench.Volunteers(ctx)
	check(t, err)
	for _, one := range volunteers.Groups {
		for _, danger := range one.Dangers {
			dangers = append(dangers, danger.ID)
		}
	}
	_, err = p.Bench.CheckVolunteers(ctx, group.Made, bench.VolunteerCheckInput{Found: plot.VolunteerProved, Dangers: dangers})
	check(t, err)
	weighs := func() spread.BalanceLine {
		t.Helper()
		v, err := p.Spread.Balance(ctx, "borage")
		check(t, err)
		for _, kind := range v.Kinds {
			for _, row := range kind.Rows {
				if kind.SpeciesID == "borage" && row.Subject == "law" {
					return row
				}
			}
		}
		t.Fatal("no row on the law")
		return spread.BalanceLine{}
	}
	if row := weighs(); row.Weight != 0 {
		t.Errorf("before anybody looked: %+v", row)
	}
	_, err = p.Spread.NoteLaw(ctx, "borage", say.AsItStands, spread.LawInput{Listed: "yes", Day: "2031-05-20"})
	check(t, err)
	if row := weighs(); row.Side != "against" || row.Weight != 3 {
		t.Errorf("on the list: %+v", row)
	}
	before := p.entries()
	for _, deed := range []string{"keep", "eat", "move", "leave as cover", "chop and leave"} {
		_, err = p.Spread.DoWith(ctx, group.Made, spread.DeedInput{Deed: deed, Day: "2031-05-27", Plants: 1})
		p.refused(err, "deed", "it stands on your list", before)
	}
	_, err = p.Bench.LiftVolunteers(ctx, group.Made, bench.LiftInput{Day: "2031-05-27", Plants: 1})
	p.refused(err, "plants", "stands on your own list", before)
	_, err = p.Place.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: "borage", Plants: 2, StartedOn: "2031-05-20", Origin: "seed"})
	p.asks(err, "speciesId", input.AskLaw, "stands on your own list, as you found on 20 May 2031", before)
	_, err = p.Spread.DoWith(ctx, group.Made, spread.DeedInput{Deed: "lift whole", Day: "2031-05-27", Plants: 1})
	check(t, err)
}

// No text of the library on the law names a country or a region: none is known here.
func TestNoReminderOfTheLawNamesAPlace(t *testing.T) {
	p := newPlot(t)
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for _, species := range s.Lib.AllSpecies() {
		for _, place := range []string{"America", "Africa", "Australia", "Europe", "Asia", "States", "Kingdom", "Union", "Canada", "Germany", "France"} {
			if strings.Contains(species.Law, place) {
				t.Errorf("%s: %q", species.ID, species.Law)
			}
		}
	}
}

// Animals are let in after the crop alone, fenced from what stays and what harms them.
func TestABedIsClearedAfterItsCrop(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	for _, species := range []string{"borage", "groundsel", "pot-marigold"} {
		p.set(input.PlantingInput{BedID: p.bed, SpeciesID: species, Plants: 6, StartedOn: "2031-04-20", Origin: "seed", Labelled: true, Source: "A friend."})
	}
	_, err := p.Spread.SetSettings(ctx, say.AsItStands, spread.SpreadSettingsInput{Animals: []string{"hens"}})
	check(t, err)
	v, err := p.Spread.AfterCrop(ctx)
	check(t, err)
	bed := v.Beds[0]
	named := func(lines []spread.AfterLine) (names []string) {
		for _, line := range lines {
			names = append(names, line.Name)
		}
		return names
	}
	if !slices.Contains(named(bed.Harms), "groundsel") || !slices.Contains(named(bed.Fence), "garden sorrel") || len(bed.Days) != 1 {
		t.Errorf("harm %v, fenced %v, eaten %v, %v", named(bed.Harms), named(bed.Fence), named(bed.Clears), bed.Days)
	}
	if bed.From <= day {
		t.Errorf("marigolds are picked yet, and it is free from %v", bed.From)
	}
	plan := spread.ClearingInput{BedID: p.bed, Animal: "hens", Head: 4, Day: "2031-06-10", Days: 5, Then: "mulch"}
	_, err = p.Spread.PlanClearing(ctx, plan)
	p.refused(err, "day", "they would take the crop", p.entries())
	plan.Day = bed.From.AddDays(3).String()
	_, err = p.Spread.PlanClearing(ctx, plan)
	if asked := say.Questions(err); len(asked) != 1 || !strings.Contains(asked[0], "groundsel") {
		t.Fatalf("it is not asked back what is fenced: %v", err)
	}
	plan.Affirmed = say.Questions(err)
	entry, err := p.Spread.PlanClearing(ctx, plan)
	check(t, err)
	now, err := p.Now.Now(ctx, bed.From.AddDays(3))
	check(t, err)
	in := func(job string) bool {
		for _, j := range slices.Concat(now.Closing, now.Open, now.Coming) {
			if j.Kind == "spread" && j.Verb == job && j.BedID == p.bed {
				return true
			}
		}
		return false
	}
	if !in("Let in") || !in("Take out") {
		t.Error("the hens' jobs are not asked for")
	}
	_, err = p.Spread.EndClearing(ctx, entry.Made)
	check(t, err)
	if _, err = p.Spread.EndClearing(ctx, entry.Made); err == nil {
		t.Error("what is over is ended again")
	}
}

// A crop that was just sown is overtaken sooner than one that has grown for weeks, and a low weed never overtakes.
func TestASownCropIsOvertakenSooner(t *testing.T) {
	p := newPlot(t)
	young := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "pot-marigold", Plants: 12, StartedOn: "2031-05-20", Origin: "seed"})
	grown := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "pot-marigold", Plants: 12, StartedOn: "2031-04-05", Origin: "bought"})
	days := func(crop int64, weed string) spread.RaceView {
		v, err := p.Spread.Overtaken(t.Context(), crop, weed)
		check(t, err)
		return *v.Asked
	}
	soon, later := days(young, "fat-hen"), days(grown, "fat-hen")
	if !soon.Overtakes || later.Overtakes && later.Days < soon.Days {
		t.Errorf("sown: %q, set: %q", soon.Words, later.Words)
	}
	if low := days(grown, "wild-strawberry"); low.Overtakes {
		t.Errorf("a low weed: %q", low.Words)
	}
	for i, week := range soon.ByWeek[1:] {
		if week.Chance < soon.ByWeek[i].Chance {
			t.Errorf("by %v overtaken with %v, a week before with %v", week.On, week.Chance, soon.ByWeek[i].Chance)
		}
	}
	_ = p.weed(30)
	v, err := p.Spread.Overtaken(t.Context(), 0, "")
	check(t, err)
	if len(v.Races) == 0 {
		t.Error("a weed noted in the bed is in no race")
	}
}

// In the south its growth and its last days follow the plot's own year.
func TestASouthernStandIsHeldInItsOwnSeason(t *testing.T) {
	p := newPlot(t)
	_, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "South", Latitude: -38, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "30 m", Depth: "20 m", Units: "metric"})
	check(t, err)
	mint := p.runner()
	burdock := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "greater-burdock", Plants: 4, StartedOn: "2029-10-10", Origin: "seed"})
	_, err = p.Spread.SetHold(t.Context(), mint, say.AsItStands, spread.HoldInput{Policy: "held", Ways: []string{"edge:2"}})
	check(t, err)
	v := p.holdOf(mint, spread.HoldAsk{})
	for _, job := range v.Chosen.Jobs {
		if strings.Contains(job.Days, "June") || strings.Contains(job.Days, "July") {
			t.Errorf("%s in %s, the plot's winter", job.What, job.Days)
		}
	}
	late := p.holdOf(burdock, spread.HoldAsk{}).Deadline
	if late.Words != "" && (late.Last.Month() > 4 && late.Last.Month() < 10) {
		t.Errorf("behead by %v", late.Last)
	}
}

// The same asked twice is the same, and many ask at once.
func TestSpreadIsTheSameWhoeverAsks(t *testing.T) {
	p := newPlot(t)
	mint := p.runner()
	p.weed(5)
	type answer struct {
		out  []float64
		area float64
	}
	answers := make(chan answer)
	for range 6 {
		go func() {
			hold, err := p.Spread.Hold(t.Context(), mint, spread.HoldAsk{})
			if err != nil {
				t.Error(err)
			}
			v, err := p.Spread.Spread(t.Context(), 4, true)
			if err != nil {
				t.Error(err)
			}
			if _, err := p.Spread.CameUp(t.Context()); err != nil {
				t.Error(err)
			}
			a := answer{area: v.Stands[0].Maps[0].AreaM2}
			for _, o := range hold.Options {
				a.out = append(a.out, o.Out)
			}
			answers <- a
		}()
	}
	first := <-answers
	for range 5 {
		if next := <-answers; !slices.Equal(next.out, first.out) || next.area != first.area {
			t.Errorf("%+v, and %+v", next, first)
		}
	}
}

// What the round marks as past its edge is past it on the map too: the two never say otherwise of one plant.
func TestALookPastTheEdgeIsOnTheMap(t *testing.T) {
	p := newPlot(t)
	mint := p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "peppermint", Plants: 2, StartedOn: "2031-05-10", Origin: "division"})
	of := func() spread.SpreadStand {
		t.Helper()
		v, err := p.Spread.Spread(t.Context(), 3, false)
		check(t, err)
		for _, stand := range v.Stands {
			if stand.PlantingID == mint {
				return stand
			}
		}
		t.Fatal("the mint is not on the map")
		return spread.SpreadStand{}
	}
	before := of()
	if before.Over || len(before.Seen) != 0 {
		t.Fatalf("before any look: %q", before.State)
	}
	_, err := p.seenSo(mint, now.ObservationInput{Day: "2031-05-27", Stage: "leafing", Share: "most", Marks: []string{"past the edge"}})
	check(t, err)
	after := of()
	if !after.Over || !strings.Contains(after.State, "Past its bed's edge today") || len(after.Seen) != 1 {
		t.Errorf("marked as past its edge, the map says %q", after.State)
	}
	if after.Maps[0].AreaM2 <= before.Maps[0].AreaM2 {
		t.Errorf("it covers %v m² at first, before that was seen %v", after.Maps[0].AreaM2, before.Maps[0].AreaM2)
	}
}

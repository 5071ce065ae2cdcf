package garden

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/harvest"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

func unsafeStrip(y1, reach string) place.ItemInput {
	return place.ItemInput{Kind: "unsafe ground", Name: "Lane", FormInput: place.FormInput{Shape: "line", Width: "1 m", Points: []place.Corner{{X: "0 m", Y: y1}, {X: "30 m", Y: y1}}}, Unsafe: "road verge", Reach: reach}
}

// A planting whose crown or roots reach unsafe ground is told so at the planting,
// at the window and at the picking, and grows on.
func TestUnsafeGroundForbidsUseWhereverItIsReached(t *testing.T) {
	p := newPlot(t) // a bed from y 4.4 to 5.6
	far := p.add(unsafeStrip("9 m", "1 m"))
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if len(view.Ground) != 0 || view.Allowance[0].Refusal != nil {
		t.Fatalf("three metres off, the verge is felt: %+v", view.Ground)
	}
	p.add(unsafeStrip("7 m", "1 m")) // its reach begins at 5.5, within the roots of the last row
	view, err = p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if len(view.Ground) != 1 || !view.Ground[0].Forbids || !strings.Contains(view.Ground[0].Words, "Lane (road verge)") {
		t.Errorf("at the planting: %+v", view.Ground)
	}
	for _, a := range view.Allowance {
		if a.Refusal == nil || a.Refusal.Kind != string(harvest.Unsafe) || !strings.Contains(a.Refusal.Why, "It may grow here") {
			t.Errorf("at the picking of %s: %+v", a.Part, a.Refusal)
		}
	}
	for _, w := range view.Windows {
		if !strings.Contains(w.Refused, "unsafe ground") {
			t.Errorf("at the window of %s: %q", w.Part, w.Refused)
		}
	}
	before := p.entries()
	_, err = p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: day.String(), Part: "leaf", Amount: "3 leaves", TookAnyway: true})
	p.refused(err, "part", "road verge", before)
	now, err := p.Now.Now(t.Context(), plot.NoDay)
	check(t, err)
	for _, j := range append(now.Closing, now.Open...) {
		if j.Kind == "pick" {
			t.Errorf("a picking is offered: %+v", j)
		}
	}
	where, err := p.Place.Where(t.Context(), "lovage")
	check(t, err)
	if len(where.Beds[0].Forbids) != 1 || where.Beds[0].Value == 0 {
		t.Errorf("asked where lovage goes, the bed forbids %v and scores %v", where.Beds[0].Forbids, where.Beds[0].Value)
	}
	// A pot's roots stay in it: only the crown, 15 cm here, counts.
	_, err = p.Place.RemoveItem(t.Context(), far)
	check(t, err)
	for y, reached := range map[string]bool{"8.6 m": true, "8.9 m": false} {
		x := "4 m"
		if reached {
			x = "25 m"
		}
		in := p.goodPlanting()
		in.BedID, in.Plants = p.addBed(pot("Pot at "+y, x, y)), 1
		_, err = p.AddPlanting(t.Context(), in)
		check(t, err)
		inPot, err := p.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
		check(t, err)
		if got := len(inPot.Ground) > 0; got != reached {
			t.Errorf("the pot at %s is reached: %v", y, got)
		}
		_, err = p.Place.RemovePlanting(t.Context(), inPot.ID)
		check(t, err)
	}
}

// A poisoning tree warns and forbids nothing.
func TestAPoisoningTreeWarnsAndForbidsNothing(t *testing.T) {
	p := newPlot(t)
	walnut := tree("10 m", "9 m", "6 m", "9 m")
	walnut.Tree, walnut.Name = "walnut", "Old walnut"
	p.add(walnut)
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if len(view.Ground) != 1 || view.Ground[0].Forbids || !strings.Contains(view.Ground[0].Words, "Old walnut") || !strings.Contains(view.Ground[0].Words, "not on record here") {
		t.Errorf("under the walnut: %+v", view.Ground)
	}
	if bears := p.view().Items[0].Bears; !strings.Contains(bears, "sweet woodruff") || !strings.Contains(bears, "Of all others nothing is on record") {
		t.Errorf("the walnut is borne by: %q", bears)
	}
	leaf := view.Allowance[0]
	if leaf.Refusal != nil || len(leaf.Notices) != 1 || len(view.Windows[0].Notices) != 1 {
		t.Errorf("the walnut: refusal %+v, notices %v and %v", leaf.Refusal, leaf.Notices, view.Windows[0].Notices)
	}
	where, err := p.Place.Where(t.Context(), "lovage")
	check(t, err)
	if got := need(t, where.Beds[0], "trees' poison"); got.Value != 0.5 || !strings.Contains(got.Words, "not on record") {
		t.Errorf("lovage under the walnut: %+v", got)
	}
}

func need(t *testing.T, suit place.SuitView, name string) place.SiteNeedView {
	t.Helper()
	i := slices.IndexFunc(suit.Needs, func(n place.SiteNeedView) bool { return n.Need == name })
	if i < 0 {
		t.Fatalf("%s has no need %q", suit.Name, name)
	}
	return suit.Needs[i]
}

func TestNeighboursStandWithinReachOfASpade(t *testing.T) {
	p := newPlot(t)
	in := p.goodPlanting()
	in.SpeciesID, in.Plants, in.StartedOn = "meadowsweet", 12, "2030-05-01"
	_, err := p.AddPlanting(t.Context(), in)
	check(t, err)
	far := goodBed()
	far.Name, far.Y = "Far", "15 m"
	in.BedID = p.addBed(far)
	_, err = p.AddPlanting(t.Context(), in)
	check(t, err)
	view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if len(view.Neighbours) != 1 || view.Neighbours[0].Bed != "Long Bed" || !strings.Contains(view.Neighbours[0].Words, "roots lie shallow") {
		t.Errorf("within reach of the sorrel: %+v", view.Neighbours)
	}
	in.SpeciesID, in.BedID, in.StartedOn = "lovage", p.bed, "2028-05-01"
	_, err = p.AddPlanting(t.Context(), in)
	check(t, err)
	lovage, err := p.Place.Planting(t.Context(), p.newest().PlantingID, plot.NoDay)
	check(t, err)
	for _, a := range lovage.Allowance {
		if lifted := a.Verb == "Lift"; lifted != (len(a.Beside) > 0) {
			t.Errorf("%s %s: %d neighbours are told", a.Verb, a.Part, len(a.Beside))
		}
	}
}

func TestReadingsShiftTheBeliefAndThoseThatCannotBeAreRefused(t *testing.T) {
	p := newPlot(t) // its grower said moist
	moisture := func() place.AspectView {
		ground, err := p.Place.BedGround(t.Context(), p.bed)
		check(t, err)
		return ground.Aspects[slices.IndexFunc(ground.Aspects, func(a place.AspectView) bool { return a.ID == "moisture" })]
	}
	if a := moisture(); a.Likely != "moist" || len(a.Evidence) != 1 || a.Evidence[0].Strength != "strong" {
		t.Errorf("by the word alone: %+v", a)
	}
	note := func(kind string, detail plot.ReadingDetail) error {
		_, err := p.Place.NoteReading(t.Context(), p.bed, place.ReadingInput{Day: "2031-05-20", Kind: kind, ReadingDetail: detail})
		return err
	}
	check(t, note("sign", plot.ReadingDetail{Sign: "dusty"}))
	if a := moisture(); len(a.Against) != 1 || !strings.Contains(a.Against[0], "dusty a hand down") {
		t.Errorf("dust in a moist bed: %+v", a.Against)
	}
	check(t, note("jar", plot.ReadingDetail{SandMM: new(60.0), SiltMM: new(25.0), ClayMM: new(15.0)}))
	ground, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	if ground.Aspects[0].Likely != "sandy loam" || len(ground.Readings) != 2 {
		t.Errorf("the jar says %s after %d readings", ground.Aspects[0].Words, len(ground.Readings))
	}
	before := p.entries()
	for _, test := range []struct {
		kind         string
		detail       plot.ReadingDetail
		field, words string
	}{
		{"jar", plot.ReadingDetail{SandMM: new(0.0), SiltMM: new(0.0), ClayMM: new(0.0)}, "sandMm", "sum to nothing"},
		{"jar", plot.ReadingDetail{SandMM: new(3.0), ClayMM: new(2.0)}, "siltMm", "Write a number"},
		{"jar", plot.ReadingDetail{SandMM: new(-3.0), SiltMM: new(1.0), ClayMM: new(2.0)}, "sandMm", "cannot be -3 mm"},
		{"ph strip", plot.ReadingDetail{PH: new(15.0)}, "ph", "not a soil's"},
		{"ph meter", plot.ReadingDetail{}, "ph", "Write a number"},
		{"infiltration", plot.ReadingDetail{FallMM: new(5.0), Minutes: new(0.0)}, "fallMm", "minutes"},
		{"ribbon", plot.ReadingDetail{Ribbon: new(30.0), Feel: "cold"}, "ribbonMm", "is not a feel"},
		{"worms", plot.ReadingDetail{Worms: new(-2.0)}, "worms", "cannot be"},
		{"depth", plot.ReadingDetail{DepthCm: new(1000.0)}, "depthCm", "cannot be"},
		{"sign", plot.ReadingDetail{Sign: "omen"}, "sign", "hoose a sign"},
		{"dream", plot.ReadingDetail{}, "kind", "Choose what was read"},
	} {
		p.refused(note(test.kind, test.detail), test.field, test.words, before)
	}
	_, err = p.Place.NoteReading(t.Context(), p.bed, place.ReadingInput{Day: "2031-06-20", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "dusty"}})
	p.refused(err, "day", "has not come yet", before)
	if _, err := p.Place.NoteReading(t.Context(), 99, place.ReadingInput{}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a bed that is none was read: %v", err)
	}
}

func TestWaterBesideABedIsEvidence(t *testing.T) {
	p := newPlot(t)
	p.add(place.ItemInput{Kind: "pond", FormInput: place.FormInput{Shape: "round", X: "10 m", Y: "7 m", Width: "2 m"}})
	ground, err := p.Place.BedGround(t.Context(), p.bed)
	check(t, err)
	found := false
	for _, a := range ground.Aspects {
		for _, e := range a.Evidence {
			found = found || e.From == "the plan" && strings.Contains(e.Name, "pond")
		}
	}
	if !found || !slices.ContainsFunc(ground.Beside, func(b place.BesideView) bool { return b.Words == "the pond, on its south side" }) {
		t.Errorf("beside the pond: %+v", ground.Beside)
	}
}

func TestBothQuestionsAndTheirReasons(t *testing.T) {
	p := newPlot(t)
	wet := goodBed()
	wet.Name, wet.Y, wet.Moisture, wet.Winter, wet.Drainage, wet.Texture = "Bog", "12 m", "wet", "wet", "waterlogged", "clay"
	bog := p.addBed(wet)
	where, err := p.Place.Where(t.Context(), "common-sage")
	check(t, err)
	if where.Beds[0].Bed != "Long Bed" || where.Beds[1].Verdict != "no" || !strings.Contains(where.Beds[1].Words, "it is") {
		t.Errorf("sage goes best in %s; the bog: %s", where.Beds[0].Bed, where.Beds[1].Words)
	}
	meadowsweet, err := p.Place.Where(t.Context(), "meadowsweet")
	check(t, err)
	if meadowsweet.Beds[0].Bed != "Bog" || meadowsweet.Beds[0].Value <= where.Beds[1].Value {
		t.Errorf("meadowsweet goes best in %s", meadowsweet.Beds[0].Bed)
	}
	what, err := p.Place.What(t.Context(), bog, place.WhatFilter{})
	check(t, err)
	if what.Species[0].SpeciesID != "meadowsweet" || what.Species[0].Value < what.Species[len(what.Species)-1].Value || len(what.Species) < 60 {
		t.Errorf("the bog suits %s first, of %d", what.Species[0].Name, len(what.Species))
	}
	for i := 1; i < len(what.Species); i++ {
		if species, _ := p.Plot.Lib().Species(what.Species[i].SpeciesID); !species.IsUsed() {
			t.Errorf("%s is offered for the bog, and never used", species.ID)
		}
		if what.Species[i].Value > what.Species[i-1].Value {
			t.Errorf("%s stands before the better %s", what.Species[i-1].Name, what.Species[i].Name)
		}
	}
	fibre, err := p.Place.What(t.Context(), bog, place.WhatFilter{Use: "fibre", Spread: "runs"})
	check(t, err)
	for _, suits := range fibre.Species {
		if suits.Spread != "runs" || !slices.Contains(suits.Uses, "fibre") {
			t.Errorf("%s runs and gives fibre: %s, %v", suits.Name, suits.Spread, suits.Uses)
		}
	}
	if len(fibre.Species) != 3 {
		t.Errorf("%d plants run and give fibre; want reedmace, nettle and hop", len(fibre.Species))
	}
	if _, err := p.Place.What(t.Context(), bog, place.WhatFilter{Use: "gold"}); !errors.As(err, new(say.Faults)) {
		t.Errorf("what gives gold: %v", err)
	}
	if _, err := p.Place.Where(t.Context(), "mandrake"); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("where mandrake goes: %v", err)
	}
	for _, n := range where.Beds[1].Needs {
		if n.Falls && len(n.Remedies) == 0 && n.NoRemedy == "" {
			t.Errorf("%s falls short, and nothing is said of mending it", n.Need)
		}
		for _, r := range n.Remedies {
			if r.After <= n.Value || !strings.Contains(r.Hours, "of work") {
				t.Errorf("%s brings %s from %v to %v for %s", r.Name, n.Need, n.Value, r.After, r.Hours)
			}
		}
	}
	if len(where.ForMe) != 5 || strings.Contains(strings.ToLower(where.ForMe[2].Answer), "is safe") {
		t.Errorf("is it for me: %+v", where.ForMe)
	}
}

// What failed is said first the next time, and where it throve, too.
func TestThePlotRemembers(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	for _, test := range []struct {
		in           place.FateInput
		field, words string
	}{
		{place.FateInput{Outcome: "vanished", Cause: "too dry"}, "outcome", "throve or failed"},
		{place.FateInput{Outcome: "failed", Cause: "bad luck"}, "cause", "Choose why"},
		{place.FateInput{Outcome: "failed", Cause: "too dry", Day: "2031-07-01"}, "day", "has not come yet"},
		{place.FateInput{Outcome: "failed", Cause: "too dry", Day: "1999-07-01"}, "day", "only began on 10 April 2029"},
	} {
		_, err := p.Place.NoteFate(t.Context(), p.planting, test.in)
		p.refused(err, test.field, test.words, before)
	}
	_, err := p.Place.NoteFate(t.Context(), p.planting, place.FateInput{Outcome: "failed", Cause: "too dry", Note: "scorched in July", Gone: true})
	check(t, err)
	where, err := p.Place.Where(t.Context(), "garden-sorrel")
	check(t, err)
	if len(where.Beds[0].Memory) != 1 || where.Beds[0].Memory[0] != "Failed here in 2031: too dry. Scorched in July." || len(where.Memory) != 1 {
		t.Errorf("the plot remembers %v, %v", where.Beds[0].Memory, where.Memory)
	}
	if len(p.bedView(p.bed).Plantings) != 0 {
		t.Error("what is gone still stands")
	}
	_, err = p.Place.NoteFate(t.Context(), p.planting, place.FateInput{Outcome: "failed", Cause: "too dry", Gone: true})
	p.refused(err, "gone", "off the plan already", p.entries())
	what, err := p.Place.What(t.Context(), p.bed, place.WhatFilter{})
	check(t, err)
	for _, suit := range what.Species {
		if (suit.SpeciesID == "garden-sorrel") != (len(suit.Memory) == 1) {
			t.Errorf("of %s the bed remembers %v", suit.Name, suit.Memory)
		}
	}
}

func TestWhatIfChangesTheAnswerAndNothingElse(t *testing.T) {
	p := newPlot(t)
	entries := p.entries()
	as, err := p.Place.WhatIf(t.Context(), p.bed, place.WhatIfInput{})
	check(t, err)
	if len(as.Plantings) != 1 || math.Abs(as.Plantings[0].Value-as.Before[0]) > 1e-9 {
		t.Errorf("with nothing changed: %v, before %v", as.Plantings[0].Value, as.Before)
	}
	dark, err := p.Place.WhatIf(t.Context(), p.bed, place.WhatIfInput{SunHours: new(0.0)})
	check(t, err)
	if dark.Plantings[0].Value >= dark.Before[0] || dark.Plantings[0].Needs[0].Need != "sun" {
		t.Errorf("in the dark: %v, before %v; %s decides", dark.Plantings[0].Value, dark.Before, dark.Plantings[0].Needs[0].Need)
	}
	sour, err := p.Place.WhatIf(t.Context(), p.bed, place.WhatIfInput{PH: new(9.0)})
	check(t, err)
	if sour.Plantings[0].Value != 0 {
		t.Errorf("at pH 9 sorrel scores %v", sour.Plantings[0].Value)
	}
	frozen, err := p.Place.WhatIf(t.Context(), p.bed, place.WhatIfInput{Colder: new(10.0)})
	check(t, err)
	if frozen.Plantings[0].Value > frozen.Before[0] {
		t.Errorf("colder winters help sorrel: %v", frozen.Plantings[0].Value)
	}
	if p.entries() != entries {
		t.Error("trying was noted")
	}
	if _, err := p.Place.WhatIf(t.Context(), p.bed, place.WhatIfInput{PH: new(15.0)}); !errors.As(err, new(say.Faults)) {
		t.Errorf("pH 15 was tried: %v", err)
	}
}

func TestBedMatesCrowdByYear(t *testing.T) {
	p := newPlot(t) // 12 sorrel, 0.07 m² each full-grown, in 9.6 m²
	mates, err := p.Place.Mates(t.Context(), p.bed)
	check(t, err)
	if len(mates.Years) != 11 || len(mates.TakenM2) != 11 || mates.FullestM2 > mates.AreaM2 || !strings.HasPrefix(mates.Words, "At their largest") {
		t.Errorf("sorrel alone: %s, %v", mates.Words, mates.TakenM2)
	}
	in := p.goodPlanting()
	in.SpeciesID, in.Plants, in.StartedOn = "common-sage", 30, "2031-04-01"
	_, err = p.AddPlanting(t.Context(), in)
	check(t, err)
	in.SpeciesID, in.Plants = "meadowsweet", 2
	_, err = p.AddPlanting(t.Context(), in)
	check(t, err)
	mates, err = p.Place.Mates(t.Context(), p.bed)
	check(t, err)
	if mates.FullestM2 <= mates.AreaM2 || !strings.HasPrefix(mates.Words, "They fill the bed in 203") {
		t.Errorf("thirty sages: %s, %v of %v", mates.Words, mates.TakenM2, mates.AreaM2)
	}
	if !slices.ContainsFunc(mates.Troubles, func(w string) bool { return strings.Contains(w, "Meadowsweet wants wetter ground than common sage") }) {
		t.Errorf("meadowsweet beside sage: %v", mates.Troubles)
	}
	if len(mates.Groups) < 2 {
		t.Errorf("by water: %v", mates.Groups)
	}
	in.StartedOn = "2029-04-01"
	_, err = p.AddPlanting(t.Context(), in)
	check(t, err)
	mates, err = p.Place.Mates(t.Context(), p.bed)
	check(t, err)
	names := map[string]bool{}
	for _, stand := range mates.Stands {
		names[stand.Name] = true
	}
	if len(names) != len(mates.Stands) || !names["meadowsweet, first year"] || !names["meadowsweet, third year"] || !names["common sage"] {
		t.Errorf("two ages of meadowsweet are told apart as %v", names)
	}
}

// What stands at a warm spot comes into its stages sooner, at a cold or shady one
// later, and the planting says why.
func TestASpotMovesTheStages(t *testing.T) {
	ripe := func(spoil func(*place.BedInput)) (middle int, pace string) {
		p := newPlot(t)
		in := goodBed()
		spoil(&in)
		_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
		check(t, err)
		view, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
		check(t, err)
		for _, stage := range view.Stages {
			if stage.BBCH == 89 {
				return stage.Dates.P50.DaysSince(day), view.Pace
			}
		}
		t.Fatal("sorrel is never ripe")
		return 0, ""
	}
	usual, words := ripe(func(*place.BedInput) {})
	if strings.Contains(words, "reckoned") {
		t.Errorf("an ordinary spot says %q", words)
	}
	warm, warmWords := ripe(func(in *place.BedInput) { in.Warmth = "warm" })
	cold, coldWords := ripe(func(in *place.BedInput) { in.Warmth = "cold" })
	shade, shadeWords := ripe(func(in *place.BedInput) { in.SunHours = new(2.0) })
	if !(warm < usual && usual < shade && shade <= cold) {
		t.Errorf("sorrel is ripe after %d days at a warm spot, %d at an ordinary, %d in shade, %d at a cold one", warm, usual, shade, cold)
	}
	for _, said := range []struct{ words, want string }{
		{warmWords, "0.7 °C warmer than the plot's: it lies warm (guess)"}, {coldWords, "0.7 °C colder"}, {shadeWords, "it lies in the shade"},
	} {
		if !strings.Contains(said.words, said.want) {
			t.Errorf("%q lacks %q", said.words, said.want)
		}
	}
}

// Shelter, warmth and edge are told from the plan where nobody has said them.
func TestThePlanTellsShelterAndWarmth(t *testing.T) {
	p := newPlot(t)
	ground := func() place.GroundView {
		v, err := p.Place.BedGround(t.Context(), p.bed)
		check(t, err)
		return v
	}
	if v := ground(); v.Shelter != "exposed, from the plan" || v.Warmth != "as the plot" || !strings.HasPrefix(v.Edge, "open") {
		t.Errorf("in the open: %s; %s; %s", v.Shelter, v.Warmth, v.Edge)
	}
	p.add(wall("5 m", "4 m", "15 m", "4 m", "2 m")) // behind the bed, to its north
	if v := ground(); !strings.HasPrefix(v.Warmth, "warm") || v.Shelter == "exposed, from the plan" {
		t.Errorf("before a wall: %s; %s", v.Warmth, v.Shelter)
	}
	in := goodBed()
	in.Shelter, in.Warmth, in.Edge, in.Frost = "sheltered", "cold", "held", true
	_, err := p.Place.ChangeBed(t.Context(), p.bed, say.AsItStands, in)
	check(t, err)
	if v := ground(); v.Shelter != "sheltered" || v.Warmth != "cold; frost gathers here" || !strings.HasPrefix(v.Edge, "held") {
		t.Errorf("as said: %s; %s; %s", v.Shelter, v.Warmth, v.Edge)
	}
}

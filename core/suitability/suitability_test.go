package suitability_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/suitability"
	"bramblyacre/library"
)

func shipped(t testing.TB) *library.Library {
	t.Helper()
	l, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	return l
}

func species(t testing.TB, id string) *flora.Species {
	t.Helper()
	s, has := shipped(t).Species(id)
	if !has {
		t.Fatalf("there is no %s", id)
	}
	return s
}

// certain is a place whose ground is known for certain.
func certain(t testing.TB, values map[string]float64) map[string]ground.Belief {
	t.Helper()
	beliefs := map[string]ground.Belief{}
	for id, value := range values {
		aspect, err := ground.AspectOf(id)
		if err != nil {
			t.Fatal(err)
		}
		beliefs[id] = ground.Certain(aspect, value)
	}
	return beliefs
}

// loam is an ordinary bed: moist, free, of medium weight, pH 6.5, fair and deep.
func loam(t testing.TB) suitability.Place {
	return suitability.Place{
		SunHours: 8, Shelter: 1, RoomM2: 20, WinterLows: []float64{-8, -10, -12},
		Ground: certain(t, map[string]float64{ground.Moisture: 2, ground.Winter: 2, ground.Drainage: 2, ground.Texture: 2, ground.Acidity: 6.5, ground.Fertility: 1.5, ground.Depth: 70}),
	}
}

func TestTrapezoid(t *testing.T) {
	r := flora.Range{Low: 2, From: 4, To: 8, High: 10}
	for value, want := range map[float64]float64{1: 0, 2: 0, 3: 0.5, 4: 1, 6: 1, 8: 1, 9: 0.5, 10: 0, 12: 0} {
		if got := suitability.Trapezoid(value, r); math.Abs(got-want) > 1e-12 {
			t.Errorf("%v scores %v, want %v", value, got, want)
		}
	}
	if step := (flora.Range{Low: 4, From: 4, To: 8, High: 8}); suitability.Trapezoid(4, step) != 1 || suitability.Trapezoid(3.99, step) != 0 {
		t.Error("a range without soft ends is not a step")
	}
}

func TestTheWorstNeedDecides(t *testing.T) {
	lovage := species(t, "lovage")
	good := suitability.Judge(lovage, loam(t), 1)
	if good.Value < 0.75 || good.Unknown != 0 {
		t.Fatalf("lovage in loam scores %v, %d needs unknown", good.Value, good.Unknown)
	}
	dark := loam(t)
	dark.SunHours = 1.5
	answer := suitability.Judge(lovage, dark, 1)
	if answer.Scores[0].Need != suitability.Sun || answer.Scores[0].Direction != suitability.TooLittle || answer.Value != answer.Scores[0].Value {
		t.Errorf("in the dark %s decides, %s, at %v of %v", answer.Scores[0].Need, answer.Scores[0].Direction, answer.Scores[0].Value, answer.Value)
	}
	for _, s := range answer.Scores {
		if s.Known && s.Value < answer.Value {
			t.Errorf("%s scores %v, below the answer's %v", s.Need, s.Value, answer.Value)
		}
	}
}

func TestWhatNobodyKnowsDoesNotDecide(t *testing.T) {
	place := loam(t)
	place.Ground = nil
	answer := suitability.Judge(species(t, "lovage"), place, 1)
	if answer.Unknown != 6 || answer.Value < 0.75 {
		t.Errorf("%d needs are unknown, the answer is %v", answer.Unknown, answer.Value)
	}
}

// Suitability never rises when a need moves further out of its range.
func TestMovingOutOfRangeNeverHelps(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	aspects := []struct {
		id        string
		low, high float64
	}{{ground.Moisture, 0, 3}, {ground.Drainage, 0, 3}, {ground.Texture, 0, 4}, {ground.Acidity, 4, 9}, {ground.Fertility, 0, 2}, {ground.Depth, 10, 70}}
	for _, s := range shipped(t).AllSpecies() {
		for range 60 {
			base := map[string]float64{ground.Winter: rng.Float64() * 3}
			for _, a := range aspects {
				base[a.id] = a.low + rng.Float64()*(a.high-a.low)
			}
			place := suitability.Place{SunHours: rng.Float64() * 16, Shelter: float64(rng.IntN(3)), RoomM2: 50, WinterLows: []float64{-25 + rng.Float64()*25}, Ground: certain(t, base)}
			at := func(a string, value float64) float64 {
				moved := map[string]float64{}
				for id, v := range base {
					moved[id] = v
				}
				moved[a] = value
				changed := place
				changed.Ground = certain(t, moved)
				return suitability.Judge(s, changed, 1).Value
			}
			for _, a := range aspects {
				r := rangeOf(s, a.id)
				inside := math.Max(a.low, math.Min(a.high, (r.From+r.To)/2))
				for _, end := range []float64{a.low, a.high} {
					before := at(a.id, inside)
					for i := 1; i <= 6; i++ {
						now := at(a.id, inside+(end-inside)*float64(i)/6)
						if now > before+1e-9 {
							t.Fatalf("%s: %s toward %v raises the answer from %v to %v", s.ID, a.id, end, before, now)
						}
						before = now
					}
				}
			}
			before := 2.0
			for hours := s.Site.Sun.From; hours >= 0; hours -= 0.5 {
				changed := place
				changed.SunHours = hours
				now := suitability.Judge(s, changed, 1).Value
				if now > before+1e-9 {
					t.Fatalf("%s: less sun, %v h, raises the answer to %v", s.ID, hours, now)
				}
				before = now
			}
		}
	}
}

func rangeOf(s *flora.Species, aspect string) flora.Range {
	switch aspect {
	case ground.Moisture:
		return s.Site.Moisture.On(flora.MoistureWords)
	case ground.Drainage:
		return s.Site.Drainage.On(flora.DrainageWords)
	case ground.Texture:
		return s.Site.Texture.On(flora.TextureWords)
	case ground.Fertility:
		return s.Site.Fertility.On(flora.FertilityWords)
	case ground.Acidity:
		return s.Site.Acidity
	}
	return flora.Range{From: s.Site.SoilDepth.Value, To: 1000}
}

// Sage bears hard frost where the ground is dry in winter, and dies of it in wet.
func TestAColdLimitMayHoldInDryGroundOnly(t *testing.T) {
	sage := species(t, "common-sage")
	at := func(winter float64) suitability.Score {
		place := loam(t)
		place.WinterLows = []float64{-12}
		place.Ground[ground.Winter] = certain(t, map[string]float64{ground.Winter: winter})[ground.Winter]
		return suitability.Judge(sage, place, 1).Of(suitability.Cold)
	}
	dry, wet := at(0), at(3)
	if dry.Value != 1 || wet.Value > 0.4 || wet.Direction != suitability.TooLittle {
		t.Errorf("at −12 °C sage scores %v in dry ground, %v in wet", dry.Value, wet.Value)
	}
	unknown := loam(t)
	unknown.WinterLows = []float64{-12}
	delete(unknown.Ground, ground.Winter)
	if s := suitability.Judge(sage, unknown, 1).Of(suitability.Cold); !s.Unsure || s.Value >= dry.Value || s.Value <= wet.Value {
		t.Errorf("where nobody knows how wet the winter is, sage scores %v, unsure %v", s.Value, s.Unsure)
	}
}

func TestPoisoningTrees(t *testing.T) {
	lovage := *species(t, "lovage")
	walnut := suitability.Tree{ID: "walnut", Name: "walnut"}
	place := loam(t)
	place.Trees = []suitability.Tree{walnut}
	score := func() suitability.Score { return suitability.Judge(&lovage, place, 1).Of(suitability.Toxin) }
	if s := score(); s.Value != 0.5 || s.Tree == nil {
		t.Errorf("with nothing on record it scores %v", s.Value)
	}
	lovage.Site.Suffers = []string{"walnut"}
	if s := score(); s.Value != 0.1 || s.Direction != suitability.TooLittle {
		t.Errorf("a plant that suffers scores %v", s.Value)
	}
	lovage.Site.Suffers, lovage.Site.Bears = nil, []string{"walnut"}
	if s := score(); s.Value != 1 {
		t.Errorf("a plant that bears it scores %v", s.Value)
	}
}

// Unsafe ground forbids use and is no score: it changes no answer.
func TestUnsafeGroundIsNoScore(t *testing.T) {
	place := loam(t)
	before := suitability.Judge(species(t, "lovage"), place, 1).Value
	place.Unsafe = []suitability.UnsafeGround{"road verge"}
	if after := suitability.Judge(species(t, "lovage"), place, 1).Value; after != before {
		t.Errorf("a road verge moves the answer from %v to %v", before, after)
	}
}

func TestRemediesRaiseWhatTheyMend(t *testing.T) {
	remedies := shipped(t).Ground().Remedies
	meadowsweet := species(t, "meadowsweet")
	dry := loam(t)
	dry.Ground = certain(t, map[string]float64{ground.Moisture: 0.8, ground.Drainage: 1, ground.Texture: 3, ground.Acidity: 6.5, ground.Fertility: 1, ground.Depth: 70})
	short := suitability.Judge(meadowsweet, dry, 2).Of(suitability.Moisture)
	if !short.Falls() {
		t.Fatalf("dry ground suits meadowsweet by %v", short.Value)
	}
	helps := remedies.Mend(meadowsweet, dry, 10, short)
	if len(helps) < 2 {
		t.Fatalf("%d remedies for dry ground", len(helps))
	}
	for _, m := range helps {
		if m.Need <= short.Value || m.HoursFirst <= 0 {
			t.Errorf("%s brings the need from %v to %v for %v h", m.Remedy.Name, short.Value, m.Need, m.HoursFirst)
		}
	}
	whole := remedies.MendAll(meadowsweet, dry, 10)
	if whole.Answer.Value <= suitability.Judge(meadowsweet, dry, 10).Value || len(whole.Steps) == 0 || whole.HoursFirst <= 0 {
		t.Errorf("mended by %v it is %v", whole.Steps, whole.Answer.Value)
	}
}

// What runs wants a held edge: a barrier mends it, and nothing else minds.
func TestARunnerWantsAHeldEdge(t *testing.T) {
	remedies := shipped(t).Ground().Remedies
	hop, place := species(t, "hop"), loam(t)
	open := suitability.Judge(hop, place, 1).Of(suitability.Edge)
	if !open.Falls() || open.Direction != suitability.TooLittle {
		t.Errorf("hop in open ground scores %v", open.Value)
	}
	helps := remedies.Mend(hop, place, 1, open)
	if len(helps) < 2 || helps[0].Need != 1 {
		t.Errorf("%d remedies hold hop", len(helps))
	}
	place.Held = true
	if held := suitability.Judge(hop, place, 1).Of(suitability.Edge); held.Value != 1 {
		t.Errorf("hop in a held bed scores %v", held.Value)
	}
	place.Held = false
	if lovage := suitability.Judge(species(t, "lovage"), place, 1).Of(suitability.Edge); lovage.Value != 1 {
		t.Errorf("lovage wants an edge: %v", lovage.Value)
	}
}

func TestAMulchedBedIsNotMulchedAgain(t *testing.T) {
	dry := loam(t)
	dry.Ground[ground.Moisture] = certain(t, map[string]float64{ground.Moisture: 0.8})[ground.Moisture]
	meadowsweet := species(t, "meadowsweet")
	offered := func() bool {
		short := suitability.Judge(meadowsweet, dry, 1).Of(suitability.Moisture)
		return slices.ContainsFunc(shipped(t).Ground().Remedies.Mend(meadowsweet, dry, 1, short), func(m suitability.Mended) bool { return m.Remedy.ID == "mulch" })
	}
	if !offered() {
		t.Error("bare dry ground is offered no mulch")
	}
	dry.Mulched = true
	if offered() {
		t.Error("mulched ground is offered mulch")
	}
}

func TestShadeHasNoRemedy(t *testing.T) {
	dark := loam(t)
	dark.SunHours = 0.5
	hop := species(t, "hop")
	short := suitability.Judge(hop, dark, 1).Of(suitability.Sun)
	if helps := shipped(t).Ground().Remedies.Mend(hop, dark, 5, short); len(helps) != 0 {
		t.Errorf("shade is mended by %s", helps[0].Remedy.Name)
	}
}

func TestMendingNeverMakesWorse(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 8))
	l := shipped(t)
	for range 150 {
		place := suitability.Place{SunHours: rng.Float64() * 16, Shelter: float64(rng.IntN(3)), RoomM2: rng.Float64() * 5, WinterLows: []float64{-30 + rng.Float64()*30}, Ground: certain(t, map[string]float64{
			ground.Moisture: rng.Float64() * 3, ground.Winter: rng.Float64() * 3, ground.Drainage: rng.Float64() * 3, ground.Texture: rng.Float64() * 4, ground.Acidity: 4 + rng.Float64()*5, ground.Fertility: rng.Float64() * 2, ground.Depth: 10 + rng.Float64()*60,
		})}
		s := l.AllSpecies()[rng.IntN(len(l.AllSpecies()))]
		before := suitability.Judge(s, place, 5)
		if whole := l.Ground().Remedies.MendAll(s, place, 5); whole.Answer.Value < before.Value-1e-9 {
			t.Fatalf("%s falls from %v to %v when mended", s.ID, before.Value, whole.Answer.Value)
		}
	}
}

func TestCrowdingGrowsWithThePlants(t *testing.T) {
	hop := species(t, "hop") // full-grown, 0.9 m wide, in its third year
	stand := suitability.Stand{Species: hop, Plants: 2, Year: 1}
	area := suitability.Crowding([]suitability.Stand{stand}, 10)
	if len(area) != 11 || area[0] >= area[1] || area[1] >= area[2] {
		t.Errorf("two young hops cover %v", area)
	}
	want := suitability.MatureArea(hop, 2)
	if math.Abs(want-2*0.81) > 1e-9 || math.Abs(area[10]-want) > 1e-9 {
		t.Errorf("in ten years they cover %v, want %v", area[10], want)
	}
	burdock := suitability.Stand{Species: species(t, "greater-burdock"), Plants: 4, Year: 2}
	if later := burdock.AreaInYears(1); later != 0 {
		t.Errorf("a biennial covers %v m² in its third year", later)
	}
}

func TestBedMates(t *testing.T) {
	between := func(a, b string) []suitability.MateTrouble { return suitability.Between(species(t, a), species(t, b)) }
	if got := between("meadowsweet", "common-sage"); !slices.Contains(got, suitability.UnlikeWater) {
		t.Errorf("meadowsweet and sage share a bed without a word: %v", got)
	}
	if got := between("common-sage", "meadowsweet"); slices.Contains(got, suitability.UnlikeWater) {
		t.Errorf("their water is told twice: %v", got)
	}
	if got := between("greater-burdock", "meadowsweet"); !slices.Contains(got, suitability.DiggingHurts) {
		t.Errorf("lifting burdock beside shallow roots: %v", got)
	}
	if got := between("hop", "common-sage"); !slices.Contains(got, suitability.Overshadows) || !slices.Contains(got, suitability.Overruns) {
		t.Errorf("hop over sage: %v", got)
	}
	if got := between("lovage", "garden-sorrel"); slices.Contains(got, suitability.Overruns) {
		t.Errorf("lovage runs: %v", got)
	}
}

// Bounds of the zones in °C, from the map's bands of 10 °F.
func TestHardinessZone(t *testing.T) {
	for low, want := range map[float64]string{-51.5: "1a", -46: "1b", -45: "2a", -23.5: "5b", -23: "6a", -17.7: "7a", -12.3: "7b", -12: "8a", -2: "9b", 0: "10a", 21: "13b"} {
		if got := suitability.HardinessZone(low); got != want {
			t.Errorf("%v °C is zone %s, want %s", low, got, want)
		}
	}
}

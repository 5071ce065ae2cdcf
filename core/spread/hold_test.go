package spread_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/spread"
	"bramblyacre/library"
)

func figure(value, low, high float64, unit string) flora.Figure {
	return flora.Figure{Value: value, Low: low, High: high, Unit: unit}
}

func rectangle(x, y, width, depth float64) geometry.Region {
	return geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(width, depth).Moved(geometry.Point{X: x, Y: y})}}
}

// acre is a plot of 40 × 30 m with two beds, and what is laid over it.
func acre(t testing.TB, things ...spread.Thing) *spread.Reckoning {
	t.Helper()
	lib, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	boundary := geometry.Rectangle(40, 30).Moved(geometry.Point{X: 20, Y: 15})
	grid, err := spread.GridAround(boundary)
	if err != nil {
		t.Fatal(err)
	}
	beds := []spread.BedGround{{Name: "a", Region: rectangle(20, 15, 3, 2)}, {Name: "b", Region: rectangle(26, 15, 2, 2)}}
	return &spread.Reckoning{
		Lore: lib.Spread(), Bench: lib.Bench(), Terrain: spread.NewTerrain(grid, boundary, beds, things), Seed: 7,
	}
}

func thing(t testing.TB, name string, kind plan.Kind, form plan.Form, traits plan.Traits) spread.Thing {
	t.Helper()
	row, err := plan.KindOf(string(kind))
	if err != nil {
		t.Fatal(err)
	}
	return spread.Thing{Name: name, Item: plan.Item{Kind: row, Form: form, Traits: traits}}
}

// runner is a stand in the middle of bed a that runs.
func runner() spread.Stand {
	barrier, regrows, depth := figure(30, 25, 45, "cm"), figure(0.9, 0.7, 0.98, "share"), figure(6, 1, 15, "cm")
	return spread.Stand{
		ID: 3, Spots: []geometry.Point{{X: 20, Y: 15}}, RadiusM: 0.2, Home: rectangle(20, 15, 3, 2), Poor: make([]bool, 2),
		Age: 1, Plants: 1, HeldFrom: -1,
		Fronts: []spread.Front{{
			By: "runners", Rate: figure(0.7, 0.3, 1.5, "m"), Barrier: &barrier, Regrows: &regrows, Depth: &depth,
		}},
	}
}

// seeder is a stand in the middle of bed a that seeds about.
func seeder() spread.Stand {
	ahead := slices.Repeat([]float64{4}, spread.Years)
	return spread.Stand{
		ID: 4, Spots: []geometry.Point{{X: 19.5, Y: 15}, {X: 20.5, Y: 15}}, RadiusM: 0.3, Home: rectangle(20, 15, 3, 2),
		Poor: make([]bool, 2), Age: 3, Plants: 4, HeldFrom: -1,
		Seeding: &spread.Seeding{
			Heads: figure(6, 3, 12, "heads"), SeedsHead: figure(100, 40, 200, "seeds"), Reach: figure(2, 1, 5, "m"),
			SoilYears: figure(4, 2, 8, "years"), Past: []float64{0, 4, 4}, Ahead: ahead, FirstYear: 2, MatureM2: 0.4,
		},
	}
}

func everyPlan() []spread.Plan {
	return []spread.Plan{
		{},
		{{Way: spread.Behead}},
		{{Way: spread.Pull}},
		{{Way: spread.EdgeIt, Times: 1}},
		{{Way: spread.EdgeIt, Times: 2}},
		{{Way: spread.EdgeIt, Times: 4}},
		{{Way: spread.Barrier, DepthCm: 60}},
		{{Way: spread.Pot}},
		{{Way: spread.MowIt}},
		{{Way: spread.DigOut, Times: 1}},
		{{Way: spread.DigOut, Times: 3}},
		{{Way: spread.Smother, Seasons: 1}},
		{{Way: spread.Smother, Seasons: 3}},
		{{Way: spread.EatDown}},
		{{Way: spread.Hens}},
	}
}

// More work never raises the chance that it gets out, whatever is joined with what: on the same draws every run comes
// out no worse.
func TestMoreWorkNeverRaisesTheChanceThatItGetsOut(t *testing.T) {
	r := acre(t)
	both := runner()
	both.ID, both.Seeding = 9, seeder().Seeding
	aged := runner()
	aged.ID, aged.Age = 10, 5 // over its edge already
	for _, stand := range []spread.Stand{runner(), seeder(), both, aged} {
		p := r.Prepare(stand)
		for _, target := range []spread.Target{p.Outside(), {Name: "bed b", Cells: r.Terrain.Grid.Within(rectangle(26, 15, 2, 2))}} {
			chance := map[string][]float64{}
			for _, plan := range everyPlan() {
				chance[plan.Key()] = byYear(p.Reached(target, plan))
			}
			for _, a := range everyPlan() {
				for _, b := range everyPlan() {
					if len(a) == 0 || len(b) == 0 || a[0].Way == b[0].Way {
						continue
					}
					together := spread.Plan{a[0], b[0]}
					if together.Check() != nil {
						continue
					}
					noMore(t, stand.ID, target.Name, together, byYear(p.Reached(target, together)), a, chance[a.Key()])
				}
				if len(a) > 0 {
					noMore(t, stand.ID, target.Name, a, chance[a.Key()], spread.Plan{}, chance[spread.Plan{}.Key()])
				}
			}
			for _, pair := range [][2]spread.Plan{
				{everyPlan()[4], everyPlan()[3]}, {everyPlan()[5], everyPlan()[3]},
				{everyPlan()[10], everyPlan()[9]}, {everyPlan()[12], everyPlan()[11]},
			} {
				noMore(t, stand.ID, target.Name, pair[0], chance[pair[0].Key()], pair[1], chance[pair[1].Key()])
			}
		}
	}
}

func byYear(c spread.Chances) (all []float64) {
	for year := range spread.Years + 1 {
		all = append(all, c.By(float64(year)))
	}
	return all
}

func noMore(t *testing.T, stand int64, target string, more spread.Plan, got []float64, less spread.Plan, than []float64) {
	t.Helper()
	for year := 1; year < len(got); year++ {
		if got[year] > than[year]+1e-9 {
			t.Fatalf("stand %d, %s, year %d: %v gets out with %v, %v with %v", stand, target, year, more.Key(), got[year], less.Key(), than[year])
		}
	}
}

// Each way that goes for a stand does something: a way that changed nothing would be a stub.
func TestEachWayDoesSomething(t *testing.T) {
	r := acre(t)
	p := r.Prepare(runner())
	far := spread.Target{Name: "bed b", Cells: r.Terrain.Grid.Within(rectangle(26, 15, 2, 2))}
	free := sum(p.Reached(far, nil))
	for _, plan := range everyPlan()[3:] {
		if got := sum(p.Reached(far, plan)); got >= free {
			t.Errorf("%s: %v, let run %v", plan.Key(), got, free)
		}
	}
	seeds := r.Prepare(seeder())
	out := seeds.Outside()
	freeBank := seeds.Hold(out, nil).BankP50
	for _, way := range []spread.Control{{Way: spread.Behead}, {Way: spread.Pull}, {Way: spread.EatDown}, {Way: spread.DigOut, Times: 2}} {
		if got := seeds.Hold(out, spread.Plan{way}).BankP50; got >= freeBank*0.7 {
			t.Errorf("%s leaves %.0f seeds in the ground, let run %.0f", way.Way, got, freeBank)
		}
	}
}

func sum(c spread.Chances) float64 { return sumOf(byYear(c)) }

// Beheading late lets more seed lie, and more get out, the later the more.
func TestBeheadingLateIsWorse(t *testing.T) {
	p := acre(t).Prepare(seeder())
	out, before := p.Outside(), spread.Outcome{}
	for i, fallen := range []float64{0, 0.1, 0.4, 1} {
		o := p.Hold(out, spread.Plan{{Way: spread.Behead, Fallen: fallen}})
		if i > 0 && (o.BankP50 <= before.BankP50 || o.Out.By(10) < before.Out.By(10)) {
			t.Errorf("%v fallen: %.0f seeds and %.2f out, before %.0f and %.2f",
				fallen, o.BankP50, o.Out.By(10), before.BankP50, before.Out.By(10))
		}
		before = o
	}
}

// Of a stand that is past its edge already what counts is whether it still is in the end: lifted and edged it likely is
// not, let run it surely is.
func TestAStandThatIsOutCanBeBroughtBack(t *testing.T) {
	r := acre(t)
	aged := runner()
	aged.ID, aged.Age = 10, 6
	p := r.Prepare(aged)
	out := p.Outside()
	free, edged := p.Hold(out, nil), p.Hold(out, spread.Plan{{Way: spread.EdgeIt, Times: 3}})
	if free.Still < 0.9 || edged.Still > 0.3 || edged.Out.By(0) < 0.9 {
		t.Errorf("let run it is out in the end with %v, edged with %v; today with %v", free.Still, edged.Still, edged.Out.By(0))
	}
	if edged.FirstMinutes <= p.Hold(out, spread.Plan{{Way: spread.MowIt}}).FirstMinutes {
		t.Error("lifting what is out takes no work")
	}
	if least, found := p.LeastWork(out, 0.3, 0, 60, false, true, true); !found || least.Still >= 0.3 {
		t.Errorf("%v, %+v", found, least)
	}
}

// Work that is missed in one year is no better than work that is done, and no worse than none at all.
func TestMissingAYearIsWorseThanDoingIt(t *testing.T) {
	r := acre(t)
	both := runner()
	both.Seeding = seeder().Seeding
	p := r.Prepare(both)
	worse := 0
	for _, plan := range everyPlan()[1:] {
		if plan[0].Way == spread.Pot || plan[0].Way == spread.EatDown || plan[0].Way == spread.Hens {
			continue // not done in a year: it goes on
		}
		late := spread.Plan{plan[0]}
		late[0].Missed = true
		done, missed, none := byYear(p.Reached(p.Outside(), plan)), byYear(p.Reached(p.Outside(), late)), byYear(p.Reached(p.Outside(), nil))
		noMore(t, both.ID, "past its edge", plan, done, late, missed)
		noMore(t, both.ID, "past its edge", late, missed, spread.Plan{}, none)
		if sumOf(missed) > sumOf(done) || p.Hold(p.Outside(), late).BankP50 > p.Hold(p.Outside(), plan).BankP50 {
			worse++
		}
	}
	if worse < 6 {
		t.Errorf("only %d ways are worse for a missed year", worse)
	}
}

func sumOf(chances []float64) (sum float64) {
	for _, chance := range chances {
		sum += chance
	}
	return sum
}

// On open ground without any edge a front is where its speed brings it: the chances of a distance are those of the
// lognormal's closed form, its tails cut to the figure's range.
func TestAFrontOnOpenGroundComesWhenItsSpeedBringsIt(t *testing.T) {
	r := acre(t)
	stand := runner()
	stand.Home, stand.Age = rectangle(20, 15, 30, 20), 0 // all of it bed, so that the ground is the same everywhere
	stand.Fronts[0].Rate = figure(0.4, 0.4*math.Exp(-0.3*1.645), 0.4*math.Exp(0.3*1.645), "m")
	terrain := *r.Terrain
	terrain.Ground = slices.Repeat([]spread.Ground{spread.Bed}, len(terrain.Ground))
	terrain.BedOf = slices.Repeat([]int16{0}, len(terrain.BedOf))
	r.Terrain = &terrain
	p := r.Prepare(stand)
	for _, direction := range []float64{0, 33, 90, 200, 315} {
		at := geometry.Point{X: 20, Y: 15}.Plus(geometry.Point{X: 1.4}.Turned(direction))
		cell, _ := terrain.Grid.CellAt(at)
		way := terrain.Grid.Middle(cell).Distance(geometry.Point{X: 20, Y: 15}) - stand.RadiusM
		got := p.Reached(spread.Target{Cells: []int32{int32(cell)}}, nil)
		p10, p50, p90, err := spread.FrontYears(0.4, 0.3, way)
		if err != nil {
			t.Fatal(err)
		}
		for share, want := range map[float64]float64{0.1: p10, 0.5: p50, 0.9: p90} {
			if years, comes := got.At(share); !comes || math.Abs(years-want) > 0.06*want {
				t.Errorf("%v°, %v of the runs: %.2f years, expected %.2f", direction, share, years, want)
			}
		}
	}
}

// A barrier that is deep enough and has no joints holds what runs through the ground, and not what goes over it.
func TestABarrierHoldsWhatDoesNotGoBelowIt(t *testing.T) {
	ring := plan.Form{Shape: plan.Line, At: geometry.Point{X: 20, Y: 15}, Width: 0.03, Points: []geometry.Point{
		{X: -2, Y: -1.5}, {X: 2, Y: -1.5}, {X: 2, Y: 1.5}, {X: -2, Y: 1.5}, {X: -2, Y: -1.5},
	}}
	target := func(r *spread.Reckoning) spread.Target {
		return spread.Target{Cells: r.Terrain.Grid.Within(rectangle(26, 15, 2, 2))}
	}
	chance := func(r *spread.Reckoning, stand spread.Stand) float64 {
		return r.Prepare(stand).Reached(target(r), nil).By(10)
	}
	free := chance(acre(t), runner())
	deep := acre(t, thing(t, "board", plan.Barrier, ring, plan.Traits{DepthM: 0.6}))
	lore := *deep.Lore
	lore.Edge.Leak = figure(0, 0, 0, "share")
	lore.Edge.Leak.Standing = flora.Measured
	deep.Lore = &lore
	if held := chance(deep, runner()); held != 0 || free < 0.5 {
		t.Errorf("a closed board of 60 cm lets %v through, without it %v", held, free)
	}
	shallow := acre(t, thing(t, "board", plan.Barrier, ring, plan.Traits{DepthM: 0.1}))
	if through := chance(shallow, runner()); through < 0.6*free {
		t.Errorf("a board of 10 cm lets %v through", through)
	}
	over := runner()
	over.Fronts[0].By = "layers"
	if chance(deep, over) != chance(acre(t), over) {
		t.Error("a sunk board holds what goes over it")
	}
	unknown := runner()
	unknown.Fronts[0].Barrier = nil
	if chance(deep, unknown) != chance(acre(t), unknown) {
		t.Error("a board holds what no depth is on record for")
	}
}

// Walls, water and houses are gone round, or not passed at all.
func TestWaterIsNotGrownThrough(t *testing.T) {
	moat := plan.Form{Shape: plan.Line, At: geometry.Point{X: 23.5, Y: 15}, Width: 1, Points: []geometry.Point{{Y: -20}, {Y: 20}}}
	r := acre(t, thing(t, "stream", plan.Stream, moat, plan.Traits{}))
	got := r.Prepare(runner()).Reached(spread.Target{Cells: r.Terrain.Grid.Within(rectangle(26, 15, 2, 2))}, nil)
	if got.By(10) != 0 {
		t.Errorf("%v got over the stream", got.By(10))
	}
}

// A sighting sets the front right at once, and its speed for good.
func TestASightingSetsTheFrontRight(t *testing.T) {
	r := acre(t)
	plain := runner()
	plain.Age = 3
	seen := plain
	at := geometry.Point{X: 25.6, Y: 15}
	seen.Seen = []spread.Seen{{Kind: spread.Farthest, At: at, Age: 3}}
	cell, _ := r.Terrain.Grid.CellAt(at)
	there := spread.Target{Cells: []int32{int32(cell)}}
	if before, after := r.Prepare(plain).Reached(there, nil).By(0), r.Prepare(seen).Reached(there, nil).By(0); after != 1 || before > 0.2 {
		t.Errorf("it was seen there, and is there with %v; before with %v", after, before)
	}
	far := spread.Target{Cells: r.Terrain.Grid.Within(rectangle(31, 15, 1, 1))}
	slow, fast := r.Prepare(plain).Reached(far, nil).By(6), r.Prepare(seen).Reached(far, nil).By(6)
	if fast <= slow+0.2 {
		t.Errorf("far out it is in six years with %v, before it was seen with %v", fast, slow)
	}
	within := plain
	within.Seen = []spread.Seen{{Kind: spread.AtMost, Age: 3}}
	held := r.Prepare(within)
	if got := held.Reached(held.Outside(), nil).By(0); got > 0.01 {
		t.Errorf("nothing was past its edge, and %v is", got)
	}
	// Past it, and nobody said where: it is there, and no farther than that alone tells.
	past := plain
	past.Age = 1
	before := r.Prepare(past)
	past.Seen = []spread.Seen{{Kind: spread.AtLeast, PastEdge: true, Age: 1}}
	over := r.Prepare(past)
	if was, got := before.Reached(before.Outside(), nil).By(0), over.Reached(over.Outside(), nil).By(0); was > 0.5 || got != 1 {
		t.Errorf("past its edge it is with %v; before that was seen with %v", got, was)
	}
	if got := over.Reached(there, nil).By(0); got > 0.2 {
		t.Errorf("all that is known is that it is past its edge, and %v says that it is metres off", got)
	}
}

// Rates are learned as a plain reckoning over a fine grid of speeds learns them.
func TestSpeedsFollowWhatWasSeen(t *testing.T) {
	rate := spread.Rate{MedianM: 0.4, Sigma: 0.5}
	seen := []spread.Sighting{{Kind: spread.Farthest, WayM: 3, Years: 4}}
	got := rate.Speeds(seen, []float64{0.1, 0.5, 0.9})
	// Both are normal in logarithms: the posterior has a closed form.
	const noise = 0.2
	prior, look := 1/(0.5*0.5), 1/(noise*noise)
	mean := (prior*math.Log(0.4) + look*math.Log(3.0/4)) / (prior + look)
	deviation := 1 / math.Sqrt(prior+look)
	for i, z := range []float64{-1.2816, 0, 1.2816} {
		if want := math.Exp(mean + z*deviation); math.Abs(got[i]-want) > 0.01*want {
			t.Errorf("%v: %.3f m a year, expected %.3f", z, got[i], want)
		}
	}
}

// Seed is conserved: all that was shed lies in the ground, came up, or is lost, and a run by hand comes out the same.
func TestSeedIsConserved(t *testing.T) {
	p := acre(t).Prepare(seeder())
	for _, plan := range everyPlan() {
		for _, run := range []int{0, 57, 199} {
			fell, lost, cameUp, bank := p.SeedsOf(plan, run)
			if math.Abs(fell-lost-cameUp-bank) > 1e-6*fell {
				t.Errorf("%s: %.3f fell; %.3f lost, %.3f came up, %.3f in the ground", plan.Key(), fell, lost, cameUp, bank)
			}
		}
	}
}

func TestSumsOfTheDesign(t *testing.T) {
	p10, p50, p90, err := spread.FrontYears(0.4, 0.3, 1.2)
	if err != nil || math.Abs(p10-2.04) > 0.005 || math.Abs(p50-3) > 1e-9 || math.Abs(p90-4.41) > 0.005 {
		t.Errorf("%v %v %v %v", p10, p50, p90, err)
	}
	left, err := spread.Bank(1000, 0.9, 0.05, 10)
	if err != nil || math.Abs(left-208.77) > 0.005 {
		t.Errorf("%v %v", left, err)
	}
	// Years until one in a hundred is left, against going on year by year.
	seeds, years := 1.0, 0
	for ; seeds > 0.01; years++ {
		seeds *= 0.9 * 0.95
	}
	if got := spread.YearsUntil(0.01, 0.9, 0.05); int(math.Ceil(got)) != years {
		t.Errorf("%v, expected %d", got, years)
	}
	for _, wrong := range [][3]float64{{-0.1, 0.3, 1}, {0, 0.3, 1}, {0.4, -1, 1}, {0.4, 0.3, -1}, {math.NaN(), 0.3, 1}, {math.Inf(1), 0.3, 1}} {
		if _, _, _, err := spread.FrontYears(wrong[0], wrong[1], wrong[2]); err == nil {
			t.Errorf("%v is no front", wrong)
		}
	}
}

// Digs are counted against digging by chance.
func TestDigsNeeded(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 4))
	for _, leaves := range []float64{0.1, 0.45, 0.7} {
		digs, err := spread.DigsNeeded(leaves, 0.9)
		if err != nil {
			t.Fatal(err)
		}
		rid := func(digs int) float64 {
			n := 0
			for range 20000 {
				for range digs {
					if rng.Float64() >= leaves {
						n++
						break
					}
				}
			}
			return float64(n) / 20000
		}
		if got := rid(digs); got < 0.885 {
			t.Errorf("%v: %d digs do it in %v", leaves, digs, got)
		}
		if got := rid(digs - 1); got > 0.915 {
			t.Errorf("%v: one fewer than %d does it too, in %v", leaves, digs, got)
		}
	}
}

// A contour holds what is likelier and leaves out what is not.
func TestContoursHoldWhatIsLikely(t *testing.T) {
	r := acre(t)
	both := runner()
	both.Seeding = seeder().Seeding
	cover := r.Prepare(both).Covers(nil).In(4)
	for _, chance := range []float64{0.2, 0.5, 0.8} {
		lines := cover.Contour(r.Terrain.Grid, chance, 0)
		inside := 0
		for cell, c := range cover {
			at, times := r.Terrain.Grid.Middle(cell), 0
			for _, line := range lines {
				if geometry.Polygon(line).Contains(at) {
					times++
				}
			}
			if within := times%2 == 1; within != (float64(c) >= chance) {
				t.Fatalf("%v at %v is inside the line of %v: %v", c, at, chance, within)
			}
			inside += times % 2
		}
		if inside == 0 {
			t.Errorf("nothing is likelier than %v", chance)
		}
	}
}

// The least work under a line is what trying every plan finds.
func TestTheLeastWorkIsTheLeast(t *testing.T) {
	p := acre(t).Prepare(runner())
	out := p.Outside()
	for _, line := range []float64{0.05, 0.2, 0.5} {
		least, found := p.LeastWork(out, line, 0, 60, false, true, false)
		for _, a := range everyPlan()[3:9] {
			for _, b := range everyPlan()[3:9] {
				plan := spread.Plan{a[0]}
				if a[0].Way != b[0].Way {
					plan = append(plan, b[0])
				}
				if a[0].Way == spread.EdgeIt && a[0].Times > 2 || b[0].Way == spread.EdgeIt && b[0].Times > 2 {
					continue
				}
				o := p.Hold(out, plan)
				if o.Out.By(10) < line && (!found || o.HoursAYear() < least.HoursAYear()-1e-9) {
					t.Errorf("under %v: %s takes %.2f hours and is found to do, the least was %s with %.2f",
						line, plan.Key(), o.HoursAYear(), least.Plan.Key(), least.HoursAYear())
				}
			}
		}
		if found && least.Out.By(10) >= line {
			t.Errorf("%s does not keep under %v", least.Plan.Key(), line)
		}
	}
}

package spread

import (
	"container/heap"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/propagation"
)

// fixed is a figure that is measured, so that it is drawn as it is.
func fixed(value float64, unit string) flora.Figure {
	return flora.Figure{Value: value, Low: value, High: value, Unit: unit, Standing: flora.Measured}
}

// sure is a reckoning on open bed of 40 × 30 m in which nothing is drawn but luck: what is missed and lives are as given.
func sure(missed, lives float64) *Reckoning {
	boundary := geometry.Rectangle(40, 30).Moved(geometry.Point{X: 20, Y: 15})
	grid, err := GridAround(boundary)
	if err != nil {
		panic(err)
	}
	home := geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(2, 2).Moved(geometry.Point{X: 20, Y: 15})}}
	terrain := NewTerrain(grid, boundary, []BedGround{{Name: "a", Region: home}}, nil)
	one, zero := fixed(1, "times"), fixed(0, "share")
	lore := &Lore{
		Ground: GroundLore{Bed: one, Open: one, Lawn: one, Path: one, Wild: one, Hedge: one, Poor: one},
		Edge:   EdgeLore{Width: fixed(1, "m"), Held: fixed(0.4, "share"), Leak: zero, Wall: zero, Path: zero, Lawn: zero},
		Seed: SeedLore{
			Enters: one, WakesDug: fixed(0.2, "share"), WakesStill: fixed(0.1, "share"), WakesLife: zero, Stands: one,
			LeftOf: fixed(0.01, "share"), Bed: one, Open: one, Lawn: one, Path: one, Wild: one, Hedge: one,
		},
		Hold: HoldLore{
			EdgeMissed: fixed(missed, "share"), DigMissed: fixed(missed, "share"), MowMissed: fixed(missed, "share"), MowSpeed: one,
			MowSeed: one, SmotherLives: fixed(lives, "share"), EatSpeed: fixed(0.5, "times"), EatSeed: one, HensSeed: one, HensSpeed: one,
			BeheadMissed: zero, PullMissed: zero, Shallow: fixed(8, "cm"),
		},
	}
	bench := &propagation.Lore{About: propagation.AboutOf{Within: fixed(0.8, "share"), Shape: fixed(1, "times")}}
	return &Reckoning{Lore: lore, Bench: bench, Terrain: terrain, Seed: 3}
}

// sureRunner is a stand that goes half a metre a year, every piece of which grows again.
func sureRunner(id int64) Stand {
	regrows := fixed(1, "share")
	return Stand{
		ID: id, Spots: []geometry.Point{{X: 20, Y: 15}}, RadiusM: 0.1, Poor: make([]bool, 1), Plants: 1, Age: 3, HeldFrom: -1,
		Home:   geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(2, 2).Moved(geometry.Point{X: 20, Y: 15})}},
		Fronts: []Front{{By: "rhizomes", Rate: fixed(0.5, "m"), Regrows: &regrows}},
	}
}

// manyStands is over how many stands of 200 runs each a chance is counted: its sampling error is then about one in a hundred.
const manyStands = 8

func counted(r *Reckoning, plan Plan, is func(p *Ready, run int) bool) float64 {
	n := 0
	for id := range int64(manyStands) {
		p := r.Prepare(sureRunner(id + 1))
		for run := range Runs {
			if is(p, run) {
				n++
			}
		}
	}
	return float64(n) / (manyStands * Runs)
}

// What digging and covering leave alive has a closed form: the chance of a piece to the power of the digs.
func TestDiggingAndCoveringLeaveWhatTheirChancesSay(t *testing.T) {
	r := sure(0.6, 0.35)
	for _, c := range []struct {
		name string
		plan Plan
		want float64
	}{
		{"once a year for three years", Plan{{Way: DigOut, Times: 1}}, math.Pow(0.6, 3)},
		{"twice a year for three years", Plan{{Way: DigOut, Times: 2}}, math.Pow(0.6, 6)},
		{"two seasons under cover", Plan{{Way: Smother, Seasons: 2}}, math.Pow(0.35, 2)},
		{"both", Plan{{Way: DigOut, Times: 1}, {Way: Smother, Seasons: 2}}, math.Pow(0.6, 3) * math.Pow(0.35, 2)},
	} {
		got := counted(r, c.plan, func(p *Ready, run int) bool { return p.course(0, c.plan, run).out[3] >= 0 })
		if math.Abs(got-c.want) > 0.02 {
			t.Errorf("%s: %.3f live, expected %.3f", c.name, got, c.want)
		}
	}
}

// A stand at its edge that is edged gets out where two years in a row a round misses it: a chain of two states, whose
// chance a plain recursion gives.
func TestEdgingHoldsAsAChainOfMissesSays(t *testing.T) {
	const missed = 0.4
	r := sure(missed, 1)
	for _, rounds := range []int{1, 2, 3} {
		plan := Plan{{Way: EdgeIt, Times: rounds}}
		got := counted(r, plan, func(p *Ready, run int) bool {
			return p.reached(p.look(p.Outside()), courses{fronts: [][]frontCourse{frontsOf(p, plan)}})[run] <= Years
		})
		// In a year's end it is past the edge where the last round missed; it counts as out where it was past a year before too,
		// and so where all rounds of a year that began with it past missed, or the last of one that lifted it did.
		past, clear, out := 0.0, 1.0, 0.0
		for year := 1; year <= Years; year++ {
			var nextPast, nextClear float64
			// From clear: past at the end where the last round misses.
			nextPast += clear * missed
			nextClear += clear * (1 - missed)
			// From past: out where it is past at the end again.
			out += past * missed
			nextClear += past * (1 - missed)
			past, clear = nextPast, nextClear
		}
		// Today it stands past its edge: 3 years × 0.5 m is more than the metre to it. That counts at once.
		if got < 0.999 {
			t.Errorf("%d rounds: it stands past its edge today, and is out with %.3f", rounds, got)
		}
		inside := func(p *Ready, run int) bool {
			c := p.course(0, plan, run)
			for year := 2; year <= Years; year++ { // what stood out today is lifted by then, or counted
				if c.past[year] > 0 && c.past[year-1] > 0 && c.past[0] >= 0 && year > 1 {
					return true
				}
			}
			return false
		}
		stays := counted(r, plan, inside)
		// From today's past the chain begins at past = 1.
		past, clear, out = 1, 0, 0
		for year := 1; year <= Years; year++ {
			again := past * missed
			if year > 1 {
				out += again
				past, clear = clear*missed, clear*(1-missed)+past*(1-missed)
				continue
			}
			past, clear = again, 1-again
		}
		if math.Abs(stays-out) > 0.03 {
			t.Errorf("%d rounds: past its edge for a year with %.3f, the chain says %.3f", rounds, stays, out)
		}
	}
}

func frontsOf(p *Ready, plan Plan) []frontCourse {
	all := make([]frontCourse, Runs)
	for run := range all {
		all[run] = p.course(0, plan, run)
	}
	return all
}

// What is cut again and again goes half as far: in years, exactly.
func TestASlowedFrontGoesAsFarAsItsSpeed(t *testing.T) {
	p := sure(0.5, 1).Prepare(sureRunner(1))
	free, eaten := p.course(0, nil, 5), p.course(0, Plan{{Way: EatDown}}, 5)
	for year := range Years + 1 {
		if want := 3*0.5 + 0.5*float64(year); math.Abs(float64(free.out[year])-want) > 1e-5 {
			t.Errorf("year %d: %v m, expected %v", year, free.out[year], want)
		}
		if want := 3*0.5 + 0.25*float64(year); math.Abs(float64(eaten.out[year])-want) > 1e-5 {
			t.Errorf("year %d: %v m eaten, expected %v", year, eaten.out[year], want)
		}
	}
}

// Ways over uneven ground are those of a search from cell to cell with sixteen directions, which knows nothing of fronts:
// to within what so few directions leave.
func TestWaysOverUnevenGroundAreThoseOfASearch(t *testing.T) {
	g := square(12)
	rng := rand.New(rand.NewPCG(8, 1))
	for range 4 {
		speed := make(Speed, g.Cells())
		for y := 0; y < g.Deep; y += 12 {
			for x := 0; x < g.Wide; x += 12 {
				v := float32(0.3 + 0.7*rng.Float64())
				if rng.IntN(7) == 0 {
					v = 0
				}
				for dy := range 12 {
					for dx := range 12 {
						if x+dx < g.Wide && y+dy < g.Deep {
							speed[(y+dy)*g.Wide+x+dx] = v
						}
					}
				}
			}
		}
		from := geometry.Point{X: 6.1, Y: 6.1}
		cell, _ := g.CellAt(from)
		speed[cell] = 0.8
		got, want := Reach(g, speed, []geometry.Point{from}, nil, 0, Never), searched(g, speed, cell)
		for i := range got {
			if (got[i] == Never) != math.IsInf(want[i], 1) {
				t.Fatalf("%v is reached by one and not by the other: %v and %v", g.Middle(i), got[i], want[i])
			}
			if got[i] != Never && math.Abs(float64(got[i])-want[i]) > 0.08*want[i]+0.7 { // a cell of the slowest ground at either end is 0.8 m
				t.Fatalf("%v: %.2f m, the search says %.2f m", g.Middle(i), got[i], want[i])
			}
		}
	}
}

type waiting struct {
	cell int
	at   float64
}

type queue []waiting

func (q queue) Len() int           { return len(q) }
func (q queue) Less(i, j int) bool { return q[i].at < q[j].at }
func (q queue) Swap(i, j int)      { q[i], q[j] = q[j], q[i] }
func (q *queue) Push(x any)        { *q = append(*q, x.(waiting)) }
func (q *queue) Pop() any          { old := *q; last := old[len(old)-1]; *q = old[:len(old)-1]; return last }

// searched are the shortest ways from a cell by Dijkstra's search over steps of sixteen directions; steps do not cut the
// corners of what cannot be gone through.
func searched(g Grid, speed Speed, from int) []float64 {
	all := make([]float64, g.Cells())
	for i := range all {
		all[i] = math.Inf(1)
	}
	all[from] = 0
	q := &queue{{from, 0}}
	steps := [][2]int{}
	for dx := -2; dx <= 2; dx++ {
		for dy := -2; dy <= 2; dy++ {
			if dx != 0 || dy != 0 {
				if max(dx, -dx, dy, -dy) == 1 || dx*dx+dy*dy == 5 {
					steps = append(steps, [2]int{dx, dy})
				}
			}
		}
	}
	for q.Len() > 0 {
		one := heap.Pop(q).(waiting)
		if one.at > all[one.cell] {
			continue
		}
		x, y := one.cell%g.Wide, one.cell/g.Wide
		for _, s := range steps {
			nx, ny := x+s[0], y+s[1]
			if nx < 0 || ny < 0 || nx >= g.Wide || ny >= g.Deep {
				continue
			}
			cost, open := 0.0, true
			length := math.Hypot(float64(s[0]), float64(s[1])) * g.Step
			const parts = 8
			for i := range parts + 1 {
				part := float64(i) / parts
				cx, cy := int(math.Round(float64(x)+part*float64(s[0]))), int(math.Round(float64(y)+part*float64(s[1])))
				v := speed[cy*g.Wide+cx]
				if v <= 0 {
					open = false
					break
				}
				weight := 1.0 / parts
				if i == 0 || i == parts {
					weight /= 2
				}
				cost += weight * length / float64(v)
			}
			if s[0] != 0 && s[1] != 0 { // no cutting of corners
				open = open && speed[y*g.Wide+nx] > 0 && speed[ny*g.Wide+x] > 0
			}
			next := ny*g.Wide + nx
			if open && one.at+cost < all[next] {
				all[next] = one.at + cost
				heap.Push(q, waiting{next, all[next]})
			}
		}
	}
	return all
}

// How much seed falls in a square is how many of a million seeds fall there that are thrown one by one.
func TestSeedFallsWhereThrownSeedFalls(t *testing.T) {
	r := sure(0, 1)
	stand := sureRunner(4)
	stand.Fronts = nil
	stand.Seeding = &Seeding{
		Heads: fixed(1, "heads"), SeedsHead: fixed(100, "seeds"), Reach: fixed(2, "m"), SoilYears: fixed(5, "years"),
		Ahead: slices.Repeat([]float64{1}, Years), FirstYear: 40, MatureM2: 0.3,
	}
	p := r.Prepare(stand)
	target := r.Terrain.Grid.Within(geometry.Region{Areas: []geometry.Polygon{geometry.Rectangle(3, 2).Moved(geometry.Point{X: 22.5, Y: 15.5})}})
	look := p.look(Target{Cells: target})
	got := 0.0
	for _, share := range look.seed[0] {
		got += share
	}
	rng := rand.New(rand.NewPCG(5, 5))
	fell, thrown := 0, 400_000
	for range thrown {
		// The distance within which a share falls, told by the kernel's definition: 80 % within the reach of 2 m.
		const shape, reach, within = 1.0, 2.0, 0.8
		scale := reach * reach / (math.Pow(1-within, -1/shape) - 1)
		distance := math.Sqrt(scale * (math.Pow(1-rng.Float64(), -1/shape) - 1))
		angle := 2 * math.Pi * rng.Float64()
		x, y := 20+distance*math.Cos(angle), 15+distance*math.Sin(angle)
		if x >= 21 && x < 24 && y >= 14.5 && y < 16.5 {
			fell++
		}
	}
	if want := float64(fell) / float64(thrown); math.Abs(got-want) > 0.06*want {
		t.Errorf("%.4f of the seed falls there, thrown %.4f", got, want)
	}
}

// A bank without seedlings of its own is a sum that can be done by hand: so much rain each year, so much that comes up,
// so much that dies.
func TestABankIsTheSumByHand(t *testing.T) {
	r := sure(0, 1)
	stand := sureRunner(6)
	stand.Fronts = nil
	stand.Seeding = &Seeding{
		Heads: fixed(2, "heads"), SeedsHead: fixed(50, "seeds"), Reach: fixed(2, "m"), SoilYears: fixed(4, "years"),
		Past: []float64{3, 3}, Ahead: slices.Repeat([]float64{3}, Years), FirstYear: 40, MatureM2: 0.3,
	}
	p := r.Prepare(stand)
	onBed := p.seeds.share[0][Bed]
	survives := math.Pow(0.01, 1.0/4)
	dug, still := 0.0, 0.0
	for range 2 + Years {
		dug = (dug + 300*onBed) * (1 - 0.2) * survives
		still = (still + 300*(1-onBed)) * (1 - 0.1) * survives
	}
	for _, run := range []int{0, 99} {
		c := p.seedCourse(nil, run, func(int) bool { return true })
		if got := c.bank[0][Years]; math.Abs(got-dug-still) > 1e-6*got {
			t.Errorf("%.4f seeds, by hand %.4f", got, dug+still)
		}
		if c.bank[1][Years] != 0 {
			t.Error("seedlings that never bear have seed in the ground")
		}
	}
	// Left without rain it goes down as the sum of the command line does.
	bare := *p.Seeding
	bare.Ahead = make([]float64, Years)
	stand.Seeding = &bare
	p = r.Prepare(stand)
	c := p.seedCourse(nil, 3, func(int) bool { return true })
	dugLeft, _ := Bank(1, survives, 0.2, Years)
	stillLeft, _ := Bank(1, survives, 0.1, Years)
	if got := c.bank[0][Years] / c.bank[0][0]; got < math.Min(dugLeft, stillLeft) || got > math.Max(dugLeft, stillLeft) {
		t.Errorf("%.4f of it is left, between %.4f and %.4f", got, dugLeft, stillLeft)
	}
}

// A pot holds as its chance of ten years says.
func TestAPotHoldsAsItsTenYearsSay(t *testing.T) {
	r := sure(0, 1) // the dig that clears its old ground never misses
	plan := Plan{{Way: Pot}}
	got := counted(r, plan, func(p *Ready, run int) bool {
		c := p.course(0, plan, run)
		return c.out[Years] > 0
	})
	// In the tenth year it may just have got out, and not have grown.
	low, high := 1-math.Pow(1-0.4, 9.0/10), 0.4
	if got < low-0.03 || got > high+0.03 {
		t.Errorf("out of its pot within ten years with %.3f, expected from %.3f to %.3f", got, low, high)
	}
}

// The lines of a map hold the ground that they should, whatever points were left out of them.
func TestALineLeavesLittleGroundOut(t *testing.T) {
	r := sure(0.3, 1)
	cover := r.Prepare(sureRunner(2)).Covers(nil).In(6)
	g := r.Terrain.Grid
	for _, tolerance := range []float64{0, 0.05, 0.1, 0.3} {
		area, points := 0.0, 0
		for _, line := range cover.Contour(g, 0.5, tolerance) {
			area += geometry.Polygon(line).Area()
			points += len(line)
		}
		// Nothing is drawn but luck: it is a disc of 0.1 + 3 × 0.5 + 6 × 0.5 m.
		if want := math.Pi * 4.6 * 4.6; math.Abs(area-want) > 0.04*want {
			t.Errorf("within %v m: %.1f m² in %d points, expected %.1f", tolerance, area, points, want)
		}
	}
	fine, coarse := len(cover.Contour(g, 0.5, 0)[0]), len(cover.Contour(g, 0.5, 0.1)[0])
	if coarse*3 > fine*2 {
		t.Errorf("a line of %d points is not shorter than that of %d", coarse, fine)
	}
}

// What a figure's range says is what is drawn: nine in ten of the speeds lie within it, and hardly any far outside.
func TestSpeedsLieInTheirRange(t *testing.T) {
	rate := RateOf(flora.Figure{Value: 0.7, Low: 0.3, High: 1.5, Unit: "m", Standing: flora.Guess})
	quantiles := make([]float64, 1000)
	for i := range quantiles {
		quantiles[i] = (float64(i) + 0.5) / 1000
	}
	speeds, within := rate.Speeds(nil, quantiles), 0
	for i, v := range speeds {
		if v >= 0.3 && v <= 1.5 {
			within++
		}
		if i > 0 && v < speeds[i-1] {
			t.Fatalf("at %v it is %v, and was %v before", quantiles[i], v, speeds[i-1])
		}
	}
	if within < 980 || math.Abs(speeds[500]-0.7) > 0.05 {
		t.Errorf("%d of 1000 within the range, the middle is %v", within, speeds[500])
	}
	seen := func(kind SightingKind, way float64, held bool) float64 {
		return rate.Speeds([]Sighting{{Kind: kind, WayM: way, Years: 3, Held: held}}, []float64{0.5})[0]
	}
	middle := speeds[500]
	if seen(AtLeast, 4, false) <= middle || seen(AtMost, 0.9, false) >= middle || math.Abs(seen(AtMost, 0.9, true)-middle) > 0.02 {
		t.Errorf("passed 4 m: %v, not past 0.9 m: %v, the same while it was held: %v, before %v",
			seen(AtLeast, 4, false), seen(AtMost, 0.9, false), seen(AtMost, 0.9, true), middle)
	}
	if fast := seen(Farthest, 9, false); fast < 1.8 {
		t.Errorf("seen 9 m out after three years, it goes %v m a year", fast)
	}
	if none := (Rate{}).Speeds(nil, []float64{0.5})[0]; none != 0 {
		t.Errorf("what does not run goes %v m a year", none)
	}
}

// A window says the same of every cell as the whole it was cut from.
func TestAWindowSaysTheSame(t *testing.T) {
	g := square(9)
	rng := rand.New(rand.NewPCG(2, 7))
	for range 50 {
		all := make([]float32, g.Cells())
		for i := range all {
			all[i] = Never
		}
		for range rng.IntN(30) {
			all[rng.IntN(len(all))] = rng.Float32()
		}
		w, seen := windowOf(g, all), 0
		for cell, v := range all {
			if w.at(cell) != v {
				t.Fatalf("cell %d: %v, expected %v", cell, w.at(cell), v)
			}
			if v < Never {
				seen++
			}
		}
		w.each(func(cell int, v float32) {
			seen--
			if all[cell] != v {
				t.Fatalf("cell %d: %v, expected %v", cell, v, all[cell])
			}
		})
		if seen != 0 {
			t.Fatalf("%d cells were passed over or came twice", seen)
		}
	}
}

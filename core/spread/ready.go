package spread

import (
	"math"
	"slices"
	"sync"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/propagation"
)

// Reckoning is what every stand of a plot is reckoned with.
type Reckoning struct {
	Lore  *Lore
	Bench *propagation.Lore
	// Terrain is the ground.
	Terrain *Terrain
	// Seed is what all draws begin with.
	Seed uint64
}

// luck is which of the edges about a front let it pass in a run, a bit each.
type luck uint64

// mostEdges is how many edges about a front have a luck of their own; those farther off let everything pass.
const mostEdges = 6

// frontReady is a front with all ways over the ground that its runs may have.
type frontReady struct {
	Front
	speed []float64 // of each run, metres a year
	luck  []luck    // of each run
	// need is the depth in cm that would hold it in each run; nil where none is on record.
	need []float64
	// regrows is the share of pieces that grow again in each run.
	regrows []float64
	fields  map[luck]*field
	start   []float64 // how far it has come today, of each run
}

// field is how far each cell is by one luck of the edges.
type field struct {
	// out is how far from where the stand began, past how far from its home's edge; both in metres of loose ground.
	out, past window
	// edge is how far its home's edge is from where it began; Never where it is not reached.
	edge float64
	// over is how far the nearest ground past it is; Never where none is reached.
	over float64
}

// Ready is a stand with all that does not depend on how it is held.
type Ready struct {
	Stand
	r      *Reckoning
	draws  *draws
	fronts []*frontReady
	seeds  *seedsReady
	home   []int32
	// homeEdgeM is how long its home's edge is in metres, homeM2 its ground.
	homeEdgeM, homeM2 float64
	// looks are its ways to targets, by name, made when first asked for.
	looks sync.Map
}

// Prepare works out the ways of a stand over the ground.
func (r *Reckoning) Prepare(s Stand) *Ready {
	p := &Ready{Stand: s, r: r, draws: newDraws(r.Seed^uint64(s.ID)*0x9e3779b97f4a7c15, r.Bench.Doubt)}
	g := r.Terrain.Grid
	p.home = g.Within(s.Home)
	p.homeM2 = s.Home.Area()
	for _, outline := range s.Home.Areas {
		p.homeEdgeM += geometry.Length(append(slices.Clone(outline), outline[0]))
	}
	base := r.Terrain.speeds(r.Lore.Ground, s.Poor)
	for i, front := range s.Fronts {
		p.fronts = append(p.fronts, p.ready(i, front, base))
	}
	if s.Seeding != nil {
		p.seeds = p.readySeeds()
	}
	return p
}

func (p *Ready) ready(i int, front Front, base Speed) *frontReady {
	f := &frontReady{Front: front, fields: map[luck]*field{}}
	regrows := flora.Figure{
		Value:    1,
		Low:      1,
		High:     1,
		Unit:     "share",
		Standing: flora.Measured,
	} // what is not on record may be all
	if front.Regrows != nil {
		regrows = *front.Regrows
	}
	f.regrows = p.draws.figures(event{what: "regrows", front: i + 1}, regrows)
	if front.Barrier != nil {
		f.need = p.draws.figures(event{what: "barrier", front: i + 1}, *front.Barrier)
	}
	rate := RateOf(front.Rate)
	quantiles := p.draws.of(event{what: "speed", front: i + 1})
	all := p.edgesAbout(f, i, base, rate)
	open := f.fields[luck(1<<len(all)-1)]
	f.speed = rate.Speeds(p.sightings(open), quantiles)
	f.start = make([]float64, Runs)
	f.luck = make([]luck, Runs)
	for run := range Runs {
		f.luck[run] = p.luckOf(f, all, run)
		if _, has := f.fields[f.luck[run]]; !has {
			f.fields[f.luck[run]] = p.fieldOf(base, all, f.luck[run], rate, p.farthest(rate))
		}
		f.start[run] = p.cameTo(f, run, len(all))
	}
	return f
}

// farthest is how far the fastest run of a front comes in all years, in metres.
func (p *Ready) farthest(rate Rate) float64 {
	most := rate.MedianM * math.Exp(2.6*rate.Sigma)
	if rate.highM > 0 {
		most = math.Min(most, rate.highM)
	}
	way := most * (p.Age + Years)
	// What was seen may have come farther than that.
	for _, s := range p.Seen {
		if s.Kind != AtMost && !s.PastEdge {
			for _, spot := range p.Spots {
				way = math.Max(way, spot.Distance(s.At)*(1+Years/math.Max(s.Age, leastYears)))
			}
		}
	}
	return math.Min(way, 60)
}

// edgesAbout are the edges that a front may come to, the nearest first, and works out its ways where all let it pass.
func (p *Ready) edgesAbout(f *frontReady, i int, base Speed, rate Rate) []Edge {
	edges := slices.DeleteFunc(slices.Clone(p.r.Terrain.Edges), func(e Edge) bool {
		return (e.Kind == SunkEdge || e.Kind == HeldEdge) && (f.OverGround() || f.Barrier == nil && e.Kind == SunkEdge)
	})
	most := p.farthest(rate)
	open := p.fieldOf(base, edges, luck(1<<len(edges)-1), rate, most)
	type near struct {
		Edge
		at float32
	}
	var reached []near
	for _, e := range edges {
		at := float32(Never)
		for _, cell := range e.Cells {
			at = min(at, open.out.at(int(cell)))
		}
		if at < Never {
			reached = append(reached, near{e, at})
		}
	}
	slices.SortStableFunc(reached, func(a, b near) int {
		switch {
		case a.at < b.at:
			return -1
		case a.at > b.at:
			return 1
		}
		return 0
	})
	var about []Edge
	for _, e := range reached[:min(len(reached), mostEdges)] {
		about = append(about, e.Edge)
	}
	f.fields[luck(1<<len(about)-1)] = open
	return about
}

// luckOf is which of the edges let a front pass in a run.
func (p *Ready) luckOf(f *frontReady, edges []Edge, run int) (passes luck) {
	lore := p.r.Lore.Edge
	for k, e := range edges {
		at := p.draws.named("edge " + e.Name)[run]
		chance := 0.0
		switch e.Kind {
		case WallEdge:
			chance = p.draws.figure("wall", lore.Wall, run)
		case PathEdge, LawnEdge:
			figure, name := lore.Path, "path"
			if e.Kind == LawnEdge {
				figure, name = lore.Lawn, "lawn"
			}
			widths := e.WidthM / p.draws.figure("width", lore.Width, run)
			chance = math.Pow(p.draws.figure(name, figure, run), widths)
		case HeldEdge:
			chance = p.draws.figure("held", lore.Held, run)
		case SunkEdge:
			if chance = p.draws.figure("leak", lore.Leak, run); f.need[run] > e.DepthCm {
				chance = 1
			}
		}
		if at < chance {
			passes |= 1 << k
		}
	}
	return passes
}

// fieldOf works out how far each cell is where some of the edges let a front pass, a bit each.
func (p *Ready) fieldOf(base Speed, edges []Edge, passes luck, rate Rate, most float64) *field {
	speed := slices.Clone(base)
	lore := p.r.Lore.Edge
	g := p.r.Terrain.Grid
	for k, e := range edges {
		years := map[EdgeKind]float64{
			WallEdge: lore.WallYears.Value, PathEdge: lore.PathYears.Value, LawnEdge: lore.LawnYears.Value,
			HeldEdge: lore.HeldYears.Value, SunkEdge: lore.LeakYears.Value,
		}[e.Kind]
		cells := 1.0 // that a way through it has
		if e.Kind == PathEdge || e.Kind == LawnEdge {
			cells = math.Max(1, e.WidthM/g.Step)
		}
		for _, cell := range e.Cells {
			switch {
			case passes&(1<<k) == 0:
				speed[cell] = 0
			case speed[cell] > 0:
				// What it takes longer, it takes at its middle speed: as so many metres more.
				speed[cell] = float32(g.Step / (g.Step/float64(speed[cell]) + years*rate.MedianM/cells))
			}
		}
	}
	f := &field{edge: Never, over: Never}
	f.out = windowOf(g, Reach(g, speed, p.Spots, nil, p.RadiusM, most))
	f.past = windowOf(g, Reach(g, speed, nil, p.homeCells(speed), 0, most))
	f.past.each(func(cell int, past float32) {
		if out := f.out.at(cell); past > 0 && past <= float32(2*g.Step) && out < Never {
			f.edge = math.Min(f.edge, math.Max(0, float64(out-past)))
			f.over = math.Min(f.over, float64(out))
		}
	})
	return f
}

func (p *Ready) homeCells(speed Speed) []int32 {
	return slices.DeleteFunc(slices.Clone(p.home), func(cell int32) bool { return speed[cell] <= 0 })
}

// sightings are what was seen, as ways from where the stand began.
func (p *Ready) sightings(open *field) (all []Sighting) {
	for _, s := range p.Seen {
		if way := p.wayTo(open, s); way < Never {
			all = append(
				all,
				Sighting{Kind: s.Kind, WayM: way, Years: s.Age, Held: s.Held || p.HeldFrom >= 0 && s.Age > p.HeldFrom},
			)
		}
	}
	return all
}

func (p *Ready) wayTo(f *field, s Seen) float64 {
	switch {
	case s.Kind == AtMost:
		return f.edge
	case s.PastEdge:
		return f.over
	}
	cell, inside := p.r.Terrain.Grid.CellAt(s.At)
	if !inside {
		return Never
	}
	return float64(f.out.at(cell))
}

// cameTo is how far a front has come by today in a run: at its speed since it was set, set right by what was seen, and
// no farther than its home's edge while it was held there. A run in which it could not have come where it was seen has
// other luck: there all edges let it pass.
func (p *Ready) cameTo(f *frontReady, run, edges int) float64 {
	at := f.fields[f.luck[run]]
	for _, s := range p.Seen {
		if s.Kind != AtMost && p.wayTo(at, s) == Never {
			f.luck[run] = luck(1<<edges - 1)
			at = f.fields[f.luck[run]]
		}
	}
	way, age := 0.0, 0.0
	grow := func(until float64) {
		if p.HeldFrom >= 0 && until > p.HeldFrom {
			way += f.speed[run] * math.Max(0, p.HeldFrom-age)
			if way < at.edge {
				way = math.Min(way+f.speed[run]*(until-math.Max(age, p.HeldFrom)), at.edge)
			}
		} else {
			way += f.speed[run] * (until - age)
		}
		age = until
	}
	for _, s := range p.Seen {
		seen := p.wayTo(at, s)
		if seen == Never || s.Age > p.Age {
			continue
		}
		grow(s.Age)
		switch s.Kind {
		case Farthest:
			way = seen
		case AtLeast:
			way = math.Max(way, seen)
		case AtMost:
			way = math.Min(way, seen)
		}
	}
	grow(p.Age)
	return way
}

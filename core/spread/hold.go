package spread

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
)

// Way is a way of holding a stand.
type Way string

// The ways.
const (
	LetRun  Way = "let run"
	Behead  Way = "behead"
	EdgeIt  Way = "edge"
	Barrier Way = "barrier"
	Pot     Way = "pot"
	MowIt   Way = "mow round it"
	DigOut  Way = "dig out"
	Smother Way = "smother"
	EatDown Way = "eat it down"
	Hens    Way = "hens"
	Pull    Way = "pull seedlings"
)

// Ways are all of them, in the order in which they are shown.
func Ways() []Way {
	return []Way{LetRun, Behead, Pull, EdgeIt, Barrier, Pot, MowIt, DigOut, Smother, EatDown, Hens}
}

// Control is a way of holding, with how it is done.
type Control struct {
	Way Way `json:"way"`
	// Times is how often a year: of edging and digging. Seasons is for how many years: of smothering.
	Times   int `json:"times,omitempty"`
	Seasons int `json:"seasons,omitempty"`
	// Fallen is the share of seed, 0–1, that has fallen when the heads come off.
	Fallen float64 `json:"fallen,omitempty"`
	// DepthCm is how deep a barrier goes.
	DepthCm float64 `json:"depth_cm,omitempty"`
	// Missed is true where it is not done in the first year.
	Missed bool `json:"-"`
}

// Plan is several ways of holding a stand together; none is to let it run.
type Plan []Control

// The bounds of a control.
const (
	MostTimes   = 6
	MostSeasons = 5
	DeepestCm   = 300
)

// ErrAlone is returned for a plan that both lets a stand run and holds it, or holds it twice in one way.
var ErrAlone = errors.New("letting it run goes with nothing else, and no way goes twice")

// ErrGone is returned for a plan that does away with a stand and keeps it.
var ErrGone = errors.New("what is dug out or smothered is not kept in a pot")

// Check returns an error for a plan that cannot be.
func (p Plan) Check() error {
	if _, potted := p.Of(Pot); potted && slices.ContainsFunc(p, endsIt) {
		return ErrGone
	}
	seen := map[Way]bool{}
	for _, c := range p {
		if seen[c.Way] || c.Way == LetRun && len(p) > 1 {
			return ErrAlone
		}
		seen[c.Way] = true
		switch {
		case !slices.Contains(Ways(), c.Way):
			return fmt.Errorf("%q is no way of holding a plant", c.Way)
		case (c.Way == EdgeIt || c.Way == DigOut) && (c.Times < 1 || c.Times > MostTimes):
			return fmt.Errorf("it is done from 1 to %d times a year", MostTimes)
		case c.Way == Smother && (c.Seasons < 1 || c.Seasons > MostSeasons):
			return fmt.Errorf("it lies for 1 to %d seasons", MostSeasons)
		case c.Way == Barrier && !(c.DepthCm > 0 && c.DepthCm <= DeepestCm):
			return fmt.Errorf("a barrier goes more than 0 and at most %d cm deep", DeepestCm)
		case !(c.Fallen >= 0 && c.Fallen <= 1):
			return errors.New("the share of seed that has fallen lies between 0 and 1")
		}
	}
	return nil
}

// endsIt tells whether a way does away with a stand.
func endsIt(c Control) bool { return c.Way == DigOut || c.Way == Smother }

// Of is a plan's control of a way; false where it has none.
func (p Plan) Of(way Way) (Control, bool) {
	for _, c := range p {
		if c.Way == way {
			return c, true
		}
	}
	return Control{}, false
}

// Key tells a plan from others, whatever the order of its ways.
func (p Plan) Key() string {
	keys := make([]string, 0, len(p))
	for _, c := range p {
		keys = append(keys, fmt.Sprintf("%s/%d/%d/%g/%g/%v", c.Way, c.Times, c.Seasons, c.Fallen, c.DepthCm, c.Missed))
	}
	slices.Sort(keys)
	return strings.Join(keys, "+")
}

// Refusal is why a way does not go for a stand: nil where it does.
func (p *Ready) Refusal(c Control) error {
	runs := slices.ContainsFunc(p.Fronts, func(f Front) bool { return !f.OverGround() })
	switch c.Way {
	case Behead, Pull:
		if p.Seeding == nil {
			return errors.New("it sets no seed that is on record")
		}
	case EdgeIt, MowIt:
		if len(p.Fronts) == 0 {
			return errors.New("nothing is on record that runs past an edge")
		}
	case Barrier:
		if !runs {
			return errors.New("nothing is on record that runs through the ground")
		}
		if !slices.ContainsFunc(p.Fronts, func(f Front) bool { return f.Barrier != nil }) {
			return errors.New("how deep a barrier would have to go is not on record")
		}
	}
	return nil
}

// frontCourse is how far a front is in one run at the start of each year, 0 for today: out from where it began, past
// from its home's edge. Below 0 it is gone; past is endless where nothing holds it.
type frontCourse struct{ out, past [Years + 1]float32 }

// gone stands for a front that is dead.
const gone = -1

// holding is what a plan does to one front in one run.
type holding struct {
	p    *Ready
	i    int // the front
	run  int
	edge float64 // how far its home's edge is
	// speed is in metres a year, outside how much slower it is past its home's edge.
	speed, outside float64
	// rounds of edging and digs a year, and seasons under cover.
	rounds, digs, seasons int
	// missed is the chance that a round leaves something past the edge, leaves that a dig leaves a piece that grows,
	// lives that it outlives a season under cover, over that it gets over a mown strip in a year, hole that it gets out
	// of a pot.
	missed, leaves, lives, over, hole float64
	mown, board, boardHolds, potted   bool
	// late are the ways that are not done in the first year.
	late map[Way]bool
}

// does tells whether a way is done in a year.
func (h *holding) does(way Way, year int) bool { return year > 1 || !h.late[way] }

// holds tells whether anything keeps it to its home.
func (h *holding) holds() bool { return h.rounds > 0 || h.mown || h.board }

// happens tells whether what has a chance happens in a year.
func (h *holding) happens(what string, year, round int, chance float64) bool {
	return h.p.draws.of(event{what, h.i + 1, year, round})[h.run] < chance
}

func (p *Ready) holding(i int, plan Plan, run int) *holding {
	f, lore, figure := p.fronts[i], &p.r.Lore.Hold, p.draws.figure
	h := &holding{p: p, i: i, run: run, edge: f.fields[f.luck[run]].edge, speed: f.speed[run], outside: 1}
	regrows := f.regrows[run]
	for _, c := range plan {
		if c.Missed {
			if h.late == nil {
				h.late = map[Way]bool{}
			}
			h.late[c.Way] = true
		}
		switch c.Way {
		case EdgeIt:
			h.rounds, h.missed = c.Times, figure("edge missed", lore.EdgeMissed, run)*regrows
		case DigOut:
			h.digs = c.Times
		case Smother:
			h.seasons, h.lives = c.Seasons, figure("smother lives", lore.SmotherLives, run)*regrows
		case Barrier:
			leak := figure("leak", p.r.Lore.Edge.Leak, run)
			h.board = true
			h.boardHolds = f.need != nil && !f.OverGround() && f.need[run] <= c.DepthCm && !h.happens("joint", 0, 0, leak)
		case MowIt:
			h.mown, h.over = true, figure("mow missed", lore.MowMissed, run)
			h.outside = figure("mow speed", lore.MowSpeed, run)
		case Pot:
			h.potted = true
			h.hole = 1 - math.Pow(1-figure("held", p.r.Lore.Edge.Held, run), 1.0/Years)
		case EatDown:
			h.speed *= figure("eat speed", lore.EatSpeed, run)
		case Hens:
			if f.Depth != nil && f.Depth.Value <= figure("shallow", lore.Shallow, run) {
				h.speed *= figure("hens speed", lore.HensSpeed, run)
			}
		}
	}
	h.leaves = LeavesPiece(figure("dig missed", lore.DigMissed, run), regrows)
	return h
}

// course runs a front through the years of a plan.
func (p *Ready) course(i int, plan Plan, run int) (c frontCourse) {
	h := p.holding(i, plan, run)
	out := p.fronts[i].start[run]
	past := math.Max(0, out-h.edge)
	save := func(year int) {
		c.out[year], c.past[year] = float32(out), float32(past)
		if !h.holds() {
			c.past[year] = float32(math.Inf(1))
		}
	}
	save(0)
	if h.board && past > 0 && !h.happens("clear", 0, 0, h.leaves) { // what is out is lifted when the board goes in
		past = 0
	}
	contained := h.potted && !h.happens("potted", 0, 0, h.leaves)
	if h.potted {
		out, past = 0, 0
	}
	for year := 1; year <= Years; year++ {
		switch {
		case out < 0:
		case contained:
			contained = !h.happens("hole", year, 0, h.hole)
		default:
			out, past = h.year(year, out, past)
		}
		save(year)
	}
	return c
}

// year is one year of a front: it grows, and then is edged, covered and dug.
func (h *holding) year(year int, out, past float64) (float64, float64) {
	opens := (!h.board || !h.boardHolds || !h.does(Barrier, year)) &&
		(!h.mown || !h.does(MowIt, year) || h.happens("mown", year, 0, h.over))
	parts := max(1, h.rounds)
	for part := range parts {
		grown := h.speed / float64(parts)
		out += grown
		switch {
		case past > 0:
			past += grown * h.outside
		case out > h.edge && opens:
			past = math.Min(grown, out-h.edge) * h.outside
		}
		// The last round of a year has the luck that a single one has, so that another round never does worse.
		if part < h.rounds && h.does(EdgeIt, year) && !h.happens("edged", year, parts-1-part, h.missed) {
			past = 0
		}
	}
	if year <= h.seasons && h.does(Smother, year) && !h.happens("smothered", year, 0, h.lives) {
		return gone, 0
	}
	for dig := range h.digs {
		if !h.does(DigOut, year) {
			break
		}
		if !h.happens("dug", year, dig, h.leaves) {
			return gone, 0
		}
		out, past = 0, 0
	}
	return out, past
}

package season

import (
	"context"
	"encoding/json"
	"slices"
	"sync"
	"time"

	"bramblyacre/core/calendar"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// plans are the plannings under way and those made last.
type plans struct {
	sync.Mutex
	// asked are the questions of one state.
	state *plot.State
	asked map[calendar.Date]*question
	// works are by what they were made from, the oldest first in order.
	works map[string]*working
	order []string
}

// stopOlder ends the plannings that are still under way for a state that is no more: nobody asks for them again.
func (p *plans) stopOlder(now *plot.State) {
	p.order = slices.DeleteFunc(p.order, func(key string) bool {
		w := p.works[key]
		select {
		case <-w.done:
			return false
		default:
		}
		if w.q.state == now {
			return false
		}
		w.stop()
		delete(p.works, key)
		return true
	})
}

// mostWorks is how many plannings are kept.
const mostWorks = 12

// working is one planning: of the plan, and then of what it would be with more trays and hours.
type working struct {
	q *question
	// planned is closed when the plan is there, done when all is.
	planned, done chan struct{}
	stop          context.CancelFunc

	mu       sync.Mutex
	progress float64
	stopped  bool
	plan     planning.Plan
	more     *more
}

// questionOf is the question of a season as of a state, by the plan that is followed.
func (u *Uses) questionOf(s *plot.State, season calendar.Season) (*question, error) {
	u.made.Lock()
	defer u.made.Unlock()
	if u.made.state != s {
		u.made.state, u.made.asked = s, map[calendar.Date]*question{}
	}
	if q, has := u.made.asked[season.Start]; has {
		return q, nil
	}
	_, picks, _ := followed(s, season)
	q, err := ask(s, season, tied(picks))
	if err == nil {
		u.made.asked[season.Start] = q
	}
	return q, err
}

// work is the planning of a question from a plan that is kept, begun where it is not under way. Nothing is planned anew
// where nothing changed since the plan was kept; anew asks for it without regard to what was planned.
func (u *Uses) work(q *question, from []Picking, row *store.SeasonPlan, anew bool) *working {
	key := q.digest
	if row != nil {
		key += row.Problem + row.Picks
	}
	if anew {
		key += " anew"
	}
	u.made.Lock()
	defer u.made.Unlock()
	if u.made.works == nil {
		u.made.works = map[string]*working{}
	}
	if w, has := u.made.works[key]; has {
		return w
	}
	u.made.stopOlder(q.state)
	ctx, stop := context.WithCancel(context.Background())
	w := &working{q: q, planned: make(chan struct{}), done: make(chan struct{}), stop: stop}
	u.made.works[key], u.made.order = w, append(u.made.order, key)
	if len(u.made.order) > mostWorks {
		oldest := u.made.order[0]
		u.made.works[oldest].stop()
		delete(u.made.works, oldest)
		u.made.order = u.made.order[1:]
	}
	go w.run(ctx, from, row, anew)
	return w
}

// moving is what a picking must bring that is moved of a plan that is made again: a hundredth of a need.
const moving = 1.0

func (w *working) run(ctx context.Context, from []Picking, row *store.SeasonPlan, anew bool) {
	defer w.stop()
	defer close(w.done)
	how := planning.How{Seed: uint64(w.q.state.Site.WeatherSeed), Told: w.told()}
	var plan planning.Plan
	picks := w.q.picksIn(from)
	switch {
	// A row may have come from a file: what breaks a limit is made again.
	case row != nil && row.Problem == w.q.digest && !anew && len(w.q.problem.Breaks(picks)) == 0:
		plan = planning.Plan{Picks: picks, Worth: row.Worth, Bound: row.Bound}
		_, plan.Got = w.q.problem.Judge(picks)
	case row != nil && !anew:
		plan = planning.Again(ctx, planning.Made{Plan: planning.Plan{Picks: picks}}, &w.q.problem, moving, how)
	default:
		plan = planning.Make(ctx, &w.q.problem, how)
	}
	w.mu.Lock()
	w.plan, w.progress, w.stopped = plan, 0.8, ctx.Err() != nil
	w.mu.Unlock()
	close(w.planned)
	m := w.q.moreOf(ctx, plan)
	w.mu.Lock()
	w.more, w.progress = m, 1
	w.mu.Unlock()
}

// told takes what a planning has so far, a few times a second.
func (w *working) told() func(float64, func() planning.Plan) {
	last := time.Now()
	return func(done float64, soFar func() planning.Plan) {
		const every = 60 * time.Millisecond
		if time.Since(last) < every {
			return
		}
		last = time.Now()
		plan := soFar()
		w.mu.Lock()
		w.plan, w.progress = plan, 0.8*done
		w.mu.Unlock()
	}
}

// now is what a planning has by now.
func (w *working) now() (plan planning.Plan, m *more, progress float64, stopped bool) {
	w.mu.Lock()
	defer w.mu.Unlock()
	return w.plan, w.more, w.progress, w.stopped
}

// picksIn are kept pickings as the problem has them, without those that it does not.
func (q *question) picksIn(from []Picking) (picks []planning.Pick) {
	had := map[[2]int]bool{}
	for _, one := range from {
		if pick, is := q.pick(one); is && !had[[2]int{pick.Stand, pick.Day}] {
			had[[2]int{pick.Stand, pick.Day}] = true
			picks = append(picks, pick)
		}
	}
	return picks
}

// pickings are a plan's pickings as they are kept, with what was said of those that are tied.
func (q *question) pickings(plan planning.Plan, settled []Picking) []Picking {
	all := []Picking{}
	for _, pick := range plan.Picks {
		one := q.picking(pick)
		for _, old := range settled {
			if one.Tied && old.Planting == one.Planting && old.Part == one.Part && old.Day == one.Day {
				one.Why, one.Units = old.Why, old.Units
			}
		}
		all = append(all, one)
	}
	return all
}

// planRow is a plan as it is kept.
func (q *question) planRow(name string, plan planning.Plan, settled []Picking) (store.PutSeasonPlanParams, error) {
	text, err := json.Marshal(q.pickings(plan, settled))
	return store.PutSeasonPlanParams{
		Season: q.season.Start.String(), Name: name, MadeOn: q.state.Today.String(), Picks: string(text),
		Worth: plan.Worth, Bound: plan.Bound, Problem: q.digest,
	}, err
}

package season

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// small is a random problem of few stands and days.
func small(luck *rand.Rand, stands, days, most int) *Problem {
	p := &Problem{Days: days, TrayArea: 0.5 + 2*luck.Float64()}
	for range days {
		p.Minutes = append(p.Minutes, float64(luck.IntN(5)*15))
	}
	for range 1 + luck.IntN(stands) {
		product := Product{Need: 20 + 200*luck.Float64(), Weight: 0.5 + luck.Float64(), By: -1}
		if luck.IntN(4) == 0 {
			product.By = luck.IntN(days + 2)
		}
		p.Products = append(p.Products, product)
	}
	if luck.IntN(2) == 0 {
		p.Outing = 40 * luck.Float64()
	}
	for range stands {
		s := Stand{
			Full: float64(1 + luck.IntN(3*most)), CutShare: 0.2 + 0.6*luck.Float64(), Grams: 5 + 20*luck.Float64(),
			Area: 0.5 * luck.Float64(), DryDays: luck.IntN(4), VisitMinutes: float64(luck.IntN(12)), UnitMinutes: 1 + 6*luck.Float64(),
			Products: []int{luck.IntN(len(p.Products))},
		}
		s.Floor = s.Full * 0.4 * luck.Float64()
		for s.most(0) > most {
			s.Full--
			s.Floor = min(s.Floor, s.Full)
		}
		if luck.IntN(3) == 0 && len(p.Products) > 1 {
			if other := luck.IntN(len(p.Products)); other != s.Products[0] {
				s.Products = append(s.Products, other)
			}
		}
		if luck.IntN(2) == 0 {
			over := 1 + 4*luck.Float64()
			grown := 0.0
			for range days {
				s.Grown = append(s.Grown, grown)
				grown += (0.5 + luck.Float64()) / over
			}
			if luck.IntN(3) == 0 {
				s.Missing, s.Since = float64(luck.IntN(3)), luck.Float64()
			}
		}
		open, shut := luck.IntN(days), 1+luck.IntN(days)
		for t := range days {
			q := 0.0
			if t >= open && t < open+shut {
				q = 0.2 + 0.8*luck.Float64()
			}
			s.Quality = append(s.Quality, q)
		}
		if luck.IntN(3) == 0 {
			for range days {
				s.Ready = append(s.Ready, luck.Float64())
			}
		}
		p.Stands = append(p.Stands, s)
	}
	return p
}

// exhaustive is the greatest worth of all plans, by trying every one: it knows nothing of prices, courses or accounts.
func exhaustive(p *Problem) float64 {
	type course struct{ units []int }
	var courses [][]course
	for i := range p.Stands {
		s := &p.Stands[i]
		var all []course
		units := make([]int, p.Days)
		var grow func(t int)
		grow = func(t int) {
			if t == p.Days {
				all = append(all, course{slices.Clone(units)})
				return
			}
			for y := 0; y <= int(s.Full); y++ {
				units[t] = y
				if y > 0 && (s.Quality[t] == 0 || !bears(s, units[:t+1])) {
					break
				}
				grow(t + 1)
			}
			units[t] = 0
		}
		grow(0)
		courses = append(courses, all)
	}
	best := 0.0
	chosen := make([][]int, len(p.Stands))
	var try func(i int)
	try = func(i int) {
		if !affords(p, chosen[:i]) {
			return
		}
		if i == len(p.Stands) {
			best = math.Max(best, brings(p, chosen))
			return
		}
		for _, one := range courses[i] {
			chosen[i] = one.units
			try(i + 1)
		}
	}
	try(0)
	return best
}

// bears tells whether the last of some days' cuts is one that a stand bears, by model.md §7.
func bears(s *Stand, units []int) bool {
	today := len(units) - 1
	missing, cut := s.Missing, -1
	for t := 0; t <= today; t++ {
		if units[t] == 0 && t < today {
			continue
		}
		passed := 0.0
		switch {
		case s.Grown == nil:
		case cut < 0:
			passed = s.Since + s.Grown[t] - s.Grown[0]
		default:
			passed = s.Grown[t] - s.Grown[cut]
		}
		missing = math.Ceil(missing*math.Max(0, 1-passed)-1e-9) + float64(units[t])
		cut = t
	}
	most := math.Min(s.CutShare*s.Full, s.Full-s.Floor)
	if s.Ready != nil {
		most = math.Min(most, s.Ready[today]*s.Full)
	}
	return missing <= math.Floor(most+1e-9)
}

func affords(p *Problem, chosen [][]int) bool {
	for t := range p.Days + 8 {
		trays, minutes := 0.0, 0.0
		for i, units := range chosen {
			s := &p.Stands[i]
			for day, y := range units {
				if day <= t && t < day+s.DryDays {
					trays += float64(y) * s.Area
				}
				if day == t && y > 0 {
					minutes += s.VisitMinutes + s.UnitMinutes*float64(y)
				}
			}
		}
		if trays > p.TrayArea+1e-9 || t < p.Days && minutes > p.Minutes[t]+1e-9 {
			return false
		}
	}
	return true
}

func brings(p *Problem, chosen [][]int) (worth float64) {
	for k, product := range p.Products {
		got := 0.0
		for i, units := range chosen {
			s := &p.Stands[i]
			for t, y := range units {
				if slices.Contains(s.Products, k) && (product.By < 0 || t+s.DryDays <= product.By) {
					got += float64(y) * s.Grams * s.Quality[t]
				}
			}
		}
		worth += product.Weight * math.Min(product.Need, got)
	}
	for _, units := range chosen {
		for _, y := range units {
			if y > 0 {
				worth -= p.Outing
			}
		}
	}
	return worth
}

// worthwhile is a random problem for which some plan brings something, and what the best of all plans brings.
func worthwhile(luck *rand.Rand) (*Problem, float64) {
	for {
		p := small(luck, 1+luck.IntN(3), 3+luck.IntN(3), 3)
		if best := exhaustive(p); best > 0 {
			return p, best
		}
	}
}

// On 500 problems the plan is within 2 % of the best of all plans, and the bound is never below it; so it is before what
// is left between them is searched to the end.
func TestThePlanIsNextToTheBestOfAllPlans(t *testing.T) {
	t.Parallel()
	luck := rand.New(rand.NewPCG(17, 17))
	for n := range 500 {
		p, best := worthwhile(luck)
		open := newWork(p, 1)
		open.rounds, open.steps = usualRounds, usualSteps
		open.first()
		open.descend(t.Context())
		open.search(t.Context())
		for how, plan := range map[string]Plan{"closed": Make(t.Context(), p, How{Seed: 1}), "open": open.plan()} {
			if breaks := p.Breaks(plan.Picks); breaks != nil {
				t.Fatalf("problem %d, %s: %v", n, how, breaks)
			}
			if plan.Worth < 0.98*best || plan.Worth > best*(1+1e-9) {
				t.Errorf("problem %d, %s: the plan brings %v, the best of all %v", n, how, plan.Worth, best)
			}
			if plan.Bound < best*(1-1e-9) {
				t.Errorf("problem %d, %s: the bound %v lies below the best of all %v", n, how, plan.Bound, best)
			}
		}
	}
}

// No plan breaks a limit, of 10,000 problems; limits are reckoned here as the model says them, not as the plan does.
func TestNoPlanBreaksALimit(t *testing.T) {
	t.Parallel()
	luck := rand.New(rand.NewPCG(3, 3))
	for n := range 10_000 {
		p := small(luck, 1+luck.IntN(6), 2+luck.IntN(12), 1+luck.IntN(12))
		plan := Make(t.Context(), p, How{Seed: uint64(n), Rounds: 5})
		chosen := make([][]int, len(p.Stands))
		for i := range chosen {
			chosen[i] = make([]int, p.Days)
		}
		for _, pick := range plan.Picks {
			chosen[pick.Stand][pick.Day] += pick.Units
			if p.Stands[pick.Stand].Quality[pick.Day] == 0 {
				t.Errorf("problem %d: %v is on a day when nothing may be taken", n, pick)
			}
		}
		for _, pick := range plan.Picks {
			if !bears(&p.Stands[pick.Stand], chosen[pick.Stand][:pick.Day+1]) {
				t.Errorf("problem %d: %v is more than the stand bears", n, pick)
			}
		}
		if !affords(p, chosen) {
			t.Errorf("problem %d: trays or hours do not suffice for %v", n, plan.Picks)
		}
		if worth := brings(p, chosen); math.Abs(worth-plan.Worth) > 1e-6*(1+worth) || plan.Bound < worth*(1-1e-9) {
			t.Errorf("problem %d: it brings %v, said are %v and at most %v", n, worth, plan.Worth, plan.Bound)
		}
	}
}

// More trays, more time, a larger stand or a larger need never make the best plan worse.
func TestMoreRoomIsNeverWorse(t *testing.T) {
	t.Parallel()
	luck := rand.New(rand.NewPCG(9, 9))
	for n := range 200 {
		p, _ := worthwhile(luck)
		before := Make(t.Context(), p, How{Seed: 1})
		switch n % 3 {
		case 0:
			p.TrayArea += luck.Float64()
		case 1:
			p.Minutes[luck.IntN(p.Days)] += 30
		case 2:
			p.Products[luck.IntN(len(p.Products))].Need += 40
		}
		if after := Make(t.Context(), p, How{Seed: 1}); after.Worth < before.Worth*(1-1e-9) {
			t.Errorf("problem %d: with more room %v, without %v", n, after.Worth, before.Worth)
		}
	}
}

// From an unchanged problem nothing changes; where one day falls out, what does not lie on it stays unless moving it pays.
func TestPlanningAgainMovesLittle(t *testing.T) {
	t.Parallel()
	p := garden(12, 60)
	plan := Make(t.Context(), p, How{Seed: 1})
	old := Made{*p, plan}
	same := *p
	if again := Again(t.Context(), old, &same, 1, How{Seed: 2}); !slices.Equal(again.Picks, plan.Picks) {
		t.Errorf("from an unchanged problem %v became %v", plan.Picks, again.Picks)
	}
	away := plan.Picks[len(plan.Picks)/2].Day
	same.Minutes = slices.Clone(p.Minutes)
	same.Minutes[away] = 0
	price := plan.Worth / 50
	again := Again(t.Context(), old, &same, price, How{Seed: 2})
	if breaks := same.Breaks(again.Picks); breaks != nil {
		t.Fatal(breaks)
	}
	moved := 0
	for _, pick := range plan.Picks {
		stays := slices.ContainsFunc(again.Picks, func(o Pick) bool { return o.Stand == pick.Stand && o.Day == pick.Day })
		if pick.Day == away && stays {
			t.Errorf("%v is still planned for the day away", pick)
		}
		if pick.Day != away && !stays {
			moved++
		}
	}
	// To drop what lies on the day and do nothing else was open too: each further change has brought its price.
	left := slices.DeleteFunc(slices.Clone(plan.Picks), func(pick Pick) bool { return pick.Day == away })
	a := newAccount(&same)
	for _, pick := range left {
		a.set(pick.Stand, pick.Day, pick.Units)
	}
	came := 0
	for _, pick := range again.Picks {
		if !slices.ContainsFunc(left, func(o Pick) bool { return o.Stand == pick.Stand && o.Day == pick.Day }) {
			came++
		}
	}
	if again.Worth < a.worth()+price*float64(moved+came)-1e-6 {
		t.Errorf("%d moved and %d came for %v more", moved, came, again.Worth-a.worth())
	}
	if moved > len(plan.Picks)/4 {
		t.Errorf("%d of %d moved for one day away", moved, len(plan.Picks))
	}
}

// What is settled stays as it is; what breaks a limit is dropped with its reason, and the rest is planned around.
func TestWhatIsSettledStays(t *testing.T) {
	t.Parallel()
	p := garden(12, 60)
	plan := Make(t.Context(), p, How{Seed: 1})
	kept := plan.Picks[3]
	kept.Units = 1
	over := Pick{kept.Stand, kept.Day + 1, 1000}
	p.Locked = []Pick{over, kept}
	unkept := p.Settle()
	if len(unkept) != 1 || unkept[0].Pick != over || unkept[0].Why.Why == "" {
		t.Fatalf("dropped are %v, want the second alone", unkept)
	}
	if again := Make(t.Context(), p, How{Seed: 1}); !slices.Contains(again.Picks, kept) || p.Breaks(again.Picks) != nil {
		t.Errorf("settled %v, planned %v, broken %v", kept, again.Picks, p.Breaks(again.Picks))
	}
}

// A planning that is stopped gives the best plan so far, with a bound where one is known.
func TestAStoppedPlanningGivesWhatItHas(t *testing.T) {
	t.Parallel()
	p := garden(20, 90)
	ctx, stop := context.WithCancel(t.Context())
	var told []float64
	plan := Make(ctx, p, How{Seed: 1, Told: func(done float64, soFar func() Plan) {
		told = append(told, done)
		if soFar().Worth <= 0 || len(told) > 3 {
			stop()
		}
	}})
	if len(told) < 3 || len(told) > 5 || !slices.IsSorted(told) {
		t.Errorf("told %v times: %v", len(told), told)
	}
	if p.Breaks(plan.Picks) != nil || plan.Worth <= 0 || plan.Bound < plan.Worth {
		t.Errorf("stopped, it brings %v of at most %v", plan.Worth, plan.Bound)
	}
}

// The absurd is planned as far as it goes, and the impossible is refused with its place.
func TestAbsurdProblems(t *testing.T) {
	t.Parallel()
	nothing := &Problem{Days: 1, Minutes: []float64{0}}
	if plan := Make(t.Context(), nothing, How{}); len(plan.Picks) != 0 || plan.Worth != 0 || plan.Better() != 0 {
		t.Errorf("of nothing comes %+v", plan)
	}
	p := garden(6, 30)
	for t := range p.Minutes {
		p.Minutes[t] = 0
	}
	if plan := Make(t.Context(), p, How{}); len(plan.Picks) != 0 || plan.Better() != 0 {
		t.Errorf("without an hour %v are planned, at most %v better", plan.Picks, plan.Better())
	}
	for where, spoil := range map[string]func(p *Problem){
		"days":                   func(p *Problem) { p.Days = 0 },
		"tray_area":              func(p *Problem) { p.TrayArea = math.NaN() },
		"minutes":                func(p *Problem) { p.Minutes = p.Minutes[1:] },
		"minutes[2]":             func(p *Problem) { p.Minutes[2] = -1 },
		"products[0].need":       func(p *Problem) { p.Products[0].Need = math.Inf(1) },
		"stands[1].product":      func(p *Problem) { p.Stands[1].Products = []int{99} },
		"stands[0].full":         func(p *Problem) { p.Stands[0].Full = 1e9 },
		"stands[0].cut_share":    func(p *Problem) { p.Stands[0].CutShare = 2 },
		"stands[0].quality[1]":   func(p *Problem) { p.Stands[0].Quality[1] = 1.1 },
		"stands[0].grown":        func(p *Problem) { p.Stands[0].Grown[3] = -4 },
		"stands[2].unit_minutes": func(p *Problem) { p.Stands[2].UnitMinutes = -3 },
	} {
		p := garden(6, 30)
		if spoil(p); !slices.ContainsFunc(p.Check(), func(f Fault) bool { return f.Where == where && f.Why != "" }) {
			t.Errorf("want a fault at %s: %v", where, p.Check())
		}
	}
	if faults := garden(6, 30).Check(); faults != nil {
		t.Errorf("a sound problem is refused: %v", faults)
	}
}

// Two days as good as each other, and a third a little better for a few units: where an outing costs nothing each is
// used, where it costs more than the few bring the rest is fetched at once.
func TestAnOutingMustBringSomething(t *testing.T) {
	p := &Problem{
		Days: 3, TrayArea: 100, Minutes: []float64{600, 600, 600}, Products: []Product{{Need: 100, Weight: 1, By: -1}},
		Stands: []Stand{{
			Products: []int{0}, Full: 20, CutShare: 0.5, Grams: 10, Grown: []float64{0, 0.2, 0.4}, Quality: []float64{0.9, 1, 0.9},
		}},
	}
	// Ten on the middle day meet the need exactly: one picking, whatever an outing costs.
	for _, cost := range []float64{0, 5} {
		p.Outing = cost
		if plan := Make(t.Context(), p, How{Seed: 1}); math.Abs(plan.Worth-100+cost) > 1e-9 || cost > 0 && len(plan.Picks) != 1 {
			t.Errorf("at %v an outing the plan is %+v", cost, plan)
		}
	}
	// 8 on the middle day and 2 more at 0.9 on the last bring 98 with two outings; all 10 on the last bring 90 with one.
	p.Stands[0].Grown, p.Stands[0].Ready = nil, []float64{0.1, 0.4, 0.5}
	for cost, want := range map[float64]float64{1: 98 - 2, 20: 90 - 20} {
		p.Outing = cost
		plan := Make(t.Context(), p, How{Seed: 1})
		if math.Abs(plan.Worth-want) > 1e-9 || plan.Bound < plan.Worth-1e-9 {
			t.Errorf("at %v an outing the plan is %+v, want %v", cost, plan, want)
		}
	}
}

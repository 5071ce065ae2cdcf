package season

import "math"

// course finds the best days and amounts for one stand alone, where a unit of each day has a value and each visit a
// cost: an exact dynamic programme over the days and what is missing after the cut on each. It is laid out once for a
// stand and run again and again with other values.
type course struct {
	stand *Stand
	// most is the most that may be missing after a cut, by day; limit the most that time and trays let one visit take.
	most, limit []int
	// forced is what is settled to be taken on a day, -1 where nothing is.
	forced []int

	// everyDay is that days that bring nothing come into question too.
	everyDay bool

	// Of one run. days are those that come into question; all the rest goes by their index.
	days []int
	// value is what may still come after a cut that left so much missing, and after the next cut that brings it.
	value [][]float64
	after [][]next
	// best is what the best cut of a day brings with all that may come after it, by what was missing before it, and to is
	// what is missing after that cut.
	best [][]float64
	to   [][]int32
	// stay is the best cut of a day or of any day after it where nothing grows back between them, by what is missing; with
	// first, which day that is. Of a stand that grows back only what is missing nothing is kept.
	stay  [][]float64
	first [][]int32
	queue []int32
}

// next is a cut to come: the index of its day, -1 for none.
type next struct{ day, to int32 }

func newCourse(p *Problem, i int) *course {
	s := &p.Stands[i]
	c := &course{
		stand: s, most: make([]int, p.Days), limit: make([]int, p.Days), forced: make([]int, p.Days),
		days: make([]int, 0, p.Days), queue: make([]int32, 0, MostUnits),
	}
	widest := 0
	for t := range p.Days {
		c.forced[t] = -1
		if s.Quality[t] > 0 {
			c.most[t] = s.most(t)
		}
		c.limit[t] = min(c.most[t], p.visitLimit(s, p.Minutes[t], p.TrayArea))
		widest = max(widest, c.most[t])
	}
	for _, lock := range p.Locked {
		if lock.Stand == i {
			c.forced[lock.Day] = lock.Units
			widest = max(widest, lock.Units)
		}
	}
	for range p.Days + 1 {
		c.value, c.after = append(c.value, make([]float64, widest+1)), append(c.after, make([]next, widest+1))
		c.best, c.to = append(c.best, make([]float64, widest+1)), append(c.to, make([]int32, widest+1))
		c.stay, c.first = append(c.stay, make([]float64, widest+1)), append(c.first, make([]int32, widest+1))
	}
	return c
}

// visitLimit is how many units one visit may take within so many minutes and so much space on the trays.
func (p *Problem) visitLimit(s *Stand, minutes, trays float64) int {
	limit := float64(MostUnits)
	if minutes+hair < s.VisitMinutes {
		return 0
	}
	if s.UnitMinutes > 0 {
		limit = min(limit, (minutes-s.VisitMinutes)/s.UnitMinutes)
	}
	if s.Area > 0 && s.DryDays > 0 {
		limit = min(limit, trays/s.Area)
	}
	return max(0, int(math.Floor(limit+hair)))
}

// run returns what the best season of the stand brings, and its pickings in the order of their days: worth is what a
// unit of each day is worth, visit what a visit costs, limit the most units that a visit may take. What is settled is
// taken whatever it is worth; total is -Inf where that cannot be.
func (c *course) run(worth, visit []float64, limit []int, picks []Pick) (total float64, all []Pick) {
	c.days = c.days[:0]
	for t, forced := range c.forced {
		most := min(limit[t], c.most[t])
		if forced >= 0 || most > 0 && (c.everyDay || worth[t]*float64(most) > visit[t]) {
			c.days = append(c.days, t)
		}
	}
	end := len(c.days)
	for x := range c.stay[end] {
		c.stay[end][x], c.first[end][x] = 0, -1
	}
	for k := end - 1; k >= 0; k-- {
		c.fillValue(k)
		c.fillBest(k, worth[c.days[k]], visit[c.days[k]], limit[c.days[k]])
		c.fillStay(k)
	}
	total, at := c.start()
	last := -1
	for missing := 0; at.day >= 0; at = c.after[at.day][missing] {
		t := c.days[at.day]
		before := c.stand.before(t)
		if last >= 0 {
			before = c.stand.left(float64(missing), c.stand.regrown(last, t))
		}
		picks = append(picks, Pick{Day: t, Units: int(at.to) - before})
		missing, last = int(at.to), t
	}
	return total, picks
}

// fillValue reckons what may come after a cut on the day k, for all that may be missing after it.
func (c *course) fillValue(k int) {
	s, day := c.stand, c.days[k]
	most := c.top(k)
	if s.Grown == nil {
		for x := range most + 1 {
			c.value[k][x], c.after[k][x] = c.stay[k+1][x], c.nextAt(int(c.first[k+1][x]), x)
		}
		return
	}
	// Once a whole regrowth has passed nothing is missing, whatever was.
	whole, blocked := k+1, false
	for ; whole < len(c.days) && s.regrown(day, c.days[whole]) < 1; whole++ {
		if c.forced[c.days[whole]] >= 0 { // what is settled is not passed over
			blocked = true
			whole++
			break
		}
	}
	for x := range most + 1 {
		value, after := math.Inf(-1), next{-1, 0}
		if !blocked {
			value, after = c.stay[whole][0], c.nextAt(int(c.first[whole][0]), 0)
		}
		for j := k + 1; j < whole; j++ {
			m := s.left(float64(x), s.regrown(day, c.days[j]))
			if m <= c.top(j) && c.best[j][m] > value {
				value, after = c.best[j][m], next{int32(j), c.to[j][m]}
			}
		}
		c.value[k][x], c.after[k][x] = value, after
	}
}

// top is the most that may be missing after a cut on the day k.
func (c *course) top(k int) int {
	return c.most[c.days[k]]
}

func (c *course) nextAt(day, missing int) next {
	if day < 0 {
		return next{-1, 0}
	}
	return next{int32(day), c.to[day][missing]}
}

// fillBest reckons the best cut on the day k for all that may be missing before it: the greatest value over a window
// that slides with what is missing.
func (c *course) fillBest(k int, worth, visit float64, limit int) {
	most, day := c.top(k), c.days[k]
	if forced := c.forced[day]; forced >= 0 {
		for m := range c.best[k] {
			c.best[k][m], c.to[k][m] = math.Inf(-1), 0
			if m+forced <= most {
				c.best[k][m] = worth*float64(forced) - visit + c.value[k][m+forced]
				c.to[k][m] = int32(m + forced)
			}
		}
		return
	}
	limit = min(limit, most)
	reached := func(x int32) float64 { return worth*float64(x) + c.value[k][x] }
	queue, head, x := c.queue[:0], 0, 1
	for m := range c.best[k] {
		for ; x <= min(most, m+limit); x++ {
			for len(queue) > head && reached(queue[len(queue)-1]) < reached(int32(x)) {
				queue = queue[:len(queue)-1]
			}
			queue = append(queue, int32(x))
		}
		for head < len(queue) && int(queue[head]) <= m {
			head++
		}
		c.best[k][m], c.to[k][m] = math.Inf(-1), 0
		if head < len(queue) {
			c.best[k][m] = reached(queue[head]) - worth*float64(m) - visit
			c.to[k][m] = queue[head]
		}
	}
}

// fillStay reckons the best of the day k and all after it, where what is missing stays so; of a stand that grows
// back, for nothing missing.
func (c *course) fillStay(k int) {
	forced := c.forced[c.days[k]] >= 0
	for m := range c.stay[k] {
		c.stay[k][m], c.first[k][m] = c.stay[k+1][m], c.first[k+1][m]
		if forced || c.best[k][m] > c.stay[k][m] {
			c.stay[k][m], c.first[k][m] = c.best[k][m], int32(k)
		}
		if c.stand.Grown != nil {
			return
		}
	}
}

// start returns the best first cut, none where none pays.
func (c *course) start() (total float64, first next) {
	first = next{-1, 0}
	for _, day := range c.days {
		if c.forced[day] >= 0 {
			total = math.Inf(-1) // what is settled is taken, so none is no choice
			break
		}
	}
	for j, day := range c.days {
		if m := c.stand.before(day); m <= c.top(j) && c.best[j][m] > total {
			total, first = c.best[j][m], next{int32(j), c.to[j][m]}
		}
		if c.forced[day] >= 0 {
			break
		}
	}
	return total, first
}

package season

import (
	"context"
	"math"
	"slices"
	"time"

	planning "bramblyacre/core/harvest/season"
)

// more is what a plan would be with more to make do with: found by planning again, not by its prices, which only tell
// where to look.
type more struct {
	// tray and hour are what counts of each product with one tray more, and with an hour more on a weekday; nil where
	// there is no end of them.
	tray, hour []float64
	weekday    time.Weekday
	// trays and hours are what counts without end of either, both without end of both: they tell what a shortfall is due
	// to.
	trays, hours, both []float64
}

// moreRounds and moreSteps are how long each of these is sought to be bettered: they start from a plan that is good.
const moreRounds, moreSteps = 150, 80

// moreOf plans again with more to make do with; nil where it was stopped.
func (q *question) moreOf(ctx context.Context, plan planning.Plan) *more {
	m := &more{}
	row := q.drier
	limitsTrays, limitsHours := row.Trays != nil, q.timed
	again := func(change func(p *planning.Problem)) []float64 {
		p := q.problem
		p.Minutes = slices.Clone(p.Minutes)
		change(&p)
		how := planning.How{Seed: uint64(q.state.Site.WeatherSeed), Rounds: moreRounds, Steps: moreSteps}
		better := planning.Again(ctx, planning.Made{Plan: plan}, &p, 0, how)
		return better.Got
	}
	endlessTrays := func(p *planning.Problem) { p.TrayArea = boundless }
	endlessHours := func(p *planning.Problem) {
		for t := range p.Minutes {
			p.Minutes[t] = 24 * 60
		}
	}
	if q.short(plan.Got) {
		if limitsTrays {
			m.tray = again(func(p *planning.Problem) { p.TrayArea += row.TrayM2 })
			m.trays = again(endlessTrays)
		}
		if limitsHours {
			m.weekday = q.dearestWeekday(plan)
			m.hour = again(func(p *planning.Problem) {
				for t := range p.Minutes {
					if day := q.first.AddDays(t); day.Weekday() == m.weekday && !awayOn(q.state, day) {
						p.Minutes[t] = math.Min(24*60, p.Minutes[t]+60)
					}
				}
			})
			m.hours = again(endlessHours)
		}
		if limitsTrays && limitsHours {
			m.both = again(func(p *planning.Problem) { endlessTrays(p); endlessHours(p) })
		}
	}
	if ctx.Err() != nil {
		return nil
	}
	return m
}

// short tells whether anything needed is not wholly covered.
func (q *question) short(got []float64) bool {
	for i := range q.products {
		if q.shortfall(i, got) > 0 {
			return true
		}
	}
	return false
}

// shortfall is how many grams, fresh, of a product are not covered: none where less than a fiftieth is missing.
func (q *question) shortfall(product int, got []float64) float64 {
	const crumb = 0.02
	need := q.problem.Products[product].Need
	if left := need - got[product]; left > crumb*need {
		return left
	}
	return 0
}

// dearestWeekday is the weekday on which time is dearest: by the plan's prices, or of a plan that is kept, which has
// none, by how much is done on days that are nearly full.
func (q *question) dearestWeekday(plan planning.Plan) time.Weekday {
	var dear [7]float64
	for t, price := range plan.Minute {
		dear[q.first.AddDays(t).Weekday()] += price
	}
	if plan.Minute == nil {
		const nearly = 0.8
		for t, used := range q.used(plan.Picks).minutes {
			if used > nearly*q.problem.Minutes[t] {
				dear[q.first.AddDays(t).Weekday()] += used
			}
		}
	}
	best := time.Saturday
	for day := range dear {
		if dear[day] > dear[best] {
			best = time.Weekday(day)
		}
	}
	return best
}

// use is what a plan takes up, by day: minutes of work, and m² of trays.
type use struct{ minutes, trays []float64 }

func (q *question) used(picks []planning.Pick) use {
	u := use{make([]float64, q.problem.Days), make([]float64, q.problem.Days)}
	for _, pick := range picks {
		stand := &q.problem.Stands[pick.Stand]
		u.minutes[pick.Day] += stand.VisitMinutes + float64(pick.Units)*stand.UnitMinutes
		for d := pick.Day; d < min(q.problem.Days, pick.Day+stand.DryDays); d++ {
			u.trays[d] += float64(pick.Units) * stand.Area
		}
	}
	return u
}

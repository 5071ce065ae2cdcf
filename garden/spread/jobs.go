package spread

import (
	"fmt"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/spread"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// jobs are what the policies of stands ask for, in their season.
var jobs = area.Source{Planting: policyJobs, Plot: clearingJobs}

// holdJob is a piece of work of a way of holding.
type holdJob struct {
	way         spread.Way
	key         string
	verb, what  string
	first, last calendar.Date
	minutes     float64
	// lasting is true where it cannot be made good; once where it is done one time.
	lasting, once bool
	reason, cost  string
}

// The parts of a year's growth between which work on edges is done: guesses of ours. Between the first two a single
// edging falls; of several they are spread over the year's growth.
const (
	edgeFrom, edgeUntil   = 0.1, 0.85
	lookFrom, lookUntil   = 0.2, 0.4
	sheetFrom, sheetUntil = 0.02, 0.15
)

// holdJobs are the pieces of work of a plan in a stand's season, in order.
func holdJobs(s *plot.State, clock *clock, p *plot.Planting, plan spread.Plan, of spread.Stand) (all []holdJob) {
	lore := s.Lib.Spread().Work
	edgeM := edgeLength(s, p)
	grown := func(share float64) calendar.Date {
		return clock.after(s.Season.Start, share)
	}
	// parted is the time of one of so many rounds a year.
	parted := func(round, rounds int) (first, last calendar.Date) {
		width := (edgeUntil - edgeFrom) / float64(rounds)
		from := edgeFrom + width*float64(round)
		return grown(from + width*0.25), grown(from + width*0.8)
	}
	since := s.Today
	if held, _, has := s.HoldOf(p.ID); has {
		if day, err := calendar.Parse(held.Since); err == nil {
			since = day
		}
	}
	const onceWithin = 60 // days after it was chosen
	add := func(j holdJob) { all = append(all, j) }
	for _, c := range plan {
		switch c.Way {
		case spread.Behead:
			if first, last, comes := beheadDays(p.Now); comes {
				from := last.AddDays(-21)
				add(holdJob{
					way: c.Way, key: "behead", verb: "Behead", what: "before it seeds", first: from, last: last, lasting: true,
					minutes: lore.Behead.Value * float64(p.Standing()) * headsOf(p), reason: beheadReason(p, first.P50),
					cost: "Seed falls, and comes up for years.",
				})
			}
		case spread.EdgeIt:
			for round := range c.Times {
				first, last := parted(round, c.Times)
				what := "along " + p.Bed.Name
				if c.Times > 1 && round > 0 {
					what = "again, all round " + p.Bed.Name
				}
				add(holdJob{
					way: c.Way, key: fmt.Sprintf("edge%d", round+1), verb: "Edge", what: what, first: first, last: last,
					minutes: lore.Edge.Value * edgeM, reason: "Cut through what runs past the edge, and lift every piece.",
					cost: runsWords(s, p),
				})
			}
		case spread.Pull:
			const rounds = 2
			for round := range rounds {
				first, last := parted(round, rounds)
				add(holdJob{
					way: c.Way, key: fmt.Sprintf("pull%d", round+1), verb: "Pull", what: "seedlings about " + p.Bed.Name, first: first,
					last: last, minutes: pullMinutes(s, p) / rounds, reason: "A seedling comes out with two fingers, a grown plant with a spade.",
					cost: "What grows up sets seed of its own.",
				})
			}
		case spread.MowIt:
			rounds := int(lore.MowTimes.Value)
			for round := range rounds {
				first, last := parted(round, rounds)
				add(holdJob{
					way: c.Way, key: fmt.Sprintf("mow%d", round+1), verb: "Mow", what: "the strip round " + p.Bed.Name, first: first,
					last: last, minutes: lore.Mow.Value * edgeM, reason: "Shoots that are cut as they come have nothing to go on with.",
					cost: runsWords(s, p),
				})
			}
		case spread.DigOut:
			for round := range c.Times {
				first, last := parted(round, c.Times)
				minutes := lore.Dig.Value * of.RadiusM * of.RadiusM * 3.14 * float64(max(1, p.Standing()))
				add(holdJob{
					way: c.Way, key: fmt.Sprintf("dig%d", round+1), verb: "Dig out", what: "every piece", first: first, last: last,
					minutes: max(minutes, 10), reason: rootWords(s, p), cost: "What is left has another year to run.",
				})
			}
		case spread.Barrier:
			add(holdJob{
				way: c.Way, key: "board", verb: "Sink", what: fmt.Sprintf("a board of %s round %s", s.Units.GroundLength(c.DepthCm/100), p.Bed.Name),
				first: since, last: since.AddDays(onceWithin), minutes: lore.Barrier.Value * edgeM, once: true,
				reason: "It stands a hand above the ground, joints lapped, and what is outside is lifted.", cost: runsWords(s, p),
			})
		case spread.Pot:
			add(holdJob{
				way: c.Way, key: "pot", verb: "Move", what: "into pots, and dig over where it stood", first: since,
				last: since.AddDays(onceWithin), minutes: lore.Pot.Value * float64(p.Standing()), once: true,
				reason: "A saucer or a slate under the hole.", cost: runsWords(s, p),
			})
		case spread.Smother:
			add(holdJob{
				way: c.Way, key: "cover", verb: "Cover", what: "with thick card and a sheet, a step past its edge", first: grown(sheetFrom),
				last: grown(sheetUntil), minutes: max(10, lore.Smother.Value*of.RadiusM*of.RadiusM*3.14*float64(p.Standing())),
				reason: "No light through a whole season; the edges weighed down.", cost: "It has a season's light to live on.",
			})
		}
	}
	if len(plan) > 0 && len(of.Fronts) > 0 {
		add(holdJob{
			key: "look", verb: "Look", what: "past the edge of " + p.Bed.Name, first: grown(lookFrom), last: grown(lookUntil), minutes: 5,
			reason: "What came up outside is noted under Spread: it sets the reckoning right.", cost: "What is out is seen a year later.",
		})
	}
	return all
}

// pullMinutes is the work of looking a planting's surroundings over for seedlings, in a year.
func pullMinutes(s *plot.State, p *plot.Planting) float64 {
	way := spread.SeedWay(p.Species)
	if way == nil {
		return 0
	}
	out := way.Reach.Value
	return s.Lib.Spread().Work.Pull.Value * (s.AreaM2(p.BedID) + edgeLength(s, p)*out + 3.14*out*out)
}

func edgeLength(s *plot.State, p *plot.Planting) (metres float64) {
	for _, outline := range s.Forms[p.BedID].Region().Areas {
		for i := range outline {
			metres += outline[i].Distance(outline[(i+1)%len(outline)])
		}
	}
	return metres
}

func headsOf(p *plot.Planting) float64 {
	if way := spread.SeedWay(p.Species); way != nil {
		return way.Heads.Value
	}
	return 0
}

func beheadReason(p *plot.Planting, first calendar.Date) string {
	return fmt.Sprintf("Its first plants set seed about %s. The heads go into a bag, not onto the heap.", first.DayMonth())
}

// runsWords say how far a stand gets in a year in which nothing holds it.
func runsWords(s *plot.State, p *plot.Planting) string {
	most := 0.0
	for _, f := range spread.FrontsOf(p.Species) {
		most = max(most, f.Rate.Value)
	}
	if most == 0 {
		return ""
	}
	return fmt.Sprintf("What is past the edge goes on, about %s a year.", s.Units.GroundLength(most))
}

func daysOf(s *plot.State, j holdJob) string {
	if j.last < s.Today {
		return calendar.Span(j.first, j.last) + ", next time in a year"
	}
	return calendar.Span(j.first, j.last)
}

// policyJobs are the jobs of a planting's policy on a day or soon after.
func policyJobs(s *plot.State, p *plot.Planting, on calendar.Date) (all []area.Job) {
	held, plan, has := s.HoldOf(p.ID)
	if !has || plot.Policy(held.Policy) == plot.PolicyFree || s.IsOther() {
		return nil
	}
	stand := spread.Stand{RadiusM: p.Species.Size.Width.Value / 200, Fronts: spread.FrontsOf(p.Species)}
	for _, job := range holdJobs(s, newClock(s.Sky.Normals()), p, plan, stand) {
		season := s.Season
		if job.once {
			if since, err := calendar.Parse(held.Since); err == nil {
				season = calendar.SeasonOf(s.Site.Latitude, since)
			}
		}
		j := area.NewJob(s, p, "spread", job.key, season, job.first, job.last, on)
		j.Minutes, j.Irreversible, j.Stake = job.minutes, job.lasting, holdStake
		if job.way == spread.EdgeIt || job.way == spread.MowIt {
			j.Wants = agenda.DryDay
		}
		v := &j.View
		v.Verb, v.What, v.Minutes, v.Lasting = job.verb, p.Species.Names.Name+" "+job.what, job.minutes, job.lasting
		v.Amount, v.Reason, v.Cost = say.MinutesWords(job.minutes), job.reason, job.cost
		if job.way == spread.Behead && p.Now != nil {
			late := p.Now.FirstPlantsBy(flora.SettingSeed, max(on, job.last.AddDays(7)))
			v.Reason += fmt.Sprintf(" A week after %s it is late with %s.", job.last.DayMonth(), say.Chance(late))
		}
		all = append(all, j)
	}
	return all
}

// holdStake is what work that is missed costs of a planting's worth in a year, to put jobs in an order: a guess of ours.
const holdStake = 0.5

package spread

import (
	"fmt"
	"math"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
	"bramblyacre/core/spread"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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

// seasonOf is what the jobs of a stand's ways are reckoned from.
type seasonOf struct {
	s     *plot.State
	p     *plot.Planting
	clock *clock
	lore  *spread.WorkLore
	// edgeM is how long its bed's edge is in metres, m2 the ground that its plants cover.
	edgeM, m2 float64
	// since is the day from which it is held so.
	since calendar.Date
	runs  string // how far it gets in a year in which nothing holds it
}

// grown is the day by which a share of the season's growth is past.
func (o *seasonOf) grown(share float64) calendar.Date { return o.clock.after(o.s.Season.Start, share) }

// parted is the time of one of so many rounds a season.
func (o *seasonOf) parted(round, rounds int) (first, last calendar.Date) {
	width := (edgeUntil - edgeFrom) / float64(rounds)
	from := edgeFrom + width*float64(round)
	return o.grown(from + width*0.25), o.grown(from + width*0.8)
}

// rounds are the same work several times a season, numbered.
func (o *seasonOf) rounds(rounds int, j holdJob) (all []holdJob) {
	for round := range rounds {
		one := j
		one.key = fmt.Sprintf("%s%d", j.key, round+1)
		one.first, one.last = o.parted(round, rounds)
		if round > 0 {
			one.what = "again, " + j.what
		}
		all = append(all, one)
	}
	return all
}

// once is work that is done one time, soon after it was chosen.
func (o *seasonOf) once(j holdJob) []holdJob {
	const within = 60 // days
	j.once, j.first, j.last, j.cost = true, o.since, o.since.AddDays(within), o.runs
	return []holdJob{j}
}

// holdJobs are the pieces of work of a plan in a stand's season, in order.
func holdJobs(s *plot.State, clock *clock, p *plot.Planting, plan spread.Plan, of spread.Stand) (all []holdJob) {
	o := &seasonOf{
		s: s, p: p, clock: clock, lore: &s.Lib.Spread().Work, edgeM: edgeLength(s, p), since: s.Today, runs: runsWords(s, p),
		m2: math.Pi * of.RadiusM * of.RadiusM * float64(max(1, p.Standing())),
	}
	if held, _, has := s.HoldOf(p.ID); has {
		o.since = dayOrToday(held.Since, s.Today)
	}
	for _, c := range plan {
		for _, j := range o.of(c) {
			j.way = c.Way
			all = append(all, j)
		}
	}
	_, edged := plan.Of(spread.EdgeIt)
	_, sunk := plan.Of(spread.Barrier)
	if (edged || sunk) && seenOut(s, p) {
		all = append(all, o.once(holdJob{
			key: "lift", verb: "Lift", what: "all that is past the edge, every piece", minutes: leastMinutes,
			reason: "It was seen out there; what is out is held by no edge.",
		})...)
	}
	if len(plan) > 0 && len(of.Fronts) > 0 {
		all = append(all, holdJob{
			key: "look", verb: "Look", what: "past the edge of " + p.Bed.Name, first: o.grown(lookFrom), last: o.grown(lookUntil),
			minutes: lookMinutes, cost: "What is out is seen a year later.",
			reason: "What came up outside is noted under Spread: it sets the reckoning right.",
		})
	}
	return all
}

// seenOut tells whether a planting was seen past its bed's edge when it was looked for last.
func seenOut(s *plot.State, p *plot.Planting) (out bool) {
	last := ""
	for _, row := range sightings.Of(s) {
		if row.PlantingID == p.ID && row.Day >= last {
			last = row.Day
			out = row.X != nil && row.Y != nil && !s.Forms[p.BedID].Region().Contains(geometry.Point{X: *row.X, Y: *row.Y})
		}
	}
	return out
}

// lookMinutes is the work of looking past an edge: a guess of ours.
const lookMinutes = 5

// leastMinutes is what digging and covering take at the least.
const leastMinutes = 10

// of are the pieces of work of one way.
func (o *seasonOf) of(c spread.Control) []holdJob {
	bed := o.p.Bed.Name
	switch c.Way {
	case spread.Behead:
		return o.behead()
	case spread.EdgeIt:
		return o.rounds(c.Times, holdJob{
			key: "edge", verb: "Edge", what: "along " + bed, minutes: o.lore.Edge.Value * o.edgeM, cost: o.runs,
			reason: "Cut through what runs past the edge, and lift every piece.",
		})
	case spread.Pull:
		const rounds = 2
		return o.rounds(rounds, holdJob{
			key: "pull", verb: "Pull", what: "seedlings about " + bed, minutes: pullMinutes(o.s, o.p) / rounds,
			reason: "A seedling comes out with two fingers, a grown plant with a spade.", cost: "What grows up sets seed of its own.",
		})
	case spread.MowIt:
		return o.rounds(int(o.lore.MowTimes.Value), holdJob{
			key: "mow", verb: "Mow", what: "the strip round " + bed, minutes: o.lore.Mow.Value * o.edgeM, cost: o.runs,
			reason: "Shoots that are cut as they come have nothing to go on with.",
		})
	case spread.DigOut:
		return o.rounds(c.Times, holdJob{
			key: "dig", verb: "Dig out", what: "every piece", minutes: max(leastMinutes, o.lore.Dig.Value*o.m2),
			reason: rootWords(o.s, o.p), cost: "What is left has another year to run.",
		})
	case spread.Barrier:
		return o.once(holdJob{
			key: "board", verb: "Sink", what: fmt.Sprintf("a board of %s round %s", o.s.Units.GroundLength(c.DepthCm/100), bed),
			minutes: o.lore.Barrier.Value * o.edgeM,
			reason:  "It stands a hand above the ground, joints lapped, and what is outside is lifted.",
		})
	case spread.Pot:
		return o.once(holdJob{
			key: "pot", verb: "Move", what: "into pots, and dig over where it stood",
			minutes: o.lore.Pot.Value * float64(o.p.Standing()), reason: "A saucer or a slate under the hole.",
		})
	case spread.Smother:
		return []holdJob{{
			key: "cover", verb: "Cover", what: "with thick card and a sheet, a step past its edge", first: o.grown(sheetFrom),
			last: o.grown(sheetUntil), minutes: max(leastMinutes, o.lore.Smother.Value*o.m2),
			reason: "No light through a whole season; the edges weighed down.", cost: "It has a season's light to live on.",
		}}
	}
	return nil // eating it down is harvest, and hens have a page of their own
}

// beheadingDays is for how many days before the last one heads may come off.
const beheadingDays = 21

func (o *seasonOf) behead() []holdJob {
	first, last, comes := view.BeheadDays(o.p.Now)
	if !comes {
		return nil
	}
	return []holdJob{{
		key: "behead", verb: "Behead", what: "before it seeds", first: last.AddDays(-beheadingDays), last: last, lasting: true,
		minutes: o.lore.Behead.Value * float64(o.p.Standing()) * headsOf(o.p), reason: beheadReason(first.P50),
		cost: "Seed falls, and comes up for years.",
	}}
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

func beheadReason(first calendar.Date) string {
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
			v.Reason += " " + view.LateWords(p.Now, on)
		}
		all = append(all, j)
	}
	return all
}

// holdStake is what work that is missed costs of a planting's worth in a year, to put jobs in an order: a guess of
// ours.
const holdStake = 0.5

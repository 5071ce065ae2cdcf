package season

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// pickJobs are the pickings that are open or open soon: as much and on the day that the plan which is followed says,
// where it has them.
func (u *Uses) pickJobs(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
	var jobs []area.Job
	for _, span := range s.Spans(p) {
		part := span.Window.Part
		at := max(on, span.First)
		if view.Refusal(s, p, part, at) != nil || span.Last < on {
			continue
		}
		offer, _ := view.Allowance(s, p, part, at)
		if !offer.Offered {
			continue
		}
		j := area.NewJob(s, p, "pick", part.Name, calendar.SeasonOf(s.Site.Latitude, span.First), span.First, span.Last, on)
		j.Minutes = math.Max(3, offer.Units*part.Harvest.MinutesEach.Value)
		j.View.Minutes = j.Minutes
		j.Stake, j.Wants = pickStake(s, p, part, on), agenda.DryDay
		j.View.Verb, j.View.What, j.View.Part = offer.Verb, say.PartOf(p.Species.Names.Name, part.Name), part.Name
		j.View.Amount = say.LowerFirst(offer.Amount) + " · " + offer.Weight
		if on < span.First {
			j.View.Reason = strings.TrimSpace(
				fmt.Sprintf("Opens %s. %s %s", say.ViewDates(span.Window.Opens).Text, offer.Sign, plot.LookedAt(p)),
			)
		} else {
			j.View.Reason = strings.TrimSpace(offer.Sign + " " + regrowthWords(offer) + offer.Weather)
		}
		u.byPlan(s, &j, p, part, at, offer)
		j.View.Caution = strings.Join(offer.Cautions, " ")
		jobs = append(jobs, j)
	}
	return jobs
}

// pickStake is what is lost where a part is not picked: its year, where the household still needs of it, little where
// it has what it needs, and less than half where nobody said.
func pickStake(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date) float64 {
	const unsaid, covered = 0.3, 0.05
	needed := s.StillNeeded(p, part, s.YearOfLife(p, calendar.SeasonOf(s.Site.Latitude, on)))
	switch {
	case needed == nil:
		return unsaid
	case *needed <= 0:
		return covered
	}
	return 1
}

// regrowthWords repeats the regrowth limit's reason where there is one.
func regrowthWords(view view.AllowanceView) string {
	for _, limit := range view.Limits {
		if limit.Kind == "regrowth" {
			return limit.Reason + " "
		}
	}
	return ""
}

// soonPlanned is how many days ahead a planned picking is a job of its own.
const soonPlanned = 7

// byPlan turns a picking into the one that the plan says: its day and its amount, or that it waits.
func (u *Uses) byPlan(
	s *plot.State, j *area.Job, p *plot.Planting, part flora.Part, at calendar.Date, offer view.AllowanceView,
) {
	picks, follows := u.followedPicks(s, calendar.SeasonOf(s.Site.Latitude, at))
	if !follows || s.IsToGo(p.ID) {
		return
	}
	if _, needed := s.NeedOf(p.SpeciesID, part.Name); !needed {
		return
	}
	var next *Picking
	for i := range picks {
		one := &picks[i]
		if one.Planting == p.ID && one.Part == part.Name && one.on() >= s.Today && (next == nil || one.Day < next.Day) {
			next = one
		}
	}
	if next == nil {
		j.Stake, j.View.Reason = 0, "The plan of the season takes none of it. "+j.View.Reason
		return
	}
	day := next.on()
	if day > at.AddDays(soonPlanned) {
		j.Stake, j.View.Reason = 0, fmt.Sprintf("The plan of the season takes it on %s. ", day.DayMonth())+j.View.Reason
		return
	}
	units := math.Min(float64(next.Units), offer.Units)
	if day > at { // what may be taken then is not known yet
		units = float64(next.Units)
	}
	j.BestFirst, j.BestLast = day, day
	j.Minutes = math.Max(3, units*part.Harvest.MinutesEach.Value)
	j.View.Minutes = j.Minutes
	j.View.Amount = say.Counted(units, part.Harvest.One, part.Harvest.Many)
	if offer.Units > 0 {
		j.View.Amount += " · " + s.Units.Weight(units*offer.Grams/offer.Units)
	}
	why := "Planned for " + day.WeekdayDayMonth()
	if next.Tied {
		why = strings.TrimSuffix("Tied to "+day.WeekdayDayMonth()+", "+next.Why, ", ")
	}
	j.View.Reason = why + ". " + j.View.Reason
}

// followedPicks are the pickings of the plan that is followed, as it stands today; false where none is.
func (u *Uses) followedPicks(s *plot.State, season calendar.Season) (picks []Picking, follows bool) {
	row, kept, has := followed(s, season)
	if !has || season != s.Season && season != s.Next {
		return nil, false
	}
	q, err := u.questionOf(s, season)
	if err != nil {
		return nil, false
	}
	w := u.work(q, kept, &row, false)
	<-w.planned
	plan, _, _, _ := w.now()
	return q.pickings(plan, kept), true
}

package season

import (
	"context"
	"fmt"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// CustomDayInput is a day of every year on which a custom of the household asks for a part.
type CustomDayInput struct {
	Name      string `json:"name" doc:"Midsummer"`
	Month     int    `json:"month"`
	Day       int    `json:"day"`
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
}

// CustomDayView is such a day.
type CustomDayView struct {
	ID    int64  `json:"id"`
	Words string `json:"words"`
}

// CustomDays are the days of the year on which customs ask for parts.
func (u *Uses) CustomDays(ctx context.Context) ([]CustomDayView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	views := []CustomDayView{}
	for _, row := range customDays.Of(s) {
		name := row.SpeciesID
		if species, has := s.Lib.Species(row.SpeciesID); has {
			name = species.Names.Name
		}
		views = append(views, CustomDayView{row.ID, fmt.Sprintf(
			"%s, %d %s: %s", row.Name, row.Day, time.Month(row.Month), say.PartOf(name, row.Part))})
	}
	return views, nil
}

// AddCustomDay notes such a day. Customs have to be switched on.
func (u *Uses) AddCustomDay(ctx context.Context, in CustomDayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		if s.Site.Customs == 0 {
			c.Add("name", "Customs are switched off. Switch them on in Settings first.")
		}
		species, _, err := takenPart(s, &c, in.SpeciesID, in.Part)
		if err != nil {
			return journal.Record{}, err
		}
		name := c.Name("name", in.Name)
		if name == "" && !c.Has("name") {
			c.Add("name", "Say what the day is called.")
		}
		const leapYear = 2032 // so that 29 February is a day
		if _, err := calendar.New(leapYear, time.Month(in.Month), in.Day); err != nil {
			c.Add("day", "There is no such day in a year.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err = customDaysTable.Put(ctx, d, 0, store.PutCustomDayParams{
			Name: name, Month: int64(in.Month), Day: int64(in.Day), SpeciesID: in.SpeciesID, Part: in.Part,
		})
		return journal.Record{Kind: kindSeason, Summary: fmt.Sprintf(
			"%s asks for %s", name, say.PartOf(species.Names.Name, in.Part))}, err
	})
}

// DropCustomDay takes such a day off.
func (u *Uses) DropCustomDay(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range customDays.Of(s) {
			if row.ID == id {
				return journal.Record{Kind: kindSeason, Summary: row.Name + " asks for nothing any more"},
					customDaysTable.Drop(ctx, d, id)
			}
		}
		return journal.Record{}, say.NotFoundError{What: "custom"}
	})
}

// askedDays are the days of a season on which customs ask for a part, each against the best day of it: none while
// customs are switched off.
func (q *question) askedDays(species, part string) []AskedDay {
	asked := []AskedDay{}
	if q.state.Site.Customs == 0 {
		return asked
	}
	for _, row := range customDays.Of(q.state) {
		if row.SpeciesID != species || row.Part != part {
			continue
		}
		for year := q.first.Year(); year <= q.season.End.Year(); year++ {
			day, err := calendar.New(year, time.Month(row.Month), int(row.Day))
			if err != nil || day < q.first || !q.season.Contains(day) {
				continue
			}
			asked = append(
				asked,
				AskedDay{day, fmt.Sprintf("%s, %s: %s", row.Name, day.DayMonth(), q.againstBest(species, part, day))},
			)
		}
	}
	return asked
}

// againstBest says how a day lies to the best one of a part.
func (q *question) againstBest(species, part string, day calendar.Date) string {
	best, at := 0.0, -1
	today := 0.0
	for i, stand := range q.stands {
		if stand.p.SpeciesID != species || stand.part.Name != part {
			continue
		}
		for t, good := range q.problem.Stands[i].Quality {
			if good > best+1e-9 {
				best, at = good, t
			}
			if q.first.AddDays(t) == day {
				today = max(today, good)
			}
		}
	}
	switch gap := day.DaysSince(q.first.AddDays(at)); {
	case at < 0 || today == 0:
		return "nothing of it may be taken then"
	case today > 0.95*best:
		return "at its best"
	case gap < 0:
		return say.Counted(float64(-gap), "day", "days") + " before its best"
	default:
		return say.Counted(float64(gap), "day", "days") + " after its best"
	}
}

// customEvents are the days of a season on which customs ask for what stands on the plot and is needed.
func (u *Uses) customEvents(s *plot.State, season calendar.Season) (events []area.Event) {
	if s.Site.Customs == 0 || len(customDays.Of(s)) == 0 {
		return nil
	}
	q, err := u.questionOf(s, season)
	if err != nil {
		return nil
	}
	had := map[string]bool{}
	for _, stand := range q.stands {
		key := stand.p.SpeciesID + "/" + stand.part.Name
		if had[key] {
			continue
		}
		had[key] = true
		for _, asked := range q.askedDays(stand.p.SpeciesID, stand.part.Name) {
			events = append(events, area.Event{
				UID: fmt.Sprintf("custom-%s-%s@brambly-acre", strings.ReplaceAll(key, " ", "-"), asked.Day), First: asked.Day,
				Last: asked.Day, Summary: say.PartOf(stand.p.Species.Names.Name, stand.part.Name) + " is asked for",
				Description: asked.Words,
			})
		}
	}
	return events
}

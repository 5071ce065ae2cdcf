package plot

import (
	"cmp"
	"context"
	"errors"
	"fmt"
	"slices"
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/parallel"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

const (
	// YearsAhead is how many seasons after the next can be shown, YearsBack how many before this.
	YearsAhead, YearsBack = 10, 40
)

// ErrOtherSeason is returned where something is reckoned for this season and the next alone.
var ErrOtherSeason = errors.New("it is reckoned for this season alone")

// StateOn returns the plot and the day to show, which is today for NoDay. Of a day outside this season and the next
// it is the plot as it stood or will stand in that season: what is past as it was seen, with all looks of its season,
// what is to come as far as it can be told. A day outside FirstShown and LastShown is a fault.
func (g *Plot) StateOn(ctx context.Context, on calendar.Date) (*State, calendar.Date, error) {
	s, err := g.State(ctx)
	if err != nil {
		return nil, 0, err
	}
	if on == NoDay {
		return s, s.Today, nil
	}
	if s.Season.Contains(on) || s.Next.Contains(on) {
		return s, on, nil
	}
	if first, last := s.FirstShown(), s.LastShown(); on < first || on > last {
		return nil, 0, say.Faults{
			{
				Field:   "on",
				Message: fmt.Sprintf("Only days from %s to %s can be shown.", first.DayMonthYear(), last.DayMonthYear()),
			},
		}
	}
	shown, err := s.inSeason(ctx, calendar.SeasonOf(s.Site.Latitude, on))
	return shown, on, err
}

// FirstShown is the first day that can be shown: of the season in which the first planting was set.
func (s *State) FirstShown() calendar.Date {
	first := s.Season
	for _, p := range s.EverPlanted {
		if p.Started < first.Start {
			first = calendar.SeasonOf(s.Site.Latitude, p.Started)
		}
	}
	earliest := s.Season
	for range YearsBack {
		earliest = calendar.SeasonOf(s.Site.Latitude, earliest.Start.AddDays(-1))
	}
	return max(first.Start, earliest.Start)
}

// LastShown is the last day that can be shown.
func (s *State) LastShown() calendar.Date {
	last := s.Next
	for range YearsAhead {
		last = last.Next(s.Site.Latitude)
	}
	return last.End
}

// IsOther is true for a state of another season than the one that today lies in.
func (s *State) IsOther() bool { return !s.Season.Contains(s.Today) }

// otherSeason is the plot in another season, while it is worked out and after.
type otherSeason struct {
	mu    sync.Mutex
	state *State
}

// mostOthers is how many other seasons are kept with a state: each holds the forecasts of all that stands in it.
const mostOthers = 6

// newOthers holds other seasons, those that were asked for last.
func newOthers() *lru.Cache[calendar.Date, *otherSeason] {
	others, err := lru.New[calendar.Date, *otherSeason](mostOthers)
	if err != nil {
		panic(err) // mostOthers is above nothing
	}
	return others
}

// inSeason is the plot in another season, made when first asked for and kept with this state.
func (s *State) inSeason(ctx context.Context, season calendar.Season) (*State, error) {
	other := &otherSeason{}
	if kept, has, _ := s.others.PeekOrAdd(season.Start, other); has {
		other = kept
	}
	other.mu.Lock()
	defer other.mu.Unlock()
	if other.state != nil {
		return other.state, nil
	}
	made, err := s.makeSeason(ctx, season)
	if err == nil {
		other.state = made
	}
	return made, err
}

func (s *State) makeSeason(ctx context.Context, season calendar.Season) (*State, error) {
	other := *s
	other.Season, other.Next = season, season.Next(s.Site.Latitude)
	other.usual = &sync.Map{}
	other.Plantings, other.ByID = nil, map[int64]*Planting{}
	var err error
	if other.Sky, err = s.Sky.in(other.Season, other.Next); err != nil {
		return nil, err
	}
	var living []*Planting
	for _, p := range s.EverPlanted {
		copied := *p
		q := &copied
		q.Year, q.Now, q.Next, q.Surprise, q.Windows, q.beforeLook, q.past = 0, nil, nil, nil, nil, nil, nil
		q.course.season = season
		other.ByID[q.ID] = q
		if q.stoodIn(season) {
			other.Plantings = append(other.Plantings, q)
			if !q.Aside {
				living = append(living, q)
			}
		}
	}
	// What a planting's pace was learned from: the weather of its seasons, made once before all ask for it.
	earliest := season
	for _, p := range living {
		if len(p.Sightings) > 0 && p.Sightings[0].Day < earliest.Start {
			earliest = calendar.SeasonOf(s.Site.Latitude, p.Sightings[0].Day)
		}
	}
	for at := earliest; at.Start <= min(s.Season.Start, other.Next.Start); at = at.Next(s.Site.Latitude) {
		if _, err := other.Sky.Ensemble(at); err != nil {
			return nil, err
		}
	}
	if !parallel.Until(ctx.Done(), len(living), func(i int) { other.safely(living[i], other.forecast) }) {
		return nil, ctx.Err() // whoever asked has left
	}
	return &other, nil
}

// AtStart is the forecast of a planting as it was told at the start of this state's season: by the looks of the seasons
// before and the usual weather. Usual is the same for a plant that nobody has looked at. They are nil for a year
// that it does not live to see.
func (s *State) AtStart(p *Planting) (told, usual *phenology.Forecast, err error) {
	plan, lives := s.Plan(p, s.Season)
	if !lives || p.Aside {
		return nil, nil, nil
	}
	weather, err := s.Sky.Unread(s.Season)
	if err != nil {
		return nil, nil, err
	}
	copied := *p // what was learned is kept with the planting, and this is to change nothing
	copied.past = nil
	return plan.Forecast(weather, s.learnPast(&copied), nil), plan.Forecast(weather, phenology.PriorPace(), nil), nil
}

// DoneIn are the jobs that were noted as done in a season, by day.
func (s *State) DoneIn(season calendar.Season) (done []store.JobAnswer) {
	for _, answers := range s.rows.answers {
		for _, answer := range answers {
			if day, err := calendar.Parse(answer.Day); err == nil && answer.Answer == "done" && season.Contains(day) {
				done = append(done, answer)
			}
		}
	}
	slices.SortFunc(done, func(a, b store.JobAnswer) int { return cmp.Compare(a.ID, b.ID) })
	return done
}

// stoodIn tells whether a planting stands in some part of a season: it was set by its end, and not removed before it.
func (p *Planting) stoodIn(season calendar.Season) bool {
	if p.Started > season.End {
		return false
	}
	if p.RemovedOn == nil {
		return true
	}
	gone, err := calendar.Parse(*p.RemovedOn)
	return err == nil && gone >= season.Start
}

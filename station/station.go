// Package station is where the plot's weather is read. The one that ships is
// simulated, and says so.
package station

import (
	"fmt"
	"math/rand/v2"
	"sync"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// Station reads the weather of a plot. A real one would implement the same.
type Station interface {
	// Name is what is shown as the source of the weather.
	Name() string
	// Simulated is true for a stand-in, which has to be labelled as one.
	Simulated() bool
	// Days returns what was read on each day from first to last, both inside; no day is to
	// come. What of a day was not read is climate.Unread.
	Days(first, last calendar.Date) ([]climate.Day, error)
	// Outlook returns what was expected of the OutlookDays after a day, as it was said that day.
	Outlook(said calendar.Date) ([]climate.Expected, error)
}

// OutlookDays is how far ahead a station's outlook reaches.
const OutlookDays = 7

// simulated makes its weather year by year from the site's normals.
type simulated struct {
	generator *climate.Generator
	seed      uint64
	mu        sync.Mutex // guards years
	years     map[int][]climate.Day
}

// NewSimulated returns a stand-in for a weather station: weather generated from
// the normals, the same every time for the same seed.
func NewSimulated(normals climate.Normals, seed uint64) (Station, error) {
	generator, err := climate.NewGenerator(normals)
	if err != nil {
		return nil, fmt.Errorf("simulated station: %w", err)
	}
	return &simulated{generator: generator, seed: seed, years: map[int][]climate.Day{}}, nil
}

func (s *simulated) Name() string { return "Simulated weather station" }

func (s *simulated) Simulated() bool { return true }

func (s *simulated) Days(first, last calendar.Date) ([]climate.Day, error) {
	if last < first {
		return nil, fmt.Errorf("weather from %s to %s: the days run backwards", first, last)
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	days := make([]climate.Day, 0, last-first+1)
	for day := first; day <= last; day++ {
		days = append(days, s.year(day.Year())[day.YearDay()-1])
	}
	return days, nil
}

// year generates a calendar year after a month's warming up, so that its first
// days have a past like any others.
func (s *simulated) year(year int) []climate.Day {
	if days, made := s.years[year]; made {
		return days
	}
	const warmUp = 30
	start := calendar.Must(year, time.January, 1)
	rng := rand.New(rand.NewPCG(s.seed, uint64(year)))
	from := start.AddDays(-warmUp)
	length := int(calendar.Must(year+1, time.January, 1) - start)
	days, _ := s.generator.Generate(nil, rng, from, warmUp+length, s.generator.Start(rng, from))
	s.years[year] = days[warmUp:]
	return s.years[year]
}

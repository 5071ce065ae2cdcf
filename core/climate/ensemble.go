package climate

import (
	"fmt"
	"math/rand/v2"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/parallel"
)

// LeadDays is how long before a season its weather is followed, in days: the
// cold of the autumn and winter before counts towards the chill that some
// plants wait for.
const LeadDays = 122

// Ensemble is many possible weathers of one season. All share the days that
// have been read; the rest of each is generated.
type Ensemble struct {
	Season calendar.Season
	// KnownUntil is the last day that was read; before the lead-in if none was.
	KnownUntil calendar.Date
	members    [][]Day

	mu      sync.Mutex
	thermal map[thermalKey]*ThermalTable
	chill   map[ChillRange]*ChillTable
	frosts  map[frostAsked]FrostDates
}

type thermalKey struct{ base, upper float64 }

// NewEnsemble makes size seasons. readings are consecutive days from
// readingsFrom on; those before the lead-in are passed over, and a gap between
// the lead-in's first day and readingsFrom is an error, as is a size below 1.
// What of a day is Unread is filled in, in each season otherwise.
// The same seed gives the same ensemble.
func NewEnsemble(
	g *Generator,
	season calendar.Season,
	readingsFrom calendar.Date,
	readings []Day,
	size int,
	seed uint64,
) (*Ensemble, error) {
	return NewEnsembleToward(g, season, readingsFrom, readings, nil, size, seed)
}

// NewEnsembleToward makes seasons as NewEnsemble does, whose days after the last reading
// keep to an outlook as far as it reaches, each as closely as the outlook is sure.
func NewEnsembleToward(
	g *Generator,
	season calendar.Season,
	readingsFrom calendar.Date,
	readings []Day,
	outlook []Expected,
	size int,
	seed uint64,
) (*Ensemble, error) {
	if size < 1 {
		return nil, fmt.Errorf("an ensemble of %d seasons", size)
	}
	first := season.Start.AddDays(-LeadDays)
	total := LeadDays + season.Days()
	if end := readingsFrom.AddDays(len(readings)); len(readings) > 0 && end > first {
		if readingsFrom > first {
			return nil, fmt.Errorf("weather is read from %s, but wanted from %s", readingsFrom, first)
		}
		readings = readings[first-readingsFrom:]
		readings = readings[:min(len(readings), total)]
	} else {
		readings = nil
	}
	known := 0
	for known < len(readings) && readings[known].Whole() {
		known++
	}
	e := &Ensemble{
		Season: season, KnownUntil: first.AddDays(known - 1),
		members: make([][]Day, size),
		thermal: map[thermalKey]*ThermalTable{}, chill: map[ChillRange]*ChillTable{},
	}
	filling := filler{generator: g, first: first, readings: readings, outlook: outlook}
	if known > 0 {
		past := g.After(first, readings[:known])
		filling.past = &past
	}
	// Each member has its own stream of chance, so that they can be made side by side.
	parallel.Each(size, func(m int) {
		rng := rand.New(rand.NewPCG(seed, uint64(m)+1))
		e.members[m] = filling.member(rng, known, total)
	})
	return e, nil
}

// Size returns the number of seasons.
func (e *Ensemble) Size() int { return len(e.members) }

// Weather returns one member's days from the first day of the season on. The
// slice is shared: it is read, never written.
func (e *Ensemble) Weather(member int) []Day { return e.members[member][LeadDays:] }

// Series returns one member's days from the lead-in's first day on: LeadDays before the season. The slice
// is shared: it is read, never written.
func (e *Ensemble) Series(member int) []Day { return e.members[member] }

// known returns how many days of the whole series, lead-in included, all
// members share.
func (e *Ensemble) known() int {
	return max(0, int(e.KnownUntil-e.Season.Start.AddDays(-LeadDays))+1)
}

// ThermalTable is the warmth gathered since the season's first day, for each
// member, above one base temperature.
type ThermalTable struct {
	// cumulative[m][i] is the sum over the first i days, in °C·d.
	cumulative [][]float64
	// passed[m][k] is the first day by whose end the sum is at least k times
	// indexStep: it narrows the search for the day that reaches a sum.
	passed [][]int16
}

// indexStep is the distance of the sums in ThermalTable.passed, in °C·d.
const indexStep = 16.0

// Thermal returns the table for a base and an upper cut-off in °C, made once
// for each pair. It is safe for use by several goroutines.
func (e *Ensemble) Thermal(baseC, upperC float64) *ThermalTable {
	e.mu.Lock()
	defer e.mu.Unlock()
	key := thermalKey{baseC, upperC}
	if table, made := e.thermal[key]; made {
		return table
	}
	table := &ThermalTable{cumulative: make([][]float64, len(e.members))}
	days := e.Season.Days()
	shared := min(max(0, e.known()-LeadDays), days)
	backing := make([]float64, len(e.members)*(days+1))
	for m := range e.members {
		sums := backing[m*(days+1) : (m+1)*(days+1)]
		from := 0
		if m > 0 {
			from = copy(sums, table.cumulative[0][:shared+1]) - 1
		}
		weather := e.Weather(m)
		for i := from; i < days; i++ {
			sums[i+1] = sums[i] + degreeDays(weather[i].TMin, weather[i].TMax, baseC, upperC)
		}
		table.cumulative[m] = sums
		passed := make([]int16, 0, int(sums[days]/indexStep)+1)
		for i := range days {
			for float64(len(passed))*indexStep <= sums[i+1] {
				passed = append(passed, int16(i))
			}
		}
		table.passed = append(table.passed, passed)
	}
	e.thermal[key] = table
	return table
}

// Sum returns a member's warmth from the season's first day up to and
// including day i (0 is the first), in °C·d. i of -1 gives 0.
func (t *ThermalTable) Sum(member, i int) float64 { return t.cumulative[member][i+1] }

// DayReaching returns the first day (0 is the season's first), not before
// from, by whose end the warmth gathered since the season began is at least
// sum in °C·d. It returns the season's length when no day does.
func (t *ThermalTable) DayReaching(member int, sum float64, from int) int {
	sums, passed := t.cumulative[member], t.passed[member]
	low, high := 0, len(sums)-1
	if k := int(sum / indexStep); k >= 0 && k < len(passed) {
		low = int(passed[k])
		if k+1 < len(passed) {
			high = int(passed[k+1])
		}
	} else if k > 0 {
		low = max(0, high-1)
	}
	if low = max(low, from, 0); low > high {
		return low
	}
	for low < high {
		middle := int(uint(low+high) >> 1)
		if sums[middle+1] < sum {
			low = middle + 1
		} else {
			high = middle
		}
	}
	return low
}

// ChillRange is the range of daily mean temperature, in °C, that counts as cold
// for a plant that wants a winter.
type ChillRange struct{ Low, High float64 }

// ChillTable counts each member's cold days since the lead-in began.
type ChillTable struct{ counts [][]uint16 }

// Chill returns the table of days whose mean lies in the range, made once for
// each range. It is safe for use by several goroutines.
func (e *Ensemble) Chill(within ChillRange) *ChillTable {
	e.mu.Lock()
	defer e.mu.Unlock()
	if table, made := e.chill[within]; made {
		return table
	}
	table := &ChillTable{counts: make([][]uint16, len(e.members))}
	for m, days := range e.members {
		counts := make([]uint16, len(days)+1)
		for i, day := range days {
			counts[i+1] = counts[i]
			if mean := day.Mean(); mean >= within.Low && mean <= within.High {
				counts[i+1]++
			}
		}
		table.counts[m] = counts
	}
	e.chill[within] = table
	return table
}

// Days returns how many cold days a member has had by the end of a day of the season (0 is
// the first).
func (t *ChillTable) Days(member, day int) float64 {
	counts := t.counts[member]
	return float64(counts[min(max(0, LeadDays+day+1), len(counts)-1)])
}

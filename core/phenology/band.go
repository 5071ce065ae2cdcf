package phenology

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// Band is a run of days on which the planting stands between two stages.
type Band struct {
	// Opens and Closes are when the typical plant enters the first stage and
	// reaches the one that ends the band (its first day outside).
	Opens, Closes Dates
	// ByDay is the chance for each day of the season to lie in the band.
	ByDay []float64
	// Peak is when the best stage begins, where the year has it inside.
	Peak *Dates
	// FromBefore is true for a band that the season began in, IntoNext for one
	// that it ends in.
	FromBefore, IntoNext bool

	start calendar.Date
}

// Likely is the chance, 0–1, from which a band counts as open.
const Likely = 0.5

// LikelyDays returns the first and the last day on which the band is more likely
// open than not; opens is false if it likely never is. A short band may come surely
// and yet on no day be likelier open than not, so unsure are its days: then they are
// those from when it typically opens until it typically closes.
func (b Band) LikelyDays() (first, last calendar.Date, opens bool) {
	for i, chance := range b.ByDay {
		if chance < Likely {
			continue
		}
		if last = b.start.AddDays(i); !opens {
			first, opens = last, true
		}
	}
	if !opens && b.Opens.Chance >= Likely && b.Closes.P50 > b.Opens.P50 {
		return b.Opens.P50, b.Closes.P50.AddDays(-1), true
	}
	return first, last, opens
}

// Bands returns the days between the stage from and the stage until, which is
// outside: none if the year does not have the stage. A band that runs through the winter
// (see ThroughWinter) gives two: the rest of the one the season began in, and the one it
// ends in.
func (f *Forecast) Bands(from, until, peak flora.Stage) []Band {
	key := [3]flora.Stage{from, until, peak}
	if made, has := f.bands.Load(key); has {
		return made.([]Band)
	}
	made := f.makeBands(from, until, peak)
	f.bands.Store(key, made)
	return made
}

func (f *Forecast) makeBands(from, until, peak flora.Stage) []Band {
	opens, has := f.indexOf(from)
	if f.ThroughWinter(from, until) {
		var bands []Band
		if growth, grows := f.indexOf(until); grows {
			band := f.band(nil, f.typical[growth])
			band.FromBefore = true
			bands = append(bands, band)
		}
		if has {
			band := f.band(f.typical[opens], nil)
			band.IntoNext = true
			bands = append(bands, band)
		}
		return bands
	}
	if !has {
		return nil
	}
	var closing []int16
	if closes := f.order(until); closes > opens && closes < len(f.Stages) {
		closing = f.past(closes)
	}
	band := f.band(f.typical[opens], closing)
	if best, found := f.indexOf(peak); found && best >= opens {
		dates := f.Dates(best)
		band.Peak = &dates
	}
	return []Band{band}
}

// band counts the courses inside on each day; nil opens or closes stand for
// the season's own ends.
func (f *Forecast) band(opens, closes []int16) Band {
	courses := len(f.typical[0])
	change := make([]float64, f.days+2)
	starts, ends := make([]int16, courses), make([]int16, courses)
	for c := range courses {
		starts[c], ends[c] = 0, int16(f.days)
		if opens != nil {
			starts[c] = opens[c]
		}
		if closes != nil {
			ends[c] = closes[c]
		}
		ends[c] = max(ends[c], starts[c])
		change[starts[c]]++
		change[ends[c]]--
	}
	band := Band{Opens: f.datesOf(starts), Closes: f.datesOf(ends), ByDay: make([]float64, f.days), start: f.Season.Start}
	inside := 0.0
	for i := range band.ByDay {
		inside += change[i]
		band.ByDay[i] = inside / float64(courses)
	}
	return band
}

// BestDays returns the longest run of days on which the band is as surely open as it gets, or by eight seasons in
// ten; opens is false if it likely never is.
func (b Band) BestDays() (first, last calendar.Date, opens bool) {
	const sure = 0.8
	top := 0.0
	for _, chance := range b.ByDay {
		top = math.Max(top, chance)
	}
	least := math.Min(sure, top)
	if top < Likely {
		return b.LikelyDays()
	}
	longest := 0
	for i := 0; i < len(b.ByDay); i++ {
		run := 0
		for i+run < len(b.ByDay) && b.ByDay[i+run] >= least {
			run++
		}
		if run > longest {
			longest, first, last = run, b.start.AddDays(i), b.start.AddDays(i+run-1)
		}
		i += run
	}
	return first, last, true
}

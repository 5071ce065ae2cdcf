package phenology

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// truth is one simulated planting in one season: the day on which its typical
// plant really reaches each stage.
type truth struct {
	from calendar.Date
	days []climate.Day
	pace float64
	at   []int
}

func simulate(t *testing.T, p *Plan, seed uint64) truth {
	rng := rand.New(rand.NewPCG(seed, 4711))
	from, days := year(t, 1000+seed)
	real := truth{from: from, days: days, pace: math.Exp(PriorSpread * rng.NormFloat64())}
	whole := ensemble(t, from, days, 1)
	table, open := p.table(whole), p.gates(whole).member(0, usualLight, nil)
	day := 0
	for k := range p.Stages {
		if k > 0 {
			day = max(table.DayReaching(0, p.rules[k-1].Warmth.Value*real.pace, day), open[k])
		}
		real.at = append(real.at, day)
	}
	return real
}

// look simulates a grower who looks on a day, judges the share by eye and now
// and then takes one stage for the next.
func (real truth) look(p *Plan, whole *climate.Ensemble, day int, rng *rand.Rand) Sighting {
	table := p.table(whole)
	open := p.gates(whole).member(0, usualLight, nil)
	noise := shareNoise * rng.NormFloat64()
	furthest, share := 0, 1.0
	for k := range p.Stages {
		if day < open[k] {
			break
		}
		lead := p.lead(k, table.Sum(0, day), math.Log(real.pace)) + noise
		if reached := normalCDF(lead); lead > unnoticed {
			furthest, share = k, reached
		}
	}
	switch mistake := rng.Float64(); {
	case mistake < oneStageError && furthest > 0:
		furthest--
	case mistake > 1-oneStageError && furthest < len(p.Stages)-1:
		furthest++
	}
	return Sighting{season.Start.AddDays(day), p.Stages[furthest], ShareOf(share)}
}

// The forecast's promise (model.md §3) on 300 seasons that it has not seen:
// P10–P90 holds the truth for 75–85 % of the stages, and one observation lowers
// the mean error of the later stages by a third or more.
func TestForecastIsCalibratedAndOneSightingHelps(t *testing.T) {
	const seasons, members = 300, 100
	p := plan(t, 3)
	inside, stages := 0, 0
	insideAfter, stagesAfter := 0, 0
	errorBefore, errorAfter, later := 0.0, 0.0, 0
	for seed := range uint64(seasons) {
		real := simulate(t, p, seed)
		rng := rand.New(rand.NewPCG(seed, 5))
		lookedOn := 120 + rng.IntN(51) // 1 May to 20 June
		read := real.days[:climate.LeadDays+lookedOn+1]
		// Before the season: nothing read but the lead-in.
		blind := p.Forecast(ensemble(t, real.from, real.days[:climate.LeadDays], members), PriorPace(), nil)
		for k := 1; k < len(p.Stages); k++ {
			if p.rules[k-1].DayBelow != nil {
				continue // a date that day length alone decides tests nothing
			}
			stages++
			dates := blind.Dates(k)
			if at := season.Start.AddDays(real.at[k]); at >= dates.P10 && at <= dates.P90 {
				inside++
			}
		}
		weather := ensemble(t, real.from, read, members)
		seen := real.look(p, weather, lookedOn, rng)
		pace, _, learned := p.Learn(PriorPace(), weather, seen)
		if !learned {
			t.Fatalf("season %d: nothing was learned from %+v", seed, seen)
		}
		before := p.Forecast(weather, PriorPace(), nil)
		after := p.Forecast(weather, pace, []Sighting{seen})
		for k := 1; k < len(p.Stages); k++ {
			if p.rules[k-1].DayBelow != nil || real.at[k] <= lookedOn {
				continue
			}
			later++
			at := season.Start.AddDays(real.at[k])
			errorBefore += math.Abs(float64(before.Dates(k).P50 - at))
			errorAfter += math.Abs(float64(after.Dates(k).P50 - at))
			stagesAfter++
			if dates := after.Dates(k); at >= dates.P10 && at <= dates.P90 {
				insideAfter++
			}
		}
	}
	covered := float64(inside) / float64(stages)
	coveredAfter := float64(insideAfter) / float64(stagesAfter)
	lowered := 1 - errorAfter/errorBefore
	t.Logf("P10–P90 holds %.1f %% of %d stages unseen, %.1f %% of %d after one sighting", 100*covered, stages, 100*coveredAfter, stagesAfter)
	t.Logf("mean error of later stages: %.2f days before the sighting, %.2f after: %.0f %% lower",
		errorBefore/float64(later), errorAfter/float64(later), 100*lowered)
	if covered < 0.75 || covered > 0.85 {
		t.Errorf("P10–P90 holds %.1f %% of the stages, want 75–85 %%", 100*covered)
	}
	if coveredAfter < 0.75 || coveredAfter > 0.85 {
		t.Errorf("after a sighting P10–P90 holds %.1f %% of the stages, want 75–85 %%", 100*coveredAfter)
	}
	if lowered < 1.0/3 {
		t.Errorf("one sighting lowers the error by %.0f %%, want a third", 100*lowered)
	}
}

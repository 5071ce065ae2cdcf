package station

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// How good the simulated outlook is: for the next day it and the truth go together by nextDay (a
// correlation), and that falls by 1/e in fadesDays. Guesses of ours, about what outlooks reach.
const nextDay, fadesDays = 0.95, 12.0

// skill is how closely an outlook so many days ahead goes with what comes.
func skill(ahead int) float64 { return nextDay * math.Exp(-float64(ahead-1)/fadesDays) }

// Outlook is uncertain like a real one's: of what the simulated weather will be it knows a part,
// the less the further off, and what it says is the mean of what may come for one who knows that part.
func (s *simulated) Outlook(said calendar.Date) ([]climate.Expected, error) {
	truth, err := s.Days(said.AddDays(1), said.AddDays(OutlookDays))
	if err != nil {
		return nil, err
	}
	rng := rand.New(rand.NewPCG(s.seed^outlooks, uint64(said)))
	outlook := make([]climate.Expected, 0, len(truth))
	for i, day := range truth {
		usual, spreadMin, spreadMax, wetShare, wetRain := s.generator.Usual(said.AddDays(i + 1))
		r := skill(i + 1)
		// The part that is known is r of the departure, with chance of its own about it, so that the
		// mean of what may come is r of what is heard.
		heard := func(departure, spread float64) float64 {
			return r * (r*departure + math.Sqrt(1-r*r)*spread*rng.NormFloat64())
		}
		e := climate.Expected{
			TMin:   usual.TMin + heard(day.TMin-usual.TMin, spreadMin),
			TMax:   usual.TMax + heard(day.TMax-usual.TMax, spreadMax),
			Spread: math.Sqrt(1-r*r) * (spreadMin + spreadMax) / 2,
			Rain:   wetRain,
		}
		// Whether it rains is heard truly with the chance r², else as any day of the season may be.
		known := rng.Float64() < r*r
		says := rng.Float64() < wetShare
		if known {
			says = day.Wet()
		}
		e.WetChance = (1 - r*r) * wetShare
		if says {
			e.WetChance += r * r
			if known && day.Wet() {
				e.Rain = r*day.Rain + (1-r)*wetRain
			}
		}
		if e.TMax < e.TMin+1 {
			middle := (e.TMin + e.TMax) / 2
			e.TMin, e.TMax = middle-0.5, middle+0.5
		}
		outlook = append(outlook, e)
	}
	return outlook, nil
}

// outlooks keeps the chance of outlooks apart from that of the weather.
const outlooks = 0x6f75746c6f6f6b

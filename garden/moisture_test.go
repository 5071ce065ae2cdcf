package garden

import (
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/ground"
	"bramblyacre/core/suitability"
	"bramblyacre/library"
)

// Where nobody said how moist a bed is, weeks without rain make it a worse place for what wants it moist, and weeks of
// rain a better one; what was said stands whatever the weather.
func TestTheWeatherTellsHowMoistABedIs(t *testing.T) {
	score := func(said string, rainMM float64) (moisture, whole float64) {
		p := newPlot(t)
		in := goodBed()
		in.Name, in.Y, in.Moisture, in.Winter = "Unsaid", "9 m", said, ""
		bed := p.addBed(in)
		p.readWeather(9, 21, func(calendar.Date) float64 { return rainMM })
		s, err := p.Plot.State(t.Context())
		check(t, err)
		shipped, err := library.Shipped()
		check(t, err)
		valerian, _ := shipped.Species("marsh-mallow")
		place := s.Place(s.BedByID[bed], shipped.Ground(), s.WinterLows(), nil)
		answer := suitability.Judge(valerian, place, 1)
		return place.Ground[ground.Moisture].Chance[0], answer.Value
	}
	dryChance, dryScore := score("", 0)
	wetChance, wetScore := score("", 7)
	if dryChance < 0.5 || wetChance > 0.1 || wetScore <= dryScore {
		t.Errorf("after drought it is dry with %.2f and fits %.2f, after rain with %.2f and %.2f", dryChance, dryScore, wetChance, wetScore)
	}
	saidDry, said := score("moist", 0)
	saidWet, again := score("moist", 7)
	if saidDry != saidWet || said != again {
		t.Errorf("said to be moist, it is dry with %.2f or %.2f by the weather", saidDry, saidWet)
	}
}

package demo

import (
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
)

// typedReadings are what the household read of its own gauge and of the thermometer at the bench.
var typedReadings = []weather.DayReadingInput{
	{Day: "2031-05-07", Rain: "33 mm", Note: "The gauge nearly ran over; the overflow ran till night."},
	{Day: "2031-05-12", Rain: "9.5 mm"},
	{Day: "2031-05-26", Rain: "14 mm"},
}

// waterings and feels are what was done about the beds' water.
var waterings = []struct {
	bed string
	in  weather.WateringInput
}{
	{"Mint Pot", weather.WateringInput{Day: "2031-05-19", Amount: "6 l"}},
	{"Terrace Pots", weather.WateringInput{Day: "2031-05-21", Amount: "4 min", Note: "In the evening."}},
}

var feels = []struct {
	bed string
	in  weather.FeelInput
}{
	{"Dry Bank", weather.FeelInput{Day: "2031-05-23", Feel: "crumbles", Note: "Under the sage, a finger deep."}},
}

// weathered is what was noted of the weather and the water.
func weathered() []event {
	var events []event
	for _, in := range typedReadings {
		events = append(events, event{mustDay(in.Day), "weather", func(b *builder) error {
			_, err := b.garden.Weather.TypeReading(b.ctx, say.AsItStands, in)
			return err
		}})
	}
	for _, w := range waterings {
		events = append(events, event{mustDay(w.in.Day), w.bed, func(b *builder) error {
			_, err := b.garden.Weather.NoteWatering(b.ctx, b.beds[w.bed], w.in)
			return err
		}})
	}
	for _, f := range feels {
		events = append(events, event{mustDay(f.in.Day), f.bed, func(b *builder) error {
			_, err := b.garden.Weather.NoteFeel(b.ctx, b.beds[f.bed], f.in)
			return err
		}})
	}
	return events
}

package bench

import (
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// cost is what a way takes of money and work.
type cost struct {
	money      float64
	moneyKnown bool
	unpriced   []string
	minutes    float64
}

// costOf reckons a way's money by the grower's own prices, and its minutes by the library's guesses.
func costOf(s *plot.State, v *variant, settings store.Bench) cost {
	c := cost{moneyKnown: true}
	labour := s.Lib.Bench().Labour
	starts := float64(v.starts)
	price := func(of *float64, times float64, what string) {
		switch {
		case times == 0:
		case of == nil:
			c.moneyKnown = false
			c.unpriced = append(c.unpriced, what)
		default:
			c.money += *of * times
		}
	}
	add := func(f flora.Figure, times float64) { c.minutes += f.Value * times }
	switch v.way.Deed {
	case propagation.Sow:
		if v.lot == nil {
			price(settings.PacketPrice, 1, "a packet of seed")
		}
		if v.place == nil {
			add(labour.SowRow, 1)
		} else {
			add(labour.Sow, starts)
		}
		if v.row.ColdWeeks != nil && v.attempt.Rest != nil {
			add(labour.Cold, 1)
		}
	case propagation.Buy:
		price(settings.PlantPrice, starts, "a plant")
		add(labour.Buy, 1)
	case propagation.Lift:
		add(labour.Lift, starts)
	case propagation.Divide, propagation.Set:
		add(labour.Divide, starts)
	case propagation.Strike:
		add(labour.Strike, starts)
	case propagation.Peg:
		add(labour.Layer, starts)
	case propagation.Graft:
		add(labour.Graft, starts)
	}
	trays := float64(traysFor(v.starts, settings))
	if v.place != nil {
		add(labour.FillTray, trays)
		if litres, err := s.Lib.Bench().Filling.Cells(v.starts, settings.CellL).Litres(); err == nil {
			price(settings.MixPrice, litres, "a litre of mix")
		}
		if v.outlook.DatesKnown {
			weeks := float64(v.outlook.Out.P50-v.outlook.Rested.P50) / 7
			add(labour.WaterWeek, trays*math.Max(0, weeks))
		}
		add(labour.Harden, trays)
		add(labour.PotOn, float64(v.outlook.Plants.P50))
	}
	if v.way.Deed != propagation.Sow || v.place != nil {
		add(labour.PlantOut, float64(v.outlook.Plants.P50))
	}
	return c
}

// traysFor is how many trays so many starts fill.
func traysFor(starts int, settings store.Bench) int {
	cells := max(1, int(settings.TrayCells))
	return (starts + cells - 1) / cells
}

// words say what it costs.
func (c cost) words(currency string) string {
	if !c.moneyKnown {
		text := "price not told: " + say.OrList(c.unpriced)
		if c.money > 0 {
			text = say.Money(c.money, currency) + " and more; " + text
		}
		return text
	}
	if c.money < 0.005 {
		return "free"
	}
	return say.Money(c.money, currency)
}

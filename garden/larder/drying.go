package larder

import (
	"math"
	"time"

	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// tray is a tray that something dries on.
type tray struct {
	stuff
	number  int64
	fresh   float64
	loaded  time.Time
	weights []keeping.Weighing
	// forecast is when it is dry; known is false where nothing is on record of how it dries.
	forecast keeping.DryingForecast
	known    bool
}

// trays are the trays that something dries on, by their lots.
func trays(s *plot.State) (all []tray) {
	for _, lot := range plot.Lots.Of(s) {
		if lot.Making == makingDried && lot.EndedAt == nil {
			all = append(all, trayOf(s, lot))
		}
	}
	return all
}

// trayOf is a lot that dries.
func trayOf(s *plot.State, lot store.Lot) tray {
	t := tray{stuff: stuffOf(s, lot), fresh: freshOf(s, lot.ID)}
	if lot.Tray != nil {
		t.number = *lot.Tray
	}
	t.loaded, _ = plot.ParseMoment(lot.BegunAt)
	for _, w := range s.WeightsOfLot(lot.ID) {
		if at, err := plot.ParseMoment(w.At); err == nil {
			t.weights = append(t.weights, keeping.Weighing{Hours: at.Sub(t.loaded).Hours(), Grams: w.Grams})
		}
	}
	if drying, known := dryingOf(s, t.stuff, t.fresh); known {
		t.forecast, t.known = keeping.ForecastDrying(drying, t.weights), true
	}
	return t
}

// freshOf is what went into a lot, in grams.
func freshOf(s *plot.State, lot int64) (grams float64) {
	for _, flow := range s.FlowsOfLot(lot) {
		if flow.Side == sideIn {
			grams += flow.Grams
		}
	}
	return grams
}

// mostOwnRuns is how many of the household's own dryings of a part tell how it dries, the newest.
const mostOwnRuns = 8

// dryingOf is what is known of how a tray dries before it is weighed: the lore's figures for this drier, and what the
// household's own dryings of the part told.
func dryingOf(s *plot.State, st stuff, fresh float64) (keeping.Drying, bool) {
	if !st.one {
		return keeping.Drying{}, false
	}
	drying, known := s.Lib.Gather().TrayDrying(st.part, plot.DrierOf(s.GatherSettings()), fresh)
	if !known {
		return drying, false
	}
	paces := ownPaces(s, st)
	for i := range paces {
		paces[i] *= drying.Rate.Value
	}
	drying.Rate = keeping.RateAfter(drying.Rate, paces)
	return drying, true
}

// ownPaces are how many times as quickly the household's own trays of a part dried as was expected of them in the drier
// as it was then: what was told by a rack in the shade holds in a warm drier too.
func ownPaces(s *plot.State, st stuff) (paces []float64) {
	lots := plot.Lots.Of(s)
	for i := len(lots) - 1; i >= 0 && len(paces) < mostOwnRuns; i-- {
		lot := lots[i]
		if lot.Making != makingDried || lot.EndedAt == nil || lot.Grams == nil || lot.SpeciesID != st.lot.SpeciesID ||
			lot.Part != st.lot.Part || lot.BoughtFrom != "" {
			continue
		}
		if pace, told := ownPace(s, st.part, lot); told {
			paces = append(paces, pace)
		}
	}
	return paces
}

// driedIn is the drier as it was when a lot was laid in; as it is now where that was not noted.
func driedIn(s *plot.State, lot store.Lot) harvest.Drier {
	drier := plot.DrierOf(s.GatherSettings())
	if lot.Celsius != nil {
		drier.Celsius = *lot.Celsius
	}
	if lot.MovingAir != nil {
		drier.MovingAir = *lot.MovingAir != 0
	}
	return drier
}

// ownPace is the pace of one tray; told is false for one that was never weighed while it dried: when it was taken out
// says little of when it was dry.
func ownPace(s *plot.State, part flora.Part, lot store.Lot) (pace float64, told bool) {
	weights := s.WeightsOfLot(lot.ID)
	fresh := freshOf(s, lot.ID)
	begun, err := plot.ParseMoment(lot.BegunAt)
	if len(weights) == 0 || fresh <= 0 || err != nil {
		return 0, false
	}
	drying, known := s.Lib.Gather().TrayDrying(part, driedIn(s, lot), fresh)
	if !known {
		return 0, false
	}
	var weighed []keeping.Weighing
	for _, w := range weights {
		if at, err := plot.ParseMoment(w.At); err == nil {
			weighed = append(weighed, keeping.Weighing{Hours: at.Sub(begun).Hours(), Grams: w.Grams})
		}
	}
	return keeping.ForecastDrying(drying, weighed).Rate() / drying.Rate.Value, true
}

// hoursSince is how long a tray has been drying.
func (t tray) hoursSince(now time.Time) float64 { return math.Max(0, now.Sub(t.loaded).Hours()) }

// after is the moment some hours after it was loaded.
func (t tray) after(hours float64) time.Time {
	return t.loaded.Add(time.Duration(hours * float64(time.Hour)))
}

// The sides of a lot's flows.
const (
	sideIn    = "in"
	sideAdded = "added"
	sideLoss  = "loss"
)

// waiting is a picking that is fit for use and lies in its basket still.
type waiting struct {
	plot.PickedFrom
	left   float64
	part   flora.Part
	spoils time.Time
}

// pickedHour is the hour of the day from which a basket's wait is counted: nobody writes down the minute.
const pickedHour = 12

// daysInBasket is how many days after it was picked a basket is still asked about.
const daysInBasket = 14

// baskets are the pickings that wait, the first to spoil first.
func baskets(s *plot.State) (all []waiting) {
	for _, picked := range s.PickedSince(s.Today.AddDays(-daysInBasket)) {
		left := s.LeftGrams(picked.Picking)
		part, has := picked.Planting.Species.Part(picked.Picking.Part)
		if left < leastGrams || !has {
			continue
		}
		w := waiting{PickedFrom: picked, left: left, part: part}
		hours := 24.0
		if lore, known := s.Lib.Keeping().Part(keptAs(part)); known {
			hours = lore.Waits.Value
		}
		w.spoils = picked.Day.Time().Add(time.Duration((pickedHour + hours) * float64(time.Hour)))
		all = append(all, w)
	}
	return all
}

// keptAs is the kind of part by which it keeps.
func keptAs(part flora.Part) string {
	if part.Keep.Dries == "" {
		return "not dried"
	}
	return part.Keep.Dries
}

// leastGrams is the least that is kept apart.
const leastGrams = 0.05

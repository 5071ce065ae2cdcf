package view

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// DayWords shows a stored day.
func DayWords(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonth()
}

// FullDayWords shows a stored day with its year.
func FullDayWords(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonthYear()
}

// PickingWords say how much was picked, from where and when.
func PickingWords(s *plot.State, p *plot.Planting, picking store.Picking) string {
	amount := s.Units.Weight(picking.Grams)
	if kept := s.KeptGrams(picking); picking.Grams-kept >= LeastGrams {
		amount = s.Units.Weight(kept) + " left of " + amount
	}
	if part, has := p.Species.Part(picking.Part); has && part.Harvest != nil {
		amount = say.Counted(math.Max(1, math.Round(picking.Units)), part.Harvest.One, part.Harvest.Many) + ", " + amount
	}
	return fmt.Sprintf("%s, from %s, %s", amount, p.Bed.Name, DayWords(picking.Day))
}

// LeastGrams is the least that a kitchen scale tells from nothing.
const LeastGrams = 0.05

// KeptNeedWords say what is needed of a part in a year.
func KeptNeedWords(s *plot.State, species, part string) string {
	grams, said := s.NeedOf(species, part)
	if !said {
		return ""
	}
	return s.Units.Weight(grams)
}

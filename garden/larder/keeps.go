package larder

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// daysOfMonth is a month as keeping times are told in.
const daysOfMonth = 365.25 / 12

// keepsUntil is when a jar is past its time, 0 for nobody knows.
func keepsUntil(h holding) (until calendar.Date) {
	for _, lot := range h.lots {
		at := madeOn(lot)
		if lot.KeepsMonths <= 0 || at == 0 {
			continue
		}
		day := at.AddDays(int(math.Round(lot.KeepsMonths * daysOfMonth)))
		if opened := h.making.Opened; opened != nil && h.jar.OpenedOn != nil {
			if open, err := calendar.Parse(*h.jar.OpenedOn); err == nil {
				day = min(day, open.AddDays(int(math.Round(opened.Value*daysOfMonth))))
			}
		}
		if until == 0 || day < until {
			until = day
		}
	}
	return until
}

// madeOn is the day on which a lot was done, or begun where it is not; 0 for one that cannot be read.
func madeOn(lot store.Lot) calendar.Date {
	text := lot.BegunAt
	if lot.EndedAt != nil {
		text = *lot.EndedAt
	}
	at, err := plot.ParseMoment(text)
	if err != nil {
		return 0
	}
	return calendar.OfTime(at)
}

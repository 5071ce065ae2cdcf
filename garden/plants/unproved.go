package plants

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/view"
)

// unprovedWords say in which months of a window too little shows to prove a plant by it alone,
// and against what; empty for none. Each month is judged by its day that lies in the window and
// nearest the middle.
func unprovedWords(rules *identity.Rules, forecast *phenology.Forecast, first, last calendar.Date) string {
	const middle = 15
	var months calendar.Months
	var against string
	for day := first; day <= last; day++ {
		isLooked := day.Day() == middle || day == first && first.Day() > middle || day == last && last.Day() < middle
		if !isLooked {
			continue
		}
		index, _ := forecast.StageOn(day)
		open := rules.Undecided(view.ToBeSeen(forecast, rules.Species, forecast.Stages[index]))
		if len(open) > 0 {
			months |= calendar.MonthsFrom(day.Month(), day.Month())
			against = view.UndecidedWords(open)
		}
	}
	if months == 0 {
		return ""
	}
	return fmt.Sprintf("In %s too little shows to tell it from %s: it has to have been proved before.", months, against)
}

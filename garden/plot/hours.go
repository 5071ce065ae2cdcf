package plot

import (
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// WorkTable holds how the household works, one row.
var WorkTable = journal.NewTable(
	"work_settings",
	(*store.Queries).GetWorkSettings,
	(*store.Queries).PutWorkSettings,
	(*store.Queries).DropWorkSettings,
)

// WorkRows are how the household works.
var WorkRows = Keep(
	WorkTable, (*store.Queries).ListWorkSettings, func(r store.WorkSetting) int64 { return r.ID },
	func(store.WorkSetting, store.WorkSetting) int { return 0 })

// unsaidNightChance is from which chance on a cold night is told, until the household says another.
const unsaidNightChance = 0.2

// Work is how the household works, or what stands for it until something is said.
func (s *State) Work() store.WorkSetting {
	if rows := WorkRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.WorkSetting{NightChance: unsaidNightChance}
}

// WeekMinutes are minutes by weekday, Monday first; nil where nobody said.
type WeekMinutes [7]*int64

// GardenMinutes are the minutes that there are for the garden.
func GardenMinutes(w store.WorkSetting) WeekMinutes {
	return WeekMinutes{w.Monday, w.Tuesday, w.Wednesday, w.Thursday, w.Friday, w.Saturday, w.Sunday}
}

// Said tells whether anybody said anything of any day.
func (w WeekMinutes) Said() bool {
	for _, minutes := range w {
		if minutes != nil {
			return true
		}
	}
	return false
}

// On are the minutes there are on a day; +Inf where nobody said for any day, none where only for others.
func (w WeekMinutes) On(day calendar.Date) float64 {
	switch said := w[(int(day.Weekday())+6)%7]; {
	case said != nil:
		return float64(*said)
	case w.Said():
		return 0
	}
	return math.Inf(1)
}

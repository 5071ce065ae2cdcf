// Package format writes the plot's data in open formats.
package format

import (
	"io"

	ics "github.com/arran4/golang-ical"

	"bramblyacre/core/calendar"
	"bramblyacre/garden"
)

// WriteCalendar writes windows and jobs as an iCalendar file (RFC 5545), each a
// whole-day event from its first to its last day.
func WriteCalendar(w io.Writer, data garden.CalendarData) error {
	file := ics.NewCalendarFor("Brambly Acre")
	file.SetMethod(ics.MethodPublish)
	file.SetProductId("-//Brambly Acre//EN")
	file.SetName(data.Name)
	for _, e := range data.Events {
		event := file.AddEvent(e.UID)
		event.SetDtStampTime(data.At)
		event.SetProperty(ics.ComponentPropertyDtStart, compact(e.First), ics.WithValue(string(ics.ValueDataTypeDate)))
		// DTEND is the first day after a whole-day event (RFC 5545, 3.6.1).
		event.SetProperty(ics.ComponentPropertyDtEnd, compact(e.Last+1), ics.WithValue(string(ics.ValueDataTypeDate)))
		event.SetSummary(e.Summary)
		event.SetDescription(e.Description)
		event.SetLocation(e.Place)
		// A window asks for no hour of the day: it leaves the grower free.
		event.SetTimeTransparency(ics.TransparencyTransparent)
	}
	return file.SerializeTo(w, ics.WithNewLineWindows) // RFC 5545, 3.1: lines end in CRLF
}

func compact(day calendar.Date) string { return day.Time().Format("20060102") }

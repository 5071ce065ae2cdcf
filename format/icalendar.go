// Package format writes the plot's data in open formats.
package format

import (
	"io"
	"strings"
	"unicode"

	ics "github.com/arran4/golang-ical"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/now"
)

// WriteCalendar writes windows and jobs as an iCalendar file (RFC 5545), each a
// whole-day event from its first to its last day.
func WriteCalendar(w io.Writer, data now.CalendarData) error {
	file := ics.NewCalendarFor("Brambly Acre")
	file.SetMethod(ics.MethodPublish)
	file.SetProductId("-//Brambly Acre//EN")
	file.SetName(oneBreak(data.Name))
	for _, e := range data.Events {
		event := file.AddEvent(plainID(e.UID))
		event.SetDtStampTime(data.At)
		event.SetProperty(ics.ComponentPropertyDtStart, compact(e.First), ics.WithValue(string(ics.ValueDataTypeDate)))
		// DTEND is the first day after a whole-day event (RFC 5545, 3.6.1).
		event.SetProperty(ics.ComponentPropertyDtEnd, compact(e.Last+1), ics.WithValue(string(ics.ValueDataTypeDate)))
		event.SetSummary(oneBreak(e.Summary))
		event.SetDescription(oneBreak(e.Description))
		event.SetLocation(oneBreak(e.Place))
		// A window asks for no hour of the day: it leaves the grower free.
		event.SetTimeTransparency(ics.TransparencyTransparent)
	}
	return file.SerializeTo(w, ics.WithNewLineWindows) // RFC 5545, 3.1: lines end in CRLF
}

// breaks turns every way to break a line into the one that the library escapes. A reader
// that takes a bare carriage return for the end of a line would else read what follows as a
// line of its own.
var breaks = strings.NewReplacer(
	"\r\n",
	"\n",
	"\r",
	"\n",
	"\v",
	"\n",
	"\f",
	"\n",
	"\u0085",
	"\n",
	"\u2028",
	"\n",
	"\u2029",
	"\n",
)

// oneBreak is a text with line feeds alone, and without other control characters, which the
// format does not allow (RFC 5545, 3.3.11).
func oneBreak(text string) string {
	return strings.Map(func(r rune) rune {
		if unicode.IsControl(r) && r != '\n' && r != '\t' {
			return -1
		}
		return r
	}, breaks.Replace(text))
}

// plainID is an id of signs that need no escape: a part of a plant is named in it.
func plainID(id string) string {
	return strings.Map(func(r rune) rune {
		if r < ' ' || r > '~' || strings.ContainsRune(`;:,\"`, r) && r != ':' {
			return '-'
		}
		return r
	}, id)
}

func compact(day calendar.Date) string { return day.Time().Format("20060102") }

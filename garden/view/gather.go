package view

import (
	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
)

func UrgencyOf(span plot.Span, on calendar.Date) agenda.Urgency {
	return agenda.UrgencyOn(agenda.Job{First: span.First, Last: span.Last}, on)
}

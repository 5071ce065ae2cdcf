package area

import "bramblyacre/core/calendar"

// Event is a window, a job or a planned day as a calendar holds it.
type Event struct {
	// UID is the same each time the event is worked out.
	UID         string
	First, Last calendar.Date
	Summary     string
	Description string
	Place       string
}

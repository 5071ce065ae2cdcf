package calendar_test

import (
	"fmt"
	"time"

	"bramblyacre/core/calendar"
)

func ExampleSpan() {
	from := calendar.Must(2031, time.May, 29)
	fmt.Println(calendar.Span(from.AddDays(4), from.AddDays(8)))
	fmt.Println(calendar.Span(from, from.AddDays(5)))
	// Output:
	// 2–6 June
	// 29 May – 3 June
}

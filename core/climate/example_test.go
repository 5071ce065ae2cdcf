package climate_test

import (
	"fmt"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

// FAO-56's own example 9: 20° S on 3 September.
func ExampleDayLength() {
	hours, err := climate.DayLength(-20, calendar.Must(2031, time.September, 3))
	fmt.Printf("%.2f h %v\n", hours, err)
	// Output: 11.67 h <nil>
}

// A day that never falls below the base brings its mean less the base.
func ExampleDegreeDays() {
	warmth, err := climate.DegreeDays(10, 20, 5, climate.NoUpper)
	fmt.Printf("%.1f °C·d %v\n", warmth, err)
	// Output: 10.0 °C·d <nil>
}

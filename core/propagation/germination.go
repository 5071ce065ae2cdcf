package propagation

import (
	"errors"
	"fmt"
	"math"
)

// Germination is how fast seed comes up by temperature: nothing at or below Base, faster in a
// straight line up to Optimum, slower again down to nothing at Ceiling (°C), with Warmth, the
// thermal time to coming up below the optimum, in °C·d above the base.
//
// Source: Garcia-Huidobro, Monteith and Squire 1982, Journal of Experimental Botany 33:288–296.
type Germination struct{ Base, Optimum, Ceiling, Warmth float64 }

// Check returns an error for temperatures that are not in order, or warmth not above 0.
func (g Germination) Check() error {
	switch {
	case math.IsNaN(g.Base + g.Optimum + g.Ceiling + g.Warmth):
		return errors.New("base, optimum, ceiling and warmth must be numbers")
	case g.Optimum <= g.Base:
		return fmt.Errorf("the optimum of %g °C must lie above the base of %g °C", g.Optimum, g.Base)
	case g.Ceiling <= g.Optimum:
		return fmt.Errorf("the ceiling of %g °C must lie above the optimum of %g °C", g.Ceiling, g.Optimum)
	case g.Warmth <= 0:
		return fmt.Errorf("the warmth must be above 0 °C d, it is %g", g.Warmth)
	}
	return nil
}

// RateAt is the share of the way to coming up that one day at a temperature in °C brings.
func (g Germination) RateAt(celsius float64) float64 {
	switch {
	case celsius <= g.Base || celsius >= g.Ceiling:
		return 0
	case celsius <= g.Optimum:
		return (celsius - g.Base) / g.Warmth
	}
	return (g.Optimum - g.Base) / g.Warmth * (g.Ceiling - celsius) / (g.Ceiling - g.Optimum)
}

// NeverError says why seed does not come up at a steady temperature.
type NeverError struct {
	// Warm is true above the ceiling, false below the base; Limit is that one in °C.
	Warm  bool
	Limit float64
}

// Error says why, and what to do.
func (e NeverError) Error() string {
	if e.Warm {
		return fmt.Sprintf("too warm here: at %g °C and above it does not come up; sow where it is cooler", e.Limit)
	}
	return fmt.Sprintf("too cold here: at %g °C and below it does not come up; sow where it is warmer", e.Limit)
}

// DaysAt returns the days to coming up at a steady temperature in °C, or a NeverError where
// it never does.
func (g Germination) DaysAt(celsius float64) (float64, error) {
	if err := g.Check(); err != nil {
		return 0, err
	}
	rate := g.RateAt(celsius)
	switch {
	case rate > 0:
		return 1 / rate, nil
	case celsius >= g.Ceiling:
		return 0, NeverError{Warm: true, Limit: g.Ceiling}
	}
	return 0, NeverError{Limit: g.Base}
}

// DayUp returns the day, 0 for the first, by whose end seed has come up under a course of daily
// mean temperatures in °C from the day that it was sown, where it comes within most days.
func (g Germination) DayUp(celsius func(day int) float64, most int) (day int, up bool) {
	sum := 0.0
	for day := range most {
		if sum += g.RateAt(celsius(day)); sum >= 1-1e-9 {
			return day, true
		}
	}
	return most, false
}

package sun

import (
	"math"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
)

// Course is the sun's way over a plan on one day or on the twelve days that
// stand for the months of a year.
type Course struct {
	moments []moment
	// angles and tans are those of the moments, side by side: most obstacles are
	// passed over by them alone.
	angles, tans []float64
	months       int
	// dayHours are the hours of sun in the open for each month, or of the day.
	dayHours []float64
}

// moment is a short time with the sun in one place.
type moment struct {
	// slot counts the months of the course, month the calendar months, both
	// from 0.
	slot, month int
	// toX and toY point to the sun on the plan, a unit vector; tan is the
	// tangent of its altitude.
	toX, toY, tan float64
	// angle is the direction of (toX, toY) in radians.
	angle float64
	// x, y and up are the unit vector to the sun.
	x, y, up float64
	hours    float64
}

// kleinDays are the days whose declination is nearest to the mean of their month.
// Source: Klein 1977, Solar Energy 19, 325–329, table 1.
var kleinDays = [12]int{17, 16, 16, 15, 15, 11, 17, 16, 15, 15, 14, 10}

// Year returns the course of a year: each month by its Klein day, in steps of
// about stepMinutes. bearingDeg is the way that the plan's upper edge looks, in
// degrees clockwise from true north. A latitude beyond ±90 is an error.
func Year(latitudeDeg, bearingDeg float64, year int, stepMinutes float64) (*Course, error) {
	c := &Course{months: 12}
	for m, day := range kleinDays {
		if err := c.add(m, latitudeDeg, bearingDeg, calendar.Must(year, time.Month(m+1), day), stepMinutes); err != nil {
			return nil, err
		}
	}
	return c, nil
}

// Day returns the course of one day, in steps of about stepMinutes; bearingDeg
// as for Year. A latitude beyond ±90 is an error.
func Day(latitudeDeg, bearingDeg float64, day calendar.Date, stepMinutes float64) (*Course, error) {
	c := &Course{months: 1}
	return c, c.add(0, latitudeDeg, bearingDeg, day, stepMinutes)
}

// add adds a day in equal steps from sunrise to sunset, each by its middle: their
// hours sum to the day's length exactly.
func (c *Course) add(slot int, latitudeDeg, bearingDeg float64, day calendar.Date, stepMinutes float64) error {
	hours, err := DayLength(latitudeDeg, day)
	if err != nil {
		return err
	}
	c.dayHours = append(c.dayHours, hours)
	if hours == 0 {
		return nil
	}
	steps := int(math.Ceil(hours * 60 / stepMinutes))
	declination := Declination(day) * rad
	for i := range steps {
		hourAngle := ((float64(i)+0.5)/float64(steps) - 0.5) * hours * 15 * rad
		east, north, up := direction(latitudeDeg*rad, declination, hourAngle)
		x, y := onPlan(east, north, bearingDeg)
		level := math.Hypot(x, y)
		m := moment{slot: slot, month: int(day.Month()) - 1, x: x, y: y, up: up, hours: hours / float64(steps)}
		if level > 0 {
			m.toX, m.toY, m.tan = x/level, y/level, up/level
		} else {
			m.toX, m.tan = 1, math.Inf(1)
		}
		m.angle = math.Atan2(m.toY, m.toX)
		c.moments = append(c.moments, m)
		c.angles, c.tans = append(c.angles, m.angle), append(c.tans, m.tan)
	}
	return nil
}

// onPlan turns a direction given east and north into the plan's own, whose y
// runs down.
func onPlan(east, north, bearingDeg float64) (x, y float64) {
	p := geometry.Point{X: east, Y: -north}.Turned(-bearingDeg)
	return p.X, p.Y
}

// Toward returns the unit vector on the plan of a compass direction in degrees
// clockwise from true north.
func Toward(azimuthDeg, bearingDeg float64) geometry.Point {
	sin, cos := math.Sincos(azimuthDeg * rad)
	x, y := onPlan(sin, cos, bearingDeg)
	return geometry.Point{X: x, Y: y}
}

// OpenHours returns the hours of sun in the open for each month of the course,
// or for its one day.
func (c *Course) OpenHours() []float64 { return c.dayHours }

// Package sun is the direct sun on a plot: where the sun stands, what the walls,
// hedges, buildings and trees of a plan keep out of it, and how many hours of it
// a piece of ground has.
package sun

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
)

// Position is where the sun's middle stands, in degrees: its altitude above the
// level horizon and its azimuth clockwise from true north. Refraction by the air
// is left out, as it is from day length.
type Position struct{ Altitude, Azimuth float64 }

const rad = math.Pi / 180

// Declination returns the sun's declination in degrees at solar noon of a day;
// north is positive. Right to 0.01° from 1950 to 2050 and to 0.1° for some
// centuries around.
//
// Source: the Astronomical Almanac's algorithm for approximate solar position,
// as given by Michalsky 1988, Solar Energy 40(3), 227–235.
func Declination(day calendar.Date) float64 { return declinationAt(day, 12) }

// declinationAt is the declination in degrees at an hour of a day.
func declinationAt(day calendar.Date, hour float64) float64 {
	// Days since noon of 1 January 2000.
	const epoch = 10957 // days from 1970 to 2000
	n := float64(day-epoch) + (hour-12)/24
	meanLongitude := 280.460 + 0.9856474*n
	anomaly := (357.528 + 0.9856003*n) * rad
	ecliptic := (meanLongitude + 1.915*math.Sin(anomaly) + 0.020*math.Sin(2*anomaly)) * rad
	obliquity := (23.439 - 0.0000004*n) * rad
	return math.Asin(math.Sin(obliquity)*math.Sin(ecliptic)) / rad
}

// At returns the sun's position at a latitude in degrees (south negative) on a
// day at an hour of solar time, in which the sun stands on the meridian at 12. A
// latitude beyond ±90 or an hour outside 0 to 24 is an error.
//
// Source: Michalsky 1988 for the declination; altitude and azimuth by the
// spherical triangle of pole, zenith and sun.
func At(latitudeDeg float64, day calendar.Date, solarHour float64) (Position, error) {
	if err := checkLatitude(latitudeDeg); err != nil {
		return Position{}, err
	}
	if math.IsNaN(solarHour) || solarHour < 0 || solarHour > 24 {
		return Position{}, fmt.Errorf("hour %v is not between 0 and 24", solarHour)
	}
	east, north, up := direction(latitudeDeg*rad, declinationAt(day, solarHour)*rad, (solarHour-12)*15*rad)
	azimuth := math.Mod(math.Atan2(east, north)/rad+360, 360)
	return Position{Altitude: math.Asin(math.Max(-1, math.Min(1, up))) / rad, Azimuth: azimuth}, nil
}

// direction is the unit vector to the sun, east, north and up, from the
// latitude, the declination and the hour angle in radians.
func direction(latitude, declination, hourAngle float64) (east, north, up float64) {
	sinL, cosL := math.Sincos(latitude)
	sinD, cosD := math.Sincos(declination)
	sinH, cosH := math.Sincos(hourAngle)
	return -cosD * sinH, cosL*sinD - sinL*cosD*cosH, sinL*sinD + cosL*cosD*cosH
}

// DayLength returns the hours between sunrise and sunset in the open at a
// latitude in degrees: 0 or 24 where the sun stays down or up all day. A latitude
// beyond ±90 is an error.
func DayLength(latitudeDeg float64, day calendar.Date) (hours float64, err error) {
	if err := checkLatitude(latitudeDeg); err != nil {
		return 0, err
	}
	return 2 * sunsetAngle(latitudeDeg*rad, Declination(day)*rad) / (15 * rad), nil
}

// sunsetAngle is the hour angle of sunset in radians, 0 for a day without sun and
// π for one without night.
func sunsetAngle(latitude, declination float64) float64 {
	return math.Acos(math.Max(-1, math.Min(1, -math.Tan(latitude)*math.Tan(declination))))
}

func checkLatitude(latitudeDeg float64) error {
	if math.IsNaN(latitudeDeg) || latitudeDeg < -90 || latitudeDeg > 90 {
		return fmt.Errorf("latitude %v is not between -90 and 90 degrees", latitudeDeg)
	}
	return nil
}

// ShadowLength returns the length in metres of the shadow, on level ground, of
// something of a height in metres under the sun at an altitude in degrees;
// infinite at or below the horizon.
func ShadowLength(heightM, altitudeDeg float64) float64 {
	if altitudeDeg <= 0 {
		return math.Inf(1)
	}
	return heightM / math.Tan(altitudeDeg*rad)
}

package climate

import (
	"fmt"
	"math"

	"bramblyacre/core/calendar"
)

// solarConstant is Gsc of FAO-56, in MJ m⁻² min⁻¹.
const solarConstant = 0.0820

// orbit holds the terms that FAO-56 equations 21–25 share for one day.
type orbit struct {
	latitude    float64 // φ, radians
	declination float64 // δ, equation 24, radians
	distance    float64 // dr, equation 23, relative
	sunset      float64 // ωs, equation 25, radians
}

func orbitOn(latitudeDeg float64, day calendar.Date) (orbit, error) {
	if math.IsNaN(latitudeDeg) || latitudeDeg < -90 || latitudeDeg > 90 {
		return orbit{}, fmt.Errorf("latitude %v is not between -90 and 90 degrees", latitudeDeg)
	}
	turn := 2 * math.Pi / 365 * float64(day.YearDay())
	o := orbit{
		latitude:    latitudeDeg * math.Pi / 180,
		declination: 0.409 * math.Sin(turn-1.39),
		distance:    1 + 0.033*math.Cos(turn),
	}
	// Inside the polar circles the sun may stay up or down all day: the cosine
	// then leaves [-1, 1], and the nearest bound is the right hour angle.
	cosine := -math.Tan(o.latitude) * math.Tan(o.declination)
	o.sunset = math.Acos(math.Max(-1, math.Min(1, cosine)))
	return o, nil
}

// DayLength returns the hours between sunrise and sunset at a latitude in
// degrees (south negative): 0 or 24 inside the polar circles at midwinter and
// midsummer. A latitude beyond ±90 is an error.
//
// Source: Allen et al. 1998, FAO Irrigation and Drainage Paper 56, equation 34.
func DayLength(latitudeDeg float64, day calendar.Date) (hours float64, err error) {
	o, err := orbitOn(latitudeDeg, day)
	if err != nil {
		return 0, err
	}
	return 24 / math.Pi * o.sunset, nil
}

// ExtraterrestrialRadiation returns Ra, the sun's energy on a level surface
// above the air, in MJ m⁻² d⁻¹, at a latitude in degrees (south negative). A
// latitude beyond ±90 is an error.
//
// Source: Allen et al. 1998, FAO Irrigation and Drainage Paper 56, equations 21–25.
func ExtraterrestrialRadiation(latitudeDeg float64, day calendar.Date) (megajoules float64, err error) {
	o, err := orbitOn(latitudeDeg, day)
	if err != nil {
		return 0, err
	}
	up := o.sunset*math.Sin(o.latitude)*math.Sin(o.declination) +
		math.Cos(o.latitude)*math.Cos(o.declination)*math.Sin(o.sunset)
	return math.Max(0, 24*60/math.Pi*solarConstant*o.distance*up), nil
}

// ReferenceEvapotranspiration returns ET0 in mm of water a day, from the day's
// lowest and highest temperature in °C and the latitude in degrees. A latitude
// beyond ±90, or tminC above tmaxC, is an error.
//
// Source: Hargreaves' equation as given by Allen et al. 1998, FAO-56, equation 52.
func ReferenceEvapotranspiration(
	latitudeDeg float64,
	day calendar.Date,
	tminC, tmaxC float64,
) (millimetres float64, err error) {
	if err := checkRange(tminC, tmaxC); err != nil {
		return 0, err
	}
	radiation, err := ExtraterrestrialRadiation(latitudeDeg, day)
	if err != nil {
		return 0, err
	}
	return EvapotranspirationUnder(radiation, tminC, tmaxC), nil
}

// EvapotranspirationUnder returns ET0 in mm a day as ReferenceEvapotranspiration does, from the energy of the sun
// above the air in MJ m⁻² d⁻¹, for those who ask for many days: 0 where tminC lies above tmaxC.
func EvapotranspirationUnder(radiation, tminC, tmaxC float64) (millimetres float64) {
	const millimetresPerMegajoule = 0.408 // FAO-56 equation 20
	mean := (tminC + tmaxC) / 2
	return math.Max(0, 0.0023*(mean+17.8)*math.Sqrt(math.Max(0, tmaxC-tminC))*radiation*millimetresPerMegajoule)
}

func checkRange(tminC, tmaxC float64) error {
	if math.IsNaN(tminC) || math.IsNaN(tmaxC) || tminC > tmaxC {
		return fmt.Errorf("the lowest temperature, %v °C, is above the highest, %v °C", tminC, tmaxC)
	}
	return nil
}

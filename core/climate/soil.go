package climate

import (
	"errors"
	"math"
)

// soilDiffusivity is the heat diffusivity of a moist loam in m² s⁻¹, a usual
// textbook value (Hillel 1998, Environmental Soil Physics, gives 0.2–0.8 × 10⁻⁶).
const soilDiffusivity = 0.5e-6

// SoilLag returns the time constant in days with which soil at depthM (metres)
// under mulchM (metres) of loose mulch follows the air's daily mean. It is the
// first-order lag whose delay over a year equals that of heat conducted to the
// depth; mulch counts for three times its thickness of soil. A negative depth
// or one beyond 2 m is an error.
//
// Source: damping depth after Hillel 1998; the mulch factor is a usual value.
func SoilLag(depthM, mulchM float64) (days float64, err error) {
	if depthM < 0 || depthM > 2 || mulchM < 0 || mulchM > 0.5 {
		return 0, errors.New("soil depth must lie between 0 and 2 m, mulch between 0 and 0.5 m")
	}
	const secondsPerDay, mulchAsSoil = 86400, 3
	turnPerSecond := 2 * math.Pi / (yearLength * secondsPerDay)
	dampingDepth := math.Sqrt(2 * soilDiffusivity / turnPerSecond)
	delay := (depthM + mulchAsSoil*mulchM) / dampingDepth
	// Below a radian and a half a first-order lag can no longer stand in for
	// conduction; the deepest bed with mulch stays under it.
	return math.Max(1, math.Tan(math.Min(delay, 1.4))/(turnPerSecond*secondsPerDay)), nil
}

// SoilTemperatures returns the soil's temperature in °C on each day: a
// first-order lag on the air's daily mean with a time constant in days (from
// SoilLag), starting at startC.
func SoilTemperatures(weather []Day, lagDays, startC float64) []float64 {
	soil := make([]float64, len(weather))
	follow := 1 - math.Exp(-1/lagDays)
	at := startC
	for i, day := range weather {
		at += (day.Mean() - at) * follow
		soil[i] = at
	}
	return soil
}

// MeanSoilCourse returns the mean over all members of the soil's temperature in
// °C on each day of the season, with a time constant in days (from SoilLag).
// The lead-in warms it up, so it starts from no guess that matters.
func (e *Ensemble) MeanSoilCourse(lagDays float64) []float64 {
	mean := make([]float64, e.Season.Days())
	for _, days := range e.members {
		soil := SoilTemperatures(days, lagDays, days[0].Mean())
		for i := range mean {
			mean[i] += soil[LeadDays+i] / float64(len(e.members))
		}
	}
	return mean
}

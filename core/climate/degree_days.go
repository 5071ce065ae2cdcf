package climate

import (
	"fmt"
	"math"
)

// NoUpper is the upper cut-off of a plant that no heat of the climate slows.
var NoUpper = math.Inf(1)

// DegreeDays returns the warmth above baseC that one day brings, in °C·d, from
// its lowest and highest temperature in °C. Hours below the base add nothing
// and subtract nothing; warmth above upperC adds no more (horizontal cut-off);
// pass NoUpper for none. tminC above tmaxC, or a cut-off that is not above the
// base, is an error.
//
// Source: Baskerville and Emin 1969, Ecology 50:514–517 (single sine).
func DegreeDays(tminC, tmaxC, baseC, upperC float64) (float64, error) {
	if err := checkRange(tminC, tmaxC); err != nil {
		return 0, err
	}
	if !(upperC > baseC) {
		return 0, fmt.Errorf("the upper cut-off, %v °C, is not above the base, %v °C", upperC, baseC)
	}
	return degreeDays(tminC, tmaxC, baseC, upperC), nil
}

func degreeDays(tminC, tmaxC, baseC, upperC float64) float64 {
	above := sineAbove(tminC, tmaxC, baseC)
	if tmaxC > upperC {
		above -= sineAbove(tminC, tmaxC, upperC)
	}
	return above
}

// sineAbove is the area of the day's temperature sine above a threshold, in °C·d.
func sineAbove(tminC, tmaxC, thresholdC float64) float64 {
	if tmaxC <= thresholdC {
		return 0
	}
	mean := (tminC + tmaxC) / 2
	if tminC >= thresholdC {
		return mean - thresholdC
	}
	amplitude := (tmaxC - tminC) / 2
	angle := math.Asin((thresholdC - mean) / amplitude)
	return ((mean-thresholdC)*(math.Pi/2-angle) + amplitude*math.Cos(angle)) / math.Pi
}

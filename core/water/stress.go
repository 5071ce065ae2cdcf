package water

import (
	"fmt"
	"math"
)

// Stress returns Ks, the share of its full growth and thirst that a plant keeps, from 0 to 1: all
// while no more is gone than the readily available part, and from there in a straight line to none.
// available is TAW and depletion what is gone of it, in mm; part is p, the part of TAW that is readily
// available. A depletion outside 0 to available, or a part outside 0 to 1, is an error.
//
// Source: Allen et al. 1998, FAO-56, equation 84.
func Stress(available, depletion, part float64) (float64, error) {
	if err := checkStore(available, part); err != nil {
		return 0, err
	}
	if !(depletion >= 0 && depletion <= available) {
		return 0, fmt.Errorf(
			"a depletion of %v mm cannot be; it lies between 0 and the %v mm available",
			depletion,
			available,
		)
	}
	return stress(available, depletion, part), nil
}

func stress(available, depletion, part float64) float64 {
	return math.Min(1, (available-depletion)/((1-part)*available))
}

// DaysToDry returns for how many days a full soil gives plants all they ask for when they take et mm a
// day and no rain comes: TAW × p ÷ ET. A use of nothing lasts for ever and is an error, as what Stress
// refuses.
//
// Source: Allen et al. 1998, FAO-56, equation 83.
func DaysToDry(available, part, et float64) (days float64, err error) {
	if err := checkStore(available, part); err != nil {
		return 0, err
	}
	if !(et > 0 && et <= 30) {
		return 0, fmt.Errorf("a use of %v mm a day cannot be; it lies above 0 and up to 30 mm", et)
	}
	return available * part / et, nil
}

func checkStore(available, part float64) error {
	switch {
	case !(available > 0 && available <= 1500):
		return fmt.Errorf("%v mm of available water cannot be; it lies above 0 and up to 1500 mm", available)
	case !(part > 0 && part < 1):
		return fmt.Errorf("a readily available part of %v cannot be; it lies between 0 and 1", part)
	}
	return nil
}

// PartOn returns p as it is on a day that takes et mm: on hot days plants lack water sooner. part is p
// at 5 mm a day. The result lies between 0.1 and 0.8.
//
// Source: Allen et al. 1998, FAO-56, the note to table 22.
func PartOn(part, et float64) float64 {
	return math.Min(0.8, math.Max(0.1, part+0.04*(5-et)))
}

// YieldShare returns what is left of a yield, or of a size, when plants took less than they asked for: 1 less the
// response times the share that they lacked, never below 0. taken and asked are in mm over the time of growth;
// where nothing was asked nothing is lost.
//
// Source: Doorenbos and Kassam 1979, FAO Irrigation and Drainage Paper 33; Allen et al. 1998, FAO-56, equation 90.
func YieldShare(taken, asked, response float64) float64 {
	if asked <= 0 {
		return 1
	}
	return math.Max(0, 1-response*(1-math.Min(1, taken/asked)))
}

// StressOf returns Ks as Stress does for a store as it stands, of a kind that takes the part of its water without
// lacking any at 5 mm a day, on a day on which it asks for et mm.
func (s Store) StressOf(part, et float64) float64 {
	return stress(s.Holding.Available, s.Depletion, PartOn(part, et))
}

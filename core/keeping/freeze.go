package keeping

import (
	"errors"
	"math"
)

// Freezing is how a part is frozen.
type Freezing struct {
	// Drained is what is left of the weight once it was blanched, cooled and drained: a share; 1 where it is not.
	Drained float64
	// LitresPerKilogram is the room that a kilogram takes when it is packed, raw weight.
	LitresPerKilogram float64
}

// Frozen is what comes of freezing.
type Frozen struct {
	Grams, Litres float64
	Bags          int
}

// Freeze tells what raw grams come to: what is packed, in grams and litres, and in how many bags of some litres. An
// error where a figure is none.
func Freeze(raw float64, f Freezing, bagLitres float64) (Frozen, error) {
	switch {
	case !(raw > 0) || math.IsInf(raw, 0):
		return Frozen{}, errors.New("what is frozen weighs more than nothing")
	case !(bagLitres > 0):
		return Frozen{}, errors.New("a bag holds more than nothing")
	case !(f.Drained > 0) || !(f.LitresPerKilogram > 0):
		return Frozen{}, errors.New("how it is frozen is not known")
	}
	litres := raw / 1000 * f.LitresPerKilogram
	return Frozen{raw * f.Drained, litres, int(math.Ceil(litres/bagLitres - 1e-9))}, nil
}

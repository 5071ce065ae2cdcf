package harvest

import (
	"math"

	"bramblyacre/core/flora"
)

// Drier is where pickings are dried.
type Drier struct {
	// Celsius is how warm it is kept, MovingAir whether a fan moves the air.
	Celsius   float64
	MovingAir bool
}

// referenceCelsius is the warmth at which the rates of the lore hold.
const referenceCelsius = 35

// Drying is how a part dries.
type Drying struct {
	// Hours is how long it takes, 0 for what is not dried; Days the same in whole days on the trays.
	Hours float64
	Days  int
	// M2 is the tray that a gram, fresh, takes.
	M2 float64
	// Celsius is how warm it is dried: no warmer than the part bears.
	Celsius float64
	// Cooled is true where the drier is warmer than the part bears, and has to be turned down.
	Cooled bool
	// Standing is the weakest standing of the figures behind it.
	Standing flora.Standing
}

// DryingOf returns how a part dries in a drier: from its own water share until it is dry enough to keep, by Page's thin
// layer MR = exp(−k tⁿ) with k after Arrhenius (model.md §8), MR the water left on the dry basis. False where the part
// is not dried, or nothing is on record of how it dries.
func (l *Lore) DryingOf(part flora.Part, in Drier) (d Drying, dries bool) {
	kind, known := l.Of(part.Keep.Dries)
	if !known || part.Keep.Water == nil {
		return d, false
	}
	d.Celsius = in.Celsius
	d.Standing = flora.Weakest(kind.Rate.Standing, kind.Load.Standing, part.Keep.Water.Standing)
	if heat := part.Keep.Heat; heat != nil && in.Celsius > heat.Value {
		d.Celsius, d.Cooled = heat.Value, true
	}
	d.Hours = l.hoursUntilDry(kind.Rate.Value, part.Keep.Water.Value, Drier{d.Celsius, in.MovingAir})
	d.Days = max(1, int(math.Ceil(d.Hours/24)))
	d.M2 = 1 / kind.Load.Value
	return d, true
}

// hoursUntilDry is the time in which a share of water goes down to that which keeps.
func (l *Lore) hoursUntilDry(rate, water float64, in Drier) float64 {
	const gas, kelvin = 8.314, 273.15
	k := rate * math.Exp(-1000*l.Air.Energy.Value/gas*(1/(in.Celsius+kelvin)-1/(referenceCelsius+kelvin)))
	if !in.MovingAir {
		k *= l.Air.Still.Value
	}
	done := l.Air.Done.Value
	left := done / (1 - done) / (water / (1 - water))
	if left >= 1 {
		return 0 // it is dry as it is picked
	}
	return math.Pow(-math.Log(left)/k, 1/l.Air.Exponent.Value)
}

// DriedShare returns what a gram of a fresh part weighs dried: what is no water stays. False where its water is not on
// record.
func (l *Lore) DriedShare(part flora.Part) (share float64, known bool) {
	if part.Keep.Water == nil {
		return 0, false
	}
	return math.Min(1, (1-part.Keep.Water.Value)/(1-l.Air.Done.Value)), true
}

package harvest

import (
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
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
	return keeping.HoursUntil(rate*l.airFactor(in), l.Air.Exponent.Value, keeping.WaterLeft(water, l.Air.Done.Value))
}

// airFactor is how many times as quickly it dries in a drier as in moving air at 35 °C.
func (l *Lore) airFactor(in Drier) float64 {
	factor := keeping.Warmer(l.Air.Energy.Value, in.Celsius, referenceCelsius)
	if !in.MovingAir {
		factor *= l.Air.Still.Value
	}
	return factor
}

// TrayDrying is what is known of how a tray of a part dries in a drier before it is weighed, with its weight in grams,
// fresh: the lore's figures as spreads, at no more warmth than the part bears. False where the part is not dried, or
// nothing is on record of how it dries.
func (l *Lore) TrayDrying(part flora.Part, in Drier, fresh float64) (keeping.Drying, bool) {
	kind, known := l.Of(part.Keep.Dries)
	if !known || part.Keep.Water == nil {
		return keeping.Drying{}, false
	}
	if heat := part.Keep.Heat; heat != nil {
		in.Celsius = math.Min(in.Celsius, heat.Value)
	}
	factor := l.airFactor(in)
	rate, water := kind.Rate, part.Keep.Water
	return keeping.Drying{
		Fresh: fresh, Done: l.Air.Done.Value,
		Rate:     keeping.Spread{Value: factor * rate.Value, Low: factor * rate.Low, High: factor * rate.High},
		Exponent: keeping.Spread{Value: l.Air.Exponent.Value, Low: l.Air.Exponent.Low, High: l.Air.Exponent.High},
		Water:    keeping.Spread{Value: water.Value, Low: water.Low, High: water.High},
	}, true
}

// DriedShare returns what a gram of a fresh part weighs dried: what is no water stays. False where its water is not on
// record.
func (l *Lore) DriedShare(part flora.Part) (share float64, known bool) {
	if part.Keep.Water == nil {
		return 0, false
	}
	grams, err := keeping.DryWeight(1, part.Keep.Water.Value, math.Min(part.Keep.Water.Value, l.Air.Done.Value))
	return grams, err == nil
}

package propagation

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/flora"
)

// Doubt is what is assumed of a figure that stands in the library without a range. It is the
// one place that says so: nobody knows such a range, and a simulation without one would be too
// sure. Times is for amounts (the value ÷ and × it), Degrees for temperatures and Share for
// shares (the value ∓ it).
type Doubt struct {
	Times   flora.Figure `toml:"times"`
	Degrees flora.Figure `toml:"degrees"`
	Share   flora.Figure `toml:"share"`
}

// Range returns between what a figure is drawn, and whether that is assumed.
func (d Doubt) Range(f flora.Figure) (low, high float64, assumed bool) {
	if f.Low < f.High || f.Standing == flora.Measured {
		return f.Low, f.High, false
	}
	switch f.Unit {
	case "°C":
		return f.Value - d.Degrees.Value, f.Value + d.Degrees.Value, true
	case "share":
		return math.Max(0, f.Value-d.Share.Value), math.Min(1, f.Value+d.Share.Value), true
	}
	return f.Value / d.Times.Value, f.Value * d.Times.Value, true
}

// Draw draws a figure from the triangle over its range whose tip is the value.
func (d Doubt) Draw(rng *rand.Rand, f flora.Figure) float64 { return d.At(f, rng.Float64()) }

// At is the quantile, 0–1, of the triangle that a figure is drawn from.
func (d Doubt) At(f flora.Figure, quantile float64) float64 {
	low, high, _ := d.Range(f)
	return triangle(low, f.Value, high, quantile)
}

// triangle is the quantile of the triangular distribution over low to high with its tip at mode.
func triangle(low, mode, high, q float64) float64 {
	if high <= low {
		return mode
	}
	if rise := (mode - low) / (high - low); q < rise {
		return low + math.Sqrt(q*(high-low)*(mode-low))
	}
	return high - math.Sqrt((1-q)*(high-low)*(high-mode))
}

package suitability

import "bramblyacre/core/flora"

// Offsets are how much warmer or, below 0, colder a winter night is at a spot than in the
// open plot, in °C.
type Offsets struct {
	FrostHollow flora.Figure `toml:"frost_hollow"`
	Warm        flora.Figure `toml:"warm"`
	Cold        flora.Figure `toml:"cold"`
	Pot         flora.Figure `toml:"pot"`
}

// Spot is what a place is like in a winter's night.
type Spot struct {
	FrostHollow, Pot bool
	// Cold and Warm are the grower's word or the plan's; Cold goes before Warm.
	Cold, Warm bool
}

// Of returns how much colder, below 0, or warmer the coldest night of a spot is than the open
// plot's, in °C: the sum of what applies to it.
func (o Offsets) Of(spot Spot) float64 {
	sum := 0.0
	if spot.FrostHollow {
		sum += o.FrostHollow.Value
	}
	if spot.Pot {
		sum += o.Pot.Value
	}
	switch {
	case spot.Cold:
		sum += o.Cold.Value
	case spot.Warm:
		sum += o.Warm.Value
	}
	return sum
}

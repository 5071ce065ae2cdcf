// Package water is the water in a bed's soil, day by day: what a soil holds, what rain and watering
// bring, what plants and bare ground take, and how many days are left until the plants lack it.
// Depths of water are in mm, which over one m² are litres.
package water

import (
	"errors"
	"fmt"
	"math"

	"bramblyacre/core/flora"
)

// Soil is how a soil of one texture holds water. Contents are m³ of water in a m³ of soil.
type Soil struct {
	// Texture is the class's name in the texture triangle.
	Texture string `toml:"texture"`
	// FieldCapacity is what it keeps after draining, Wilting what plants cannot take from it,
	// Saturation what fills all its pores.
	FieldCapacity flora.Figure `toml:"field_capacity"`
	Wilting       flora.Figure `toml:"wilting"`
	Saturation    flora.Figure `toml:"saturation"`
	// Readily is what bare wet ground gives off, in mm, before its drying surface slows it.
	Readily flora.Figure `toml:"readily"`
}

// Check returns an error where a soil holds less when it is full than when it is dry.
func (s Soil) Check() error {
	fc, wp, sat := s.FieldCapacity.Value, s.Wilting.Value, s.Saturation.Value
	switch {
	case s.Texture == "":
		return errors.New("soil: its texture is missing")
	case !(0 < wp && wp < fc && fc < sat && sat < 1):
		return fmt.Errorf("soil %q: wilting %v, field capacity %v, saturation %v must rise, between 0 and 1", s.Texture, wp, fc, sat)
	case !(s.Readily.Value > 0 && s.Readily.Value < 20):
		return fmt.Errorf("soil %q: %v mm given off readily cannot be", s.Texture, s.Readily.Value)
	}
	return nil
}

// Holding is what the roots' depth of a soil holds, in mm.
type Holding struct {
	// Available is TAW: from field capacity down to wilting. Spare is from field capacity up to
	// saturation.
	Available, Spare float64
	// Surface is TEW, what the top decimetre gives off in all when it is bare, and Readily REW,
	// the part of it that it gives off as fast as the air takes it.
	Surface, Readily float64
}

// surfaceM is the depth of ground in m that dries by evaporation (FAO-56, chapter 7: 0.10 to 0.15 m).
const surfaceM = 0.10

// Holds returns what a soil holds over a depth of roots in m. A depth of nothing or beyond 3 m is an
// error.
//
// Source: Allen et al. 1998, FAO Irrigation and Drainage Paper 56, equations 82 and 73.
func (s Soil) Holds(depthM float64) (Holding, error) {
	if !(depthM > 0 && depthM <= 3) {
		return Holding{}, fmt.Errorf("roots %v m deep cannot be; they lie between 0 and 3 m", depthM)
	}
	fc, wp := s.FieldCapacity.Value, s.Wilting.Value
	h := Holding{
		Available: 1000 * (fc - wp) * depthM,
		Spare:     1000 * (s.Saturation.Value - fc) * depthM,
		Surface:   1000 * (fc - wp/2) * math.Min(surfaceM, depthM),
	}
	h.Readily = math.Min(s.Readily.Value, h.Surface*readilyMost)
	return h, nil
}

// readilyMost keeps the part given off readily below all of it, in soils so shallow that it is not.
const readilyMost = 0.9

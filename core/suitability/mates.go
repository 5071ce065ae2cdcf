package suitability

import (
	"fmt"
	"math"

	"bramblyacre/core/flora"
)

// MateTrouble is something that two species in one bed do to each other.
type MateTrouble string

// The troubles.
const (
	UnlikeWater  MateTrouble = "unlike water"
	DiggingHurts MateTrouble = "digging"
	Overshadows  MateTrouble = "shading"
	Overruns     MateTrouble = "running"
)

// Between returns what a does to b when both stand in one bed, in the order of
// the constants. Unlike water is told once for a pair, for the a that wants more.
func Between(a, b *flora.Species) []MateTrouble {
	var troubles []MateTrouble
	wantsA, wantsB := a.Site.Moisture.On(flora.MoistureWords), b.Site.Moisture.On(flora.MoistureWords)
	if wantsA.From > wantsB.To {
		troubles = append(troubles, UnlikeWater)
	}
	if a.IsDug() && b.Site.Roots == "shallow" && !b.IsDug() {
		troubles = append(troubles, DiggingHurts)
	}
	const twiceAsTall, sunLover = 2, 5
	if a.Size.Height.Value >= twiceAsTall*b.Size.Height.Value && b.Site.Sun.From >= sunLover {
		troubles = append(troubles, Overshadows)
	}
	if a.Site.Spread == "runs" && b.Site.Spread != "runs" {
		troubles = append(troubles, Overruns)
	}
	return troubles
}

// HardinessZone returns the zone of a mean yearly lowest temperature in °C, such
// as "6a": bands of 10 °F from −60 °F, in halves.
//
// Source: the zones of the USDA Plant Hardiness Zone Map (2012).
func HardinessZone(meanLowestC float64) string {
	fahrenheit := meanLowestC*9/5 + 32
	half := int(math.Floor((fahrenheit + 60) / 5))
	half = max(0, min(half, 25))
	return fmt.Sprintf("%d%c", half/2+1, "ab"[half%2])
}

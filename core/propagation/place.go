package propagation

import (
	"errors"
	"fmt"
)

// PlaceKind is a kind of place to raise plants in.
type PlaceKind string

// The kinds.
const (
	IndoorShelf  PlaceKind = "indoor shelf"
	WarmBed      PlaceKind = "warm bed"
	ColdHouse    PlaceKind = "cold house"
	Refrigerator PlaceKind = "refrigerator"
	Outdoors     PlaceKind = "outdoors"
)

// PlaceKinds lists them, in the order of a plant's way: from indoors out.
var PlaceKinds = []PlaceKind{Refrigerator, IndoorShelf, WarmBed, ColdHouse, Outdoors}

// IsHeld tells whether a kind of place holds a temperature that was set, whatever the weather.
func (k PlaceKind) IsHeld() bool { return k == IndoorShelf || k == WarmBed || k == Refrigerator }

// HasLight tells whether plants grow on in a kind of place: not in the dark.
func (k PlaceKind) HasLight() bool { return k != Refrigerator }

// Place is where plants are raised.
type Place struct {
	ID   int64
	Name string
	Kind PlaceKind
	// Trays is for how many trays it has room.
	Trays int
	// SetC is the temperature in °C that a held place has; of the others, OffsetC is how much
	// warmer than outdoors it is, and FloorC below which it does not fall, where it has such.
	SetC, OffsetC float64
	FloorC        *float64
}

// Check returns an error for what no place has.
func (p Place) Check() error {
	switch {
	case p.Trays < 1 || p.Trays > 500:
		return errors.New("a place has room for 1 to 500 trays")
	case p.Kind.IsHeld() && !(p.SetC >= -5 && p.SetC <= 45):
		return fmt.Errorf("the temperature of the %s must lie between -5 and 45 °C", p.Kind)
	case !(p.OffsetC >= -5 && p.OffsetC <= 15):
		return errors.New("a house is at most 15 °C warmer than outdoors, and at most 5 °C colder")
	case p.FloorC != nil && !(*p.FloorC >= -20 && *p.FloorC <= 25):
		return errors.New("the least temperature must lie between -20 and 25 °C")
	}
	return nil
}

// Celsius is the temperature in the place at one outdoors, in °C.
func (p Place) Celsius(outdoors float64) float64 {
	if p.Kind.IsHeld() {
		return p.SetC
	}
	inside := outdoors + p.OffsetC
	if p.FloorC != nil && inside < *p.FloorC {
		return *p.FloorC
	}
	return inside
}

// Course is the place's daily mean in °C by day from one of the weathers' days on.
func (p Place) Course(w *Weathers, member, from int) func(day int) float64 {
	means := w.means[member]
	return func(day int) float64 { return p.Celsius(means[min(from+day, len(means)-1)]) }
}

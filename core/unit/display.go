package unit

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// System is the set of units that amounts are shown in.
type System string

// The systems a grower can choose.
const (
	Metric System = "metric"
	US     System = "us"
)

// Systems lists every choice.
var Systems = []System{Metric, US}

// Valid tells whether the system is one of Systems.
func (s System) Valid() bool { return s == Metric || s == US }

// LengthUnit is the unit a bare number of plant size is read in.
func (s System) LengthUnit() string {
	if s == US {
		return "in"
	}
	return "cm"
}

// GroundUnit is the unit a bare number of bed size is read in.
func (s System) GroundUnit() string {
	if s == US {
		return "ft"
	}
	return "m"
}

// MassUnit is the unit a bare number of weight is read in.
func (s System) MassUnit() string {
	if s == US {
		return "oz"
	}
	return "g"
}

// PlantLength writes a plant's size, given in metres: "92 cm", "36 in".
func (s System) PlantLength(metres float64) string {
	if s == US {
		return trimmed(metres/0.0254, 0) + " in"
	}
	if math.Abs(metres) >= 2 {
		return trimmed(metres, 1) + " m"
	}
	return trimmed(metres*100, 0) + " cm"
}

// PlantLengths writes a range of a plant's sizes, given in metres, in one unit: "1.4 to 2.2 m",
// "60 to 90 cm", "24 to 36 in". The greater says which.
func (s System) PlantLengths(low, high float64) string {
	switch {
	case s == US:
		return trimmed(low/0.0254, 0) + " to " + s.PlantLength(high)
	case math.Abs(high) >= 2:
		return trimmed(low, 1) + " to " + s.PlantLength(high)
	}
	return trimmed(low*100, 0) + " to " + s.PlantLength(high)
}

// GroundLength writes a length on the ground, given in metres: "2.4 m",
// "7 ft 10 in".
func (s System) GroundLength(metres float64) string {
	if s != US {
		return trimmed(metres, 2) + " m"
	}
	inches := math.Round(metres / 0.0254)
	feet := math.Trunc(inches / 12)
	if rest := inches - feet*12; rest != 0 {
		return fmt.Sprintf("%.0f ft %.0f in", feet, rest)
	}
	return fmt.Sprintf("%.0f ft", feet)
}

// Weight writes a mass given in grams: "310 g", "1.2 kg", "11 oz", "2 lb 3 oz".
func (s System) Weight(grams float64) string {
	if s != US {
		switch {
		case math.Abs(grams) >= 1000:
			return trimmed(grams/1000, 2) + " kg"
		case math.Abs(grams) >= 100:
			return trimmed(math.Round(grams/10)*10, 0) + " g"
		case math.Abs(grams) >= 10:
			return trimmed(grams, 0) + " g"
		}
		return trimmed(grams, 1) + " g"
	}
	ounces := grams / 28.349523125
	if math.Abs(ounces) < 16 {
		if math.Abs(ounces) >= 2 {
			return trimmed(ounces, 0) + " oz"
		}
		return trimmed(ounces, 1) + " oz"
	}
	whole := math.Round(ounces)
	pounds := math.Trunc(whole / 16)
	if rest := whole - pounds*16; rest != 0 {
		return fmt.Sprintf("%.0f lb %.0f oz", pounds, rest)
	}
	return fmt.Sprintf("%.0f lb", pounds)
}

// Temperature writes a temperature given in °C: "19 °C", "66 °F".
func (s System) Temperature(celsius float64) string {
	if s == US {
		return trimmed(celsius*9/5+32, 0) + " °F"
	}
	return trimmed(celsius, 0) + " °C"
}

// FineTemperature writes a temperature as it was read, given in °C: "-1.4 °C", "29.5 °F".
func (s System) FineTemperature(celsius float64) string {
	if s == US {
		return trimmed(celsius*9/5+32, 1) + " °F"
	}
	return trimmed(celsius, 1) + " °C"
}

// TemperatureUnit is the unit of a temperature that is typed without one.
func (s System) TemperatureUnit() string {
	if s == US {
		return "°f"
	}
	return "°c"
}

// RainUnit is the unit of a day's rain that is typed without one.
func (s System) RainUnit() string {
	if s == US {
		return "in"
	}
	return "mm"
}

// Temperatures writes a range of temperatures given in °C: "3 to 7 °C", "37 to 45 °F".
func (s System) Temperatures(low, high float64) string {
	first, second := s.Temperature(low), s.Temperature(high)
	if first == second {
		return first
	}
	number, _, _ := strings.Cut(first, " ")
	return number + " to " + second
}

// TemperatureDifference writes how far two temperatures lie apart, given in °C:
// "0.7 °C", "1.3 °F".
func (s System) TemperatureDifference(celsius float64) string {
	if s == US {
		return trimmed(celsius*9/5, 1) + " °F"
	}
	return trimmed(celsius, 1) + " °C"
}

// Rainfall writes a day's rain given in millimetres: "4.2 mm", "0.17 in".
func (s System) Rainfall(millimetres float64) string {
	if s == US {
		return trimmed(millimetres/25.4, 2) + " in"
	}
	return trimmed(millimetres, 1) + " mm"
}

// Rain writes a depth of rain given in millimetres: "840 mm", "33 in".
func (s System) Rain(millimetres float64) string {
	if s == US {
		return trimmed(millimetres/25.4, 0) + " in"
	}
	return trimmed(millimetres, 0) + " mm"
}

// Area writes an area given in square metres: "3.1 m²", "33 ft²".
func (s System) Area(squareMetres float64) string {
	if s == US {
		return trimmed(squareMetres/0.09290304, 0) + " ft²"
	}
	return trimmed(squareMetres, 1) + " m²"
}

// SmallArea writes an area of less than a few m², given in square metres: "0.12 m²", "1.29 ft²".
func (s System) SmallArea(squareMetres float64) string {
	if s == US {
		return trimmed(squareMetres/0.09290304, 2) + " ft²"
	}
	return trimmed(squareMetres, 3) + " m²"
}

// Volume writes a volume given in litres: "85 ml", "6.5 l", "6.8 qt".
func (s System) Volume(litres float64) string {
	const quart = 0.946352946
	switch {
	case s == US && litres < quart/2:
		return trimmed(litres/quart*2, 2) + " pt"
	case s == US && litres >= 100*quart:
		return trimmed(litres/quart, 0) + " qt"
	case s == US:
		return trimmed(litres/quart, 1) + " qt"
	case litres < 0.9995:
		return trimmed(litres*1000, 0) + " ml"
	case litres >= 100:
		return trimmed(litres, 0) + " l"
	}
	return trimmed(litres, 1) + " l"
}

// VolumeUnit is the unit that a volume without one is read in.
func (s System) VolumeUnit() string {
	if s == US {
		return "qt"
	}
	return "l"
}

// trimmed writes a number with at most the given decimals and no trailing zeros.
func trimmed(value float64, decimals int) string {
	text := strconv.FormatFloat(value, 'f', decimals, 64)
	if strings.Contains(text, ".") {
		text = strings.TrimRight(strings.TrimRight(text, "0"), ".")
	}
	if text == "-0" {
		return "0"
	}
	return text
}

package keeping

import (
	"cmp"
	"math"
	"slices"
)

// Tray is a tray of the drier: its number, the m² that are free on it.
type Tray struct {
	Number int
	M2     float64
}

// Waits is a basket that waits to be dried.
type Waits struct {
	// ID is the basket's own. Kind is what dries alike and may lie together: the part of the plant.
	ID   int64
	Kind string
	// Grams is what waits, GramsPerM2 what a m² of tray holds of it.
	Grams, GramsPerM2 float64
	// Spoils is in how many hours it spoils.
	Spoils float64
}

// Placed is what is laid on a tray of a basket.
type Placed struct {
	Tray  int
	ID    int64
	Grams float64
}

// leastPlaced is the least that is laid on a tray by itself, in grams: less is left in its basket.
const leastPlaced = 1

// Load lays baskets onto free trays: what spoils first is laid first, no tray holds two kinds, and a basket that needs
// several trays has each one full but the last. A kind that is on a tray already goes on there while room is left. What
// finds no room is left, in grams, by the baskets' ids.
func Load(free []Tray, waits []Waits) (placed []Placed, left map[int64]float64) {
	trays := slices.Clone(free)
	kinds := map[int]string{}
	slices.SortStableFunc(trays, func(a, b Tray) int { return cmp.Compare(a.Number, b.Number) })
	order := slices.Clone(waits)
	slices.SortStableFunc(order, func(a, b Waits) int { return cmp.Compare(a.Spoils, b.Spoils) })
	left = map[int64]float64{}
	for _, w := range order {
		rest := w.Grams
		for i := range trays {
			on := trays[i].Number
			if kinds[on] != "" && kinds[on] != w.Kind || !(w.GramsPerM2 > 0) {
				continue
			}
			// A kilogram on a m²: what is left over of a rounding is laid on with the rest.
			grams := math.Min(rest, trays[i].M2*w.GramsPerM2)
			if grams < math.Min(leastPlaced, w.Grams) {
				continue
			}
			if rest-grams < leastPlaced {
				grams = rest
			}
			placed = append(placed, Placed{on, w.ID, grams})
			kinds[on] = w.Kind
			trays[i].M2 = math.Max(0, trays[i].M2-grams/w.GramsPerM2)
			if rest -= grams; rest <= 0 {
				break
			}
		}
		if rest > 0 {
			left[w.ID] = rest
		}
	}
	return placed, left
}

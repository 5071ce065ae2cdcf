package garden

import (
	"bramblyacre/core/ground"
	"bramblyacre/store"
)

// saidWord pairs what is said of an aspect with its field.
type saidWord struct{ field, aspect, word string }

// saidOf is what the grower said of a bed's ground, an empty word where nothing.
func saidOf(bed store.Bed) []saidWord {
	return []saidWord{
		{"moisture", ground.Moisture, bed.Moisture}, {"winter", ground.Winter, bed.Winter}, {"texture", ground.Texture, bed.Texture},
		{"drainage", ground.Drainage, bed.Drainage}, {"ph", ground.Acidity, bed.Ph}, {"fertility", ground.Fertility, bed.Fertility}, {"soilDepth", ground.Depth, bed.SoilDepth},
	}
}

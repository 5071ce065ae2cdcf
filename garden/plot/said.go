package plot

import (
	"bramblyacre/core/ground"
	"bramblyacre/store"
)

// SaidWord pairs what is said of an aspect with its field.
type SaidWord struct{ Field, Aspect, Word string }

// SaidOf is what the grower said of a bed's ground, an empty word where nothing.
func SaidOf(bed store.Bed) []SaidWord {
	return []SaidWord{
		{
			"moisture",
			ground.Moisture,
			bed.Moisture,
		},
		{"winter", ground.Winter, bed.Winter},
		{"texture", ground.Texture, bed.Texture},
		{
			"drainage",
			ground.Drainage,
			bed.Drainage,
		},
		{"ph", ground.Acidity, bed.Ph},
		{"fertility", ground.Fertility, bed.Fertility},
		{"soilDepth", ground.Depth, bed.SoilDepth},
	}
}

package say

import (
	"math"
)

func Round1(value float64) float64 { return math.Round(value*10) / 10 }

// HoursWords says hours of sun: "6.5 h", "under half an hour", "none".
func HoursWords(hours float64) string {
	switch {
	case hours <= 0.05:
		return "none"
	case hours < 0.5:
		return "under half an hour"
	}
	return Number(hours) + " h"
}

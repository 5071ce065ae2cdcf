package spread

import (
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// wayWords name a way of holding.
func wayWords(c spread.Control) string {
	times := func(once string) string {
		switch c.Times {
		case 1:
			return once + " once a year"
		case 2:
			return once + " twice a year"
		}
		return fmt.Sprintf("%s %d times a year", once, c.Times)
	}
	switch c.Way {
	case spread.LetRun:
		return "let it run"
	case spread.Behead:
		return "behead"
	case spread.EdgeIt:
		return times("edge")
	case spread.Barrier:
		return fmt.Sprintf("sink a board, %.0f cm", c.DepthCm)
	case spread.Pot:
		return "into a pot"
	case spread.DigOut:
		return times("dig out")
	case spread.Smother:
		return "smother " + say.Counted(float64(c.Seasons), "season", "seasons")
	}
	return string(c.Way)
}

// planWords name several ways together.
func planWords(plan spread.Plan) string {
	if len(plan) == 0 {
		return "let it run"
	}
	var words []string
	for _, c := range plan {
		words = append(words, wayWords(c))
	}
	return say.Joined(words)
}

// holdWords say how a stand is held.
func holdWords(policy plot.Policy, ways spread.Plan) string {
	switch policy {
	case plot.PolicyFree:
		return "Free: it may run."
	case plot.PolicyRid:
		return "To be got rid of: " + planWords(ways) + "; all of it may be taken."
	case plot.PolicyBounded:
		return "Bounded: " + planWords(ways) + "."
	}
	return "Held to its bed: " + planWords(ways) + "."
}

// middleOf is the middle of some places.
func middleOf(spots []geometry.Point) (middle geometry.Point) {
	for _, spot := range spots {
		middle = middle.Plus(spot.Times(1 / float64(len(spots))))
	}
	return middle
}

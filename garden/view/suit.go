package view

import (
	"context"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
)

// Verdicts by the least score.
var verdicts = []struct {
	from float64
	word string
}{{suitability.ShortBelow, "well"}, {0.45, "fairly"}, {0.15, "hardly"}, {math.Inf(-1), "no"}}

// VerdictOf is a score in a word.
func VerdictOf(value float64) string {
	for _, v := range verdicts {
		if value >= v.from {
			return v.word
		}
	}
	return "no"
}

// ForMe answers whether a plant is for this household, with the reason.
type ForMe struct {
	Question string `json:"question"`
	Answer   string `json:"answer"`
	Minds    bool   `json:"minds" doc:"There is something to mind"`
}

// Judging is what judging a plot takes.
type Judging struct {
	*plot.State
	Lore    library.Ground
	Species []*flora.Species
	Lows    []float64
}

// JudgingToday is what judging the plot of today takes.
func JudgingToday(ctx context.Context, g *plot.Plot) (Judging, error) {
	j, _, err := JudgingOn(ctx, g, plot.NoDay)
	return j, err
}

// JudgingOn is judging with a day to show, which is today for NoDay.
func JudgingOn(ctx context.Context, g *plot.Plot, on calendar.Date) (Judging, calendar.Date, error) {
	s, on, err := g.StateOn(ctx, on)
	if err != nil {
		return Judging{}, 0, err
	}
	return Judging{s, s.Lib.Ground(), s.Lib.AllSpecies(), s.WinterLows()}, on, nil
}

package view

import (
	"fmt"

	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// MovedView says how the last look moved the forecast, and why.
type MovedView struct {
	Why      string       `json:"why"`
	Surprise bool         `json:"surprise" doc:"The forecast held this look for unlikely"`
	Stages   []MovedStage `json:"stages"`
}

// MovedStage is a later stage's dates without the last look and with it.
type MovedStage struct {
	Stage  flora.Stage   `json:"stage"`
	Before say.DatesView `json:"before"`
	After  say.DatesView `json:"after"`
	// Days is how far the middle moved, below 0 for sooner.
	Days int `json:"days"`
}

// Moved compares the forecast with the one without this season's last look;
// nil where there was none.
func Moved(s *plot.State, p *plot.Planting) *MovedView {
	if p == nil || p.BeforeLook() == nil || p.Now == nil {
		return nil
	}
	last := p.Sightings[len(p.Sightings)-1]
	index, has := p.Now.Index(last.Stage, last.Day)
	if !has {
		return nil
	}
	v := &MovedView{Surprise: p.Surprise != nil}
	for k := index + 1; k < len(p.Now.Stages); k++ {
		before, after := say.ViewDates(p.BeforeLook().Dates(k)), say.ViewDates(p.Now.Dates(k))
		if before.Chance < 0.5 || after.Chance < 0.5 {
			continue // its middle is no day
		}
		v.Stages = append(v.Stages, MovedStage{p.Now.Stages[k], before, after, after.P50.DaysSince(before.P50)})
	}
	expected, _ := p.BeforeLook().StageOn(last.Day)
	v.Why = fmt.Sprintf("Seen %s on %s. ", last.Stage, last.Day.DayMonth())
	switch {
	case index > 0 && expected < index:
		v.Why += fmt.Sprintf(
			"Without this look it was held to be %s, and %s was expected about %s. ",
			p.Now.Stages[expected],
			last.Stage,
			p.BeforeLook().Dates(index).P50.DayMonth(),
		)
	case expected > index:
		v.Why += fmt.Sprintf("Without this look it was held to be %s already. ", p.Now.Stages[expected])
	default:
		v.Why += "As expected. "
	}
	v.Why += PaceWords(p.Now.Pace)
	return v
}

// PaceWords says how a planting's pace compares with the species' usual one.
func PaceWords(pace phenology.Pace) string {
	if pace.Seen == 0 {
		return "Never looked at, so the dates are wide."
	}
	looks := say.Counted(float64(pace.Seen), "look", "looks")
	switch percent := 100 * (pace.Quantile(0.5) - 1); {
	case percent <= -1:
		return fmt.Sprintf("From %s: it runs about %.0f %% ahead of the usual pace.", looks, -percent)
	case percent >= 1:
		return fmt.Sprintf("From %s: it runs about %.0f %% behind the usual pace.", looks, percent)
	}
	return fmt.Sprintf("From %s: it keeps the usual pace.", looks)
}

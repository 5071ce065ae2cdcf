package place

import (
	"context"
	"fmt"

	"bramblyacre/core/climate"
	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
)

// ClimateChoice is a climate that a site can be given.
type ClimateChoice struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Kind  string `json:"kind"`
	Means string `json:"means" doc:"What its year is like at the plot's latitude"`
	Fits  bool   `json:"fits" doc:"It may be looked for at the plot's latitude"`
	// Far says why not; empty where it fits.
	Far string `json:"far" doc:"Why it hardly fits; empty where it does"`
}

// Climates returns the climates there are for a latitude in degrees, the likeliest first.
func (u *Uses) Climates(ctx context.Context, latitude float64, units unit.System) ([]ClimateChoice, error) {
	if !(latitude >= -90 && latitude <= 90) { // nor is NaN
		return nil, say.Faults{{Field: "latitude", Message: outOfLatitude}}
	}
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	if !units.Valid() {
		units = s.Units
	}
	return climateChoices(u.plot.Lib().Climates(), units, latitude), nil
}

func climateChoices(all []climate.Normals, units unit.System, latitude float64) []ClimateChoice {
	var choices []ClimateChoice
	for _, n := range climate.Suggested(all, latitude) {
		fit := n.FitAt(latitude)
		choice := ClimateChoice{
			ID:    n.ID,
			Name:  n.Name,
			Kind:  n.Kind,
			Means: climateMeans(n.OutlineAt(latitude), units),
			Fits:  fit.Near(),
		}
		switch {
		case fit.OtherHalf:
			choice.Far = "Known from the other half of the world: its year is turned round for you."
		case fit.FarOff():
			choice.Far = fmt.Sprintf("Usual about %.0f° nearer to the equator or farther from it.", fit.OffDeg)
		}
		choices = append(choices, choice)
	}
	return choices
}

// climateMeans says what a climate's year is like.
func climateMeans(o climate.Outline, units unit.System) string {
	frost := "Few nights of frost, or none."
	switch {
	case o.FrostFrom == o.FrostTo && o.FrostFrom != 0:
		frost = fmt.Sprintf("Frost in %s.", o.FrostFrom)
	case o.FrostFrom != 0:
		frost = fmt.Sprintf("Frost from %s to %s.", o.FrostFrom, o.FrostTo)
	}
	// Three parts of five of the rain in half of the year is felt as a rainy season.
	const rainy = 0.6
	season := "in all seasons"
	switch {
	case o.WarmHalf >= rainy:
		season = "most of it in the warm half of the year"
	case o.WarmHalf <= 1-rainy:
		season = "most of it in the cool half of the year"
	}
	return fmt.Sprintf(
		"Nights about %s in %s, days about %s in %s. %s Rain: %s a year, %s.",
		units.Temperature(
			o.ColdestNightC,
		),
		o.ColdestMonth,
		units.Temperature(o.WarmestDayC),
		o.WarmestMonth,
		frost,
		units.Rain(o.RainMM),
		season,
	)
}

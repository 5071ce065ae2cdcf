package garden

import (
	"testing"

	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// On a plot in each climate, north and south, every plant has its page: its year lies in
// the season, in order, and what is taken is taken within it. Something of the library
// grows and can be taken in each of them.
func TestEveryPlantHasItsYearInEveryClimate(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	today := day
	for _, station := range []struct {
		id       string
		latitude float64
	}{
		{"hill-valley", 46.5}, {"mild-maritime", 52}, {"cool-maritime", 57}, {"cold-continental", 45}, {"dry-summer", 38},
		{"desert-summer-rain", 32}, {"humid-subtropical-south", -30}, {"high-plateau-south", -26},
	} {
		g, _ := emptyGarden(t, &today)
		_, err := g.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: station.latitude, Altitude: "200 m", ClimateID: station.id, Width: "40 m", Depth: "30 m", Units: "metric"})
		check(t, err)
		flowering, taken := 0, 0
		for _, species := range g.Plot.Lib().AllSpecies() {
			v, err := g.Plants.Plant(t.Context(), species.ID, plot.NoDay)
			check(t, err)
			for _, year := range v.Years {
				for i, stage := range year.Stages {
					if stage.Dates.P10 > stage.Dates.P50 || stage.Dates.P50 > stage.Dates.P90 || stage.Dates.P50 < v.SeasonStart {
						t.Errorf("%s at %s: %s between %s, %s and %s", species.ID, station.id, stage.Stage, stage.Dates.P10, stage.Dates.P50, stage.Dates.P90)
					}
					// What the year ends before comes late or never.
					if i > 0 && stage.Dates.P50 < year.Stages[i-1].Dates.P50 && year.Stages[i-1].Dates.Chance >= 0.9 {
						t.Errorf("%s at %s: %s comes before %s", species.ID, station.id, stage.Stage, year.Stages[i-1].Stage)
					}
					if stage.BBCH == 65 && stage.Dates.P50 < v.SeasonEnd {
						flowering++
					}
				}
				for _, w := range year.Windows {
					if w.First > w.Last || w.Last < v.SeasonStart {
						t.Errorf("%s at %s: %s from %s to %s", species.ID, station.id, w.Part, w.First, w.Last)
					}
					taken++
				}
			}
		}
		if flowering < 40 || taken < 60 {
			t.Errorf("at %s only %d plants come into flower and %d parts are taken", station.id, flowering, taken)
		}
	}
}

// A bed is asked of every plant without fail, and what is never used is never offered
// for one, in any climate's cold.
func TestEveryPlantIsJudgedForABed(t *testing.T) {
	p := newPlot(t)
	offered, err := p.Place.What(t.Context(), p.bed, place.WhatFilter{})
	check(t, err)
	names := map[string]bool{}
	for _, suits := range offered.Species {
		names[suits.SpeciesID] = true
		if suits.Value < 0 || suits.Value > 1 || suits.Words == "" || len(suits.Needs) == 0 {
			t.Errorf("%s: %v, %q", suits.SpeciesID, suits.Value, suits.Words)
		}
	}
	for _, species := range p.Plot.Lib().AllSpecies() {
		if species.IsUsed() != names[species.ID] {
			t.Errorf("%s, used %v, is offered %v", species.ID, species.IsUsed(), names[species.ID])
		}
		where, err := p.Place.Where(t.Context(), species.ID)
		check(t, err)
		if len(where.Beds) != 1 || len(where.ForMe) != 5 {
			t.Errorf("%s: %d beds, %d answers", species.ID, len(where.Beds), len(where.ForMe))
		}
	}
}

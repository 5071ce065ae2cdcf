package garden

import (
	"fmt"
	"slices"
	"testing"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// Every care rule and every harvest of every plant comes up in some year of the
// plant's life in the climate that its days are told at, and a job says what, why and
// for how long. However short its days and however unsure, none is passed over.
func TestEveryRuleComesUp(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	climates := map[string][]*flora.Species{}
	p := newPlot(t)
	for _, s := range p.Plot.Library.AllSpecies() {
		at := s.Growth.At
		if at == "" {
			at = "mild-maritime"
		}
		climates[at] = append(climates[at], s)
	}
	rules := 0
	for at, all := range climates {
		station, has := p.Plot.Library.Climate(at)
		if !has {
			t.Fatalf("there is no station %s", at)
		}
		plot := newPlot(t)
		_, err := plot.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Mill Field", Latitude: station.Latitude, Altitude: fmt.Sprintf("%g m", station.HeightM), ClimateID: at, Width: "24 m", Depth: "16 m", Units: "metric"})
		check(t, err)
		wanted := map[string]bool{}
		for _, s := range all {
			for _, started := range startsOf(s) {
				for _, origin := range []string{"seed", "bought"} {
					_, err := plot.AddPlanting(t.Context(), input.PlantingInput{BedID: plot.bed, SpeciesID: s.ID, Plants: 2, StartedOn: started, Origin: origin})
					check(t, err)
				}
			}
			for _, care := range s.Care {
				wanted[s.ID+" "+care.ID] = true
				rules++
			}
			for _, part := range s.Parts {
				if part.Harvest != nil {
					wanted[s.ID+" "+part.Name] = true
					rules++
				}
			}
		}
		state, err := plot.Plot.State(t.Context())
		check(t, err)
		for _, planting := range state.Plantings {
			for _, span := range state.Spans(planting) {
				delete(wanted, planting.SpeciesID+" "+span.Window.Part.Name)
				if !span.Window.OpenOn(span.First) || span.First > span.Last {
					t.Errorf("%s %s is not open on its first day, %s", planting.SpeciesID, span.Window.Part.Name, span.First)
				}
			}
			asked := map[string]bool{}
			for _, j := range plot.Now.Part().Jobs.Of(state, planting, state.Today) {
				if j.View.Verb == "" || j.View.Amount == "" || j.View.Reason == "" || j.Minutes < 1 || j.First > j.Last {
					t.Errorf("%s: %+v", planting.SpeciesID, j.View)
				}
				if j.BestFirst != 0 && (j.BestFirst < j.First || j.BestLast > j.Last || j.BestFirst > j.BestLast) {
					t.Errorf("%s is best %s to %s, of %s to %s", j.Key, j.BestFirst, j.BestLast, j.First, j.Last)
				}
				asked[j.Key] = true
			}
			// What is not asked for says why.
			for _, due := range view.CareOf(state, planting, state.Today) {
				delete(wanted, planting.SpeciesID+" "+due.Row.ID)
				key := view.CareKey(planting, due.Row.ID, state.Season.Start.Year())
				if due.Wanted != asked[key] || !due.Wanted && due.Why == "" || due.CostWords() == "" {
					t.Errorf("%s is wanted %v for %q and asked for %v", key, due.Wanted, due.Why, asked[key])
				}
			}
			for _, care := range planting.Species.Care {
				if care.ByNight.Unit == "" {
					continue
				}
				// Where no such nights come nothing is asked for.
				cold := 0
				for m := range state.Sky.Usual.Size() {
					autumn := state.Sky.Usual.Weather(m)[state.Season.Days()/2:]
					if slices.ContainsFunc(autumn, func(day climate.Day) bool { return day.TMin <= care.ByNight.Value }) {
						cold++
					}
				}
				if cold*10 < state.Sky.Usual.Size() {
					delete(wanted, planting.SpeciesID+" "+care.ID)
				}
			}
		}
		for rule := range wanted {
			t.Errorf("at %s %s never comes up", at, rule)
		}
	}
	if rules < 220 {
		t.Errorf("only %d rules", rules)
	}
}

// startsOf are the days on which plants of a species were set so that every year of
// its life that differs stands on the plot.
func startsOf(s *flora.Species) []string {
	switch s.Life.Form {
	case flora.Annual:
		return []string{"2031-04-20"}
	case flora.Biennial:
		return []string{"2030-04-20", "2031-04-20"}
	}
	return []string{"2010-04-20", "2029-04-20", "2031-04-20"}
}

// An annual is in its only year however it came to the plot: bought in May it is picked
// the same summer, and one that was found is forecast, not taken for dead.
func TestAnAnnualIsInItsOnlyYearHoweverItCame(t *testing.T) {
	p := newPlot(t)
	for _, origin := range []string{"seed", "bought", "found", "volunteer"} {
		_, err := p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "borage", Plants: 3, StartedOn: "2031-05-02", Origin: origin, Labelled: true, Source: "A label."})
		check(t, err)
		state, err := p.Plot.State(t.Context())
		check(t, err)
		borage := state.Plantings[len(state.Plantings)-1]
		if borage.Now == nil || borage.Year != 1 || len(state.Spans(borage)) == 0 {
			t.Errorf("%s: in year %d of its life, %d windows", origin, borage.Year, len(state.Spans(borage)))
			continue
		}
		flower := state.Spans(borage)[0]
		if month := flower.First.Month(); month < 6 || month > 8 {
			t.Errorf("%s: its flowers are picked from %s", origin, flower.First)
		}
		if borage.Next != nil {
			t.Errorf("%s: it is forecast beyond its life", origin)
		}
	}
}

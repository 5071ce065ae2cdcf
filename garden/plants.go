package garden

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
	"bramblyacre/core/suitability"
)

// PlantsView is the library's plants, or those of them that are asked for.
type PlantsView struct {
	Plants  []PlantBrief  `json:"plants"`
	All     int           `json:"all" doc:"How many plants the library has"`
	Uses    []string      `json:"uses"`
	Spreads []string      `json:"spreads"`
	Stages  []flora.Stage `json:"stages"`
	Beds    []BedChoice   `json:"beds"`
}

// BedChoice is a bed to choose.
type BedChoice struct {
	ID   int64  `json:"id"`
	Name string `json:"name"`
}

// PlantBrief is a plant of the library in a line.
type PlantBrief struct {
	ID        string      `json:"id"`
	Name      string      `json:"name"`
	Botanical string      `json:"botanical"`
	Family    string      `json:"family"`
	Found     string      `json:"found" doc:"The name it was found by, where that is another"`
	Life      string      `json:"life" doc:"perennial herb, 1.8 m tall"`
	Uses      []string    `json:"uses"`
	Spread    string      `json:"spread"`
	Ease      string      `json:"ease"`
	Stage     flora.Stage `json:"stage" doc:"Where a full-grown one usually stands on the day"`
	Here      string      `json:"here" doc:"What stands of it on the plot; empty for nothing"`
	Verdict   string      `json:"verdict" doc:"How the asked bed suits it; empty where none is asked"`
	Value     float64     `json:"value" doc:"The same from 0 to 1"`
	Warning   string      `json:"warning" doc:"What a dangerous plant is; empty for the rest"`
	Deadly    string      `json:"deadly" doc:"The plants that kill and that it is mistaken for; empty for none on record"`
}

// PlantsFilter narrows the plants; what is empty lets all through.
type PlantsFilter struct {
	Words, Use, Spread, Stage string
	// Beginner lets only easy plants through; Bed only those that a bed suits at
	// least fairly.
	Beginner bool
	Bed      int64
}

// Plants returns the library's plants on a day: by the likeness of a name where one is
// asked for, by how a bed suits them where one is, else by name.
func (g *Garden) Plants(ctx context.Context, on calendar.Date, filter PlantsFilter) (PlantsView, error) {
	j, on, err := g.judgingOn(ctx, on)
	if err != nil {
		return PlantsView{}, err
	}
	v := PlantsView{Plants: []PlantBrief{}, All: len(j.species), Uses: flora.UseWords, Spreads: flora.SpreadWords, Stages: flora.Stages(), Beds: []BedChoice{}}
	for _, bed := range j.beds {
		v.Beds = append(v.Beds, BedChoice{bed.ID, bed.Name})
	}
	if err := j.checkFilter(filter); err != nil {
		return v, err
	}
	species, found := j.species, map[string]nameMatch{}
	if spelling.Plain(filter.Words) != "" {
		matches, err := g.findPlants(ctx, filter.Words)
		if err != nil {
			return v, err
		}
		species = nil
		for _, match := range matches {
			if s, has := g.lib().Species(match.id); has {
				species, found[s.ID] = append(species, s), match
			}
		}
	}
	for _, s := range species {
		brief, fits, err := j.plantBrief(s, on, filter)
		if err != nil {
			return v, err
		}
		if name := found[s.ID].name; spelling.Plain(name) != spelling.Plain(s.Names.Name) {
			brief.Found = name
		}
		if fits {
			v.Plants = append(v.Plants, brief)
		}
	}
	if filter.Bed != 0 && filter.Words == "" {
		slices.SortStableFunc(v.Plants, func(a, b PlantBrief) int { return cmp.Compare(b.Value, a.Value) })
	}
	return v, nil
}

func (j judging) checkFilter(filter PlantsFilter) error {
	var c checklist
	if filter.Use != "" && !slices.Contains(flora.UseWords, filter.Use) {
		c.add("use", "Choose one of the uses.")
	}
	if filter.Spread != "" && !slices.Contains(flora.SpreadWords, filter.Spread) {
		c.add("spread", "Choose one of the ways of spreading.")
	}
	if filter.Stage != "" {
		_, err := flora.ParseStage(filter.Stage)
		c.addError("stage", err)
	}
	if filter.Bed != 0 {
		if _, err := j.standingBed(filter.Bed); err != nil {
			c.addError("bed", err)
		}
	}
	return c.err()
}

// plantBrief is a plant in a line, and whether it passes the filter.
func (j judging) plantBrief(s *flora.Species, on calendar.Date, filter PlantsFilter) (PlantBrief, bool, error) {
	b := PlantBrief{
		ID: s.ID, Name: s.Names.Name, Botanical: s.Names.Botanical, Family: s.Names.Family, Uses: nonNil(s.Site.Uses), Spread: s.Site.Spread, Ease: s.Household.Ease,
		Life: fmt.Sprintf("%s %s, %s tall", s.Life.Form, s.Life.Habit, j.units.PlantLength(s.Size.Height.Value/100)), Here: j.hereWords(s.ID),
	}
	b.Deadly, b.Warning = joined(deadlyLookAlikes(s)), warningOf(s)
	forecast, err := j.typical(s, fullGrownYear(s))
	if err != nil {
		return b, false, err
	}
	index, _ := forecast.StageOn(j.thisSeason(on))
	b.Stage = forecast.Stages[index]
	fits := (filter.Use == "" || slices.Contains(s.Site.Uses, filter.Use)) && (filter.Spread == "" || s.Site.Spread == filter.Spread) &&
		(!filter.Beginner || s.Household.Ease == "easy") && (filter.Stage == "" || b.Stage.String() == filter.Stage)
	if filter.Bed != 0 {
		answer := suitability.Judge(s, j.place(j.bedByID[filter.Bed], j.lore, j.lows, nil), suitability.MatureArea(s, 1))
		b.Value, b.Verdict = round2(answer.Value), verdictOf(answer.Value)
		fits = fits && (b.Verdict == "well" || b.Verdict == "fairly")
	}
	return b, fits, nil
}

// warningOf says what a plant is that harms, or is never used.
func warningOf(s *flora.Species) string {
	switch {
	case s.Identity.Danger == "deadly":
		return "Deadly: it kills."
	case s.Identity.Danger == "poisonous" && s.IsUsed():
		return "Poisonous by mouth."
	case s.Identity.Danger == "poisonous":
		return "Poisonous."
	case !s.IsUsed():
		return "Not used."
	}
	return ""
}

// thisSeason is a day of the next season as the same day of this one: a usual year
// is the same.
func (s *state) thisSeason(on calendar.Date) calendar.Date {
	if !s.next.Contains(on) {
		return on
	}
	return min(s.season.Start.AddDays(on.DaysSince(s.next.Start)), s.season.End)
}

// hereWords say what stands of a species on the plot.
func (s *state) hereWords(speciesID string) string {
	plants, beds := 0, []string{}
	for _, p := range s.plantings {
		if p.SpeciesID == speciesID {
			plants += p.standing()
			if !slices.Contains(beds, p.bed.Name) {
				beds = append(beds, p.bed.Name)
			}
		}
	}
	if len(beds) == 0 {
		return ""
	}
	return fmt.Sprintf("%s in %s", counted(float64(plants), "plant", "plants"), joined(beds))
}

// fullGrownYear is the year of life in which a species shows all that it has: its
// last for a biennial.
func fullGrownYear(s *flora.Species) int {
	switch s.Life.Form {
	case flora.Annual:
		return 1
	case flora.Biennial:
		return 2
	}
	return max(1, int(s.Life.FullAge.Value))
}

// typical forecasts this season for a species in a year of life, as nobody has
// looked at it: at the usual pace, in the open. A year that begins with a sowing begins
// on its usual day, as far into the season as at the station that tells it.
func (s *state) typical(species *flora.Species, year int) (*phenology.Forecast, error) {
	key := usualYear{species, year}
	if known, has := s.usual.Load(key); has {
		return known.(*phenology.Forecast), nil
	}
	daylight, made := s.sky.daylight[s.season]
	if !made {
		var err error
		if daylight, err = phenology.NewDaylight(s.site.Latitude, s.season); err != nil {
			return nil, err
		}
	}
	plan, err := phenology.NewPlan(species, year, daylight, s.usualStart(species, year, s.season))
	if err != nil {
		return nil, fmt.Errorf("forecast %s: %w", species.ID, err)
	}
	forecast := plan.Forecast(s.sky.seasons[s.season], phenology.PriorPace(), nil)
	s.usual.Store(key, forecast)
	return forecast, nil
}

// usualYear is a year of a species' life, as nobody has looked at it.
type usualYear struct {
	species *flora.Species
	year    int
}

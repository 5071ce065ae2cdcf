package plants

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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
func (u *Uses) Plants(ctx context.Context, on calendar.Date, filter PlantsFilter) (PlantsView, error) {
	j, on, err := view.JudgingOn(ctx, u.plot, on)
	if err != nil {
		return PlantsView{}, err
	}
	v := PlantsView{
		Plants:  []PlantBrief{},
		All:     len(j.Species),
		Uses:    flora.UseWords,
		Spreads: flora.SpreadWords,
		Stages:  flora.Stages(),
		Beds:    []BedChoice{},
	}
	for _, bed := range j.Beds {
		v.Beds = append(v.Beds, BedChoice{bed.ID, bed.Name})
	}
	if err := checkFilter(j, filter); err != nil {
		return v, err
	}
	species, found := j.Species, map[string]plot.NameMatch{}
	if spelling.Plain(filter.Words) != "" {
		matches, err := u.plot.FindPlants(ctx, filter.Words)
		if err != nil {
			return v, err
		}
		species = nil
		for _, match := range matches {
			if s, has := u.plot.Lib().Species(match.ID); has {
				species, found[s.ID] = append(species, s), match
			}
		}
	}
	for _, s := range species {
		brief, fits, err := plantBrief(j, s, on, filter)
		if err != nil {
			return v, err
		}
		if name := found[s.ID].Name; spelling.Plain(name) != spelling.Plain(s.Names.Name) {
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

func checkFilter(j view.Judging, filter PlantsFilter) error {
	var c say.Checklist
	if filter.Use != "" && !slices.Contains(flora.UseWords, filter.Use) {
		c.Add("use", "Choose one of the uses.")
	}
	if filter.Spread != "" && !slices.Contains(flora.SpreadWords, filter.Spread) {
		c.Add("spread", "Choose one of the ways of spreading.")
	}
	if filter.Stage != "" {
		_, err := flora.ParseStage(filter.Stage)
		c.AddError("stage", err)
	}
	if filter.Bed != 0 {
		if _, err := input.StandingBed(j.State, filter.Bed); err != nil {
			c.AddError("bed", err)
		}
	}
	return c.Err()
}

// plantBrief is a plant in a line, and whether it passes the filter.
func plantBrief(j view.Judging, s *flora.Species, on calendar.Date, filter PlantsFilter) (PlantBrief, bool, error) {
	b := PlantBrief{
		ID:        s.ID,
		Name:      s.Names.Name,
		Botanical: s.Names.Botanical,
		Family:    s.Names.Family,
		Uses:      view.NonNil(s.Site.Uses),
		Spread:    s.Site.Spread,
		Ease:      s.Household.Ease,
		Life: fmt.Sprintf(
			"%s %s, %s tall",
			s.Life.Form,
			s.Life.Habit,
			j.Units.PlantLength(s.Size.Height.Value/100),
		),
		Here: view.HereWords(j.State, s.ID),
	}
	b.Deadly, b.Warning = say.Joined(view.DeadlyLookAlikes(s)), view.WarningOf(s)
	forecast, err := j.Typical(s, s.FullGrownYear())
	if err != nil {
		return b, false, err
	}
	index, _ := forecast.StageOn(j.ThisSeason(on))
	b.Stage = forecast.Stages[index]
	fits := (filter.Use == "" || slices.Contains(s.Site.Uses, filter.Use)) && (filter.Spread == "" || s.Site.Spread == filter.Spread) &&
		(!filter.Beginner || s.Household.Ease == "easy") &&
		(filter.Stage == "" || b.Stage.String() == filter.Stage)
	if filter.Bed != 0 {
		answer := suitability.Judge(s, j.Place(j.BedByID[filter.Bed], j.Lore, j.Lows, nil), suitability.MatureArea(s, 1))
		b.Value, b.Verdict = say.Round2(answer.Value), view.VerdictOf(answer.Value)
		fits = fits && (b.Verdict == "well" || b.Verdict == "fairly")
	}
	return b, fits, nil
}

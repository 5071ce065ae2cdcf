package input

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

const mostPlants = 100000

// PlantingInput is what a grower says of a planting: a number of plants, or the
// area they cover as typed.
type PlantingInput struct {
	BedID     int64  `json:"bedId"`
	SpeciesID string `json:"speciesId"`
	Plants    int    `json:"plants,omitempty" doc:"0 where an area is given"`
	Area      string `json:"area,omitempty" doc:"As typed; empty where plants are counted"`
	StartedOn string `json:"startedOn"`
	Origin    string `json:"origin"`
	// Year is the year of its life that it was in when it was set.
	Year int `json:"year,omitempty" doc:"The year of its life that it was in when it was set; 0 where nobody knows"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
	// Labelled is true for plants that came labelled from a known source, Source says
	// which.
	Labelled bool   `json:"labelled,omitempty"`
	Source   string `json:"source,omitempty" doc:"Whose label a labelled planting came with"`
	Note     string `json:"note,omitempty"`
}

// StandingPlanting returns a planting that still stands.
func StandingPlanting(s *plot.State, id int64) (*plot.Planting, error) {
	p, has := s.ByID[id]
	if !has {
		return nil, say.NotFoundError{What: "planting"}
	}
	if p.RemovedOn != nil {
		return nil, say.ConflictError{
			Why: say.Capital(
				p.Species.Names.Name,
			) + " was removed from " + p.Bed.Name + ". Take the removal back in the ledger first.",
		}
	}
	return p, nil
}

// ReadPlanting reads a planting as it is typed; before is the one that is changed, nil for a
// new one.
func ReadPlanting(
	g *plot.Plot,
	s *plot.State,
	in PlantingInput,
	before *plot.Planting,
) (store.PutPlantingParams, error) {
	var c say.Checklist
	row := store.PutPlantingParams{
		BedID:        in.BedID,
		SpeciesID:    in.SpeciesID,
		Plants:       int64(in.Plants),
		Origin:       in.Origin,
		Identity:     string(identity.Unproven),
		IdentityNote: c.Text("source", in.Source, say.LongestNote),
		Note:         c.Text("note", in.Note, say.LongestNote),
	}
	bed, hasBed := s.BedByID[in.BedID]
	switch {
	case !hasBed:
		c.Add("bedId", "Choose a bed of the plan.")
	case bed.RemovedOn != nil:
		c.Add("bedId", "%s was removed. Choose a bed that is on the plan.", bed.Name)
	}
	species, hasSpecies := g.Lib().Species(in.SpeciesID)
	if !hasSpecies {
		c.Add("speciesId", "Choose a plant of the library.")
	}
	if in.Area != "" {
		area, err := unit.Parse(unit.Area, in.Area, "m²")
		switch {
		case err != nil:
			c.AddError("area", err)
		case area <= 0 || hasBed && area > s.AreaM2(bed.ID)*1.05:
			c.Add("area", "The area must be above nothing and no more than the bed's %s.", s.Units.Area(s.AreaM2(bed.ID)))
		case hasSpecies:
			row.AreaM2 = &area
			row.Plants = int64(suitability.PlantsOn(species, area))
		}
	} else if in.Plants < 1 || in.Plants > mostPlants {
		c.Add("plants", "Say how many plants, from 1 to %d, or the area they cover.", mostPlants)
	}
	ReadDay(s, &c, "startedOn", in.StartedOn)
	row.StartedOn = in.StartedOn
	if _, err := flora.ParseOrigin(in.Origin); err != nil {
		c.AddError("origin", err)
	}
	if hasSpecies {
		row.StartYear = readStartYear(&c, species, in)
		if isSet := before == nil || before.SpeciesID != in.SpeciesID ||
			before.BedID != in.BedID; isSet && hasBed &&
			bed.RemovedOn == nil {
			askBeforeSetting(s, &c, species, bed, in)
		}
	}
	if in.Labelled {
		row.Identity = plot.ClaimsLabel
		if row.IdentityNote == "" {
			c.Add("source", "Say whose label it came with: the nursery, or the friend who has grown it for years.")
		}
	}
	return row, c.Err()
}

// The questions that a planting is asked back with.
const (
	AskLaw     = "law"
	AskSpreads = "spreads"
)

// readStartYear reads how old a planting was when it was set; nil where nobody said.
func readStartYear(c *say.Checklist, species *flora.Species, in PlantingInput) *int64 {
	if in.Year == 0 {
		return nil
	}
	const mostYears = 500 // a yew
	year := int64(in.Year)
	switch {
	case in.Year < 0 || in.Year > mostYears:
		c.Add("year", "A year of life lies between 1 and %d.", mostYears)
	case in.Origin == string(flora.FromSeed) && in.Year > 1:
		c.Add("year", "What is sown begins in its first year.")
	default:
		if _, err := species.YearOfLifeRules(in.Year); err != nil {
			c.AddError("year", err)
		}
	}
	return &year
}

func dayWords(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonthYear()
}

// askBeforeSetting asks back before a spreading plant is set that a law may list, or one that
// runs in ground which does not hold it.
func askBeforeSetting(s *plot.State, c *say.Checklist, species *flora.Species, bed store.Bed, in PlantingInput) {
	found, looked := s.LawFound(species.ID)
	switch {
	case looked && found.Listed == plot.ListedYes:
		c.Ask(
			"speciesId",
			AskLaw,
			in.Affirmed,
			"It stands on your own list, as you found on %s. Set it all the same?",
			dayWords(found.Day),
		)
	case looked && found.Listed == plot.ListedNo: // they have looked
	case species.Law != "" && species.Site.Spread != "stays":
		c.Ask(
			"speciesId",
			AskLaw,
			in.Affirmed,
			"%s Your local list decides, not this program. Set it all the same?",
			say.Sentence(species.Law),
		)
	}
	held := s.EdgeHeld(bed)
	if species.Site.Spread == "runs" && !held {
		note := species.Site.SpreadNote
		if note == "" {
			note = "It runs."
		}
		c.Ask(
			"bedId",
			AskSpreads,
			in.Affirmed,
			"%s %s's edge does not hold it. Set it there all the same?",
			say.Sentence(note),
			bed.Name,
		)
	}
}

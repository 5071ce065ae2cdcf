package garden

import (
	"context"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

const mostPlants = 100000

// longestAgoDays is how long ago anything noted can have been: 150 years.
const longestAgoDays = 150 * 366

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

// AddPlanting sets a planting in a bed.
func (g *Garden) AddPlanting(ctx context.Context, in PlantingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		row, err := g.readPlanting(s, in, nil)
		if err != nil {
			return record{}, err
		}
		row.CountedOn, row.CountedAfter = s.today.String(), s.lastEntry
		return g.putPlanting(ctx, s, d, 0, row, "Set ")
	})
}

// ChangePlanting changes a planting. A changed number of plants is a new count:
// roots lifted before it are no longer taken off.
func (g *Garden) ChangePlanting(ctx context.Context, id int64, seen Version, in PlantingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(id)
		if err != nil {
			return record{}, err
		}
		if err := seen.isOf(versionOf(p.Planting), p.species.Names.Name+" in "+p.bed.Name); err != nil {
			return record{}, err
		}
		row, err := g.readPlanting(s, in, p)
		if err != nil {
			return record{}, err
		}
		row.ID, row.CountedOn, row.CountedAfter = &id, p.CountedOn, p.CountedAfter
		if int(row.Plants) == p.standing() {
			row.Plants = p.Plants
		} else {
			row.CountedOn, row.CountedAfter = s.today.String(), s.lastEntry
		}
		return g.putPlanting(ctx, s, d, id, row, "Changed ")
	})
}

// RemovePlanting notes that a planting is gone. What was noted of it stays.
func (g *Garden) RemovePlanting(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(id)
		if err != nil {
			return record{}, err
		}
		row := plantingParams(p.Planting)
		today := s.today.String()
		row.RemovedOn = &today
		return g.putPlanting(ctx, s, d, id, row, "Removed ")
	})
}

func (g *Garden) putPlanting(ctx context.Context, s *state, d *draft, id int64, row store.PutPlantingParams, verb string) (record, error) {
	written, err := plantingsTable.Put(ctx, d, id, row)
	if err != nil {
		return record{}, err
	}
	species, _ := g.lib().Species(row.SpeciesID)
	summary := fmt.Sprintf("%s%s, %s, in %s", verb, species.Names.Name, counted(float64(row.Plants), "plant", "plants"), s.bedByID[row.BedID].Name)
	return record{kind: "planting", summary: summary, bed: &row.BedID, planting: &written.ID}, nil
}

func plantingParams(p store.Planting) store.PutPlantingParams {
	return store.PutPlantingParams{
		ID: &p.ID, BedID: p.BedID, SpeciesID: p.SpeciesID, Plants: p.Plants, AreaM2: p.AreaM2, CountedOn: p.CountedOn, StartedOn: p.StartedOn,
		CountedAfter: p.CountedAfter, StartYear: p.StartYear,
		Origin: p.Origin, Identity: p.Identity, IdentityNote: p.IdentityNote, Note: p.Note, RemovedOn: p.RemovedOn,
	}
}

// standingPlanting returns a planting that still stands.
func (s *state) standingPlanting(id int64) (*planting, error) {
	p, has := s.byID[id]
	if !has {
		return nil, NotFoundError{"planting"}
	}
	if p.RemovedOn != nil {
		return nil, ConflictError{capital(p.species.Names.Name) + " was removed from " + p.bed.Name + ". Take the removal back in the ledger first."}
	}
	return p, nil
}

// readPlanting reads a planting as it is typed; before is the one that is changed, nil for a
// new one.
func (g *Garden) readPlanting(s *state, in PlantingInput, before *planting) (store.PutPlantingParams, error) {
	var c checklist
	row := store.PutPlantingParams{
		BedID: in.BedID, SpeciesID: in.SpeciesID, Plants: int64(in.Plants), Origin: in.Origin, Identity: string(identity.Unproven),
		IdentityNote: c.text("source", in.Source, longestNote), Note: c.text("note", in.Note, longestNote),
	}
	bed, hasBed := s.bedByID[in.BedID]
	switch {
	case !hasBed:
		c.add("bedId", "Choose a bed of the plan.")
	case bed.RemovedOn != nil:
		c.add("bedId", "%s was removed. Choose a bed that is on the plan.", bed.Name)
	}
	species, hasSpecies := g.lib().Species(in.SpeciesID)
	if !hasSpecies {
		c.add("speciesId", "Choose a plant of the library.")
	}
	if in.Area != "" {
		area, err := unit.Parse(unit.Area, in.Area, "m²")
		switch {
		case err != nil:
			c.addError("area", err)
		case area <= 0 || hasBed && area > s.areaM2(bed.ID)*1.05:
			c.add("area", "The area must be above nothing and no more than the bed's %s.", s.units.Area(s.areaM2(bed.ID)))
		case hasSpecies:
			row.AreaM2 = &area
			row.Plants = int64(suitability.PlantsOn(species, area))
		}
	} else if in.Plants < 1 || in.Plants > mostPlants {
		c.add("plants", "Say how many plants, from 1 to %d, or the area they cover.", mostPlants)
	}
	started, err := calendar.Parse(in.StartedOn)
	switch {
	case err != nil:
		c.addError("startedOn", err)
	case started > s.today:
		c.add("startedOn", "%s has not come yet. Note a planting when it is in the ground.", started.DayMonth())
	case started < s.today.AddDays(-longestAgoDays):
		c.add("startedOn", "%s is too long ago.", in.StartedOn)
	}
	row.StartedOn = in.StartedOn
	if _, err := flora.ParseOrigin(in.Origin); err != nil {
		c.addError("origin", err)
	}
	if hasSpecies {
		row.StartYear = readStartYear(&c, species, in)
		if isSet := before == nil || before.SpeciesID != in.SpeciesID || before.BedID != in.BedID; isSet && hasBed && bed.RemovedOn == nil {
			s.askBeforeSetting(&c, species, bed, in)
		}
	}
	if in.Labelled {
		row.Identity = claimsLabel
		if row.IdentityNote == "" {
			c.add("source", "Say whose label it came with: the nursery, or the friend who has grown it for years.")
		}
	}
	return row, c.err()
}

// The questions that a planting is asked back with.
const (
	askLaw     = "law"
	askSpreads = "spreads"
)

// readStartYear reads how old a planting was when it was set; nil where nobody said.
func readStartYear(c *checklist, species *flora.Species, in PlantingInput) *int64 {
	if in.Year == 0 {
		return nil
	}
	const mostYears = 500 // a yew
	year := int64(in.Year)
	switch {
	case in.Year < 0 || in.Year > mostYears:
		c.add("year", "A year of life lies between 1 and %d.", mostYears)
	case in.Origin == string(flora.FromSeed) && in.Year > 1:
		c.add("year", "What is sown begins in its first year.")
	default:
		if _, err := species.YearOfLifeRules(in.Year); err != nil {
			c.addError("year", err)
		}
	}
	return &year
}

// askBeforeSetting asks back before a spreading plant is set that a law may list, or one that
// runs in ground which does not hold it.
func (s *state) askBeforeSetting(c *checklist, species *flora.Species, bed store.Bed, in PlantingInput) {
	if species.Law != "" && species.Site.Spread != "stays" {
		c.ask("speciesId", askLaw, in.Affirmed, "%s Your local list decides, not this program. Set it all the same?", sentence(species.Law))
	}
	held := s.edgeHeld(bed)
	if species.Site.Spread == "runs" && !held {
		note := species.Site.SpreadNote
		if note == "" {
			note = "It runs."
		}
		c.ask("bedId", askSpreads, in.Affirmed, "%s %s's edge does not hold it. Set it there all the same?", sentence(note), bed.Name)
	}
}

func originChoices() []OriginChoice {
	var choices []OriginChoice
	for _, row := range flora.Origins() {
		choices = append(choices, OriginChoice{string(row.Origin), row.Name})
	}
	return choices
}

func shareWordsAll() []string {
	var words []string
	for _, share := range phenology.Shares() {
		words = append(words, string(share))
	}
	return words
}

var errNoForecast = errors.New("this planting has lived its life; nothing is forecast for it")

// noForecast says why nothing is forecast for a planting.
func (p *planting) noForecast() string {
	if p.aside {
		return "The file of this plant cannot be read or worked out, so nothing is forecast or offered of it. Everything noted is kept."
	}
	return sentence(errNoForecast.Error())
}

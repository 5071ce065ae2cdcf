package place

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/listing"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// ListingInput is plants as people write them down, or a table of them.
type ListingInput struct {
	Text string `json:"text" maxLength:"200000"`
	// Form is words, or csv for a table with a line of column names.
	Form string `json:"form" enum:"words,csv"`
	// BedID is the bed of all that name none; 0 where each has to.
	BedID int64 `json:"bedId,omitempty"`
}

// ListedPlant is one plant of a list as it was understood. Nothing of it is noted yet.
type ListedPlant struct {
	Text     string              `json:"text" doc:"As it was written"`
	Planting input.PlantingInput `json:"planting" doc:"As it would be set; empty fields are what has to be said"`
	Name     string              `json:"name" doc:"The plant that is meant; empty where that has to be chosen"`
	Choices  []ListedChoice      `json:"choices" doc:"Plants that may be meant, the likeliest first"`
	Asks     []string            `json:"asks" doc:"What has to be said or looked at before it is set"`
	Warnings []string            `json:"warnings" doc:"What to know before it is set"`
}

// ListedChoice is a plant that may be meant.
type ListedChoice struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Botanical string `json:"botanical"`
	// Warning is what a dangerous plant is.
	Warning string `json:"warning" doc:"What a dangerous plant is; empty for the rest"`
}

// ListingView is a list as it was understood.
type ListingView struct {
	Plants []ListedPlant `json:"plants"`
	// Refused are the lines of a table that could not be read, each with why.
	Refused []string `json:"refused"`
}

// mostListed is how many plants one list may set, longestList how long a written one may be, in bytes: a
// slip of paper, and not a book.
const (
	mostListed  = 400
	longestList = 40_000
)

// ReadListing understands a list of plants as far as it can, and asks back the rest. It notes nothing.
func (u *Uses) ReadListing(ctx context.Context, in ListingInput) (ListingView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return ListingView{}, err
	}
	r := listingReader{uses: u, s: s, exact: exactNames(s), bed: in.BedID}
	v := ListingView{Plants: []ListedPlant{}, Refused: []string{}}
	var entries []listing.Entry
	var lines []tableLine
	if in.Form == "csv" {
		lines, v.Refused = readTable(in.Text)
	} else {
		if len(in.Text) > longestList {
			return v, listFault("This is too long for one list. Read it in parts.")
		}
		entries = listing.Read(in.Text, func(name string) bool { return len(r.meant(name)) > 0 })
	}
	switch n := len(lines) + len(entries); {
	case n == 0 && len(v.Refused) == 0:
		return v, listFault("Write down at least one plant, for example: 3 lovage, a hop at the fence.")
	case n > mostListed:
		return v, listFault("These are %d plants; %d are the most at once.", n, mostListed)
	}
	for _, line := range lines {
		plant, err := r.ofLine(ctx, line)
		if err != nil {
			return v, err
		}
		v.Plants = append(v.Plants, plant)
	}
	for _, entry := range entries {
		plant, err := r.plantOf(ctx, entry)
		if err != nil {
			return v, err
		}
		v.Plants = append(v.Plants, plant)
	}
	return v, nil
}

func listFault(format string, args ...any) say.Faults {
	return say.Faults{{Field: "text", Message: fmt.Sprintf(format, args...)}}
}

// listingReader finds the plants and beds that are meant.
type listingReader struct {
	uses  *Uses
	s     *plot.State
	exact map[string][]*flora.Species
	bed   int64
}

// exactNames are the plants by each of their names, made plain.
func exactNames(s *plot.State) map[string][]*flora.Species {
	exact := map[string][]*flora.Species{}
	for _, species := range s.Lib.AllSpecies() {
		names := append([]string{species.Names.Name, species.Names.Botanical}, species.Names.Binomials()...)
		for _, common := range species.Names.Common {
			names = append(names, common.Name)
		}
		for _, name := range names {
			plain := spelling.Words(name)
			if plain != "" && !slices.Contains(exact[plain], species) {
				exact[plain] = append(exact[plain], species)
			}
		}
	}
	return exact
}

// meant are the plants that are called just so, in one or in many.
func (r listingReader) meant(name string) []*flora.Species {
	plain := spelling.Words(name)
	inOne := []string{
		plain, strings.TrimSuffix(plain, "s"), strings.TrimSuffix(plain, "es"), strings.TrimSuffix(plain, "ies") + "y",
	}
	for _, one := range inOne {
		if all := r.exact[one]; len(all) > 0 && one != "" {
			return all
		}
	}
	return nil
}

// plantOf turns an entry of a list into a planting, as far as it is said.
func (r listingReader) plantOf(ctx context.Context, e listing.Entry) (ListedPlant, error) {
	plant := ListedPlant{Text: e.Text, Choices: []ListedChoice{}, Asks: []string{}, Warnings: []string{}}
	p := &plant.Planting
	p.Plants, p.Area, p.Origin, p.Affirmed = e.Count, e.Area, string(e.Origin), []string{}
	if err := r.name(ctx, &plant, e.Name); err != nil {
		return plant, err
	}
	switch {
	case e.Area != "":
		p.Plants = 0
	case e.Count == 0 && e.Vague:
		plant.Asks = append(plant.Asks, "How many are they?")
	case e.Count == 0:
		p.Plants = 1
		plant.Asks = append(plant.Asks, "No number is said: taken as one.")
	}
	if p.Origin == "" {
		p.Origin = string(flora.FromBought)
	}
	if e.Source != "" {
		p.Note = "From " + e.Source
	}
	on, has := e.Since.On(r.s.Today, r.s.Site.Latitude < 0)
	if !has {
		// Left open, so that it cannot be set before it is said.
		plant.Asks = append(plant.Asks, "When was it set? The day that is written is none, or has not come.")
	} else {
		p.StartedOn = on.String()
	}
	r.where(&plant, e.Where)
	return plant, nil
}

// name finds the plant that is meant: one that is called just so, or else it has to be chosen of
// those that are called nearly so. A dangerous plant's name is never read into a near one.
func (r listingReader) name(ctx context.Context, plant *ListedPlant, name string) error {
	all := r.meant(name)
	if only := r.shortened(name); len(all) == 0 && only != nil {
		all = []*flora.Species{only}
		plant.Asks = append(
			plant.Asks,
			fmt.Sprintf("%q is taken as %s: no other plant of the library is called so.", name, only.Names.Name),
		)
	}
	if len(all) == 0 && name != "" {
		var err error
		if all, err = r.near(ctx, name); err != nil {
			return err
		}
		if len(all) == 0 {
			plant.Asks = append(
				plant.Asks,
				fmt.Sprintf(
					"No plant of the library is called %q. Choose one, or write it down as a plant of your own first.",
					name,
				),
			)
		} else {
			plant.Asks = append(plant.Asks, fmt.Sprintf("No plant is called just %q. Which is meant?", name))
		}
	} else if len(all) == 1 {
		plant.Planting.SpeciesID, plant.Name = all[0].ID, say.Capital(all[0].Names.Name)
		plant.Warnings = view.WarningsBeforeSetting(all[0])
	} else {
		plant.Asks = append(plant.Asks, "Which plant is meant?")
	}
	for _, species := range all {
		plant.Choices = append(
			plant.Choices,
			ListedChoice{species.ID, say.Capital(species.Names.Name), species.Names.Botanical, view.WarningOf(species)},
		)
	}
	return nil
}

// shortened is the one plant that is called by these words and more: sage, where there is one kind of sage. A
// dangerous plant is never taken by half of its name, nor another by words that a dangerous one bears too.
func (r listingReader) shortened(name string) (only *flora.Species) {
	words := strings.Fields(spelling.Words(name))
	if len(words) == 0 {
		return nil
	}
	for full, all := range r.exact {
		held := strings.Fields(full)
		if slices.ContainsFunc(words, func(word string) bool { return !slices.Contains(held, word) }) {
			continue
		}
		for _, species := range all {
			if flora.IsDangerous(species.Identity.Danger) || only != nil && only != species {
				return nil
			}
			only = species
		}
	}
	return only
}

// near are the plants that are called nearly so, the likest first.
func (r listingReader) near(ctx context.Context, name string) (all []*flora.Species, err error) {
	const mostChoices, asLike = 6, 0.2
	found, err := r.uses.plot.FindPlants(ctx, name)
	for _, match := range found {
		species, has := r.s.Lib.Species(match.ID)
		if has && len(all) < mostChoices && match.Likeness >= found[0].Likeness-asLike {
			all = append(all, species)
		}
	}
	return all, err
}

// where finds the bed that is meant: the one whose name holds all that is written of it.
func (r listingReader) where(plant *ListedPlant, written string) {
	if written == "" {
		if plant.Planting.BedID = r.bed; r.bed == 0 && len(r.s.Beds) == 1 {
			plant.Planting.BedID = r.s.Beds[0].ID
		}
		if plant.Planting.BedID == 0 {
			plant.Asks = append(plant.Asks, "In which bed?")
		}
		return
	}
	var named []store.Bed
	words := strings.Fields(spelling.Words(written))
	for _, bed := range r.s.Beds {
		held := strings.Fields(spelling.Words(bed.Name))
		if !slices.ContainsFunc(words, func(word string) bool { return !slices.Contains(held, word) }) {
			named = append(named, bed)
		}
	}
	switch {
	case len(named) == 1:
		plant.Planting.BedID = named[0].ID
	case len(named) == 0 && len(r.s.Beds) == 1:
		plant.Planting.BedID = r.s.Beds[0].ID
		plant.Asks = append(plant.Asks, fmt.Sprintf("No bed is called %q: taken as %s.", written, r.s.Beds[0].Name))
	default:
		plant.Asks = append(plant.Asks, fmt.Sprintf("Which bed is %q?", written))
	}
}

// SetMany sets several plantings in one act: all of them, or none.
func (u *Uses) SetMany(ctx context.Context, plantings []input.PlantingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if len(plantings) == 0 || len(plantings) > mostListed {
			return journal.Record{}, say.Faults{
				{Field: "plantings", Message: fmt.Sprintf("Set from 1 to %d plantings at once.", mostListed)},
			}
		}
		var all say.Faults
		rows := make([]store.PutPlantingParams, len(plantings))
		for i, in := range plantings {
			row, err := input.ReadPlanting(u.plot, s, in, nil)
			if row.CountedOn, row.CountedAfter = s.Today.String(), s.LastEntry; err == nil {
				rows[i] = row
				continue
			}
			var faults say.Faults
			if !errors.As(err, &faults) {
				return journal.Record{}, err
			}
			for _, fault := range faults {
				fault.Field = fmt.Sprintf("plantings[%d].%s", i, fault.Field)
				all = append(all, fault)
			}
		}
		if len(all) > 0 {
			return journal.Record{}, all
		}
		for _, row := range rows {
			if _, err := plot.PlantingsTable.Put(ctx, d, 0, row); err != nil {
				return journal.Record{}, err
			}
		}
		return journal.Record{Kind: "planting", Summary: "Set " + listedNames(u.plot, rows)}, nil
	})
}

// listedNames says what was set in one act, the first few by name.
func listedNames(p *plot.Plot, rows []store.PutPlantingParams) string {
	const mostNamed = 4
	var names []string
	for _, row := range rows {
		species, _ := p.Lib().Species(row.SpeciesID)
		names = append(names, species.Names.Name)
	}
	if len(names) > mostNamed {
		return say.Joined(append(names[:mostNamed:mostNamed], fmt.Sprintf("%d more", len(names)-mostNamed)))
	}
	return say.Joined(names)
}

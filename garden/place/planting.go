package place

import (
	"context"
	"fmt"

	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// AddPlanting sets a planting in a bed.
func (u *Uses) AddPlanting(ctx context.Context, in input.PlantingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := input.ReadPlanting(u.plot, s, in, nil)
		if err != nil {
			return journal.Record{}, err
		}
		row.CountedOn, row.CountedAfter = s.Today.String(), s.LastEntry
		return u.putPlanting(ctx, s, d, 0, row, "Set ")
	})
}

// ChangePlanting changes a planting. A changed number of plants is a new count:
// roots lifted before it are no longer taken off.
func (u *Uses) ChangePlanting(
	ctx context.Context,
	id int64,
	seen say.Version,
	in input.PlantingInput,
) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(p.Planting), p.Species.Names.Name+" in "+p.Bed.Name); err != nil {
			return journal.Record{}, err
		}
		row, err := input.ReadPlanting(u.plot, s, in, p)
		if err != nil {
			return journal.Record{}, err
		}
		row.ID, row.CountedOn, row.CountedAfter = &id, p.CountedOn, p.CountedAfter
		if int(row.Plants) == p.Standing() {
			row.Plants = p.Plants
		} else {
			row.CountedOn, row.CountedAfter = s.Today.String(), s.LastEntry
		}
		return u.putPlanting(ctx, s, d, id, row, "Changed ")
	})
}

// RemovePlanting notes that a planting is gone. What was noted of it stays.
func (u *Uses) RemovePlanting(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		row := plot.PlantingParams(p.Planting)
		today := s.Today.String()
		row.RemovedOn = &today
		return u.putPlanting(ctx, s, d, id, row, "Removed ")
	})
}

func (u *Uses) putPlanting(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	id int64,
	row store.PutPlantingParams,
	verb string,
) (journal.Record, error) {
	written, err := plot.PlantingsTable.Put(ctx, d, id, row)
	if err != nil {
		return journal.Record{}, err
	}
	species, _ := u.plot.Lib().Species(row.SpeciesID)
	summary := fmt.Sprintf(
		"%s%s, %s, in %s",
		verb,
		species.Names.Name,
		say.Counted(float64(row.Plants), "plant", "plants"),
		s.BedByID[row.BedID].Name,
	)
	return journal.Record{Kind: "planting", Summary: summary, Bed: &row.BedID, Planting: &written.ID}, nil
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

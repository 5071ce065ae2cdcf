package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// PlantOutInput says that plants of a batch went out into a bed.
type PlantOutInput struct {
	Day    string `json:"day"`
	BedID  int64  `json:"bedId"`
	Plants int    `json:"plants"`
	// Stage is the stage that most of them are at; empty where nobody looked.
	Stage    string   `json:"stage,omitempty"`
	Note     string   `json:"note,omitempty"`
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// The question that planting out is asked back with.
const askFrost = "frost"

// PlantOut makes a planting of plants of a batch, with where they came from, how old they are and
// what the tray knew of them, so that the forecast goes on from there.
func (u *Uses) PlantOut(ctx context.Context, id int64, in PlantOutInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		return u.plantOut(ctx, s, d, row, in)
	})
}

func (u *Uses) plantOut(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	row store.Batch,
	in PlantOutInput,
) (journal.Record, error) {
	var c say.Checklist
	day := readBatchDay(s, &c, row, in.Day)
	p := progressOf(s, row.ID)
	if left := p.standing(row); row.BegunOn != nil && (in.Plants < 1 || in.Plants > left) {
		c.Add("plants", "From 1 to the %d that stand in the batch.", left)
	}
	species, has := s.Lib.Species(row.SpeciesID)
	if !has {
		c.Add("bedId", "The plant of this batch is not in the library any more.")
		return journal.Record{}, c.Err()
	}
	if err := c.Err(); err != nil {
		return journal.Record{}, err
	}
	u.askFrost(s, &c, row, species, day, in.Affirmed)
	way, _ := propagation.WayOf(row.Way)
	typed := input.PlantingInput{
		BedID: in.BedID, SpeciesID: row.SpeciesID, Plants: in.Plants, StartedOn: day.String(), Origin: string(way.Origin),
		Affirmed: in.Affirmed, Note: in.Note,
	}
	if way.Origin == flora.FromSeed {
		typed.StartedOn = *row.BegunOn // its year began with the sowing
	}
	typed.Labelled, typed.Source = labelPassed(s, row, way)
	planting, err := input.ReadPlanting(u.plot, s, typed, nil)
	if err != nil {
		if more := c.Err(); more != nil {
			return journal.Record{}, bothFaults(more, err)
		}
		return journal.Record{}, err
	}
	if err := c.Err(); err != nil {
		return journal.Record{}, err
	}
	planting.CountedOn, planting.CountedAfter = s.Today.String(), s.LastEntry
	stage, staged, err := readOutStage(s, species, in.Stage)
	if err != nil {
		return journal.Record{}, err
	}
	made, err := plot.PlantingsTable.Put(ctx, d, 0, planting)
	if err != nil {
		return journal.Record{}, err
	}
	if err := u.follow(ctx, s, d, row, made, day, in.Plants); err != nil {
		return journal.Record{}, err
	}
	if staged {
		if _, err := plot.ObservationsTable.Put(ctx, d, 0, store.PutObservationParams{
			PlantingID: made.ID, Day: day.String(), Stage: stage.String(), Share: string(phenology.Most),
			Note: "When it was planted out",
			// It was raised elsewhere than the forecast's weather: what was seen is taken at its word.
			Affirmed: 1,
		}); err != nil {
			return journal.Record{}, err
		}
	}
	return journal.Record{
		Kind:     kindBatch,
		Bed:      &in.BedID,
		Planting: &made.ID,
		Summary: fmt.Sprintf("Planted out %s, %s, in %s",
			species.Names.Name, say.Counted(float64(in.Plants), "plant", "plants"), s.BedByID[in.BedID].Name),
	}, nil
}

// bothFaults are the faults of two readings of one form.
func bothFaults(a, b error) error {
	first, isFirst := a.(say.Faults)
	second, isSecond := b.(say.Faults)
	if isFirst && isSecond {
		return append(append(say.Faults{}, first...), second...)
	}
	return a
}

// readOutStage reads the stage that plants are at when they go out.
func readOutStage(s *plot.State, species *flora.Species, text string) (stage flora.Stage, said bool, err error) {
	if text == "" {
		return 0, false, nil
	}
	stage, err = flora.ParseStage(text)
	if err != nil {
		return 0, false, say.Faults{{Field: "stage", Message: say.Sentence(err.Error())}}
	}
	rules, err := species.YearOfLifeRules(1)
	if err != nil {
		return stage, true, nil
	}
	for _, entry := range rules.Stages {
		if entry.Stage == stage {
			return stage, true, nil
		}
	}
	return 0, false, say.Faults{{Field: "stage", Message: fmt.Sprintf("%s does not come to that in its first year.",
		say.Capital(species.Names.Name))}}
}

// askFrost asks back before a plant that frost kills goes out while frost is likely.
func (u *Uses) askFrost(
	s *plot.State,
	c *say.Checklist,
	row store.Batch,
	species *flora.Species,
	day calendar.Date,
	affirmed []string,
) {
	killed := killedBelow(species)
	raising := s.Lib.Bench().Raising
	if killed == nil || *killed <= raising.Frozen.Value {
		return
	}
	w, err := u.weathers(s)
	if err != nil {
		return
	}
	chance := w.ChanceAfter(*killed, int(raising.SteadyDays.Value))
	if at := w.Index(day); at >= 0 && at < len(chance) && chance[at] > raising.FrostRisk.Value {
		c.Ask(
			"day",
			askFrost,
			affirmed,
			"A night of %s or less, which kills it, comes in the %s days after: %s. Plant it out all the same?",
			s.Units.Temperature(*killed),
			say.Number(raising.SteadyDays.Value),
			say.InTen(chance[at]),
		)
	}
}

// labelPassed tells whether the label of what a batch came from goes with its plants, and whose it
// is: that of a bought lot, and of the mother of a piece that was cut from her. A seedling is no
// piece of its mother, and a volunteer never comes with a label.
func labelPassed(s *plot.State, row store.Batch, way propagation.WayRow) (labelled bool, source string) {
	if row.LotID != nil {
		lot, has := rowOf(plot.SeedLots.Of(s), *row.LotID, func(r store.SeedLot) int64 { return r.ID })
		return has && lot.Labelled == 1 && lot.Origin == originBought, lot.Source
	}
	if row.MotherID != nil && way.Mother {
		if mother, has := s.ByID[*row.MotherID]; has && mother.Labelled() && mother.IdentityState != identity.Excluded {
			return true, fmt.Sprintf(
				"taken of %s in %s, which came labelled: %s",
				mother.Species.Names.Name,
				mother.Bed.Name,
				mother.IdentityNote,
			)
		}
	}
	return false, ""
}

// follow notes what a planting came from, and that so many went out. What proved the mother does not
// prove it: pots get mixed, and a planting is sure by what is seen of it. The wish and the batch end
// when nothing is left of them.
func (u *Uses) follow(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	row store.Batch,
	made store.Planting,
	day calendar.Date,
	plants int,
) error {
	if _, err := lineagesTable.Put(ctx, d, 0, store.PutLineageParams{
		PlantingID: made.ID, BatchID: &row.ID, MotherID: row.MotherID, LotID: row.LotID,
	}); err != nil {
		return err
	}
	if _, err := countsTable.Put(ctx, d, 0, store.PutBatchCountParams{
		BatchID: row.ID, Day: day.String(), Kind: countOut, Plants: int64(plants), PlantingID: &made.ID,
	}); err != nil {
		return err
	}
	return u.endIfDone(ctx, s, d, row, plants)
}

func (u *Uses) endIfDone(ctx context.Context, s *plot.State, d *journal.Draft, row store.Batch, plants int) error {
	p := progressOf(s, row.ID)
	today := s.Today.String()
	done := p.standing(row) <= plants
	if err := takeOut(ctx, s, d, row.ID, plants, done); err != nil {
		return err
	}
	if done {
		row.EndedOn = &today
		if _, err := batchesTable.Put(ctx, d, row.ID, batchParams(row)); err != nil {
			return err
		}
	}
	if row.WishID == nil {
		return nil
	}
	wish, has := wishOf(s, *row.WishID)
	if !has || wish.EndedOn != nil {
		return nil
	}
	out := plants
	for _, b := range batches.Of(s) {
		if b.WishID != nil && *b.WishID == wish.ID {
			out += progressOf(s, b.ID).Out
		}
	}
	if out < int(wish.Plants) {
		return nil
	}
	wish.EndedOn = &today
	_, err := wishesTable.Put(ctx, d, wish.ID, wishParams(wish))
	return err
}

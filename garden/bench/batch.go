package bench

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// PlanBatchInput takes one of the ways of an ask.
type PlanBatchInput struct {
	WishID    int64  `json:"wishId,omitempty" doc:"0 where it is no wish"`
	SpeciesID string `json:"speciesId,omitempty"`
	Plants    int    `json:"plants,omitempty"`
	By        string `json:"by,omitempty"`
	BedID     int64  `json:"bedId,omitempty"`
	Key       string `json:"key" doc:"The way that was chosen"`
	Starts    int    `json:"starts,omitempty" doc:"How many to start; 0 for as many as are shown"`
}

// PlanBatch plans a batch by the way that was chosen: what, when, where, how many.
func (u *Uses) PlanBatch(ctx context.Context, in PlanBatchInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		of, err := readAsk(s, AskInput{Wish: in.WishID, Species: in.SpeciesID, Plants: in.Plants, By: in.By, BedID: in.BedID})
		if err != nil {
			return journal.Record{}, err
		}
		all, err := u.variants(s, of)
		if err != nil {
			return journal.Record{}, err
		}
		var chosen *variant
		for _, v := range all {
			if v.key == in.Key {
				chosen = v
			}
		}
		switch {
		case chosen == nil:
			return journal.Record{}, say.StaleError{What: "The way that was shown"}
		case !chosen.possible:
			return journal.Record{}, say.ConflictError{
				Why: say.Sentence("this way cannot be gone now. " + say.Joined(chosen.lacks)),
			}
		}
		if !chosen.row.IsAdvised() {
			return journal.Record{}, say.ConflictError{
				Why: say.Sentence("this way is on record as one not to go. " + chosen.row.How),
			}
		}
		row, err := u.plannedBatch(s, of, chosen, in)
		if err != nil {
			return journal.Record{}, err
		}
		made, err := batchesTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindBatch, Bed: row.BedID, Summary: fmt.Sprintf(
			"Planned to %s %d of %s on %s",
			chosen.way.Deed,
			made.Starts,
			of.species.Names.Name,
			chosen.attempt.Weathers.Date(chosen.attempt.Start).DayMonth(),
		)}, nil
	})
}

func (u *Uses) plannedBatch(s *plot.State, of ask, v *variant, in PlanBatchInput) (store.PutBatchParams, error) {
	var c say.Checklist
	starts := v.starts
	if in.Starts != 0 {
		starts = in.Starts
	}
	switch {
	case starts < 1 || starts > propagation.MostStarts:
		c.Add("starts", "Say how many to start, from 1 to %d.", propagation.MostStarts)
	case v.most >= 0 && starts > v.most:
		c.Add("starts", "There are only %d.", v.most)
	}
	if err := c.Err(); err != nil {
		return store.PutBatchParams{}, err
	}
	if starts != v.starts {
		v.starts = starts
		v.attempt.Started = starts
		v.outlook = v.attempt.Look(propagation.Runs, 1)
	}
	w := v.attempt.Weathers
	row := store.PutBatchParams{
		SpeciesID: of.species.ID, Way: v.row.Way, Wanted: int64(of.wanted), Starts: int64(starts),
		PlannedOn: w.Date(v.attempt.Start).String(), Stays: "[]", OutOn: w.Date(v.attempt.Start).String(), Priority: 3,
	}
	if v.outlook.DatesKnown {
		row.Stays = writeStays(staysOfOutlook(&v.attempt, v.outlook, outdoorsPlace(s)))
		row.OutOn = w.Date(v.outlook.Out.P50).String()
	}
	if v.place != nil {
		row.Trays = int64(traysFor(starts, settingsOf(s)))
	}
	if in.WishID != 0 {
		row.WishID = &in.WishID
	}
	if of.bed != nil {
		row.BedID = &of.bed.ID
	}
	if v.lot != nil {
		row.LotID = &v.lot.ID
	}
	if v.mother != nil {
		row.MotherID = &v.mother.planting.ID
	}
	if v.group != nil {
		row.VolunteerID, row.MotherID = &v.group.ID, v.group.MotherID
	}
	return row, nil
}

func batchParams(row store.Batch) store.PutBatchParams {
	return store.PutBatchParams{
		ID: &row.ID, WishID: row.WishID, SpeciesID: row.SpeciesID, Way: row.Way, LotID: row.LotID, MotherID: row.MotherID,
		VolunteerID: row.VolunteerID, Wanted: row.Wanted, Starts: row.Starts, Trays: row.Trays, PlannedOn: row.PlannedOn,
		BegunOn: row.BegunOn, Stays: row.Stays, OutOn: row.OutOn, BedID: row.BedID, Food: row.Food, Priority: row.Priority,
		Note: row.Note, EndedOn: row.EndedOn,
	}
}

// openBatch returns a batch that did not end.
func openBatch(s *plot.State, id int64) (store.Batch, error) {
	row, has := batchOf(s, id)
	switch {
	case !has:
		return row, say.NotFoundError{What: "batch"}
	case row.EndedOn != nil:
		return row, say.ConflictError{Why: "This batch has ended. Take that back in the ledger first."}
	}
	return row, nil
}

// shifted moves stays by days from one on.
func shifted(stays []stay, from, days int) []stay {
	moved := append([]stay(nil), stays...)
	for i := from; i < len(moved); i++ {
		moved[i].From, moved[i].Until = moved[i].From.AddDays(days), moved[i].Until.AddDays(days)
	}
	return moved
}

// BeginInput says that a planned batch was begun.
type BeginInput struct {
	Day    string `json:"day"`
	Starts int    `json:"starts"`
}

// BeginBatch notes that a batch was sown, struck, lifted or divided. Its days move with the day; seed
// comes off its lot, volunteers off their group.
func (u *Uses) BeginBatch(ctx context.Context, id int64, in BeginInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if row.BegunOn != nil {
			return journal.Record{}, say.ConflictError{Why: "It was begun on " + dayOf(row.BegunOn).DayMonth() + " already."}
		}
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", in.Day)
		if in.Starts < 1 || in.Starts > propagation.MostStarts {
			c.Add("starts", "Say how many were started, from 1 to %d.", propagation.MostStarts)
		}
		way, _ := propagation.WayOf(row.Way)
		u.checkSource(s, &c, row, way, in.Starts, day)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if err := useSource(ctx, s, d, row, in.Starts); err != nil {
			return journal.Record{}, err
		}
		days := day.DaysSince(dayOf(&row.PlannedOn))
		row.Stays = writeStays(shifted(staysOf(row), 0, days))
		row.OutOn = dayOf(&row.OutOn).AddDays(days).String()
		begun := day.String()
		row.BegunOn, row.Starts = &begun, int64(in.Starts)
		if row.Trays > 0 {
			row.Trays = int64(traysFor(in.Starts, settingsOf(s)))
		}
		if _, err := batchesTable.Put(ctx, d, id, batchParams(row)); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindBatch, Bed: row.BedID, Planting: row.MotherID, Summary: fmt.Sprintf("%s %d of %s",
			beganWords[way.Deed], in.Starts, batchName(s, row))}, nil
	})
}

var beganWords = map[propagation.Deed]string{
	propagation.Sow: "Sowed", propagation.Lift: "Lifted", propagation.Divide: "Divided off", propagation.Strike: "Struck",
	propagation.Peg: "Pegged down", propagation.Set: "Set", propagation.Graft: "Grafted", propagation.Buy: "Bought",
}

// doneWords say that a batch was begun.
var doneWords = map[propagation.Deed]string{
	propagation.Sow: "It is sown", propagation.Lift: "They are lifted", propagation.Divide: "It is divided",
	propagation.Strike: "They are struck",
	propagation.Peg:    "They are pegged down", propagation.Set: "They are set", propagation.Graft: "They are grafted",
	propagation.Buy: "They are bought",
}

// checkSource refuses what the lot, the mother or the volunteers do not have.
func (u *Uses) checkSource(
	s *plot.State,
	c *say.Checklist,
	row store.Batch,
	way propagation.WayRow,
	starts int,
	day calendar.Date,
) {
	species, has := s.Lib.Species(row.SpeciesID)
	if !has {
		c.Add("starts", "The plant of this batch is not in the library any more.")
		return
	}
	if row.LotID != nil {
		lot, _ := rowOf(plot.SeedLots.Of(s), *row.LotID, func(r store.SeedLot) int64 { return r.ID })
		if seeds, known := seedsOf(lot, seedRow(species)); known && float64(starts) > seeds*1.25+1 {
			c.Add("starts", "About %s seeds are left in %s.", say.Number(math.Round(seeds)), lot.Name)
		}
		if ripe := dayOf(&lot.RipeOn); ripe != plot.NoDay && day < ripe {
			c.Add("day", "%s was ripe only on %s.", lot.Name, ripe.DayMonthYear())
		}
	}
	if row.VolunteerID != nil {
		group, _ := rowOf(plot.Volunteers.Of(s), *row.VolunteerID, func(r store.Volunteer) int64 { return r.ID })
		if group.EndedOn != nil {
			c.Add("day", "These volunteers are off the list: note them again where they stand.")
		}
		if starts > int(group.Plants) {
			c.Add("starts", "Only %d were seen there. Note more of them first.", group.Plants)
		}
		if group.Checked != plot.VolunteerProved {
			c.Add("day", "First check what they are: cut one, and look at it against the mother.")
		}
	}
	if way.Way == "volunteers" && row.VolunteerID == nil {
		c.Add("day", "Note first where they stand, and look at one: a volunteer is unproven, whoever its mother is.")
	}
	if row.MotherID == nil || !way.Mother {
		return
	}
	p, has := s.ByID[*row.MotherID]
	switch {
	case !has || p.RemovedOn != nil:
		c.Add("day", "The mother does not stand any more.")
	case way.Grown && s.YearOfLife(p, seasonOf(s, day)) <= 1:
		c.Add("day", "%s", say.Sentence(propagation.TooYoungError{Way: row.Way}.Error()))
	case day < p.Started:
		c.Add("day", "The mother was only set on %s.", p.Started.DayMonthYear())
	}
}

// useSource takes the seed off its lot and the volunteers off their group.
func useSource(ctx context.Context, s *plot.State, d *journal.Draft, row store.Batch, starts int) error {
	if row.LotID != nil {
		lot, has := rowOf(plot.SeedLots.Of(s), *row.LotID, func(r store.SeedLot) int64 { return r.ID })
		species, known := s.Lib.Species(row.SpeciesID)
		if has && known && lot.Grams != nil {
			perGram := 0.0
			switch row := seedRow(species); {
			case lot.SeedsGram != nil:
				perGram = *lot.SeedsGram
			case row != nil && row.SeedsGram != nil:
				perGram = row.SeedsGram.Value
			}
			if perGram > 0 {
				left := math.Max(0, *lot.Grams-float64(starts)/perGram)
				lot.Grams = &left
				if _, err := plot.SeedLotsTable.Put(ctx, d, lot.ID, lotParams(lot)); err != nil {
					return err
				}
			}
		}
	}
	if row.VolunteerID != nil {
		group, has := rowOf(plot.Volunteers.Of(s), *row.VolunteerID, func(r store.Volunteer) int64 { return r.ID })
		if has {
			today := s.Today.String()
			if left := group.Plants - int64(starts); left > 0 {
				group.Plants = left
			} else {
				group.EndedOn = &today
			}
			if _, err := plot.VolunteersTable.Put(ctx, d, group.ID, plot.VolunteerParams(group)); err != nil {
				return err
			}
		}
	}
	return nil
}

// BatchCountInput is what was counted of a batch without a tray of cells.
type BatchCountInput struct {
	Kind   string `json:"kind" enum:"up,gone,potted"`
	Plants int    `json:"plants"`
	Day    string `json:"day"`
	Note   string `json:"note,omitempty"`
}

var countWords = map[string]string{countUp: "came up", countGone: "were lost", countPotted: "were potted on"}

// CountBatch notes how many of a batch came up, were lost or were potted on.
func (u *Uses) CountBatch(ctx context.Context, id int64, in BatchCountInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := readBatchDay(s, &c, row, in.Day)
		p := progressOf(s, id)
		most := int(row.Starts)
		if in.Kind != countUp {
			most = p.standing(row)
		}
		switch {
		case countWords[in.Kind] == "":
			c.Add("kind", "Say whether they came up, were lost or were potted on.")
		case in.Plants < 0:
			c.Add("plants", "Fewer than none cannot be counted.")
		case in.Plants > most && in.Kind == countUp:
			c.Add("plants", "No more than the %d that were started can have come up.", most)
		case in.Plants > most:
			c.Add("plants", "Only %d stand.", most)
		case in.Kind == countUp && in.Plants < p.Gone+p.Out:
			c.Add("plants", "%d went out or were lost already: at least so many came up.", p.Gone+p.Out)
		}
		note := c.Text("note", in.Note, say.LongestNote)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := countsTable.Put(ctx, d, 0, store.PutBatchCountParams{
			BatchID: id, Day: day.String(), Kind: in.Kind, Plants: int64(in.Plants), Note: note,
		}); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindBatch, Bed: row.BedID, Summary: fmt.Sprintf("Counted %s: %d %s of %d",
			batchName(s, row), in.Plants, countWords[in.Kind], row.Starts)}, nil
	})
}

// readBatchDay reads a day on which something was done with a batch that has begun.
func readBatchDay(s *plot.State, c *say.Checklist, row store.Batch, text string) calendar.Date {
	day := input.ReadDay(s, c, "day", text)
	switch {
	case row.BegunOn == nil:
		c.Add("day", "It has not begun yet. Note first that it was.")
	case !c.Has("day") && day < dayOf(row.BegunOn):
		c.Add("day", "It was only begun on %s.", dayOf(row.BegunOn).DayMonthYear())
	}
	return day
}

// EndBatch ends a batch: nothing of it is left to raise, or it is given up.
func (u *Uses) EndBatch(ctx context.Context, id int64, note string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if text := c.Text("note", note, say.LongestNote); text != "" {
			row.Note = text
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.EndedOn = &today
		if err := clearCells(ctx, s, d, id); err != nil {
			return journal.Record{}, err
		}
		verb := "Ended"
		if row.BegunOn == nil {
			verb = "Gave up"
		}
		_, err = batchesTable.Put(ctx, d, id, batchParams(row))
		return journal.Record{
			Kind:    kindBatch,
			Bed:     row.BedID,
			Summary: fmt.Sprintf("%s the batch of %s", verb, batchName(s, row)),
		}, err
	})
}

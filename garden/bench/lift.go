package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// LiftInput says that volunteers were lifted.
type LiftInput struct {
	Day     string `json:"day"`
	Plants  int    `json:"plants"`
	PlaceID int64  `json:"placeId,omitempty" doc:"Where they stand in cells; 0 where they go straight into a bed"`
	WishID  int64  `json:"wishId,omitempty" doc:"The wish that they answer; 0 for none"`
}

// liftedWeeks is how long a lifted seedling stands in its cell until it has rooted through: a guess.
const liftedWeeks = 4

// LiftVolunteers makes a batch of volunteers that were lifted. They are hardened already: a heated
// place is refused, and there is nothing to harden off.
func (u *Uses) LiftVolunteers(ctx context.Context, id int64, in LiftInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		group, err := openVolunteers(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", in.Day)
		if seen := dayOf(&group.Day); !c.Has("day") && day < seen {
			c.Add("day", "They were only seen on %s.", seen.DayMonthYear())
		}
		if in.Plants < 1 || in.Plants > int(group.Plants) {
			c.Add("plants", "From 1 to the %d that were seen there.", group.Plants)
		}
		if group.Checked != plot.VolunteerProved {
			c.Add("plants", "First cut one and look at it: a volunteer is unproven, whoever its mother is.")
		}
		refuseByLaw(s, &c, group.SpeciesID)
		row := store.PutBatchParams{
			SpeciesID: group.SpeciesID, Way: "volunteers", MotherID: group.MotherID, VolunteerID: &group.ID, Wanted: int64(max(1, in.Plants)),
			Starts: int64(max(1, in.Plants)), PlannedOn: day.String(), Stays: "[]", Priority: 3,
		}
		if in.PlaceID != 0 {
			place, has := placeOf(s, in.PlaceID)
			switch {
			case !has || place.RemovedOn != nil:
				c.Add("placeId", "Choose a place of the bench.")
			case propagation.PlaceKind(place.Kind).IsHeld():
				c.Add("placeId", "They are hardened already: straight outdoors or into an unheated house, not into the warm.")
			}
			row.Stays = writeStays([]stay{{stepGrow, in.PlaceID, day, day.AddDays(liftedWeeks * weekDays)}})
			row.Trays = int64(traysFor(in.Plants, settingsOf(s)))
		}
		if in.WishID != 0 {
			if wish, has := wishOf(s, in.WishID); !has || wish.SpeciesID != group.SpeciesID {
				c.Add("wishId", "Choose a wish for this plant.")
			} else {
				row.WishID, row.BedID = &in.WishID, wish.BedID
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		out, err := u.firstOut(s, group.SpeciesID, day.AddDays(liftedWeeks*weekDays), in.PlaceID == 0, day)
		if err != nil {
			return journal.Record{}, err
		}
		begun := day.String()
		row.BegunOn, row.OutOn = &begun, out.String()
		made, err := batchesTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		if err := useSource(ctx, s, d, made, in.Plants); err != nil {
			return journal.Record{}, err
		}
		if _, err := countsTable.Put(ctx, d, 0, store.PutBatchCountParams{
			BatchID: made.ID, Day: day.String(), Kind: countUp, Plants: int64(in.Plants),
		}); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:     kindBatch,
			Bed:      group.BedID,
			Planting: group.MotherID,
			Summary: fmt.Sprintf("Lifted %s, taken for %s",
				say.Counted(float64(in.Plants), "volunteer", "volunteers"), speciesName(s, group.SpeciesID)),
		}, nil
	})
}

// firstOut is the first day from one on on which a plant from cells may go out; the day itself
// where it goes straight from ground to ground.
func (u *Uses) firstOut(
	s *plot.State,
	speciesID string,
	from calendar.Date,
	straight bool,
	day calendar.Date,
) (calendar.Date, error) {
	if straight {
		return day, nil
	}
	species, has := s.Lib.Species(speciesID)
	if !has {
		return from, nil
	}
	w, err := u.weathers(s)
	if err != nil {
		return from, err
	}
	may := s.Lib.Bench().Raising.OutDays(w, killedBelow(species))
	for i := max(w.Index(from), 0); i < len(may); i++ {
		if may[i] {
			return w.Date(i), nil
		}
	}
	return from, nil
}

// refuseByLaw refuses to raise what the household's list forbids, or may forbid and nobody looked.
func refuseByLaw(s *plot.State, c *say.Checklist, speciesID string) {
	species, has := s.Lib.Species(speciesID)
	if !has {
		return
	}
	asked, forbids := s.LawOf(speciesID)
	switch spread.LawAgainst(species, asked, forbids) {
	case spread.IsListed:
		c.Add("plants", "It stands on your own list: it is lifted whole and bagged, not raised.")
	case spread.AskLaw:
		c.Add("plants", "A list may forbid it. Look yours up first, and note it under What came up.")
	}
}

package spread

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// DeedInput is what was done with something that came up.
type DeedInput struct {
	Deed string `json:"deed" enum:"keep,eat,move,leave as cover,chop and leave,lift whole"`
	Day  string `json:"day"`
	// Plants are how many of them it was done with; the rest stay on the list.
	Plants int   `json:"plants"`
	BedID  int64 `json:"bedId,omitempty" doc:"Where one that is moved, kept or eaten stands; 0 for the bed that it was seen in"`
}

// DoWith notes what was done with a group that came up. What is kept, moved or left to be eaten becomes a planting,
// which is unproven until its own check; what is to be eaten is to go, so that all of it may be taken.
func (u *Uses) DoWith(ctx context.Context, id int64, in DeedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, species, err := openGroup(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		r, err := u.reckon(s)
		if err != nil {
			return journal.Record{}, say.ConflictError{Why: say.Sentence(err.Error())}
		}
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", in.Day)
		if seen := dayOrToday(row.Day, s.Today); !c.Has("day") && day < seen {
			c.Add("day", "They were only seen on %s.", seen.DayMonthYear())
		}
		if in.Plants < 1 || in.Plants > int(row.Plants) {
			c.Add("plants", "From 1 to the %d that were seen there.", row.Plants)
		}
		deed := spread.Deed(in.Deed)
		r.mayDo(&c, row, species, deed)
		bed := r.bedFor(&c, row, species, deed, in.BedID)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		record := journal.Record{Kind: kindSpread, Bed: row.BedID, Planting: row.MotherID}
		var planting *int64
		if bed != 0 {
			made, err := setFound(ctx, s, d, row, in, bed, deed)
			if err != nil {
				return journal.Record{}, err
			}
			planting, record.Bed, record.Planting = &made, &bed, &made
		}
		if err := endGroup(ctx, d, row, in, planting); err != nil {
			return journal.Record{}, err
		}
		record.Summary = fmt.Sprintf("%s of %s that came up: %s",
			say.Capital(say.Counted(float64(in.Plants), "plant", "plants")), species.Names.Name, doneWords(deed))
		return record, nil
	})
}

// doneWords say that a deed was done, as the ledger says it.
func doneWords(deed spread.Deed) string {
	switch deed {
	case spread.KeepIt:
		return "kept where it stands"
	case spread.EatIt:
		return "to be eaten once it is proved"
	case spread.MoveIt:
		return "moved"
	case spread.PotUp:
		return "potted up"
	case spread.LeaveIt:
		return "left as cover"
	case spread.ChopIt:
		return "chopped and left lying"
	}
	return "lifted whole"
}

func openGroup(s *plot.State, id int64) (store.Volunteer, *flora.Species, error) {
	for _, row := range plot.Volunteers.Of(s) {
		if row.ID == id && row.EndedOn == nil {
			species, has := s.Lib.Species(row.SpeciesID)
			if !has {
				break
			}
			return row, species, nil
		}
	}
	return store.Volunteer{}, nil, say.NotFoundError{What: "group that came up"}
}

// mayDo refuses what the verdict does not let be done.
func (r *reckoning) mayDo(c *say.Checklist, row store.Volunteer, species *flora.Species, deed spread.Deed) {
	for _, one := range spread.Judge(r.found(row, species)).Deeds {
		if one.Deed != deed {
			continue
		}
		switch {
		case !one.Goes:
			c.Add("deed", "Not to be done: %s.", reasonWords(species, one.Never))
		case one.Later && deed != spread.EatIt:
			// What is to be eaten is set down as a planting first: that is checked, and gives nothing before.
			c.Add("deed", "First cut one and look at it: what came up is unproven, whoever its mother is.")
		}
		return
	}
	c.Add("deed", "Say what was done with it.")
}

// bedFor is the bed of the planting that a group becomes; 0 where it becomes none.
func (r *reckoning) bedFor(
	c *say.Checklist,
	row store.Volunteer,
	species *flora.Species,
	deed spread.Deed,
	asked int64,
) int64 {
	s := r.state
	if deed != spread.KeepIt && deed != spread.EatIt && deed != spread.MoveIt {
		return 0
	}
	id := asked
	if id == 0 && row.BedID != nil && deed != spread.MoveIt {
		id = *row.BedID
	}
	bed, err := input.StandingBed(s, id)
	switch {
	case id == 0 || err != nil:
		c.Add("bedId", "Choose the bed that it stands in: only what stands in a bed is kept, moved or eaten.")
		return 0
	case deed == spread.MoveIt && species.Site.Spread == "runs" && !s.EdgeHeld(bed):
		c.Add(
			"bedId",
			"%s runs, and %s's edge does not hold it. Choose a pot, or a bed whose edge holds.",
			say.Capital(species.Names.Name),
			bed.Name,
		)
	}
	return id
}

// setFound makes a planting of what came up.
func setFound(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	row store.Volunteer,
	in DeedInput,
	bed int64,
	deed spread.Deed,
) (int64, error) {
	made, err := plot.PlantingsTable.Put(ctx, d, 0, store.PutPlantingParams{
		BedID: bed, SpeciesID: row.SpeciesID, Plants: int64(in.Plants), StartedOn: row.Day,
		Origin:   string(flora.FromVolunteer),
		Identity: string(identity.Unproven), Note: row.Note, CountedOn: s.Today.String(), CountedAfter: s.LastEntry,
	})
	if err != nil {
		return 0, err
	}
	if deed != spread.EatIt {
		return made.ID, nil
	}
	ways, err := json.Marshal(spread.Plan{})
	if err != nil {
		return 0, err
	}
	_, err = plot.StandHoldsTable.Put(ctx, d, 0, store.PutStandHoldParams{
		PlantingID: made.ID, Policy: string(plot.PolicyRid), Ways: string(ways), Target: edgeKey, Line: UsualLine,
		Since: s.Today.String(),
	})
	return made.ID, err
}

// endGroup takes what was done with off the list; the rest stays.
func endGroup(ctx context.Context, d *journal.Draft, row store.Volunteer, in DeedInput, planting *int64) error {
	if left := row.Plants - int64(in.Plants); left > 0 {
		rest := plot.VolunteerParams(row)
		rest.Plants = left
		if _, err := plot.VolunteersTable.Put(ctx, d, row.ID, rest); err != nil {
			return err
		}
		row.ID = 0
	}
	done := plot.VolunteerParams(row)
	done.Plants, done.Deed, done.EndedOn, done.PlantingID = int64(in.Plants), in.Deed, &in.Day, planting
	if row.ID == 0 {
		done.ID = nil
	}
	_, err := plot.VolunteersTable.Put(ctx, d, row.ID, done)
	return err
}

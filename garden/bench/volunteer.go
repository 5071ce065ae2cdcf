package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// VolunteerInput is a group of seedlings that was seen.
type VolunteerInput struct {
	SpeciesID string `json:"speciesId"`
	MotherID  int64  `json:"motherId,omitempty" doc:"About which planting; 0 for none known"`
	BedID     int64  `json:"bedId,omitempty" doc:"In which bed; 0 for elsewhere"`
	Place     string `json:"place,omitempty" doc:"Where exactly"`
	Day       string `json:"day"`
	Plants    int    `json:"plants"`
	WorkedOn  string `json:"workedOn,omitempty" doc:"When the ground is dug or hoed; empty for not known"`
	Note      string `json:"note,omitempty"`
	// X and Y are where they stand on the plan in metres, where that was shown.
	X       *float64 `json:"x,omitempty" doc:"Where on the plan, in metres from its upper left; empty for not shown"`
	Y       *float64 `json:"y,omitempty"`
	Seeding bool     `json:"seeding,omitempty" doc:"They have set seed"`
}

// NoteVolunteers notes seedlings that came up by themselves. They are unproven, whoever stands beside them.
func (u *Uses) NoteVolunteers(ctx context.Context, in VolunteerInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutVolunteerParams{
			SpeciesID: in.SpeciesID, Place: c.Text("place", in.Place, say.LongestNote), Day: in.Day, Plants: int64(in.Plants),
			Note: c.Text("note", in.Note, say.LongestNote), Checked: plot.VolunteerUnchecked, X: in.X, Y: in.Y,
		}
		if in.Seeding {
			row.Seeding = 1
		}
		if (in.X == nil) != (in.Y == nil) || in.X != nil && !s.OnPlan(*in.X, *in.Y) {
			c.Add("place", "That place does not lie on the plan.")
		}
		if _, has := s.Lib.Species(in.SpeciesID); !has {
			c.Add("speciesId", "Choose a plant of the library: the one you take them for.")
		}
		if in.Plants < 1 || in.Plants > mostWanted {
			c.Add("plants", "Say about how many, from 1 to %d.", mostWanted)
		}
		input.ReadDay(s, &c, "day", in.Day)
		if in.MotherID != 0 {
			p, has := s.ByID[in.MotherID]
			switch {
			case !has:
				c.Add("motherId", "Choose a planting.")
			case p.SpeciesID != in.SpeciesID:
				c.Add("motherId", "%s is no mother of them.", say.Capital(p.Species.Names.Name))
			}
			row.MotherID = &in.MotherID
		}
		if in.BedID != 0 {
			if _, err := input.StandingBed(s, in.BedID); err != nil {
				c.Add("bedId", "Choose a bed that is on the plan.")
			}
			row.BedID = &in.BedID
		} else if row.Place == "" && in.X == nil {
			c.Add("place", "Say where they stand, or in which bed.")
		}
		if in.WorkedOn != "" {
			if _, err := calendar.Parse(in.WorkedOn); err != nil {
				c.Add("workedOn", "This is not a whole day. Type one like 27 May 2031.")
			}
			row.WorkedOn = &in.WorkedOn
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := plot.VolunteersTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:     kindVolunteer,
			Bed:      row.BedID,
			Planting: row.MotherID,
			Summary: fmt.Sprintf("Saw about %s, taken for %s",
				say.Counted(float64(in.Plants), "volunteer", "volunteers"), speciesName(s, in.SpeciesID)),
		}, nil
	})
}

func openVolunteers(s *plot.State, id int64) (store.Volunteer, error) {
	row, has := rowOf(plot.Volunteers.Of(s), id, func(r store.Volunteer) int64 { return r.ID })
	if !has || row.EndedOn != nil {
		return row, say.NotFoundError{What: "group of volunteers"}
	}
	return row, nil
}

// VolunteerCheckInput is what one of the group showed when it was cut.
type VolunteerCheckInput struct {
	Found string `json:"found" enum:"it is,it is not"`
	// Dangers are the dangerous plants that were excluded, each by its id: all that it can be
	// mistaken for.
	Dangers []string `json:"dangers" doc:"The dangerous look-alikes that were excluded, each by its id"`
}

// CheckVolunteers notes that one of a group was cut and looked at against every dangerous
// look-alike. It lets them be lifted; what is planted of them is unproven until its own check.
func (u *Uses) CheckVolunteers(ctx context.Context, id int64, in VolunteerCheckInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openVolunteers(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if in.Found != plot.VolunteerProved && in.Found != plot.VolunteerOther {
			c.Add("found", "Say whether it is what you took it for.")
		}
		species, has := s.Lib.Species(row.SpeciesID)
		if has && in.Found == plot.VolunteerProved {
			for _, danger := range dangersOf(s, species) {
				if !slices.Contains(in.Dangers, danger.ID) {
					c.Add("dangers", "Look at it against %s (%s): %s", danger.Name, danger.Danger, danger.Decides)
				}
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.Checked, row.CheckedOn = in.Found, &today
		words := "are taken for it still"
		if in.Found == plot.VolunteerOther {
			row.EndedOn = &today
			words = "are something else: leave them, or pull them"
		}
		_, err = plot.VolunteersTable.Put(ctx, d, id, plot.VolunteerParams(row))
		return journal.Record{
			Kind:     kindVolunteer,
			Bed:      row.BedID,
			Planting: row.MotherID,
			Summary: fmt.Sprintf("Cut one of the volunteers of %s: they %s",
				speciesName(s, row.SpeciesID), words),
		}, err
	})
}

// LeaveVolunteers takes a group off the list: they stay where they are, or are gone.
func (u *Uses) LeaveVolunteers(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openVolunteers(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.EndedOn = &today
		_, err = plot.VolunteersTable.Put(ctx, d, id, plot.VolunteerParams(row))
		return journal.Record{Kind: kindVolunteer, Bed: row.BedID, Planting: row.MotherID,
			Summary: "Left the volunteers of " + speciesName(s, row.SpeciesID)}, err
	})
}

// VolunteerDangerView is a dangerous plant that a seedling may be.
type VolunteerDangerView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Danger  string `json:"danger"`
	Decides string `json:"decides"`
}

// dangersOf are the deadly and poisonous plants that a species is mistaken for, with what decides.
func dangersOf(s *plot.State, species *flora.Species) (dangers []VolunteerDangerView) {
	for _, l := range species.LookAlikes {
		if l.Danger != "deadly" && l.Danger != "poisonous" {
			continue
		}
		id := l.ID
		if id == "" {
			id = l.Name
		}
		decides := l.Decides
		if decides == "" {
			decides = "see its page"
		}
		dangers = append(dangers, VolunteerDangerView{id, l.Name, l.Danger, decides})
	}
	return dangers
}

// volunteerPlace says where a group stands.
func volunteerPlace(s *plot.State, row store.Volunteer) string {
	where := row.Place
	if row.BedID != nil {
		where = s.BedByID[*row.BedID].Name
		if row.Place != "" {
			where += ", " + row.Place
		}
	}
	return where
}

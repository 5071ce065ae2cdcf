package spread

import (
	"context"
	"errors"
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// FrontSightingInput is where a stand was seen to have come.
type FrontSightingInput struct {
	Day  string `json:"day"`
	Kind string `json:"kind" enum:"farthest,at least,at most" doc:"The farthest it has come, a place that it has passed, or nothing past its bed's edge"`
	// X and Y are the place in metres; of "at most" it is the bed's edge, and they are left out.
	X    *float64 `json:"x,omitempty"`
	Y    *float64 `json:"y,omitempty"`
	Note string   `json:"note,omitempty"`
}

// NoteSighting notes where a stand was seen to have come: its front is set right at once, and its rate for good.
func (u *Uses) NoteSighting(ctx context.Context, planting int64, in FrontSightingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, planting)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := store.PutFrontSightingParams{
			PlantingID: planting,
			Day:        in.Day,
			Kind:       in.Kind,
			Note:       c.Text("note", in.Note, say.LongestNote),
		}
		input.ReadPastDay(s, &c, p, in.Day)
		if !isOnRecord(p.Species) {
			c.Add("kind", "How %s spreads is not on record; give its own figures under Plants first.", p.Species.Names.Name)
		}
		if isOnRecord(p.Species) && len(spread.FrontsOf(p.Species)) == 0 {
			c.Add(
				"kind",
				"Nothing of %s runs, by what is on record. What came up of its seed is noted under What came up.",
				p.Species.Names.Name,
			)
		}
		switch spread.SightingKind(in.Kind) {
		case spread.AtMost:
			if in.X != nil || in.Y != nil {
				c.Add("x", "Nothing past its edge is said without a place.")
			}
		case spread.Farthest, spread.AtLeast:
			if in.X == nil || in.Y == nil || !s.OnPlan(*in.X, *in.Y) {
				c.Add("x", "Show on the map where it came up: on the plot, or up to 3 m beyond its boundary.")
			} else if err := u.canHaveCome(s, geometry.Point{X: *in.X, Y: *in.Y}); err != nil {
				c.AddError("x", err)
			}
			row.X, row.Y = in.X, in.Y
		default:
			c.Add("kind", "Say whether it is the farthest it has come, a place that it has passed, or nothing past its edge.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := sightingsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf("%s of %s: %s", say.Capital(p.Species.Names.Name), p.Bed.Name, seenWords(in.Kind))
		return journal.Record{Kind: kindSpread, Bed: &p.BedID, Planting: &planting, Summary: summary}, nil
	})
}

// DropSighting takes a sighting away: it was an error.
func (u *Uses) DropSighting(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range sightings.Of(s) {
			if row.ID != id {
				continue
			}
			p := s.ByID[row.PlantingID]
			if err := sightingsTable.Drop(ctx, d, id); err != nil {
				return journal.Record{}, err
			}
			summary := fmt.Sprintf("Took back a sighting of %s in %s", p.Species.Names.Name, p.Bed.Name)
			return journal.Record{Kind: kindSpread, Bed: &p.BedID, Planting: &p.ID, Summary: summary}, nil
		}
		return journal.Record{}, say.NotFoundError{What: "sighting"}
	})
}

// canHaveCome refuses a place where nothing comes up: a building, or water.
func (u *Uses) canHaveCome(s *plot.State, at geometry.Point) error {
	r, err := u.reckon(s)
	if err != nil {
		return err
	}
	cell, inside := r.ground.terrain.Grid.CellAt(at)
	if !inside || r.ground.terrain.Ground[cell] == spread.Sealed {
		return errors.New("nothing comes up there: it is a building, or water")
	}
	return nil
}

func seenWords(kind string) string {
	switch spread.SightingKind(kind) {
	case spread.Farthest:
		return "seen, the farthest it has come"
	case spread.AtLeast:
		return "seen out there, and farther on"
	}
	return "nothing seen past its bed's edge"
}

func sightingWords(row store.FrontSighting) string {
	words := say.Capital(seenWords(row.Kind))
	if row.Note != "" {
		words += ": " + row.Note
	}
	return words
}

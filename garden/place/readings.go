package place

import (
	"context"
	"encoding/json"
	"math"

	"bramblyacre/core/ground"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// ReadingInput is a sign that was seen on a bed's ground or a test that was made
// of it; only what belongs to its kind is given.
type ReadingInput struct {
	Day  string `json:"day"`
	Kind string `json:"kind" doc:"sign, jar, ribbon, infiltration, ph strip, ph meter, worms or depth"`
	plot.ReadingDetail
	Note string `json:"note,omitempty"`
}

// NoteReading notes a sign or a test of a bed's ground.
func (u *Uses) NoteReading(ctx context.Context, bedID int64, in ReadingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, bedID)
		if err != nil {
			return journal.Record{}, err
		}
		row, name, err := readReading(s, u.plot.Lib().Ground().Signs, bedID, in)
		if err != nil {
			return journal.Record{}, err
		}
		_, err = readingsTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: "ground", Summary: "Read on " + bed.Name + ": " + name, Bed: &bedID}, err
	})
}

func readReading(
	s *plot.State,
	table ground.Table,
	bedID int64,
	in ReadingInput,
) (store.PutReadingParams, string, error) {
	var c say.Checklist
	row := store.PutReadingParams{BedID: bedID, Day: in.Day, Kind: in.Kind, Note: c.Text("note", in.Note, say.LongestNote)}
	input.ReadDay(s, &c, "day", in.Day)
	kind, known := plot.ReadingKinds[in.Kind]
	if !known {
		c.Add("kind", "Choose what was read: a sign or a test.")
		return row, "", c.Err()
	}
	if kind.Needs != nil {
		for field, value := range kind.Needs(in.ReadingDetail) {
			if value == nil || math.IsNaN(*value) || math.IsInf(*value, 0) {
				c.Add(field, "Write a number.")
			}
		}
	}
	if err := c.Err(); err != nil {
		return row, "", err
	}
	evidence, err := kind.Evidence(table, in.ReadingDetail, "")
	if err != nil {
		c.AddError(kind.Field, err)
		return row, "", c.Err()
	}
	detail, err := json.Marshal(in.ReadingDetail)
	if err != nil {
		return row, "", err
	}
	row.Detail = string(detail)
	return row, evidence[0].Name, nil
}

// RemoveReading takes a reading away: it was of another bed, or wrong.
func (u *Uses) RemoveReading(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for bedID, rows := range s.Readings {
			for _, row := range rows {
				if row.ID == id {
					return journal.Record{
							Kind:    "ground",
							Summary: "Took a reading away from " + s.BedByID[bedID].Name,
							Bed:     &bedID,
						}, readingsTable.Drop(
							ctx,
							d,
							id,
						)
				}
			}
		}
		return journal.Record{}, say.NotFoundError{What: "reading"}
	})
}

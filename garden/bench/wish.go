package bench

import (
	"context"
	"fmt"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// The causes of a wish.
const (
	causeWish   = "wish"
	causeGap    = "gap"
	causeNeed   = "need"
	causeFailed = "failed"
	causeResow  = "resow"
)

// WishInput is what is to be made more of.
type WishInput struct {
	SpeciesID string `json:"speciesId"`
	Plants    int    `json:"plants"`
	BedID     int64  `json:"bedId,omitempty" doc:"0 for wherever it suits"`
	By        string `json:"by,omitempty" doc:"The day by which they are to stand; empty for whenever"`
	Note      string `json:"note,omitempty"`
	// Cause and CauseKey are those of a suggestion that is taken up; a plain wish has none.
	Cause    string `json:"cause,omitempty" enum:",wish,gap,need,failed,resow"`
	CauseKey string `json:"causeKey,omitempty"`
}

func wishOf(s *plot.State, id int64) (store.Wish, bool) {
	return rowOf(wishes.Of(s), id, func(r store.Wish) int64 { return r.ID })
}

// Wish notes what is to be made more of.
func (u *Uses) Wish(ctx context.Context, in WishInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := readWish(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		made, err := wishesTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindWish, Summary: "Wished for " + wishSummary(s, made), Bed: made.BedID}, nil
	})
}

func readWish(s *plot.State, in WishInput) (store.PutWishParams, error) {
	var c say.Checklist
	row := store.PutWishParams{
		SpeciesID: in.SpeciesID, Plants: int64(in.Plants), Cause: causeWish, CauseKey: in.CauseKey, Day: s.Today.String(),
		Note: c.Text("note", in.Note, say.LongestNote),
	}
	if in.Cause != "" {
		row.Cause = in.Cause
	}
	checkWanted(&c, s, in.SpeciesID, in.Plants)
	if in.BedID != 0 {
		if _, err := input.StandingBed(s, in.BedID); err != nil {
			c.Add("bedId", "Choose a bed that is on the plan.")
		}
		row.BedID = &in.BedID
	}
	if in.By != "" {
		readDayWanted(&c, s, in.By)
		row.ByDay = &in.By
	}
	if len(in.CauseKey) > say.LongestKey {
		c.Add("causeKey", "This is no suggestion of the bench.")
	}
	return row, c.Err()
}

func wishSummary(s *plot.State, row store.Wish) string {
	words := fmt.Sprintf("%s of %s", say.Counted(float64(row.Plants), "plant", "plants"), speciesName(s, row.SpeciesID))
	if row.BedID != nil {
		words += " in " + s.BedByID[*row.BedID].Name
	}
	return words
}

func wishParams(row store.Wish) store.PutWishParams {
	return store.PutWishParams{
		ID: &row.ID, SpeciesID: row.SpeciesID, Plants: row.Plants, BedID: row.BedID, ByDay: row.ByDay, Cause: row.Cause,
		CauseKey: row.CauseKey, Day: row.Day, Note: row.Note, EndedOn: row.EndedOn,
	}
}

// EndWish takes a wish off the list: it is met, or given up.
func (u *Uses) EndWish(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, has := wishOf(s, id)
		if !has || row.EndedOn != nil {
			return journal.Record{}, say.NotFoundError{What: "wish"}
		}
		today := s.Today.String()
		row.EndedOn = &today
		_, err := wishesTable.Put(ctx, d, id, wishParams(row))
		return journal.Record{Kind: kindWish, Summary: "Took off the list: " + wishSummary(s, row), Bed: row.BedID}, err
	})
}

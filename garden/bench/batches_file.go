package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/area"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// BatchRow is a batch for a file.
type BatchRow struct {
	Plant, Botanical, Way, Lot, Planned, Begun, Out, Bed, Ended string
	Wanted, Starts, Trays                                       int
	Up, Gone, PlantedOut                                        *int
	Note                                                        string
}

// Batches returns all batches for a file, the oldest first.
func (u *Uses) Batches(ctx context.Context) ([]BatchRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []BatchRow{}
	for _, b := range batches.Of(s) {
		v := viewBatch(s, b)
		row := BatchRow{
			Plant: v.Name, Botanical: v.Botanical, Way: b.Way, Lot: v.Lot, Planned: b.PlannedOn, Out: b.OutOn, Bed: v.Bed,
			Wanted: v.Wanted, Starts: v.Starts, Trays: v.Trays, Note: b.Note,
		}
		if b.BegunOn != nil {
			row.Begun = *b.BegunOn
		}
		if b.EndedOn != nil {
			row.Ended = *b.EndedOn
		}
		if p := progressOf(s, b.ID); p.Counted || p.Out > 0 || p.Gone > 0 {
			up, gone, out := max(p.Up, p.Out), p.Gone, p.Out
			row.Up, row.Gone, row.PlantedOut = &up, &gone, &out
		}
		rows = append(rows, row)
	}
	return rows, nil
}

// batchLine is a batch of a file, and how many of it came up.
type batchLine struct {
	row store.PutBatchParams
	up  *int
}

// BringBatches brings batches in from a file, or shows what it would bring.
func (u *Uses) BringBatches(
	ctx context.Context,
	lines []area.FileLine,
	note, leaveOut bool,
) (area.BroughtFileView, error) {
	return area.Brought[batchLine]{
		Most: mostLines,
		Read: func(s *plot.State, line area.FileLine, _ []batchLine) (batchLine, string, error) {
			get := func(name string) string { return strings.TrimSpace(line.Fields[name]) }
			row, up, err := readBatchLine(s, get)
			return batchLine{row, up}, strings.TrimSpace(get("plant") + ", " + get("way")), err
		},
		Write: writeBatches,
	}.Take(ctx, u.plot, lines, note, leaveOut)
}

func writeBatches(ctx context.Context, s *plot.State, d *journal.Draft, rows []batchLine) (journal.Record, error) {
	for _, one := range rows {
		made, err := batchesTable.Put(ctx, d, 0, one.row)
		if err == nil && one.up != nil {
			_, err = countsTable.Put(ctx, d, 0, store.PutBatchCountParams{
				BatchID: made.ID, Day: s.Today.String(), Kind: countUp, Plants: int64(*one.up), Note: "From a file",
			})
		}
		if err != nil {
			return journal.Record{}, err
		}
	}
	return journal.Record{Kind: kindBatch, Summary: fmt.Sprintf("Brought in %d batches from a file", len(rows))}, nil
}

func readBatchLine(s *plot.State, get func(string) string) (row store.PutBatchParams, up *int, err error) {
	id, err := speciesNamed(s, get("plant"), get("botanical name"))
	if err != nil {
		return row, nil, err
	}
	var c say.Checklist
	number := func(name string) int {
		n, err := wholeField(get(name), name)
		if err != nil {
			c.AddError(name, err)
		}
		return n
	}
	row = store.PutBatchParams{
		SpeciesID: id, Way: get("way"), Wanted: int64(max(1, number("wanted"))), Starts: int64(number("started")),
		Trays: int64(max(0, number("trays"))),
		PlannedOn: get(
			"planned",
		), Stays: "[]", OutOn: get("out"), Priority: 3, Note: c.Text("note", get("note"), say.LongestNote),
	}
	if _, known := propagation.WayOf(row.Way); !known {
		c.Add("way", "%q is no way to make more; use %s.", row.Way, say.OrList(flora.PropagationWays))
	}
	if row.Starts < 1 || row.Starts > propagation.MostStarts {
		c.Add("started", "Started: from 1 to %d.", propagation.MostStarts)
	}
	if begun := get("begun"); begun != "" {
		day := input.ReadDay(s, &c, "begun", begun)
		row.BegunOn = &begun
		if row.PlannedOn == "" {
			row.PlannedOn = day.String()
		}
	}
	if row.OutOn == "" {
		row.OutOn = row.PlannedOn
	}
	for _, day := range []struct{ field, text string }{{"planned", row.PlannedOn}, {"out", row.OutOn}} {
		if dayOf(&day.text) == plot.NoDay {
			c.Add(day.field, "%s: %q is not a whole day such as 2031-05-27.", say.Capital(day.field), day.text)
		}
	}
	if out, planned := dayOf(&row.OutOn), dayOf(&row.PlannedOn); out != plot.NoDay && out < planned {
		c.Add("out", "It cannot go out before it is begun.")
	}
	if name := get("lot"); name != "" {
		at := slices.IndexFunc(
			plot.SeedLots.Of(s),
			func(lot store.SeedLot) bool { return lot.SpeciesID == id && strings.EqualFold(lot.Name, name) },
		)
		if at < 0 {
			c.Add("lot", "There is no seed lot %q of this plant: bring the lots in first.", name)
		} else {
			row.LotID = &plot.SeedLots.Of(s)[at].ID
		}
	}
	if name := get("bed"); name != "" {
		at := slices.IndexFunc(
			s.Beds,
			func(b store.Bed) bool { return b.RemovedOn == nil && strings.EqualFold(b.Name, name) },
		)
		if at < 0 {
			c.Add("bed", "There is no bed %q on the plan.", name)
		} else {
			row.BedID = &s.Beds[at].ID
		}
	}
	if get("came up") != "" {
		n := number("came up")
		if n < 0 || n > int(row.Starts) {
			c.Add("came up", "No more than the %d that were started can have come up.", row.Starts)
		}
		if row.BegunOn == nil {
			c.Add("came up", "Nothing came up of what was not begun.")
		}
		up = &n
	}
	if ended := get("ended"); ended != "" {
		input.ReadDay(s, &c, "ended", ended)
		row.EndedOn = &ended
	}
	return row, up, c.Err()
}

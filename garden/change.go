package garden

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"strconv"
	"time"

	"bramblyacre/store"
)

// Entry is a ledger entry as an answer to a change: what was noted, and the id
// to take it back by.
type Entry struct {
	ID      int64  `json:"id"`
	Summary string `json:"summary"`
}

// rowChange is one row before and after a change; null where it was not or is
// no more. The ledger keeps it, and puts Before back when the entry is undone.
type rowChange struct {
	Table  string          `json:"table"`
	ID     int64           `json:"id"`
	Before json.RawMessage `json:"before"`
	After  json.RawMessage `json:"after"`
}

// draft is a change while it is made: its transaction and the rows it moved.
type draft struct {
	*store.Queries
	changes []rowChange
}

// record is what the ledger says of a change.
type record struct {
	kind, summary string
	bed, planting *int64
	takesBack     *int64
}

// change runs work on the plot as it stands, in one transaction, and notes it in
// the ledger with its undo. Whatever fails, nothing is written.
func (g *Garden) change(ctx context.Context, work func(*state, *draft) (record, error)) (Entry, error) {
	return g.changeOnce(ctx, sending{}, work)
}

// changeOnce is change for what may be sent twice, as after a lost connection: it counts
// once, and is answered with the same entry.
func (g *Garden) changeOnce(ctx context.Context, sent sending, work func(*state, *draft) (record, error)) (Entry, error) {
	g.writing.Lock()
	defer g.writing.Unlock()
	s, err := g.state(ctx)
	if err != nil {
		return Entry{}, err
	}
	return g.write(ctx, sent, func(d *draft) (record, error) { return work(s, d) })
}

// changeRows runs work as change does, but never works the plot out: rows can be put back
// whatever has become of the plot.
func (g *Garden) changeRows(ctx context.Context, work func(*draft) (record, error)) (Entry, error) {
	g.writing.Lock()
	defer g.writing.Unlock()
	return g.write(ctx, sending{}, work)
}

// write runs work in one transaction and notes it in the ledger. The caller holds g.writing.
func (g *Garden) write(ctx context.Context, sent sending, work func(*draft) (record, error)) (Entry, error) {
	sent = sent.orOf(ctx)
	var entry Entry
	err := g.Store.InTransaction(ctx, func(q *store.Queries) error {
		before, known, err := sent.before(ctx, q)
		if err != nil || known {
			entry = before
			return err
		}
		d := &draft{Queries: q}
		noted, err := work(d)
		if err == nil {
			err = keepWithinLimits(ctx, d)
		}
		if err != nil {
			return err
		}
		changes, err := json.Marshal(d.changes)
		if err != nil {
			return fmt.Errorf("note the change: %w", err)
		}
		row, err := q.AddLedgerEntry(ctx, store.AddLedgerEntryParams{
			At: g.Clock().UTC().Format(time.RFC3339), Day: g.Today().String(),
			Kind: noted.kind, Summary: noted.summary, BedID: noted.bed, PlantingID: noted.planting,
			Changes: string(changes), TakesBack: noted.takesBack,
		})
		if err != nil {
			return fmt.Errorf("write the ledger: %w", err)
		}
		if noted.takesBack != nil {
			if err := q.MarkTakenBack(ctx, store.MarkTakenBackParams{TakenBackBy: &row.ID, ID: *noted.takesBack}); err != nil {
				return fmt.Errorf("mark as taken back: %w", err)
			}
		}
		entry = Entry{row.ID, row.Summary}
		return sent.keep(ctx, q, row.ID)
	})
	return entry, err
}

// table is how the rows of one table are read, written whole, and dropped.
type table struct {
	get  func(context.Context, *store.Queries, int64) (any, error)
	put  func(context.Context, *store.Queries, json.RawMessage) (any, error)
	drop func(context.Context, *store.Queries, int64) error
}

// tables are all tables that the ledger can put back.
var tables = map[string]table{
	"site": tableOf(
		func(q *store.Queries, ctx context.Context, _ int64) (store.Site, error) { return q.GetSite(ctx) },
		(*store.Queries).PutSite, nil),
	"beds":         tableOf((*store.Queries).GetBed, (*store.Queries).PutBed, (*store.Queries).DropBed),
	"plantings":    tableOf((*store.Queries).GetPlanting, (*store.Queries).PutPlanting, (*store.Queries).DropPlanting),
	"observations": tableOf((*store.Queries).GetObservation, (*store.Queries).PutObservation, (*store.Queries).DropObservation),
	"pickings":     tableOf((*store.Queries).GetPicking, (*store.Queries).PutPicking, (*store.Queries).DropPicking),
	"job_answers":  tableOf((*store.Queries).GetJobAnswer, (*store.Queries).PutJobAnswer, (*store.Queries).DropJobAnswer),
	"plan_items":   tableOf((*store.Queries).GetPlanItem, (*store.Queries).PutPlanItem, (*store.Queries).DropPlanItem),
	"readings":     tableOf((*store.Queries).GetReading, (*store.Queries).PutReading, (*store.Queries).DropReading),
	"fates":        tableOf((*store.Queries).GetFate, (*store.Queries).PutFate, (*store.Queries).DropFate),
	"looks":        tableOf((*store.Queries).GetLook, (*store.Queries).PutLook, (*store.Queries).DropLook),
	"finds":        tableOf((*store.Queries).GetFind, (*store.Queries).PutFind, (*store.Queries).DropFind),
	"sortings":     tableOf((*store.Queries).GetSorting, (*store.Queries).PutSorting, (*store.Queries).DropSorting),
	"makings":      tableOf((*store.Queries).GetMaking, (*store.Queries).PutMaking, (*store.Queries).DropMaking),
	"people":       tableOf((*store.Queries).GetPerson, (*store.Queries).PutPerson, (*store.Queries).DropPerson),
	"own_plants":   tableOf((*store.Queries).GetOwnPlant, (*store.Queries).PutOwnPlant, (*store.Queries).DropOwnPlant),
	"own_figures":  tableOf((*store.Queries).GetOwnFigure, (*store.Queries).PutOwnFigure, (*store.Queries).DropOwnFigure),
	"plant_notes":  tableOf((*store.Queries).GetPlantNote, (*store.Queries).PutPlantNote, (*store.Queries).DropPlantNote),
	"measures":     tableOf((*store.Queries).GetMeasure, (*store.Queries).PutMeasure, (*store.Queries).DropMeasure),
	"practice":     tableOf((*store.Queries).GetPractice, (*store.Queries).PutPractice, (*store.Queries).DropPractice),
	"needs":        tableOf((*store.Queries).GetNeed, (*store.Queries).PutNeed, (*store.Queries).DropNeed),
}

func tableOf[Row, Params any](
	get func(*store.Queries, context.Context, int64) (Row, error),
	put func(*store.Queries, context.Context, Params) (Row, error),
	drop func(*store.Queries, context.Context, int64) error,
) table {
	return table{
		get: func(ctx context.Context, q *store.Queries, id int64) (any, error) { return get(q, ctx, id) },
		put: func(ctx context.Context, q *store.Queries, row json.RawMessage) (any, error) {
			var params Params
			if err := json.Unmarshal(row, &params); err != nil {
				return nil, err
			}
			return put(q, ctx, params)
		},
		drop: func(ctx context.Context, q *store.Queries, id int64) error {
			if drop == nil {
				return errors.New("a site cannot be dropped")
			}
			return drop(q, ctx, id)
		},
	}
}

// put writes a row through the draft, so that the ledger has it before and
// after. id is 0 for a new row; params are the row's Put parameters.
func put[Row any](ctx context.Context, d *draft, name string, id int64, params any, idOf func(Row) int64) (Row, error) {
	var none Row
	t := tables[name]
	changed := rowChange{Table: name, ID: id}
	if id != 0 {
		before, err := t.get(ctx, d.Queries, id)
		if err != nil {
			return none, fmt.Errorf("read %s %d: %w", name, id, err)
		}
		if changed.Before, err = json.Marshal(before); err != nil {
			return none, err
		}
	}
	encoded, err := json.Marshal(params)
	if err == nil && id == 0 {
		encoded, err = withNewID(ctx, d, name, encoded)
	}
	if err != nil {
		return none, err
	}
	after, err := t.put(ctx, d.Queries, encoded)
	if err != nil {
		return none, fmt.Errorf("write %s: %w", name, err)
	}
	if changed.After, err = json.Marshal(after); err != nil {
		return none, err
	}
	row := after.(Row)
	changed.ID = idOf(row)
	d.changes = append(d.changes, changed)
	return row, nil
}

// withNewID gives a new row an id that no row of its table ever had: the ledger speaks of
// rows by their ids for good.
func withNewID(ctx context.Context, d *draft, name string, encoded json.RawMessage) (json.RawMessage, error) {
	id, err := d.NextID(ctx, name)
	if err != nil {
		return nil, fmt.Errorf("give %s an id: %w", name, err)
	}
	row := columns(encoded)
	row["id"] = json.RawMessage(strconv.FormatInt(id, 10))
	return json.Marshal(row)
}

// undo puts back the rows of a ledger entry, the last one first. A row that has
// changed since is a conflict: the later entry has to be taken back first.
func undo(ctx context.Context, d *draft, changes []rowChange) error {
	for i := len(changes) - 1; i >= 0; i-- {
		c := changes[i]
		t, known := tables[c.Table]
		if !known {
			return fmt.Errorf("the ledger names a table %q that is not known", c.Table)
		}
		now, err := currentRow(ctx, d, t, c.ID)
		if err != nil {
			return err
		}
		if !sameRow(now, c.After) {
			return ConflictError{"Something later rests on this entry. Take back the later entry first."}
		}
		if isNull(c.Before) {
			if err := t.drop(ctx, d.Queries, c.ID); err != nil {
				return ConflictError{"Later entries rest on this one. Take those back first."}
			}
		} else if _, err := t.put(ctx, d.Queries, filled(c.Before, now)); err != nil {
			return fmt.Errorf("put back %s %d: %w", c.Table, c.ID, err)
		}
		d.changes = append(d.changes, rowChange{Table: c.Table, ID: c.ID, Before: c.After, After: c.Before})
	}
	return nil
}

func currentRow(ctx context.Context, d *draft, t table, id int64) (json.RawMessage, error) {
	row, err := t.get(ctx, d.Queries, id)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	return json.Marshal(row)
}

func isNull(row json.RawMessage) bool { return len(row) == 0 || bytes.Equal(row, []byte("null")) }

// sameRow tells whether a row is as it was noted. Columns that came after the note
// are left out of it.
func sameRow(now, noted json.RawMessage) bool {
	if isNull(now) || isNull(noted) {
		return isNull(now) && isNull(noted)
	}
	have, want := columns(now), columns(noted)
	for name, value := range want {
		if !bytes.Equal(have[name], value) {
			return false
		}
	}
	return len(want) > 0
}

// filled is a row as noted, with the columns that came after the note as they are.
func filled(noted, now json.RawMessage) json.RawMessage {
	all := columns(now)
	for name, value := range columns(noted) {
		all[name] = value
	}
	row, err := json.Marshal(all)
	if err != nil {
		return noted
	}
	return row
}

func columns(row json.RawMessage) map[string]json.RawMessage {
	all := map[string]json.RawMessage{}
	if isNull(row) || json.Unmarshal(row, &all) != nil {
		return map[string]json.RawMessage{}
	}
	return all
}

// dropRow deletes a row through the draft, so that the ledger can put it back.
func dropRow(ctx context.Context, d *draft, name string, id int64) error {
	t := tables[name]
	before, err := t.get(ctx, d.Queries, id)
	if err != nil {
		return fmt.Errorf("read %s %d: %w", name, id, err)
	}
	encoded, err := json.Marshal(before)
	if err != nil {
		return err
	}
	d.changes = append(d.changes, rowChange{Table: name, ID: id, Before: encoded})
	return t.drop(ctx, d.Queries, id)
}

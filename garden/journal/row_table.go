package journal

import (
	"context"
	"encoding/json"
	"fmt"
	"strconv"

	"bramblyacre/store"
)

// Table is how the rows of one table are read, written whole and dropped through a draft,
// so that the ledger can put them back. Row is a row as it is stored, Params what it is
// written by.
type Table[Row, Params any] struct {
	name string
	get  func(*store.Queries, context.Context, int64) (Row, error)
	put  func(*store.Queries, context.Context, Params) (Row, error)
	drop func(*store.Queries, context.Context, int64) error
}

// NewTable is the table of a name by its queries; drop is nil where a row always stands.
func NewTable[Row, Params any](
	name string,
	get func(*store.Queries, context.Context, int64) (Row, error),
	put func(*store.Queries, context.Context, Params) (Row, error),
	drop func(*store.Queries, context.Context, int64) error,
) Table[Row, Params] {
	return Table[Row, Params]{name, get, put, drop}
}

// AnyTable is a table whatever its rows are: what the journal knows of it.
type AnyTable interface {
	// Name is what the ledger calls the table by.
	Name() string
	getRow(ctx context.Context, q *store.Queries, id int64) (any, error)
	putRow(ctx context.Context, q *store.Queries, row json.RawMessage) (any, error)
	dropRow(ctx context.Context, q *store.Queries, id int64) error
}

// Name is what the ledger calls the table by.
func (t Table[Row, Params]) Name() string { return t.name }

func (t Table[Row, Params]) getRow(ctx context.Context, q *store.Queries, id int64) (any, error) {
	return t.get(q, ctx, id)
}

func (t Table[Row, Params]) putRow(ctx context.Context, q *store.Queries, row json.RawMessage) (any, error) {
	var params Params
	if err := json.Unmarshal(row, &params); err != nil {
		return nil, err
	}
	return t.put(q, ctx, params)
}

func (t Table[Row, Params]) dropRow(ctx context.Context, q *store.Queries, id int64) error {
	if t.drop == nil {
		return fmt.Errorf("a row of %s cannot be dropped", t.name)
	}
	return t.drop(q, ctx, id)
}

// Put writes a row through the draft, so that the ledger has it before and after. The id is
// 0 for a new row, and else that of the row that params name.
func (t Table[Row, Params]) Put(ctx context.Context, d *Draft, id int64, params Params) (Row, error) {
	var none Row
	changed := RowChange{Table: t.name, ID: id}
	if id != 0 {
		before, err := t.get(d.Queries, ctx, id)
		if err != nil {
			return none, fmt.Errorf("read %s %d: %w", t.name, id, err)
		}
		if changed.Before, err = json.Marshal(before); err != nil {
			return none, err
		}
	} else {
		var err error
		if params, changed.ID, err = t.withNewID(ctx, d, params); err != nil {
			return none, err
		}
	}
	after, err := t.put(d.Queries, ctx, params)
	if err != nil {
		return none, fmt.Errorf("write %s: %w", t.name, err)
	}
	if changed.After, err = json.Marshal(after); err != nil {
		return none, err
	}
	if id := columns(changed.After)["id"]; string(id) != strconv.FormatInt(changed.ID, 10) {
		// The ledger would speak of another row than the one that was written.
		return none, fmt.Errorf("write %s %d: the row that was written is %s", t.name, changed.ID, id)
	}
	d.Changes = append(d.Changes, changed)
	return after, nil
}

// withNewID gives a new row an id that no row of its table ever had: the ledger speaks of
// rows by their ids for good.
func (t Table[Row, Params]) withNewID(ctx context.Context, d *Draft, params Params) (Params, int64, error) {
	var numbered Params
	id, err := d.NextID(ctx, t.name)
	if err != nil {
		return numbered, 0, fmt.Errorf("give %s an id: %w", t.name, err)
	}
	encoded, err := json.Marshal(params)
	if err != nil {
		return numbered, 0, err
	}
	row := columns(encoded)
	row["id"] = json.RawMessage(strconv.FormatInt(id, 10))
	if encoded, err = json.Marshal(row); err != nil {
		return numbered, 0, err
	}
	return numbered, id, json.Unmarshal(encoded, &numbered)
}

// Drop deletes a row through the draft, so that the ledger can put it back.
func (t Table[Row, Params]) Drop(ctx context.Context, d *Draft, id int64) error {
	before, err := t.get(d.Queries, ctx, id)
	if err != nil {
		return fmt.Errorf("read %s %d: %w", t.name, id, err)
	}
	encoded, err := json.Marshal(before)
	if err != nil {
		return err
	}
	d.Changes = append(d.Changes, RowChange{Table: t.name, ID: id, Before: encoded})
	return t.dropRow(ctx, d.Queries, id)
}

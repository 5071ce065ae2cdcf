package journal

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"

	"bramblyacre/garden/say"
)

// undo puts back the rows of a ledger entry, the last one first. A row that has
// changed since is a conflict: the later entry has to be taken back first.
func undo(ctx context.Context, d *Draft, changes []RowChange) error {
	for i := len(changes) - 1; i >= 0; i-- {
		c := changes[i]
		t, err := d.Journal.table(c.Table)
		if err != nil {
			return err
		}
		now, err := currentRow(ctx, d, t, c.ID)
		if err != nil {
			return err
		}
		if !sameRow(now, c.After) {
			return say.ConflictError{Why: "Something later rests on this entry. Take back the later entry first."}
		}
		var after json.RawMessage
		if IsNull(c.Before) {
			if err := t.dropRow(ctx, d.Queries, c.ID); err != nil {
				return say.ConflictError{Why: "Later entries rest on this one. Take those back first."}
			}
		} else {
			row, err := t.putRow(ctx, d.Queries, filled(c.Before, now))
			if err != nil {
				return fmt.Errorf("put back %s %d: %w", c.Table, c.ID, err)
			}
			if after, err = json.Marshal(row); err != nil {
				return err
			}
		}
		d.Changes = append(d.Changes, RowChange{Table: c.Table, ID: c.ID, Before: now, After: after})
	}
	return nil
}

func currentRow(ctx context.Context, d *Draft, t AnyTable, id int64) (json.RawMessage, error) {
	row, err := t.getRow(ctx, d.Queries, id)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	return json.Marshal(row)
}

// IsNull tells whether a row was not, or is no more.
func IsNull(row json.RawMessage) bool { return len(row) == 0 || bytes.Equal(row, []byte("null")) }

// sameRow tells whether a row is as it was noted. Columns that came after the note
// are left out of it.
func sameRow(now, noted json.RawMessage) bool {
	if IsNull(now) || IsNull(noted) {
		return IsNull(now) && IsNull(noted)
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
	if IsNull(row) || json.Unmarshal(row, &all) != nil {
		return map[string]json.RawMessage{}
	}
	return all
}

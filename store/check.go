package store

import (
	"context"
	"errors"
	"fmt"
	"path/filepath"
	"strings"
)

// DamageError says that a database's file is damaged, and which copy is whole.
type DamageError struct {
	Path string
	What string
	// Copy is the newest copy that is whole; empty where there is none.
	Copy string
}

// Error says what is damaged and what to do.
func (e DamageError) Error() string {
	text := fmt.Sprintf("%s is damaged (%s); nothing was changed", e.Path, e.What)
	if e.Copy == "" {
		return text + ". No whole copy lies beside it; restore one that you keep elsewhere: brambly-acre restore FILE --data " + filepath.Dir(
			e.Path,
		)
	}
	return text + fmt.Sprintf(
		". The newest copy that is whole is %s. Stop the program and put it back: brambly-acre restore %s --data %s",
		e.Copy,
		e.Copy,
		filepath.Dir(e.Path),
	)
}

// Damaged is the error for a file that cannot be relied on.
func (s *Store) Damaged(ctx context.Context, fault error) error {
	e := DamageError{Path: s.path(), What: fault.Error()}
	copies, err := Copies(s.dir)
	if err != nil {
		return e
	}
	for _, c := range copies {
		if CheckFile(ctx, c.Path) == nil {
			e.Copy = c.Path
			break
		}
	}
	return e
}

// quickCheck has SQLite look through the file for what cannot be, indexes left out.
func (s *Store) quickCheck(ctx context.Context) error { return s.ask(ctx, "PRAGMA quick_check(3)") }

// WholeCheck has SQLite look through the whole file, its indexes and its references. It
// takes longer than the check at the start.
func (s *Store) WholeCheck(ctx context.Context) error {
	if err := s.ask(ctx, "PRAGMA integrity_check(10)"); err != nil {
		return err
	}
	rows, err := s.db.QueryContext(ctx, `SELECT "table", rowid, parent FROM pragma_foreign_key_check LIMIT 10`)
	if err != nil {
		return err
	}
	var faults []error
	for rows.Next() {
		var table, parent string
		var row *int64
		if err := rows.Scan(&table, &row, &parent); err != nil {
			return errors.Join(err, rows.Close())
		}
		faults = append(faults, fmt.Errorf("a row of %s speaks of a row of %s that is not there", table, parent))
	}
	return errors.Join(append(faults, rows.Err(), rows.Close())...)
}

// ask runs a check of SQLite's, which answers "ok" or what is wrong.
func (s *Store) ask(ctx context.Context, check string) error {
	rows, err := s.db.QueryContext(ctx, check)
	if err != nil {
		return err
	}
	var wrong []string
	for rows.Next() {
		var line string
		if err := rows.Scan(&line); err != nil {
			return errors.Join(err, rows.Close())
		}
		if line != "ok" {
			wrong = append(wrong, strings.TrimSpace(strings.ReplaceAll(line, "\n", " ")))
		}
	}
	if err := errors.Join(rows.Err(), rows.Close()); err != nil {
		return err
	}
	if len(wrong) > 0 {
		return errors.New(strings.Join(wrong, "; "))
	}
	return nil
}

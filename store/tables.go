package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"net/url"
	"os"
	"path/filepath"
	"slices"
	"strings"
)

// Column is a column of a table as the database declares it: INTEGER, REAL, TEXT or BLOB.
type Column struct{ Name, Type string }

// Table is a table of the plot with all of its rows, each value an int64, a float64, a
// string, a []byte or nil.
type Table struct {
	Name    string
	Columns []Column
	Rows    [][]any
}

// ownTables are the tables that are the database's and the migrations' own, only made of others, or of who may
// come in on this machine: no part of the plot.
const ownTables = `name NOT LIKE 'sqlite_%' AND name NOT IN ('goose_db_version', 'thumbnails', 'devices', 'calendar_feed')`

var notOfThePlot = []string{"goose_db_version", "thumbnails", "devices", "calendar_feed"}

// ofThisMachine are the tables that a copy leaves behind.
var ofThisMachine = []string{"devices", "calendar_feed"}

// Form is the number of the form that the plot's tables have.
func (s *Store) Form(ctx context.Context) (int64, error) {
	provider, err := s.provider()
	if err != nil {
		return 0, err
	}
	version, _, err := provider.GetVersions(ctx)
	return version, err
}

// EveryTable gives the tables of the plot, one after another and all of one moment, by name.
// A table's rows are in the order of its key.
func (s *Store) EveryTable(ctx context.Context, take func(Table) error) (err error) {
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{ReadOnly: true})
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }() // it only read
	names, err := texts(ctx, tx, `SELECT name FROM sqlite_schema WHERE type = 'table' AND `+ownTables+` ORDER BY name`)
	if err != nil {
		return err
	}
	for _, name := range names {
		table, err := readTable(ctx, tx, name)
		if err != nil {
			return fmt.Errorf("read %s: %w", name, err)
		}
		if err := take(table); err != nil {
			return err
		}
	}
	return nil
}

func texts(ctx context.Context, tx *sql.Tx, query string, args ...any) (all []string, err error) {
	rows, err := tx.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, err
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		var text string
		if err := rows.Scan(&text); err != nil {
			return nil, err
		}
		all = append(all, text)
	}
	return all, rows.Err()
}

func columnsOf(ctx context.Context, tx *sql.Tx, name string) (columns []Column, err error) {
	rows, err := tx.QueryContext(ctx, `SELECT name, type FROM pragma_table_info(?) ORDER BY cid`, name)
	if err != nil {
		return nil, err
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		var c Column
		if err := rows.Scan(&c.Name, &c.Type); err != nil {
			return nil, err
		}
		columns = append(columns, c)
	}
	return columns, rows.Err()
}

func quoted(name string) string { return `"` + strings.ReplaceAll(name, `"`, `""`) + `"` }

func readTable(ctx context.Context, tx *sql.Tx, name string) (table Table, err error) {
	table.Name = name
	if table.Columns, err = columnsOf(ctx, tx, name); err != nil {
		return table, err
	}
	var names []string
	for _, c := range table.Columns {
		names = append(names, quoted(c.Name))
	}
	rows, err := tx.QueryContext(ctx, "SELECT "+strings.Join(names, ", ")+" FROM "+quoted(name)+" ORDER BY 1")
	if err != nil {
		return table, err
	}
	defer func() { err = errors.Join(err, rows.Close()) }()
	for rows.Next() {
		row, into := make([]any, len(names)), make([]any, len(names))
		for i := range row {
			into[i] = &row[i]
		}
		if err := rows.Scan(into...); err != nil {
			return table, err
		}
		table.Rows = append(table.Rows, row)
	}
	return table, rows.Err()
}

// Build makes a plot's file in an empty folder of tables in some form, and brings it to the
// newest. Tables or columns that the form does not have are refused, as are rows that the
// database does not take or that speak of rows that are not there.
func Build(ctx context.Context, dir string, form int64, tables []Table) (err error) {
	s := &Store{dir: dir}
	if _, err := prepareFile(dir); err != nil {
		return err
	}
	// Rows may come before those that they speak of: what speaks of nothing is found below.
	if err := s.connect(
		url.Values{"_pragma": {"foreign_keys(0)", "journal_mode(DELETE)", "synchronous(OFF)"}},
	); err != nil {
		return err
	}
	defer func() { err = errors.Join(err, s.Close()) }()
	provider, err := s.provider()
	if err != nil {
		return err
	}
	if _, newest, err := provider.GetVersions(ctx); err != nil {
		return err
	} else if form > newest {
		return NewerError{form, newest}
	}
	if _, err := provider.UpTo(ctx, form); err != nil {
		return fmt.Errorf("make a plot of form %d: %w", form, err)
	}
	if err := s.fill(ctx, tables); err != nil {
		return err
	}
	if _, err := provider.Up(ctx); err != nil {
		return err
	}
	if err := s.WholeCheck(ctx); err != nil {
		return err
	}
	return syncToDisk(filepath.Join(dir, FileName))
}

// fill puts rows in place of whatever the migrations laid down.
func (s *Store) fill(ctx context.Context, tables []Table) error {
	tx, err := s.db.BeginTx(ctx, nil)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }() // nothing to roll back once it is committed
	known, err := texts(ctx, tx, `SELECT name FROM sqlite_schema WHERE type = 'table' AND `+ownTables)
	if err != nil {
		return err
	}
	for _, name := range known {
		if _, err := tx.ExecContext(ctx, "DELETE FROM "+quoted(name)); err != nil {
			return err
		}
	}
	for _, table := range tables {
		if err := fillTable(ctx, tx, table); err != nil {
			return fmt.Errorf("%s: %w", table.Name, err)
		}
	}
	return tx.Commit()
}

func fillTable(ctx context.Context, tx *sql.Tx, table Table) error {
	columns, err := columnsOf(ctx, tx, table.Name)
	if err != nil {
		return err
	}
	if len(columns) == 0 || strings.HasPrefix(table.Name, "sqlite_") || slices.Contains(notOfThePlot, table.Name) {
		return errors.New("there is no such table")
	}
	has := map[string]bool{}
	for _, c := range columns {
		has[c.Name] = true
	}
	var names []string
	for _, c := range table.Columns {
		if !has[c.Name] {
			return fmt.Errorf("there is no column %q", c.Name)
		}
		names = append(names, quoted(c.Name))
	}
	insert, err := tx.PrepareContext(
		ctx,
		"INSERT INTO "+quoted(
			table.Name,
		)+" ("+strings.Join(
			names,
			", ",
		)+") VALUES (?"+strings.Repeat(
			", ?",
			len(names)-1,
		)+")",
	)
	if err != nil {
		return err
	}
	for i, row := range table.Rows {
		if _, err := insert.ExecContext(ctx, row...); err != nil {
			return errors.Join(fmt.Errorf("row %d: %w", i+1, err), insert.Close())
		}
	}
	return insert.Close()
}

// Scratch makes a folder for a plot that is being made, beside where it will lie, so that
// it can be moved there at once.
func Scratch(dir string) (string, error) {
	if _, err := prepareFolder(dir); err != nil {
		return "", err
	}
	return os.MkdirTemp(dir, ".in-the-making-*")
}

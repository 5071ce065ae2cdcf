package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"net/url"
	"os"
	"path/filepath"

	"github.com/pressly/goose/v3"
	_ "modernc.org/sqlite" // the SQLite driver behind database/sql
)

//go:embed migrations/*.sql
var migrations embed.FS

// FileName is the database's file in the data folder.
const FileName = "acre.db"

// Store is an open database.
type Store struct {
	*Queries
	db *sql.DB
}

// Open opens the database in a folder, making both where they are missing, and
// brings it to the newest form. Foreign keys are on; the journal is a
// write-ahead log that is synced before a change is acknowledged.
func Open(ctx context.Context, dir string) (*Store, error) {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return nil, fmt.Errorf("make data folder: %w", err)
	}
	pragmas := url.Values{
		"_pragma": {"foreign_keys(1)", "journal_mode(WAL)", "synchronous(FULL)", "busy_timeout(5000)"},
		"_txlock": {"immediate"},
	}
	path := filepath.Join(dir, FileName)
	db, err := sql.Open("sqlite", (&url.URL{Scheme: "file", Opaque: path, RawQuery: pragmas.Encode()}).String())
	if err != nil {
		return nil, fmt.Errorf("open %s: %w", path, err)
	}
	if err := migrate(ctx, db); err != nil {
		return nil, errors.Join(fmt.Errorf("prepare %s: %w", path, err), db.Close())
	}
	return &Store{Queries: New(db), db: db}, nil
}

func migrate(ctx context.Context, db *sql.DB) error {
	scripts, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	provider, err := goose.NewProvider(goose.DialectSQLite3, db, scripts)
	if err != nil {
		return err
	}
	_, err = provider.Up(ctx)
	return err
}

// Close closes the database.
func (s *Store) Close() error { return s.db.Close() }

// InTransaction runs work on one transaction: all of it is written, or, when
// work returns an error, nothing.
func (s *Store) InTransaction(ctx context.Context, work func(*Queries) error) (err error) {
	tx, err := s.db.BeginTx(ctx, nil)
	if err != nil {
		return fmt.Errorf("begin: %w", err)
	}
	defer func() {
		if rollback := tx.Rollback(); rollback != nil && !errors.Is(rollback, sql.ErrTxDone) {
			err = errors.Join(err, rollback)
		}
	}()
	if err := work(s.Queries.WithTx(tx)); err != nil {
		return err
	}
	return tx.Commit()
}

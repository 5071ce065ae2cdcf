package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"math/rand/v2"
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
	db  *sql.DB
	dir string
	// lock is the right to write; nil for one that only reads.
	lock *lock
	// Notes are what the grower should know of how it was opened: that a new plot was made,
	// or an older one brought forward.
	Notes []string
	// temporary is a folder that goes when the store is closed.
	temporary string
}

// Dir is the folder that the plot is kept in.
func (s *Store) Dir() string { return s.dir }

// Open opens the database in a folder to write to it, making both where they are missing.
// No other program may write there meanwhile (HeldError). The file is checked (DamageError),
// a newer form is refused (NewerError), and an older one is copied, then brought to the
// newest. Foreign keys are on; the journal is a write-ahead log that is synced before a
// change is acknowledged.
func Open(ctx context.Context, dir string) (*Store, error) {
	notes, err := prepareFolder(dir)
	if err != nil {
		return nil, err
	}
	l, err := takeLock(dir)
	if err != nil {
		return nil, err
	}
	s := &Store{dir: dir, lock: l, Notes: notes}
	if err := s.begin(ctx); err != nil {
		return nil, errors.Join(err, s.Close())
	}
	return s, nil
}

// begin opens the file once the lock is held.
func (s *Store) begin(ctx context.Context) error {
	note, err := setStrayLogAside(s.dir)
	if err != nil {
		return err
	}
	if note != "" {
		s.Notes = append(s.Notes, note)
	}
	if note, err = prepareFile(s.dir); err != nil {
		return err
	}
	if note != "" {
		s.Notes = append(s.Notes, note)
	}
	if err := s.connect(
		url.Values{
			"_pragma": {"foreign_keys(1)", "journal_mode(WAL)", "synchronous(FULL)", "busy_timeout(5000)"},
			"_txlock": {"immediate"},
		},
	); err != nil {
		return err
	}
	if err := s.quickCheck(ctx); err != nil {
		return s.Damaged(ctx, err)
	}
	if err := s.bringForward(ctx); err != nil {
		return fmt.Errorf("prepare %s: %w", s.path(), err)
	}
	return s.beginRun(ctx)
}

func (s *Store) path() string { return filepath.Join(s.dir, FileName) }

// connect opens the file with pragmas.
func (s *Store) connect(how url.Values) error {
	db, err := sql.Open("sqlite", fileURI(s.path(), how))
	if err != nil {
		return fmt.Errorf("open %s: %w", s.path(), err)
	}
	s.db, s.Queries = db, New(db)
	return nil
}

// beginRun gives the file a number that the lock's file knows, too: a log that is left
// behind belongs to the file that carries it. The lock is signed first, so that a log
// whose file does not carry the number yet holds nothing but the number.
func (s *Store) beginRun(ctx context.Context) error {
	if err := s.FoldIn(ctx); err != nil {
		return err
	}
	run := rand.Uint32()>>1 | 1
	if err := s.lock.sign(run); err != nil {
		return err
	}
	if _, err := s.db.ExecContext(ctx, fmt.Sprintf("PRAGMA user_version = %d", run)); err != nil {
		return fmt.Errorf("begin a run of %s: %w", s.path(), err)
	}
	return s.FoldIn(ctx)
}

// OpenToRead opens the database in a folder to read it, beside a program that writes to
// it or with none. It changes nothing: a file of an older form is copied, and the copy
// brought forward. That there is no plot is an error.
func OpenToRead(ctx context.Context, dir string) (*Store, error) {
	if info, err := os.Stat(filepath.Join(dir, FileName)); err != nil || info.Size() == 0 {
		return nil, fmt.Errorf("there is no plot in %s", dir)
	}
	if strayLog(dir) {
		return nil, fmt.Errorf(
			"beside %s in %s lies the log of another file; serve the plot once, or restore a copy",
			FileName,
			dir,
		)
	}
	s := &Store{dir: dir}
	err := s.connect(url.Values{"_pragma": {"query_only(1)", "busy_timeout(5000)"}})
	if err != nil {
		return nil, err
	}
	provider, err := s.provider()
	if err != nil {
		return nil, errors.Join(err, s.Close())
	}
	version, newest, err := provider.GetVersions(ctx)
	switch {
	case err != nil:
		return nil, errors.Join(s.Damaged(ctx, err), s.Close())
	case version > newest:
		return nil, errors.Join(NewerError{version, newest}, s.Close())
	case version == newest:
		return s, nil
	}
	older := s
	defer func() { _ = older.Close() }() // it was only read
	temporary, err := os.MkdirTemp("", "brambly-acre-*")
	if err != nil {
		return nil, err
	}
	if err := older.BackUp(ctx, filepath.Join(temporary, FileName)); err != nil {
		return nil, errors.Join(err, os.RemoveAll(temporary))
	}
	if s, err = Open(ctx, temporary); err != nil {
		return nil, errors.Join(err, os.RemoveAll(temporary))
	}
	s.temporary = temporary
	return s, nil
}

func (s *Store) provider() (*goose.Provider, error) {
	scripts, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, err
	}
	return goose.NewProvider(goose.DialectSQLite3, s.db, scripts)
}

// NewerError says that a plot was kept by a newer program.
type NewerError struct{ Version, Newest int64 }

// Error says what to do.
func (e NewerError) Error() string {
	return fmt.Sprintf(
		"this plot was kept by a newer program (form %d; this one knows up to %d); use that one, nothing was changed",
		e.Version,
		e.Newest,
	)
}

// bringForward brings the database to the newest form. One that holds a plot already is
// copied first.
func (s *Store) bringForward(ctx context.Context) error {
	provider, err := s.provider()
	if err != nil {
		return err
	}
	version, newest, err := provider.GetVersions(ctx)
	if err != nil {
		return err
	}
	if version > newest {
		return NewerError{version, newest}
	}
	if version > 0 && version < newest {
		copied, err := s.copyBefore(ctx, version, newest)
		if err != nil {
			return fmt.Errorf("copy the plot before it is brought forward: %w", err)
		}
		s.Notes = append(
			s.Notes,
			fmt.Sprintf("This plot was kept by an older program. It was copied to %s, then brought forward.", copied),
		)
	}
	_, err = provider.Up(ctx)
	return err
}

// FoldIn writes what the log holds into the one file and empties the log, so that the file
// is the whole plot. A reader that is at it leaves some of the log for the next time.
func (s *Store) FoldIn(ctx context.Context) error {
	if _, err := s.db.ExecContext(ctx, "PRAGMA wal_checkpoint(TRUNCATE)"); err != nil {
		return fmt.Errorf("fold the log into %s: %w", s.path(), err)
	}
	return nil
}

// Close folds the log in, closes the database and lets the folder go.
func (s *Store) Close() error {
	var faults []error
	if s.db != nil {
		faults = append(faults, s.db.Close()) // the last one to close folds the log in
	}
	if s.lock != nil {
		faults = append(faults, s.lock.release())
	}
	if s.temporary != "" {
		faults = append(faults, os.RemoveAll(s.temporary))
	}
	return errors.Join(faults...)
}

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

// Reading runs work on one transaction that only reads, and waits for no change.
func (s *Store) Reading(ctx context.Context, work func(*Queries) error) (err error) {
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{ReadOnly: true})
	if err != nil {
		return fmt.Errorf("begin to read: %w", err)
	}
	defer func() { _ = tx.Rollback() }() // it only read
	return work(s.Queries.WithTx(tx))
}

package store

import (
	"cmp"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"modernc.org/sqlite"
)

// copiesFolder is where copies lie in the data folder.
const copiesFolder = "copies"

const copySuffix = ".db"

// Copy is a copy of the plot that lies in its data folder.
type Copy struct {
	Path, Name string
	At         time.Time
	Bytes      int64
	// Night is true for one of the nights', which give way to newer ones.
	Night bool
}

// Copies lists the copies in a data folder, the newest first.
func Copies(dir string) ([]Copy, error) {
	entries, err := os.ReadDir(filepath.Join(dir, copiesFolder))
	if errors.Is(err, os.ErrNotExist) {
		return nil, nil
	}
	if err != nil {
		return nil, fmt.Errorf("read the copies: %w", err)
	}
	var copies []Copy
	for _, entry := range entries {
		info, err := entry.Info()
		if err != nil || entry.IsDir() || !strings.HasSuffix(entry.Name(), copySuffix) ||
			strings.HasPrefix(entry.Name(), ".") {
			continue
		}
		_, err = time.Parse(time.DateOnly, strings.TrimSuffix(entry.Name(), copySuffix))
		copies = append(
			copies,
			Copy{filepath.Join(dir, copiesFolder, entry.Name()), entry.Name(), info.ModTime(), info.Size(), err == nil},
		)
	}
	slices.SortFunc(copies, func(a, b Copy) int { return cmp.Or(b.At.Compare(a.At), cmp.Compare(b.Name, a.Name)) })
	return copies, nil
}

// BackUp writes the whole plot as it stands into one file, by SQLite's own backup, while
// others may read and write it. The copy is checked before it takes the place of what was
// there.
func (s *Store) BackUp(ctx context.Context, path string) error {
	if err := RefuseDataFile(path, s.dir); err != nil {
		return err
	}
	err := Replace(path, func(temporary string) error {
		if err := s.copyTo(ctx, temporary); err != nil {
			return err
		}
		if err := settle(ctx, temporary); err != nil {
			return err
		}
		return CheckFile(ctx, temporary)
	})
	if err != nil {
		return fmt.Errorf("copy the plot to %s: %w", path, err)
	}
	return nil
}

// copyTo copies the database page by page, all of one moment.
func (s *Store) copyTo(ctx context.Context, path string) error {
	conn, err := s.db.Conn(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close() }() // it goes back to the others
	return conn.Raw(func(driver any) error {
		backup, err := driver.(interface {
			NewBackup(string) (*sqlite.Backup, error)
		}).NewBackup(fileURI(path, nil))
		if err != nil {
			return err
		}
		for more := true; more; {
			if err := ctx.Err(); err != nil {
				return errors.Join(err, backup.Finish())
			}
			if more, err = backup.Step(-1); err != nil {
				return errors.Join(err, backup.Finish())
			}
		}
		return backup.Finish()
	})
}

// settle makes a copy one file without a log, of no run: a log that is left beside it is
// known not to be its own.
func settle(ctx context.Context, path string) error {
	db, err := sql.Open("sqlite", fileURI(path, nil))
	if err != nil {
		return err
	}
	db.SetMaxOpenConns(1) // what a pragma sets holds for its connection
	statements := []string{"PRAGMA journal_mode = DELETE", "PRAGMA user_version = 0", "PRAGMA secure_delete = ON"}
	// Who may come in is no part of a copy: a device that was put out is not let in again by restoring an older one.
	for _, table := range ofThisMachine {
		var has bool
		err := db.QueryRowContext(
			ctx,
			`SELECT count(*) > 0 FROM sqlite_schema WHERE type = 'table' AND name = ?`,
			table,
		).Scan(
			&has,
		)
		if err != nil {
			return errors.Join(err, db.Close())
		}
		if has {
			statements = append(statements, "DELETE FROM "+quoted(table))
		}
	}
	for _, statement := range statements {
		if _, err := db.ExecContext(ctx, statement); err != nil {
			return errors.Join(err, db.Close())
		}
	}
	return db.Close()
}

// CheckFile tells whether a file is a plot that this program can read and that is whole.
func CheckFile(ctx context.Context, path string) error {
	if info, err := os.Stat(path); err != nil {
		return err
	} else if info.Size() == 0 {
		return errors.New("the file is empty")
	}
	s := &Store{dir: filepath.Dir(path)}
	db, err := sql.Open("sqlite", fileURI(path, asItLies))
	if err != nil {
		return err
	}
	s.db = db
	defer func() { _ = db.Close() }() // it was only read
	if err := s.WholeCheck(ctx); err != nil {
		return fmt.Errorf("it is damaged: %w", err)
	}
	var version, newest int64
	if err := db.QueryRowContext(
		ctx,
		"SELECT max(version_id) FROM goose_db_version WHERE is_applied",
	).Scan(
		&version,
	); err != nil {
		return errors.New("it is a database, but no plot of this program")
	}
	provider, err := s.provider()
	if err != nil {
		return err
	}
	for _, source := range provider.ListSources() {
		newest = max(newest, source.Version)
	}
	if version > newest {
		return NewerError{version, newest}
	}
	return nil
}

// copyBefore copies the plot before it is brought to another form, and returns the copy's
// name.
func (s *Store) copyBefore(ctx context.Context, from, to int64) (string, error) {
	name := fmt.Sprintf("before-form-%d-to-%d-%s%s", from, to, time.Now().UTC().Format("20060102T150405"), copySuffix)
	return s.keepCopy(ctx, name)
}

// KeepByHand keeps a copy of this moment, which does not give way to others.
func (s *Store) KeepByHand(ctx context.Context, at time.Time) (string, error) {
	return s.keepCopy(ctx, "by-hand-"+at.UTC().Format("20060102T150405.000")+copySuffix)
}

func (s *Store) keepCopy(ctx context.Context, name string) (string, error) {
	folder := filepath.Join(s.dir, copiesFolder)
	if err := os.MkdirAll(folder, folderMode); err != nil {
		return "", fmt.Errorf("make the folder of copies: %w", err)
	}
	path := filepath.Join(folder, name)
	return path, s.BackUp(ctx, path)
}

// KeepNight keeps a copy of the plot for a night, unless one is there or nothing was noted
// since the newest, and drops the oldest nights' beyond so many. It returns the copy's path,
// empty where none was made.
func (s *Store) KeepNight(ctx context.Context, night time.Time, kept int) (path string, err error) {
	copies, err := Copies(s.dir)
	if err != nil {
		return "", err
	}
	nights := slices.DeleteFunc(copies, func(c Copy) bool { return !c.Night })
	name := night.Format(time.DateOnly) + copySuffix
	known := slices.ContainsFunc(nights, func(c Copy) bool { return c.Name == name })
	if !known {
		last, err := s.LastLedgerID(ctx)
		if err != nil {
			return "", err
		}
		if len(nights) > 0 && lastEntryIn(ctx, nights[0].Path) == last {
			return "", nil
		}
		if path, err = s.keepCopy(ctx, name); err != nil {
			return "", err
		}
		nights = slices.Insert(nights, 0, Copy{Path: path, Name: name})
	}
	for i := kept; i < len(nights); i++ {
		if err := os.Remove(nights[i].Path); err != nil {
			return path, fmt.Errorf("drop an old copy: %w", err)
		}
	}
	return path, nil
}

// lastEntryIn is the newest entry of the ledger in a copy; below 0 where it cannot be read.
func lastEntryIn(ctx context.Context, path string) int64 {
	db, err := sql.Open("sqlite", fileURI(path, asItLies))
	if err != nil {
		return -1
	}
	defer func() { _ = db.Close() }() // it was only read
	last, err := New(db).LastLedgerID(ctx)
	if err != nil {
		return -1
	}
	return last
}

// Restore puts a copy in a folder as its plot. The copy is checked first; the plot that was
// there is kept beside it, and its path returned, empty where there was none.
func Restore(ctx context.Context, from, dir string) (kept string, err error) {
	if err := CheckFile(ctx, from); err != nil {
		return "", fmt.Errorf("%s cannot be restored: %w", from, err)
	}
	if _, err := prepareFolder(dir); err != nil {
		return "", err
	}
	l, err := takeLock(dir)
	if err != nil {
		return "", err
	}
	defer func() { err = errors.Join(err, l.release()) }()
	if err := RefuseDataFile(from, dir); err != nil {
		return "", fmt.Errorf("%s is the plot that is there already", from)
	}
	path := filepath.Join(dir, FileName)
	err = Replace(path, func(temporary string) (err error) {
		if err := copyFile(from, temporary); err != nil {
			return err
		}
		if err := settle(ctx, temporary); err != nil {
			return err
		}
		kept, err = keepBefore(path) // only once the new one is whole
		return err
	})
	return kept, err
}

// keepBefore moves a plot with its log into the folder of copies.
func keepBefore(path string) (kept string, err error) {
	if _, err := os.Stat(path); errors.Is(err, os.ErrNotExist) {
		return "", nil
	}
	folder := filepath.Join(filepath.Dir(path), copiesFolder)
	if err := os.MkdirAll(folder, folderMode); err != nil {
		return "", err
	}
	kept = filepath.Join(folder, "before-restoring-"+time.Now().UTC().Format("20060102T150405.000")+copySuffix)
	for _, suffix := range []string{"-wal", "-shm", ""} {
		if err := os.Rename(path+suffix, kept+suffix); err != nil && !errors.Is(err, os.ErrNotExist) {
			return "", fmt.Errorf("keep the plot that is there: %w", err)
		}
	}
	return kept, nil
}

func copyFile(from, to string) error {
	source, err := os.Open(from)
	if err != nil {
		return err
	}
	defer func() { _ = source.Close() }() // it was only read
	target, err := os.OpenFile(to, os.O_WRONLY|os.O_CREATE|os.O_TRUNC, fileMode)
	if err != nil {
		return err
	}
	_, err = io.Copy(target, source)
	return errors.Join(err, target.Close())
}

package store

import (
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"time"
)

// What a plot is kept with is nobody else's to read.
const (
	folderMode = 0o700
	fileMode   = 0o600
)

// prepareFolder makes the data folder, or closes it to others where it holds a plot.
func prepareFolder(dir string) (notes []string, err error) {
	if err := os.MkdirAll(dir, folderMode); err != nil {
		return nil, fmt.Errorf("make data folder: %w", err)
	}
	entries, err := os.ReadDir(dir)
	if err != nil {
		return nil, fmt.Errorf("read data folder: %w", err)
	}
	ours := len(entries) == 0
	for _, entry := range entries {
		ours = ours || entry.Name() == FileName
	}
	if !ours {
		return nil, nil // a folder of other things: its files are closed, not the folder
	}
	if info, err := os.Stat(dir); err == nil && info.Mode().Perm()&0o077 != 0 {
		if err := os.Chmod(dir, folderMode); err != nil {
			return []string{
				fmt.Sprintf("Others on this machine can read %s, and it could not be closed to them: %v.", dir, err),
			}, nil
		}
	}
	return nil, nil
}

// Clear takes the plot out of a folder, for one to be made anew, unless a program is at it.
func Clear(dir string) (err error) {
	l, err := takeLock(dir)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, l.release()) }()
	for _, suffix := range []string{"-wal", "-shm", ""} {
		if err := os.Remove(filepath.Join(dir, FileName+suffix)); err != nil && !errors.Is(err, os.ErrNotExist) {
			return err
		}
	}
	return nil
}

// prepareFile makes the database's file where it is missing, for its owner alone, and says
// that a new plot begins.
func prepareFile(dir string) (note string, err error) {
	path := filepath.Join(dir, FileName)
	info, err := os.Stat(path)
	switch {
	case errors.Is(err, os.ErrNotExist):
		note = fmt.Sprintf("A new plot was made in %s.", dir)
	case err != nil:
		return "", err
	case info.Size() == 0:
		note = fmt.Sprintf("%s in %s was empty: a new plot was made in it.", FileName, dir)
	}
	if note != "" {
		if copies, err := Copies(dir); err == nil && len(copies) > 0 {
			note += fmt.Sprintf(" Copies of an older one lie beside it; the newest is %s.", copies[0].Path)
		}
	}
	file, err := os.OpenFile(path, os.O_RDONLY|os.O_CREATE, fileMode)
	if err != nil {
		return "", fmt.Errorf("open %s: %w", path, err)
	}
	if err := file.Close(); err != nil {
		return "", err
	}
	for _, suffix := range []string{"", "-wal", "-shm"} {
		if err := os.Chmod(path+suffix, fileMode); err != nil && !errors.Is(err, os.ErrNotExist) {
			return "", fmt.Errorf("close %s to others: %w", path+suffix, err)
		}
	}
	return note, nil
}

// runOf is the number of the run that a database's file carries: SQLite's user_version, in
// its header, as a log beside it would not change it.
func runOf(path string) (run uint32, known bool) {
	file, err := os.Open(path)
	if err != nil {
		return 0, false
	}
	defer func() { _ = file.Close() }() // it was only read
	const at = 60
	var number [4]byte
	if _, err := file.ReadAt(number[:], at); err != nil {
		return 0, errors.Is(err, io.EOF)
	}
	return binary.BigEndian.Uint32(number[:]), true
}

// strayLog tells whether the log beside a database's file belongs to another: the file was
// put there by hand, or is gone.
func strayLog(dir string) bool {
	path := filepath.Join(dir, FileName)
	if log, err := os.Stat(path + "-wal"); err != nil || log.Size() == 0 {
		return false
	}
	last, known := readHolder(filepath.Join(dir, LockName))
	if !known {
		return false // kept by a program that did not number its runs
	}
	run, readable := runOf(path)
	return !readable || run != last.Run
}

// setStrayLogAside moves a log away that belongs to another file than the one it lies
// beside. SQLite would read it over that file.
func setStrayLogAside(dir string) (note string, err error) {
	if !strayLog(dir) {
		return "", nil
	}
	path := filepath.Join(dir, FileName)
	away := fmt.Sprintf("%s-left-over-log-%s", path, time.Now().UTC().Format("20060102T150405"))
	if err := os.Rename(path+"-wal", away); err != nil {
		return "", fmt.Errorf("set the log of another file aside: %w", err)
	}
	if err := os.Remove(path + "-shm"); err != nil && !errors.Is(err, os.ErrNotExist) {
		return "", err
	}
	return fmt.Sprintf(
		"%s was put here from elsewhere; the log of the file before it was set aside as %s and not read.",
		FileName,
		filepath.Base(away),
	), nil
}

package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
)

// Replace has write make a temporary file beside path, and puts it there once it is whole
// and on the disk. If anything fails, what was at path stays as it was.
func Replace(path string, write func(temporary string) error) (err error) {
	file, err := os.CreateTemp(filepath.Dir(path), "."+filepath.Base(path)+"-*")
	if err != nil {
		return err
	}
	temporary := file.Name()
	if err := file.Close(); err != nil {
		return err
	}
	defer func() {
		if err != nil {
			err = errors.Join(err, os.Remove(temporary))
		}
	}()
	if err := write(temporary); err != nil {
		return err
	}
	if err := syncToDisk(temporary); err != nil {
		return err
	}
	if err := os.Rename(temporary, path); err != nil {
		return err
	}
	return syncToDisk(filepath.Dir(path))
}

func syncToDisk(path string) error {
	file, err := os.Open(path)
	if err != nil {
		return err
	}
	return errors.Join(file.Sync(), file.Close())
}

// RefuseDataFile is an error where a path is a plot's own file, its log, or its lock,
// however it is written: none of them is ever written over.
func RefuseDataFile(path, dir string) error {
	own := []string{FileName, FileName + "-wal", FileName + "-shm", LockName}
	target, err := os.Stat(path)
	for _, name := range own {
		at := filepath.Join(dir, name)
		if one, fault := os.Stat(at); err == nil && fault == nil && os.SameFile(target, one) || sameName(path, at) {
			return fmt.Errorf("%s is the plot itself; write to another file", path)
		}
	}
	return nil
}

// sameName tells whether two paths name one file, which need not be there.
func sameName(a, b string) bool {
	folderA, errA := filepath.EvalSymlinks(filepath.Dir(a))
	folderB, errB := filepath.EvalSymlinks(filepath.Dir(b))
	if errA != nil || errB != nil {
		return false
	}
	absoluteA, errA := filepath.Abs(filepath.Join(folderA, filepath.Base(a)))
	absoluteB, errB := filepath.Abs(filepath.Join(folderB, filepath.Base(b)))
	return errA == nil && errB == nil && strings.EqualFold(absoluteA, absoluteB)
}

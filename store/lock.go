package store

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"

	"github.com/gofrs/flock"
)

// LockName is the file in the data folder that the program which writes there holds. The
// system lets it go when that program ends, however it ends.
const LockName = "acre.lock"

// HeldError says that another program writes to the plot.
type HeldError struct{ Dir, Holder string }

// Error says who holds the plot, and what to do.
func (e HeldError) Error() string {
	return fmt.Sprintf("%s is open in another program (%s); stop it first", e.Dir, e.Holder)
}

// holder is what the lock's file says of the program that holds it, or held it last.
type holder struct {
	Process int    `json:"process"`
	Does    string `json:"does"`
	// Run is the number that the database's file carries since that program opened it.
	Run uint32 `json:"run"`
}

// lock is the right to write to a plot.
type lock struct{ file *flock.Flock }

// takeLock takes the right to write to a folder, or says who has it.
func takeLock(dir string) (*lock, error) {
	path := filepath.Join(dir, LockName)
	l := &lock{file: flock.New(path, flock.SetPermissions(0o600))}
	taken, err := l.file.TryLock()
	if err != nil {
		return nil, fmt.Errorf("lock %s: %w", dir, err)
	}
	if taken {
		return l, nil
	}
	by := "one that does not say which"
	if h, known := readHolder(path); known {
		by = fmt.Sprintf("%s, process %d", h.Does, h.Process)
	}
	return nil, HeldError{dir, by}
}

// readHolder reads a lock's file. One that is empty or broken tells nothing.
func readHolder(path string) (h holder, known bool) {
	text, err := os.ReadFile(path)
	return h, err == nil && json.Unmarshal(bytes.TrimSpace(text), &h) == nil
}

// sign writes down who holds the lock and which run of the database it is. It is on the
// disk before it returns.
func (l *lock) sign(run uint32) error {
	text, err := json.Marshal(
		holder{
			os.Getpid(),
			strings.Join(append([]string{filepath.Base(os.Args[0])}, os.Args[1:min(len(os.Args), 2)]...), " "),
			run,
		},
	)
	if err != nil {
		return err
	}
	file, err := os.OpenFile(l.file.Path(), os.O_WRONLY|os.O_TRUNC, 0o600)
	if err != nil {
		return fmt.Errorf("sign the lock: %w", err)
	}
	_, err = file.Write(append(text, '\n'))
	return errors.Join(err, file.Sync(), file.Close())
}

func (l *lock) release() error { return l.file.Close() }

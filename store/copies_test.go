package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"
)

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func beds(t testing.TB, s *Store) int {
	t.Helper()
	rows, err := s.ListBeds(t.Context())
	check(t, err)
	return len(rows)
}

// lay writes beds, so many.
func lay(t testing.TB, s *Store, n int) {
	t.Helper()
	for range n {
		_, err := s.PutBed(t.Context(), bed)
		check(t, err)
	}
}

// A copy that is made while others write holds every row that was acknowledged before it
// began, is whole, and is one file.
func TestACopyMadeUnderWritesIsWhole(t *testing.T) {
	s := open(t, t.TempDir())
	ctx, stop := context.WithCancel(t.Context())
	var writers sync.WaitGroup
	var written sync.Mutex
	count := 0
	for range 2 {
		writers.Go(func() {
			for ctx.Err() == nil {
				if _, err := s.PutBed(ctx, bed); err == nil {
					written.Lock()
					count++
					written.Unlock()
				}
			}
		})
	}
	folder := t.TempDir()
	for i := range 10 {
		written.Lock()
		before := count
		written.Unlock()
		path := filepath.Join(folder, fmt.Sprintf("%d.db", i))
		check(t, s.BackUp(t.Context(), path))
		check(t, CheckFile(t.Context(), path))
		// Put into a folder of its own, it is a plot.
		dir := t.TempDir()
		kept, err := Restore(t.Context(), path, dir)
		if err != nil || kept != "" {
			t.Fatalf("restored into an empty folder: %q, %v", kept, err)
		}
		read, err := OpenToRead(t.Context(), dir)
		check(t, err)
		if got := beds(t, read); got < before {
			t.Errorf("copy %d holds %d of %d beds", i, got, before)
		}
		check(t, read.Close())
	}
	stop()
	writers.Wait()
	entries, err := os.ReadDir(folder)
	if err != nil || len(entries) != 10 {
		t.Errorf("%d files for ten copies, %v", len(entries), err)
	}
	for _, target := range []string{filepath.Join(s.Dir(), FileName), filepath.Join(s.Dir(), ".", FileName+"-wal"), filepath.Join(s.Dir(), LockName)} {
		if err := s.BackUp(t.Context(), target); err == nil {
			t.Errorf("a copy was written over %s", target)
		}
	}
}

// Idle, the one file is the whole plot: copied by hand, it lacks nothing.
func TestFoldedInTheOneFileIsThePlot(t *testing.T) {
	s := open(t, t.TempDir())
	lay(t, s, 40)
	byHand := func() int {
		dir := t.TempDir()
		check(t, copyFile(filepath.Join(s.Dir(), FileName), filepath.Join(dir, FileName)))
		read, err := OpenToRead(t.Context(), dir)
		check(t, err)
		defer func() { check(t, read.Close()) }()
		return beds(t, read)
	}
	if got := byHand(); got == 40 {
		t.Error("nothing was left in the log: the test shows nothing")
	}
	check(t, s.FoldIn(t.Context()))
	if got := byHand(); got != 40 {
		t.Errorf("folded in, the file holds %d of 40 beds", got)
	}
}

// A second program that writes is refused while the first lives; one that reads is not. The
// lock dies with its holder, whatever its file says.
func TestOneProgramWritesAndOthersRead(t *testing.T) {
	dir := t.TempDir()
	first := open(t, dir)
	lay(t, first, 3)
	var held HeldError
	if _, err := Open(t.Context(), dir); !errors.As(err, &held) || !strings.Contains(err.Error(), fmt.Sprintf("process %d", os.Getpid())) {
		t.Errorf("a second writer: %v", err)
	}
	if _, err := Restore(t.Context(), first.path(), dir); !errors.As(err, &held) {
		t.Errorf("restored under a writer: %v", err)
	}
	if err := Clear(dir); !errors.As(err, &held) {
		t.Errorf("cleared under a writer: %v", err)
	}
	reader, err := OpenToRead(t.Context(), dir)
	check(t, err)
	if got := beds(t, reader); got != 3 {
		t.Errorf("beside it %d beds are read", got)
	}
	if _, err := reader.PutBed(t.Context(), bed); err == nil {
		t.Error("a reader wrote")
	}
	lay(t, first, 1)
	if got := beds(t, reader); got != 4 {
		t.Errorf("beside it %d beds are read", got)
	}
	check(t, reader.Close())
	check(t, first.Close())
	if got := beds(t, open(t, dir)); got != 4 {
		t.Errorf("%d beds", got)
	}
}

// A copy that is put in by hand beside the log of the plot before it is noticed: the log is
// not read over it, and nothing of it is thrown away.
func TestALeftOverLogIsNotReadOverAnotherFile(t *testing.T) {
	dir := t.TempDir()
	s := open(t, dir)
	lay(t, s, 5)
	copied := filepath.Join(t.TempDir(), "copy.db")
	check(t, s.BackUp(t.Context(), copied))
	lay(t, s, 7)
	// As a crash leaves it: the file and its log, of a program that is no more.
	crashed := t.TempDir()
	for _, name := range []string{FileName, FileName + "-wal", LockName} {
		check(t, copyFile(filepath.Join(dir, name), filepath.Join(crashed, name)))
	}
	// With its own file the log is read, as it has to be.
	whole := t.TempDir()
	for _, name := range []string{FileName, FileName + "-wal", LockName} {
		check(t, copyFile(filepath.Join(crashed, name), filepath.Join(whole, name)))
	}
	if got := open(t, whole); beds(t, got) != 12 || len(got.Notes) != 0 {
		t.Errorf("after a crash there are %d beds of 12, %q", beds(t, got), got.Notes)
	}
	check(t, copyFile(copied, filepath.Join(crashed, FileName)))
	if _, err := OpenToRead(t.Context(), crashed); err == nil || !strings.Contains(err.Error(), "log of another file") {
		t.Errorf("read beside the log: %v", err)
	}
	restored := open(t, crashed)
	if got := beds(t, restored); got != 5 {
		t.Errorf("the copy held 5 beds; %d are read", got)
	}
	if len(restored.Notes) != 1 || !strings.Contains(restored.Notes[0], "set aside") {
		t.Errorf("it says %q", restored.Notes)
	}
	entries, err := filepath.Glob(filepath.Join(crashed, "*left-over-log*"))
	if err != nil || len(entries) != 1 {
		t.Errorf("the log is kept as %v, %v", entries, err)
	}
}

func TestRestoringChecksFirstAndKeepsWhatWasThere(t *testing.T) {
	dir, elsewhere := t.TempDir(), t.TempDir()
	s := open(t, dir)
	lay(t, s, 2)
	copied := filepath.Join(elsewhere, "two.db")
	check(t, s.BackUp(t.Context(), copied))
	lay(t, s, 1)
	check(t, s.Close())
	text, err := os.ReadFile(copied)
	check(t, err)
	broken := filepath.Join(elsewhere, "broken.db")
	for name, damaged := range map[string][]byte{
		"half a file": text[:len(text)/2], "an empty file": nil, "no database": []byte(strings.Repeat("hello ", 1000)),
	} {
		check(t, os.WriteFile(broken, damaged, 0o600))
		if _, err := Restore(t.Context(), broken, dir); err == nil {
			t.Errorf("%s was restored", name)
		}
	}
	other, err := sql.Open("sqlite", broken)
	check(t, os.Remove(broken))
	check(t, err)
	_, err = other.ExecContext(t.Context(), "CREATE TABLE recipes (x)")
	check(t, err)
	check(t, other.Close())
	if _, err := Restore(t.Context(), broken, dir); err == nil || !strings.Contains(err.Error(), "no plot of this program") {
		t.Errorf("another program's database: %v", err)
	}
	kept, err := Restore(t.Context(), copied, dir)
	check(t, err)
	now := open(t, dir)
	if got := beds(t, now); got != 2 {
		t.Errorf("restored there are %d beds, not 2", got)
	}
	check(t, now.Close())
	if _, err := Restore(t.Context(), kept, dir); err != nil {
		t.Errorf("what was there cannot be restored: %v", err)
	}
	if got := beds(t, open(t, dir)); got != 3 {
		t.Errorf("what was there held 3 beds; %d are read", got)
	}
}

// Every night has its copy, the oldest go beyond the number that is kept, other copies stay,
// and a night without anything new takes no other's place.
func TestNightsAreKeptAndTheOldestGo(t *testing.T) {
	s := open(t, t.TempDir())
	hand, err := s.KeepByHand(t.Context(), time.Now())
	check(t, err)
	note := func() {
		_, err := s.AddLedgerEntry(t.Context(), AddLedgerEntryParams{At: "2031-05-27T08:00:00Z", Day: "2031-05-27", Kind: "bed", Summary: "A bed", Changes: "[]"})
		check(t, err)
	}
	night := time.Date(2031, 5, 20, 23, 0, 0, 0, time.UTC)
	names := func() string {
		copies, err := Copies(s.Dir())
		check(t, err)
		var all []string
		for _, c := range copies {
			if c.Night {
				all = append(all, strings.TrimSuffix(c.Name, ".db")[8:])
			}
		}
		return strings.Join(all, " ")
	}
	for i := range 10 {
		note()
		for range 3 { // asked more than once a night
			_, err := s.KeepNight(t.Context(), night.AddDate(0, 0, i), 7)
			check(t, err)
		}
		time.Sleep(3 * time.Millisecond) // they are told apart by when they were made
	}
	if got := names(); got != "29 28 27 26 25 24 23" {
		t.Errorf("the nights kept are %s", got)
	}
	for i := range 5 {
		path, err := s.KeepNight(t.Context(), night.AddDate(0, 0, 10+i), 7)
		if err != nil || path != "" {
			t.Errorf("a night without anything new was kept: %q, %v", path, err)
		}
	}
	note()
	_, err = s.KeepNight(t.Context(), night.AddDate(0, 0, 20), 3)
	check(t, err)
	if got := names(); got != "09 29 28" {
		t.Errorf("of three the nights kept are %s", got)
	}
	if err := CheckFile(t.Context(), hand); err != nil {
		t.Errorf("the copy made by hand: %v", err)
	}
}

// Damage anywhere is told before anything is written, with the newest copy that is whole.
func TestDamageIsToldWithTheNewestWholeCopy(t *testing.T) {
	dir := t.TempDir()
	s := open(t, dir)
	lay(t, s, 300)
	first, err := s.KeepByHand(t.Context(), time.Now().Add(-time.Hour))
	check(t, err)
	second, err := s.KeepByHand(t.Context(), time.Now())
	check(t, err)
	check(t, s.Close())
	path := filepath.Join(dir, FileName)
	sound, err := os.ReadFile(path)
	check(t, err)
	rng := rand.New(rand.NewPCG(3, 4))
	told := 0
	for range 24 {
		damaged := append([]byte{}, sound...)
		for range 30 {
			damaged[100+rng.IntN(len(damaged)-100)] ^= byte(1 + rng.IntN(255))
		}
		check(t, os.WriteFile(path, damaged, 0o600))
		opened, err := Open(t.Context(), dir)
		var damage DamageError
		if errors.As(err, &damage) {
			told++
			if damage.Copy != second || !strings.Contains(err.Error(), "restore "+second) {
				t.Errorf("it says %v", err)
			}
			after, err := os.ReadFile(path)
			check(t, err)
			if string(after) != string(damaged) {
				t.Error("a damaged file was written to")
			}
		} else if err != nil {
			t.Errorf("another error: %v", err)
		} else {
			check(t, opened.Close()) // the bytes lay where nothing is kept
		}
	}
	if told < 20 {
		t.Errorf("%d of 24 damaged files were told", told)
	}
	// A damaged copy is passed over.
	check(t, os.WriteFile(second, []byte("no database"), 0o600))
	check(t, os.WriteFile(path, sound[:len(sound)/2], 0o600))
	var damage DamageError
	if _, err := Open(t.Context(), dir); !errors.As(err, &damage) || damage.Copy != first {
		t.Errorf("with the newest copy damaged it says %v", err)
	}
}

// A folder may be called whatever its owner likes.
func TestAnyFolderAndFileNameWillDo(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "Ida's plot? 100% #1 & ä 薄荷")
	s := open(t, dir)
	lay(t, s, 2)
	copied := filepath.Join(t.TempDir(), "copy?mode=memory#%41.db")
	check(t, s.BackUp(t.Context(), copied))
	if _, err := os.Stat(copied); err != nil {
		t.Fatal(err)
	}
	_, err := s.KeepNight(t.Context(), time.Now(), 7)
	check(t, err)
	check(t, s.Close())
	if _, err := Restore(t.Context(), copied, dir); err != nil {
		t.Fatal(err)
	}
	if got := beds(t, open(t, dir)); got != 2 {
		t.Errorf("%d beds", got)
	}
	entries, err := os.ReadDir(filepath.Dir(dir))
	if err != nil || len(entries) != 1 {
		t.Errorf("beside it lie %v, %v", entries, err)
	}
}

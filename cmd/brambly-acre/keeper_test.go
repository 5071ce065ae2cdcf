package main

import (
	"io"
	"log/slog"
	"os"
	"path/filepath"
	"testing"
	"time"

	"bramblyacre/garden/household"
	"bramblyacre/store"
)

// While a plot is served, what was noted is in the one file soon after, every night has its
// copy, and a copy that cannot be kept is told and made up for.
func TestTheKeeperLooksAfterTheFile(t *testing.T) {
	dir := t.TempDir()
	p := plotFolder{dir: dir}
	g, s, err := p.open(t.Context())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	k := newKeeper(g, s, false, slog.New(slog.NewTextHandler(io.Discard, nil)))
	night := time.Date(2031, 5, 20, 22, 0, 0, 0, time.Local)
	note := func(name string) {
		t.Helper()
		_, err := g.Household.PutPerson(t.Context(), 0, "", household.PersonInput{Name: name, Circumstances: []string{}})
		check(t, err)
	}
	inTheFile := func() int {
		t.Helper()
		text, err := os.ReadFile(filepath.Join(dir, store.FileName))
		check(t, err)
		alone := t.TempDir()
		check(t, os.WriteFile(filepath.Join(alone, store.FileName), text, 0o600))
		read, err := store.OpenToRead(t.Context(), alone)
		check(t, err)
		defer func() { check(t, read.Close()) }()
		people, err := read.ListPeople(t.Context())
		check(t, err)
		return len(people)
	}
	note("Ida")
	if got := inTheFile(); got != 0 {
		t.Fatalf("%d people are in the file before anything was folded in: the test shows nothing", got)
	}
	k.look(t.Context(), night)
	k.look(t.Context(), night.Add(lookEvery))
	if got := inTheFile(); got != 1 {
		t.Errorf("after two looks %d people are in the file", got)
	}
	note("Joss")
	k.look(t.Context(), night.AddDate(0, 0, 1))
	nights := func() (count int) {
		t.Helper()
		copies, err := store.Copies(dir)
		check(t, err)
		for _, c := range copies {
			if c.Night {
				count++
			}
		}
		return count
	}
	if got := nights(); got != 2 {
		t.Errorf("%d nights are kept", got)
	}
	// A file lies where the folder of copies has to be.
	check(t, os.Rename(filepath.Join(dir, "copies"), filepath.Join(dir, "away")))
	check(t, os.WriteFile(filepath.Join(dir, "copies"), nil, 0o600))
	note("Kit")
	k.look(t.Context(), night.AddDate(0, 0, 2))
	if v, err := g.Household.Copies(t.Context()); err != nil || v.Trouble == "" {
		t.Errorf("a night without its copy is told as %q, %v", v.Trouble, err)
	}
	check(t, os.Remove(filepath.Join(dir, "copies")))
	check(t, os.Rename(filepath.Join(dir, "away"), filepath.Join(dir, "copies")))
	k.look(t.Context(), night.AddDate(0, 0, 2))
	if v, err := g.Household.Copies(t.Context()); err != nil || v.Trouble != "" || nights() != 3 {
		t.Errorf("made up for it says %q with %d nights, %v", v.Trouble, nights(), err)
	}
}

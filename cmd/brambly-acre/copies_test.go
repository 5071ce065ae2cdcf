package main

import (
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"bramblyacre/garden/household"
	"bramblyacre/garden/now"
)

// people notes so many people, each acknowledged.
func (s *process) people(t testing.TB, names ...string) {
	t.Helper()
	for _, name := range names {
		if status, err := s.post("/api/people", household.PersonInput{Name: name, Circumstances: []string{}}); err != nil || status != http.StatusOK {
			t.Fatalf("%s: %d, %v", name, status, err)
		}
	}
}

func (s *process) household(t testing.TB) (names []string) {
	t.Helper()
	var household household.HouseholdView
	s.get(t, "/api/household", &household)
	for _, p := range household.People {
		names = append(names, p.Name)
	}
	return names
}

// A plot is copied while it is served, lost, and restored; what was there is kept.
func TestAPlotIsBackedUpWhileItIsServedAndRestored(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "plot")
	s := start(t, "serve", "--data", dir)
	if len(s.notes) != 1 || s.notes[0] != "A new plot was made in "+dir+"." {
		t.Errorf("it says %q", s.notes)
	}
	s.people(t, "Ida", "Joss")
	copied := filepath.Join(t.TempDir(), "copy.db")
	if status, out, errs := run(t, "backup", copied, "--data", dir); status != 0 || !strings.Contains(out, "the copy is whole") {
		t.Fatalf("backup: %d, %q, %q", status, out, errs)
	}
	s.people(t, "Kit")
	if status, out, errs := run(t, "check", "--data", dir); status != 0 || !strings.Contains(out, "3 rows are as the 3 entries") {
		t.Errorf("check: %d, %q, %q", status, out, errs)
	}
	for _, args := range [][]string{{"restore", copied}, {"import", "plan", copied}} {
		if status, _, errs := run(t, append(args, "--data", dir)...); status != 1 || !strings.Contains(errs, "is open in another program") {
			t.Errorf("%s while it is served: %d, %q", args[0], status, errs)
		}
	}
	if status, _, errs := run(t, "serve", "--data", dir, "--addr", "127.0.0.1:0"); status != 1 || !strings.Contains(errs, "is open in another program") {
		t.Errorf("served twice: %d, %q", status, errs)
	}
	s.stop(t)
	status, out, errs := run(t, "restore", copied, "--data", dir)
	_, kept, found := strings.Cut(strings.TrimSpace(out), "is kept as ")
	if status != 0 || !found {
		t.Fatalf("restore: %d, %q, %q", status, out, errs)
	}
	s = start(t, "serve", "--data", dir)
	if names := s.household(t); strings.Join(names, " ") != "Ida Joss" {
		t.Errorf("restored there are %q", names)
	}
	s.stop(t)
	if status, _, errs := run(t, "restore", strings.TrimSuffix(kept, "."), "--data", dir); status != 0 {
		t.Fatalf("what was kept: %d, %q", status, errs)
	}
	s = start(t, "serve", "--data", dir)
	if names := s.household(t); strings.Join(names, " ") != "Ida Joss Kit" {
		t.Errorf("as it was there are %q", names)
	}
	var copies household.CopiesView
	s.get(t, "/api/copies", &copies)
	if len(copies.Copies) < 3 || copies.Kept != 7 || !copies.Copies[0].Night && !copies.Copies[1].Night && !copies.Copies[2].Night {
		t.Errorf("the copies are %+v", copies)
	}
	if status, err := s.post("/api/copies", nil); err != nil || status != http.StatusOK {
		t.Errorf("a copy by hand: %d, %v", status, err)
	}
}

// The file that is served is never a target, and what fails leaves what was there.
func TestAnExportNeverHurtsAFile(t *testing.T) {
	dir := t.TempDir()
	s := start(t, "serve", "--data", dir)
	s.people(t, "Ida", "Joss")
	for _, served := range []bool{true, false} {
		if !served {
			s.stop(t)
		}
		link := filepath.Join(t.TempDir(), "link.db")
		check(t, os.Symlink(filepath.Join(dir, "acre.db"), link))
		for _, target := range []string{filepath.Join(dir, "acre.db"), dir + "/./acre.db", filepath.Join(dir, "acre.db-wal"), link} {
			for _, args := range [][]string{{"export", "pickings", "--out", target}, {"backup", target}} {
				if status, _, errs := run(t, append(args, "--data", dir)...); status != 1 || !strings.Contains(errs, "is the plot itself") {
					t.Errorf("%v: %d, %q", args, status, errs)
				}
			}
		}
		keep := filepath.Join(t.TempDir(), "keep.toml")
		check(t, os.WriteFile(keep, []byte("mine"), 0o600))
		if status, _, _ := run(t, "export", "plant", "nosuch", "--out", keep, "--data", dir); status != 1 {
			t.Errorf("no such plant: %d", status)
		}
		if text, err := os.ReadFile(keep); err != nil || string(text) != "mine" {
			t.Errorf("the file that was there is %q, %v", text, err)
		}
		if left, err := os.ReadDir(filepath.Dir(keep)); err != nil || len(left) != 1 {
			t.Errorf("%d files are left, %v", len(left), err)
		}
	}
	s = start(t, "serve", "--data", dir)
	if names := s.household(t); len(names) != 2 {
		t.Errorf("there are %q", names)
	}
}

// A plot that was ever served in earnest is never made anew as the sample.
func TestDemoLeavesAPlotAloneThatWasEverServed(t *testing.T) {
	dir := t.TempDir()
	s := start(t, "demo", "--data", dir)
	if status, _, errs := run(t, "demo", "--data", dir, "--addr", "127.0.0.1:0"); status != 1 || !strings.Contains(errs, "is open in another program") {
		t.Errorf("a second demo: %d, %q", status, errs)
	}
	s.stop(t)
	if status, _, _ := run(t, "demo", "--data", dir, "--addr", "0.0.0.0:0"); status != 2 {
		t.Errorf("at an address for everybody: %d", status)
	}
	if _, err := os.Stat(filepath.Join(dir, "acre.db")); err != nil {
		t.Errorf("a refused demo took the plot away: %v", err)
	}
	s = start(t, "serve", "--data", dir)
	if len(s.notes) != 1 || !strings.Contains(s.notes[0], "is your own from now on") {
		t.Errorf("it says %q", s.notes)
	}
	s.people(t, "Zelda")
	s.stop(t)
	if status, _, errs := run(t, "demo", "--data", dir, "--addr", "127.0.0.1:0"); status != 1 || !strings.Contains(errs, "not the sample") {
		t.Errorf("demo over it: %d, %q", status, errs)
	}
	s = start(t, "serve", "--data", dir)
	if names := s.household(t); !strings.Contains(strings.Join(names, " "), "Zelda") {
		t.Errorf("there are %q", names)
	}
}

func TestOnlyThisMachineIsServed(t *testing.T) {
	for _, address := range []string{"0.0.0.0:0", ":0", "[::]:0", "192.0.2.7:0", "plot.lan:0", "8420"} {
		status, out, errs := run(t, "serve", "--data", t.TempDir(), "--addr", address)
		if status != 2 || out != "" || !strings.Contains(errs, "--addr") || strings.Count(errs, "\n") != 1 {
			t.Errorf("%s: %d, %q, %q", address, status, out, errs)
		}
	}
	if ownAddress == sampleAddress {
		t.Error("the sample plot and one's own are served at one address")
	}
}

// A plot is written as an archive while it is served, looked at, and read into another
// folder: all of it, or nothing.
func TestAPlotGoesThereAndBackAsAnArchive(t *testing.T) {
	dir, elsewhere := t.TempDir(), filepath.Join(t.TempDir(), "new")
	s := start(t, "demo", "--data", dir)
	file := filepath.Join(t.TempDir(), "plot.zip")
	if status, _, errs := run(t, "export", "archive", "--data", dir, "--out", file); status != 0 {
		t.Fatalf("export archive: %d, %q", status, errs)
	}
	answer, err := http.Get(s.url + "/api/files/archive")
	check(t, err)
	if answer.StatusCode != http.StatusOK || answer.Header.Get("Content-Type") != "application/zip" || answer.ContentLength < 10_000 {
		t.Errorf("from the page it is %s, %v, %d bytes", answer.Status, answer.Header, answer.ContentLength)
	}
	check(t, answer.Body.Close())
	if status, _, errs := run(t, "import", "archive", file, "--data", dir); status != 1 || !strings.Contains(errs, "is open in another program") {
		t.Errorf("read over a plot that is served: %d, %q", status, errs)
	}
	s.stop(t)
	status, out, errs := run(t, "import", "archive", file, "--data", elsewhere, "--preview")
	if status != 0 || !strings.Contains(out, "in plantings") || !strings.Contains(out, "Nothing was read in") {
		t.Errorf("the preview: %d, %q, %q", status, out, errs)
	}
	if _, err := os.Stat(elsewhere); err == nil {
		t.Error("the preview made a folder")
	}
	if status, out, errs = run(t, "import", "archive", file, "--data", elsewhere); status != 0 || !strings.Contains(out, "Read the plot") {
		t.Fatalf("import archive: %d, %q, %q", status, out, errs)
	}
	left, err := os.ReadDir(elsewhere)
	if err != nil || len(left) != 2 { // the plot and its lock
		t.Errorf("%v are left, %v", left, err)
	}
	if status, out, errs := run(t, "check", "--data", elsewhere); status != 0 || !strings.Contains(out, "is whole") {
		t.Errorf("check: %d, %q, %q", status, out, errs)
	}
	s = start(t, "serve", "--data", elsewhere, "--today", "2031-05-27")
	var now now.NowView
	s.get(t, "/api/now", &now)
	if len(now.Open) == 0 {
		t.Error("there is nothing to do in it")
	}
	s.stop(t)
	text, err := os.ReadFile(file)
	check(t, err)
	check(t, os.WriteFile(file, text[:len(text)/2], 0o600))
	before, err := os.ReadFile(filepath.Join(elsewhere, "acre.db"))
	check(t, err)
	if status, _, errs := run(t, "import", "archive", file, "--data", elsewhere); status != 1 || !strings.Contains(errs, "no whole ZIP") {
		t.Errorf("half an archive: %d, %q", status, errs)
	}
	if after, err := os.ReadFile(filepath.Join(elsewhere, "acre.db")); err != nil || string(after) != string(before) {
		t.Errorf("half an archive changed the plot, %v", err)
	}
}

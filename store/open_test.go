package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"syscall"
	"testing"
	"testing/fstest"
	"time"

	"github.com/pressly/goose/v3"
)

func open(t *testing.T, dir string) *Store {
	t.Helper()
	s, err := Open(t.Context(), dir)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() }) // some tests close it themselves
	return s
}

func pragma(t *testing.T, s *Store, name string) (value string) {
	t.Helper()
	if err := s.db.QueryRowContext(t.Context(), "PRAGMA "+name).Scan(&value); err != nil {
		t.Fatal(err)
	}
	return value
}

var bed = PutBedParams{Name: "Long Bed", WidthM: 8, DepthM: 1, SunHours: new(6.0), Moisture: "moist", Shape: "rectangle", Points: "[]"}

func TestOpenHoldsToTheAgreedSettings(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "new", "folder")
	s := open(t, dir)
	for name, want := range map[string]string{"foreign_keys": "1", "journal_mode": "wal", "synchronous": "2"} {
		if got := pragma(t, s, name); got != want {
			t.Errorf("%s is %s, want %s", name, got, want)
		}
	}
	if info, err := os.Stat(filepath.Join(dir, FileName)); err != nil || info.Size() == 0 {
		t.Errorf("the database is %v, %v", info, err)
	}
}

func TestWhatWasWrittenIsThereWhenOpenedAgain(t *testing.T) {
	dir := t.TempDir()
	first := open(t, dir)
	written, err := first.PutBed(t.Context(), bed)
	if err != nil {
		t.Fatal(err)
	}
	if err := first.Close(); err != nil {
		t.Fatal(err)
	}
	read, err := open(t, dir).GetBed(t.Context(), written.ID)
	if err != nil || !reflect.DeepEqual(read, written) {
		t.Errorf("read %+v, %v; wrote %+v", read, err, written)
	}
}

func TestAFailedTransactionWritesNothing(t *testing.T) {
	s := open(t, t.TempDir())
	fault := errors.New("second thoughts")
	err := s.InTransaction(t.Context(), func(q *Queries) error {
		if _, err := q.PutBed(t.Context(), bed); err != nil {
			return err
		}
		return fault
	})
	if !errors.Is(err, fault) {
		t.Errorf("the error is %v", err)
	}
	ctx, cancel := context.WithCancel(t.Context())
	err = s.InTransaction(ctx, func(q *Queries) error {
		_, err := q.PutBed(ctx, bed)
		cancel()
		return err
	})
	if err == nil {
		t.Error("a cancelled transaction was committed")
	}
	beds, err := s.ListBeds(t.Context())
	if err != nil || len(beds) != 0 {
		t.Errorf("%d beds were written, %v", len(beds), err)
	}
}

func TestRowsThatCannotBeAreRefusedByTheDatabase(t *testing.T) {
	s := open(t, t.TempDir())
	ctx := t.Context()
	planting := PutPlantingParams{BedID: 77, SpeciesID: "hop", Plants: 1, Identity: "sure"}
	if _, err := s.PutPlanting(ctx, planting); err == nil || !strings.Contains(err.Error(), "FOREIGN KEY") {
		t.Errorf("a planting in no bed gives %v", err)
	}
	wrong := bed
	wrong.SunHours = new(30.0)
	if _, err := s.PutBed(ctx, wrong); err == nil || !strings.Contains(err.Error(), "CHECK") {
		t.Errorf("30 hours of sun give %v", err)
	}
	if _, err := s.PutSite(ctx, PutSiteParams{ID: 2, Units: "metric", WidthM: 1, DepthM: 1}); err == nil {
		t.Error("a second site was written")
	}
	laid, err := s.PutBed(ctx, bed)
	if err != nil {
		t.Fatal(err)
	}
	planting.BedID = laid.ID
	if _, err := s.PutPlanting(ctx, planting); err != nil {
		t.Fatal(err)
	}
	if err := s.DropBed(ctx, laid.ID); err == nil {
		t.Error("a bed was dropped from under its planting")
	}
}

func TestPutWritesANewRowOrTheWholeOfAnOldOne(t *testing.T) {
	s := open(t, t.TempDir())
	first, err := s.PutBed(t.Context(), bed)
	if err != nil {
		t.Fatal(err)
	}
	second, err := s.PutBed(t.Context(), bed)
	if err != nil || second.ID == first.ID {
		t.Fatalf("the second bed is %d, %v", second.ID, err)
	}
	changed := bed
	changed.ID, changed.Name = &first.ID, "Renamed"
	if _, err := s.PutBed(t.Context(), changed); err != nil {
		t.Fatal(err)
	}
	beds, err := s.ListBeds(t.Context())
	if err != nil || len(beds) != 2 || beds[0].Name != "Renamed" || beds[1].Name != "Long Bed" {
		t.Errorf("the beds are %+v, %v", beds, err)
	}
}

func TestAFileThatIsNoDatabaseIsRefused(t *testing.T) {
	dir := t.TempDir()
	path := filepath.Join(dir, FileName)
	if err := os.WriteFile(path, []byte(strings.Repeat("not a database ", 100)), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := Open(t.Context(), dir); err == nil || !strings.Contains(err.Error(), FileName) {
		t.Errorf("it was opened: %v", err)
	}
}

// A plot from before shapes and plans keeps its beds: rectangles, with the hours of
// sun that their grower gave.
func TestAnOlderPlotIsBroughtForward(t *testing.T) {
	dir := olderPlot(t)
	older, err := os.ReadFile(filepath.Join(dir, FileName))
	check(t, err)
	// Read, it stays as it is: a copy of it is brought forward.
	read, err := OpenToRead(t.Context(), dir)
	check(t, err)
	if id, err := read.PlotID(t.Context()); err != nil || len(id) != 32 || beds(t, read) != 1 {
		t.Errorf("read it is %q with %d beds, %v", id, beds(t, read), err)
	}
	check(t, read.Close())
	if still, err := os.ReadFile(filepath.Join(dir, FileName)); err != nil || string(still) != string(older) {
		t.Errorf("to read it changed it, %v", err)
	}
	s := open(t, dir)
	bed, err := s.GetBed(t.Context(), 1)
	if err != nil || bed.SunHours == nil || *bed.SunHours != 6.5 || bed.Shape != "rectangle" || bed.Points != "[]" || bed.Unsafe != "pet ground" || bed.RoundOrder != 2 {
		t.Errorf("the bed is now %+v, %v", bed, err)
	}
	if site, err := s.GetSite(t.Context()); err != nil || site.Boundary != "[]" || site.BearingDeg != 0 || site.Longitude != nil || site.CopiesKept != 7 {
		t.Errorf("the site is now %+v, %v", site, err)
	}
	if plantings, err := s.ListPlantings(t.Context()); err != nil || len(plantings) != 1 {
		t.Errorf("%d plantings are left, %v", len(plantings), err)
	}
	// Ids go on where they were, also past those that only the ledger still speaks of.
	for table, want := range map[string]int64{"beds": 8, "plantings": 2, "looks": 1} {
		if id, err := s.NextID(t.Context(), table); err != nil || id != want {
			t.Errorf("the next of %s is %d, not %d, %v", table, id, want, err)
		}
	}
	// It was copied before, and says so; the copy is what it was.
	copies, err := Copies(dir)
	if err != nil || len(copies) != 1 || !strings.Contains(copies[0].Name, "before-form-1-to-") {
		t.Fatalf("the copies are %+v, %v", copies, err)
	}
	if len(s.Notes) != 1 || !strings.Contains(s.Notes[0], copies[0].Path) {
		t.Errorf("it says %q", s.Notes)
	}
	db, err := sql.Open("sqlite", copies[0].Path)
	check(t, err)
	var name string
	check(t, db.QueryRowContext(t.Context(), "SELECT name FROM beds WHERE sun_hours = 6.5").Scan(&name))
	check(t, db.Close())
	check(t, s.Close())
	if again := open(t, dir); len(again.Notes) != 0 {
		t.Errorf("opened again it says %q", again.Notes)
	}
}

// A plot of a newer program is not touched, by those that write nor by those that read.
func TestANewerPlotIsRefused(t *testing.T) {
	dir := t.TempDir()
	s := open(t, dir)
	_, err := s.db.ExecContext(t.Context(), "INSERT INTO goose_db_version (version_id, is_applied) VALUES (999, 1)")
	check(t, err)
	check(t, s.Close())
	before, err := os.ReadFile(filepath.Join(dir, FileName))
	check(t, err)
	var newer NewerError
	if _, err := Open(t.Context(), dir); !errors.As(err, &newer) || !strings.Contains(err.Error(), "newer program") {
		t.Errorf("opened: %v", err)
	}
	if _, err := OpenToRead(t.Context(), dir); !errors.As(err, &newer) {
		t.Errorf("read: %v", err)
	}
	if _, err := Restore(t.Context(), filepath.Join(dir, FileName), t.TempDir()); !errors.As(err, &newer) {
		t.Errorf("restored: %v", err)
	}
	if after, err := os.ReadFile(filepath.Join(dir, FileName)); err != nil || string(after) != string(before) {
		t.Errorf("it was changed, %v", err)
	}
}

func TestANewPlotSaysThatItIsOne(t *testing.T) {
	missing, empty := filepath.Join(t.TempDir(), "mistyped"), t.TempDir()
	check(t, os.WriteFile(filepath.Join(empty, FileName), nil, 0o600))
	for dir, says := range map[string]string{missing: "A new plot was made in " + missing, empty: "was empty: a new plot was made in it"} {
		s := open(t, dir)
		if len(s.Notes) != 1 || !strings.Contains(s.Notes[0], says) {
			t.Errorf("it says %q, not %q", s.Notes, says)
		}
		_, err := s.KeepByHand(t.Context(), time.Now())
		check(t, err)
		check(t, s.Close())
		if again := open(t, dir); len(again.Notes) != 0 {
			t.Errorf("opened again it says %q", again.Notes)
		} else {
			check(t, again.Close())
		}
		// Where the file went and copies of it lie there, it names the newest.
		check(t, os.Remove(filepath.Join(dir, FileName)))
		if again := open(t, dir); len(again.Notes) != 1 || !strings.Contains(again.Notes[0], "by-hand-") {
			t.Errorf("with its file gone it says %q", again.Notes)
		}
	}
	if _, err := OpenToRead(t.Context(), filepath.Join(missing, "deeper")); err == nil || !strings.Contains(err.Error(), "there is no plot in") {
		t.Errorf("read where nothing is: %v", err)
	}
}

// Nobody else on the machine can read a plot, its log or its copies.
func TestAPlotIsClosedToOthers(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "plot")
	check(t, os.Mkdir(dir, 0o755))
	check(t, os.WriteFile(filepath.Join(dir, FileName), nil, 0o644))
	check(t, os.Chmod(filepath.Join(dir, FileName), 0o644))
	s := open(t, dir)
	lay(t, s, 1)
	_, err := s.KeepByHand(t.Context(), time.Now())
	check(t, err)
	check(t, filepath.WalkDir(dir, func(path string, entry os.DirEntry, err error) error {
		check(t, err)
		info, err := entry.Info()
		check(t, err)
		want := os.FileMode(fileMode)
		if entry.IsDir() {
			want = folderMode
		}
		if info.Mode().Perm() != want {
			t.Errorf("%s is %v, not %v", path, info.Mode().Perm(), want)
		}
		return nil
	}))
}

// What the disk does not take in is told in a grower's words.
func TestAFullDiskIsToldAsSuch(t *testing.T) {
	s := open(t, t.TempDir())
	lay(t, s, 1)
	s.db.SetMaxOpenConns(1)
	var pages int
	check(t, s.db.QueryRowContext(t.Context(), "PRAGMA page_count").Scan(&pages))
	_, err := s.db.ExecContext(t.Context(), fmt.Sprintf("PRAGMA max_page_count = %d", pages+2))
	check(t, err)
	for range 2000 {
		if _, err = s.PutBed(t.Context(), bed); err != nil {
			break
		}
	}
	if why, is := DiskFault(fmt.Errorf("write beds: %w", err)); !is || !strings.Contains(why, "disk that the plot is kept on is full") {
		t.Errorf("%v is told as %q", err, why)
	}
	if got := beds(t, s); got == 0 {
		t.Error("what was there is gone")
	}
	if why, is := DiskFault(&os.PathError{Op: "write", Path: "x", Err: syscall.EROFS}); !is || !strings.Contains(why, "cannot be written to") {
		t.Errorf("a read-only disk is told as %q", why)
	}
	if _, is := DiskFault(sql.ErrNoRows); is {
		t.Error("no rows are told as a full disk")
	}
}

// olderPlot is a folder with a plot as the first program left it.
func olderPlot(t *testing.T) string {
	t.Helper()
	dir := t.TempDir()
	db, err := sql.Open("sqlite", filepath.Join(dir, FileName))
	if err != nil {
		t.Fatal(err)
	}
	first, err := migrations.ReadFile("migrations/00001_garden.sql")
	if err != nil {
		t.Fatal(err)
	}
	provider, err := goose.NewProvider(goose.DialectSQLite3, db, fstest.MapFS{"00001_garden.sql": {Data: first}})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := provider.Up(t.Context()); err != nil {
		t.Fatal(err)
	}
	for _, statement := range []string{
		`INSERT INTO beds VALUES (1, 'Old Bed', 4, 3, 2, 1, 30, 6.5, 'moist', 'pet ground', 'kept', 2, NULL)`,
		`INSERT INTO plantings VALUES (1, 1, 'lovage', 3, NULL, '2029-01-01', '2029-01-01', 'seed', 'sure', '', '', NULL)`,
		`INSERT INTO site VALUES (1, 'Acre', 46.6, 640, 'hill-valley', 30, 20, 'metric', 14)`,
		`INSERT INTO ledger VALUES (1, '2029-01-01T08:00:00Z', '2029-01-01', 'bed', 'Laid out a bed', 7, NULL, '[{"table":"beds","id":7,"before":null,"after":{"id":7}}]', NULL, NULL)`,
	} {
		if _, err := db.ExecContext(t.Context(), statement); err != nil {
			t.Fatal(err)
		}
	}
	if err := db.Close(); err != nil {
		t.Fatal(err)
	}
	return dir
}

package store

import (
	"context"
	"database/sql"
	"errors"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"
	"testing/fstest"

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
	} {
		if _, err := db.ExecContext(t.Context(), statement); err != nil {
			t.Fatal(err)
		}
	}
	if err := db.Close(); err != nil {
		t.Fatal(err)
	}
	s := open(t, dir)
	bed, err := s.GetBed(t.Context(), 1)
	if err != nil || bed.SunHours == nil || *bed.SunHours != 6.5 || bed.Shape != "rectangle" || bed.Points != "[]" || bed.Unsafe != "pet ground" || bed.RoundOrder != 2 {
		t.Errorf("the bed is now %+v, %v", bed, err)
	}
	if site, err := s.GetSite(t.Context()); err != nil || site.Boundary != "[]" || site.BearingDeg != 0 || site.Longitude != nil {
		t.Errorf("the site is now %+v, %v", site, err)
	}
	if plantings, err := s.ListPlantings(t.Context()); err != nil || len(plantings) != 1 {
		t.Errorf("%d plantings are left, %v", len(plantings), err)
	}
}

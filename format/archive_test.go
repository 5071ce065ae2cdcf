package format

import (
	"archive/zip"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"io"
	"io/fs"
	"maps"
	"os"
	"path/filepath"
	"reflect"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/demo"
	"bramblyacre/demo/demotest"
	"bramblyacre/garden"
	"bramblyacre/garden/household"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
	"bramblyacre/library"
	"bramblyacre/store"
)

// gardenIn opens the plot in a folder.
func gardenIn(t *testing.T, dir string) *garden.Garden {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), dir)
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	noon := func() time.Time { return demo.Today.Time().Add(12 * time.Hour) }
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &demo.Today, Clock: noon, Seasons: 8})
	check(t, err)
	return g
}

func everyTable(t *testing.T, g *garden.Garden) map[string]store.Table {
	t.Helper()
	all := map[string]store.Table{}
	check(t, g.Plot.Store.EveryTable(t.Context(), func(table store.Table) error {
		all[table.Name] = table
		return nil
	}))
	return all
}

func archiveOf(t *testing.T, g *garden.Garden) []byte {
	t.Helper()
	var out bytes.Buffer
	check(t, WriteArchive(t.Context(), g, &out))
	return out.Bytes()
}

// backAgain reads an archive into an empty folder and opens what came of it.
func backAgain(t *testing.T, text []byte) *garden.Garden {
	t.Helper()
	a, err := ReadArchive(bytes.NewReader(text), int64(len(text)))
	check(t, err)
	dir := t.TempDir()
	check(t, a.BuildPlot(t.Context(), dir))
	return gardenIn(t, dir)
}

// sameTables compares two plots row by row over every table there is.
func sameTables(t *testing.T, was, is map[string]store.Table) (rows int) {
	t.Helper()
	if !slices.Equal(slices.Sorted(maps.Keys(was)), slices.Sorted(maps.Keys(is))) {
		t.Fatalf("the tables are %v and were %v", slices.Sorted(maps.Keys(is)), slices.Sorted(maps.Keys(was)))
	}
	for name, table := range was {
		other := is[name]
		if !reflect.DeepEqual(table.Columns, other.Columns) || len(table.Rows) != len(other.Rows) {
			t.Errorf("%s has %d rows of %d, columns %v", name, len(other.Rows), len(table.Rows), other.Columns)
			continue
		}
		for i := range table.Rows {
			if rows++; !reflect.DeepEqual(table.Rows[i], other.Rows[i]) {
				t.Errorf("%s, row %d, is %v and was %v", name, i, other.Rows[i], table.Rows[i])
			}
		}
	}
	return rows
}

// hostileTexts are texts that a table in a file could be broken by.
var hostileTexts = []string{
	"=1+1", "'quoted", `\N`, `back\slash`, "\r\nlines\rof\nall kinds", `"quotes", and commas`, "薄荷 🌿", "", " blanks ", "\ttab", "'", `\`, `\r`, "'=", "-5", "nan",
}

// An archive of the sample plot, with whatever texts somebody could write in it, comes back
// as an equal plot: row by row over every table, and in all that is shown.
func TestAnArchiveOfTheSamplePlotComesBackEqual(t *testing.T) {
	g := gardenIn(t, demotest.Dir(t))
	ctx := t.Context()
	for i, text := range hostileTexts {
		_, err := g.Household.PutPerson(ctx, 0, "", household.PersonInput{Name: fmt.Sprint("Person ", i), Circumstances: []string{}, Note: text})
		check(t, err)
		_, err = g.Plants.AddPlantNote(ctx, "hop", plants.PlantNoteInput{Kind: "note", Author: text, Text: "says " + text})
		check(t, err)
	}
	copied, err := g.Plants.CopyOf(ctx, "garden-sorrel")
	check(t, err)
	_, _, err = g.Plants.PutOwnPlant(ctx, say.AsItStands, plants.PlantFileInput{Text: strings.ReplaceAll(copied.Text, "\n", "\r\n")})
	check(t, err)
	var picture bytes.Buffer
	check(t, png.Encode(&picture, image.NewGray(image.Rect(0, 0, 9, 9))))
	_, err = g.Identity.KeepPhotograph(ctx, picture.Bytes())
	check(t, err)
	// What is left is written as rows.
	q := g.Plot.Store.Queries
	_, err = q.PutMaking(ctx, store.PutMakingParams{PickingID: 1, Day: "2031-05-27", Preparation: "tea", Note: hostileTexts[4]})
	check(t, err)
	_, err = q.PutOwnFigure(ctx, store.PutOwnFigureParams{SpeciesID: "hop", Key: "size.height", Figure: "480 (400 to 500) cm measured", Was: "-"})
	check(t, err)
	_, err = q.PutFind(ctx, store.PutFindParams{Day: "2031-05-27", Place: "=here", SpeciesID: "hop", Seen: "{}"})
	check(t, err)
	_, err = q.PutJobAnswer(ctx, store.PutJobAnswerParams{PlantingID: 1, JobKey: "care:1:x:2031", Answer: "skip", Day: "2031-05-27"})
	check(t, err)
	_, err = q.PutMeasure(ctx, store.PutMeasureParams{Name: "bowl", SpeciesID: "hop", Part: "cone", Grams: 1.0 / 3})
	check(t, err)
	_, err = q.PutCustomDay(ctx, store.PutCustomDayParams{Name: hostileTexts[1], Month: 2, Day: 29, SpeciesID: "hop", Part: "cone"})
	check(t, err)
	_, err = q.PutFirstTaste(ctx, store.PutFirstTasteParams{PersonID: 1, SpeciesID: "hop", Part: "cone", Day: "2031-05-27"})
	check(t, err)
	_, err = q.PutRootStand(ctx, store.PutRootStandParams{SpeciesID: "valerian", BedID: 1, School: "part", Survival: new(1.0 / 3), Take: new(int64(2))})
	check(t, err)
	_, err = q.PutSeasonPlan(ctx, store.PutSeasonPlanParams{Season: "2031-01-01", Name: hostileTexts[3], MadeOn: "2031-05-27", Picks: "[]", Worth: 1.0 / 3, Bound: 0.5, Problem: "="})
	check(t, err)
	_, err = q.PutLotStep(ctx, store.PutLotStepParams{LotID: 1, Step: "=shake", Day: "2031-05-27"})
	check(t, err)
	_, err = q.PutLarderSettings(ctx, store.PutLarderSettingsParams{ID: new(int64(1)), Address: "http://127.0.0.1:1"})
	check(t, err)
	_, err = q.PutPractice(ctx, store.PutPracticeParams{SpeciesID: "hop", OtherID: "bryony", Box: 1, Due: "2031-05-28", Last: "2031-05-27"})
	check(t, err)
	_, err = g.Weather.TypeReading(ctx, say.AsItStands, weather.DayReadingInput{Day: "2031-05-20", Low: "1.5 °C", Note: hostileTexts[5]})
	check(t, err)
	_, err = g.Weather.NoteWatering(ctx, 1, weather.WateringInput{Day: "2031-05-20", Amount: "20 l", Note: hostileTexts[2]})
	check(t, err)
	_, err = g.Weather.NoteFeel(ctx, 1, weather.FeelInput{Day: "2031-05-20", Feel: "moist"})
	check(t, err)
	_, err = g.Weather.SetWater(ctx, say.AsItStands, weather.WaterSettingsInput{Flow: "9 l"})
	check(t, err)
	hills, err := fs.ReadFile(library.Files(), "climates/hill-valley.toml")
	check(t, err)
	_, err = q.PutOwnClimate(ctx, store.PutOwnClimateParams{Text: strings.Replace(string(hills), `id = "hill-valley"`, `id = "own"`, 1)})
	check(t, err)
	g.Forget() // what is written past the journal is not told to the plot
	planting, err := g.Place.Planting(ctx, 1, plot.NoDay)
	check(t, err)
	_, err = g.Now.NoteObservation(ctx, 1, now.ObservationInput{Day: demo.Today.String(), Stage: planting.Expected.String(), ClientKey: "a key"})
	check(t, err)

	check(t, g.KeepStationDays(ctx))
	was := everyTable(t, g)
	for name, table := range was {
		if len(table.Rows) == 0 {
			t.Errorf("nothing is in %s: the test says nothing of it", name)
		}
	}
	text := archiveOf(t, g)
	again := backAgain(t, text)
	rows := sameTables(t, was, everyTable(t, again))
	replayed, err := again.ReplayLedger(ctx)
	if err != nil || len(replayed.Apart) > 0 || replayed.Entries < 100 {
		t.Errorf("replayed: %+v, %v", replayed, err)
	}
	for name, show := range map[string]func(*garden.Garden) (any, error){
		"now":  func(g *garden.Garden) (any, error) { return g.Now.Now(ctx, plot.NoDay) },
		"plot": func(g *garden.Garden) (any, error) { return g.Place.Plot(ctx, plot.NoDay) },
		"baskets": func(g *garden.Garden) (any, error) {
			return g.Gather.Baskets(ctx)
		},
	} {
		before, err := show(g)
		check(t, err)
		after, err := show(again)
		check(t, err)
		if !reflect.DeepEqual(before, after) {
			t.Errorf("%s is shown otherwise", name)
		}
	}
	if second := archiveOf(t, again); !bytes.Equal(second, text) {
		t.Error("an archive of what was read back is another")
	}
	t.Logf("%d rows of %d tables are equal; the archive has %d bytes", rows, len(was), len(text))
}

// Ten years of 300 plantings: 24,000 notes, each with its entry of the ledger.
func TestAnArchiveOfTenYearsComesBackEqual(t *testing.T) {
	dir := t.TempDir()
	g := gardenIn(t, dir)
	check(t, tenYears(t.Context(), g.Plot.Store))
	was := everyTable(t, g)
	rows := sameTables(t, was, everyTable(t, backAgain(t, archiveOf(t, g))))
	if rows < 40_000 {
		t.Errorf("only %d rows", rows)
	}
	t.Logf("%d rows are equal", rows)
}

// tenYears writes 300 plantings with ten years of looks and pickings.
func tenYears(ctx context.Context, s *store.Store) error {
	return s.InTransaction(ctx, func(q *store.Queries) error {
		note := func(table string, id int64, planting *int64, row any) error {
			after, err := json.Marshal(row)
			if err != nil {
				return err
			}
			changes, err := json.Marshal([]map[string]any{{"table": table, "id": id, "before": nil, "after": json.RawMessage(after)}})
			if err != nil {
				return err
			}
			_, err = q.AddLedgerEntry(ctx, store.AddLedgerEntryParams{At: "2031-05-27T12:00:00Z", Day: "2031-05-27", Kind: "observation", Summary: "Noted in " + table, PlantingID: planting, Changes: string(changes)})
			return err
		}
		bed, err := q.PutBed(ctx, store.PutBedParams{Name: "Long Bed", XM: 10, YM: 5, WidthM: 8, DepthM: 1, Shape: "rectangle", Points: "[]", Moisture: "moist"})
		if err != nil {
			return err
		}
		if err := note("beds", bed.ID, nil, bed); err != nil {
			return err
		}
		for range 300 {
			p, err := q.PutPlanting(ctx, store.PutPlantingParams{BedID: bed.ID, SpeciesID: "garden-sorrel", Plants: 9, CountedOn: "2021-04-10", StartedOn: "2021-04-10", Origin: "seed", Identity: "unproven"})
			if err != nil {
				return err
			}
			if err := note("plantings", p.ID, &p.ID, p); err != nil {
				return err
			}
			for year := 2021; year <= 2030; year++ {
				for look, stage := range []string{"leafing", "full leaf", "in bud", "full flower", "setting seed"} {
					height := 0.1 + 0.137*float64(look)
					o, err := q.PutObservation(ctx, store.PutObservationParams{PlantingID: p.ID, Day: fmt.Sprintf("%d-%02d-11", year, 4+look), Stage: stage, Share: "most", HeightM: &height, Note: hostileTexts[look]})
					if err != nil {
						return err
					}
					if err := note("observations", o.ID, &p.ID, o); err != nil {
						return err
					}
				}
				for picking := range 3 {
					k, err := q.PutPicking(ctx, store.PutPickingParams{PlantingID: p.ID, Day: fmt.Sprintf("%d-%02d-20", year, 5+picking), Part: "leaf", Units: 12, Grams: 1.0 / 3 * float64(picking+1), Share: 0.07, Note: "basket"})
					if err != nil {
						return err
					}
					if err := note("pickings", k.ID, &p.ID, k); err != nil {
						return err
					}
				}
			}
		}
		return nil
	})
}

// remade writes an archive anew with one file changed; nil leaves it out. The manifest's
// hashes are made to fit where rehash says so.
func remade(t *testing.T, text []byte, name string, change func([]byte) []byte, rehash bool) []byte {
	t.Helper()
	reader, err := zip.NewReader(bytes.NewReader(text), int64(len(text)))
	check(t, err)
	files := map[string][]byte{}
	for _, f := range reader.File {
		opened, err := f.Open()
		check(t, err)
		files[f.Name], err = io.ReadAll(opened)
		check(t, err)
		check(t, opened.Close())
	}
	if files[name] = change(files[name]); files[name] == nil {
		delete(files, name)
	}
	if rehash {
		var m Manifest
		check(t, json.Unmarshal(files[manifestName], &m))
		for i, f := range m.Files {
			sum := sha256.Sum256(files[f.Name])
			m.Files[i].SHA256, m.Files[i].Bytes = hex.EncodeToString(sum[:]), int64(len(files[f.Name]))
		}
		files[manifestName], err = json.Marshal(m)
		check(t, err)
	}
	var out bytes.Buffer
	writer := zip.NewWriter(&out)
	for _, name := range slices.Sorted(maps.Keys(files)) {
		file, err := writer.Create(name)
		check(t, err)
		_, err = file.Write(files[name])
		check(t, err)
	}
	check(t, writer.Close())
	return out.Bytes()
}

// An archive of which anything is missing, changed or added is refused, and so is one whose
// rows cannot be; nothing is left in the folder.
func TestABrokenArchiveIsRefused(t *testing.T) {
	g := gardenIn(t, t.TempDir())
	ctx := t.Context()
	_, err := g.Place.AddBed(ctx, place.BedInput{Name: "Long Bed", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1 m"}, Moisture: "moist"})
	check(t, err)
	_, err = g.Place.AddPlanting(ctx, input.PlantingInput{BedID: 1, SpeciesID: "garden-sorrel", Plants: 9, StartedOn: "2029-04-10", Origin: "seed"})
	check(t, err)
	text := archiveOf(t, g)
	newer := func(b []byte) []byte { return regexp.MustCompile(`"form": \d+`).ReplaceAll(b, []byte(`"form": 99`)) }
	replace := func(old, new string) func([]byte) []byte {
		return func(b []byte) []byte {
			if !bytes.Contains(b, []byte(old)) {
				t.Errorf("%q is not in it", old)
			}
			return bytes.Replace(b, []byte(old), []byte(new), 1)
		}
	}
	for name, test := range map[string]struct {
		text []byte
		says string
	}{
		"no ZIP":                {[]byte("hello"), "no whole ZIP"},
		"half a ZIP":            {text[:len(text)/2], "no whole ZIP"},
		"a changed file":        {remade(t, text, "tables/beds.csv", replace("Long", "Wide"), false), "was changed"},
		"a missing file":        {remade(t, text, "tables/beds.csv", func([]byte) []byte { return nil }, false), "is missing"},
		"a file too many":       {remade(t, text, "../../evil", func([]byte) []byte { return []byte("x") }, false), "not in its manifest"},
		"no manifest":           {remade(t, text, manifestName, func([]byte) []byte { return nil }, false), "is missing"},
		"another's manifest":    {remade(t, text, manifestName, replace("brambly-acre archive", "recipes"), false), "does not say so"},
		"a newer version":       {remade(t, text, manifestName, replace(`"version": 1`, `"version": 2`), false), "version 2"},
		"a newer form":          {remade(t, text, manifestName, newer, false), "newer program"},
		"an unknown table":      {remade(t, text, manifestName, replace(`"name": "needs"`, `"name": "recipes"`), false), "where it belongs"},
		"an unknown column":     {remade(t, remade(t, text, manifestName, replace(`"Name": "moisture"`, `"Name": "magic"`), false), "tables/beds.csv", replace("moisture", "magic"), true), `no column "magic"`},
		"a row too few":         {remade(t, text, "tables/plantings.csv", func(b []byte) []byte { return b[:bytes.IndexByte(b, '\n')+1] }, true), "holds 0 rows"},
		"a word for a number":   {remade(t, text, "tables/beds.csv", replace(",8,1,", ",wide,1,"), true), "row 1"},
		"a planting in no bed":  {remade(t, text, "tables/plantings.csv", replace("1,1,garden-sorrel", "1,77,garden-sorrel"), true), "speaks of a row of beds"},
		"sun of thirty hours":   {remade(t, text, "tables/beds.csv", replace(`,\N,rectangle`, ",30,rectangle"), true), "CHECK"},
		"a table of the engine": {remade(t, remade(t, text, manifestName, replace(`"name": "needs"`, `"name": "goose_db_version"`), false), manifestName, replace("tables/needs.csv", "tables/goose_db_version.csv"), false), ""},
	} {
		a, err := ReadArchive(bytes.NewReader(test.text), int64(len(test.text)))
		dir := t.TempDir()
		if err == nil {
			err = a.BuildPlot(ctx, dir)
		}
		if err == nil || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%s: %v, want %q", name, err, test.says)
		}
	}
	if _, err := os.Stat(filepath.Join("..", "..", "evil")); err == nil {
		t.Error("a file was written where it does not belong")
	}
}

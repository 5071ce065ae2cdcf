package format

import (
	"bytes"
	"context"
	"strings"
	"testing"

	"bramblyacre/demo"
	"bramblyacre/garden"
	"bramblyacre/garden/area"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

func benchPlot(t *testing.T, sample bool) *garden.Garden {
	t.Helper()
	l, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), plotDir(t, sample))
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	today := demo.Today
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: l, PinnedTo: &today, Seasons: 12})
	check(t, err)
	return g
}

// Seed lots and batches leave as CSV and come into an empty plot as they were.
func TestLotsAndBatchesComeBackFromTheirFiles(t *testing.T) {
	from, into := benchPlot(t, true), benchPlot(t, false)
	for _, kind := range []struct {
		write func(context.Context, *garden.Garden, *bytes.Buffer) error
		read  func(context.Context, *garden.Garden, string) (area.BroughtFileView, error)
	}{
		{
			func(ctx context.Context, g *garden.Garden, w *bytes.Buffer) error {
				rows, err := g.Bench.Lots(ctx)
				if err != nil {
					return err
				}
				return WriteLots(w, rows)
			},
			func(ctx context.Context, g *garden.Garden, text string) (area.BroughtFileView, error) {
				lines, err := ReadLots(strings.NewReader(text))
				if err != nil {
					return area.BroughtFileView{}, err
				}
				return g.Bench.BringLots(ctx, lines, true, false)
			},
		},
	} {
		var first, second bytes.Buffer
		check(t, kind.write(t.Context(), from, &first))
		if lines := strings.Count(first.String(), "\n"); lines < 8 {
			t.Fatalf("only %d lines", lines)
		}
		brought, err := kind.read(t.Context(), into, first.String())
		check(t, err)
		if brought.Refused != 0 || brought.Entry == nil {
			t.Fatalf("%+v", brought)
		}
		check(t, kind.write(t.Context(), into, &second))
		if first.String() != second.String() {
			t.Errorf("it comes back otherwise:\n%s\n%s", first.String(), second.String())
		}
	}
	// Batches name beds, which an empty plot does not have: each line says so, and nothing is written.
	rows, err := from.Bench.Batches(t.Context())
	check(t, err)
	var file bytes.Buffer
	check(t, WriteBatches(&file, rows))
	lines, err := ReadBatches(bytes.NewReader(file.Bytes()))
	check(t, err)
	if _, err := into.Bench.BringBatches(t.Context(), lines, true, false); err == nil {
		t.Error("batches for beds that are not there are taken")
	}
	preview, err := into.Bench.BringBatches(t.Context(), lines, false, false)
	check(t, err)
	if preview.Taken+preview.Refused != len(rows) || preview.Refused == 0 || preview.Entry != nil {
		t.Errorf("preview: %d taken, %d refused of %d", preview.Taken, preview.Refused, len(rows))
	}
	some, err := into.Bench.BringBatches(t.Context(), lines, true, true)
	check(t, err)
	if some.Taken != preview.Taken || some.Entry == nil {
		t.Errorf("left out: %+v", some)
	}
	after, err := into.Bench.Batches(t.Context())
	check(t, err)
	if len(after) != some.Taken {
		t.Errorf("%d batches came of %d lines", len(after), some.Taken)
	}
}

func TestFilesThatAreNoTables(t *testing.T) {
	for name, text := range map[string]string{
		"empty":             "",
		"unknown heading":   "plant,lot,colour\nvalerian,a,red\n",
		"heading missing":   "plant,note\nvalerian,x\n",
		"broken quotes":     "plant,lot\n\"valerian,a\n",
		"no table of seeds": "way,plant,started\nseed,valerian,3\n",
	} {
		if _, err := ReadLots(strings.NewReader(text)); err == nil {
			t.Errorf("%s is taken", name)
		} else if _, is := err.(say.Faults); !is {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Each line is judged by itself, and says by its number what is wrong.
func TestLinesAreRefusedOneByOne(t *testing.T) {
	g := benchPlot(t, false)
	const file = "plant,botanical name,lot,origin,ripe on,storage,weight (g)\r\n" +
		"valerian,,good,own,2030-07-20,cool room,3\r\n" +
		"moonwort of nowhere,,bad plant,own,2030-07-20,cool room,3\r\n" +
		"valerian,,of tomorrow,own,2099-07-20,cool room,3\r\n" +
		"valerian,,badly kept,own,2030-07-20,in the rain,3\r\n" +
		"valerian,Achillea millefolium L.,two plants,own,2030-07-20,cool room,3\r\n" +
		"valerian,,weightless,own,2030-07-20,cool room,-3\r\n"
	lines, err := ReadLots(strings.NewReader(file))
	check(t, err)
	preview, err := g.Bench.BringLots(t.Context(), lines, false, false)
	check(t, err)
	wrong := map[int]string{3: "no plant of the library", 4: "has not come yet", 5: "how it is kept", 7: ""}
	for _, line := range preview.Lines {
		want, bad := wrong[line.Line]
		if bad != (len(line.Wrong) > 0) {
			t.Errorf("line %d: %v", line.Line, line.Wrong)
		}
		if bad && !strings.Contains(strings.Join(line.Wrong, " "), want) {
			t.Errorf("line %d says %v, not %q", line.Line, line.Wrong, want)
		}
	}
	if _, err := g.Bench.BringLots(t.Context(), lines, true, false); err == nil {
		t.Error("half of a file is noted unasked")
	}
	seeds, err := g.Bench.Seeds(t.Context())
	check(t, err)
	if len(seeds.Lots) != 0 {
		t.Errorf("%d lots were noted", len(seeds.Lots))
	}
}

// A label that looks like a formula goes out harmless, and comes back as it was.
func TestAFormulaInALotIsHarmless(t *testing.T) {
	var file bytes.Buffer
	check(t, WriteLots(&file, []bench.LotRow{{Plant: "valerian", Name: "=1+1", Origin: "own", RipeOn: "2030-07-20", Storage: "cool room"}}))
	if !strings.Contains(file.String(), "'=1+1") {
		t.Errorf("written: %s", file.String())
	}
	lines, err := ReadLots(&file)
	check(t, err)
	if lines[0].Fields["lot"] != "=1+1" {
		t.Errorf("read: %q", lines[0].Fields["lot"])
	}
}

func TestLabelsAndSettingOutArePages(t *testing.T) {
	g := benchPlot(t, true)
	labels, err := g.Bench.Labels(t.Context(), 0, 0)
	check(t, err)
	if len(labels) < 8 {
		t.Fatalf("%d labels", len(labels))
	}
	var page bytes.Buffer
	check(t, WriteBenchLabels(&page, append(labels, make([]bench.BenchLabel, 30)...)))
	if pages := bytes.Count(page.Bytes(), []byte("/Type /Page\n")); pages < 2 {
		t.Errorf("%d labels on %d pages", len(labels)+30, pages)
	}
	plan, err := g.Bench.SetOut(t.Context(), bench.SetOutInput{Width: "150 cm", Length: "4 m", Spacing: "25 cm", Edge: "10 cm"})
	check(t, err)
	if plan.Triangle.Plants != 109 || plan.Square.Plants != 96 || plan.Better != "triangle" {
		t.Errorf("%d and %d, %s", plan.Triangle.Plants, plan.Square.Plants, plan.Better)
	}
	page.Reset()
	check(t, WriteSettingOut(&page, plan))
	if !bytes.HasPrefix(page.Bytes(), []byte("%PDF")) {
		t.Error("no page")
	}
}

package e2e

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"bramblyacre/core/flora"
	"bramblyacre/garden/view"
	"bramblyacre/library"
)

// printed draws each species at each stage as a small print without colour, and answers the grey of
// its pixels, 0 for paper to 255 for ink: what a filled shape has of colour becomes one grey.
const printed = `(async () => {
	const size = %d, canvas = new OffscreenCanvas(size, size), pen = canvas.getContext("2d", { willReadFrequently: true });
	const grey = (c) => (c === "var(--ink)" ? "#000" : c === "var(--card)" ? "#fff" : "#777");
	return %s.map((l) => %s.map((stage) => {
		pen.setTransform(1, 0, 0, 1, 0, 0);
		pen.fillStyle = "#fff";
		pen.fillRect(0, 0, size, size);
		pen.setTransform(size / 100, 0, 0, size / 100, 0, 0);
		pen.lineCap = pen.lineJoin = "round";
		for (const s of logic.drawing.drawn(l, stage)) {
			const path = new Path2D(s.d);
			if (s.fill) { pen.fillStyle = grey(s.fill); pen.fill(path); }
			if (s.line) { pen.strokeStyle = grey(s.line); pen.lineWidth = s.width ?? 1; pen.stroke(path); }
		}
		const data = pen.getImageData(0, 0, size, size).data;
		return Array.from({ length: size * size }, (_, i) => 255 - data[i * 4]);
	}));
})()`

const printSize = 24

// prints are the small prints of all species of the library, by species and stage.
func prints(t *testing.T) ([]*flora.Species, [][][]int) {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	all := shipped.AllSpecies()
	likenesses := make([]view.Likeness, len(all))
	for i, s := range all {
		likenesses[i] = view.LikenessOf(s)
	}
	told, err := json.Marshal(likenesses)
	check(t, err)
	stages, err := json.Marshal(flora.Stages())
	check(t, err)
	b := logic(t)
	drawn, err := chromedp.Run(b.ctx, chromedp.Evaluate[[][][]int](fmt.Sprintf(printed, printSize, told, stages), chromedp.EvalAwaitPromise))
	check(t, err)
	return all, drawn
}

// apart is by how many whole pixels of ink two prints differ.
func apart(a, b []int) float64 {
	sum := 0
	for i := range a {
		sum += max(a[i]-b[i], b[i]-a[i])
	}
	return float64(sum) / 255
}

// A stage is told by the shape of the print alone, at 24 pixels and without colour, in every
// species and for any two stages of its year.
func TestAStageIsToldByShapeAlone(t *testing.T) {
	t.Parallel()
	all, drawn := prints(t)
	for i, s := range all {
		for a := range flora.Stages() {
			for b := range a {
				if !goesThrough(s, flora.Stage(a)) || !goesThrough(s, flora.Stage(b)) {
					continue
				}
				if d := apart(drawn[i][a], drawn[i][b]); d < leastApart {
					t.Errorf("%s: %s and %s differ by %.1f pixels", s.ID, flora.Stage(b), flora.Stage(a), d)
				}
			}
		}
	}
}

// goesThrough tells whether any year of a species has a stage.
func goesThrough(s *flora.Species, stage flora.Stage) bool {
	return slices.ContainsFunc(s.Growth.Years, func(y flora.YearOfLife) bool {
		return slices.ContainsFunc(y.Stages, func(r flora.StageRule) bool { return r.Stage == stage })
	})
}

// leastApart is how many pixels of 576 must differ for two prints to be told apart at a glance.
const leastApart = 5

// In flower no two species look the same at 24 pixels, but for those that a botanist, too, tells by
// what no picture of that size can show: kin of one genus, and umbels with ferny leaves.
func TestSpeciesAreToldApartInFlower(t *testing.T) {
	t.Parallel()
	all, drawn := prints(t)
	alike := 0
	for i, s := range all {
		for j, other := range all[:i] {
			d := apart(drawn[i][flora.FullFlower], drawn[j][flora.FullFlower])
			if d >= leastApart {
				continue
			}
			alike++
			genus := strings.Fields(s.Names.Botanical)[0] == strings.Fields(other.Names.Botanical)[0]
			umbels := s.Names.Family == "Apiaceae" && other.Names.Family == "Apiaceae"
			if !genus && !umbels {
				t.Errorf("%s and %s differ by %.1f pixels in flower", other.ID, s.ID, d)
			}
		}
	}
	pairs := len(all) * (len(all) - 1) / 2
	if alike*100 > pairs {
		t.Errorf("%d of %d pairs look alike", alike, pairs)
	}
	t.Logf("%d of %d pairs look alike at %d pixels", alike, pairs, printSize)
}

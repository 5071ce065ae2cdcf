package e2e

import (
	"encoding/json"
	"fmt"
	"io/fs"
	"math"
	"math/rand/v2"
	"net/http"
	"net/http/httptest"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/library"
)

// logic opens the front end's logic without a page.
func logic(t *testing.T) *browser {
	t.Helper()
	files := httptest.NewServer(http.FileServer(http.Dir("../web/bare/dist")))
	t.Cleanup(files.Close)
	b := open(t, &served{url: files.URL}, 400, 300, "/logic.html")
	b.until("the logic", func() bool {
		there, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool]("window.logic !== undefined"))
		check(t, err)
		return there
	})
	return b
}

// asked answers many questions at once: a function of the logic, called with each list of arguments.
func asked[T any](t *testing.T, b *browser, function string, arguments any) []T {
	t.Helper()
	encoded, err := json.Marshal(arguments)
	check(t, err)
	answers, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]T](fmt.Sprintf("%s.map((a) => logic.%s(...a))", encoded, function)))
	check(t, err)
	return answers
}

// A day is named and counted as the server names and counts it.
func TestDaysAreWhatTheServerSays(t *testing.T) {
	t.Parallel()
	b := logic(t)
	rng := rand.New(rand.NewPCG(1, 9))
	var days, steps, pairs [][]any
	var first []calendar.Date
	var by []int
	for range 2000 {
		day := calendar.Must(1990, time.January, 1).AddDays(rng.IntN(40000))
		n := rng.IntN(2000) - 1000
		first, by = append(first, day), append(by, n)
		days, steps, pairs = append(days, []any{day.String()}), append(steps, []any{day.String(), n}), append(pairs, []any{day.String(), day.AddDays(n).String()})
	}
	full, weekday, month := asked[string](t, b, "dates.fullDay", days), asked[string](t, b, "dates.weekday", days), asked[string](t, b, "dates.dayMonth", days)
	added, between := asked[string](t, b, "dates.addDays", steps), asked[int](t, b, "dates.daysBetween", pairs)
	for i, day := range first {
		if full[i] != day.DayMonthYear() || month[i] != day.DayMonth() || weekday[i] != day.Time().Format("Mon") {
			t.Errorf("%s is %q, %q, %q", day, full[i], month[i], weekday[i])
		}
		if added[i] != day.AddDays(by[i]).String() || between[i] != by[i] {
			t.Errorf("%s and %d days is %s, and %d days lie between", day, by[i], added[i], between[i])
		}
	}
}

// placed is a thing on the plan as snapping sees it.
type placed struct {
	Areas [][]point `json:"areas"`
}

type point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// A place snaps to the nearest edge or middle within seven pixels, else to the grid of 10 cm: held against
// the plain search of all lines.
func TestSnappingFindsTheNearestLine(t *testing.T) {
	t.Parallel()
	b := logic(t)
	rng := rand.New(rand.NewPCG(3, 7))
	type answer struct {
		To     point `json:"to"`
		Guides []struct {
			Vertical bool    `json:"vertical"`
			At       float64 `json:"at"`
		} `json:"guides"`
	}
	var questions [][]any
	var lines [][2][]float64
	for range 400 {
		var others []placed
		var xs, ys []float64
		for range rng.IntN(5) {
			x, y, w, d := rng.Float64()*20, rng.Float64()*20, 0.5+rng.Float64()*5, 0.5+rng.Float64()*5
			others = append(others, placed{[][]point{{{x, y}, {x + w, y}, {x + w, y + d}, {x, y + d}}}})
			xs, ys = append(xs, x, x+w, x+w/2), append(ys, y, y+d, y+d/2)
		}
		if others == nil {
			others = []placed{}
		}
		questions = append(questions, []any{point{rng.Float64() * 25, rng.Float64() * 25}, others, 8 + rng.Float64()*60})
		lines = append(lines, [2][]float64{xs, ys})
	}
	snapped := func(value float64, lines []float64, reach float64) (to float64, guided bool) {
		best := math.Inf(1)
		for _, line := range lines {
			if off := math.Abs(line - value); off <= reach && off < best {
				best, to = off, line
			}
		}
		if math.IsInf(best, 1) {
			return math.Floor(value*10+0.5) / 10, false
		}
		return to, true
	}
	guided := 0
	for i, got := range asked[answer](t, b, "snap.snapPoint", questions) {
		p, scale := questions[i][0].(point), questions[i][2].(float64)
		x, byX := snapped(p.X, lines[i][0], 7/scale)
		y, byY := snapped(p.Y, lines[i][1], 7/scale)
		if math.Abs(got.To.X-x)+math.Abs(got.To.Y-y) > 1e-9 {
			t.Errorf("%v at %.1f px/m goes to %v, want %v %v", p, scale, got.To, x, y)
		}
		want := 0
		for _, by := range []bool{byX, byY} {
			if by {
				want, guided = want+1, guided+1
			}
		}
		if len(got.Guides) != want {
			t.Errorf("%v has %d guides, want %d", p, len(got.Guides), want)
		}
	}
	if guided < 50 {
		t.Errorf("only %d places snapped to a line", guided)
	}
}

// Every figure, scale and course of the library is taken apart as the server reads it, and put together as it was.
func TestAFormTakesLinesApartAsTheServerReadsThem(t *testing.T) {
	t.Parallel()
	b := logic(t)
	var figures, scales, courses [][]any
	var read []flora.Figure
	var ranges []flora.WordRange
	lines := regexp.MustCompile(`(?m)^(\w+) = "([^"]*)"$`)
	check(t, fs.WalkDir(library.Files(), "species", func(name string, entry fs.DirEntry, err error) error {
		if err != nil || entry.IsDir() {
			return err
		}
		text, err := fs.ReadFile(library.Files(), name)
		for _, m := range lines.FindAllStringSubmatch(string(text), -1) {
			var f flora.Figure
			var r flora.WordRange
			switch {
			case m[1] == "course":
				courses = append(courses, []any{m[2]})
			case m[1] == "moisture" && r.UnmarshalText([]byte(m[2])) == nil:
				scales, ranges = append(scales, []any{m[2], flora.MoistureWords}), append(ranges, r)
			case slices.Contains([]string{"height", "width", "full_age", "root_reach", "soil_depth", "cold"}, m[1]) && f.UnmarshalText([]byte(m[2])) == nil:
				figures, read = append(figures, []any{m[2]}), append(read, f)
			}
		}
		return err
	}))
	if len(figures) < 300 || len(scales) < 60 || len(courses) < 100 {
		t.Fatalf("only %d figures, %d scales and %d courses", len(figures), len(scales), len(courses))
	}
	type figure struct{ Number, Unit, Rests string }
	split := asked[figure](t, b, "sheet.splitFigure", figures)
	for i, got := range split {
		if got.Unit != read[i].Unit || !strings.HasPrefix(got.Rests, read[i].Standing.String()) {
			t.Errorf("%q: unit %q, rests on %q", figures[i][0], got.Unit, got.Rests)
		}
	}
	var parts [][]any
	for _, one := range split {
		parts = append(parts, []any{map[string]string{"number": one.Number, "unit": one.Unit, "rests": one.Rests}})
	}
	for i, got := range asked[string](t, b, "sheet.joinFigure", parts) {
		if got != figures[i][0] {
			t.Errorf("%q comes back as %q", figures[i][0], got)
		}
	}
	type scale struct{ Marks []string }
	for i, got := range asked[scale](t, b, "sheet.splitScale", scales) {
		r := ranges[i]
		class := func(word string) int { return slices.Index(flora.MoistureWords, word) }
		for k, word := range flora.MoistureWords {
			want := "no"
			switch {
			case k >= class(r.From) && k <= class(r.To):
				want = "good"
			case k >= class(r.Low) && k <= class(r.High):
				want = "borne"
			}
			if got.Marks[k] != want {
				t.Errorf("%q: %s is %s, want %s", scales[i][0], word, got.Marks[k], want)
			}
		}
	}
	for i, got := range asked[[]struct{ Stage, Day string }](t, b, "sheet.splitCourse", courses) {
		var again []string
		for _, row := range got {
			if _, err := flora.ParseStage(row.Stage); err != nil || row.Day == "" {
				t.Errorf("%q holds %+v", courses[i][0], row)
			}
			again = append(again, row.Stage+" "+row.Day)
		}
		if whole := strings.Join(again, ", "); whole != courses[i][0] {
			t.Errorf("%q comes back as %q", courses[i][0], whole)
		}
	}
}

// The words of a drawing never lie over each other or past its sides, what matters most stands, and what has a second place
// is not left out while that is free.
func TestWordsOfTheMapKeepApart(t *testing.T) {
	t.Parallel()
	b := logic(t)
	type label struct {
		Key    string  `json:"key"`
		Text   string  `json:"text"`
		X      float64 `json:"x"`
		Y      float64 `json:"y"`
		Size   float64 `json:"size"`
		Anchor string  `json:"anchor"`
		Of     string  `json:"of,omitempty"`
	}
	rng := rand.New(rand.NewPCG(4, 4))
	var questions [][]any
	var given [][]label
	const width, height = 700.0, 500.0
	for range 300 {
		var labels []label
		for i := range 3 + rng.IntN(25) {
			labels = append(labels, label{
				Key: fmt.Sprint(i), Text: strings.Repeat("w", 2+rng.IntN(18)), X: rng.Float64()*760 - 30, Y: rng.Float64()*540 - 20,
				Size: 12 + 3*rng.Float64(), Anchor: []string{"start", "middle", "end"}[rng.IntN(3)], Of: []string{"", "a", "b"}[rng.IntN(3)],
			})
		}
		given = append(given, labels)
		questions = append(questions, []any{labels, width, height})
	}
	boxOf := func(l label) (left, top, right, bottom float64) {
		wide := float64(len(l.Text))*l.Size*0.56 + 6
		left = map[string]float64{"start": l.X, "middle": l.X - wide/2, "end": l.X - wide}[l.Anchor]
		return left, l.Y - l.Size, left + wide, l.Y + l.Size*0.35
	}
	over := func(a, b label) bool {
		al, at, ar, ab := boxOf(a)
		bl, bt, br, bb := boxOf(b)
		return al < br && ar > bl && at < bb && ab > bt
	}
	inside := func(l label) bool {
		left, top, right, bottom := boxOf(l)
		return left >= 0 && top >= 0 && right <= width && bottom <= height
	}
	for i, kept := range asked[[]label](t, b, "labels.free", questions) {
		for j, one := range kept {
			if !inside(one) {
				t.Fatalf("%+v lies past the drawing's sides", one)
			}
			for _, other := range kept[:j] {
				if over(one, other) || one.Of != "" && one.Of == other.Of {
					t.Fatalf("%+v and %+v", one, other)
				}
			}
		}
		for _, one := range given[i] {
			stands := slices.Contains(kept, one)
			if stands || !inside(one) || slices.ContainsFunc(kept, func(k label) bool { return one.Of != "" && k.Of == one.Of }) {
				continue
			}
			if !slices.ContainsFunc(kept, func(k label) bool { return over(k, one) }) {
				t.Fatalf("%+v is left out though it is free", one)
			}
		}
	}
}

// Each kind has a hatching of its own, the same whatever order the kinds come in, and no two the same stroke and colour.
func TestHatchingsAreOfTheKindAlone(t *testing.T) {
	t.Parallel()
	b := logic(t)
	var ids []string
	for i := range 40 {
		ids = append(ids, fmt.Sprintf("kind-%02d", i))
	}
	turned := slices.Clone(ids)
	slices.Reverse(turned)
	all := asked[[][2]any](t, b, "hatch.list", [][]any{{ids}, {turned}, {append(turned, ids...)}})
	seen := map[string]bool{}
	for i, one := range all[0] {
		hatch := one[1].(map[string]any)
		drawn := fmt.Sprint(hatch["stroke"], hatch["colour"])
		if seen[drawn] || hatch["stroke"] == "" {
			t.Errorf("%v is drawn as another: %v", one[0], drawn)
		}
		seen[drawn] = true
		for _, other := range all[1:] {
			if len(other) != len(all[0]) || fmt.Sprint(other[i]) != fmt.Sprint(one) {
				t.Fatalf("%v, in another order %v", one, other[i])
			}
		}
	}
}

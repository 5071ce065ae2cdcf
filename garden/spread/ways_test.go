package spread

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/geometry"
	"bramblyacre/core/spread"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// Every way is read back as it was written, and named in words.
func TestWaysAreReadBackAsWritten(t *testing.T) {
	for _, way := range spread.Ways() {
		if way == spread.LetRun {
			continue
		}
		c := spread.Control{Way: way}
		switch way {
		case spread.EdgeIt, spread.DigOut:
			c.Times = 3
		case spread.Smother:
			c.Seasons = 2
		case spread.Barrier:
			c.DepthCm = 45.5
		}
		back, err := readWay(writeWay(c))
		if err != nil || back != c {
			t.Errorf("%q is read as %+v, %v; it was %+v", writeWay(c), back, err, c)
		}
		if wayWords(c) == "" || strings.Contains(wayWords(c), "%!") {
			t.Errorf("%s is named %q", way, wayWords(c))
		}
	}
	for text, says := range map[string]string{
		"": "no way", "edge:often": "not a number", "edge:0": "from 1 to", "smother:9": "1 to 5 seasons", "barrier": "how deep",
		"barrier:deep": "not a length", "barrier:-3 cm": "more than 0", "let run": "no way",
	} {
		if _, err := readWay(text); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q: %v", text, err)
		}
	}
	if c, err := readWay("barrier:18 in"); err != nil || c.DepthCm != 45.7 {
		t.Errorf("18 inches are %v cm, %v", c.DepthCm, err)
	}
	var list say.Checklist
	if readWays(&list, []string{"edge:1", "edge:2"}); list.Err() == nil {
		t.Error("one way twice is taken")
	}
}

func FuzzReadWay(f *testing.F) {
	for _, text := range []string{"edge:2", "barrier:45 cm", "smother:3", "pot", "barrier:1e309 m", "dig:-1"} {
		f.Add(text)
	}
	f.Fuzz(func(t *testing.T, text string) {
		c, err := readWay(text)
		if err != nil {
			return
		}
		if err := (spread.Plan{c}).Check(); err != nil {
			t.Errorf("%q is read as %+v, which cannot be: %v", text, c, err)
		}
	})
}

// Years of growth go forward with the days, a year makes one, and the day after so many is the day that many are past.
func TestGrowthIsToldInYears(t *testing.T) {
	warm := climate.Normals{}
	for m := range 12 {
		warm.TMin[m], warm.TMax[m] = []float64{-4, -3, 0, 4, 8, 11, 13, 13, 9, 5, 0, -3}[m], []float64{2, 4, 9, 14, 18, 22, 24, 23, 19, 13, 7, 3}[m]
	}
	icy := climate.Normals{} // nothing is ever warm: growth is then taken as even
	for m := range 12 {
		icy.TMin[m], icy.TMax[m] = -30, -10
	}
	for _, c := range []*clock{newClock(warm), newClock(icy)} {
		day := calendar.Must(2031, 5, 27)
		for i := range 1200 {
			if c.at(day.AddDays(i+1)) < c.at(day.AddDays(i)) {
				t.Fatalf("on %v growth goes back", day.AddDays(i+1))
			}
		}
		for _, years := range []int{1, 3, 10} {
			if got := c.between(day, calendar.Must(2031+years, 5, 27)); got < float64(years)-0.02 || got > float64(years)+0.02 {
				t.Errorf("%d years are %v of growth", years, got)
			}
		}
		for _, years := range []float64{0, 0.1, 0.7, 1, 2.4, 9.9} {
			after := c.after(day, years)
			if got := c.between(day, after); after < day || got < years-0.03 || got > years+0.03 {
				t.Errorf("after %v years it is %v, %v years on", years, after, got)
			}
		}
	}
	if winter := newClock(warm).between(calendar.Must(2031, 11, 20), calendar.Must(2032, 3, 1)); winter > 0.05 {
		t.Errorf("a winter is %v years of growth", winter)
	}
}

func TestRoughNumbersAreRough(t *testing.T) {
	for n, want := range map[float64]string{
		0: "no", 0.4: "no", 3.2: "3", 47: "47", 123: "120", 4_680: "4700", 18_449: "18,000", 9_749_999: "9,700,000", 999_600: "1,000,000",
	} {
		if got := roundly(n); got != want {
			t.Errorf("%v is %q, expected %q", n, got, want)
		}
	}
}

// A path of the drawing goes through the points that it was made of, and is closed.
func TestPathsGoThroughTheirPoints(t *testing.T) {
	got := view.PathOf([][]geometry.Point{{{X: 1, Y: 2}, {X: -3.456, Y: 0.004}, {X: 10.1, Y: 20}}, {{X: 0, Y: 0}, {X: 1, Y: 0}, {X: 1, Y: 1}}})
	if want := "M1 2L-3.46 0L10.1 20ZM0 0L1 0L1 1Z"; got != want {
		t.Errorf("%q, expected %q", got, want)
	}
	if view.PathOf(nil) != "" {
		t.Error("nothing is drawn of nothing")
	}
}

func TestWhatKeepsAStandAtHome(t *testing.T) {
	for _, c := range []struct {
		way  spread.Way
		home bool
	}{{spread.EdgeIt, true}, {spread.Barrier, true}, {spread.MowIt, true}, {spread.Pot, true}, {spread.Behead, false}, {spread.EatDown, false}} {
		if keepsHome(spread.Plan{{Way: c.way}}) != c.home {
			t.Errorf("%s keeps it at home: %v", c.way, !c.home)
		}
	}
	if !slices.Equal(writeWays(nil), []string{}) {
		t.Error("a list in an answer is null")
	}
}

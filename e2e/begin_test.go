package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"bramblyacre/garden/plot"
)

// acting counts what a grower does: each click, and each field that is filled in.
type acting struct {
	*browser
	acts int
}

func (a *acting) click(name string)       { a.t.Helper(); a.acts++; a.browser.click(name) }
func (a *acting) fill(label, text string) { a.t.Helper(); a.acts++; a.browser.fill(label, text) }

// touchMap touches the map of the world at a latitude and longitude.
func (a *acting) touchMap(latitude, longitude float64) {
	a.t.Helper()
	a.acts++
	box, err := chromedp.Run(a.ctx, chromedp.Evaluate[[]float64](`(() => { const r = document.querySelector("[role=slider][aria-label^='Where the plot lies']").getBoundingClientRect(); return [r.x, r.y, r.width, r.height]; })()`))
	check(a.t, err)
	const north, south = 80.0, -57.0
	check(a.t, chromedp.Do(a.ctx, chromedp.MouseClickXY(box[0]+(longitude+180)/360*box[2], box[1]+(north-latitude)/(north-south)*box[3])))
}

// From an empty plot to ten plants on the plan and a first list of jobs in ten acts, on either half of the
// world, on a desk and on a phone.
func TestTheFirstHourTakesTenActs(t *testing.T) {
	t.Parallel()
	for _, test := range []struct {
		name                string
		width               int64
		latitude, longitude float64
		climate, place      string
	}{
		{"north", 1280, 51, 9, "Mild maritime", "51"},
		{"south", 390, -35, 147, "High plateau, south", "south"},
	} {
		t.Run(test.name, func(t *testing.T) {
			p := unplacedPlot(t)
			b := &acting{browser: open(t, p, test.width, 844, "/settings")}
			b.sees("Nobody has said where this plot lies.")
			if text := b.textOf("main"); strings.Contains(text, "46.6") || strings.Contains(text, "Frost here") {
				t.Errorf("settings show a place that nobody said: %s", text)
			}
			b.visit("/")
			b.sees("Touch the map about where the plot lies")
			b.touchMap(test.latitude, test.longitude)
			b.sees("Which of these is most like yours?")
			b.click(test.climate)
			b.sees("Its size is enough.")
			b.fill("How wide", "8 m")
			b.fill("How deep", "3 m")
			b.click("Lay it out")
			b.sees("Write the plants down")
			b.fill("Plants", "3 lovage, 10 ramsons from a division in 2028, 2 sage, a hop in bed 1, 6 chives, 4 yarrow, 1 elder bought in 2027, 5 valerian, 2 rosemary and a lemon balm")
			b.click("Read it")
			b.sees("Set all 10")
			b.click("Set all 10")
			b.sees("It is so: set them")
			b.click("It is so: set them")
			b.sees("10 plantings stand on the plan.")
			b.click("See what is to be done now")
			b.sees("Open")
			if b.acts > 10 {
				t.Errorf("it took %d acts", b.acts)
			}
			now, err := p.garden.Now.Now(t.Context(), plot.NoDay)
			check(t, err)
			if now.Plantings != 10 || len(now.Open)+len(now.Closing)+len(now.Coming) == 0 {
				t.Errorf("%d plantings and %d jobs", now.Plantings, len(now.Open)+len(now.Closing)+len(now.Coming))
			}
			site, err := p.garden.Place.Site(t.Context())
			check(t, err)
			if off := site.Latitude - test.latitude; off > 1.5 || off < -1.5 || (site.SeasonStart.Month().String() == "July") != (test.latitude < 0) {
				t.Errorf("it lies at %v, its year begins on %s", site.Latitude, site.SeasonStart)
			}
		})
	}
}

// The first hour goes by the keyboard alone: nobody has to look for where it went on.
func TestTheFirstHourGoesByTheKeyboard(t *testing.T) {
	t.Parallel()
	p := unplacedPlot(t)
	b := open(t, p, 1280, 800, "/")
	b.sees("Touch the map about where the plot lies")
	b.focus("[role=slider]")
	b.keys(kb.ArrowUp + kb.ArrowRight)
	b.sees("46° north")
	tabTo := func(name string) {
		t.Helper()
		for range 14 {
			b.keys(kb.Tab)
			on, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`(document.activeElement?.labels?.[0] ?? document.activeElement)?.textContent ?? ""`))
			check(t, err)
			if strings.HasPrefix(on, name) {
				return
			}
		}
		t.Fatalf("%q is not reached", name)
	}
	tabTo("Cool hill valley")
	b.keys("\r")
	b.sees("Its size is enough.")
	tabTo("How wide")
	b.inserts("8 m")
	tabTo("How deep")
	b.inserts("3 m")
	b.keys("\r")
	b.sees("Write the plants down")
	tabTo("Plants")
	b.inserts("3 lovage, 6 chives")
	tabTo("Read it")
	b.keys("\r")
	b.sees("Set all 2")
	tabTo("Set all 2")
	b.keys("\r")
	b.sees("2 plantings stand on the plan.")
	tabTo("See what is to be done now")
	b.keys("\r")
	b.sees("Check lovage")
}

// What is not understood is asked back, chosen and mended in its row; a table's bad lines are told.
func TestAListIsMendedBeforeItIsSet(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/begin")
	b.sees("Set many plants")
	b.fill("Plants", "4 chives in Long Bed, 2 southernwood in Mint Pot")
	b.click("Read it")
	b.sees("Set all 2")
	b.sees("southernwood")
	b.click("Set all 2")
	b.sees("Choose a plant of the library.")
	b.click("Leave out") // the first: chives
	b.sees("Set it")
	b.fill("Plant", "yarrow")
	b.clickOn("[role=option]", "Yarrow")
	before := len(standing(t, p))
	b.click("Set it")
	b.until("the yarrow to stand", func() bool {
		if strings.Contains(b.text(), "It is so: set them") {
			b.click("It is so: set them")
		}
		return len(standing(t, p)) == before+1
	})
	table := filepath.Join(t.TempDir(), "plants.csv")
	check(t, os.WriteFile(table, []byte("plant,count,bed,colour\nchives,3,Long Bed,red\n,2,Long Bed,\n"), 0o600))
	check(t, chromedp.Do(b.ctx, chromedp.SetUploadFiles("input[type=file]", []string{table})))
	b.sees("Line 3 names no plant")
	b.sees("Set it")
	b.click("Set it")
	b.until("the chives to stand", func() bool { return len(standing(t, p)) == before+2 })
	b.sees("Undo")
}

// standing are the names of the plantings that stand.
func standing(t *testing.T, p *served) (names []string) {
	t.Helper()
	v, err := p.garden.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	for _, bed := range v.Beds {
		for _, planted := range bed.Plantings {
			names = append(names, fmt.Sprintf("%s in %s", planted.Name, bed.Name))
		}
	}
	return names
}

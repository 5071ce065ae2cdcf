package e2e

import (
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

var shots = flag.String("shots", "", "folder to write the pictures of the main views to")

// TestScreenshots takes a picture of every main view of the sample plot, where -shots asks for them.
func TestScreenshots(t *testing.T) {
	if *shots == "" {
		t.Skip("no -shots")
	}
	t.Parallel()
	p := samplePlot(t)
	views := []struct {
		name, path, says string
		width, height    int64
		first            func(*browser)
	}{
		{"now", "/", "Behead sweet cicely", 1280, 800, nil},
		{"week", "/week", "For a day of rain", 1280, 800, nil},
		{"plot", "/plot", "Wet Corner", 1280, 800, func(b *browser) { b.click("hop, North Fence") }},
		{"round-phone", "/round", "What do you see?", 390, 844, nil},
		{"planting", "/plantings/6", "What may be taken today", 1280, 800, func(b *browser) { b.click("Why") }},
		{"bench", "/bench", "All batches", 1280, 800, nil},
		{"ways", "/bench/ways?wish=8", "What counts to you", 1280, 800, nil},
		{"spread", "/spread", "All that spreads", 1280, 800, nil},
		{"season-plan", "/gather/plan", "One more", 1280, 800, func(b *browser) {
			v := b.seasonPlan()
			stand, pick := soonestOf(b.t, v, "meadowsweet flowering top")
			b.click(pick.Day.DayMonth() + ": " + stand.Name)
			b.sees("Pick it on")
			_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool]("window.scrollTo(0, 0); true"))
			check(b.t, err)
		}},
		{"roots", "/gather/roots", "What you saw", 1280, 800, nil},
		{"store", "/store?jar=9", "Its way here", 1280, 800, nil},
		{"drier", "/store/drier", "What waits", 1280, 800, nil},
		{"lot", "/store/lots/27", "Its way", 1280, 800, nil},
		{"runway", "/store/runway", "a year takes about", 1280, 800, nil},
		{"plant", "/plants/ramsons", "Mistaken for", 1280, 800, nil},
		{"check", "/plantings/12/check", "Is it sweet cicely?", 1280, 800, nil},
	}
	for _, view := range views {
		t.Run(fmt.Sprintf("%s at %d", strings.ReplaceAll(view.path, "/", " "), view.width), func(t *testing.T) {
			b := open(t, p, view.width, view.height, view.path)
			b.sees(view.says)
			if view.first != nil {
				view.first(b)
			}
			b.pictured(view.name)
		})
	}
}

// pictured takes the picture of a page once it stands.
func (b *browser) pictured(name string) {
	b.t.Helper()
	b.gone("[role=progressbar]")
	for _, wrong := range b.unfit() {
		b.t.Error(wrong)
	}
	evaluate[bool](b, "document.fonts.ready.then(() => new Promise((r) => setTimeout(() => r(true), 400)))")
	picture, err := chromedp.Run(b.ctx, chromedp.CaptureScreenshot())
	check(b.t, err)
	check(b.t, os.WriteFile(filepath.Join(*shots, name+".png"), picture, 0o644))
}

// TestScreenshotsAtHome takes those of a plot that is shared: the machine, and a phone without a network.
func TestScreenshotsAtHome(t *testing.T) {
	if *shots == "" {
		t.Skip("no -shots")
	}
	t.Parallel()
	here, house := sharedPlot(t)
	phone := letIn(t, house, "Ida's phone", "Ida", "/")
	phone.ready("/api/now", "/api/round", "/api/out-to-pick", "/api/site")
	letIn(t, house, "Kitchen tablet", "Joss", "/")
	machine := open(t, here, 1280, 800, "/settings/home")
	machine.click("Give the calendar an address")
	machine.sees("On this machine")
	machine.click("Make a code")
	machine.sees("For one device")
	machine.pictured("at-home")
	house.cut.Store(true)
	phone.visit("/")
	phone.sees("No way to the plot")
	phone.sees("Behead sweet cicely")
	phone.pictured("offline-phone")
	phone.visit("/round")
	phone.click("Next: garden sorrel")
	phone.sees("1 to send")
	phone.click("count, photograph…")
	phone.attach(t, "Photographs", photograph(t))
	phone.until("the picture in small", func() bool { return phone.has(`img[alt="Photograph of this look"]`) })
	phone.click("slug holes")
	phone.click("Next: greater burdock")
	phone.visit("/gather/out")
	phone.click("sweet cicely leaf")
	phone.click("in the basket")
	phone.visit("/settings/kept")
	phone.sees("3 entries to send")
	phone.pictured("queue-phone")
}

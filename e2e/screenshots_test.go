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
		{"year", "/year", "What came when", 1280, 800, nil},
		{"plot", "/plot", "Wet Corner", 1280, 800, func(b *browser) { b.click("hop, North Fence") }},
		{"round-phone", "/round", "What do you see?", 390, 844, nil},
		{"planting", "/plantings/6", "What may be taken today", 1280, 800, func(b *browser) { b.click("Why") }},
		{"bench", "/bench", "All batches", 1280, 800, nil},
		{"ways", "/bench/ways?wish=8", "What counts to you", 1280, 800, nil},
		{"spread", "/spread", "All that spreads", 1280, 800, nil},
		{"weather", "/weather", "How good the outlook was", 1280, 800, nil},
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
		{"plants", "/plants", "agrimony", 1280, 800, nil},
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
			b.gone("[role=progressbar]")
			for _, wrong := range b.unfit() {
				t.Error(wrong)
			}
			_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool]("document.fonts.ready.then(() => new Promise((r) => setTimeout(() => r(true), 400)))", chromedp.EvalAwaitPromise))
			check(t, err)
			picture, err := chromedp.Run(b.ctx, chromedp.CaptureScreenshot())
			check(t, err)
			check(t, os.WriteFile(filepath.Join(*shots, view.name+".png"), picture, 0o644))
		})
	}
}

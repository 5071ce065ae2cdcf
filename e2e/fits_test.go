package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
)

// Nothing of any screen of plants and identity is cut off at the side, on a phone or on
// a desk, and each shows what it is for.
func TestEveryScreenOfPlantsFitsPhoneAndDesk(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	for _, screen := range []struct{ path, words string }{
		{"/plants", "of 102"}, {"/plants/elder", "Its parts"}, {"/plants/hemlock", "never offered for use"},
		{"/plants/compare/ramsons,lily-of-the-valley,autumn-crocus", "What decides"}, {"/plants/own", "The quickest way"}, {"/plants/own/ramsons", "Known by"},
		{"/plantings/12/check", "Is it sweet cicely?"}, {"/what", "What is this?"}, {"/characters", "leaf arrangement"}, {"/practice", "pairs are due"},
		{"/gather", "At the table"}, {"/settings", "Household"}, {"/", "Tuesday 27 May"}, {"/plot", "Lay out a bed"}, {"/round", "What do you see?"}, {"/plantings/2", "What may be taken today"}, {"/ledger", "Take back"},
	} {
		for _, width := range []int64{320, 390, 1280} {
			b := open(t, p, width, 820, screen.path)
			b.sees(screen.words)
			over, err := chromedp.Run(b.ctx, chromedp.Evaluate[int](`document.documentElement.scrollWidth - window.innerWidth`))
			check(t, err)
			if over > 0 {
				t.Errorf("%s at %d px is %d px too wide", screen.path, width, over)
			}
			small, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]string](`[...document.querySelectorAll("main *")]
				.filter((e) => e.childNodes.length === 1 && e.firstChild.nodeType === 3 && e.firstChild.data.trim() && e.getClientRects().length > 0)
				.filter((e) => parseFloat(getComputedStyle(e).fontSize) < 11)
				.map((e) => e.textContent.slice(0, 40))`))
			check(t, err)
			if len(small) > 0 {
				t.Errorf("%s at %d px is too small to read: %q", screen.path, width, small)
			}
		}
	}
}

package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// axeScreens are the screens that are held to the rules of accessibility, each with words that
// tell that it stands, and what is opened on it.
var axeScreens = []struct {
	path, words string
	open        func(b *browser)
}{
	{path: "/", words: "Tuesday 27 May"},
	{path: "/plot", words: "Lay out a bed"},
	{path: "/plot?bed=1", words: "moist"},
	{path: "/round", words: "What do you see?"},
	{path: "/gather", words: "Still to come"},
	{path: "/plantings/2", words: "What may be taken today"},
	{path: "/plantings/12/check", words: "Is it sweet cicely?"},
	{path: "/plants", words: "of 102"},
	{path: "/plants/elder", words: "Its parts"},
	{path: "/plants/hemlock", words: "never offered for use"},
	{path: "/plants/compare/ramsons,lily-of-the-valley", words: "What decides"},
	{path: "/plants/own", words: "The quickest way"},
	{path: "/what", words: "What is this?"},
	{path: "/characters", words: "leaf arrangement"},
	{path: "/practice", words: "pairs are due"},
	{path: "/ledger", words: "Take back"},
	{path: "/settings", words: "Household"},
	{path: "/plantings/2", words: "What may be taken today", open: func(b *browser) { b.click("Note what you see"); b.sees("How many of them?") }},
	{path: "/plantings/2", words: "What may be taken today", open: func(b *browser) { b.click("Note a picking"); b.sees("Note it") }},
	{path: "/", words: "Tuesday 27 May", open: func(b *browser) {
		b.keys("/")
		b.fill("Find anything, by any name", "mea")
		b.sees("Meadowsweet")
	}},
}

// No screen breaks a rule of axe-core's, in any of the three looks, on a desk or a phone.
func TestNoScreenBreaksARuleOfAccessibility(t *testing.T) {
	axe, err := os.ReadFile(filepath.Join("..", "web", "node_modules", "axe-core", "axe.min.js"))
	check(t, err)
	p := samplePlot(t)
	for _, look := range []string{"paper", "dusk", "sunlight"} {
		for _, width := range []int64{1280, 390} {
			t.Run(fmt.Sprintf("%s at %d", look, width), func(t *testing.T) {
				t.Parallel()
				b := open(t, p, width, 820, "/ledger")
				b.sees("Take back")
				_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`localStorage.setItem("brambly-acre-look", %q), true`, look)))
				check(t, err)
				for _, screen := range axeScreens {
					b.visit(screen.path)
					b.sees(screen.words)
					if screen.open != nil {
						screen.open(b)
					}
					for _, broken := range b.axe(string(axe)) {
						t.Errorf("%s: %s", screen.path, broken)
					}
				}
			})
		}
	}
}

// axe are the rules that the page breaks, each with where.
func (b *browser) axe(script string) []string {
	b.t.Helper()
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](script+"; true"))
	check(b.t, err)
	const run = `Promise.allSettled(document.getAnimations().map((a) => a.finished)).then(() => axe.run(document, {resultTypes: ["violations"]})).then((r) => r.violations.map((v) =>
		v.id + " (" + v.help + "): " + v.nodes.slice(0, 4).map((n) => n.target.join(" ") + " [" + (n.any[0]?.message ?? n.all[0]?.message ?? n.none[0]?.message ?? "") + "]").join("; ") + (v.nodes.length > 4 ? " and " + (v.nodes.length - 4) + " more" : "")))`
	broken, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]string](run, chromedp.EvalAwaitPromise))
	check(b.t, err)
	for i := range broken {
		broken[i] = strings.Join(strings.Fields(broken[i]), " ")
	}
	return broken
}

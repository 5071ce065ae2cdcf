package e2e

import (
	"fmt"
	"net/netip"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// everyScreen are the screens and what opens on them, each with words that tell that it stands.
var everyScreen = []struct {
	path, words string
	open        func(b *browser)
}{
	{path: "/", words: "Tuesday 27 May"},
	{path: "/plot", words: "Lay out a bed"},
	{path: "/plot?bed=1", words: "moist"},
	{path: "/plot?bed=1", words: "moist", open: func(b *browser) {
		b.click("Draw on the plan")
		b.click("Mates")
		b.sees("Unsafe ground")
		b.click("Unsafe ground")
	}},
	{path: "/plot?on=2031-07-14", words: "shown: 14 July"},
	{path: "/plot", words: "Lay out a bed", open: func(b *browser) { b.click("Water"); b.sees("the more of its water is there") }},
	{path: "/plot", words: "Lay out a bed", open: func(b *browser) { b.click("Warmth"); b.sees("The redder a bed") }},
	{path: "/week", words: "For a day of rain"},
	{path: "/week", words: "For a day of rain", open: func(b *browser) { b.click("Time there is"); b.sees("as 1 h 30 min") }},
	{path: "/year", words: "What came when"},
	{path: "/?on=2030-06-14", words: "noted in its week"},
	{path: "/plot?on=2034-07-01", words: "shown: 1 July 2034"},
	{path: "/trouble/slug%20holes?planting=24", words: "What brings it"},
	{path: "/plantings/24", words: "Its care this year"},
	{path: "/weather/climate", words: "Nights of frost", open: func(b *browser) { b.click("Your own figures"); b.sees("Means of many years by month") }},
	{path: "/round", words: "What do you see?"},
	{path: "/round", words: "What do you see?", open: func(b *browser) {
		b.click("Other signs")
		b.click("count, photograph")
		b.sees("How many plants stand?")
	}},
	{path: "/gather", words: "Still to come"},
	{path: "/plantings/2", words: "What may be taken today"},
	{path: "/plantings/12/check", words: "Is it sweet cicely?"},
	{path: "/plants", words: "agrimony"},
	{path: "/plants/elder", words: "Its parts"},
	{path: "/plants/hemlock", words: "never offered for use"},
	{path: "/plants/compare/ramsons,lily-of-the-valley,autumn-crocus", words: "What decides"},
	{path: "/plants/own", words: "The quickest way"},
	{path: "/plants/own/ramsons", words: "Known by"},
	{path: "/what", words: "What is this?"},
	{path: "/characters", words: "leaf arrangement"},
	{path: "/practice", words: "pairs are due"},
	{path: "/practice/sweet-cicely/hemlock", words: "Is this sweet cicely?"},
	{path: "/begin", words: "Set many plants", open: func(b *browser) {
		b.fill("Plants", "3 lovage in Long Bed, 2 mint in Long Bed, some hop")
		b.click("Read it")
		b.sees("Set all 3")
	}},
	{path: "/plot", words: "Lay out a bed", open: func(b *browser) { b.click("Lay out a bed"); b.click("Say more"); b.sees("What you know of its ground") }},
	{path: "/bench", words: "All batches"},
	{path: "/bench?batch=2", words: "stand", open: func(b *browser) { b.click("Plant out"); b.sees("Most of them are") }},
	{path: "/bench/wanted", words: "Suggested by the plot"},
	{path: "/bench/ways?species=common-sage&plants=10", words: "What counts to you"},
	{path: "/bench/trays", words: "Each opens into its cells"},
	{path: "/bench/trays/2", words: "of 40 up"},
	{path: "/bench/seeds", words: "alive:"},
	{path: "/bench/volunteers", words: "Lifting one"},
	{path: "/bench/volunteers", words: "Lifting one", open: func(b *browser) { b.click("Check one"); b.sees("Note what it was") }},
	{path: "/bench/mix", words: "The shed"},
	{path: "/bench/setting-out", words: "in squares"},
	{path: "/bench/family", words: "bought"},
	{path: "/spread", words: "All that spreads"},
	{path: "/spread?free=yes", words: "If nothing is done", open: func(b *browser) { b.click("Nothing past its edge"); b.sees("What you saw") }},
	{path: "/spread/hold", words: "Try several together"},
	{path: "/spread/hold/12", words: "The last day to behead", open: func(b *browser) { b.click("Prices and hens"); b.sees("A metre of board to sink") }},
	{path: "/spread/came-up", words: "Lift it whole"},
	{path: "/spread/came-up?group=1", words: "Look at one first", open: func(b *browser) { b.click("Set it down to be proved"); b.sees("It becomes a planting that is to go") }},
	{path: "/spread/overtaken", words: "Both grow by the warmth"},
	{path: "/spread/after?bed=8", words: "Which animals are kept"},
	{path: "/spread/balance", words: "how fast it goes"},
	{path: "/gather/plan", words: "What it covers"},
	{path: "/gather/plan", words: "What it covers", open: func(b *browser) {
		b.sees("One more")
		b.click("Compare")
		b.click("meadowsweet flowering top, Wet Corner")
		b.sees("Pick it on")
	}},
	{path: "/gather/needs", words: "Drier and time"},
	{path: "/gather/needs", words: "Drier and time", open: func(b *browser) { b.click("Add a feast or market"); b.sees("Ready on") }},
	{path: "/gather/needs", words: "Drier and time", open: func(b *browser) {
		b.click("Change the drier and the time for picking")
		b.sees("Trays in the drier")
	}},
	{path: "/gather/roots", words: "If every year so many"},
	{path: "/gather/roots", words: "If every year so many", open: func(b *browser) { b.click("What you saw"); b.sees("Reckon with it") }},
	{path: "/gather/worth", words: "An hour of picking"},
	{path: "/gather/out", words: "One kind at a time"},
	{path: "/gather/out", words: "One kind at a time", open: func(b *browser) { b.click("lovage leaf"); b.sees("Where on the plant") }},
	{path: "/round", words: "What do you see?", open: func(b *browser) { b.click("Something came up by itself"); b.sees("What you take it for") }},
	{path: "/store", words: "Its way here"},
	{path: "/store", words: "Its way here", open: func(b *browser) { b.click("Labels"); b.sees("A gift: says everything") }},
	{path: "/store", words: "Its way here", open: func(b *browser) { b.click("Bought"); b.sees("Its jar holds") }},
	{path: "/store?jar=14", words: "Held back."},
	{path: "/store/drier", words: "What waits"},
	{path: "/store/drier", words: "What waits", open: func(b *browser) { b.click("Take it out, dry"); b.sees("Tested in the hand") }},
	{path: "/store/make?jar=9", words: "covers it"},
	{path: "/store/recipes", words: "Evening tea", open: func(b *browser) { b.click("Write one"); b.sees("One more") }},
	{path: "/store/runway", words: "a year takes about"},
	{path: "/store/held", words: "Tell whoever was given some"},
	{path: "/store/lots/29", words: "Its way"},
	{path: "/weather", words: "How good the outlook was"},
	{path: "/weather", words: "How good the outlook was", open: func(b *browser) { b.click("Type a reading"); b.sees("Rain in the gauge") }},
	{path: "/weather/water", words: "To fill it"},
	{path: "/weather/climate?species=sweet-basil", words: "sweet basil: kills"},
	{path: "/ledger", words: "Take back"},
	{path: "/settings", words: "Household"},
	{path: "/settings/home", words: "Let a device in", open: func(b *browser) { b.click("Change Kitchen tablet"); b.sees("What it is called") }},
	{path: "/settings/home", words: "Let a device in", open: func(b *browser) {
		b.click("Make a code")
		b.sees("For one device")
		b.click("Put Kitchen tablet out")
		b.sees("let in no more, at once")
	}},
	{path: "/settings/kept", words: "All that was noted here has been sent"},
	{path: "/settings/notices", words: "fonts and libraries", open: func(b *browser) { b.clickOn("summary", "idb"); b.sees("ISC License") }},
	{path: "/plantings/2", words: "What may be taken today", open: func(b *browser) { b.click("Note what you see"); b.sees("How many of them?") }},
	{path: "/plantings/2", words: "What may be taken today", open: func(b *browser) { b.click("Note a picking"); b.sees("Note it") }},
	{path: "/plantings/2", words: "What may be taken today", open: func(b *browser) {
		b.click("Note a picking")
		b.click("Choose the day from a month: Day")
		b.until("the month to open", func() bool { return b.has("[role=gridcell]") })
	}},
	{path: "/", words: "Tuesday 27 May", open: func(b *browser) {
		b.until("the finding to open", func() bool { b.keys("/"); return b.has("[role=dialog]") })
		b.fill("Find anything, by any name", "mea")
		b.sees("Meadowsweet")
	}},
}

// No screen breaks a rule of axe-core's, in any of the three looks, on a desk or a phone; and
// nothing of it is cut off at the side or too small to read. A look changes colours and
// weights alone, so the rules that no colour can break are asked once for each width.
func TestEveryScreenIsReachedReadAndFits(t *testing.T) {
	axe, err := os.ReadFile(filepath.Join("..", "web", "node_modules", "axe-core", "axe.min.js"))
	check(t, err)
	p, house := sharedPlot(t)
	code, err := house.sharing.House.Invite("Joss")
	check(t, err)
	_, _, err = house.sharing.House.Pair(t.Context(), code.Text, "Kitchen tablet", "", netip.MustParseAddr("192.168.1.31"))
	check(t, err)
	check(t, house.sharing.House.RenewFeed(t.Context()))
	for _, look := range []string{"paper", "dusk", "sunlight"} {
		t.Run(look, func(t *testing.T) {
			t.Parallel()
			rules := `{resultTypes: ["violations"], runOnly: ["color-contrast", "link-in-text-block"]}`
			if look == "paper" {
				rules = `{resultTypes: ["violations"]}`
			}
			b := open(t, p, 1280, 820, "/ledger")
			b.sees("Take back")
			_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`localStorage.setItem("brambly-acre-look", %q), true`, look)))
			check(t, err)
			for i, screen := range everyScreen {
				if look != "paper" && i%4 != 1 {
					continue // the same tokens colour all of them: every fourth tells, and CI has 25 minutes
				}
				check(t, chromedp.Do(b.ctx, chromedp.EmulateViewport(1280, 820)))
				b.visit(screen.path)
				b.sees(screen.words)
				if screen.open != nil {
					screen.open(b)
				}
				b.gone("[role=progressbar]")
				_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](string(axe)+"; true"))
				check(t, err)
				widths := []int64{1280, 390, 320}
				switch look {
				case "dusk":
					widths = []int64{1280} // other colours alone: what fits in paper fits
				case "sunlight":
					widths = []int64{1280, 320} // heavier, so it must fit; its colours are the same at any width
				}
				for _, width := range widths {
					check(t, chromedp.Do(b.ctx, chromedp.EmulateViewport(width, 820)))
					for _, wrong := range b.unfit() {
						t.Errorf("%s at %d px: %s", screen.path, width, wrong)
					}
					if width == 320 {
						continue
					}
					for _, broken := range b.axe(rules) {
						t.Errorf("%s at %d px: %s", screen.path, width, broken)
					}
				}
			}
		})
	}
}

// keepsToTheRules holds what a tab shows to all of it at some widths.
func (b *browser) keepsToTheRules(widths ...int64) {
	b.t.Helper()
	axe, err := os.ReadFile(filepath.Join("..", "web", "node_modules", "axe-core", "axe.min.js"))
	check(b.t, err)
	_, err = chromedp.Run(b.ctx, chromedp.Evaluate[bool](string(axe)+"; true"))
	check(b.t, err)
	for _, width := range widths {
		check(b.t, chromedp.Do(b.ctx, chromedp.EmulateViewport(width, 820)))
		for _, wrong := range append(b.unfit(), b.axe(`{resultTypes: ["violations"]}`)...) {
			b.t.Errorf("at %d px: %s", width, wrong)
		}
	}
}

// The first page of a plot that nobody has placed keeps to the same rules.
func TestTheFirstPageIsReachedReadAndFits(t *testing.T) {
	t.Parallel()
	b := open(t, unplacedPlot(t), 1280, 820, "/")
	b.sees("Touch the map")
	b.fill("Latitude", "-35")
	b.sees("Which of these is most like yours?")
	b.keepsToTheRules(1280, 390, 320)
}

// unfit is what does not fit the window, or is too small to read.
func (b *browser) unfit() []string {
	b.t.Helper()
	const script = `new Promise((told) => {
		const look = () => [
			...(document.documentElement.scrollWidth > window.innerWidth ? ["the page is " + (document.documentElement.scrollWidth - window.innerWidth) + " px too wide"] : []),
			...[...document.querySelectorAll("main svg")].filter((e) => e.getBoundingClientRect().right > window.innerWidth + 1).map((e) => "a drawing is cut off: " + (e.getAttribute("aria-label") ?? e.getAttribute("class"))),
			...[...document.querySelectorAll("main *")]
				.filter((e) => e.childNodes.length === 1 && e.firstChild.nodeType === 3 && e.firstChild.data.trim() && e.getClientRects().length > 0)
				.filter((e) => parseFloat(getComputedStyle(e).fontSize) < 11).map((e) => "too small to read: " + e.textContent.slice(0, 40)),
			...overlapping([...document.querySelectorAll("[data-label]")]),
		];
		const overlapping = (labels) => labels.flatMap((a, i) => labels.slice(i + 1).filter((b) => {
			const [p, q] = [a.getBoundingClientRect(), b.getBoundingClientRect()], by = 3; // a line's box is higher than its letters
			return p.left + by < q.right && q.left + by < p.right && p.top + by < q.bottom && q.top + by < p.bottom;
		}).map((b) => a.textContent + " lies over " + b.textContent));
		// A drawing takes a moment to follow its window's width.
		const until = performance.now() + 5000;
		const again = () => { const wrong = look(); if (wrong.length === 0 || performance.now() > until) told(wrong); else setTimeout(again, 60); };
		requestAnimationFrame(() => setTimeout(again, 30));
	})`
	wrong, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]string](script, chromedp.EvalAwaitPromise))
	check(b.t, err)
	return wrong
}

// axe are the rules that the page breaks, each with where.
func (b *browser) axe(rules string) []string {
	b.t.Helper()
	run := `Promise.allSettled(document.getAnimations().map((a) => a.finished)).then(() => axe.run(document, ` + rules + `)).then((r) => r.violations.map((v) =>
		v.id + " (" + v.help + "): " + v.nodes.slice(0, 4).map((n) => n.target.join(" ") + " [" + (n.any[0]?.message ?? n.all[0]?.message ?? n.none[0]?.message ?? "") + "]").join("; ") + (v.nodes.length > 4 ? " and " + (v.nodes.length - 4) + " more" : "")))`
	broken, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]string](run, chromedp.EvalAwaitPromise))
	check(b.t, err)
	for i := range broken {
		broken[i] = strings.Join(strings.Fields(broken[i]), " ")
	}
	return broken
}

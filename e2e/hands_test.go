package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// The keys do what the help says they do.
func TestKeysReachEverything(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/")
	b.sees("Tuesday 27 May")
	b.until("the page to heed its keys", func() bool { // it does once it is drawn whole
		b.keys("?")
		return strings.Contains(b.text(), "Show a week earlier, a week later")
	})
	b.keys(kb.Escape)
	b.gone("[role=dialog]")

	b.keys("]")
	b.sees("Tuesday 3 June")
	b.sees("shown: 3 June")
	b.keys("}")
	b.sees("Wednesday 4 June")
	b.keys("[")
	b.sees("Wednesday 28 May")
	b.keys("t")
	b.sees("Tuesday 27 May")
	b.seesNo("shown:")

	for _, area := range []struct{ key, says string }{{"p", "Lay out a bed"}, {"r", "What do you see?"}, {"g", "Windows and baskets"}, {"d", "Pickings as a table"}, {"n", "Closing"}} {
		b.keys("g" + area.key)
		b.sees(area.says)
	}

	// Find a plant by a name in another language, without its accents.
	b.keys("/")
	b.fill("Find anything, by any name", "madesuss")
	b.until("both meadowsweets to be found", func() bool {
		return strings.HasPrefix(b.textOf("[aria-label=Found]"), "Meadowsweet Wet Corner Meadowsweet Hedge Foot Meadowsweet in the library")
	})
	b.keys(kb.ArrowDown)
	b.keys(kb.Enter)
	b.sees("Meadowsweet · Hedge Foot")

	// Note a look at the planting that is open, then leave without noting.
	b.keys("o")
	b.sees("What do you see?")
	b.keys(kb.Escape)
	b.gone("[role=dialog]")
	// What was typed is not thrown away unasked.
	b.keys("k")
	b.fill("How much did you take?", "3 stems")
	b.keys(kb.Escape)
	b.sees("What you typed here is not noted yet.")
	b.click("Go on")
	b.seesNo("What you typed here is not noted yet.")
	typed, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`[...document.querySelectorAll("[role=dialog] input")].some((e) => e.value === "3 stems")`))
	check(t, err)
	if !typed {
		t.Error("what was typed is gone")
	}
	b.keys(kb.Escape)
	b.click("Throw it away")
	b.gone("[role=dialog]")
}

// The plan and the ribbon are used without a mouse.
func TestPlanAndRibbonAreReachedByKeyboard(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plot")
	b.sees("Lay out a bed")
	b.focus("[aria-label^='Bed Dry Bank']")
	b.keys(kb.Enter)
	b.sees("Gravel, faces south.")
	// The next stop of the keyboard is what stands in the bed.
	b.keys(kb.Tab)
	b.keys(kb.Enter)
	b.sees("Common sage · Dry Bank")
	b.focus("[role=slider]")
	b.keys(kb.ArrowRight)
	b.sees("shown: 28 May")
	b.keys(kb.PageDown)
	b.sees("shown: 4 June")
	b.keys(kb.Home)
	b.seesNo("shown:")
}

// Dragging the flag shows another day on every planning screen.
func TestDraggingTheFlagShowsAnotherDay(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/")
	b.sees("Tuesday 27 May")
	at := b.locate("[role=slider]", "Shown day")
	// The ribbon is 1132 px wide at this width: 250 px are about 80 days.
	b.drag(at.X, at.Y, at.X+250, at.Y)
	b.sees("shown, not today")
	b.sees("August")
	b.click("Gather")
	b.sees("shown:")
	b.click("Plot")
	b.until("the meadowsweet setting seed", func() bool {
		label, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`document.querySelector("[data-planting][aria-label^='meadowsweet, Wet Corner']")?.getAttribute("aria-label") ?? ""`))
		check(t, err)
		return strings.Contains(label, "setting seed") || strings.Contains(label, "ripe")
	})
}

// Out of reach of the network a round goes on: looks are kept on the device,
// sent when it is back, and counted once.
func TestRoundGoesOnWithoutANetwork(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/round")
	b.sees("0 of 35 seen")
	b.until("the other pages' code", func() bool {
		return evaluate[bool](b, `performance.getEntriesByType("resource").some((one) => one.name.includes("/assets/Gather-") && one.responseEnd > 0)`)
	})
	p.cut.Store(true)
	b.click("Next: garden sorrel")
	b.until("the next stop", func() bool { return b.textOf("main h1") == "Garden sorrel" })
	b.sees("saved on this device · 1 to send")
	b.click("Next: greater burdock")
	b.sees("2 to send")
	// They are sent from whatever page one is on, and by a page that is opened anew.
	b.click("Gather")
	p.cut.Store(false)
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`window.dispatchEvent(new Event("online"))`))
	check(t, err)
	b.until("both looks to be sent", func() bool {
		v, err := p.garden.Now.Round(t.Context())
		check(t, err)
		return v.Seen == 2
	})
	b.toLedger()
	b.sees("Saw lovage in Long Bed: full leaf, most")
	b.sees("Saw garden sorrel in Long Bed: in bud")
	view, err := p.garden.Now.Round(t.Context())
	check(t, err)
	if view.Seen != 2 {
		t.Errorf("%d plantings count as seen today, want 2", view.Seen)
	}
}

// A look that waited and is then refused stays on the device with its reason,
// until the grower throws it away.
func TestALookRefusedLaterIsShownWithItsReason(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/round")
	b.sees("0 of 35 seen")
	p.cut.Store(true)
	b.click("Next: garden sorrel")
	b.sees("saved on this device · 1 to send")
	_, err := p.garden.Place.RemovePlanting(t.Context(), 1)
	check(t, err)
	p.cut.Store(false)
	_, err = chromedp.Run(b.ctx, chromedp.Evaluate[bool](`window.dispatchEvent(new Event("online"))`))
	check(t, err)
	b.sees("Lovage, Long Bed: full leaf, was not taken in: Lovage was removed from Long Bed.")
	b.click("Throw away")
	b.seesNo("was not taken in")
	b.sees("all sent")
}

func TestUnitsAreShownAsChosenAndTypedEitherWay(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/settings")
	b.choose("Units shown", "US: inches, pounds, °F")
	b.click("Keep these")
	b.sees("Changed the site: Thornwell Acre")
	b.sees("Last night at 32 °F or below")
	b.fill("Latitude (degrees, south below 0)", "95")
	b.click("Keep these")
	b.sees("A latitude lies between -90 and 90 degrees")
	b.fill("Latitude (degrees, south below 0)", "")
	b.click("Keep these")
	b.sees("Write a number.")
	b.visit("/gather")
	b.sees("Up to 13 of 50 outer stalks · 11 oz")
	b.click("Pick lovage leaf, Long Bed")
	b.fill("How much did you take?", "200 g")
	b.click("Note it")
	b.sees("Picked 8 outer stalks, 7 oz, of lovage leaf in Long Bed")
}

// The ribbon says what its marks mean and what they say of the day under the pointer, and of the shown
// day to who goes by the keyboard or has it read aloud.
func TestTheRibbonExplainsItself(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/plot")
	b.sees("Lay out a bed")
	box, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]float64](`(() => { const r = document.querySelector("[data-testid=ribbon]").getBoundingClientRect(); return [r.x, r.y, r.width, r.height]; })()`))
	check(t, err)
	const dayOfYear = 195 // 14 July, of 365
	b.mouse(chromedp.MouseMoved, box[0]+dayOfYear/364.*box[2]*364/365+1, box[1]+20)
	b.sees("July 2031")
	said := b.textOf("[data-testid=ribbon-figures]")
	for _, words := range []string{"windows open in the week", "soil: ", "°C", "frost at night: 0 in 10"} {
		if !strings.Contains(said, words) {
			t.Errorf("%q is not in %q", words, said)
		}
	}
	b.focus("[role=slider][aria-label='Shown day']")
	b.keys(kb.ArrowRight)
	b.sees("28 May 2031")
	b.until("the day and its figures to be read aloud", func() bool {
		aloud, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`document.querySelector("[role=slider][aria-label='Shown day']").getAttribute("aria-valuetext")`))
		check(t, err)
		return strings.Contains(aloud, "28 May 2031") && strings.Contains(aloud, "soil: ")
	})
}

package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// A look that the forecast held for next to impossible is asked back, and is noted only once
// the grower says that it was seen; the undo stands in the dialog that shows its effect.
func TestASurprisingLookIsAskedBack(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plantings/1")
	b.click("Note what you see")
	b.click("ripe")
	b.click("Note it")
	b.sees("Seen, or a slip?")
	b.sees("The forecast gave it")
	b.click("Leave")
	b.gone("[role=dialog]")
	b.sees("seen 13 April") // nothing was noted
	b.click("Note what you see")
	b.click("ripe")
	b.click("Note it")
	b.click("Seen so: note it")
	b.sees("Seen ripe on 27 May.")
	b.clickOn("[role=dialog] button", "Undo")
	b.gone("[role=dialog]")
	b.sees("Took back: Saw lovage")
	b.sees("seen 13 April")
}

// What the law may forbid and what a bed does not hold is asked back where it is set.
func TestASpreaderIsAskedBackWhereItIsSet(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plot?bed=1")
	b.click("Set a planting")
	b.fill("Plant, by any name", "japanese knotweed")
	b.clickOn("[role=option]", "Japanese knotweed")
	b.sees("is an offence: see the local list") // said as soon as it is chosen
	b.fill("Plants", "1")
	b.choose("Where it came from", "from a division")
	b.click("Set it")
	b.sees("Set it all the same?")
	b.click("Leave")
	b.gone("[role=dialog]")
	b.seesNo("Japanese knotweed")
}

// On paper nothing can be opened, so the cautions stand there; and in any look paper is white.
func TestCautionsArePrinted(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/settings")
	b.click("dusk")
	b.visit("/")
	b.sees("Pick meadowsweet leaf")
	b.seesNo("ask a doctor or pharmacist first")
	_, err := chromedp.Call(b.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{Media: "print"})
	check(t, err)
	b.sees("ask a doctor or pharmacist first")
	if ink, ground := b.printed("color"), b.printed("background-color"); ink != "rgb(20, 23, 15)" || ground != "rgb(255, 255, 255)" {
		t.Errorf("in dusk it prints %s on %s", ink, ground)
	}
	if text := b.text(); strings.Contains(text, "Not yet") {
		t.Error("buttons are printed")
	}
}

// printed is a property of the page as it is shown now.
func (b *browser) printed(property string) string {
	b.t.Helper()
	value, err := chromedp.Run(b.ctx, chromedp.Evaluate[string]("getComputedStyle(document.body).getPropertyValue("+quoted(property)+")"))
	check(b.t, err)
	return value
}

// A phone reaches the settings, the finding and the keys; and a chosen bed has an address,
// to which Back returns.
func TestAPhoneReachesEverything(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 390, 844, "/round")
	b.click("More")
	b.clickOn("[role=menuitem]", "Settings")
	b.sees("Units shown")
	b.click("More")
	b.clickOn("[role=menuitem]", "Find anything")
	b.fill("Find anything, by any name", "wet corner")
	b.clickOn("[aria-label=Found] [role=option]", "Wet Cornerbed")
	b.sees("Below the water butt's overflow.")
	b.click("meadowsweet, Wet Corner")
	b.click("Open")
	b.sees("What may be taken today")
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool]("history.go(-2), true"))
	check(t, err)
	b.sees("Below the water butt's overflow.")
}

// Without a network an area that was not opened before opens all the same, for its code was
// fetched ahead; what cannot be read says so beside the cane.
func TestWithoutANetworkNoAreaIsBlank(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/round")
	b.sees("What do you see?")
	b.until("the code of the areas", func() bool {
		there, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`["Ledger", "LedgerList"].every((name) =>
			performance.getEntriesByType("resource").some((e) => e.name.includes("/" + name + "-") && e.responseEnd > 0))`))
		check(t, err)
		return there
	})
	p.cut.Store(true)
	b.toLedger()
	b.sees("cannot be reached")
	b.sees("More") // the cane stays
}

// What was noted in a dialog is noted: leaving it asks nothing, and once it is taken back, by
// the key, the dialog does not go on saying it.
func TestWhatIsTakenBackInADialogIsNoLongerSaid(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plantings/2")
	b.sees("What may be taken today")
	note := func() {
		b.click("Note what you see")
		b.sees("How many of them?")
		b.fill("Note", "By the gate")
		b.click("Note it")
		b.locate(buttons, "Close")
	}
	note()
	b.keys("u")
	b.gone("[role=dialog]")
	b.sees("Took back: Saw hop")
	note()
	b.until("the focus to be in the dialog", func() bool {
		inside, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`document.activeElement.closest(".MuiDialog-root") !== null`))
		check(t, err)
		return inside
	})
	b.keys(kb.Escape)
	b.gone("[role=dialog]")
	b.seesNo("What you typed here is not noted yet.")
	b.keys("u")
	b.sees("Took back: Saw hop")
}

// Out on the round what was noted is said in its head, and covers no plant's name; it is
// undone there.
func TestTheRoundSaysWhatWasNotedBesideThePlant(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/round")
	b.sees("What do you see?")
	b.click("Next:")
	b.sees("Saw lovage in Long Bed")
	b.sees("Garden sorrel")
	name, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`(() => {
		const r = document.querySelector("h1").getBoundingClientRect();
		return document.elementFromPoint(r.x + 10, r.y + r.height / 2)?.closest("h1") !== null;
	})()`))
	check(t, err)
	if !name {
		t.Error("something lies over the plant's name")
	}
	b.click("Undo")
	b.sees("Took back: Saw lovage in Long Bed")
}

package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// Without a network a look is not lost: the answers stand until it can be sent. On a
// phone, as it is used outside.
func TestALookThatCannotBeSentStandsUntilItCan(t *testing.T) {
	t.Parallel()
	p := emptyPlot(t)
	planting := foundSage(t, p)
	b := open(t, p, 390, 844, planting+"/check")
	b.sees("Is it common sage?")
	b.fill("Someone else", "Ida")
	b.keys("\r")
	b.sees("seen, as common sage")
	asked := b.answerAll("seen, as common sage")
	p.cut.Store(true)
	b.click("Note the look")
	b.sees("The plot cannot be reached just now.")
	p.cut.Store(false)
	b.visit(planting + "/check") // a phone drops the page
	b.sees("common sage?")
	b.click("Note the look")
	b.sees("Checked common sage in Long Bed")
	b.sees("still one more whole look, by another person or at least 3 days later")
	b.sees("Ida, 27 May")
	if asked < 3 {
		t.Errorf("%d questions were asked", asked)
	}
}

// Customs are off until they are switched on; then several authors stand side by side,
// and at the picking.
func TestCustomsStandSideBySideOnceSwitchedOn(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants/lovage")
	b.click("Add a note")
	b.fill("Note", "Not on the list of this valley in 2031.")
	b.choose("It is", "what the local list says")
	b.click("Keep the note")
	b.sees("Local list: Not on the list of this valley in 2031.")

	b.visit("/settings")
	b.click("Keep my own customs with the plants")
	b.sees("Switched customs on")
	b.visit("/plants/lovage")
	for _, custom := range []struct{ author, text string }{{"Ida’s aunt", "Ask leave before the first cut."}, {"the miller", "Cut under a waning moon."}} {
		b.click("Add a note")
		b.choose("It is", "a custom")
		b.click("Keep the note")
		b.sees("Write the note.")
		b.fill("Whose custom", custom.author)
		b.fill("Note", custom.text)
		b.click("Keep the note")
		b.sees("Custom: " + custom.text)
	}
	b.visit("/gather")
	b.click("Pick lovage leaf, Long Bed")
	b.sees("Custom of Ida’s aunt: Ask leave before the first cut.")
	b.sees("Custom of the miller: Cut under a waning moon.")
}

// A jar's label is a page to print; what is not fit for use has none.
func TestALabelIsServedForWhatIsFitForUse(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather")
	b.sees("At the table")
	answer, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`(async () => {
		const link = document.querySelector("a[aria-label='Label of Hop young shoot']");
		const reply = await fetch(link.href);
		return reply.status + " " + reply.headers.get("content-type") + " " + (await reply.text()).slice(0, 5);
	})()`, chromedp.EvalAwaitPromise))
	check(t, err)
	if answer != "200 application/pdf %PDF-" {
		t.Errorf("the label is %q", answer)
	}
	if strings.Contains(b.text(), "Label of Common sage leaf") {
		t.Error("a label is offered for what was not sorted")
	}
}

// Every screen of identity is worked by the keyboard alone.
func TestAQuestionIsAnsweredByTheKeyboard(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plantings/12/check")
	b.sees("Is it sweet cicely?")
	b.focus("section [role=group] button")
	b.keys("\r")
	b.sees("Note the look: 1 character")
	b.focus("section [role=group] button:nth-of-type(3)")
	b.keys(" ")
	b.sees("cannot tell")
	b.sees("Note the look: 2 characters")
}

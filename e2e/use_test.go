package e2e

import (
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
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
	b.sees("1 entry to send")
	p.cut.Store(false)
	b.visit(planting + "/check") // a phone drops the page
	b.sees("common sage?")
	b.until("the look to be sent", func() bool { return strings.HasPrefix(p.newest(t).Summary, "Checked common sage in Long Bed") })
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

// A day is typed part by part on the keyboard, or picked from a month with the arrows, as it is read;
// half a day is refused at its field and nothing is lost.
func TestADayIsTypedOrPicked(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/plantings/2")
	b.sees("What may be taken today")
	seenOn := func(day string) bool {
		v, err := p.garden.Place.Planting(t.Context(), 2, plot.NoDay)
		check(t, err)
		return slices.ContainsFunc(v.Seen, func(look place.SeenMark) bool { return look.Day.String() == day })
	}
	if seenOn("2031-05-26") || seenOn("2031-05-24") {
		t.Fatal("the sample plot has looks of these days")
	}
	section := func(name string) {
		at := b.locate("[role=dialog] [role=spinbutton]", name)
		check(t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at.X, at.Y)))
	}
	b.click("Note what you see")
	b.sees("How many of them?")
	section("Month")
	b.keys("\b")
	b.click("Note it")
	b.sees("Type one like 27 May 2031.")
	section("Day")
	b.keys("26")  // the month is next
	b.keys("may") // as it is said
	b.keys("2031")
	b.click("Note it")
	b.until("the typed day's look", func() bool { return seenOn("2031-05-26") })
	b.click("Close")
	b.click("Note what you see")
	b.sees("How many of them?")
	b.click("Choose the day from a month: Day")
	b.until("the month to have the keyboard", func() bool { return b.has("[role=gridcell]:focus") })
	b.keys(kb.ArrowLeft + kb.ArrowLeft + kb.ArrowLeft)
	b.keys("\r")
	// On a busy machine the key's own press can meet the button that has the focus again, and open the month anew.
	for end := time.Now().Add(3 * time.Second); b.has("[role=gridcell]"); time.Sleep(100 * time.Millisecond) {
		if time.Now().After(end) {
			b.keys(kb.Escape)
			break
		}
	}
	b.click("Note it")
	b.until("the picked day's look", func() bool { return seenOn("2031-05-24") })
}

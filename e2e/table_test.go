package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
)

// clickEach clicks every element of a selector, and returns how many there were.
func (b *browser) clickEach(selector string) int {
	b.t.Helper()
	clicked, err := chromedp.Run(b.ctx, chromedp.Evaluate[int](fmt.Sprintf(`(() => {
		const all = [...document.querySelectorAll(%s)];
		all.forEach((e) => e.click());
		return all.length;
	})()`, quoted(selector))))
	check(b.t, err)
	return clicked
}

// At the table a picking is sorted before it counts as fit for use, and what is made of
// it names whom its cautions are for.
func TestAPickingIsSortedAndMadeIntoSomething(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather")
	b.click("Sort it: Common sage leaf")
	b.click("It is sorted")
	b.sees("Say who sorted it.")
	b.fill("Who sorted it", "Ida")
	b.click("It is sorted")
	b.sees("Answer every question")
	if n := b.clickEach("button[aria-label$=': seen']"); n == 0 {
		t.Fatal("nothing is asked at the table")
	}
	b.fill("Rejected", "lots")
	b.click("It is sorted")
	b.sees(`"lots" is not a weight`)
	b.fill("Rejected", "4")
	b.click("It is sorted")
	b.gone("[aria-label='Sort Common sage leaf']")
	b.click("Use it fresh: Common sage leaf")
	b.choose("As", "tea")
	b.sees("Ask a doctor or pharmacist")
	b.click("Note that it is used")
	b.sees("used: tea")
}

// A stranger in the basket holds that basket back, and says so where it stands.
func TestAStrangerInTheBasketHoldsItBack(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather")
	b.click("Sort it: Common sage leaf")
	b.fill("Who sorted it", "Joss")
	b.clickEach("button[aria-label$=': seen']")
	b.clickEach("section[aria-label='smell when crushed'] button[aria-label$=': not seen']")
	b.click("It is sorted")
	b.sees("held back")
	b.gone("[aria-label='Use it fresh: Common sage leaf']")
	b.click("Undo")
	b.sees("Sort it")
}

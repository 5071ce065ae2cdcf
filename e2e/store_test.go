package e2e

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"bramblyacre/garden/larder"
)

// drier is the drier as the server has it.
func (b *browser) drier() (v larder.DrierView) {
	b.t.Helper()
	check(b.t, json.Unmarshal([]byte(b.fetch("/api/drier")), &v))
	return v
}

// productLine is a product's runway as the server has it.
func (b *browser) productLine(name string) larder.ProductView {
	b.t.Helper()
	var v larder.RunwayView
	check(b.t, json.Unmarshal([]byte(b.fetch("/api/store/runway")), &v))
	for _, one := range v.Products {
		if one.Name == name {
			return one
		}
	}
	return larder.ProductView{}
}

// From the basket to the cup: sorted, laid on a tray by dragging, weighed, tested, filled into a jar with its label, taken
// by the cup, and the runway moves.
func TestABasketGoesThroughTheDrierIntoAJarAndTheCup(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/store/drier")
	b.sees("What waits")
	b.sees("Simulated scale and Simulated humidity sensor")
	// The proposal: the rest of the sweet cicely goes on the free tray.
	b.click("Lay it in so")
	b.sees("Laid to dry: 80 g of sweet cicely leaf on tray 4")
	tray := b.drier().Trays[3]
	if tray.Lot == nil || tray.Lot.Name != "sweet cicely leaf" {
		t.Fatalf("%+v", tray)
	}
	before := tray.Lot.Late - tray.Lot.Early
	b.sees("Tray 4")
	b.click("Weigh it")
	b.fill("What it weighs", "95 g")
	b.fill("When", "2031-05-27T16:00")
	b.click("Note it")
	b.sees("It was 80 g when it was laid in")
	b.fill("What it weighs", "31 g")
	b.click("Note it")
	b.sees("Weighed sweet cicely leaf in the drier: 31 g")
	if after := b.drier().Trays[3].Lot; after.Late-after.Early >= before {
		t.Errorf("a weighing left a range of %v h, before %v", after.Late-after.Early, before)
	}
	b.click("Take it out, dry")
	b.fill("What it weighs now", "120 g")
	b.fill("When", "2031-05-27T23:00")
	b.clickOn("[role=dialog] button[type=submit]", "Take it out")
	b.sees("dried it cannot weigh more")
	b.sees("Test it in the hand first")
	b.fill("What it weighs now", "16 g")
	b.clickOn("[role=dialog] input[type=checkbox]", "")
	b.clickOn("[role=dialog] button[type=submit]", "Take it out")
	b.sees("Took sweet cicely leaf out of the drier: 16 g of 80 g")

	b.visit("/store")
	b.sees("16 g not in a jar yet")
	b.click("Into a jar: fill sweet cicely leaf")
	b.fill("It holds", "20 ml")
	b.fill("How much", "16 g")
	b.clickOn("[role=dialog] button[type=submit]", "Fill it")
	b.sees("It does not go in")
	b.fill("It holds", "500 ml")
	b.clickOn("[role=dialog] button[type=submit]", "Fill it")
	b.sees("Filled 16 g of sweet cicely leaf into 1 jar")
	b.seesNo("16 g not in a jar yet")
	var store larder.StoreView
	check(t, json.Unmarshal([]byte(b.fetch("/api/store")), &store))
	jar := int64(0)
	for _, shelf := range store.Shelves {
		for _, one := range shelf.Jars {
			if one.Name == "sweet cicely leaf" {
				jar = one.ID
			}
		}
	}
	if label := b.fetch(fmt.Sprintf("/api/files/jar-labels?jars=%d&size=large", jar)); !strings.HasPrefix(label, "%PDF-") {
		t.Errorf("its label is %.80q", label)
	}

	// Two touches: the jar, and the cup. What a cup of it weighs is asked for once.
	b.visit(fmt.Sprintf("/store?jar=%d", jar))
	b.sees("16 g left")
	b.click("Take 1 cup of sweet cicely leaf")
	b.fill("What one of it weighs", "2 g")
	b.click("Take it")
	b.sees("Took 2 g of sweet cicely leaf")
	b.sees("14 g left")
	b.click("Take 1 cup of sweet cicely leaf")
	b.sees("12 g left")
	// The sage has three years of use: a large taking moves its end.
	was := b.productLine("common sage leaf")
	b.visit("/store?jar=9")
	b.sees("common sage leaf")
	b.click("Other amount")
	b.fill("How much", "30 g")
	b.click("Take it")
	b.sees("Took 30 g of common sage leaf")
	if is := b.productLine("common sage leaf"); is.Middle >= was.Middle {
		t.Errorf("it is used up on %v, before on %v", is.Middle, was.Middle)
	}
	b.click("How long it lasts")
	b.sees("a year takes about")
}

// A lot that is called back: every jar and gift of it is named, nothing is taken of them, and when it was an error
// everything is free again.
func TestALotIsCalledBackAndFreed(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/store/held")
	b.sees("sprayed that day")
	b.sees("12 g of Evening tea, given to Wyn next door")
	b.click("Wyn next door is told")
	b.sees("told on 27 May 2031")
	b.visit("/store?jar=14")
	b.sees("Held back.")
	b.seesNo("Take 1 cup")
	b.visit("/store/held")
	b.click("It was an error: free it all")
	b.sees("Nothing is held back")
	b.sees("Free again")
	b.visit("/store?jar=14")
	b.sees("Take 1 cup")
	// Hold another back, from its own page.
	b.visit("/store/lots/29")
	b.sees("valerian root")
	b.click("Hold it back")
	b.clickOn("[role=dialog] button[type=submit]", "Hold it back")
	b.sees("Say why it is held back")
	b.fill("Why", "Moths in it.")
	b.clickOn("[role=dialog] button[type=submit]", "Hold it back")
	b.sees("Held back valerian root")
	b.sees("Moths in it.")
	b.visit("/")
	b.sees("Set apart")
}

// Something is laid in spirit: its sums, what is wrong at its field, its steps among the jobs, and it is shaken.
func TestSomethingIsMadeOfAJar(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/store/make?jar=9")
	b.sees("covers it")
	b.click("Lay in spirit")
	b.sees("40 % on the bottle")
	b.fill("How much of common sage leaf", "10 g")
	b.sees("50 ml of spirit covers it")
	b.fill("Strength, in %", "120")
	b.sees("above 0 and at most 100")
	b.fill("Strength, in %", "45")
	b.sees("45 % on the bottle")
	b.click("Begin it")
	b.sees("Began tincture of common sage leaf")
	b.sees("tincture of common sage leaf")
	b.visit("/store/recipes")
	b.sees("Evening tea, by the recipe")
	b.click("Write one")
	b.fill("Name", "Nothing at all")
	b.click("Keep it")
	b.sees("A recipe has at least one part")
}

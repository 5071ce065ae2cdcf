package e2e

import "testing"

// A grower lays out the first bed and sets a planting in it, makes mistakes on the
// way, is told at the field, and loses nothing.
func TestBedsAndPlantingsAreMadeChangedAndRemovedOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, emptyPlot(t), 1280, 800, "/")
	b.sees("Begin with the ground")
	b.visit("/plot")
	b.sees("No bed is laid out yet.")

	b.click("Lay out a bed")
	b.fill("Name", "Kitchen Border")
	b.fill("Length", "twelve")
	b.fill("Breadth", "4 ft")
	b.fill("Middle, from the left edge", "29 m")
	b.fill("Middle, from the upper edge", "3 m")
	b.click("Say more")
	b.choose("Moisture", "moist")
	b.click("Lay it out")
	b.sees(`"twelve" is not a length; write for example 45 cm or 18 in.`)
	b.fill("Length", "6 m")
	b.click("Lay it out")
	b.sees("The bed reaches outside the plot, which is 30 m by 20 m. Move it or make it smaller.")
	b.fill("Middle, from the left edge", "8 m")
	b.click("Lay it out")
	b.sees("Laid out Kitchen Border")

	b.click("Bed Kitchen Border")
	b.sees("6 m by 1.22 m")
	b.click("Set a planting")
	b.fill("Plant, by any name", "liebstoc")
	b.click("Lovage (Levisticum officinale W.D.J.Koch)")
	b.fill("Plants", "0")
	b.choose("Where it came from", "from a division")
	b.choose("It came labelled from a known source", "yes")
	b.click("Set it")
	b.sees("Say how many plants, from 1 to 100000, or the area they cover.")
	b.sees("Say whose label it came with")
	b.fill("Plants", "3")
	b.fill("Whose label", "The neighbour, who has grown it for years.")
	b.click("Set it")
	b.sees("Set lovage, 3 plants, in Kitchen Border")

	b.click("lovage, Kitchen Border")
	b.sees("never looked at")
	b.click("Change")
	b.fill("Plants", "5")
	b.click("Change it")
	b.sees("Changed lovage, 5 plants, in Kitchen Border")
	b.sees("5 plants, second year, from a division")

	// The bed is kept while something stands in it.
	b.click("To the bed")
	b.click("Remove")
	b.sees("Lovage still stand in Kitchen Border. Remove or move them first.")
	b.click("lovage, Kitchen Border")
	b.click("Remove")
	b.sees("Removed lovage, 5 plants, in Kitchen Border")
	b.click("Undo")
	b.sees("Took back: Removed lovage")
	b.click("lovage, Kitchen Border")
	b.click("Remove")
	b.gone("[data-planting]")
	b.click("Bed Kitchen Border")
	b.click("Remove")
	b.sees("Removed Kitchen Border")
	b.sees("No bed is laid out yet.")
}

// An unproven planting and one on sprayed ground are never offered for use, and
// the answer says which check is owed.
func TestNothingIsOfferedFromUnprovenPlantsOrUnsafeGround(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plot")
	b.clickOn("[aria-label^='sweet cicely'][aria-label*='unproven']", "sweet cicely")
	b.click("Open")
	b.sees("Its identity is not proved.")
	b.sees("Not hemlock (Conium maculatum L.), deadly: Hemlock's stem and leaf stalks are hairless")
	b.seesNo("Up to")
	b.click("Plot")
	b.click("meadowsweet, Hedge Foot")
	b.click("Open")
	b.sees("roots or crown inside Lane verge (sprayed strip)")
	b.seesNo("Up to")
}

func TestPickingsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather")
	b.click("Pick lovage leaf, Long Bed")
	for _, wrong := range []struct{ amount, told string }{
		{"-4", "An amount must be above nothing."},
		{"a heap", `"a heap" is not an amount here; write outer stalks, a weight such as`},
		{"4 litres", `"4 litres" is not an amount here; write outer stalks, a weight such as`},
		{"5000 kg", "is more than the 3 plants here can have borne"},
		{"30", "This is more than the allowance of 13 outer stalks."},
	} {
		b.fill("How much did you take?", wrong.amount)
		b.click("Note it")
		b.sees(wrong.told)
	}
	// What happened is noted once the grower says so.
	b.click("I took it all the same")
	b.click("Note it")
	b.sees("Picked 30 outer stalks, 750 g, of lovage leaf in Long Bed")
}

package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"bramblyacre/garden/bench"
)

// A wish goes its whole way on screen: ways, a batch, a tray counted by tapping, planted out, and the
// forecast of the planting stands.
func TestFromAWishToTheBedOnScreen(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/bench/wanted")
	b.click("Wish for a plant")
	b.fill("Plant, by any name", "lemon balm")
	b.click("Lemon balm (Melissa officinalis L.)")
	b.fill("How many plants", "0")
	b.click("Put it on the list")
	b.sees("Say how many, from 1 to 5000.")
	b.fill("How many plants", "4")
	b.choose("In which bed", "Long Bed")
	b.click("Put it on the list")
	b.sees("Wished for 4 plants of lemon balm in Long Bed")
	b.within2("lemon balm, 4 plants in Long Bed", "Ways")
	b.sees("Ways to lemon balm")
	b.clickOn("button", "Seed Attic shelf")
	b.sees("Seed, Attic shelf")
	b.click("Plan this: seed")
	b.sees("4 wanted in Long Bed")
	b.click("It is sown")
	b.fill("How many", "12")
	b.click("Note it")
	b.sees("12 on 27 May")
	b.click("Set into cells")
	b.click("Fill a tray")
	b.fill("Name on its edge", "Balm")
	b.fill("Rows of cells", "3")
	b.fill("Cells in a row", "4")
	b.fill("A cell holds", "5 l")
	b.click("Fill it")
	b.sees("A cell holds at most 2 l; what is larger is a pot.")
	b.fill("A cell holds", "70 ml")
	b.click("Fill it")
	b.sees("Tray Balm")
	b.click("Set a batch into it")
	b.fill("Into how many cells", "13")
	b.click("Set it")
	b.sees("Only 12 cells are empty in this tray")
	b.fill("Into how many cells", "12")
	b.click("Set it")
	b.sees("0 of 12 up")
	for cell := 1; cell <= 7; cell++ {
		b.click(fmt.Sprintf("Cell %d: lemon balm, sown", cell))
	}
	b.click("Cell 7: lemon balm, up") // tapped again: as it was
	b.sees("6 of 12 up")
	b.click("Note 6 cells")
	b.sees("Counted the tray Balm: 6 of 12 lemon balm up")
	b.click("gap up")
	b.click("Cell 6: lemon balm, up")
	b.click("never came")
	b.click("Cell 12: lemon balm, sown")
	b.click("Note 1 cell")
	b.sees("never came up")
	b.visit("/bench")
	b.clickOn("button", "lemon balm")
	b.click("Plant out")
	b.fill("How many plants", "9")
	b.click("Plant them out")
	b.sees("From 1 to the 6 that stand in the batch.")
	b.fill("How many plants", "5")
	b.choose("Into which bed", "Long Bed")
	b.choose("Most of them are", "shooting")
	b.click("Plant them out")
	b.sees("Planted out lemon balm, 5 plants, in Long Bed")
	s, err := p.garden.State(t.Context())
	check(t, err)
	planting := s.Plantings[0]
	for _, one := range s.Plantings {
		if one.ID > planting.ID {
			planting = one
		}
	}
	b.visit(fmt.Sprintf("/plantings/%d", planting.ID))
	b.sees("lemon balm")
	b.sees("unproven")
	b.sees("shooting")
}

// within2 follows a link or button of one article.
func (b *browser) within2(card, name string) {
	b.t.Helper()
	b.locate("article", card)
	clicked, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`(() => {
		const card = [...document.querySelectorAll("article")].find((e) => e.getAttribute("aria-label") === %s);
		const act = [...(card?.querySelectorAll("button, a") ?? [])].find((e) => e.textContent === %s);
		act?.click();
		return Boolean(act); })()`, quoted(card), quoted(name))))
	check(b.t, err)
	if !clicked {
		b.t.Fatalf("the card %q has no act %q", card, name)
	}
}

// Volunteers are rescued: checked against each danger, lifted past the warm, and a batch from then on.
func TestVolunteersAreRescuedOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/bench/volunteers")
	b.sees("Lift before the ground is worked on 7 June")
	b.click("Check one")
	b.click("Note what it was")
	b.sees("Look at it against")
	looked, err := chromedp.Run(b.ctx, chromedp.Evaluate[int](`(() => {
		const boxes = [...document.querySelectorAll("[role=dialog] input[type=checkbox]")];
		boxes.forEach((box) => box.click());
		return boxes.length; })()`))
	check(t, err)
	if looked == 0 {
		t.Fatal("no danger is to be excluded")
	}
	b.click("Note what it was")
	b.click("Lift them")
	b.fill("How many", "40")
	b.click("They are lifted")
	b.sees("From 1 to the 26 that were seen there.")
	b.fill("How many", "8")
	b.click("They are lifted")
	b.sees("Lifted 8 volunteers, taken for garden angelica")
	b.sees("about 18")
	b.visit("/bench")
	b.clickOn("button", "garden angelica")
	b.sees("volunteers")
	b.sees("8 stand")
	b.visit("/bench/wanted")
	b.sees("8 stand")
}

// A tray is counted on a phone, with cells that a thumb hits and nothing cut off at the side.
func TestATrayIsCountedWithAThumb(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/bench/trays/2")
	b.sees("19 of 40 up")
	size, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]float64](`(() => {
		const cells = [...document.querySelectorAll("[role=group] button")].filter((e) => (e.getAttribute("aria-label") ?? "").startsWith("Cell"));
		const boxes = cells.map((cell) => cell.getBoundingClientRect());
		return [cells.length, Math.min(...boxes.map((box) => Math.min(box.width, box.height))), Math.max(...boxes.map((box) => box.right))]; })()`))
	check(t, err)
	if size[0] != 40 || size[1] < 40 || size[2] > 390 {
		t.Errorf("%.0f cells, the smallest %.0f px, the last ends at %.0f px", size[0], size[1], size[2])
	}
	tapped, err := chromedp.Run(b.ctx, chromedp.Evaluate[int](`(() => {
		const cells = [...document.querySelectorAll("[role=group] button")].filter((e) => (e.getAttribute("aria-label") ?? "").endsWith("sown")).slice(0, 5);
		cells.forEach((cell) => cell.click());
		return cells.length; })()`))
	check(t, err)
	b.sees("24 of 40 up")
	b.click("Note 5 cells")
	b.sees("Counted the tray valerian: 24 of 40 valerian up")
	if tapped != 5 {
		t.Errorf("%d cells were tapped", tapped)
	}
}

// Two people count one tray: the later is told, keeps the taps, and notes them over what stands now.
func TestATrayCountedElsewhereMeanwhileLosesNothing(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/bench/trays/2")
	b.sees("19 of 40 up")
	b.click("Cell 2: valerian, sown")
	tray, err := p.garden.Bench.Tray(t.Context(), 2)
	check(t, err)
	_, err = p.garden.Bench.CountTray(t.Context(), 2, tray.Version, bench.CountTrayInput{Changes: []bench.CellChange{{Cell: 3, State: "up", From: -1}}})
	check(t, err)
	b.click("Note 1 cell")
	b.sees("Your taps stand on the tray as it is now")
	b.sees("21 of 40 up")
	b.click("Note mine over it")
	b.sees("Counted the tray valerian: 21 of 40 valerian up")
}

// What is planned is dragged along the weeks, and the bench says at once what that comes to.
func TestABatchIsDraggedAlongTheWeeks(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	view, err := p.garden.Bench.Bench(t.Context())
	check(t, err)
	var sage bench.BatchView
	for _, batch := range view.Batches {
		if batch.Name == "common sage" {
			sage = batch
		}
	}
	b := open(t, p, 1280, 900, "/bench")
	b.sees("common sage")
	at, err := chromedp.Run(b.ctx, chromedp.Evaluate[[]float64](`(() => {
		const name = [...document.querySelectorAll("svg text")].find((e) => e.textContent === "common sage");
		const box = name.getBoundingClientRect();
		return [box.left + 20, box.top + 8]; })()`))
	check(t, err)
	b.drag(at[0], at[1], at[0]+62, at[1])
	b.sees("Move common sage: rooting")
	b.sees("Out about")
	b.click("Move it")
	b.sees("Moved the batch of common sage")
	after, err := p.garden.Bench.Bench(t.Context())
	check(t, err)
	for _, batch := range after.Batches {
		if batch.ID == sage.ID && (batch.Start < sage.Start.AddDays(10) || batch.Out <= sage.Out) {
			t.Errorf("dragged by two weeks and more: start %s, was %s; out %s, was %s", batch.Start, sage.Start, batch.Out, sage.Out)
		}
	}
}

// The sliders order the ways: who wants it soon gets the soonest first.
func TestWaysAreOrderedByWhatCounts(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	first := func(weights bench.WeightsView) bench.WayView {
		_, err := p.garden.Bench.SetWeights(t.Context(), weights)
		check(t, err)
		ways, err := p.garden.Bench.Ways(t.Context(), bench.AskInput{Species: "common-sage", Plants: 10})
		check(t, err)
		return ways.Ways[0]
	}
	soon, easy := first(bench.WeightsView{Soon: 1}), first(bench.WeightsView{Easy: 1})
	ways, err := p.garden.Bench.Ways(t.Context(), bench.AskInput{Species: "common-sage", Plants: 10})
	check(t, err)
	for _, way := range ways.Ways {
		if way.Possible && way.Ready != nil && way.Ready.P50 < soon.Ready.P50 {
			t.Errorf("%s is sooner than the first, %s", way.Title, soon.Title)
		}
		if way.Possible && way.Minutes < easy.Minutes {
			t.Errorf("%s is less work than the first, %s", way.Title, easy.Title)
		}
	}
	b := open(t, p, 1280, 800, "/bench/ways?species=common-sage&plants=10")
	b.sees("Ways to common sage")
	b.until("the chosen way to be the easiest", func() bool {
		return strings.Contains(b.textOf("main"), fmt.Sprintf("%s, %s", easy.Title, easy.Where))
	})
}

// Seed lots come from a file, line by line, and nothing is noted before it was seen.
func TestSeedsComeFromAFile(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/bench/seeds")
	b.sees("too old to rely on")
	b.click("From a file")
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`(() => {
		const text = "plant,lot,origin,ripe on,storage\nborage,Bees' corner,own,2030-08-01,cool room\nborage,of tomorrow,own,2099-01-01,cool room\n";
		const files = new DataTransfer();
		files.items.add(new File([text], "lots.csv", { type: "text/csv" }));
		const input = document.querySelector("input[type=file]");
		input.files = files.files;
		input.dispatchEvent(new Event("change", { bubbles: true }));
		return true; })()`))
	check(t, err)
	b.sees("1 can be taken, 1 refused.")
	b.sees("has not come yet")
	b.click("Leave the refused lines out")
	b.click("Take 1 in")
	b.sees("Brought in 1 seed lots from a file")
	b.sees("Bees' corner")
	b.click("Undo")
	b.until("the lot to be gone", func() bool { return !strings.Contains(b.text(), "Bees' corner") })
}

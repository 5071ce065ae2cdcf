package e2e

import (
	"strings"
	"testing"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// call names a planting otherwise, as somebody else does on another device.
func (p *served) call(t *testing.T, planting int64, species string) {
	t.Helper()
	_, err := p.garden.Place.ChangePlanting(t.Context(), planting, say.AsItStands, input.PlantingInput{BedID: 1, SpeciesID: species, Plants: 6, StartedOn: "2028-04-10", Origin: "found"})
	check(t, err)
}

func (p *served) newest(t *testing.T) journal.LedgerLine {
	t.Helper()
	view, err := p.garden.Ledger(t.Context(), journal.LedgerFilter{Most: 1})
	check(t, err)
	return view.Lines[0]
}

// A check that was begun before the planting was called something else is not noted: the
// page says what changed, keeps what was answered, and begins anew when told to. At both
// widths.
func TestACheckBegunBeforeTheNameChangedIsNotNoted(t *testing.T) {
	t.Parallel()
	for _, size := range [][2]int64{{1280, 800}, {390, 844}} {
		p := emptyPlot(t)
		planting := foundSage(t, p)
		b := open(t, p, size[0], size[1], planting+"/check")
		b.sees("Is it common sage?")
		b.fill("Someone else", "Ida")
		b.keys("\r")
		b.sees("seen, as common sage")
		b.click("seen, as common sage")
		b.sees("Note the look: 1 character")
		p.call(t, 1, "lovage")
		before := p.newest(t)
		b.click("Note the look")
		b.sees("It is down as lovage now; what you answered was asked of common sage.")
		b.sees("Is it lovage?")
		b.sees("Nothing of it was noted")
		b.seesNo("Note the look")
		if after := p.newest(t); after != before {
			t.Errorf("the ledger says %q", after.Summary)
		}
		// What was answered outlives a reload, and still proves nothing.
		b.visit(planting + "/check")
		b.sees("what you answered was asked of common sage")
		b.click("Look anew")
		b.sees("seen, as lovage")
		b.seesNo("asked of common sage")
		b.click("seen, as lovage")
		b.click("Note the look")
		b.sees("Checked lovage in Long Bed: 1 character")
	}
}

// A form that was open while somebody else changed the same thing shows both readings side by
// side; either can be taken, and nothing is written over unseen.
func TestAFormShowsBothReadingsWhereThePlotMovedOn(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/plot?bed=1")
	shown, err := p.garden.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	bed := shown.Beds[0].Input
	change := func(name, note string) {
		bed.Name, bed.Note = name, note
		_, err := p.garden.Place.ChangeBed(t.Context(), 1, say.AsItStands, bed)
		check(t, err)
	}
	b.click("Long Bed")
	b.clickOn("main button", "Change")
	b.sees("What you know of its ground")
	b.fill("Name", "Mine")
	change("Theirs", "Dug over")
	before := p.newest(t)
	b.click("Change it")
	b.sees("was changed meanwhile")
	b.until("both readings", func() bool {
		both := b.textOf("[aria-label='Changed meanwhile']")
		return strings.Contains(both, "stands now") && strings.Contains(both, "Theirs") && strings.Contains(both, "Mine") && strings.Contains(both, "Dug over")
	})
	if after := p.newest(t); after != before {
		t.Errorf("the ledger says %q", after.Summary)
	}
	// It has come into view with the focus, so that the keyboard goes on from it.
	b.until("both readings to have the focus", func() bool { return b.has("[aria-label='Changed meanwhile']:focus") })
	b.keys("\t\t\r")
	b.sees("Changed Mine")
	// And the other way: what stands is taken over into the form.
	b.clickOn("main button", "Change")
	b.fill("Name", "Mine again")
	change("Theirs again", "Dug over twice")
	b.click("Change it")
	b.sees("stands now")
	b.click("Take what stands now")
	b.gone("[aria-label='Changed meanwhile']")
	b.fill("Name", "Ours")
	b.click("Change it")
	b.sees("Changed Ours")
	if shown, err = p.garden.Place.Plot(t.Context(), plot.NoDay); err != nil || shown.Beds[0].Input.Note != "Dug over twice" || shown.Beds[0].Name != "Ours" {
		t.Errorf("the bed is %q with %q, %v", shown.Beds[0].Name, shown.Beds[0].Input.Note, err)
	}
}

// Looks that a device keeps are of the plot that they were noted in: another that is served
// at its address gets none of them, and they wait.
func TestLooksKeptForOnePlotAreNotSentToAnother(t *testing.T) {
	t.Parallel()
	p, other := samplePlot(t), emptyPlot(t)
	_, err := other.garden.Place.AddBed(t.Context(), place.BedInput{Name: "Other Bed", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1 m"}, Moisture: "moist"})
	check(t, err)
	_, err = other.garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: 1, SpeciesID: "garden-sorrel", Plants: 9, StartedOn: "2029-04-10", Origin: "seed"})
	check(t, err)
	entries := other.newest(t)
	b := open(t, p, 390, 844, "/round")
	b.sees("Expected today: full leaf")
	p.cut.Store(true)
	b.click("Next: garden sorrel")
	b.sees("saved on this device · 1 to send")
	p.other.Store(&other.handler)
	p.cut.Store(false)
	b.visit("/round")
	b.sees("An entry of another plot waits on this device until that plot is served here again.")
	b.sees("all sent")
	if after := other.newest(t); after != entries {
		t.Errorf("the other plot's ledger says %q", after.Summary)
	}
	p.other.Store(nil)
	b.visit("/round")
	b.until("the look to be sent", func() bool { return strings.Contains(p.newest(t).Summary, "Saw lovage") })
	b.sees("all sent")
	b.seesNo("of another plot")
}

// A page of one plot that is left open while another is served at its address writes
// nothing there, and says so.
func TestAPageOfAnotherPlotWritesNothing(t *testing.T) {
	t.Parallel()
	p, other := samplePlot(t), emptyPlot(t)
	b := open(t, p, 1280, 800, "/settings")
	b.sees("Copies of the plot")
	b.click("Keep a copy now")
	b.sees("A copy of the plot was kept")
	b.sees("by-hand-")
	p.other.Store(&other.handler)
	b.click("Keep these")
	b.sees("Another plot is served at this address now.")
	site, err := other.garden.Place.Site(t.Context())
	if err != nil || site.Name != "My plot" {
		t.Errorf("the other plot is called %q, %v", site.Name, err)
	}
}

// An answer that is lost on its way: what was typed stands, and sent again it counts once.
func TestAnAnswerThatIsLostIsAskedForAgain(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 800, "/settings")
	b.click("Add someone")
	b.fill("Name", "Kit")
	before := p.newest(t)
	p.lost.Store(true)
	b.click("Add them")
	b.sees("The plot cannot be reached just now.")
	b.until("the plot to have noted it", func() bool { return p.newest(t) != before })
	once := p.newest(t)
	p.lost.Store(false)
	b.click("Add them")
	b.sees("Added Kit to the household")
	if after := p.newest(t); after != once {
		t.Errorf("sent again it made the entry %q", after.Summary)
	}
}

package e2e

import (
	"math"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"bramblyacre/garden/place"
)

// gripAt is where a grip of the chosen thing stands in the window: a corner by its
// number, or "turn".
func (b *browser) gripAt(grip string) spot {
	b.t.Helper()
	var at spot
	b.until("the grip "+grip, func() bool {
		found, err := chromedp.Run(b.ctx, chromedp.Evaluate[spot](`(() => { const e = document.querySelector("[data-grip='`+grip+`']"); if (!e) return {found: false}; const r = e.getBoundingClientRect(); return {found: true, x: r.x + r.width / 2, y: r.y + r.height / 2}; })()`))
		check(b.t, err)
		at = found
		return found.Found
	})
	return at
}

func bedNamed(t *testing.T, plot place.PlotView, name string) place.BedView {
	t.Helper()
	for _, bed := range plot.Beds {
		if bed.Name == name {
			return bed
		}
	}
	t.Fatalf("there is no bed %s", name)
	return place.BedView{}
}

// A chosen bed is sized by its corners and turned by its handle; a polygon's corner
// goes where it is dragged, and a crossing outline is refused with the reason.
func TestAThingIsSizedAndTurnedByItsGrips(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/plot")
	b.click("Draw on the plan")
	b.click("Bed Terrace Pots")
	before := bedNamed(t, b.plan(), "Terrace Pots")
	corner := b.gripAt("2")
	b.drag(corner.X, corner.Y, corner.X+33, corner.Y+17)
	b.sees("Reshaped Terrace Pots")
	after := bedNamed(t, b.plan(), "Terrace Pots")
	if after.WidthM <= before.WidthM || after.DepthM <= before.DepthM {
		t.Errorf("dragged outwards, it is %v by %v m, was %v by %v", after.WidthM, after.DepthM, before.WidthM, before.DepthM)
	}
	was, is := before.At.X-before.WidthM/2, after.At.X-after.WidthM/2
	if math.Abs(was-is) > 0.01 {
		t.Errorf("the corner across moved from %v to %v", was, is)
	}
	if len(after.Plantings) != 5 {
		t.Errorf("%d plantings are left in it", len(after.Plantings))
	}

	b.click("Bed Terrace Pots")
	handle, foot := b.gripAt("turn"), b.gripAt("0")
	b.drag(handle.X, handle.Y, handle.X+90, handle.Y+(foot.Y-handle.Y)+40)
	b.until("the bed to be turned", func() bool { return bedNamed(t, b.plan(), "Terrace Pots").Input.Turn != 0 })
	if turn := bedNamed(t, b.plan(), "Terrace Pots").Input.Turn; math.Mod(turn, 5) != 0 {
		t.Errorf("the handle turned it by %v°, not by a step of 5", turn)
	}

	b.click("Bed Wet Corner")
	corners := bedNamed(t, b.plan(), "Wet Corner").Input.Points
	first, third := b.gripAt("0"), b.gripAt("2")
	b.drag(first.X, first.Y, first.X-16, first.Y-16)
	b.sees("Reshaped Wet Corner")
	if now := bedNamed(t, b.plan(), "Wet Corner").Input.Points; now[0] == corners[0] || now[2] != corners[2] {
		t.Errorf("its corners went from %v to %v", corners, now)
	}
	// The first corner taken beyond the third crosses two sides.
	first = b.gripAt("0")
	b.drag(first.X, first.Y, third.X+40, third.Y)
	b.sees("The outline crosses itself")
}

// Several things are chosen by a frame or one by one, and moved together.
func TestSeveralThingsAreChosenAndMoved(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/plot")
	b.click("Draw on the plan")
	at := b.locate("[data-thing]", "Bed Long Bed")
	check(t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at.X, at.Y)))
	dry := b.locate("[data-thing]", "Bed Dry Bank")
	check(t, chromedp.Do(b.ctx, chromedp.MouseClickXY(dry.X, dry.Y, chromedp.ButtonModifiers(chromedp.ModifierShift))))
	b.sees("2 things")
	b.sees("Long Bed, Dry Bank")
	before := b.plan()
	b.fill("Down", "50 cm")
	b.click("Move it")
	b.sees("Moved Long Bed and Dry Bank")
	after := b.plan()
	for _, name := range []string{"Long Bed", "Dry Bank"} {
		if moved := bedNamed(t, after, name).At.Y - bedNamed(t, before, name).At.Y; math.Abs(moved-0.5) > 1e-6 {
			t.Errorf("%s went down by %v m", name, moved)
		}
	}
	// Chosen by keyboard: a second one joins with shift.
	b.keys(kb.Escape)
	b.focus("[aria-label^='Bed Hedge Foot']")
	b.keys(kb.Enter)
	b.focus("[aria-label^='hedge South hedge']")
	check(t, chromedp.Do(b.ctx, chromedp.KeyEvent(kb.Enter, chromedp.KeyModifiers(chromedp.ModifierShift))))
	b.sees("2 things")
	// Out of the plot they go together or not at all.
	b.fill("Down", "60 m")
	b.click("Move it")
	b.sees("Hedge Foot: The bed reaches outside the plot")
	if here := bedNamed(t, b.plan(), "Hedge Foot"); here.At != bedNamed(t, before, "Hedge Foot").At {
		t.Errorf("Hedge Foot went to %v", here.At)
	}
}

// The plan is made larger and moved by wheel and keys, and the layers say what they
// show.
func TestThePlanIsZoomedAndItsLayersRead(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/plot")
	b.sees("Wet Corner")
	scale := func() string { return b.drawn("svg[data-plan] > [data-scale]") }
	first := scale()
	if !strings.Contains(first, "5 m") {
		t.Errorf("the scale bar says %q", first)
	}
	x, y := b.planCorner()
	b.until("a finer scale bar", func() bool {
		check(t, chromedp.Do(b.ctx, chromedp.MouseEvent(chromedp.MouseWheel, x+200, y+120, wheel(-240))))
		return scale() != first
	})
	b.click("The beds")
	b.until("the first scale", func() bool { return scale() == first })
	b.click("Larger")
	b.click("The whole plot")
	b.click("The beds")
	for layer, says := range map[string]string{
		"Fit": "The worst need decides.", "Water": "Drops are the water a planting wants", "Use": "Plantings grown for the chosen use.", "Unsafe ground": "Nothing within a red strip is for use.",
	} {
		b.click(layer)
		b.sees(says)
	}
	b.click("Use")
	b.choose("Grown for", "fibre")
	dim := func(name string) bool {
		faded, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`Number(document.querySelector("[data-planting][aria-label^='`+name+`']").getAttribute("opacity")) < 1`))
		check(t, err)
		return faded
	}
	b.until("all but the hop to fade", func() bool { return dim("lovage") && !dim("hop") })
}

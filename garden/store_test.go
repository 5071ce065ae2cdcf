package garden

import (
	"strings"
	"testing"

	"bramblyacre/garden/larder"
)

// From the basket to the cup: dried on a tray, weighed in between, filled into a jar, taken by the cup.
func TestABasketIsDriedJarredAndUsed(t *testing.T) {
	p := newStocked(t)
	picking := p.pick(p.sage, "leaf", "300 g", "2031-05-27")
	drier, err := p.Larder.Drier(t.Context())
	check(t, err)
	if len(drier.Waits) != 1 || !drier.Waits[0].CanDry || len(drier.Proposal) == 0 || drier.Proposal[0].PickingID != picking {
		t.Fatalf("waits %+v, proposal %+v", drier.Waits, drier.Proposal)
	}
	lot := p.load(picking, 2, "", "2031-05-27T06:00")
	drier, err = p.Larder.Drier(t.Context())
	check(t, err)
	tray := drier.Trays[1].Lot
	if tray == nil || len(drier.Waits) != 0 || tray.Finish == "" || !(tray.Early < tray.Middle && tray.Middle < tray.Late) {
		t.Fatalf("tray %+v, waits %+v", tray, drier.Waits)
	}
	before := tray.Late - tray.Early
	_, err = p.Larder.WeighTray(t.Context(), lot, larder.WeighingInput{At: "2031-05-27T11:00", Amount: "130 g"})
	check(t, err)
	drier, err = p.Larder.Drier(t.Context())
	check(t, err)
	if tray = drier.Trays[1].Lot; tray.Late-tray.Early >= before || len(tray.Weighings) != 1 {
		t.Errorf("a weighing did not narrow %v h: %+v", before, tray)
	}
	p.dry(lot, "58 g", "2031-05-27T20:00")
	jar := p.jar(lot, "1 l", "")
	view, err := p.Larder.Jar(t.Context(), jar)
	check(t, err)
	if view.Left != "58 g" || view.Brief.Name != "sage leaf" && !strings.Contains(view.Brief.Name, "sage") || len(view.Sources) != 1 || view.Sources[0].PickingID != picking {
		t.Errorf("%+v", view)
	}
	p.refused(p.take(jar, larder.TakeInput{Amount: "1 cup", Kind: "taken"}), "measureWeighs", "What does one cup", p.entries())
	check(t, p.take(jar, larder.TakeInput{Amount: "1 cup", Kind: "taken", MeasureWeighs: "2 g"}))
	check(t, p.take(jar, larder.TakeInput{Amount: "2 cups", Kind: "taken"}))
	if view, err = p.Larder.Jar(t.Context(), jar); err != nil || view.Left != "52 g" || view.Brief.Opened == "" {
		t.Errorf("%v, %+v", err, view.Brief)
	}
	p.balanced()
}

package garden

import (
	"fmt"
	"math"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/larder"
)

// sageLeft is what 300 g of sage leaf weigh after some hours by the figures on record, reckoned here by itself: 76 % of
// water, and Page's k of 0.1 at 35 °C in moving air, n of 1.1, 40 kJ/mol.
func sageLeft(hours, celsius, air float64) float64 {
	k := 0.1 * air * math.Exp(-40000/8.314*(1/(celsius+273.15)-1/308.15))
	return 300 * (0.24 + 0.76*math.Exp(-k*math.Pow(hours, 1.1)))
}

// Sage dried on a rack in a cool room, just as the figures say, and weighed as it did. That tells nothing new of a warm
// drier: there it is dry in a day, as before, and not in the rack's week.
func TestWhatARackTellsIsNotTakenForAWarmDrier(t *testing.T) {
	p := newStocked(t)
	drierIs := func(kind, warmth string, moving bool) {
		t.Helper()
		before, err := p.Larder.Drier(t.Context())
		check(t, err)
		_, err = p.Larder.SetDrier(t.Context(), before.Version, larder.DrierKindInput{Kind: kind, DrierInput: input.DrierInput{
			Trays: "5", Tray: "0.4 m²", Warmth: warmth, MovingAir: moving,
		}})
		check(t, err)
	}
	*p.today = calendar.Must(2031, 5, 27)
	drierIs("rack", "20 °C", false)
	const still = 0.35
	lot := p.load(p.pick(p.sage, "leaf", "300 g", "2031-05-21"), 1, "", "2031-05-21T08:00")
	for _, at := range []struct {
		moment string
		hours  float64
	}{{"2031-05-22T04:00", 20}, {"2031-05-23T20:00", 60}, {"2031-05-25T12:00", 100}} {
		_, err := p.Larder.WeighTray(t.Context(), lot, larder.WeighingInput{
			At: at.moment, Amount: fmt.Sprintf("%.1f g", sageLeft(at.hours, 20, still)),
		})
		check(t, err)
	}
	p.dry(lot, "80 g", "2031-05-26T20:00")
	drierIs("drier", "35 °C", true)
	p.load(p.pick(p.sage, "leaf", "300 g", "2031-05-27"), 2, "", "")
	drier, err := p.Larder.Drier(t.Context())
	check(t, err)
	// Dry is a tenth of water: 1/9 against 0.76/0.24 of what is no water.
	want := math.Pow(math.Log(0.76/0.24*9)/0.1, 1/1.1)
	if got := drier.Trays[1].Lot.Middle; math.Abs(got-want) > 0.15*want {
		t.Errorf("in the warm drier it is dry after %.1f h, want about %.1f", got, want)
	}
	if standing := drier.Trays[1].Lot.Standing; standing != "measured" {
		t.Errorf("its figures are called %q though a drying was weighed", standing)
	}
}

// What came out of the freezer is not frozen again, and what is not blanched alike is not frozen together.
func TestNothingIsFrozenTwiceNorWithAnother(t *testing.T) {
	p := newStocked(t)
	sorrel := p.pick(p.planting, "leaf", "400 g", "2031-05-27")
	yarrow := p.pick(p.yarrow, "flowering top", "200 g", "2031-05-27")
	freeze := func(from ...larder.FromInput) error {
		_, err := p.Larder.Make(t.Context(), larder.MakeLotInput{Making: "frozen", From: from, Name: "For soup", Out: "100 g"})
		return err
	}
	before := p.entries()
	p.refused(freeze(larder.FromInput{PickingID: sorrel}, larder.FromInput{PickingID: yarrow}), "from.1.pickingId",
		"each kind by itself", before)
	_, err := p.Larder.Make(t.Context(), larder.MakeLotInput{
		Making: "frozen", From: []larder.FromInput{{PickingID: sorrel}}, Out: "380 g",
	})
	check(t, err)
	bag := p.jar(p.newestLot(), "2 l", "")
	before = p.entries()
	p.refused(freeze(larder.FromInput{JarID: bag, Amount: "100 g"}), "from.0.pickingId", "not frozen again", before)
	makings, err := p.Larder.Makings(t.Context())
	check(t, err)
	for _, jar := range makings.Jars {
		for _, may := range jar.MayMake {
			if jar.JarID == bag && may == "frozen" {
				t.Error("freezing is offered for what is frozen")
			}
		}
	}
}

package harvest

import (
	"math"
	"testing"

	"bramblyacre/core/flora"
)

// dryLore is plain: at 35 °C in moving air k is 0.25 per hour, n is 1.1, as in model.md §8.
func dryLore() *Lore {
	return &Lore{
		Dry: []DryLore{{Kind: "thin leaf", Rate: figure(0.25), Load: figure(1000)}},
		Air: AirLore{Exponent: figure(1.1), Energy: figure(40), Still: figure(0.5), Done: figure(0.1)},
	}
}

func leaf(water float64) flora.Part {
	w := figure(water)
	return flora.Part{Name: "leaf", Keep: flora.Keep{Dries: "thin leaf", Water: &w}}
}

// model.md §8: after 8 h MR is 0.085, and 1,000 g at 0.85 dried to 0.10 are 167 g. A part whose water must go down to
// 0.085 of it on the dry basis is thus dry after those 8 h: 0.1/0.9 is 0.085 of w/(1−w) at w = 0.5665.
func TestDryingKeepsToTheWorkedSums(t *testing.T) {
	l := dryLore()
	left := math.Exp(-0.25 * math.Pow(8, 1.1))
	if math.Abs(left-0.085) > 0.001 {
		t.Fatalf("the closed form gives %v after 8 h", left)
	}
	wet := (0.1 / 0.9) / left
	d, dries := l.DryingOf(leaf(wet/(1+wet)), Drier{Celsius: 35, MovingAir: true})
	if !dries || math.Abs(d.Hours-8) > 1e-9 || d.Days != 1 || d.M2 != 0.001 {
		t.Errorf("it dries in %+v, want 8 h on 0.001 m² a gram", d)
	}
	if share, _ := l.DriedShare(leaf(0.85)); math.Round(1000*share) != 167 {
		t.Errorf("1,000 g dry to %v g, want 167", 1000*share)
	}
	if share, _ := l.DriedShare(leaf(0.05)); share != 1 {
		t.Errorf("what is drier than dry loses weight: %v", share)
	}
}

func TestDryingFollowsTheAir(t *testing.T) {
	l := dryLore()
	hours := func(celsius float64, moving bool) float64 {
		d, _ := l.DryingOf(leaf(0.8), Drier{celsius, moving})
		return d.Hours
	}
	if !(hours(45, true) < hours(35, true)) || !(hours(35, true) < hours(20, true)) {
		t.Error("warmer air does not dry quicker")
	}
	// Page: half the rate takes 2^(1/n) times as long.
	if got, want := hours(35, false)/hours(35, true), math.Pow(2, 1/1.1); math.Abs(got-want) > 1e-9 {
		t.Errorf("still air takes %v times as long, want %v", got, want)
	}
	// Arrhenius by hand: 20 °C against 35 °C at 40 kJ/mol is exp(−40000/8.314·(1/293.15 − 1/308.15)) = 0.450.
	if got := math.Pow(hours(35, true)/hours(20, true), 1.1); math.Abs(got-0.450) > 0.001 {
		t.Errorf("at 20 °C it dries at %v of the rate, want 0.450", got)
	}
}

func TestNoPartIsDriedWarmerThanItBears(t *testing.T) {
	l, part := dryLore(), leaf(0.8)
	bears := figure(30)
	part.Keep.Heat = &bears
	hot, _ := l.DryingOf(part, Drier{50, true})
	cool, _ := l.DryingOf(part, Drier{30, true})
	if !hot.Cooled || hot.Celsius != 30 || hot.Hours != cool.Hours || cool.Cooled {
		t.Errorf("in a drier of 50 °C it dries as %+v, in one of 30 °C as %+v", hot, cool)
	}
}

func TestWhatIsNotOnRecordIsNotDried(t *testing.T) {
	l := dryLore()
	fresh, unknown := leaf(0.8), leaf(0.8)
	fresh.Keep.Dries, unknown.Keep.Water = "not dried", nil
	for _, part := range []flora.Part{fresh, unknown} {
		if d, dries := l.DryingOf(part, Drier{35, true}); dries {
			t.Errorf("%+v dries as %+v", part.Keep, d)
		}
	}
	if d, dries := l.DryingOf(leaf(0.05), Drier{35, true}); !dries || d.Hours != 0 || d.Days != 1 {
		t.Errorf("dry seed dries as %+v, %v; want a day to air", d, dries)
	}
}

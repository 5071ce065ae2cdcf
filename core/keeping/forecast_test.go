package keeping_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/keeping"
)

// leaf is a tray of thin leaf before it is weighed.
func leaf(fresh float64) keeping.Drying {
	return keeping.Drying{
		Fresh: fresh, Done: 0.1,
		Rate:     keeping.Spread{Value: 0.25, Low: 0.15, High: 0.4},
		Exponent: keeping.Spread{Value: 1.1, Low: 1, High: 1.2},
		Water:    keeping.Spread{Value: 0.82, Low: 0.74, High: 0.88},
	}
}

// tray is a tray that dries, stepped through in minutes: not by the equation's closed form, but with a rate that falls
// with the water that is left and moves with a room that is warmer by day.
type tray struct {
	grams  []float64 // by quarter of an hour
	doneAt float64   // hours
}

// dryInSteps dries a tray of a rate k and an exponent n, on d MR/dt = −k n tⁿ⁻¹ MR, its rate waving through the day.
func dryInSteps(random *rand.Rand, d keeping.Drying) tray {
	between := func(s keeping.Spread) float64 { // a bell curve with the spread's bounds as its 1 and 9 in 10
		return random.NormFloat64() * (s.High - s.Low) / 2.563
	}
	rate := math.Exp(math.Log(d.Rate.Value) + random.NormFloat64()*math.Log(d.Rate.High/d.Rate.Low)/2.563)
	n := math.Max(0.6, d.Exponent.Value+between(d.Exponent))
	water := math.Min(0.95, math.Max(0.5, d.Water.Value+between(d.Water)))
	phase, wave := 2*math.Pi*random.Float64(), 0.1*random.Float64()
	solid, ratio := d.Fresh*(1-water), 1.0
	var out tray
	const step = 1.0 / 60
	for minute := range 60 * 24 * 40 {
		t := (float64(minute) + 0.5) * step
		if minute%15 == 0 {
			out.grams = append(out.grams, solid+d.Fresh*water*ratio)
		}
		ratio -= ratio * rate * (1 + wave*math.Sin(2*math.Pi*t/24+phase)) * n * math.Pow(t, n-1) * step
		left := d.Fresh * water * ratio
		if out.doneAt == 0 && left/(left+solid) <= d.Done {
			out.doneAt = t
			break
		}
	}
	return out
}

// weigh reads a scale that is off by one part in a hundred and a gram.
func (t tray) weigh(random *rand.Rand, hours float64) keeping.Weighing {
	at := min(int(hours*4), len(t.grams)-1)
	grams := t.grams[at]
	return keeping.Weighing{Hours: float64(at) / 4, Grams: grams * (1 + 0.01*random.NormFloat64()) * 1.0}
}

func TestAFinishHoldsEightInTenAndTwoWeighingsHalveItsError(t *testing.T) {
	random := rand.New(rand.NewPCG(17, 4))
	const runs = 400
	held, heldLater, before, after := 0, 0, 0.0, 0.0
	ran := 0
	for range runs {
		d := leaf(300)
		dried := dryInSteps(random, d)
		if dried.doneAt == 0 {
			continue
		}
		ran++
		first := keeping.ForecastDrying(d, nil).Finish()
		if first.Early <= dried.doneAt && dried.doneAt <= first.Late {
			held++
		}
		before += math.Abs(math.Log(first.Middle / dried.doneAt))
		weighed := []keeping.Weighing{dried.weigh(random, dried.doneAt/3), dried.weigh(random, dried.doneAt*2/3)}
		then := keeping.ForecastDrying(d, weighed).Finish()
		if then.Early <= dried.doneAt && dried.doneAt <= then.Late {
			heldLater++
		}
		after += math.Abs(math.Log(then.Middle / dried.doneAt))
	}
	t.Logf("held %d and %d of %d, off by %.3f and %.3f", held, heldLater, ran, before/float64(ran), after/float64(ran))
	if ran < runs*9/10 {
		t.Fatalf("only %d of %d trays got dry at all", ran, runs)
	}
	for what, count := range map[string]int{"before it was weighed": held, "after two weighings": heldLater} {
		if share := float64(count) / float64(ran); share < 0.75 || share > 0.85 {
			t.Errorf("%s the range held %.0f %% of the dryings, want 75 to 85", what, 100*share)
		}
	}
	if after > before/2 {
		t.Errorf("two weighings left an error of %.3f of %.3f: more than half", after/float64(ran), before/float64(ran))
	}
}

func TestAForecastWithoutDoubtIsTheEquation(t *testing.T) {
	sure := func(v float64) keeping.Spread { return keeping.Spread{Value: v, Low: v, High: v} }
	d := keeping.Drying{Fresh: 1000, Done: 0.1, Rate: sure(0.25), Exponent: sure(1.1), Water: sure(0.85)}
	f := keeping.ForecastDrying(d, nil)
	finish := f.Finish()
	want := math.Pow(-math.Log((0.1/0.9)/(0.85/0.15))/0.25, 1/1.1)
	near(t, "finish", finish.Middle, want, 1e-9)
	near(t, "early", finish.Early, want, 1e-9)
	near(t, "weight then", finish.Grams, 166.67, 0.01)
	near(t, "weight at once", f.GramsAfter(0), 1000, 1e-9)
	near(t, "weight after long", f.GramsAfter(1000), 150, 1e-6)
	if f.DoneBy(want-0.01) != 0 || f.DoneBy(want+0.01) != 1 {
		t.Error("the chance is not 0 before and 1 after")
	}
	near(t, "rate", f.Rate(), 0.25, 1e-12)
}

func TestWeighingsNarrowAndMoveAForecast(t *testing.T) {
	d := leaf(300)
	before := keeping.ForecastDrying(d, nil).Finish()
	slow := keeping.ForecastDrying(d, []keeping.Weighing{{Hours: 4, Grams: 240}, {Hours: 8, Grams: 190}}).Finish()
	quick := keeping.ForecastDrying(d, []keeping.Weighing{{Hours: 4, Grams: 130}, {Hours: 6, Grams: 95}}).Finish()
	if slow.Middle <= before.Middle || quick.Middle >= before.Middle {
		t.Errorf("slow %v, unweighed %v, quick %v", slow, before, quick)
	}
	width := func(f keeping.Finish) float64 { return math.Log(f.Late / f.Early) }
	if width(slow) >= width(before) || width(quick) >= width(before) {
		t.Errorf("the ranges did not narrow: %v, %v, of %v", slow, quick, before)
	}
	// The absurd moves it, and breaks nothing: more than it weighed fresh, or less than any leaf weighs dry.
	for _, grams := range []float64{400, 3000, 1} {
		f := keeping.ForecastDrying(d, []keeping.Weighing{{Hours: 5, Grams: grams}}).Finish()
		if !(f.Early > 0 && f.Early <= f.Middle && f.Middle <= f.Late) || math.IsInf(f.Late, 0) {
			t.Errorf("weighed %v g: %v", grams, f)
		}
	}
}

func TestOwnRunsMoveARate(t *testing.T) {
	before := keeping.Spread{Value: 0.2, Low: 0.1, High: 0.4}
	if keeping.RateAfter(before, nil) != before {
		t.Error("nothing moves nothing")
	}
	after := keeping.RateAfter(before, []float64{0.1})
	near(t, "halfway in its logarithm", after.Value, math.Sqrt(0.2*0.1), 1e-12)
	if many := keeping.RateAfter(before, []float64{0.1, 0.1, 0.1, 0.1}); many.Value >= after.Value ||
		many.High/many.Low >= after.High/after.Low {
		t.Errorf("four runs: %v, one: %v", many, after)
	}
}

package keeping_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/keeping"
)

// household takes something out of its jars by habits that are not those of the sums under test: on some days of the
// week more often, more in winter, a spoon more or less, with weeks in which nobody thinks of it.
type household struct {
	random *rand.Rand
	// times is how often a day in each quarter, spoon a taking's weight, forgets the share of weeks without.
	times   [keeping.Seasons]float64
	spoon   float64
	forgets float64
}

func newHousehold(random *rand.Rand) household {
	h := household{random: random, spoon: 1 + 3*random.Float64(), forgets: 0.15 * random.Float64()}
	base := 0.1 + 0.9*random.Float64()
	for q := range h.times {
		h.times[q] = base * (0.5 + random.Float64())
	}
	return h
}

// day returns how often something was taken on a day, and the grams.
func (h household) day(day int, forgotten bool) (times, grams float64) {
	if forgotten {
		return 0, 0
	}
	rate := h.times[day/91%keeping.Seasons]
	if day%7 >= 5 {
		rate *= 1.5
	} else {
		rate *= 0.8
	}
	for range 4 { // at four times of the day, each by itself
		if h.random.Float64() < math.Min(1, rate/4) {
			times++
			grams += h.spoon * (0.7 + 0.6*h.random.Float64())
		}
	}
	return times, grams
}

func (h household) forgetsWeek() bool { return h.random.Float64() < h.forgets }

func TestRunwaysHoldEightInTen(t *testing.T) {
	random := rand.New(rand.NewPCG(23, 11))
	const households = 500
	held, ran := 0, 0
	for range households {
		h := newHousehold(random)
		var taken keeping.Taken
		watched := 364 // a year of notes
		week, forgotten := 0.0, false
		for day := range watched {
			if day%7 == 0 {
				forgotten = h.forgetsWeek()
			}
			times, grams := h.day(day, forgotten)
			q := day / 91 % keeping.Seasons
			taken.Days[q]++
			taken.Times[q] += times
			taken.Grams += grams
			if times > 0 {
				taken.Squares += grams * grams / times
			}
			if week += times; day%7 == 6 {
				taken.Weeks, week = append(taken.Weeks, week), 0
			}
		}
		use, known := keeping.UseOf(taken)
		if !known {
			continue
		}
		stock := h.spoon * (20 + 80*random.Float64())
		var quarters []int
		for day := range 730 {
			quarters = append(quarters, (watched+day)/91%keeping.Seasons)
		}
		out := use.Until(stock, quarters)
		left := stock
		for day := range 730 {
			if day%7 == 0 {
				forgotten = h.forgetsWeek()
			}
			_, grams := h.day(watched+day, forgotten)
			if left -= grams; left <= 0 {
				ran++
				if out.Early <= day+1 && day+1 <= out.Late {
					held++
				}
				break
			}
		}
	}
	share := float64(held) / float64(ran)
	t.Logf("held %d of %d", held, ran)
	if ran < households*8/10 {
		t.Fatalf("only %d of %d jars ran out", ran, households)
	}
	if share < 0.75 || share > 0.85 {
		t.Errorf("the ranges held %.0f %% of the ends, want 75 to 85", 100*share)
	}
}

func TestUseByClosedForms(t *testing.T) {
	// The same rate all year, always 2 g, much watched: a Poisson process. Its mean and variance over 90 days are known.
	var taken keeping.Taken
	const years, each = 1000.0, 2.0
	for q := range taken.Times {
		taken.Times[q], taken.Days[q] = 0.5*91*years, 91*years
	}
	times := 4 * 0.5 * 91 * years
	taken.Grams, taken.Squares = each*times, each*each*times
	use, known := keeping.UseOf(taken)
	if !known {
		t.Fatal("not known")
	}
	mean, deviation := use.Over([keeping.Seasons]float64{90})
	near(t, "mean", mean, 0.5*90*each, 0.05)
	near(t, "deviation", deviation, each*math.Sqrt(0.5*90), 0.05)
	// 60 g are 30 takings: their time is gamma distributed (Erlang), 30 takings at 0.5 a day.
	out := use.Until(60, make([]int, 365))
	erlang := distuv.Gamma{Alpha: 30, Beta: 0.5}
	for _, tc := range []struct {
		got   int
		share float64
	}{{out.Early, 0.1}, {out.Middle, 0.5}, {out.Late, 0.9}} {
		near(t, "runs out", float64(tc.got), erlang.Quantile(tc.share), 3)
	}
	left := use.LeftAfter(60, [keeping.Seasons]float64{30})
	near(t, "left in the middle", left.Value, 60-30, 1.5)
	if !(left.Low < left.Value && left.Value < left.High && left.Low >= 0 && left.High <= 60) {
		t.Errorf("left %v", left)
	}
}

func TestLittleNotedIsToldWithMoreDoubt(t *testing.T) {
	year := func(times float64) keeping.Taken {
		var taken keeping.Taken
		for q := range taken.Times {
			taken.Times[q], taken.Days[q] = times/4, times*2
		}
		taken.Grams, taken.Squares = 2*times, 4*times
		return taken
	}
	quarters := make([]int, 3000)
	few, _ := keeping.UseOf(year(8))
	many, _ := keeping.UseOf(year(800))
	a, b := few.Until(100, quarters), many.Until(100, quarters)
	if a.Late-a.Early <= b.Late-b.Early {
		t.Errorf("few %v, many %v", a, b)
	}
	if _, known := keeping.UseOf(keeping.Taken{}); known {
		t.Error("nothing is known, and something is told")
	}
	first := keeping.Taken{Times: [keeping.Seasons]float64{1}, Days: [keeping.Seasons]float64{1}, Grams: 2, Squares: 4}
	if _, known := keeping.UseOf(first); known {
		t.Error("a first cup on the first day is taken for a cup a day")
	}
	// What a household says it needs stands for it until something is taken.
	said, known := keeping.UseOf(keeping.Taken{Usual: 1, UsualGrams: 2})
	if mean, _ := said.Over([keeping.Seasons]float64{91, 91, 91, 92}); !known || math.Abs(mean-730) > 1 {
		t.Errorf("a cup of 2 g a day is %v g a year", mean)
	}
	if out := many.Until(0, quarters); out.Early != 0 || out.Late != 0 {
		t.Errorf("an empty jar runs out in %v", out)
	}
	if out := many.Until(1e9, make([]int, 100)); out.Late != keeping.Never {
		t.Errorf("a ton runs out in %v", out)
	}
}

func TestWinterUseIsToldOfWinterAlone(t *testing.T) {
	var taken keeping.Taken
	taken.Days = [keeping.Seasons]float64{900, 900, 900, 900}
	taken.Times = [keeping.Seasons]float64{900, 0, 0, 0}
	taken.Grams, taken.Squares = 1800, 3600
	use, _ := keeping.UseOf(taken)
	winter, _ := use.Over([keeping.Seasons]float64{90})
	summer, _ := use.Over([keeping.Seasons]float64{0, 0, 90})
	if winter < 20*summer {
		t.Errorf("winter %v, summer %v", winter, summer)
	}
}

func TestPlantsForANeedBySimulation(t *testing.T) {
	random := rand.New(rand.NewPCG(2, 2))
	y := keeping.Yields{Each: keeping.Amount{Mean: 20, Deviation: 8}, Years: 0.25}
	need := keeping.Amount{Mean: 300, Deviation: 60}
	lognormal := func(mean, deviation float64) distuv.LogNormal {
		s2 := math.Log1p(deviation * deviation / (mean * mean))
		return distuv.LogNormal{Mu: math.Log(mean) - s2/2, Sigma: math.Sqrt(s2), Src: random}
	}
	each, years, needed := lognormal(20, 8), lognormal(1, 0.25), lognormal(300, 60)
	for _, plants := range []int{8, 12, 16, 20, 26} {
		short := 0
		const runs = 20000
		for range runs {
			sum := 0.0
			for range plants {
				sum += each.Rand()
			}
			if sum*years.Rand() < needed.Rand() {
				short++
			}
		}
		near(t, "falls short", keeping.FallsShort(plants, y, need), float64(short)/runs, 0.015)
	}
	plants, can := keeping.PlantsFor(y, need, 0.2)
	if !can || keeping.FallsShort(plants, y, need) > 0.2 || keeping.FallsShort(plants-1, y, need) <= 0.2 {
		t.Errorf("%d plants, %v", plants, can)
	}
	if keeping.FallsShort(0, y, need) != 1 || keeping.FallsShort(5, y, keeping.Amount{}) != 0 {
		t.Error("no plants bear nothing, and no need is met by nothing")
	}
	sure := keeping.Yields{Each: keeping.Amount{Mean: 20}}
	if n, _ := keeping.PlantsFor(sure, keeping.Amount{Mean: 100}, 0.2); n != 5 {
		t.Errorf("without doubt 100 g are %d plants of 20 g", n)
	}
	if _, can := keeping.PlantsFor(keeping.Yields{}, need, 0.2); can {
		t.Error("plants that bear nothing meet a need")
	}
}

package phenology

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/flora"
)

// What a belief learns is what summing over half a million draws of its parts gives: the
// chance of what was seen, and the means and spreads of all parts after it.
func TestABeliefLearnsWhatDrawingGives(t *testing.T) {
	const draws, off = 500_000, 0.08
	for n, seen := range []struct{ low, high, err float64 }{
		{math.Inf(-1), -0.05, 0.03}, {-0.02, 0.12, 0.03}, {0.15, math.Inf(1), 0.05}, {-0.3, -0.1, 0.02},
	} {
		b := PriorPace().beliefs[0]
		b.mean[lastingPart] = 0.04
		rng := rand.New(rand.NewPCG(uint64(n), 17))
		var total float64
		var sum, squares [3]float64
		for range draws {
			parts := [3]float64{0.04 + lastingSpread*rng.NormFloat64(), yearSpread * rng.NormFloat64(), rng.NormFloat64()}
			at := parts[0] + parts[1] + off*parts[2]
			weight := normalBelow((seen.high-at)/seen.err) - normalBelow((seen.low-at)/seen.err)
			total += weight
			for i, part := range parts {
				sum[i] += weight * part
				squares[i] += weight * part * part
			}
		}
		chance := b.learn(flora.FullFlower, off, seen.low, seen.high, seen.err)
		if math.Abs(chance-total/draws) > 0.004 {
			t.Errorf("%+v is held for %.4f likely, drawing gives %.4f", seen, chance, total/draws)
		}
		for i, part := range []int{lastingPart, yearPart, stagePart(flora.FullFlower)} {
			mean := sum[i] / total
			spread := math.Sqrt(squares[i]/total - mean*mean)
			if math.Abs(b.mean[part]-mean) > 0.02*spread+0.002 || math.Abs(math.Sqrt(b.cov[part][part])-spread) > 0.02*spread {
				t.Errorf("%+v: part %d is %.4f ± %.4f, drawing gives %.4f ± %.4f", seen, i, b.mean[part], math.Sqrt(b.cov[part][part]), mean, spread)
			}
		}
	}
}

// A mixture blended into one keeps its mean and its spread.
func TestBlendingKeepsTheMoments(t *testing.T) {
	var a, b belief
	a.mean[0], a.cov[0][0], b.mean[0], b.cov[0][0] = -1, 0.25, 2, 1
	blended := blend([]belief{a, b}, []float64{0.25, 0.75})
	// By hand: 0.25·(−1) + 0.75·2, and 0.25·(0.25 + 2.25²) + 0.75·(1 + 0.75²).
	if math.Abs(blended.mean[0]-1.25) > 1e-12 || math.Abs(blended.cov[0][0]-(0.25*(0.25+2.25*2.25)+0.75*(1+0.75*0.75))) > 1e-12 {
		t.Errorf("blended to %v ± %v", blended.mean[0], blended.cov[0][0])
	}
}

func TestThePriorIsSymmetricAndAsWideAsItSays(t *testing.T) {
	pace := PriorPace()
	if math.Abs(math.Log(pace.Quantile(0.5))) > 1e-6 {
		t.Errorf("the middle of the prior is %v", pace.Quantile(0.5))
	}
	for _, q := range []float64{0.05, 0.1, 0.25} {
		if low, high := math.Log(pace.Quantile(q)), math.Log(pace.Quantile(1-q)); math.Abs(low+high) > 1e-6 || low >= 0 {
			t.Errorf("quantiles %v and %v are %v and %v", q, 1-q, low, high)
		}
	}
	if next := pace.NextYear(); next.Quantile(0.9) < pace.Quantile(0.9) || next.Quantile(0.9) > pace.Quantile(0.9)+0.01 {
		t.Errorf("a year unseen takes the prior's nine tenths from %v to %v", pace.Quantile(0.9), next.Quantile(0.9))
	}
	// Other stages are learned anew, what lasts is kept.
	pace.sequence = 1
	pace.beliefs[0].mean[lastingPart], pace.beliefs[0].mean[stagePart(flora.Leafing)] = 0.2, 1.5
	if later := pace.forSequence(3); later.beliefs[0].mean[lastingPart] != 0.2 || later.beliefs[0].mean[stagePart(flora.Leafing)] != 0 {
		t.Errorf("in other years of life it keeps %+v", later.beliefs[0].mean)
	}
}

// The courses of a forecast are drawn as the belief says.
func TestDrawsHaveTheBeliefsMoments(t *testing.T) {
	p := plan(t, 3)
	for k := range p.off {
		p.off[k] = 0.08
	}
	pace := PriorPace()
	pace.farOut = 0
	pace.beliefs[0].learn(flora.InBud, 0.08, 0.05, 0.1, 0.02)
	const courses = 4000
	d := p.draws(pace, courses)
	sums, squares, products := make([]float64, len(p.rules)), make([]float64, len(p.rules)), 0.0
	for range courses {
		off := d.next()
		for k, value := range off {
			sums[k] += value / courses
			squares[k] += value * value / courses
		}
		products += off[2] * off[3] / courses
	}
	for k, rule := range p.rules {
		mean, variance := pace.beliefs[0].logWarmth(rule.Stage, 0.08)
		if math.Abs(sums[k]-mean) > 0.005 || math.Abs(math.Sqrt(squares[k]-sums[k]*sums[k])-math.Sqrt(variance)) > 0.005 {
			t.Errorf("%s is drawn %.4f ± %.4f, and believed %.4f ± %.4f", rule.Stage, sums[k], math.Sqrt(squares[k]-sums[k]*sums[k]), mean, math.Sqrt(variance))
		}
	}
	if together := products - sums[2]*sums[3]; together <= 0 {
		t.Errorf("stages of one planting are drawn apart: covariance %v", together)
	}
}

func TestQuickExpIsTheExponential(t *testing.T) {
	for x := -4.0; x < 4; x += 0.00037 {
		if got, want := quickExp(x), math.Exp(x); math.Abs(got/want-1) > 1e-9 {
			t.Fatalf("e to the %v is %v, want %v", x, got, want)
		}
	}
	if !math.IsNaN(quickExp(math.NaN())) || quickExp(math.Inf(-1)) != 0 {
		t.Error("beyond its bounds it is none")
	}
}

// normalBelow is the standard normal distribution, by the error function.
func normalBelow(x float64) float64 { return 0.5 * math.Erfc(-x/math.Sqrt2) }

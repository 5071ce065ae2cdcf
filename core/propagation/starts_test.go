package propagation

import (
	"errors"
	"math"
	"math/big"
	"testing"
)

// The worked sums of the design: 24 wanted with 9 in 10.
func TestStartsAsWorkedByHand(t *testing.T) {
	if n, err := Starts(24, 0.6, 0.9); n != 47 || err != nil {
		t.Errorf("24 at 0.6: %d, %v; want 47", n, err)
	}
	share, err := Tested(18, 25)
	if err != nil {
		t.Fatal(err)
	}
	if n, err := StartsTested(24, share, 0.9); n != 43 || err != nil {
		t.Errorf("24 after 18 of 25: %d, %v; want 43", n, err)
	}
}

// exactTail is P(Binomial(n, num/den) ≥ k) in whole numbers.
func exactTail(k, n int, num, den int64) float64 {
	sum := new(big.Int)
	for i := k; i <= n; i++ {
		term := new(big.Int).Binomial(int64(n), int64(i))
		term.Mul(term, new(big.Int).Exp(big.NewInt(num), big.NewInt(int64(i)), nil))
		term.Mul(term, new(big.Int).Exp(big.NewInt(den-num), big.NewInt(int64(n-i)), nil))
		sum.Add(sum, term)
	}
	all := new(big.Int).Exp(big.NewInt(den), big.NewInt(int64(n)), nil)
	share, _ := new(big.Rat).SetFrac(sum, all).Float64()
	return share
}

func TestStartsAgainstWholeNumbers(t *testing.T) {
	for _, wanted := range []int{1, 2, 7, 24, 60} {
		for _, num := range []int64{1, 3, 6, 9} {
			got, err := Starts(wanted, float64(num)/10, 0.9)
			if err != nil {
				t.Fatal(err)
			}
			if tail := exactTail(wanted, got, num, 10); tail < 0.9 {
				t.Errorf("%d at %d in 10: %d give only %.4f", wanted, num, got, tail)
			}
			if got > wanted {
				if tail := exactTail(wanted, got-1, num, 10); tail >= 0.9 {
					t.Errorf("%d at %d in 10: %d would do, not %d", wanted, num, got-1, got)
				}
			}
		}
	}
}

// The beta-binomial is a mixture: its tail is the integral of the binomial's over the beta's
// density, here by the midpoint rule.
func TestTestedTailIsTheMixtureOfBinomials(t *testing.T) {
	share := Share{19, 8}
	logB := func(a, b float64) float64 {
		x, _ := math.Lgamma(a)
		y, _ := math.Lgamma(b)
		z, _ := math.Lgamma(a + b)
		return x + y - z
	}
	for _, n := range []int{24, 30, 43, 80} {
		const steps = 4000
		integral := 0.0
		for i := range steps {
			p := (float64(i) + 0.5) / steps
			density := math.Exp((share.Alpha-1)*math.Log(p) + (share.Beta-1)*math.Log(1-p) - logB(share.Alpha, share.Beta))
			integral += density * AtLeast(24, n, p) / steps
		}
		if got := AtLeastTested(24, n, share); math.Abs(got-integral) > 1e-5 {
			t.Errorf("n %d: %.6f, the mixture gives %.6f", n, got, integral)
		}
	}
}

func TestMoreWantedNeverFewerStarts(t *testing.T) {
	share, _ := Tested(3, 10)
	before, beforeTested := 0, 0
	for wanted := 1; wanted <= 60; wanted++ {
		plain, err := Starts(wanted, 0.35, 0.9)
		if err != nil {
			t.Fatal(err)
		}
		tested, err := StartsTested(wanted, share, 0.9)
		if err != nil {
			t.Fatal(err)
		}
		if plain < before || tested < beforeTested || plain < wanted || tested < plain {
			t.Errorf("%d wanted: %d starts (before %d), tested %d (before %d)", wanted, plain, before, tested, beforeTested)
		}
		before, beforeTested = plain, tested
	}
}

func TestStartsThatCannotBe(t *testing.T) {
	for name, try := range map[string]func() error{
		"nothing wanted":  func() error { _, err := Starts(0, 0.5, 0.9); return err },
		"chance of 0":     func() error { _, err := Starts(5, 0, 0.9); return err },
		"chance above 1":  func() error { _, err := Starts(5, 1.2, 0.9); return err },
		"no number":       func() error { _, err := Starts(5, math.NaN(), 0.9); return err },
		"certainty":       func() error { _, err := Starts(5, 0.5, 1); return err },
		"0 seeds tested":  func() error { _, err := Tested(0, 0); return err },
		"more than sown":  func() error { _, err := Tested(9, 8); return err },
		"fewer than none": func() error { _, err := Tested(-1, 8); return err },
		"unknown share":   func() error { _, err := StartsTested(5, Share{}, 0.9); return err },
	} {
		if try() == nil {
			t.Errorf("%s is taken", name)
		}
	}
	if _, err := Starts(1000, 0.001, 0.9); !errors.Is(err, ErrTooMany) {
		t.Errorf("a million starts: %v", err)
	}
}

package spread

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"

	"bramblyacre/core/climate"
)

// Growth is how a plant's height grows in a season: logistic in the warmth θ that came since it came up,
// h = H ÷ (1 + exp(−r (θ − θₘ))).
type Growth struct {
	// HeightM is H in metres, Rate r per °C d, MiddleC θₘ in °C d: the warmth at half its height.
	HeightM, Rate, MiddleC float64
	// AheadC is the warmth in °C d that it has had already, as a plant that was set has.
	AheadC float64
}

// Check returns an error for what grows in no such way.
func (g Growth) Check() error {
	switch {
	case !(g.HeightM > 0 && g.HeightM <= 100):
		return errors.New("the height must lie between 0 and 100 m")
	case !(g.Rate > 0 && g.Rate <= 1):
		return errors.New("the rate must lie between 0 and 1 per °C d")
	case !(g.MiddleC >= 0 && g.MiddleC <= 20000):
		return errors.New("the warmth at half the height must lie between 0 and 20,000 °C d")
	case !(g.AheadC >= 0 && g.AheadC <= 20000):
		return errors.New("the warmth it has had must lie between 0 and 20,000 °C d")
	}
	return nil
}

// At is the height in metres after a warmth in °C d.
func (g Growth) At(warmth float64) float64 {
	return g.HeightM / (1 + math.Exp(-g.Rate*(warmth+g.AheadC-g.MiddleC)))
}

// seedlingShare is the share of its height that a plant has as it comes up, grownShare that at which its height counts
// as reached: guesses of ours that make a logistic of one figure, the warmth until it is grown.
const seedlingShare, grownShare = 0.02, 0.95

// GrowthOf is the growth of a plant that comes up as a seedling and is grown, in height, after a warmth in °C d.
func GrowthOf(heightM, grownC float64) Growth {
	logit := func(share float64) float64 { return math.Log(share / (1 - share)) }
	rate := (logit(grownShare) - logit(seedlingShare)) / math.Max(grownC, 1)
	return Growth{HeightM: heightM, Rate: rate, MiddleC: -logit(seedlingShare) / rate}
}

// Race is a weed that grows up in a crop.
type Race struct {
	Weed, Crop Growth
	// MeetsM is the height in metres from which the weed shades anything at all: while both are smaller than the gaps
	// between them, each has its light. 0 for none.
	MeetsM float64
}

// Shades tells whether half of the crop's height stands in the weed's shade after so much warmth for each, in °C d
// since today: the weed is at least half as tall as the crop, and tall enough to meet it.
func (r Race) Shades(weedC, cropC float64) bool {
	weed := r.Weed.At(weedC)
	return weed >= r.Crop.At(cropC)/2 && weed >= r.MeetsM
}

// Days is how many days it takes until half of the crop's height is shaded, at so much warmth a day in °C d; false
// where it never is.
func (r Race) Days(weedADay, cropADay float64) (days int, overtakes bool, err error) {
	for _, g := range []struct {
		what string
		Growth
	}{{"weed", r.Weed}, {"crop", r.Crop}} {
		if err := g.Check(); err != nil {
			return 0, false, fmt.Errorf("the %s: %w", g.what, err)
		}
	}
	if !(weedADay > 0 && weedADay <= 60) || !(cropADay > 0 && cropADay <= 60) {
		return 0, false, errors.New("the warmth a day must lie between 0 and 60 °C d")
	}
	if !(r.MeetsM >= 0) {
		return 0, false, errors.New("the height from which it shades must not be below 0 m")
	}
	const longest = 3 * 366
	for day := range longest {
		if r.Shades(weedADay*float64(day), cropADay*float64(day)) {
			return day, true, nil
		}
	}
	return 0, false, nil
}

// Drawn is a race as it may be in each of so many runs: the full heights in metres of weed and crop and the height from
// which the weed shades are the quantiles of what is known of them, one from each equal part, in orders of their own.
func (r Race) Drawn(runs int, seed uint64, weedM, cropM, meetsM func(quantile float64) float64) []Race {
	all := make([]Race, runs)
	rng := rand.New(rand.NewPCG(seed, uint64(runs)))
	each := func(draw func(race *Race, quantile float64)) {
		for run, place := range rng.Perm(runs) {
			draw(&all[run], (float64(place)+rng.Float64())/float64(runs))
		}
	}
	for run := range all {
		all[run] = r
	}
	each(func(race *Race, q float64) { race.Weed.HeightM = weedM(q) })
	each(func(race *Race, q float64) { race.Crop.HeightM = cropM(q) })
	each(func(race *Race, q float64) { race.MeetsM = meetsM(q) })
	return all
}

// Overtaken is on which day of a season, 0 its first, half of the crop's height is shaded in each member of its
// weathers from a day on, each with a race of its own: the season's length where it is not. Warmth counts for both
// above their own bases. The days are sorted.
func Overtaken(races []Race, weed, crop *climate.ThermalTable, from, days int) []int {
	all := make([]int, len(races))
	for m, r := range races {
		weedBefore, cropBefore := weed.Sum(m, from-1), crop.Sum(m, from-1)
		all[m] = days
		for day := from; day < days; day++ {
			if r.Shades(weed.Sum(m, day)-weedBefore, crop.Sum(m, day)-cropBefore) {
				all[m] = day
				break
			}
		}
	}
	slices.Sort(all)
	return all
}

package keeping

import (
	"math"
	"sort"

	"gonum.org/v1/gonum/mathext"
)

// Seasons are the quarters by which use is told apart, since a cold house drinks more.
const Seasons = 4

// Taken is what was taken out of jars of one kind while somebody looked: how often and on how many days in each
// quarter, and how much at once.
type Taken struct {
	Times, Days [Seasons]float64
	// Grams and Squares are the sums over all takings of their weight and of its square.
	Grams, Squares float64
	// Weeks are the takings of each whole week, for how much the weeks differ.
	Weeks []float64
	// Usual is how often a day is told beforehand, as by a year's need, 0 where nobody said; UsualGrams how much at once.
	Usual, UsualGrams float64
}

// Use is how something is used up: takings come by chance, so many a day by the quarter, and how many that is is itself
// believed only so far (Gamma-Poisson).
type Use struct {
	shape, days [Seasons]float64
	// grams is a taking's mean weight, squares that of its square, uneven how many times as much the weeks differ as
	// takings by pure chance would.
	grams, squares, uneven float64
}

// priorTimes is how many takings the household's year as a whole counts for in each quarter, and a year's need that was
// told counts for before anything was taken. Guesses of ours.
const priorTimes = 4

// What is the least that anything is told by: so many takings, over so many days. A first cup on the first day is no
// cup a day.
const (
	leastTimes = 3
	leastDays  = 14
)

// UseOf learns how something is used up from what was taken. False where too little was taken to tell, and nobody said
// how much will be.
func UseOf(t Taken) (u Use, known bool) {
	times, days := 0.0, 0.0
	for q := range t.Times {
		times, days = times+t.Times[q], days+t.Days[q]
	}
	overall := t.Usual
	if times > 0 && days > 0 {
		overall = times / days
		if t.Usual > 0 {
			overall = (times + priorTimes) / (days + priorTimes/t.Usual)
		}
	}
	if !(overall > 0) || t.Usual == 0 && (times < leastTimes || days < leastDays) {
		return u, false
	}
	for q := range u.shape {
		u.shape[q], u.days[q] = priorTimes+t.Times[q], priorTimes/overall+t.Days[q]
	}
	switch {
	case times > 0:
		u.grams, u.squares = t.Grams/times, t.Squares/times
	default:
		u.grams, u.squares = t.UsualGrams, t.UsualGrams*t.UsualGrams
	}
	u.uneven = unevenness(t.Weeks)
	return u, u.grams > 0
}

// unevenness is the variance of counts over their mean, no less than 1 as of pure chance; drawn towards that where few
// were counted.
func unevenness(counts []float64) float64 {
	const few = 8
	if len(counts) < 2 {
		return 1
	}
	n, mean, squares := float64(len(counts)), 0.0, 0.0
	for _, c := range counts {
		mean += c / n
	}
	for _, c := range counts {
		squares += (c - mean) * (c - mean)
	}
	if mean == 0 {
		return 1
	}
	ratio := squares / (n - 1) / mean
	return math.Max(1, (few+n*ratio)/(few+n))
}

// Over is how much is used over so many days of each quarter, in grams: its mean and its standard deviation.
func (u Use) Over(days [Seasons]float64) (mean, deviation float64) {
	variance := 0.0
	for q, d := range days {
		rate := u.shape[q] / u.days[q]
		mean += rate * d * u.grams
		// The takings' own chance, and that of how many a day there are.
		variance += rate*d*u.squares*u.uneven + rate/u.days[q]*d*d*u.grams*u.grams
	}
	return mean, math.Sqrt(variance)
}

// LastsOver is the chance that so many grams are not yet used up after so many days of each quarter: what is used is
// taken for gamma distributed, with its mean and deviation.
func (u Use) LastsOver(grams float64, days [Seasons]float64) float64 {
	mean, deviation := u.Over(days)
	switch {
	case grams <= 0:
		return 0
	case mean <= 0 || deviation <= 0:
		return 1
	}
	shape := mean * mean / (deviation * deviation)
	return mathext.GammaIncReg(shape, grams*shape/mean)
}

// RunsOut is in how many days so many grams are used up, with chances of 1, 5 and 9 in 10; Never for beyond what was
// asked for.
type RunsOut struct{ Early, Middle, Late int }

// Never stands for a day beyond the last that was asked for.
const Never = math.MaxInt32

// Until tells when so many grams are used up, from the quarter of each day from today on, as far as those go.
func (u Use) Until(grams float64, quarters []int) RunsOut {
	sums := make([][Seasons]float64, len(quarters)+1) // how many days of each quarter have passed
	for i, q := range quarters {
		sums[i+1] = sums[i]
		sums[i+1][q]++
	}
	// The longer, the less likely it lasts.
	firstAt := func(lasts float64) int {
		at := sort.Search(len(sums), func(i int) bool { return u.LastsOver(grams, sums[i]) <= lasts })
		if at == len(sums) {
			return Never
		}
		return at
	}
	return RunsOut{firstAt(0.9), firstAt(0.5), firstAt(0.1)}
}

// LeftAfter is how much is left of so many grams after so many days of each quarter: as likely less as more, and 8
// times in 10 between the bounds.
func (u Use) LeftAfter(grams float64, days [Seasons]float64) Spread {
	mean, deviation := u.Over(days)
	if mean <= 0 || deviation <= 0 {
		return Spread{grams, grams, grams}
	}
	shape := mean * mean / (deviation * deviation)
	used := func(share float64) float64 { return mathext.GammaIncRegInv(shape, share) * mean / shape }
	left := func(share float64) float64 { return math.Max(0, grams-used(share)) }
	return Spread{left(0.5), left(0.9), left(0.1)}
}

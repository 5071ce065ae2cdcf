package propagation

import (
	"cmp"
	"errors"
	"maps"
	"math/rand/v2"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"bramblyacre/core/flora"
)

// Runs is how many runs a way is compared by.
const Runs = 2000

// Spread is a spread of a number over runs.
type Spread struct{ P10, P50, P90 int }

// Outlook is what comes of an attempt over its runs.
type Outlook struct {
	// Chance is the share of runs in which as many as are wanted stand, by the day where there is
	// one. ChanceKnown is false where the row does not say what it would take to tell.
	Chance      float64
	ChanceKnown bool
	// Plants, and of the runs in which any stand at all, when their rest was over, when they were
	// up or rooted, grown, and ready: standing in the open or able to.
	Plants                 Spread
	Rested, Up, Grown, Out Spread
	DatesKnown             bool
	// Harvest is by part when it is first taken; HarvestShare in which share of runs it is within
	// the days that are looked at.
	Harvest      map[string]Spread
	HarvestShare map[string]float64
	// Whys are the shares of runs that came to too little, the commonest first.
	Whys []WhyShare
	// Missing names the figures that are not on record and would be needed; Assumed those whose
	// range is assumed.
	Missing, Assumed []string
	Standing         flora.Standing
}

// WhyShare is a reason with the share of runs that it spoiled.
type WhyShare struct {
	Why   Why
	Share float64
}

// Look runs the attempt and counts. The same seed gives the same outlook.
func (a *Attempt) Look(runs int, seed uint64) Outlook {
	o := Outlook{ChanceKnown: true, DatesKnown: true}
	a.account(&o)
	rng := rand.New(rand.NewPCG(seed, 0x5eed))
	whys := map[Why]int{}
	var plants, rested, up, grown, out []int
	a.parts = sortedKeys(a.Row.FirstHarvest)
	harvest := map[string][]int{}
	enough := 0
	for i := range runs {
		r := a.run(rng, i%a.Weathers.Size())
		plants = append(plants, r.Plants)
		if r.Why == "" {
			enough++
		} else {
			whys[r.Why]++
		}
		if r.Out >= 0 {
			rested, up = append(rested, r.Rested), append(up, r.Up)
			grown, out = append(grown, r.Grown), append(out, r.Out)
		}
		for i, day := range r.HarvestOn {
			if day >= 0 {
				harvest[a.parts[i]] = append(harvest[a.parts[i]], day)
			}
		}
	}
	o.Chance = float64(enough) / float64(runs)
	o.Plants = spreadOf(plants)
	o.Rested, o.Up, o.Grown, o.Out = spreadOf(rested), spreadOf(up), spreadOf(grown), spreadOf(out)
	if len(out) == 0 {
		o.DatesKnown = false
	}
	o.Harvest, o.HarvestShare = map[string]Spread{}, map[string]float64{}
	for part, days := range harvest {
		o.Harvest[part], o.HarvestShare[part] = spreadOf(days), float64(len(days))/float64(runs)
	}
	for why, n := range whys {
		o.Whys = append(o.Whys, WhyShare{why, float64(n) / float64(runs)})
	}
	slices.SortFunc(o.Whys, func(a, b WhyShare) int {
		return cmp.Or(cmp.Compare(b.Share, a.Share), cmp.Compare(a.Why, b.Why))
	})
	return o
}

// spreadOf is the spread of numbers: the nearest ranks.
func spreadOf(numbers []int) Spread {
	if len(numbers) == 0 {
		return Spread{}
	}
	slices.Sort(numbers)
	at := func(q float64) int { return numbers[min(int(q*float64(len(numbers))), len(numbers)-1)] }
	return Spread{at(0.1), at(0.5), at(0.9)}
}

// account tells what the outlook rests on: what is missing, what is assumed, and the weakest
// standing. A step of the way that is not on record makes what hangs on it unknown.
func (a *Attempt) account(o *Outlook) {
	o.Standing = flora.Published
	use := func(name string, f *flora.Figure) {
		if f == nil {
			return
		}
		o.Standing = flora.Weakest(o.Standing, f.Standing)
		if _, _, assumed := a.Lore.Doubt.Range(*f); assumed {
			o.Assumed = append(o.Assumed, name)
		}
	}
	lack := func(name string, known *bool) {
		o.Missing = append(o.Missing, name)
		*known = false
	}
	way, _ := WayOf(a.Row.Way)
	if way.Deed == Sow {
		if a.Lot == nil || a.Lot.Seen == nil {
			use("the share that comes up", a.Row.ComesUp)
			if a.Row.ComesUp == nil {
				lack("the share that comes up", &o.ChanceKnown)
			}
			if a.Lot != nil && a.Lot.Years > 0 {
				use("how long its seed lives", a.Row.SeedLife)
				if a.Row.SeedLife == nil {
					lack("how long its seed lives", &o.ChanceKnown)
				}
			}
		} else {
			o.Standing = flora.Measured
		}
		for _, f := range []struct {
			name   string
			figure *flora.Figure
		}{
			{"the temperature at which it begins to come up", a.Row.Base},
			{"the temperature at which it comes up soonest", a.Row.Optimum},
			{"the temperature above which it does not come up", a.Row.Ceiling},
			{"the warmth until it is up", a.Row.Warmth},
		} {
			use(f.name, f.figure)
			if f.figure == nil {
				lack(f.name, &o.DatesKnown)
			}
		}
		use("the weeks of cold", a.Row.ColdWeeks)
		use("the weeks of warmth", a.Row.WarmWeeks)
	} else {
		use("the share that takes", a.Row.Takes)
		if a.Row.Takes == nil {
			lack("the share that takes", &o.ChanceKnown)
		}
		use("how many come up by themselves", a.There)
		use("the days to rooting", a.Row.RootsDays)
		if a.Row.RootsDays == nil && way.Mother {
			lack("the days to rooting", &o.DatesKnown)
		}
	}
	if a.Grow != nil {
		use("the weeks until it is set out", a.Row.SetOutWeeks)
		if a.Row.SetOutWeeks == nil {
			o.Missing = append(o.Missing, "how long it grows on: what is told is when it has rooted, at the earliest")
		}
	}
	if !o.DatesKnown && a.By >= a.Start {
		o.ChanceKnown = false // whether it is in time hangs on the dates
	}
	for _, figure := range []flora.Figure{a.Lore.Raising.Settles, a.Lore.Raising.GrowsOn} {
		o.Standing = flora.Weakest(o.Standing, figure.Standing)
	}
}

// startDraws is how many draws of the doubtful share the number to start is reckoned over.
const startDraws = 64

// StartsFor returns how many to start so that as many as are wanted come through with a
// confidence, over what is not known of the shares: the least n at which the mean of the binomial
// tails is the confidence. An error where nothing is on record or no number is enough.
func (a *Attempt) StartsFor(confidence float64, seed uint64) (int, error) {
	if err := checkWanted(a.Wanted, confidence); err != nil {
		return 0, err
	}
	if a.Lot != nil && a.Lot.Seen == nil && a.Lot.Years > 0 && a.Row.SeedLife == nil {
		return 0, errors.New("how long its seed lives is not on record: test it")
	}
	rng := rand.New(rand.NewPCG(seed, 0x57a7))
	var shares [startDraws]float64
	for i := range shares {
		late := a.Lore.Doubt.Draw(rng, a.Lore.Raising.Settles)
		switch {
		case a.Grow != nil:
			late *= a.Lore.Doubt.Draw(rng, a.Lore.Raising.GrowsOn)
		case a.Row.Way == "seed":
			late = a.Lore.Doubt.Draw(rng, a.Lore.Raising.InPlace)
		}
		shares[i] = a.drawShare(rng) * late
	}
	return leastStarts(a.Wanted, confidence, func(n int) float64 {
		sum := 0.0
		for _, share := range shares {
			sum += AtLeast(a.Wanted, n, share)
		}
		return sum / startDraws
	})
}

// binomial draws how many of n come through with a chance.
func binomial(rng *rand.Rand, n int, chance float64) int {
	switch {
	case n <= 0 || !(chance > 0):
		return 0
	case chance >= 1:
		return n
	}
	return int(distuv.Binomial{N: float64(n), P: chance, Src: rng}.Rand())
}

func sortedKeys[V any](m map[string]V) []string { return slices.Sorted(maps.Keys(m)) }

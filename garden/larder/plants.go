package larder

import (
	"fmt"
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// driedShare is what a gram of a part weighs dried: by the household's own dryings where there are any, else by what is
// on record of its water.
func driedShare(s *plot.State, st stuff) (share float64, known bool) {
	fresh, dry := 0.0, 0.0
	lots := plot.Lots.Of(s)
	for i, seen := len(lots)-1, 0; i >= 0 && seen < mostOwnRuns; i-- {
		lot := lots[i]
		if lot.Making != makingDried || lot.SpeciesID != st.lot.SpeciesID || lot.Part != st.lot.Part || lot.EndedAt == nil ||
			lot.BoughtFrom != "" || lot.Grams == nil || *lot.Grams <= 0 {
			continue
		}
		seen++
		fresh, dry = fresh+freshOf(s, lot.ID), dry+*lot.Grams
	}
	if fresh > 0 {
		return math.Min(1, dry/fresh), true
	}
	return s.Lib.Gather().DriedShare(st.part)
}

// StorePlantsView is how many plants a year's use takes.
type StorePlantsView struct {
	Words string `json:"words" doc:"How many plants, and the chance that those that stand fall short; empty where not known"`
	More  int    `json:"more" doc:"How many more plants would do, 8 in 10; 0 for none"`
}

// fallsShortAtMost is how often a number of plants may fall short before it is told to be too few.
const fallsShortAtMost = 0.2

// plantsFor is how many plants a year's use takes, and whether those that stand bear it.
func plantsFor(s *plot.State, l line, need keeping.Amount) StorePlantsView {
	y, own, known := yieldOf(s, l.stuff)
	if !known {
		return StorePlantsView{}
	}
	stand, young := 0, 0
	for _, p := range s.Plantings {
		if p.SpeciesID != l.species.ID || p.Aside {
			continue
		}
		stand += p.Standing()
		if float64(s.Age(p, s.Season).Year) < l.part.Harvest.MinYear.Value {
			young += p.Standing()
		}
	}
	plants, can := keeping.PlantsFor(y, need, fallsShortAtMost)
	if !can {
		return StorePlantsView{}
	}
	words := fmt.Sprintf(
		"about %s for one cut a year, full-grown, 8 in 10",
		say.Counted(float64(plants), "plant", "plants"),
	)
	if own {
		words += ", by what you weighed"
	}
	switch short := keeping.FallsShort(stand-young, y, need); {
	case stand == 0:
		words += "; none stands here"
	case stand == young:
		words += fmt.Sprintf("; the %s too young yet", say.Counted(float64(stand), "that stands is", "that stand are"))
	default:
		words += fmt.Sprintf("; the %s short %s",
			say.Counted(float64(stand-young), "that stands falls", "that stand fall"), say.Chance(short))
	}
	return StorePlantsView{Words: words, More: max(0, plants-stand)}
}

// yieldOf is what a full-grown plant bears at one cut, dried: by what the household itself weighed of a unit and of its
// dryings where it did, else by what is on record.
func yieldOf(s *plot.State, st stuff) (y keeping.Yields, own, known bool) {
	rule := st.part.Harvest
	share, known := driedShare(s, st)
	if rule == nil || !known {
		return y, false, false
	}
	mean := harvest.OneCut(rule) * share
	relative := func(f flora.Figure) float64 {
		if f.Value <= 0 {
			return 0
		}
		return (f.High - f.Low) / (2 * 1.2816) / f.Value
	}
	deviation := math.Hypot(relative(rule.PerPlant), relative(rule.GramsEach))
	units, grams := 0.0, 0.0
	for _, p := range s.EverPlanted {
		if p.SpeciesID != st.species.ID {
			continue
		}
		for _, picking := range p.Pickings {
			if picking.Part == st.part.Name && picking.Units > 0 {
				units, grams = units+picking.Units, grams+picking.Grams
			}
		}
	}
	const enough = 20
	if units >= enough && rule.GramsEach.Value > 0 {
		mean *= grams / units / rule.GramsEach.Value
		deviation, own = relative(rule.PerPlant), true
	}
	y.Each = keeping.Amount{Mean: mean, Deviation: mean * deviation}
	y.Years = s.Lib.Keeping().Year.Yields.Value
	return y, own, mean > 0
}

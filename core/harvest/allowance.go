package harvest

import (
	"cmp"
	"math"
	"slices"

	"bramblyacre/core/flora"
)

// Taken is one picking that has not wholly grown back.
type Taken struct {
	// Units is how much was taken, in the rule's unit.
	Units float64
	// Warmth is the thermal time since, in °C·d.
	Warmth float64
}

// Stand is what an allowance is taken from.
type Stand struct {
	// Plants is how many plants stand.
	Plants float64
	// SizeShare is their size against full-grown ones: 1 for full size.
	SizeShare float64
	// Ready is the share of plants at the right stage, 0–1.
	Ready float64
	// Taken are this season's pickings of the part, oldest first.
	Taken []Taken
	// StillNeeded is how many units the household still needs this season;
	// nil where nobody has said.
	StillNeeded *float64
	// KeptShare is the share that the household leaves standing by its own rule, 0 for none: where it is more than the
	// plant's floor it holds instead.
	KeptShare float64
	// Steady is how many units more may go this year by what the household settled on; nil where nobody did.
	Steady *float64
	// All is true for a stand that is to go: nothing of it is kept back.
	All bool
}

// LimitKind names what bounds an allowance.
type LimitKind string

// The limits.
const (
	ByShare    LimitKind = "share"    // the share that may be cut of what stands
	ByRegrowth LimitKind = "regrowth" // what has grown back since the last cut
	ByFloor    LimitKind = "floor"    // what is kept standing
	ByStage    LimitKind = "stage"    // what is at the right stage
	ByNeed     LimitKind = "need"     // what the household needs
	BySteady   LimitKind = "steady"   // what the household settled on for a year
	ByAll      LimitKind = "all"      // all that stands, of a stand that is to go
)

// Limit is one bound, in the rule's unit.
type Limit struct {
	Kind  LimitKind
	Units float64
}

// Allowance is how much of a part may be taken.
type Allowance struct {
	// Units is the least of the limits, in whole units; Grams its fresh weight.
	Units, Grams float64
	// Full is what the stand carries uncut, Standing what stands today.
	Full, Standing float64
	// Regrown is the share of what was missing right after the last cut that has grown back, 1 where nothing was.
	Regrown float64
	// Limits are all limits, the binding one first.
	Limits []Limit
}

// Allow returns how much of a part may be taken from a stand: the least of the cut share of what stands, what is left
// of that share after the season's cuts less their regrowth, what stands above the floor, what is at the right stage,
// what is needed, and what was settled on for a year. Where limits are equal, the earlier of these is named first. Of a
// stand that is to go it is all that stands and is at the right stage. Amounts are in the rule's unit, rounded down to
// whole units; grams are fresh weight.
func Allow(rule *flora.HarvestRule, stand Stand) Allowance {
	full := FullUnits(rule, stand.Plants, stand.SizeShare)
	afterCut, grown := MissingAfterCuts(rule, stand.Taken)
	missing := afterCut * (1 - grown)
	standing := math.Max(0, full-missing)
	a := Allowance{Full: full, Standing: standing, Regrown: 1}
	if afterCut > 0 {
		a.Regrown = grown
	}
	// What is at the right stage is a share of the whole stand; what was picked was of it.
	limits := []Limit{
		{ByShare, rule.CutShare.Value * standing},
		{ByFloor, standing - math.Max(rule.Floor.Value, stand.KeptShare)*full},
		{ByStage, stand.Ready*full - missing},
	}
	if stand.All {
		limits = []Limit{{ByAll, standing}, {ByStage, stand.Ready*full - missing}}
	}
	if missing > 0 && !stand.All {
		limits = append(limits, Limit{ByRegrowth, rule.CutShare.Value*full - missing})
	}
	if stand.StillNeeded != nil && !stand.All {
		limits = append(limits, Limit{ByNeed, math.Ceil(*stand.StillNeeded)})
	}
	if stand.Steady != nil && !stand.All {
		limits = append(limits, Limit{BySteady, *stand.Steady})
	}
	for i := range limits {
		// A hair is added so that a third of 42 is 14, not 13.
		limits[i].Units = math.Max(0, math.Floor(limits[i].Units+1e-9))
	}
	slices.SortStableFunc(limits, func(x, y Limit) int { return cmp.Compare(x.Units, y.Units) })
	a.Limits = limits
	a.Units = limits[0].Units
	a.Grams = a.Units * GramsEach(rule, stand.SizeShare)
	return a
}

// MissingAfterCuts returns how many units were missing right after the last of a stand's cuts, oldest first, and the
// share of them that has grown back since. All that is missing grows back over one whole regrowth from the latest cut,
// linear in thermal time, the simplest course that model.md §7 allows: whoever cuts again before it has passed waits
// for all of it anew, so that a stand gives no more than its share once in a regrowth, however it is cut. The plan of
// the season reckons by the same rule.
func MissingAfterCuts(rule *flora.HarvestRule, taken []Taken) (missing, grown float64) {
	for i, t := range taken {
		if i > 0 {
			missing *= 1 - regrownShare(rule, taken[i-1].Warmth-t.Warmth)
		}
		missing += t.Units
		grown = regrownShare(rule, t.Warmth)
	}
	return missing, grown
}

// FullUnits returns what plants of a size, against full-grown ones, carry uncut, in the rule's unit.
func FullUnits(rule *flora.HarvestRule, plants, sizeShare float64) float64 {
	return plants * rule.PerPlant.Value * countShare(rule, sizeShare)
}

// OneCut returns the fresh weight in grams that one cut of a full-grown plant may take.
func OneCut(rule *flora.HarvestRule) float64 {
	return math.Min(rule.CutShare.Value, 1-rule.Floor.Value) * FullUnits(rule, 1, 1) * GramsEach(rule, 1)
}

// countShare is the share of a full-grown plant's units that a plant of a size
// has: a smaller plant has fewer stems, but still one root.
func countShare(rule *flora.HarvestRule, sizeShare float64) float64 {
	if rule.TakesPlant {
		return 1
	}
	return sizeShare
}

// GramsEach returns the fresh weight of one unit in grams, from plants of a size
// against full-grown ones (1 for full size): a smaller plant's stem weighs the
// same, its root less.
func GramsEach(rule *flora.HarvestRule, sizeShare float64) float64 {
	if rule.TakesPlant {
		return rule.GramsEach.Value * sizeShare
	}
	return rule.GramsEach.Value
}

// LeavesCrowns tells whether what is lifted of a species leaves a crown with buds that may
// be put back: of a plant that lives on, not of one whose root is all it has.
func LeavesCrowns(species *flora.Species, rule *flora.HarvestRule) bool {
	return rule.TakesPlant && species.Life.Form == flora.Perennial
}

// WholeUnits returns how many whole units a fresh weight in grams is of, gramsEach being what
// one weighs: the nearest number, and never none.
func WholeUnits(grams, gramsEach float64) float64 {
	if !(gramsEach > 0) {
		return 1
	}
	return math.Max(1, math.Round(grams/gramsEach))
}

// regrownShare is the share of a cut that has grown back after some warmth.
func regrownShare(rule *flora.HarvestRule, warmth float64) float64 {
	if !rule.Regrowth.Grows() {
		return 0
	}
	return math.Min(1, math.Max(0, warmth)/rule.Regrowth.Value)
}

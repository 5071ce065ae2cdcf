package care

import (
	"math"

	"bramblyacre/core/flora"
)

// Situation is what stands, as far as it is known.
type Situation struct {
	// Year of life of the planting.
	Year int
	// HeightCm and WidthCm are how large its plants are now.
	HeightCm, WidthCm float64
	// YearsSince is how many years ago the work was last noted as done; Never where it never was.
	YearsSince int
	// KnowsWater is true where the ground's water is reckoned, Short where its plants lack it or will within days.
	KnowsWater, Short bool
	// MulchCm is how deep mulch is said to lie; 0 where nobody said.
	MulchCm float64
	// TooRich is true where the ground is richer than the plant wants.
	TooRich bool
	// NightsTold is true where shelter is asked for on the evening before each night that harms it.
	NightsTold bool
	// Crowded is true where its plants have grown into each other's room.
	Crowded bool
}

// Never is the years since work that was never noted.
const Never = -1

// Reason is what, besides its stage, asks for work on a planting or speaks against it.
type Reason string

// The reasons. The first five speak for work or only add to it, the others against it.
const (
	NoReason     Reason = ""
	GroundDry    Reason = "the ground is dry"
	IsCrowded    Reason = "crowded"
	StillSmall   Reason = "still small"
	YearsAgo     Reason = "years ago"
	TooYoung     Reason = "too young"
	TooOld       Reason = "too old"
	DoneLately   Reason = "done lately"
	BedIsWatered Reason = "the bed is watered"
	Mulched      Reason = "mulched already"
	TooRich      Reason = "too rich"
	LargeEnough  Reason = "large enough"
	OnTheNight   Reason = "told on the night"
)

// Verdict is whether work is wanted, and what besides its stage decides that.
type Verdict struct {
	Wanted bool
	Reason Reason
	// Again is after how many years the work comes again.
	Again int
}

// deepMulchCm is the mulch on which more only keeps the rain off: the common advice is 5 to 8 cm.
const deepMulchCm = 5

// Judge tells whether the work of a row is wanted where it stands, its stage aside: by age, size, water, mulch,
// food, crowding, and when it was done last.
func Judge(row flora.Care, work Work, at Situation) Verdict {
	again := everyYears(row, work)
	against := func(reason Reason) Verdict { return Verdict{Reason: reason, Again: again} }
	wanted := func(reason Reason) Verdict { return Verdict{Wanted: true, Reason: reason, Again: again} }
	switch {
	case at.Year < row.MinYear:
		return against(TooYoung)
	case !row.IsIn(at.Year):
		return against(TooOld)
	case at.YearsSince != Never && at.YearsSince < again && again > 1:
		return against(DoneLately)
	case work.Name == Water && at.KnowsWater:
		return against(BedIsWatered) // it says when and how much, for all that stands there
	case work.Name == Mulch && at.MulchCm >= deepMulchCm:
		return against(Mulched)
	case work.Name == Shelter && at.NightsTold:
		return against(OnTheNight)
	case work.Name == Feed && at.TooRich:
		return against(TooRich)
	case isGrown(row, at):
		return against(LargeEnough)
	case row.UntilHeight.Unit != "" || row.UntilWidth.Unit != "":
		return wanted(StillSmall)
	case work.Name == Mulch && at.KnowsWater && at.Short:
		return wanted(GroundDry)
	case work.Name == Renew && at.Crowded:
		return wanted(IsCrowded)
	case again > 1 && at.YearsSince != Never:
		return wanted(YearsAgo)
	}
	return wanted(NoReason)
}

// isGrown tells whether plants have reached the size from which a row's work is no longer done: both its height and
// its width, where it gives both.
func isGrown(row flora.Care, at Situation) bool {
	high, wide := row.UntilHeight, row.UntilWidth
	if high.Unit == "" && wide.Unit == "" {
		return false
	}
	return at.HeightCm >= high.Value && at.WidthCm >= wide.Value
}

// everyYears is after how many years work is done again: by its row, or, where a plant is renewed, after as many
// years as it stood before the first time. Other work comes every year.
func everyYears(row flora.Care, work Work) int {
	switch {
	case row.Every.Unit != "":
		return int(math.Round(row.Every.Value))
	case work.Name == Renew:
		return max(1, row.MinYear-1)
	}
	return 1
}

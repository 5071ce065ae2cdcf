package spread

import (
	"slices"

	"bramblyacre/core/flora"
)

// Deed is what may be done with what came up by itself.
type Deed string

// The deeds.
const (
	KeepIt  Deed = "keep"
	PotUp   Deed = "pot up"
	EatIt   Deed = "eat"
	MoveIt  Deed = "move"
	LeaveIt Deed = "leave as cover"
	ChopIt  Deed = "chop and leave"
	LiftIt  Deed = "lift whole"
	NoDeed  Deed = ""
)

// Deeds are all of them, in the order in which they are shown.
func Deeds() []Deed { return []Deed{KeepIt, PotUp, EatIt, MoveIt, LeaveIt, ChopIt, LiftIt} }

// Waste is where what was taken out goes.
type Waste string

// The wastes: onto the heap, first dried or drowned until it is dead, or into a bag for the rubbish, never carried on.
const (
	Heap    Waste = "heap"
	KillIt  Waste = "killed first"
	BagIt   Waste = "bagged"
	NoWaste Waste = ""
)

// Found is what came up, and where.
type Found struct {
	Species *flora.Species
	// Checked is true where one was looked at against every dangerous look-alike; Seeding where it has set seed.
	Checked, Seeding bool
	// Unsafe is why nothing that grows there may be used; empty for nothing.
	Unsafe string
	// Wanted is true where more of the kind is wanted, InBed where it stands among what was set, Room where there is room
	// for it, InWay where it stands on a path or in a crop.
	Wanted, InBed, Room, InWay bool
	// LawAsked is true where the household looked up its own list, LawForbids where that list forbids it.
	LawAsked, LawForbids bool
	// HoldingPlace is true where a place is known that would hold it.
	HoldingPlace bool
}

// Reason is why a deed goes or does not, in a word that the pages say in a sentence.
type Reason string

// The reasons.
const (
	IsDangerous   Reason = "dangerous"
	IsUnproven    Reason = "unproven"
	IsListed      Reason = "listed"
	AskLaw        Reason = "ask the law"
	NoPartEaten   Reason = "no part is eaten"
	UnsafeHere    Reason = "unsafe ground"
	SomeEaten     Reason = "some is eaten"
	DeadlyAlike   Reason = "a deadly plant looks like it"
	Roots         Reason = "roots grow again"
	RootsUnknown  Reason = "not on record whether roots grow again"
	RootsDie      Reason = "roots do not grow again"
	SeedSet       Reason = "seed is set"
	NoSeedYet     Reason = "no seed yet"
	RunsAway      Reason = "runs"
	StaysPut      Reason = "stays"
	NoPlaceHolds  Reason = "no place that holds it"
	APlaceHolds   Reason = "a place holds it"
	MoreWanted    Reason = "more is wanted"
	NoneWanted    Reason = "none is wanted"
	CoversGround  Reason = "covers the ground"
	FeedsInsects  Reason = "feeds insects"
	StandsInWay   Reason = "stands in the way"
	HasRoom       Reason = "has room"
	HurtsHands    Reason = "hurts by touch"
	LastsInGround Reason = "seed lasts in the ground"
)

// DeedVerdict is whether a deed goes, and why.
type DeedVerdict struct {
	Deed Deed
	// Goes is false where it is not to be done at all; Later where it goes after a check.
	Goes, Later bool
	// Never is why it does not go, none where it does.
	Never    Reason
	For, Not []Reason
}

// Verdict is what to do with what came up.
type Verdict struct {
	// Best is the deed that most speaks for.
	Best  Deed
	Deeds []DeedVerdict
	// Waste is where what is taken out goes.
	Waste Waste
	// Gloves is true where it is not touched with bare hands.
	Gloves bool
}

// fastM is from how many metres a year on a kind is not let stand in open ground: a guess of ours. soilYears is from
// how many years in the ground on its seed counts as lasting.
const fastM, soilYears = 0.3, 5

// regrowsAtAll is from which share on pieces count as growing again.
const regrowsAtAll = 0.15

// Judge says what to do with what came up by itself, with all that speaks for each deed and against it. What is
// dangerous, and what a list forbids or may forbid, is lifted whole; what is unproven is not eaten, potted or moved
// before a check; where it is not on record whether roots grow again they are lifted.
func Judge(f Found) Verdict {
	s := f.Species
	j := judge{found: f, species: s}
	j.dangerous = flora.IsDangerous(s.Identity.Danger)
	j.fast = fastestRate(s) >= fastM
	regrows, known := Regrows(s)
	j.regrows, j.rootsKnown = known && regrows.Value >= regrowsAtAll, known || s.Life.Form == flora.Annual
	if way := SeedWay(s); way != nil {
		j.lasting = way.SoilYears.Value >= soilYears
	}
	v := Verdict{Gloves: HurtsByTouch(s) || j.dangerous}
	best := -100
	for _, deed := range Deeds() {
		one, score := j.deed(deed)
		v.Deeds = append(v.Deeds, one)
		if one.Goes && score > best {
			v.Best, best = deed, score
		}
	}
	switch {
	case j.law() != "", j.dangerous:
		v.Waste = BagIt
	case f.Seeding, j.regrows, !j.rootsKnown:
		v.Waste = KillIt
	default:
		v.Waste = Heap
	}
	return v
}

type judge struct {
	found      Found
	species    *flora.Species
	dangerous  bool
	fast       bool
	regrows    bool
	rootsKnown bool
	lasting    bool
}

func fastestRate(s *flora.Species) (most float64) {
	for _, way := range s.Spreads {
		if way.Rate != nil {
			most = max(most, way.Rate.Value)
		}
	}
	return most
}

// deed is whether one deed goes, and how much speaks for it.
func (j judge) deed(deed Deed) (v DeedVerdict, score int) {
	f := j.found
	v = DeedVerdict{Deed: deed, Goes: true}
	speaks := func(weight int, reason Reason) { v.For, score = append(v.For, reason), score+weight }
	against := func(weight int, reason Reason) { v.Not, score = append(v.Not, reason), score-weight }
	never := func(reason Reason) {
		if v.Goes {
			v.Never = reason
		}
		v.Not, v.Goes = append(v.Not, reason), false
	}
	check := func() {
		if !f.Checked {
			v.Later = true
			against(0, IsUnproven)
		}
	}
	if deed != LiftIt {
		// What a list forbids is lifted whole and bagged: what is kept lives on, what is chopped or carried to the kitchen
		// may grow where a piece of it falls.
		if j.dangerous {
			never(IsDangerous)
		}
		if reason := j.law(); reason != "" {
			never(reason)
		}
	}
	switch deed {
	case KeepIt:
		j.keep(speaks, against)
	case PotUp:
		check()
		if f.Wanted {
			speaks(4, MoreWanted)
		} else {
			against(2, NoneWanted)
		}
	case EatIt:
		j.eat(speaks, against, never, check)
	case MoveIt:
		check()
		if f.Wanted {
			speaks(2, MoreWanted)
		} else {
			against(2, NoneWanted)
		}
		switch {
		case f.HoldingPlace:
			speaks(1, APlaceHolds)
		case j.fast:
			never(NoPlaceHolds)
		}
	case LeaveIt:
		j.leave(speaks, against)
	case ChopIt:
		j.chop(speaks, never)
	case LiftIt:
		j.lift(speaks, against)
	}
	return v, score
}

// LawAgainst is why the law stands against keeping, potting up or moving a kind: the household's own list forbids it,
// whatever its file says, or its file says that a list may, and nobody has found out. Empty where nothing does.
func LawAgainst(s *flora.Species, asked, forbids bool) Reason {
	switch {
	case forbids:
		return IsListed
	case s.Law != "" && !asked:
		return AskLaw
	}
	return ""
}

func (j judge) law() Reason { return LawAgainst(j.species, j.found.LawAsked, j.found.LawForbids) }

func (j judge) keep(speaks, against func(int, Reason)) {
	f := j.found
	if f.Wanted {
		speaks(2, MoreWanted)
	} else {
		against(1, NoneWanted)
	}
	if f.Room && f.InBed {
		speaks(1, HasRoom)
	}
	if j.feedsInsects() {
		speaks(1, FeedsInsects)
	}
	if f.InWay {
		against(3, StandsInWay)
	}
	if j.fast {
		against(3, RunsAway)
	} else {
		speaks(0, StaysPut)
	}
	if j.lasting {
		against(1, LastsInGround)
	}
}

func (j judge) eat(speaks, against func(int, Reason), never func(Reason), check func()) {
	check()
	eaten := false
	for _, part := range j.species.Parts {
		eaten = eaten || IsFood(part)
	}
	switch {
	case !eaten:
		never(NoPartEaten)
	case !j.dangerous:
		speaks(3, SomeEaten)
	}
	if slices.ContainsFunc(j.species.LookAlikes, func(l flora.LookAlike) bool { return l.Danger == "deadly" }) {
		against(4, DeadlyAlike)
	}
	if j.found.Unsafe != "" {
		never(UnsafeHere)
	}
}

func (j judge) leave(speaks, against func(int, Reason)) {
	f := j.found
	if covers := balanceRow(j.species, CoverSoil); covers.Side == For {
		speaks(int(covers.Weight), CoversGround)
	}
	if j.feedsInsects() {
		speaks(1, FeedsInsects)
	}
	if j.fast {
		against(4, RunsAway)
	}
	if f.Seeding {
		against(2, SeedSet)
	}
	if f.InWay {
		against(3, StandsInWay)
	}
	if j.lasting && !f.Seeding {
		against(1, LastsInGround)
	}
}

// chop cuts it and lets it lie: only where its roots do not grow again and no seed is set.
func (j judge) chop(speaks func(int, Reason), never func(Reason)) {
	switch {
	case !j.rootsKnown:
		never(RootsUnknown)
	case j.regrows:
		never(Roots)
	default:
		speaks(1, RootsDie)
	}
	if j.found.Seeding {
		never(SeedSet)
	} else {
		speaks(0, NoSeedYet)
	}
	if j.found.InWay {
		speaks(1, StandsInWay)
	}
}

func (j judge) lift(speaks, against func(int, Reason)) {
	f := j.found
	switch {
	case j.regrows:
		speaks(1, Roots)
	case !j.rootsKnown:
		speaks(1, RootsUnknown)
	}
	if j.dangerous {
		speaks(6, IsDangerous)
	}
	if reason := j.law(); reason != "" {
		speaks(5, reason)
	}
	if j.fast {
		speaks(2, RunsAway)
	}
	if f.Seeding {
		speaks(1, SeedSet)
	}
	if f.InWay {
		speaks(1, StandsInWay)
	}
	if j.feedsInsects() {
		against(0, FeedsInsects)
	}
	if HurtsByTouch(j.species) {
		against(0, HurtsHands)
	}
}

func (j judge) feedsInsects() bool { return balanceRow(j.species, Insects).Weight >= 2 }

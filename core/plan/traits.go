package plan

import (
	"fmt"
	"slices"
	"time"
)

// Traits are what is known of a thing besides its place. A trait that its kind
// does not have stays at its zero value.
type Traits struct {
	// HeightM is the height above its foot, CrownBaseM that of the lowest
	// leaves, in metres.
	HeightM    float64 `json:"height_m,omitempty"`
	CrownBaseM float64 `json:"crown_base_m,omitempty"`
	// Leaf is evergreen or deciduous; LeafFrom and LeafUntil are the first and
	// the last month in leaf of a deciduous one.
	Leaf      string     `json:"leaf,omitempty"`
	LeafFrom  time.Month `json:"leaf_from,omitempty"`
	LeafUntil time.Month `json:"leaf_until,omitempty"`
	// Tree is the id of a kind of tree that poisons the ground; empty for others.
	Tree string `json:"tree,omitempty"`
	// LetsThrough is the share of direct light that passes (in full leaf);
	// nil for what is usual for the kind.
	LetsThrough *float64 `json:"lets_through,omitempty"`
	// ReachM is how far its effect goes beyond its own ground, in metres; nil
	// for what is usual.
	ReachM *float64 `json:"reach_m,omitempty"`
	// Unsafe is a kind of unsafe ground.
	Unsafe string `json:"unsafe,omitempty"`
	// FallPercent is a slope's fall, metres in a hundred; FacesDeg the way it
	// faces, degrees clockwise from true north.
	FallPercent float64 `json:"fall_percent,omitempty"`
	FacesDeg    float64 `json:"faces_deg,omitempty"`
	// DepthM is how deep something goes into the ground, in metres.
	DepthM float64 `json:"depth_m,omitempty"`
}

// Leaf seasons.
const (
	Evergreen = "evergreen"
	Deciduous = "deciduous"
)

// The bounds of what a trait may be.
const (
	TallestM   = 120.0
	SteepestPC = 150.0
	FarthestM  = 100.0
	DeepestM   = 3.0
)

// TraitFault is a trait that cannot be, and why.
type TraitFault struct {
	Trait Trait
	Why   string
}

// Check returns what is wrong with the traits of a kind.
func (t Traits) Check(kind KindRow) []TraitFault {
	var faults []TraitFault
	fault := func(trait Trait, format string, args ...any) {
		if kind.Has(trait) {
			faults = append(faults, TraitFault{trait, fmt.Sprintf(format, args...)})
		}
	}
	if !(t.HeightM > 0 && t.HeightM <= TallestM) {
		fault(Height, "The height must be above nothing and at most %g m; no hedge, house or tree is taller here.", TallestM)
	}
	if !(t.CrownBaseM >= 0 && (t.CrownBaseM < t.HeightM || t.CrownBaseM == 0)) {
		fault(CrownBase, "The crown must begin below the top.")
	}
	switch {
	case t.Leaf != Evergreen && t.Leaf != Deciduous:
		fault(LeafSeason, "Say whether it is evergreen or loses its leaf.")
	case t.Leaf == Deciduous && (t.LeafFrom < 1 || t.LeafFrom > 12 || t.LeafUntil < 1 || t.LeafUntil > 12):
		fault(LeafSeason, "Say from which month until which month it is in leaf.")
	}
	if t.LetsThrough != nil && !(*t.LetsThrough >= 0 && *t.LetsThrough <= 1) {
		fault(LetsThrough, "The light let through lies between 0 and 100 %%.")
	}
	if t.ReachM != nil && !(*t.ReachM >= 0 && *t.ReachM <= FarthestM) {
		fault(Reach, "The reach lies between 0 and %g m.", FarthestM)
	}
	if t.Unsafe == "" {
		fault(Unsafe, "Say what makes the ground unsafe.")
	}
	if !(t.FallPercent > 0 && t.FallPercent <= SteepestPC) {
		fault(Fall, "The fall must be above nothing and at most %g m in 100 m.", SteepestPC)
	}
	if !(t.FacesDeg >= 0 && t.FacesDeg <= 360) {
		fault(Faces, "The way it faces lies between 0 and 360 degrees, clockwise from north.")
	}
	if !(t.DepthM > 0 && t.DepthM <= DeepestM) {
		fault(Depth, "The depth must be above nothing and at most %g m.", DeepestM)
	}
	return faults
}

// Only returns the traits that a kind has; all others are cleared.
func (t Traits) Only(kind KindRow) Traits {
	var kept Traits
	for trait, copyOver := range map[Trait]func(){
		Height:      func() { kept.HeightM = t.HeightM },
		CrownBase:   func() { kept.CrownBaseM = t.CrownBaseM },
		LeafSeason:  func() { kept.Leaf, kept.LeafFrom, kept.LeafUntil = t.Leaf, t.LeafFrom, t.LeafUntil },
		TreeSpecies: func() { kept.Tree = t.Tree },
		LetsThrough: func() { kept.LetsThrough = t.LetsThrough },
		Reach:       func() { kept.ReachM = t.ReachM },
		Unsafe:      func() { kept.Unsafe = t.Unsafe },
		Fall:        func() { kept.FallPercent = t.FallPercent },
		Faces:       func() { kept.FacesDeg = t.FacesDeg },
		Depth:       func() { kept.DepthM = t.DepthM },
	} {
		if kind.Has(trait) {
			copyOver()
		}
	}
	if kept.Leaf == Evergreen {
		kept.LeafFrom, kept.LeafUntil = 0, 0
	}
	return kept
}

// InLeaf tells for each month, January first, whether it is in leaf. What has no
// leaf season always is.
func (t Traits) InLeaf() (inLeaf [12]bool) {
	for m := range inLeaf {
		month := time.Month(m + 1)
		switch {
		case t.Leaf != Deciduous:
			inLeaf[m] = true
		case t.LeafFrom <= t.LeafUntil:
			inLeaf[m] = month >= t.LeafFrom && month <= t.LeafUntil
		default: // over the turn of the year, as in the south
			inLeaf[m] = month >= t.LeafFrom || month <= t.LeafUntil
		}
	}
	return inLeaf
}

// LightThrough returns the share of direct light that passes a kind of thing in
// each month, January first: none through a wall, a tenth through a crown in
// leaf, half through a bare one, a third of that in a hedge. These are usual
// values; a grower's own share holds for the time in leaf.
func (t Traits) LightThrough(kind KindRow) (share [12]float64) {
	usual := usualLight[kind.Kind]
	inLeaf := t.InLeaf()
	for m := range share {
		full := usual.inLeaf
		if t.LetsThrough != nil && kind.Has(LetsThrough) {
			full = *t.LetsThrough
		}
		share[m] = full
		if !inLeaf[m] {
			share[m] = max(full, usual.bare)
		}
	}
	return share
}

// usualLight are the usual shares of direct light let through, guesses from the
// common range: crowns in leaf pass 5–20 %, bare ones 40–70 %.
var usualLight = map[Kind]struct{ inLeaf, bare float64 }{
	Tree:  {0.1, 0.5},
	Hedge: {0.03, 0.35},
}

// usualReach is how far, in metres, water and unsafe ground are usually felt
// beyond their own edge: guesses, to be set by the grower.
var usualReach = map[Kind]float64{Pond: 0.6, Stream: 1, Overflow: 0.5}

// Reach returns how far a thing's effect goes beyond its own ground in metres.
func (t Traits) Reach(kind KindRow) float64 {
	if t.ReachM != nil {
		return *t.ReachM
	}
	return usualReach[kind.Kind]
}

// Wets tells whether a kind wets the ground beside it.
func Wets(kind Kind) bool {
	return slices.ContainsFunc(kindRows, func(k KindRow) bool { return k.Kind == kind && k.Water })
}

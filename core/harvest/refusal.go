package harvest

import (
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/suitability"
)

// RefusalKind names why nothing may be taken.
type RefusalKind string

// The refusals, the gravest first.
const (
	Unsafe   RefusalKind = "unsafe ground"
	Unproven RefusalKind = "unproven"
	NotAPart RefusalKind = "not used"
	TooYoung RefusalKind = "too young"
	TooOld   RefusalKind = "too old"
	Settling RefusalKind = "settling"
	OutOfDay RefusalKind = "outside the window"
)

// Refusal says why nothing of a part may be taken.
type Refusal struct {
	Kind RefusalKind
	// Ground is set where the ground forbids use.
	Ground suitability.UnsafeGround
	// Owed are the checks that would prove the plant.
	Owed []identity.LookAlike
}

// MayUse is the gate in front of every allowance: nil if the part of a planting
// may be used at all, else the gravest refusal. It is strict logic and knows no
// probability.
func MayUse(species *flora.Species, part flora.Part, state identity.State, ground suitability.UnsafeGround) *Refusal {
	switch {
	case ground != "":
		return &Refusal{Kind: Unsafe, Ground: ground}
	case state != identity.Sure:
		return &Refusal{Kind: Unproven, Owed: identity.LookAlikes(species)}
	case part.Harvest == nil:
		return &Refusal{Kind: NotAPart}
	}
	return nil
}

// AgeRefusal returns the refusal for an age, nil if it is of age.
func AgeRefusal(rule *flora.HarvestRule, age Age) *Refusal {
	switch {
	case OfAge(rule, age):
		return nil
	case !age.Settled():
		return &Refusal{Kind: Settling}
	case float64(age.Year) < rule.MinYear.Value:
		return &Refusal{Kind: TooYoung}
	}
	return &Refusal{Kind: TooOld}
}

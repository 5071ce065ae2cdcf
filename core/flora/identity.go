package flora

import (
	"fmt"
	"maps"
	"slices"
	"strings"
)

// States are the states a character can be in on one plant of a species; any of
// them is in its nature. In a file they are one string with commas.
type States []string

// UnmarshalText reads states from "toothed, lobed".
func (s *States) UnmarshalText(text []byte) error {
	*s = nil
	for word := range strings.SplitSeq(string(text), ",") {
		word = strings.TrimSpace(word)
		if word == "" {
			return fmt.Errorf("%q names no state between its commas", text)
		}
		if slices.Contains(*s, word) {
			return fmt.Errorf("%q stands twice", word)
		}
		*s = append(*s, word)
	}
	return nil
}

// MarshalText writes the states with commas.
func (s States) MarshalText() ([]byte, error) { return []byte(strings.Join(s, ", ")), nil }

// Shows is what a plant shows: the states by character.
type Shows map[string]States

// Characters are the characters on record, in order of their names.
func (s Shows) Characters() []string { return slices.Sorted(maps.Keys(s)) }

// Identity is what a species is known by.
type Identity struct {
	// Danger is what it does to someone who takes it for another plant: deadly,
	// poisonous, unpleasant or harmless.
	Danger string `toml:"danger"`
	// Musts are the characters that all have to be seen before it is sure.
	Musts []string `toml:"must,omitempty"`
	Shows Shows    `toml:"shows"`
	// Kin warns where the common name or the genus misleads.
	Kin string `toml:"kin,omitempty"`
	// OtherThan are the ids of dangerous plants that it shares a name with, or nearly,
	// and is not: the grower's word, asked for where a name is so near.
	OtherThan []string `toml:"other_than,omitempty"`
}

// DangerWords are what a plant taken by mistake does, the worst first.
var DangerWords = []string{"deadly", "poisonous", "unpleasant", "harmless"}

// IsDangerous tells whether a word of danger is deadly or poisonous.
func IsDangerous(danger string) bool { return danger == "deadly" || danger == "poisonous" }

// IsUsed tells whether any part of the species may serve for anything at all.
func (s *Species) IsUsed() bool {
	for _, part := range s.Parts {
		for _, v := range part.Verdicts {
			if verdictUses[v] {
				return true
			}
		}
	}
	return false
}

// Eaten tells whether a part is taken by mouth: raw, cooked or as a preparation.
func (p Part) Eaten() bool {
	for _, v := range p.Verdicts {
		if v == EatenRaw || v == EatenCooked || v == Preparation {
			return true
		}
	}
	return false
}

func (s *Species) checkIdentity(c *checker) {
	c.oneOf("identity.danger", s.Identity.Danger, DangerWords...)
	c.want(len(s.Identity.Shows) > 0, "identity.shows", "is missing: say what it is known by")
	for _, id := range s.Identity.Musts {
		_, has := s.Identity.Shows[id]
		c.want(has, "identity.must", "%q is not among what it shows", id)
	}
	c.want(
		!s.IsUsed() || len(s.Identity.Musts) > 0,
		"identity.must",
		"is missing: a plant that is used has characters that must all be seen",
	)
	c.want(
		!IsDangerous(s.Identity.Danger) || !s.eaten(),
		"identity.danger",
		"is %q, and a part of it is eaten",
		s.Identity.Danger,
	)
	c.want(s.Wildlife != "", "wildlife", "is missing")
}

func (s *Species) eaten() bool { return slices.ContainsFunc(s.Parts, Part.Eaten) }

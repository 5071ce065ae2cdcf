package garden

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/identity"
	"bramblyacre/garden/view"
)

// However far it goes, What is this? says so in words that never call a plant fit for
// use: nothing seen, several left, one to be checked, only dangers, nothing at all.
func TestWhatIsThisSaysHowFarItWent(t *testing.T) {
	p := newPlot(t)
	for name, test := range map[string]struct {
		seen map[string]string
		want string
	}{
		"nothing seen": {map[string]string{}, "plants are on record. Start with what you see."},
		"several left": {map[string]string{"leaf-build": "twice-feather"}, "It can still be"},
		"one left":     {map[string]string{"smell": "garlic", "leaf-veins": "side-by-side", "leaf-base": "stalk-narrowed"}, "To be checked as ramsons. That is no proof"},
		"only dangers": {map[string]string{"flower-form": "cup-glands", "sap": "milky"}, "Only dangerous plants are left. Leave it"},
		"nothing":      {map[string]string{"flower-form": "catkin", "smell": "garlic", "leaf-build": "pad", "fruit": "hip"}, "Nothing on record shows all of this"},
	} {
		v, err := p.Identity.WhatIsThis(t.Context(), test.seen, nil)
		check(t, err)
		noNulls(t, name, v)
		if !strings.Contains(v.Words, test.want) {
			t.Errorf("%s: %q", name, v.Words)
		}
		for _, promise := range []string{"edible", "safe", "may be eaten", "fit for use"} {
			if strings.Contains(v.Words, promise) {
				t.Errorf("%s is promised: %q", name, v.Words)
			}
		}
		if v.Left != len(v.Dangers)+v.Harmless || len(v.Candidates) > v.Harmless {
			t.Errorf("%s: %d left of %d dangers and %d others, %d shown", name, v.Left, len(v.Dangers), v.Harmless, len(v.Candidates))
		}
		for _, next := range v.Next {
			if _, looked := test.seen[next.ID]; looked || next.ID == "habitat" || next.ID == "winter-leaf" {
				t.Errorf("%s asks for %s", name, next.ID)
			}
		}
	}
}

// A danger stays in sight through two contradictions: they may have been misread. What
// cannot be told is not asked again, and what is none is refused.
func TestADangerStaysInSightThroughTwoMisreadings(t *testing.T) {
	p := newPlot(t)
	seen := map[string]string{"leaf-build": "twice-feather", "stem-fill": "hollow", "flower-group": "umbel", "smell": "aniseed"}
	v, err := p.Identity.WhatIsThis(t.Context(), seen, []string{"stem-mark"})
	check(t, err)
	at := slices.IndexFunc(v.Dangers, func(c identity.CandidateView) bool { return c.ID == "hemlock" })
	if at < 0 || !slices.Contains(v.Dangers[at].Against, "smell when crushed") {
		t.Errorf("hemlock that seems to smell of aniseed is out of sight: %+v", v.Dangers)
	}
	if slices.ContainsFunc(v.Next, func(c view.CharacterView) bool { return c.ID == "stem-mark" }) {
		t.Error("what cannot be told is asked again")
	}
	seen["stem-surface"] = "downy"
	v, err = p.Identity.WhatIsThis(t.Context(), seen, nil)
	check(t, err)
	inSight := func() bool {
		return slices.ContainsFunc(v.Dangers, func(c identity.CandidateView) bool { return c.ID == "hemlock" })
	}
	if !inSight() {
		t.Error("two contradictions hide hemlock")
	}
	seen["fruit-length"] = "middling"
	v, err = p.Identity.WhatIsThis(t.Context(), seen, nil)
	check(t, err)
	if inSight() {
		t.Error("three contradictions leave hemlock in sight")
	}
	before := p.entries()
	_, err = p.Identity.WhatIsThis(t.Context(), map[string]string{"aura": "bright"}, nil)
	p.refused(err, "seen", "no character", before)
	_, err = p.Identity.WhatIsThis(t.Context(), map[string]string{"smell": "bright"}, nil)
	p.refused(err, "seen", "no state of", before)
}

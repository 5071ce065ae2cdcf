package library

import (
	"slices"
	"testing"

	"bramblyacre/core/flora"
)

// Whatever a part may be made into is used fresh from the basket, or can be made in the store: nothing that a verdict
// allows is offered nowhere.
func TestEveryPreparationIsUsedFreshOrMadeInTheStore(t *testing.T) {
	lib, _ := allSpecies(t)
	part := flora.Part{Verdicts: []flora.Verdict{flora.EatenRaw, flora.Preparation}}
	may := part.Preparations()
	if len(may) != len(flora.PreparationWords) {
		t.Fatalf("a part of all uses may be made into %v", may)
	}
	fresh := part.UsedFresh()
	for _, made := range may {
		inStore := false
		for _, making := range lib.Keeping().Makings {
			if flora.PreparationOf(making.Word) == made {
				inStore = true
			}
		}
		if !inStore && !slices.Contains(fresh, made) {
			t.Errorf("%s is neither used fresh nor made in the store", made)
		}
	}
	for _, kept := range []string{"tincture", "vinegar", "honey", "salve"} {
		if slices.Contains(fresh, kept) {
			t.Errorf("%s is used from the basket: it would be in no jar", kept)
		}
	}
	if fresh := (flora.Part{Verdicts: []flora.Verdict{flora.OutsideOnly}}).UsedFresh(); !slices.Equal(fresh, []string{"bath"}) {
		t.Errorf("a part for outside only is used fresh as %v", fresh)
	}
}

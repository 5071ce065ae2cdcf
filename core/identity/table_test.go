package identity

import (
	"slices"
	"testing"

	"bramblyacre/core/flora"
)

// The tables behind the second check know every kind of part and no character that is
// not in the vocabulary.
func TestTheTablesAtTheTableAreWhole(t *testing.T) {
	for kind, ids := range tableCharacters {
		if !slices.Contains(flora.PartKinds, kind) {
			t.Errorf("%q is no kind of part", kind)
		}
		for _, id := range ids {
			character, has := CharacterOf(id)
			if !has || character.Hint {
				t.Errorf("%s: %q cannot be asked at the table", kind, id)
			}
		}
	}
	for _, kind := range flora.PartKinds {
		if other, has := tableKind[kind]; has {
			kind = other
		}
		if len(tableCharacters[kind]) == 0 {
			t.Errorf("nothing is asked of a %s at the table", kind)
		}
	}
}

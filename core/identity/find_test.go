package identity

import (
	"math"
	"testing"

	"bramblyacre/core/flora"
)

func TestCandidatesNarrowAndADangerousOneStaysForTwoMisreadings(t *testing.T) {
	all := NewCatalogue([]*flora.Species{herb(), twin()})
	// The twin shows no mint, and nothing entered speaks for it.
	if found := all.Find(map[string]string{"smell": "mint"}); len(found) != 1 || found[0].Species.ID != "herb" || len(found[0].Agrees) != 1 {
		t.Errorf("mint leaves %+v", found)
	}
	found := all.Find(map[string]string{"smell": "mint", "leaf-order": "opposite"})
	if len(found) != 2 || found[1].Species.ID != "twin" {
		t.Errorf("one contradiction leaves %d candidates", len(found))
	}
	seen := map[string]string{"smell": "mint", "leaf-order": "opposite", "sap": "clear"}
	if found := all.Find(seen); len(found) != 2 || found[1].Species.ID != "twin" {
		t.Errorf("two contradictions leave %d candidates", len(found))
	}
	seen["fruit"] = "capsule"
	if found := all.Find(seen); len(found) != 1 || found[0].Species.ID != "herb" {
		t.Errorf("three contradictions leave %d candidates", len(found))
	}
	if found := all.Find(map[string]string{"smell": "garlic"}); len(found) != 0 {
		t.Errorf("garlic leaves %d candidates", len(found))
	}
}

// Two plants of weights 1 and 8: a character that parts them tells their whole
// entropy, H(1/9) = 0.5033 bits by Shannon's formula; one in which a plant can be
// either tells less; one that both show tells nothing and is left out.
func TestTheNextQuestionTellsMost(t *testing.T) {
	all := NewCatalogue([]*flora.Species{herb(), twin()})
	candidates := all.Find(nil)
	worths := all.Next(candidates, nil, func(Character) bool { return true })
	want := -(1.0/9)*math.Log2(1.0/9) - (8.0/9)*math.Log2(8.0/9)
	bits := map[string]float64{}
	for _, w := range worths {
		bits[w.Character.ID] = w.Bits
	}
	if math.Abs(bits["smell"]-want) > 1e-9 || math.Abs(bits["sap"]-want) > 1e-9 {
		t.Errorf("the smell tells %.4f bits, want %.4f", bits["smell"], want)
	}
	if bits["stem-fill"] <= 0 || bits["stem-fill"] >= want {
		t.Errorf("the stem tells %.4f bits", bits["stem-fill"])
	}
	if _, has := bits["leaf-order"]; has {
		t.Error("a character that both share is asked for")
	}
	if worths[0].Bits < worths[len(worths)-1].Bits {
		t.Error("the best does not come first")
	}
	if all.Next(candidates[:1], nil, func(Character) bool { return true }) != nil {
		t.Error("one candidate still asks")
	}
}

// Where it stands speaks for a plant and never against one: a planted one stands where
// it was put. So it is not asked for either, and a dangerous plant is not lost by it.
func TestAHintRulesNothingOut(t *testing.T) {
	here, there := herb(), twin()
	here.Identity.Shows["habitat"], there.Identity.Shows["habitat"] = flora.States{"wood"}, flora.States{"meadow"}
	all := NewCatalogue([]*flora.Species{here, there})
	found := all.Find(map[string]string{"habitat": "wood"})
	if len(found) != 2 || found[0].Species.ID != here.ID || len(found[0].Agrees) != 1 || len(found[1].Against) != 0 {
		t.Errorf("in the wood it can be %+v", found)
	}
	for _, worth := range all.Next(found, nil, func(Character) bool { return true }) {
		if worth.Character.Hint {
			t.Errorf("%s is asked for, and decides nothing", worth.Character.ID)
		}
	}
}

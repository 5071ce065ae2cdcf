package unit

import (
	"math"
	"testing"
)

// FuzzParse makes sure that no text that a grower could type, by hand or by
// accident, ends in a panic or in a number that is none.
func FuzzParse(f *testing.F) {
	for _, seed := range []string{"18 in", "5'4\"", "2 lb 3 oz", "1,2 kg", "-40 °f", "3m2", "½ cup", "", "1e9 m", "٣ cm", ".", "+", "9\u00a0cm"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		for kind := range kindNames {
			value, err := Parse(kind, text, "m")
			if err == nil && (math.IsNaN(value) || math.IsInf(value, 0)) {
				t.Errorf("Parse(%s, %q) = %v", kind, text, value)
			}
		}
	})
}

package library

import (
	"fmt"
	"strings"
	"testing"
)

// nestedSheet is a sheet that lies so deep.
func nestedSheet(depth int) map[string]any {
	sheet := map[string]any{}
	for at := sheet; depth > 0; depth-- {
		next := map[string]any{}
		at["a"] = next
		at = next
	}
	return sheet
}

// A sheet or a file that no plant has is refused before it is worked on, and what the
// plants of the library need is far from the limits.
func TestASheetThatNoPlantHasIsRefusedAtOnce(t *testing.T) {
	l, all := allSpecies(t)
	wide := map[string]any{}
	for i := range mostFields + 1 {
		wide[fmt.Sprint("a", i)] = "b"
	}
	for name, sheet := range map[string]map[string]any{"deep": nestedSheet(9000), "just too deep": nestedSheet(deepest + 1), "wide": wide} {
		if _, err := WriteSheet(sheet); err == nil {
			t.Errorf("%s: it is written", name)
		}
		if _, _, problems := l.CheckSheet(sheet); len(problems) != 1 || !strings.Contains(problems[0].What, "field") {
			t.Errorf("%s: %v", name, problems)
		}
	}
	for name, text := range map[string]string{
		"dotted keys":   strings.Repeat("a.", 50_000) + "a = 1",
		"lists":         "a = " + strings.Repeat("[", 5000) + strings.Repeat("]", 5000),
		"inline tables": "a = " + strings.Repeat("{a=", 5000) + "1" + strings.Repeat("}", 5000),
		"spaced keys":   strings.Repeat("a . ", 50_000) + "a = 1",
		"quoted keys":   strings.Repeat(`"a".`, 40_000) + "a = 1",
		"many tables":   strings.Repeat("[[a]]\n", 30_000),
		"a deep table":  "[" + strings.Repeat("a.", 50_000) + "a]\nb=1",
	} {
		if _, err := ReadSheet("plant", []byte(text)); err == nil {
			t.Errorf("%s are read", name)
		}
		if _, err := l.CheckOwn("plant", []byte(text)); err == nil {
			t.Errorf("%s are a plant", name)
		}
	}
	// A number that is too large for a whole one stays what it is.
	if text, err := WriteSheet(map[string]any{"a": 1e300, "b": 3.0}); err != nil || !strings.HasPrefix(string(text), "a = 1000000") || !strings.Contains(string(text), "b = 3\n") {
		t.Errorf("it is written %q, %v", text, err)
	}
	for _, s := range all {
		text, _ := l.Text(s.ID)
		if _, err := ReadSheet(s.ID, text); err != nil {
			t.Error(err)
		}
	}
}

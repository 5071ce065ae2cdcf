package suitability

import "testing"

func TestUnsafeGround(t *testing.T) {
	for _, row := range UnsafeKinds() {
		kind, err := Parse(string(row.Kind))
		if err != nil || kind != row.Kind || kind.Why() == "" {
			t.Errorf("%q is read as %q, %v, because %q", row.Kind, kind, err, kind.Why())
		}
	}
	if kind, err := Parse(""); err != nil || kind != "" || kind.Why() != "" {
		t.Errorf("safe ground is read as %q, %v", kind, err)
	}
	if _, err := Parse("muddy"); err == nil {
		t.Error("an unknown kind was accepted")
	}
}

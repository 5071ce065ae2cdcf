package identity

import (
	"testing"

	"bramblyacre/core/flora"
)

func TestOwedChecksComeMostDangerousFirstAndNoneForASurePlant(t *testing.T) {
	species := &flora.Species{LookAlikes: []flora.LookAlike{
		{Name: "a", Danger: "harmless"}, {Name: "b", Danger: "deadly"}, {Name: "c", Danger: "poisonous"}, {Name: "d", Danger: "deadly"},
	}}
	names := ""
	for _, check := range Owed(species, Unproven) {
		names += check.LookAlike
	}
	if names != "bdca" {
		t.Errorf("the checks come in the order %q", names)
	}
	if owed := Owed(species, Sure); len(owed) != 0 {
		t.Errorf("a sure plant owes %v", owed)
	}
	if _, err := Parse("probably"); err == nil {
		t.Error("a third state was accepted")
	}
}

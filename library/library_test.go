package library

import "testing"

func TestShippedLibraryLoads(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	if len(l.AllSpecies()) < 8 || len(l.Climates()) < 3 {
		t.Errorf("%d species and %d climates ship", len(l.AllSpecies()), len(l.Climates()))
	}
}

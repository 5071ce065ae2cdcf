package library

import (
	"io/fs"
	"strings"
	"testing"
	"testing/fstest"

	"bramblyacre/core/flora"
)

// What is of no one species ships whole, with a standing of every figure.
func TestTheBenchsLoreShips(t *testing.T) {
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	lore := l.Bench()
	if lore.Seed.New.Value <= 0 || lore.Raising.SteadyDays.Value <= 0 || len(lore.Mixes) < 3 {
		t.Errorf("%+v", lore)
	}
	if lore.Seed.Kitchen.Value >= lore.Seed.Cool.Value || lore.Seed.Cool.Value >= lore.Seed.Cold.Value {
		t.Error("seed lives no longer where it is kept better")
	}
	if lore.Rest.ColdHigh.Standing != flora.Published || lore.Rest.ColdHigh.Source == "" {
		t.Errorf("the cold that counts rests on %s", lore.Rest.ColdHigh.Standing)
	}
	if south := l.InTheSouth(); south.Bench().Seed.New != lore.Seed.New {
		t.Error("the south has no bench")
	}
}

// A file that lacks a figure, has one out of its range, or names a work that is on no list, is refused
// by its key.
func TestBenchFilesThatCannotBeReliedOn(t *testing.T) {
	whole, err := fs.ReadFile(Files(), benchFile)
	if err != nil {
		t.Fatal(err)
	}
	works, err := fs.ReadFile(Files(), "works/works.toml")
	if err != nil {
		t.Fatal(err)
	}
	for name, test := range map[string]struct{ old, new, says string }{
		"a figure left out":   {"grows_on = ", "grows_in = ", "grows_in"},
		"out of its range":    {"settles = { value = 0.9,", "settles = { value = 0.2,", "Settles"},
		"an unknown work":     {`source = "baskin"`, `source = "nobody"`, "nobody"},
		"a part for nothing":  {`for = "food"`, `for = ""`, "what it is for"},
		"a figure of no unit": {`harden_days = { value = 10, low = 7, high = 14, unit = "days"`, `harden_days = { value = 10, low = 7, high = 14, unit = ""`, "HardenDays"},
	} {
		text := strings.Replace(string(whole), test.old, test.new, 1)
		if text == string(whole) {
			t.Errorf("%s: %q is not in the file", name, test.old)
		}
		_, err := Read(fstest.MapFS{benchFile: {Data: []byte(text)}, "works/works.toml": {Data: works}})
		if err == nil || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

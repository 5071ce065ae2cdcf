package store

import "testing"

func TestNamesAreFoundByWhatTheyShare(t *testing.T) {
	index, err := NewNameIndex(t.Context(), []Named{
		{"hop", "Hop", "hop"}, {"hop", "Hopfen", "hopfen"}, {"sage", "Common sage", "common sage"}, {"odd", `100 % "odd"_name`, `100 % "odd"_name`},
	})
	if err != nil {
		t.Fatal(err)
	}
	defer func() {
		if err := index.Close(); err != nil {
			t.Error(err)
		}
	}()
	for text, want := range map[string]string{
		"hopfenn": "Hopfen", "comon": "Common sage", "sa": "Common sage", "ho": "Hop", `"odd"`: `100 % "odd"_name`, "%": `100 % "odd"_name`, "_": "", `" OR "`: "", "": "", "xyz": "",
	} {
		found, err := index.Near(t.Context(), text, 1)
		if err != nil {
			t.Errorf("%q: %v", text, err)
			continue
		}
		got := ""
		if len(found) > 0 {
			got = found[0].Shown
		}
		if got != want && text != "" {
			t.Errorf("%q finds %q, want %q", text, got, want)
		}
	}
	if all, err := index.All(t.Context()); err != nil || len(all) != 4 {
		t.Errorf("%d names in all, %v", len(all), err)
	}
}

package flora

import (
	"strings"
	"testing"
)

func TestAFigureIsReadFromItsLineAndWrittenBack(t *testing.T) {
	for text, want := range map[string]Figure{
		"110 (80 to 150) cm usual":                   {110, 80, 150, "cm", Usual, "", ""},
		"-30 (-38 to -25) °C guess; in dry ground":   {-30, -38, -25, "°C", Guess, "", "in dry ground"},
		"2 year of life published: A Flora, part 2":  {2, 2, 2, "year of life", Published, "A Flora, part 2", ""},
		"0.33 (0.25 to 0.4) share usual":             {0.33, 0.25, 0.4, "share", Usual, "", ""},
		"7 (5 to 9) flower heads guess; it: depends": {7, 5, 9, "flower heads", Guess, "", "it: depends"},
	} {
		var f Figure
		if err := f.UnmarshalText([]byte(text)); err != nil || f != want {
			t.Errorf("%q is read as %+v, %v", text, f, err)
		}
		if back, err := f.MarshalText(); err != nil || string(back) != text {
			t.Errorf("%q is written back as %q, %v", text, back, err)
		}
	}
}

func TestRangesAreReadFromTheirLines(t *testing.T) {
	var r Range
	if err := r.UnmarshalText([]byte("2 to 7 (0 to 12) h usual")); err != nil || r != (Range{0, 2, 7, 12, "h", Usual, "", ""}) {
		t.Errorf("read as %+v, %v", r, err)
	}
	var w WordRange
	if err := w.UnmarshalText([]byte("fresh to moist (dry to wet) usual")); err != nil || w != (WordRange{"dry", "fresh", "moist", "wet", Usual, "", ""}) {
		t.Errorf("read as %+v, %v", w, err)
	}
	if back, _ := w.MarshalText(); string(back) != "fresh to moist (dry to wet) usual" {
		t.Errorf("written back as %q", back)
	}
	if err := w.UnmarshalText([]byte("half-sheltered guess")); err != nil || w != (WordRange{"half-sheltered", "half-sheltered", "half-sheltered", "half-sheltered", Guess, "", ""}) {
		t.Errorf("a single word is read as %+v, %v", w, err)
	}
}

func TestALineThatIsNoFigureSaysHowToWriteOne(t *testing.T) {
	for text, want := range map[string]string{
		"": "no standing", "110": "no standing", "110 cm hearsay": "hearsay", "tall cm usual": "write it as", "110 (80-150) cm usual": "", "110 (80 to) usual": "",
	} {
		var f Figure
		err := f.UnmarshalText([]byte(text))
		if want == "" {
			// A unit may be any words, so the check of the unit refuses these.
			if err == nil {
				err = f.check("cm")
			}
			want = "unit"
		}
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%q gives %v, want %q", text, err, want)
		}
	}
	var r Range
	if err := r.UnmarshalText([]byte("2 h usual")); err == nil {
		t.Error("half a range was accepted")
	}
	var w WordRange
	if err := w.UnmarshalText([]byte("2 to 3 usual")); err == nil {
		t.Error("numbers were accepted as words")
	}
}

package flora

import (
	"math"
	"testing"
)

// FuzzFigureText makes sure that no line ends in a panic, that what is read as a figure or
// a range and passes its check is made of numbers, and that it is written as what it was.
func FuzzFigureText(f *testing.F) {
	for _, seed := range []string{"110 (80 to 150) cm usual", "2 to 7 (0 to 12) h published: A Flora, 1990; in shade", "nan cm usual", "-0 (-9 to 9) °C guess", "1e9 cm usual", "", " usual", "fresh to moist (dry to wet) usual"} {
		f.Add(seed)
	}
	finiteAll := func(t *testing.T, text string, numbers ...float64) {
		for _, n := range numbers {
			if math.IsNaN(n) || math.IsInf(n, 0) {
				t.Errorf("%q passes with %v", text, n)
			}
		}
	}
	f.Fuzz(func(t *testing.T, text string) {
		var figure, again Figure
		if figure.UnmarshalText([]byte(text)) == nil && figure.check(figure.Unit) == nil {
			finiteAll(t, text, figure.Value, figure.Low, figure.High)
			line, err := figure.MarshalText()
			if err != nil || again.UnmarshalText(line) != nil || again != figure {
				t.Errorf("%q is written %q and read as %+v, not %+v", text, line, again, figure)
			}
		}
		var span, spanAgain Range
		if span.UnmarshalText([]byte(text)) == nil && span.check(span.Unit) == nil {
			finiteAll(t, text, span.Low, span.From, span.To, span.High)
			line, err := span.MarshalText()
			if err != nil || spanAgain.UnmarshalText(line) != nil || spanAgain != span {
				t.Errorf("%q is written %q and read as %+v, not %+v", text, line, spanAgain, span)
			}
		}
		var words WordRange
		_ = words.UnmarshalText([]byte(text)) // it may be refused, and must not fail
	})
}

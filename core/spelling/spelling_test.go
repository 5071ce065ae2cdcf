package spelling

import (
	"math/rand/v2"
	"testing"
)

func TestDistance(t *testing.T) {
	for _, test := range []struct {
		a, b string
		want int
	}{
		{"", "", 0}, {"sage", "sage", 0}, {"", "hop", 3}, {"sorrel", "sorel", 1}, {"sorrel", "sorrell", 1}, {"valerian", "valarian", 1},
		{"burdock", "budrock", 1}, {"kitten", "sitting", 3}, {"ab", "ba", 1}, {"käse", "kase", 1},
	} {
		if got := Distance(test.a, test.b); got != test.want {
			t.Errorf("%q and %q lie %d apart, want %d", test.a, test.b, got, test.want)
		}
	}
}

// The distance is the same both ways, 0 only for the same, and never more than the
// longer text.
func TestDistanceIsADistance(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 3))
	word := func() string {
		letters := make([]byte, rng.IntN(8))
		for i := range letters {
			letters[i] = 'a' + byte(rng.IntN(3))
		}
		return string(letters)
	}
	for range 2000 {
		a, b := word(), word()
		there, back := Distance(a, b), Distance(b, a)
		if there != back || (there == 0) != (a == b) || there > max(len(a), len(b)) {
			t.Fatalf("%q and %q lie %d and %d apart", a, b, there, back)
		}
	}
}

func TestLikeness(t *testing.T) {
	for _, test := range []struct {
		written, nearer, farther string
	}{
		{"valarian", "valerian", "red valerian"}, {"medowsweat", "meadowsweet", "sweet cicely"}, {"sorel", "garden sorrel", "sage"},
		{"comon sage", "common sage", "common hop"}, {"lov", "lovage", "clove"}, {"hopp", "hop", "common sage"},
	} {
		near, far := Likeness(test.written, test.nearer), Likeness(test.written, test.farther)
		if near <= far || near == 0 {
			t.Errorf("%q is like %q by %v, like %q by %v", test.written, test.nearer, near, test.farther, far)
		}
	}
	for _, none := range [][2]string{{"", "hop"}, {"   ", "hop"}, {"xyz", "hop"}, {"hop", ""}, {"hop garden wall", "hop"}} {
		if got := Likeness(none[0], none[1]); got != 0 {
			t.Errorf("%q is like %q by %v", none[0], none[1], got)
		}
	}
}

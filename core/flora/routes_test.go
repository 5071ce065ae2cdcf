package flora

import (
	"slices"
	"testing"
)

// Whatever may be made reaches someone, by a way that cautions know.
func TestEveryPreparationReachesSomeoneByAKnownWay(t *testing.T) {
	for _, made := range PreparationWords {
		if len(RoutesOf[made]) == 0 {
			t.Errorf("a %s reaches nobody", made)
		}
		for _, route := range RoutesOf[made] {
			if !slices.Contains(CautionRoutes, route) {
				t.Errorf("a %s reaches by %q", made, route)
			}
		}
	}
}

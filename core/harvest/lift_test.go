package harvest_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/core/harvest"
)

// row are plants in a row, so far apart, of so many years of life.
func row(apart float64, years ...int) (plants []harvest.RootPlant) {
	for i, year := range years {
		plants = append(plants, harvest.RootPlant{At: geometry.Point{X: apart * float64(i)}, Year: year})
	}
	return plants
}

func TestTheOldAndTheCrowdedAreLiftedFirstAndNoTwoNeighbours(t *testing.T) {
	plants := row(0.4, 3, 5, 5, 2, 4, 3)
	// 1 and 2 are the oldest and stand side by side; of 2's neighbours two are at 0.4 m and two at 0.8 m (0.6 + 0.6 + 0.2 +
	// 0.2), of 1's two and one, so 2 is lifted. Then 4, the next old, and 0; 1, 3 and 5 stand beside those or are too young.
	if got := harvest.ChooseRoots(plants, 6, 3, 0.5); !slices.Equal(got, []int{2, 4, 0}) {
		t.Errorf("lifted are %v, want 2, 4 and 0", got)
	}
	plants[2].Holds = true // it holds the bank
	plants[4].Resting = true
	if got := harvest.ChooseRoots(plants, 6, 3, 0.5); !slices.Equal(got, []int{1, 5}) {
		t.Errorf("lifted are %v, want 1 and 5", got)
	}
	crowded := row(1, 4, 4, 4)
	crowded = append(crowded, harvest.RootPlant{At: geometry.Point{X: 2.2}, Year: 4})
	if got := harvest.ChooseRoots(crowded, 1, 3, 0.5); !slices.Equal(got, []int{2}) && !slices.Equal(got, []int{3}) {
		t.Errorf("of three free plants and two that crowd each other %v is lifted", got)
	}
}

// Against all sets there are: none that keeps the rules begins better, in the order of age, than the one chosen.
func TestNoSetThatKeepsTheRulesIsOlder(t *testing.T) {
	luck := rand.New(rand.NewPCG(7, 7))
	for range 300 {
		var plants []harvest.RootPlant
		for range 3 + luck.IntN(7) {
			plants = append(plants, harvest.RootPlant{
				At:   geometry.Point{X: 2 * luck.Float64(), Y: 2 * luck.Float64()},
				Year: 1 + luck.IntN(6), Holds: luck.IntN(6) == 0, Resting: luck.IntN(8) == 0,
			})
		}
		take := 1 + luck.IntN(4)
		chosen := harvest.ChooseRoots(plants, take, 3, 0.6)
		keeps := func(set []int) bool {
			for a, i := range set {
				if plants[i].Year < 3 || plants[i].Holds || plants[i].Resting {
					return false
				}
				for _, j := range set[:a] {
					if plants[i].At.Distance(plants[j].At) < 0.6 {
						return false
					}
				}
			}
			return len(set) <= take
		}
		if !keeps(chosen) {
			t.Fatalf("%v of %+v breaks a rule", chosen, plants)
		}
		ages := func(set []int) (years []int) {
			for _, i := range set {
				years = append(years, plants[i].Year)
			}
			slices.SortFunc(years, func(a, b int) int { return b - a })
			return years
		}
		oldest := func(years []int) int { return slices.Max(append(years, 0)) }
		for bits := range 1 << len(plants) {
			var set []int
			for i := range plants {
				if bits>>i&1 == 1 {
					set = append(set, i)
				}
			}
			if !keeps(set) {
				continue
			}
			if oldest(ages(set)) > oldest(ages(chosen)) {
				t.Fatalf("%v has older plants than %v of %+v", set, chosen, plants)
			}
			if isMore(set, chosen) && len(chosen) < take {
				t.Fatalf("%v takes all of %v and more", set, chosen)
			}
		}
	}
}

// isMore tells whether a set holds all of another and more.
func isMore(set, other []int) bool {
	for _, i := range other {
		if !slices.Contains(set, i) {
			return false
		}
	}
	return len(set) > len(other)
}

// Six plants far apart, two a year, of age from the third year: by count every plant comes up once in three years, for
// ever; broken parts of which rest a year come round alike; without crowns back the stand is gone after three.
func TestARotationGoesThroughTheWholeStand(t *testing.T) {
	plants := row(2, 6, 5, 5, 4, 4, 3)
	crowns := harvest.Rotation{Take: 2, Years: 12, FirstYear: 3, Apart: 0.5, Back: true, BackAt: 1}
	counts := make([]int, len(plants))
	for year, lifted := range crowns.Of(plants) {
		if len(lifted) != 2 {
			t.Fatalf("in year %d %v are lifted, want two", year, lifted)
		}
		for _, i := range lifted {
			counts[i]++
		}
	}
	for i, count := range counts {
		if count != 4 {
			t.Errorf("plant %d is lifted %d times in 12 years, want 4", i, count)
		}
	}
	parts := harvest.Rotation{Take: 3, Years: 4, FirstYear: 3, Apart: 0.5, Back: true, BackAt: 3, Rests: 1}
	years := parts.Of(plants)
	for year := 1; year < len(years); year++ {
		for _, i := range years[year] {
			if slices.Contains(years[year-1], i) {
				t.Errorf("plant %d is broken in year %d again, without a year of rest", i, year)
			}
		}
	}
	gone := harvest.Rotation{Take: 2, Years: 5, FirstYear: 3, Apart: 0.5}.Of(plants)
	if len(gone[2]) != 2 || len(gone[3]) != 0 || len(gone[4]) != 0 {
		t.Errorf("without crowns put back %v are lifted, want two for three years and then none", gone)
	}
}

// Of plants that all live, of age at once, without young ones: a third each year of 27, rounded down, leaves 18, 12, 8,
// 6; put back all the while 27 stand.
func TestWhatBecomesOfAStandByCount(t *testing.T) {
	stand := harvest.RootStand{Ages: []float64{27}, FirstYear: 1, Survival: 1}
	f, err := stand.FutureOf(1.0/3, 4, 1)
	if err != nil || !slices.Equal(f.Middle, []float64{27, 18, 12, 8, 6}) || !slices.Equal(f.Low, f.High) || f.Keeps != 0 {
		t.Errorf("a third each year leaves %+v (%v)", f, err)
	}
	if round := int(f.Lifted + 0.5); round != 21 {
		t.Errorf("%v were lifted, want 21", f.Lifted)
	}
	stand.Replanted = 1
	if f, _ := stand.FutureOf(1, 4, 1); f.Middle[4] != 27 || f.Keeps < 0.999 {
		t.Errorf("with all put back %+v stand", f)
	}
	if _, err := stand.FutureOf(1.5, 4, 1); err == nil {
		t.Error("more than all is taken")
	}
}

// A plant of which a part was broken off is of age again sooner than a crown that begins anew, so no less is taken.
func TestBrokenPartsBearNoLessThanCrowns(t *testing.T) {
	crowns := harvest.RootStand{Ages: []float64{4, 4, 22}, FirstYear: 3, Survival: 0.95, Offspring: 0.05, Replanted: 0.9}
	parts := crowns
	parts.BackAt = 3
	fewer, err := crowns.SteadyTake(20, 0.95, 1)
	if err != nil {
		t.Fatal(err)
	}
	if more, err := parts.SteadyTake(20, 0.95, 1); err != nil || more < fewer {
		t.Errorf("broken parts bear %d a year (%v), crowns %d", more, err, fewer)
	}
	parts.BackAt = 4
	if parts.Check() == nil {
		t.Error("what goes back is older than of age")
	}
}

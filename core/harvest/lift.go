package harvest

import (
	"cmp"
	"math"
	"slices"

	"bramblyacre/core/geometry"
)

// RootPlant is one plant of a stand whose roots are lifted.
type RootPlant struct {
	At geometry.Point
	// Year is its year of life.
	Year int
	// Holds is true where it holds a bank, Resting where it is left alone after it was set or lifted.
	Holds, Resting bool
}

// Crowding returns how crowded each plant is: the sum over its neighbours within twice a distance of how near they are,
// from 1 for one in the same place to 0 for one at the end of that reach. The distance is in the unit of the places.
func Crowding(plants []RootPlant, apart float64) []float64 {
	crowding := make([]float64, len(plants))
	for i, p := range plants {
		for j, q := range plants {
			if i != j && apart > 0 {
				crowding[i] += math.Max(0, 1-p.At.Distance(q.At)/(2*apart))
			}
		}
	}
	return crowding
}

// ChooseRoots returns which plants of a stand to lift, by their index, the first to lift first: the oldest, and of one
// age the most crowded; none younger than firstYear, none that holds a bank or rests, and no two nearer to each other
// than apart. They are no more than take, and fewer where no more can be.
func ChooseRoots(plants []RootPlant, take, firstYear int, apart float64) (chosen []int) {
	crowding := Crowding(plants, apart)
	order := make([]int, 0, len(plants))
	for i, p := range plants {
		if p.Year >= firstYear && !p.Holds && !p.Resting {
			order = append(order, i)
		}
	}
	slices.SortStableFunc(order, func(i, j int) int {
		return cmp.Or(cmp.Compare(plants[j].Year, plants[i].Year), cmp.Compare(crowding[j], crowding[i]))
	})
	for _, i := range order {
		if len(chosen) == take {
			break
		}
		beside := func(j int) bool { return plants[i].At.Distance(plants[j].At) < apart-1e-9 }
		if !slices.ContainsFunc(chosen, beside) {
			chosen = append(chosen, i)
		}
	}
	return chosen
}

// Rotation is how roots are lifted over the years.
type Rotation struct {
	Take, Years int
	// FirstYear is the year of life from which a root is lifted, Apart how near to each other no two are lifted in one
	// year.
	FirstYear int
	Apart     float64
	// BackAt is the year of life at which what goes back begins, and Rests for how many years it is left alone; where
	// nothing goes back the plant is gone.
	Back   bool
	BackAt int
	Rests  int
}

// Of returns which plants are lifted in each year from this one on, by their index, were each to live on: the order in
// which a stand is gone through, not how many of it live.
func (r Rotation) Of(plants []RootPlant) (years [][]int) {
	now := slices.Clone(plants)
	gone := make([]bool, len(now))
	rests := make([]int, len(now))
	for range r.Years {
		standing := make([]RootPlant, 0, len(now))
		index := make([]int, 0, len(now))
		for i, p := range now {
			if !gone[i] {
				p.Resting = p.Resting || rests[i] > 0
				standing, index = append(standing, p), append(index, i)
			}
		}
		lifted := []int{}
		for _, k := range ChooseRoots(standing, r.Take, r.FirstYear, r.Apart) {
			lifted = append(lifted, index[k])
		}
		for i := range now {
			now[i].Year++
			now[i].Resting = false // whoever was set settles in its first season
			rests[i] = max(0, rests[i]-1)
		}
		for _, i := range lifted {
			gone[i] = !r.Back
			now[i].Year, rests[i] = max(1, r.BackAt), r.Rests
		}
		years = append(years, lifted)
	}
	return years
}

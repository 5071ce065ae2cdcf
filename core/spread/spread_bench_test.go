package spread_test

import (
	"testing"

	"bramblyacre/core/geometry"
	"bramblyacre/core/spread"
)

// large is a plot of 71 × 57 m with twelve stands: runners of all paces, seeders, and both.
func large(b *testing.B) (*spread.Reckoning, []spread.Stand) {
	b.Helper()
	r := acre(b)
	boundary := geometry.Rectangle(71, 57).Moved(geometry.Point{X: 35.5, Y: 28.5})
	grid, err := spread.GridAround(boundary)
	if err != nil {
		b.Fatal(err)
	}
	var beds []spread.BedGround
	var stands []spread.Stand
	for i := range 12 {
		x, y := 8+float64(i%4)*18, 9+float64(i/4)*19
		home := rectangle(x, y, 6, 2)
		beds = append(beds, spread.BedGround{Name: string(rune('a' + i)), Region: home})
		s := seeder()
		if i%3 != 0 {
			s = runner()
			s.Fronts[0].Rate.Value *= []float64{1, 0.2, 0.6}[i%3]
			s.Fronts[0].Rate.Low *= []float64{1, 0.2, 0.6}[i%3]
			s.Fronts[0].Rate.High *= []float64{1, 0.2, 0.6}[i%3]
		}
		if i%3 == 2 {
			s.Seeding = seeder().Seeding
		}
		s.ID, s.Home, s.Poor, s.Age = int64(i+1), home, make([]bool, 12), 2
		s.Spots = []geometry.Point{{X: x - 1, Y: y}, {X: x, Y: y}, {X: x + 1, Y: y}}
		stands = append(stands, s)
	}
	r.Terrain = spread.NewTerrain(grid, boundary, beds, nil)
	return r, stands
}

// All ten years of twelve stands on 71 × 57 m, with the lines of their maps.
func BenchmarkTenYearsOfTwelveStands(b *testing.B) { benchmarkYears(b, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10) }

// The same up to the first picture: one year.
func BenchmarkFirstPictureOfTwelveStands(b *testing.B) { benchmarkYears(b, 3) }

func benchmarkYears(b *testing.B, years ...int) {
	r, stands := large(b)
	for b.Loop() {
		for _, maps := range spread.Maps(r.PrepareAll(stands), nil, years) {
			if len(maps) != len(years) {
				b.Fatal("a year is missing")
			}
		}
	}
}

// Every way of holding one stand, and the least work.
func BenchmarkHoldOneStand(b *testing.B) {
	r, stands := large(b)
	p := r.Prepare(stands[2])
	for b.Loop() {
		out := p.Outside()
		p.Compare(out, 0, 60, true)
		p.LeastWork(out, 0.05, 0, 60, true, true, false)
	}
}

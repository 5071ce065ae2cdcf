package season

import (
	"context"
	"math"
	"math/rand/v2"
	"testing"
)

// garden is a plot of so many stands over so many days: windows of some weeks, a third of which grow again, two evenings
// and a weekend for the work, and a drier that is too small in the best weeks.
func garden(stands, days int) *Problem {
	luck := rand.New(rand.NewPCG(5, 5))
	p := &Problem{Days: days, TrayArea: 2.5}
	for t := range days {
		p.Minutes = append(p.Minutes, []float64{0, 0, 60, 0, 60, 90, 120}[t%7])
	}
	for range stands * 2 / 3 {
		p.Products = append(p.Products, Product{Need: 80 + 500*luck.Float64(), Weight: 0.5 + luck.Float64(), By: -1})
	}
	for i := range stands {
		s := Stand{
			Products: []int{i % len(p.Products)}, Full: float64(20 + luck.IntN(160)), CutShare: 0.2 + 0.3*luck.Float64(),
			Grams: 1 + 6*luck.Float64(), Area: 0.02 + 0.05*luck.Float64(), DryDays: 3 + luck.IntN(7),
			VisitMinutes: 5, UnitMinutes: 0.5 + luck.Float64(),
		}
		s.Floor = s.Full * 0.4
		if i%3 == 0 {
			grown, over := 0.0, 25+30*luck.Float64()
			for range days {
				s.Grown = append(s.Grown, grown)
				grown += 1 / over
			}
		}
		middle, wide := float64(days)*luck.Float64(), 6+20*luck.Float64()
		for t := range days {
			q := math.Exp(-math.Pow((float64(t)-middle)/wide, 2)) * (0.6 + 0.4*luck.Float64())
			if q < 0.05 {
				q = 0
			}
			s.Quality = append(s.Quality, q)
		}
		p.Stands = append(p.Stands, s)
	}
	return p
}

// The aim: within 3 % of the bound in a second.
func BenchmarkPlan40Stands120Days(b *testing.B) {
	p := garden(40, 120)
	var plan Plan
	for b.Loop() {
		plan = Make(context.Background(), p, How{Seed: 1})
	}
	b.ReportMetric(100*plan.Better(), "%open")
	b.ReportMetric(float64(len(plan.Picks)), "pickings")
}

// The aim: 100 ms.
func BenchmarkFirstPlan40Stands120Days(b *testing.B) {
	p := garden(40, 120)
	for b.Loop() {
		w := newWork(p, 1)
		w.first()
	}
}

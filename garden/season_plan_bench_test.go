package garden

import (
	"fmt"
	"slices"
	"testing"
	"time"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/season"
)

// BenchmarkSeasonPlan is a plot of ten years with few and with many plantings, of which everything that can be taken is
// needed: the first answer of the plan, the whole of it with what more would bring, and after it is followed Now and the
// plan again after a look.
func BenchmarkSeasonPlan(b *testing.B) {
	for _, plantings := range []int{few, many} {
		b.Run(fmt.Sprint(plantings), func(b *testing.B) {
			shipped, s, today := tenYears(b, plantings)
			g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
			check(b, err)
			state, err := g.Plot.State(b.Context())
			check(b, err)
			for _, p := range state.Plantings { // what is not proved is not planned
				prove(b, g, p.ID, p.SpeciesID, "2030-06-10")
				prove(b, g, p.ID, p.SpeciesID, "2030-07-10")
			}
			view, err := g.Gather.Gather(b.Context(), plot.NoDay)
			check(b, err)
			for _, need := range view.Needs {
				_, err := g.Gather.SetNeed(b.Context(), say.AsItStands, gather.NeedInput{SpeciesID: need.SpeciesID, Part: need.Part, Amount: "500 g"})
				check(b, err)
			}
			_, err = g.Season.SetMakeDo(b.Context(), say.AsItStands, season.MakeDoInput{
				DrierInput: input.DrierInput{Trays: "5", Tray: "30 x 40 cm", Warmth: "35 °C", MovingAir: true}, Minutes: []string{"", "1 h", "", "", "1 h", "3 h", ""},
			})
			check(b, err)
			took := map[string]time.Duration{}
			stage := func(name string, work func() error) {
				from := time.Now()
				check(b, work())
				took[name] += time.Since(from)
			}
			ask := func() (v season.SeasonPlanView, err error) { return g.Season.Plan(b.Context(), plot.NoDay, 0) }
			whole := func() error {
				for {
					v, err := ask()
					if err != nil || !v.Working && !v.Reckoning {
						return err
					}
				}
			}
			n, stands := 0, 0
			for b.Loop() {
				g.Forget()
				_, err := g.Now.Now(b.Context(), plot.NoDay)
				check(b, err)
				stage("first", func() error {
					v, err := ask()
					stands = len(slices.DeleteFunc(v.Stands, func(s season.PlanStand) bool { return s.Refused != "" }))
					return err
				})
				stage("whole", whole)
				_, err = g.Season.Keep(b.Context(), say.AsItStands, season.KeepPlanInput{On: today.String()})
				check(b, err)
				s, err := g.Plot.State(b.Context())
				check(b, err)
				looked := s.Plantings[n%len(s.Plantings)]
				n++
				_, err = g.Now.NoteObservation(b.Context(), looked.ID, now.ObservationInput{Day: today.String(), Stage: "full leaf", Share: "a few"})
				if len(say.Questions(err)) == 0 {
					check(b, err)
				}
				stage("now", func() error { _, err := g.Now.Now(b.Context(), plot.NoDay); return err })
				stage("again", whole)
				_, err = g.Season.LeavePlan(b.Context(), today.String())
				check(b, err)
			}
			for name, all := range took {
				b.ReportMetric(float64(all.Milliseconds())/float64(n), "ms-"+name)
			}
			b.ReportMetric(float64(stands), "stands")
		})
	}
}

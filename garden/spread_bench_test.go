package garden

import (
	"fmt"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/spread"
)

// BenchmarkSpread is a plot of ten years with few and with many plantings: the map of one year as it is asked first, all
// years after that, the same again after a look at one planting, and the ways of holding one stand.
func BenchmarkSpread(b *testing.B) {
	for _, plantings := range []int{few, many} {
		b.Run(fmt.Sprint(plantings), func(b *testing.B) {
			shipped, s, today := tenYears(b, plantings)
			g, err := Open(b.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: today})
			check(b, err)
			took := map[string]time.Duration{}
			n := 0
			stage := func(name string, work func() error) {
				from := time.Now()
				check(b, work())
				took[name] += time.Since(from)
			}
			for b.Loop() {
				g.Forget()
				_, err := g.Now.Now(b.Context(), plot.NoDay)
				check(b, err)
				var v spread.SpreadView
				stage("first", func() (err error) { v, err = g.Spread.Spread(b.Context(), 3, true); return err })
				stage("all", func() error { _, err := g.Spread.Spread(b.Context(), -1, true); return err })
				if len(v.Stands) == 0 {
					b.Fatal("nothing spreads")
				}
				_, err = g.Now.NoteObservation(b.Context(), v.Stands[0].PlantingID, now.ObservationInput{
					Day: calendar.Must(2031, time.May, 26).String(), Stage: "leafing", Share: "most", Affirmed: nil,
				})
				_ = err // it may be asked back; the plot is another either way
				stage("again", func() error { _, err := g.Spread.Spread(b.Context(), 3, true); return err })
				stage("hold", func() error {
					_, err := g.Spread.Hold(b.Context(), v.Stands[0].PlantingID, spread.HoldAsk{})
					return err
				})
				n++
			}
			for name, of := range took {
				b.ReportMetric(float64(of.Milliseconds())/float64(n), name+"-ms")
			}
			b.ReportMetric(0, "ns/op")
		})
	}
}

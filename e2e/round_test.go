package e2e

import (
	"fmt"
	"testing"

	"bramblyacre/garden/now"
)

// A bed whose plants are as good as certain costs one tap, the others are asked one by one; the order of the walk is set by keys
// and as the shortest, and taken back.
func TestASureBedIsOneTapAndTheWalkIsShortened(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	round, err := p.garden.Now.Round(t.Context())
	check(t, err)
	first, sure := -1, []now.Stop{}
	for i := range round.Stops {
		sure = sure[:0]
		for _, stop := range round.Stops[i:] {
			if stop.Bed != round.Stops[i].Bed || !stop.Sure || stop.SeenToday {
				break
			}
			sure = append(sure, stop)
		}
		if len(sure) > 1 {
			first = i
			break
		}
	}
	if first < 0 {
		t.Fatal("no bed of the sample plot is sure")
	}
	b := open(t, p, 390, 844, "/round")
	b.sees("What do you see?")
	for range first {
		b.click("Skip")
	}
	b.click(fmt.Sprintf("All %d in %s are as expected", len(sure), sure[0].Bed))
	b.sees(fmt.Sprintf("Noted %d of %d as expected", len(sure), len(sure)))
	b.until("the looks to be noted", func() bool {
		round, err := p.garden.Now.Round(t.Context())
		check(t, err)
		seen := 0
		for _, stop := range round.Stops {
			if stop.SeenToday {
				seen++
			}
		}
		return seen == len(sure)
	})
	// The rest is passed by; then it is told what the looks came to.
	b.until("the end of the round", func() bool {
		if b.textOf("main h1") != "The round is done" {
			b.click("Skip")
		}
		return b.textOf("main h1") == "The round is done"
	})
	b.sees("What comes next")
	told, err := p.garden.Now.RoundAfter(t.Context())
	check(t, err)
	b.sees(told.Next[0].What)
	if len(told.Looks)+told.Unchanged != len(sure) {
		t.Errorf("%d looks are told of %d", len(told.Looks)+told.Unchanged, len(sure))
	}
	b.click("Order")
	b.sees("The order of the walk")
	order, err := p.garden.Place.RoundOrder(t.Context())
	check(t, err)
	if order.Saves == "" {
		t.Fatal("the walk of the sample plot is the shortest already")
	}
	b.click(order.Beds[0].Name + " later")
	b.click(order.Beds[0].Name + " earlier")
	b.click("The shortest walk: " + order.ShortestLength)
	b.click("Walk it so")
	b.sees("Changed the order of the round")
	after, err := p.garden.Place.RoundOrder(t.Context())
	check(t, err)
	if after.Saves != "" || after.Length != order.ShortestLength {
		t.Errorf("the walk is %s, the shortest was %s", after.Length, order.ShortestLength)
	}
}

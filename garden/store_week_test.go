package garden

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/larder"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plot"
)

// A basket that spoils by tomorrow is dried on its day, and is not kept for a day of rain that may come too late. A jar
// that was overlooked for years waits its turn: nothing of it is lost this week.
func TestTheWeekDriesABasketOnItsDay(t *testing.T) {
	p := newStocked(t)
	_, err := p.Larder.Buy(t.Context(), larder.BoughtInput{
		SpeciesID: "common-sage", Part: "leaf", From: "the herb stall", Day: "2027-06-01", Amount: "40 g", Keeps: "12",
		Jar: larder.FillInput{Holds: "1 l"},
	})
	check(t, err)
	p.pick(p.yarrow, "flowering top", "100 g", "2031-05-27")
	week := must(p.Now.Week(t.Context(), plot.NoDay))
	inStore := func(jobs []now.WeekJob) (verbs []string) {
		for _, j := range jobs {
			if j.Kind == "store" {
				verbs = append(verbs, j.Verb)
			}
		}
		return verbs
	}
	var dried, looked []string
	for _, day := range week.Days {
		for _, stop := range day.Walk {
			for _, verb := range inStore(stop.Jobs) {
				switch {
				case stop.Bed != "The store":
					t.Errorf("%s is to be done in %s", verb, stop.Bed)
				case strings.HasSuffix(verb, "ry"):
					dried = append(dried, day.Day.String())
				}
			}
		}
	}
	if !slices.Equal(dried, []string{"2031-05-27"}) && !slices.Equal(dried, []string{"2031-05-28"}) {
		t.Errorf("the basket is dried on %v", dried)
	}
	looked = append(inStore(week.Rainy), inStore(week.AnyTime)...)
	if !slices.Equal(looked, []string{"Look at"}) {
		t.Errorf("for a day of rain, or when there is time: %v", looked)
	}
	if lost := inStore(week.FallOff); len(lost) > 0 {
		t.Errorf("lost: %v", lost)
	}
}

// A basket says how much of it lies in the store already: the rest is what there is still to use.
func TestABasketSaysWhatOfItIsInTheStore(t *testing.T) {
	p := newStocked(t)
	picking := p.pick(p.sage, "leaf", "190 g", "2031-05-27")
	p.load(picking, 1, "110 g", "2031-05-27T08:00")
	for _, b := range must(p.Gather.Baskets(t.Context())) {
		if b.PickingID == picking && (b.Left != 80 || !strings.Contains(b.Words, "110 g of it in the store")) {
			t.Errorf("%q, %v g left", b.Words, b.Left)
		}
	}
}

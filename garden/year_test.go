package garden

import (
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
)

// A year is looked back at by what was noted in it alone: its stages by the looks on both sides, its pickings, what
// failed, what was wrong, and the time that each took.
func TestTheYearBehindTellsWhatWasNoted(t *testing.T) {
	p := newPlot(t)
	looks := []struct{ day, stage, share, mark string }{
		{"2030-03-20", "resting", "most", ""}, {"2030-04-02", "shooting", "most", ""}, {"2030-04-20", "full leaf", "a few", "slug holes"},
		{"2030-05-01", "full leaf", "most", "slug holes"}, {"2030-06-01", "in bud", "half", ""},
	}
	for _, look := range looks {
		p.on(look.day, func() {
			var marks []string
			if look.mark != "" {
				marks = append(marks, look.mark)
			}
			_, err := p.seenSo(p.planting, now.ObservationInput{Day: look.day, Stage: look.stage, Share: look.share, Marks: marks})
			check(t, err)
		})
	}
	p.on("2030-05-20", func() {
		_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2030-05-20", Part: "leaf", Amount: "100 g"})
		check(t, err)
	})
	v := must(p.Year.Year(t.Context(), plot.NoDay))
	if v.Name != "2030" || !v.Over || v.Looks != len(looks) || v.Empty {
		t.Fatalf("the year behind is %s with %d looks, over %v", v.Name, v.Looks, v.Over)
	}
	came := map[string]calendar.Date{}
	for _, row := range v.Came {
		came[row.Stage.String()] = row.Day
	}
	// Rests still on 20 March and shoots by 2 April: about 27 March. A few in full leaf on 20 April, most by 1 May.
	if came["shooting"] != calendar.Must(2030, 3, 27) || came["full leaf"] != calendar.Must(2030, 4, 26) {
		t.Errorf("it came %v", came)
	}
	if len(v.Yields) != 1 || !strings.HasPrefix(v.Yields[0].Taken, "100 g in 1 picking") || v.Yields[0].Before != "nothing" {
		t.Errorf("taken: %+v", v.Yields)
	}
	if len(v.Trouble) != 1 || v.Trouble[0].Mark != "slug holes" || strings.Count(v.Trouble[0].Words, "garden sorrel") != 1 {
		t.Errorf("trouble: %+v", v.Trouble)
	}
	// Five looks of two minutes, and a picking by what its leaves take.
	s, err := p.Plot.State(t.Context())
	check(t, err)
	leaf, _ := s.ByID[p.planting].Species.Part("leaf")
	want := 10 + max(2, s.ByID[p.planting].Pickings[0].Units*leaf.Harvest.MinutesEach.Value)
	if got := v.Hours.Beds[0].Minutes; got < want-0.01 || got > want+0.01 {
		t.Errorf("the work is %.2f min, want %.2f", got, want)
	}
	// Of this year nothing of that is told, and of the first nothing at all.
	if now := must(p.Year.Year(t.Context(), s.Today)); now.Over || now.Looks != 0 || len(now.Yields) != 0 {
		t.Errorf("of this year it tells %d looks, %+v", now.Looks, now.Yields)
	}
	if first := must(p.Year.Year(t.Context(), calendar.Must(2029, 7, 1))); !first.Empty {
		t.Errorf("of 2029 it tells %+v", first)
	}
	_, err = p.Place.NoteFate(t.Context(), p.planting, place.FateInput{Outcome: "failed", Cause: "eaten", Gone: true})
	check(t, err)
	if lost := must(p.Year.Year(t.Context(), s.Today)); len(lost.Fates) != 1 || !lost.Fates[0].Failed || !strings.Contains(lost.Fates[0].Words, "eaten") {
		t.Errorf("lost: %+v", lost.Fates)
	}
}

// The forecasts are scored as they stood at the year's start: a year seen a month late on every stage is told so.
func TestForecastsOfTheYearBehindAreScored(t *testing.T) {
	score := func(lateDays int) (within, of, late int) {
		p := newPlot(t)
		s, _, err := p.Plot.StateOn(t.Context(), calendar.Must(2030, 6, 1))
		check(t, err)
		told, _, err := s.AtStart(s.ByID[p.planting])
		check(t, err)
		for k := 1; k < len(told.Stages); k++ {
			d := told.Dates(k)
			if !d.Holds(0.9) || told.Stages[k].String() == "resting" || told.Stages[k].String() == "dying back" {
				continue
			}
			for _, on := range []calendar.Date{d.P50.AddDays(lateDays - 2), d.P50.AddDays(lateDays + 2)} {
				stage := told.Stages[k-1]
				if on > d.P50.AddDays(lateDays) {
					stage = told.Stages[k]
				}
				p.on(on.String(), func() {
					_, err := p.seenSo(p.planting, now.ObservationInput{Day: on.String(), Stage: stage.String(), Share: "most"})
					check(t, err)
				})
			}
		}
		v := must(p.Year.Year(t.Context(), calendar.Must(2030, 6, 1)))
		for _, row := range v.Came {
			if !row.Held {
				late++
			}
		}
		return v.Score.Within, v.Score.Of, late
	}
	if within, of, late := score(0); of < 4 || within != of || late != 0 {
		t.Errorf("all on their day, %d of %d are within, %d not held", within, of, late)
	}
	if within, of, late := score(45); of < 4 || within > of/3 || late != of-within {
		t.Errorf("six weeks late, %d of %d are within, %d not held", within, of, late)
	}
}

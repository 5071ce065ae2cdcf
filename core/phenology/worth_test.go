package phenology

import (
	"math"
	"testing"

	"bramblyacre/core/calendar"
)

// A look is worth most where two stages are as likely, and nothing where it is sure what it will show; what is expected of it is
// about what looks bring: each stage is looked at as often as it is likely, learned from, and forecast anew.
func TestTheWorthOfALookIsWhatLooksBring(t *testing.T) {
	from, truth := year(t, 4)
	const read = 122 + 120 // to the end of April
	weather := ensemble(t, from, truth[:read], 120)
	p := planOf(t, herb())
	f := p.Forecast(weather, PriorPace(), nil)
	if days, stage := f.WorthOfLook(season.Start.AddDays(10)); days > 0.5 {
		t.Errorf("in midwinter a look is worth %v days of stage %d", days, stage)
	}
	// The day on which two stages are as likely as can be, and one on which one is sure, of the days that are read.
	unsure, sure, least, most := season.Start, season.Start, 1.0, 0.0
	for day := calendar.Must(2031, 3, 20); day <= calendar.Must(2031, 4, 30); day++ {
		_, chance := f.StageOn(day)
		if chance < least {
			unsure, least = day, chance
		}
		if chance > most {
			sure, most = day, chance
		}
	}
	atUnsure, stage := f.WorthOfLook(unsure)
	atSure, _ := f.WorthOfLook(sure)
	if atUnsure < 2 || atUnsure < atSure+1 {
		t.Fatalf("a look is worth %.1f days where it is unsure (%.2f) and %.1f where it is sure (%.2f)", atUnsure, least, atSure, most)
	}
	width := func(f *Forecast) float64 {
		d := f.Dates(stage)
		return float64(d.P90.DaysSince(d.P10))
	}
	before, after := width(f), 0.0
	for k, chance := range f.StageChances(unsure) {
		if chance < 0.01 {
			after += chance * before
			continue
		}
		seen := Sighting{Day: unsure, Stage: f.Stages[k], Share: Most}
		pace, reading, _, learned := p.Learn(PriorPace(), weather, seen)
		if !learned {
			after += chance * before
			continue
		}
		after += chance * width(p.Forecast(weather, pace, []Reading{reading}))
	}
	if saved := before - after; math.Abs(saved-atUnsure) > math.Max(3, 0.6*saved) || saved < 0.3*atUnsure {
		t.Errorf("a look is expected to save %.1f days, and saves %.1f of %.1f", atUnsure, saved, before)
	}
}

// The worth is a share of what is unsure: never below nothing, never more than all of it, and nothing once all is past.
func TestTheWorthOfALookIsBounded(t *testing.T) {
	f := planOf(t, herb()).Forecast(ensemble(t, 0, nil, 60), PriorPace(), nil)
	for day := season.Start; day <= season.End; day = day.AddDays(3) {
		days, stage := f.WorthOfLook(day)
		if stage < 0 {
			if days != 0 {
				t.Fatalf("%s: %v days of no stage", day, days)
			}
			continue
		}
		all := moments{}
		for _, at := range f.typical[stage] {
			if int(at) < f.days {
				all.add(float64(at))
			}
		}
		if days < 0 || days > 2*1.2816*all.deviation()+1e-9 {
			t.Errorf("%s: %v days of %v", day, days, all.deviation())
		}
	}
}

package larder

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// DryingView is what dries on a tray.
type DryingView struct {
	LotID     int64     `json:"lotId"`
	Label     string    `json:"label" doc:"The lot's number, 3 of 2031"`
	Name      string    `json:"name"`
	SpeciesID string    `json:"speciesId"`
	Part      string    `json:"part"`
	Dries     string    `json:"dries" doc:"thin leaf, flower, root …"`
	Fresh     string    `json:"fresh" doc:"What was laid in"`
	Weighs    string    `json:"weighs" doc:"What it weighs now, by the last weighing and how it dries"`
	Since     string    `json:"since"`
	WaterLeft float64   `json:"waterLeft" doc:"Share of its first water that is in it now, 0 to 1"`
	Early     float64   `json:"early" doc:"Hours from now until it is dry, 1 in 10; below 0 for gone by"`
	Middle    float64   `json:"middle"`
	Late      float64   `json:"late"`
	Finish    string    `json:"finish" doc:"When it is dry, in words, 8 in 10"`
	Chance    string    `json:"chance" doc:"How likely it is dry by now; empty for hardly"`
	Dry       bool      `json:"dry" doc:"As likely dry as not: test it in the hand"`
	Curve     []float64 `json:"curve" doc:"Share of its first water still in it, hour by hour from now on"`
	Weighings []string  `json:"weighings"`
	Test      string    `json:"test" doc:"The test in the hand"`
	Expected  string    `json:"expected" doc:"What it will weigh dry, as it may be typed"`
	TooWarm   string    `json:"tooWarm" doc:"Where the drier is warmer than it bears; empty else"`
	Lags      string    `json:"lags" doc:"Where it dries late, and what to do; empty else"`
	Held      string    `json:"held" doc:"Why it is held back; empty else"`
	Standing  string    `json:"standing"`
}

// waterAnHour is how many grams of water leave a tray in the hour that begins now.
func (t tray) waterAnHour(now time.Time) float64 {
	if !t.known {
		return 0
	}
	hours := t.hoursSince(now)
	return t.forecast.GramsAfter(hours) - t.forecast.GramsAfter(hours+1)
}

func viewDrying(s *plot.State, t tray, now time.Time, hold held) DryingView {
	v := DryingView{
		LotID: t.lot.ID, Label: lotLabel(t.lot), Name: t.name(), SpeciesID: t.lot.SpeciesID, Part: t.lot.Part,
		Dries: t.part.Keep.Dries, Fresh: amount(s, t.fresh, 0), Since: "in since " + momentWords(now, t.loaded),
		Curve: []float64{}, Weighings: []string{}, Test: testWords(t), Held: hold.whyLot(t.lot), WaterLeft: 1,
	}
	if now.Truncate(24 * time.Hour).Equal(t.loaded.Truncate(24 * time.Hour)) {
		v.Since = "in since " + strings.TrimPrefix(t.loaded.Format("15:04"), "0")
	}
	for _, w := range s.WeightsOfLot(t.lot.ID) {
		at, err := plot.ParseMoment(w.At)
		if err != nil {
			continue
		}
		v.Weighings = append(v.Weighings, fmt.Sprintf("%s: %s, %s", momentWords(now, at), amount(s, w.Grams, 0), w.Source))
	}
	if !t.known {
		v.Weighs = v.Fresh
		v.Finish = "nothing is on record of how it dries: test it in the hand"
		return v
	}
	hours := t.hoursSince(now)
	finish := t.forecast.Finish()
	v.Early, v.Middle, v.Late = finish.Early-hours, finish.Middle-hours, finish.Late-hours
	v.Weighs = amount(s, t.forecast.GramsAfter(hours), 0)
	v.Expected = amount(s, finish.Grams, 0)
	v.Finish = finishWords(now, t.after(finish.Early), t.after(finish.Late))
	chance := t.forecast.DoneBy(hours)
	v.Dry = chance >= 0.5
	if chance >= 0.1 {
		v.Chance = "dry by now: " + say.InTen(math.Min(chance, 0.94))
	}
	solid := finish.Grams * 0.9
	left := func(at float64) float64 {
		return say.Round2(math.Max(0, math.Min(1, (t.forecast.GramsAfter(at)-solid)/math.Max(1e-9, t.fresh-solid))))
	}
	v.WaterLeft = left(hours)
	for h := 0.0; h <= math.Min(mostAxisHours, math.Max(1, v.Late)); h += curveStep(v.Late) {
		v.Curve = append(v.Curve, left(hours+h))
	}
	if bears := t.part.Keep.Heat; bears != nil && s.GatherSettings().Celsius > bears.Value {
		v.TooWarm = fmt.Sprintf("No warmer than %s for it: turn the drier down, or it loses what it is dried for.",
			s.Units.Temperature(bears.Value))
	}
	kind, _ := s.Lib.Gather().Of(t.part.Keep.Dries)
	v.Standing = kind.Rate.Standing.String()
	if len(t.weights) > 0 || len(ownPaces(s, t.stuff)) > 0 {
		v.Standing = "measured"
	}
	return v
}

// curveStep is how many hours lie between the points of a curve: no more points than can be seen.
func curveStep(late float64) float64 { return math.Max(1, math.Ceil(late/48)) }

func finishWords(now, early, late time.Time) string {
	switch {
	case late.Before(now):
		return "should be dry: test it in the hand"
	case early.Before(now):
		return "from now to " + momentWords(now, late)
	}
	return spanWords(now, early, late)
}

// markLaggards says of trays that dry later than others of their kind, by what was weighed, what to do.
func markLaggards(all []DrierTray) {
	const lag = 1.25
	for i, one := range all {
		if one.Lot == nil || len(one.Lot.Weighings) == 0 {
			continue
		}
		var others []float64
		for j, other := range all {
			if i != j && other.Lot != nil && other.Lot.Name == one.Lot.Name && len(other.Lot.Weighings) > 0 {
				others = append(others, other.Lot.Middle)
			}
		}
		if len(others) == 0 {
			continue
		}
		first := slices.Min(others)
		if one.Lot.Middle > math.Max(first, 1)*lag && one.Lot.Middle-first > 1 {
			all[i].Lot.Lags = fmt.Sprintf("About %.0f h later than the other: keep them apart, or spread it thinner.",
				one.Lot.Middle-first)
		}
	}
}

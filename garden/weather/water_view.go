package weather

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// WaterView is the water of every bed.
type WaterView struct {
	Today    calendar.Date     `json:"today"`
	Source   string            `json:"source"`
	Beds     []BedWaterView    `json:"beds"`
	Feels    []FeelChoice      `json:"feels"`
	Settings WaterSettingsView `json:"settings"`
	Summary  string            `json:"summary"`
}

// FeelChoice is an answer of the test in the hand.
type FeelChoice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// WaterSettingsView is how the household waters.
type WaterSettingsView struct {
	Version   say.Version `json:"version"`
	Flow      string      `json:"flow"`
	Said      bool        `json:"said" doc:"Somebody said so; else it is a guess"`
	Probe     string      `json:"probe" enum:",simulated"`
	ProbeName string      `json:"probeName"`
}

// BedWaterView is the water of one bed.
type BedWaterView struct {
	BedID  int64  `json:"bedId"`
	Name   string `json:"name"`
	Advice Advice `json:"advice" enum:"water,soon,wait,enough,wet"`
	Words  string `json:"words" doc:"What to do, and why"`
	// Full is the share of the available water that is there, above 1 where it stands wetter than the ground
	// holds; Low and High hold it in 8 of 10.
	Full      float64        `json:"full"`
	Low       float64        `json:"low"`
	High      float64        `json:"high"`
	LacksAt   float64        `json:"lacksAt" doc:"The share at which its plants begin to lack water"`
	Brim      float64        `json:"brim" doc:"The share at which all pores are full"`
	State     string         `json:"state"`
	Litres    string         `json:"litres" doc:"What fills it"`
	Holds     string         `json:"holds"`
	Takes     string         `json:"takes"`
	Soil      string         `json:"soil"`
	Rest      string         `json:"rest" doc:"Its ceiling on watering; empty for none"`
	Unfit     string         `json:"unfit" doc:"The mates that do not fit that; empty for none"`
	Past      []WaterDayView `json:"past"`
	Ahead     []WaterDayView `json:"ahead"`
	Done      []WaterDone    `json:"done" doc:"What was given and felt, the newest first"`
	Plantings []string       `json:"plantings"`
}

// WaterDayView is a day of a bed's water.
type WaterDayView struct {
	Day     calendar.Date `json:"day"`
	Full    float64       `json:"full"`
	Low     float64       `json:"low"`
	High    float64       `json:"high"`
	RainMM  float64       `json:"rainMm"`
	Watered bool          `json:"watered"`
	Felt    *float64      `json:"felt" doc:"What a reading said was there; null for none"`
	Lacks   float64       `json:"lacks" doc:"The chance that its plants lack water"`
	Words   string        `json:"words"`
}

// WaterDone is what was given to a bed or felt of it.
type WaterDone struct {
	ID    int64  `json:"id"`
	Kind  string `json:"kind" enum:"watering,feel,probe"`
	Words string `json:"words"`
}

// shownWater is how many of the waterings and feels of a bed are shown.
const shownWater = 8

// Water shows the water of every bed, those that want something first.
func (u *Uses) Water(ctx context.Context) (WaterView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return WaterView{}, err
	}
	settings := settingsOf(s)
	v := WaterView{
		Today: s.Today, Source: s.Sky.Source(), Beds: []BedWaterView{}, Feels: []FeelChoice{},
		Settings: WaterSettingsView{
			Version: say.VersionOf(
				settings,
			), Flow: s.Units.Volume(settings.FlowL), Said: settings.ID != 0, Probe: settings.Probe,
		},
	}
	if probe := u.probe(s); probe != nil {
		v.Settings.ProbeName = probe.Name()
	}
	for _, feel := range s.Lib.Ground().Water.Feels {
		v.Feels = append(v.Feels, FeelChoice{feel.ID, feel.Name})
	}
	for _, bed := range s.Beds {
		w, err := s.Water(bed)
		if err != nil {
			return v, err
		}
		v.Beds = append(v.Beds, viewBedWater(s, bed, w))
	}
	slices.SortStableFunc(v.Beds, func(a, b BedWaterView) int {
		return slices.Index(adviceOrder, a.Advice) - slices.Index(adviceOrder, b.Advice)
	})
	v.Summary = summaryOf(s, v.Beds)
	return v, nil
}

var adviceOrder = []Advice{AdviceWater, AdviceSoon, AdviceWait, AdviceWet, AdviceEnough}

func summaryOf(s *plot.State, beds []BedWaterView) string {
	now, soon := 0, 0
	for _, bed := range beds {
		switch bed.Advice {
		case AdviceWater:
			now++
		case AdviceSoon:
			soon++
		}
	}
	switch {
	case len(beds) == 0:
		return "No bed stands on the plan yet."
	case now+soon == 0:
		return "No bed wants water."
	case now == 0:
		return say.Counted(float64(soon), "bed wants", "beds want") + " water within days."
	case soon == 0:
		return say.Counted(float64(now), "bed wants", "beds want") + " water now."
	}
	return fmt.Sprintf("%s water now, %d more within days.", say.Counted(float64(now), "bed wants", "beds want"), soon)
}

func viewBedWater(s *plot.State, bed store.Bed, w *plot.BedWater) BedWaterView {
	a := adviceFor(s, bed, w)
	v := BedWaterView{
		BedID: bed.ID, Name: bed.Name, Advice: a.is, Words: a.words,
		Full: there(w.Gone), Low: 1 - w.Gone - climate.EightInTen*w.Spread, High: 1 - w.Gone + climate.EightInTen*w.Spread,
		LacksAt: 1 - w.PartToday, Brim: 1 + w.Holding.Spare/w.Holding.Available,
		State: view.GoneWords(w.Gone), Litres: litresWords(s, a.litres),
		Holds: fmt.Sprintf(
			"%s over %s that plants can take",
			s.Units.Volume(w.Holding.Available*w.AreaM2),
			s.Units.Area(w.AreaM2),
		),
		Takes: fmt.Sprintf("%s a day in the last week", s.Units.Volume(w.TakesMM*w.AreaM2)),
		Soil: s.SoilWords(
			bed,
			w,
		), Past: []WaterDayView{}, Ahead: []WaterDayView{}, Done: []WaterDone{}, Plantings: []string{},
	}
	v.Low, v.High = math.Max(0, v.Low), math.Min(v.Brim, v.High)
	if a.rest.days > 0 {
		v.Rest = fmt.Sprintf("Never watered more often than every %d days (guess): %s.", a.rest.days, rotWords(a.rest.names))
		if len(a.rest.unfit) > 0 {
			v.Unfit = fmt.Sprintf("%s %s not fit that.", say.Capital(say.Joined(a.rest.unfit)),
				map[bool]string{true: "wants damper ground: it does", false: "want damper ground: they do"}[len(a.rest.unfit) == 1])
		}
	}
	for _, p := range s.StandingIn(bed.ID) {
		if name := p.Species.Names.Name; !slices.Contains(v.Plantings, name) {
			v.Plantings = append(v.Plantings, name)
		}
	}
	for i, day := range w.Past {
		one := WaterDayView{Day: w.First.AddDays(i), Full: there(day.Gone), RainMM: day.RainMM, Watered: day.WateredMM > 0}
		one.Low, one.High = one.Full, one.Full
		one.Words = one.Day.DayMonth() + ": " + view.GoneWords(day.Gone)
		if day.RainMM >= 1 {
			one.Words += ", " + s.Units.Rainfall(day.RainMM) + " of rain"
		}
		if one.Watered {
			one.Words += ", watered with " + s.Units.Volume(day.WateredMM*w.AreaM2)
		}
		if !math.IsNaN(day.Felt) {
			felt := there(day.Felt)
			one.Felt = &felt
			one.Words += ", felt: " + view.GoneWords(day.Felt)
		}
		v.Past = append(v.Past, one)
	}
	for i, day := range w.Ahead {
		one := WaterDayView{
			Day: s.Today.AddDays(
				i + 1,
			), Full: there(day.P50), Low: there(day.P90), High: there(day.P10), RainMM: day.RainMM, Lacks: day.Lacks,
		}
		one.Words = fmt.Sprintf(
			"%s: likely %s; lacks water in %s",
			one.Day.DayMonth(),
			view.GoneWords(day.P50),
			say.InTen(day.Lacks),
		)
		v.Ahead = append(v.Ahead, one)
	}
	v.Done = doneOf(s, bed.ID)
	return v
}

// litresWords say an amount of water to give.
func litresWords(s *plot.State, litres float64) string {
	if litres < 0.5 {
		return "nothing"
	}
	return s.Units.Volume(litres)
}

// there is the share of the available water that is there when a share is gone.
func there(gone float64) float64 { return math.Max(0, 1-gone) }

// doneOf are what was given to a bed and felt of it, the newest first.
func doneOf(s *plot.State, bedID int64) []WaterDone {
	type dated struct {
		day string
		WaterDone
	}
	var all []dated
	told := func(text string) string {
		if day, err := calendar.Parse(text); err == nil {
			return day.DayMonth()
		}
		return text
	}
	for _, row := range s.Waterings(bedID) {
		all = append(
			all,
			dated{row.Day, WaterDone{row.ID, "watering", told(row.Day) + ": watered with " + s.Units.Volume(row.Litres)}},
		)
	}
	for _, row := range s.Feels(bedID) {
		words := told(row.Day) + ": "
		if feel, has := s.Lib.Ground().Water.Feel(row.Feel); row.Kind == "feel" && has {
			words += feel.Name
		} else {
			words += row.Note + " read " + view.GoneWords(row.Gone)
		}
		all = append(all, dated{row.Day, WaterDone{row.ID, row.Kind, words}})
	}
	slices.SortStableFunc(
		all,
		func(a, b dated) int { return cmp.Or(say.CompareTexts(b.day, a.day), cmp.Compare(b.ID, a.ID)) },
	)
	done := []WaterDone{}
	for _, one := range all[:min(len(all), shownWater)] {
		done = append(done, one.WaterDone)
	}
	return done
}

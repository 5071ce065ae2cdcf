package garden

import (
	"context"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// RoundView is one walk through the plot, bed by bed.
type RoundView struct {
	Day   calendar.Date `json:"day"`
	Beds  int           `json:"beds"`
	Stops []Stop        `json:"stops"`
	Marks []string      `json:"marks"`
	Seen  int           `json:"seen" doc:"Stops already looked at today"`
}

// Stop is one planting on the round, with what is expected of it.
type Stop struct {
	PlantingBrief
	BedNumber     int           `json:"bedNumber"`
	BedNote       string        `json:"bedNote"`
	Options       []flora.Stage `json:"options" doc:"The stages near the expected one"`
	AllStages     []flora.Stage `json:"allStages"`
	Expected      flora.Stage   `json:"expected"`
	ExpectedShare string        `json:"expectedShare"`
	ExpectedWords string        `json:"expectedWords"`
	SizeStep      string        `json:"sizeStep" doc:"Unit that sizes are typed in"`
	HeightNumber  float64       `json:"heightNumber" doc:"Expected height in that unit"`
	WidthNumber   float64       `json:"widthNumber" doc:"Expected width in that unit"`
	SeenToday     bool          `json:"seenToday"`
	Ready         string        `json:"ready"`
}

// Round returns today's walk: every planting that still lives, by the order of
// the beds.
func (g *Garden) Round(ctx context.Context) (RoundView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return RoundView{}, err
	}
	v := RoundView{Day: s.today, Marks: marks, Stops: []Stop{}}
	for _, bed := range s.beds {
		first := true
		for _, p := range s.plantings {
			if p.BedID != bed.ID || p.now == nil {
				continue
			}
			if first {
				v.Beds++
				first = false
			}
			stop := s.stop(p)
			stop.BedNumber, stop.BedNote = v.Beds, bed.Note
			if stop.SeenToday {
				v.Seen++
			}
			v.Stops = append(v.Stops, stop)
		}
	}
	return v, nil
}

// nearStages is how many stages a stop offers at once.
const nearStages = 4

func (s *state) stop(p *planting) Stop {
	stop := Stop{PlantingBrief: s.brief(p, s.today), SizeStep: s.units.LengthUnit(), Ready: s.readyWords(p, s.today), AllStages: distinct(p.now.Stages)}
	index, _ := p.now.StageOn(s.today)
	stop.Expected = p.now.Stages[index]
	shares := p.now.SharesOn(s.today)
	reached := 0.0
	for k := index; k < len(shares); k++ {
		reached += shares[k]
	}
	stop.ExpectedShare = string(phenology.ShareOf(reached))
	stop.ExpectedWords = "Expected today: " + stop.Expected.String()
	if stop.ExpectedShare != string(phenology.Most) {
		stop.ExpectedWords += ", " + stop.ExpectedShare + " of them"
	}
	from := max(0, min(index-1, len(p.now.Stages)-nearStages))
	stop.Options = distinct(p.now.Stages[from:min(len(p.now.Stages), from+nearStages)])
	size := p.now.SizeOn(p.species, p.year, s.today)
	scale := s.measuredScale(p)
	perMetre := 100.0
	if s.units == "us" {
		perMetre = 1 / 0.0254
	}
	stop.HeightNumber, stop.WidthNumber = float64(int(size.Height*scale*perMetre+0.5)), float64(int(size.Width*scale*perMetre+0.5))
	if n := len(p.sightings); n > 0 {
		stop.SeenToday = p.sightings[n-1].Day == s.today
	}
	return stop
}

// distinct leaves out a stage that stands twice, as the rest at both ends.
func distinct(stages []flora.Stage) []flora.Stage {
	var once []flora.Stage
	had := map[flora.Stage]bool{}
	for _, stage := range stages {
		if !had[stage] {
			had[stage] = true
			once = append(once, stage)
		}
	}
	return once
}

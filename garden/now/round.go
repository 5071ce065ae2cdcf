package now

import (
	"context"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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
	view.PlantingBrief
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
func (u *Uses) Round(ctx context.Context) (RoundView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RoundView{}, err
	}
	v := RoundView{Day: s.Today, Marks: plot.Marks, Stops: []Stop{}}
	for _, bed := range s.Beds {
		first := true
		for _, p := range s.Plantings {
			if p.BedID != bed.ID || p.Now == nil {
				continue
			}
			if first {
				v.Beds++
				first = false
			}
			stop := stop(s, p)
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

func stop(s *plot.State, p *plot.Planting) Stop {
	stop := Stop{
		PlantingBrief: view.Brief(s, p, s.Today),
		SizeStep:      s.Units.LengthUnit(),
		Ready:         view.ReadyWords(s, p, s.Today),
		AllStages:     say.Distinct(p.Now.Stages),
	}
	index, _ := p.Now.StageOn(s.Today)
	stop.Expected = p.Now.Stages[index]
	shares := p.Now.SharesOn(s.Today)
	reached := 0.0
	for k := index; k < len(shares); k++ {
		reached += shares[k]
	}
	stop.ExpectedShare = string(phenology.ShareOf(reached))
	stop.ExpectedWords = "Expected today: " + stop.Expected.String()
	if stop.ExpectedShare != string(phenology.Most) {
		stop.ExpectedWords += ", " + stop.ExpectedShare + " of them"
	}
	from := max(0, min(index-1, len(p.Now.Stages)-nearStages))
	stop.Options = say.Distinct(p.Now.Stages[from:min(len(p.Now.Stages), from+nearStages)])
	size := p.Now.SizeOn(p.Species, p.Year, s.Today)
	scale := s.MeasuredScale(p)
	perMetre := 100.0
	if s.Units == "us" {
		perMetre = 1 / 0.0254
	}
	stop.HeightNumber, stop.WidthNumber = float64(
		int(size.Height*scale*perMetre+0.5),
	), float64(
		int(size.Width*scale*perMetre+0.5),
	)
	if n := len(p.Sightings); n > 0 {
		stop.SeenToday = p.Sightings[n-1].Day == s.Today
	}
	return stop
}

package now

import (
	"context"
	"fmt"
	"math"
	"slices"

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
	// LikelyMarks are the signs of trouble that this plant is known to get, or that the weather of late brings on.
	LikelyMarks []string `json:"likelyMarks" doc:"The signs of trouble that are likeliest here"`
	// Missed is true where the last round passed it by: it comes first.
	Missed bool `json:"missed" doc:"The last round passed it by"`
	// Worth says why to look here above all; empty where a look tells little.
	Worth     string  `json:"worth" doc:"Why to look here above all; empty where a look tells little"`
	WorthDays float64 `json:"worthDays" doc:"By how many days a look is expected to narrow what is ahead"`
	// Sure is true where the expected answer is as good as certain.
	Sure bool `json:"sure" doc:"What is expected is as good as certain"`
}

// Round returns today's walk: every planting that still lives, by the order of
// the beds.
func (u *Uses) Round(ctx context.Context) (RoundView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RoundView{}, err
	}
	v := RoundView{Day: s.Today, Marks: s.Marks(), Stops: []Stop{}}
	missed := missedLastTime(s)
	lately, _, _, _, _ := s.Lately()
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
			stop.LikelyMarks = likelyMarks(s, p, lately)
			stop.BedNumber, stop.BedNote = v.Beds, bed.Note
			stop.Missed = missed[p.ID] && !stop.SeenToday
			if stop.SeenToday {
				v.Seen++
			}
			v.Stops = append(v.Stops, stop)
		}
	}
	// The walk stays as it is while it is walked: what was passed by keeps its place when it has been looked at.
	slices.SortStableFunc(v.Stops, func(a, b Stop) int { return say.CompareBools(!missed[a.ID], !missed[b.ID]) })
	return v, nil
}

// aRound is how many plantings are looked at on a day that is a round, and no look in passing.
const aRound = 3

// missedLastTime are the plantings that the last round before today passed by, though they stood then and grew.
func missedLastTime(s *plot.State) map[int64]bool {
	looked := map[calendar.Date]map[int64]bool{}
	for _, p := range s.Plantings {
		for _, seen := range p.Sightings {
			if seen.Day >= s.Today {
				continue
			}
			if looked[seen.Day] == nil {
				looked[seen.Day] = map[int64]bool{}
			}
			looked[seen.Day][p.ID] = true
		}
	}
	last := plot.NoDay
	for day, plantings := range looked {
		if len(plantings) >= aRound {
			last = max(last, day)
		}
	}
	missed := map[int64]bool{}
	if last == plot.NoDay {
		return missed
	}
	for _, p := range s.Plantings {
		if p.Now == nil || p.Aside || p.Started > last || looked[last][p.ID] || lookBefore(p, s.Today) > last {
			continue
		}
		index, _ := p.Now.StageOn(last)
		missed[p.ID] = !s.Season.Contains(last) || p.Now.Stages[index] != flora.Resting
	}
	return missed
}

// lookBefore is the day of the last look at a planting before a day; NoDay where there was none.
func lookBefore(p *plot.Planting, day calendar.Date) calendar.Date {
	for i := len(p.Sightings) - 1; i >= 0; i-- {
		if p.Sightings[i].Day < day {
			return p.Sightings[i].Day
		}
	}
	return plot.NoDay
}

// lastLook is the day on which a planting was looked at last; NoDay where it never was.
func lastLook(p *plot.Planting) calendar.Date {
	if n := len(p.Sightings); n > 0 {
		return p.Sightings[n-1].Day
	}
	return plot.NoDay
}

const (
	// worthTelling is from how many days of narrowing on a look is worth going for, and sureChance from which chance
	// on what is expected is as good as certain.
	worthTelling = 2.5
	sureChance   = 0.9
)

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
	stop.SeenToday = lastLook(p) == s.Today
	_, chance := p.Now.StageOn(s.Today)
	stop.Sure = chance >= sureChance
	if days, stage := p.Now.WorthOfLook(s.Today); stage >= 0 && !stop.SeenToday {
		stop.WorthDays = say.Round1(days)
		if days >= worthTelling {
			stop.Worth = fmt.Sprintf("Look here: it makes the days of *%s* about %s narrower.", p.Now.Stages[stage],
				say.Counted(math.Round(days), "day", "days"))
		}
	}
	return stop
}

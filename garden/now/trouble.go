package now

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/care"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// TroubleView is the page of a sign of trouble: what it looks like, what commonly brings it, what to do and how soon;
// of one planting where one is given.
type TroubleView struct {
	Mark    string   `json:"mark"`
	Title   string   `json:"title"`
	Looks   string   `json:"looks"`
	Unlike  string   `json:"unlike"`
	Urgent  string   `json:"urgent" doc:"today, this week or can wait"`
	Why     string   `json:"why"`
	Steps   []string `json:"steps"`
	Picking string   `json:"picking" doc:"What to mind where something is picked meanwhile; empty for nothing"`
	// Lately says what the weather of the last fortnight was; empty where it was not read.
	Lately string       `json:"lately" doc:"What the weather of the last two weeks was"`
	Causes []CauseView  `json:"causes" doc:"Those first that the weather of late brings on"`
	Plants []PlantFault `json:"plants" doc:"What plants of the plot are known to get of this sign"`
	// Seen is where it was marked of late.
	Seen []TroubleSeen `json:"seen" doc:"Where it was marked of late"`
}

// CauseView is what commonly brings a trouble.
type CauseView struct {
	Says   string `json:"says"`
	Likely string `json:"likely" doc:"Why it is likelier now; empty where nothing speaks for it"`
}

// PlantFault is what a plant's own file says of such a trouble.
type PlantFault struct {
	SpeciesID string `json:"speciesId"`
	Plant     string `json:"plant"`
	Name      string `json:"name"`
	Sign      string `json:"sign"`
	Cause     string `json:"cause"`
	Do        string `json:"do"`
	Urgent    string `json:"urgent"`
}

// TroubleSeen is a planting on which a sign was marked.
type TroubleSeen struct {
	PlantingID int64         `json:"plantingId"`
	Plant      string        `json:"plant"`
	Bed        string        `json:"bed"`
	Day        calendar.Date `json:"day"`
}

// seenOfLate is for how many days back a mark is told on its page.
const seenOfLate = 60

// Trouble is the page of a sign; plantingID is 0 for all of the plot.
func (u *Uses) Trouble(ctx context.Context, mark string, plantingID int64) (TroubleView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return TroubleView{}, err
	}
	t, has := s.Lib.Care().Trouble(mark)
	if !has {
		return TroubleView{}, say.NotFoundError{What: "sign of trouble"}
	}
	v := TroubleView{
		Mark: t.Mark, Title: t.Title, Looks: t.Looks, Unlike: t.Unlike, Urgent: t.Urgent, Why: t.Why, Steps: t.Steps,
		Picking: t.Picking, Causes: []CauseView{}, Plants: []PlantFault{}, Seen: []TroubleSeen{},
	}
	v.addCauses(s, t)
	plantings := s.Plantings
	if plantingID != 0 {
		p, has := s.ByID[plantingID]
		if !has {
			return TroubleView{}, say.NotFoundError{What: "planting"}
		}
		plantings = []*plot.Planting{p}
	}
	told := map[string]bool{}
	for _, p := range plantings {
		if p.Aside {
			continue
		}
		v.addSeen(s, p, mark)
		if told[p.SpeciesID] {
			continue
		}
		told[p.SpeciesID] = true
		for _, own := range p.Species.Troubles {
			if t.OfThis(own) {
				v.Plants = append(v.Plants, PlantFault{
					p.SpeciesID, p.Species.Names.Name, own.Name, own.Sign, own.Cause, own.Do, own.Urgent,
				})
			}
		}
	}
	return v, nil
}

func (v *TroubleView) addSeen(s *plot.State, p *plot.Planting, mark string) {
	for i := len(p.Sightings) - 1; i >= 0; i-- {
		seen := p.Sightings[i]
		if s.Today.DaysSince(seen.Day) > seenOfLate {
			return
		}
		for one := range strings.SplitSeq(seen.Row.Marks, ",") {
			if one == mark {
				v.Seen = append(v.Seen, TroubleSeen{p.ID, p.Species.Names.Name, p.Bed.Name, seen.Day})
				return
			}
		}
	}
}

// addCauses puts those causes first that the weather of late brings on, and says what it was.
func (v *TroubleView) addCauses(s *plot.State, t care.Trouble) {
	lately, rain, low, high, known := s.Lately()
	words := map[care.Lately]string{}
	if known {
		v.Lately = fmt.Sprintf("The last two weeks brought %s of rain, nights down to %s and days of %s in the mean.",
			s.Units.Rainfall(rain), s.Units.Temperature(low), s.Units.Temperature(high))
		words[care.Wet] = "It was wet: " + s.Units.Rainfall(rain) + " in two weeks."
		words[care.Dry] = "It was dry: " + s.Units.Rainfall(rain) + " in two weeks."
		words[care.Cold] = "A night went down to " + s.Units.Temperature(low) + "."
		words[care.Warm] = "Days of " + s.Units.Temperature(high) + " in the mean."
	}
	causes, likely := t.Sorted(lately)
	for i, cause := range causes {
		one := CauseView{Says: cause.Says}
		if i < likely {
			one.Likely = words[cause.Weather]
		}
		v.Causes = append(v.Causes, one)
	}
}

// mostLikelyMarks is how many signs are asked for at once on the round.
const mostLikelyMarks = 6

// likelyMarks are the signs that are asked for first of a planting: what its plant is known to get counts most, then
// what the weather of late brings on, then what is common. The last of its last look is among them, to be seen again.
func likelyMarks(s *plot.State, p *plot.Planting, lately []care.Lately) []string {
	const own, weather, again, common = 4.0, 1.0, 8.0, 0.5
	troubles := s.Lib.Care().Troubles
	score := map[string]float64{"past the edge": common, "seedlings near": common, "eaten": common}
	if len(p.Species.Spreads) > 0 {
		score["past the edge"] += common
	}
	found, _ := s.TroublesOf(p, s.Today)
	for _, t := range found {
		score[t.Mark] += again
	}
	for _, t := range troubles {
		if slices.ContainsFunc(p.Species.Troubles, t.OfThis) {
			score[t.Mark] += own
		}
		if _, likely := t.Sorted(lately); likely > 0 {
			score[t.Mark] += weather
		}
	}
	marks := s.Marks()
	slices.SortStableFunc(marks, func(a, b string) int { return cmp.Compare(score[b], score[a]) })
	return marks[:min(len(marks), mostLikelyMarks)]
}

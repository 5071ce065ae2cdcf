package gather

import (
	"cmp"
	"context"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// GatherView is every window of the season, the first to open first.
type GatherView struct {
	Day         calendar.Date     `json:"day"`
	SeasonStart calendar.Date     `json:"seasonStart"`
	SeasonEnd   calendar.Date     `json:"seasonEnd"`
	Windows     []view.WindowView `json:"windows"`
	Needs       []NeedView        `json:"needs"`
}

// NeedView is what the household needs of a part, and what it has taken.
type NeedView struct {
	Version   say.Version `json:"version"`
	SpeciesID string      `json:"speciesId"`
	Name      string      `json:"name"`
	Part      string      `json:"part"`
	Need      string      `json:"need" doc:"In fresh weight; empty where nobody said"`
	Typed     string      `json:"typed" doc:"As it was typed; empty where nobody said"`
	Matters   string      `json:"matters" doc:"little, as the rest or much"`
	Plants    string      `json:"plants" doc:"How many full-grown plants bear it in a year; empty where nobody said"`
	Taken     string      `json:"taken"`
	Share     float64     `json:"share" doc:"Taken of needed, 0 to 1; 0 where nobody said"`
}

// Gather returns the windows of the season that a day lies in.
func (u *Uses) Gather(ctx context.Context, on calendar.Date) (GatherView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return GatherView{}, err
	}
	season := s.Season
	if s.Next.Contains(on) {
		season = s.Next
	}
	v := GatherView{
		Day:         on,
		SeasonStart: season.Start,
		SeasonEnd:   season.End,
		Windows:     []view.WindowView{},
		Needs:       needViews(s),
	}
	for _, p := range s.Plantings {
		for _, span := range s.Spans(p) {
			if span.Last >= season.Start && span.First <= season.End {
				v.Windows = append(v.Windows, view.ViewWindow(s, p, span, on))
			}
		}
	}
	slices.SortStableFunc(v.Windows, func(a, b view.WindowView) int { return cmp.Compare(a.First, b.First) })
	return v, nil
}

// needViews lists every part that stands on the plot and can be taken.
func needViews(s *plot.State) []NeedView {
	views := []NeedView{}
	had := map[string]bool{}
	for _, p := range s.Plantings {
		for _, part := range p.Species.Parts {
			key := p.SpeciesID + "/" + part.Name
			if part.Harvest == nil || had[key] {
				continue
			}
			had[key] = true
			view := NeedView{
				Version:   view.NeedVersion(s, p.SpeciesID, part.Name),
				SpeciesID: p.SpeciesID,
				Name:      p.Species.Names.Name,
				Part:      part.Name,
				Need:      view.KeptNeedWords(s, p.SpeciesID, part.Name),
			}
			if row, said := s.NeedRow(p.SpeciesID, part.Name); said {
				view.Typed, view.Matters, view.Plants = cmp.Or(
					row.Typed,
					view.Need,
				), mattersOf(
					row.Weight,
				), plantsWords(
					part,
					row.Grams,
				)
			}
			taken := s.TakenGrams(p.SpeciesID, part.Name)
			view.Taken = s.Units.Weight(taken)
			if need, said := s.NeedOf(p.SpeciesID, part.Name); said && need > 0 {
				view.Share = min(1, taken/need)
			}
			views = append(views, view)
		}
	}
	slices.SortStableFunc(views, func(a, b NeedView) int { return cmp.Compare(a.Name, b.Name) })
	return views
}

// plantsWords say how many full-grown plants bear so many grams, fresh, at one cut of a year.
func plantsWords(part flora.Part, grams float64) string {
	rule := part.Harvest
	if each := harvest.OneCut(rule); grams > 0 && each > 0 {
		return "one cut of " + say.Counted(math.Ceil(grams/each-1e-9), "full-grown plant", "full-grown plants")
	}
	return ""
}

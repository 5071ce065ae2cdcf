package garden

import (
	"cmp"
	"context"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
)

// GatherView is every window of the season, the first to open first.
type GatherView struct {
	Day         calendar.Date `json:"day"`
	SeasonStart calendar.Date `json:"seasonStart"`
	SeasonEnd   calendar.Date `json:"seasonEnd"`
	Windows     []WindowView  `json:"windows"`
	Needs       []NeedView    `json:"needs"`
}

// NeedView is what the household needs of a part, and what it has taken.
type NeedView struct {
	Version   Version `json:"version"`
	SpeciesID string  `json:"speciesId"`
	Name      string  `json:"name"`
	Part      string  `json:"part"`
	Need      string  `json:"need" doc:"Empty where nobody said"`
	Taken     string  `json:"taken"`
	Share     float64 `json:"share" doc:"Taken of needed, 0 to 1; 0 where nobody said"`
}

// Gather returns the windows of the season that a day lies in.
func (g *Garden) Gather(ctx context.Context, on calendar.Date) (GatherView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return GatherView{}, err
	}
	season := s.season
	if s.next.Contains(on) {
		season = s.next
	}
	v := GatherView{Day: on, SeasonStart: season.Start, SeasonEnd: season.End, Windows: []WindowView{}, Needs: s.needViews()}
	for _, p := range s.plantings {
		for _, span := range s.spans(p) {
			if span.last >= season.Start && span.first <= season.End {
				v.Windows = append(v.Windows, s.viewWindow(p, span, on))
			}
		}
	}
	slices.SortStableFunc(v.Windows, func(a, b WindowView) int { return cmp.Compare(a.First, b.First) })
	return v, nil
}

func urgencyOf(span span, on calendar.Date) agenda.Urgency {
	return agenda.UrgencyOn(agenda.Job{First: span.first, Last: span.last}, on)
}

// needViews lists every part that stands on the plot and can be taken.
func (s *state) needViews() []NeedView {
	views := []NeedView{}
	had := map[string]bool{}
	for _, p := range s.plantings {
		for _, part := range p.species.Parts {
			key := p.SpeciesID + "/" + part.Name
			if part.Harvest == nil || had[key] {
				continue
			}
			had[key] = true
			view := NeedView{Version: s.needVersion(p.SpeciesID, part.Name), SpeciesID: p.SpeciesID, Name: p.species.Names.Name, Part: part.Name, Need: s.needWords(p.SpeciesID, part.Name)}
			taken := s.takenGrams(p.SpeciesID, part.Name)
			view.Taken = s.units.Weight(taken)
			if need, said := s.needOf(p.SpeciesID, part.Name); said && need > 0 {
				view.Share = min(1, taken/need)
			}
			views = append(views, view)
		}
	}
	slices.SortStableFunc(views, func(a, b NeedView) int { return cmp.Compare(a.Name, b.Name) })
	return views
}

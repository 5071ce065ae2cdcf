package season

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/geometry"
	"bramblyacre/core/harvest"
	"bramblyacre/core/plan"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// OutView is what can be picked today, kind by kind on one walk: all that is needed on the way, so that no network is.
type OutView struct {
	Day   calendar.Date `json:"day"`
	Words string        `json:"words"`
	Kinds []OutKind     `json:"kinds"`
}

// OutKind is a part of a planting that is open today.
type OutKind struct {
	PlantingID int64              `json:"plantingId"`
	SpeciesID  string             `json:"speciesId"`
	Name       string             `json:"name" doc:"Plant and part"`
	Bed        string             `json:"bed"`
	Planned    string             `json:"planned" doc:"What the plan of the season takes today, or when it does; empty where no plan is followed"`
	Today      bool               `json:"today" doc:"The plan takes it today"`
	Units      float64            `json:"units" doc:"How many of its own unit to take: as planned, else as allowed"`
	One        string             `json:"one"`
	Many       string             `json:"many"`
	GramsEach  float64            `json:"gramsEach" doc:"What one weighs, fresh"`
	Measures   []OutMeasure       `json:"measures" doc:"The grower's own measures of it"`
	Allowance  view.AllowanceView `json:"allowance"`
}

// OutMeasure is a measure of the household, and what one of it weighs.
type OutMeasure struct {
	Name  string  `json:"name"`
	Many  string  `json:"many"`
	Grams float64 `json:"grams"`
}

// Out is what can be picked today: what the plan takes today first, then all that is open, each on the shortest walk.
func (u *Uses) Out(ctx context.Context) (OutView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return OutView{}, err
	}
	v := OutView{Day: s.Today, Kinds: []OutKind{}}
	picks, follows := u.followedPicks(s, s.Season)
	order := bedOrder(s)
	for _, bed := range order {
		for _, p := range s.StandingIn(bed.ID) {
			if p.Aside {
				continue
			}
			for _, part := range p.Species.Parts {
				if part.Harvest == nil || !openToday(s, p, part.Name) {
					continue
				}
				offer, _ := view.Allowance(s, p, part, s.Today)
				if !offer.Offered {
					continue
				}
				_, year := s.ForecastOn(p, s.Today)
				kind := OutKind{
					PlantingID: p.ID, SpeciesID: p.SpeciesID, Name: say.PartOf(p.Species.Names.Name, part.Name), Bed: bed.Name,
					Units: offer.Units, One: part.Harvest.One, Many: part.Harvest.Many, Allowance: offer, Measures: []OutMeasure{},
					GramsEach: harvest.GramsEach(part.Harvest, s.SizeShare(p, year, part.Harvest, s.Today)),
				}
				for _, m := range plot.Measures.Of(s) {
					if m.SpeciesID == p.SpeciesID && m.Part == part.Name && !input.IsDried(m.Name) {
						one, many := input.MeasureWords(m.Name)
						kind.Measures = append(kind.Measures, OutMeasure{one, many, m.Grams})
					}
				}
				if follows {
					kind.byPlan(s, picks)
				}
				v.Kinds = append(v.Kinds, kind)
			}
		}
	}
	slices.SortStableFunc(v.Kinds, func(a, b OutKind) int { return say.CompareBools(b.Today, a.Today) })
	today := 0
	for _, kind := range v.Kinds {
		if kind.Today {
			today++
		}
	}
	v.Words = say.Counted(float64(len(v.Kinds)), "kind is open", "kinds are open")
	if today > 0 {
		v.Words += fmt.Sprintf("; the plan takes %d today", today)
	}
	return v, nil
}

// byPlan says what the plan of the season takes of a kind today, or when it does next.
func (k *OutKind) byPlan(s *plot.State, picks []Picking) {
	next := calendar.Date(0)
	for _, one := range picks {
		if one.Planting != k.PlantingID || one.Part != k.Allowance.Part {
			continue
		}
		switch day := one.on(); {
		case day == s.Today:
			k.Today, k.Units = true, min(float64(one.Units), k.Allowance.Units)
			k.Planned = "Planned today: " + say.Counted(k.Units, k.One, k.Many)
			return
		case day > s.Today && (next == 0 || day < next):
			next = day
		}
	}
	k.Planned = "The plan takes none of it."
	if next != 0 {
		k.Planned = "The plan takes it on " + next.DayMonth() + "."
	}
}

// openToday tells whether a part lies within a window today.
func openToday(s *plot.State, p *plot.Planting, part string) bool {
	return slices.ContainsFunc(p.Windows, func(w harvest.Window) bool { return w.Part.Name == part && w.OpenOn(s.Today) })
}

// bedOrder are the beds in the order of the shortest walk through them from the first.
func bedOrder(s *plot.State) []store.Bed {
	if len(s.Beds) == 0 {
		return nil
	}
	var points []geometry.Point
	for _, bed := range s.Beds {
		points = append(points, s.Forms[bed.ID].At)
	}
	var order []store.Bed
	for _, i := range plan.ShortestWalk(points, 0) {
		order = append(order, s.Beds[i])
	}
	return order
}

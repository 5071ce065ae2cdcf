package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// VolunteersView is what came up by itself, and what is to be expected.
type VolunteersView struct {
	Groups   []VolunteerView `json:"groups" doc:"In the order to rescue them"`
	Expected []ExpectedView  `json:"expected"`
	Works    []BedWorkView   `json:"works"`
	How      []string        `json:"how" doc:"How to lift one"`
}

// VolunteerView is one group that was seen.
type VolunteerView struct {
	ID        int64                 `json:"id"`
	SpeciesID string                `json:"speciesId"`
	Name      string                `json:"name"`
	Where     string                `json:"where"`
	Plants    int                   `json:"plants"`
	Seen      string                `json:"seen"`
	Rescue    string                `json:"rescue" doc:"By when, and why"`
	WorkedOn  calendar.Date         `json:"workedOn"`
	Known     bool                  `json:"known" doc:"A day is known on which the ground is worked"`
	Checked   string                `json:"checked" enum:",it is,it is not"`
	State     string                `json:"state"`
	Dangers   []VolunteerDangerView `json:"dangers"`
	Note      string                `json:"note"`
}

// ExpectedView is what is to be expected about mothers.
type ExpectedView struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Where     string `json:"where"`
	Number    string `json:"number"`
	From      string `json:"from"`
	Reach     string `json:"reach"`
	MotherID  int64  `json:"motherId"`
}

// Volunteers shows what came up by itself, in the order to rescue it, and what is to be expected.
func (u *Uses) Volunteers(ctx context.Context) (VolunteersView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return VolunteersView{}, err
	}
	w, err := u.weathers(s)
	if err != nil {
		return VolunteersView{}, err
	}
	v := VolunteersView{Groups: []VolunteerView{}, Expected: []ExpectedView{}, Works: worksAhead(s), How: []string{
		"Cut one across and look at it first: a seedling beside its mother may be something else.",
		"Take the middle-sized: the biggest have outgrown the cell.",
		"Lift each with its soil. The root goes straight down, never bent up at the tip; one that is too long is cut.",
		"The crown at the surface, the leaves free; press the air out.",
		"They are hardened already: straight outdoors, or into an unheated house.",
	}}
	for _, row := range rescueOrder(s) {
		v.Groups = append(v.Groups, viewGroup(s, row))
	}
	for _, species := range s.Lib.AllSpecies() {
		for i := range species.Propagations {
			row := &species.Propagations[i]
			if row.Way == "volunteers" && row.IsAdvised() {
				v.Expected = append(v.Expected, u.expected(s, w, species, row)...)
			}
		}
	}
	return v, nil
}

// rescueOrder are the groups in the order to rescue them.
func rescueOrder(s *plot.State) (ordered []store.Volunteer) {
	var places []propagation.Rescue
	for _, row := range plot.Volunteers.Of(s) {
		worked, known := workedOn(s, row)
		if row.EndedOn != nil || !known && isWeed(s, row) {
			continue
		}
		wanted := float64(1)
		for _, wish := range wishes.Of(s) {
			if wish.SpeciesID == row.SpeciesID && wish.EndedOn == nil {
				wanted = 10
			}
		}
		places = append(
			places,
			propagation.Rescue{ID: row.ID, Worked: worked, Known: known, Plants: int(row.Plants), Worth: wanted},
		)
	}
	propagation.RescueOrder(places)
	for _, place := range places {
		row, _ := rowOf(plot.Volunteers.Of(s), place.ID, func(r store.Volunteer) int64 { return r.ID })
		ordered = append(ordered, row)
	}
	return ordered
}

// isWeed tells whether nobody wants more of what came up: no wish and no mother is known, and none of its kind was
// set. What is done with it stands under Spread.
func isWeed(s *plot.State, row store.Volunteer) bool {
	if row.MotherID != nil ||
		slices.ContainsFunc(s.Plantings, func(p *plot.Planting) bool { return p.SpeciesID == row.SpeciesID }) {
		return false
	}
	return !slices.ContainsFunc(
		wishes.Of(s),
		func(w store.Wish) bool { return w.SpeciesID == row.SpeciesID && w.EndedOn == nil },
	)
}

// workedOn is when a group's ground is worked: by its own note, or by the next work in its bed.
func workedOn(s *plot.State, row store.Volunteer) (calendar.Date, bool) {
	if day := dayOf(row.WorkedOn); day != plot.NoDay {
		return day, true
	}
	if row.BedID == nil {
		return 0, false
	}
	for _, work := range worksAhead(s) {
		if work.BedID == *row.BedID {
			return work.Day, true
		}
	}
	return 0, false
}

func viewGroup(s *plot.State, row store.Volunteer) VolunteerView {
	v := VolunteerView{
		ID: row.ID, SpeciesID: row.SpeciesID, Name: speciesName(s, row.SpeciesID), Where: volunteerPlace(s, row),
		Plants: int(row.Plants),
		Seen:   "seen " + view.DayWords(row.Day), Checked: row.Checked, Note: row.Note, Dangers: []VolunteerDangerView{},
	}
	if species, has := s.Lib.Species(row.SpeciesID); has {
		v.Dangers = view.NonNil(dangersOf(s, species))
	}
	v.State = "unproven: cut one and look at it first"
	if row.Checked == plot.VolunteerProved {
		v.State = "one was cut and looked at; each planting is checked again before use"
	}
	v.WorkedOn, v.Known = workedOn(s, row)
	v.Rescue = "no day is known on which their ground is worked"
	if v.Known {
		v.Rescue = "before the ground is worked on " + yearIfOther(s, v.WorkedOn)
	}
	return v
}

// expected tells how many volunteers are to be expected about the mothers that stand.
func (u *Uses) expected(
	s *plot.State,
	w *propagation.Weathers,
	species *flora.Species,
	row *flora.Propagation,
) (all []ExpectedView) {
	about := s.Lib.Bench().About
	for _, p := range mothersThatSeed(s, species) {
		if row.Gives == nil {
			continue
		}
		left := headsLeft(s, p)
		plants := max(1, p.Standing())
		low, middle, high := propagation.Expected(
			plants,
			row.Gives.Low,
			left,
		), propagation.Expected(
			plants,
			row.Gives.Value,
			left,
		),
			propagation.Expected(
				plants,
				row.Gives.High,
				left,
			)
		v := ExpectedView{
			SpeciesID: species.ID, Name: species.Names.Name, Where: p.Bed.Name, MotherID: p.ID,
			Number: fmt.Sprintf("about %.0f (%.0f to %.0f)", middle, low, high),
		}
		if left < 1 {
			v.Number += fmt.Sprintf("; %s of its heads were left", say.ShareWords(left))
		}
		if spans := monthSpans(w, row.Season); row.Season.Count() > 0 {
			for _, span := range spans {
				if w.Date(span.Last) >= s.Today {
					up := max(w.Index(s.Today), span.First)
					lift := w.Date(propagation.LargeEnough(w, up, s.Lib.Bench().Raising.LiftWarmth.Value))
					v.From = fmt.Sprintf(
						"come up from %s to %s; the first are large enough to lift about %s",
						yearIfOther(s, w.Date(up)),
						yearIfOther(s, w.Date(span.Last)),
						yearIfOther(s, lift),
					)
					break
				}
			}
		}
		if spread := seedSpread(species); spread != nil && spread.Reach != nil {
			if kernel, err := propagation.KernelOfReach(spread.Reach.Value, about.Within.Value, about.Shape.Value); err == nil {
				v.Reach = fmt.Sprintf(
					"half of them within %s of her, 8 in 10 within %s",
					s.Units.GroundLength(kernel.Distance(0.5)),
					s.Units.GroundLength(kernel.Distance(0.8)),
				)
			}
		}
		all = append(all, v)
	}
	return all
}

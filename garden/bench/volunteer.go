package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// What was found when one of a group of volunteers was cut and looked at.
const (
	checkedNot   = ""
	checkedYes   = "it is"
	checkedOther = "it is not"
)

// VolunteerInput is a group of seedlings that was seen.
type VolunteerInput struct {
	SpeciesID string `json:"speciesId"`
	MotherID  int64  `json:"motherId,omitempty" doc:"About which planting; 0 for none known"`
	BedID     int64  `json:"bedId,omitempty" doc:"In which bed; 0 for elsewhere"`
	Place     string `json:"place,omitempty" doc:"Where exactly"`
	Day       string `json:"day"`
	Plants    int    `json:"plants"`
	WorkedOn  string `json:"workedOn,omitempty" doc:"When the ground is dug or hoed; empty for not known"`
	Note      string `json:"note,omitempty"`
}

// NoteVolunteers notes seedlings that came up by themselves. They are unproven, whoever stands beside them.
func (u *Uses) NoteVolunteers(ctx context.Context, in VolunteerInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutVolunteerParams{
			SpeciesID: in.SpeciesID, Place: c.Text("place", in.Place, say.LongestNote), Day: in.Day, Plants: int64(in.Plants),
			Note: c.Text("note", in.Note, say.LongestNote), Checked: checkedNot,
		}
		if _, has := s.Lib.Species(in.SpeciesID); !has {
			c.Add("speciesId", "Choose a plant of the library: the one you take them for.")
		}
		if in.Plants < 1 || in.Plants > mostWanted {
			c.Add("plants", "Say about how many, from 1 to %d.", mostWanted)
		}
		input.ReadDay(s, &c, "day", in.Day)
		if in.MotherID != 0 {
			p, has := s.ByID[in.MotherID]
			switch {
			case !has:
				c.Add("motherId", "Choose a planting.")
			case p.SpeciesID != in.SpeciesID:
				c.Add("motherId", "%s is no mother of them.", say.Capital(p.Species.Names.Name))
			}
			row.MotherID = &in.MotherID
		}
		if in.BedID != 0 {
			if _, err := input.StandingBed(s, in.BedID); err != nil {
				c.Add("bedId", "Choose a bed that is on the plan.")
			}
			row.BedID = &in.BedID
		} else if row.Place == "" {
			c.Add("place", "Say where they stand, or in which bed.")
		}
		if in.WorkedOn != "" {
			if _, err := calendar.Parse(in.WorkedOn); err != nil {
				c.Add("workedOn", "This is not a whole day. Type one like 27 May 2031.")
			}
			row.WorkedOn = &in.WorkedOn
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := volunteersTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:     kindVolunteer,
			Bed:      row.BedID,
			Planting: row.MotherID,
			Summary: fmt.Sprintf("Saw about %s, taken for %s",
				say.Counted(float64(in.Plants), "volunteer", "volunteers"), speciesName(s, in.SpeciesID)),
		}, nil
	})
}

func volunteerParams(row store.Volunteer) store.PutVolunteerParams {
	return store.PutVolunteerParams{
		ID: &row.ID, SpeciesID: row.SpeciesID, MotherID: row.MotherID, BedID: row.BedID, Place: row.Place, Day: row.Day,
		Plants: row.Plants, WorkedOn: row.WorkedOn, Checked: row.Checked, CheckedOn: row.CheckedOn, Note: row.Note,
		EndedOn: row.EndedOn,
	}
}

func openVolunteers(s *plot.State, id int64) (store.Volunteer, error) {
	row, has := rowOf(volunteers.Of(s), id, func(r store.Volunteer) int64 { return r.ID })
	if !has || row.EndedOn != nil {
		return row, say.NotFoundError{What: "group of volunteers"}
	}
	return row, nil
}

// VolunteerCheckInput is what one of the group showed when it was cut.
type VolunteerCheckInput struct {
	Found string `json:"found" enum:"it is,it is not"`
	// Dangers are the dangerous plants that were excluded, each by its id: all that it can be
	// mistaken for.
	Dangers []string `json:"dangers" doc:"The dangerous look-alikes that were excluded, each by its id"`
}

// CheckVolunteers notes that one of a group was cut and looked at against every dangerous
// look-alike. It lets them be lifted; what is planted of them is unproven until its own check.
func (u *Uses) CheckVolunteers(ctx context.Context, id int64, in VolunteerCheckInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openVolunteers(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if in.Found != checkedYes && in.Found != checkedOther {
			c.Add("found", "Say whether it is what you took it for.")
		}
		species, has := s.Lib.Species(row.SpeciesID)
		if has && in.Found == checkedYes {
			for _, danger := range dangersOf(s, species) {
				if !slices.Contains(in.Dangers, danger.ID) {
					c.Add("dangers", "Look at it against %s (%s): %s", danger.Name, danger.Danger, danger.Decides)
				}
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.Checked, row.CheckedOn = in.Found, &today
		words := "are taken for it still"
		if in.Found == checkedOther {
			row.EndedOn = &today
			words = "are something else: leave them, or pull them"
		}
		_, err = volunteersTable.Put(ctx, d, id, volunteerParams(row))
		return journal.Record{
			Kind:     kindVolunteer,
			Bed:      row.BedID,
			Planting: row.MotherID,
			Summary: fmt.Sprintf("Cut one of the volunteers of %s: they %s",
				speciesName(s, row.SpeciesID), words),
		}, err
	})
}

// LeaveVolunteers takes a group off the list: they stay where they are, or are gone.
func (u *Uses) LeaveVolunteers(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := openVolunteers(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.EndedOn = &today
		_, err = volunteersTable.Put(ctx, d, id, volunteerParams(row))
		return journal.Record{Kind: kindVolunteer, Bed: row.BedID, Planting: row.MotherID,
			Summary: "Left the volunteers of " + speciesName(s, row.SpeciesID)}, err
	})
}

// VolunteerDangerView is a dangerous plant that a seedling may be.
type VolunteerDangerView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Danger  string `json:"danger"`
	Decides string `json:"decides"`
}

// dangersOf are the deadly and poisonous plants that a species is mistaken for, with what decides.
func dangersOf(s *plot.State, species *flora.Species) (dangers []VolunteerDangerView) {
	for _, l := range species.LookAlikes {
		if l.Danger != "deadly" && l.Danger != "poisonous" {
			continue
		}
		id := l.ID
		if id == "" {
			id = l.Name
		}
		decides := l.Decides
		if decides == "" {
			decides = "see its page"
		}
		dangers = append(dangers, VolunteerDangerView{id, l.Name, l.Danger, decides})
	}
	return dangers
}

// volunteerPlace says where a group stands.
func volunteerPlace(s *plot.State, row store.Volunteer) string {
	where := row.Place
	if row.BedID != nil {
		where = s.BedByID[*row.BedID].Name
		if row.Place != "" {
			where += ", " + row.Place
		}
	}
	return where
}

// seedSpread is how a species sheds its seed; nil where that is not on record.
func seedSpread(species *flora.Species) *flora.SpreadWay {
	for i := range species.Spreads {
		if species.Spreads[i].By == "seed" {
			return &species.Spreads[i]
		}
	}
	return nil
}

// mothersThatSeed are the plantings of a species old enough to have set seed last season.
func mothersThatSeed(s *plot.State, species *flora.Species) (mothers []*plot.Planting) {
	first := 1
	if f := species.Flowering.FirstYear; f != nil {
		first = int(f.Value)
	}
	if species.Life.Form == flora.Biennial {
		first = max(first, 2)
	}
	for _, p := range s.EverPlanted {
		if p.SpeciesID != species.ID || p.Aside {
			continue
		}
		if removed := dayOf(p.RemovedOn); removed != plot.NoDay && removed < s.Season.Start.AddDays(-yearDays/2) {
			continue // it did not stand when last season's seed fell
		}
		if s.YearOfLife(p, s.Season)-1 >= first || species.Life.Form == flora.Annual && p.Started < s.Season.Start {
			mothers = append(mothers, p)
		}
	}
	return mothers
}

// expectedAbout is how many volunteers worth lifting stand about the mothers here.
func expectedAbout(s *plot.State, species *flora.Species, row *flora.Propagation) float64 {
	if row.Gives == nil {
		return 0
	}
	sum := 0.0
	for _, p := range mothersThatSeed(s, species) {
		sum += propagation.Expected(max(1, p.Standing()), row.Gives.Value, headsLeft(s, p))
	}
	return sum
}

// headsLeft is the share of a planting's heads that were left to seed last season: less what was
// picked of flowers and seed.
func headsLeft(s *plot.State, p *plot.Planting) float64 {
	left := 1.0
	for _, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || day >= s.Season.Start || s.Season.Start.DaysSince(day) > 366 {
			continue
		}
		part, has := p.Species.Part(picking.Part)
		if has && (part.Kind == "flower" || part.Kind == "seed" || part.Kind == "fruit") {
			left -= picking.Share
		}
	}
	return max(0, left)
}

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

// BedWorkView is a day on which a bed is worked.
type BedWorkView struct {
	ID    int64         `json:"id"`
	BedID int64         `json:"bedId"`
	Bed   string        `json:"bed"`
	Day   calendar.Date `json:"day"`
	What  string        `json:"what"`
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
	for _, row := range volunteers.Of(s) {
		if row.EndedOn != nil {
			continue
		}
		worked, known := workedOn(s, row)
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
		row, _ := rowOf(volunteers.Of(s), place.ID, func(r store.Volunteer) int64 { return r.ID })
		ordered = append(ordered, row)
	}
	return ordered
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

// worksAhead are the days to come on which beds are worked.
func worksAhead(s *plot.State) []BedWorkView {
	ahead := []BedWorkView{}
	for _, work := range bedWorks.Of(s) {
		if day := dayOf(&work.Day); work.RemovedOn == nil && day != plot.NoDay && day >= s.Today {
			ahead = append(ahead, BedWorkView{work.ID, work.BedID, s.BedByID[work.BedID].Name, day, work.What})
		}
	}
	return ahead
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
	if row.Checked == checkedYes {
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

// BedWorkInput is a day on which a bed is worked.
type BedWorkInput struct {
	BedID int64  `json:"bedId"`
	Day   string `json:"day"`
	What  string `json:"what"`
}

// PlanBedWork notes when a bed is dug, tilled or hoed: what stands there is rescued before it.
func (u *Uses) PlanBedWork(ctx context.Context, in BedWorkInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		bed, err := input.StandingBed(s, in.BedID)
		if err != nil {
			c.Add("bedId", "Choose a bed that is on the plan.")
		}
		day, err := calendar.Parse(in.Day)
		if err != nil {
			c.Add("day", "This is not a whole day. Type one like 27 May 2031.")
		} else if day < s.Today {
			c.Add("day", "%s is past.", day.DayMonthYear())
		}
		what := c.Name("what", in.What)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err = bedWorksTable.Put(ctx, d, 0, store.PutBedWorkParams{BedID: in.BedID, Day: day.String(), What: what})
		return journal.Record{
			Kind:    kindBench,
			Bed:     &in.BedID,
			Summary: fmt.Sprintf("%s is to be worked on %s: %s", bed.Name, day.DayMonth(), what),
		}, err
	})
}

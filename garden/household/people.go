package household

import (
	"context"
	"encoding/json"
	"fmt"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// PersonView is someone of the household, with what cautions are for.
type PersonView struct {
	ID            int64       `json:"id"`
	Version       say.Version `json:"version"`
	Name          string      `json:"name"`
	Born          string      `json:"born" doc:"The day, or empty where it is not told"`
	Circumstances []string    `json:"circumstances"`
	Words         string      `json:"words" doc:"The circumstances and the age, in words"`
	Note          string      `json:"note"`
}

// HouseholdView is everyone of the household, and what there is to tick.
type HouseholdView struct {
	People        []PersonView            `json:"people"`
	Circumstances []view.CircumstanceView `json:"circumstances"`
}

// PersonInput is someone of the household as written.
type PersonInput struct {
	Name          string   `json:"name"`
	Born          string   `json:"born,omitempty" doc:"YYYY-MM-DD; cautions for children go by it"`
	Circumstances []string `json:"circumstances"`
	Note          string   `json:"note,omitempty"`
}

// Household returns everyone of the household.
func (u *Uses) Household(ctx context.Context) (HouseholdView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return HouseholdView{}, err
	}
	v := HouseholdView{People: []PersonView{}, Circumstances: []view.CircumstanceView{}}
	for _, c := range flora.Circumstances() {
		if c.Ask != "" {
			v.Circumstances = append(v.Circumstances, view.CircumstanceView{ID: c.ID, Ask: c.Ask})
		}
	}
	for _, row := range s.StandingPeople() {
		v.People = append(v.People, viewPerson(s, row))
	}
	return v, nil
}

func viewPerson(s *plot.State, row store.Person) PersonView {
	v := PersonView{
		ID:            row.ID,
		Version:       say.VersionOf(row),
		Name:          row.Name,
		Note:          row.Note,
		Circumstances: view.NonNil(plot.Ticked(row)),
	}
	var words []string
	if row.Born != nil {
		v.Born = *row.Born
		if age, told := s.AgeOf(row); told {
			words = append(words, say.Counted(float64(age), "year old", "years old"))
		}
	}
	for _, id := range v.Circumstances {
		if c, has := flora.CircumstanceOf(id); has {
			words = append(words, c.Name)
		}
	}
	v.Words = strings.Join(words, ", ")
	return v
}

// PutPerson notes someone of the household; id 0 is someone new, and nobody was seen before.
func (u *Uses) PutPerson(ctx context.Context, id int64, seen say.Version, in PersonInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if id != 0 {
			person, err := person(s, id)
			if err != nil {
				return journal.Record{}, err
			}
			if err := seen.IsOf(say.VersionOf(person), "what is noted of "+person.Name); err != nil {
				return journal.Record{}, err
			}
		}
		var c say.Checklist
		row := store.PutPersonParams{Name: c.Name("name", in.Name), Note: c.Text("note", in.Note, say.LongestNote)}
		if row.Name == "" {
			c.Add("name", "Write a name.")
		}
		for _, other := range s.StandingPeople() {
			if other.ID != id && spelling.SamePerson(other.Name, row.Name) {
				c.Add("name", "%s is in the household already.", other.Name)
			}
		}
		if in.Born != "" {
			input.ReadDayWithin(s, &c, "born", in.Born, 130*366)
			row.Born = &in.Born
		}
		for _, id := range in.Circumstances {
			if known, has := flora.CircumstanceOf(id); !has || known.Ask == "" {
				c.Add("circumstances", "%q is not one of the circumstances.", id)
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		circumstances, err := json.Marshal(view.NonNil(in.Circumstances))
		if err != nil {
			return journal.Record{}, err
		}
		row.Circumstances = string(circumstances)
		verb := "Added %s to the household"
		if id != 0 {
			row.ID, verb = &id, "Changed what is noted of %s"
		}
		if _, err := peopleTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: "household", Summary: fmt.Sprintf(verb, row.Name)}, nil
	})
}

// RemovePerson takes someone off the household.
func (u *Uses) RemovePerson(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		person, err := person(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row := store.PutPersonParams{
			ID:            &id,
			Name:          person.Name,
			Born:          person.Born,
			Circumstances: person.Circumstances,
			Note:          person.Note,
			RemovedOn:     &today,
		}
		if _, err := peopleTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: "household", Summary: "Took " + person.Name + " off the household"}, nil
	})
}

func person(s *plot.State, id int64) (store.Person, error) {
	for _, p := range s.StandingPeople() {
		if p.ID == id {
			return p, nil
		}
	}
	return store.Person{}, say.NotFoundError{What: "person"}
}

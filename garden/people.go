package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/store"
)

// PersonView is someone of the household, with what cautions are for.
type PersonView struct {
	ID            int64    `json:"id"`
	Version       Version  `json:"version"`
	Name          string   `json:"name"`
	Born          string   `json:"born" doc:"The day, or empty where it is not told"`
	Circumstances []string `json:"circumstances"`
	Words         string   `json:"words" doc:"The circumstances and the age, in words"`
	Note          string   `json:"note"`
}

// HouseholdView is everyone of the household, and what there is to tick.
type HouseholdView struct {
	People        []PersonView       `json:"people"`
	Circumstances []CircumstanceView `json:"circumstances"`
}

// CircumstanceView is a circumstance to tick.
type CircumstanceView struct {
	ID  string `json:"id"`
	Ask string `json:"ask"`
}

// PersonInput is someone of the household as written.
type PersonInput struct {
	Name          string   `json:"name"`
	Born          string   `json:"born,omitempty" doc:"YYYY-MM-DD; cautions for children go by it"`
	Circumstances []string `json:"circumstances"`
	Note          string   `json:"note,omitempty"`
}

// Household returns everyone of the household.
func (g *Garden) Household(ctx context.Context) (HouseholdView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return HouseholdView{}, err
	}
	v := HouseholdView{People: []PersonView{}, Circumstances: []CircumstanceView{}}
	for _, c := range flora.Circumstances() {
		if c.Ask != "" {
			v.Circumstances = append(v.Circumstances, CircumstanceView{c.ID, c.Ask})
		}
	}
	for _, row := range s.standingPeople() {
		v.People = append(v.People, s.viewPerson(row))
	}
	return v, nil
}

func (s *state) viewPerson(row store.Person) PersonView {
	v := PersonView{ID: row.ID, Version: versionOf(row), Name: row.Name, Note: row.Note, Circumstances: nonNil(ticked(row))}
	var words []string
	if row.Born != nil {
		v.Born = *row.Born
		if age, told := s.ageOf(row); told {
			words = append(words, counted(float64(age), "year old", "years old"))
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

func (s *state) standingPeople() []store.Person {
	return slices.DeleteFunc(slices.Clone(s.people), func(p store.Person) bool { return p.RemovedOn != nil })
}

// ticked are the circumstances that were ticked for a person.
func ticked(row store.Person) (ids []string) {
	if json.Unmarshal([]byte(row.Circumstances), &ids) != nil {
		return nil
	}
	return ids
}

// ageOf is a person's age in whole years today, and whether it is told.
func (s *state) ageOf(row store.Person) (years int, told bool) {
	if row.Born == nil {
		return 0, false
	}
	born, err := calendar.Parse(*row.Born)
	if err != nil {
		return 0, false
	}
	years = s.today.Year() - born.Year()
	if s.today.Month() < born.Month() || s.today.Month() == born.Month() && s.today.Day() < born.Day() {
		years--
	}
	return years, true
}

// circumstancesOf are all of a person's circumstances, those of age among them.
func (s *state) circumstancesOf(row store.Person) []string {
	all := ticked(row)
	if age, told := s.ageOf(row); told {
		all = append(all, flora.CircumstancesOfAge(age)...)
	}
	return all
}

// PutPerson notes someone of the household; id 0 is someone new, and nobody was seen before.
func (g *Garden) PutPerson(ctx context.Context, id int64, seen Version, in PersonInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		if id != 0 {
			person, err := s.person(id)
			if err != nil {
				return record{}, err
			}
			if err := seen.isOf(versionOf(person), "what is noted of "+person.Name); err != nil {
				return record{}, err
			}
		}
		var c checklist
		row := store.PutPersonParams{Name: c.name("name", in.Name), Note: c.text("note", in.Note, longestNote)}
		if row.Name == "" {
			c.add("name", "Write a name.")
		}
		for _, other := range s.standingPeople() {
			if other.ID != id && spelling.SamePerson(other.Name, row.Name) {
				c.add("name", "%s is in the household already.", other.Name)
			}
		}
		if in.Born != "" {
			born, err := calendar.Parse(in.Born)
			switch {
			case err != nil:
				c.addError("born", err)
			case born > s.today:
				c.add("born", "%s has not come yet.", in.Born)
			case born < s.today.AddDays(-130*366):
				c.add("born", "%s is too long ago.", in.Born)
			}
			row.Born = &in.Born
		}
		for _, id := range in.Circumstances {
			if known, has := flora.CircumstanceOf(id); !has || known.Ask == "" {
				c.add("circumstances", "%q is not one of the circumstances.", id)
			}
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		circumstances, err := json.Marshal(nonNil(in.Circumstances))
		if err != nil {
			return record{}, err
		}
		row.Circumstances = string(circumstances)
		verb := "Added %s to the household"
		if id != 0 {
			row.ID, verb = &id, "Changed what is noted of %s"
		}
		if _, err := peopleTable.Put(ctx, d, id, row); err != nil {
			return record{}, err
		}
		return record{kind: "household", summary: fmt.Sprintf(verb, row.Name)}, nil
	})
}

// RemovePerson takes someone off the household.
func (g *Garden) RemovePerson(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		person, err := s.person(id)
		if err != nil {
			return record{}, err
		}
		today := s.today.String()
		row := store.PutPersonParams{ID: &id, Name: person.Name, Born: person.Born, Circumstances: person.Circumstances, Note: person.Note, RemovedOn: &today}
		if _, err := peopleTable.Put(ctx, d, id, row); err != nil {
			return record{}, err
		}
		return record{kind: "household", summary: "Took " + person.Name + " off the household"}, nil
	})
}

func (s *state) person(id int64) (store.Person, error) {
	for _, p := range s.standingPeople() {
		if p.ID == id {
			return p, nil
		}
	}
	return store.Person{}, NotFoundError{"person"}
}

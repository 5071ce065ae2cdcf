package plot

import (
	"encoding/json"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/store"
)

// StandingPeople are those who belong to the household today.
func (s *State) StandingPeople() []store.Person {
	return slices.DeleteFunc(slices.Clone(s.People), func(p store.Person) bool { return p.RemovedOn != nil })
}

// Ticked are the circumstances that were ticked for a person.
func Ticked(row store.Person) (ids []string) {
	if json.Unmarshal([]byte(row.Circumstances), &ids) != nil {
		return nil
	}
	return ids
}

// AgeOf is a person's age in whole years today, and whether it is told.
func (s *State) AgeOf(row store.Person) (years int, told bool) {
	if row.Born == nil {
		return 0, false
	}
	born, err := calendar.Parse(*row.Born)
	if err != nil {
		return 0, false
	}
	years = s.Today.Year() - born.Year()
	if s.Today.Month() < born.Month() || s.Today.Month() == born.Month() && s.Today.Day() < born.Day() {
		years--
	}
	return years, true
}

// CircumstancesOf are all of a person's circumstances, those of age among them.
func (s *State) CircumstancesOf(row store.Person) []string {
	all := Ticked(row)
	if age, told := s.AgeOf(row); told {
		all = append(all, flora.CircumstancesOfAge(age)...)
	}
	return all
}

package gather

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

var firstTastesTable = journal.NewTable(
	"first_tastes",
	(*store.Queries).GetFirstTaste,
	(*store.Queries).PutFirstTaste,
	(*store.Queries).DropFirstTaste,
)

// firstTastes are who was told to begin with a little, of which part.
var firstTastes = plot.Keep(
	firstTastesTable,
	(*store.Queries).ListFirstTastes,
	func(r store.FirstTaste) int64 { return r.ID },
	func(a, b store.FirstTaste) int { return cmp.Compare(a.ID, b.ID) },
)

// FirstTasteView is someone of the household before a part that is taken by mouth.
type FirstTasteView struct {
	PersonID int64  `json:"personId"`
	Name     string `json:"name"`
	Said     bool   `json:"said" doc:"It was said to them: a little first"`
	Words    string `json:"words" doc:"What is said, or when it was"`
}

// FirstTasteInput is that someone takes a part by mouth for the first time, and was told.
type FirstTasteInput struct {
	PersonID  int64  `json:"personId"`
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
}

// byMouth tells whether a part may be taken by mouth: into anything but a bath, a salve or an oil for outside.
func byMouth(part flora.Part) bool {
	return slices.ContainsFunc(part.Preparations(), func(made string) bool {
		return !slices.Contains([]string{"bath", "salve", "infused oil"}, made)
	})
}

// firstTastesOf are all of the household before a part.
func firstTastesOf(s *plot.State, speciesID, part string) []FirstTasteView {
	views := []FirstTasteView{}
	species, has := s.Lib.Species(speciesID)
	if !has {
		return views
	}
	rows := firstTastes.Of(s)
	for _, person := range s.StandingPeople() {
		v := FirstTasteView{PersonID: person.ID, Name: person.Name, Words: fmt.Sprintf(
			"%s has not had %s yet, by what is noted: a little first, and wait. At anything unusual stop, and ask a doctor or pharmacist.",
			person.Name,
			say.PartOf(species.Names.Name, part),
		)}
		at := slices.IndexFunc(rows, func(r store.FirstTaste) bool {
			return r.PersonID == person.ID && r.SpeciesID == speciesID && r.Part == part
		})
		if at >= 0 {
			v.Said, v.Words = true, "said on "+rows[at].Day
		}
		views = append(views, v)
	}
	return views
}

// TellFirst notes that someone was told to begin with a little of a part.
func (u *Uses) TellFirst(ctx context.Context, in FirstTasteInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		people := s.StandingPeople()
		at := slices.IndexFunc(people, func(p store.Person) bool { return p.ID == in.PersonID })
		if at < 0 {
			return journal.Record{}, say.NotFoundError{What: "person"}
		}
		species, has := s.Lib.Species(in.SpeciesID)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plant"}
		}
		part, has := species.Part(in.Part)
		if !has || !byMouth(part) {
			return journal.Record{}, say.Faults{{Field: "part", Message: fmt.Sprintf(
				"%s %s is not taken by mouth.", say.Capital(species.Names.Name), in.Part)}}
		}
		for _, one := range firstTastesOf(s, in.SpeciesID, in.Part) {
			if one.PersonID == in.PersonID && one.Said {
				return journal.Record{}, say.ConflictError{Why: one.Name + " was told already."}
			}
		}
		_, err := firstTastesTable.Put(ctx, d, 0, store.PutFirstTasteParams{
			PersonID: in.PersonID, SpeciesID: in.SpeciesID, Part: in.Part, Day: s.Today.String(),
		})
		return journal.Record{Kind: "first taste", Summary: fmt.Sprintf(
			"Said to %s: a little of %s first", people[at].Name, say.PartOf(species.Names.Name, in.Part))}, err
	})
}

// pickedWords are where a picking was taken, what was left and in which weather.
func pickedWords(picking store.Picking) string {
	words := ""
	for _, one := range []struct{ before, text string }{
		{"taken ", picking.WhereOn}, {"left ", picking.LeftWords}, {"", picking.Weather},
	} {
		if one.text == "" {
			continue
		}
		if words != "" {
			words += ", "
		}
		words += one.before + one.text
	}
	return words
}

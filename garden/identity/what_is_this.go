package identity

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// WhatIsThisView narrows down what a plant can be from what was seen of it.
type WhatIsThisView struct {
	Candidates []CandidateView      `json:"candidates" doc:"What it can be, as far as it goes; the likest first"`
	Dangers    []CandidateView      `json:"dangers" doc:"Deadly and poisonous plants not ruled out: up to two contradictions may be misreadings"`
	All        int                  `json:"all" doc:"How many plants are on record"`
	Harmless   int                  `json:"harmless" doc:"How many of those left are neither deadly nor poisonous"`
	Left       int                  `json:"left" doc:"How many are left"`
	Next       []view.CharacterView `json:"next" doc:"The characters that tell most, weighed by danger, the best first"`
	Words      string               `json:"words"`
}

// CandidateView is a plant that it can be.
type CandidateView struct {
	ID        string   `json:"id"`
	Name      string   `json:"name"`
	Botanical string   `json:"botanical"`
	Danger    string   `json:"danger"`
	Used      bool     `json:"used" doc:"It can be checked as this; a plant that is never used has no check"`
	Agrees    int      `json:"agrees"`
	Against   []string `json:"against" doc:"What speaks against it"`
}

const (
	mostCandidates = 8
	mostNext       = 4
)

// Characters lists the whole vocabulary.
func (u *Uses) Characters() []view.CharacterView {
	views := []view.CharacterView{}
	for _, c := range identity.Vocabulary() {
		views = append(views, view.ViewCharacter(c, 0))
	}
	return views
}

// WhatIsThis narrows the plants on record down by what was seen, one state by character.
// skipped are characters that cannot be told. It ends in plants to be checked, never in
// one to be eaten.
func (u *Uses) WhatIsThis(ctx context.Context, seen map[string]string, skipped []string) (WhatIsThisView, error) {
	var c say.Checklist
	for id, state := range seen {
		character, has := identity.CharacterOf(id)
		if !has {
			c.Add("seen", "%q is no character.", id)
		} else if _, has := character.State(state); !has {
			c.Add("seen", "%q is no state of %s.", state, character.Name)
		}
	}
	if err := c.Err(); err != nil {
		return WhatIsThisView{}, err
	}
	if _, err := u.plot.State(ctx); err != nil { // own plants take part
		return WhatIsThisView{}, err
	}
	catalogue := u.plot.Lib().Catalogue()
	found := catalogue.Find(seen)
	v := WhatIsThisView{
		Candidates: []CandidateView{},
		Dangers:    []CandidateView{},
		All:        len(u.plot.Lib().AllSpecies()),
		Left:       len(found),
		Next:       []view.CharacterView{},
	}
	for _, candidate := range found {
		view := viewCandidate(candidate)
		if flora.IsDangerous(view.Danger) {
			v.Dangers = append(v.Dangers, view)
		} else {
			v.Candidates = append(v.Candidates, view)
		}
	}
	slices.SortStableFunc(v.Candidates, func(a, b CandidateView) int {
		return cmp.Or(cmp.Compare(b.Agrees, a.Agrees), cmp.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)))
	})
	v.Harmless = len(v.Candidates)
	v.Candidates = v.Candidates[:min(len(v.Candidates), mostCandidates)]
	looked := map[string]bool{}
	for id := range seen {
		looked[id] = true
	}
	for _, id := range skipped {
		looked[id] = true
	}
	for _, worth := range catalogue.Next(found, looked, func(identity.Character) bool { return true }) {
		if len(v.Next) == mostNext {
			break
		}
		v.Next = append(v.Next, view.ViewCharacter(worth.Character, worth.Bits))
	}
	v.Words = whatWords(v, len(seen))
	return v, nil
}

func viewCandidate(candidate identity.Candidate) CandidateView {
	s := candidate.Species
	v := CandidateView{
		ID:        s.ID,
		Name:      s.Names.Name,
		Botanical: s.Names.Botanical,
		Danger:    s.Identity.Danger,
		Used:      s.IsUsed(),
		Agrees:    len(candidate.Agrees),
		Against:   []string{},
	}
	for _, id := range candidate.Against {
		character, _ := identity.CharacterOf(id)
		v.Against = append(v.Against, character.Name)
	}
	return v
}

// whatWords say how far it goes. They never say that it is a plant, or fit for use.
func whatWords(v WhatIsThisView, seen int) string {
	switch {
	case seen == 0:
		return fmt.Sprintf("%d plants are on record. Start with what you see.", v.All)
	case v.Left == 0:
		return "Nothing on record shows all of this. It may be a plant that is not here, or something was misread. It is not for use."
	case v.Harmless == 0:
		return "Only dangerous plants are left. Leave it, and wash your hands."
	case v.Harmless == 1:
		return fmt.Sprintf(
			"To be checked as %s. That is no proof: the check has to rule out %s.",
			v.Candidates[0].Name,
			dangersWords(v.Dangers),
		)
	}
	return fmt.Sprintf(
		"It can still be %s, %d of them dangerous.",
		say.Counted(float64(v.Left), "plant on record", "plants on record"),
		len(v.Dangers),
	)
}

func dangersWords(dangers []CandidateView) string {
	if len(dangers) == 0 {
		return "every dangerous plant"
	}
	return dangers[0].Name + " and every other dangerous plant"
}

// FindInput is a plant that was found and is to be checked as a species.
type FindInput struct {
	Day       string            `json:"day"`
	Place     string            `json:"place" doc:"Where it stands"`
	SpeciesID string            `json:"speciesId" doc:"What it is to be checked as"`
	Seen      map[string]string `json:"seen" doc:"What was seen, a state by character"`
	Note      string            `json:"note,omitempty"`
}

// FindView is a find with where its check stands.
type FindView struct {
	ID        int64  `json:"id"`
	Day       string `json:"day"`
	Place     string `json:"place"`
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	State     string `json:"state"`
	Proof     string `json:"proof"`
	Note      string `json:"note"`
}

// Finds returns the finds that are kept, the newest first.
func (u *Uses) Finds(ctx context.Context) ([]FindView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	views := []FindView{}
	for _, f := range slices.Backward(s.Finds) {
		rules := s.Lib.Rules(f.SpeciesID)
		if f.RemovedOn != nil || rules == nil {
			continue
		}
		finding := rules.Judge(plot.AsCore(s.FindLook[f.ID]), false)
		views = append(
			views,
			FindView{
				f.ID,
				f.Day,
				f.Place,
				f.SpeciesID,
				rules.Species.Names.Name,
				string(finding.State),
				view.ProofWords(s, rules, finding, s.FindLook[f.ID], false),
				f.Note,
			},
		)
	}
	return views, nil
}

// AddFind notes a find, unproven, to be checked as a species.
func (u *Uses) AddFind(ctx context.Context, in FindInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := storeFind(&c, s, in)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := findsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		species, _ := s.Lib.Species(in.SpeciesID)
		return journal.Record{
			Kind:    "find",
			Summary: fmt.Sprintf("Found a plant, %s, to be checked as %s", row.Place, species.Names.Name),
		}, nil
	})
}

// RemoveFind takes a find off the list.
func (u *Uses) RemoveFind(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		f, err := find(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row := findParams(f)
		row.RemovedOn = &today
		if _, err := findsTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: "find", Summary: "Took a find off the list: " + f.Place}, nil
	})
}

// CheckFind returns the identity check of a find on a day.
func (u *Uses) CheckFind(ctx context.Context, id int64, on calendar.Date, by string) (CheckView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return CheckView{}, err
	}
	f, err := find(s, id)
	if err != nil {
		return CheckView{}, err
	}
	rules := s.Lib.Rules(f.SpeciesID)
	forecast, err := s.Typical(rules.Species, rules.Species.FullGrownYear())
	if err != nil {
		return CheckView{}, err
	}
	v := viewCheck(s, rules, s.FindLook[id], false, forecast, s.ThisSeason(on), by)
	v.FindID, v.Where = id, f.Place
	return v, nil
}

// NoteFindLook notes a look at a find's characters.
func (u *Uses) NoteFindLook(ctx context.Context, id int64, in LookInput) (journal.Entry, error) {
	sent, err := in.sending("find look", id)
	if err != nil {
		return journal.Entry{}, err
	}
	return u.plot.ChangeOnce(ctx, sent, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		f, err := find(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := in.Sight.IsOf(u.plot, s.Lib.Rules(f.SpeciesID), in.Answers); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := readLookDay(s, &c, in)
		if found, err := calendar.Parse(f.Day); err == nil && day < found {
			c.Add("day", "It was only found on %s.", found)
		}
		rules := s.Lib.Rules(f.SpeciesID)
		forecast, err := s.Typical(rules.Species, rules.Species.FullGrownYear())
		if err != nil {
			return journal.Record{}, err
		}
		row, err := readLook(ctx, s, d, &c, rules, forecast, day, in)
		if err != nil {
			return journal.Record{}, err
		}
		row.FindID = &id
		if _, err := LooksTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		before := rules.Judge(plot.AsCore(s.FindLook[id]), false)
		after := rules.Judge(append(plot.AsCore(s.FindLook[id]), coreLook(day, in)), false)
		return journal.Record{
			Kind:    "check",
			Summary: lookSummary(rules.Species.Names.Name, f.Place, before.State, after.State, len(in.Answers)),
		}, nil
	})
}

package practice

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/practice"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// PracticeView lists the pairs to be told apart, those of the grower's own plot first.
type PracticeView struct {
	Pairs []PairView `json:"pairs"`
	Due   int        `json:"due" doc:"How many are due today"`
	Words string     `json:"words"`
}

// PairView is a pair with how well it is told.
type PairView struct {
	SpeciesID string `json:"speciesId"`
	OtherID   string `json:"otherId"`
	Name      string `json:"name"`
	Other     string `json:"other"`
	Danger    string `json:"danger"`
	Here      bool   `json:"here" doc:"The plant stands on the plot"`
	Box       int    `json:"box" doc:"1 to 6; 0 for one never tried"`
	Boxes     int    `json:"boxes"`
	Tries     int    `json:"tries"`
	Correct   int    `json:"correct"`
	Deadly    int    `json:"deadly" doc:"How often a dangerous plant was taken for it"`
	Due       bool   `json:"due"`
	When      string `json:"when" doc:"When it comes back"`
}

// SpecimenView is a specimen to be told: what can be looked at, and nothing of the answer.
type SpecimenView struct {
	SpeciesID   string               `json:"speciesId"`
	OtherID     string               `json:"otherId"`
	Name        string               `json:"name"`
	Botanical   string               `json:"botanical"`
	Other       string               `json:"other"`
	Danger      string               `json:"danger"`
	Seed        uint64               `json:"seed"`
	Stage       flora.Stage          `json:"stage"`
	Inspectable []view.CharacterView `json:"inspectable"`
}

// LookAtView is one character of the specimen, as it is.
type LookAtView struct {
	ID    string         `json:"id"`
	Shows view.StateView `json:"shows"`
	Told  bool           `json:"told" doc:"False where this one does not show it"`
}

// DecisionInput is a decision on a specimen.
type DecisionInput struct {
	SpeciesID string   `json:"speciesId"`
	OtherID   string   `json:"otherId"`
	Seed      uint64   `json:"seed"`
	Looked    []string `json:"looked" doc:"The characters that were looked at"`
	Decision  string   `json:"decision" enum:"it is,it is not,cannot tell"`
}

// DecisionView is what a decision amounts to.
type DecisionView struct {
	Outcome string           `json:"outcome" enum:"right,wrong,dangerous,unsure"`
	Words   string           `json:"words"`
	Truth   string           `json:"-"`
	Decided []view.CheckSeen `json:"decided" doc:"The looked-at characters that decide, with what each plant shows"`
	Expert  []view.CheckSeen `json:"expert" doc:"How an expert would have looked"`
	Pair    PairView         `json:"pair"`
}

// Practice lists the pairs: due ones first, of those the ones of the grower's own plot,
// then the most dangerous.
func (u *Uses) Practice(ctx context.Context) (PracticeView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return PracticeView{}, err
	}
	v := PracticeView{Pairs: []PairView{}}
	for _, pair := range practice.Pairs(s.Lib.AllSpecies()) {
		known, row := card(s, pair.Species.ID, pair.Other.ID)
		view := viewPair(s, pair, known, row != nil)
		if view.Due {
			v.Due++
		}
		v.Pairs = append(v.Pairs, view)
	}
	slices.SortStableFunc(v.Pairs, func(a, b PairView) int {
		return cmp.Or(
			-say.CompareBools(a.Due, b.Due),
			-say.CompareBools(a.Here, b.Here),
			cmp.Compare(
				slices.Index(flora.DangerWords, a.Danger),
				slices.Index(flora.DangerWords, b.Danger),
			),
			cmp.Compare(a.Box, b.Box),
		)
	})
	v.Words = fmt.Sprintf(
		"%s due of %s. A pair told right moves one box on and comes back later; one told wrong starts again (boxes after Leitner, 1972).",
		say.Counted(float64(v.Due), "pair is", "pairs are"),
		say.Counted(float64(len(v.Pairs)), "pair", "pairs"),
	)
	return v, nil
}

func viewPair(s *plot.State, pair practice.Pair, card practice.Card, tried bool) PairView {
	v := PairView{
		SpeciesID: pair.Species.ID,
		OtherID:   pair.Other.ID,
		Name:      pair.Species.Names.Name,
		Other:     pair.Other.Names.Name,
		Danger:    pair.Other.Identity.Danger,
		Here: view.HereWords(
			s,
			pair.Species.ID,
		) != "",
		Boxes:   practice.Boxes,
		Tries:   card.Tries,
		Correct: card.Correct,
		Deadly:  card.Deadly,
		Due:     card.Due <= s.Today,
	}
	if tried {
		v.Box = card.Box
	}
	v.When = "now"
	if !v.Due {
		v.When = "back on " + card.Due.DayMonth()
	}
	return v
}

// card is how well a pair is told, and its row; nil where it was never tried.
func card(s *plot.State, speciesID, otherID string) (practice.Card, *store.Practice) {
	for _, row := range cards.Of(s) {
		if row.SpeciesID == speciesID && row.OtherID == otherID {
			due, err := calendar.Parse(row.Due)
			if err != nil {
				due = s.Today
			}
			return practice.Card{
				Box:     int(row.Box),
				Due:     due,
				Tries:   int(row.Tries),
				Correct: int(row.Correct),
				Deadly:  int(row.Deadly),
			}, &row
		}
	}
	return practice.New(s.Today), nil
}

// Round is one specimen to be told, made from a seed.
func Round(s *plot.State, speciesID, otherID string, seed uint64) (practice.Round, error) {
	for _, pair := range practice.Pairs(s.Lib.AllSpecies()) {
		if pair.Species.ID == speciesID && pair.Other.ID == otherID {
			return practice.NewRound(pair.Species, pair.Other, seed)
		}
	}
	return practice.Round{}, say.NotFoundError{What: "pair"}
}

// PracticeRound returns a specimen to be told.
func (u *Uses) PracticeRound(ctx context.Context, speciesID, otherID string, seed uint64) (SpecimenView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SpecimenView{}, err
	}
	r, err := Round(s, speciesID, otherID, seed)
	if err != nil {
		return SpecimenView{}, err
	}
	v := SpecimenView{
		SpeciesID:   speciesID,
		OtherID:     otherID,
		Name:        r.Species.Names.Name,
		Botanical:   r.Species.Names.Botanical,
		Other:       r.Other.Names.Name,
		Danger:      r.Other.Identity.Danger,
		Seed:        seed,
		Stage:       r.Stage,
		Inspectable: []view.CharacterView{},
	}
	for _, id := range r.Inspectable() {
		character, _ := identity.CharacterOf(id)
		asked := view.ViewCharacter(character, 0)
		asked.States = []view.StateView{} // they would give the look away
		v.Inspectable = append(v.Inspectable, asked)
	}
	return v, nil
}

// PracticeLook returns what one character of the specimen is.
func (u *Uses) PracticeLook(
	ctx context.Context,
	speciesID, otherID string,
	seed uint64,
	id string,
) (LookAtView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return LookAtView{}, err
	}
	r, err := Round(s, speciesID, otherID, seed)
	if err != nil {
		return LookAtView{}, err
	}
	character, has := identity.CharacterOf(id)
	if !has || !slices.Contains(r.Inspectable(), id) {
		return LookAtView{}, say.NotFoundError{What: "character of this specimen"}
	}
	state, told := character.State(r.Specimen[id])
	return LookAtView{id, view.StateView{ID: state.ID, Words: state.Words}, told}, nil
}

// Decide judges a decision on a specimen, and notes when the pair comes back.
func (u *Uses) Decide(ctx context.Context, in DecisionInput) (DecisionView, error) {
	decision, err := practice.ParseDecision(in.Decision)
	if err != nil {
		return DecisionView{}, say.Faults{{Field: "decision", Message: say.Sentence(err.Error())}}
	}
	var v DecisionView
	_, err = u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		r, err := Round(s, in.SpeciesID, in.OtherID, in.Seed)
		if err != nil {
			return journal.Record{}, err
		}
		answer := r.Judge(in.Looked, decision)
		card, row := card(s, in.SpeciesID, in.OtherID)
		card = card.After(answer.Outcome, s.Today)
		params := store.PutPracticeParams{
			SpeciesID: in.SpeciesID,
			OtherID:   in.OtherID,
			Box:       int64(card.Box),
			Due:       card.Due.String(),
			Tries:     int64(card.Tries),
			Correct:   int64(card.Correct),
			Deadly:    int64(card.Deadly),
			Last:      s.Today.String(),
		}
		id := int64(0)
		if row != nil {
			params.ID, id = &row.ID, row.ID
		}
		_, err = practiceTable.Put(ctx, d, id, params)
		if err != nil {
			return journal.Record{}, err
		}
		v = viewDecision(r, answer)
		v.Pair = viewPair(s, practice.Pair{Species: r.Species, Other: r.Other}, card, true)
		return journal.Record{
			Kind:    "practice",
			Summary: fmt.Sprintf("Practised %s against %s: %s", r.Species.Names.Name, r.Other.Names.Name, answer.Outcome),
		}, nil
	})
	return v, err
}

func viewDecision(r practice.Round, a practice.Answer) DecisionView {
	v := DecisionView{
		Outcome: string(a.Outcome),
		Truth:   r.Other.Names.Name,
		Decided: []view.CheckSeen{},
		Expert:  []view.CheckSeen{},
	}
	if r.Truth {
		v.Truth = r.Species.Names.Name
	}
	pairView := func(id string) view.CheckSeen {
		character, _ := identity.CharacterOf(id)
		state, _ := character.State(r.Specimen[id])
		words := func(s *flora.Species) string {
			shows := ""
			for i, id := range s.Identity.Shows[id] {
				state, _ := character.State(id)
				if i > 0 {
					shows += " "
				}
				shows += state.Words
			}
			return shows
		}
		return view.CheckSeen{
			ID:    id,
			Name:  character.Name,
			Shows: []view.StateView{{ID: state.ID, Words: state.Words}},
			Who: fmt.Sprintf(
				"%s: %s %s: %s",
				say.Capital(r.Species.Names.Name),
				words(r.Species),
				say.Capital(r.Other.Names.Name),
				words(r.Other),
			),
		}
	}
	for _, id := range a.Decided {
		v.Decided = append(v.Decided, pairView(id))
	}
	for _, id := range a.Expert {
		v.Expert = append(v.Expert, pairView(id))
	}
	it := "It was " + v.Truth + "."
	switch a.Outcome {
	case practice.Right:
		v.Words = "Right. " + it
	case practice.Dangerous:
		v.Words = fmt.Sprintf(
			"%s It is %s. This is the mistake that must not happen: it comes back at once.",
			it,
			r.Other.Identity.Danger,
		)
	case practice.Wrong:
		v.Words = it + " It comes back tomorrow."
	case practice.Unsure:
		v.Words = it + " To leave it is never wrong when you cannot tell."
		if a.Lucky {
			v.Words = it + " True, but nothing that you looked at decides it: that was a guess, and does not count."
		}
	}
	return v
}

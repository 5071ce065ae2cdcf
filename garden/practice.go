package garden

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/practice"
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
	SpeciesID   string          `json:"speciesId"`
	OtherID     string          `json:"otherId"`
	Name        string          `json:"name"`
	Botanical   string          `json:"botanical"`
	Other       string          `json:"other"`
	Danger      string          `json:"danger"`
	Seed        uint64          `json:"seed"`
	Stage       flora.Stage     `json:"stage"`
	Inspectable []CharacterView `json:"inspectable"`
}

// LookAtView is one character of the specimen, as it is.
type LookAtView struct {
	ID    string    `json:"id"`
	Shows StateView `json:"shows"`
	Told  bool      `json:"told" doc:"False where this one does not show it"`
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
	Outcome string      `json:"outcome" enum:"right,wrong,dangerous,unsure"`
	Words   string      `json:"words"`
	Truth   string      `json:"truth" doc:"What it was"`
	Decided []CheckSeen `json:"decided" doc:"The looked-at characters that decide, with what each plant shows"`
	Expert  []CheckSeen `json:"expert" doc:"How an expert would have looked"`
	Pair    PairView    `json:"pair"`
}

// Practice lists the pairs: due ones first, of those the ones of the grower's own plot,
// then the most dangerous.
func (g *Garden) Practice(ctx context.Context) (PracticeView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return PracticeView{}, err
	}
	v := PracticeView{Pairs: []PairView{}}
	for _, pair := range practice.Pairs(s.lib.AllSpecies()) {
		view := s.viewPair(pair)
		if view.Due {
			v.Due++
		}
		v.Pairs = append(v.Pairs, view)
	}
	slices.SortStableFunc(v.Pairs, func(a, b PairView) int {
		return cmp.Or(-compareBools(a.Due, b.Due), -compareBools(a.Here, b.Here),
			cmp.Compare(slices.Index(flora.DangerWords, a.Danger), slices.Index(flora.DangerWords, b.Danger)), cmp.Compare(a.Box, b.Box))
	})
	v.Words = fmt.Sprintf("%s due of %s. A pair told right moves one box on and comes back later; one told wrong starts again (boxes after Leitner, 1972).", counted(float64(v.Due), "pair is", "pairs are"), counted(float64(len(v.Pairs)), "pair", "pairs"))
	return v, nil
}

func compareBools(a, b bool) int {
	switch {
	case a == b:
		return 0
	case a:
		return 1
	}
	return -1
}

func (s *state) viewPair(pair practice.Pair) PairView {
	card, row := s.card(pair.Species.ID, pair.Other.ID)
	v := PairView{
		SpeciesID: pair.Species.ID, OtherID: pair.Other.ID, Name: pair.Species.Names.Name, Other: pair.Other.Names.Name, Danger: pair.Other.Identity.Danger,
		Here: s.hereWords(pair.Species.ID) != "", Boxes: practice.Boxes, Tries: card.Tries, Correct: card.Correct, Deadly: card.Deadly, Due: card.Due <= s.today,
	}
	if row != nil {
		v.Box = card.Box
	}
	v.When = "now"
	if !v.Due {
		v.When = "back on " + card.Due.DayMonth()
	}
	return v
}

// card is how well a pair is told, and its row; nil where it was never tried.
func (s *state) card(speciesID, otherID string) (practice.Card, *store.Practice) {
	for i, row := range s.practice {
		if row.SpeciesID == speciesID && row.OtherID == otherID {
			due, err := calendar.Parse(row.Due)
			if err != nil {
				due = s.today
			}
			return practice.Card{Box: int(row.Box), Due: due, Tries: int(row.Tries), Correct: int(row.Correct), Deadly: int(row.Deadly)}, &s.practice[i]
		}
	}
	return practice.New(s.today), nil
}

func (s *state) round(speciesID, otherID string, seed uint64) (practice.Round, error) {
	for _, pair := range practice.Pairs(s.lib.AllSpecies()) {
		if pair.Species.ID == speciesID && pair.Other.ID == otherID {
			return practice.NewRound(pair.Species, pair.Other, seed)
		}
	}
	return practice.Round{}, NotFoundError{"pair"}
}

// PracticeRound returns a specimen to be told.
func (g *Garden) PracticeRound(ctx context.Context, speciesID, otherID string, seed uint64) (SpecimenView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return SpecimenView{}, err
	}
	r, err := s.round(speciesID, otherID, seed)
	if err != nil {
		return SpecimenView{}, err
	}
	v := SpecimenView{
		SpeciesID: speciesID, OtherID: otherID, Name: r.Species.Names.Name, Botanical: r.Species.Names.Botanical, Other: r.Other.Names.Name, Danger: r.Other.Identity.Danger,
		Seed: seed, Stage: r.Stage, Inspectable: []CharacterView{},
	}
	for _, id := range r.Inspectable() {
		character, _ := identity.CharacterOf(id)
		asked := viewCharacter(character, 0)
		asked.States = []StateView{} // they would give the look away
		v.Inspectable = append(v.Inspectable, asked)
	}
	return v, nil
}

// PracticeLook returns what one character of the specimen is.
func (g *Garden) PracticeLook(ctx context.Context, speciesID, otherID string, seed uint64, id string) (LookAtView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return LookAtView{}, err
	}
	r, err := s.round(speciesID, otherID, seed)
	if err != nil {
		return LookAtView{}, err
	}
	character, has := identity.CharacterOf(id)
	if !has || !slices.Contains(r.Inspectable(), id) {
		return LookAtView{}, NotFoundError{"character of this specimen"}
	}
	state, told := character.State(r.Specimen[id])
	return LookAtView{id, StateView{state.ID, state.Words}, told}, nil
}

// Decide judges a decision on a specimen, and notes when the pair comes back.
func (g *Garden) Decide(ctx context.Context, in DecisionInput) (DecisionView, error) {
	decision, err := practice.ParseDecision(in.Decision)
	if err != nil {
		return DecisionView{}, Faults{{Field: "decision", Message: sentence(err.Error())}}
	}
	var v DecisionView
	_, err = g.change(ctx, func(s *state, d *draft) (record, error) {
		r, err := s.round(in.SpeciesID, in.OtherID, in.Seed)
		if err != nil {
			return record{}, err
		}
		answer := r.Judge(in.Looked, decision)
		card, row := s.card(in.SpeciesID, in.OtherID)
		card = card.After(answer.Outcome, s.today)
		params := store.PutPracticeParams{SpeciesID: in.SpeciesID, OtherID: in.OtherID, Box: int64(card.Box), Due: card.Due.String(), Tries: int64(card.Tries), Correct: int64(card.Correct), Deadly: int64(card.Deadly), Last: s.today.String()}
		id := int64(0)
		if row != nil {
			params.ID, id = &row.ID, row.ID
		}
		written, err := practiceTable.Put(ctx, d, id, params)
		if err != nil {
			return record{}, err
		}
		v = viewDecision(r, answer)
		after := *s
		after.practice = append(slices.DeleteFunc(slices.Clone(s.practice), func(p store.Practice) bool { return p.ID == written.ID }), written)
		v.Pair = after.viewPair(practice.Pair{Species: r.Species, Other: r.Other})
		return record{kind: "practice", summary: fmt.Sprintf("Practised %s against %s: %s", r.Species.Names.Name, r.Other.Names.Name, answer.Outcome)}, nil
	})
	return v, err
}

func viewDecision(r practice.Round, a practice.Answer) DecisionView {
	v := DecisionView{Outcome: string(a.Outcome), Truth: r.Other.Names.Name, Decided: []CheckSeen{}, Expert: []CheckSeen{}}
	if r.Truth {
		v.Truth = r.Species.Names.Name
	}
	pairView := func(id string) CheckSeen {
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
		return CheckSeen{id, character.Name, []StateView{{state.ID, state.Words}}, fmt.Sprintf("%s: %s %s: %s", capital(r.Species.Names.Name), words(r.Species), capital(r.Other.Names.Name), words(r.Other))}
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
		v.Words = fmt.Sprintf("%s It is %s. This is the mistake that must not happen: it comes back at once.", it, r.Other.Identity.Danger)
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

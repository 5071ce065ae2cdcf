package view

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/identity"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// What a picking is fit for.
const (
	// BasketToSort is one that is to be sorted again at the table.
	BasketToSort = "to sort"
	BasketFit    = "fit for use"
	// BasketHeld is one whose planting is not sure any more, in which a stranger was found at the table, or that the
	// household itself holds back.
	BasketHeld = "held back"
)

// What a picking is held back for.
const (
	HeldOwn      = "own"
	HeldTable    = "table"
	HeldIdentity = "identity"
	HeldGround   = "ground"
)

// BasketHolds tells for what a picking is held back, and why; empty where it is not.
func BasketHolds(s *plot.State, p *plot.Planting, picking store.Picking) (kind, why string) {
	if recall, is := s.RecallOf(picking.ID, 0); is {
		return HeldOwn, "Held back since " + DayWords(recall.Day) + ": " + recall.Why
	}
	for _, sorting := range s.Sortings[picking.ID] {
		if !strings.Contains(sorting.Answers, string(identity.NotSeen)) {
			continue // nothing else can be in it, and there are years of them to read
		}
		if answers, _ := TableAnswers(sorting.Answers); slices.Contains(answers, string(identity.NotSeen)) {
			return HeldTable, "At the table something in it was not " + p.Species.Names.Name + ". None of it is for use."
		}
	}
	switch {
	case p.IdentityState == identity.Excluded:
		return HeldIdentity, "A check contradicted what it was picked as. None of it is for use."
	case p.IdentityState != identity.Sure:
		return HeldIdentity, "The planting is not sure. None of it is for use until it is."
	case p.Ground != "":
		return HeldGround, UnsafeWords(p)
	case p.RemovedOn == nil:
		return "", ""
	}
	if gone := s.UnsafeOnceGone(p); gone.Ground != "" {
		return HeldGround, fmt.Sprintf(
			"Its bed, %s, reaches unsafe ground (%s: %s), and where in it the plants stood is not known any "+
				"more. None of it is for use.",
			p.Bed.Name,
			gone.Where,
			gone.Ground,
		)
	}
	return "", ""
}

// BasketState tells what a picking is fit for, and why.
func BasketState(s *plot.State, p *plot.Planting, picking store.Picking) (state, why string) {
	if kind, why := BasketHolds(s, p, picking); kind != "" {
		return BasketHeld, why
	}
	for _, sorting := range s.Sortings[picking.ID] {
		if len(TableQuestions(p, picking.Part)) == 0 || SortedAll(p, picking.Part, sorting) {
			return BasketFit, ""
		}
	}
	if p.Rules.NamesDanger() {
		return BasketToSort, "Sort it again at the table, piece by piece: it has dangerous look-alikes."
	}
	return BasketToSort, "Pick it over at the table: strangers, grit and spoilt pieces out."
}

// TableAnswers are the answers of a sorting, as a list and by what was asked.
func TableAnswers(text string) ([]string, map[string]string) {
	answers := map[string]string{}
	if json.Unmarshal([]byte(text), &answers) != nil {
		return nil, answers
	}
	var all []string
	for _, answer := range answers {
		all = append(all, answer)
	}
	return all, answers
}

// SortedAll tells whether a sorting saw every character that is asked for at the table.
func SortedAll(p *plot.Planting, part string, sorting store.Sorting) bool {
	_, answers := TableAnswers(sorting.Answers)
	for _, q := range TableQuestions(p, part) {
		if answers[q.Character.ID] != string(identity.Seen) {
			return false
		}
	}
	return true
}

// TableQuestions are the questions of the second check of a picked part of a planting.
func TableQuestions(p *plot.Planting, partName string) []identity.Question {
	part, has := p.Species.Part(partName)
	if !has {
		return nil
	}
	return p.Rules.TableQuestions(identity.OnTheTable(part.Kind))
}

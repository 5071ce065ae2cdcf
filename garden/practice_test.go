package garden

import (
	"errors"
	"strings"
	"testing"

	"bramblyacre/core/identity"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/practice"
	"bramblyacre/garden/say"
)

func TestPracticeBringsWhatStandsHereFirstAndKeepsTheRecord(t *testing.T) {
	p := newPlot(t)
	v, err := p.Practice.Practice(t.Context())
	check(t, err)
	noNulls(t, "practice", v)
	if len(v.Pairs) < 60 || v.Due != len(v.Pairs) || !v.Pairs[0].Here || v.Pairs[0].Danger != "deadly" || v.Pairs[0].Name != "garden sorrel" {
		t.Fatalf("%d pairs, %d due, first %+v", len(v.Pairs), v.Due, v.Pairs[0])
	}
	first := v.Pairs[0]
	for seed := range uint64(12) {
		specimen, err := p.Practice.PracticeRound(t.Context(), first.SpeciesID, first.OtherID, seed)
		check(t, err)
		noNulls(t, "specimen", specimen)
		looked := []string{}
		is := true
		sorrel, _ := p.Plot.Lib().Species(first.SpeciesID)
		for _, c := range specimen.Inspectable {
			if len(c.States) != 0 {
				t.Fatalf("%s gives its states away", c.ID)
			}
			at, err := p.Practice.PracticeLook(t.Context(), first.SpeciesID, first.OtherID, seed, c.ID)
			check(t, err)
			looked = append(looked, c.ID)
			if at.Told && (identity.Specimen{c.ID: at.Shows.ID}).Answers(sorrel, []string{c.ID})[c.ID] == identity.NotSeen {
				is = false
			}
		}
		decision := map[bool]string{true: "it is", false: "it is not"}[is]
		told, err := p.Practice.Decide(t.Context(), practice.DecisionInput{SpeciesID: first.SpeciesID, OtherID: first.OtherID, Seed: seed, Looked: looked, Decision: decision})
		check(t, err)
		noNulls(t, "decision", told)
		if told.Outcome != "right" || len(told.Decided) == 0 || len(told.Expert) == 0 || int(seed)+1 != told.Pair.Tries || told.Pair.Correct != told.Pair.Tries {
			t.Fatalf("seed %d: %s after all looks, %+v", seed, told.Outcome, told.Pair)
		}
	}
	v, err = p.Practice.Practice(t.Context())
	check(t, err)
	for i, pair := range v.Pairs {
		if pair.SpeciesID == first.SpeciesID && pair.OtherID == first.OtherID {
			if i == 0 || pair.Due || pair.Box != pair.Boxes || !strings.HasPrefix(pair.When, "back on") {
				t.Errorf("told right all along it stands at %d: %+v", i, pair)
			}
		}
	}
}

func TestADeadlyMistakeComesBackAtOnce(t *testing.T) {
	p := newPlot(t)
	for seed := range uint64(40) {
		s, err := p.Plot.State(t.Context())
		check(t, err)
		specimen, err := practice.Round(s, "garden-sorrel", "foxglove", seed)
		check(t, err)
		if specimen.Truth {
			continue
		}
		told, err := p.Practice.Decide(t.Context(), practice.DecisionInput{SpeciesID: "garden-sorrel", OtherID: "foxglove", Seed: seed, Looked: []string{}, Decision: "it is"})
		check(t, err)
		if told.Outcome != "dangerous" || !told.Pair.Due || told.Pair.Deadly != 1 || told.Truth != "foxglove" {
			t.Errorf("taken for sorrel: %+v", told)
		}
		break
	}
	before := p.entries()
	_, err := p.Practice.Decide(t.Context(), practice.DecisionInput{SpeciesID: "garden-sorrel", OtherID: "foxglove", Seed: 1, Looked: nil, Decision: "maybe"})
	p.refused(err, "decision", "no decision", before)
	for _, pair := range [][2]string{{"garden-sorrel", "oak"}, {"hemlock", "sweet-cicely"}} {
		if _, err := p.Practice.PracticeRound(t.Context(), pair[0], pair[1], 1); !errors.As(err, new(say.NotFoundError)) {
			t.Errorf("%v can be practised: %v", pair, err)
		}
	}
	if _, err := p.Practice.PracticeLook(t.Context(), "garden-sorrel", "foxglove", 1, "aura"); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("the aura was looked at: %v", err)
	}
}

// Practice is kept in the ledger without crowding the plot's own entries: it stands
// under its kind, and is found by its words.
func TestPracticeDoesNotCrowdTheLedger(t *testing.T) {
	p := newPlot(t)
	v, err := p.Practice.Practice(t.Context())
	check(t, err)
	pair := v.Pairs[0]
	for seed := range uint64(3) {
		_, err := p.Practice.Decide(t.Context(), practice.DecisionInput{SpeciesID: pair.SpeciesID, OtherID: pair.OtherID, Seed: seed, Looked: nil, Decision: "cannot tell"})
		check(t, err)
	}
	for _, test := range []struct {
		filter journal.LedgerFilter
		want   int
	}{{journal.LedgerFilter{Most: 50}, 0}, {journal.LedgerFilter{Kind: "practice", Most: 50}, 3}, {journal.LedgerFilter{Containing: pair.Other, Most: 50}, 3}, {journal.LedgerFilter{Kind: "bed", Most: 50}, 0}} {
		page, err := p.Ledger(t.Context(), test.filter)
		check(t, err)
		found := 0
		for _, line := range page.Lines {
			if line.Kind == "practice" {
				found++
			}
		}
		if found != test.want {
			t.Errorf("%+v finds %d decisions, not %d", test.filter, found, test.want)
		}
	}
}

package library

import (
	"regexp"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// What is known to mislead must never rule a dangerous plant out: the young leaf that
// has not its shape yet, the blotches that are faint, the smell that is not there, the
// fingers that still smell of the leaf before. Each of these is in the plant's nature
// here, so seeing it excludes nothing.
func TestWhatMisleadsRulesNoDangerOut(t *testing.T) {
	l, _ := allSpecies(t)
	for _, trap := range []struct{ danger, character, state, why string }{
		{"hemlock", "stem-mark", "plain", "young stems have faint blotches or none"},
		{"hemlock", "stem-mark", "white-bloom", "a bloom covers the stem"},
		{"hemlock", "smell", "none", "not everyone smells it, and young leaf smells little"},
		{"hemlock", "smell", "carrot", "its kin smell so, and some say that it does"},
		{"water-hemlock", "root-inside", "white", "a young rootstock has no chambers yet"},
		{"water-hemlock", "smell", "none", "not everyone smells it"},
		{"hemlock-water-dropwort", "smell", "celery", "it smells of what is eaten"},
		{"hemlock-water-dropwort", "leaf-build", "feather", "upper leaves are divided once"},
		{"hemlock-water-dropwort", "root-form", "fibres", "a seedling has no tubers yet"},
		{"foxglove", "leaf-underside", "green", "not every leaf is grey below"},
		{"foxglove", "leaf-margin", "coarse-toothed", "the teeth of large leaves are large"},
		{"foxglove", "flower-colour", "white", "it flowers white, too"},
		{"lords-and-ladies", "leaf-shape", "lance", "the first leaf has no barbs"},
		{"lords-and-ladies", "leaf-base", "stalk-narrowed", "nor a notch"},
		{"lily-of-the-valley", "leaf-order", "opposite", "its two leaves look like a pair"},
		{"lily-of-the-valley", "leaf-base", "stalk-narrowed", "each narrows into something like a stalk"},
		{"autumn-crocus", "leaf-base", "stalkless", "leaves come straight from the ground"},
		{"false-hellebore", "leaf-surface", "bald", "it is downy below only"},
		{"deadly-nightshade", "leaf-order", "opposite", "upper leaves stand in uneven pairs"},
		{"deadly-nightshade", "smell", "none", "an uncrushed leaf smells of little"},
		{"thorn-apple", "leaf-order", "opposite", "at the forks leaves stand side by side"},
		{"black-nightshade", "leaf-order", "opposite", "upper leaves stand in pairs"},
		{"monkshood", "flower-colour", "white", "there are white ones"},
		{"yew", "leaf-order", "opposite", "the flat rows look like pairs"},
		{"ragwort", "leaf-base", "stalk-narrowed", "rosette leaves have stalks"},
		{"wild-lettuce", "stem-mark", "plain", "not every stem is purple"},
		{"dogs-mercury", "smell", "none", "it smells little until it is crushed well"},
		{"oleander", "flower-colour", "white", "there are white ones"},
	} {
		s, has := l.Species(trap.danger)
		character, known := identity.CharacterOf(trap.character)
		if _, isState := character.State(trap.state); !has || !known || !isState {
			t.Errorf("%s, %s, %s: there is no such thing", trap.danger, trap.character, trap.state)
			continue
		}
		if states := s.Identity.Shows[trap.character]; len(states) > 0 && !slices.Contains(states, trap.state) {
			t.Errorf("%s: %s %q rules it out, and %s", trap.danger, trap.character, trap.state, trap.why)
		}
	}
}

// Every plant that is used has something to be done for it, and every danger that can
// be dug, pulled or cut off is so; the exceptions do not grow in gardens or are kept.
func TestEveryPlantIsCaredFor(t *testing.T) {
	_, all := allSpecies(t)
	wild := []string{"death-camas", "false-hellebore", "monkshood"}
	for _, s := range all {
		if len(s.Care) == 0 && (s.IsUsed() || flora.IsDangerous(s.Identity.Danger)) && !slices.Contains(wild, s.ID) {
			t.Errorf("%s asks for no work", s.ID)
		}
		for _, care := range s.Care {
			if strings.ToLower(care.Verb[:1]) == care.Verb[:1] || !strings.HasSuffix(care.Why, ".") {
				t.Errorf("%s %s reads %q, %q", s.ID, care.ID, care.Verb, care.Why)
			}
			gloved := strings.Contains(care.What+care.Why, "glove") || strings.Contains(care.What, "covered")
			taken := care.Verb == "Dig out" || care.Verb == "Pull"
			if taken && s.Identity.Danger == "deadly" && !gloved {
				t.Errorf("%s: %s %s, and no gloves", s.ID, care.Verb, care.What)
			}
		}
	}
}

// No sign asks the picker to taste, and no caution leaves it at "ask": it says why.
func TestNothingIsToldByTheTongue(t *testing.T) {
	_, all := allSpecies(t)
	tasting := regexp.MustCompile(`(?i)\b(taste|tastes|chew|tongue|nibble)\b`)
	for _, s := range all {
		for _, part := range s.Parts {
			if part.Harvest != nil && tasting.MatchString(part.Harvest.Sign+" "+part.Harvest.Way) {
				t.Errorf("%s %s is told by tasting: %s", s.ID, part.Name, part.Harvest.Sign)
			}
		}
		for _, like := range s.LookAlikes {
			if tasting.MatchString(like.Decides) {
				t.Errorf("%s is told from %s by tasting", s.ID, like.Name)
			}
		}
		for _, caution := range s.Cautions {
			if caution.Text == "Ask first." {
				t.Errorf("%s: the caution for %s gives no reason", s.ID, caution.Who)
			}
		}
	}
}

// A guess is not written with more digits than can be meant.
func TestAGuessIsNotWrittenTooFinely(t *testing.T) {
	_, all := allSpecies(t)
	digits := regexp.MustCompile(`\d+(\.\d+)?`)
	for _, s := range all {
		for _, k := range FigureKeys(s) {
			if k.Figure.Standing != flora.Guess {
				continue
			}
			line, err := k.Figure.MarshalText()
			if err != nil {
				t.Fatal(err)
			}
			for _, number := range digits.FindAllString(string(line), -1) {
				meant := strings.TrimLeft(strings.ReplaceAll(number, ".", ""), "0")
				if !strings.Contains(number, ".") {
					meant = strings.TrimRight(meant, "0")
				}
				if len(meant) > 2 {
					t.Errorf("%s %s: %s", s.ID, k.Key, line)
				}
			}
		}
	}
}

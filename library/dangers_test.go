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
		{"autumn-crocus", "flower-colour", "white", "there are white ones"},
		{"autumn-crocus", "root-form", "bulb", "nobody tells a corm from a bulb by eye"},
		{"autumn-crocus", "smell", "garlic", "fingers keep the smell of the leaf before"},
		{"lily-of-the-valley", "smell", "garlic", "fingers keep the smell of the leaf before"},
		{"lily-of-the-valley", "flower-colour", "pink", "there is a pink garden form"},
		{"lords-and-ladies", "smell", "garlic", "fingers keep the smell of the leaf before"},
		{"lords-and-ladies", "leaf-spots", "none", "most have no spots"},
		{"death-camas", "smell", "garlic", "it grows among wild onions"},
		{"false-hellebore", "smell", "garlic", "fingers keep the smell of the leaf before"},
		{"false-hellebore", "leaf-veins", "arched", "the broad veins look arched"},
		{"false-hellebore", "leaf-rise", "shared", "young leaves are rolled together"},
		{"foxglove", "leaf-surface", "woolly", "some rosettes look woolly"},
		{"foxglove", "flower-parts", "five", "its rim has five lobes"},
		{"foxglove", "flower-parts", "four", "two of them look like one"},
		{"foxglove", "flower-parts", "many", "there is a garden form with many"},
		{"autumn-crocus", "flower-parts", "many", "garden forms are double"},
		{"lily-of-the-valley", "flower-parts", "many", "there is a double form"},
		{"monkshood", "flower-colour", "pink", "garden forms are pink"},
		{"monkshood", "flower-colour", "cream", "its pale kin are cream"},
		{"pennyroyal", "stem-surface", "smooth", "not every stem is downy"},
		{"ragwort", "flower-width", "small", "heads without rays are narrow"},
		{"foxglove", "stem-fill", "hollow", "old stems are hollow"},
		{"hemlock", "leaf-build", "feather", "upper leaves are divided once"},
		{"hemlock", "umbel-bracts", "none", "they fall early"},
		{"hemlock", "first-leaves", "three", "a seedling's first leaves are simple"},
		{"water-hemlock", "leaf-surface", "glossy", "young leaves shine"},
		{"water-hemlock", "sap-after", "same", "not every root bleeds yellow"},
		{"hemlock-water-dropwort", "leaf-shape", "diamond", "its leaflets are wedges, as lovage's are"},
		{"hemlock-water-dropwort", "umbel-bracts", "many", "it can have a ring of them"},
		{"hemlock-water-dropwort", "root-skin", "brown", "soil stains it"},
		{"monkshood", "leaf-build", "twice-feather", "each part is cut again, like parsley"},
		{"monkshood", "leaf-build", "fan", "it is cut to the base"},
		{"monkshood", "root-form", "tap", "its tuber looks like one root going down"},
		{"monkshood", "leaf-margin", "smooth", "the last divisions can be smooth"},
		{"monkshood", "bracts", "few", "small ones stand below the flowers"},
		{"thorn-apple", "smell", "none", "young leaf, or a nose that misses it"},
		{"thorn-apple", "leaf-shape", "oval", "young leaves have no teeth and no corners"},
		{"thorn-apple", "leaf-shape", "diamond", "old ones have corners"},
		{"thorn-apple", "leaf-margin", "smooth", "the first leaves have no teeth"},
		{"thorn-apple", "stem-fill", "solid", "young stems are filled"},
		{"thorn-apple", "stem-fill", "hollow", "old stems are hollow"},
		{"thorn-apple", "hair-place", "all-round", "there are downy ones"},
		{"white-bryony", "leaf-build", "whole", "young leaves only have corners"},
		{"deadly-nightshade", "fruit-colour", "orange", "there is a yellow form"},
		{"deadly-nightshade", "flower-colour", "yellow", "there is a yellow form"},
		{"deadly-nightshade", "fruit-colour", "green", "berries are green before they are black"},
		{"oleander", "flower-parts", "many", "garden forms are double"},
		{"oleander", "growth", "tree", "it is grown as a small tree"},
		{"oleander", "stem-section", "three-sided", "young shoots have corners"},
		{"oleander", "sap", "clear", "the milk can look clear"},
		{"yew", "fruit-colour", "orange", "there is a yellow-fruited form"},
		{"groundsel", "leaf-build", "whole", "seedlings have whole leaves"},
		{"groundsel", "leaf-order", "basal", "young plants are rosettes"},
		{"groundsel", "flower-form", "daisy", "there is a form with rays"},
		{"black-bryony", "leaf-surface", "bald", "old leaves do not shine"},
		{"giant-hogweed", "leaf-build", "whole", "seedlings have whole leaves"},
		{"giant-hogweed", "leaf-build", "fan-lobed", "young leaves are lobed like a hand"},
		{"giant-hogweed", "stem-mark", "plain", "young stems have no blotches"},
		{"ragwort", "leaf-build", "whole", "the first leaves of a rosette are whole"},
		{"ragwort", "leaf-margin", "scalloped", "and scalloped"},
		{"ragwort", "leaf-surface", "downy", "young leaf is downy"},
		{"ragwort", "flower-form", "button", "there is a form without rays"},
		{"wild-lettuce", "bracts", "many", "they stand in many rows"},
		{"wild-lettuce", "stem-surface", "smooth", "upper stems have few prickles"},
		{"wild-lettuce", "midrib-below", "smooth", "the first leaves have no prickles"},
		{"wild-lettuce", "stem-fill", "hollow", "old stems are hollow"},
		{"poison-ivy", "leaf-base", "stalkless", "its side leaflets have hardly a stalk"},
		{"poison-ivy", "stem-mark", "plain", "young shoots are green"},
		{"poison-ivy", "growth", "mat", "it creeps under litter"},
		{"poison-ivy", "growth", "upright", "it stands up as a small bush"},
		{"poison-ivy", "sap-after", "same", "not every cut turns black"},
		{"comfrey", "flower-colour", "blue", "the cross of most gardens is blue"},
		{"comfrey", "stem-section", "ridged", "the cross has hardly any wings"},
		{"black-nightshade", "fruit-colour", "green", "berries are green first"},
		{"petty-spurge", "stem-mark", "red-streaks", "some stems are red"},
		{"petty-spurge", "leaf-order", "whorled", "the leaves under the umbel stand in a ring"},
		{"pennyroyal", "growth", "upright", "it stands up in flower"},
		{"pennyroyal", "leaf-margin", "fine-toothed", "some leaves have shallow teeth"},
		{"bittersweet", "fruit-colour", "green", "berries are green first"},
		{"coltsfoot", "leaf-surface", "woolly", "young leaves are felted above"},
	} {
		s, has := l.Species(trap.danger)
		character, known := identity.CharacterOf(trap.character)
		if _, isState := character.State(trap.state); !has || !known || !isState {
			t.Errorf("%s, %s, %s: there is no such thing", trap.danger, trap.character, trap.state)
			continue
		}
		if states := s.Identity.Shows[trap.character]; !slices.Contains(states, trap.state) {
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
	tasting := regexp.MustCompile(`(?i)\b(tastes?|chew|tongue|nibble|hot|sour|bitter|mild|peppery|salty)\b`)
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

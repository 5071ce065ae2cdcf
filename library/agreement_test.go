package library

import (
	"regexp"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/flora"
)

// spokenOf are the characters that a word of a sentence speaks of: one of them has to be on record
// for a plant whose page tells it by that word, so that the gate can ask for it.
var spokenOf = []struct {
	word       *regexp.Regexp
	characters []string
}{
	{regexp.MustCompile(`(?i)\bmilk|\bsap\b`), []string{"sap", "sap-after"}},
	{regexp.MustCompile(`(?i)\btuber`), []string{"root-form"}},
	{regexp.MustCompile(`(?i)\brootstock|\brunners|\broot\b|\broots\b`), []string{"root-form", "root-inside", "root-skin"}},
	{regexp.MustCompile(`(?i)\bsmell|\bscent|\bstinks`), []string{"smell"}},
	{regexp.MustCompile(`(?i)\btendril`), []string{"tendrils"}},
	{regexp.MustCompile(`(?i)\bdots`), []string{"leaf-dots"}},
	{regexp.MustCompile(`(?i)\bbracts`), []string{"bracts", "umbel-bracts", "umbellet-bracts"}},
	{regexp.MustCompile(`(?i)\bprickles`), []string{"stem-surface", "midrib-below", "leaf-joint"}},
	{regexp.MustCompile(`(?i)\bberr(y|ies)\b`), []string{"fruit", "fruit-colour"}},
	{regexp.MustCompile(`(?i)\bleaf stalk`), []string{"stalk-section", "stalk-hairs", "stalk-place", "leaf-rise", "leaf-joint"}},
	{regexp.MustCompile(`(?i)\bhollow`), []string{"stem-fill", "stalk-section", "leaf-section", "root-inside"}},
	{regexp.MustCompile(`(?i)\bsheath`), []string{"leaf-joint", "sheath", "leaf-base"}},
	{regexp.MustCompile(`(?i)\bmealy|\bfelt|\bbristl|\bdowny|\bwoolly|\bshining`), []string{"leaf-surface", "stem-surface", "leaf-underside", "hair-form"}},
	{regexp.MustCompile(`(?i)\bleaflets`), []string{"leaf-build", "leaflet-width", "leaf-shape"}},
	{regexp.MustCompile(`(?i)\bin pairs|\bset singly|\bpaired`), []string{"leaf-order", "fruit-set"}},
	{regexp.MustCompile(`(?i)\bumbel`), []string{"flower-group"}},
	{regexp.MustCompile(`(?i)\bscallop|\btoothed|\bteeth|\bsmooth-edged`), []string{"leaf-margin"}},
	{regexp.MustCompile(`(?i)\bhair(s)? in|\bline of hairs`), []string{"hair-place"}},
	{regexp.MustCompile(`(?i)\bseeds\b`), []string{"fruit", "fruit-length", "fruit-colour"}},
	{regexp.MustCompile(`(?i)\bwinged stalk|\bthin stalk|\blong stalk|\bstalk with a groove`), []string{"stalk-section", "leaf-rise", "leaf-base"}},
	{regexp.MustCompile(`(?i)\b(round|square) stem`), []string{"stem-section"}},
	{regexp.MustCompile(`(?i)\bsting`), []string{"leaf-surface", "stem-surface"}},
	{regexp.MustCompile(`(?i)\bneedles`), []string{"leaf-build", "leaf-underside"}},
	{regexp.MustCompile(`(?i)\bred cup|\bdry crown`), []string{"fruit-crown", "fruit-colour"}},
	{regexp.MustCompile(`(?i)\bveins|\bribs\b`), []string{"leaf-veins"}},
	{regexp.MustCompile(`(?i)\bbuttons|\bdaisies|\bpetals`), []string{"flower-form", "flower-parts", "petal-tip"}},
	{regexp.MustCompile(`(?i)\bupright|\bsprawl`), []string{"growth"}},
	{regexp.MustCompile(`(?i)\blobe|\bbarbs|\bheart|\barrow head`), []string{"leaf-shape", "leaf-base", "leaf-build"}},
	{regexp.MustCompile(`(?i)\bflowers?\b`), []string{"flower-form", "flower-colour", "flower-parts", "flower-group"}},
}

// What a page tells a plant from a dangerous one by can be asked at the gate.
func TestWhatASentenceNamesCanBeAsked(t *testing.T) {
	_, all := allSpecies(t)
	checked := 0
	for _, s := range all {
		for _, l := range s.LookAlikes {
			if !s.IsUsed() || !flora.IsDangerous(l.Danger) {
				continue
			}
			spoke := false
			for _, n := range spokenOf {
				if !n.word.MatchString(l.Decides) {
					continue
				}
				checked++
				spoke = true
				if !slices.ContainsFunc(n.characters, func(id string) bool { return len(s.Identity.Shows[id]) > 0 }) {
					t.Errorf("%s is told from %s by %q, and none of %v is on record for it", s.ID, l.Name, n.word.FindString(l.Decides), n.characters)
				}
			}
			if !spoke {
				t.Errorf("%s: %q names nothing that can be asked", s.ID, l.Decides)
			}
		}
	}
	if checked < 150 {
		t.Errorf("only %d words were checked", checked)
	}
}

// No sentence takes the absence of what may be absent for a proof.
func TestNoSentenceTrustsWhatMayBeMissing(t *testing.T) {
	_, all := allSpecies(t)
	for _, s := range all {
		for _, l := range s.LookAlikes {
			if l.ID != "hemlock" {
				continue
			}
			for _, word := range []string{"blotch", "mice"} {
				if strings.Contains(l.Decides, word) && !strings.Contains(l.Decides, "proves nothing") && !strings.Contains(l.Decides, "may be missing") {
					t.Errorf("%s is told from hemlock by %s: %s", s.ID, word, l.Decides)
				}
			}
		}
	}
}

// forWhom are the circumstances that each plant made into something to swallow is considered
// for, one of each row.
var forWhom = [][]string{
	{"pregnant"},
	{"small child", "child", "child or young person", flora.Everyone},
	{"nursing", flora.Everyone},
}

// What is swallowed as a preparation has been considered for children, in pregnancy and while
// nursing; what makes drowsy, for drivers.
func TestPreparationsAreConsideredForThoseMostAtRisk(t *testing.T) {
	_, all := allSpecies(t)
	for _, s := range all {
		for _, part := range s.Parts {
			if !slices.Contains(part.Verdicts, flora.Preparation) {
				continue
			}
			for _, row := range forWhom {
				if !slices.ContainsFunc(s.Cautions, func(c flora.Caution) bool {
					return c.Route == "by mouth" && c.Concerns(part.Name) &&
						slices.ContainsFunc(c.For(), func(who string) bool { return slices.Contains(row, who) && (who != flora.Everyone || len(row) > 1) })
				}) {
					t.Errorf("%s %s: no caution for %v", s.ID, part.Name, row)
				}
			}
		}
	}
	for id, who := range map[string]string{
		"valerian": "drivers", "hop": "drivers", "lemon-balm": "drivers", "lavender": "drivers", "dandelion": "kidney trouble",
		"liquorice": "child or young person", "hawthorn": "heart trouble", "meadowsweet": "allergic to aspirin", "st-johns-wort": "other medicines",
	} {
		s := byID(t, all, id)
		if !slices.ContainsFunc(s.Cautions, func(c flora.Caution) bool { return slices.Contains(c.For(), who) }) {
			t.Errorf("%s has no caution for %s", id, who)
		}
	}
}

// Liver poisons that add up pass into eggs: what holds them is no feed.
func TestLiverPoisonsAreNoFeedForHens(t *testing.T) {
	_, all := allSpecies(t)
	for _, id := range []string{"comfrey", "borage", "coltsfoot", "groundsel", "ragwort"} {
		s := byID(t, all, id)
		if s.Household.Hens != "harmful" || !strings.Contains(s.Household.HensWhy, "egg") || slices.Contains(s.Site.Uses, "hens") || slices.Contains(s.Site.Uses, "feed") {
			t.Errorf("%s for hens: %s, %s, %v", id, s.Household.Hens, s.Household.HensWhy, s.Site.Uses)
		}
	}
}

// Whether a part grows back after it was cut is said for each that might, never taken from its
// kind.
func TestWhetherAPartGrowsBackIsSaid(t *testing.T) {
	_, all := allSpecies(t)
	none := 0
	for _, s := range all {
		for _, part := range s.Parts {
			if part.Harvest == nil || !slices.Contains([]string{"leaf", "shoot", "flower", "top", "stem"}, part.Kind) {
				continue
			}
			switch r := part.Harvest.Regrowth; {
			case r == nil:
				t.Errorf("%s %s does not say whether it grows back", s.ID, part.Name)
			case r.None:
				none++
			}
		}
	}
	if none < 25 {
		t.Errorf("only %d parts do not grow back", none)
	}
}

func byID(t *testing.T, all []*flora.Species, id string) *flora.Species {
	t.Helper()
	at := slices.IndexFunc(all, func(s *flora.Species) bool { return s.ID == id })
	if at < 0 {
		t.Fatalf("there is no %s", id)
	}
	return all[at]
}

package library

import (
	"fmt"
	"maps"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/pelletier/go-toml/v2"
)

// tree is a species' file as it is written, without what this program makes of it.
type tree = map[string]any

// written are all species' files as they are written, by id.
func written(t *testing.T) map[string]tree {
	t.Helper()
	names, err := shipped.ReadDir("species")
	if err != nil {
		t.Fatal(err)
	}
	all := map[string]tree{}
	for _, name := range names {
		text, err := shipped.ReadFile("species/" + name.Name())
		if err != nil {
			t.Fatal(err)
		}
		one := tree{}
		if err := toml.Unmarshal(text, &one); err != nil {
			t.Fatal(err)
		}
		all[strings.TrimSuffix(name.Name(), ".toml")] = one
	}
	if len(all) < 142 {
		t.Errorf("%d species", len(all))
	}
	return all
}

// eachText calls a function with every text below a key, and the key without its indices.
func eachText(value any, key string, do func(key, text string)) {
	switch v := value.(type) {
	case string:
		do(key, v)
	case tree:
		for k, below := range v {
			eachText(below, strings.TrimPrefix(key+"."+k, "."), do)
		}
	case []any:
		for _, below := range v {
			eachText(below, key, do)
		}
	}
}

// No two plants have the same year: a course that two share was copied.
func TestNoTwoPlantsShareACourse(t *testing.T) {
	of := map[string]string{}
	for id, file := range written(t) {
		eachText(file["growth"], "", func(key, text string) {
			if !strings.HasSuffix(key, "course") {
				return
			}
			if other, had := of[text]; had && other != id && strings.Count(text, ",") > 1 {
				t.Errorf("%s and %s share the course %q", id, other, text)
			}
			of[text] = id
		})
	}
}

var (
	endOfSentence = regexp.MustCompile(`[.!?;:]\s+|[.!?;:]$`)
	// said are the fields that hold sentences; names, words of a fixed list and figures are none.
	said = regexp.MustCompile(`(^|\.)(how|why|use|text|decides|sign|way|do|falls|done|handling|stored|rid|throw_away|\w+_why|` +
		`children|allergy|\w+_note|wildlife|watch|law|matters|signs|soon|what|wrong|cause|hour|weather|pollen|hazards|animals|treat|hastens|wakes|kin)$`)
)

// No two plants share more than two sentences. What to do first after a poisoning is said in
// the same words of all, and is left out.
func TestNoTwoPlantsAreToldAlike(t *testing.T) {
	by := map[string]map[string]bool{}
	sentences := 0
	for id, file := range written(t) {
		eachText(file, "", func(key, text string) {
			if !said.MatchString(key) || key == "poison.first" {
				return
			}
			for _, sentence := range endOfSentence.Split(text, -1) {
				sentence = strings.ToLower(strings.TrimSpace(sentence))
				if len(strings.Fields(sentence)) < 4 {
					continue
				}
				sentences++
				if by[sentence] == nil {
					by[sentence] = map[string]bool{}
				}
				by[sentence][id] = true
			}
		})
	}
	if sentences < 6000 {
		t.Errorf("only %d sentences were read", sentences)
	}
	shared := map[[2]string][]string{}
	for sentence, ids := range by {
		all := slices.Sorted(maps.Keys(ids))
		for i, a := range all {
			for _, b := range all[:i] {
				shared[[2]string{b, a}] = append(shared[[2]string{b, a}], sentence)
			}
		}
	}
	for pair, sentences := range shared {
		if len(sentences) > 2 {
			t.Errorf("%s and %s share %q", pair[0], pair[1], sentences)
		}
	}
}

var ranged = regexp.MustCompile(`^(-?[\d.]+) \((-?[\d.]+) to (-?[\d.]+)\) (\S+)`)

// No range comes from a formula: of no kind of figure do more than one plant in ten have the same
// range, or one that is the same multiple of its value. Numbers of a single digit have too few
// ranges to choose from for that to tell.
func TestNoRangeComesFromAFormula(t *testing.T) {
	all := written(t)
	of := map[string]map[string]bool{}
	note := func(rule, id string) {
		if of[rule] == nil {
			of[rule] = map[string]bool{}
		}
		of[rule][id] = true
	}
	figures := 0
	for id, file := range all {
		eachText(file, "", func(key, text string) {
			m := ranged.FindStringSubmatch(text)
			if m == nil || len(strings.TrimLeft(strings.ReplaceAll(m[1], ".", ""), "-0")) < 2 {
				return
			}
			var value, low, high float64
			if _, err := fmt.Sscan(m[1], &value); err != nil {
				t.Fatal(err)
			}
			if _, err := fmt.Sscan(m[2]+" "+m[3], &low, &high); err != nil {
				t.Fatal(err)
			}
			figures++
			note(fmt.Sprintf("%s = %s", key, m[0]), id)
			if m[4] == "°C" {
				note(fmt.Sprintf("%s = value %+.3g to %+.3g", key, low-value, high-value), id)
				return
			}
			note(fmt.Sprintf("%s = %.2f to %.2f times its value", key, low/value, high/value), id)
		})
	}
	if figures < 2000 {
		t.Errorf("only %d figures were read", figures)
	}
	for rule, ids := range of {
		if len(ids)*10 > len(all) {
			t.Errorf("%d of %d plants: %s", len(ids), len(all), rule)
		}
	}
}

// What is called usual where lives or a crop hang on it says why, or rests on a work.
func TestWhatIsUsualWhereItMattersSaysWhy(t *testing.T) {
	for id, file := range written(t) {
		eachText(file, "", func(key, text string) {
			matters := strings.HasPrefix(key, "site.cold") && key != "site.cold_note" || strings.HasPrefix(key, "part.keep.water") ||
				strings.HasPrefix(key, "propagate.") || strings.HasPrefix(key, "spread.")
			if matters && strings.HasSuffix(text, " usual") {
				t.Errorf("%s: %s = %q says no more than that it is usual", id, key, text)
			}
		})
	}
}

// Every plant that is used is known in depth: how to make more, how it spreads and is got rid of,
// what it gets, what is done for it, whom it is mistaken for, and of each part that is taken its own
// way, sign and end. What is written is read from the file: nothing that this program fills in counts.
func TestEveryUsedPlantIsKnownInDepth(t *testing.T) {
	files := written(t)
	_, all := allSpecies(t)
	rows := func(file tree, key string) int {
		list, _ := file[key].([]any)
		return len(list)
	}
	for _, s := range all {
		if !s.IsUsed() {
			continue
		}
		file := files[s.ID]
		for key, least := range map[string]int{"propagate": 2, "spread": 1, "care": 3, "look_alike": 1} {
			if n := rows(file, key); n < least {
				t.Errorf("%s: %d rows of %s", s.ID, n, key)
			}
		}
		if n := rows(file, "trouble"); n == 1 {
			t.Errorf("%s: one trouble; tell two, or leave them out as not on record", s.ID)
		}
		if s.Hold.Rid == "" {
			t.Errorf("%s: not told how it is got rid of", s.ID)
		}
		parts, _ := file["part"].([]any)
		for _, one := range parts {
			part, _ := one.(tree)
			harvest, taken := part["harvest"].(tree)
			if !taken {
				continue
			}
			keep, _ := part["keep"].(tree)
			for key, of := range map[string]tree{"way": harvest, "sign": harvest, "falls": keep, "water": keep} {
				if of[key] == nil {
					t.Errorf("%s %v: no %s of its own", s.ID, part["name"], key)
				}
			}
		}
	}
}

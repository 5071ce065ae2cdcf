package flora

import (
	"slices"
	"strings"
)

// Caution is a usual caution for people in some circumstance.
type Caution struct {
	// Parts are the names of the parts it is about; none means all.
	Parts []string `toml:"parts"`
	// Who names the circumstances it is for, joined by "or": "pregnant or nursing".
	Who string `toml:"who"`
	// Route is by mouth, on the skin, breathed, or handling.
	Route string `toml:"route"`
	// Preparations are those it is about: tea, tincture; none means all.
	Preparations []string `toml:"preparations,omitempty"`
	Text         string   `toml:"text"`
	Standing     Standing `toml:"standing"`
	// Source are the ids of the works that it rests on.
	Source []string `toml:"source,omitempty"`
}

// Concerns tells whether a caution is about a part.
func (c Caution) Concerns(part string) bool {
	for _, p := range c.Parts {
		if p == part {
			return true
		}
	}
	return len(c.Parts) == 0
}

// Circumstance is something about a person that a caution can be for.
type Circumstance struct {
	ID string
	// Name is the word shown, Ask what to tick.
	Name, Ask string
}

// Everyone is the circumstance of a caution that is for all people.
const Everyone = "everyone"

var circumstances = []Circumstance{
	{"pregnant", "pregnant", "pregnant, or may be"},
	{"nursing", "nursing", "breast-feeding"},
	{"blood thinners", "blood thinners", "takes blood thinners"},
	{"blood pressure", "blood pressure", "high or low blood pressure, or medicine for it"},
	{"heart trouble", "heart trouble", "heart trouble, or medicine for it"},
	{"liver trouble", "liver trouble", "liver trouble"},
	{"kidney trouble", "kidney trouble", "kidney trouble, or kidney stones"},
	{"gallstones", "gallstones", "gallstones or blocked bile"},
	{"stomach ulcer", "stomach ulcer", "stomach ulcer or heartburn"},
	{"diabetes", "diabetes", "diabetes, or medicine for it"},
	{"water tablets", "water tablets", "takes water tablets"},
	{"thyroid", "thyroid trouble", "thyroid trouble, or medicine for it"},
	{"epilepsy", "epilepsy", "epilepsy"},
	{"gout or rheumatism", "gout or rheumatism", "gout or rheumatism"},
	{"hormone-dependent illness", "hormone-dependent illness", "hormone-dependent illness, or hormones taken"},
	{"depression", "depression", "depression, or medicine for it"},
	{"sleep medicine", "sleep medicine", "takes medicine for sleep or nerves"},
	{"alcohol", "alcohol", "drinks alcohol"},
	{"drivers", "driving", "drives or works with machines"},
	{"before surgery", "before surgery", "an operation is coming"},
	{"immune medicine", "immune medicine", "takes medicine that holds the immune system down, or has an immune illness"},
	{"other medicines", "other medicines", "takes any other medicine each day"},
	{"daisy-family allergy", "daisy-family allergy", "allergic to the daisy family"},
	{"celery allergy", "celery allergy", "allergic to celery, carrot or their kin"},
	{"mint-family allergy", "mint-family allergy", "allergic to the mint family"},
	{"allergic to aspirin", "aspirin allergy", "allergic to aspirin"},
	{"other allergy", "other allergy", "another allergy to plants or pollen"},
	{"sensitive skin", "sensitive skin", "skin that reacts easily"},
	{"small child", "small child", ""},
	{"child", "child", ""},
	{"child or young person", "child or young person", ""},
	{"dogs", "dogs", ""},
	{"livestock", "livestock", ""},
}

// Circumstances lists what a caution can be for, everyone left out. Those without a
// question follow from a person's age, or are for animals.
func Circumstances() []Circumstance { return slices.Clone(circumstances) }

// CircumstanceOf returns the circumstance of an id, and whether there is one.
func CircumstanceOf(id string) (Circumstance, bool) {
	at := slices.IndexFunc(circumstances, func(c Circumstance) bool { return c.ID == id })
	if at < 0 {
		return Circumstance{}, false
	}
	return circumstances[at], true
}

// For are the ids of the circumstances that a caution is for. Words that are no
// circumstance by themselves are returned as they stand, for a check to refuse.
func (c Caution) For() []string {
	const or = " or "
	var all []string
	for rest := strings.ReplaceAll(c.Who, ", ", or); rest != ""; {
		// Some circumstances hold an "or" themselves, so the longest that fits is taken.
		one, _, _ := strings.Cut(rest, or)
		for _, known := range circumstances {
			if len(known.ID) > len(one) && strings.HasPrefix(rest+or, known.ID+or) {
				one = known.ID
			}
		}
		all = append(all, strings.TrimSpace(one))
		rest = strings.TrimPrefix(strings.TrimPrefix(rest, one), or)
	}
	return all
}

// The ages in years up to which a person is a small child, a child, and a young
// person: usual bounds on the labels of herbal goods, the careful side of each.
const (
	SmallChildUntil  = 6
	ChildUntil       = 12
	YoungPersonUntil = 18
)

// CircumstancesOfAge are those that follow from an age in years.
func CircumstancesOfAge(years int) []string {
	var all []string
	if years < SmallChildUntil {
		all = append(all, "small child")
	}
	if years < ChildUntil {
		all = append(all, "child")
	}
	if years < YoungPersonUntil {
		all = append(all, "child or young person")
	}
	return all
}

// organCautions are the circumstances one of which a caution must be for where a
// plant with a known risk to an organ is taken by mouth.
var organCautions = map[string][]string{
	"liver":  {"liver trouble"},
	"kidney": {"kidney trouble"},
	"heart":  {"heart trouble"},
	"blood":  {"blood thinners"},
	"womb":   {"pregnant"},
	"nerves": {"epilepsy", Everyone},
}

// OrganWords are the organs that a plant may be known to harm.
var OrganWords = []string{"liver", "kidney", "heart", "blood", "womb", "nerves"}

// CautionRoutes are the ways by which a plant reaches a person.
var CautionRoutes = []string{"by mouth", "on the skin", "breathed", "handling"}

// PreparationWords are what can be made of a part.
var PreparationWords = []string{
	"food",
	"tea",
	"infused oil",
	"salve",
	"tincture",
	"vinegar",
	"syrup",
	"honey",
	"bath",
	"steam",
}

func (s *Species) checkCautions(c *checker) {
	for i, caution := range s.Cautions {
		key := keyAt("caution", i)
		c.want(caution.Who != "" && caution.Text != "", key, "needs who and text")
		c.oneOf(key+".route", caution.Route, CautionRoutes...)
		for _, part := range caution.Parts {
			_, has := s.Part(part)
			c.want(has, key+".parts", "the species has no part %q", part)
		}
		for _, who := range caution.For() {
			_, known := CircumstanceOf(who)
			c.want(known || who == Everyone, key+".who", "%q is no circumstance of a person", who)
		}
		for _, made := range caution.Preparations {
			c.oneOf(key+".preparations", made, PreparationWords...)
		}
	}
	for i, organ := range s.OrganRisk {
		wanted, known := organCautions[organ]
		c.want(known, keyAt("organ_risk", i), "%q is not an organ; use one of %s", organ, strings.Join(OrganWords, ", "))
		for _, part := range s.Parts {
			c.want(!known || !part.Eaten() || s.warnsOf(part.Name, wanted), keyAt("organ_risk", i),
				"the %s is taken by mouth, and no caution by mouth is for %s", part.Name, strings.Join(wanted, " or "))
		}
	}
}

// warnsOf tells whether a caution by mouth about a part is for one of the circumstances.
func (s *Species) warnsOf(part string, circumstances []string) bool {
	return slices.ContainsFunc(s.Cautions, func(c Caution) bool {
		return c.Route == "by mouth" && c.Concerns(part) &&
			slices.ContainsFunc(c.For(), func(who string) bool { return slices.Contains(circumstances, who) })
	})
}

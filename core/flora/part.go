package flora

import (
	"slices"

	"bramblyacre/core/calendar"
)

// Verdict says what a part may serve for.
type Verdict string

// The verdicts. A part is offered for harvest only with one that names a use.
const (
	EatenRaw    Verdict = "raw"
	EatenCooked Verdict = "cooked"
	Preparation Verdict = "preparation"
	OutsideOnly Verdict = "outside only"
	OtherUse    Verdict = "other use"
	NotUsed     Verdict = "not used"
	Poisonous   Verdict = "poisonous"
)

// Words of a part: every verdict, what a use rests on, and what its harvest is called.
var (
	VerdictWords = []string{
		string(EatenRaw),
		string(EatenCooked),
		string(Preparation),
		string(OutsideOnly),
		string(OtherUse),
		string(NotUsed),
		string(Poisonous),
	}
	UseStandingWords = []string{"traditional", "studied", "disputed"}
	VerbWords        = []string{"Cut", "Pick", "Lift", "Snip"}
)

// verdictUses tells whether a verdict allows a harvest.
var verdictUses = map[Verdict]bool{
	EatenRaw: true, EatenCooked: true, Preparation: true, OutsideOnly: true, OtherUse: true,
	NotUsed: false, Poisonous: false,
}

// PartKinds are the kinds of parts.
var PartKinds = []string{
	"leaf",
	"shoot",
	"flower",
	"top",
	"root",
	"rhizome",
	"bulb",
	"seed",
	"fruit",
	"pod",
	"bark",
	"stem",
	"pad",
	"whole",
}

// Part is one part of a plant with its verdict and, where it is used, its
// harvest rule.
type Part struct {
	Name string `toml:"name"`
	// Kind is leaf, root, flower and so on; usual figures go by it.
	Kind     string    `toml:"kind"`
	Verdicts []Verdict `toml:"verdict"`
	// Use says in a sentence what for.
	Use string `toml:"use"`
	// UseStanding is traditional, studied or disputed.
	UseStanding string       `toml:"use_standing,omitempty"`
	Keep        Keep         `toml:"keep,omitempty"`
	Harvest     *HarvestRule `toml:"harvest,omitempty"`
}

// verdictMakes are the preparations that each verdict allows. What is for outside only is
// never made into something to swallow.
var verdictMakes = map[Verdict]func(made string) bool{
	EatenRaw:    func(made string) bool { return made == "food" },
	EatenCooked: func(made string) bool { return made == "food" },
	Preparation: func(made string) bool { return made != "food" },
	OutsideOnly: func(made string) bool { return made == "salve" || made == "bath" },
}

// Preparations are what the part may be made into by its verdicts, in the order of
// PreparationWords. This is the one place that judges it: for making, for a label and for
// the cautions shown.
func (p Part) Preparations() []string {
	may := []string{}
	for _, made := range PreparationWords {
		if slices.ContainsFunc(
			p.Verdicts,
			func(v Verdict) bool { makes := verdictMakes[v]; return makes != nil && makes(made) },
		) {
			may = append(may, made)
		}
	}
	return may
}

// usedFresh are the preparations that are used up as they are made. All others are kept, in a jar of the store.
var usedFresh = []string{"food", "tea", "bath", "steam"}

// UsedFresh are those of the part's Preparations that are used up as they are made.
func (p Part) UsedFresh() []string {
	return slices.DeleteFunc(p.Preparations(), func(made string) bool { return !slices.Contains(usedFresh, made) })
}

// HarvestRule says when and how much of a part may be taken.
type HarvestRule struct {
	// Verb is the grower's word: Cut, Pick, Lift.
	Verb string `toml:"verb"`
	// One and Many name the unit the part is counted in.
	One  string `toml:"one"`
	Many string `toml:"many"`
	// From and Until bound the stages: it begins with From and ends when Until
	// begins. Where From comes later in the plant's own year than Until, the band runs
	// through the winter; the rest ends a year.
	From  Stage `toml:"from"`
	Until Stage `toml:"until"`
	// Peak is the best stage.
	Peak Stage `toml:"peak"`
	// MinYear is the first year of life in which any may be taken; LastYear,
	// where set, the last.
	MinYear  Figure  `toml:"min_year"`
	LastYear *Figure `toml:"last_year,omitempty"`
	// PerPlant is how many units a full-grown plant carries; GramsEach the
	// fresh weight of one.
	PerPlant  Figure `toml:"per_plant"`
	GramsEach Figure `toml:"grams_each"`
	// CutShare is the share that may be taken, Floor the share that must
	// always stand, and FloorFor what it is kept for.
	CutShare Figure    `toml:"cut_share"`
	Floor    Figure    `toml:"floor"`
	FloorFor string    `toml:"floor_for"`
	Regrowth *Regrowth `toml:"regrowth,omitempty"`
	// Flushes are the times of the year at which it is ready, where it is so more than once.
	Flushes []Flush `toml:"flush,omitempty"`
	// TakesPlant is true where the plant goes with the part, as with a root.
	TakesPlant bool `toml:"takes_plant,omitempty"`
	// DryDays is how many dry days should end with the day of picking.
	DryDays *Figure  `toml:"dry_days,omitempty"`
	Sign    string   `toml:"sign"`
	Way     string   `toml:"way"`
	Hazards []string `toml:"hazards"`
	// MinutesEach is the work for one unit.
	MinutesEach Figure `toml:"minutes_each"`
}

// IsDug tells whether some part of the species is taken with its roots.
func (s *Species) IsDug() bool {
	for _, part := range s.Parts {
		if part.Harvest != nil && part.Harvest.TakesPlant {
			return true
		}
	}
	return false
}

// LookAlike is a plant that this one is mistaken for, and what decides.
type LookAlike struct {
	Name      string `toml:"name"`
	Botanical string `toml:"botanical"`
	// Danger is deadly, poisonous, unpleasant or harmless.
	Danger string `toml:"danger"`
	// Decides is the character to look at, for both plants.
	Decides string `toml:"decides"`
	// When are the months in which that shows, at the north of the equator, and Of the part
	// that shows it.
	When calendar.Months `toml:"when"`
	Of   string          `toml:"of,omitempty"`
	// ID is the species' own in the library; Shows what it shows where it has none.
	ID    string `toml:"id,omitempty"`
	Shows Shows  `toml:"shows,omitempty"`
}

// WhenWords say when it shows, and on what.
func (l LookAlike) WhenWords() string {
	if l.Of == "" {
		return l.When.String()
	}
	return l.Of + ", " + l.When.String()
}

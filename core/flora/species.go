package flora

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/spelling"
)

// Species is one plant of the library.
type Species struct {
	Format    int       `toml:"format"`
	ID        string    `toml:"id"`
	Names     Names     `toml:"names"`
	Life      Life      `toml:"life"`
	Size      Size      `toml:"size"`
	Growth    Growth    `toml:"growth"`
	Site      Site      `toml:"site"`
	Household Household `toml:"household"`
	Identity  Identity  `toml:"identity"`
	// Tender are the nights that it does not bear unharmed.
	Tender    []Tender    `toml:"tender,omitempty"`
	Flowering Flowering   `toml:"flowering,omitempty"`
	Range     NativeRange `toml:"range,omitempty"`
	// Propagations are the ways to make more of it, Spreads those in which it gets further by
	// itself, Hold what is done against that.
	Propagations []Propagation `toml:"propagate"`
	Spreads      []SpreadWay   `toml:"spread,omitempty"`
	Hold         Hold          `toml:"hold,omitempty"`
	// Wildlife says what it is worth to insects, birds and others.
	Wildlife string `toml:"wildlife"`
	// Watch says why a plant needs watching; Law reminds of a list it may stand on.
	Watch string `toml:"watch,omitempty"`
	Law   string `toml:"law,omitempty"`
	// OrganRisk names the organs it is known to be able to harm.
	OrganRisk []string `toml:"organ_risk,omitempty"`
	// Poison is what a dangerous plant does.
	Poison     *Poison     `toml:"poison,omitempty"`
	Parts      []Part      `toml:"part"`
	Troubles   []Trouble   `toml:"trouble,omitempty"`
	Kinds      []Kind      `toml:"kind,omitempty"`
	Care       []Care      `toml:"care"`
	Cautions   []Caution   `toml:"caution"`
	LookAlikes []LookAlike `toml:"look_alike"`
}

// Names are all names a species goes by.
type Names struct {
	// Name is the one shown first.
	Name      string       `toml:"name"`
	Botanical string       `toml:"botanical"`
	Family    string       `toml:"family"`
	Former    []string     `toml:"former"`
	Common    []CommonName `toml:"common"`

	plain *plainNames
}

// plainNames are the botanical names made plain for comparing, with what they were made of.
type plainNames struct {
	botanical         string
	former, binomials []string
}

// MakePlain works out the names to compare by once: a library compares all with all. A
// change of the names after it is noticed.
func (n *Names) MakePlain() {
	n.plain = &plainNames{n.Botanical, slices.Clone(n.Former), n.Binomials()}
}

// SamePlant tells whether two descriptions are of one plant: they share a genus and
// epithet, now or formerly, whatever the author, accents, or letters that only look alike.
func SamePlant(a, b *Species) bool {
	return slices.ContainsFunc(
		a.Names.Binomials(),
		func(name string) bool { return slices.Contains(b.Names.Binomials(), name) },
	)
}

// NearPlant tells whether a plant may be another one misspelt or under another's common
// name, and by which of its names: a botanical name that is a slip or two off, or a name
// of its own that is among all names of the other.
func NearPlant(a, other *Species) (by string, near bool) {
	for _, mine := range a.Names.Binomials() {
		for _, theirs := range other.Names.Binomials() {
			if spelling.NearNames(mine, theirs) {
				return mine, true
			}
		}
	}
	theirs := other.Names.everyName()
	for _, name := range a.Names.everyName() {
		if slices.Contains(theirs, name) {
			return name, true
		}
	}
	return "", false
}

// everyName are the common names in every language, and the name shown first, for comparing.
func (n Names) everyName() []string {
	names := []string{spelling.Words(n.Name)}
	for _, common := range n.Common {
		names = append(names, spelling.Words(common.Name))
	}
	return names
}

// Binomials are genus and epithet of the name in force and of every former one, for
// comparing; one without both is left out.
func (n Names) Binomials() []string {
	if p := n.plain; p != nil && p.botanical == n.Botanical && slices.Equal(p.former, n.Former) {
		return p.binomials
	}
	var all []string
	for _, name := range append([]string{n.Botanical}, n.Former...) {
		words := strings.Fields(spelling.Words(strings.ReplaceAll(name, "×", " ")))
		if len(words) > 2 && words[1] == "x" {
			words = slices.Delete(words, 1, 2)
		}
		if len(words) > 1 {
			all = append(all, words[0]+" "+words[1])
		}
	}
	return all
}

// CommonName is a name with the language or region that uses it.
type CommonName struct {
	Name     string `toml:"name"`
	Language string `toml:"language"`
}

// UnmarshalText reads a common name from "Eibisch (German)".
func (n *CommonName) UnmarshalText(text []byte) error {
	name, language, found := strings.Cut(string(text), " (")
	if !found || !strings.HasSuffix(language, ")") || name == "" {
		return fmt.Errorf("%q is not a name with its language, like \"Eibisch (German)\"", text)
	}
	*n = CommonName{name, strings.TrimSuffix(language, ")")}
	return nil
}

// MarshalText writes a common name with its language.
func (n CommonName) MarshalText() ([]byte, error) {
	return fmt.Appendf(nil, "%s (%s)", n.Name, n.Language), nil
}

// LifeForm is how long a plant lives.
type LifeForm string

// The life forms.
const (
	Annual    LifeForm = "annual"
	Biennial  LifeForm = "biennial"
	Perennial LifeForm = "perennial"
)

// Words of a life.
var (
	FormWords  = []string{string(Annual), string(Biennial), string(Perennial)}
	HabitWords = []string{"herb", "shrub", "climber", "tree", "succulent", "grass", "fern"}
)

// Life says how long and how a species lives.
type Life struct {
	Form LifeForm `toml:"form"`
	// Habit is the grower's word: herb, shrub, climber.
	Habit string `toml:"habit"`
	// KeepsLeaf is true for plants whose top does not vanish in winter.
	KeepsLeaf bool `toml:"keeps_leaf"`
	// FullAge is the year of life in which mature size is reached.
	FullAge Figure `toml:"full_age"`
}

// Size is the mature size.
type Size struct {
	Height Figure `toml:"height"`
	Width  Figure `toml:"width"`
}

// Growth is what the stage forecast needs.
type Growth struct {
	// Base and Upper bound the temperatures that drive growth.
	Base  Figure `toml:"base"`
	Upper Figure `toml:"upper"`
	// Spread is how far the plants of one planting differ in pace: the
	// standard deviation of the logarithm of their thermal time.
	Spread Figure `toml:"spread"`
	// At is the station whose usual year the courses tell; Chill the days of cold
	// wanted before it shoots. Neither is needed where the stages stand in figures.
	At    string  `toml:"at,omitempty"`
	Chill *Figure `toml:"chill,omitempty"`
	// Years are the stage sequences by year of life.
	Years []YearOfLife `toml:"year"`
	// Starts are the first years of plants that were started in another way than from seed.
	Starts []StartedYear `toml:"start,omitempty"`
}

// StartedYear is the first year of a plant of some origins.
type StartedYear struct {
	By []Origin `toml:"by"`
	YearOfLife
}

// AsStarted returns the species as a plant of an origin lives it: its first year is that of the
// origin, where one is told.
func (s *Species) AsStarted(origin Origin) *Species {
	for _, start := range s.Growth.Starts {
		if !slices.Contains(start.By, origin) {
			continue
		}
		own := *s
		own.Growth.Years = []YearOfLife{start.YearOfLife}
		for _, year := range s.Growth.Years {
			if year.From > 1 {
				own.Growth.Years = append(own.Growth.Years, year)
			}
		}
		own.Growth.Years[0].From = 1
		return &own
	}
	return s
}

// YearOfLife is the sequence of stages from one year of life on, until the next
// entry takes over.
type YearOfLife struct {
	From int `toml:"from"`
	// Sown is the usual day of sowing where growth begins with it; Course the
	// usual day of each stage at the station: "shooting 20 Mar, leafing 5 Apr".
	// Where there is a course, the stages' figures are worked out from it.
	Sown string `toml:"sown,omitempty"`
	// SownAfter is how many days into a season that is, and IsSown whether it is told:
	// worked out with the course.
	SownAfter int         `toml:"-"`
	IsSown    bool        `toml:"-"`
	Course    string      `toml:"course,omitempty"`
	Stages    []StageRule `toml:"stage,omitempty"`
}

// StageRule says when a stage is reached. Every condition that is set has to
// be met.
type StageRule struct {
	Stage Stage `toml:"stage"`
	// Warmth is the thermal time since winter rest or sowing.
	Warmth Figure `toml:"warmth"`
	// DayAbove and DayBelow are day lengths; DayBelow counts after the
	// longest day.
	DayAbove *Figure `toml:"day_above"`
	DayBelow *Figure `toml:"day_below"`
	// DayShare is a day length as a share of the year's range, 0 the shortest day to 1 the
	// longest, that counts as DayBelow does. It is what a course tells: its days are at one
	// latitude, and come about the same time at another.
	DayShare *Figure `toml:"-"`
	// LeastDays is how many days after sowing the stage comes at the soonest, however warm,
	// with its range: worked out with a course; nil for none.
	LeastDays *Figure `toml:"-"`
	// Chill is the number of winter days whose mean lies in the chill range
	// that must have passed.
	Chill *Figure `toml:"chill"`
}

// ChillLowC and ChillHighC bound the daily mean temperature, in °C, that counts
// as a day of winter rest: the usual range for temperate perennials.
const (
	ChillLowC  = 0.0
	ChillHighC = 7.0
)

// YearOfLifeRules returns the stage sequence for a year of life, 1 for the
// first, or an error if the species does not live that long. A plant that is too young to
// flower has no stage of flower or fruit.
func (s *Species) YearOfLifeRules(year int) (YearOfLife, error) {
	if s.Life.Form == Annual && year > 1 || s.Life.Form == Biennial && year > 2 {
		return YearOfLife{}, fmt.Errorf("%s is %s: it has no year %d", s.Names.Name, s.Life.Form, year)
	}
	found := -1
	for i, y := range s.Growth.Years {
		if y.From <= year {
			found = i
		}
	}
	if found < 0 {
		return YearOfLife{}, fmt.Errorf("%s has no stages for year %d", s.Names.Name, year)
	}
	sequence := s.Growth.Years[found]
	if first := s.Flowering.FirstYear; first != nil && year < int(first.Value) {
		return sequence.beforeFlower(), nil
	}
	return sequence, nil
}

// Part returns the description of a part, and whether the species has one.
func (s *Species) Part(name string) (Part, bool) {
	for _, p := range s.Parts {
		if p.Name == name {
			return p, true
		}
	}
	return Part{}, false
}

// ForecastStanding is the weakest standing that a year's forecast rests on.
func (s *Species) ForecastStanding(year YearOfLife) Standing {
	weakest := Weakest(s.Growth.Base.Standing, s.Growth.Upper.Standing, s.Growth.Spread.Standing)
	for _, rule := range year.Stages {
		weakest = Weakest(weakest, rule.Warmth.Standing)
		for _, condition := range []*Figure{rule.DayAbove, rule.DayBelow, rule.DayShare, rule.Chill} {
			if condition != nil {
				weakest = Weakest(weakest, condition.Standing)
			}
		}
	}
	return weakest
}

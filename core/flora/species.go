package flora

import (
	"fmt"
	"strings"
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
	// Propagation says how to make more of it, by way.
	Propagation map[string]string `toml:"propagation"`
	// Wildlife says what it is worth to insects, birds and others.
	Wildlife string `toml:"wildlife"`
	// Watch says why a plant needs watching; Law reminds of a list it may stand on.
	Watch string `toml:"watch,omitempty"`
	Law   string `toml:"law,omitempty"`
	// OrganRisk names the organs it is known to be able to harm.
	OrganRisk  []string    `toml:"organ_risk,omitempty"`
	Parts      []Part      `toml:"part"`
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
}

// SamePlant tells whether two descriptions are of one plant: they share a genus and
// epithet, now or formerly, whatever the author.
func SamePlant(a, b *Species) bool {
	for i := -1; i < len(a.Names.Former); i++ {
		for j := -1; j < len(b.Names.Former); j++ {
			if name := a.Names.binomial(i); name != "" && strings.EqualFold(name, b.Names.binomial(j)) {
				return true
			}
		}
	}
	return false
}

// binomial is the genus and epithet of a former name, or for -1 of the name in force;
// empty where there are not both.
func (n Names) binomial(former int) string {
	name := n.Botanical
	if former >= 0 {
		name = n.Former[former]
	}
	genus, rest, found := strings.Cut(strings.TrimSpace(name), " ")
	rest = strings.TrimSpace(strings.TrimPrefix(rest, "×"))
	epithet, _, _ := strings.Cut(rest, " ")
	if !found || epithet == "" {
		return ""
	}
	return genus + " " + epithet
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
// first, or an error if the species does not live that long.
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
	return s.Growth.Years[found], nil
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
		for _, condition := range []*Figure{rule.DayAbove, rule.DayBelow, rule.Chill} {
			if condition != nil {
				weakest = Weakest(weakest, condition.Standing)
			}
		}
	}
	return weakest
}

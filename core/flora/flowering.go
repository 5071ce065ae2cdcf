package flora

import "slices"

// Flowering is when a plant first flowers, for how long, and what it needs to bear. Whatever
// is left out is not on record.
type Flowering struct {
	// FirstYear is the year of life of the first flower from seed, Lasts how many days one
	// flowering lasts.
	FirstYear *Figure `toml:"first_year,omitempty"`
	Lasts     *Figure `toml:"lasts,omitempty"`
	// Again says whether it flowers again in the year.
	Again string `toml:"again,omitempty"`
	// Once is true of a plant that dies after it has flowered once, whatever its age.
	Once bool `toml:"once,omitempty"`
	// Sex is how its sexes stand, Pollen what it needs to set seed or fruit.
	Sex    string `toml:"sex,omitempty"`
	Pollen string `toml:"pollen,omitempty"`
}

// Words of a flowering.
var (
	AgainWords = []string{"no", "after cutting", "on and off", "until frost"}
	SexWords   = []string{"both in one flower", "both on one plant", "two kinds of plants", "needs another", "sterile"}
)

func (f Flowering) check(c *checker) {
	c.optional("flowering.first_year", unitYear, f.FirstYear, 1, 60)
	c.optional("flowering.lasts", unitDays, f.Lasts, 1, 365)
	c.oneOf("flowering.again", f.Again, append([]string{""}, AgainWords...)...)
	c.oneOf("flowering.sex", f.Sex, append([]string{""}, SexWords...)...)
}

// ofFlower are the stages of flower and fruit.
var ofFlower = []Stage{InBud, FirstFlower, FullFlower, SettingSeed, Ripe}

// beforeFlower is the year's course of a plant that is too young to flower.
func (y YearOfLife) beforeFlower() YearOfLife {
	y.Stages = slices.DeleteFunc(slices.Clone(y.Stages), func(rule StageRule) bool {
		return slices.Contains(ofFlower, rule.Stage)
	})
	return y
}

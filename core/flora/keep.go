package flora

import (
	"slices"

	"bramblyacre/core/calendar"
)

// Keep is how a part is picked at its best, dried, frozen and made into something. Whatever is
// left out is not on record.
type Keep struct {
	// Water is the water share of the fresh part, wet basis.
	Water *Figure `toml:"water,omitempty"`
	// Heat is the highest temperature in °C that it is dried at, Dries how it dries, Done the
	// test in the hand that says it is dry.
	Heat  *Figure `toml:"heat,omitempty"`
	Dries string  `toml:"dries,omitempty"`
	Done  string  `toml:"done,omitempty"`
	// Months is how long it keeps dried, Stored how.
	Months *Figure `toml:"months,omitempty"`
	Stored string  `toml:"stored,omitempty"`
	Freeze *Freeze `toml:"freeze,omitempty"`
	// Makings are what it suits, Handling what has to be done to it for them.
	Makings  []string `toml:"makings,omitempty"`
	Handling []string `toml:"handling,omitempty"`
	// Hour and Weather are those of picking.
	Hour    string `toml:"hour,omitempty"`
	Weather string `toml:"weather,omitempty"`
	Falls   string `toml:"falls,omitempty"`
	// Quality is by stage how good the part is then, a share of its best; Falls says it in words.
	Quality map[string]Figure `toml:"quality,omitempty"`
	// Animals says how hens, bees, bugs and others have to do with it.
	Animals string `toml:"animals,omitempty"`
}

// Freeze is how a part is frozen.
type Freeze struct {
	// FreshWater is true where each lot is blanched in fresh water, since it draws out what is bitter or sour.
	FreshWater bool `toml:"fresh_water,omitempty"`
	// Blanch is the minutes in boiling water, 0 for none; Months how long it keeps frozen.
	Blanch *Figure `toml:"blanch,omitempty"`
	Months *Figure `toml:"months,omitempty"`
	How    string  `toml:"how,omitempty"`
}

// Flush is one of several times a year at which a part is ready.
type Flush struct {
	Name   string          `toml:"name"`
	Season calendar.Months `toml:"season"`
}

// DriesWords are the ways in which parts dry, the quickest first.
var DriesWords = []string{"thin leaf", "flower", "thick leaf", "seed", "bark", "root", "fruit", "not dried"}

// makings are what can be made of a part, with the preparation that each counts as: a verdict
// that does not allow that does not allow the making.
var makings = map[string]string{
	"raw": "food", "cooked": "food", "flour": "food",
	"steeped": "tea", "simmered": "tea", "powder": "tea",
	"oil": "infused oil", "salve": "salve", "bath": "bath",
	"vinegar": "vinegar", "spirit": "tincture", "syrup": "syrup", "honey": "honey",
}

// MakingWords are what can be made of a part.
var MakingWords = []string{
	"raw",
	"cooked",
	"flour",
	"steeped",
	"simmered",
	"powder",
	"oil",
	"salve",
	"bath",
	"vinegar",
	"spirit",
	"syrup",
	"honey",
}

// madeOutside are the makings that a part for outside only may be made into, too: an oil goes
// into its salve.
var madeOutside = []string{"oil"}

// PreparationOf is the preparation that a making counts as; empty for a word that is no making.
func PreparationOf(making string) string { return makings[making] }

// MayMake tells whether a part's verdict allows a making.
func (p Part) MayMake(making string) bool {
	made, known := makings[making]
	return known && (slices.Contains(p.Preparations(), made) || p.isOutside() && slices.Contains(madeOutside, making))
}

const unitMonths = "months"

func (p Part) checkKeep(c *checker, key string) {
	keep := p.Keep
	c.want(p.Harvest == nil || keep.Water != nil, key+".water", "is missing")
	c.optional(key+".water", unitShare, keep.Water, 0.02, 0.99)
	c.optional(key+".heat", unitCelsius, keep.Heat, 20, 90)
	c.oneOf(key+".dries", keep.Dries, append([]string{""}, DriesWords...)...)
	c.optional(key+".months", unitMonths, keep.Months, 0.1, 120)
	if keep.Freeze != nil {
		c.optional(key+".freeze.blanch", unitMinute, keep.Freeze.Blanch, 0, 30)
		c.optional(key+".freeze.months", unitMonths, keep.Freeze.Months, 0.1, 60)
	}
	for stage, quality := range keep.Quality {
		_, err := ParseStage(stage)
		c.want(err == nil, key+".quality."+stage, "is no stage")
		c.figure(key+".quality."+stage, unitShare, quality, 0, 1)
	}
	for i, making := range keep.Makings {
		key := keyAt(key+".makings", i)
		_, known := makings[making]
		c.oneOf(key, making, MakingWords...)
		c.want(!known || p.MayMake(making), key,
			"the verdict does not allow %q", making)
	}
}

// isOutside tells whether the part is for outside only.
func (p Part) isOutside() bool { return slices.Contains(p.Verdicts, OutsideOnly) }

package flora

import "bramblyacre/core/calendar"

// PropagationWays are the ways to make more of a plant.
var PropagationWays = []string{
	"seed",
	"volunteers",
	"division",
	"root piece",
	"runner",
	"sucker",
	"layer",
	"bulb",
	"softwood cutting",
	"half-ripe cutting",
	"hardwood cutting",
	"leaf cutting",
	"root cutting",
	"graft",
	"bought",
}

// LightWords are what seed wants of light to come up.
var LightWords = []string{"light", "dark", "either"}

// Propagation is one way to make more of a plant. Whatever is left out is not on record.
type Propagation struct {
	Way string `toml:"way"`
	// How says it in a sentence, From of what it is made.
	How  string `toml:"how,omitempty"`
	From string `toml:"from,omitempty"`
	// Advised is false where it is possible and not to be done; nil where it is advised.
	Advised *bool `toml:"advised,omitempty"`
	// Stage and Until bound it by the stages of the mother, Season by the year's months at the
	// north of the equator.
	Stage  *Stage          `toml:"stage,omitempty"`
	Until  *Stage          `toml:"until,omitempty"`
	Season calendar.Months `toml:"season,omitempty"`

	// SeedsGram is how many seeds weigh a gram, Depth how deep they are sown in mm.
	SeedsGram *Figure `toml:"seeds_gram,omitempty"`
	Depth     *Figure `toml:"depth,omitempty"`
	Light     string  `toml:"light,omitempty"`
	// Base, Optimum and Ceiling are the temperatures in °C at which coming up begins, is
	// quickest, and ends; Warmth is the thermal time to it in °C d above the base.
	Base    *Figure `toml:"base,omitempty"`
	Optimum *Figure `toml:"optimum,omitempty"`
	Ceiling *Figure `toml:"ceiling,omitempty"`
	Warmth  *Figure `toml:"warmth,omitempty"`
	// WarmWeeks and ColdWeeks are the weeks of moist warmth and then of moist cold wanted first.
	WarmWeeks *Figure `toml:"warm_weeks,omitempty"`
	ColdWeeks *Figure `toml:"cold_weeks,omitempty"`
	// Treat is what is done to the seed before: soaking, scarring.
	Treat string `toml:"treat,omitempty"`
	// ComesUp is the share of good seed that comes up, SeedLife the years in which half of it
	// dies in a cool dry room.
	ComesUp  *Figure `toml:"comes_up,omitempty"`
	SeedLife *Figure `toml:"seed_life,omitempty"`
	// SetOutWeeks is how many weeks after coming up or rooting it is set out, Spacing how far
	// from its like, in cm.
	SetOutWeeks *Figure `toml:"set_out_weeks,omitempty"`
	Spacing     *Figure `toml:"spacing,omitempty"`
	// Takes is the share of pieces or cuttings that root, RootsDays in how many days; Gives is
	// how many one mother gives without harm.
	Takes     *Figure `toml:"takes,omitempty"`
	RootsDays *Figure `toml:"roots_days,omitempty"`
	Gives     *Figure `toml:"gives,omitempty"`
	// FirstHarvest is by part the year after the start in which it is first taken.
	FirstHarvest map[string]Figure `toml:"first_harvest,omitempty"`
	// Wrong lists what goes wrong.
	Wrong []string `toml:"wrong,omitempty"`
}

// IsAdvised tells whether the way is one to go.
func (p Propagation) IsAdvised() bool { return p.Advised == nil || *p.Advised }

// Units of propagation.
const (
	unitSeeds      = "seeds"
	unitMillimetre = "mm"
	unitWeeks      = "weeks"
	unitYears      = "years"
	unitPieces     = "pieces"
)

func (s *Species) checkPropagation(c *checker) {
	c.want(len(s.Propagations)+len(s.Spreads) > 0, "propagate",
		"is missing: name at least one way to make more of it, or under spread how it makes more of itself")
	for i, p := range s.Propagations {
		key := keyAt("propagate", i)
		c.oneOf(key+".way", p.Way, PropagationWays...)
		c.oneOf(key+".light", p.Light, append([]string{""}, LightWords...)...)
		c.want(p.How != "" || p.Way == "bought", key+".how", "is empty: say when and how")
		c.want((p.Stage == nil) == (p.Until == nil), key+".until", "a band of stages has two ends")
		c.optional(key+".seeds_gram", unitSeeds, p.SeedsGram, 0.01, 200_000)
		c.optional(key+".depth", unitMillimetre, p.Depth, 0, 200)
		c.optional(key+".base", unitCelsius, p.Base, -5, 30)
		c.optional(key+".optimum", unitCelsius, p.Optimum, 0, 45)
		c.optional(key+".ceiling", unitCelsius, p.Ceiling, 5, 60)
		if p.Base != nil && p.Optimum != nil && p.Ceiling != nil {
			c.want(p.Base.Value < p.Optimum.Value && p.Optimum.Value < p.Ceiling.Value, key+".optimum",
				"must lie between base and ceiling")
		}
		c.optional(key+".warmth", unitWarmth, p.Warmth, 1, 3000)
		c.optional(key+".warm_weeks", unitWeeks, p.WarmWeeks, 0, 60)
		c.optional(key+".cold_weeks", unitWeeks, p.ColdWeeks, 0, 60)
		c.optional(key+".comes_up", unitShare, p.ComesUp, 0, 1)
		c.optional(key+".seed_life", unitYears, p.SeedLife, 0.05, 100)
		c.optional(key+".set_out_weeks", unitWeeks, p.SetOutWeeks, 0, 200)
		c.optional(key+".spacing", unitCentimetre, p.Spacing, 1, 3000)
		c.optional(key+".takes", unitShare, p.Takes, 0, 1)
		c.optional(key+".roots_days", unitDays, p.RootsDays, 1, 800)
		c.optional(key+".gives", unitPieces, p.Gives, 0, 10_000)
		for part, year := range p.FirstHarvest {
			_, has := s.Part(part)
			c.want(has, key+".first_harvest."+part, "the species has no part %q", part)
			c.figure(key+".first_harvest."+part, unitYears, year, 0, 60)
		}
	}
}

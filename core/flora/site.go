package flora

import (
	"fmt"
	"slices"
)

// Site is what a species asks of the ground and the place it stands in.
type Site struct {
	// Sun is in hours of direct sun a day over the six summer months.
	Sun Range `toml:"sun"`
	// Moisture is that of the summer months.
	Moisture  WordRange `toml:"moisture"`
	Drainage  WordRange `toml:"drainage"`
	Texture   WordRange `toml:"texture"`
	Acidity   Range     `toml:"ph"`
	Fertility WordRange `toml:"fertility"`
	Shelter   WordRange `toml:"shelter"`
	// SoilDepth is the depth of soil that it wants.
	SoilDepth Figure `toml:"soil_depth"`
	// Cold is the lowest temperature of a winter that it bears; ColdWet, where
	// set, in ground that is wet in winter, and ColdNote says so in words.
	Cold     Figure  `toml:"cold"`
	ColdWet  *Figure `toml:"cold_wet"`
	ColdNote string  `toml:"cold_note"`
	// Roots are shallow or deep; RootReach is how far they go from the stem.
	Roots     string `toml:"roots"`
	RootReach Figure `toml:"root_reach"`
	// Spread is how it spreads: stays, gentle, runs or seeds about.
	Spread     string `toml:"spread"`
	SpreadNote string `toml:"spread_note"`
	// Bears and Suffers are ids of trees whose poison it is known to bear or to
	// suffer from. A tree in neither list is not on record.
	Bears   []string `toml:"bears"`
	Suffers []string `toml:"suffers"`
	// Uses are the groups it is grown for.
	Uses []string `toml:"uses"`
}

// Household is how a species goes with the people and animals about it.
type Household struct {
	// Ease is easy, some care or fussy.
	Ease    string `toml:"ease"`
	EaseWhy string `toml:"ease_why"`
	// Hens is eaten, a little, left alone, harmful or not known.
	Hens    string `toml:"hens"`
	HensWhy string `toml:"hens_why"`
	// Children says what to mind where small children are; Allergy what an
	// allergic picker has to mind. Empty where nothing is on record.
	Children string `toml:"children"`
	Allergy  string `toml:"allergy"`
}

// The scales of words that a site is described on, least first.
var (
	MoistureWords  = []string{"dry", "fresh", "moist", "wet"}
	DrainageWords  = []string{"waterlogged", "slow", "free", "sharp"}
	TextureWords   = []string{"sandy", "light", "medium", "heavy", "clay"}
	FertilityWords = []string{"lean", "fair", "rich"}
	ShelterWords   = []string{"exposed", "half-sheltered", "sheltered"}
)

// Words of a site and a household.
var (
	RootWords   = []string{"shallow", "deep"}
	SpreadWords = []string{"stays", "gentle", "runs", "seeds about"}
	UseWords    = []string{
		"tea", "chest", "skin", "kitchen", "insects", "hens", "feed", "fibre", "dye", "soap", "compost", "ground cover",
		"holding a bank", "nurse for others", "nitrogen", "feeding the soil",
	}
	EaseWords = []string{"easy", "some care", "fussy"}
	HensWords = []string{"eaten", "a little", "left alone", "harmful", "not known"}
)

func (s *Species) checkSite(c *checker) {
	at := s.Site
	for _, of := range []struct {
		key string
		err error
	}{
		{"site.sun", at.Sun.check(unitHours)},
		{"site.moisture", at.Moisture.check(MoistureWords)},
		{"site.drainage", at.Drainage.check(DrainageWords)},
		{"site.texture", at.Texture.check(TextureWords)},
		{"site.ph", at.Acidity.check("pH")},
		{"site.fertility", at.Fertility.check(FertilityWords)},
		{"site.shelter", at.Shelter.check(ShelterWords)},
	} {
		if of.err != nil {
			c.fault(of.key, "%v", of.err)
		}
	}
	c.want(at.Sun.Low >= -1 && at.Sun.High <= 25, "site.sun", "lies outside a day")
	c.want(at.Acidity.Low >= 2 && at.Acidity.High <= 11, "site.ph", "is no soil's")
	c.figure("site.soil_depth", unitCentimetre, at.SoilDepth, 1, 300)
	c.figure("site.cold", unitCelsius, at.Cold, -60, 15)
	c.optional("site.cold_wet", unitCelsius, at.ColdWet, -60, 15)
	c.want(at.ColdWet == nil || at.ColdNote != "", "site.cold_note", "is missing: say when the cold is borne")
	c.want(at.ColdWet == nil || at.ColdWet.Value >= at.Cold.Value, "site.cold_wet", "wet ground cannot make it hardier")
	c.figure("site.root_reach", unitCentimetre, at.RootReach, 1, 3000)
	c.oneOf("site.roots", at.Roots, RootWords...)
	c.oneOf("site.spread", at.Spread, SpreadWords...)
	c.want(len(at.Uses) > 0 || !s.IsUsed(), "site.uses", "is missing")
	for i, use := range at.Uses {
		c.oneOf(fmt.Sprintf("site.uses[%d]", i), use, UseWords...)
	}
	for _, tree := range at.Bears {
		c.want(!slices.Contains(at.Suffers, tree), "site.suffers", "%q stands under bears too", tree)
	}
	c.oneOf("household.ease", s.Household.Ease, EaseWords...)
	c.want(s.Household.EaseWhy != "", "household.ease_why", "is missing")
	c.oneOf("household.hens", s.Household.Hens, HensWords...)
}

package flora

// SpreadBy are the ways in which a plant spreads by itself.
var SpreadBy = []string{"runners", "rhizomes", "seed", "roots", "layers", "bulbs"}

// SpreadWay is one way in which a plant gets further by itself. Whatever is left out is not on
// record.
type SpreadWay struct {
	By  string `toml:"by"`
	How string `toml:"how,omitempty"`
	// Rate is how far runners or rhizomes go in metres a year, Hastens what makes it more;
	// Barrier is the depth in cm of a barrier that holds them.
	Rate    *Figure `toml:"rate,omitempty"`
	Hastens string  `toml:"hastens,omitempty"`
	Barrier *Figure `toml:"barrier,omitempty"`
	// Heads is how many heads a plant bears and SeedsHead how many seeds one has; Reach is how
	// far in metres most of it falls, SoilYears how many years it lives in the soil, and Wakes
	// what brings it up.
	Heads     *Figure `toml:"heads,omitempty"`
	SeedsHead *Figure `toml:"seeds_head,omitempty"`
	Reach     *Figure `toml:"reach,omitempty"`
	SoilYears *Figure `toml:"soil_years,omitempty"`
	Wakes     string  `toml:"wakes,omitempty"`
	// Regrows is the share of pieces left in the ground that grow again, Depth how deep in cm
	// they lie.
	Regrows *Figure `toml:"regrows,omitempty"`
	Depth   *Figure `toml:"depth,omitempty"`
}

// Hold is how a plant is got rid of, and how what was taken out is thrown away.
type Hold struct {
	Rid       string `toml:"rid,omitempty"`
	ThrowAway string `toml:"throw_away,omitempty"`
}

const unitMetre, unitHeads = "m", "heads"

func (s *Species) checkSpread(c *checker) {
	for i, way := range s.Spreads {
		key := keyAt("spread", i)
		c.oneOf(key+".by", way.By, SpreadBy...)
		c.optional(key+".rate", unitMetre, way.Rate, 0, 20)
		c.optional(key+".barrier", unitCentimetre, way.Barrier, 1, 300)
		c.optional(key+".heads", unitHeads, way.Heads, 0, 100_000)
		c.optional(key+".seeds_head", unitSeeds, way.SeedsHead, 0, 1_000_000)
		c.optional(key+".reach", unitMetre, way.Reach, 0, 10_000)
		c.optional(key+".soil_years", unitYears, way.SoilYears, 0, 500)
		c.optional(key+".regrows", unitShare, way.Regrows, 0, 1)
		c.optional(key+".depth", unitCentimetre, way.Depth, 0, 500)
	}
}

package flora

import "slices"

// Poison is what a dangerous plant does and what to do first, in general terms: it is no
// advice on treatment.
type Poison struct {
	// What it holds, by its usual name, and Parts of the plant that hold most of it.
	What  string   `toml:"what"`
	Parts []string `toml:"parts,omitempty"`
	// Signs are the first ones, Soon says when they come.
	Signs string `toml:"signs"`
	Soon  string `toml:"soon"`
	// First is what to do first, for whoever swallowed or touched it.
	First string `toml:"first"`
	// Source are the ids of the works that it rests on.
	Source []string `toml:"source,omitempty"`
}

func (s *Species) checkPoison(c *checker) {
	if s.Poison == nil {
		c.want(!IsDangerous(s.Identity.Danger), "poison", "is missing: it is %s; say what it holds, the first signs, "+
			"how soon they come, and what to do first", s.Identity.Danger)
		return
	}
	c.want(s.Poison.What != "" && s.Poison.Signs != "" && s.Poison.Soon != "" && s.Poison.First != "", "poison",
		"needs what, signs, soon and first")
	for i, part := range s.Poison.Parts {
		c.want(slices.ContainsFunc(s.Parts, func(p Part) bool { return p.Name == part }), keyAt("poison.parts", i),
			"the species has no part %q", part)
	}
}

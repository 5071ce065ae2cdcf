package flora

// Kind is a cultivar, subspecies or cross that matters, for use or for danger.
type Kind struct {
	Name      string `toml:"name"`
	Botanical string `toml:"botanical,omitempty"`
	Rank      string `toml:"rank"`
	// Matters says why it is to be known.
	Matters string `toml:"matters"`
}

// KindRanks are what a kind can be.
var KindRanks = []string{"cultivar", "variety", "subspecies", "cross", "kin"}

// NativeRange says broadly where a plant is native and where it is a nuisance.
type NativeRange struct {
	Native   string `toml:"native,omitempty"`
	Nuisance string `toml:"nuisance,omitempty"`
}

func (s *Species) checkKinds(c *checker) {
	for i, kind := range s.Kinds {
		key := keyAt("kind", i)
		c.want(kind.Name != "" && kind.Matters != "", key, "needs name and matters")
		c.oneOf(key+".rank", kind.Rank, KindRanks...)
	}
}

package flora

// Trouble is what a plant gets, how it shows, and what is done about it.
type Trouble struct {
	Name string `toml:"name"`
	Kind string `toml:"kind"`
	// Sign is what is seen, Cause what brings it, Do what to do about it.
	Sign  string `toml:"sign"`
	Cause string `toml:"cause,omitempty"`
	Do    string `toml:"do"`
	// Urgent is how soon: today, this week, or it can wait.
	Urgent string `toml:"urgent"`
}

// Words of a trouble.
var (
	TroubleKinds = []string{"pest", "disease", "lack", "excess", "weather"}
	UrgentWords  = []string{"today", "this week", "can wait"}
)

func (s *Species) checkTroubles(c *checker) {
	for i, trouble := range s.Troubles {
		key := keyAt("trouble", i)
		c.want(trouble.Name != "" && trouble.Sign != "" && trouble.Do != "", key, "needs name, sign and do")
		c.oneOf(key+".kind", trouble.Kind, TroubleKinds...)
		c.oneOf(key+".urgent", trouble.Urgent, UrgentWords...)
	}
}

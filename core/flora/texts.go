package flora

import "slices"

// WithTexts returns a copy of a species with every text for people changed by a function:
// what names months of one half of the world is turned for the other by it. Names, figures
// and rules stay.
func (s *Species) WithTexts(change func(string) string) *Species {
	c := *s
	to := func(texts ...*string) {
		for _, text := range texts {
			*text = change(*text)
		}
	}
	to(&c.Wildlife, &c.Watch, &c.Law, &c.Site.SpreadNote, &c.Identity.Kin)
	to(&c.Household.EaseWhy, &c.Household.HensWhy, &c.Household.Children, &c.Household.Allergy)
	c.Propagation = make(map[string]string, len(s.Propagation))
	for way, how := range s.Propagation {
		c.Propagation[way] = change(how)
	}
	c.Parts = slices.Clone(s.Parts)
	for i := range c.Parts {
		to(&c.Parts[i].Use)
		if rule := c.Parts[i].Harvest; rule != nil {
			own := *rule
			to(&own.Sign, &own.Way)
			own.Hazards = slices.Clone(rule.Hazards)
			for k := range own.Hazards {
				to(&own.Hazards[k])
			}
			c.Parts[i].Harvest = &own
		}
	}
	c.Care = slices.Clone(s.Care)
	for i := range c.Care {
		to(&c.Care[i].What, &c.Care[i].Why)
	}
	c.Cautions = slices.Clone(s.Cautions)
	for i := range c.Cautions {
		to(&c.Cautions[i].Text)
	}
	c.LookAlikes = slices.Clone(s.LookAlikes)
	for i := range c.LookAlikes {
		to(&c.LookAlikes[i].Decides, &c.LookAlikes[i].When)
	}
	return &c
}

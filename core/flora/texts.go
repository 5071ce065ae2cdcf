package flora

import (
	"slices"

	"bramblyacre/core/calendar"
)

// InTheSouth returns a copy of a species as it is read south of the equator: months are turned
// by half a year, in data and in every text for people, or a text says that it is the north's.
// Names, figures and rules stay.
func (s *Species) InTheSouth() *Species {
	c := *s
	change := calendar.SouthernMonths
	to := func(texts ...*string) {
		for _, text := range texts {
			*text = change(*text)
		}
	}
	to(&c.Wildlife, &c.Watch, &c.Law, &c.Site.SpreadNote, &c.Identity.Kin, &c.Hold.Rid, &c.Hold.ThrowAway)
	to(&c.Household.EaseWhy, &c.Household.HensWhy, &c.Household.Children, &c.Household.Allergy)
	c.Propagations = slices.Clone(s.Propagations)
	for i := range c.Propagations {
		p := &c.Propagations[i]
		to(&p.How, &p.From, &p.Treat)
		p.Season = p.Season.HalfAYearOn()
	}
	c.Spreads = slices.Clone(s.Spreads)
	for i := range c.Spreads {
		to(&c.Spreads[i].How, &c.Spreads[i].Hastens, &c.Spreads[i].Wakes)
	}
	c.Troubles = slices.Clone(s.Troubles)
	for i := range c.Troubles {
		to(&c.Troubles[i].Sign, &c.Troubles[i].Cause, &c.Troubles[i].Do)
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
			own.Flushes = slices.Clone(rule.Flushes)
			for k := range own.Flushes {
				own.Flushes[k].Season = own.Flushes[k].Season.HalfAYearOn()
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
		to(&c.LookAlikes[i].Decides)
		c.LookAlikes[i].When = c.LookAlikes[i].When.HalfAYearOn()
	}
	return &c
}

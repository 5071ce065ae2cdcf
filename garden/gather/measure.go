package gather

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// household are the measures of a kitchen and a shed, singular and plural. What one of them
// weighs is the grower's own, and weighed once for each part.
var household = map[string]string{
	"handful":    "handfuls",
	"armful":     "armfuls",
	"bowl":       "bowls",
	"bunch":      "bunches",
	"box":        "boxes",
	"cup":        "cups",
	"mug":        "mugs",
	"pint":       "pints",
	"quart":      "quarts",
	"spoon":      "spoons",
	"teaspoon":   "teaspoons",
	"tablespoon": "tablespoons",
	"basket":     "baskets",
	"trug":       "trugs",
	"bucket":     "buckets",
	"jar":        "jars",
	"bag":        "bags",
	"crate":      "crates",
}

// householdMeasure returns the measure that a word means.
func householdMeasure(word string) (one string, is bool) {
	if household[word] != "" {
		return word, true
	}
	for one, many := range household {
		if word == many {
			return one, true
		}
	}
	return "", false
}

// MeasureView is one of the grower's own measures.
type MeasureView struct {
	ID        int64   `json:"id"`
	Name      string  `json:"name" doc:"handful, bowl, cup"`
	SpeciesID string  `json:"speciesId"`
	Part      string  `json:"part"`
	Of        string  `json:"of" doc:"Of which plant and part"`
	Grams     float64 `json:"grams"`
	Weight    string  `json:"weight"`
}

// Measures returns the grower's own measures.
func (u *Uses) Measures(ctx context.Context) ([]MeasureView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	views := []MeasureView{}
	for _, m := range measures.Of(s) {
		name := m.SpeciesID
		if species, has := s.Lib.Species(m.SpeciesID); has {
			name = species.Names.Name
		}
		views = append(
			views,
			MeasureView{m.ID, m.Name, m.SpeciesID, m.Part, view.PartOf(name, m.Part), m.Grams, s.Units.Weight(m.Grams)},
		)
	}
	return views, nil
}

// RemoveMeasure forgets what a measure weighs: it is asked anew.
func (u *Uses) RemoveMeasure(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		all := measures.Of(s)
		at := slices.IndexFunc(all, func(m store.Measure) bool { return m.ID == id })
		if at < 0 {
			return journal.Record{}, say.NotFoundError{What: "measure"}
		}
		m := all[at]
		return journal.Record{
				Kind:    "measure",
				Summary: fmt.Sprintf("No longer says what a %s of %s weighs", m.Name, m.Part),
			}, measuresTable.Drop(
				ctx,
				d,
				id,
			)
	})
}

// measured is an amount as it was typed.
type measured struct {
	// units is in the part's own unit, a whole number; grams its fresh weight.
	Units, Grams float64
	// weighed is a measure that was weighed for the first time, to be kept.
	weighed *store.PutMeasureParams
}

// dryAt is the water share, wet basis, of what is dry enough to keep: usual.
const dryAt = 0.10

// ReadAmount reads an amount of a part: counted in its own unit ("14 stems"), as a weight
// ("310 g", "1/4 lb"), dried ("500 g dried"), or in a measure of the household ("two
// handfuls"), which is weighed once: measureWeighs is what one of it weighs, as typed.
// gramsEach is what one unit of these plants weighs.
func ReadAmount(
	s *plot.State,
	c *say.Checklist,
	species *flora.Species,
	part flora.Part,
	text, measureWeighs string,
	gramsEach float64,
) (amount measured) {
	rule := part.Harvest
	text = strings.TrimSpace(text)
	example := fmt.Sprintf("%s or %s", say.Counted(6, rule.One, rule.Many), s.Units.Weight(6*gramsEach))
	n, rest, err := unit.SplitNumber(text)
	if errors.Is(err, unit.ErrAmbiguous) {
		c.AddError("amount", err)
		return amount
	}
	if err != nil {
		c.Add("amount", "Say how much, for example %s.", example)
		return amount
	}
	name := strings.ToLower(strings.Join(strings.Fields(rest), " "))
	name = strings.TrimSpace(strings.TrimSuffix(name, " of "+strings.ToLower(part.Name)))
	if n <= 0 {
		c.Add("amount", "An amount must be above nothing.")
		return amount
	}
	if name == "" || name == strings.ToLower(rule.One) || name == strings.ToLower(rule.Many) {
		if n != float64(int64(n)) {
			c.Add("amount", "Count whole %s, or write a weight.", rule.Many)
			return amount
		}
		return measured{Units: n, Grams: n * gramsEach}
	}
	if one, is := householdMeasure(name); is {
		return readMeasure(s, c, species, part, one, n, measureWeighs, gramsEach)
	}
	grams, err := readWeight(s, part, text)
	if err != nil {
		c.Add(
			"amount",
			"%q is not an amount here; write %s, a weight such as %s, or handfuls, bowls or cups.",
			text,
			rule.Many,
			s.Units.Weight(6*gramsEach),
		)
		return amount
	}
	if grams <= 0 {
		c.Add("amount", "An amount must be above nothing.")
		return amount
	}
	return measured{Units: harvest.WholeUnits(grams, gramsEach), Grams: grams}
}

// readMeasure reads a number of a household measure.
func readMeasure(
	s *plot.State,
	c *say.Checklist,
	species *flora.Species,
	part flora.Part,
	one string,
	n float64,
	weighs string,
	gramsEach float64,
) (amount measured) {
	grams := 0.0
	for _, m := range measures.Of(s) {
		if m.Name == one && m.SpeciesID == species.ID && m.Part == part.Name {
			grams = m.Grams
		}
	}
	if grams == 0 {
		if strings.TrimSpace(weighs) == "" {
			c.Ask(
				"measureWeighs",
				"weigh",
				nil,
				"What does one %s of %s weigh? Weigh one: it is kept, and not asked again.",
				one,
				view.PartOf(species.Names.Name, part.Name),
			)
			return amount
		}
		var err error
		if grams, err = readWeight(s, part, weighs); err != nil {
			c.AddError("measureWeighs", err)
			return amount
		}
		if grams <= 0 || grams > mostNeedGrams {
			c.Add("measureWeighs", "A %s weighs more than nothing.", one)
			return amount
		}
		amount.weighed = &store.PutMeasureParams{Name: one, SpeciesID: species.ID, Part: part.Name, Grams: grams}
	}
	amount.Grams = n * grams
	amount.Units = harvest.WholeUnits(amount.Grams, gramsEach)
	return amount
}

// readWeight reads a weight in grams, fresh: one said to be dried is what it weighed before.
func readWeight(s *plot.State, part flora.Part, text string) (grams float64, err error) {
	text = strings.TrimSpace(text)
	for _, word := range []string{"dried", "dry"} {
		plain, is := strings.CutSuffix(strings.ToLower(text), " "+word)
		if !is {
			continue
		}
		if part.Keep.Water == nil {
			return 0, fmt.Errorf("how much water is in fresh %s is not on record: write the fresh weight", part.Name)
		}
		dry, err := unit.Parse(unit.Mass, plain, s.Units.MassUnit())
		// Fresh × (1 − water) = dry × (1 − dryAt): what is no water stays.
		return dry * (1 - dryAt) / (1 - part.Keep.Water.Value), err
	}
	text = strings.TrimSpace(strings.TrimSuffix(strings.ToLower(text), " fresh"))
	return unit.Parse(unit.Mass, text, s.Units.MassUnit())
}

package input

import (
	"errors"
	"fmt"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
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

// driedSuffix marks a measure of dried herb.
const driedSuffix = " dried"

// MeasureWords are a measure's name for one and for several.
func MeasureWords(name string) (one, many string) {
	if many, has := household[name]; has {
		return name, many
	}
	return name, name
}

// IsDried tells whether a measure is one of dried herb.
func IsDried(name string) bool { return strings.HasSuffix(name, driedSuffix) }

// HouseholdMeasure returns the measure that words mean: "cups", or "cups dried", which is a measure of its own.
func HouseholdMeasure(word string) (one string, is bool) {
	if plain, isDried := strings.CutSuffix(word, driedSuffix); isDried {
		one, is = HouseholdMeasure(plain)
		return one + driedSuffix, is
	}
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

// Measured is an amount as it was typed.
type Measured struct {
	// Units is in the part's own unit, a whole number; Grams its fresh weight.
	Units, Grams float64
	// Weighed is a measure that was weighed for the first time, to be kept.
	Weighed *store.PutMeasureParams
}

// MostNeedGrams is the largest need that a household can have: a tonne.
const MostNeedGrams = 1e6

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
) (amount Measured) {
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
		return Measured{Units: n, Grams: n * gramsEach}
	}
	if one, is := HouseholdMeasure(name); is {
		amount.Grams, amount.Weighed = readMeasure(s, c, species, part, one, n, measureWeighs)
		if amount.Grams > 0 {
			amount.Units = harvest.WholeUnits(amount.Grams, gramsEach)
		}
		return amount
	}
	grams, err := ReadWeight(s, part, text)
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
	return Measured{Units: harvest.WholeUnits(grams, gramsEach), Grams: grams}
}

// readMeasure reads a number of a household measure, as grams fresh: 0 where it has to be weighed first. One of dried
// herb weighs what it weighs dried.
func readMeasure(
	s *plot.State,
	c *say.Checklist,
	species *flora.Species,
	part flora.Part,
	one string,
	n float64,
	weighs string,
) (fresh float64, weighed *store.PutMeasureParams) {
	grams := 0.0
	for _, m := range plot.Measures.Of(s) {
		if m.Name == one && m.SpeciesID == species.ID && m.Part == part.Name {
			grams = m.Grams
		}
	}
	plain, isDried := strings.CutSuffix(one, driedSuffix)
	name := say.PartOf(species.Names.Name, part.Name)
	share, known := s.Lib.Gather().DriedShare(part)
	if isDried {
		name = "dried " + name
		if !known {
			c.Add("amount", "How much water is in fresh %s is not on record: say how much it is fresh.", part.Name)
			return 0, nil
		}
	} else {
		share = 1
	}
	if grams == 0 {
		if strings.TrimSpace(weighs) == "" {
			c.Ask("measureWeighs", "weigh", nil,
				"What does one %s of %s weigh? Weigh one: it is kept, and not asked again.", plain, name)
			return 0, nil
		}
		var err error
		if grams, err = ReadWeight(s, part, strings.TrimSuffix(strings.TrimSpace(weighs), driedSuffix)); err != nil {
			c.AddError("measureWeighs", err)
			return 0, nil
		}
		if grams <= 0 || grams > MostNeedGrams {
			c.Add("measureWeighs", "A %s weighs more than nothing.", plain)
			return 0, nil
		}
		weighed = &store.PutMeasureParams{Name: one, SpeciesID: species.ID, Part: part.Name, Grams: grams}
	}
	return n * grams / share, weighed
}

// ReadNeed reads how much of a part is needed, as grams fresh: a weight ("400 g", "1 lb dried"), a number of its own
// unit, or of a measure of the household ("12 cups dried"). Nothing written is 0.
func ReadNeed(
	s *plot.State,
	c *say.Checklist,
	species *flora.Species,
	part flora.Part,
	text, measureWeighs string,
) (fresh float64, weighed *store.PutMeasureParams) {
	if strings.TrimSpace(text) == "" {
		return 0, nil
	}
	if grams, err := ReadWeight(s, part, text); err == nil && grams == 0 {
		return 0, nil
	}
	amount := ReadAmount(s, c, species, part, text, measureWeighs, part.Harvest.GramsEach.Value)
	if amount.Grams > MostNeedGrams {
		c.Add("amount", "A year's need lies between nothing and %s.", s.Units.Weight(MostNeedGrams))
	}
	return amount.Grams, amount.Weighed
}

// ReadWeight reads a weight in grams, fresh: one said to be dried is what it weighed before.
func ReadWeight(s *plot.State, part flora.Part, text string) (grams float64, err error) {
	text = strings.TrimSpace(text)
	for _, word := range []string{"dried", "dry"} {
		plain, is := strings.CutSuffix(strings.ToLower(text), " "+word)
		if !is {
			continue
		}
		share, known := s.Lib.Gather().DriedShare(part)
		if !known {
			return 0, fmt.Errorf("how much water is in fresh %s is not on record: write the fresh weight", part.Name)
		}
		dry, err := unit.Parse(unit.Mass, plain, s.Units.MassUnit())
		return dry / share, err
	}
	text = strings.TrimSpace(strings.TrimSuffix(strings.ToLower(text), " fresh"))
	return unit.Parse(unit.Mass, text, s.Units.MassUnit())
}

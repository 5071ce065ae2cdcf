package larder

import (
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// standingJar is a jar with something in it.
func standingJar(s *plot.State, id int64) (holding, error) {
	jar, has := s.JarByID(id)
	if !has {
		return holding{}, say.NotFoundError{What: "jar"}
	}
	h, has := holdingOf(s, jar)
	if !has || jar.EndedOn != nil {
		return h, say.ConflictError{Why: "This jar is empty."}
	}
	return h, nil
}

// kitchen are the measures of a liquid whose volume is the same in every kitchen, in ml.
var kitchen = map[string]float64{
	"teaspoon": 5, "tablespoon": 15, "spoon": 15, "cup": 240, "mug": 300,
}

// measureName is what a measure of what is in a jar is kept by.
func (st stuff) measureName(one string) string {
	if st.lot.Making == makingDried {
		return one + " dried"
	}
	return one + " of " + strings.TrimSuffix(st.making.Of, " of")
}

// measurePart is of what a measure is kept: of the part, or of a mix by its name.
func (st stuff) measurePart() (species, part string) {
	if st.one {
		return st.species.ID, st.part.Name
	}
	return "", st.name()
}

// weighed is what one of a measure of it weighs, in grams; false where that was never weighed.
func (st stuff) weighed(s *plot.State, one string) (grams float64, known bool) {
	if st.lot.Density > 0 {
		ml, known := kitchen[one]
		return ml * st.lot.Density, known
	}
	species, part := st.measurePart()
	for _, m := range plot.Measures.Of(s) {
		if m.Name == st.measureName(one) && m.SpeciesID == species && m.Part == part {
			return m.Grams, true
		}
	}
	return 0, false
}

// jarGrams is what is taken of a jar, in grams: no more than is in it, of which so much was taken already in the same
// entry. Nothing written is all.
func jarGrams(
	s *plot.State, c *say.Checklist, field string, h holding, text, measureWeighs string, already float64,
) float64 {
	grams, _ := readJarAmount(s, c, field, h, text, measureWeighs, already)
	return grams
}

// readJarAmount is jarGrams, with a measure that was weighed for the first time, to be kept.
func readJarAmount(
	s *plot.State, c *say.Checklist, field string, h holding, text, measureWeighs string, already float64,
) (grams float64, weighed *store.PutMeasureParams) {
	left := h.grams - already
	if left < leastGrams {
		c.Add(field, "Nothing is left in this jar.")
		return 0, nil
	}
	text = strings.TrimSpace(text)
	if text == "" {
		return left, nil
	}
	n, rest, err := unit.SplitNumber(text)
	if err != nil {
		c.Add(field, "Say how much, for example a cup, 2 spoons or %s.", amount(s, min(5, left), h.lot.Density))
		return 0, nil
	}
	name := strings.ToLower(strings.Join(strings.Fields(rest), " "))
	one, isMeasure := input.HouseholdMeasure(strings.TrimSuffix(name, " dried"))
	switch {
	case isMeasure:
		grams, weighed = readMeasured(s, c, h, one, n, measureWeighs)
	case h.lot.Density > 0:
		grams, err = readLiquid(s, text, h.lot.Density)
	default:
		grams, err = unit.Parse(unit.Mass, strings.TrimSuffix(strings.ToLower(text), " dried"), s.Units.MassUnit())
	}
	switch {
	case len(c.Faults) > 0:
		return 0, nil
	case err != nil:
		c.AddError(field, err)
		return 0, nil
	case !(grams >= leastGrams):
		c.Add(field, "An amount must be above nothing.")
	case grams > left*scaleError && grams > left+0.5:
		c.Add(field, "Only %s is in it. If it looks like more, weigh the jar.", amount(s, left, h.lot.Density))
	}
	return min(grams, left), weighed
}

// readLiquid reads an amount of a liquid by volume or by weight, in grams.
func readLiquid(s *plot.State, text string, density float64) (float64, error) {
	litres, err := unit.Parse(unit.Volume, text, "ml")
	if err == nil {
		return litres * 1000 * density, nil
	}
	if grams, weightErr := unit.Parse(unit.Mass, text, s.Units.MassUnit()); weightErr == nil {
		return grams, nil
	}
	return 0, err
}

func readMeasured(
	s *plot.State, c *say.Checklist, h holding, one string, n float64, weighs string,
) (grams float64, weighed *store.PutMeasureParams) {
	if each, known := h.weighed(s, one); known {
		return n * each, nil
	}
	if h.lot.Density > 0 {
		c.Add("amount", "How much a %s holds is not the same in every kitchen: write ml, spoons or cups.", one)
		return 0, nil
	}
	if strings.TrimSpace(weighs) == "" {
		c.Ask("measureWeighs", "weigh", nil,
			"What does one %s of %s weigh? Weigh one: it is kept, and not asked again.", one, h.name())
		return 0, nil
	}
	each, err := unit.Parse(unit.Mass, strings.TrimSuffix(strings.TrimSpace(weighs), " dried"), s.Units.MassUnit())
	switch {
	case err != nil:
		c.AddError("measureWeighs", err)
		return 0, nil
	case !(each > 0) || each > input.MostNeedGrams:
		c.Add("measureWeighs", "A %s weighs more than nothing.", one)
		return 0, nil
	}
	species, part := h.measurePart()
	return n * each, &store.PutMeasureParams{Name: h.measureName(one), SpeciesID: species, Part: part, Grams: each}
}

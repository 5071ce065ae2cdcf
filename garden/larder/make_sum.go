package larder

import (
	"math"
	"strconv"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// sum works out what is measured out and what comes of it.
func (m *plannedMaking) sum(s *plot.State, c *say.Checklist, in MakeLotInput) {
	lore := s.Lib.Keeping()
	m.months = math.Inf(1)
	for _, from := range m.from {
		m.months = math.Min(m.months, from.keeps)
	}
	switch keeps := m.making.Keeps; {
	case keeps != nil && m.making.Liquid != "":
		m.months = keeps.Value // what it is laid in keeps it, however long it was dry before
	case keeps != nil:
		m.months = math.Min(m.months, keeps.Value)
	}
	if m.fresh && m.making.FreshKeeps != nil {
		m.months = m.making.FreshKeeps.Value
	}
	m.expected = m.herb
	m.readDays(c, in)
	switch {
	case m.making.ID == makingFrozen:
		m.sumFreezing(s, c, in)
	case m.making.Liquid != "":
		liquid, _ := lore.Liquid(m.making.Liquid)
		m.sumLiquid(s, c, in, liquid)
	case m.making.Kept != nil:
		m.expected = m.herb * m.making.Kept.Value
	}
	base := m.herb
	if m.making.ID == "syrup" {
		base = m.expected
	}
	for _, add := range m.making.Added {
		grams := base * add.Grams.Value
		m.added = append(m.added, flow{side: sideAdded, name: add.Name, grams: grams})
		m.expected += grams
	}
	if m.recipe != nil && m.recipe.KeepsMonths > 0 {
		m.months = math.Min(m.months, m.recipe.KeepsMonths)
	}
	m.row.Days, m.row.KeepsMonths, m.row.Density, m.row.Strength = int64(m.days), m.months, m.density, m.strength
}

// mostDays is how long a thing may stand.
const mostDays = 400

func (m *plannedMaking) readDays(c *say.Checklist, in MakeLotInput) {
	if m.making.Days == nil {
		return
	}
	m.days = int(math.Round(m.making.Days.Value))
	if m.recipe != nil && m.recipe.Days > 0 {
		m.days = m.recipe.Days
	}
	if text := strings.TrimSpace(in.Days); text != "" {
		days, err := strconv.Atoi(strings.TrimSpace(strings.TrimSuffix(strings.TrimSuffix(text, "days"), "d")))
		if err != nil || days < 1 || days > mostDays {
			c.Add("days", "Say how many days it stands: from 1 to %d.", mostDays)
			return
		}
		m.days = days
	}
}

// sumLiquid is what covers it.
func (m *plannedMaking) sumLiquid(s *plot.State, c *say.Checklist, in MakeLotInput, liquid keeping.Liquid) {
	ml, known := m.making.ML(!m.fresh)
	if !known {
		c.Add("making", "It is not made so of this.")
		return
	}
	room, water := 0.0, 0.0
	for _, from := range m.from {
		room += from.room * from.grams / m.herb
		water += from.water * from.grams
	}
	infusing := keeping.Infusing{MLPerGram: ml.Value, PackedMLPerGram: room, Kept: m.making.Kept.Value}
	if m.recipe != nil && m.recipe.MLPerGram > 0 {
		infusing.MLPerGram = m.recipe.MLPerGram
	}
	if text := strings.TrimSpace(in.Liquid); text != "" {
		litres, err := unit.Parse(unit.Volume, text, "ml")
		switch {
		case err != nil:
			c.AddError("liquid", err)
			return
		case !(litres > 0) || litres > 200:
			c.Add("liquid", "The liquid lies between nothing and 200 litres.")
			return
		}
		infusing.MLPerGram = 1000 * litres / m.herb
	}
	sums, err := keeping.Infuse(m.herb, infusing)
	if err != nil {
		c.AddError("liquid", err)
		return
	}
	m.liquidML, m.jarML, m.strainedML = sums.LiquidML, sums.JarML, sums.StrainedML
	m.density, m.liquid = liquid.Weight.Value, sums.LiquidML*liquid.Weight.Value
	if m.making.ID == "syrup" {
		// A syrup weighs more than water by its sugar: as much sugar as tea is about 1.3 g a ml, a guess of ours.
		m.density = 1.3
	}
	m.expected = sums.StrainedML * liquid.Weight.Value
	m.readStrength(c, in, liquid, water)
	if m.making.ID != "syrup" && m.liquidML < m.herb*ml.Low*0.5 {
		c.Add("liquid", "That does not cover it: %s at least, or what stands out moulds.",
			s.Units.Volume(m.herb*ml.Low/1000))
	}
}

// readStrength reads how strong the liquid is, and refuses one in which it spoils.
func (m *plannedMaking) readStrength(c *say.Checklist, in MakeLotInput, liquid keeping.Liquid, water float64) {
	if m.making.Strength == nil {
		return
	}
	strength := liquid.Strength.Value
	if text := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(in.Strength), "%")); text != "" {
		typed, rest, err := unit.SplitNumber(text)
		if err != nil || strings.TrimSpace(rest) != "" || !(typed > 0 && typed <= 100) {
			c.Add("strength", "The strength is in %%, above 0 and at most 100, as it stands on the bottle.")
			return
		}
		strength = typed
	}
	strength = m.dilute(c, in, liquid, strength)
	m.strength = &strength
	after := strength
	if m.fresh {
		after = keeping.StrengthAfter(m.liquidML, strength, m.herb, water/m.herb)
		m.after = &after
	}
	least := m.making.Strength.Value
	if liquid.ID == "vinegar" {
		after = strength // a bought vinegar has its least on the bottle; what fresh herb adds is told, not refused
	}
	if after < least-0.05 {
		c.Add("strength", "It would have %.0f %%: below %.0f %% it spoils. Take a stronger one, more of it, or dried herb.",
			after, least)
	}
}

// dilute fills a spirit up with water to a weaker one, where that was asked for, and returns how strong it is then.
func (m *plannedMaking) dilute(c *say.Checklist, in MakeLotInput, liquid keeping.Liquid, strength float64) float64 {
	text := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(in.DiluteTo), "%"))
	if text == "" {
		return strength
	}
	want, rest, err := unit.SplitNumber(text)
	if liquid.ID != "spirit" || err != nil || strings.TrimSpace(rest) != "" {
		c.Add("diluteTo", "A spirit is filled up with water to so many %%, for example 40.")
		return strength
	}
	diluted, err := keeping.Dilute(m.liquidML, want, strength)
	if err != nil {
		c.AddError("diluteTo", err)
		return strength
	}
	m.diluted = &diluted
	return want
}

// sumFreezing is what freezing comes to.
func (m *plannedMaking) sumFreezing(s *plot.State, c *say.Checklist, in MakeLotInput) {
	m.bagLitres = 1
	if text := strings.TrimSpace(in.Bag); text != "" {
		litres, err := unit.Parse(unit.Volume, text, s.Units.VolumeUnit())
		switch {
		case err != nil:
			c.AddError("bag", err)
			return
		case !(litres >= 0.05 && litres <= 20):
			c.Add("bag", "A bag holds from 50 ml to 20 litres.")
			return
		}
		m.bagLitres = litres
	}
	part, _ := m.from[0].parts[0].species.Part(m.from[0].parts[0].part)
	kind, _ := s.Lib.Keeping().Part(keptAs(part))
	freezing := keeping.Freezing{Drained: 1, LitresPerKilogram: kind.Packed.Value}
	if blanchMinutes(part) > 0 {
		freezing.Drained = kind.Drained.Value
	}
	frozen, err := keeping.Freeze(m.herb, freezing, m.bagLitres)
	if err != nil {
		c.AddError("bag", err)
		return
	}
	m.expected, m.bags, m.jarML = frozen.Grams, frozen.Bags, 1000*frozen.Litres
	m.months = s.Lib.Keeping().Freezer.Keeps.Value
	if part.Keep.Freeze != nil && part.Keep.Freeze.Months != nil {
		m.months = part.Keep.Freeze.Months.Value
	}
}

// blanchMinutes is how long a part is blanched, 0 for not at all or nothing on record.
func blanchMinutes(part flora.Part) float64 {
	if part.Keep.Freeze == nil || part.Keep.Freeze.Blanch == nil {
		return 0
	}
	return part.Keep.Freeze.Blanch.Value
}

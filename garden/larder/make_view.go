package larder

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

func viewSum(s *plot.State, m plannedMaking) MakingSumView {
	v := MakingSumView{Lines: []string{}, Steps: []StepView{}, Vessel: m.making.Vessel}
	volume := func(ml float64) string { return s.Units.Volume(ml / 1000) }
	in := amount(s, m.herb, 0)
	if len(m.from) == 1 {
		in += " of " + m.from[0].name
	}
	if m.making.From == makingOil && m.from[0].jar != nil {
		in = amount(s, m.herb, m.from[0].jar.lot.Density) + " of " + m.from[0].name
	}
	v.Lines = append(v.Lines, in)
	v.Lines = append(v.Lines, recipeLines(s, m)...)
	if m.liquidML > 0 {
		liquid, _ := s.Lib.Keeping().Liquid(m.making.Liquid)
		v.Lines = append(v.Lines, fmt.Sprintf("%s of %s covers it, in a jar of %s or more",
			volume(m.liquidML), liquid.Name, volume(math.Ceil(m.jarML/50)*50)))
	}
	if m.diluted != nil {
		v.Lines = append(
			v.Lines,
			fmt.Sprintf("%s of the spirit, filled up with water to %s; they shrink a little as they mix",
				volume(m.diluted.SpiritML), volume(m.liquidML)),
		)
	}
	if m.strength != nil {
		words := fmt.Sprintf("%s %% on the bottle", say.Number(*m.strength))
		if m.diluted != nil {
			words = fmt.Sprintf("%s %% as it is poured on", say.Number(*m.strength))
		}
		if m.after != nil {
			words += fmt.Sprintf(", about %.0f %% once the fresh herb has given its water", *m.after)
		}
		v.Lines = append(v.Lines, words)
	}
	if m.making.ID == makingFrozen {
		v.Lines = append(v.Lines, freezeLines(s, m)...)
	}
	for _, add := range m.added {
		v.Lines = append(v.Lines, amount(s, add.grams, 0)+" of "+add.name)
	}
	v.Lines = append(v.Lines, "about "+amount(s, m.expected, m.density)+" come of it")
	if m.bags > 0 {
		v.Lines[len(v.Lines)-1] += fmt.Sprintf(", %s of %s", say.Counted(float64(m.bags), "bag", "bags"),
			volume(1000*m.bagLitres))
	}
	v.Expected = amount(s, m.expected, m.density)
	begun := calendar.OfTime(m.at)
	v.Steps = stepsOf(m.making, begun, m.days)
	if m.recipe != nil {
		v.Steps = append(v.Steps, m.recipe.steps(begun)...)
		slices.SortStableFunc(v.Steps, func(a, b StepView) int { return int(a.Day - b.Day) })
	}
	if m.days > 0 {
		v.Ready = begun.AddDays(m.days).DayMonth()
	}
	v.Keeps = keepsWords(m.months)
	if m.making.Opened != nil {
		v.Keeps += ", opened " + keepsWords(m.making.Opened.Value)
	}
	v.Cautions = view.ViewCautions(s, append(plantCautions(m.parts, m.making), makingCautions(m.making, m.fresh)...))
	v.Standing = m.standing()
	return v
}

// recipeLines say what the recipe wants of each part, for as much as goes in altogether.
func recipeLines(s *plot.State, m plannedMaking) (lines []string) {
	if m.recipe == nil || len(m.recipe.Parts) < 2 {
		return nil
	}
	shares := make([]keeping.Share, len(m.recipe.Parts))
	for i, part := range m.recipe.Parts {
		shares[i] = keeping.Share{Name: part.Species, Parts: part.Share}
		if species, has := s.Lib.Species(part.Species); has {
			shares[i].Name = say.PartOf(species.Names.Name, part.Part)
		}
	}
	grams, err := keeping.Mix(m.herb, shares)
	if err != nil {
		return nil
	}
	for i, share := range shares {
		lines = append(lines, "by the recipe "+amount(s, grams[i], 0)+" of "+share.Name)
	}
	return lines
}

// freezeLines say how it is blanched and cooled, and whether the water serves again.
func freezeLines(s *plot.State, m plannedMaking) (lines []string) {
	part, _ := m.from[0].parts[0].species.Part(m.from[0].parts[0].part)
	switch minutes := blanchMinutes(part); {
	case part.Keep.Freeze == nil || part.Keep.Freeze.Blanch == nil:
		lines = append(lines, "whether it is blanched is not on record: try a little both ways")
	case minutes == 0:
		lines = append(lines, "it is not blanched")
	default:
		water := s.Lib.Keeping().Freezer.Water.Value * m.herb / 1000
		again := "the water serves again"
		if part.Keep.Freeze.FreshWater {
			again = "fresh water each time: it draws out what is bitter or sour"
		}
		lines = append(lines, fmt.Sprintf("%s in boiling water, %s for a kilogram at once; %s", say.MinutesWords(minutes),
			s.Units.Volume(s.Lib.Keeping().Freezer.Water.Value), again))
		if water > 20 {
			lines = append(lines, "in several lots: "+say.Counted(math.Ceil(m.herb/1000), "lot", "lots")+" of a kilogram")
		}
		lines = append(lines, "cooled in cold water as long, and drained")
	}
	if part.Keep.Freeze != nil && part.Keep.Freeze.How != "" {
		lines = append(lines, say.LowerFirst(strings.TrimSuffix(part.Keep.Freeze.How, ".")))
	}
	return lines
}

// stepsOf are the steps of a making that begins on a day and stands for so many: what is done again and again is told
// once.
func stepsOf(m keeping.Making, begun calendar.Date, days int) []StepView {
	steps := []StepView{}
	for _, step := range m.Steps {
		v := StepView{Day: begun.AddDays(step.After), Text: step.Text, Minutes: step.Minutes}
		v.When = v.Day.DayMonth()
		switch {
		case step.Last && m.ID == makingDried:
			v.When = "when it is dry"
		case step.Last:
			v.Day = begun.AddDays(days)
			v.When = v.Day.DayMonth()
		case step.Every == 1:
			v.When = "daily from " + v.Day.DayMonth()
		case step.Every > 1:
			v.When = fmt.Sprintf("every %d days from %s", step.Every, v.Day.DayMonth())
		}
		steps = append(steps, v)
	}
	return steps
}

// keepsWords say how many months something keeps.
func keepsWords(months float64) string {
	switch {
	case months <= 0 || math.IsInf(months, 0):
		return "not on record"
	case months < 2:
		return fmt.Sprintf("%.0f weeks", math.Round(months*52/12))
	case months >= 24 && math.Mod(months, 12) == 0:
		return fmt.Sprintf("%.0f years", months/12)
	}
	return fmt.Sprintf("%.0f months", months)
}

// standing is the weakest standing of the figures behind a making's sums.
func (m plannedMaking) standing() string {
	weakest := flora.Usual
	for _, figure := range []*flora.Figure{m.making.Dried, m.making.Fresh, m.making.Kept, m.making.Days, m.making.Keeps} {
		if figure != nil {
			weakest = flora.Weakest(weakest, figure.Standing)
		}
	}
	if m.making.Keeps == nil {
		weakest = flora.Guess
	}
	return weakest.String()
}

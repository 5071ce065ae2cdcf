package flora

import (
	"fmt"
	"regexp"
	"slices"
	"strings"
)

// FormatVersion is the version of the species format that this program reads.
const FormatVersion = 2

var identifier = regexp.MustCompile(`^[a-z][a-z0-9-]*$`)

// Units of the species format.
const (
	unitCelsius    = "°C"
	unitWarmth     = "°C d"
	unitHours      = "h"
	unitDays       = "d"
	unitCentimetre = "cm"
	unitGram       = "g"
	unitMinute     = "min"
	unitShare      = "share"
	unitYear       = "year of life"
)

// Problem is one fault of a species description, with the key it stands at.
type Problem struct {
	Key  string
	What string
}

// Error writes the key, where there is one, and the fault.
func (p Problem) Error() string {
	if p.Key == "" {
		return p.What
	}
	return p.Key + ": " + p.What
}

// checker gathers problems.
type checker struct{ problems []Problem }

// keyAt is the key of an item of a list.
func keyAt(list string, i int) string { return fmt.Sprintf("%s[%d]", list, i) }

func (c *checker) fault(key, format string, args ...any) {
	c.problems = append(c.problems, Problem{key, fmt.Sprintf(format, args...)})
}

func (c *checker) want(good bool, key, format string, args ...any) {
	if !good {
		c.fault(key, format, args...)
	}
}

func (c *checker) figure(key, unit string, f Figure, low, high float64) {
	if err := f.check(unit); err != nil {
		c.fault(key, "%v", err)
	} else if f.Low < low || f.High > high {
		c.fault(key, "%v to %v %s is outside what can be, %v to %v", f.Low, f.High, unit, low, high)
	}
}

func (c *checker) optional(key, unit string, f *Figure, low, high float64) {
	if f != nil {
		c.figure(key, unit, *f, low, high)
	}
}

func (c *checker) oneOf(key, value string, allowed ...string) {
	words := strings.Join(allowed, ", ")
	if value == "" && !slices.Contains(allowed, "") {
		c.fault(key, "is missing; use one of %s", words)
		return
	}
	c.want(slices.Contains(allowed, value), key, "%q is none of %s", value, words)
}

// Check returns everything that is wrong with a species description, in the
// order of the file; none if it can be relied on.
func (s *Species) Check() []Problem {
	c := &checker{}
	c.want(s.Format == FormatVersion, "format", "is %d; this program reads %d", s.Format, FormatVersion)
	c.want(identifier.MatchString(s.ID), "id", "%q must be lower-case letters, digits and hyphens", s.ID)
	c.want(s.Names.Name != "", "names.name", "is missing")
	c.want(s.Names.Botanical != "", "names.botanical", "is missing")
	c.want(s.Names.Family != "", "names.family", "is missing")
	for i, n := range s.Names.Common {
		c.want(n.Name != "" && n.Language != "", fmt.Sprintf("names.common[%d]", i), "needs a name and a language")
	}
	c.oneOf("life.form", string(s.Life.Form), FormWords...)
	c.oneOf("life.habit", s.Life.Habit, HabitWords...)
	c.figure("life.full_age", unitYear, s.Life.FullAge, 1, 60)
	c.figure("size.height", unitCentimetre, s.Size.Height, 1, 6000)
	c.figure("size.width", unitCentimetre, s.Size.Width, 1, 4000)
	s.checkSite(c)
	s.checkGrowth(c)
	s.checkParts(c)
	s.checkCare(c)
	s.checkTender(c)
	s.Flowering.check(c)
	s.checkPropagation(c)
	s.checkSpread(c)
	s.checkTroubles(c)
	s.checkKinds(c)
	s.checkPoison(c)
	s.checkCautions(c)
	s.checkIdentity(c)
	for i, l := range s.LookAlikes {
		key := fmt.Sprintf("look_alike[%d]", i)
		c.want(
			l.Name != "" && l.Botanical != "" && l.Decides != "" && l.When != 0,
			key,
			"needs name, botanical, decides and when",
		)
		c.oneOf(key+".danger", l.Danger, DangerWords...)
	}
	return c.problems
}

func (s *Species) checkGrowth(c *checker) {
	g := s.Growth
	c.figure("growth.base", unitCelsius, g.Base, -5, 20)
	c.figure("growth.upper", unitCelsius, g.Upper, 15, 50)
	c.figure("growth.spread", unitShare, g.Spread, 0.005, 0.5)
	c.want(len(g.Years) > 0, "growth.year", "is missing")
	for i, year := range g.Years {
		key := fmt.Sprintf("growth.year[%d]", i)
		c.want(i > 0 || year.From == 1, key+".from", "the first sequence must hold from year 1")
		c.want(i == 0 || year.From > g.Years[i-1].From, key+".from", "must be later than the sequence before")
		year.check(c, key)
	}
	for i, start := range g.Starts {
		key := fmt.Sprintf("growth.start[%d]", i)
		c.want(len(start.By) > 0, key+".by", "is missing: say for which origins")
		for k, origin := range start.By {
			_, err := ParseOrigin(string(origin))
			c.want(err == nil && origin != FromSeed, keyAt(key+".by", k), "%q is no other origin than seed", origin)
		}
		start.check(c, key)
	}
	if s.Life.Form == Biennial {
		c.want(
			len(g.Years) == 2 && g.Years[1].From == 2,
			"growth.year",
			"a biennial has two different years, from 1 and from 2",
		)
	}
}

// check makes sure of the stages of a year: that they come in order, each once.
func (y YearOfLife) check(c *checker, key string) {
	c.want(len(y.Stages) > 0, key+".stage", "is missing")
	before := Resting
	warmth := 0.0
	for j, rule := range y.Stages {
		key := fmt.Sprintf("%s.stage[%d] (%s)", key, j, rule.Stage)
		c.figure(key+".warmth", unitWarmth, rule.Warmth, 0, 8000)
		c.want(rule.Warmth.Value >= warmth, key+".warmth", "is less than the stage before needs")
		warmth = rule.Warmth.Value
		last := j == len(y.Stages)-1
		inOrder := rule.Stage > before || last && rule.Stage == Resting
		// Some plants flower before they leaf, so only the ends are fixed.
		c.want(inOrder || rule.Stage > Resting, key+".stage", "resting can only come last")
		before = rule.Stage
		for k := range j {
			c.want(y.Stages[k].Stage != rule.Stage, key+".stage", "stands twice in one year")
		}
		c.optional(key+".day_above", unitHours, rule.DayAbove, 0, 24)
		c.optional(key+".day_below", unitHours, rule.DayBelow, 0, 24)
		c.optional(key+".chill", unitDays, rule.Chill, 0, 250)
	}
}

func (s *Species) checkParts(c *checker) {
	c.want(len(s.Parts) > 0, "part", "is missing")
	for i, part := range s.Parts {
		key := fmt.Sprintf("part[%d] (%s)", i, part.Name)
		c.want(part.Name != "", key+".name", "is missing")
		c.oneOf(key+".kind", part.Kind, PartKinds...)
		c.want(len(part.Verdicts) > 0, key+".verdict", "is missing")
		c.oneOf(key+".use_standing", part.UseStanding, append([]string{""}, UseStandingWords...)...)
		used := false
		for _, v := range part.Verdicts {
			uses, known := verdictUses[v]
			c.want(known, key+".verdict", "%q is not a verdict", v)
			used = used || uses
			c.want(uses || len(part.Verdicts) == 1, key+".verdict", "%q cannot stand beside another verdict", v)
		}
		c.want(used || part.Harvest == nil, key+".harvest", "a part that is not used has no harvest")
		c.want(!used || part.Use != "", key+".use", "is missing: say what for")
		part.checkKeep(c, key+".keep")
		if part.Harvest != nil {
			s.checkHarvest(c, key+".harvest", part.Harvest)
		}
	}
}

func (s *Species) checkHarvest(c *checker, key string, h *HarvestRule) {
	c.oneOf(key+".verb", h.Verb, VerbWords...)
	c.want(h.One != "" && h.Many != "", key, "needs one and many, the names of the unit")
	c.want(h.Sign != "" && h.Way != "", key, "needs sign and way")
	c.want(h.FloorFor != "", key+".floor_for", "is missing: say what is left for")
	c.figure(key+".min_year", unitYear, h.MinYear, 1, 60)
	c.optional(key+".last_year", unitYear, h.LastYear, 1, 60)
	c.figure(key+".per_plant", h.Many, h.PerPlant, 0.1, 100000)
	c.figure(key+".grams_each", unitGram, h.GramsEach, 0.001, 100000)
	c.figure(key+".cut_share", unitShare, h.CutShare, 0, 1)
	c.figure(key+".floor", unitShare, h.Floor, 0, 1)
	c.want(
		h.CutShare.Value+h.Floor.Value <= 1+1e-9,
		key+".cut_share",
		"%v is taken and %v is to be left: together they are more than the whole",
		h.CutShare.Value,
		h.Floor.Value,
	)
	if h.Regrowth.Grows() {
		c.figure(key+".regrowth", unitWarmth, h.Regrowth.Figure, 1, 5000)
	}
	for i, flush := range h.Flushes {
		c.want(flush.Name != "" && flush.Season != 0, keyAt(key+".flush", i), "needs name and season")
	}
	c.optional(key+".dry_days", unitDays, h.DryDays, 0, 14)
	c.figure(key+".minutes_each", unitMinute, h.MinutesEach, 0, 600)
	s.checkBand(c, key, h.From, h.Until)
	inSomeYear := false
	for _, year := range s.Growth.Years {
		for _, rule := range year.Stages {
			inSomeYear = inSomeYear || rule.Stage == h.Peak
		}
	}
	c.want(inSomeYear || h.Peak == Resting, key+".peak", "the species has no stage %q", h.Peak)
}

// checkBand makes sure that a band of stages can ever be open.
func (s *Species) checkBand(c *checker, key string, from, until Stage) {
	c.want(from != until, key, "the band from %q until %q is empty", from, until)
	has := func(stage Stage) bool {
		for _, year := range s.Growth.Years {
			if slices.ContainsFunc(year.Stages, func(r StageRule) bool { return r.Stage == stage }) {
				return true
			}
		}
		return stage == Resting
	}
	// The stage that ends a band may be missing: a plant that keeps its leaf
	// never dies back, and its rest ends the band instead.
	c.want(has(from), key+".from", "the species has no stage %q", from)
}

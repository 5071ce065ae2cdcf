package flora

// UsualFigures are what is usual for growth and for a part of each kind, for what a species'
// file leaves out.
type UsualFigures struct {
	Growth UsualGrowth          `toml:"growth"`
	Kinds  map[string]UsualPart `toml:"kind"`
}

// UsualGrowth is what is usual for growth.
type UsualGrowth struct {
	Base   Figure `toml:"base"`
	Upper  Figure `toml:"upper"`
	Spread Figure `toml:"spread"`
}

// UsualPart is what is usual for a part of one kind.
type UsualPart struct {
	Water Figure `toml:"water"` // of Keep
	HarvestRule
	// WayOnce is the way of a plant that does not live on, where it is another.
	WayOnce string `toml:"way_once"`
}

// Fill puts the usual figure wherever a species leaves one out. A figure that stands
// is never touched.
func (u UsualFigures) Fill(s *Species) {
	fillFigure(&s.Growth.Base, u.Growth.Base)
	fillFigure(&s.Growth.Upper, u.Growth.Upper)
	fillFigure(&s.Growth.Spread, u.Growth.Spread)
	for i := range s.Parts {
		part := &s.Parts[i]
		usual, has := u.Kinds[part.Kind]
		if !has || part.Harvest == nil {
			continue
		}
		if part.Keep.Water == nil {
			water := usual.Water
			part.Keep.Water = &water
		}
		if usual.WayOnce != "" && s.Life.Form != Perennial {
			fillText(&part.Harvest.Way, usual.WayOnce)
		}
		usual.fill(part.Harvest)
	}
}

func (u UsualPart) fill(rule *HarvestRule) {
	ownUnit := rule.One != ""
	fillText(&rule.Verb, u.Verb)
	fillText(&rule.One, u.One)
	fillText(&rule.Many, u.Many)
	fillText(&rule.FloorFor, u.FloorFor)
	fillText(&rule.Way, u.Way)
	fillFigure(&rule.MinYear, u.MinYear)
	fillFigure(&rule.CutShare, u.CutShare)
	fillFigure(&rule.Floor, u.Floor)
	fillFigure(&rule.MinutesEach, u.MinutesEach)
	if rule.Regrowth == nil && u.Regrowth != nil {
		regrowth := *u.Regrowth
		rule.Regrowth = &regrowth
	}
	if rule.DryDays == nil && u.DryDays != nil {
		dry := *u.DryDays
		rule.DryDays = &dry
	}
	// A part counted in a unit of its own may be taken without the plant, and says so.
	rule.TakesPlant = rule.TakesPlant || u.TakesPlant && !ownUnit
}

func fillFigure(f *Figure, usual Figure) {
	if f.Unit == "" {
		*f = usual
	}
}

func fillText(text *string, usual string) {
	if *text == "" {
		*text = usual
	}
}

package flora

import (
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
)

// figure reads a figure's line; the tests write only lines that can be read.
func figure(line string) Figure {
	var f Figure
	if err := f.UnmarshalText([]byte(line)); err != nil {
		panic(err)
	}
	return f
}

func hours(line string) Range {
	var r Range
	if err := r.UnmarshalText([]byte(line)); err != nil {
		panic(err)
	}
	return r
}

func words(line string) WordRange {
	var r WordRange
	if err := r.UnmarshalText([]byte(line)); err != nil {
		panic(err)
	}
	return r
}

// goodPlant is a plant that nothing is wrong with: leaf eaten, seed poisonous.
func goodPlant() *Species {
	stages := func(names ...string) []StageRule {
		var rules []StageRule
		for i, name := range names {
			stage, err := ParseStage(name)
			if err != nil {
				panic(err)
			}
			rules = append(rules, StageRule{Stage: stage, Warmth: Figure{Value: float64(100 * i), Low: float64(80 * i), High: float64(120 * i), Unit: "°C d", Standing: Guess}})
		}
		return rules
	}
	dry, water := figure("1 (0 to 2) d usual"), figure("0.8 (0.7 to 0.9) share usual")
	return &Species{
		Format: FormatVersion, ID: "mill-herb", Wildlife: "Bees.", OrganRisk: []string{"kidney"},
		Names: Names{Name: "mill herb", Botanical: "Herba molendini Inv.", Family: "Herbaceae", Common: []CommonName{{"Mühlkraut", "German"}}},
		Life:  Life{Form: Perennial, Habit: "herb", FullAge: figure("2 (1 to 3) year of life usual")},
		Size:  Size{figure("40 (30 to 50) cm usual"), figure("30 (20 to 40) cm usual")},
		Growth: Growth{
			Base: figure("5 (3 to 7) °C guess"), Upper: figure("30 (27 to 34) °C guess"), Spread: figure("0.06 (0.03 to 0.12) share guess"),
			Years: []YearOfLife{{From: 1, Stages: stages("shooting", "leafing", "full leaf", "dying back", "resting")}, {From: 2, Stages: stages("shooting", "leafing", "full leaf", "first flower", "ripe", "dying back", "resting")}},
		},
		Site: Site{
			Sun: hours("3 to 12 (1 to 15) h usual"), Acidity: hours("5.5 to 7.5 (5 to 8) pH usual"), Moisture: words("fresh to moist (dry to wet) usual"), Drainage: words("free usual"),
			Texture: words("light to heavy usual"), Fertility: words("fair to rich usual"), Shelter: words("exposed to sheltered usual"), SoilDepth: figure("30 cm usual"), Cold: figure("-20 (-25 to -15) °C usual"),
			Roots: "shallow", RootReach: figure("30 cm guess"), Spread: "gentle", Uses: []string{"kitchen"},
		},
		Household:    Household{Ease: "easy", EaseWhy: "It grows.", Hens: "not known"},
		Identity:     Identity{Danger: "harmless", Musts: []string{"smell"}, Shows: Shows{"smell": {"mint"}, "sap": {"clear"}}},
		Propagations: []Propagation{{Way: "division", How: "In spring."}},
		Spreads:      []SpreadWay{{By: "seed", How: "It seeds."}},
		Parts: []Part{
			{
				Name: "leaf", Kind: "leaf", Verdicts: []Verdict{EatenRaw}, Use: "Salad.", UseStanding: "traditional", Keep: Keep{Water: &water},
				Harvest: &HarvestRule{
					Verb: "Pick", One: "leaf", Many: "leaves", From: Leafing, Until: FirstFlower, Peak: FullLeaf, MinYear: figure("1 (1 to 2) year of life usual"), PerPlant: figure("20 (10 to 30) leaves guess"),
					GramsEach: figure("2 (1 to 3) g guess"), CutShare: figure("0.33 (0.2 to 0.4) share usual"), Floor: figure("0.5 (0.4 to 0.6) share usual"), FloorFor: "strength", DryDays: &dry,
					Sign: "Young.", Way: "Pick it.", MinutesEach: figure("0.1 (0.05 to 0.2) min guess"),
				},
			},
			{Name: "seed", Kind: "seed", Verdicts: []Verdict{Poisonous}},
		},
		Care:       []Care{{ID: "trim", Verb: "Trim", What: "stems", From: FirstFlower, Until: Ripe, MinYear: 2, Why: "It seeds.", MinutesEach: figure("1 (0.5 to 2) min guess")}},
		Cautions:   []Caution{{Who: "kidney trouble", Route: "by mouth", Text: "Not for them.", Standing: Usual}},
		LookAlikes: []LookAlike{{Name: "twin", Botanical: "Herba gemella Inv.", Danger: "harmless", Decides: "It is taller.", When: calendar.MonthsFrom(time.June, time.August)}},
	}
}

func somePoison() *Poison {
	return &Poison{What: "A poison.", Signs: "Sickness.", Soon: "Within hours.", First: "Call a poison centre."}
}

func TestAGoodPlantHasNoProblems(t *testing.T) {
	s := goodPlant()
	if problems := s.Check(); len(problems) != 0 {
		t.Fatal(problems)
	}
	if !s.IsUsed() || s.IsDug() || s.ForecastStanding(s.Growth.Years[0]) != Guess {
		t.Errorf("used %v, dug %v", s.IsUsed(), s.IsDug())
	}
	if leaf, has := s.Part("leaf"); !has || !leaf.Eaten() {
		t.Error("its leaf is not eaten in summer")
	}
	if _, has := s.Part("root"); has {
		t.Error("it has a root on record")
	}
}

// Whatever is spoilt in a plant is found, by the key that it stands at, and nothing
// else is blamed for it.
func TestEveryFaultOfAPlantIsFoundAtItsKey(t *testing.T) {
	for name, test := range map[string]struct {
		spoil func(*Species)
		key   string
	}{
		"another format":                {func(s *Species) { s.Format = 7 }, "format"},
		"an id with spaces":             {func(s *Species) { s.ID = "Mill Herb" }, "id"},
		"no name":                       {func(s *Species) { s.Names.Name = "" }, "names.name"},
		"no botanical name":             {func(s *Species) { s.Names.Botanical = "" }, "names.botanical"},
		"no family":                     {func(s *Species) { s.Names.Family = "" }, "names.family"},
		"a name of no language":         {func(s *Species) { s.Names.Common[0].Language = "" }, "names.common[0]"},
		"a life form that is none":      {func(s *Species) { s.Life.Form = "eternal" }, "life.form"},
		"a habit that is none":          {func(s *Species) { s.Life.Habit = "bad" }, "life.habit"},
		"full-grown before it is sown":  {func(s *Species) { s.Life.FullAge = figure("0 year of life usual") }, "life.full_age"},
		"as high as a hill":             {func(s *Species) { s.Size.Height = figure("90000 cm usual") }, "size.height"},
		"a width in grams":              {func(s *Species) { s.Size.Width = figure("30 g usual") }, "size.width"},
		"no width":                      {func(s *Species) { s.Size.Width = Figure{} }, "size.width"},
		"a height outside its range":    {func(s *Species) { s.Size.Height.Value = 99 }, "size.height"},
		"a published figure of no work": {func(s *Species) { s.Size.Height.Standing = Published }, "size.height"},
		"no years":                      {func(s *Species) { s.Growth.Years = nil }, "growth.year"},
		"a first year that is third":    {func(s *Species) { s.Growth.Years[0].From = 3 }, "growth.year[0].from"},
		"years out of order":            {func(s *Species) { s.Growth.Years[1].From = 1 }, "growth.year[1].from"},
		"a year of no stages":           {func(s *Species) { s.Growth.Years[1].Stages = nil }, "growth.year[1].stage"},
		"rest in the middle":            {func(s *Species) { s.Growth.Years[0].Stages[1].Stage = Resting }, "growth.year[0].stage[1] (resting).stage"},
		"a stage twice":                 {func(s *Species) { s.Growth.Years[0].Stages[2].Stage = Leafing }, "growth.year[0].stage[2] (leafing).stage"},
		"less warmth than before":       {func(s *Species) { s.Growth.Years[0].Stages[3].Warmth = figure("150 °C d guess") }, "growth.year[0].stage[3] (dying back).warmth"},
		"a day of thirty hours":         {func(s *Species) { day := figure("30 h guess"); s.Growth.Years[0].Stages[3].DayBelow = &day }, "growth.year[0].stage[3] (dying back).day_below"},
		"a base above boiling":          {func(s *Species) { s.Growth.Base = figure("90 °C guess") }, "growth.base"},
		"a biennial of one year":        {func(s *Species) { s.Life.Form, s.Growth.Years = Biennial, s.Growth.Years[:1] }, "growth.year"},
		"sun beyond the day":            {func(s *Species) { s.Site.Sun = hours("3 to 12 (1 to 40) h usual") }, "site.sun"},
		"sun in another unit":           {func(s *Species) { s.Site.Sun.Unit = "cm" }, "site.sun"},
		"a range back to front":         {func(s *Species) { s.Site.Sun.From = 20 }, "site.sun"},
		"soil of no planet":             {func(s *Species) { s.Site.Acidity = hours("1 to 13 (0 to 14) pH usual") }, "site.ph"},
		"a word of another scale":       {func(s *Species) { s.Site.Moisture = words("sandy usual") }, "site.moisture"},
		"words back to front":           {func(s *Species) { s.Site.Texture = words("heavy to light usual") }, "site.texture"},
		"no drainage":                   {func(s *Species) { s.Site.Drainage = WordRange{} }, "site.drainage"},
		"harder in wet ground":          {func(s *Species) { wet := figure("-30 °C usual"); s.Site.ColdWet, s.Site.ColdNote = &wet, "dry" }, "site.cold_wet"},
		"wet cold without a note":       {func(s *Species) { wet := figure("-10 °C usual"); s.Site.ColdWet = &wet }, "site.cold_note"},
		"roots that fly":                {func(s *Species) { s.Site.Roots = "aerial" }, "site.roots"},
		"a spread that is none":         {func(s *Species) { s.Site.Spread = "flies" }, "site.spread"},
		"no use of a used plant":        {func(s *Species) { s.Site.Uses = nil }, "site.uses"},
		"a use that is none":            {func(s *Species) { s.Site.Uses = []string{"kitchen", "rain"} }, "site.uses[1]"},
		"a tree borne and suffered":     {func(s *Species) { s.Site.Bears, s.Site.Suffers = []string{"walnut"}, []string{"walnut"} }, "site.suffers"},
		"an ease that is none":          {func(s *Species) { s.Household.Ease = "so so" }, "household.ease"},
		"easy for no reason":            {func(s *Species) { s.Household.EaseWhy = "" }, "household.ease_why"},
		"hens that sing":                {func(s *Species) { s.Household.Hens = "sung to" }, "household.hens"},
		"no parts":                      {func(s *Species) { s.Parts, s.Identity.Musts = nil, nil }, "part"},
		"a part of no name":             {func(s *Species) { s.Parts[1].Name = "" }, "part[1] ().name"},
		"a kind that is none":           {func(s *Species) { s.Parts[1].Kind = "soul" }, "part[1] (seed).kind"},
		"no verdict":                    {func(s *Species) { s.Parts[1].Verdicts = nil }, "part[1] (seed).verdict"},
		"a verdict that is none":        {func(s *Species) { s.Parts[1].Verdicts = []Verdict{"nice"} }, "part[1] (seed).verdict"},
		"poisonous and eaten":           {func(s *Species) { s.Parts[0].Verdicts = append(s.Parts[0].Verdicts, Poisonous) }, "part[0] (leaf).verdict"},
		"a harvest of what is not used": {func(s *Species) { s.Parts[1].Harvest, s.Parts[1].Keep = s.Parts[0].Harvest, s.Parts[0].Keep }, "part[1] (seed).harvest"},
		"used for nothing":              {func(s *Species) { s.Parts[0].Use = "" }, "part[0] (leaf).use"},
		"a use of no standing":          {func(s *Species) { s.Parts[0].UseStanding = "sworn" }, "part[0] (leaf).use_standing"},
		"wetter than water":             {func(s *Species) { water := figure("1.4 share usual"); s.Parts[0].Keep.Water = &water }, "part[0] (leaf).keep.water"},
		"no water":                      {func(s *Species) { s.Parts[0].Keep.Water = nil }, "part[0] (leaf).keep.water"},
		"a verb that is none":           {func(s *Species) { s.Parts[0].Harvest.Verb = "Steal" }, "part[0] (leaf).harvest.verb"},
		"counted in nothing":            {func(s *Species) { s.Parts[0].Harvest.One = "" }, "part[0] (leaf).harvest"},
		"no sign":                       {func(s *Species) { s.Parts[0].Harvest.Sign = "" }, "part[0] (leaf).harvest"},
		"left for nothing":              {func(s *Species) { s.Parts[0].Harvest.FloorFor = "" }, "part[0] (leaf).harvest.floor_for"},
		"counted in another unit":       {func(s *Species) { s.Parts[0].Harvest.PerPlant = figure("20 roots guess") }, "part[0] (leaf).harvest.per_plant"},
		"more than the whole":           {func(s *Species) { s.Parts[0].Harvest.CutShare = figure("0.8 share usual") }, "part[0] (leaf).harvest.cut_share"},
		"a share beyond one":            {func(s *Species) { s.Parts[0].Harvest.Floor = figure("1.5 share usual") }, "part[0] (leaf).harvest.floor"},
		"a band of no days":             {func(s *Species) { s.Parts[0].Harvest.Until = Leafing }, "part[0] (leaf).harvest"},
		"from a stage it has not":       {func(s *Species) { s.Parts[0].Harvest.From = InBud }, "part[0] (leaf).harvest.from"},
		"best at a stage it has not":    {func(s *Species) { s.Parts[0].Harvest.Peak = SettingSeed }, "part[0] (leaf).harvest.peak"},
		"a month of dry days":           {func(s *Species) { dry := figure("31 d usual"); s.Parts[0].Harvest.DryDays = &dry }, "part[0] (leaf).harvest.dry_days"},
		"a job of no name":              {func(s *Species) { s.Care[0].ID = "Trim it" }, "care[0].id"},
		"a job for no reason":           {func(s *Species) { s.Care[0].Why = "" }, "care[0]"},
		"a job before the first year":   {func(s *Species) { s.Care[0].MinYear = 0 }, "care[0].min_year"},
		"a job of no length":            {func(s *Species) { s.Care[0].MinutesEach = Figure{} }, "care[0].minutes_each"},
		"a job at a stage it has not":   {func(s *Species) { s.Care[0].From = InBud }, "care[0].from"},
		"a caution for nobody":          {func(s *Species) { s.Cautions[0].Who, s.OrganRisk = "", nil }, "caution[0]"},
		"a caution for the tired": {func(s *Species) {
			s.Cautions = append(s.Cautions, Caution{Who: "the tired", Route: "by mouth", Text: "No."})
		}, "caution[1].who"},
		"a caution by post":          {func(s *Species) { s.Cautions[0].Route, s.OrganRisk = "by post", nil }, "caution[0].route"},
		"a caution of no part":       {func(s *Species) { s.Cautions[0].Parts, s.OrganRisk = []string{"root"}, nil }, "caution[0].parts"},
		"made into gold":             {func(s *Species) { s.Cautions[0].Preparations = []string{"gold"} }, "caution[0].preparations"},
		"an organ that is none":      {func(s *Species) { s.OrganRisk = []string{"soul"} }, "organ_risk[0]"},
		"a risk nobody is warned of": {func(s *Species) { s.OrganRisk = []string{"liver"} }, "organ_risk[0]"},
		"a danger that is none":      {func(s *Species) { s.Identity.Danger = "scary" }, "identity.danger"},
		"deadly and eaten":           {func(s *Species) { s.Identity.Danger, s.Poison = "deadly", somePoison() }, "identity.danger"},
		"known by nothing":           {func(s *Species) { s.Identity.Shows, s.Identity.Musts = nil, nil }, "identity.shows"},
		"used without a must":        {func(s *Species) { s.Identity.Musts = nil }, "identity.must"},
		"a must it does not show":    {func(s *Species) { s.Identity.Musts = []string{"fruit"} }, "identity.must"},
		"made more of by wishing":    {func(s *Species) { s.Propagations[0].Way = "wishing" }, "propagate[0].way"},
		"made more of somehow":       {func(s *Species) { s.Propagations[0].How = "" }, "propagate[0].how"},
		"never more of it":           {func(s *Species) { s.Propagations, s.Spreads = nil, nil }, "propagate"},
		"half a band of stages":      {func(s *Species) { from := Leafing; s.Propagations[0].Stage = &from }, "propagate[0].until"},
		"seed in the moonlight":      {func(s *Species) { s.Propagations[0].Light = "moonlight" }, "propagate[0].light"},
		"sown a metre deep":          {func(s *Species) { depth := figure("1000 mm usual"); s.Propagations[0].Depth = &depth }, "propagate[0].depth"},
		"more than all come up":      {func(s *Species) { share := figure("1.2 share usual"); s.Propagations[0].ComesUp = &share }, "propagate[0].comes_up"},
		"best where it is too hot": {func(s *Species) {
			base, best, ceiling := figure("5 °C usual"), figure("30 °C usual"), figure("25 °C usual")
			s.Propagations[0].Base, s.Propagations[0].Optimum, s.Propagations[0].Ceiling = &base, &best, &ceiling
		}, "propagate[0].optimum"},
		"a first harvest of no part": {func(s *Species) { s.Propagations[0].FirstHarvest = map[string]Figure{"root": figure("2 years usual")} }, "propagate[0].first_harvest.root"},
		"spread by rumour":           {func(s *Species) { s.Spreads[0].By = "rumour" }, "spread[0].by"},
		"runs like a hare":           {func(s *Species) { rate := figure("300 m guess"); s.Spreads[0].Rate = &rate }, "spread[0].rate"},
		"dried as jelly":             {func(s *Species) { s.Parts[0].Keep.Dries = "jelly" }, "part[0] (leaf).keep.dries"},
		"made what is not allowed":   {func(s *Species) { s.Parts[0].Keep.Makings = []string{"spirit"} }, "part[0] (leaf).keep.makings[0]"},
		"made into a hat":            {func(s *Species) { s.Parts[0].Keep.Makings = []string{"hat"} }, "part[0] (leaf).keep.makings[0]"},
		"grows back in degrees":      {func(s *Species) { s.Parts[0].Harvest.Regrowth = &Regrowth{Figure: figure("30 °C guess")} }, "part[0] (leaf).harvest.regrowth"},
		"a flush of no season":       {func(s *Species) { s.Parts[0].Harvest.Flushes = []Flush{{Name: "first"}} }, "part[0] (leaf).harvest.flush[0]"},
		"trouble of no kind":         {func(s *Species) { s.Troubles = []Trouble{{Name: "rust", Sign: "Spots.", Do: "Cut.", Urgent: "today"}} }, "trouble[0].kind"},
		"trouble and nothing to do": {func(s *Species) {
			s.Troubles = []Trouble{{Name: "rust", Kind: "disease", Sign: "Spots.", Urgent: "today"}}
		}, "trouble[0]"},
		"a kind for no reason":       {func(s *Species) { s.Kinds = []Kind{{Name: "golden", Rank: "cultivar"}} }, "kind[0]"},
		"flowers in the year 99":     {func(s *Species) { year := figure("99 year of life usual"); s.Flowering.FirstYear = &year }, "flowering.first_year"},
		"flowers again by moonlight": {func(s *Species) { s.Flowering.Again = "by moonlight" }, "flowering.again"},
		"tender for no reason":       {func(s *Species) { s.Tender = []Tender{{Below: figure("-2 °C guess"), Does: "annoys"}} }, "tender[0].does"},
		"a start for nobody":         {func(s *Species) { s.Growth.Starts = []StartedYear{{YearOfLife: s.Growth.Years[0]}} }, "growth.start[0].by"},
		"a start from seed": {func(s *Species) {
			s.Growth.Starts = []StartedYear{{By: []Origin{FromSeed}, YearOfLife: s.Growth.Years[0]}}
		}, "growth.start[0].by[0]"},
		"a start without a stage": {func(s *Species) { s.Growth.Starts = []StartedYear{{By: []Origin{FromCutting}}} }, "growth.start[0].stage"},
		"good at no stage":        {func(s *Species) { s.Parts[0].Keep.Quality = map[string]Figure{"snoring": figure("1 share usual")} }, "part[0] (leaf).keep.quality.snoring"},
		"better than the best":    {func(s *Species) { s.Parts[0].Keep.Quality = map[string]Figure{"leafing": figure("1.4 share usual")} }, "part[0] (leaf).keep.quality.leafing"},
		"a poison without a sign": {func(s *Species) { s.Poison = somePoison(); s.Poison.Signs = "" }, "poison"},
		"a poison of no part":     {func(s *Species) { s.Poison = somePoison(); s.Poison.Parts = []string{"horn"} }, "poison.parts[0]"},
		"deadly, and nobody is told": {func(s *Species) {
			s.Identity.Danger, s.Parts[0].Verdicts, s.Parts[0].Harvest = "deadly", []Verdict{Poisonous}, nil
		}, "poison"},
		"worth nothing to others":     {func(s *Species) { s.Wildlife = "" }, "wildlife"},
		"a look-alike undecided":      {func(s *Species) { s.LookAlikes[0].Decides = "" }, "look_alike[0]"},
		"a look-alike of what danger": {func(s *Species) { s.LookAlikes[0].Danger = "scary" }, "look_alike[0].danger"},
	} {
		s := goodPlant()
		test.spoil(s)
		problems := s.Check()
		at := slices.IndexFunc(problems, func(p Problem) bool { return p.Key == test.key && p.What != "" })
		if at < 0 {
			t.Errorf("%s: %v; want a problem at %s", name, problems, test.key)
			continue
		}
		section := strings.FieldsFunc(test.key, func(r rune) bool { return r == '.' || r == '[' })[0]
		for _, p := range problems {
			if !strings.HasPrefix(p.Key, section) && section != "part" && section != "growth" {
				t.Errorf("%s: %s is blamed, too", name, p)
			}
		}
		if text := problems[at].Error(); !strings.HasPrefix(text, test.key+": ") {
			t.Errorf("%s is told as %q", name, text)
		}
	}
}

// What is missing is told as missing, not as an odd unit or an empty word.
func TestWhatIsMissingIsToldSo(t *testing.T) {
	s := goodPlant()
	s.Size.Height, s.Site.Sun, s.Site.Moisture, s.Life.Habit = Figure{}, Range{}, WordRange{}, ""
	told := 0
	for _, p := range s.Check() {
		if strings.HasPrefix(p.What, "is missing") {
			told++
		} else {
			t.Errorf("%s", p)
		}
	}
	if told != 4 {
		t.Errorf("%d of 4 are told as missing", told)
	}
}

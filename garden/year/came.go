package year

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/parallel"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// CameRow is a stage of a planting that looks tell the day of.
type CameRow struct {
	PlantingID int64         `json:"plantingId"`
	SpeciesID  string        `json:"speciesId"`
	Plant      string        `json:"plant"`
	Bed        string        `json:"bed"`
	Stage      flora.Stage   `json:"stage"`
	Day        calendar.Date `json:"day"`
	Words      string        `json:"words" doc:"about 12 June, within 4 days"`
	// Usual is when it usually comes in this climate, against that; empty where it is not known.
	Usual     string `json:"usual"`
	UsualDays int    `json:"usualDays" doc:"By how many days it came after the usual; below 0 before"`
	// Told is what the forecast said at the year's start, Held whether it came within its 8 in 10.
	Told   string   `json:"told"`
	Held   bool     `json:"held"`
	Others []string `json:"others" doc:"When it came in other years"`
}

// HeldView is how the forecasts of a year's start held.
type HeldView struct {
	Words     string     `json:"words"`
	Verdict   string     `json:"verdict" doc:"Whether that is what 8 in 10 promises"`
	Of        int        `json:"of"`
	Within    int        `json:"within"`
	ByForm    []FormRow  `json:"byForm"`
	Plantings []MissView `json:"misses" doc:"What came outside of what was told, the furthest first"`
}

// FormRow is the same of one form of life.
type FormRow struct {
	Form  string `json:"form"`
	Words string `json:"words"`
}

// MissView is a stage that came outside of what was told.
type MissView struct {
	Words string `json:"words"`
}

const (
	// mostDoubt is by how many days the looks may leave a stage's day open for it to be told, and scored.
	mostDoubt = 21
	// mostMisses is how many stages outside of what was told are listed.
	mostMisses = 8
	// mostOthers is how many other years a row tells.
	mostOthers = 4
)

// cameOf is what looks tell of one planting in a season, with the forecasts of its start.
type cameOf struct {
	p           *plot.Planting
	all         []phenology.Came
	told, usual *phenology.Forecast
	others      map[flora.Stage][]string
	err         error
}

// came is what came when, by day, and how the forecasts of the year's start held against it.
func came(s *plot.State) ([]CameRow, HeldView, error) {
	each := make([]cameOf, len(s.Plantings))
	parallel.Each(len(each), func(i int) { each[i] = lookBack(s, s.Plantings[i]) })
	rows, misses := []CameRow{}, []miss{}
	var score phenology.Told
	forms := map[flora.LifeForm]*phenology.Told{}
	for _, of := range each {
		if of.err != nil {
			return nil, HeldView{}, of.err
		}
		for _, c := range of.all {
			row, dates, told := rowOf(of, c)
			rows = append(rows, row)
			if !told {
				continue
			}
			form := of.p.Species.Life.Form
			if forms[form] == nil {
				forms[form] = &phenology.Told{}
			}
			score.Add(dates, c)
			if outside := forms[form].Add(dates, c); outside != 0 {
				rows[len(rows)-1].Held = false
				misses = append(misses, missOf(row, outside))
			}
		}
	}
	slices.SortStableFunc(rows, func(a, b CameRow) int { return int(a.Day - b.Day) })
	return rows, viewScore(score, forms, misses), nil
}

// lookBack is what the looks at a planting tell of a season.
func lookBack(s *plot.State, p *plot.Planting) cameOf {
	of := cameOf{p: p, others: map[flora.Stage][]string{}}
	plan, lives := s.Plan(p, s.Season)
	if !lives || p.Aside {
		return of
	}
	of.all = within(plan.CameIn(p.SeenIn(s.Season)))
	if len(of.all) == 0 {
		return of
	}
	of.told, of.usual, of.err = s.AtStart(p)
	for _, season := range seasonsOf(s, p) {
		if season == s.Season {
			continue
		}
		other, lives := s.Plan(p, season)
		if !lives {
			continue
		}
		for _, c := range within(other.CameIn(p.SeenIn(season))) {
			day, _ := c.Middle()
			if len(of.others[c.Stage]) < mostOthers {
				of.others[c.Stage] = append(of.others[c.Stage], fmt.Sprintf("%d: %s", day.Year(), day.DayMonth()))
			}
		}
	}
	return of
}

// seasonsOf are the seasons in which a planting was looked at, the newest first.
func seasonsOf(s *plot.State, p *plot.Planting) (all []calendar.Season) {
	for i := len(p.Sightings) - 1; i >= 0; i-- {
		if season := calendar.SeasonOf(s.Site.Latitude, p.Sightings[i].Day); !slices.Contains(all, season) {
			all = append(all, season)
		}
	}
	return all
}

// within leaves out what the looks leave open for too long.
func within(all []phenology.Came) []phenology.Came {
	return slices.DeleteFunc(all, func(c phenology.Came) bool { _, doubt := c.Middle(); return doubt > mostDoubt })
}

func rowOf(of cameOf, c phenology.Came) (row CameRow, told phenology.Dates, has bool) {
	day, doubt := c.Middle()
	row = CameRow{
		PlantingID: of.p.ID, SpeciesID: of.p.SpeciesID, Plant: of.p.Species.Names.Name, Bed: of.p.Bed.Name,
		Stage: c.Stage, Day: day,
		Words: "about " + day.DayMonth() + ", within " + say.Counted(
			math.Max(1, math.Ceil(doubt)),
			"day",
			"days",
		), Others: of.others[c.Stage],
	}
	if row.Others == nil {
		row.Others = []string{}
	}
	if usual, comes := datesOf(of.usual, c.Stage); comes {
		row.UsualDays = day.DaysSince(usual.P50)
		row.Usual = againstWords(row.UsualDays) + " usual " + usual.P50.DayMonth()
		if row.UsualDays == 0 {
			row.Usual = "as usual"
		}
	}
	if told, has = datesOf(of.told, c.Stage); has {
		row.Told = calendar.Span(told.P10, told.P90)
		row.Held = true // until the count of it says otherwise
	}
	return row, told, has
}

func againstWords(days int) string {
	switch {
	case days > 0:
		return say.Counted(float64(days), "day", "days") + " after the"
	case days < 0:
		return say.Counted(float64(-days), "day", "days") + " before the"
	}
	return "as"
}

// datesOf are the dates of a stage that a forecast expects in most seasons.
func datesOf(f *phenology.Forecast, stage flora.Stage) (d phenology.Dates, comes bool) {
	if f == nil {
		return d, false
	}
	for k := 1; k < len(f.Stages); k++ {
		if f.Stages[k] == stage {
			d = f.Dates(k)
			return d, d.Holds(0.9)
		}
	}
	return d, false
}

type miss struct {
	words string
	off   int
}

func missOf(row CameRow, outside int) miss {
	off, side := outside, "after"
	if outside < 0 {
		off, side = -outside, "before"
	}
	return miss{
		fmt.Sprintf("%s in %s came %s at least %s %s the days that were told, %s.", say.Capital(row.Plant), row.Bed,
			stageWords(row.Stage), say.Counted(float64(off), "day", "days"), side, row.Told),
		off,
	}
}

// stageWords say that a plant came into a stage.
func stageWords(stage flora.Stage) string {
	switch stage {
	case flora.InBud, flora.FullLeaf, flora.FirstFlower, flora.FullFlower:
		return "into " + stage.String()
	}
	return "to " + stage.String()
}

func viewScore(score phenology.Told, forms map[flora.LifeForm]*phenology.Told, misses []miss) HeldView {
	v := HeldView{Of: score.Of, Within: score.Within, ByForm: []FormRow{}, Plantings: []MissView{}}
	if score.Of == 0 {
		v.Words = "No stage was looked at closely enough on both sides of its day to hold a forecast against."
		return v
	}
	v.Words = scoreWords(score)
	v.Verdict = "That is no less than 8 in 10 promises, as far as the looks can tell."
	if !score.Plausible() {
		v.Verdict = "That is fewer than 8 in 10 promises: trust the dates of the coming year less, and look more often."
	}
	for _, form := range flora.FormWords {
		if told := forms[flora.LifeForm(form)]; told != nil {
			v.ByForm = append(v.ByForm, FormRow{form, scoreWords(*told)})
		}
	}
	slices.SortStableFunc(misses, func(a, b miss) int { return b.off - a.off })
	for _, m := range misses[:min(len(misses), mostMisses)] {
		v.Plantings = append(v.Plantings, MissView{m.words})
	}
	return v
}

func scoreWords(t phenology.Told) string {
	words := fmt.Sprintf("%d of %d stages may have come within the days that were told as 8 in 10", t.Within, t.Of)
	if t.Early+t.Late > 0 {
		words += fmt.Sprintf("; %d surely came earlier and %d later", t.Early, t.Late)
	}
	return words + fmt.Sprintf(
		". The middle day was off by %.0f days at least in the mean, the spans were %.0f days wide.",
		t.Off,
		t.Wide,
	)
}

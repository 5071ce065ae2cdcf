package gather

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// WorthItView is what each stand brings for its work, its ground and its years.
type WorthItView struct {
	Stands []WorthItRow `json:"stands"`
	Basis  string       `json:"basis"`
	Words  string       `json:"words" doc:"What to grow more of"`
}

// WorthItRow is a part of a planting with what it brought.
type WorthItRow struct {
	PlantingID int64   `json:"plantingId"`
	Name       string  `json:"name" doc:"Plant and part"`
	Bed        string  `json:"bed"`
	AnHour     float64 `json:"anHour" doc:"Grams, fresh, for an hour of picking"`
	AM2        float64 `json:"aM2" doc:"Grams, fresh, of a m² in a year"`
	AYear      float64 `json:"aYear" doc:"Grams, fresh, in a year"`
	HourWords  string  `json:"hourWords"`
	M2Words    string  `json:"m2Words"`
	YearWords  string  `json:"yearWords"`
	Expected   bool    `json:"expected" doc:"Nothing was picked yet: what one cut a year would bring"`
	Seasons    int     `json:"seasons" doc:"How many seasons it is the mean of"`
	Times      string  `json:"times" doc:"How often it was taken this year and before"`
}

// worthSeasons is how many seasons back what was picked is looked at.
const worthSeasons = 3

// WorthIt is what each stand brings, by what was picked of it in the last seasons, else by what one cut would bring: an
// hour of picking, a m² of its ground, a year.
func (u *Uses) WorthIt(ctx context.Context) (WorthItView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return WorthItView{}, err
	}
	v := WorthItView{
		Stands: []WorthItRow{},
		Basis: fmt.Sprintf("Fresh weight, without what went to the compost, over the last %d seasons. The time is that of "+
			"each unit, and %.0f min for going out at all: %s.", worthSeasons, s.Lib.Gather().Work.Visit.Value,
			s.Lib.Gather().Work.Visit.Standing),
	}
	for _, p := range s.Plantings {
		if p.Aside {
			continue
		}
		for _, part := range p.Species.Parts {
			if part.Harvest == nil || harvest.MayUse(p.Species, part, p.IdentityState, p.Ground) != nil {
				continue
			}
			if row, bears := worthItRow(s, p, part.Name); bears {
				v.Stands = append(v.Stands, row)
			}
		}
	}
	slices.SortStableFunc(v.Stands, func(a, b WorthItRow) int {
		return cmp.Or(say.CompareBools(a.Expected, b.Expected), cmp.Compare(b.AnHour, a.AnHour))
	})
	if len(v.Stands) > 0 && !v.Stands[0].Expected {
		best := v.Stands[0]
		v.Words = fmt.Sprintf("An hour brings most of %s.", best.Name)
		most := slices.MaxFunc(v.Stands, func(a, b WorthItRow) int {
			return cmp.Or(say.CompareBools(b.Expected, a.Expected), cmp.Compare(a.AM2, b.AM2))
		})
		switch {
		case most == best && most.AM2 > 0:
			v.Words = fmt.Sprintf("An hour, and a m² too, bring most of %s.", best.Name)
		case most.AM2 > 0:
			v.Words += fmt.Sprintf(" A m² brings most of %s.", most.Name)
		}
	}
	return v, nil
}

// worthItRow is what a part of a planting brought, or would bring where nothing was picked yet.
func worthItRow(s *plot.State, p *plot.Planting, name string) (row WorthItRow, bears bool) {
	part, _ := p.Species.Part(name)
	rule := part.Harvest
	row = WorthItRow{PlantingID: p.ID, Name: say.PartOf(p.Species.Names.Name, name), Bed: p.Bed.Name}
	visit := s.Lib.Gather().Work.Visit.Value
	grams, minutes := 0.0, 0.0
	times, first := timesTaken(s, p, name)
	row.Times = times
	seasons := 1 + s.Season.YearsBefore(first)
	if seasons > worthSeasons {
		seasons = worthSeasons
	}
	for _, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || picking.Part != name || s.Season.YearsBefore(calendar.SeasonOf(s.Site.Latitude, day)) >= seasons {
			continue
		}
		grams += s.KeptGrams(picking)
		minutes += visit + picking.Units*rule.MinutesEach.Value
	}
	row.Seasons = seasons
	if minutes == 0 {
		if s.YearOfLife(p, s.Season) < int(math.Ceil(rule.MinYear.Value)) {
			return row, false
		}
		row.Expected, row.Seasons = true, 0
		grams = harvest.OneCut(rule) * float64(p.Standing())
		minutes = visit + grams/harvest.GramsEach(rule, 1)*rule.MinutesEach.Value
		seasons = 1
	}
	if grams <= 0 {
		return row, false
	}
	row.AnHour, row.AYear = grams/minutes*60, grams/float64(seasons)
	if m2 := p.Area.Outline.Area(); m2 > 0 {
		row.AM2 = row.AYear / m2
	}
	row.HourWords, row.YearWords = s.Units.Weight(row.AnHour), s.Units.Weight(row.AYear)
	row.M2Words = s.Units.Weight(row.AM2)
	row.AnHour, row.AYear, row.AM2 = math.Round(row.AnHour), math.Round(row.AYear), math.Round(row.AM2)
	return row, true
}

// timesTaken say how often a part was taken this season and in those before, and which season it was first taken in.
func timesTaken(s *plot.State, p *plot.Planting, part string) (words string, first calendar.Season) {
	now, before := 0, 0
	first = s.Season
	for _, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || picking.Part != part {
			continue
		}
		season := calendar.SeasonOf(s.Site.Latitude, day)
		if season.Start < first.Start {
			first = season
		}
		if season == s.Season {
			now++
		} else {
			before++
		}
	}
	switch {
	case now+before == 0:
		return "never taken", first
	case before == 0:
		return fmt.Sprintf("%s this year", say.Counted(float64(now), "time", "times")), first
	}
	if now == 0 {
		return fmt.Sprintf("not yet this year, %s before", say.Counted(float64(before), "time", "times")), first
	}
	return fmt.Sprintf("%s this year, %d before", say.Counted(float64(now), "time", "times"), before), first
}

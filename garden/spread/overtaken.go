package spread

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// OvertakenView is sown and set crops against the weeds in them.
type OvertakenView struct {
	Races []RaceView    `json:"races" doc:"The soonest overtaken first"`
	Crops []SpreadPlain `json:"crops" doc:"All plantings, to ask about another"`
	Asked *RaceView     `json:"asked,omitempty"`
	How   string        `json:"how"`
}

// RaceView is a crop with a weed in it.
type RaceView struct {
	PlantingID int64  `json:"plantingId"`
	Crop       string `json:"crop"`
	CropID     string `json:"cropId"`
	Bed        string `json:"bed"`
	Start      string `json:"start" doc:"Sown or set, and when"`
	WeedID     string `json:"weedId"`
	Weed       string `json:"weed"`
	Words      string `json:"words"`
	Overtakes  bool   `json:"overtakes" doc:"It likely does this season"`
	Days       int    `json:"days" doc:"Until half the crop's height is shaded, in the middle of the weathers"`
	// ByWeek is the chance that it is overtaken by each week from today on.
	ByWeek []RaceWeek `json:"byWeek"`
	// Now and Then are the hours to clear it today, and when it is overtaken.
	Now  string `json:"now"`
	Then string `json:"then"`
	// Heights are both plants' heights in metres by week, in the middle of the weathers.
	Heights []RaceHeights `json:"heights"`
}

// RaceWeek is the chance that a crop is overtaken by a day.
type RaceWeek struct {
	On     calendar.Date `json:"on"`
	Chance float64       `json:"chance"`
}

// RaceHeights are the heights of weed and crop on a day in metres.
type RaceHeights struct {
	On   calendar.Date `json:"on"`
	Weed float64       `json:"weed"`
	Crop float64       `json:"crop"`
}

// Overtaken shows crops against the weeds noted in their beds, and one crop against a weed where that is asked.
func (u *Uses) Overtaken(ctx context.Context, planting int64, weed string) (OvertakenView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return OvertakenView{}, err
	}
	v := OvertakenView{Races: []RaceView{}, Crops: []SpreadPlain{}, How: fmt.Sprintf(
		"Both grow by the warmth above their own base, on an S-shaped line from seedling to full height, through this season's possible "+
			"weathers, to heights drawn from their ranges. Overtaken is when half of the crop's height stands in the weed's shade, from weeds of %s on (%s).",
		s.Units.PlantLength(s.Lib.Spread().Clear.Meets.Value/100),
		s.Lib.Spread().Clear.Meets.Standing,
	)}
	for _, p := range s.Plantings {
		if p.Aside || p.Now == nil {
			continue
		}
		v.Crops = append(v.Crops, SpreadPlain{p.ID, p.SpeciesID, p.Species.Names.Name, p.Bed.Name, ""})
		if !s.Season.Contains(p.Started) {
			continue // what has stood for a year is asked for
		}
		for _, row := range plot.Volunteers.Of(s) {
			if row.EndedOn != nil || row.BedID == nil || *row.BedID != p.BedID || row.SpeciesID == p.SpeciesID ||
				s.IsToGo(p.ID) {
				continue
			}
			if species, has := s.Lib.Species(row.SpeciesID); has {
				if race, goes := raceOf(s, p, species, dayOrToday(row.Day, s.Today)); goes {
					v.Races = append(v.Races, race)
				}
			}
		}
	}
	slices.SortStableFunc(v.Races, func(a, b RaceView) int {
		return cmp.Or(-say.CompareBools(a.Overtakes, b.Overtakes), cmp.Compare(a.Days, b.Days))
	})
	if planting == 0 && weed == "" {
		return v, nil
	}
	var c say.Checklist
	p, err := input.StandingPlanting(s, planting)
	if err != nil {
		c.Add("plantingId", "Choose a crop that stands.")
	}
	species, has := s.Lib.Species(weed)
	if !has {
		c.Add("weed", "Choose the weed: a plant of the library.")
	}
	if err := c.Err(); err != nil {
		return v, err
	}
	race, goes := raceOf(s, p, species, s.Today)
	if !goes {
		return v, say.Faults{
			{Field: "weed", Message: "One of the two does not grow this season, so there is nothing to reckon."},
		}
	}
	v.Asked = &race
	return v, nil
}

// growing is how a plant grows in height this season: its growth, and the table of warmth that it counts by.
type growing struct {
	spread.Growth
	table *climate.ThermalTable
}

// growingOf is a species' growth in height in a year of its life, by the forecast of that year: from coming up until it
// is grown.
func growingOf(
	s *plot.State,
	species *flora.Species,
	year int,
	forecast *phenology.Forecast,
) (growing, calendar.Date, bool) {
	up, comes := firstOf(forecast, flora.Shooting, flora.Leafing)
	grown, does := firstOf(forecast, flora.FirstFlower, flora.FullLeaf)
	if !comes || !does || grown <= up {
		return growing{}, 0, false
	}
	ensemble, err := s.Sky.Ensemble(forecast.Season)
	if err != nil {
		return growing{}, 0, false
	}
	g := growing{table: ensemble.Thermal(species.Growth.Base.Value, species.Growth.Upper.Value)}
	height := species.Size.Height.Value / 100 * phenology.AgeShare(species, year)
	g.Growth = spread.GrowthOf(math.Max(0.02, height), meanWarmth(g.table, ensemble, forecast.Season, up, grown))
	return g, up, true
}

// firstOf is when the first of some stages that a year has is reached.
func firstOf(forecast *phenology.Forecast, stages ...flora.Stage) (calendar.Date, bool) {
	for _, stage := range stages {
		for k := 1; k < len(forecast.Stages); k++ {
			if d := forecast.Dates(k); forecast.Stages[k] == stage && d.Holds(0.5) {
				return d.P50, true
			}
		}
	}
	return 0, false
}

// meanWarmth is the warmth from one day to another in the mean of the weathers, in °C d.
func meanWarmth(
	table *climate.ThermalTable,
	e *climate.Ensemble,
	season calendar.Season,
	from, to calendar.Date,
) float64 {
	sum, last := 0.0, season.Days()-1
	for m := range e.Size() {
		sum += table.Sum(m, min(to.DaysSince(season.Start), last)) - table.Sum(m, min(from.DaysSince(season.Start), last))
	}
	return math.Max(1, sum/float64(e.Size()))
}

// raceOf is a weed seen on a day against a crop; false where either does not grow this season.
func raceOf(s *plot.State, p *plot.Planting, weed *flora.Species, seen calendar.Date) (RaceView, bool) {
	if p.Now == nil || !s.Season.Contains(s.Today) {
		return RaceView{}, false
	}
	crop, cropUp, grows := growingOf(s, p.Species, p.Year, p.Now)
	typical, err := s.Typical(weed, 1)
	if !grows || err != nil {
		return RaceView{}, false
	}
	weeds, _, grows := growingOf(s, weed, 1, typical)
	if !grows {
		return RaceView{}, false
	}
	ensemble, err := s.Sky.Ensemble(s.Season)
	if err != nil {
		return RaceView{}, false
	}
	// What each has grown by today counts as warmth that it is ahead by; a crop that is not up yet is behind.
	since := func(g growing, from calendar.Date) float64 {
		if from > s.Today {
			return -meanWarmth(g.table, ensemble, s.Season, s.Today, from)
		}
		return meanWarmth(g.table, ensemble, s.Season, max(from, s.Season.Start), s.Today)
	}
	crop.AheadC, weeds.AheadC = since(crop, cropUp), since(weeds, max(seen, s.Season.Start))
	if p.Species.Life.KeepsLeaf && !s.Season.Contains(p.Started) {
		crop.AheadC += 2 * crop.MiddleC // it stands as tall as it is already
	}
	race := spread.Race{Weed: weeds.Growth, Crop: crop.Growth, MeetsM: s.Lib.Spread().Clear.Meets.Value / 100}
	today := s.Today.DaysSince(s.Season.Start)
	days := spread.Overtaken(drawn(s, p, weed, race, ensemble.Size()), weeds.table, crop.table, today, s.Season.Days())
	v := RaceView{
		PlantingID: p.ID, Crop: p.Species.Names.Name, CropID: p.SpeciesID, Bed: p.Bed.Name, WeedID: weed.ID,
		Weed:  weed.Names.Name,
		Start: startWords(p), ByWeek: []RaceWeek{}, Heights: []RaceHeights{},
	}
	const weeks = 14
	middle := ensemble.Size() / 2
	for week := range weeks {
		at := today + 7*week
		if at >= s.Season.Days() {
			break
		}
		on := s.Today.AddDays(7 * week)
		v.ByWeek = append(v.ByWeek, RaceWeek{on, say.Round2(shareBy(days, at))})
		warmth := func(table *climate.ThermalTable) float64 { return table.Sum(middle, at) - table.Sum(middle, today-1) }
		v.Heights = append(v.Heights, RaceHeights{
			on, say.Round2(race.Weed.At(warmth(weeds.table))), say.Round2(race.Crop.At(warmth(crop.table))),
		})
	}
	at := days[len(days)/2]
	v.Overtakes = at < s.Season.Days()
	v.Days = at - today
	v.Words = raceWords(s, v, days, today)
	v.Now, v.Then = clearWords(s, p, race, v.Overtakes, weeds, ensemble, today, at)
	return v, true
}

// drawn is a race in each of the weathers, with heights and gap from their ranges: how tall this stand and these weeds
// get is known no better than their files say.
func drawn(s *plot.State, p *plot.Planting, weed *flora.Species, race spread.Race, runs int) []spread.Race {
	doubt, meets := s.Lib.Bench().Doubt, s.Lib.Spread().Clear.Meets
	height := func(species *flora.Species, full float64) func(float64) float64 {
		return func(q float64) float64 { return full * doubt.At(species.Size.Height, q) / species.Size.Height.Value }
	}
	return race.Drawn(runs, uint64(p.ID), height(weed, race.Weed.HeightM), height(p.Species, race.Crop.HeightM),
		func(q float64) float64 { return doubt.At(meets, q) / 100 })
}

func shareBy(ordered []int, at int) float64 {
	n, _ := slices.BinarySearch(ordered, at+1)
	return float64(n) / float64(len(ordered))
}

func startWords(p *plot.Planting) string {
	if p.OriginRow.FromStart {
		return "sown " + view.FullDayWords(p.StartedOn)
	}
	return "set " + view.FullDayWords(p.StartedOn)
}

// raceWords say when a crop is overtaken.
func raceWords(s *plot.State, v RaceView, ordered []int, today int) string {
	season := shareBy(ordered, s.Season.Days()-1)
	switch {
	case season < 0.05:
		return fmt.Sprintf("%s stays above it: no clearing for height's sake.", say.Capital(v.Crop))
	case !v.Overtakes:
		return fmt.Sprintf("It is overtaken this season %s.", say.Chance(season))
	case v.Days <= 0 && shareBy(ordered, today) < 0.9:
		return fmt.Sprintf("Overtaken already, %s: half of its height in the weed's shade.", say.Chance(shareBy(ordered, today)))
	case v.Days <= 0:
		return "It is overtaken already: half of its height stands in the weed's shade."
	}
	early, late := ordered[len(ordered)/10]-today, ordered[len(ordered)*9/10]-today
	if late > s.Season.Days()-1-today {
		return fmt.Sprintf(
			"%d days left, %d at the least; overtaken this season %s.",
			v.Days,
			max(0, early),
			say.Chance(season),
		)
	}
	if early = max(0, early); early == late {
		return fmt.Sprintf("%s left.", say.Counted(float64(v.Days), "day", "days"))
	}
	return fmt.Sprintf("%s left (%d to %d, 8 in 10).", say.Counted(float64(v.Days), "day", "days"), early, late)
}

// clearWords say how long it takes to clear the crop's ground today, and when it is overtaken.
func clearWords(
	s *plot.State,
	p *plot.Planting,
	race spread.Race,
	overtakes bool,
	weeds growing,
	ensemble *climate.Ensemble,
	today, at int,
) (now, then string) {
	lore := s.Lib.Spread().Clear
	area := math.Min(s.AreaM2(p.BedID), math.Max(0.5, s.WantedM2(p)))
	minutes := func(height float64) float64 {
		grown := math.Min(1, height/race.Weed.HeightM)
		return area * (lore.WeedSmall.Value + (lore.WeedTall.Value-lore.WeedSmall.Value)*grown)
	}
	now = say.MinutesWords(minutes(race.Weed.At(0)))
	if !overtakes {
		return now, ""
	}
	middle := ensemble.Size() / 2
	warmth := weeds.table.Sum(middle, min(at, s.Season.Days()-1)) - weeds.table.Sum(middle, today-1)
	return now, say.MinutesWords(minutes(race.Weed.At(warmth)))
}

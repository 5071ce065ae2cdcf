package phenology

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// What a usual course is worth: the warmth by a day is uncertain by courseWarmth of
// itself either way, the day of a day length by courseDays. Guesses of ours, about the
// widths that the first species were given by hand.
const (
	courseWarmth = 0.15
	courseDays   = 9
	// courseYear is any year without a leap day.
	courseYear = 2031
)

// FillCourses works out the stages' figures of every year of life that is told by a
// course: the usual day of each stage at a station. The warmth a stage needs is what
// the station's mean year gathers, above the species' base, by that day (single sine,
// Baskerville and Emin 1969), from the season's start or the day of sowing. Dying back
// and the rest after it wait besides for the day length of their day. All are guesses,
// as the days are. A course that cannot be read, or runs backward, is an error that
// names its key.
func FillCourses(s *flora.Species, station climate.Normals) error {
	return NewCourses().Fill(s, station)
}

// Courses works courses out and keeps what it reckons of each station's mean year, for the
// species that are told at it. It may be used by several at once.
type Courses struct {
	mu     sync.Mutex // guards what is kept
	warmth map[stationWarmth][]float64
	light  map[string]*Daylight
}

// stationWarmth is a station's year above a base and under an upper temperature.
type stationWarmth struct {
	station       string
	baseC, upperC float64
}

// NewCourses returns one that has kept nothing yet.
func NewCourses() *Courses {
	return &Courses{warmth: map[stationWarmth][]float64{}, light: map[string]*Daylight{}}
}

// daily is the warmth in °C d of each day of a station's mean season.
func (c *Courses) daily(
	station climate.Normals, season calendar.Season, growth flora.Growth,
) (warmth []float64, err error) {
	c.mu.Lock()
	defer c.mu.Unlock()
	key := stationWarmth{station.ID, growth.Base.Value, growth.Upper.Value}
	if kept, has := c.warmth[key]; has {
		return kept, nil
	}
	mean := station.MeanCourse()
	warmth = make([]float64, season.Days())
	for i := range warmth {
		day := season.Start.AddDays(i)
		tmin, tmax := mean(day)
		if warmth[i], err = meanWarmth(station, day, tmin, tmax, key.baseC, key.upperC); err != nil {
			return nil, err
		}
	}
	c.warmth[key] = warmth
	return warmth, nil
}

// daylight is that of a station's season.
func (c *Courses) daylight(station climate.Normals, season calendar.Season) (*Daylight, error) {
	c.mu.Lock()
	defer c.mu.Unlock()
	if kept, has := c.light[station.ID]; has {
		return kept, nil
	}
	daylight, err := NewDaylight(station.Latitude, season)
	if err == nil {
		c.light[station.ID] = daylight
	}
	return daylight, err
}

// Fill works out the stages' figures of a species that is told at a station, as FillCourses does.
func (c *Courses) Fill(s *flora.Species, station climate.Normals) error {
	for i := range s.Growth.Years {
		if err := c.fill(s, &s.Growth.Years[i], station, fmt.Sprintf("growth.year[%d]", i)); err != nil {
			return err
		}
	}
	for i := range s.Growth.Starts {
		year := &s.Growth.Starts[i].YearOfLife
		if err := c.fill(s, year, station, fmt.Sprintf("growth.start[%d]", i)); err != nil {
			return err
		}
	}
	return nil
}

func (c *Courses) fill(s *flora.Species, year *flora.YearOfLife, station climate.Normals, key string) error {
	if year.Course == "" {
		return nil
	}
	if len(year.Stages) > 0 {
		return flora.Problem{Key: key, What: "has both a course and stages in figures; keep one"}
	}
	stages, err := c.stagesOf(s, year, station)
	if err != nil {
		return flora.Problem{Key: key + ".course", What: err.Error()}
	}
	year.Stages = stages
	return nil
}

func (c *Courses) stagesOf(
	s *flora.Species, year *flora.YearOfLife, station climate.Normals,
) ([]flora.StageRule, error) {
	season := calendar.SeasonOf(station.Latitude, calendar.Must(courseYear, time.June, 30))
	start := season.Start
	if year.Sown != "" {
		sown, err := dayOf(year.Sown, season)
		if err != nil {
			return nil, fmt.Errorf("sown: %w", err)
		}
		start = sown
		year.IsSown, year.SownAfter = true, sown.DaysSince(season.Start)
	}
	daily, err := c.daily(station, season, s.Growth)
	if err != nil {
		return nil, err
	}
	sums := make([]float64, season.Days()+1)
	for i, warmth := range daily {
		sums[i+1] = sums[i]
		if season.Start.AddDays(i) >= start {
			sums[i+1] += warmth
		}
	}
	var rules []flora.StageRule
	before := start.AddDays(-1)
	for entry := range strings.SplitSeq(year.Course, ",") {
		entry = strings.TrimSpace(entry)
		day, err := CourseDay(entry, season)
		if err != nil {
			return nil, err
		}
		words := strings.Fields(entry)
		stage, err := flora.ParseStage(strings.Join(words[:len(words)-2], " "))
		if err != nil {
			return nil, err
		}
		if day <= before {
			return nil, fmt.Errorf(
				"%s on %s comes no later than the stage before; a season at this station runs from %s",
				stage,
				day.DayMonth(),
				season.Start.DayMonth(),
			)
		}
		before = day
		rule := flora.StageRule{Stage: stage, Warmth: around(sums[day.DaysSince(season.Start)+1], courseWarmth)}
		if year.Sown != "" {
			rule.LeastDays = leastAfter(day.DaysSince(start))
		}
		if stage == flora.DyingBack || stage == flora.Resting {
			if err := c.waitForDay(&rule, station, season, day); err != nil {
				return nil, err
			}
			// Where the light decides, warmth must not hold it up: in a cold autumn there
			// may be none to come.
			if rule.DayShare != nil && len(rules) > 0 {
				rule.Warmth = rules[len(rules)-1].Warmth
			}
		}
		if len(rules) == 0 && s.Growth.Chill != nil && year.Sown == "" {
			rule.Chill = s.Growth.Chill
		}
		rules = append(rules, rule)
	}
	return rules, nil
}

// meanWarmth is the warmth in °C d that a day of a station gathers in the mean of many
// years, with the usual lowest and highest temperature tminC and tmaxC. Days warmer and
// colder than the mean do not weigh out near the base, so it is the mean over a normal
// spread, by Gauss and Hermite's rule of three points.
func meanWarmth(
	station climate.Normals,
	day calendar.Date,
	tminC, tmaxC, baseC, upperC float64,
) (warmth float64, err error) {
	spreadMin, spreadMax := station.Spread(day.YearDay())
	for _, point := range []struct{ at, weight float64 }{{0, 2.0 / 3}, {math.Sqrt(3), 1.0 / 6}, {-math.Sqrt(3), 1.0 / 6}} {
		low, high := tminC+point.at*spreadMin, tmaxC+point.at*spreadMax
		part, err := climate.DegreeDays(min(low, high), max(low, high), baseC, upperC)
		if err != nil {
			return 0, err
		}
		warmth += point.weight * part
	}
	return warmth, nil
}

// waitForDay makes a stage wait for the day length of a day, where days grow shorter
// then, with a range of courseDays either way: as a share of the year's range, so that it
// comes about that day at every latitude.
func (c *Courses) waitForDay(
	rule *flora.StageRule, station climate.Normals, season calendar.Season, day calendar.Date,
) error {
	daylight, err := c.daylight(station, season)
	if err != nil {
		return err
	}
	shortest, longest := slices.Min(daylight.hours), slices.Max(daylight.hours)
	var shares [3]float64
	for i, days := range []int{-courseDays, 0, courseDays} {
		hours, err := climate.DayLength(station.Latitude, day.AddDays(days))
		if err != nil {
			return err
		}
		shares[i] = (hours - shortest) / (longest - shortest)
	}
	if shares[2] < shares[1] && shares[1] < shares[0] {
		rule.DayShare = &flora.Figure{Value: shares[1], Low: shares[2], High: shares[0], Unit: "share", Standing: flora.Guess}
	}
	return nil
}

// leastAfter is the least time after sowing of a stage that usually comes after a number of
// days: warmth beyond what a plant grows best in gains it nothing. That it is between half
// and four fifths of the usual time is a guess of ours.
func leastAfter(days int) *flora.Figure {
	usual := float64(days)
	return &flora.Figure{Value: 0.65 * usual, Low: 0.5 * usual, High: 0.8 * usual, Unit: "days", Standing: flora.Guess}
}

func around(value, share float64) flora.Figure {
	return flora.Figure{
		Value:    value,
		Low:      value * (1 - share),
		High:     value * (1 + share),
		Unit:     "°C d",
		Standing: flora.Guess,
	}
}

// CourseDay returns the day that an entry of a course names, "leafing 5 Apr", in a
// season; an entry that names none is an error.
func CourseDay(entry string, season calendar.Season) (calendar.Date, error) {
	words := strings.Fields(entry)
	if len(words) < 3 {
		return 0, fmt.Errorf("%q is not a stage with its day, like \"leafing 5 Apr\"", entry)
	}
	return dayOf(strings.Join(words[len(words)-2:], " "), season)
}

// dayOf reads "5 Apr" as a day of a season.
func dayOf(text string, season calendar.Season) (calendar.Date, error) {
	at, err := time.Parse("2 Jan", text)
	if err != nil {
		return 0, fmt.Errorf("%q is not a day, like \"5 Apr\"", text)
	}
	for _, year := range []int{season.Start.Year(), season.End.Year()} {
		if day := calendar.Must(year, at.Month(), at.Day()); season.Contains(day) {
			return day, nil
		}
	}
	return 0, fmt.Errorf("%q lies in no season", text)
}

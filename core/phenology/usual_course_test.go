package phenology

import (
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// A plant told by its usual days at a station is forecast there within ten days of
// them, in the mean of many seasons.
func TestACourseComesBackAsItsDays(t *testing.T) {
	species := herb()
	species.Growth.Years = []flora.YearOfLife{
		{From: 1, Sown: "15 Apr", Course: "shooting 5 May, leafing 20 May, full leaf 1 Jul, dying back 10 Oct, resting 15 Nov"},
		{From: 2, Course: "shooting 5 Apr, leafing 20 Apr, full leaf 15 May, in bud 10 Jun, first flower 25 Jun, full flower 5 Jul, setting seed 25 Jul, ripe 20 Aug, dying back 5 Oct, resting 10 Nov"},
	}
	if err := FillCourses(species, valley); err != nil {
		t.Fatal(err)
	}
	weather := ensemble(t, season.Start, nil, 100)
	daylight, err := NewDaylight(valley.Latitude, season)
	if err != nil {
		t.Fatal(err)
	}
	for year, sown := range map[int]calendar.Date{1: calendar.Must(2031, time.April, 15), 2: season.Start.AddDays(-1)} {
		plan, err := NewPlan(species, year, daylight, sown)
		if err != nil {
			t.Fatal(err)
		}
		forecast := plan.Forecast(weather, PriorPace(), nil)
		i := 0
		for entry := range strings.SplitSeq(species.Growth.Years[year-1].Course, ", ") {
			i++
			words := strings.Fields(entry)
			want, err := dayOf(strings.Join(words[len(words)-2:], " "), season)
			if err != nil {
				t.Fatal(err)
			}
			if got := forecast.Dates(i); abs(got.P50.DaysSince(want)) > 10 {
				t.Errorf("year %d: %s comes about %s", year, entry, got.P50.DayMonth())
			}
		}
	}
}

func abs(n int) int { return max(n, -n) }

func TestACourseInTheSouthRunsThroughTheNewYear(t *testing.T) {
	south := valley
	south.Latitude = -30
	species := herb()
	species.Growth.Years = []flora.YearOfLife{{From: 1, Course: "shooting 5 Sep, first flower 1 Dec, ripe 15 Feb, dying back 25 May"}}
	if err := FillCourses(species, south); err != nil {
		t.Fatal(err)
	}
	rules := species.Growth.Years[0].Stages
	if len(rules) != 4 || rules[3].DayShare == nil || rules[0].DayShare != nil || rules[2].Warmth.Value <= rules[1].Warmth.Value {
		t.Errorf("the rules are %+v", rules)
	}
	species.Growth.Years = []flora.YearOfLife{{From: 1, Course: "shooting 5 Mar, first flower 1 Dec"}}
	if err := FillCourses(species, south); err == nil || !strings.Contains(err.Error(), "no later than the stage before") {
		t.Errorf("a course that runs backward in the south: %v", err)
	}
}

func TestACourseThatCannotBeReadNamesItsKey(t *testing.T) {
	for course, want := range map[string]string{
		"shooting": "not a stage with its day", "blooming 3 Mar": "blooming", "shooting 31 Feb": "is not a day", "leafing 5 Apr, shooting 1 Mar": "no later than",
	} {
		species := herb()
		species.Growth.Years = []flora.YearOfLife{{From: 1, Course: course}}
		if err := FillCourses(species, valley); err == nil || !strings.Contains(err.Error(), want) || !strings.HasPrefix(err.Error(), "growth.year[0].course: ") {
			t.Errorf("%q gives %v, want %q", course, err, want)
		}
	}
	species := herb()
	species.Growth.Years[0].Course = "shooting 5 Apr"
	if err := FillCourses(species, valley); err == nil || !strings.Contains(err.Error(), "both a course and stages") {
		t.Errorf("a year told twice: %v", err)
	}
	species = herb()
	species.Growth.Years = []flora.YearOfLife{{From: 1, Sown: "soon", Course: "shooting 5 Apr"}}
	if err := FillCourses(species, valley); err == nil || !strings.Contains(err.Error(), "sown") {
		t.Errorf("sown soon: %v", err)
	}
}

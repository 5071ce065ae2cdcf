package library

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
)

// stagesByMonth is the stage on the fifteenth of each month of a plant's flowering year, by the
// days of its own course; nil for a plant without one.
func stagesByMonth(t *testing.T, l *Library, s *flora.Species) map[time.Month]flora.Stage {
	t.Helper()
	year := s.Growth.Years[len(s.Growth.Years)-1]
	if year.Course == "" {
		return nil
	}
	station, _ := l.Climate(s.Growth.At)
	season := calendar.SeasonOf(station.Latitude, calendar.Must(2031, time.July, 1))
	stages := map[time.Month]flora.Stage{}
	for day := season.Start; day <= season.End; day = day.AddDays(1) {
		if day.Day() != 15 {
			continue
		}
		at := flora.Resting
		for entry := range strings.SplitSeq(year.Course, ", ") {
			from, err := phenology.CourseDay(entry, season)
			if err != nil {
				t.Fatal(err)
			}
			words := strings.Fields(entry)
			stage, err := flora.ParseStage(strings.Join(words[:len(words)-2], " "))
			if err != nil {
				t.Fatal(err)
			}
			if from <= day {
				at = stage
			}
		}
		stages[day.Month()] = at
	}
	return stages
}

// taken tells whether a stage lies in the band of some part that is taken, by the order of the
// plant's own year.
func taken(s *flora.Species, stage flora.Stage) bool {
	year := s.Growth.Years[len(s.Growth.Years)-1]
	order := func(of flora.Stage) int {
		return slices.IndexFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == of })
	}
	for _, part := range s.Parts {
		if part.Harvest == nil {
			continue
		}
		from, until, at := order(part.Harvest.From), order(part.Harvest.Until), order(stage)
		if stage == flora.Resting {
			at = len(year.Stages)
		}
		if until < 0 {
			until = len(year.Stages)
		}
		if from <= until && at >= from && at < until || from > until && (at >= from || at < until) {
			return true
		}
	}
	return false
}

// A plant that two people look at in one month alone is sure where enough shows against every
// deadly plant, and never where it says that it cannot be proved then. What that costs a true
// plant is told by month.
func TestAMonthProvesAPlantOrSaysThatItCannot(t *testing.T) {
	t.Parallel()
	l, used, _ := usedAndDangerous(t)
	proved, readable, asked, all := map[time.Month]int{}, map[time.Month]int{}, map[time.Month]int{}, 0
	for _, s := range used {
		stages := stagesByMonth(t, l, s)
		if stages == nil {
			continue
		}
		all++
		rules := l.Rules(s.ID)
		station, _ := l.Climate(s.Growth.At)
		for month, stage := range stages {
			if station.Latitude < 0 {
				month = (month+5)%12 + 1
			}
			sight := identity.SightOf(s, stage)
			answers := map[string]identity.Answer{}
			for _, id := range s.Identity.Shows.Characters() {
				if c, _ := identity.CharacterOf(id); sight.Shows(c) {
					answers[id] = identity.Seen
				}
			}
			sure := judgeTwice(rules, answers) == identity.Sure
			open := rules.Undecided(sight)
			if sure && len(open) > 0 {
				t.Errorf("%s is sure while %s, and says that it cannot be told from %s then", s.ID, stage, open[0].Name)
			}
			if sure {
				proved[month]++
			}
			if len(open) == 0 {
				readable[month]++
			}
			if taken(s, stage) {
				asked[month]++
			}
		}
	}
	line := ""
	for _, month := range slices.Sorted(maps.Keys(proved)) {
		line += fmt.Sprintf(" %s %d/%d (taken %d)", month.String()[:3], proved[month], readable[month], asked[month])
	}
	t.Logf("of %d plants, proved by one month alone / one reading possible:%s", all, line)
	if all < 55 || proved[time.June] <= proved[time.January] {
		t.Errorf("%d plants, %v", all, proved)
	}
}

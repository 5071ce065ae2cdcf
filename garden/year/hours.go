package year

import (
	"slices"
	"strconv"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// WorkView is the work that was noted, reckoned by what each kind of it takes.
type WorkView struct {
	Total string    `json:"total" doc:"Empty where nothing was noted"`
	Beds  []WorkRow `json:"beds" doc:"By bed, the most first"`
	Kinds []WorkRow `json:"kinds" doc:"By plant, the most first"`
}

// WorkRow is the work at one bed or kind.
type WorkRow struct {
	Name    string  `json:"name"`
	Minutes float64 `json:"minutes"`
	Words   string  `json:"words"`
}

const (
	// lookMinutes is what a look takes, and otherMinutes a job of which nothing more is known.
	lookMinutes, otherMinutes = 2, 10
)

// hours reckons the work of a season: looks, pickings and jobs that were noted as done, each by the minutes that it is
// told to take. What nobody noted is not in it.
func hours(s *plot.State) WorkView {
	beds, kinds := map[string]float64{}, map[string]float64{}
	total := 0.0
	work := func(p *plot.Planting, minutes float64) {
		beds[p.Bed.Name] += minutes
		kinds[p.Species.Names.Name] += minutes
		total += minutes
	}
	for _, p := range s.EverPlanted {
		if p.Aside {
			continue
		}
		for range p.SeenIn(s.Season) {
			work(p, lookMinutes)
		}
		for _, picking := range p.Pickings {
			day, err := calendar.Parse(picking.Day)
			part, has := p.Species.Part(picking.Part)
			if err == nil && has && part.Harvest != nil && s.Season.Contains(day) {
				work(p, max(lookMinutes, picking.Units*part.Harvest.MinutesEach.Value))
			}
		}
	}
	for _, done := range s.DoneIn(s.Season) {
		if p := s.ByID[done.PlantingID]; p != nil && !p.Aside {
			work(p, minutesOf(s, p, done.JobKey))
		}
	}
	v := WorkView{Beds: inOrder(beds), Kinds: inOrder(kinds)}
	if total > 0 {
		v.Total = say.MinutesWords(total)
	}
	return v
}

// minutesOf is what a job takes by the row of care or the sign of trouble that its key names.
func minutesOf(s *plot.State, p *plot.Planting, key string) float64 {
	parts := strings.Split(key, ":")
	if len(parts) < 3 {
		return otherMinutes
	}
	for _, row := range p.Species.Care {
		if row.ID == parts[2] {
			return max(2, float64(p.Standing())*row.MinutesEach.Value)
		}
	}
	if seen, is := strings.CutPrefix(parts[2], "seen-"); is {
		number, mark, _ := strings.Cut(seen, "-")
		if _, err := strconv.Atoi(number); err == nil {
			if t, known := s.Lib.Care().Trouble(strings.ReplaceAll(mark, "-", " ")); known {
				return t.Minutes
			}
		}
	}
	return otherMinutes
}

func inOrder(minutes map[string]float64) []WorkRow {
	rows := []WorkRow{}
	for name, sum := range minutes {
		rows = append(rows, WorkRow{name, sum, say.MinutesWords(sum)})
	}
	slices.SortFunc(rows, func(a, b WorkRow) int {
		if a.Minutes != b.Minutes {
			return int(b.Minutes - a.Minutes)
		}
		return strings.Compare(a.Name, b.Name)
	})
	return rows
}

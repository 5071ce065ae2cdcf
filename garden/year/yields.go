package year

import (
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// YieldRow is what was taken of a part in a bed.
type YieldRow struct {
	Plant    string `json:"plant"`
	Part     string `json:"part"`
	Bed      string `json:"bed"`
	Taken    string `json:"taken" doc:"1.2 kg in 3 pickings"`
	PerPlant string `json:"perPlant"`
	Before   string `json:"before" doc:"The year before"`
	Need     string `json:"need" doc:"Of what the household needs a year; empty where nobody said"`
}

// FateRow is what throve or failed.
type FateRow struct {
	Plant  string `json:"plant"`
	Bed    string `json:"bed"`
	Words  string `json:"words"`
	Failed bool   `json:"failed"`
}

// TroubleRow is a sign of trouble, and where it was marked.
type TroubleRow struct {
	Mark  string `json:"mark"`
	Words string `json:"words"`
}

type taken struct {
	grams float64
	times int
}

// yields are what was taken, by plant, part and bed.
func yields(s *plot.State) []YieldRow {
	type key struct{ species, part, bed string }
	now, before, plants, names := map[key]taken{}, map[key]taken{}, map[key]int{}, map[key]string{}
	last := calendar.SeasonOf(s.Site.Latitude, s.Season.Start.AddDays(-1))
	whole := map[[2]string]float64{}
	var order []key
	for _, p := range s.EverPlanted {
		seen := map[key]bool{}
		for _, picking := range p.Pickings {
			day, err := calendar.Parse(picking.Day)
			if err != nil {
				continue
			}
			k := key{p.SpeciesID, picking.Part, p.Bed.Name}
			switch {
			case s.Season.Contains(day):
				if !slices.Contains(order, k) {
					order = append(order, k)
				}
				if names[k] = p.Species.Names.Name; !seen[k] {
					plants[k] += p.Standing()
					seen[k] = true
				}
				add(now, k, s.KeptGrams(picking))
				whole[[2]string{p.SpeciesID, picking.Part}] += s.KeptGrams(picking)
			case last.Contains(day):
				add(before, k, s.KeptGrams(picking))
			}
		}
	}
	rows := []YieldRow{}
	for _, k := range order {
		row := YieldRow{Plant: names[k], Part: k.part, Bed: k.bed, Before: "nothing"}
		row.Taken = fmt.Sprintf(
			"%s in %s",
			s.Units.Weight(now[k].grams),
			say.Counted(float64(now[k].times), "picking", "pickings"),
		)
		if n := plants[k]; n > 0 {
			row.PerPlant = s.Units.Weight(now[k].grams / float64(n))
		}
		if was := before[k]; was.times > 0 {
			row.Before = s.Units.Weight(was.grams)
		}
		if need, said := s.NeedOf(k.species, k.part); said && need > 0 {
			row.Need = fmt.Sprintf("%.0f %% of %s", 100*whole[[2]string{k.species, k.part}]/need, s.Units.Weight(need))
		}
		rows = append(rows, row)
	}
	slices.SortStableFunc(
		rows,
		func(a, b YieldRow) int { return say.CompareTexts(a.Plant, b.Plant, a.Part, b.Part, a.Bed, b.Bed) },
	)
	return rows
}

func add[K comparable](to map[K]taken, key K, grams float64) {
	sum := to[key]
	sum.grams += grams
	sum.times++
	to[key] = sum
}

// fates are what throve and what failed, as it was noted in the season.
func fates(s *plot.State) []FateRow {
	rows := []FateRow{}
	for _, p := range s.EverPlanted {
		for _, fate := range s.Fates[p.ID] {
			day, err := calendar.Parse(fate.Day)
			if err != nil || !s.Season.Contains(day) {
				continue
			}
			words := day.DayMonth() + ": " + fate.Outcome
			if fate.Cause != "" {
				words += ", " + fate.Cause
			}
			if fate.Note != "" {
				words += ". " + say.Sentence(fate.Note)
			}
			rows = append(rows, FateRow{p.Species.Names.Name, p.Bed.Name, words, fate.Outcome == "failed"})
		}
	}
	return rows
}

// troubles are the signs that were marked, the commonest first.
func troubles(s *plot.State) []TroubleRow {
	where := map[string][]string{}
	for _, p := range s.EverPlanted {
		for _, seen := range p.Sightings {
			if !s.Season.Contains(seen.Day) {
				continue
			}
			for _, mark := range view.ListOf(seen.Row.Marks) {
				at := p.Species.Names.Name + ", " + p.Bed.Name
				if !slices.Contains(where[mark], at) {
					where[mark] = append(where[mark], at)
				}
			}
		}
	}
	rows := []TroubleRow{}
	for _, mark := range s.Marks() {
		if at := where[mark]; at != nil {
			rows = append(rows, TroubleRow{mark, say.Joined(at)})
		}
	}
	slices.SortStableFunc(rows, func(a, b TroubleRow) int { return len(where[b.Mark]) - len(where[a.Mark]) })
	return rows
}

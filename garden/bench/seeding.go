package bench

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
)

// seedSpread is how a species sheds its seed; nil where that is not on record.
func seedSpread(species *flora.Species) *flora.SpreadWay {
	for i := range species.Spreads {
		if species.Spreads[i].By == "seed" {
			return &species.Spreads[i]
		}
	}
	return nil
}

// mothersThatSeed are the plantings of a species old enough to have set seed last season.
func mothersThatSeed(s *plot.State, species *flora.Species) (mothers []*plot.Planting) {
	first := 1
	if f := species.Flowering.FirstYear; f != nil {
		first = int(f.Value)
	}
	if species.Life.Form == flora.Biennial {
		first = max(first, 2)
	}
	for _, p := range s.EverPlanted {
		if p.SpeciesID != species.ID || p.Aside {
			continue
		}
		if removed := dayOf(p.RemovedOn); removed != plot.NoDay && removed < s.Season.Start.AddDays(-yearDays/2) {
			continue // it did not stand when last season's seed fell
		}
		if s.YearOfLife(p, s.Season)-1 >= first || species.Life.Form == flora.Annual && p.Started < s.Season.Start {
			mothers = append(mothers, p)
		}
	}
	return mothers
}

// expectedAbout is how many volunteers worth lifting stand about the mothers here.
func expectedAbout(s *plot.State, species *flora.Species, row *flora.Propagation) float64 {
	if row.Gives == nil {
		return 0
	}
	sum := 0.0
	for _, p := range mothersThatSeed(s, species) {
		sum += propagation.Expected(max(1, p.Standing()), row.Gives.Value, headsLeft(s, p))
	}
	return sum
}

// headsLeft is the share of a planting's heads that were left to seed last season: less what was
// picked of flowers and seed.
func headsLeft(s *plot.State, p *plot.Planting) float64 {
	left := 1.0
	for _, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || day >= s.Season.Start || s.Season.Start.DaysSince(day) > 366 {
			continue
		}
		part, has := p.Species.Part(picking.Part)
		if has && (part.Kind == "flower" || part.Kind == "seed" || part.Kind == "fruit") {
			left -= picking.Share
		}
	}
	return max(0, left)
}

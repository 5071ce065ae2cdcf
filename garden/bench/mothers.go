package bench

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// mother is a planting that pieces may be taken of.
type mother struct {
	planting *plot.Planting
	core     propagation.Mothers
	// gives is how many pieces she gives without harm now; why is why she gives none.
	gives int
	why   string
}

// mothersOf are the plantings of a species that stand, as mothers for a way, those that give most
// first.
func mothersOf(s *plot.State, species *flora.Species, row *flora.Propagation, on calendar.Date) (all []mother) {
	way, _ := propagation.WayOf(row.Way)
	for _, p := range s.Plantings {
		if p.SpeciesID != species.ID || p.Aside {
			continue
		}
		year := s.YearOfLife(p, seasonOf(s, on))
		m := mother{planting: p, core: propagation.Mothers{
			Plants: p.Standing(), YearOfLife: year, Size: min(1, s.SizeShare(p, year, nil, s.Today)),
		}}
		if row.Gives != nil {
			m.core.Each = row.Gives.Value
		}
		if !way.Grown {
			m.core.YearOfLife = max(2, year) // no age is asked of her
		}
		switch gives, err := m.core.Gives(row.Way); {
		case p.IdentityState == identity.Excluded:
			m.why = "a check contradicted that it is " + species.Names.Name
		case err != nil:
			m.why = err.Error()
		case row.Gives == nil:
			m.why = "how many pieces one gives is not on record"
		case gives == 0:
			m.why = "still too small to give a piece without harm"
		default:
			m.gives = gives
		}
		all = append(all, m)
	}
	return all
}

func seasonOf(s *plot.State, on calendar.Date) calendar.Season {
	if s.Next.Contains(on) {
		return s.Next
	}
	return s.Season
}

// mostGiven is the mother that gives most; nil where none gives any.
func mostGiven(mothers []mother) *mother {
	var best *mother
	for i := range mothers {
		if mothers[i].gives > 0 && (best == nil || mothers[i].gives > best.gives) {
			best = &mothers[i]
		}
	}
	return best
}

// words say what a mother gives.
func (m mother) words() string {
	name := fmt.Sprintf("%s in %s", m.planting.Species.Names.Name, m.planting.Bed.Name)
	if m.why != "" {
		return name + ": " + m.why
	}
	return fmt.Sprintf("%s gives %s without harm", name, say.Counted(float64(m.gives), "piece", "pieces"))
}

// aheadSeasons is for how many years spans are laid out beyond the two that are forecast: the
// years after are taken for their like.
const aheadSeasons = 8

// stageSpans are the days between two stages of a planting, or of the species as it usually is
// where planting is nil, in the coming years.
func (u *Uses) stageSpans(
	s *plot.State,
	w *propagation.Weathers,
	species *flora.Species,
	p *plot.Planting,
	from, until flora.Stage,
) []propagation.Span {
	var forecasts []*phenology.Forecast
	if p != nil {
		forecasts = []*phenology.Forecast{p.Now, p.Next}
	} else if typical, err := s.Typical(species, species.FullGrownYear()); err == nil {
		forecasts = []*phenology.Forecast{typical}
	}
	var spans []propagation.Span
	for _, forecast := range forecasts {
		if forecast == nil {
			continue
		}
		for _, band := range forecast.Bands(from, until, from) {
			if first, last, opens := band.LikelyDays(); opens {
				spans = append(spans, propagation.Span{First: w.Index(first), Last: w.Index(last)})
			}
		}
	}
	return yearAfterYear(spans)
}

// yearAfterYear goes on with spans as in the last year of theirs, in order, those that meet over
// the turn of a year as one.
func yearAfterYear(spans []propagation.Span) []propagation.Span {
	const year = 365
	var all []propagation.Span
	for k := range aheadSeasons {
		for _, span := range spans {
			all = append(all, propagation.Span{First: span.First + k*year, Last: span.Last + k*year})
		}
	}
	return propagation.Joined(all)
}

// monthSpans are the days in months of the year. South of the equator the library in force has turned
// them already.
func monthSpans(w *propagation.Weathers, months calendar.Months) []propagation.Span {
	var all []propagation.Span
	for i := range w.Days {
		if !months.Has(w.Date(i).Month()) {
			continue
		}
		if n := len(all); n > 0 && all[n-1].Last == i-1 {
			all[n-1].Last = i
		} else {
			all = append(all, propagation.Span{First: i, Last: i})
		}
	}
	return all
}

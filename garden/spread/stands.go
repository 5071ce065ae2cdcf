package spread

import (
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spread"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// spreads tells whether a planting is reckoned: its file says that it runs or seeds about.
func spreads(p *plot.Planting) bool {
	return !p.Aside && (p.Species.Site.Spread == "runs" || p.Species.Site.Spread == "seeds about")
}

// isOnRecord tells whether anything is on record of how a species gets further.
func isOnRecord(species *flora.Species) bool {
	return len(spread.FrontsOf(species)) > 0 || spread.SeedWay(species) != nil
}

// standOf is a planting as what spreads.
func (r *reckoning) standOf(s *plot.State, p *plot.Planting) spread.Stand {
	stand := spread.Stand{
		ID: p.ID, Spots: p.Spots, Home: s.Forms[p.BedID].Region(), Poor: r.poorFor(s, p.Species), Plants: p.Standing(),
		Age: r.clock.between(p.Started, s.Today), HeldFrom: -1,
		RadiusM: p.Species.Size.Width.Value / 200 * phenology.AgeShare(p.Species, p.Year),
		Fronts:  spread.FrontsOf(p.Species), Seeding: seedingOf(s, p),
	}
	if len(stand.Spots) == 0 { // sown on an area: from its middle
		stand.Spots = []geometry.Point{s.Forms[p.BedID].At}
	}
	if regrows, known := spread.Regrows(p.Species); known {
		stand.Regrows = &regrows
	}
	for years := 1; years <= spread.Years; years++ {
		if _, err := p.Species.YearOfLifeRules(p.Year + years); err != nil {
			stand.YearsLeft = years
			break
		}
	}
	held, ways, has := s.HoldOf(p.ID)
	if since, err := calendar.Parse(held.Since); has && err == nil && keepsHome(ways) {
		stand.HeldFrom = r.clock.between(p.Started, max(since, p.Started))
	}
	for _, row := range sightings.Of(s) {
		if row.PlantingID == p.ID {
			stand.Seen = append(stand.Seen, r.seen(p, row))
		}
	}
	for _, look := range pastEdgeLooks(p) {
		age := r.clock.between(p.Started, max(look, p.Started))
		stand.Seen = append(stand.Seen, spread.Seen{Kind: spread.AtLeast, PastEdge: true, Age: age})
	}
	slices.SortStableFunc(stand.Seen, func(a, b spread.Seen) int {
		switch {
		case a.Age < b.Age:
			return -1
		case a.Age > b.Age:
			return 1
		}
		return 0
	})
	return stand
}

// pastEdgeMark is the sign of a look that something of the plant is past its bed's edge.
const pastEdgeMark = "past the edge"

// pastEdgeLooks are the days of the looks that marked a planting as past its edge.
func pastEdgeLooks(p *plot.Planting) (days []calendar.Date) {
	for _, look := range p.Sightings {
		if slices.Contains(strings.Split(look.Row.Marks, ","), pastEdgeMark) {
			days = append(days, look.Day)
		}
	}
	return days
}

// keepsHome tells whether ways hold a stand to its bed.
func keepsHome(ways spread.Plan) bool {
	return slices.ContainsFunc(ways, func(c spread.Control) bool {
		return c.Way == spread.EdgeIt || c.Way == spread.Barrier || c.Way == spread.MowIt || c.Way == spread.Pot
	})
}

func (r *reckoning) seen(p *plot.Planting, row store.FrontSighting) spread.Seen {
	seen := spread.Seen{Kind: spread.SightingKind(row.Kind)}
	if row.X != nil && row.Y != nil {
		seen.At = geometry.Point{X: *row.X, Y: *row.Y}
	}
	if day, err := calendar.Parse(row.Day); err == nil {
		seen.Age = r.clock.between(p.Started, max(day, p.Started))
	}
	return seen
}

// poorFor are the beds that do not suit a species, by their place: where it has not half of the light or the ground
// that it wants.
func (r *reckoning) poorFor(s *plot.State, species *flora.Species) []bool {
	if made, has := r.poor.Load(species.ID); has {
		return made.([]bool)
	}
	poor := make([]bool, len(s.Beds))
	for i := range s.Beds {
		for _, score := range suitability.Judge(species, r.places[i], 0).Scores {
			switch score.Need {
			case suitability.Sun, suitability.Moisture, suitability.Texture:
				poor[i] = poor[i] || score.Known && score.Value < 0.5
			}
		}
	}
	r.poor.Store(species.ID, poor)
	return poor
}

// seedingOf is how a planting spreads by seed; nil where that is not on record.
func seedingOf(s *plot.State, p *plot.Planting) *spread.Seeding {
	way := spread.SeedWay(p.Species)
	if way == nil {
		return nil
	}
	width := p.Species.Size.Width.Value / 100
	seeding := &spread.Seeding{
		Heads: *way.Heads, SeedsHead: *way.SeedsHead, Reach: *way.Reach, SoilYears: *way.SoilYears,
		FirstYear: firstSeeding(p.Species), MatureM2: width * width * 0.785,
	}
	switch p.Species.Life.Form {
	case flora.Annual:
		seeding.Lives = 1
	case flora.Biennial:
		seeding.Lives = 2
	}
	latitude := s.Site.Latitude
	for season := calendar.SeasonOf(latitude, p.Started); season.Start < s.Season.Start; season = season.Next(latitude) {
		seeding.Past = append(seeding.Past, bears(s, p, s.YearOfLife(p, season)))
	}
	for years := range spread.Years {
		seeding.Ahead = append(seeding.Ahead, bears(s, p, p.Year+years))
	}
	return seeding
}

// bears is how many plants of a planting set seed in a year of its life.
func bears(s *plot.State, p *plot.Planting, year int) float64 {
	rules, err := p.Species.AsStarted(p.OriginRow.Origin).YearOfLifeRules(year)
	if err != nil ||
		!slices.ContainsFunc(rules.Stages, func(rule flora.StageRule) bool { return rule.Stage == flora.Ripe }) {
		return 0
	}
	return float64(max(1, p.Standing()))
}

// firstSeeding is the first year of a seedling's life in which it ripens seed.
func firstSeeding(species *flora.Species) int {
	const latest = 60
	for year := 1; year <= latest; year++ {
		rules, err := species.YearOfLifeRules(year)
		if err != nil {
			break
		}
		if slices.ContainsFunc(rules.Stages, func(rule flora.StageRule) bool { return rule.Stage == flora.Ripe }) {
			return year
		}
	}
	return latest
}

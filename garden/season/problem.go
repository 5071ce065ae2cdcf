package season

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/core/parallel"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// question is what a season's plan is made from, with what each of its numbers stands for. It is not changed once made.
type question struct {
	state  *plot.State
	season calendar.Season
	// first is the first day that is planned, day 0 of the problem.
	first    calendar.Date
	problem  planning.Problem
	stands   []standing
	products []product
	// refused are the parts that are needed and may not be taken, by their key.
	refused []refusal
	// unkept are the settled pickings that cannot be, and why.
	unkept []unkept
	wet    []float64
	// drier is what was said of the drier, timed whether anybody said how much time there is.
	drier  store.GatherSetting
	timed  bool
	digest string
}

// standing is a stand of the problem.
type standing struct {
	p    *plot.Planting
	part flora.Part
	// group is how many of the part's own units count as one in the problem, grams what one of its own weighs, fresh.
	group  int
	grams  float64
	drying harvest.Drying
	dries  bool
}

// product is something that is needed.
type product struct {
	species *flora.Species
	part    flora.Part
	// need is what is needed of it in all, taken what was taken already, both in grams, fresh.
	need, taken float64
	// feast is what it is for, by a day; none for the whole year's need.
	feast string
	by    calendar.Date
}

func (p product) key() string { return p.species.ID + "/" + p.part.Name }

// refusal is a needed part of a planting of which nothing may be taken.
type refusal struct {
	p    *plot.Planting
	part flora.Part
	view *view.RefusalView
}

// unkept is a settled picking that cannot be.
type unkept struct {
	pick Picking
	why  string
}

// mostGroups is by how many counts a stand is planned at most: finer steps bring nothing and take longer.
const mostGroups = 150

// outing is what a picking must bring to be made at all: a fiftieth of a need.
const outing = 2.0

// ask makes the question of a season from what is needed, what stands and what there is to make do with. The settled
// pickings are those of the plan that is followed.
func ask(s *plot.State, season calendar.Season, settled []Picking) (*question, error) {
	ensemble, err := s.Sky.Ensemble(season)
	if err != nil {
		return nil, fmt.Errorf("read the weather: %w", err)
	}
	q := &question{state: s, season: season, first: max(s.Today, season.Start)}
	days := season.End.DaysSince(q.first) + 1
	q.problem.Days, q.problem.Outing = days, outing
	q.fillResources(days)
	q.fillProducts()
	weather := newFitDays(ensemble, q.first.DaysSince(season.Start), days)
	q.wet = weather.wet()
	q.fillStands(weather)
	q.settle(settled)
	text, err := json.Marshal(q.problem)
	if err != nil {
		return nil, err
	}
	sum := sha256.Sum256(text)
	q.digest = hex.EncodeToString(sum[:])
	return q, nil
}

// boundless stands for trays that nobody counted: more than any drier has.
const boundless = 1000.0

func (q *question) fillResources(days int) {
	row, minutes := q.state.GatherSettings(), pickMinutes(q.state)
	q.drier, q.timed = row, minutes.Said()
	q.problem.TrayArea = boundless
	if row.Trays != nil {
		q.problem.TrayArea = float64(*row.Trays) * row.TrayM2
	}
	for t := range days {
		day := q.first.AddDays(t)
		there := math.Min(minutes.On(day), 24*60)
		if awayOn(q.state, day) {
			there = 0
		}
		q.problem.Minutes = append(q.problem.Minutes, there)
	}
}

// fillProducts makes a product of each year's need, and one of each feast before it: what must be ready on a day counts
// towards the year's need too, and what is asked for by a later feast counts with what an earlier one asked for.
func (q *question) fillProducts() {
	s := q.state
	taken := func(species, part string) float64 {
		if q.season != s.Season {
			return 0
		}
		return s.TakenGrams(species, part)
	}
	add := func(p product, whole float64, weight float64) {
		left := math.Max(0, p.need-p.taken)
		by := -1
		if p.feast != "" {
			by = p.by.DaysSince(q.first)
		}
		q.products = append(q.products, p)
		q.problem.Products = append(q.problem.Products, planning.Product{
			Name: p.key(), Need: left, Weight: 100 * weight / whole, By: by,
		})
	}
	asked := map[string]float64{}
	for _, row := range feasts.Of(s) {
		day, err := calendar.Parse(row.Day)
		if err != nil || day < q.first || !q.season.Contains(day) {
			continue
		}
		species, part, has := harvested(s, row.SpeciesID, row.Part)
		if !has {
			continue
		}
		key := row.SpeciesID + "/" + row.Part
		asked[key] += row.Grams
		add(
			product{species, part, asked[key], taken(row.SpeciesID, row.Part), row.Name, day},
			row.Grams,
			weightOf(s, row.SpeciesID, row.Part),
		)
	}
	for _, row := range s.Needs {
		species, part, has := harvested(s, row.SpeciesID, row.Part)
		if !has || row.Grams <= 0 {
			continue
		}
		need := math.Max(row.Grams, asked[row.SpeciesID+"/"+row.Part])
		add(product{species: species, part: part, need: need, taken: taken(row.SpeciesID, row.Part)},
			need, weightOf(s, row.SpeciesID, row.Part))
	}
}

// weightOf is how much a part matters against the others.
func weightOf(s *plot.State, species, part string) float64 {
	if row, said := s.NeedRow(species, part); said && row.Weight > 0 {
		return row.Weight
	}
	return 1
}

func harvested(s *plot.State, speciesID, name string) (*flora.Species, flora.Part, bool) {
	species, has := s.Lib.Species(speciesID)
	if !has {
		return nil, flora.Part{}, false
	}
	part, has := species.Part(name)
	return species, part, has && part.Harvest != nil
}

// fillStands makes a stand of each part that is needed of each planting that may be used.
func (q *question) fillStands(weather *fitDays) {
	type found struct {
		source standing
		stand  planning.Stand
		bears  bool
	}
	var all []found
	for _, p := range q.state.Plantings {
		if p.Aside {
			continue
		}
		for _, part := range p.Species.Parts {
			if part.Harvest == nil || !q.needs(p.Species.ID, part.Name) {
				continue
			}
			if r := harvest.MayUse(p.Species, part, p.IdentityState, p.Ground); r != nil {
				q.refused = append(q.refused, refusal{p, part, view.ViewRefusal(p, part, r)})
				continue
			}
			all = append(all, found{source: standing{p: p, part: part}})
		}
	}
	parallel.Each(len(all), func(i int) {
		all[i].source, all[i].stand, all[i].bears = q.standOf(all[i].source.p, all[i].source.part, weather)
	})
	for _, f := range all {
		if f.bears {
			q.stands, q.problem.Stands = append(q.stands, f.source), append(q.problem.Stands, f.stand)
			continue
		}
		at := q.first
		for _, span := range q.state.Spans(f.source.p) {
			if span.Window.Part.Name == f.source.part.Name && span.Last >= q.first {
				at = max(at, span.First)
				break
			}
		}
		if r := view.Refusal(q.state, f.source.p, f.source.part, at); r != nil {
			q.refused = append(q.refused, refusal{f.source.p, f.source.part, r})
		}
	}
}

func (q *question) needs(species, part string) bool {
	return slices.ContainsFunc(q.products, func(p product) bool { return p.species.ID == species && p.part.Name == part })
}

// standOf is a part of a planting as the planning takes it; bears is false where no day of the season lets any be
// taken.
func (q *question) standOf(
	p *plot.Planting, part flora.Part, weather *fitDays,
) (source standing, stand planning.Stand, bears bool) {
	s, rule := q.state, part.Harvest
	source = standing{p: p, part: part, group: 1}
	quality, ready, opens := q.qualityOf(p, part, weather)
	if opens < 0 {
		return source, stand, false
	}
	day := q.first.AddDays(opens)
	_, year := s.ForecastOn(p, day)
	size := s.SizeShare(p, year, rule, day)
	// What was cut is missing from now on; roots of last winter count until this one's can be lifted.
	asOf := q.first
	if rule.TakesPlant {
		asOf = day
	}
	taken, lifted, _ := view.TakenOf(s, p, part, asOf)
	full := harvest.FullUnits(rule, float64(p.Standing())+lifted, size)
	source.grams = harvest.GramsEach(rule, size)
	source.group = max(1, int(math.Ceil(full/mostGroups)))
	source.drying, source.dries = s.Lib.Gather().DryingOf(part, plot.DrierOf(q.drier))
	group := float64(source.group)
	floor := rule.Floor.Value
	if kept, has := s.KeptShareOf(p.ID, part.Name); has {
		floor = math.Max(floor, kept.Share)
	}
	stand = planning.Stand{
		Name: fmt.Sprintf("%d/%s", p.ID, part.Name), Full: full / group, CutShare: rule.CutShare.Value,
		Floor: floor * full / group, Grams: source.grams * group, Quality: quality, Ready: ready,
		VisitMinutes: s.Lib.Gather().Work.Visit.Value, UnitMinutes: rule.MinutesEach.Value * group,
	}
	if s.IsToGo(p.ID) {
		stand.CutShare, stand.Floor = 1, 0
	}
	if source.dries {
		stand.Area, stand.DryDays = source.drying.M2*stand.Grams, source.drying.Days
	}
	for i, product := range q.products {
		if product.species.ID == p.Species.ID && product.part.Name == part.Name {
			stand.Products = append(stand.Products, i)
		}
	}
	missing, grown := harvest.MissingAfterCuts(rule, taken)
	stand.Missing = missing / group
	if rule.Regrowth.Grows() && !rule.TakesPlant {
		stand.Since, stand.Grown = grown, q.grownOf(p, rule)
	}
	return source, stand, full >= 1
}

// grownOf is how often a whole regrowth has passed by each day since the first.
func (q *question) grownOf(p *plot.Planting, rule *flora.HarvestRule) []float64 {
	grown := make([]float64, q.problem.Days)
	warmth, err := q.state.Warmth(p, q.season)
	if err != nil {
		return grown
	}
	from := q.first.DaysSince(q.season.Start)
	start := warmth(from)
	for t := range grown {
		grown[t] = (warmth(from+t) - start) / rule.Regrowth.Value
		if t > 0 {
			grown[t] = math.Max(grown[t], grown[t-1])
		}
	}
	return grown
}

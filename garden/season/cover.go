package season

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/harvest"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// viewProducts says of each need how far it is covered, and where it falls short what that is due to.
func (q *question) viewProducts(v *SeasonPlanView, plan planning.Plan, m *more) {
	for i, product := range q.products {
		need := math.Max(product.need, product.taken)
		got := math.Min(need, product.taken+plan.Got[i])
		p := PlanProduct{
			Key: product.key(), Name: say.PartOf(product.species.Names.Name, product.part.Name), Share: 1,
			Covered: q.amountOf(product, got, need),
			Short:   q.shortfall(i, plan.Got) > 0,
		}
		if need > 0 {
			p.Share = say.Round2(got / need)
		}
		if product.feast != "" {
			p.For = product.feast + ", " + product.by.DayMonth()
		}
		switch {
		case p.Short && m != nil:
			p.Words = q.whyShort(i, plan, m)
		case p.Short && q.standless(product):
			p.Words = q.noStandWords(product)
		case !p.Short:
			p.Words = q.coveredWords(i, plan)
		}
		v.Products = append(v.Products, p)
	}
}

// amountOf says so many grams, fresh, of so many: dried where the need was said dried.
func (q *question) amountOf(product product, got, need float64) string {
	units, suffix := q.state.Units, " fresh"
	if row, said := q.state.NeedRow(product.species.ID, product.part.Name); said && strings.HasSuffix(row.Typed, "dried") {
		if share, known := q.state.Lib.Gather().DriedShare(product.part); known {
			got, need, suffix = got*share, need*share, " dried"
		}
	}
	if got < 0.5 {
		return "none of " + units.Weight(need) + suffix
	}
	return units.Weight(got) + " of " + units.Weight(need) + suffix
}

// coveredWords say by when a need is met, and in how many pickings.
func (q *question) coveredWords(i int, plan planning.Plan) string {
	last, n := -1, 0
	for _, pick := range plan.Picks {
		by := q.problem.Products[i].By
		stand := &q.problem.Stands[pick.Stand]
		if slices.Contains(stand.Products, i) && (by < 0 || pick.Day+stand.DryDays <= by) {
			last, n = max(last, pick.Day), n+1
		}
	}
	if last < 0 {
		return "taken already"
	}
	words := "by " + q.first.AddDays(last).DayMonth()
	if n > 1 {
		words += fmt.Sprintf(", %d pickings", n)
	}
	return words
}

// standless tells whether nothing that stands on the plot may be picked for a product.
func (q *question) standless(product product) bool {
	return !slices.ContainsFunc(q.stands, func(s standing) bool {
		return s.p.SpeciesID == product.species.ID && s.part.Name == product.part.Name
	})
}

// isRefused tells whether something of what is needed stands here and is not for use: no more plants of it would be.
func (q *question) isRefused(product product) bool {
	return slices.ContainsFunc(q.refused, func(r refusal) bool {
		return r.p.SpeciesID == product.species.ID && r.part.Name == product.part.Name
	})
}

// noStandWords say why nothing can be picked for a product.
func (q *question) noStandWords(product product) string {
	for _, r := range q.refused {
		if r.p.SpeciesID == product.species.ID && r.part.Name == product.part.Name {
			return refusedShort(r)
		}
	}
	if slices.ContainsFunc(q.state.Plantings, func(p *plot.Planting) bool { return p.SpeciesID == product.species.ID }) {
		return "Its days of this season are past."
	}
	return "None stands on the plot."
}

// whyShort says what a shortfall is due to: to what would fill most of it if there were no end of it.
func (q *question) whyShort(i int, plan planning.Plan, m *more) string {
	product := q.products[i]
	if q.standless(product) {
		return q.noStandWords(product)
	}
	short := q.shortfall(i, plan.Got)
	fills := func(got []float64) float64 {
		if got == nil {
			return 0
		}
		return got[i] - plan.Got[i]
	}
	const much = 0.3
	trays, hours, both := fills(m.trays), fills(m.hours), fills(m.both)
	switch {
	case max(trays, hours) >= much*short && trays >= hours:
		if q.problem.TrayArea == 0 {
			return "There is no drier."
		}
		return "The drier is full" + q.fullWords(i, plan, false)
	case max(trays, hours) >= much*short:
		if !slices.ContainsFunc(q.problem.Minutes, func(m float64) bool { return m > 0 }) {
			return "There is no time for picking."
		}
		return "There is no more time" + q.fullWords(i, plan, true)
	case both >= much*short:
		return "Drier and time together are short."
	}
	if product.feast != "" {
		return "More is not ready by then."
	}
	return q.standWords(product)
}

// fullWords are the days in a product's windows on which a resource is full.
func (q *question) fullWords(i int, plan planning.Plan, hours bool) string {
	var v SeasonPlanView
	q.viewTroughs(&v, plan)
	full := v.Trays.Full
	if hours {
		full = v.Hours.Full
	}
	if len(full) == 0 {
		return " on its days."
	}
	const few = 2
	if len(full) > few {
		return fmt.Sprintf(" %s and on %d more runs of days.", full[0], len(full)-1)
	}
	return " " + say.Joined(full) + "."
}

// standWords say that the stands bear no more: how much stands, and how much of it may be cut.
func (q *question) standWords(product product) string {
	units, share, most := 0.0, 0.0, 0.0
	for i, stand := range q.stands {
		if stand.p.SpeciesID != product.species.ID || stand.part.Name != product.part.Name {
			continue
		}
		row := &q.problem.Stands[i]
		full := row.Full * float64(stand.group)
		units += full
		share += full * math.Min(row.CutShare, 1-row.Floor/math.Max(row.Full, 1e-9))
		most = math.Max(most, slices.Max(row.Quality))
	}
	rule := product.part.Harvest
	words := fmt.Sprintf("%s here; %s may be cut at once.",
		say.Capital(say.Counted(math.Round(units), rule.One+" stands", rule.Many+" stand")), say.ShareWords(share/units))
	if !rule.Regrowth.Grows() {
		words = fmt.Sprintf("%s here; %s may be cut, and it does not grow again this season.",
			say.Capital(say.Counted(math.Round(units), rule.One+" stands", rule.Many+" stand")), say.ShareWords(share/units))
	}
	return words
}

// prices say what one more tray, one more hour and some more plants would bring.
func (q *question) prices(plan planning.Plan, m *more) []PlanPrice {
	prices := []PlanPrice{}
	if m == nil {
		return prices
	}
	if m.tray != nil {
		if brings := q.bringsWords(plan.Got, m.tray); brings != "" {
			prices = append(prices, PlanPrice{"tray", "One more tray", brings})
		}
	}
	if m.hour != nil {
		if brings := q.bringsWords(plan.Got, m.hour); brings != "" {
			prices = append(prices, PlanPrice{"hour", "One more hour on " + m.weekday.String() + "s", brings})
		}
	}
	for i, product := range q.products {
		short := q.shortfall(i, plan.Got)
		if short == 0 || product.feast != "" || q.standless(product) && q.isRefused(product) || m.trays != nil && m.trays[i]-plan.Got[i] > short/2 ||
			m.hours != nil && m.hours[i]-plan.Got[i] > short/2 {
			continue
		}
		prices = append(prices, q.plantsPrice(i, plan, short))
	}
	return prices
}

// unseenQuality is what a cut of a kind counts for of which nothing is planned yet: a guess.
const unseenQuality = 0.8

// plantsPrice is how many more plants of a kind would cover its need, and from when they do: the year in which they are
// full-grown and may be taken, set this season.
func (q *question) plantsPrice(i int, plan planning.Plan, short float64) PlanPrice {
	product := q.products[i]
	rule, species := product.part.Harvest, product.species
	plants := 0.0
	for _, stand := range q.stands {
		if stand.p.SpeciesID == species.ID && stand.part.Name == product.part.Name {
			plants += float64(stand.p.Standing())
		}
	}
	each := harvest.OneCut(rule) * unseenQuality
	if plants > 0 && plan.Got[i] > 0 {
		each = plan.Got[i] / plants // by the plan: its cuts, its days and the weather are in it
	}
	more := math.Ceil(short / math.Max(1e-9, each))
	name := fmt.Sprintf("%s more %s plants", say.Capital(numberWords(more)), species.Names.Name)
	if more == 1 {
		name = fmt.Sprintf("One more %s plant", species.Names.Name)
	}
	brings := "the need met"
	if year := int(math.Ceil(max(rule.MinYear.Value, species.Life.FullAge.Value))); year > 1 {
		brings = fmt.Sprintf("the need met from %d", q.season.Start.AddDays(180).Year()+year-1)
	}
	return PlanPrice{"plants", name, brings}
}

func numberWords(n float64) string {
	words := []string{"no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"}
	if int(n) < len(words) {
		return words[int(n)]
	}
	return say.Number(n)
}

// bringsWords say what is covered more by another plan, the most first.
func (q *question) bringsWords(got, more []float64) string { return q.gapWords(got, more, "more") }

func (q *question) gapWords(got, more []float64, word string) string {
	best, gain := -1, 0.0
	var words []string
	for i := range q.products {
		need := q.problem.Products[i].Need
		now, then := math.Min(need, got[i]), math.Min(need, more[i])
		share := (then - now) / math.Max(need, 1e-9)
		if share < 0.01 {
			continue
		}
		if share > gain {
			best, gain = len(words), share
		}
		words = append(words, fmt.Sprintf("%s %s %s", q.state.Units.Weight(then-now), word, q.nameOf(i)))
	}
	if best > 0 {
		words[0], words[best] = words[best], words[0]
	}
	const few = 2
	if len(words) > few {
		words = words[:few]
	}
	return strings.Join(words, ", ")
}

func (q *question) nameOf(i int) string {
	return say.PartOf(q.products[i].species.Names.Name, q.products[i].part.Name)
}

// notes are what is not said yet, and what was settled and cannot be kept.
func (q *question) notes() []string {
	notes := []string{}
	if len(q.products) == 0 {
		return append(notes, "Say what you need of a plant in a year, and its pickings are planned.")
	}
	for _, one := range q.unkept {
		name := "a picking"
		if p, has := q.state.ByID[one.pick.Planting]; has {
			name = say.PartOf(p.Species.Names.Name, one.pick.Part)
		}
		notes = append(notes, fmt.Sprintf("The picking of %s that is tied to %s cannot be kept. %s",
			name, one.pick.on().DayMonth(), one.why))
	}
	if !q.timed {
		notes = append(notes, "Nobody said how much time there is for picking: it is planned as if there were no end of it.")
	}
	if row := q.drier; row.Trays == nil &&
		slices.ContainsFunc(q.stands, func(s standing) bool { return s.dries }) {
		notes = append(notes, "Nobody said how many trays the drier has: it is planned as if there were no end of them.")
	}
	for _, stand := range q.stands {
		if stand.drying.Cooled {
			notes = append(notes, fmt.Sprintf("Turn the drier down to %s for %s.",
				q.state.Units.Temperature(stand.drying.Celsius), say.PartOf(stand.p.Species.Names.Name, stand.part.Name)))
		}
	}
	for _, feast := range feasts.Of(q.state) {
		if day, err := calendar.Parse(feast.Day); err == nil && day < q.state.Today && q.season.Contains(day) {
			notes = append(notes, fmt.Sprintf("%s is past: it asks for nothing any more.", feast.Name))
		}
	}
	return view.NonNil(say.Distinct(notes))
}

// movedWords say what is otherwise than a plan was kept.
func (q *question) movedWords(kept []Picking, plan planning.Plan) string {
	now := q.pickings(plan, nil)
	same := func(a, b Picking) bool { return a.Planting == b.Planting && a.Part == b.Part && a.Day == b.Day }
	came, went, missed, changed := 0, 0, 0, 0
	for _, p := range now {
		at := slices.IndexFunc(kept, func(old Picking) bool { return same(p, old) })
		switch {
		case at < 0:
			came++
		case kept[at].Units != p.Units:
			changed++
		}
	}
	for _, old := range kept {
		switch {
		case slices.ContainsFunc(now, func(p Picking) bool { return same(p, old) }), q.wasPicked(old):
		case old.on() < q.first:
			missed++
		default:
			went++
		}
	}
	var words []string
	for _, part := range []struct {
		n         int
		one, many string
	}{
		{missed, "picking was missed", "pickings were missed"}, {came, "picking is new", "pickings are new"},
		{went, "is gone", "are gone"}, {changed, "is of another size", "are of another size"},
	} {
		if part.n > 0 {
			words = append(words, say.Counted(float64(part.n), part.one, part.many))
		}
	}
	return say.Joined(words)
}

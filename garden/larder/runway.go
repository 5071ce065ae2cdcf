package larder

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// line is a product with all that stands of it, and when that is used up.
type line struct {
	stuff
	key string
	// jars are those that may be used, the one first that is to be used first; heldGrams is in jars that are held back.
	jars      []holding
	grams     float64
	heldGrams float64
	history   *history
	use       keeping.Use
	known     bool
	out       keeping.RunsOut
	// keeps is when the first of it is past its time; 0 for none.
	keeps calendar.Date
	// next is when it can be filled up again; has is false where no window of it is in sight.
	next nextWindow
}

// nextWindow is when more of something can be had.
type nextWindow struct {
	has         bool
	first, last calendar.Date
	// ready is when the first of it is dry.
	ready calendar.Date
	words string
}

// horizonDays is how far ahead runways are told.
const horizonDays = 3 * 365

// lines are the products of the larder, the first to run out first, those that ran out within a year among them; what
// is held back wholly comes last.
func (u *Uses) lines(s *plot.State, hold held) []line {
	by := map[string]*line{}
	histories := u.used.histories(s)
	for _, h := range standing(s) {
		key := h.product()
		l := by[key]
		if l == nil {
			l = &line{stuff: h.stuff, key: key, history: histories[key]}
			by[key] = l
		}
		if hold.whyJar(h) != "" {
			l.heldGrams += h.grams
			continue
		}
		l.jars, l.grams = append(l.jars, h), l.grams+h.grams
	}
	const wasUsed = 3
	for key, of := range histories {
		if by[key] != nil || of.last == 0 || of.times() < wasUsed {
			continue
		}
		jar, _ := s.JarByID(of.last)
		if h, has := holdingOf(s, jar); has && jar.EndedOn != nil && *jar.EndedOn >= s.Today.AddDays(-365).String() {
			by[key] = &line{stuff: h.stuff, key: key, history: of}
		}
	}
	ahead := quarters(s.Today, horizonDays)
	var all []line
	for _, l := range by {
		l.work(s, ahead)
		all = append(all, *l)
	}
	slices.SortFunc(all, func(a, b line) int {
		return cmp.Or(cmp.Compare(btoi(len(a.jars) == 0 && a.heldGrams > 0), btoi(len(b.jars) == 0 && b.heldGrams > 0)),
			cmp.Compare(a.out.Middle, b.out.Middle), cmp.Compare(a.name(), b.name()), cmp.Compare(a.key, b.key))
	})
	return all
}

// work finds out how it is used, when it runs out, and when there is more.
func (l *line) work(s *plot.State, ahead []int) {
	slices.SortStableFunc(l.jars, func(a, b holding) int {
		return cmp.Or(
			cmp.Compare(btoi(a.jar.OpenedOn == nil), btoi(b.jar.OpenedOn == nil)), // what is open is used first
			cmp.Compare(keepsUntil(a), keepsUntil(b)), cmp.Compare(a.jar.ID, b.jar.ID),
		)
	})
	for _, h := range l.jars {
		if until := keepsUntil(h); until != 0 && (l.keeps == 0 || until < l.keeps) {
			l.keeps = until
		}
	}
	taken := l.history.taken(s.Today)
	if grams, said := l.needDried(s); said && grams > 0 {
		taken.Usual, taken.UsualGrams = 1, grams/365
		if times := sum4(taken.Times); times > 0 {
			taken.Usual = grams / 365 / (taken.Grams / times)
		}
	}
	l.use, l.known = keeping.UseOf(taken)
	l.out = keeping.RunsOut{Early: keeping.Never, Middle: keeping.Never, Late: keeping.Never}
	if l.known {
		l.out = l.use.Until(l.grams, ahead)
	} else if l.grams == 0 {
		l.out = keeping.RunsOut{}
	}
	l.next = nextOf(s, l.stuff)
}

func sum4(all [keeping.Seasons]float64) (sum float64) {
	for _, one := range all {
		sum += one
	}
	return sum
}

func btoi(is bool) int {
	if is {
		return 1
	}
	return 0
}

// needDried is a year's need as the household says it, in grams of what is in the jar; said is false where nobody did.
func (l *line) needDried(s *plot.State) (grams float64, said bool) {
	if !l.one || l.lot.Making != makingDried {
		return 0, false
	}
	fresh, said := s.NeedOf(l.species.ID, l.part.Name)
	share, known := driedShare(s, l.stuff)
	return fresh * share, said && known
}

// daysOfMonth is a month as keeping times are told in.
const daysOfMonth = 365.25 / 12

// keepsUntil is when a jar is past its time, 0 for nobody knows.
func keepsUntil(h holding) (until calendar.Date) {
	for _, lot := range h.lots {
		at := madeOn(lot)
		if lot.KeepsMonths <= 0 || at == 0 {
			continue
		}
		day := at.AddDays(int(math.Round(lot.KeepsMonths * daysOfMonth)))
		if opened := h.making.Opened; opened != nil && h.jar.OpenedOn != nil {
			if open, err := calendar.Parse(*h.jar.OpenedOn); err == nil {
				day = min(day, open.AddDays(int(math.Round(opened.Value*daysOfMonth))))
			}
		}
		if until == 0 || day < until {
			until = day
		}
	}
	return until
}

// madeOn is the day on which a lot was done, or begun where it is not; 0 for one that cannot be read.
func madeOn(lot store.Lot) calendar.Date {
	text := lot.BegunAt
	if lot.EndedAt != nil {
		text = *lot.EndedAt
	}
	at, err := plot.ParseMoment(text)
	if err != nil {
		return 0
	}
	return calendar.OfTime(at)
}

// driedShare is what a gram of a part weighs dried: by the household's own dryings where there are any, else by what is
// on record of its water.
func driedShare(s *plot.State, st stuff) (share float64, known bool) {
	fresh, dry := 0.0, 0.0
	lots := plot.Lots.Of(s)
	for i, seen := len(lots)-1, 0; i >= 0 && seen < mostOwnRuns; i-- {
		lot := lots[i]
		if lot.Making != makingDried || lot.SpeciesID != st.lot.SpeciesID || lot.Part != st.lot.Part || lot.EndedAt == nil ||
			lot.BoughtFrom != "" || lot.Grams == nil || *lot.Grams <= 0 {
			continue
		}
		seen++
		fresh, dry = fresh+freshOf(s, lot.ID), dry+*lot.Grams
	}
	if fresh > 0 {
		return math.Min(1, dry/fresh), true
	}
	return s.Lib.Gather().DriedShare(st.part)
}

// nextOf is when more of something can be had of the own plot.
func nextOf(s *plot.State, st stuff) (next nextWindow) {
	if !st.one {
		return next
	}
	for _, p := range s.Plantings {
		if p.SpeciesID != st.species.ID || p.Aside {
			continue
		}
		for _, span := range s.Spans(p) {
			if span.Window.Part.Name != st.part.Name || span.Last < s.Today || next.has && span.First >= next.first {
				continue
			}
			next.has, next.first, next.last = true, span.First, span.Last
		}
	}
	if !next.has {
		return next
	}
	days := 0
	if st.lot.Making == makingDried {
		if drying, dries := s.Lib.Gather().DryingOf(st.part, plot.DrierOf(s.GatherSettings())); dries {
			days = drying.Days
		}
	}
	next.ready = max(s.Today, next.first).AddDays(days)
	next.words = "picked again about " + calendar.Span(next.first, next.last)
	if next.first <= s.Today {
		next.words = "picked now, to " + next.last.DayMonth()
	}
	if next.first.DaysSince(s.Today) > 300 {
		next.words = "picked again about " + next.first.DayMonthYear()
	}
	return next
}

// gap is how many days it is missing before there is more, as likely as not; 0 for none.
func (l line) gap(today calendar.Date) int {
	if !l.known || l.out.Middle == keeping.Never || !l.next.has {
		return 0
	}
	return max(0, l.next.ready.DaysSince(today.AddDays(l.out.Middle)))
}

// gapWords say how long it is missing.
func gapWords(days int) string {
	switch {
	case days < 5:
		return ""
	case days < 11:
		return "a week without"
	case days < 60:
		return fmt.Sprintf("%.0f weeks without", math.Round(float64(days)/7))
	}
	return fmt.Sprintf("%.0f months without", math.Round(float64(days)/30.4))
}

// outWords say when it runs out.
func (l line) outWords(today calendar.Date) string {
	switch {
	case l.grams < leastGrams && l.heldGrams > 0:
		return "all of it is held back"
	case l.grams < leastGrams:
		return "used up"
	case !l.known && l.history.times() == 0:
		return "nothing was taken of it yet"
	case !l.known:
		return "too little was taken of it yet to tell"
	case l.out.Early == keeping.Never:
		return "lasts beyond three years"
	case l.out.Late == keeping.Never:
		return "lasts until " + monthWords(today, today.AddDays(l.out.Early)) + " at least, 9 in 10"
	}
	return "used up " + spanOfDays(today, today.AddDays(l.out.Early), today.AddDays(l.out.Late)) + ", 8 in 10"
}

func spanOfDays(today, first, last calendar.Date) string {
	if last.DaysSince(first) > 75 || last.DaysSince(today) > 300 {
		a, b := monthWords(today, first), monthWords(today, last)
		if a == b {
			return "in " + a
		}
		return a + " to " + b
	}
	return calendar.Span(first, last)
}

// monthWords are a day's month, with its year where it is another.
func monthWords(today, day calendar.Date) string {
	if day.Year() == today.Year() {
		return day.Time().Format("January")
	}
	return day.Time().Format("January 2006")
}

// footWords are the day that stands on a jar's foot.
func footWords(today, day calendar.Date) string {
	switch ahead := day.DaysSince(today); {
	case ahead > 330:
		return "in " + fmt.Sprint(day.Year())
	case ahead > 150:
		return day.Time().Format("January")
	}
	return day.DayMonth()
}

// RunwayView is how long everything lasts.
type RunwayView struct {
	Today    calendar.Date `json:"today"`
	Until    calendar.Date `json:"until" doc:"The last day of the axis"`
	Products []ProductView `json:"products" doc:"The first to run out first"`
	Words    string        `json:"words"`
}

// ProductView is one product's line from today to empty.
type ProductView struct {
	Key       string          `json:"key"`
	Name      string          `json:"name"`
	SpeciesID string          `json:"speciesId"`
	Part      string          `json:"part"`
	Making    string          `json:"making"`
	Jars      int             `json:"jars"`
	JarID     int64           `json:"jarId" doc:"The jar that is to be used first; 0 for none"`
	Amount    string          `json:"amount"`
	Held      string          `json:"held" doc:"What of it is held back; empty for none"`
	Out       string          `json:"out" doc:"When it is used up, in words"`
	Early     calendar.Date   `json:"early" doc:"1 in 10 that it is used up by then"`
	Middle    calendar.Date   `json:"middle"`
	Late      calendar.Date   `json:"late"`
	RunsOut   bool            `json:"runsOut" doc:"It is used up within the axis, as likely as not"`
	Line      []LinePoint     `json:"line" doc:"What is left of today's stock"`
	Window    string          `json:"window" doc:"When more can be picked; empty where no window is in sight"`
	NextFirst *calendar.Date  `json:"nextFirst" doc:"null where no window is in sight"`
	NextLast  *calendar.Date  `json:"nextLast"`
	Gap       string          `json:"gap" doc:"How long it is missing; empty for not"`
	Keeps     string          `json:"keeps" doc:"Until when the first of it keeps"`
	KeepsDay  *calendar.Date  `json:"keepsDay"`
	Stale     bool            `json:"stale" doc:"Some of it is past its time before it is used up"`
	Year      string          `json:"year" doc:"What a year takes; empty where nothing was taken"`
	Times     string          `json:"times" doc:"How often something was taken, and when most"`
	Plants    StorePlantsView `json:"plants"`
	Bought    string          `json:"bought" doc:"Where it is bought, and until when; empty for own alone"`
	Need      string          `json:"need" doc:"What the plan of the season goes by; empty where nobody said"`
	AsNeed    string          `json:"asNeed" doc:"What a year takes, as it may be typed as its need; empty where that is not known or is its need"`
	Standing  string          `json:"standing"`
	// NeedVersion is the version of what is noted as its need.
	NeedVersion say.Version `json:"needVersion"`
}

// LinePoint is what is left on a day, as shares of today's stock.
type LinePoint struct {
	Day    calendar.Date `json:"day"`
	Low    float64       `json:"low"`
	Middle float64       `json:"middle"`
	High   float64       `json:"high"`
}

// StorePlantsView is how many plants a year's use takes.
type StorePlantsView struct {
	Words string `json:"words" doc:"How many plants, and the chance that those that stand fall short; empty where not known"`
	More  int    `json:"more" doc:"How many more plants would do, 8 in 10; 0 for none"`
}

// axisDays is how far the runways' axis goes.
const axisDays = 540

// Runway returns how long everything lasts.
func (u *Uses) Runway(ctx context.Context) (RunwayView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RunwayView{}, err
	}
	v := RunwayView{Today: s.Today, Until: s.Today.AddDays(axisDays), Products: []ProductView{}}
	gaps := 0
	for _, l := range u.lines(s, heldOf(s)) {
		p := viewProduct(s, l)
		if p.Gap != "" {
			gaps++
		}
		v.Products = append(v.Products, p)
	}
	v.Words = say.Counted(float64(len(v.Products)), "product", "products")
	if gaps > 0 {
		v.Words += fmt.Sprintf(" · %d of them missing before there is more", gaps)
	}
	return v, nil
}

func viewProduct(s *plot.State, l line) ProductView {
	v := ProductView{
		Key: l.key, Name: l.name(), SpeciesID: l.lot.SpeciesID, Part: l.lot.Part, Making: l.lot.Making, Jars: len(l.jars),
		Amount: amount(s, l.grams, l.lot.Density), Out: l.outWords(s.Today), Window: l.next.words,
		Gap: gapWords(l.gap(s.Today)), Line: []LinePoint{}, Standing: "guess",
		NeedVersion: view.NeedVersion(s, l.lot.SpeciesID, l.lot.Part),
		RunsOut:     l.out.Middle < axisDays, Early: capped(s, l.out.Early), Middle: capped(s, l.out.Middle),
		Late: capped(s, l.out.Late),
	}
	if len(l.jars) > 0 {
		v.JarID = l.jars[0].jar.ID
	}
	if l.heldGrams > 0 {
		v.Held = amount(s, l.heldGrams, l.lot.Density) + " is held back"
	}
	if l.next.has {
		v.NextFirst, v.NextLast = &l.next.first, &l.next.last
	}
	if l.keeps != 0 {
		v.KeepsDay = &l.keeps
		v.Keeps = "keeps to about " + monthWords(s.Today, l.keeps)
		v.Stale = !l.known || s.Today.AddDays(min(l.out.Middle, horizonDays)) > l.keeps
		if l.keeps < s.Today {
			v.Keeps = "past its time since " + monthWords(s.Today, l.keeps)
		}
	}
	v.addUse(s, l)
	v.Bought = boughtWords(s, l)
	return v
}

func capped(s *plot.State, days int) calendar.Date { return s.Today.AddDays(min(days, axisDays)) }

// addUse tells what a year takes, and which plants bear it.
func (v *ProductView) addUse(s *plot.State, l line) {
	if times := l.history.times(); times > 0 {
		taken := l.history.taken(s.Today)
		v.Times = "taken " + say.Counted(float64(times), "time", "times") + mostIn(taken)
		v.Standing = "measured"
	}
	if grams, said := l.needDried(s); said {
		v.Need = amount(s, grams, 0) + " dried a year"
	}
	if !l.known {
		return
	}
	mean, deviation := l.use.Over(yearOfDays)
	const toTenth = 1.2816
	low, high := math.Max(0, mean-toTenth*deviation), mean+toTenth*deviation
	v.Year = fmt.Sprintf("a year takes about %s, 8 in 10: %s to %s", amount(s, mean, l.lot.Density),
		amount(s, low, l.lot.Density), amount(s, high, l.lot.Density))
	if l.one && l.lot.Making == makingDried && l.part.Harvest != nil {
		need, said := l.needDried(s)
		const unlike = 0.15
		if l.history.times() > 0 && (!said || math.Abs(need-mean) > unlike*mean) {
			v.AsNeed = amount(s, mean, 0) + " dried"
		}
		v.Plants = plantsFor(s, l, keeping.Amount{Mean: mean, Deviation: deviation})
	}
	if l.grams < leastGrams {
		return
	}
	var days [keeping.Seasons]float64
	const step = 15
	for day := 0; day <= axisDays; day++ {
		if day%step == 0 {
			left := l.use.LeftAfter(l.grams, days)
			point := LinePoint{
				Day: s.Today.AddDays(day), Low: say.Round2(left.Low / l.grams), Middle: say.Round2(left.Value / l.grams),
				High: say.Round2(left.High / l.grams),
			}
			v.Line = append(v.Line, point)
			if point.High <= 0 {
				break
			}
		}
		days[quarterOf(s.Today.AddDays(day))]++
	}
}

// quarterNames are the quarters by their months, so that they are the same on both sides of the equator.
var quarterNames = [keeping.Seasons]string{
	"December to February", "March to May", "June to August", "September to November",
}

// mostIn says in which quarter most is taken, where one stands out.
func mostIn(t keeping.Taken) string {
	const standsOut, enough = 1.4, 12
	overall := sum4(t.Times) / math.Max(1, sum4(t.Days))
	most, best := 0.0, -1
	for q := range t.Times {
		if t.Days[q] >= 14 && t.Times[q]/t.Days[q] > most {
			most, best = t.Times[q]/t.Days[q], q
		}
	}
	if best < 0 || sum4(t.Times) < enough || most < standsOut*overall {
		return ""
	}
	return ", most from " + quarterNames[best]
}

// fallsShortAtMost is how often a number of plants may fall short before it is told to be too few.
const fallsShortAtMost = 0.2

// plantsFor is how many plants a year's use takes, and whether those that stand bear it.
func plantsFor(s *plot.State, l line, need keeping.Amount) StorePlantsView {
	y, own, known := yieldOf(s, l.stuff)
	if !known {
		return StorePlantsView{}
	}
	stand, young := 0, 0
	for _, p := range s.Plantings {
		if p.SpeciesID != l.species.ID || p.Aside {
			continue
		}
		stand += p.Standing()
		if float64(s.Age(p, s.Season).Year) < l.part.Harvest.MinYear.Value {
			young += p.Standing()
		}
	}
	plants, can := keeping.PlantsFor(y, need, fallsShortAtMost)
	if !can {
		return StorePlantsView{}
	}
	words := fmt.Sprintf(
		"about %s for one cut a year, full-grown, 8 in 10",
		say.Counted(float64(plants), "plant", "plants"),
	)
	if own {
		words += ", by what you weighed"
	}
	switch short := keeping.FallsShort(stand-young, y, need); {
	case stand == 0:
		words += "; none stands here"
	case stand == young:
		words += fmt.Sprintf("; the %s too young yet", say.Counted(float64(stand), "that stands is", "that stand are"))
	default:
		words += fmt.Sprintf("; the %s short %s",
			say.Counted(float64(stand-young), "that stands falls", "that stand fall"), say.Chance(short))
	}
	return StorePlantsView{Words: words, More: max(0, plants-stand)}
}

// yieldOf is what a full-grown plant bears at one cut, dried: by what the household itself weighed of a unit and of its
// dryings where it did, else by what is on record.
func yieldOf(s *plot.State, st stuff) (y keeping.Yields, own, known bool) {
	rule := st.part.Harvest
	share, known := driedShare(s, st)
	if rule == nil || !known {
		return y, false, false
	}
	mean := harvest.OneCut(rule) * share
	relative := func(f flora.Figure) float64 {
		if f.Value <= 0 {
			return 0
		}
		return (f.High - f.Low) / (2 * 1.2816) / f.Value
	}
	deviation := math.Hypot(relative(rule.PerPlant), relative(rule.GramsEach))
	units, grams := 0.0, 0.0
	for _, p := range s.EverPlanted {
		if p.SpeciesID != st.species.ID {
			continue
		}
		for _, picking := range p.Pickings {
			if picking.Part == st.part.Name && picking.Units > 0 {
				units, grams = units+picking.Units, grams+picking.Grams
			}
		}
	}
	const enough = 20
	if units >= enough && rule.GramsEach.Value > 0 {
		mean *= grams / units / rule.GramsEach.Value
		deviation, own = relative(rule.PerPlant), true
	}
	y.Each = keeping.Amount{Mean: mean, Deviation: mean * deviation}
	y.Years = s.Lib.Keeping().Year.Yields.Value
	return y, own, mean > 0
}

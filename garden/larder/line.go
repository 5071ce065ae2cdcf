package larder

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
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

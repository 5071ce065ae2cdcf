package larder

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

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

package garden

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/station"
	"bramblyacre/store"
)

// AllowanceView is how much of a part may be taken on a day, and why no more.
type AllowanceView struct {
	Part     string  `json:"part"`
	Verb     string  `json:"verb"`
	Units    float64 `json:"units"`
	Grams    float64 `json:"grams"`
	UnitName string  `json:"unitName" doc:"The unit the part is counted in, for several"`
	Amount   string  `json:"amount" doc:"Up to 14 of 42 stems"`
	Weight   string  `json:"weight"`
	Offered  bool    `json:"offered" doc:"Something may be taken"`

	Limits   []LimitView  `json:"limits" doc:"All limits, the binding one first"`
	Refusal  *RefusalView `json:"refusal,omitempty" doc:"Why nothing may be taken at all"`
	Weather  string       `json:"weather" doc:"What the weather rule says; empty where there is none"`
	WaitFor  string       `json:"waitFor" doc:"The day to wait for; empty where it need not wait"`
	Sign     string       `json:"sign"`
	Way      string       `json:"way"`
	Use      string       `json:"use"`
	Hazards  []string     `json:"hazards"`
	Cautions []string     `json:"cautions"`
	Customs  []string     `json:"customs" doc:"The grower's own customs, by author; none while they are switched off"`
	Standing string       `json:"standing" doc:"The weakest standing of the figures behind it"`
	Need     string       `json:"need" doc:"What the household needs of it this year; empty where nobody said"`
	Notices  []string     `json:"notices" doc:"What to know of the ground it stands on"`
	// Beside is what stands within reach of a spade, for roots alone.
	Beside []Neighbour `json:"beside" doc:"What stands within reach of a spade, where roots are lifted"`
	Crowns bool        `json:"crowns" doc:"What is lifted leaves a crown with buds that may be put back"`
}

// LimitView is one limit with its reason.
type LimitView struct {
	Kind    string `json:"kind"`
	Amount  string `json:"amount"`
	Reason  string `json:"reason"`
	Binding bool   `json:"binding"`
}

// RefusalView says why nothing may be taken, and which checks are owed.
type RefusalView struct {
	Kind string      `json:"kind"`
	Why  string      `json:"why"`
	Owed []OwedCheck `json:"owed"`
}

// OwedCheck is a look that an unproven planting owes.
type OwedCheck struct {
	LookAlike string `json:"lookAlike"`
	Botanical string `json:"botanical"`
	ID        string `json:"id" doc:"Its own page in the library; empty for none"`
	Danger    string `json:"danger"`
	Decides   string `json:"decides"`
	When      string `json:"when"`
}

// daysOfRest is how far back liftings count towards one winter's share, in
// days: from before the first autumn root to after the last spring one.
const daysOfRest = 240

// allowances returns the allowance of every part that has a harvest.
func (s *state) allowances(p *planting, on calendar.Date) []AllowanceView {
	views := []AllowanceView{}
	for _, part := range p.species.Parts {
		if part.Harvest != nil {
			view, _ := s.allowance(p, part, on)
			views = append(views, view)
		}
	}
	return views
}

// allowance works out one part's allowance on a day, in words and in core's
// terms; the latter is nil where the part is refused.
func (s *state) allowance(p *planting, part flora.Part, on calendar.Date) (AllowanceView, *harvest.Allowance) {
	rule := part.Harvest
	v := AllowanceView{
		Part: part.Name, Verb: rule.Verb, UnitName: rule.Many, Sign: rule.Sign, Way: rule.Way, Use: part.Use,
		Hazards: nonNil(rule.Hazards), Cautions: s.cautionLines(p.species, part.Name), Limits: []LimitView{},
		Customs: s.customsOf(p.species.ID), Need: s.needWords(p.species.ID, part.Name), Notices: append(p.treeNotices(), p.troubleNotices(on)...), Beside: []Neighbour{},
	}
	if rule.TakesPlant {
		v.Beside = s.neighbours(p)
	}
	v.Crowns = harvest.LeavesCrowns(p.species, rule)
	v.Standing = flora.Weakest(rule.PerPlant.Standing, rule.GramsEach.Standing, rule.CutShare.Standing, rule.Floor.Standing).String()
	if refusal := s.refusal(p, part, on); refusal != nil {
		v.Refusal = refusal
		v.Amount = "Nothing: " + refusal.Kind
		return v, nil
	}
	forecast, year := s.on(p, on)
	stand := harvest.Stand{
		Plants: float64(p.standing()), SizeShare: s.sizeShare(p, year),
		Ready: harvest.ReadyShare(forecast, rule, on), StillNeeded: s.stillNeeded(p, part, year),
	}
	var lastCut *store.Picking
	for i, picking := range p.pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || picking.Part != part.Name || day > on || !s.countsTowards(forecast, rule, day, on) {
			continue
		}
		stand.Taken = append(stand.Taken, harvest.Taken{Units: picking.Units, Warmth: s.warmthBetween(p, day, on)})
		if rule.TakesPlant && p.liftedAfterCount(picking) {
			stand.Plants += picking.Units - picking.CrownsBack
		}
		lastCut = &p.pickings[i]
	}
	a := harvest.Allow(rule, stand)
	v.Units, v.Grams, v.Offered = a.Units, a.Grams, a.Units > 0
	v.Weight = s.units.Weight(a.Grams)
	v.Amount = fmt.Sprintf("Up to %s of %s", number(a.Units), counted(math.Round(a.Standing), rule.One, rule.Many))
	if !v.Offered {
		v.Amount = "Nothing more now"
	}
	for i, limit := range a.Limits {
		v.Limits = append(v.Limits, LimitView{
			Kind: string(limit.Kind), Amount: counted(limit.Units, rule.One, rule.Many),
			Reason: s.limitReason(p, rule, limit, a, stand, lastCut), Binding: i == 0,
		})
	}
	v.Weather, v.WaitFor = s.weatherAdvice(rule, on)
	return v, &a
}

// countsTowards tells whether a picking still bears on an allowance: this
// season's, and of what is lifted through the winter this winter's.
func (s *state) countsTowards(forecast *phenology.Forecast, rule *flora.HarvestRule, day, on calendar.Date) bool {
	if rule.TakesPlant || forecast.ThroughWinter(rule.From, rule.Until) {
		return on.DaysSince(day) <= daysOfRest
	}
	return calendar.SeasonOf(s.site.Latitude, day) == calendar.SeasonOf(s.site.Latitude, on)
}

// refusal asks the gates in front of an allowance, the gravest first.
func (s *state) refusal(p *planting, part flora.Part, on calendar.Date) *RefusalView {
	if r := harvest.MayUse(p.species, part, p.identity, p.ground); r != nil {
		return viewRefusal(p, part, r)
	}
	forecast, year := s.on(p, on)
	if forecast == nil {
		return &RefusalView{Kind: "outside the window", Why: p.noForecast(), Owed: []OwedCheck{}}
	}
	for _, w := range p.windows {
		if w.Part.Name == part.Name && w.OpenOn(on) {
			return nil
		}
	}
	if r := harvest.AgeRefusal(part.Harvest, s.age(p, calendar.SeasonOf(s.site.Latitude, on))); r != nil {
		view := viewRefusal(p, part, r)
		switch r.Kind {
		case harvest.Settling:
			view.Why = fmt.Sprintf("Set on %s (%s): it is left alone to settle until next season.", p.started.DayMonth(), p.origin.Name)
		case harvest.TooYoung:
			view.Why = fmt.Sprintf("In its %s; taken from the %s on.", yearWords(year), yearWords(int(part.Harvest.MinYear.Value)))
		default:
			view.Why = fmt.Sprintf("In its %s; taken in the %s only.", yearWords(year), yearWords(int(part.Harvest.LastYear.Value)))
		}
		return view
	}
	return &RefusalView{Kind: string(harvest.OutOfDay), Why: s.nextWindowWords(p, part.Name, on), Owed: []OwedCheck{}}
}

func viewRefusal(p *planting, part flora.Part, r *harvest.Refusal) *RefusalView {
	v := &RefusalView{Kind: string(r.Kind), Owed: []OwedCheck{}}
	switch r.Kind {
	case harvest.Unsafe:
		v.Why = p.unsafeWords()
	case harvest.Unproven:
		v.Why = "Its identity is not proved. It is not for use until it is told apart from every plant it is mistaken for."
		v.Owed = viewLookAlikes(r.Owed)
	case harvest.NotAPart:
		v.Why = capital(part.Name) + " is not used."
	}
	return v
}

func viewLookAlikes(all []identity.LookAlike) []OwedCheck {
	views := []OwedCheck{}
	for _, l := range all {
		views = append(views, OwedCheck{l.Name, l.Botanical, l.ID, l.Danger, l.Decides, l.When})
	}
	return views
}

// nextWindowWords says when a part's window opens next, or that it is over.
func (s *state) nextWindowWords(p *planting, part string, on calendar.Date) string {
	closed := ""
	for _, span := range s.spans(p) {
		if span.window.Part.Name != part {
			continue
		}
		if span.last < on {
			closed = fmt.Sprintf("Its window closed about %s. ", span.last.DayMonth())
			continue
		}
		year := ""
		if span.first.Year() != on.Year() {
			year = fmt.Sprintf(" %d", span.first.Year())
		}
		opens := fmt.Sprintf("about %s%s (%s)", span.first.DayMonth(), year, viewDates(span.window.Opens).Text)
		if closed != "" {
			return closed + "The next opens " + opens + "."
		}
		return "Its window opens " + opens + "."
	}
	if closed != "" {
		return strings.TrimSpace(closed)
	}
	return "No window this year or next."
}

// sizeShare is the planting's yield against full-grown plants: by age, and by
// the width last measured this season against the width expected then.
func (s *state) sizeShare(p *planting, year int) float64 {
	return phenology.AgeShare(p.species, year) * s.measuredScale(p)
}

// measuredScale is the last width measured this season against the expected one.
func (s *state) measuredScale(p *planting) float64 {
	const least, most = 0.3, 1.5
	for i := len(p.sightings) - 1; i >= 0 && p.now != nil; i-- {
		seen := p.sightings[i]
		if !s.season.Contains(seen.Day) {
			break
		}
		if seen.row.WidthM != nil {
			expected := p.now.SizeOn(p.species, p.year, seen.Day).Width
			return math.Min(most, math.Max(least, *seen.row.WidthM/expected))
		}
	}
	return 1
}

// warmthBetween is the thermal time of a species from one day to another, the
// mean of the seasons that may come.
func (s *state) warmthBetween(p *planting, from, to calendar.Date) float64 {
	season := calendar.SeasonOf(s.site.Latitude, to)
	weather, made := s.sky.seasons[season]
	if !made {
		return 0
	}
	warmer, _ := s.warmer(p.bed)
	table := weather.Thermal(p.species.Growth.Base.Value-warmer.Value, p.species.Growth.Upper.Value-warmer.Value)
	last := to.DaysSince(season.Start)
	first := max(-1, from.DaysSince(season.Start))
	sum := 0.0
	for m := range weather.Size() {
		sum += table.Sum(m, last) - table.Sum(m, first)
	}
	return sum / float64(weather.Size())
}

func (s *state) limitReason(p *planting, rule *flora.HarvestRule, limit harvest.Limit, a harvest.Allowance, stand harvest.Stand, lastCut *store.Picking) string {
	switch limit.Kind {
	case harvest.ByShare:
		return fmt.Sprintf("No more than %s of what stands.", shareWords(rule.CutShare.Value))
	case harvest.ByFloor:
		return fmt.Sprintf("%s is left for %s.", capital(shareWords(rule.Floor.Value)), rule.FloorFor)
	case harvest.ByStage:
		if stand.Ready > 0.95 {
			return "All of them, or nearly, are at the right stage."
		}
		return fmt.Sprintf("About %.0f of 10 plants are at the right stage.", math.Round(stand.Ready*10))
	case harvest.ByRegrowth:
		cut := ""
		if lastCut != nil {
			day, _ := calendar.Parse(lastCut.Day) // it was parsed to be counted
			cut = fmt.Sprintf("Last taken %s. ", day.DayMonth())
		}
		if rule.Regrowth == nil {
			return cut + "It does not grow back this season."
		}
		return fmt.Sprintf("%s%.0f %% of what was cut has grown back.", cut, 100*a.Regrown)
	case harvest.ByNeed:
		return fmt.Sprintf("Still needed this year: %s.", s.units.Weight(*stand.StillNeeded*harvest.GramsEach(rule, stand.SizeShare)))
	}
	return string(limit.Kind)
}

// weatherAdvice says what the dry-day rule makes of today and the days of the
// outlook; nothing for days beyond it.
func (s *state) weatherAdvice(rule *flora.HarvestRule, on calendar.Date) (advice, waitFor string) {
	if rule.DryDays == nil || s.sky.station == nil || on < s.today || on.DaysSince(s.today) >= station.OutlookDays {
		return "", ""
	}
	before := int(rule.DryDays.Value)
	first := s.today.AddDays(-before)
	weather, err := s.sky.station.Days(first, s.today.AddDays(station.OutlookDays-1))
	if err != nil {
		return "The weather cannot be read.", ""
	}
	at := on.DaysSince(first)
	if harvest.DryEnough(rule, weather, at) {
		return "Dry enough.", ""
	}
	if i, has := harvest.NextDryDay(rule, weather, at); has {
		day := first.AddDays(i)
		return fmt.Sprintf("Too wet; %s is dry enough.", day.Time().Format("Monday")), day.String()
	}
	return "Too wet, and no dry spell in the outlook.", s.today.AddDays(station.OutlookDays).String()
}

// readyWords says in one line what can be taken of a planting on a day.
func (s *state) readyWords(p *planting, on calendar.Date) string {
	if p == nil || p.now == nil {
		return ""
	}
	var ready []string
	for _, view := range s.allowances(p, on) {
		if view.Offered {
			ready = append(ready, fmt.Sprintf("%s %s: %s", view.Verb, view.Part, strings.ToLower(view.Amount[:1])+view.Amount[1:]))
		}
	}
	return strings.Join(ready, ". ")
}

func nonNil[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

// weatherDay puts a day's weather into the grower's units.
func (s *state) weatherDay(day calendar.Date, w climate.Day) WeatherDay {
	return WeatherDay{Day: day, High: s.units.Temperature(w.TMax), Low: s.units.Temperature(w.TMin), RainMM: math.Round(w.Rain*10) / 10, HighC: w.TMax, LowC: w.TMin, Wet: w.Wet()}
}

package view

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// AllowanceView is how much of a part may be taken on a day, and why no more.
type AllowanceView struct {
	Part     string  `json:"part"`
	Verb     string  `json:"verb"`
	Units    float64 `json:"units"`
	Grams    float64 `json:"-"`
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
	Past   string      `json:"past" doc:"How much is past its stage; empty for next to nothing"`
	Age    string      `json:"age" doc:"How good it is now against its best, and what waiting would do"`
	Taken  string      `json:"taken" doc:"How often it was taken this year and before, and what that left"`
	Hour   string      `json:"hour" doc:"The hours of the day that suit; empty for any"`
	Fit    string      `json:"fit" doc:"The weather that suits, in words; empty for any"`
	Keeps  string      `json:"keeps" doc:"What the household leaves of it of its own accord; empty for nothing"`
	// KeptPercent and KeptFor are that rule as it is said.
	KeptPercent int    `json:"keptPercent"`
	KeptFor     string `json:"keptFor"`
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

// Allowances returns the allowance of every part that has a harvest.
func Allowances(s *plot.State, p *plot.Planting, on calendar.Date) []AllowanceView {
	views := []AllowanceView{}
	for _, part := range p.Species.Parts {
		if part.Harvest != nil {
			view, _ := Allowance(s, p, part, on)
			views = append(views, view)
		}
	}
	return views
}

// Allowance works out one part's allowance on a day, in words and in core's
// terms; the latter is nil where the part is refused.
func Allowance(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date) (AllowanceView, *harvest.Allowance) {
	rule := part.Harvest
	v := AllowanceView{
		Part:     part.Name,
		Verb:     rule.Verb,
		UnitName: rule.Many,
		Sign:     rule.Sign,
		Way:      rule.Way,
		Use:      part.Use,
		Hazards:  NonNil(rule.Hazards),
		Cautions: CautionLines(s, p.Species, part.Name),
		Limits:   []LimitView{},
		Customs: customsOf(
			s,
			p.Species.ID,
		),
		Need:    KeptNeedWords(s, p.Species.ID, part.Name),
		Notices: NonNil(slices.Concat(treeNotices(p), troubleNotices(s, p, on), sunNotices(s, p, rule))),
		Beside:  []Neighbour{},
	}
	if rule.TakesPlant {
		v.Beside = Neighbours(s, p)
	}
	v.Crowns = harvest.LeavesCrowns(p.Species, rule)
	v.Hour, v.Fit = part.Keep.Hour, part.Keep.Weather
	kept, hasRule := s.KeptShareOf(p.ID, part.Name)
	if hasRule {
		v.KeptPercent, v.KeptFor = int(math.Round(100*kept.Share)), kept.ForWhom
		v.Keeps = fmt.Sprintf("%d %% stays for %s", v.KeptPercent, v.KeptFor)
	}
	v.Standing = flora.Weakest(
		rule.PerPlant.Standing,
		rule.GramsEach.Standing,
		rule.CutShare.Standing,
		rule.Floor.Standing,
	).String()
	if refusal := Refusal(s, p, part, on); refusal != nil {
		v.Refusal = refusal
		v.Amount = "Nothing: " + refusal.Kind
		return v, nil
	}
	forecast, year := s.ForecastOn(p, on)
	stand := harvest.Stand{
		Plants: float64(p.Standing()), SizeShare: s.SizeShare(p, year, rule, on),
		Ready: harvest.ReadyShare(forecast, rule, on), StillNeeded: s.StillNeeded(p, part, year),
		All: s.IsToGo(p.ID),
	}
	taken, lifted, lastCut := TakenOf(s, p, part, on)
	stand.Taken = taken
	stand.Plants += lifted
	stand.Steady = steadyLeft(s, p, part, on)
	stand.KeptShare = kept.Share
	a := harvest.Allow(rule, stand)
	v.Units, v.Grams, v.Offered = a.Units, a.Grams, a.Units > 0
	v.Weight = s.Units.Weight(a.Grams)
	v.Amount = fmt.Sprintf("Up to %s of %s", say.Number(a.Units), say.Counted(math.Round(a.Standing), rule.One, rule.Many))
	switch {
	case !v.Offered:
		v.Amount = "Nothing more now"
	case stand.All:
		v.Amount = "All of it: " + say.Counted(a.Units, rule.One, rule.Many)
	}
	for i, limit := range a.Limits {
		v.Limits = append(v.Limits, LimitView{
			Kind: string(limit.Kind), Amount: say.Counted(limit.Units, rule.One, rule.Many),
			Reason: limitReason(s, rule, limit, a, stand, kept, lastCut), Binding: i == 0,
		})
	}
	v.Weather, v.WaitFor = DryAdvice(s, rule, on)
	v.Past, v.Age, v.Taken = pastWords(forecast, rule, on), ageWords(forecast, part, on), takenWords(s, p, part, on, a)
	return v, &a
}

// steadyLeft is how many roots more may be lifted by what the household settled on for a year, of all plantings of the
// kind in the bed together; nil where nobody did.
func steadyLeft(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date) *float64 {
	row, has := s.RootStandOf(p.SpeciesID, p.BedID)
	if !has || row.Take == nil || !part.Harvest.TakesPlant {
		return nil
	}
	left := float64(*row.Take)
	for _, other := range s.StandingIn(p.BedID) {
		if other.SpeciesID != p.SpeciesID {
			continue
		}
		taken, _, _ := TakenOf(s, other, part, on)
		for _, one := range taken {
			left -= one.Units
		}
	}
	return &left
}

// TakenOf returns the pickings of a part that bear on an allowance on a day, the oldest first, how many plants went
// with them since they were counted, and the last of them; nil for none.
func TakenOf(
	s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date,
) (taken []harvest.Taken, lifted float64, last *store.Picking) {
	forecast, _ := s.ForecastOn(p, on)
	if forecast == nil {
		return nil, 0, nil
	}
	for i, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		if err != nil || picking.Part != part.Name || day > on || !countsTowards(s, forecast, part.Harvest, day, on) {
			continue
		}
		taken = append(taken, harvest.Taken{Units: picking.Units, Warmth: warmthBetween(s, p, day, on)})
		if part.Harvest.TakesPlant && p.LiftedAfterCount(picking) {
			lifted += picking.Units - picking.CrownsBack
		}
		last = &p.Pickings[i]
	}
	return taken, lifted, last
}

// countsTowards tells whether a picking still bears on an allowance: this
// season's, and of what is lifted through the winter this winter's.
func countsTowards(s *plot.State, forecast *phenology.Forecast, rule *flora.HarvestRule, day, on calendar.Date) bool {
	if rule.TakesPlant || forecast.ThroughWinter(rule.From, rule.Until) {
		return on.DaysSince(day) <= daysOfRest
	}
	return calendar.SeasonOf(s.Site.Latitude, day) == calendar.SeasonOf(s.Site.Latitude, on)
}

// Refusal asks the gates in front of an allowance, the gravest first.
func Refusal(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date) *RefusalView {
	if r := harvest.MayUse(p.Species, part, p.IdentityState, p.Ground); r != nil {
		return ViewRefusal(p, part, r)
	}
	forecast, year := s.ForecastOn(p, on)
	if forecast == nil {
		return &RefusalView{Kind: "outside the window", Why: NoForecast(p), Owed: []OwedCheck{}}
	}
	for _, w := range p.Windows {
		if w.Part.Name == part.Name && w.OpenOn(on) {
			return nil
		}
	}
	if r := harvest.AgeRefusal(part.Harvest, s.Age(p, calendar.SeasonOf(s.Site.Latitude, on))); r != nil {
		view := ViewRefusal(p, part, r)
		switch r.Kind {
		case harvest.Settling:
			view.Why = fmt.Sprintf(
				"Set on %s (%s): it is left alone to settle until next season.",
				p.Started.DayMonth(),
				p.OriginRow.Name,
			)
		case harvest.TooYoung:
			view.Why = fmt.Sprintf(
				"In its %s; taken from the %s on.",
				say.YearWords(year),
				say.YearWords(int(part.Harvest.MinYear.Value)),
			)
		default:
			view.Why = fmt.Sprintf(
				"In its %s; taken in the %s only.",
				say.YearWords(year),
				say.YearWords(int(part.Harvest.LastYear.Value)),
			)
		}
		return view
	}
	return &RefusalView{Kind: string(harvest.OutOfDay), Why: nextWindowWords(s, p, part.Name, on), Owed: []OwedCheck{}}
}

// ViewRefusal shows why a part may not be taken.
func ViewRefusal(p *plot.Planting, part flora.Part, r *harvest.Refusal) *RefusalView {
	v := &RefusalView{Kind: string(r.Kind), Owed: []OwedCheck{}}
	switch r.Kind {
	case harvest.Unsafe:
		v.Why = UnsafeWords(p)
	case harvest.Unproven:
		v.Why = "Its identity is not proved. It is not for use until it is told apart from every plant it is mistaken for."
		v.Owed = ViewLookAlikes(r.Owed)
	case harvest.NotAPart:
		v.Why = say.Capital(part.Name) + " is not used."
	}
	return v
}

// ViewLookAlikes shows what a plant is mistaken for.
func ViewLookAlikes(all []identity.LookAlike) []OwedCheck {
	views := []OwedCheck{}
	for _, l := range all {
		views = append(views, OwedCheck{l.Name, l.Botanical, l.ID, l.Danger, l.Decides, l.When})
	}
	return views
}

// nextWindowWords says when a part's window opens next, or that it is over.
func nextWindowWords(s *plot.State, p *plot.Planting, part string, on calendar.Date) string {
	closed := ""
	for _, span := range s.Spans(p) {
		if span.Window.Part.Name != part {
			continue
		}
		if span.Last < on {
			closed = fmt.Sprintf("Its window closed about %s. ", span.Last.DayMonth())
			continue
		}
		year := ""
		if span.First.Year() != on.Year() {
			year = fmt.Sprintf(" %d", span.First.Year())
		}
		opens := fmt.Sprintf("about %s%s (%s)", span.First.DayMonth(), year, say.ViewDates(span.Window.Opens).Text)
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

// warmthBetween is the thermal time of a species from one day to another, the
// mean of the seasons that may come.
func warmthBetween(s *plot.State, p *plot.Planting, from, to calendar.Date) float64 {
	season := calendar.SeasonOf(s.Site.Latitude, to)
	warmth, err := s.Warmth(p, season)
	if err != nil {
		return 0
	}
	return warmth(to.DaysSince(season.Start)) - warmth(max(-1, from.DaysSince(season.Start)))
}

func limitReason(
	s *plot.State,
	rule *flora.HarvestRule,
	limit harvest.Limit,
	a harvest.Allowance,
	stand harvest.Stand,
	kept store.KeptShare,
	lastCut *store.Picking,
) string {
	switch limit.Kind {
	case harvest.ByShare:
		return fmt.Sprintf("No more than %s of what stands.", say.ShareWords(rule.CutShare.Value))
	case harvest.ByFloor:
		if stand.KeptShare > rule.Floor.Value {
			return fmt.Sprintf("%s is left for %s: your own rule.", say.Capital(say.ShareWords(kept.Share)), kept.ForWhom)
		}
		return fmt.Sprintf("%s is left for %s.", say.Capital(say.ShareWords(rule.Floor.Value)), rule.FloorFor)
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
		if !rule.Regrowth.Grows() {
			return cut + "It does not grow back this season."
		}
		return fmt.Sprintf("%s%.0f %% of what was cut has grown back.", cut, 100*a.Regrown)
	case harvest.BySteady:
		return "What you settled on for a year, so that the stand lasts."
	case harvest.ByAll:
		return "It is to go: nothing of it is kept back."
	case harvest.ByNeed:
		return fmt.Sprintf(
			"Still needed this year: %s.",
			s.Units.Weight(*stand.StillNeeded*harvest.GramsEach(rule, stand.SizeShare)),
		)
	}
	return string(limit.Kind)
}

// ReadyWords says in one line what can be taken of a planting on a day.
func ReadyWords(s *plot.State, p *plot.Planting, on calendar.Date) string {
	if p == nil || p.Now == nil {
		return ""
	}
	var ready []string
	for _, view := range Allowances(s, p, on) {
		if view.Offered {
			ready = append(
				ready,
				fmt.Sprintf("%s %s: %s", view.Verb, view.Part, strings.ToLower(view.Amount[:1])+view.Amount[1:]),
			)
		}
	}
	return strings.Join(ready, ". ")
}

// NonNil is a list that is never null in an answer.
func NonNil[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

package season

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// SeasonPlanView is the plan of a season.
type SeasonPlanView struct {
	Version say.Version   `json:"version"`
	First   calendar.Date `json:"first" doc:"The first day that is planned"`
	Last    calendar.Date `json:"last"`
	Season  calendar.Date `json:"season" doc:"The season's start"`
	Summary string        `json:"summary"`
	Better  string        `json:"better" doc:"How much better any plan could be at most"`
	// Kept is true where the household follows a plan of this season; Moved says what changed since it was kept.
	Kept     bool    `json:"kept"`
	KeptOn   string  `json:"keptOn" doc:"The day on which it was kept; empty where none is"`
	Moved    string  `json:"moved" doc:"What is otherwise than it was kept; empty for nothing"`
	Working  bool    `json:"working" doc:"It is still being made: what is shown is the best so far"`
	Progress float64 `json:"progress" doc:"How much of the work is done, 0 to 1"`
	Stopped  bool    `json:"stopped" doc:"It was stopped: what is shown is the best that was found"`
	// Reckoning is true while the plan is there, and what more of something would bring is not.
	Reckoning bool `json:"reckoning" doc:"What more of something would bring is still being reckoned"`

	Stands   []PlanStand     `json:"stands"`
	Products []PlanProduct   `json:"products"`
	Trays    Trough          `json:"trays"`
	Hours    Trough          `json:"hours"`
	Wet      []float64       `json:"wet" doc:"The chance of rain on each day"`
	Away     []bool          `json:"away" doc:"Nobody is there on that day"`
	Notes    []string        `json:"notes" doc:"What is not said yet, or cannot be kept"`
	Prices   []PlanPrice     `json:"prices"`
	Others   []OtherPlan     `json:"others" doc:"Plans kept to be held against it"`
	Against  *PlanComparison `json:"against,omitempty"`
	Feasts   []FeastView     `json:"feasts"`
}

// PlanStand is a row of the field: a part of a planting over the days.
type PlanStand struct {
	PlantingID int64      `json:"plantingId"`
	SpeciesID  string     `json:"speciesId"`
	Name       string     `json:"name" doc:"Plant and part"`
	Part       string     `json:"part"`
	Bed        string     `json:"bed"`
	Product    string     `json:"product" doc:"The key of what it is needed for"`
	Good       []float64  `json:"good" doc:"How good each day is, 0 to 1, before what is picked"`
	Picks      []PlanPick `json:"picks"`
	Refused    string     `json:"refused" doc:"Why nothing of it may be taken; empty where it may"`
	Customs    []AskedDay `json:"customs" doc:"Days of the year on which a custom asks for it"`
}

// PlanPick is a picking of the plan.
type PlanPick struct {
	Day    calendar.Date `json:"day"`
	Units  int           `json:"units"`
	Amount string        `json:"amount" doc:"43 stems"`
	Weight string        `json:"weight" doc:"Fresh"`
	Grams  float64       `json:"grams" doc:"Fresh"`
	Words  string        `json:"words" doc:"Amount, weight, time and trays in a sentence"`
	Tied   bool          `json:"tied"`
	Why    string        `json:"why" doc:"What it is tied for"`
	IsNew  bool          `json:"isNew" doc:"The plan that is kept has none here"`
}

// PlanProduct is something needed and how far the plan covers it.
type PlanProduct struct {
	Key     string  `json:"key"`
	Name    string  `json:"name"`
	For     string  `json:"for" doc:"The feast or market and its day; empty for the year's need"`
	Covered string  `json:"covered" doc:"390 of 390 g"`
	Share   float64 `json:"share" doc:"What is covered, 0 to 1, with what was taken already"`
	Short   bool    `json:"short"`
	Words   string  `json:"words" doc:"By when, or why it falls short"`
}

// Trough is a resource over the days.
type Trough struct {
	Unit string    `json:"unit"`
	Used []float64 `json:"used"`
	Of   []float64 `json:"of" doc:"What there is; empty where nobody said"`
	Most float64   `json:"most" doc:"The top of the picture"`
	Full []string  `json:"full" doc:"The days on which it is full, in words"`
}

// PlanPrice is what one more of something would bring.
type PlanPrice struct {
	Kind   string `json:"kind" enum:"tray,hour,plants"`
	Name   string `json:"name" doc:"One more tray"`
	Brings string `json:"brings" doc:"60 g more sage"`
}

// OtherPlan is a plan kept to be held against the one that is followed.
type OtherPlan struct {
	ID    int64  `json:"id"`
	Name  string `json:"name"`
	Words string `json:"words"`
}

// PlanComparison is another plan beside this one.
type PlanComparison struct {
	ID    int64            `json:"id"`
	Name  string           `json:"name"`
	Words string           `json:"words"`
	Picks []OtherPick      `json:"picks"`
	Rows  []PlanCompareRow `json:"rows"`
}

// OtherPick is a picking of another plan.
type OtherPick struct {
	PlantingID int64         `json:"plantingId"`
	Part       string        `json:"part"`
	Day        calendar.Date `json:"day"`
	Amount     string        `json:"amount"`
}

// PlanCompareRow is what each of two plans covers of a product.
type PlanCompareRow struct {
	Name string `json:"name"`
	This string `json:"this"`
	That string `json:"that"`
	More string `json:"more" doc:"Which covers more; empty where they are alike"`
}

// AskedDay is a day of the year on which a custom asks for a part.
type AskedDay struct {
	Day   calendar.Date `json:"day"`
	Words string        `json:"words"`
}

// firstWait is how long the first answer waits for a planning; what is there by then is shown.
const firstWait = 300 * time.Millisecond

// seasonOf is the season that a plan is asked for: this one, or the next.
func seasonOf(s *plot.State, on calendar.Date) (calendar.Season, error) {
	switch {
	case on == plot.NoDay || s.Season.Contains(on):
		return s.Season, nil
	case s.Next.Contains(on):
		return s.Next, nil
	}
	return calendar.Season{}, say.Faults{{Field: "on", Message: "This season and the next are planned."}}
}

// Plan is the plan of the season that a day lies in: the one that is followed, made again where something changed, or a
// proposal. other is a plan to hold against it, 0 for none.
func (u *Uses) Plan(ctx context.Context, on calendar.Date, other int64) (SeasonPlanView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SeasonPlanView{}, err
	}
	season, err := seasonOf(s, on)
	if err != nil {
		return SeasonPlanView{}, err
	}
	q, err := u.questionOf(s, season)
	if err != nil {
		return SeasonPlanView{}, err
	}
	row, picks, has := followed(s, season)
	w := u.workOf(q, row, picks, has)
	select {
	case <-w.done:
	case <-ctx.Done():
		return SeasonPlanView{}, ctx.Err()
	case <-time.After(firstWait):
	}
	v := w.view(q, row, picks, has)
	if other != 0 {
		if err := v.hold(q, w, s, other); err != nil {
			return SeasonPlanView{}, err
		}
	}
	return v, nil
}

// workOf is the planning that a plan which is followed comes of, or a proposal.
func (u *Uses) workOf(q *question, row store.SeasonPlan, picks []Picking, has bool) *working {
	if has {
		return u.work(q, picks, &row, false)
	}
	return u.work(q, nil, nil, false)
}

// Stop ends the planning of a season; what was found so far stands.
func (u *Uses) Stop(ctx context.Context, on calendar.Date) (SeasonPlanView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SeasonPlanView{}, err
	}
	season, err := seasonOf(s, on)
	if err != nil {
		return SeasonPlanView{}, err
	}
	q, err := u.questionOf(s, season)
	if err != nil {
		return SeasonPlanView{}, err
	}
	row, picks, has := followed(s, season)
	w := u.workOf(q, row, picks, has)
	w.stop()
	<-w.done
	return w.view(q, row, picks, has), nil
}

// view shows what a planning has by now, by the question as it stands: what a plan follows from may be as it was, and
// the names of beds, feasts and customs others.
func (w *working) view(q *question, row store.SeasonPlan, kept []Picking, has bool) SeasonPlanView {
	plan, m, progress, stopped := w.now()
	if plan.Got == nil {
		plan.Got = make([]float64, len(q.products))
	}
	v := SeasonPlanView{
		Version: say.VersionOf([]any{row, q.season.Start}), First: q.first, Last: q.season.End, Season: q.season.Start,
		Kept: has, Working: !w.isPlanned(), Progress: progress, Stopped: stopped,
		Reckoning: w.isPlanned() && progress < 1,
		Stands:    []PlanStand{}, Products: []PlanProduct{}, Notes: []string{}, Prices: []PlanPrice{},
		Others: othersOf(q.state, q.season), Feasts: viewFeasts(q.state), Wet: rounded(q.wet),
	}
	for t := range q.problem.Days {
		v.Away = append(v.Away, awayOn(q.state, q.first.AddDays(t)))
	}
	if has {
		if day, err := calendar.Parse(row.MadeOn); err == nil {
			v.KeptOn = day.DayMonth()
		}
		v.Moved = q.movedWords(kept, plan)
	}
	q.viewStands(&v, plan, kept, has)
	q.viewProducts(&v, plan, m)
	inTheirOrder(v.Products, v.Stands)
	q.viewTroughs(&v, plan)
	v.Prices = q.prices(plan, m)
	v.Notes = q.notes()
	minutes := 0.0
	for _, used := range v.Hours.Used {
		minutes += used
	}
	v.Summary = "nothing to pick"
	if n := len(plan.Picks); n > 0 {
		v.Summary = fmt.Sprintf("%s, %s", say.Counted(float64(n), "picking", "pickings"), say.MinutesWords(minutes))
	}
	v.Better = betterWords(plan, v.Working)
	return v
}

func (w *working) isPlanned() bool {
	select {
	case <-w.planned:
		return true
	default:
		return false
	}
}

// betterWords say how much better a plan could be at most.
func betterWords(plan planning.Plan, working bool) string {
	better := plan.Better()
	switch {
	case working && math.IsInf(plan.Bound, 1):
		return "Being planned"
	case math.IsInf(better, 1):
		return "Nothing could be planned"
	case better < 0.0005:
		return "No plan can be better"
	case better < 0.01:
		return "Less than 1 % better is possible"
	}
	return fmt.Sprintf("At most %.0f %% better is possible", math.Ceil(100*better-1e-6))
}

// viewStands makes the rows of the field: those that can be picked by when they open, each kind's together, and then
// what is not for use.
func (q *question) viewStands(v *SeasonPlanView, plan planning.Plan, kept []Picking, has bool) {
	opens := make([]int, len(q.stands))
	for i, stand := range q.stands {
		good := q.problem.Stands[i].Quality
		opens[i] = slices.IndexFunc(good, func(g float64) bool { return g > 0 })
		v.Stands = append(v.Stands, PlanStand{
			PlantingID: stand.p.ID, SpeciesID: stand.p.SpeciesID, Name: say.PartOf(stand.p.Species.Names.Name, stand.part.Name),
			Part: stand.part.Name, Bed: stand.p.Bed.Name, Product: stand.p.SpeciesID + "/" + stand.part.Name,
			Good: rounded(good), Picks: []PlanPick{}, Customs: q.askedDays(stand.p.SpeciesID, stand.part.Name),
		})
	}
	for _, pick := range plan.Picks {
		v.Stands[pick.Stand].Picks = append(v.Stands[pick.Stand].Picks, q.viewPick(pick, kept, has))
	}
	order := make([]int, len(q.stands))
	firstOf := map[string]int{}
	for i := range order {
		order[i] = i
		key := v.Stands[i].Product
		if first, known := firstOf[key]; !known || opens[i] < first {
			firstOf[key] = opens[i]
		}
	}
	slices.SortStableFunc(order, func(a, b int) int {
		x, y := v.Stands[a].Product, v.Stands[b].Product
		return cmp.Or(cmp.Compare(firstOf[x], firstOf[y]), cmp.Compare(x, y), cmp.Compare(opens[a], opens[b]))
	})
	sorted := make([]PlanStand, 0, len(order)+len(q.refused))
	for _, i := range order {
		sorted = append(sorted, v.Stands[i])
	}
	for _, r := range q.refused {
		sorted = append(sorted, PlanStand{
			PlantingID: r.p.ID, SpeciesID: r.p.SpeciesID, Name: say.PartOf(r.p.Species.Names.Name, r.part.Name),
			Part: r.part.Name, Bed: r.p.Bed.Name, Product: r.p.SpeciesID + "/" + r.part.Name,
			Good: []float64{}, Picks: []PlanPick{}, Refused: refusedShort(r), Customs: []AskedDay{},
		})
	}
	v.Stands = sorted
}

// inTheirOrder puts what is needed into the order of the stands that it is picked from; what none is picked for comes
// last.
func inTheirOrder(products []PlanProduct, stands []PlanStand) {
	at := func(p PlanProduct) int {
		if i := slices.IndexFunc(stands, func(s PlanStand) bool { return s.Product == p.Key }); i >= 0 {
			return i
		}
		return len(stands)
	}
	slices.SortStableFunc(products, func(a, b PlanProduct) int { return cmp.Compare(at(a), at(b)) })
}

// refusedShort is a refusal in a line.
func refusedShort(r refusal) string {
	if n := len(r.view.Owed); n > 0 && r.view.Kind == "unproven" {
		return fmt.Sprintf("Not proved: %s owed.", say.Counted(float64(n), "check is", "checks are"))
	}
	return r.view.Why
}

func (q *question) viewPick(pick planning.Pick, kept []Picking, has bool) PlanPick {
	one, stand := q.picking(pick), q.stands[pick.Stand]
	for _, old := range kept {
		if old.Tied && old.Planting == one.Planting && old.Part == one.Part && old.Day == one.Day {
			one.Why = old.Why
		}
	}
	s, row := q.state, &q.problem.Stands[pick.Stand]
	rule := stand.part.Harvest
	v := PlanPick{
		Day: q.first.AddDays(pick.Day), Units: one.Units, Amount: say.Counted(float64(one.Units), rule.One, rule.Many),
		Grams: math.Round(float64(one.Units) * stand.grams), Tied: one.Tied, Why: one.Why,
	}
	v.Weight = s.Units.Weight(float64(one.Units) * stand.grams)
	v.IsNew = has && !slices.ContainsFunc(kept, func(old Picking) bool {
		return old.Planting == one.Planting && old.Part == one.Part && old.Day == one.Day
	})
	words := []string{fmt.Sprintf("%s of %s, %s fresh", v.Amount,
		say.Number(math.Round(row.Full*float64(stand.group))), v.Weight)}
	words = append(words, say.MinutesWords(row.VisitMinutes+float64(pick.Units)*row.UnitMinutes))
	if stand.dries {
		trays := float64(pick.Units) * row.Area / q.drier.TrayM2
		words = append(words, fmt.Sprintf("%s until %s", say.Counted(math.Max(0.1, say.Round1(trays)), "tray", "trays"),
			q.first.AddDays(pick.Day+row.DryDays).DayMonth()))
	}
	v.Words = strings.Join(words, " · ")
	return v
}

// viewTroughs are trays by the day and hours by the day.
func (q *question) viewTroughs(v *SeasonPlanView, plan planning.Plan) {
	row, used := q.drier, q.used(plan.Picks)
	v.Trays = Trough{Unit: "trays", Of: []float64{}, Full: []string{}}
	v.Hours = Trough{Unit: "minutes", Of: []float64{}, Full: []string{}}
	for t := range q.problem.Days {
		v.Trays.Used = append(v.Trays.Used, say.Round2(used.trays[t]/row.TrayM2))
		v.Hours.Used = append(v.Hours.Used, math.Round(used.minutes[t]))
		v.Trays.Most, v.Hours.Most = max(v.Trays.Most, v.Trays.Used[t]), max(v.Hours.Most, v.Hours.Used[t])
	}
	if row.Trays != nil {
		v.Trays.Of, v.Trays.Most = slices.Repeat([]float64{float64(*row.Trays)}, q.problem.Days), float64(*row.Trays)
	}
	if q.timed {
		v.Hours.Of = q.problem.Minutes
		v.Hours.Most = slices.Max(q.problem.Minutes)
	}
	v.Trays.Full, v.Hours.Full = q.fullSpans(v.Trays, false), q.fullSpans(v.Hours, true)
}

// fullSpans are the runs of days on which next to nothing is left of a resource.
func (q *question) fullSpans(trough Trough, skipEmpty bool) []string {
	const nearly = 0.95
	spans := []string{}
	from := -1
	for t := 0; t <= len(trough.Of); t++ {
		full := t < len(trough.Of) && trough.Of[t] > 0 && trough.Used[t] >= nearly*trough.Of[t]
		skips := skipEmpty && t < len(trough.Of) && trough.Of[t] == 0 && from >= 0
		switch {
		case full && from < 0:
			from = t
		case !full && !skips && from >= 0:
			spans, from = append(spans, calendar.Span(q.first.AddDays(from), q.first.AddDays(t-1))), -1
		}
	}
	return spans
}

func rounded(values []float64) []float64 {
	out := make([]float64, len(values))
	for i, value := range values {
		out[i] = say.Round2(value)
	}
	return out
}

// othersOf are the plans of a season that are kept to be held against the one that is followed.
func othersOf(s *plot.State, season calendar.Season) []OtherPlan {
	others := []OtherPlan{}
	for _, row := range planRows.Of(s) {
		if row.Name != "" && row.Season == season.Start.String() {
			others = append(others, OtherPlan{
				row.ID, row.Name, say.Counted(float64(len(picksOf(row))), "picking", "pickings"),
			})
		}
	}
	return others
}

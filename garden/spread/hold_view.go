package spread

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/parallel"
	"bramblyacre/core/spread"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// HoldView is a stand with the ways of holding it side by side.
type HoldView struct {
	PlantingID int64         `json:"plantingId"`
	SpeciesID  string        `json:"speciesId"`
	Name       string        `json:"name"`
	Bed        string        `json:"bed"`
	Targets    []HoldTarget  `json:"targets" doc:"What it may be kept from"`
	Target     string        `json:"target"`
	Where      string        `json:"where"`
	There      bool          `json:"there" doc:"It is likely there today: the chances are those that it still is in ten years"`
	Line       float64       `json:"line" doc:"The chance within ten years below which it is to be kept"`
	Options    []HoldOption  `json:"options" doc:"Letting it run first, then each way that goes for it"`
	Refused    []HoldRefused `json:"refused" doc:"The ways that do not go for it, and why"`
	// Least is the least work under the line, Tried the ways that were asked for together, Chosen those of its policy.
	Least   *HoldOption   `json:"least,omitempty"`
	NoLeast string        `json:"noLeast" doc:"Why no way keeps it under the line; empty where one does"`
	Tried   *HoldOption   `json:"tried,omitempty"`
	Chosen  *HoldOption   `json:"chosen,omitempty"`
	Policy  string        `json:"policy" enum:",held,bounded,free,rid"`
	Since   calendar.Date `json:"since"`
	// DepthCm is how deep a board would have to go, BeheadOn the day on which heads come off.
	DepthCm   float64       `json:"depthCm"`
	Depth     string        `json:"depth"`
	BeheadOn  calendar.Date `json:"beheadOn"`
	Deadline  DeadlineView  `json:"deadline"`
	State     string        `json:"state"`
	Roots     string        `json:"roots" doc:"How many digs it takes, by what is on record"`
	Riddance  string        `json:"riddance" doc:"How its file says to be rid of it"`
	ThrowAway string        `json:"throwAway" doc:"Where what was taken out goes"`
	Notes     []string      `json:"notes"`
	Hens      bool          `json:"hens" doc:"Hens are kept"`
	Version   say.Version   `json:"version"`
}

// HoldTarget is what a stand may be kept from.
type HoldTarget struct {
	Key   string `json:"key"`
	Where string `json:"where"`
}

// HoldRefused is a way that does not go for a stand.
type HoldRefused struct {
	Way string `json:"way"`
	Why string `json:"why"`
}

// HoldOption is a way of holding, or several together, with what it does and takes.
type HoldOption struct {
	Ways  []string `json:"ways" doc:"As they are sent back"`
	Words string   `json:"words"`
	// Hours is the work in hours a year, what is done once shared out over ten.
	Hours     float64   `json:"hours"`
	Work      string    `json:"work"`
	Money     string    `json:"money"`
	Out       float64   `json:"out" doc:"The chance that it gets out within ten years, or is out still"`
	OutWords  string    `json:"outWords"`
	ByYear    []float64 `json:"byYear"`
	Bank      string    `json:"bank" doc:"The seed in the ground after ten years; empty where none is on record"`
	Lives     string    `json:"lives" doc:"Whether the stand itself stays; empty where it does"`
	UnderLine bool      `json:"underLine"`
	Jobs      []HoldJob `json:"jobs"`
}

// HoldJob is a piece of work that a way asks for, in its season.
type HoldJob struct {
	What   string `json:"what"`
	Days   string `json:"days"`
	Work   string `json:"work"`
	Missed string `json:"missed" doc:"What happens if this one is missed"`
}

// HoldAsk is what is asked of holding a stand.
type HoldAsk struct {
	Target string
	Line   float64
	// With are ways to be tried together, BeheadOn the day on which heads come off: empty for the last one.
	With     []string
	BeheadOn string
}

// UsualLine is the chance below which a stand is to be kept where nobody said.
const UsualLine = 0.05

// Hold shows the ways of holding a stand side by side.
func (u *Uses) Hold(ctx context.Context, planting int64, ask HoldAsk) (HoldView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return HoldView{}, err
	}
	p, err := input.StandingPlanting(s, planting)
	if err != nil {
		return HoldView{}, err
	}
	r, err := u.reckon(s)
	if err != nil {
		return HoldView{}, say.ConflictError{Why: say.Sentence(err.Error())}
	}
	one := r.stands[planting]
	if one == nil {
		if !isOnRecord(p.Species) {
			return HoldView{}, say.ConflictError{Why: "How " + p.Species.Names.Name +
				" spreads is not on record. Look past its edge, or give its own figures under Plants."}
		}
		one = &stand{planting: p, of: r.standOf(s, p)}
		one.Ready = r.with.Prepare(one.of)
	}
	var c say.Checklist
	h := holdAsk{s: s, p: p, r: r, one: one, line: ask.Line}
	h.read(&c, ask)
	if err := c.Err(); err != nil {
		return HoldView{}, err
	}
	return h.view(), nil
}

// holdAsk is what a view of holding is made from.
type holdAsk struct {
	s        *plot.State
	p        *plot.Planting
	r        *reckoning
	one      *stand
	target   target
	targets  []target
	line     float64
	with     spread.Plan
	tries    bool
	beheadOn calendar.Date
	fallen   float64
	deadline DeadlineView
	// there is that the stand is likely where it is not to get today.
	there bool
}

func (h *holdAsk) read(c *say.Checklist, ask HoldAsk) {
	held, _, has := h.s.HoldOf(h.p.ID)
	h.targets = h.r.targetsOf(h.one)
	key := ask.Target
	if key == "" {
		key = edgeKey
		if has && held.Target != "" {
			key = held.Target
		}
	}
	known := false
	for _, t := range h.targets {
		if t.Key == key {
			h.target, known = t, true
		}
	}
	if !known {
		if ask.Target != "" {
			c.Add("target", "Choose something on the plan that it is to be kept from.")
		}
		h.target = h.targets[0]
	}
	if h.line == 0 {
		h.line = UsualLine
		if has {
			h.line = held.Line
		}
	}
	readLine(c, h.line)
	h.with, h.tries = readWays(c, ask.With), len(ask.With) > 0
	h.deadline = deadlineOf(h.s, h.p)
	h.beheadOn = h.deadline.Last
	if ask.BeheadOn != "" {
		day, err := calendar.Parse(ask.BeheadOn)
		switch {
		case err != nil:
			c.Add("beheadOn", "This is not a whole day. Type one like 27 May 2031.")
		case !h.s.Season.Contains(day) && !h.s.Next.Contains(day):
			c.Add("beheadOn", "Choose a day of this season or the next.")
		default:
			h.beheadOn = day
			h.checkHeads(c, day)
		}
	}
	h.fallen = fallenBy(h.s, h.p, h.beheadOn)
	for i := range h.with {
		if h.with[i].Way == spread.Behead {
			h.with[i].Fallen = h.fallen
		}
		if err := h.one.Refusal(h.with[i]); err != nil && !c.Has("ways") {
			c.Add("ways", "%s: %s.", say.Capital(wayWords(h.with[i])), err)
		}
		if err := hensRefusal(h.p, h.with[i]); err != nil && !c.Has("ways") {
			c.AddError("ways", err)
		}
	}
}

// checkHeads refuses a day on which a stand has no heads to be taken off, or none with seed in them any more.
func (h *holdAsk) checkHeads(c *say.Checklist, day calendar.Date) {
	forecast, _ := h.s.ForecastOn(h.p, day)
	const hardlyAny = 0.02
	switch name := say.Capital(h.p.Species.Names.Name); {
	case forecast == nil:
		c.Add("beheadOn", "%s does not live to see that day.", name)
	case forecast.PassedBy(flora.FirstFlower, day) < hardlyAny:
		c.Add("beheadOn", "%s has no heads yet on %s: nothing of it is in flower.", name, day.DayMonth())
	case forecast.PassedBy(flora.Ripe, day) > 1-hardlyAny:
		c.Add("beheadOn", "By %s all of its seed has fallen.", day.DayMonth())
	}
}

// readLine reads the grower's line.
func readLine(c *say.Checklist, line float64) {
	if !(line > 0 && line < 1) {
		c.Add("line", "The chance lies between 0 and 1: 0.05 is 1 in 20.")
	}
}

// hensRefusal is why hens are not let in to a planting; nil where they may be.
func hensRefusal(p *plot.Planting, control spread.Control) error {
	if control.Way == spread.Hens && p.Species.Household.Hens == "harmful" {
		return fmt.Errorf("%s harms hens: %s", p.Species.Names.Name, say.LowerFirst(p.Species.Household.HensWhy))
	}
	return nil
}

// targetsOf are what a stand may be kept from: its own edge first.
func (r *reckoning) targetsOf(one *stand) []target {
	all := []target{{Target: one.Outside(), Key: edgeKey, Where: "past its bed's edge"}}
	for _, t := range r.ground.targets {
		if t.BedID != one.planting.BedID {
			all = append(all, t)
		}
	}
	return all
}

// depthCm is how deep a board would have to go for a stand: as deep as any of its kind is held by.
func depthCm(one *stand) float64 {
	depth := 0.0
	for _, f := range one.Fronts {
		if f.Barrier != nil {
			depth = math.Max(depth, f.Barrier.High)
		}
	}
	if depth == 0 {
		return 60 // any: it is refused, since none is on record
	}
	return depth
}

func (h *holdAsk) view() HoldView {
	s, p := h.s, h.p
	hens := keeps(s, "hens") && hensRefusal(p, spread.Control{Way: spread.Hens}) == nil
	depth := depthCm(h.one)
	v := HoldView{
		PlantingID: p.ID, SpeciesID: p.SpeciesID, Name: p.Species.Names.Name, Bed: p.Bed.Name, Targets: []HoldTarget{},
		Target: h.target.Key, Where: h.target.Where, Line: h.line, Options: []HoldOption{}, Refused: []HoldRefused{},
		DepthCm: depth, Depth: s.Units.GroundLength(depth / 100), BeheadOn: h.beheadOn, Deadline: h.deadline,
		Riddance: p.Species.Hold.Rid, ThrowAway: p.Species.Hold.ThrowAway, Notes: h.notes(), Hens: keeps(s, "hens"),
		State: h.r.stateWords(h.one, h.one.Reached(h.one.Outside(), nil)), Roots: rootWords(s, p), Since: s.Today,
	}
	for _, t := range h.targets {
		v.Targets = append(v.Targets, HoldTarget{t.Key, t.Where})
	}
	outcomes := h.one.Compare(h.target.Target, h.fallen, depth, hens)
	h.there = outcomes[0].Out.By(0) >= 0.5
	v.There = h.there
	v.Options = make([]HoldOption, len(outcomes))
	parallel.Each(len(outcomes), func(i int) { v.Options[i] = h.option(outcomes[i]) })
	v.Refused = h.refused(hens)
	if least, found := h.one.LeastWork(h.target.Target, h.line, h.fallen, depth, hens, true, h.there); found {
		v.Least = new(h.option(least))
	} else {
		v.NoLeast = fmt.Sprintf("No way that keeps the stand keeps it so sure. Dig it out, or draw the line higher than %s.", say.Chance(h.line))
	}
	if h.tries {
		v.Tried = new(h.option(h.one.Hold(h.target.Target, h.with)))
	}
	held, ways, has := s.HoldOf(p.ID)
	v.Version = say.VersionOf(held)
	if has {
		v.Policy = held.Policy
		if since, err := calendar.Parse(held.Since); err == nil {
			v.Since = since
		}
		v.Chosen = new(h.option(h.one.Hold(h.target.Target, ways)))
	}
	return v
}

// option is one plan as it is shown.
func (h *holdAsk) option(o spread.Outcome) HoldOption {
	out := o.Chance(h.there)
	v := HoldOption{
		Ways: writeWays(o.Plan), Words: planWords(o.Plan), Hours: say.Round2(o.HoursAYear()), Work: workNeeded(o.Work),
		Money: h.money(
			o.Work,
		), Out: say.Round2(out), OutWords: say.Chance(out), ByYear: byYear(o.Out), UnderLine: out < h.line,
		Jobs: []HoldJob{},
	}
	if o.Seeds {
		v.Bank = fmt.Sprintf("%s seeds (%s to %s)", roundly(o.BankP50), roundly(o.BankP10), roundly(o.BankP90))
	}
	switch {
	case o.Lives < 0.005:
		v.Lives = "the stand is gone"
	case o.Lives < 0.95:
		v.Lives = "the stand lives on " + say.Chance(o.Lives)
	}
	for _, job := range holdJobs(h.s, h.r.clock, h.p, o.Plan, h.one.of) {
		v.Jobs = append(v.Jobs, HoldJob{
			What: job.verb + " " + job.what, Days: daysOf(h.s, job), Work: say.MinutesWords(job.minutes),
			Missed: h.missedWords(o, job, out),
		})
	}
	return v
}

// missedWords say what happens if a piece of work is missed in the first year.
func (h *holdAsk) missedWords(o spread.Outcome, job holdJob, out float64) string {
	late := append(spread.Plan{}, o.Plan...)
	for i := range late {
		if late[i].Way == job.way {
			late[i].Missed = true
		}
	}
	missed := h.one.Hold(h.target.Target, late)
	if than := missed.Chance(h.there); than > out+0.005 {
		return fmt.Sprintf("missed in the first year: %s instead of %s", say.Chance(than), say.Chance(out))
	}
	if missed.Seeds && missed.BankP50 > 1.1*o.BankP50+1 {
		return fmt.Sprintf(
			"missed in the first year: %s seeds in the ground instead of %s",
			roundly(missed.BankP50),
			roundly(o.BankP50),
		)
	}
	return "missed once, little changes"
}

// workNeeded says what work a plan takes.
func workNeeded(w spread.Work) string {
	var words []string
	if w.FirstMinutes > 0 {
		words = append(words, say.MinutesWords(w.FirstMinutes)+" once")
	}
	if w.YearMinutes > 0 {
		words = append(words, say.MinutesWords(w.YearMinutes)+" a year")
	}
	if len(words) == 0 {
		return "no work"
	}
	return strings.Join(words, ", ")
}

// money says what a plan costs by the grower's own prices.
func (h *holdAsk) money(w spread.Work) string {
	settings := settingsOf(h.s)
	sum, priced := 0.0, true
	var unpriced []string
	add := func(amount float64, price *float64, what string) {
		switch {
		case amount == 0:
		case price == nil:
			priced = false
			unpriced = append(unpriced, what)
		default:
			sum += amount * *price
		}
	}
	add(w.BoardM, settings.BoardPrice, h.s.Units.GroundLength(w.BoardM)+" of board")
	add(w.SheetM2, settings.SheetPrice, h.s.Units.Area(w.SheetM2)+" of sheet")
	add(float64(w.Pots), settings.PotPrice, say.Counted(float64(w.Pots), "pot", "pots"))
	switch {
	case !priced && sum == 0:
		return say.Joined(unpriced) + "; price not told"
	case !priced:
		return say.Money(sum, settings.Currency) + " and " + say.Joined(unpriced) + "; price not told"
	case sum == 0:
		return "no money"
	}
	return say.Money(sum, settings.Currency)
}

// refused are the ways that do not go for the stand.
func (h *holdAsk) refused(hens bool) []HoldRefused {
	all := []HoldRefused{}
	for _, way := range spread.Ways() {
		control := spread.Control{Way: way}
		why := h.one.Refusal(control)
		if why == nil {
			why = hensRefusal(h.p, control)
		}
		if why == nil && way == spread.Hens && !hens {
			all = append(all, HoldRefused{"hens", "No hens are kept, by the settings of this page."})
			continue
		}
		if why != nil {
			all = append(all, HoldRefused{string(way), say.Sentence(why.Error())})
		}
	}
	return all
}

// notes say what is not on record, and what was assumed for it.
func (h *holdAsk) notes() []string {
	notes := []string{}
	if _, known := spread.Regrows(h.p.Species); !known && len(h.one.Fronts) > 0 {
		notes = append(notes, "How much of its roots grows again is not on record: every piece is taken to.")
	}
	for _, f := range h.one.Fronts {
		if f.Barrier == nil && !f.OverGround() {
			notes = append(notes, fmt.Sprintf("What depth holds its %s is not on record: no board is taken to.", f.By))
		}
		if f.OverGround() {
			notes = append(notes, fmt.Sprintf("Its %s go over the ground: no board holds them.", f.By))
		}
	}
	if spread.SeedWay(h.p.Species) == nil {
		notes = append(notes, "Its seed is not on record, or it sets none: only what runs is reckoned.")
	}
	return notes
}

// rootWords say how many digs it takes to be rid of a kind.
func rootWords(s *plot.State, p *plot.Planting) string {
	regrows, known := spread.Regrows(p.Species)
	if !known {
		return "How many digs it takes is not on record."
	}
	missed := s.Lib.Spread().Hold.DigMissed
	const sure = 0.9
	digs, err := spread.DigsNeeded(spread.LeavesPiece(missed.Value, regrows.Value), sure)
	if err != nil {
		return ""
	}
	return fmt.Sprintf("Of pieces left in the ground %.0f %% grow again (%s): %s to be rid of it with 9 in 10.",
		100*regrows.Value, regrows.Standing, say.Counted(float64(digs), "thorough dig", "thorough digs"))
}

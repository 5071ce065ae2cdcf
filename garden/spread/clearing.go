package spread

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// AfterView is each bed after its crop: what animals may clear, and what comes then.
type AfterView struct {
	Today   calendar.Date `json:"today"`
	Animals []string      `json:"animals" doc:"Those that are kept; empty for none"`
	Beds    []AfterBed    `json:"beds"`
	Caution string        `json:"caution"`
}

// AfterBed is one bed after its crop.
type AfterBed struct {
	BedID int64         `json:"bedId"`
	Bed   string        `json:"bed"`
	Free  string        `json:"free" doc:"When its last picking is over"`
	From  calendar.Date `json:"from" doc:"The first day on which animals may be let in"`
	// Fence are what stays and has to be fenced, Harms what harms them, Clears what they eat, Leaves what they leave.
	Fence  []AfterLine `json:"fence"`
	Harms  []AfterLine `json:"harms"`
	Clears []AfterLine `json:"clears"`
	Leaves []AfterLine `json:"leaves"`
	// Days are for how many days so many animals clear it.
	Days    []AfterDays `json:"days"`
	Steps   []string    `json:"steps" doc:"The order of use"`
	Plan    *AfterPlan  `json:"plan,omitempty"`
	Refused string      `json:"refused" doc:"Why no animal is let in; empty where one may be"`
}

// AfterLine is a plant with what animals make of it.
type AfterLine struct {
	PlantingID int64  `json:"plantingId"`
	Name       string `json:"name"`
	Words      string `json:"words"`
}

// AfterDays is for how many days an animal clears a bed.
type AfterDays struct {
	Animal string `json:"animal"`
	Words  string `json:"words"`
}

// AfterPlan is what was planned for a bed.
type AfterPlan struct {
	ID     int64         `json:"id"`
	Words  string        `json:"words"`
	Day    calendar.Date `json:"day"`
	Until  calendar.Date `json:"until"`
	Animal string        `json:"animal"`
	Head   int           `json:"head"`
	Then   string        `json:"then"`
}

// AfterCrop shows each bed after its crop.
func (u *Uses) AfterCrop(ctx context.Context) (AfterView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return AfterView{}, err
	}
	lore := s.Lib.Spread().Clear
	v := AfterView{Today: s.Today, Animals: []string{}, Beds: []AfterBed{}, Caution: fmt.Sprintf(
		"After fresh droppings nothing that touches the soil is eaten raw for %.0f days, nothing else for %.0f (%s). Wash what is picked "+
			"beside them. What is on record is of hens; ducks are taken to be like them. Alkaloids and drugs that hens eat go into their eggs: what is not known is fenced.",
		lore.Raw.Value,
		lore.Near.Value,
		lore.Raw.Standing,
	)}
	for _, animal := range animals {
		if keeps(s, animal) {
			v.Animals = append(v.Animals, animal)
		}
	}
	for _, bed := range s.Beds {
		v.Beds = append(v.Beds, afterBed(s, bed, v.Animals))
	}
	return v, nil
}

// staysOn tells whether a planting stands on after its crop: what lives on does.
func staysOn(p *plot.Planting) bool {
	if _, err := p.Species.YearOfLifeRules(p.Year + 1); err != nil {
		return false
	}
	return p.Species.Life.Form != flora.Annual
}

func afterBed(s *plot.State, bed store.Bed, kept []string) AfterBed {
	v := AfterBed{
		BedID: bed.ID, Bed: bed.Name, From: s.Today, Fence: []AfterLine{}, Harms: []AfterLine{}, Clears: []AfterLine{},
		Leaves: []AfterLine{}, Days: []AfterDays{}, Steps: []string{},
	}
	here := s.StandingIn(bed.ID)
	last := ""
	for _, p := range here {
		if p.Aside {
			continue
		}
		// What stays is fenced, so that it need not be waited for.
		if end, words := cropEnds(s, p); words != "" && end >= v.From && (!staysOn(p) || s.IsToGo(p.ID)) {
			v.From, last = end.AddDays(1), words
		}
		v.sort(s, p)
	}
	v.Free = "Free today: nothing in it waits to be picked that would not be fenced."
	if last != "" {
		v.Free = fmt.Sprintf("Free from %s on: %s.", v.From.DayMonth(), last)
	}
	v.addDays(s, bed, kept)
	v.addSteps(here)
	for _, row := range clearings.Of(s) {
		if row.BedID == bed.ID && row.EndedOn == nil {
			plan := planOf(s, row)
			v.Plan = &plan
		}
	}
	return v
}

// cropEnds is the last day on which something of a planting is likely picked this season, and what.
func cropEnds(s *plot.State, p *plot.Planting) (last calendar.Date, words string) {
	for _, span := range s.Spans(p) {
		if span.Last >= s.Today && span.First <= s.Season.End && min(span.Last, s.Season.End) >= last {
			last = min(span.Last, s.Season.End)
			words = fmt.Sprintf("then %s %s is over", p.Species.Names.Name, span.Window.Part.Name)
		}
	}
	return last, words
}

// sort puts a planting where it belongs: what harms animals, what stays, what they eat, what they leave.
func (v *AfterBed) sort(s *plot.State, p *plot.Planting) {
	line := AfterLine{p.ID, p.Species.Names.Name, say.Sentence(p.Species.Household.HensWhy)}
	switch hens := p.Species.Household.Hens; {
	case hens == "harmful" || flora.IsDangerous(p.Species.Identity.Danger):
		v.Harms = append(v.Harms, line)
	case staysOn(p) && !s.IsToGo(p.ID):
		line.Words = "It stays. " + line.Words
		v.Fence = append(v.Fence, line)
	case hens == "not known":
		line.Words = "Not on record whether it harms them: fenced, or lifted first."
		v.Harms = append(v.Harms, line)
	case hens == "eaten" || hens == "a little":
		v.Clears = append(v.Clears, line)
	default:
		v.Leaves = append(v.Leaves, line)
	}
}

// usualHead is for how many animals the days are told.
const usualHead = 4

func (v *AfterBed) addDays(s *plot.State, bed store.Bed, kept []string) {
	lore := s.Lib.Spread().Clear
	if bed.Unsafe != "" {
		v.Refused = fmt.Sprintf(
			"%s is unsafe ground (%s): what animals eat there goes into eggs and meat.",
			bed.Name,
			bed.Unsafe,
		)
	}
	for _, animal := range kept {
		rate := lore.Hen
		if animal == "ducks" {
			rate = lore.Duck
		}
		days := func(a float64) float64 { return math.Max(1, math.Ceil(s.AreaM2(bed.ID)/(usualHead*a))) }
		v.Days = append(v.Days, AfterDays{animal, fmt.Sprintf("%d %s: about %.0f days (%.0f to %.0f, %s)",
			usualHead, animal, days(rate.Value), days(rate.High), days(rate.Low), rate.Standing)})
	}
}

// addSteps say the order of use.
func (v *AfterBed) addSteps(here []*plot.Planting) {
	if len(here) > 0 {
		v.Steps = append(v.Steps, "Take the crop, and what is to be kept of it.")
	}
	if len(v.Harms) > 0 {
		v.Steps = append(v.Steps, "Lift or fence what may harm them: "+namesOf(v.Harms)+".")
	}
	if len(v.Fence) > 0 {
		v.Steps = append(v.Steps, "Fence what stays: "+namesOf(v.Fence)+".")
	}
	v.Steps = append(v.Steps, "Let them in, with water and shade; out again before the ground is bare and hard.")
	if len(v.Leaves) > 0 {
		v.Steps = append(v.Steps, "Lift what they leave: "+namesOf(v.Leaves)+".")
	}
	v.Steps = append(v.Steps, "Mulch a hand deep, or rake and sow what is cooked or picked late.")
}

func namesOf(lines []AfterLine) string {
	var names []string
	for _, line := range lines {
		names = append(names, line.Name)
	}
	return say.Joined(say.Distinct(names))
}

func planOf(s *plot.State, row store.Clearing) AfterPlan {
	day := dayOrToday(row.Day, s.Today)
	until := day.AddDays(int(row.Days))
	return AfterPlan{
		ID: row.ID, Day: day, Until: until, Animal: row.Animal, Head: int(row.Head), Then: row.ThenDo,
		Words: fmt.Sprintf(
			"%d %s from %s to %s, then %s.",
			row.Head,
			row.Animal,
			day.DayMonth(),
			until.DayMonthYear(),
			thenWords(row.ThenDo),
		),
	}
}

// What comes after the animals.
var thens = []string{"mulch", "sow", "rest"}

func thenWords(then string) string {
	switch then {
	case "sow":
		return "rake and sow"
	case "rest":
		return "leave it to rest"
	}
	return "mulch it"
}

// ClearingInput plans animals for a bed.
type ClearingInput struct {
	BedID  int64  `json:"bedId"`
	Animal string `json:"animal" enum:"hens,ducks"`
	Head   int    `json:"head"`
	Day    string `json:"day"`
	Days   int    `json:"days"`
	Then   string `json:"then" enum:"mulch,sow,rest"`
	Note   string `json:"note,omitempty"`
	// Affirmed is that everything which harms them or stays will be fenced or lifted.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// The bounds of a clearing.
const (
	mostHead, mostDays = 500, 120
	// mostAhead is for how many days ahead animals are planned.
	mostAhead = 2 * 366
	askFenced = "fenced"
)

// PlanClearing plans animals that clear a bed after its crop, and what comes then: their jobs come in their time.
func (u *Uses) PlanClearing(ctx context.Context, in ClearingInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutClearingParams{
			BedID: in.BedID, Animal: in.Animal, Head: int64(in.Head), Day: in.Day, Days: int64(in.Days), ThenDo: in.Then,
			Note: c.Text("note", in.Note, say.LongestNote),
		}
		bed, err := input.StandingBed(s, in.BedID)
		if err != nil {
			c.Add("bedId", "Choose a bed that is on the plan.")
		}
		if !slices.Contains(animals, in.Animal) {
			c.Add("animal", "Hens and ducks are known here.")
		} else if !keeps(s, in.Animal) {
			c.Add("animal", "No %s are kept, by what is set under Hold it.", in.Animal)
		}
		if in.Head < 1 || in.Head > mostHead {
			c.Add("head", "From 1 to %d.", mostHead)
		}
		if in.Days < 1 || in.Days > mostDays {
			c.Add("days", "From 1 to %d days.", mostDays)
		}
		if !slices.Contains(thens, in.Then) {
			c.Add("then", "Say whether it is mulched, sown or left to rest.")
		}
		day, err := calendar.Parse(in.Day)
		switch {
		case err != nil:
			c.Add("day", "This is not a whole day. Type one like 27 May 2031.")
		case day < s.Today:
			c.Add("day", "%s is past.", day.DayMonthYear())
		case day.DaysSince(s.Today) > mostAhead:
			c.Add("day", "That is more than two years ahead: what stands there then is not known.")
		}
		if bed.ID != 0 {
			askBeforeClearing(s, &c, bed, day, in)
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err = clearingsTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: kindSpread, Bed: &in.BedID, Summary: fmt.Sprintf("%d %s are to clear %s from %s, for %s",
			in.Head, in.Animal, bed.Name, day.DayMonth(), say.Counted(float64(in.Days), "day", "days"))}, err
	})
}

func askBeforeClearing(s *plot.State, c *say.Checklist, bed store.Bed, day calendar.Date, in ClearingInput) {
	after := afterBed(s, bed, nil)
	if after.Refused != "" {
		c.Add("bedId", "%s", after.Refused)
		return
	}
	if day != 0 && day < after.From && !c.Has("day") {
		c.Add("day", "%s Before that they would take the crop.", after.Free)
	}
	if len(after.Harms)+len(after.Fence) > 0 {
		c.Ask(
			"bedId",
			askFenced,
			in.Affirmed,
			"Some of what stands there harms them or stays: %s. Will all of it be fenced or lifted first?",
			namesOf(append(slices.Clone(after.Harms), after.Fence...)),
		)
	}
}

// EndClearing takes a clearing off the plan: it is over, or was put off.
func (u *Uses) EndClearing(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range clearings.Of(s) {
			if row.ID != id || row.EndedOn != nil {
				continue
			}
			today := s.Today.String()
			_, err := clearingsTable.Put(ctx, d, id, store.PutClearingParams{
				ID: &row.ID, BedID: row.BedID, Animal: row.Animal, Head: row.Head, Day: row.Day, Days: row.Days, ThenDo: row.ThenDo,
				Note: row.Note, EndedOn: &today,
			})
			return journal.Record{
				Kind:    kindSpread,
				Bed:     &row.BedID,
				Summary: fmt.Sprintf("%s in %s: over", say.Capital(row.Animal), s.BedByID[row.BedID].Name),
			}, err
		}
		return journal.Record{}, say.NotFoundError{What: "clearing"}
	})
}

// clearingJobs are the days on which animals are let into beds and out again.
func clearingJobs(s *plot.State, on calendar.Date) (all []area.Job) {
	if s.IsOther() {
		return nil
	}
	for _, row := range clearings.Of(s) {
		if row.EndedOn != nil {
			continue
		}
		plan, bed := planOf(s, row), s.BedByID[row.BedID]
		add := func(what, verb, words, reason string, first, last calendar.Date) {
			if last < on {
				return
			}
			key := fmt.Sprintf("spread:clearing:%d:%s", row.ID, what)
			j := area.Job{
				Job: agenda.Job{Key: key, First: first, Last: last, Minutes: clearingMinutes, Stake: holdStake, Bed: row.BedID},
			}
			j.View = area.JobView{
				Key: key, Kind: "spread", Verb: verb, What: words, Bed: bed.Name, BedID: row.BedID, Stage: flora.Resting, First: first, Last: last,
				Amount: say.MinutesWords(
					clearingMinutes,
				), Reason: reason, Deadline: say.DaysLeft(on, last), Minutes: clearingMinutes,
			}
			if on < first {
				j.View.Deadline = "from about " + first.DayMonth()
			}
			all = append(all, j)
		}
		add("in", "Let in", row.Animal, "What stays is fenced first, what harms them lifted.", plan.Day, plan.Day.AddDays(3))
		add(
			"out",
			"Take out",
			fmt.Sprintf("%s, and %s", row.Animal, thenWords(row.ThenDo)),
			"Before the ground is bare and hard.",
			plan.Until,
			plan.Until.AddDays(5),
		)
	}
	return all
}

// clearingMinutes is the work of a fence put round or taken down: a guess of ours.
const clearingMinutes = 20

package identity

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// CheckView is the identity check of a planting or a find: what was seen, what is
// owed, and what to look at next.
type CheckView struct {
	PlantingID int64                 `json:"plantingId" doc:"0 for a find"`
	FindID     int64                 `json:"findId" doc:"0 for a planting"`
	SpeciesID  string                `json:"speciesId"`
	Name       string                `json:"name"`
	Botanical  string                `json:"botanical"`
	Where      string                `json:"where"`
	State      string                `json:"state" enum:"unproven,sure,excluded"`
	Proof      string                `json:"proof" doc:"What the looks amount to, and what is owed"`
	Labelled   bool                  `json:"labelled"`
	Source     string                `json:"source"`
	Stage      flora.Stage           `json:"stage" doc:"Where it usually stands on the day"`
	By         string                `json:"by" doc:"Who the questions are for"`
	From       calendar.Date         `json:"from" doc:"The first day on which another look of theirs counts; the day itself where it counts now"`
	Showing    []string              `json:"showing" doc:"The characters that it can show on the day"`
	Questions  []view.CheckQuestion  `json:"questions" doc:"What this season shows, what excludes most danger first"`
	Known      []view.PlantCharacter `json:"known" doc:"All that it is known by, the musts first"`
	Later      []CheckLater          `json:"later" doc:"What shows another time"`
	Seen       []view.CheckSeen      `json:"seen"`
	Against    []view.CheckSeen      `json:"against" doc:"What contradicted"`
	Dangers    []CheckDanger         `json:"dangers" doc:"The look-alikes it names, and every other dangerous plant that is not ruled out yet"`
	OthersOut  int                   `json:"othersOut" doc:"How many further dangerous plants are ruled out"`
	Looks      []LookView            `json:"looks"`
	LooksOwed  int                   `json:"-"`
	People     []string              `json:"people" doc:"Who has looked before, or lives here"`
	Unproved   string                `json:"unproved" doc:"That the day shows too little to prove it, and against what; empty where it shows enough"`
	HeldBack   []string              `json:"heldBack" doc:"Pickings of it that are held back while it is not sure"`
	Today      calendar.Date         `json:"today"`
}

// CheckLater is a character that is owed and shows another time.
type CheckLater struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Must    bool     `json:"must"`
	Against []string `json:"against"`
	When    string   `json:"when"`
}

// CheckDanger is a dangerous plant with what has been seen against it.
type CheckDanger struct {
	ID        string   `json:"id" doc:"Its page in the library; empty for none"`
	Name      string   `json:"name"`
	Botanical string   `json:"botanical"`
	Danger    string   `json:"danger"`
	Listed    bool     `json:"listed"`
	RuledOut  bool     `json:"ruledOut"`
	Count     int      `json:"count" doc:"How many deciding characters were seen"`
	Needed    int      `json:"needed"`
	PlainOwed int      `json:"plainOwed" doc:"How many that are hard to misread are still wanted among them"`
	Untold    bool     `json:"untold" doc:"A character that decides could not be told, so it stays open"`
	Deciding  []string `json:"deciding" doc:"The names of the characters that decide and were not seen yet"`
}

// LookView is one visit's answers.
type LookView struct {
	ID      int64         `json:"id"`
	Day     calendar.Date `json:"day"`
	By      string        `json:"by"`
	Answers []LookAnswer  `json:"answers"`
	Photos  []string      `json:"photos"`
	Note    string        `json:"note"`
}

// LookAnswer is one answer of a look.
type LookAnswer struct {
	Name   string `json:"name"`
	Answer string `json:"answer"`
}

// Check returns the identity check of a planting on a day, with the questions for who
// looks: nobody named is who looked first, or lives here.
func (u *Uses) Check(ctx context.Context, plantingID int64, on calendar.Date, by string) (CheckView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return CheckView{}, err
	}
	p, has := s.ByID[plantingID]
	if !has {
		return CheckView{}, say.NotFoundError{What: "planting"}
	}
	forecast, _ := s.ForecastOn(p, on)
	v := viewCheck(s, p.Rules, s.Looks[plantingID], p.Labelled(), forecast, on, by)
	v.PlantingID, v.Where, v.Labelled, v.Source = plantingID, p.Bed.Name, p.Labelled(), p.IdentityNote
	if p.IdentityState != identity.Sure {
		for _, picking := range p.Pickings {
			v.HeldBack = append(v.HeldBack, view.PickingWords(s, p, picking))
		}
	}
	return v, nil
}

// tryCheck asks for the check of a planting.
func tryCheck(s *plot.State, p *plot.Planting, on calendar.Date) {
	forecast, _ := s.ForecastOn(p, on)
	viewCheck(s, p.Rules, s.Looks[p.ID], p.Labelled(), forecast, on, "")
}

// viewCheck works a check out. forecast is of the plant's season, nil for none.
func viewCheck(
	s *plot.State,
	rules *identity.Rules,
	looks []plot.Look,
	labelled bool,
	forecast *phenology.Forecast,
	on calendar.Date,
	by string,
) CheckView {
	species := rules.Species
	f := rules.Judge(plot.AsCore(looks), labelled)
	v := CheckView{
		SpeciesID: species.ID,
		Name:      species.Names.Name,
		Botanical: species.Names.Botanical,
		State:     string(f.State),
		LooksOwed: f.LooksOwed,
		Proof: view.ProofWords(
			s,
			rules,
			f,
			looks,
			labelled,
		),
		Questions: []view.CheckQuestion{},
		Known:     view.CharactersOf(rules),
		Later:     []CheckLater{},
		Showing:   []string{},
		Seen:      []view.CheckSeen{},
		Against:   []view.CheckSeen{},
		Dangers:   []CheckDanger{},
		Looks:     []LookView{},
		People:    view.Lookers(s, looks),
		HeldBack:  []string{},
		Today:     s.Today,
	}
	if forecast != nil {
		index, _ := forecast.StageOn(on)
		v.Stage = forecast.Stages[index]
	}
	if forecast != nil && f.State == identity.Unproven {
		if against := view.UndecidedWords(rules.Undecided(view.ToBeSeen(forecast, species, v.Stage))); against != "" {
			v.Unproved = fmt.Sprintf(
				"While it is %s, too little shows to prove it: fewer than %d characters tell it from %s. It is proved at another time of its year.",
				v.Stage, identity.EachAgainstDeadly, against,
			)
		}
	}
	shows, mayShow := view.ShowsOn(forecast, species, on), mayShowOn(forecast, species, on)
	for _, id := range identity.Sorted(shownSet(species)) {
		if character, _ := identity.CharacterOf(id); mayShow(character) {
			v.Showing = append(v.Showing, id)
		}
	}
	if v.By = by; by == "" && len(v.People) > 0 {
		v.By = v.People[0]
	}
	reading, from := rules.Reading(plot.AsCore(looks), v.By, labelled)
	if v.From = max(from, s.Today); f.State != identity.Excluded && from <= s.Today {
		for _, q := range rules.Questions(f, reading, shows) {
			v.Questions = append(v.Questions, view.ViewQuestion(s, rules, q))
		}
	}
	if f.State == identity.Unproven {
		later := func(c identity.Character) bool { return !shows(c) }
		for _, q := range rules.Questions(f, reading, later) {
			v.Later = append(
				v.Later,
				CheckLater{
					q.Character.ID,
					q.Character.Name,
					q.Must,
					view.NonNil(q.Against),
					showsWords(s, q.Character, forecast, on),
				},
			)
		}
	}
	for _, id := range identity.Sorted(f.Seen) {
		v.Seen = append(v.Seen, seenView(species, looks, id, identity.Seen))
	}
	for _, id := range f.ExcludedBy {
		v.Against = append(v.Against, seenView(species, looks, id, identity.NotSeen))
	}
	for _, d := range rules.Dangers {
		count := 0
		var left []string
		for _, id := range d.Deciding {
			character, _ := identity.CharacterOf(id)
			if f.Seen[id] {
				count++
			} else {
				left = append(left, character.Name)
			}
		}
		untold := slices.ContainsFunc(d.Deciding, func(id string) bool { return slices.Contains(f.Untold, id) })
		out := d.IsRuledOut(f.Seen) && !untold
		if out && !d.Listed {
			v.OthersOut++
			continue
		}
		v.Dangers = append(
			v.Dangers,
			CheckDanger{
				d.ID,
				d.Name,
				d.Botanical,
				d.Danger,
				d.Listed,
				out,
				min(count, identity.NeedApart),
				identity.NeedApart,
				d.PlainOwed(f.Seen),
				untold,
				view.NonNil(left),
			},
		)
	}
	for _, l := range slices.Backward(looks) {
		v.Looks = append(v.Looks, viewLook(l))
	}
	return v
}

// leastChanceToShow is the chance of a stage below which what it shows cannot be seen.
const leastChanceToShow = 0.02

// mayShowOn tells which characters a plant can show on a day: those of every stage that
// it may be at, or all without a forecast.
func mayShowOn(forecast *phenology.Forecast, species *flora.Species, on calendar.Date) func(identity.Character) bool {
	if forecast == nil {
		return func(identity.Character) bool { return true }
	}
	var may []flora.Stage
	for k, chance := range forecast.StageChances(on) {
		if chance >= leastChanceToShow {
			may = append(may, forecast.Stages[k])
		}
	}
	return func(c identity.Character) bool {
		return slices.ContainsFunc(
			may,
			func(stage flora.Stage) bool { return view.ToBeSeen(forecast, species, stage).Shows(c) },
		)
	}
}

// shownSet are the characters on record for a species.
func shownSet(species *flora.Species) map[string]bool {
	set := map[string]bool{}
	for id := range species.Identity.Shows {
		set[id] = true
	}
	return set
}

func viewLook(l plot.Look) LookView {
	v := LookView{
		ID:      l.Row.ID,
		Day:     l.Day,
		By:      l.By,
		Answers: []LookAnswer{},
		Photos:  view.NonNil(l.Photos),
		Note:    l.Row.Note,
	}
	for _, character := range identity.Vocabulary() {
		if answer, has := l.Answers[character.ID]; has {
			v.Answers = append(v.Answers, LookAnswer{character.Name, string(answer)})
		}
	}
	return v
}

func seenView(species *flora.Species, looks []plot.Look, id string, answer identity.Answer) view.CheckSeen {
	character, _ := identity.CharacterOf(id)
	var who []string
	for _, l := range looks {
		if l.Answers[id] == answer {
			who = append(who, fmt.Sprintf("%s, %s", l.By, l.Day.DayMonth()))
		}
	}
	return view.CheckSeen{
		ID:    id,
		Name:  character.Name,
		Shows: view.ViewStates(character, species.Identity.Shows[id]),
		Who:   strings.Join(who, "; "),
	}
}

// showsWords say when a character shows next.
func showsWords(s *plot.State, c identity.Character, forecast *phenology.Forecast, on calendar.Date) string {
	if forecast == nil {
		return "another season"
	}
	for k, stage := range forecast.Stages {
		if k > 0 && stage >= c.From && stage < c.Until {
			switch dates := forecast.Dates(k); {
			case !dates.Holds(0.5):
				return "perhaps not this year"
			case dates.P90 >= on:
				return strings.TrimPrefix("from "+say.ViewDates(dates).Text, "from from ")
			}
			return "next year"
		}
	}
	return "not in this year of its life"
}

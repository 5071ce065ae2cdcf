package garden

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
)

// CheckView is the identity check of a planting or a find: what was seen, what is
// owed, and what to look at next.
type CheckView struct {
	PlantingID int64            `json:"plantingId" doc:"0 for a find"`
	FindID     int64            `json:"findId" doc:"0 for a planting"`
	SpeciesID  string           `json:"speciesId"`
	Name       string           `json:"name"`
	Botanical  string           `json:"botanical"`
	Where      string           `json:"where"`
	State      string           `json:"state" enum:"unproven,sure,excluded"`
	Proof      string           `json:"proof" doc:"What the looks amount to, and what is owed"`
	Labelled   bool             `json:"labelled"`
	Source     string           `json:"source"`
	Stage      flora.Stage      `json:"stage" doc:"Where it usually stands on the day"`
	By         string           `json:"by" doc:"Who the questions are for"`
	From       calendar.Date    `json:"from" doc:"The first day on which another look of theirs counts; the day itself where it counts now"`
	Showing    []string         `json:"showing" doc:"The characters that it can show on the day"`
	Questions  []CheckQuestion  `json:"questions" doc:"What this season shows, what excludes most danger first"`
	Known      []PlantCharacter `json:"known" doc:"All that it is known by, the musts first"`
	Later      []CheckLater     `json:"later" doc:"What shows another time"`
	Seen       []CheckSeen      `json:"seen"`
	Against    []CheckSeen      `json:"against" doc:"What contradicted"`
	Dangers    []CheckDanger    `json:"dangers" doc:"The look-alikes it names, and every other dangerous plant that is not ruled out yet"`
	OthersOut  int              `json:"othersOut" doc:"How many further dangerous plants are ruled out"`
	Looks      []LookView       `json:"looks"`
	LooksOwed  int              `json:"looksOwed"`
	People     []string         `json:"people" doc:"Who has looked before, or lives here"`
	HeldBack   []string         `json:"heldBack" doc:"Pickings of it that are held back while it is not sure"`
	Today      calendar.Date    `json:"today"`
}

// StateView is one state of a character, which the front end draws.
type StateView struct {
	ID    string `json:"id"`
	Words string `json:"words"`
}

// CheckQuestion is one character to look at.
type CheckQuestion struct {
	ID      string       `json:"id"`
	Name    string       `json:"name"`
	Ask     string       `json:"ask"`
	How     string       `json:"how"`
	Must    bool         `json:"must"`
	Needed  bool         `json:"needed" doc:"False for one that stands in where another cannot be told"`
	Shows   []StateView  `json:"shows" doc:"What the plant itself shows, any of them"`
	Others  []OtherShows `json:"others" doc:"What the dangerous plants that it decides against show"`
	Against []string     `json:"against" doc:"The dangerous plants it decides against"`
}

// OtherShows is what other plants show in a character.
type OtherShows struct {
	Names  string      `json:"names"`
	Danger string      `json:"danger"`
	Shows  []StateView `json:"shows"`
}

// CheckLater is a character that is owed and shows another time.
type CheckLater struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Must    bool     `json:"must"`
	Against []string `json:"against"`
	When    string   `json:"when"`
}

// CheckSeen is a character that was seen, or seen otherwise.
type CheckSeen struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Shows []StateView `json:"shows"`
	Who   string      `json:"who" doc:"Who saw it on which days"`
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
func (g *Garden) Check(ctx context.Context, plantingID int64, on calendar.Date, by string) (CheckView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return CheckView{}, err
	}
	p, has := s.byID[plantingID]
	if !has {
		return CheckView{}, NotFoundError{"planting"}
	}
	forecast, _ := s.on(p, on)
	v := s.viewCheck(p.rules, s.looks[plantingID], p.labelled(), forecast, on, by)
	v.PlantingID, v.Where, v.Labelled, v.Source = plantingID, p.bed.Name, p.labelled(), p.IdentityNote
	if p.identity != identity.Sure {
		for _, picking := range p.pickings {
			v.HeldBack = append(v.HeldBack, s.pickingWords(p, picking))
		}
	}
	return v, nil
}

// tryCheck asks for the check of a planting.
func tryCheck(s *state, p *planting, on calendar.Date) {
	forecast, _ := s.on(p, on)
	s.viewCheck(p.rules, s.looks[p.ID], p.labelled(), forecast, on, "")
}

// viewCheck works a check out. forecast is of the plant's season, nil for none.
func (s *state) viewCheck(rules *identity.Rules, looks []look, labelled bool, forecast *phenology.Forecast, on calendar.Date, by string) CheckView {
	species := rules.Species
	f := rules.Judge(asCore(looks), labelled)
	v := CheckView{
		SpeciesID: species.ID, Name: species.Names.Name, Botanical: species.Names.Botanical, State: string(f.State), LooksOwed: f.LooksOwed,
		Proof: s.proofWords(rules, f, looks, labelled), Questions: []CheckQuestion{}, Known: charactersOf(species), Later: []CheckLater{}, Showing: []string{}, Seen: []CheckSeen{}, Against: []CheckSeen{},
		Dangers: []CheckDanger{}, Looks: []LookView{}, People: s.lookers(looks), HeldBack: []string{}, Today: s.today,
	}
	if forecast != nil {
		index, _ := forecast.StageOn(on)
		v.Stage = forecast.Stages[index]
	}
	shows, mayShow := showsOn(forecast, species, on), mayShowOn(forecast, species, on)
	for _, id := range identity.Sorted(shownSet(species)) {
		if character, _ := identity.CharacterOf(id); mayShow(character) {
			v.Showing = append(v.Showing, id)
		}
	}
	if v.By = by; by == "" && len(v.People) > 0 {
		v.By = v.People[0]
	}
	reading, from := rules.Reading(asCore(looks), v.By, labelled)
	if v.From = max(from, s.today); f.State != identity.Excluded && from <= s.today {
		for _, q := range rules.Questions(f, reading, shows) {
			v.Questions = append(v.Questions, s.viewQuestion(rules, q))
		}
	}
	if f.State == identity.Unproven {
		later := func(c identity.Character) bool { return !shows(c) }
		for _, q := range rules.Questions(f, reading, later) {
			v.Later = append(v.Later, CheckLater{q.Character.ID, q.Character.Name, q.Must, nonNil(q.Against), s.showsWords(q.Character, forecast, on)})
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
		out := count >= identity.NeedApart && !untold
		if out && !d.Listed {
			v.OthersOut++
			continue
		}
		v.Dangers = append(v.Dangers, CheckDanger{d.ID, d.Name, d.Botanical, d.Danger, d.Listed, out, min(count, identity.NeedApart), identity.NeedApart, untold, nonNil(left)})
	}
	for _, l := range slices.Backward(looks) {
		v.Looks = append(v.Looks, viewLook(l))
	}
	return v
}

// showsOn tells which characters a plant likely shows on a day: those of its likeliest
// stage, or all without a forecast.
func showsOn(forecast *phenology.Forecast, species *flora.Species, on calendar.Date) func(identity.Character) bool {
	if forecast == nil {
		return func(identity.Character) bool { return true }
	}
	index, _ := forecast.StageOn(on)
	return func(c identity.Character) bool {
		return identity.ShowsAt(c, forecast.Stages[index], species.Life.KeepsLeaf)
	}
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
		return slices.ContainsFunc(may, func(stage flora.Stage) bool { return identity.ShowsAt(c, stage, species.Life.KeepsLeaf) })
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

func viewLook(l look) LookView {
	v := LookView{ID: l.row.ID, Day: l.Day, By: l.By, Answers: []LookAnswer{}, Photos: nonNil(l.photos), Note: l.row.Note}
	for _, character := range identity.Vocabulary() {
		if answer, has := l.Answers[character.ID]; has {
			v.Answers = append(v.Answers, LookAnswer{character.Name, string(answer)})
		}
	}
	return v
}

func viewStates(c identity.Character, states flora.States) []StateView {
	views := []StateView{}
	for _, id := range states {
		if state, has := c.State(id); has {
			views = append(views, StateView{state.ID, state.Words})
		}
	}
	return views
}

// mostOthers is how many other plants a question is set against.
const mostOthers = 3

// viewQuestion is a question with what the plant shows and what the plants show that it
// decides against, those that the species names first, those alike put together.
func (s *state) viewQuestion(rules *identity.Rules, q identity.Question) CheckQuestion {
	v := CheckQuestion{
		ID: q.Character.ID, Name: q.Character.Name, Ask: q.Character.Ask, How: q.Character.How, Must: q.Must, Needed: q.Needed,
		Shows: viewStates(q.Character, rules.Species.Identity.Shows[q.Character.ID]), Others: []OtherShows{}, Against: nonNil(q.Against),
	}
	at := map[string]int{}
	for _, d := range rules.Dangers {
		if !slices.Contains(q.Against, d.Name) && !(d.Listed && slices.Contains(d.Deciding, q.Character.ID)) {
			continue
		}
		shows := viewStates(q.Character, s.showsOf(rules.Species, d)[q.Character.ID])
		slices.SortFunc(shows, func(a, b StateView) int { return cmp.Compare(a.ID, b.ID) })
		key := fmt.Sprint(d.Danger, shows) // what is named together is as dangerous
		if i, has := at[key]; has {
			other := &v.Others[i]
			if strings.Count(other.Names, ",") < mostOthers-1 {
				other.Names += ", " + d.Name
			}
			continue
		}
		if len(v.Others) < mostOthers && len(shows) > 0 {
			at[key] = len(v.Others)
			v.Others = append(v.Others, OtherShows{d.Name, d.Danger, shows})
		}
	}
	return v
}

// showsOf is what a dangerous plant shows: by its own page, or by the species that
// names it.
func (s *state) showsOf(species *flora.Species, d identity.Danger) flora.Shows {
	if other, has := s.lib.Species(d.ID); has {
		return other.Identity.Shows
	}
	for _, l := range species.LookAlikes {
		if l.Name == d.Name {
			return l.Shows
		}
	}
	return nil
}

func seenView(species *flora.Species, looks []look, id string, answer identity.Answer) CheckSeen {
	character, _ := identity.CharacterOf(id)
	var who []string
	for _, l := range looks {
		if l.Answers[id] == answer {
			who = append(who, fmt.Sprintf("%s, %s", l.By, l.Day.DayMonth()))
		}
	}
	return CheckSeen{id, character.Name, viewStates(character, species.Identity.Shows[id]), strings.Join(who, "; ")}
}

// showsWords say when a character shows next.
func (s *state) showsWords(c identity.Character, forecast *phenology.Forecast, on calendar.Date) string {
	if forecast == nil {
		return "another season"
	}
	for k, stage := range forecast.Stages {
		if k > 0 && stage >= c.From && stage < c.Until {
			switch dates := forecast.Dates(k); {
			case !dates.Holds(0.5):
				return "perhaps not this year"
			case dates.P90 >= on:
				return strings.TrimPrefix("from "+viewDates(dates).Text, "from from ")
			}
			return "next year"
		}
	}
	return "not in this year of its life"
}

// lookers are who lives here, and who has looked at a plant: each person once, however
// the name was typed.
func (s *state) lookers(looks []look) []string {
	names := []string{}
	add := func(name string) {
		if !slices.ContainsFunc(names, func(known string) bool { return spelling.SamePerson(known, name) }) {
			names = append(names, name)
		}
	}
	for _, person := range s.standingPeople() {
		if years, told := s.ageOf(person); !told || years >= flora.ChildUntil {
			add(person.Name)
		}
	}
	for _, l := range looks {
		add(l.By)
	}
	return names
}

// proofWords say what the looks at a plant amount to, and what is owed.
func (s *state) proofWords(rules *identity.Rules, f identity.Finding, looks []look, labelled bool) string {
	names := func(ids []string) string {
		var words []string
		for _, id := range ids {
			character, _ := identity.CharacterOf(id)
			words = append(words, character.Name)
		}
		return joined(words)
	}
	name := rules.Species.Names.Name
	switch f.State {
	case identity.Sure:
		if labelled {
			return fmt.Sprintf("Sure: it came labelled, %s agree, and every dangerous plant on record is ruled out.", counted(float64(len(f.Seen)), "character", "characters"))
		}
		return fmt.Sprintf("Sure: %s agree over %s, and every dangerous plant on record is ruled out.", counted(float64(len(f.Seen)), "character", "characters"), counted(float64(len(looks)), "look", "looks"))
	case identity.Excluded:
		return fmt.Sprintf("Not %s: %s contradicted. Nothing of it is for use. If that was misread, take the look back in the ledger.", name, names(f.ExcludedBy))
	}
	if len(rules.Musts) == 0 {
		return "This plant is not used, so there is nothing to prove."
	}
	var owed []string
	if len(f.MustsOwed) > 0 {
		which := ""
		if labelled {
			which = "two of "
		}
		owed = append(owed, "to be seen: "+which+names(f.MustsOwed))
	}
	if len(f.DangersOwed) > 0 {
		deadly := slices.MinFunc(f.DangersOwed, func(a, b identity.Danger) int {
			return cmp.Compare(slices.Index(flora.DangerWords, a.Danger), slices.Index(flora.DangerWords, b.Danger))
		})
		words := fmt.Sprintf("to be told apart from %s", deadly.Name)
		if more := len(f.DangersOwed) - 1; more > 0 {
			words += fmt.Sprintf(" and %d more", more)
		}
		owed = append(owed, words)
	}
	if len(f.Untold) > 0 {
		owed = append(owed, "not told yet, which leaves open what it decides: "+names(f.Untold))
	}
	switch {
	case f.LooksOwed > 1:
		owed = append(owed, fmt.Sprintf("%d whole looks, by two people or by one at least %d days apart", f.LooksOwed, identity.DaysApart))
	case f.LooksOwed == 1 && labelled:
		owed = append(owed, "one whole look")
	case f.LooksOwed == 1:
		owed = append(owed, fmt.Sprintf("one more whole look, by another person or at least %d days later", identity.DaysApart))
	}
	return "Unproven; still " + strings.Join(owed, "; ") + "."
}

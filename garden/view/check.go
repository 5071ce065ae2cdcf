package view

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

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
	Misread string       `json:"misread" enum:"plain,fair,easily" doc:"How easily it is misread"`
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

// CheckSeen is a character that was seen, or seen otherwise.
type CheckSeen struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Shows []StateView `json:"shows"`
	Who   string      `json:"who" doc:"Who saw it on which days"`
}

// ToBeSeen is what decides which characters are seen of a plant at a stage of its forecast.
func ToBeSeen(forecast *phenology.Forecast, species *flora.Species, stage flora.Stage) identity.Sight {
	sight := identity.SightOf(species, stage)
	sight.Seedling = forecast.Sown
	return sight
}

// UndecidedWords say against which deadly plants too little shows for a reading; empty for none.
func UndecidedWords(open []identity.Danger) string {
	if len(open) == 0 {
		return ""
	}
	words := open[0].Name
	if more := len(open) - 1; more > 0 {
		words += fmt.Sprintf(" and %d more", more)
	}
	return words
}

// ShowsOn tells which characters a plant likely shows on a day: those of its likeliest
// stage, or without a forecast all but a seedling's.
func ShowsOn(forecast *phenology.Forecast, species *flora.Species, on calendar.Date) func(identity.Character) bool {
	if forecast == nil {
		return func(c identity.Character) bool { return !c.Seedling }
	}
	index, _ := forecast.StageOn(on)
	return ToBeSeen(forecast, species, forecast.Stages[index]).Shows
}

// ViewStates shows states of a character.
func ViewStates(c identity.Character, states flora.States) []StateView {
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

// ViewQuestion is a question with what the plant shows and what the plants show that it
// decides against, those that the species names first, those alike put together.
func ViewQuestion(s *plot.State, rules *identity.Rules, q identity.Question) CheckQuestion {
	v := CheckQuestion{
		ID:      q.Character.ID,
		Name:    q.Character.Name,
		Ask:     q.Character.Ask,
		How:     q.Character.How,
		Misread: string(q.Character.Misread),
		Must:    q.Must,
		Needed:  q.Needed,
		Shows: ViewStates(
			q.Character,
			rules.Species.Identity.Shows[q.Character.ID],
		),
		Others:  []OtherShows{},
		Against: NonNil(q.Against),
	}
	at := map[string]int{}
	for _, d := range rules.Dangers {
		if !slices.Contains(q.Against, d.Name) && !(d.Listed && slices.Contains(d.Deciding, q.Character.ID)) {
			continue
		}
		shows := ViewStates(q.Character, showsOf(s, rules.Species, d)[q.Character.ID])
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
func showsOf(s *plot.State, species *flora.Species, d identity.Danger) flora.Shows {
	if other, has := s.Lib.Species(d.ID); has {
		return other.Identity.Shows
	}
	for _, l := range species.LookAlikes {
		if l.Name == d.Name {
			return l.Shows
		}
	}
	return nil
}

// Lookers are who lives here, and who has looked at a plant: each person once, however
// the name was typed.
func Lookers(s *plot.State, looks []plot.Look) []string {
	names := []string{}
	add := func(name string) {
		if !slices.ContainsFunc(names, func(known string) bool { return spelling.SamePerson(known, name) }) {
			names = append(names, name)
		}
	}
	for _, person := range s.StandingPeople() {
		if years, told := s.AgeOf(person); !told || years >= flora.ChildUntil {
			add(person.Name)
		}
	}
	for _, l := range looks {
		add(l.By)
	}
	return names
}

// ProofWords say what the looks at a plant amount to, and what is owed.
func ProofWords(s *plot.State, rules *identity.Rules, f identity.Finding, looks []plot.Look, labelled bool) string {
	names := func(ids []string) string {
		var words []string
		for _, id := range ids {
			character, _ := identity.CharacterOf(id)
			words = append(words, character.Name)
		}
		return say.Joined(words)
	}
	name := rules.Species.Names.Name
	switch f.State {
	case identity.Sure:
		if labelled {
			return fmt.Sprintf(
				"Sure: it came labelled, %s agree, and every dangerous plant on record is ruled out.",
				say.Counted(float64(len(f.Seen)), "character", "characters"),
			)
		}
		return fmt.Sprintf(
			"Sure: %s agree over %s, and every dangerous plant on record is ruled out.",
			say.Counted(float64(len(f.Seen)), "character", "characters"),
			say.Counted(float64(len(looks)), "look", "looks"),
		)
	case identity.Excluded:
		return fmt.Sprintf(
			"Not %s: %s contradicted. Nothing of it is for use. If that was misread, take the look back in the ledger.",
			name,
			names(f.ExcludedBy),
		)
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
		owed = append(
			owed,
			fmt.Sprintf("%d whole looks, by two people or by one at least %d days apart", f.LooksOwed, identity.DaysApart),
		)
	case f.LooksOwed == 1 && labelled:
		owed = append(owed, "one whole look")
	case f.LooksOwed == 1:
		owed = append(
			owed,
			fmt.Sprintf("one more whole look, by another person or at least %d days later", identity.DaysApart),
		)
	}
	return "Unproven; still " + strings.Join(owed, "; ") + "."
}

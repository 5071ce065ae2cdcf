package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/identity"
	"bramblyacre/store"
)

// What a picking is fit for.
const (
	// basketSort is one that is to be sorted again at the table.
	basketSort = "to sort"
	basketFit  = "fit for use"
	// basketHeld is one whose planting is not sure any more, or whose sorting found a
	// stranger.
	basketHeld = "held back"
)

// BasketView is a picking on its way from the basket to use.
type BasketView struct {
	PickingID  int64           `json:"pickingId"`
	PlantingID int64           `json:"plantingId"`
	SpeciesID  string          `json:"speciesId"`
	Name       string          `json:"name" doc:"Plant and part"`
	Words      string          `json:"words" doc:"How much, from where, when"`
	State      string          `json:"state" enum:"to sort,fit for use,held back"`
	Why        string          `json:"why"`
	Questions  []CheckQuestion `json:"questions" doc:"The second check at the table; empty where no dangerous look-alike is named"`
	Sorted     string          `json:"sorted" doc:"When and by whom it was sorted"`
	Made       []string        `json:"made"`
	MayMake    []string        `json:"mayMake" doc:"What may be made of it, by the verdict of its part"`
	Left       float64         `json:"left" doc:"What nothing was made of yet, in grams, fresh"`
	LeftWeight string          `json:"leftWeight" doc:"The same in words; empty where nothing is left"`
	Cautions   CautionsView    `json:"cautions"`
}

// Baskets returns this season's pickings, the newest first, with what each is fit for.
func (g *Garden) Baskets(ctx context.Context) ([]BasketView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return nil, err
	}
	type dated struct {
		day  string
		id   int64
		view BasketView
	}
	var all []dated
	for _, p := range s.all {
		for _, picking := range p.pickings {
			if day, err := calendar.Parse(picking.Day); err == nil && s.today.DaysSince(day) <= daysOfBasket {
				all = append(all, dated{picking.Day, picking.ID, s.viewBasket(p, picking)})
			}
		}
	}
	slices.SortFunc(all, func(a, b dated) int { return compareTexts(b.day, a.day, fmt.Sprint(b.id), fmt.Sprint(a.id)) })
	views := []BasketView{}
	for _, d := range all {
		views = append(views, d.view)
	}
	return views, nil
}

// daysOfBasket is how long a picking is shown as a basket.
const daysOfBasket = 400

func (s *state) viewBasket(p *planting, picking store.Picking) BasketView {
	v := BasketView{
		PickingID: picking.ID, PlantingID: p.ID, SpeciesID: p.SpeciesID, Name: capital(partOf(p.species.Names.Name, picking.Part)), Words: s.pickingWords(p, picking),
		Questions: []CheckQuestion{}, Made: []string{}, MayMake: []string{}, Cautions: s.cautionsOf(p.species, picking.Part, ""),
	}
	v.State, v.Why = s.basketState(p, picking)
	if sortings := s.sortings[picking.ID]; len(sortings) > 0 {
		last := sortings[len(sortings)-1]
		v.Sorted = "sorted by " + last.ByWhom + ", " + dayWords(last.Day)
	}
	if v.State == basketSort {
		for _, q := range tableQuestions(p, picking.Part) {
			v.Questions = append(v.Questions, s.viewQuestion(p.rules, q))
		}
	}
	for _, made := range s.makings[picking.ID] {
		words := made.Preparation + ", " + dayWords(made.Day)
		if made.Grams != nil {
			words = made.Preparation + ", " + s.units.Weight(*made.Grams) + ", " + dayWords(made.Day)
		}
		v.Made = append(v.Made, words)
	}
	if left := s.leftGrams(picking); left >= leastGrams {
		v.Left, v.LeftWeight = round1(left), s.units.Weight(left)
	}
	if part, has := p.species.Part(picking.Part); has {
		v.MayMake = part.Preparations()
	}
	return v
}

func dayWords(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonth()
}

// pickingWords say how much was picked, from where and when.
func (s *state) pickingWords(p *planting, picking store.Picking) string {
	amount := s.units.Weight(picking.Grams)
	if kept := s.keptGrams(picking); picking.Grams-kept >= leastGrams {
		amount = s.units.Weight(kept) + " left of " + amount
	}
	if part, has := p.species.Part(picking.Part); has && part.Harvest != nil {
		amount = counted(math.Max(1, math.Round(picking.Units)), part.Harvest.One, part.Harvest.Many) + ", " + amount
	}
	return fmt.Sprintf("%s, from %s, %s", amount, p.bed.Name, dayWords(picking.Day))
}

// basketState tells what a picking is fit for, and why.
func (s *state) basketState(p *planting, picking store.Picking) (state, why string) {
	for _, sorting := range s.sortings[picking.ID] {
		if answers, _ := answersOf(sorting.Answers); slices.Contains(answers, string(identity.NotSeen)) {
			return basketHeld, "At the table something in it was not " + p.species.Names.Name + ". None of it is for use."
		}
	}
	switch {
	case p.identity == identity.Excluded:
		return basketHeld, "A check contradicted what it was picked as. None of it is for use."
	case p.identity != identity.Sure:
		return basketHeld, "The planting is not sure. None of it is for use until it is."
	case p.ground != "":
		return basketHeld, p.unsafeWords()
	}
	for _, sorting := range s.sortings[picking.ID] {
		if len(tableQuestions(p, picking.Part)) == 0 || sortedAll(p, picking.Part, sorting) {
			return basketFit, ""
		}
	}
	if p.rules.NamesDanger() {
		return basketSort, "Sort it again at the table, piece by piece: it has dangerous look-alikes."
	}
	return basketSort, "Pick it over at the table: strangers, grit and spoilt pieces out."
}

func answersOf(text string) ([]string, map[string]string) {
	answers := map[string]string{}
	if json.Unmarshal([]byte(text), &answers) != nil {
		return nil, answers
	}
	var all []string
	for _, answer := range answers {
		all = append(all, answer)
	}
	return all, answers
}

// sortedAll tells whether a sorting saw every character that is asked for at the table.
func sortedAll(p *planting, part string, sorting store.Sorting) bool {
	_, answers := answersOf(sorting.Answers)
	for _, q := range tableQuestions(p, part) {
		if answers[q.Character.ID] != string(identity.Seen) {
			return false
		}
	}
	return true
}

func (s *state) picking(id int64) (*planting, store.Picking, error) {
	for _, p := range s.all {
		for _, picking := range p.pickings {
			if picking.ID == id {
				return p, picking, nil
			}
		}
	}
	return nil, store.Picking{}, NotFoundError{"picking"}
}

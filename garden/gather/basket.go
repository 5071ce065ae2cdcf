package gather

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// BasketView is a picking on its way from the basket to use.
type BasketView struct {
	PickingID  int64                `json:"pickingId"`
	PlantingID int64                `json:"plantingId"`
	SpeciesID  string               `json:"speciesId"`
	Part       string               `json:"part"`
	Name       string               `json:"name" doc:"Plant and part"`
	Words      string               `json:"words" doc:"How much, from where, when"`
	State      string               `json:"state" enum:"to sort,fit for use,held back"`
	Why        string               `json:"why"`
	Questions  []view.CheckQuestion `json:"questions" doc:"The second check at the table; empty where no dangerous look-alike is named"`
	Sorted     string               `json:"sorted" doc:"When and by whom it was sorted"`
	Made       []string             `json:"made"`
	FreshAs    []string             `json:"freshAs" doc:"What it may be used as fresh, by the verdict of its part"`
	Left       float64              `json:"left" doc:"What nothing was made of yet, in grams, fresh"`
	LeftWeight string               `json:"leftWeight" doc:"The same in words; empty where nothing is left"`
	Cautions   view.CautionsView    `json:"cautions"`
	Notes      string               `json:"notes" doc:"Where it was taken, what was left, in which weather"`
	Handling   []string             `json:"handling" doc:"What may be done with it at the table"`
	HensToo    bool                 `json:"hensToo" doc:"What is rejected may go to the hens"`
	ByMouth    bool                 `json:"byMouth" doc:"It may be taken by mouth"`
	First      []FirstTasteView     `json:"first" doc:"Who of the household was told to begin with a little, and who not yet"`
}

// Baskets returns this season's pickings, those first of which something is left and the newest of them first, with
// what each is fit for.
func (u *Uses) Baskets(ctx context.Context) ([]BasketView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	type dated struct {
		day  string
		id   int64
		view BasketView
	}
	var all []dated
	for _, p := range s.EverPlanted {
		for _, picking := range p.Pickings {
			if day, err := calendar.Parse(picking.Day); err == nil && s.Today.DaysSince(day) <= daysOfBasket {
				all = append(all, dated{picking.Day, picking.ID, viewBasket(s, p, picking)})
			}
		}
	}
	// What is wholly in the store comes last: nothing is left to do about it here.
	done := func(d dated) int {
		if d.view.State == view.BasketFit && d.view.Left == 0 && s.StoredOf(d.id) > 0 {
			return 1
		}
		return 0
	}
	slices.SortFunc(all, func(a, b dated) int {
		return cmp.Or(
			cmp.Compare(done(a), done(b)), say.CompareTexts(b.day, a.day, fmt.Sprint(b.id), fmt.Sprint(a.id)),
		)
	})
	views := []BasketView{}
	for _, d := range all {
		views = append(views, d.view)
	}
	return views, nil
}

// daysOfBasket is how long a picking is shown as a basket.
const daysOfBasket = 400

func viewBasket(s *plot.State, p *plot.Planting, picking store.Picking) BasketView {
	v := BasketView{
		PickingID:  picking.ID,
		PlantingID: p.ID,
		SpeciesID:  p.SpeciesID,
		Part:       picking.Part,
		Name:       say.Capital(say.PartOf(p.Species.Names.Name, picking.Part)),
		Words:      view.PickingWords(s, p, picking),
		Questions:  []view.CheckQuestion{},
		Made:       []string{},
		FreshAs:    []string{},
		Cautions:   view.CautionsOf(s, p.Species, picking.Part, ""),
	}
	v.State, v.Why = view.BasketState(s, p, picking)
	if sortings := s.Sortings[picking.ID]; len(sortings) > 0 {
		last := sortings[len(sortings)-1]
		v.Sorted = "sorted by " + last.ByWhom + ", " + view.DayWords(last.Day)
		if last.Handling != "" {
			v.Sorted += ", " + strings.ReplaceAll(last.Handling, ",", ", ")
		}
		if last.Rejected > 0 {
			v.Sorted += fmt.Sprintf(", %s to the %s", s.Units.Weight(last.Rejected), cmp.Or(last.RejectedTo, "compost"))
		}
	}
	if v.State == view.BasketToSort {
		for _, q := range view.TableQuestions(p, picking.Part) {
			v.Questions = append(v.Questions, view.ViewQuestion(s, p.Rules, q))
		}
	}
	for _, made := range s.Makings[picking.ID] {
		words := made.Preparation + ", " + view.DayWords(made.Day)
		if made.Grams != nil {
			words = made.Preparation + ", " + s.Units.Weight(*made.Grams) + ", " + view.DayWords(made.Day)
		}
		v.Made = append(v.Made, words)
	}
	if stored := s.StoredOf(picking.ID); stored >= view.LeastGrams {
		v.Words += ", " + s.Units.Weight(stored) + " of it in the store"
	}
	if left := s.LeftGrams(picking); left >= view.LeastGrams {
		v.Left, v.LeftWeight = say.Round1(left), s.Units.Weight(left)
	}
	if part, has := p.Species.Part(picking.Part); has {
		v.FreshAs = part.UsedFresh()
		v.ByMouth, v.First = byMouth(part), firstTastesOf(s, p.SpeciesID, part.Name)
	}
	v.Handling, v.HensToo = handlings, !p.Rules.NamesDanger()
	v.Notes = pickedWords(picking)
	return v
}

func picking(s *plot.State, id int64) (*plot.Planting, store.Picking, error) {
	picked, has := s.PickingByID(id)
	if !has {
		return nil, store.Picking{}, say.NotFoundError{What: "picking"}
	}
	return picked.Planting, picked.Picking, nil
}

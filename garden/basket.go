package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
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
		v.Made = append(v.Made, made.Preparation+", "+dayWords(made.Day))
	}
	if part, has := p.species.Part(picking.Part); has {
		v.MayMake = preparationsOf(part)
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
	if part, has := p.species.Part(picking.Part); has && part.Harvest != nil {
		amount = counted(picking.Units, part.Harvest.One, part.Harvest.Many) + ", " + amount
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

// tableCharacters are the characters that a picked part of each kind still shows on the
// table.
var tableCharacters = map[string][]string{
	"leaf": {"smell", "leaf-base", "leaf-veins", "leaf-surface", "leaf-underside", "leaf-build", "leaf-shape", "leaf-margin", "leaf-tip", "sap"},
	"root": {"root-form", "root-inside", "smell", "sap"},
	"stem": {"stem-section", "stem-fill", "stem-mark", "stem-surface", "hair-place", "smell", "sap"},
	"top": {
		"smell", "flower-form", "flower-parts", "flower-colour", "flower-group", "leaf-order", "leaf-build", "leaf-surface", "leaf-shape", "stem-section", "stem-fill", "stem-surface",
		"leaf-margin", "leaf-underside", "leaf-joint", "sap", "whorl-count", "bracts", "hair-place",
	},
	"flower": {"flower-form", "flower-parts", "flower-colour", "bracts", "flower-group"},
	"fruit":  {"fruit", "fruit-colour"},
	"pad":    {"leaf-build", "sap", "stem-surface"},
}

// tableKind puts the other kinds of parts with one of those.
var tableKind = map[string]string{"shoot": "top", "whole": "top", "rhizome": "root", "bulb": "root", "seed": "fruit", "pod": "fruit", "bark": "stem"}

// tableQuestions are the questions of the second check of a picked part: for each
// dangerous look-alike that is named one that the part still shows. One that the part
// shows nothing of was ruled out at the plant.
func tableQuestions(p *planting, partName string) []identity.Question {
	part, has := p.species.Part(partName)
	if !has {
		return nil
	}
	kind := part.Kind
	if other, has := tableKind[kind]; has {
		kind = other
	}
	return p.rules.TableQuestions(func(c identity.Character) bool { return slices.Contains(tableCharacters[kind], c.ID) })
}

// preparationsOf are what may be made of a part by its verdicts. What is for outside
// only is never made into something to swallow.
func preparationsOf(part flora.Part) []string {
	may := []string{}
	for _, made := range flora.PreparationWords {
		ok := false
		for _, verdict := range part.Verdicts {
			switch verdict {
			case flora.EatenRaw, flora.EatenCooked:
				ok = ok || made == "food"
			case flora.Preparation:
				ok = ok || made != "food"
			case flora.OutsideOnly:
				ok = ok || made == "salve" || made == "bath"
			}
		}
		if ok {
			may = append(may, made)
		}
	}
	return may
}

// SortingInput is a picking sorted again at the table.
type SortingInput struct {
	By       string            `json:"by"`
	Answers  map[string]string `json:"answers" doc:"seen, not seen or cannot tell, by the characters asked for"`
	Rejected float64           `json:"rejected,omitempty" doc:"How much went to the compost, in grams"`
	Note     string            `json:"note,omitempty"`
}

// SortPicking notes that a picking was sorted again at the table.
func (g *Garden) SortPicking(ctx context.Context, pickingID int64, in SortingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, picking, err := s.picking(pickingID)
		if err != nil {
			return record{}, err
		}
		if state, why := s.basketState(p, picking); state == basketHeld {
			return record{}, ConflictError{why}
		}
		var c checklist
		row := store.PutSortingParams{PickingID: pickingID, Day: s.today.String(), ByWhom: c.text("by", in.By, longestName), Rejected: in.Rejected, Note: c.text("note", in.Note, longestNote)}
		if row.ByWhom == "" {
			c.add("by", "Say who sorted it.")
		}
		if in.Rejected < 0 || in.Rejected > picking.Grams*1.5 {
			c.add("rejected", "No more can be rejected than was picked.")
		}
		if len(tableQuestions(p, picking.Part)) > 0 {
			checkAnswers(&c, p.rules, in.Answers)
			for _, q := range tableQuestions(p, picking.Part) {
				if in.Answers[q.Character.ID] == "" {
					c.add("answers", "Answer every question: %s is missing.", q.Character.Name)
				}
			}
		}
		if err := c.err(); err != nil {
			return record{}, err
		}
		answers, err := json.Marshal(in.Answers)
		if err != nil {
			return record{}, err
		}
		row.Answers = string(answers)
		written, err := put(ctx, d, "sortings", 0, row, func(r store.Sorting) int64 { return r.ID })
		if err != nil {
			return record{}, err
		}
		summary := "Sorted " + partOf(p.species.Names.Name, picking.Part) + " at the table"
		if all, _ := answersOf(written.Answers); slices.Contains(all, string(identity.NotSeen)) {
			summary += ": a stranger in it, held back"
		} else if len(tableQuestions(p, picking.Part)) == 0 || sortedAll(p, picking.Part, written) {
			summary += ": fit for use"
		}
		return record{kind: "sorting", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
}

// MakingInput is what is made of a picking.
type MakingInput struct {
	Preparation string `json:"preparation"`
	Note        string `json:"note,omitempty"`
}

// MakeOf notes what is made of a picking. Only what is fit for use may be made into
// anything, and only into what the verdict of its part allows.
func (g *Garden) MakeOf(ctx context.Context, pickingID int64, in MakingInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		p, picking, err := s.picking(pickingID)
		if err != nil {
			return record{}, err
		}
		if state, why := s.basketState(p, picking); state != basketFit {
			return record{}, ConflictError{strings.TrimSpace("It is not fit for use. " + why)}
		}
		var c checklist
		part, _ := p.species.Part(picking.Part)
		if may := preparationsOf(part); !slices.Contains(may, in.Preparation) {
			c.add("preparation", "The %s of %s is not made into that here; choose from %s.", part.Name, p.species.Names.Name, joined(may))
		}
		row := store.PutMakingParams{PickingID: pickingID, Day: s.today.String(), Preparation: in.Preparation, Note: c.text("note", in.Note, longestNote)}
		if err := c.err(); err != nil {
			return record{}, err
		}
		if _, err := put(ctx, d, "makings", 0, row, func(r store.Making) int64 { return r.ID }); err != nil {
			return record{}, err
		}
		return record{kind: "making", summary: fmt.Sprintf("Made %s of %s", in.Preparation, partOf(p.species.Names.Name, picking.Part)), bed: &p.BedID, planting: &p.ID}, nil
	})
}

// CautionsFor returns the cautions of a picking made into a preparation; all of its
// part where none is named.
func (g *Garden) CautionsFor(ctx context.Context, pickingID int64, preparation string) (CautionsView, error) {
	s, err := g.state(ctx)
	if err != nil {
		return CautionsView{}, err
	}
	p, picking, err := s.picking(pickingID)
	if err != nil {
		return CautionsView{}, err
	}
	return s.cautionsOf(p.species, picking.Part, preparation), nil
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

// LabelData is what stands on the label of a jar.
type LabelData struct {
	Title, Botanical, Part, Made, From, Day string
	Cautions                                []string
	Ask                                     string
}

// Label returns the label of a picking, or of what was made of it. One that is not fit
// for use gets none.
func (g *Garden) Label(ctx context.Context, pickingID int64, preparation string) (LabelData, error) {
	s, err := g.state(ctx)
	if err != nil {
		return LabelData{}, err
	}
	p, picking, err := s.picking(pickingID)
	if err != nil {
		return LabelData{}, err
	}
	if state, why := s.basketState(p, picking); state != basketFit {
		return LabelData{}, ConflictError{strings.TrimSpace("No label: it is not fit for use. " + why)}
	}
	if preparation != "" && !slices.Contains(flora.PreparationWords, preparation) {
		return LabelData{}, Faults{{"preparation", "Choose one of the preparations."}}
	}
	cautions := s.cautionsOf(p.species, picking.Part, preparation)
	label := LabelData{Title: capital(p.species.Names.Name), Botanical: p.species.Names.Botanical, Part: picking.Part, Made: preparation, From: p.bed.Name, Day: picking.Day, Ask: askFirst}
	for _, c := range cautions.List {
		label.Cautions = append(label.Cautions, cautionLine(c))
	}
	if len(label.Cautions) == 0 {
		label.Cautions = []string{noCaution}
	}
	return label, nil
}

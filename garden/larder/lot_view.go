package larder

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// LotView is a lot with its way.
type LotView struct {
	ID          int64             `json:"id"`
	Label       string            `json:"label"`
	Name        string            `json:"name"`
	Botanical   []string          `json:"botanical" doc:"Of each plant in it"`
	Making      string            `json:"making"`
	SpeciesID   string            `json:"speciesId"`
	Part        string            `json:"part"`
	Done        bool              `json:"done"`
	Line        LotLine           `json:"line"`
	Way         []WayStep         `json:"way" doc:"From the bed on"`
	Sources     []SourceView      `json:"sources" doc:"Of which pickings it is"`
	Jars        []LotJar          `json:"jars"`
	Steps       []StepView        `json:"steps"`
	Cautions    view.CautionsView `json:"cautions"`
	NewCautions []string          `json:"newCautions"`
	Held        string            `json:"held"`
	Recall      int64             `json:"recall" doc:"The household's own word that holds it back; 0 for none"`
	Keeps       string            `json:"keeps"`
	Bought      string            `json:"bought"`
	Balance     string            `json:"balance" doc:"What went in, what came out and what was lost"`
	Note        string            `json:"note"`
	Expected    string            `json:"expected" doc:"What will come of it, as it may be typed; empty where it is done"`
}

// LotJar is a jar that a lot was filled into.
type LotJar struct {
	ID    int64  `json:"id"`
	Words string `json:"words"`
	Empty bool   `json:"empty"`
}

// SourceView is a picking that something is of.
type SourceView struct {
	PickingID  int64   `json:"pickingId"`
	PlantingID int64   `json:"plantingId"`
	LotID      int64   `json:"lotId" doc:"Of what was bought; 0 for a picking"`
	Words      string  `json:"words"`
	Share      float64 `json:"share" doc:"By weight"`
	Held       string  `json:"held"`
}

// Lot returns a lot with its way.
func (u *Uses) Lot(ctx context.Context, id int64) (LotView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return LotView{}, err
	}
	lot, has := s.LotByID(id)
	if !has {
		return LotView{}, say.NotFoundError{What: "lot"}
	}
	hold := heldOf(s)
	st := stuffOf(s, lot)
	v := LotView{
		ID: id, Label: lotLabel(lot), Name: st.name(), Making: lot.Making, SpeciesID: lot.SpeciesID, Part: lot.Part,
		Done: lot.EndedAt != nil, Botanical: []string{}, Way: []WayStep{}, Jars: []LotJar{}, Steps: []StepView{},
		Cautions: view.ViewCautions(s, cautionsOf(s, lot)), NewCautions: view.NonNil(hold.reread[id]),
		Held: hold.whyLot(lot), Keeps: keepsWords(lot.KeepsMonths), Bought: lot.BoughtFrom, Note: lot.Note,
		Sources: sourcesOf(s, hold, keeping.Thing{Kind: keeping.Lot, ID: id}),
	}
	if recall, own := s.RecallOf(0, id); own {
		v.Recall = recall.ID
	}
	for _, p := range partsIn(s, lot) {
		if name := p.species.Names.Botanical; !slices.Contains(v.Botanical, name) {
			v.Botanical = append(v.Botanical, name)
		}
	}
	if !v.Done {
		v.Line = viewLotLine(s, lot, hold)
		begun, _ := plot.ParseMoment(lot.BegunAt)
		v.Steps = stepsOf(st.making, calendar.OfTime(begun), int(lot.Days))
		v.Expected = expectedOf(s, st)
	} else if isLeft(s, lot) {
		v.Line = viewLotLine(s, lot, hold)
	}
	for _, jar := range s.JarsOf(id) {
		v.Jars = append(v.Jars, viewLotJar(s, jar))
	}
	v.Way = wayOfLot(s, hold, st)
	v.Balance = balanceWords(s, st)
	return v, nil
}

func viewLotJar(s *plot.State, id int64) LotJar {
	jar, _ := s.JarByID(id)
	h, _ := holdingOf(s, jar)
	words := fmt.Sprintf("%s of %s", jar.Vessel, s.Units.Volume(jar.Ml/1000))
	if jar.EndedOn != nil {
		return LotJar{id, words + ", empty since " + view.FullDayWords(*jar.EndedOn), true}
	}
	return LotJar{id, words + ", holds " + amount(s, h.grams, h.lot.Density), false}
}

// expectedOf is what will come of a lot that stands.
func expectedOf(s *plot.State, st stuff) string {
	if st.lot.Making == makingDried {
		t := trayOf(s, st.lot)
		if !t.known {
			return ""
		}
		return amount(s, t.forecast.Finish().Grams, 0)
	}
	herb, added := 0.0, 0.0
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		switch f.Side {
		case sideIn:
			herb += f.Grams
		case sideAdded:
			added += f.Grams
		}
	}
	switch {
	case st.making.Liquid != "" && st.making.Kept != nil:
		return amount(s, added*st.making.Kept.Value, st.lot.Density)
	case st.making.Kept != nil:
		return amount(s, herb*st.making.Kept.Value+added, st.lot.Density)
	}
	return amount(s, herb+added, st.lot.Density)
}

// balanceWords say what went into a lot, what was added, what came out and what was lost: together they agree.
func balanceWords(s *plot.State, st stuff) string {
	in, added, lost := 0.0, 0.0, 0.0
	for _, f := range s.FlowsOfLot(st.lot.ID) {
		switch f.Side {
		case sideIn:
			in += f.Grams
		case sideAdded:
			added += f.Grams
		default:
			lost += f.Grams
		}
	}
	words := amount(s, in, 0) + " in"
	if in == 0 {
		words = ""
	}
	if added > 0 {
		if words != "" {
			words += ", "
		}
		words += amount(s, added, 0) + " added"
	}
	if st.lot.Grams == nil {
		return words
	}
	return fmt.Sprintf("%s; %s out, %s lost", words, amount(s, *st.lot.Grams, 0), amount(s, lost, 0))
}

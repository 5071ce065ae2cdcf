package larder

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// JarView is a jar with what is in it, where that came from and how it was used.
type JarView struct {
	Brief    JarBrief          `json:"brief"`
	ShelfID  int64             `json:"shelfId"`
	Shelf    string            `json:"shelf"`
	Lots     []LotRef          `json:"lots"`
	Way      []WayStep         `json:"way"`
	Sources  []SourceView      `json:"sources"`
	Flows    []JarFlowView     `json:"flows" doc:"The newest first"`
	Cautions view.CautionsView `json:"cautions"`
	// NewCautions are what is new among its cautions, by its lots.
	NewCautions []string `json:"newCautions"`
	Measures    []string `json:"measures" doc:"What may be taken with one touch: a cup, a spoon"`
	Empty       bool     `json:"empty"`
	Left        string   `json:"left" doc:"As it may be typed"`
}

// LotRef is a lot that a jar holds.
type LotRef struct {
	ID    int64  `json:"id"`
	Words string `json:"words"`
	Held  string `json:"held"`
}

// JarFlowView is what went into a jar or out of it.
type JarFlowView struct {
	ID    int64  `json:"id"`
	Kind  string `json:"kind"`
	Day   string `json:"day"`
	Words string `json:"words"`
}

// mostFlowsShown is how many of a jar's takings are shown, the newest.
const mostFlowsShown = 60

// Jar returns a jar.
func (u *Uses) Jar(ctx context.Context, id int64) (JarView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return JarView{}, err
	}
	jar, has := s.JarByID(id)
	if !has {
		return JarView{}, say.NotFoundError{What: "jar"}
	}
	h, has := holdingOf(s, jar)
	if !has {
		return JarView{}, say.NotFoundError{What: "jar"}
	}
	hold := heldOf(s)
	v := JarView{
		ShelfID: shelfOf(s, jar), Lots: []LotRef{}, Flows: []JarFlowView{}, Empty: jar.EndedOn != nil,
		Cautions: view.ViewCautions(s, cautionsOf(s, h.lots...)), NewCautions: []string{},
		Left: amount(s, h.grams, h.lot.Density), Measures: h.measures(s),
		Sources: sourcesOf(s, hold, keeping.Thing{Kind: keeping.Jar, ID: id}),
	}
	v.Brief = u.briefOf(s, h, hold)
	if shelf, has := shelfByID(s, v.ShelfID); has {
		v.Shelf = shelf.Name
	}
	for _, lot := range h.lots {
		v.Lots = append(v.Lots, LotRef{lot.ID, "lot " + lotLabel(lot) + ", " + madeOn(lot).DayMonthYear(), hold.whyLot(lot)})
		for _, line := range hold.reread[lot.ID] {
			if !slices.Contains(v.NewCautions, line) {
				v.NewCautions = append(v.NewCautions, line)
			}
		}
	}
	for _, f := range slices.Backward(s.FlowsOfJar(id)) {
		if len(v.Flows) == mostFlowsShown {
			break
		}
		v.Flows = append(v.Flows, JarFlowView{f.ID, f.Kind, f.Day, flowWords(s, h, f)})
	}
	v.Way = wayOfJar(s, hold, h)
	return v, nil
}

// briefOf is a jar as it stands on its shelf.
func (u *Uses) briefOf(s *plot.State, h holding, hold held) JarBrief {
	for _, l := range u.lines(s, hold) {
		if l.key != h.product() {
			continue
		}
		until := 0.0
		for _, other := range l.jars {
			until += other.grams
			if other.jar.ID == h.jar.ID {
				return viewBrief(s, l, h, hold, l.emptyAfter(until, s)).view
			}
		}
	}
	l := line{stuff: h.stuff, jars: []holding{h}}
	return viewBrief(s, l, h, hold, horizonDays).view
}

// measures are what is taken most with one touch.
func (h holding) measures(s *plot.State) []string {
	if h.lot.Density > 0 {
		return []string{"1 teaspoon", "1 tablespoon"}
	}
	return []string{"1 cup", "1 spoon"}
}

// flowWords say what went into a jar or out of it.
func flowWords(s *plot.State, h holding, f store.JarFlow) string {
	grams := f.Grams
	if grams < 0 {
		grams = -grams
	}
	words := amount(s, grams, h.lot.Density)
	day := view.FullDayWords(f.Day)
	switch f.Kind {
	case flowFilled:
		if lot, has := s.LotByID(*f.LotID); has {
			return fmt.Sprintf("%s: filled with %s, lot %s", day, words, lotLabel(lot))
		}
	case flowTaken:
		if f.Typed != "" {
			return fmt.Sprintf("%s: took %s, %s", day, f.Typed, words)
		}
		return fmt.Sprintf("%s: took %s", day, words)
	case flowGiven:
		return fmt.Sprintf("%s: %s given to %s", day, words, f.Whom)
	case flowThrown:
		return fmt.Sprintf("%s: %s thrown out, %s", day, words, f.Why)
	case flowMade:
		return fmt.Sprintf("%s: %s used to %s", day, words, say.LowerFirst(f.Why))
	}
	if f.Grams < 0 {
		return fmt.Sprintf("%s: weighed, %s less than was noted", day, words)
	}
	return fmt.Sprintf("%s: weighed, %s more than was noted", day, words)
}

package larder

import (
	"context"
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// MakeLotInput is what is made of what was picked, or of what stands in jars.
type MakeLotInput struct {
	// Making is the id of a way of keeping; RecipeID a recipe of the household's own, 0 for none.
	Making   string      `json:"making"`
	RecipeID int64       `json:"recipeId,omitempty"`
	Name     string      `json:"name,omitempty" doc:"Of a mix; else it is named by what it is of"`
	From     []FromInput `json:"from"`
	At       string      `json:"at,omitempty" doc:"Day and time; empty for now"`
	Liquid   string      `json:"liquid,omitempty" doc:"How much liquid, as typed; empty for what covers it"`
	Strength string      `json:"strength,omitempty" doc:"In %, as it stands on the bottle"`
	DiluteTo string      `json:"diluteTo,omitempty" doc:"To how many % a stronger spirit is filled up with water; empty for not"`
	Days     string      `json:"days,omitempty" doc:"How long it stands; empty for as long as is usual"`
	Bag      string      `json:"bag,omitempty" doc:"What a bag holds, as typed; for freezing"`
	// Out is what came of it, where it is done the same day; empty while it stands.
	Out      string   `json:"out,omitempty" doc:"What came of it, as typed, where it is done already"`
	Note     string   `json:"note,omitempty"`
	Affirmed []string `json:"affirmed,omitempty"`
}

// FromInput is what goes in: of a basket, or of a jar.
type FromInput struct {
	PickingID int64  `json:"pickingId,omitempty"`
	JarID     int64  `json:"jarId,omitempty"`
	Amount    string `json:"amount,omitempty" doc:"As typed; empty for all of it"`
}

// MakingSumView is what a making comes to, before it is noted.
type MakingSumView struct {
	Lines    []string          `json:"lines" doc:"What is measured out, and what comes of it"`
	Steps    []StepView        `json:"steps"`
	Ready    string            `json:"ready" doc:"When it has stood long enough; empty for the same day"`
	Keeps    string            `json:"keeps"`
	Expected string            `json:"expected" doc:"What comes of it, as it may be typed"`
	Vessel   string            `json:"vessel"`
	Cautions view.CautionsView `json:"cautions"`
	Standing string            `json:"standing"`
}

// StepView is a step of a making.
type StepView struct {
	Day     calendar.Date `json:"day"`
	When    string        `json:"when"`
	Text    string        `json:"text"`
	Minutes float64       `json:"minutes"`
}

// SumMaking works out what a making comes to, and notes nothing.
func (u *Uses) SumMaking(ctx context.Context, in MakeLotInput) (MakingSumView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MakingSumView{}, err
	}
	in.Out = ""
	m, err := u.plan(s, in)
	if err != nil {
		return MakingSumView{}, err
	}
	return viewSum(s, m), nil
}

// Make notes that something is made: it is under way from then on, or done where it says what came of it.
func (u *Uses) Make(ctx context.Context, in MakeLotInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		m, err := u.plan(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		m.askStale(&c, in.Affirmed)
		out := -1.0
		if text := strings.TrimSpace(in.Out); text != "" {
			out = readOut(s, &c, "out", text, m.density, m.herb+m.liquid+sumOf(m.added))
			if m.days > 0 {
				c.Add("out", "It has to stand until it is strained: say what came of it then.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		flows, err := m.takeOut(ctx, s, d)
		if err != nil {
			return journal.Record{}, err
		}
		if m.liquid > 0 {
			liquid, _ := s.Lib.Keeping().Liquid(m.making.Liquid)
			flows = append(flows, flow{side: sideAdded, name: liquid.Name, grams: m.liquid})
		}
		flows = append(flows, m.added...)
		lot, err := begin(ctx, s, d, m.row, flows, 0)
		if err != nil {
			return journal.Record{}, err
		}
		name := stuffOf(s, lot).name()
		record := journal.Record{Kind: kindStore, Summary: "Began " + name}
		if len(m.from) == 1 && m.from[0].picked != nil {
			record.Planting = &m.from[0].picked.Planting.ID
		}
		if out < 0 {
			return record, nil
		}
		record.Summary = fmt.Sprintf("Made %s, %s", name, amount(s, out, lot.Density))
		return record, endOf(ctx, d, lot, m.at, out, m.herb+m.liquid+sumOf(m.added), lossName(m.making))
	})
}

// askStale asks back about what is past its time.
func (m plannedMaking) askStale(c *say.Checklist, affirmed []string) {
	for i, from := range m.from {
		if from.past {
			c.Ask(
				fmt.Sprintf("from.%d.pickingId", i),
				"stale",
				affirmed,
				"%s is past its time: what is made of it is stale from the beginning. Was it smelt, looked at for mould, and is fit all the same?",
				say.Capital(from.name),
			)
		}
	}
}

func sumOf(flows []flow) (grams float64) {
	for _, f := range flows {
		grams += f.grams
	}
	return grams
}

// lossName is what is lost in a making.
func lossName(m keeping.Making) string {
	switch {
	case m.ID == makingFrozen:
		return "drained off and trimmed"
	case m.ID == "syrup":
		return "boiled away and strained out"
	case m.Liquid != "":
		return "herb strained out, and what stayed in it"
	case m.ID == "flour" || m.ID == "powder":
		return "sieved out and dust"
	}
	return "spilt, or stuck to pan and spoon"
}

// takeOut takes what goes in out of its jars, and returns what went in.
func (m plannedMaking) takeOut(ctx context.Context, s *plot.State, d *journal.Draft) (flows []flow, err error) {
	day := calendar.OfTime(m.at).String()
	for _, from := range m.from {
		if from.picked != nil {
			flows = append(flows, flow{
				side: sideIn, name: pickedWords(*from.picked), picking: from.picked.Picking.ID, grams: from.grams,
			})
			continue
		}
		out, err := takeFrom(ctx, s, d, *from.jar, store.PutJarFlowParams{
			Day: day, Kind: flowMade, Grams: -from.grams, Why: m.making.Name,
		})
		if err != nil {
			return nil, err
		}
		flows = append(flows, flow{side: sideIn, name: from.name, jarFlow: out.ID, grams: from.grams})
	}
	return flows, nil
}

// readOut reads what came of a making, in grams: no more than what went in.
func readOut(s *plot.State, c *say.Checklist, field, text string, density, most float64) float64 {
	var grams float64
	var err error
	if density > 0 {
		litres, volumeErr := unit.Parse(unit.Volume, text, "ml")
		grams, err = litres*1000*density, volumeErr
		if volumeErr != nil {
			if weight, weightErr := unit.Parse(unit.Mass, text, s.Units.MassUnit()); weightErr == nil {
				grams, err = weight, nil
			}
		}
	} else {
		grams, err = unit.Parse(unit.Mass, text, s.Units.MassUnit())
	}
	// What blanching soaks in, and a jug that tells five in a hundred more.
	const soaks = 1.12
	switch {
	case err != nil:
		c.AddError(field, err)
	case !(grams > 0):
		c.Add(field, "What came of it is more than nothing. If it spoilt, throw it out.")
	case grams > most*soaks:
		c.Add(field, "More than went in: that was %s in all.", amount(s, most, density))
	}
	return grams
}

// FinishInput is what came of what was under way.
type FinishInput struct {
	At  string `json:"at,omitempty" doc:"Day and time; empty for now"`
	Out string `json:"out" doc:"What came of it, as typed"`
}

// Finish notes what came of what stood: strained, pressed, bottled.
func (u *Uses) Finish(ctx context.Context, lot int64, in FinishInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		st, err := underWay(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		if st.lot.Making == makingDried {
			return journal.Record{}, say.ConflictError{Why: "It is in the drier: take it out there, by the test in the hand."}
		}
		var c say.Checklist
		at := readMoment(&c, "at", in.At, u.plot.Moment())
		begun, err := plot.ParseMoment(st.lot.BegunAt)
		if err == nil && at.Before(begun) {
			c.Add("at", "It was only begun at %s.", momentWords(u.plot.Moment(), begun))
		}
		whole := 0.0
		for _, f := range s.FlowsOfLot(lot) {
			whole += f.Grams
		}
		grams := readOut(s, &c, "out", in.Out, st.lot.Density, whole)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindStore, Summary: fmt.Sprintf("Finished %s: %s", st.name(), amount(s, grams, st.lot.Density)),
		}, end(ctx, s, d, st.lot, at, grams, lossName(st.making))
	})
}

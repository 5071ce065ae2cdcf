package season

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// KeepPlanInput is a plan that is to be followed: as it stands, or with a picking tied to a day or let go.
type KeepPlanInput struct {
	// On is a day of the season.
	On    string    `json:"on"`
	Tie   *TieInput `json:"tie,omitempty" doc:"A picking that is to stay on a day"`
	Untie *TieInput `json:"untie,omitempty" doc:"A picking that may move again"`
	// Anew is true where the plan is to be made without regard to how it was; what is tied stays.
	Anew bool `json:"anew,omitempty"`
}

// TieInput is a picking and its day.
type TieInput struct {
	PlantingID int64  `json:"plantingId"`
	Part       string `json:"part"`
	// From is the day that it is planned for; empty for a picking that the plan does not have.
	From string `json:"from,omitempty"`
	Day  string `json:"day"`
	// Units are in the part's own unit; 0 for as many as are planned.
	Units int    `json:"units,omitempty" minimum:"0" maximum:"100000"`
	Why   string `json:"why,omitempty" doc:"What it is tied for"`
}

// TriedPlanView is what tying or letting go would do.
type TriedPlanView struct {
	Words string         `json:"words" doc:"What it costs or brings"`
	Moves string         `json:"moves" doc:"What else moves; empty for nothing"`
	Costs bool           `json:"costs" doc:"Less is covered"`
	Plan  SeasonPlanView `json:"plan" doc:"The plan as it would be"`
}

// tried is a plan with a picking tied or let go, beside the one that stands, with the question of each.
type tried struct {
	before, after *working
	was, is       *question
	settled       []Picking
}

// Try shows what tying a picking to a day, or letting it go, would do. Nothing is noted.
func (u *Uses) Try(ctx context.Context, in KeepPlanInput) (TriedPlanView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return TriedPlanView{}, err
	}
	t, err := u.try(s, in)
	if err != nil {
		return TriedPlanView{}, err
	}
	before, _, _, _ := t.before.now()
	after, _, _, _ := t.after.now()
	q := t.is
	v := TriedPlanView{Words: "Nothing less is covered."}
	if less := q.gapWords(after.Got, before.Got, "less"); less != "" {
		v.Words, v.Costs = "Covers "+less+".", true
	}
	if brings := q.bringsWords(before.Got, after.Got); brings != "" {
		if v.Costs {
			v.Words += " It brings " + brings + "."
		} else {
			v.Words = "Brings " + brings + "."
		}
	}
	v.Moves = q.movedWords(t.was.pickings(before, nil), after)
	row, picks, has := followed(s, q.season)
	v.Plan = t.after.view(q, row, picks, has)
	return v, nil
}

// try makes the plan of a season as it would be.
func (u *Uses) try(s *plot.State, in KeepPlanInput) (t tried, err error) {
	on, err := calendar.Parse(in.On)
	if err != nil {
		return t, say.Faults{{Field: "on", Message: "Say which season: any day of it."}}
	}
	season, err := seasonOf(s, on)
	if err != nil {
		return t, err
	}
	q, err := u.questionOf(s, season)
	if err != nil {
		return t, err
	}
	row, kept, has := followed(s, season)
	t.was, t.is = q, q
	t.before = u.workOf(q, row, kept, has)
	<-t.before.planned
	plan, _, _, _ := t.before.now()
	picks := q.pickings(plan, kept)
	// What is tied and cannot be kept just now is not forgotten: it may be possible again.
	for _, lost := range q.unkept {
		if lost.pick.on() >= q.first {
			picks = append(picks, lost.pick)
		}
	}
	if picks, err = changed(q, picks, in); err != nil {
		return t, err
	}
	t.settled = tied(picks)
	if in.Tie == nil && in.Untie == nil && !in.Anew {
		t.after = t.before
		return t, nil
	}
	after, err := ask(s, season, t.settled)
	if err != nil {
		return t, err
	}
	if in.Tie != nil {
		for _, lost := range after.unkept {
			if lost.pick.Planting == in.Tie.PlantingID && lost.pick.Part == in.Tie.Part && lost.pick.Day == in.Tie.Day {
				return t, say.Faults{{Field: "tie.day", Message: "It cannot be tied there. " + lost.why}}
			}
		}
	}
	from := &store.SeasonPlan{Problem: "before " + q.digest}
	t.is, t.after = after, u.work(after, picks, from, in.Anew)
	<-t.after.planned
	return t, nil
}

// changed are the pickings of a plan with one tied or let go.
func changed(q *question, picks []Picking, in KeepPlanInput) ([]Picking, error) {
	at := func(planting int64, part, day string) int {
		return slices.IndexFunc(
			picks,
			func(p Picking) bool { return p.Planting == planting && p.Part == part && p.Day == day },
		)
	}
	if in.Untie != nil {
		i := at(in.Untie.PlantingID, in.Untie.Part, in.Untie.Day)
		if i < 0 {
			return nil, say.NotFoundError{What: "picking in the plan"}
		}
		picks[i].Tied, picks[i].Why = false, ""
	}
	tie := in.Tie
	if tie == nil {
		return picks, nil
	}
	stand := q.standAt(tie.PlantingID, tie.Part)
	if stand < 0 {
		return nil, say.Faults{{Field: "tie.part", Message: "Nothing of it may be taken this season."}}
	}
	day, err := calendar.Parse(tie.Day)
	switch {
	case err != nil:
		return nil, say.Faults{{Field: "tie.day", Message: "This is not a whole day. Type one like 27 May 2031."}}
	case day < q.first:
		return nil, say.Faults{{Field: "tie.day", Message: fmt.Sprintf("%s is past.", day.DayMonth())}}
	case day > q.season.End:
		return nil, say.Faults{
			{Field: "tie.day", Message: fmt.Sprintf("The season that is planned ends on %s.", q.season.End.DayMonth())},
		}
	}
	one := Picking{Planting: tie.PlantingID, Part: tie.Part, Day: tie.Day, Units: tie.Units, Tied: true}
	var c say.Checklist
	one.Why = c.Text("tie.why", tie.Why, say.LongestNote)
	if err := c.Err(); err != nil {
		return nil, err
	}
	if i := at(tie.PlantingID, tie.Part, tie.From); tie.From != "" {
		if i < 0 {
			return nil, say.NotFoundError{What: "picking in the plan"}
		}
		if one.Units == 0 {
			one.Units = picks[i].Units
		}
		picks = slices.Delete(picks, i, i+1)
	}
	if one.Units == 0 {
		row := &q.problem.Stands[stand]
		one.Units = max(1, int(math.Floor(row.CutShare*row.Full))*q.stands[stand].group)
	}
	if i := at(one.Planting, one.Part, one.Day); i >= 0 {
		picks = slices.Delete(picks, i, i+1)
	}
	return append(picks, one), nil
}

// Keep makes a plan the one that the household follows.
func (u *Uses) Keep(ctx context.Context, seen say.Version, in KeepPlanInput) (journal.Entry, error) {
	// It is planned before anything is locked, and again only where something was noted meanwhile.
	if s, err := u.plot.State(ctx); err == nil {
		if _, err := u.try(s, in); err != nil {
			return journal.Entry{}, err
		}
	}
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		t, err := u.try(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		q := t.is
		before, _, has := followed(s, q.season)
		if err := seen.IsOf(say.VersionOf([]any{before, q.season.Start}), "the plan of the season"); err != nil {
			return journal.Record{}, err
		}
		plan, _, _, _ := t.after.now()
		row, err := q.planRow("", plan, t.settled)
		if err != nil {
			return journal.Record{}, err
		}
		if has {
			row.ID = &before.ID
		}
		_, err = plansTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindSeason, Summary: keptWords(q, plan, in)}, err
	})
}

func keptWords(q *question, plan planning.Plan, in KeepPlanInput) string {
	name := func(t *TieInput) string {
		if p, has := q.state.ByID[t.PlantingID]; has {
			return say.PartOf(p.Species.Names.Name, t.Part)
		}
		return "a picking"
	}
	dayOf := func(text string) string {
		day, err := calendar.Parse(text)
		if err != nil {
			return text
		}
		return day.DayMonth()
	}
	switch {
	case in.Tie != nil:
		return fmt.Sprintf("Tied the picking of %s to %s", name(in.Tie), dayOf(in.Tie.Day))
	case in.Untie != nil:
		return fmt.Sprintf("Untied the picking of %s of %s", name(in.Untie), dayOf(in.Untie.Day))
	}
	return fmt.Sprintf("Follows the plan of the season: %s", say.Counted(float64(len(plan.Picks)), "picking", "pickings"))
}

// LeavePlan follows no plan of a season any more.
func (u *Uses) LeavePlan(ctx context.Context, on string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		day, err := calendar.Parse(on)
		if err != nil {
			return journal.Record{}, say.Faults{{Field: "on", Message: "Say which season: any day of it."}}
		}
		season, err := seasonOf(s, day)
		if err != nil {
			return journal.Record{}, err
		}
		row, _, has := followed(s, season)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plan that is followed"}
		}
		return journal.Record{Kind: kindSeason, Summary: "Follows no plan of the season any more"},
			plansTable.Drop(ctx, d, row.ID)
	})
}

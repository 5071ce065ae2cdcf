package season

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// PlanCopyInput is a plan that is kept by a name, to be held against another.
type PlanCopyInput struct {
	On   string `json:"on"`
	Name string `json:"name"`
}

// mostCopies is how many plans of a season are kept beside the one that is followed.
const mostCopies = 12

// Copy keeps the plan as it stands by a name, so that another can be held against it.
func (u *Uses) Copy(ctx context.Context, in PlanCopyInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		name := c.Name("name", in.Name)
		if name == "" && !c.Has("name") {
			c.Add("name", "Give it a name.")
		}
		t, err := u.try(s, KeepPlanInput{On: in.On})
		if err != nil {
			return journal.Record{}, err
		}
		others := othersOf(s, t.is.season)
		if len(others) >= mostCopies {
			c.Add("name", "No more than %d plans are kept. Let one go first.", mostCopies)
		}
		for _, other := range others {
			if other.Name == name {
				c.Add("name", "There is one of this name.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		plan, _, _, _ := t.after.now()
		row, err := t.is.planRow(name, plan, t.settled)
		if err != nil {
			return journal.Record{}, err
		}
		_, err = plansTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: kindSeason, Summary: fmt.Sprintf("Kept the season's plan as %q", name)}, err
	})
}

// copyOf is a plan that is kept by a name.
func copyOf(s *plot.State, id int64) (row store.SeasonPlan, err error) {
	for _, row := range planRows.Of(s) {
		if row.ID == id && row.Name != "" {
			return row, nil
		}
	}
	return row, say.NotFoundError{What: "plan of that name"}
}

// DropCopy lets a plan go that was kept by a name.
func (u *Uses) DropCopy(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := copyOf(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindSeason, Summary: fmt.Sprintf("Let the plan %q go", row.Name)},
			plansTable.Drop(ctx, d, id)
	})
}

// FollowCopy follows a plan that was kept by a name.
func (u *Uses) FollowCopy(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := copyOf(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		season, err := seasonNamed(s, row.Season)
		if err != nil {
			return journal.Record{}, err
		}
		put := store.PutSeasonPlanParams{
			Season: row.Season, MadeOn: s.Today.String(), Picks: row.Picks, Worth: row.Worth, Bound: row.Bound,
			Problem: row.Problem,
		}
		before, _, has := followed(s, season)
		if has {
			put.ID = &before.ID
		}
		_, err = plansTable.Put(ctx, d, before.ID, put)
		return journal.Record{Kind: kindSeason, Summary: fmt.Sprintf("Follows the plan %q", row.Name)}, err
	})
}

// seasonNamed is the season that a kept plan is of, where it is this one or the next.
func seasonNamed(s *plot.State, start string) (calendar.Season, error) {
	day, err := calendar.Parse(start)
	if err != nil {
		return calendar.Season{}, say.NotFoundError{What: "season"}
	}
	return seasonOf(s, day)
}

// hold puts another plan beside the one that is shown: its pickings, and what each covers. What of it cannot be any
// more is left out.
func (v *SeasonPlanView) hold(q *question, w *working, s *plot.State, id int64) error {
	row, err := copyOf(s, id)
	if err != nil {
		return err
	}
	picks := picksOf(row)
	that := q.picksIn(picks)
	for len(that) > 0 && len(q.problem.Breaks(that)) > 0 {
		that = that[:len(that)-1] // the latest first: what was possible at the start stays
	}
	_, got := q.problem.Judge(that)
	plan, _, _, _ := w.now()
	c := &PlanComparison{ID: id, Name: row.Name, Picks: []OtherPick{}, Rows: []PlanCompareRow{}}
	for _, one := range picks {
		stand := q.standAt(one.Planting, one.Part)
		if stand < 0 || one.on() < q.first {
			continue
		}
		rule := q.stands[stand].part.Harvest
		c.Picks = append(
			c.Picks,
			OtherPick{one.Planting, one.Part, one.on(), say.Counted(float64(one.Units), rule.One, rule.Many)},
		)
	}
	for i, product := range q.products {
		need := math.Max(product.need, product.taken)
		this := math.Min(need, product.taken+plan.Got[i])
		other := math.Min(need, product.taken+got[i])
		r := PlanCompareRow{
			Name: say.PartOf(product.species.Names.Name, product.part.Name),
			This: q.amountOf(product, this, need), That: q.amountOf(product, other, need),
		}
		if product.feast != "" {
			r.Name += ", " + product.feast
		}
		if gap := this - other; math.Abs(gap) > 0.02*need {
			r.More = "this"
			if gap < 0 {
				r.More = "that"
			}
		}
		c.Rows = append(c.Rows, r)
	}
	c.Words = fmt.Sprintf("%s, of %s", say.Counted(float64(len(c.Picks)), "picking", "pickings"), row.MadeOn)
	if day, err := calendar.Parse(row.MadeOn); err == nil {
		c.Words = fmt.Sprintf("%s, made %s", say.Counted(float64(len(c.Picks)), "picking", "pickings"), day.DayMonth())
	}
	v.Against = c
	return nil
}

package larder

import (
	"context"
	"fmt"
	"time"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// What is lost where a job of the store is not done at all, as a part of a planting's worth in a year: guesses of ours.
const (
	basketStake = 0.5
	trayStake   = 0.4
	shakeStake  = 0.05
	strainStake = 0.2
	pastStake   = 0.1
	recallStake = 1.0
)

// jobs are what the store would have done: baskets that spoil, trays to weigh and to test, what is to be shaken and
// strained, jars past their time, and what is held back.
func (u *Uses) jobs(s *plot.State, on calendar.Date) []area.Job {
	if on < s.Today {
		return nil
	}
	hold := heldOf(s)
	var all []area.Job
	all = append(all, basketJobs(s, on)...)
	for _, lot := range plot.Lots.Of(s) {
		if lot.EndedAt != nil || hold.whyLot(lot) != "" {
			continue
		}
		if lot.Making == makingDried {
			all = append(all, trayJob(s, trayOf(s, lot), u.plot.Moment(), on))
			continue
		}
		all = append(all, stepJobs(s, stuffOf(s, lot), on)...)
	}
	for _, h := range standing(s) {
		if until := keepsUntil(h); until != 0 && until <= on && hold.whyJar(h) == "" {
			all = append(all, pastJob(h, until, on))
		}
	}
	for i, from := range hold.origins {
		if job, has := recallJob(s, hold, i, from, on); has {
			all = append(all, job)
		}
	}
	return all
}

// newJob is a job of the store.
func newJob(key, verb, what string, first, last, on calendar.Date, minutes, stake float64) area.Job {
	j := area.Job{Job: agenda.Job{
		Key: key, First: first, Last: max(last, on), Minutes: minutes, Stake: stake, Wants: agenda.UnderRoof,
	}}
	j.View = area.JobView{
		Key: key, Kind: "store", Verb: verb, What: what, Stage: flora.Ripe, First: first, Last: j.Last, Minutes: minutes,
		Amount: say.MinutesWords(minutes), Deadline: say.DaysLeft(on, j.Last),
	}
	if on < first {
		j.View.Deadline = "on " + first.DayMonth()
	}
	return j
}

func basketJobs(s *plot.State, on calendar.Date) (all []area.Job) {
	if on != s.Today {
		return nil
	}
	for _, b := range baskets(s) {
		state, _ := view.BasketState(s, b.Planting, b.Picking)
		// An hour past its day it is looked over, not dried: a day later nobody asks any more.
		if state == view.BasketHeld || calendar.OfTime(b.spoils) < s.Today.AddDays(-1) {
			continue
		}
		name := say.PartOf(b.Planting.Species.Names.Name, b.Picking.Part)
		verb, minutes := "Dry", 10.0
		if _, dries := s.Lib.Gather().Of(b.part.Keep.Dries); !dries {
			verb, minutes = "Freeze or use", 25
		}
		if state == view.BasketToSort {
			verb, minutes = "Sort and dry", 20
		}
		j := newJob(fmt.Sprintf("store:basket:%d", b.Picking.ID), verb, name, b.Day, max(on, calendar.OfTime(b.spoils)), on,
			minutes, basketStake)
		j.Irreversible, j.View.Lasting = true, true
		j.View.SpeciesID, j.View.Bed, j.View.Part = b.Planting.SpeciesID, b.Planting.Bed.Name, b.Picking.Part
		j.View.Amount = amount(s, b.left, 0) + " · " + say.MinutesWords(minutes)
		j.View.Reason = say.Sentence("In its basket since " + b.Day.DayMonth() + " it keeps until about " +
			calendar.OfTime(b.spoils).DayMonth())
		all = append(all, j)
	}
	return all
}

// trayJob asks for a tray to be weighed while it dries, and to be tested once it should be dry.
func trayJob(s *plot.State, t tray, now time.Time, on calendar.Date) area.Job {
	day := s.Today
	verb, reason := "Weigh", "A weighing or two tell when it is dry."
	if t.known {
		finish := t.forecast.Finish()
		middle := calendar.OfTime(t.after(finish.Middle))
		if len(t.weights) > 0 || middle <= on {
			verb, day = "Test and jar", max(s.Today, calendar.OfTime(t.after(finish.Early)))
			reason = "Dry " + finishWords(now, t.after(finish.Early), t.after(finish.Late)) + ", 8 in 10. " + testWords(t)
		}
	}
	j := newJob(
		fmt.Sprintf("store:tray:%d:%s:%s", t.lot.ID, verb, day),
		verb,
		t.name(),
		day,
		day.AddDays(1),
		on,
		5,
		trayStake,
	)
	j.View.LotID, j.View.SpeciesID, j.View.Part = t.lot.ID, t.lot.SpeciesID, t.lot.Part
	j.View.Reason = reason
	j.View.Amount = fmt.Sprintf("tray %d · %s", t.number, say.MinutesWords(5))
	return j
}

// stepJobs are the steps of what stands: those of every few days as one job for the day on which it is due next.
func stepJobs(s *plot.State, st stuff, on calendar.Date) (all []area.Job) {
	at, err := plot.ParseMoment(st.lot.BegunAt)
	if err != nil {
		return nil
	}
	begun := calendar.OfTime(at)
	ready := begun.AddDays(int(st.lot.Days))
	for _, step := range st.making.Steps {
		switch {
		case step.Last || st.lot.Days == 0:
			if step.Last || step.ID == st.making.Steps[len(st.making.Steps)-1].ID {
				all = append(all, endJob(st, step, ready, on))
			}
		case step.Every > 0:
			if job, has := againJob(s, st, step, begun, ready, on); has {
				all = append(all, job)
			}
		}
	}
	if own, has := recipeOf(s, st.lot); has {
		for i, step := range own.Steps {
			day := begun.AddDays(step.Day)
			if _, done := lastDone(s, st.lot.ID, ownStep(i)); done || day > ready {
				continue
			}
			j := newJob(
				fmt.Sprintf("store:lot:%d:%s", st.lot.ID, ownStep(i)),
				"See to",
				st.name(),
				day,
				day.AddDays(3),
				on,
				ownStepMinutes,
				shakeStake,
			)
			j.View.Step = ownStep(i)
			all = append(all, ofLot(j, st, step.Text))
		}
	}
	return all
}

func recipeOf(s *plot.State, lot store.Lot) (recipe, bool) {
	if lot.RecipeID == nil {
		return recipe{}, false
	}
	return recipeByID(s, *lot.RecipeID)
}

func ofLot(j area.Job, st stuff, reason string) area.Job {
	j.View.LotID, j.View.SpeciesID, j.View.Part, j.View.Reason = st.lot.ID, st.lot.SpeciesID, st.lot.Part, reason
	return j
}

// endJob is the last step of what stands.
func endJob(st stuff, step keeping.Step, ready, on calendar.Date) area.Job {
	verb := "Strain"
	if st.lot.Days == 0 {
		verb = "Finish"
	}
	j := newJob(fmt.Sprintf("store:lot:%d:%s", st.lot.ID, step.ID), verb, st.name(), ready, ready.AddDays(10), on,
		step.Minutes, strainStake)
	return ofLot(j, st, step.Text)
}

// againJob is what is done every few days: so many days after it was done last, or as soon as it can be.
func againJob(s *plot.State, st stuff, step keeping.Step, begun, ready, on calendar.Date) (area.Job, bool) {
	due := begun.AddDays(step.After)
	if last, done := lastDone(s, st.lot.ID, step.ID); done {
		due = max(due, last.AddDays(step.Every))
	}
	due = max(due, s.Today)
	if due >= ready || due.DaysSince(on) > 2*step.Every {
		return area.Job{}, false
	}
	j := newJob(fmt.Sprintf("store:lot:%d:%s:%s", st.lot.ID, step.ID, due), "Shake", st.name(), due, due, on, step.Minutes,
		shakeStake)
	j.View.Step = step.ID
	return ofLot(j, st, step.Text), true
}

// lastDone is the day on which a step of a lot was done last; false where it never was.
func lastDone(s *plot.State, lot int64, step string) (day calendar.Date, done bool) {
	for _, row := range s.StepsOfLot(lot) {
		if at, err := calendar.Parse(row.Day); err == nil && row.Step == step {
			day, done = max(day, at), true
		}
	}
	return day, done
}

// StepInput is a step of what stands that was done today.
type StepInput struct {
	Step string `json:"step"`
}

// MarkStep notes that a step of what stands was done today.
func (u *Uses) MarkStep(ctx context.Context, lot int64, in StepInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		st, err := underWay(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		if !hasStep(s, st, in.Step) {
			return journal.Record{}, say.NotFoundError{What: "step"}
		}
		if last, done := lastDone(s, lot, in.Step); done && last == s.Today {
			return journal.Record{}, say.ConflictError{Why: "It was done today already."}
		}
		_, err = plot.LotStepsTable.Put(ctx, d, 0, store.PutLotStepParams{LotID: lot, Step: in.Step, Day: s.Today.String()})
		return journal.Record{Kind: kindStore, Summary: "Saw to " + st.name()}, err
	})
}

func hasStep(s *plot.State, st stuff, id string) bool {
	for _, step := range st.making.Steps {
		if step.ID == id {
			return true
		}
	}
	own, has := recipeOf(s, st.lot)
	for i := range own.Steps {
		if has && id == ownStep(i) {
			return true
		}
	}
	return false
}

// ownStep is the id of a step of an own recipe.
func ownStep(i int) string { return fmt.Sprintf("own%d", i) }

// pastJob asks for a jar to be looked at that is past its time.
func pastJob(h holding, until, on calendar.Date) area.Job {
	// One that was overlooked for long waits a month more, not to today: nothing is lost at once.
	last := max(until.AddDays(60), on.AddDays(30))
	j := newJob(fmt.Sprintf("store:past:%d:%d", h.jar.ID, until.Year()), "Look at", "the jar of "+h.name(), until,
		last, on, 5, pastStake)
	j.View.JarID, j.View.SpeciesID, j.View.Part = h.jar.ID, h.lot.SpeciesID, h.lot.Part
	j.View.Reason = "Past its time since " + until.DayMonthYear() +
		": smell it, look for mould, and throw out what is stale."
	return j
}

// recallJob asks for those to be told who were given something that is held back.
func recallJob(s *plot.State, hold held, index int, from origin, on calendar.Date) (area.Job, bool) {
	r := viewRecall(s, hold, index, from)
	untold := 0
	for _, gift := range r.Gifts {
		if gift.Told == "" {
			untold++
		}
	}
	if untold == 0 && len(r.Jars) == 0 {
		return area.Job{}, false
	}
	verb, minutes := "Set apart", 5.0
	if untold > 0 {
		verb, minutes = "Call back", 15
	}
	key := fmt.Sprintf("store:recall:%d:%d:%d", from.thing.Kind, from.thing.ID, from.recall.ID)
	j := newJob(key, verb, say.LowerFirst(r.Title), s.Today, s.Today.AddDays(1), on, minutes, recallStake)
	j.Irreversible, j.View.Lasting = true, true
	j.View.Recall = true
	j.View.Reason = r.Why
	j.View.Amount = say.Counted(float64(len(r.Jars)), "jar", "jars")
	if untold > 0 {
		j.View.Amount += ", " + say.Counted(float64(untold), "gift", "gifts")
	}
	return j, true
}

package bench

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// jobs are what the bench would have done: of its batches and volunteers, and of what was newly set.
var jobs = area.Source{
	Planting: func(s *plot.State, p *plot.Planting, on calendar.Date) []area.Job {
		return append(newlySetJobs(s, p, on), insuredJobs(s, p, on)...)
	},
	Plot: benchJobs,
}

// benchJobs are the jobs of batches and volunteers.
func benchJobs(s *plot.State, on calendar.Date) []area.Job {
	if on < s.Today {
		return nil
	}
	var all []area.Job
	for _, b := range openBatches(s) {
		all = append(all, batchJobs(s, b, on)...)
	}
	for _, group := range rescueOrder(s) {
		if job, has := rescueJob(s, group, on); has {
			all = append(all, job)
		}
	}
	for _, save := range seedToSave(s) {
		all = append(all, saveJob(s, save, on))
	}
	return all
}

// saveJob asks for seed to be saved while it is ripe.
func saveJob(s *plot.State, save SaveSeedView, on calendar.Date) area.Job {
	key := fmt.Sprintf("bench:save:%d:%d", save.PlantID, s.Season.Start.Year())
	j := area.Job{
		Job: agenda.Job{
			Key:          key,
			First:        save.First,
			Last:         save.Last,
			Minutes:      15,
			Irreversible: true,
			Stake:        seedStake,
			Wants:        agenda.DryDay,
		},
	}
	j.View = area.JobView{
		Key: key, Kind: "bench", Verb: "Shake", What: "the seed heads of " + save.Name, SpeciesID: save.SpeciesID, Bed: save.bed, SeedOf: save.PlantID,
		Stage: flora.Ripe, First: j.First, Last: j.Last, Minutes: j.Minutes,
		Amount: save.Mothers + " · " + say.MinutesWords(j.Minutes),
		Reason: say.Sentence(save.Why), Deadline: say.DaysLeft(on, j.Last),
	}
	if on < j.First {
		j.View.Deadline = "from about " + j.First.DayMonth()
	}
	return j
}

// newJob is a job of the bench.
func newJob(
	s *plot.State,
	b store.Batch,
	detail, verb string,
	first, best, last, on calendar.Date,
	minutes float64,
) area.Job {
	key := fmt.Sprintf("bench:%d:%s", b.ID, detail)
	j := area.Job{
		Job: agenda.Job{
			Key:       key,
			First:     first,
			Last:      max(last, on),
			Minutes:   max(2, minutes),
			BestFirst: best,
			BestLast:  max(best, min(last, best.AddDays(soonDays))),
			Stake:     stepStake,
		},
	}
	if slices.Contains(underRoof, detail) {
		j.Wants = agenda.UnderRoof
	}
	j.View = area.JobView{
		Key: key, Kind: "bench", Verb: verb, What: batchName(s, b), SpeciesID: b.SpeciesID, BatchID: b.ID, Stage: flora.Shooting,
		First: j.First, Last: j.Last, Minutes: j.Minutes,
	}
	switch {
	case on < first:
		j.View.Deadline = "from about " + first.DayMonth()
	case on > last:
		j.View.Deadline = "late: best about " + best.DayMonth()
	default:
		j.View.Deadline = fmt.Sprintf("best about %s, last %s", best.DayMonth(), last.DayMonth())
	}
	return j
}

// What a missed step of the bench costs of a planting's first year, and what seed or seedlings that are lost cost, to
// put jobs in an order.
const stepStake, seedStake = 0.5, 0.4

// underRoof are the steps that are done at a table: a day of rain does.
var underRoof = []string{stepRise, stepGrow, "count"}

// soonDays is how long before its time a step of the bench is a job.
const (
	soonDays = 5
	lateDays = 14
)

var deedReasons = map[propagation.Deed]string{
	propagation.Sow: "Sown later it is set out later.", propagation.Lift: "They are hardened already: straight out, or into an unheated house.",
	propagation.Divide: "Pieces of a sleeping crown root before they are asked for leaves.",
	propagation.Strike: "The shoots are fit for it by their stage now.",
}

// batchJobs are the steps of a batch that are due.
func batchJobs(s *plot.State, b store.Batch, on calendar.Date) (all []area.Job) {
	labour := s.Lib.Bench().Labour
	way, _ := propagation.WayOf(b.Way)
	stays := staysOf(b)
	if b.BegunOn == nil {
		best := startDay(b)
		minutes := deedMinutes(labour, way, int(b.Starts))
		j := newJob(
			s,
			b,
			"begin",
			say.Capital(string(way.Deed)),
			best.AddDays(-soonDays),
			best,
			best.AddDays(lateDays),
			on,
			minutes,
		)
		j.View.Amount = fmt.Sprintf("%d · %s", b.Starts, say.MinutesWords(j.Minutes))
		j.View.Reason = strings.TrimSpace(fmt.Sprintf("%s Out about %s.", deedReasons[way.Deed], dayOf(&b.OutOn).DayMonth()))
		if len(stays) > 0 && stays[0].Step == stepCold && stays[0].Place != 0 {
			j.View.Reason = "It waits for the cold: sow it, and lay it down. " + j.View.Reason
		}
		return []area.Job{j}
	}
	p := progressOf(s, b.ID)
	inCells := cellsTaken(s, b.ID) > 0
	for i, st := range stays {
		if st.From <= startDay(b) {
			if st.Step == stepRise || st.Step == stepRoot {
				all = append(all, countJob(s, b, st, p, on)...)
			}
			continue
		}
		if st.Step == stepRise || st.Step == stepRoot {
			all = append(all, countJob(s, b, st, p, on)...)
		}
		if on > st.Until || i == 0 || stepVerbs[st.Step] == "" || p.Potted && st.Step == stepGrow ||
			inCells && st.Step == stepGrow && stays[i-1].Place == st.Place {
			// What stands in cells of its own is not pricked out.
			continue
		}
		j := newJob(
			s,
			b,
			st.Step,
			stepVerbs[st.Step],
			st.From.AddDays(-soonDays),
			st.From,
			st.From.AddDays(lateDays),
			on,
			stepMinutes(labour, st.Step, b),
		)
		if place, has := placeOf(s, st.Place); has {
			j.View.Bed = place.Name
		}
		j.View.Amount = fmt.Sprintf(
			"%s · %s",
			say.Counted(float64(p.standing(b)), "plant", "plants"),
			say.MinutesWords(j.Minutes),
		)
		j.View.Reason = stepReasons[st.Step]
		all = append(all, j)
	}
	if out := dayOf(&b.OutOn); p.standing(b) > 0 {
		j := newJob(
			s,
			b,
			"out",
			"Plant out",
			out.AddDays(-soonDays),
			out,
			out.AddDays(3*lateDays),
			on,
			labour.PlantOut.Value*float64(p.standing(b)),
		)
		j.View.Bed = bedName(s, b.BedID)
		j.View.Amount = fmt.Sprintf(
			"%s · %s",
			say.Counted(float64(p.standing(b)), "plant", "plants"),
			say.MinutesWords(j.Minutes),
		)
		j.View.Reason = outReason(s, b)
		all = append(all, j)
	}
	return all
}

func outReason(s *plot.State, b store.Batch) string {
	species, has := s.Lib.Species(b.SpeciesID)
	if !has {
		return ""
	}
	if killed := killedBelow(species); killed != nil && *killed > s.Lib.Bench().Raising.Frozen.Value {
		return fmt.Sprintf(
			"Not before: a night of %s kills it, and is down to 1 in 10 by then.",
			s.Units.Temperature(*killed),
		)
	}
	if hasTaproot(species) {
		return "Its roots have filled the cell. Leave the ball whole: it has a taproot, and minds being touched."
	}
	return "Its roots have filled the cell; every week longer checks it."
}

var stepVerbs = map[string]string{
	stepRise: "Bring into the warm", stepGrow: "Prick out", stepHarden: "Harden off",
}

var stepReasons = map[string]string{
	stepRise:   "It has had its cold.",
	stepGrow:   "Each into a cell or pot of its own, the root straight down, before they draw each other up.",
	stepHarden: "Out by day, longer each day, in by night: a leaf from under cover burns and chills.",
}

func stepMinutes(labour propagation.Labour, step string, b store.Batch) float64 {
	switch step {
	case stepGrow:
		return labour.PotOn.Value * float64(b.Wanted)
	case stepHarden:
		return labour.Harden.Value * float64(max(1, b.Trays))
	}
	return labour.Cold.Value
}

func deedMinutes(labour propagation.Labour, way propagation.WayRow, starts int) float64 {
	each := map[propagation.Deed]flora.Figure{
		propagation.Sow: labour.Sow, propagation.Lift: labour.Lift, propagation.Divide: labour.Divide,
		propagation.Set:    labour.Divide,
		propagation.Strike: labour.Strike, propagation.Peg: labour.Layer, propagation.Graft: labour.Graft,
	}[way.Deed]
	if way.Deed == propagation.Buy {
		return labour.Buy.Value
	}
	return each.Value * float64(starts)
}

// countJob asks for the count of what came up, once it should be up.
func countJob(s *plot.State, b store.Batch, st stay, p progress, on calendar.Date) []area.Job {
	if _, closed := countedUp(s, b); closed || on > st.Until.AddDays(4*lateDays) {
		return nil
	}
	j := newJob(
		s,
		b,
		"count",
		"Count",
		st.Until,
		st.Until.AddDays(closedDays),
		st.Until.AddDays(2*lateDays),
		on,
		float64(max(2, b.Trays*3)),
	)
	j.View.Amount = fmt.Sprintf("%d started · %s", b.Starts, say.MinutesWords(j.Minutes))
	j.View.Reason = "The share that came up corrects the lot, and how many the next batch needs."
	if p.Counted {
		j.View.Amount = fmt.Sprintf("%d of %d up when last counted", p.Up, b.Starts)
	}
	return []area.Job{j}
}

// rescueJob asks for volunteers to be lifted before their ground is worked.
func rescueJob(s *plot.State, row store.Volunteer, on calendar.Date) (area.Job, bool) {
	worked, known := workedOn(s, row)
	if !known || worked < on {
		return area.Job{}, false
	}
	const notice = 35
	key := fmt.Sprintf("bench:volunteers:%d", row.ID)
	j := area.Job{Job: agenda.Job{
		Key: key, First: max(dayOf(&row.Day), worked.AddDays(-notice)), Last: worked.AddDays(-1),
		Irreversible: true, Stake: seedStake,
		Minutes: max(5, s.Lib.Bench().Labour.Lift.Value*float64(min(row.Plants, 24))),
	}}
	if j.Last < on {
		j.Last = on
	}
	j.View = area.JobView{
		Key: key, Kind: "bench", Verb: "Rescue", What: speciesName(s, row.SpeciesID) + " (unproven)",
		SpeciesID: row.SpeciesID, VolunteerID: row.ID,
		Bed: bedName(s, row.BedID), Stage: flora.Shooting, First: j.First, Last: j.Last, Minutes: j.Minutes,
		Amount: fmt.Sprintf(
			"about %s · %s",
			say.Counted(float64(row.Plants), "seedling", "seedlings"),
			say.MinutesWords(j.Minutes),
		),
		Reason: fmt.Sprintf(
			"%s. Their ground is worked on %s. Cut one and look at it first.",
			say.Capital(volunteerPlace(s, row)),
			worked.DayMonth(),
		),
		Deadline: say.DaysLeft(on, j.Last),
	}
	if on < j.First {
		j.View.Deadline = "from about " + j.First.DayMonth()
	}
	return j, true
}

// bedName is a bed's name; empty for none.
func bedName(s *plot.State, id *int64) string {
	if id == nil {
		return ""
	}
	return s.BedByID[*id].Name
}

// newlySetJobs see to what was planted lately: water until it has rooted out, and its buds off while
// it is small.
func newlySetJobs(s *plot.State, p *plot.Planting, on calendar.Date) (all []area.Job) {
	set, has := setOutOn(s, p)
	if !has || p.RemovedOn != nil {
		return nil
	}
	raising := s.Lib.Bench().Raising
	end := set.AddDays(int(raising.WaterWeeks.Value * weekDays))
	if on > end {
		return nil
	}
	j := area.NewJob(s, p, "care", "newly-set-water:"+set.String(), s.Season, set, end, on)
	j.Minutes = max(3, float64(p.Standing())*0.3)
	j.View.Minutes = j.Minutes
	j.View.Verb, j.View.What = "Water", p.Species.Names.Name+", newly set"
	if p.IdentityState != identity.Sure {
		j.View.What += " (unproven)"
	}
	j.View.Amount = fmt.Sprintf(
		"in dry spells, for %s weeks · %s",
		say.Number(raising.WaterWeeks.Value),
		say.MinutesWords(j.Minutes),
	)
	j.View.Reason = newlySetReason(p.Species)
	all = append(all, j)
	for _, more := range newlySetCare(p.Species) {
		j := area.NewJob(s, p, "care", "newly-set-"+more.key+":"+set.String(), s.Season, set, end, on)
		j.Minutes = max(2, float64(p.Standing())*0.2)
		j.View.Minutes = j.Minutes
		j.View.Verb, j.View.What = more.verb, more.what+p.Species.Names.Name+", newly set"
		j.View.Amount, j.View.Reason = say.MinutesWords(j.Minutes), more.reason
		all = append(all, j)
	}
	return all
}

// care is one more thing that a newly set plant asks for.
type care struct{ key, verb, what, reason string }

// newlySetCare is what a newly set plant asks for besides water, by what is on record of its species.
func newlySetCare(species *flora.Species) (all []care) {
	for _, trouble := range species.Troubles {
		if strings.Contains(strings.ToLower(trouble.Name), "slug") {
			all = append(
				all,
				care{"slugs", "Look for", "slugs at ", "In the evening, while it is small: " + say.Sentence(trouble.Do)},
			)
			break
		}
	}
	if species.Life.Form == flora.Perennial {
		all = append(
			all,
			care{"buds", "Pinch off", "buds of ", "While it is small: the first season is for roots, and a flower costs them."},
		)
	}
	return all
}

// newlySetReason says what a newly set plant asks for, from its species' rows.
func newlySetReason(species *flora.Species) string {
	words := []string{
		"Its roots fill only the ball it came in: it dries out though it bears drought later.",
		"Shade it for the first days where the sun is strong.",
	}
	if len(species.Tender) > 0 {
		words = append(words, "Cover it in a cold night.")
	}
	if hasTaproot(species) {
		words = append(words, "It has a taproot: it is not moved again.")
	}
	return strings.Join(words, " ")
}

// setOutOn is the day that a planting was planted out of the bench.
func setOutOn(s *plot.State, p *plot.Planting) (calendar.Date, bool) {
	for _, row := range lineages.Of(s) {
		if row.PlantingID != p.ID {
			continue
		}
		for _, c := range counts.Of(s) {
			if c.Kind == countOut && c.PlantingID != nil && *c.PlantingID == p.ID {
				return dayOf(&c.Day), true
			}
		}
		return p.Started, true
	}
	return 0, false
}

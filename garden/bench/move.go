package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// MoveBatchInput moves a batch: the stay of an index to another place or day, and all that follow with it.
type MoveBatchInput struct {
	// Stay is the index of the stay that is moved.
	Stay int `json:"stay" minimum:"0"`
	// PlaceID is where it is to be, 0 for where it is; From the day it is to begin.
	PlaceID int64  `json:"placeId,omitempty"`
	From    string `json:"from"`
}

// MoveTriedView is what a move would come to.
type MoveTriedView struct {
	Words []string      `json:"words" doc:"What it comes to: when it is out, what is full, what is too warm"`
	Fits  bool          `json:"fits"`
	Out   calendar.Date `json:"out"`
	Start calendar.Date `json:"start"`
}

// moved works out a batch after a move: of a planned one its whole way is reckoned again from the new
// day and place, of one under way the stays from there on are shifted.
func (u *Uses) moved(s *plot.State, b store.Batch, in MoveBatchInput) (store.Batch, []string, error) {
	var c say.Checklist
	stays := staysOf(b)
	if in.Stay < 0 || in.Stay >= len(stays) {
		c.Add("stay", "This batch has no such stay.")
		return b, nil, c.Err()
	}
	from, err := calendar.Parse(in.From)
	if err != nil {
		c.Add("from", "This is not a whole day. Type one like 27 May 2031.")
		return b, nil, c.Err()
	}
	if in.PlaceID != 0 {
		place, has := placeOf(s, in.PlaceID)
		switch {
		case !has || place.RemovedOn != nil:
			c.Add("placeId", "Choose a place of the bench.")
		case stays[in.Stay].Step != stepCold && !propagation.PlaceKind(place.Kind).HasLight():
			c.Add("placeId", "Nothing grows in %s: it has no light.", place.Name)
		}
	}
	begun := b.BegunOn != nil
	switch {
	case !begun && from < s.Today:
		c.Add("from", "%s is past.", from.DayMonthYear())
	case begun && in.Stay > 0 && from < startDay(b):
		c.Add("from", "It was only begun on %s.", startDay(b).DayMonthYear())
	case begun && in.Stay == 0 && from != stays[0].From:
		c.Add("from", "It was begun on %s: that stands.", startDay(b).DayMonthYear())
	}
	if err := c.Err(); err != nil {
		return b, nil, err
	}
	if begun {
		return moveBegun(s, b, stays, in, from)
	}
	return u.movePlanned(s, b, stays, in, from)
}

func moveBegun(
	s *plot.State,
	b store.Batch,
	stays []stay,
	in MoveBatchInput,
	from calendar.Date,
) (store.Batch, []string, error) {
	days := from.DaysSince(stays[in.Stay].From)
	next := shifted(stays, in.Stay, days)
	if in.Stay > 0 {
		next[in.Stay-1].Until = from
		if next[in.Stay-1].Until <= next[in.Stay-1].From {
			return b, nil, say.Faults{{Field: "from", Message: "The stay before it would have no day left."}}
		}
	}
	if in.PlaceID != 0 {
		next[in.Stay].Place = in.PlaceID
	}
	b.Stays, b.OutOn = writeStays(next), dayOf(&b.OutOn).AddDays(days).String()
	return b, nil, nil
}

// movePlanned reckons the way of a planned batch again.
func (u *Uses) movePlanned(
	s *plot.State,
	b store.Batch,
	stays []stay,
	in MoveBatchInput,
	from calendar.Date,
) (store.Batch, []string, error) {
	days := from.DaysSince(stays[in.Stay].From)
	start := startDay(b).AddDays(days)
	if start < s.Today {
		start = s.Today
	}
	places := slices.Clone(stays)
	if in.PlaceID != 0 {
		places[in.Stay].Place = in.PlaceID
	}
	attempt, err := u.attemptOf(s, b, places, start)
	if err != nil {
		return b, nil, err
	}
	outlook := attempt.Look(propagation.Runs, 1)
	var words []string
	if !mayStart(s, b, start) {
		words = append(words, fmt.Sprintf("%s is outside its season.", say.Capital(yearIfOther(s, start))))
	}
	if !outlook.DatesKnown {
		if len(outlook.Whys) > 0 {
			return b, nil, say.Faults{{Field: "from", Message: say.Sentence(string(outlook.Whys[0].Why))}}
		}
		return b, nil, say.Faults{{Field: "from", Message: "When it would be ready is not on record."}}
	}
	if outlook.ChanceKnown {
		words = append(words, fmt.Sprintf("%d plants by then: %s.", b.Wanted, say.InTen(outlook.Chance)))
	}
	b.PlannedOn = start.String()
	b.Stays = writeStays(staysOfOutlook(attempt, outlook, outdoorsPlace(s)))
	b.OutOn = attempt.Weathers.Date(outlook.Out.P50).String()
	return b, words, nil
}

// attemptOf is the attempt that a batch is, begun on a day, in the places of its stays.
func (u *Uses) attemptOf(
	s *plot.State,
	b store.Batch,
	stays []stay,
	start calendar.Date,
) (*propagation.Attempt, error) {
	species, has := s.Lib.Species(b.SpeciesID)
	if !has {
		return nil, say.ConflictError{Why: "The plant of this batch is not in the library any more."}
	}
	var row *flora.Propagation
	for i := range species.Propagations {
		if species.Propagations[i].Way == b.Way {
			row = &species.Propagations[i]
			break
		}
	}
	if row == nil {
		return nil, say.ConflictError{Why: "This way is not on record for it any more."}
	}
	w, err := u.weathers(s)
	if err != nil {
		return nil, err
	}
	killed := killedBelow(species)
	lore := s.Lib.Bench()
	a := &propagation.Attempt{
		Row: *row, Weathers: w, Lore: lore, Start: w.Index(start), By: -1, Wanted: int(b.Wanted), Started: int(b.Starts),
		OutOn: lore.Raising.OutDays(w, killed), KilledBelow: killed,
	}
	for _, st := range stays {
		place, known := placeOf(s, st.Place)
		if !known {
			continue
		}
		at := asPlace(place)
		switch st.Step {
		case stepCold, stepWarm:
			a.Rest = &at
		case stepRise, stepRoot:
			a.Rise = &at
		case stepGrow:
			a.Grow = &at
		}
	}
	if a.Grow == nil && b.Trays > 0 {
		a.Grow = a.Rise
	}
	if b.LotID != nil {
		if lot, known := rowOf(plot.SeedLots.Of(s), *b.LotID, func(r store.SeedLot) int64 { return r.ID }); known {
			a.Lot = knownLot(s, lot, start)
		}
	}
	return a, nil
}

// TryMove tells what a move would come to, and notes nothing.
func (u *Uses) TryMove(ctx context.Context, id int64, in MoveBatchInput) (MoveTriedView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MoveTriedView{}, err
	}
	b, err := openBatch(s, id)
	if err != nil {
		return MoveTriedView{}, err
	}
	after, words, err := u.moved(s, b, in)
	if err != nil {
		return MoveTriedView{}, err
	}
	return u.viewMoved(s, b, after, words), nil
}

func (u *Uses) viewMoved(s *plot.State, before, after store.Batch, words []string) MoveTriedView {
	v := MoveTriedView{Words: []string{}, Fits: true, Out: dayOf(&after.OutOn), Start: startDay(after)}
	was := dayOf(&before.OutOn)
	switch {
	case v.Out == was:
		v.Words = append(v.Words, "Out about "+yearIfOther(s, v.Out)+", as before.")
	default:
		v.Words = append(v.Words, fmt.Sprintf("Out about %s instead of %s.", yearIfOther(s, v.Out), yearIfOther(s, was)))
	}
	v.Words = append(v.Words, words...)
	sh := shelvesAsPlanned(s, before.ID)
	if why := sh.whyUnfit(s, after); why != othersFirst {
		v.Fits = false
		v.Words = append(v.Words, why)
	}
	return v
}

// MoveBatch moves a batch, or a part of its way.
func (u *Uses) MoveBatch(ctx context.Context, id int64, seen say.Version, in MoveBatchInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		b, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(b), "The batch of "+batchName(s, b)); err != nil {
			return journal.Record{}, err
		}
		after, _, err := u.moved(s, b, in)
		if err != nil {
			return journal.Record{}, err
		}
		if _, err := batchesTable.Put(ctx, d, id, batchParams(after)); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindBatch,
			Bed:  b.BedID,
			Summary: fmt.Sprintf("Moved the batch of %s: out about %s", batchName(s, b),
				yearIfOther(s, dayOf(&after.OutOn))),
		}, nil
	})
}

// SetBatchInput is what goes first where not everything fits.
type SetBatchInput struct {
	Priority int   `json:"priority" minimum:"1" maximum:"5"`
	Food     bool  `json:"food"`
	BedID    int64 `json:"bedId,omitempty" doc:"Where it is to stand; 0 for not decided"`
}

// SetBatch notes a batch's priority, whether it is food, and where it is to stand.
func (u *Uses) SetBatch(ctx context.Context, id int64, seen say.Version, in SetBatchInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		b, err := openBatch(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(b), "The batch of "+batchName(s, b)); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if in.Priority < 1 || in.Priority > 5 {
			c.Add("priority", "From 1, last, to 5, first.")
		}
		b.BedID = nil
		if in.BedID != 0 {
			if bed, has := s.BedByID[in.BedID]; !has || bed.RemovedOn != nil {
				c.Add("bedId", "Choose a bed that is on the plan.")
			}
			b.BedID = &in.BedID
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		b.Priority, b.Food = int64(in.Priority), 0
		if in.Food {
			b.Food = 1
		}
		_, err = batchesTable.Put(ctx, d, id, batchParams(b))
		return journal.Record{
			Kind:    kindBatch,
			Bed:     b.BedID,
			Summary: "Changed what goes first of the batch of " + batchName(s, b),
		}, err
	})
}

package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// BedWorkView is a day on which a bed is worked.
type BedWorkView struct {
	ID    int64         `json:"id"`
	BedID int64         `json:"bedId"`
	Bed   string        `json:"bed"`
	Day   calendar.Date `json:"day"`
	What  string        `json:"what"`
}

// worksAhead are the days to come on which beds are worked.
func worksAhead(s *plot.State) []BedWorkView {
	ahead := []BedWorkView{}
	for _, work := range bedWorks.Of(s) {
		if day := dayOf(&work.Day); work.RemovedOn == nil && day != plot.NoDay && day >= s.Today {
			ahead = append(ahead, BedWorkView{work.ID, work.BedID, s.BedByID[work.BedID].Name, day, work.What})
		}
	}
	return ahead
}

// BedWorkInput is a day on which a bed is worked.
type BedWorkInput struct {
	BedID int64  `json:"bedId"`
	Day   string `json:"day"`
	What  string `json:"what"`
}

// PlanBedWork notes when a bed is dug, tilled or hoed: what stands there is rescued before it.
func (u *Uses) PlanBedWork(ctx context.Context, in BedWorkInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		bed, err := input.StandingBed(s, in.BedID)
		if err != nil {
			c.Add("bedId", "Choose a bed that is on the plan.")
		}
		day, err := calendar.Parse(in.Day)
		if err != nil {
			c.Add("day", "This is not a whole day. Type one like 27 May 2031.")
		} else if day < s.Today {
			c.Add("day", "%s is past.", day.DayMonthYear())
		}
		what := c.Name("what", in.What)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err = bedWorksTable.Put(ctx, d, 0, store.PutBedWorkParams{BedID: in.BedID, Day: day.String(), What: what})
		return journal.Record{
			Kind:    kindBench,
			Bed:     &in.BedID,
			Summary: fmt.Sprintf("%s is to be worked on %s: %s", bed.Name, day.DayMonth(), what),
		}, err
	})
}

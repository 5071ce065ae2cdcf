package season

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

// AwayInput are days on which nobody is there.
type AwayInput struct {
	First string `json:"first"`
	Last  string `json:"last"`
	Note  string `json:"note,omitempty"`
}

// longestAwayDays is how long nobody may be there, in days.
const longestAwayDays = 366

// GoAway notes days on which nobody is there to pick.
func (u *Uses) GoAway(ctx context.Context, in AwayInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		first := input.ReadComingDay(s, &c, "first", in.First)
		last := input.ReadComingDay(s, &c, "last", in.Last)
		switch {
		case c.Err() != nil:
		case last < first:
			c.Add("last", "The last day comes before the first.")
		case last.DaysSince(first) >= longestAwayDays:
			c.Add("last", "That is longer than a year.")
		}
		row := store.PutDaysAwayParams{
			FirstDay: first.String(), LastDay: last.String(), Note: c.Text("note", in.Note, say.LongestNote),
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := daysAwayTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: kindSeason, Summary: "Away " + calendar.Span(first, last)}, err
	})
}

// StayAfterAll takes days away off the calendar.
func (u *Uses) StayAfterAll(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range daysAway.Of(s) {
			if row.ID == id {
				return journal.Record{
					Kind: kindSeason, Summary: fmt.Sprintf("Not away %s after all", viewAway(row).Words),
				}, daysAwayTable.Drop(ctx, d, id)
			}
		}
		return journal.Record{}, say.NotFoundError{What: "time away"}
	})
}

func viewAway(row store.DaysAway) AwayView {
	v := AwayView{ID: row.ID, First: row.FirstDay, Last: row.LastDay, Note: row.Note}
	first, err := calendar.Parse(row.FirstDay)
	last, err2 := calendar.Parse(row.LastDay)
	if err == nil && err2 == nil {
		v.Words = calendar.Span(first, last)
	}
	return v
}

// awayOn tells whether nobody is there on a day.
func awayOn(s *plot.State, day calendar.Date) bool {
	text := day.String()
	for _, row := range daysAway.Of(s) {
		if row.FirstDay <= text && text <= row.LastDay {
			return true
		}
	}
	return false
}

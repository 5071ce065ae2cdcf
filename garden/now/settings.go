package now

import (
	"context"
	"math"
	"strconv"
	"time"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

const kindWork = "work"

// HoursInput is the time there is for the garden by weekday, and from which chance on a cold night is told.
type HoursInput struct {
	// Minutes are of Monday to Sunday, as typed: 45, 1 h 30 min, or empty.
	Minutes []string `json:"minutes" minItems:"7" maxItems:"7" doc:"Of Monday to Sunday, as typed"`
	// NightChance is in tenths, 1 to 9.
	NightChance int `json:"nightChance" minimum:"1" maximum:"9" doc:"From how many in ten on a cold night is told"`
}

// HoursView is what was said of the time there is.
type HoursView struct {
	Version     say.Version `json:"version"`
	Days        []string    `json:"days" doc:"Monday to Sunday"`
	Minutes     []string    `json:"minutes" doc:"As typed last; empty where nobody said"`
	NightChance int         `json:"nightChance"`
}

// Hours is the time there is for the garden by weekday.
func (u *Uses) Hours(ctx context.Context) (HoursView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return HoursView{}, err
	}
	return viewHours(s), nil
}

func viewHours(s *plot.State) HoursView {
	w := s.Work()
	v := HoursView{Version: say.VersionOf(w), NightChance: int(math.Round(10 * w.NightChance))}
	for i, minutes := range plot.GardenMinutes(w) {
		v.Days = append(v.Days, time.Weekday((i+1)%7).String())
		text := ""
		if minutes != nil {
			text = strconv.FormatInt(*minutes, 10)
		}
		v.Minutes = append(v.Minutes, text)
	}
	return v
}

// SetHours notes the time there is for the garden.
func (u *Uses) SetHours(ctx context.Context, seen say.Version, in HoursInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(viewHours(s).Version, "the time for the garden"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := store.PutWorkSettingsParams{NightChance: float64(in.NightChance) / 10}
		if in.NightChance < 1 || in.NightChance > 9 {
			c.Add("nightChance", "Say from how many in ten on: 1 to 9.")
		}
		if len(in.Minutes) != 7 {
			c.Add("minutes", "Say the time of each of the seven days.")
			return journal.Record{}, c.Err()
		}
		days := []**int64{&row.Monday, &row.Tuesday, &row.Wednesday, &row.Thursday, &row.Friday, &row.Saturday, &row.Sunday}
		total := int64(0)
		for i, text := range in.Minutes {
			minutes := input.ReadMinutes(&c, "minutes."+strconv.Itoa(i), text)
			if *days[i] = minutes; minutes != nil {
				total += *minutes
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		was := s.Work()
		if was.ID != 0 {
			row.ID = &was.ID
		}
		_, err := plot.WorkTable.Put(ctx, d, was.ID, row)
		summary := "Time for the garden: " + say.MinutesWords(float64(total)) + " a week"
		if total == 0 {
			summary = "Time for the garden: not said"
		}
		return journal.Record{Kind: kindWork, Summary: summary}, err
	})
}

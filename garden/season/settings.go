package season

import (
	"context"
	"strconv"
	"time"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// pickMinutes are the minutes for picking by weekday: those said for it, else those for the garden.
func pickMinutes(s *plot.State) plot.WeekMinutes {
	w := s.GatherSettings()
	own := plot.WeekMinutes{w.Monday, w.Tuesday, w.Wednesday, w.Thursday, w.Friday, w.Saturday, w.Sunday}
	if own.Said() {
		return own
	}
	return plot.GardenMinutes(s.Work())
}

// MakeDoView is what the season's pickings have to make do with.
type MakeDoView struct {
	Version   say.Version `json:"version"`
	Trays     string      `json:"trays" doc:"How many trays the drier has; empty where nobody said, 0 for no drier"`
	TrayWords string      `json:"trayWords" doc:"The space of one tray, as it may be typed"`
	TrayM2    float64     `json:"trayM2"`
	Warmth    string      `json:"warmth" doc:"How warm the drier is kept, as it may be typed"`
	MovingAir bool        `json:"movingAir"`
	Days      []string    `json:"days" doc:"Monday to Sunday"`
	Minutes   []string    `json:"minutes" doc:"For picking; empty where nobody said"`
	Garden    bool        `json:"garden" doc:"Nobody said any for picking: the time for the garden stands for it"`
	NoLimit   bool        `json:"noLimit" doc:"Nobody said anything of the time there is"`
	Away      []AwayView  `json:"away"`
}

// AwayView are days on which nobody is there to pick.
type AwayView struct {
	ID    int64  `json:"id"`
	First string `json:"first"`
	Last  string `json:"last"`
	Words string `json:"words"`
	Note  string `json:"note"`
}

// MakeDo is what the season's pickings have to make do with.
func (u *Uses) MakeDo(ctx context.Context) (MakeDoView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MakeDoView{}, err
	}
	return viewMakeDo(s), nil
}

func viewMakeDo(s *plot.State) MakeDoView {
	row := s.GatherSettings()
	v := MakeDoView{
		Version: say.VersionOf(row), TrayM2: row.TrayM2, MovingAir: row.MovingAir != 0, Away: []AwayView{},
		TrayWords: s.Units.SmallArea(row.TrayM2), Warmth: s.Units.Temperature(row.Celsius),
	}
	if row.Trays != nil {
		v.Trays = strconv.FormatInt(*row.Trays, 10)
	}
	own := plot.WeekMinutes{row.Monday, row.Tuesday, row.Wednesday, row.Thursday, row.Friday, row.Saturday, row.Sunday}
	for i, minutes := range own {
		v.Days = append(v.Days, time.Weekday((i+1)%7).String())
		text := ""
		if minutes != nil {
			text = strconv.FormatInt(*minutes, 10)
		}
		v.Minutes = append(v.Minutes, text)
	}
	v.NoLimit = !pickMinutes(s).Said()
	v.Garden = !own.Said() && !v.NoLimit
	for _, away := range daysAway.Of(s) {
		v.Away = append(v.Away, viewAway(away))
	}
	return v
}

// MakeDoInput changes what the pickings have to make do with.
type MakeDoInput struct {
	input.DrierInput
	Minutes []string `json:"minutes" minItems:"7" maxItems:"7" doc:"Of Monday to Sunday, as typed"`
}

// SetMakeDo notes what the pickings have to make do with.
func (u *Uses) SetMakeDo(ctx context.Context, seen say.Version, in MakeDoInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		before := s.GatherSettings()
		if err := seen.IsOf(say.VersionOf(before), "the drier and the time for picking"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := plot.GatherSettingsParams(before)
		input.ReadDrier(s, &c, in.DrierInput, &row)
		if len(in.Minutes) != 7 {
			c.Add("minutes", "Say the time of each of the seven days.")
			return journal.Record{}, c.Err()
		}
		days := []**int64{&row.Monday, &row.Tuesday, &row.Wednesday, &row.Thursday, &row.Friday, &row.Saturday, &row.Sunday}
		for i, text := range in.Minutes {
			*days[i] = input.ReadMinutes(&c, "minutes."+strconv.Itoa(i), text)
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := plot.GatherSettingsTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindSeason, Summary: "Changed the drier and the time for picking"}, err
	})
}

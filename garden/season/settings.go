package season

import (
	"cmp"
	"context"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/harvest"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// What stands for a drier until somebody says how it is: a small one with a fan, not too warm for leaf.
const (
	unsaidTrayM2  = 0.12
	unsaidCelsius = 35
)

// settingsOf are what the season's pickings have to make do with, or what stands for it until somebody says.
func settingsOf(s *plot.State) store.GatherSetting {
	if rows := settingsRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.GatherSetting{TrayM2: unsaidTrayM2, Celsius: unsaidCelsius, MovingAir: 1}
}

// drierOf is the drier as the sums take it.
func drierOf(row store.GatherSetting) harvest.Drier {
	return harvest.Drier{Celsius: row.Celsius, MovingAir: row.MovingAir != 0}
}

// pickMinutes are the minutes for picking by weekday: those said for it, else those for the garden.
func pickMinutes(s *plot.State) plot.WeekMinutes {
	w := settingsOf(s)
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
	row := settingsOf(s)
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
	Trays     string   `json:"trays" doc:"How many; empty for nobody said"`
	Tray      string   `json:"tray" doc:"The space of one, as typed: its area, or width × depth"`
	Warmth    string   `json:"warmth" doc:"As typed"`
	MovingAir bool     `json:"movingAir"`
	Minutes   []string `json:"minutes" minItems:"7" maxItems:"7" doc:"Of Monday to Sunday, as typed"`
}

// SetMakeDo notes what the pickings have to make do with.
func (u *Uses) SetMakeDo(ctx context.Context, seen say.Version, in MakeDoInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		before := settingsOf(s)
		if err := seen.IsOf(say.VersionOf(before), "the drier and the time for picking"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		// What is shown is rounded: what stands is not changed by saving it unchanged.
		row := store.PutGatherSettingsParams{TrayM2: before.TrayM2, Celsius: before.Celsius}
		if in.Tray != s.Units.SmallArea(before.TrayM2) {
			row.TrayM2 = readTray(s, &c, in.Tray)
		}
		if in.Warmth != s.Units.Temperature(before.Celsius) {
			row.Celsius = readWarmth(s, &c, in.Warmth)
		}
		if in.MovingAir {
			row.MovingAir = 1
		}
		if text := strings.TrimSpace(in.Trays); text != "" {
			trays, err := strconv.ParseInt(text, 10, 64)
			if err != nil || trays < 0 || trays > mostTrays {
				c.Add("trays", "Count the trays: a whole number from 0 to %d.", mostTrays)
			}
			row.Trays = &trays
		}
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
		if before.ID != 0 {
			row.ID = &before.ID
		}
		_, err := settingsTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindSeason, Summary: "Changed the drier and the time for picking"}, err
	})
}

const mostTrays = 1000

// readTray reads the space of a tray in m²: as an area, or as width by depth.
func readTray(s *plot.State, c *say.Checklist, text string) float64 {
	const least, most = 0.005, 4
	m2 := 0.0
	// A unit that stands behind the depth alone holds for both.
	wide, deep, by := strings.Cut(strings.NewReplacer("×", "x", " by ", "x").Replace(strings.ToLower(text)), "x")
	if by {
		_, common, _ := unit.SplitNumber(strings.TrimSpace(deep))
		width, err := unit.Parse(unit.Length, wide, cmp.Or(strings.TrimSpace(common), s.Units.LengthUnit()))
		depth, err2 := unit.Parse(unit.Length, deep, s.Units.LengthUnit())
		if err != nil || err2 != nil {
			c.Add("tray", "Write its width and depth, for example 30 × 40 cm.")
			return unsaidTrayM2
		}
		m2 = width * depth
	} else if area, err := unit.Parse(unit.Area, text, "m²"); err != nil {
		c.Add("tray", "Write its width and depth, for example 30 × 40 cm.")
		return unsaidTrayM2
	} else {
		m2 = area
	}
	if !(m2 >= least && m2 <= most) {
		c.Add("tray", "A tray has from %.0f cm² to %d m².", least*1e4, most)
		return unsaidTrayM2
	}
	return m2
}

func readWarmth(s *plot.State, c *say.Checklist, text string) float64 {
	const least, most = 5, 90
	celsius, err := unit.Parse(unit.Temperature, text, s.Units.TemperatureUnit())
	switch {
	case err != nil:
		c.AddError("warmth", err)
	case !(celsius >= least && celsius <= most):
		c.Add("warmth", "A drier or a room has from %s to %s.", s.Units.Temperature(least), s.Units.Temperature(most))
	default:
		return celsius
	}
	return unsaidCelsius
}

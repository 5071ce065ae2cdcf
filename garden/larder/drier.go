package larder

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/station"
)

// DrierView is the drier with its trays, and what waits for it.
type DrierView struct {
	Version   say.Version   `json:"version"`
	Kind      string        `json:"kind" enum:"drier,rack,bunches,oven"`
	Words     string        `json:"words" doc:"How warm, whether the air moves, how many trays are free"`
	Now       string        `json:"now" doc:"The moment it is told for, as it may be typed"`
	NowWords  string        `json:"nowWords"`
	TrayCount string        `json:"trayCount" doc:"How many trays it has, as typed; empty where nobody said"`
	Tray      string        `json:"tray" doc:"The space of one, as it may be typed"`
	Warmth    string        `json:"warmth"`
	MovingAir bool          `json:"movingAir"`
	Watts     string        `json:"watts" doc:"What it draws; empty where nobody said"`
	Trays     []DrierTray   `json:"trays"`
	Waits     []DrierWait   `json:"waits" doc:"The baskets that wait, the first to spoil first"`
	Proposal  []PlacingView `json:"proposal" doc:"How the baskets may be laid on the free trays"`
	NoRoom    []string      `json:"noRoom" doc:"What finds no room"`
	Used      string        `json:"used" doc:"Hours and electricity of this year; empty for none"`
	Humidity  string        `json:"humidity" doc:"Of the air that leaves it; empty while nothing dries"`
	Sensors   []string      `json:"sensors" doc:"The stand-ins that tell weight and humidity"`
	Nights    []NightView   `json:"nights" doc:"The nights on the axis"`
	Axis      float64       `json:"axis" doc:"How many hours ahead the axis goes"`
	Ticks     []TickView    `json:"ticks"`
}

// NightView is a night, in hours from now.
type NightView struct {
	From float64 `json:"from"`
	To   float64 `json:"to"`
}

// TickView is a day's beginning on the axis, in hours from now.
type TickView struct {
	At    float64 `json:"at"`
	Words string  `json:"words"`
}

// DrierTray is a tray.
type DrierTray struct {
	Number int64       `json:"number"`
	Lot    *DryingView `json:"lot" doc:"null for a free tray"`
}

// Drier returns the drier as it stands.
func (u *Uses) Drier(ctx context.Context) (DrierView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return DrierView{}, err
	}
	now := u.plot.Moment()
	settings := s.GatherSettings()
	v := DrierView{
		Version: say.VersionOf(settings), Kind: drierKind(settings.Drier), Now: plot.MomentText(now),
		NowWords: calendar.OfTime(now).DayMonth() + ", " + now.Format("15:04"),
		Tray:     s.Units.SmallArea(settings.TrayM2), Warmth: s.Units.Temperature(settings.Celsius),
		MovingAir: settings.MovingAir != 0, Trays: []DrierTray{}, Waits: []DrierWait{}, Proposal: []PlacingView{},
		NoRoom: []string{}, Nights: []NightView{}, Ticks: []TickView{},
	}
	if settings.Trays != nil {
		v.TrayCount = strconv.FormatInt(*settings.Trays, 10)
	}
	if settings.Watts != nil {
		v.Watts = strconv.FormatFloat(*settings.Watts, 'f', -1, 64)
	}
	hold := heldOf(s)
	onTray := map[int64]tray{}
	var odd []tray // on trays that the drier does not have any more
	water := 0.0
	for _, t := range trays(s) {
		if _, twice := onTray[t.number]; twice || t.number < 1 || t.number > trayCount(s) {
			odd = append(odd, t)
			continue
		}
		onTray[t.number] = t
	}
	var free []keeping.Tray
	add := func(number int64, t tray) {
		lot := viewDrying(s, t, now, hold)
		water += t.waterAnHour(now)
		v.Trays = append(v.Trays, DrierTray{number, &lot})
	}
	for number := int64(1); number <= trayCount(s); number++ {
		if t, taken := onTray[number]; taken {
			add(number, t)
			continue
		}
		v.Trays = append(v.Trays, DrierTray{Number: number})
		free = append(free, keeping.Tray{Number: int(number), M2: settings.TrayM2})
	}
	for _, t := range odd {
		add(t.number, t)
	}
	markLaggards(v.Trays)
	v.Words = drierWords(s, v.Kind, len(free))
	v.addWaiting(s, now, free)
	v.Used = usedWords(s, now)
	scale := scaleOf(s)
	v.Sensors = []string{scale.Name()}
	if len(onTray) > 0 {
		meter := station.NewSimulatedHygrometer(uint64(s.Site.WeatherSeed))
		percent, err := meter.Percent(float64(now.Unix())/3600, water)
		if err != nil {
			return v, fmt.Errorf("read the humidity: %w", err)
		}
		v.Humidity = fmt.Sprintf("%.0f %% damp", percent)
		v.Sensors = append(v.Sensors, meter.Name())
	}
	v.addAxis(now)
	return v, nil
}

// drierKinds are what a drier may be.
var drierKinds = []string{"drier", "rack", "bunches", "oven"}

func drierKind(stored string) string {
	if slices.Contains(drierKinds, stored) {
		return stored
	}
	return drierKinds[0]
}

func drierWords(s *plot.State, kind string, free int) string {
	settings := s.GatherSettings()
	words := s.Units.Temperature(settings.Celsius)
	if settings.MovingAir != 0 {
		words += ", moving air"
	} else {
		words += ", still air"
	}
	one, many := "tray", "trays"
	if kind == "bunches" {
		one, many = "hook", "hooks"
	}
	switch all := trayCount(s); {
	case all == 0:
		return words + " · no " + many
	case free == 0:
		return fmt.Sprintf("%s · all %s taken", words, say.Counted(float64(all), one, many))
	default:
		return fmt.Sprintf("%s · %d of %s free", words, free, say.Counted(float64(all), one, many))
	}
}

// axisHours is how far ahead the drier's axis goes at least and at most.
const axisHours, mostAxisHours = 36.0, 24 * 14.0

func (v *DrierView) addAxis(now time.Time) {
	v.Axis = axisHours
	for _, t := range v.Trays {
		if t.Lot != nil {
			v.Axis = math.Max(v.Axis, math.Min(mostAxisHours, t.Lot.Late+4))
		}
	}
	midnight := now.Truncate(24 * time.Hour)
	for day := 0; ; day++ {
		at := midnight.AddDate(0, 0, day)
		hours := at.Sub(now).Hours()
		if hours > v.Axis {
			break
		}
		if day > 0 {
			words := at.Weekday().String() + " " + strconv.Itoa(at.Day())
			v.Ticks = append(v.Ticks, TickView{hours, words})
		}
		const evening, morning = 22.0, 30.0
		if hours+evening < v.Axis && hours+morning > 0 {
			v.Nights = append(v.Nights, NightView{math.Max(0, hours+evening), math.Min(v.Axis, hours+morning)})
		}
	}
}

// usedWords are the hours that the drier ran this year, and what it drew.
func usedWords(s *plot.State, now time.Time) string {
	type run struct{ from, to time.Time }
	begin := time.Date(now.Year(), 1, 1, 0, 0, 0, 0, time.UTC)
	beginText := plot.MomentText(begin)
	var runs []run
	for _, lot := range plot.Lots.Of(s) {
		if lot.Making != makingDried || lot.BoughtFrom != "" || lot.EndedAt != nil && *lot.EndedAt < beginText {
			continue
		}
		from, err := plot.ParseMoment(lot.BegunAt)
		to := now
		if err != nil {
			continue
		}
		if lot.EndedAt != nil {
			if to, err = plot.ParseMoment(*lot.EndedAt); err != nil || to.Before(begin) {
				continue
			}
		}
		if from.Before(begin) {
			from = begin
		}
		if to.After(from) {
			runs = append(runs, run{from, to})
		}
	}
	slices.SortFunc(runs, func(a, b run) int { return a.from.Compare(b.from) })
	hours, until := 0.0, begin
	for _, r := range runs {
		if r.from.Before(until) {
			r.from = until
		}
		if r.to.After(r.from) {
			hours += r.to.Sub(r.from).Hours()
			until = r.to
		}
	}
	if hours == 0 {
		return ""
	}
	words := fmt.Sprintf("%.0f hours this year", hours)
	if watts := s.GatherSettings().Watts; watts != nil && *watts > 0 {
		words += fmt.Sprintf(", about %s kWh", say.Number(hours**watts/1000))
	}
	return words
}

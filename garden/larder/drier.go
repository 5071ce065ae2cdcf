package larder

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
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

// DryingView is what dries on a tray.
type DryingView struct {
	LotID     int64     `json:"lotId"`
	Label     string    `json:"label" doc:"The lot's number, 3 of 2031"`
	Name      string    `json:"name"`
	SpeciesID string    `json:"speciesId"`
	Part      string    `json:"part"`
	Dries     string    `json:"dries" doc:"thin leaf, flower, root …"`
	Fresh     string    `json:"fresh" doc:"What was laid in"`
	Weighs    string    `json:"weighs" doc:"What it weighs now, by the last weighing and how it dries"`
	Since     string    `json:"since"`
	WaterLeft float64   `json:"waterLeft" doc:"Share of its first water that is in it now, 0 to 1"`
	Early     float64   `json:"early" doc:"Hours from now until it is dry, 1 in 10; below 0 for gone by"`
	Middle    float64   `json:"middle"`
	Late      float64   `json:"late"`
	Finish    string    `json:"finish" doc:"When it is dry, in words, 8 in 10"`
	Chance    string    `json:"chance" doc:"How likely it is dry by now; empty for hardly"`
	Dry       bool      `json:"dry" doc:"As likely dry as not: test it in the hand"`
	Curve     []float64 `json:"curve" doc:"Share of its first water still in it, hour by hour from now on"`
	Weighings []string  `json:"weighings"`
	Test      string    `json:"test" doc:"The test in the hand"`
	Expected  string    `json:"expected" doc:"What it will weigh dry, as it may be typed"`
	TooWarm   string    `json:"tooWarm" doc:"Where the drier is warmer than it bears; empty else"`
	Lags      string    `json:"lags" doc:"Where it dries late, and what to do; empty else"`
	Held      string    `json:"held" doc:"Why it is held back; empty else"`
	Standing  string    `json:"standing"`
}

// DrierWait is a basket that waits.
type DrierWait struct {
	PickingID int64   `json:"pickingId"`
	SpeciesID string  `json:"speciesId"`
	Part      string  `json:"part"`
	Dries     string  `json:"dries"`
	Name      string  `json:"name"`
	Left      string  `json:"left"`
	From      string  `json:"from"`
	Hours     float64 `json:"hours" doc:"Until it spoils; below 0 for past it"`
	Spoils    string  `json:"spoils" doc:"Until when it keeps, in words"`
	State     string  `json:"state" enum:"to sort,fit for use,held back"`
	Why       string  `json:"why" doc:"Why it may not be dried yet"`
	CanDry    bool    `json:"canDry"`
}

// PlacingView is what of a basket may lie on a tray.
type PlacingView struct {
	Tray      int64  `json:"tray"`
	PickingID int64  `json:"pickingId"`
	Name      string `json:"name"`
	Amount    string `json:"amount" doc:"As it may be typed"`
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

// waterAnHour is how many grams of water leave a tray in the hour that begins now.
func (t tray) waterAnHour(now time.Time) float64 {
	if !t.known {
		return 0
	}
	hours := t.hoursSince(now)
	return t.forecast.GramsAfter(hours) - t.forecast.GramsAfter(hours+1)
}

// axisHours is how far ahead the drier's axis goes at least and at most.
const axisHours, mostAxisHours = 36.0, 24 * 14.0

func viewDrying(s *plot.State, t tray, now time.Time, hold held) DryingView {
	v := DryingView{
		LotID: t.lot.ID, Label: lotLabel(t.lot), Name: t.name(), SpeciesID: t.lot.SpeciesID, Part: t.lot.Part,
		Dries: t.part.Keep.Dries, Fresh: amount(s, t.fresh, 0), Since: "in since " + momentWords(now, t.loaded),
		Curve: []float64{}, Weighings: []string{}, Test: testWords(t), Held: hold.whyLot(t.lot), WaterLeft: 1,
	}
	if now.Truncate(24 * time.Hour).Equal(t.loaded.Truncate(24 * time.Hour)) {
		v.Since = "in since " + strings.TrimPrefix(t.loaded.Format("15:04"), "0")
	}
	for _, w := range s.WeightsOfLot(t.lot.ID) {
		at, err := plot.ParseMoment(w.At)
		if err != nil {
			continue
		}
		v.Weighings = append(v.Weighings, fmt.Sprintf("%s: %s, %s", momentWords(now, at), amount(s, w.Grams, 0), w.Source))
	}
	if !t.known {
		v.Weighs = v.Fresh
		v.Finish = "nothing is on record of how it dries: test it in the hand"
		return v
	}
	hours := t.hoursSince(now)
	finish := t.forecast.Finish()
	v.Early, v.Middle, v.Late = finish.Early-hours, finish.Middle-hours, finish.Late-hours
	v.Weighs = amount(s, t.forecast.GramsAfter(hours), 0)
	v.Expected = amount(s, finish.Grams, 0)
	v.Finish = finishWords(now, t.after(finish.Early), t.after(finish.Late))
	chance := t.forecast.DoneBy(hours)
	v.Dry = chance >= 0.5
	if chance >= 0.1 {
		v.Chance = "dry by now: " + say.InTen(math.Min(chance, 0.94))
	}
	solid := finish.Grams * 0.9
	left := func(at float64) float64 {
		return say.Round2(math.Max(0, math.Min(1, (t.forecast.GramsAfter(at)-solid)/math.Max(1e-9, t.fresh-solid))))
	}
	v.WaterLeft = left(hours)
	for h := 0.0; h <= math.Min(mostAxisHours, math.Max(1, v.Late)); h += curveStep(v.Late) {
		v.Curve = append(v.Curve, left(hours+h))
	}
	if bears := t.part.Keep.Heat; bears != nil && s.GatherSettings().Celsius > bears.Value {
		v.TooWarm = fmt.Sprintf("No warmer than %s for it: turn the drier down, or it loses what it is dried for.",
			s.Units.Temperature(bears.Value))
	}
	kind, _ := s.Lib.Gather().Of(t.part.Keep.Dries)
	v.Standing = kind.Rate.Standing.String()
	if len(t.weights) > 0 || len(ownPaces(s, t.stuff)) > 0 {
		v.Standing = "measured"
	}
	return v
}

// curveStep is how many hours lie between the points of a curve: no more points than can be seen.
func curveStep(late float64) float64 { return math.Max(1, math.Ceil(late/48)) }

func finishWords(now, early, late time.Time) string {
	switch {
	case late.Before(now):
		return "should be dry: test it in the hand"
	case early.Before(now):
		return "from now to " + momentWords(now, late)
	}
	return spanWords(now, early, late)
}

// markLaggards says of trays that dry later than others of their kind, by what was weighed, what to do.
func markLaggards(all []DrierTray) {
	const lag = 1.25
	for i, one := range all {
		if one.Lot == nil || len(one.Lot.Weighings) == 0 {
			continue
		}
		var others []float64
		for j, other := range all {
			if i != j && other.Lot != nil && other.Lot.Name == one.Lot.Name && len(other.Lot.Weighings) > 0 {
				others = append(others, other.Lot.Middle)
			}
		}
		if len(others) == 0 {
			continue
		}
		first := slices.Min(others)
		if one.Lot.Middle > math.Max(first, 1)*lag && one.Lot.Middle-first > 1 {
			all[i].Lot.Lags = fmt.Sprintf("About %.0f h later than the other: keep them apart, or spread it thinner.",
				one.Lot.Middle-first)
		}
	}
}

func (v *DrierView) addWaiting(s *plot.State, now time.Time, free []keeping.Tray) {
	var waits []keeping.Waits
	of := map[int64]DrierWait{}
	for _, b := range baskets(s) {
		name := say.PartOf(b.Planting.Species.Names.Name, b.Picking.Part)
		w := DrierWait{
			PickingID: b.Picking.ID, SpeciesID: b.Planting.SpeciesID, Part: b.Picking.Part, Dries: b.part.Keep.Dries,
			Name: name, Left: amount(s, b.left, 0), From: pickedWords(b.PickedFrom),
			Hours: say.Round1(b.spoils.Sub(now).Hours()), Spoils: spoilWords(now, b.spoils),
		}
		w.State, w.Why = view.BasketState(s, b.Planting, b.Picking)
		load, dries := s.Lib.Gather().Of(b.part.Keep.Dries)
		w.CanDry = dries && w.State == view.BasketFit
		if !dries && w.Why == "" {
			w.Why = "It is not dried: freeze it, or make something of it."
		}
		v.Waits = append(v.Waits, w)
		of[w.PickingID] = w
		if w.CanDry {
			waits = append(waits, keeping.Waits{
				ID: w.PickingID, Kind: b.Planting.SpeciesID + "/" + b.Picking.Part, Grams: b.left,
				GramsPerM2: load.Load.Value, Spoils: w.Hours,
			})
		}
	}
	placed, left := keeping.Load(free, waits)
	for _, p := range placed {
		v.Proposal = append(v.Proposal, PlacingView{int64(p.Tray), p.ID, of[p.ID].Name, amount(s, p.Grams, 0)})
	}
	for _, w := range waits {
		if grams, has := left[w.ID]; has {
			v.NoRoom = append(v.NoRoom, fmt.Sprintf("%s of %s: %s", amount(s, grams, 0), of[w.ID].Name, of[w.ID].Spoils))
		}
	}
}

func spoilWords(now, spoils time.Time) string {
	switch hours := spoils.Sub(now).Hours(); {
	case hours <= 0:
		return "past its time: look it over before you dry it"
	case hours < 1.5:
		return "within the hour, or it spoils"
	case hours < 36:
		return fmt.Sprintf("within %.0f hours, or it spoils", math.Floor(hours))
	default:
		return fmt.Sprintf("within %.0f days", math.Floor(hours/24))
	}
}

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

package bench

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/phenology"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// WaysView is every way side by side.
type WaysView struct {
	WishID    int64    `json:"wishId" doc:"0 where it is no wish yet"`
	SpeciesID string   `json:"speciesId"`
	Name      string   `json:"name"`
	Botanical string   `json:"botanical"`
	Plants    int      `json:"plants"`
	Words     string   `json:"words" doc:"Wish: 6 plants in Nut Shade by 1 May"`
	Warnings  []string `json:"warnings"`
	// Cannot says why the wish cannot be met; empty where it can.
	Cannot  string        `json:"cannot"`
	Ways    []WayView     `json:"ways"`
	Weights WeightsView   `json:"weights"`
	From    calendar.Date `json:"from" doc:"Today: where the fan begins"`
	Until   calendar.Date `json:"until" doc:"The last day that the fan reaches"`
	Assumes string        `json:"assumes"`
}

// WayView is one way to make more.
type WayView struct {
	Key       string             `json:"key"`
	Way       string             `json:"way"`
	Title     string             `json:"title"`
	Where     string             `json:"where"`
	How       string             `json:"how"`
	Advised   bool               `json:"advised"`
	Possible  bool               `json:"possible"`
	Starts    int                `json:"starts"`
	StartVerb string             `json:"startVerb"`
	StartText string             `json:"startText" doc:"Sow 47 on 3 March"`
	Start     calendar.Date      `json:"start"`
	LatestBy  string             `json:"latestBy" doc:"The last day to start and be in time; empty where none is asked or none is enough"`
	Chance    *float64           `json:"chance" doc:"null where it cannot be told"`
	ChanceIs  string             `json:"chanceIs"`
	Ready     *say.DatesView     `json:"ready" doc:"null where it cannot be told"`
	Plants    string             `json:"plants" doc:"How many stand then"`
	Harvests  []FirstHarvestView `json:"harvests"`
	Money     string             `json:"money"`
	Minutes   float64            `json:"minutes"`
	Hours     string             `json:"hours"`
	Has       []string           `json:"has"`
	Lacks     []string           `json:"lacks"`
	Fails     []string           `json:"fails" doc:"Why it may fail, with how often"`
	Wrong     []string           `json:"wrong" doc:"What goes wrong with it"`
	Missing   []string           `json:"missing" doc:"What is not on record"`
	Assumed   []string           `json:"assumed" doc:"Figures whose range is assumed"`
	Standing  string             `json:"standing"`
	Because   string             `json:"because" doc:"Why it stands where it does in the order"`
	Steps     []WayStepView      `json:"steps"`
	Trays     int                `json:"trays"`
	Loses     string             `json:"loses" doc:"What the mother loses"`
	Drawn     []calendar.Date    `json:"drawn" doc:"Ready in 1, 5 and 9 of 10 runs, for drawing; none where it cannot be told"`
}

// FirstHarvestView is when a part is first taken.
type FirstHarvestView struct {
	Part string `json:"part"`
	Text string `json:"text"`
	// On is the middle of its days, for drawing.
	On calendar.Date `json:"on" doc:"The middle of its days; the first day of all where it does not come"`
}

// WayStepView is one step of a way with its days.
type WayStepView struct {
	Step  string        `json:"step" enum:"warm,cold,rise,root,grow,harden,out"`
	Words string        `json:"words"`
	From  calendar.Date `json:"from"`
	Until calendar.Date `json:"until"`
	Where string        `json:"where"`
}

// Ways compares every way to make more of a plant.
func (u *Uses) Ways(ctx context.Context, in AskInput) (WaysView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return WaysView{}, err
	}
	of, err := readAsk(s, in)
	if err != nil {
		return WaysView{}, err
	}
	all, err := u.variants(s, of)
	if err != nil {
		return WaysView{}, err
	}
	return u.viewWays(s, of, all, in.Wish), nil
}

func (u *Uses) viewWays(s *plot.State, of ask, all []*variant, wish int64) WaysView {
	settings := settingsOf(s)
	v := WaysView{
		WishID: wish, SpeciesID: of.species.ID, Name: of.species.Names.Name, Botanical: of.species.Names.Botanical,
		Plants: of.wanted, Words: wishWords(of), Warnings: view.WarningsBeforeSetting(of.species), Ways: []WayView{},
		Weights: WeightsView{settings.Soon, settings.Cheap, settings.Certain, settings.Easy},
		From:    s.Today, Until: s.Today.AddDays(yearDays),
		Assumes: assumesWords(s.Lib.Bench().Doubt),
	}
	costs := map[*variant]cost{}
	for _, one := range all {
		costs[one] = costOf(s, one, settings)
	}
	scores, because := scoreOf(s, all, costs, v.Weights)
	sortVariants(all, scores)
	sh := shelvesAsPlanned(s, 0)
	for _, one := range all {
		u.tellRoom(s, sh, one, settings)
		way := u.viewWay(s, of, one, costs[one], settings.Currency)
		way.Because = because[one]
		if len(way.Drawn) == 3 && way.Possible {
			v.Until = max(v.Until, way.Drawn[2].AddDays(30))
		}
		v.Ways = append(v.Ways, way)
	}
	v.Cannot = cannotWords(of, all)
	return v
}

// tellRoom says whether a way's trays find room among what is planned, and of what waits for rain how
// likely that is.
func (u *Uses) tellRoom(s *plot.State, sh *shelves, v *variant, settings store.Bench) {
	if !v.possible {
		return
	}
	if trays := traysFor(v.starts, settings); v.place != nil && v.outlook.DatesKnown {
		b := store.Batch{Trays: int64(trays), Stays: writeStays(staysOfOutlook(&v.attempt, v.outlook, outdoorsPlace(s)))}
		if why := sh.whyUnfit(s, b); why != othersFirst {
			v.lacks = append(v.lacks, "room: "+say.LowerFirst(why))
		} else {
			v.has = append(v.has, fmt.Sprintf("room for %s in %s", say.Counted(float64(trays), "tray", "trays"), v.place.Name))
		}
	}
	if v.way.OpenRain && v.place == nil {
		rain := s.Lib.Bench().Rain.Soaking()
		chance := rain.ChanceByWeek(v.attempt.Weathers, v.attempt.Start, 8)
		v.has = append(
			v.has,
			fmt.Sprintf("it waits for the first soaking rain, %s in %d days: within two weeks %s, within eight %s",
				s.Units.Rain(rain.MM), rain.Days, chanceWords(chance[1]), chanceWords(chance[7])),
		)
	}
}

// titles name the ways as growers do.
var titles = map[string]string{
	"seed": "Seed", "volunteers": "Volunteers", "division": "Division", "root piece": "Pieces of root",
	"runner": "Runners",
	"sucker": "Suckers", "layer": "Layers", "bulb": "Bulbs", "softwood cutting": "Soft cuttings",
	"half-ripe cutting": "Half-ripe cuttings", "hardwood cutting": "Hardwood cuttings", "leaf cutting": "Leaf cuttings",
	"root cutting": "Root cuttings", "graft": "Grafts", "bought": "Bought",
}

func (u *Uses) viewWay(s *plot.State, of ask, v *variant, c cost, currency string) WayView {
	w, o := v.attempt.Weathers, v.outlook
	out := WayView{
		Key: v.key, Way: v.row.Way, Title: titles[v.row.Way], How: v.row.How, Advised: v.row.IsAdvised(),
		Possible: v.possible,
		Starts:   v.starts, StartVerb: string(v.way.Deed), Start: w.Date(v.attempt.Start),
		Has: view.NonNil(v.has), Lacks: view.NonNil(v.lacks), Fails: []string{}, Wrong: view.NonNil(v.row.Wrong),
		Missing: view.NonNil(
			o.Missing,
		), Assumed: view.NonNil(o.Assumed), Standing: o.Standing.String(), Harvests: []FirstHarvestView{},
		Steps: []WayStepView{}, Drawn: []calendar.Date{},
	}
	if v.possible {
		out.Money, out.Minutes, out.Hours = c.words(currency), c.minutes, say.MinutesWords(c.minutes)
	}
	if v.place != nil {
		out.Where, out.Trays = v.place.Name, traysFor(v.starts, settingsOf(s))
	} else {
		out.Where = "in place"
	}
	switch {
	case v.starts > 0 && v.needed == 0:
		out.StartText = fmt.Sprintf("%s about %s; how many is not known", v.way.Deed, yearIfOther(s, out.Start))
	case v.starts > 0:
		out.StartText = fmt.Sprintf("%s %d about %s", v.way.Deed, v.starts, yearIfOther(s, out.Start))
	}
	if o.ChanceKnown && v.possible {
		chance := o.Chance
		out.Chance, out.ChanceIs = &chance, chanceWords(chance)
	} else if !o.ChanceKnown {
		out.ChanceIs = "chance not known"
	}
	if o.DatesKnown && v.possible {
		ready := say.ViewDates(
			phenology.Dates{P10: w.Date(o.Out.P10), P50: w.Date(o.Out.P50), P90: w.Date(o.Out.P90), Chance: 1},
		)
		ready.Text = spanWords(s, ready.P10, ready.P90)
		out.Ready = &ready
		out.Drawn = []calendar.Date{ready.P10, ready.P50, ready.P90}
		out.Steps = u.viewSteps(s, v)
	}
	if v.possible && o.ChanceKnown {
		out.Plants = fmt.Sprintf("%d to %d", o.Plants.P10, o.Plants.P90)
		if o.Plants.P10 == o.Plants.P90 {
			out.Plants = fmt.Sprint(o.Plants.P50)
		}
	}
	if v.latestKnown {
		out.LatestBy = fmt.Sprintf("%s by %s at the latest", v.way.Deed, yearIfOther(s, w.Date(v.latest)))
	}
	out.Harvests = viewHarvests(s, v)
	for _, why := range o.Whys {
		if v.possible && o.ChanceKnown && why.Share >= 0.02 {
			out.Fails = append(out.Fails, fmt.Sprintf("%s: %s", why.Why, chanceWords(why.Share)))
		}
	}
	if v.mother != nil {
		loses := v.mother.core.Loses(v.starts)
		out.Loses = fmt.Sprintf("She gives about %s less the year after.", say.ShareWords(loses))
	}
	return out
}

// viewHarvests are when each part is first taken, in the order of the species' parts.
func viewHarvests(s *plot.State, v *variant) (all []FirstHarvestView) {
	all = []FirstHarvestView{}
	for _, part := range sortedParts(v) {
		spread, has := v.outlook.Harvest[part]
		switch {
		case !v.possible || !v.outlook.DatesKnown:
		case !has:
			all = append(all, FirstHarvestView{Part: part, Text: "not in the years that are looked at"})
		default:
			w := v.attempt.Weathers
			all = append(all, FirstHarvestView{part, spanWords(s, w.Date(spread.P10), w.Date(spread.P90)), w.Date(spread.P50)})
		}
	}
	return all
}

func sortedParts(v *variant) []string {
	var parts []string
	for part := range v.row.FirstHarvest {
		parts = append(parts, part)
	}
	slices.Sort(parts)
	return parts
}

var stepWords = map[string]string{
	stepWarm: "moist and warm", stepCold: "moist and cold", stepRise: "coming up", stepRoot: "rooting",
	stepGrow:   "growing on",
	stepHarden: "hardening off", "out": "out",
}

func (u *Uses) viewSteps(s *plot.State, v *variant) []WayStepView {
	steps := []WayStepView{}
	for _, stay := range staysOfOutlook(&v.attempt, v.outlook, outdoorsPlace(s)) {
		where := "in place"
		if row, has := placeOf(s, stay.Place); has {
			where = row.Name
		} else if stay.Step == stepHarden {
			where = "outdoors"
		}
		steps = append(steps, WayStepView{stay.Step, stepWords[stay.Step], stay.From, stay.Until, where})
	}
	w := v.attempt.Weathers
	return append(steps, WayStepView{"out", "out into the bed", w.Date(v.outlook.Out.P50), w.Date(v.outlook.Out.P90), ""})
}

// outdoorsPlace is where trays harden; 0 where the bench has no such place.
func outdoorsPlace(s *plot.State) int64 {
	for _, row := range standingPlaces(s) {
		if row.Kind == string(propagation.Outdoors) {
			return row.ID
		}
	}
	return 0
}

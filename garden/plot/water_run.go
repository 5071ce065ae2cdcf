package plot

import (
	"fmt"
	"math"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/water"
	"bramblyacre/store"
)

// waterRun is a bed's water through one season's weather.
type waterRun struct {
	store water.Store
	past  []runDay
	// sure is the standard deviation of the share that is gone, by doubt of the reckoning alone.
	sure float64
	// taken and asked are what each kind took and asked for since the season began, as often as the plants
	// that are up, in mm.
	taken, asked []float64
}

// thirstyKind is a planting that draws from a bed, with p of its kind.
type thirstyKind struct {
	planting int64
	part     float64
	// up is the share of its size that it has above ground, by day.
	up []float64
}

// runDay is a day of a run.
type runDay struct {
	Gone, RainMM, TakenMM, Stress float64
	Soaked, Lacks                 bool
}

// waterEvent is what was done to a bed or felt of it on a day.
type waterEvent struct {
	wateredMM float64
	felt      []felt
}

// felt is a reading of the share that is gone, with its standard deviation.
type felt struct{ gone, spread float64 }

// thirst is what asks for a bed's water day by day: the shade of it, its plants and its mulch, and what water
// beside it brings.
type thirst struct {
	reference func(day int, w climate.Day) float64
	cover     []float64
	kcb       []float64
	mulched   float64
	overflow  float64 // times the rain again
	rises     float64 // mm a day from below
	doubt     water.Doubt
	kinds     []thirstyKind
}

// day is a day of weather as it comes to the bed with so much water in it: ground that lacks none takes none
// from below.
func (t *thirst) day(at int, w climate.Day, in water.Store) water.Day {
	return water.Day{
		Rain: w.Rain * (1 + t.overflow), Watered: math.Min(t.rises, in.Depletion), Reference: t.reference(at, w),
		Coefficient: t.kcb[at], Cover: t.cover[at], Mulched: t.mulched,
	}
}

// half is how much of the available water is gone when nobody knows: at the beginning of the lead-in.
const half = 0.5

// through goes through days from the lead-in's first on; the season begins at a day of them.
func (r waterRun) through(empty water.Store, days []climate.Day, t *thirst, events []waterEvent, season int) waterRun {
	r.taken, r.asked = make([]float64, len(t.kinds)), make([]float64, len(t.kinds))
	r.store = empty
	r.store.Depletion = half * empty.Holding.Available
	r.past = make([]runDay, len(days))
	r.sure = t.doubt.Most.Value
	whole := empty.Holding.Available
	for i, w := range days {
		day := t.day(i, w, r.store)
		day.Watered += events[i].wateredMM
		wanted := day.Coefficient * day.Reference
		if i >= season {
			for k, kind := range t.kinds {
				r.asked[k] += kind.up[i] * wanted
				r.taken[k] += kind.up[i] * wanted * r.store.StressOf(kind.part, wanted)
			}
		}
		before := r.store.Depletion - r.store.Above
		var went water.Went
		r.store, went = r.store.Step(day)
		r.sure = math.Min(t.doubt.Most.Value, math.Hypot(r.sure, t.doubt.ADay.Value))
		if r.store.Depletion == 0 && before > 0 {
			// A soaking tells where it stands better than any reckoning.
			r.sure = math.Min(r.sure, t.doubt.Reckoning.Value)
		}
		for _, f := range events[i].felt {
			r.store = r.store.Corrected(f.gone*whole, f.spread*whole, r.sure*whole)
			r.sure = f.spread * r.sure / math.Hypot(f.spread, r.sure)
		}
		r.past[i] = runDay{
			Gone: goneOf(r.store), RainMM: w.Rain, TakenMM: went.Taken + went.Evaporated, Stress: went.Stress,
			Soaked: r.store.Soaked(), Lacks: r.store.Lacks(wanted),
		}
	}
	return r
}

// thirstOf is what asks for a bed's water from a day on, so many days.
func (s *State) thirstOf(bed store.Bed, start calendar.Date, last int) (*thirst, error) {
	lore := s.Lib.Ground().Water
	t := &thirst{cover: make([]float64, last+1), kcb: make([]float64, last+1), doubt: lore.Doubt}
	if bed.MulchM >= thickMulchM {
		t.mulched = 1
	}
	for _, it := range s.Items {
		if plan.Wets(it.Item.Kind.Kind) && plan.Shape(bed.Shape) != plan.Round &&
			s.Forms[bed.ID].Region().Apart(it.Form.Region()) <= it.Item.Traits.Reach(it.Item.Kind) {
			if it.Item.Kind.Kind == plan.Overflow {
				t.overflow = lore.Beside.Overflow.Value
			} else {
				t.rises = lore.Beside.Rises.Value
			}
		}
	}
	shade, radiation := make([]float64, last+1), make([]float64, last+1)
	for at := range shade {
		day := start.AddDays(at)
		hours, err := climate.DayLength(s.Site.Latitude, day)
		if err != nil {
			return nil, err
		}
		if radiation[at], err = climate.ExtraterrestrialRadiation(s.Site.Latitude, day); err != nil {
			return nil, err
		}
		shade[at] = lore.Shade.Share(s.sunOn(bed, day, hours), hours)
	}
	t.reference = func(at int, w climate.Day) float64 {
		return climate.EvapotranspirationUnder(radiation[at], w.TMin, w.TMax) * shade[at]
	}
	s.addPlantsThirst(bed, start, t)
	return t, nil
}

// sunOn is how many hours of direct sun a bed has on a day; all of them where the plan does not tell.
func (s *State) sunOn(bed store.Bed, day calendar.Date, dayHours float64) float64 {
	months := s.SunHours[bed.ID]
	if len(months) < 12 {
		if bed.SunHours != nil {
			return *bed.SunHours
		}
		return dayHours
	}
	hours := months[day.Month()-time.January]
	if bed.SunHours != nil {
		if computed := s.ComputedSummer(bed.ID); computed > 0 {
			hours *= *bed.SunHours / computed
		}
	}
	return hours
}

// everyDays is how often the size of plants is worked out; between, it goes in a straight line.
const everyDays = 7

// addPlantsThirst adds what stands in a bed: the share of the ground that it covers, and how tall it is.
func (s *State) addPlantsThirst(bed store.Bed, start calendar.Date, t *thirst) {
	area := s.AreaM2(bed.ID)
	last := len(t.cover) - 1
	tall := make([]float64, last+1)
	lore := s.Lib.Ground().Water
	for _, p := range s.thirsty(bed.ID) {
		kind := thirstyKind{planting: p.ID, part: lore.PartOf(p.Species.Site), up: make([]float64, last+1)}
		covers, height := make([]float64, last+1), make([]float64, last+1)
		byWeek(last, func(at int) { covers[at], height[at], kind.up[at] = s.coverOn(p, start.AddDays(at), area) },
			covers, height, kind.up)
		for at := range covers {
			t.cover[at] += covers[at]
			tall[at] += covers[at] * height[at]
		}
		t.kinds = append(t.kinds, kind)
	}
	for at := range tall {
		if t.cover[at] > 0 {
			tall[at] /= t.cover[at]
		}
		t.cover[at] = math.Min(mostCover, t.cover[at])
	}
	for at := range t.kcb {
		t.kcb[at] = water.Coefficient(t.cover[at], tall[at])
	}
}

// byWeek works days out every so often, and fills in between in a straight line.
func byWeek(last int, work func(at int), series ...[]float64) {
	work(0)
	for from := 0; from < last; from += everyDays {
		to := min(last, from+everyDays)
		work(to)
		for _, one := range series {
			for at := from + 1; at < to; at++ {
				share := float64(at-from) / float64(to-from)
				one[at] = one[from] + share*(one[to]-one[from])
			}
		}
	}
}

// coverOn is the share of a bed's ground that a planting covers on a day, how tall it is in m, and the share of its
// size that it has above ground.
func (s *State) coverOn(p *Planting, day calendar.Date, areaM2 float64) (cover, height, up float64) {
	forecast, year := s.ForecastOn(p, day)
	full := p.Species.Size.Height.Value / 100
	if forecast == nil || day < p.Started || full <= 0 {
		return 0, 0, 0
	}
	// The lead-in's plants are taken as they begin the season.
	size := forecast.SizeOn(p.Species, year, max(day, forecast.Season.Start))
	// Where the top has died down nothing covers, however wide the crown.
	up = math.Min(1, size.Height/full/inLeaf)
	return float64(p.Standing()) * math.Pi / 4 * size.Width * size.Width * up / areaM2, size.Height, up
}

// inLeaf is the share of its height from which a plant covers as much ground as it ever does, mostCover the
// most that a bed is covered: some of the ground is always seen.
const inLeaf, mostCover = 0.45, 0.95

// waterEvents are what was done to a bed and felt of it, by the day from start to today.
func (s *State) waterEvents(bed store.Bed, b *BedWater, start calendar.Date, today int) []waterEvent {
	events := make([]waterEvent, today+1)
	at := func(text string) int {
		day, err := calendar.Parse(text)
		if err != nil {
			return -1
		}
		return day.DaysSince(start)
	}
	for _, row := range s.rows.waterings[bed.ID] {
		if i := at(row.Day); i >= 0 && i <= today {
			events[i].wateredMM += row.Litres / b.AreaM2
		}
	}
	lore := s.Lib.Ground().Water
	for _, row := range s.rows.feels[bed.ID] {
		i := at(row.Day)
		if i < 0 || i > today {
			continue
		}
		spread := lore.Doubt.Probe.Value
		if feel, has := lore.Feel(row.Feel); row.Kind == "feel" && has {
			spread = feel.Spread()
		}
		events[i].felt = append(events[i].felt, felt{row.Gone, spread})
	}
	return events
}

// Waterings are the waterings of a bed, the oldest first; Feels the readings of its soil.
func (s *State) Waterings(bedID int64) []store.Watering { return s.rows.waterings[bedID] }

// Feels are the readings of a bed's soil, the oldest first.
func (s *State) Feels(bedID int64) []store.SoilFeel { return s.rows.feels[bedID] }

// SoilWords say what a bed's water is reckoned with.
func (s *State) SoilWords(bed store.Bed, b *BedWater) string {
	known := b.Soil.Texture
	if !b.SoilKnown {
		known = "soil not known, taken as " + b.Soil.Texture
	}
	drainage, _, has := s.likeliest(bed.ID, ground.Drainage)
	if !has {
		drainage = "free, for want of better"
	}
	return fmt.Sprintf("%s, roots to %s, drains %s", known, s.Units.PlantLength(b.DepthM), drainage)
}

package plot

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/water"
	"bramblyacre/store"
)

// WaterAheadDays is how many days ahead a bed's water is told.
const WaterAheadDays = 21

// BedWater is the water of a bed's ground: as it went so far, and as it may go.
type BedWater struct {
	// Soil is its texture and whether that is known; else it is taken as loam. DepthM is how deep its plants
	// draw, and Part p of the kind that lacks water first.
	Soil      water.Soil
	SoilKnown bool
	DepthM    float64
	// PartToday is p as it is on a day like today: on cool days plants lack water later.
	Part      float64
	PartToday float64
	Holding   water.Holding
	AreaM2    float64
	// First is the first day of Past; Past ends today.
	First calendar.Date
	Past  []WaterDay
	// Gone is the share of the available water that is gone today, below 0 above field capacity; Spread its
	// standard deviation, by doubt alone.
	Gone, Spread float64
	// Ahead are the days after today, in the seasons that may come.
	Ahead []WaterAhead
	// DryP10, DryP50 and DryP90 are the days by which its plants lack water in 1, 5 and 9 of 10 seasons;
	// NoDay where they do not within WaterAheadDays. DryNow is that they do today.
	DryP10, DryP50, DryP90 calendar.Date
	DryNow                 bool
	// Grown is by planting what is left of its growth of this season, by the water that it lacked: 1 for all.
	Grown map[int64]float64
	// TakesMM is what plants and ground take a day now, in the mean of the last week.
	TakesMM float64
	key     string
}

// WaterDay is a day of the past.
type WaterDay struct {
	// Gone is the share of the available water that was gone in the evening, below 0 above field capacity.
	Gone, RainMM, WateredMM, TakenMM, Stress float64
	Soaked                                   bool
	// Felt is the share that a reading said was gone; NaN where nobody felt it.
	Felt float64
}

// WaterAhead is a day to come.
type WaterAhead struct {
	P10, P50, P90 float64 // the share that is gone
	// Lacks and Soaked are the chances that its plants lack water, and that the ground is soaked; Helped that by
	// then rain has brought half of what is gone today.
	Lacks, Soaked, Helped, RainMM float64
}

// Water returns the water of a bed that stands.
func (s *State) Water(bed store.Bed) (*BedWater, error) {
	if s.IsOther() {
		return nil, ErrOtherSeason
	}
	key := s.waterKey(bed)
	for _, kept := range []*sync.Map{s.water, s.waterBefore} {
		if kept == nil {
			continue
		}
		if made, has := kept.Load(bed.ID); has && made.(*BedWater).key == key {
			s.water.Store(bed.ID, made)
			return made.(*BedWater), nil
		}
	}
	made, err := s.reckonWater(bed)
	if err != nil {
		return nil, fmt.Errorf("water of %s: %w", bed.Name, err)
	}
	made.key = key
	s.water.Store(bed.ID, made)
	return made, nil
}

// waterKey is all that a bed's water follows from.
func (s *State) waterKey(bed store.Bed) string {
	var key strings.Builder
	fmt.Fprintf(&key, "%p %d %+v %v", s.Sky, s.Today, bed, s.SunHours[bed.ID])
	if bed.SunHours != nil {
		fmt.Fprint(&key, *bed.SunHours)
	}
	for _, p := range s.StandingIn(bed.ID) {
		fmt.Fprintf(&key, " %d %p %p %p %d", p.ID, p.Species, p.Now, p.Next, p.Standing())
	}
	for _, row := range s.rows.waterings[bed.ID] {
		fmt.Fprintf(&key, " w%+v", row)
	}
	for _, row := range s.rows.feels[bed.ID] {
		fmt.Fprintf(&key, " f%+v", row)
	}
	for _, aspect := range []string{ground.Texture, ground.Drainage, ground.Depth} {
		if belief, has := s.Beliefs[bed.ID][aspect]; has {
			fmt.Fprint(&key, belief.Chance)
		}
	}
	if items := s.rows.items; len(items) > 0 { // what wets the ground beside it; other rows are other items
		fmt.Fprintf(&key, " i%p %d", &items[0], len(items))
	}
	fmt.Fprintf(&key, " %p", s.Lib)
	return key.String()
}

// likeliest is the likeliest word of an aspect of a bed's ground; false where nothing is known of it.
func (s *State) likeliest(bedID int64, aspect string) (word string, value float64, known bool) {
	belief, has := s.Beliefs[bedID][aspect]
	if !has || !belief.Known() {
		return "", 0, false
	}
	class, _ := belief.Likeliest()
	return belief.Aspect.Words[class], belief.Aspect.Values[class], true
}

// What is taken where nothing is known of the ground.
const (
	unknownTexture  = "loam"
	unknownDrainage = "free"
	potDepthM       = 0.3
)

// emptyBed is what a bed's water is reckoned from.
func (s *State) emptyBed(bed store.Bed) (*BedWater, water.Store, error) {
	lore := s.Lib.Ground().Water
	b := &BedWater{AreaM2: s.AreaM2(bed.ID), Part: lore.Part["fresh"].Value}
	texture, _, known := s.likeliest(bed.ID, ground.Texture)
	if b.SoilKnown = known; !known {
		texture = unknownTexture
	}
	var has bool
	if b.Soil, has = lore.Soil(texture); !has {
		return nil, water.Store{}, fmt.Errorf("no soil %q is on record", texture)
	}
	here := s.thirsty(bed.ID)
	b.DepthM = lore.Roots["bare"].Value
	for i, p := range here {
		b.DepthM = math.Max(b.DepthM, lore.Roots[p.Species.Site.Roots].Value)
		if part := lore.PartOf(p.Species.Site); i == 0 || part < b.Part {
			b.Part = part
		}
	}
	if _, cm, known := s.likeliest(bed.ID, ground.Depth); known {
		b.DepthM = math.Min(b.DepthM, cm/100)
	}
	if plan.Shape(bed.Shape) == plan.Round {
		b.DepthM = math.Min(b.DepthM, potDepthM)
	}
	drainage, _, known := s.likeliest(bed.ID, ground.Drainage)
	if !known {
		drainage = unknownDrainage
	}
	holding, err := b.Soil.Holds(b.DepthM)
	if err != nil {
		return nil, water.Store{}, err
	}
	b.Holding = holding
	store := water.Store{Holding: holding, Part: b.Part, Drains: lore.Drains[drainage].Value}
	return b, store, store.Check()
}

// thirsty are the plantings of a bed whose plant can be read: what nothing is known of counts as bare ground.
func (s *State) thirsty(bedID int64) []*Planting {
	return slices.DeleteFunc(
		slices.Clone(s.StandingIn(bedID)),
		func(p *Planting) bool { return p.Aside || p.Species == nil },
	)
}

// reckonWater goes through the season so far and on, in each season that may be.
func (s *State) reckonWater(bed store.Bed) (*BedWater, error) {
	b, empty, err := s.emptyBed(bed)
	if err != nil {
		return nil, err
	}
	lead := climate.LeadDays
	start := s.Season.Start.AddDays(-lead)
	today := s.Today.DaysSince(start)
	last := min(today+WaterAheadDays, lead+s.Season.Days()-1)
	thirst, err := s.thirstOf(bed, start, last)
	if err != nil {
		return nil, err
	}
	events := s.waterEvents(bed, b, start, today)
	now := thirst.day(today, s.Sky.thisSeason.Series(0)[today], empty)
	b.PartToday = water.PartOn(b.Part, now.Coefficient*now.Reference)
	ensemble := s.Sky.thisSeason
	size := min(ensemble.Size(), mostWaterRuns)
	runs := make([]waterRun, size)
	known := start <= ensemble.KnownUntil && ensemble.KnownUntil >= s.Today
	for m := range runs {
		if m > 0 && known {
			// All days so far are one: so is the water.
			runs[m] = runs[0]
		} else {
			runs[m] = runs[m].through(empty, ensemble.Series(m)[:today+1], thirst, events, lead)
		}
	}
	b.tellPast(runs, events, start, today)
	b.tellGrown(runs, thirst.kinds, s.Lib.Ground().Water.Response.Value)
	ahead := make([][]float64, max(0, last-today))
	dry := make([]int, size)
	b.Ahead = make([]WaterAhead, len(ahead))
	for m := range runs {
		store, days := runs[m].store, ensemble.Series(m)
		dry[m] = math.MaxInt
		helps, fell := math.Max(leastHelpMM, store.Depletion/2), 0.0
		for i := range ahead {
			at := today + 1 + i
			day := thirst.day(at, days[at], store)
			store, _ = store.Step(day)
			ahead[i] = append(ahead[i], goneOf(store))
			b.Ahead[i].RainMM += day.Rain / float64(size)
			if fell += day.Rain; fell >= helps {
				b.Ahead[i].Helped += 1 / float64(size)
			}
			if store.Lacks(day.Coefficient * day.Reference) {
				b.Ahead[i].Lacks += 1 / float64(size)
				dry[m] = min(dry[m], i)
			}
			if store.Soaked() {
				b.Ahead[i].Soaked += 1 / float64(size)
			}
		}
	}
	for i, gone := range ahead {
		slices.Sort(gone)
		at := func(q float64) float64 { return gone[int(q*float64(size-1)+0.5)] }
		b.Ahead[i].P10, b.Ahead[i].P50, b.Ahead[i].P90 = at(0.1), at(0.5), at(0.9)
	}
	b.tellDry(dry, s.Today)
	return b, nil
}

// leastHelpMM is the least rain that is any help, in mm.
const leastHelpMM = 5

// mostWaterRuns is through how many seasons a bed's water is reckoned: enough for tenths.
const mostWaterRuns = 60

// tellGrown tells what is left of each planting's growth, in the mean of the runs.
func (b *BedWater) tellGrown(runs []waterRun, kinds []thirstyKind, response float64) {
	b.Grown = map[int64]float64{}
	for k, kind := range kinds {
		grown := 0.0
		for _, run := range runs {
			grown += water.YieldShare(run.taken[k], run.asked[k], response) / float64(len(runs))
		}
		b.Grown[kind.planting] = grown
	}
}

// goneOf is the share of the available water that is gone of a store, below 0 above field capacity.
func goneOf(store water.Store) float64 {
	return (store.Depletion - store.Above) / store.Holding.Available
}

// tellDry tells by when its plants lack water.
func (b *BedWater) tellDry(dry []int, today calendar.Date) {
	slices.Sort(dry)
	at := func(q float64) calendar.Date {
		i := dry[int(q*float64(len(dry)-1)+0.5)]
		if i == math.MaxInt {
			return NoDay
		}
		return today.AddDays(i + 1)
	}
	b.DryP10, b.DryP50, b.DryP90 = at(0.1), at(0.5), at(0.9)
}

// tellPast tells the days so far in the mean of the runs: they differ only where days were not read.
func (b *BedWater) tellPast(runs []waterRun, events []waterEvent, start calendar.Date, today int) {
	const shown = 28
	from := max(0, today+1-shown)
	b.First = start.AddDays(from)
	b.Past = make([]WaterDay, today+1-from)
	share := 1 / float64(len(runs))
	lacks, soaked := make([]float64, len(b.Past)), make([]float64, len(b.Past))
	for _, run := range runs {
		for i := range b.Past {
			day := run.past[from+i]
			b.Past[i].Gone += share * day.Gone
			b.Past[i].RainMM += share * day.RainMM
			b.Past[i].TakenMM += share * day.TakenMM
			b.Past[i].Stress += share * day.Stress
			if day.Soaked {
				soaked[i] += share
			}
			if day.Lacks {
				lacks[i] += share
			}
		}
	}
	for i := range b.Past {
		b.Past[i].WateredMM, b.Past[i].Felt = events[from+i].wateredMM, math.NaN()
		if felt := events[from+i].felt; len(felt) > 0 {
			b.Past[i].Felt = felt[len(felt)-1].gone
		}
		b.Past[i].Soaked = soaked[i] >= 0.5
	}
	newest := len(b.Past) - 1
	b.Gone, b.DryNow = b.Past[newest].Gone, lacks[newest] >= 0.5
	spread := 0.0
	for _, run := range runs {
		off := run.past[today].Gone - b.Gone
		spread += share * (off*off + run.sure*run.sure)
	}
	b.Spread = math.Sqrt(spread)
	for _, day := range b.Past[max(0, newest-6):] {
		b.TakesMM += day.TakenMM / float64(min(7, len(b.Past)))
	}
}

package propagation

import (
	"math/rand/v2"

	"bramblyacre/core/flora"
)

// SeedLot is the seed that is sown: its age and storage, or what a test or a tray said of it.
type SeedLot struct {
	// Years is its age; Longer by how much its store makes it live longer than the library's
	// figure says.
	Years  float64
	Longer flora.Figure
	// Seen is what was counted of it, and stands in place of the reckoning; nil where nothing
	// was.
	Seen *Share
}

// Attempt is one way gone once: from when, how many, in which places.
type Attempt struct {
	Row      flora.Propagation
	Weathers *Weathers
	Lore     *Lore
	// Start is the index in the weathers of the day that it begins on, By of the last on which
	// plants standing count; By below Start is no such day.
	Start, By int
	Wanted    int
	// Started is how many are sown, struck or lifted.
	Started int
	// Lot is the seed that is at hand, nil for new seed or no seed.
	Lot *SeedLot
	// Rest, Rise and Grow are where seed rests in the cold, where it comes up or roots, and
	// where it grows on; nil is in place, in the open.
	Rest, Rise, Grow *Place
	// There is how many volunteers may be found, drawn for each run times Mothers; nil where they were
	// counted, or it is no matter of finding any.
	There   *flora.Figure
	Mothers float64
	// OutOn tells for each day of the weathers whether it may be set out into the open.
	OutOn []bool
	// KilledBelow is the night in °C that kills it out of doors; nil where none is on record.
	KilledBelow *float64
	// datesAlone leaves out what is harvested; parts are those that have a first harvest, in order.
	datesAlone bool
	parts      []string
	// Harvests are by part the spans of days on which it is taken, in any year, for what is on
	// record of its first harvest.
	Harvests map[string][]Span
}

// Span is a run of days by their indices in the weathers, both inside.
type Span struct{ First, Last int }

// Why tells why a run of an attempt came to too little.
type Why string

// The reasons.
const (
	WhyFew    Why = "too few come through"
	WhyCold   Why = "the cold it waits for does not come in time"
	WhyNoUp   Why = "it is too warm or too cold to come up"
	WhyFrost  Why = "a night after setting out is too cold for it"
	WhyLate   Why = "it is not ready by the day"
	WhyNone   Why = "too few come up by themselves"
	WhyNoRain Why = "no soaking rain comes in the season"
)

// Run is one run of an attempt.
type Run struct {
	// Plants stand on the day of index Out; Up is when they came up or rooted, Rested when their
	// rest was over, Grown when they had grown on, all as indices.
	Plants            int
	Rested, Up, Grown int
	Out               int
	Why               Why
	// HarvestOn is by the attempt's parts when each is first taken, below 0 for never.
	HarvestOn          []int
	ShareUp, ShareLate float64
}

// longestWait is how many days a run waits for a rest or for coming up before it gives up.
const longestWait = 600

// run goes the way once, through one member of the weathers.
func (a *Attempt) run(rng *rand.Rand, member int) (r Run) {
	doubt := a.Lore.Doubt
	draw := func(f *flora.Figure) float64 {
		if f == nil {
			return 0
		}
		return doubt.Draw(rng, *f)
	}
	way, _ := WayOf(a.Row.Way)
	r.Rested = a.Start
	r.ShareUp = a.drawShare(rng)
	if way.Deed == Sow {
		rest := a.Lore.Rest.For(draw(a.Row.WarmWeeks), draw(a.Row.ColdWeeks))
		days, ends := rest.Ends(a.place(a.Rest).Course(a.Weathers, member, a.Start), longestWait)
		r.Rested += days
		if !ends {
			return r.failed(WhyCold)
		}
		germination, known := a.germination(draw)
		if !known {
			return r.failed(WhyNoUp)
		}
		days, up := germination.DayUp(a.place(a.Rise).Course(a.Weathers, member, r.Rested), longestWait)
		r.Up = r.Rested + days
		if !up {
			return r.failed(WhyNoUp)
		}
	} else {
		if way.OpenRain && a.Rise == nil {
			// It may be set in any week of two months, and waits in them for the rain.
			const patience = 60
			first, comes := a.Lore.Rain.Soaking().FirstDay(
				a.Weathers.members[member][:min(a.Start+patience, a.Weathers.Days)], a.Start)
			if !comes {
				return r.failed(WhyNoRain)
			}
			r.Rested = first
		}
		r.Up = r.Rested + int(draw(a.Row.RootsDays))
	}
	r.Grown = r.Up
	r.ShareLate = doubt.Draw(rng, a.Lore.Raising.Settles)
	switch {
	case a.Grow != nil:
		r.Grown += int(7 * draw(a.Row.SetOutWeeks))
		r.ShareLate *= doubt.Draw(rng, a.Lore.Raising.GrowsOn)
		r.Out = a.firstOut(r.Grown + a.hardens(rng))
	case way.Deed == Sow:
		// Sown in place it stands where it stays; it is ready when it is as far as one set out.
		r.ShareLate = doubt.Draw(rng, a.Lore.Raising.InPlace)
		r.Grown += int(7 * draw(a.Row.SetOutWeeks))
		r.Out = r.Grown
	default:
		r.Out = r.Up
	}
	if r.Out >= a.Weathers.Days {
		return r.failed(WhyLate)
	}
	started := a.Started
	if a.There != nil {
		started = min(started, int(draw(a.There)*a.Mothers))
	}
	r.Plants = binomial(rng, started, r.ShareUp*r.ShareLate)
	switch {
	case a.frosted(member, r.Out):
		r.Plants, r.Why = 0, WhyFrost
	case r.Plants < a.Wanted && started < a.Started:
		r.Why = WhyNone
	case r.Plants < a.Wanted:
		r.Why = WhyFew
	case a.By >= a.Start && r.Out > a.By:
		r.Why = WhyLate
	}
	r.HarvestOn = a.harvests(draw, r.Out)
	return r
}

func (r Run) failed(why Why) Run {
	r.Why = why
	r.Up, r.Grown, r.Out = -1, -1, -1
	return r
}

// outside is the open ground.
var outside = Place{Kind: Outdoors}

func (a *Attempt) place(p *Place) Place {
	if p == nil {
		return outside
	}
	return *p
}

// germination draws how fast the seed comes up; false where it is not on record, or where the
// draws of the three temperatures cross.
func (a *Attempt) germination(draw func(*flora.Figure) float64) (Germination, bool) {
	if !a.knowsComingUp() {
		return Germination{}, false
	}
	g := Germination{draw(a.Row.Base), draw(a.Row.Optimum), draw(a.Row.Ceiling), draw(a.Row.Warmth)}
	if g.Check() != nil {
		g = Germination{a.Row.Base.Value, a.Row.Optimum.Value, a.Row.Ceiling.Value, a.Row.Warmth.Value}
	}
	return g, true
}

func (a *Attempt) knowsComingUp() bool {
	return a.Row.Base != nil && a.Row.Optimum != nil && a.Row.Ceiling != nil && a.Row.Warmth != nil
}

// drawShare draws the share that comes up or roots; 0 where nothing is on record.
func (a *Attempt) drawShare(rng *rand.Rand) float64 {
	doubt := a.Lore.Doubt
	if a.Row.Way != "seed" {
		if a.Row.Takes == nil {
			return 0
		}
		return doubt.Draw(rng, *a.Row.Takes)
	}
	if a.Lot != nil && a.Lot.Seen != nil {
		return a.Lot.Seen.Quantile(rng.Float64())
	}
	if a.Row.ComesUp == nil {
		return 0
	}
	return doubt.Draw(rng, *a.Row.ComesUp) * a.drawAlive(rng)
}

// drawAlive draws the share of the lot's seed that is alive.
func (a *Attempt) drawAlive(rng *rand.Rand) float64 {
	doubt := a.Lore.Doubt
	whenNew := doubt.Draw(rng, a.Lore.Seed.New)
	if a.Lot == nil || a.Lot.Years <= 0 || a.Row.SeedLife == nil {
		return whenNew
	}
	sigma, err := SigmaOfHalfLife(whenNew, doubt.Draw(rng, *a.Row.SeedLife)*doubt.Draw(rng, a.Lot.Longer))
	if err != nil {
		return 0
	}
	alive, err := Viability(whenNew, a.Lot.Years, sigma)
	if err != nil {
		return 0
	}
	return alive
}

func (a *Attempt) hardens(rng *rand.Rand) int {
	if a.Grow.Kind == Outdoors {
		return 0
	}
	return int(a.Lore.Doubt.Draw(rng, a.Lore.Raising.HardenDays))
}

// firstOut is the first day from one on on which it may go out.
func (a *Attempt) firstOut(from int) int {
	for day := max(from, 0); day < a.Weathers.Days; day++ {
		if a.OutOn == nil || a.OutOn[day] {
			return day
		}
	}
	return a.Weathers.Days
}

// frosted tells whether a night kills it in the first weeks out.
func (a *Attempt) frosted(member, out int) bool {
	if a.KilledBelow == nil {
		return false
	}
	for day := out; day < out+int(a.Lore.Raising.SteadyDays.Value) && day < a.Weathers.Days; day++ {
		if a.Weathers.Low(member, day) <= *a.KilledBelow {
			return true
		}
	}
	return false
}

// harvests are the first days that each part is taken: so many years after the start, in the
// first span of its season from then on.
func (a *Attempt) harvests(draw func(*flora.Figure) float64, out int) []int {
	if len(a.parts) == 0 || a.datesAlone {
		return nil
	}
	const yearDays = 365.25
	on := make([]int, len(a.parts))
	for i, part := range a.parts {
		figure := a.Row.FirstHarvest[part]
		// "In the first year" is from its first season on: the years before it count.
		day := max(out, a.Start+int(yearDays*(draw(&figure)-1)))
		on[i] = -1
		for _, span := range a.Harvests[part] {
			if day <= span.Last {
				on[i] = max(day, span.First)
				break
			}
		}
	}
	return on
}

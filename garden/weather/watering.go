package weather

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Advice is what is to be done about a bed's water.
type Advice string

// The advices.
const (
	AdviceWater  Advice = "water"  // now
	AdviceSoon   Advice = "soon"   // within a few days
	AdviceWait   Advice = "wait"   // it lacks, and rain is likely, or its rest is not over
	AdviceEnough Advice = "enough" // for now
	AdviceWet    Advice = "wet"    // it is soaked
)

// advice is what is to be done about a bed's water, and why.
type advice struct {
	is     Advice
	words  string
	litres float64
	// rest are the kinds that rot where they stand damp; until is the day before which they are not watered again.
	rest  rest
	until calendar.Date
}

// rest is a bed's ceiling on watering: never more often than so many days.
type rest struct {
	days  int
	names []string
	// unfit are mates that want more.
	unfit []string
}

const (
	// soonDays is how far ahead a lack is told as soon, likelyRain the chance of rain that is waited for, over
	// waitDays.
	soonDays, waitDays = 4, 2
	likelyRain         = 0.6
	// newlyDays is how long a plant that was set is watered through, whatever it bears later.
	newlyDays = 56
)

// restOf is a bed's ceiling on watering, by the kinds in it that rot.
func restOf(s *plot.State, bed store.Bed) (r rest) {
	lore := s.Lib.Ground().Water
	here := s.StandingIn(bed.ID)
	for _, p := range here {
		days, rots := lore.RestOf(p.Species.Site)
		if p.Aside || !rots || s.Today.DaysSince(p.Started) < newlyDays {
			continue
		}
		r.days = max(r.days, int(days.Value))
		r.names = append(r.names, p.Species.Names.Name)
	}
	if r.days == 0 {
		return r
	}
	for _, p := range here {
		if from := p.Species.Site.Moisture.From; !p.Aside && (from == "moist" || from == "wet") {
			r.unfit = append(r.unfit, p.Species.Names.Name)
		}
	}
	slices.Sort(r.names)
	r.names = slices.Compact(r.names)
	slices.Sort(r.unfit)
	r.unfit = slices.Compact(r.unfit)
	return r
}

// lastSoaking is the last day on which a bed was watered, or rain filled it half.
func lastSoaking(s *plot.State, bed store.Bed, w *plot.BedWater) (day calendar.Date, has bool) {
	for i, past := range slices.Backward(w.Past) {
		if past.WateredMM > 0 || past.RainMM > w.Holding.Available*0.25 {
			return w.First.AddDays(i), true
		}
	}
	return 0, false
}

// adviceFor tells what to do about a bed's water today.
func adviceFor(s *plot.State, bed store.Bed, w *plot.BedWater) advice {
	a := advice{rest: restOf(s, bed), until: plot.NoDay}
	lacksMM := math.Max(0, w.Gone) * w.Holding.Available
	a.litres = lacksMM * w.AreaM2
	soaked := len(w.Past) > 0 && w.Past[len(w.Past)-1].Soaked
	bare := len(s.StandingIn(bed.ID)) == 0
	if last, has := lastSoaking(s, bed, w); has && a.rest.days > 0 && last.AddDays(a.rest.days) > s.Today {
		a.until = last.AddDays(a.rest.days)
	}
	settings := settingsOf(s)
	amount := fmt.Sprintf("%s (%s of the hose)", s.Units.Volume(a.litres), say.MinutesWords(math.Max(1, a.litres/settings.FlowL)))
	rain := rainWithin(w, waitDays)
	soon := w.DryP50 != plot.NoDay && w.DryP50.DaysSince(s.Today) <= soonDays
	switch {
	case soaked:
		a.is, a.words = AdviceWet, soakedWords(s, bed)
	case bare:
		a.is, a.words = AdviceEnough, "Nothing stands in it."
	case !w.DryNow && !soon && w.DryP50 == plot.NoDay:
		a.is, a.words = AdviceEnough, enoughWords(w)
	case !w.DryNow && !soon:
		a.is, a.words = AdviceEnough, "Do not water yet: enough until about "+dryWords(w)+"."
	case a.until != plot.NoDay:
		a.is = AdviceWait
		a.words = fmt.Sprintf("Do not water before %s: %s, and the bed was watered or rained on less than %d days ago.",
			a.until.DayMonth(), rotWords(a.rest.names), a.rest.days)
	case rain >= likelyRain:
		a.is = AdviceWait
		a.words = fmt.Sprintf("Wait: rain that helps is likely within %d days, %s. Else %s.", waitDays, say.InTen(rain), amount)
	case w.DryNow:
		a.is, a.words = AdviceWater, "Water now: "+amount+" fills it."
	default:
		a.is, a.words = AdviceSoon, "Water by about "+w.DryP50.DayMonth()+": "+amount+" fills it today."
	}
	return a
}

// enoughWords say for how long there is enough, as far ahead as that is told: at a season's end not far.
func enoughWords(w *plot.BedWater) string {
	switch n := len(w.Ahead); n {
	case 0:
		return "Do not water: it lacks nothing today."
	case plot.WaterAheadDays:
		return "Do not water: there is enough for three weeks, likely."
	default:
		return fmt.Sprintf("Do not water: there is enough for %s, likely; what comes after is not told yet.",
			say.Counted(float64(n), "day", "days"))
	}
}

// soakedWords say what soaked ground means to what stands in it.
func soakedWords(s *plot.State, bed store.Bed) string {
	var suffer []string
	for _, p := range s.StandingIn(bed.ID) {
		if !p.Aside && p.Species.Site.Moisture.High != "wet" {
			suffer = append(suffer, p.Species.Names.Name)
		}
	}
	slices.Sort(suffer)
	if suffer = slices.Compact(suffer); len(suffer) == 0 {
		return "Do not water: the ground is soaked."
	}
	return fmt.Sprintf("Do not water: the ground is soaked, and the roots of %s lack air in it.", say.Joined(suffer))
}

// rainWithin is how likely it is that rain brings half of what is gone within so many days.
func rainWithin(w *plot.BedWater, days int) float64 {
	if len(w.Ahead) < days {
		return 0
	}
	return w.Ahead[days-1].Helped
}

// dryWords say when its plants lack water.
func dryWords(w *plot.BedWater) string {
	words := w.DryP50.DayMonth()
	switch {
	case w.DryP90 == plot.NoDay:
		return fmt.Sprintf("%s (%s at the earliest)", words, w.DryP10.DayMonth())
	case w.DryP10 != w.DryP90:
		return fmt.Sprintf("%s (%s)", words, calendar.Span(w.DryP10, w.DryP90))
	}
	return words
}

// rotWords say that kinds rot where they stand damp.
func rotWords(names []string) string {
	if len(names) == 1 {
		return names[0] + " rots where it stands damp"
	}
	return say.Joined(names) + " rot where they stand damp"
}

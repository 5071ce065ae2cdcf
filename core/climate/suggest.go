package climate

import (
	"cmp"
	"math"
	"slices"
	"time"

	"gonum.org/v1/gonum/stat/distuv"
)

// FarOffDeg is by how many degrees a plot may lie off the latitude that a climate is usual
// at before its days and seasons no longer go with the weather.
const FarOffDeg = 15

// Fit is how a plot's latitude lies to the one that a climate is usual at.
type Fit struct {
	// OtherHalf is true where they lie on different sides of the equator: the climate's
	// year is turned round by six months for the plot.
	OtherHalf bool
	// OffDeg is how much nearer to the equator or farther from it the plot lies, in degrees.
	OffDeg float64
}

// Near tells whether the climate is one that may be looked for at the plot's latitude.
func (f Fit) Near() bool { return !f.OtherHalf && !f.FarOff() }

// FarOff tells whether the plot's days and seasons would not go with the climate's weather.
func (f Fit) FarOff() bool { return f.OffDeg > FarOffDeg }

// FitAt returns how a latitude lies to the one that the climate is usual at, both in degrees.
func (n Normals) FitAt(latitude float64) Fit {
	return Fit{OtherHalf: (latitude < 0) != (n.Latitude < 0), OffDeg: math.Abs(math.Abs(latitude) - math.Abs(n.Latitude))}
}

// Suggested orders climates for a latitude: those of the same half of the world first, and
// of these the one that is usual nearest to it.
func Suggested(all []Normals, latitude float64) []Normals {
	half := func(f Fit) int {
		if f.OtherHalf {
			return 1
		}
		return 0
	}
	ordered := slices.Clone(all)
	slices.SortStableFunc(ordered, func(a, b Normals) int {
		fa, fb := a.FitAt(latitude), b.FitAt(latitude)
		return cmp.Or(cmp.Compare(half(fa), half(fb)), cmp.Compare(fa.OffDeg, fb.OffDeg), cmp.Compare(a.ID, b.ID))
	})
	return ordered
}

// Outline is a climate's year in a few figures. Months are those of the plot.
type Outline struct {
	ColdestMonth, WarmestMonth time.Month
	// ColdestNightC and WarmestDayC are the mean lowest and highest temperatures of these months.
	ColdestNightC, WarmestDayC float64
	RainMM                     float64
	// WarmHalf is the share of the rain that falls in the six months around the warmest.
	WarmHalf float64
	// FrostFrom and FrostTo are the first and the last month in which frostyNights nights or more freeze in
	// the mean of years; both 0 where there is no such month.
	FrostFrom, FrostTo time.Month
}

// frostyNights is how many nights below 0 °C make a month one of frost. One or two in a month are what a
// climate of few frosts has.
const frostyNights = 2.5

// freezingNights is how many nights of a month, January 0, fall below 0 °C in the mean of years: nights vary about
// the month's mean by the station's spread, in midwinter by its swing more, taken as normal.
func (n Normals) freezingNights(month int) float64 {
	spread := n.SpreadMin * (1 + n.SwingMin*math.Cos(2*math.Pi*float64(month)/12))
	if n.Latitude < 0 {
		spread = n.SpreadMin * (1 - n.SwingMin*math.Cos(2*math.Pi*float64(month)/12))
	}
	return float64(daysIn(time.Month(month+1))) * distuv.Normal{Mu: n.TMin[month], Sigma: spread}.CDF(0)
}

// OutlineAt tells a climate's year at a latitude: turned round by six months in the other
// half of the world.
func (n Normals) OutlineAt(latitude float64) Outline {
	shift := 0
	if n.FitAt(latitude).OtherHalf {
		shift = 6
	}
	month := func(i int) time.Month { return time.Month((i+shift)%12 + 1) }
	cold, warm := 0, 0
	o := Outline{}
	for m := range 12 {
		if n.TMin[m] < n.TMin[cold] {
			cold = m
		}
		if n.TMax[m] > n.TMax[warm] {
			warm = m
		}
		o.RainMM += n.Rain[m]
	}
	o.ColdestMonth, o.ColdestNightC, o.WarmestMonth, o.WarmestDayC = month(cold), n.TMin[cold], month(warm), n.TMax[warm]
	for i := -3; i < 3; i++ {
		o.WarmHalf += n.Rain[(warm+i+12)%12]
	}
	if o.RainMM > 0 {
		o.WarmHalf /= o.RainMM
	}
	freezes := func(month int) bool { return n.freezingNights(month) >= frostyNights }
	if !freezes(cold) {
		return o
	}
	from, to := cold, cold
	for range 11 {
		if before := (from + 11) % 12; freezes(before) && before != to {
			from = before
		}
		if next := (to + 1) % 12; freezes(next) && next != from {
			to = next
		}
	}
	o.FrostFrom, o.FrostTo = month(from), month(to)
	return o
}

// Package climate turns monthly normals into daylight, daily weather, warmth,
// cold, frost chances, water loss and soil temperature. Everything is a pure
// function of its arguments: the same seed gives the same weather.
package climate

import (
	"fmt"
	"math"
	"slices"
	"time"

	"bramblyacre/core/calendar"
)

// LapseRate is the cooling with height, in °C per metre (ISO 2533, standard
// atmosphere: 6.5 °C per km).
const LapseRate = 0.0065

// Normals are a station's long-term monthly means, January first.
type Normals struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	// Kind says in a few words what the year is like.
	Kind string `toml:"kind"`
	// HeightM is the height that the temperatures hold for, in metres.
	HeightM float64 `toml:"height_m"`
	// Latitude is where such a climate is usual, in degrees, south negative.
	Latitude float64 `toml:"latitude"`
	// TMin and TMax are mean daily extremes in °C, Rain in mm a month.
	TMin    [12]float64 `toml:"tmin_c"`
	TMax    [12]float64 `toml:"tmax_c"`
	Rain    [12]float64 `toml:"rain_mm"`
	WetDays [12]float64 `toml:"wet_days"`
	// SpreadMin and SpreadMax are standard deviations of the daily extremes
	// about the season's course, in °C, in the mean of the year; SwingMin and SwingMax
	// are by which share of them midwinter is wider, and midsummer narrower.
	SpreadMin float64 `toml:"spread_min_c"`
	SpreadMax float64 `toml:"spread_max_c"`
	SwingMin  float64 `toml:"swing_min,omitempty"`
	SwingMax  float64 `toml:"swing_max,omitempty"`
	// WetDayCooler is how much lower the highest temperature is on a wet day
	// than on a dry one, in °C.
	WetDayCooler float64 `toml:"wet_day_cooler_c"`
}

// Check returns an error naming the first figure that cannot be.
func (n Normals) Check() error {
	single := []float64{n.SpreadMin, n.SpreadMax, n.SwingMin, n.SwingMax, n.WetDayCooler}
	for _, number := range slices.Concat(n.TMin[:], n.TMax[:], n.Rain[:], n.WetDays[:], single) {
		if math.IsNaN(number) || math.IsInf(number, 0) {
			return fmt.Errorf("climate %q: %v is no figure", n.ID, number)
		}
	}
	for m := range 12 {
		month := time.Month(m + 1)
		length := float64(daysIn(month))
		switch {
		case n.TMin[m] > n.TMax[m]:
			return fmt.Errorf("climate %q, %s: lowest temperature %v °C above highest %v °C", n.ID, month, n.TMin[m], n.TMax[m])
		case n.TMin[m] < coldestC || n.TMax[m] > hottestC:
			return fmt.Errorf(
				"climate %q, %s: temperatures %v to %v °C are not of this world",
				n.ID,
				month,
				n.TMin[m],
				n.TMax[m],
			)
		case n.Rain[m] < 0 || n.WetDays[m] < 0 || n.WetDays[m] > length:
			return fmt.Errorf("climate %q, %s: rain %v mm on %v days cannot be", n.ID, month, n.Rain[m], n.WetDays[m])
		case n.Rain[m] > 0 && n.WetDays[m] == 0:
			return fmt.Errorf("climate %q, %s: %v mm of rain on no wet day", n.ID, month, n.Rain[m])
		}
	}
	if n.SpreadMin <= 0 || n.SpreadMax <= 0 || n.WetDayCooler < 0 {
		return fmt.Errorf("climate %q: the spreads must be above 0 and wet_day_cooler_c not below", n.ID)
	}
	if math.Abs(n.SwingMin) >= mostSwing || math.Abs(n.SwingMax) >= mostSwing {
		return fmt.Errorf("climate %q: a swing of the spread lies between −%v and %v", n.ID, mostSwing, mostSwing)
	}
	return nil
}

// coldestC and hottestC bound the mean daily extremes of a month, in °C, that there are on this world.
const coldestC, hottestC = -60, 55

// IsOfThisWorldAt tells whether there is such a climate at a height in metres: whether its months, cooled or warmed by
// LapseRate, stay within what there is.
func (n Normals) IsOfThisWorldAt(heightM float64) bool {
	cooler := (heightM - n.HeightM) * LapseRate
	return slices.Min(n.TMin[:])-cooler >= coldestC && slices.Max(n.TMax[:])-cooler <= hottestC
}

// mostSwing is how far the spread can swing: some is left in every season.
const mostSwing = 0.8

// AtSite returns the normals for a height in metres and a latitude in degrees:
// cooled by LapseRate, though not out of this world, and turned by six months when
// the site lies in the other hemisphere than the station.
func (n Normals) AtSite(latitudeDeg, heightM float64) Normals {
	cooler := (heightM - n.HeightM) * LapseRate
	turned := n
	shift := 0
	if (latitudeDeg < 0) != (n.Latitude < 0) {
		shift = 6
	}
	for m := range 12 {
		from := (m + shift) % 12
		// A height may come back by taking an entry back, under a climate that it was never asked about.
		turned.TMin[m] = min(max(n.TMin[from]-cooler, coldestC), hottestC)
		turned.TMax[m] = min(max(n.TMax[from]-cooler, coldestC), hottestC)
		turned.Rain[m] = n.Rain[from]
		turned.WetDays[m] = math.Min(n.WetDays[from], float64(daysIn(time.Month(m+1))))
	}
	turned.HeightM = heightM
	turned.Latitude = latitudeDeg
	return turned
}

// daysIn returns a month's length, 28 for February.
func daysIn(month time.Month) int {
	return int(calendar.Must(2031+int(month)/12, month%12+1, 1) - calendar.Must(2031, month, 1))
}

package climate_test

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
)

func hillValley(t *testing.T) *climate.Generator {
	t.Helper()
	g, err := climate.NewGenerator(climateOf(t, "hill-valley"))
	if err != nil {
		t.Fatal(err)
	}
	return g
}

// truth is a season's weather, lead-in included, that nothing under test made with its own chance.
func truth(g *climate.Generator, season calendar.Season, seed uint64) []climate.Day {
	rng := rand.New(rand.NewPCG(seed, 99))
	from := season.Start.AddDays(-climate.LeadDays)
	days, _ := g.Generate(nil, rng, from, climate.LeadDays+season.Days(), g.Start(rng, from))
	return days
}

func quantile(values []float64, q float64) float64 {
	slices.Sort(values)
	return values[int(q*float64(len(values)-1)+0.5)]
}

var season2031 = calendar.SeasonOf(46.6, calendar.Must(2031, 5, 1))

// Days that were not read are filled in: what was read stays in every season, the gap differs between them, and the
// truth that was taken out lies in 8 of 10 of them about as often; a day beside a read one is known better
// than the year is.
func TestGapsAreFilledWithWhatMayHaveBeen(t *testing.T) {
	g := hillValley(t)
	first := season2031.Start.AddDays(-climate.LeadDays)
	inside, all, offBeside, offUsual := 0, 0, 0.0, 0.0
	for seed := range uint64(40) {
		days := truth(g, season2031, seed)
		const from, to, read = 140, 146, 200
		readings := slices.Clone(days[:read])
		for i := from; i < to; i++ {
			readings[i] = climate.NoReading()
		}
		e, err := climate.NewEnsemble(g, season2031, first, readings, 100, seed+1000)
		if err != nil {
			t.Fatal(err)
		}
		if e.KnownUntil != first.AddDays(from-1) {
			t.Fatalf("known until %s", e.KnownUntil)
		}
		for i := climate.LeadDays; i < read; i++ {
			var lows []float64
			sum := 0.0
			for m := range e.Size() {
				day := e.Weather(m)[i-climate.LeadDays]
				if !day.Whole() {
					t.Fatalf("day %d is not whole", i)
				}
				lows = append(lows, day.TMin)
				sum += day.TMin
			}
			if i < from || i >= to {
				if slices.Min(lows) != days[i].TMin || slices.Max(lows) != days[i].TMin {
					t.Fatalf("day %d was read as %v and is %v to %v", i, days[i].TMin, slices.Min(lows), slices.Max(lows))
				}
				continue
			}
			all++
			if low, high := quantile(lows, 0.1), quantile(lows, 0.9); low <= days[i].TMin && days[i].TMin <= high {
				inside++
			}
			if i == from || i == to-1 {
				usual, _, _, _, _ := g.Usual(first.AddDays(i))
				offBeside += math.Abs(sum/float64(e.Size()) - days[i].TMin)
				offUsual += math.Abs(usual.TMin - days[i].TMin)
			}
		}
	}
	if share := float64(inside) / float64(all); share < 0.70 || share > 0.90 {
		t.Errorf("%.2f of the truths lie in 8 of 10 of the fillings", share)
	}
	if offBeside > 0.85*offUsual {
		t.Errorf("beside a read day it is off by %v, what is usual by %v", offBeside, offUsual)
	}
}

// A rain gauge without a thermometer, a thermometer without a gauge, a frost thermometer alone: what was read stays,
// the rest is whole.
func TestHalfReadDaysKeepWhatWasRead(t *testing.T) {
	g := hillValley(t)
	first := season2031.Start.AddDays(-climate.LeadDays)
	days := truth(g, season2031, 3)
	for name, without := range map[string]func(climate.Day) climate.Day{
		"gauge": func(d climate.Day) climate.Day {
			return climate.Day{TMin: climate.Unread, TMax: climate.Unread, Rain: d.Rain}
		},
		"thermometer": func(d climate.Day) climate.Day { return climate.Day{TMin: d.TMin, TMax: d.TMax, Rain: climate.Unread} },
		"lowest": func(d climate.Day) climate.Day {
			return climate.Day{TMin: d.TMin, TMax: climate.Unread, Rain: climate.Unread}
		},
		"highest": func(d climate.Day) climate.Day {
			return climate.Day{TMin: climate.Unread, TMax: d.TMax, Rain: climate.Unread}
		},
	} {
		var readings []climate.Day
		for _, day := range days[:climate.LeadDays+150] {
			readings = append(readings, without(day))
		}
		e, err := climate.NewEnsemble(g, season2031, first, readings, 30, 5)
		if err != nil {
			t.Fatal(err)
		}
		wet, wetTruth, n := 0.0, 0.0, 0.0
		for m := range e.Size() {
			for i := range 150 {
				got, read := e.Weather(m)[i], readings[climate.LeadDays+i]
				if !got.Whole() || got.TMin >= got.TMax {
					t.Fatalf("%s: day %d is %v", name, i, got)
				}
				if read.HasRain() && got.Rain != read.Rain ||
					!math.IsNaN(read.TMin) && got.TMin != read.TMin || !math.IsNaN(read.TMax) && got.TMax != read.TMax {
					t.Fatalf("%s: read %v, is %v", name, read, got)
				}
				_, _, _, share, _ := g.Usual(season2031.Start.AddDays(i))
				wetTruth += share
				n++
				if got.Wet() {
					wet++
				}
			}
		}
		if name != "gauge" && math.Abs(wet-wetTruth)/n > 0.05 {
			t.Errorf("%s: %.2f of the filled days are wet, usual are %.2f", name, wet/n, wetTruth/n)
		}
	}
}

// Seasons keep to an outlook as closely as it is sure, and beyond it go on from it.
func TestSeasonsKeepToTheOutlook(t *testing.T) {
	g := hillValley(t)
	first := season2031.Start.AddDays(-climate.LeadDays)
	days := truth(g, season2031, 8)
	const read = 250
	var outlook []climate.Expected
	for i := range 5 {
		usual, _, _, _, _ := g.Usual(first.AddDays(read + i))
		outlook = append(outlook, climate.Expected{TMin: usual.TMin - 6, TMax: usual.TMax - 6, Spread: 1 + float64(i)/2, WetChance: 0.9, Rain: 12})
	}
	e, err := climate.NewEnsembleToward(g, season2031, first, days[:read], outlook, 400, 5)
	if err != nil {
		t.Fatal(err)
	}
	plain, err := climate.NewEnsemble(g, season2031, first, days[:read], 400, 5)
	if err != nil {
		t.Fatal(err)
	}
	mean := func(e *climate.Ensemble, i int) (low, spread, wet float64) {
		squares := 0.0
		for m := range e.Size() {
			day := e.Weather(m)[i-climate.LeadDays]
			low += day.TMin / float64(e.Size())
			squares += day.TMin * day.TMin / float64(e.Size())
			if day.Wet() {
				wet += 1 / float64(e.Size())
			}
		}
		return low, math.Sqrt(squares - low*low), wet
	}
	for i, expected := range outlook {
		low, spread, wet := mean(e, read+i)
		if math.Abs(low-expected.TMin) > 0.25*expected.Spread || math.Abs(spread/expected.Spread-1) > 0.2 || math.Abs(wet-0.9) > 0.06 {
			t.Errorf("day %d: lowest %.2f ± %.2f, wet %.2f of %+v", i, low, spread, wet, expected)
		}
	}
	after, _, _ := mean(e, read+5)
	without, _, _ := mean(plain, read+5)
	if after > without-1.5 {
		t.Errorf("the day after a cold outlook is %.2f, without one %.2f", after, without)
	}
	far, _, _ := mean(e, read+60)
	farWithout, _, _ := mean(plain, read+60)
	if math.Abs(far-farWithout) > 1 {
		t.Errorf("two months on it is %.2f, without an outlook %.2f", far, farWithout)
	}
}

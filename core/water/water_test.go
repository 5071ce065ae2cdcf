package water_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/water"
)

func figure(value float64) flora.Figure { return flora.Figure{Value: value, Low: value, High: value} }

func soil(fc, wp, sat, readily float64) water.Soil {
	return water.Soil{
		Texture: "made up", FieldCapacity: figure(fc), Wilting: figure(wp), Saturation: figure(sat), Readily: figure(readily),
	}
}

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > within {
		t.Errorf("%s: %v, want %v", what, got, want)
	}
}

// FAO-56, example 36: the readily available water of onion, tomato and maize on three soils.
func TestAvailableWaterIsThatOfTheWorkedExample(t *testing.T) {
	crops := []struct{ root, part float64 }{{0.4, 0.30}, {0.8, 0.40}, {1.2, 0.55}}
	for _, of := range []struct {
		name           string
		fc, wp         float64
		total, readily [3]float64
	}{
		{"loamy sand", 0.15, 0.06, [3]float64{36, 72, 108}, [3]float64{11, 29, 59}},
		{"silt", 0.32, 0.15, [3]float64{68, 136, 204}, [3]float64{20, 54, 112}},
		{"silty clay", 0.35, 0.23, [3]float64{48, 96, 144}, [3]float64{14, 38, 79}},
	} {
		for i, crop := range crops {
			h, err := soil(of.fc, of.wp, 0.45, 8).Holds(crop.root)
			if err != nil {
				t.Fatal(err)
			}
			near(t, of.name+", TAW", h.Available, of.total[i], 0.5)
			near(t, of.name+", RAW", h.Available*crop.part, of.readily[i], 0.51)
			// The depletion at which stress begins is RAW: at it there is none, and just beyond some.
			at, _ := water.Stress(h.Available, h.Available*crop.part, crop.part)
			beyond, _ := water.Stress(h.Available, h.Available*crop.part+1, crop.part)
			if at != 1 || beyond >= 1 {
				t.Errorf("%s: stress %v at RAW and %v beyond", of.name, at, beyond)
			}
		}
	}
}

func TestStressAndDaysToDry(t *testing.T) {
	ks, err := water.Stress(100, 70, 0.5)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "Ks", ks, 0.6, 1e-12)
	days, err := water.DaysToDry(60, 0.5, 4)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "days", days, 7.5, 1e-12)
	for _, bad := range [][3]float64{
		{100, 101, 0.5}, {100, -1, 0.5}, {100, 50, 1}, {100, 50, 0}, {0, 0, 0.5}, {math.NaN(), 0, 0.5}, {100, math.NaN(), 0.5}, {math.Inf(1), 0, 0.5},
	} {
		if ks, err := water.Stress(bad[0], bad[1], bad[2]); err == nil {
			t.Errorf("stress of %v is %v", bad, ks)
		}
	}
	for _, et := range []float64{0, -1, math.NaN(), math.Inf(1)} {
		if days, err := water.DaysToDry(60, 0.5, et); err == nil {
			t.Errorf("%v days at %v mm", days, et)
		}
	}
	if _, err := soil(0.2, 0.1, 0.4, 8).Holds(0); err == nil {
		t.Error("no depth holds water")
	}
}

// store is a loam of 40 cm, full.
func store(t *testing.T, drains float64) water.Store {
	t.Helper()
	h, err := soil(0.27, 0.117, 0.463, 9).Holds(0.4)
	if err != nil {
		t.Fatal(err)
	}
	s := water.Store{Holding: h, Part: 0.5, Drains: drains}
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	return s
}

func anyDay(rng *rand.Rand) water.Day {
	d := water.Day{
		Reference: 8 * rng.Float64(), Coefficient: 0.15 + rng.Float64(), Cover: rng.Float64(), Mulched: rng.Float64(),
	}
	if rng.Float64() < 0.3 {
		d.Rain = 60 * rng.Float64() * rng.Float64()
	}
	if rng.Float64() < 0.1 {
		d.Watered = 25 * rng.Float64()
	}
	return d
}

// What comes in goes out or is stored, whatever comes, and nothing is ever below empty or above full.
func TestWaterIsNeitherMadeNorLost(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	for range 300 {
		s := store(t, 0.05+0.95*rng.Float64())
		in, out, before := 0.0, 0.0, s.Stored()
		for range 200 {
			d := anyDay(rng)
			var went water.Went
			s, went = s.Step(d)
			in += d.Rain + d.Watered
			out += went.Taken + went.Evaporated + went.Drained + went.RanOff
			for name, part := range map[string]float64{
				"taken": went.Taken, "evaporated": went.Evaporated, "drained": went.Drained, "run off": went.RanOff,
			} {
				if part < 0 {
					t.Fatalf("%v mm %s", part, name)
				}
			}
			if err := s.Check(); err != nil {
				t.Fatal(err)
			}
			if s.Depletion > 0 && s.Above > 0 {
				t.Fatalf("it lacks %v mm and has %v mm too much", s.Depletion, s.Above)
			}
		}
		near(t, "in = out + stored", in, out+s.Stored()-before, 1e-6)
	}
}

// Closed forms. Under whole cover nothing evaporates: at 5 mm a day the store falls by 5 mm a day to RAW, and
// from there what is left shrinks by the same share each day. Bare ground gives off REW as fast as the
// air takes it, and what is left of TEW shrinks by the same share from there.
func TestDryingFollowsItsClosedForms(t *testing.T) {
	s := store(t, 1)
	total, part := s.Holding.Available, s.Part
	covered := water.Day{Reference: 5, Coefficient: 1, Cover: 1}
	for s.Depletion <= part*total {
		before := s.Depletion
		s, _ = s.Step(covered)
		near(t, "taken while there is enough", s.Depletion-before, 5, 1e-9)
	}
	at := s.Depletion
	shrinks := 1 - 5/((1-part)*total)
	for day := 1; day <= 20; day++ {
		s, _ = s.Step(covered)
		near(t, "left under cover", total-s.Depletion, (total-at)*math.Pow(shrinks, float64(day)), 1e-9)
	}

	bare := store(t, 1)
	idle := water.Day{Reference: 3, Coefficient: 0, Cover: 0}
	whole := 1.2 * 3 // Kc max of ground without plants
	days := 0
	for bare.SurfaceGone+whole <= bare.Holding.Readily {
		var went water.Went
		bare, went = bare.Step(idle)
		days++
		near(t, "wet ground gives off", went.Evaporated, whole, 1e-9)
	}
	if days < 2 {
		t.Fatalf("only %d days of wet ground", days)
	}
	bare, _ = bare.Step(idle)
	left := bare.Holding.Surface - bare.SurfaceGone
	shrinks = 1 - whole/(bare.Holding.Surface-bare.Holding.Readily)
	for day := 1; day <= 15; day++ {
		bare, _ = bare.Step(idle)
		near(t, "left in bare ground", bare.Holding.Surface-bare.SurfaceGone, left*math.Pow(shrinks, float64(day)), 1e-9)
	}
	if bare.Depletion > bare.Holding.Surface+1e-9 {
		t.Errorf("bare ground lost %v mm, more than its top holds", bare.Depletion)
	}
}

// Another way to reckon: the same bed in steps of an hour, rain over the whole day, the pull of the air by the
// sun's course. Over a season both take the same within some per cent, and end as dry.
func TestADayAtOnceIsNearADayByHours(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 6))
	for range 20 {
		s := store(t, 1)
		total, part := s.Holding.Available, s.Part
		gone, takenByHours, taken := 0.0, 0.0, 0.0
		for range 150 {
			d := water.Day{Reference: 2 + 4*rng.Float64(), Coefficient: 1, Cover: 1}
			if rng.Float64() < 0.25 {
				d.Rain = 20 * rng.Float64()
			}
			var went water.Went
			s, went = s.Step(d)
			taken += went.Taken
			// By hours.
			p := math.Min(0.8, math.Max(0.1, part+0.04*(5-d.Reference)))
			for hour := range 24 {
				gone = math.Max(0, gone-d.Rain/24)
				share := math.Max(0, math.Sin(math.Pi*(float64(hour)-5.5)/13)) / 8.27 // 13 h of daylight, summing to 1
				ks := math.Min(1, (total-gone)/((1-p)*total))
				drunk := ks * d.Reference * d.Coefficient * share
				if hour < 6 || hour > 18 {
					drunk = 0
				}
				gone += drunk
				takenByHours += drunk
			}
		}
		if math.Abs(taken/takenByHours-1) > 0.06 {
			t.Errorf("taken %v mm, by hours %v mm", taken, takenByHours)
		}
		near(t, "gone at the end", s.Depletion, gone, 0.12*total)
	}
}

// More rain never leaves a bed drier, and more sun never wets it; in a dry spell, ground under
// mulch has never given off more than without (plants may drink what it saves).
func TestWaterIsMonotone(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 4))
	for range 200 {
		plain := store(t, 0.3)
		wetter, mulched, hotter := plain, plain, plain
		unmulched, spell := plain, anyDay(rng)
		var went water.Went
		off, offUnder := 0.0, 0.0
		for range 60 {
			d := anyDay(rng)
			more, hot := d, d
			dry := water.Day{Reference: d.Reference, Coefficient: spell.Coefficient, Cover: spell.Cover}
			under := dry
			under.Mulched = spell.Mulched
			more.Rain += 3 * rng.Float64()
			hot.Reference *= 1.3
			plain, _ = plain.Step(d)
			wetter, _ = wetter.Step(more)
			hotter, _ = hotter.Step(hot)
			if unmulched.Stored() > 10 {
				unmulched, went = unmulched.Step(dry)
				off += went.Evaporated
				mulched, went = mulched.Step(under)
				offUnder += went.Evaporated
			}
			if wetter.Stored() < plain.Stored()-1e-9 {
				t.Fatalf("more rain leaves %v mm, less %v mm", wetter.Stored(), plain.Stored())
			}
			if offUnder > off+1e-9 {
				t.Fatalf("ground gave off %v mm under mulch, %v mm without", offUnder, off)
			}
			if hotter.Stored() > plain.Stored()+1e-9 {
				t.Fatalf("heat leaves %v mm, none %v mm", hotter.Stored(), plain.Stored())
			}
		}
	}
}

func TestTheCoefficientRisesFromBareGroundToAWholeCover(t *testing.T) {
	near(t, "bare", water.Coefficient(0, 1), water.Bare, 1e-12)
	near(t, "whole, 50 cm", water.Coefficient(1, 0.5), 1.05, 1e-12)
	near(t, "whole, a tree", water.Coefficient(1, 12), 1.2, 1e-12)
	near(t, "more than whole", water.Coefficient(7, 0.5), 1.05, 1e-12)
	// A low sward is bounded by twice its cover: (1 − 0.15) × 0.2 over bare.
	near(t, "a tenth of tall plants", water.Coefficient(0.1, 3), 0.15+(1.2-0.15)*0.2, 1e-12)
	for cover := 0.0; cover < 1; cover += 0.05 {
		if water.Coefficient(cover+0.05, 0.4) < water.Coefficient(cover, 0.4) {
			t.Errorf("more cover than %v takes less", cover)
		}
	}
}

// A slow ground stays soaked for days, a free one does not; rain beyond all pores runs off.
func TestSlowGroundStaysSoaked(t *testing.T) {
	soaked := func(drains float64) (days int) {
		s := store(t, drains)
		s, went := s.Step(water.Day{Rain: 300})
		near(t, "runs off", went.RanOff, 300-s.Holding.Spare, 1e-9)
		for s.Soaked() {
			s, _ = s.Step(water.Day{Reference: 1, Coefficient: 0.15})
			days++
		}
		return days
	}
	if free, slow := soaked(1), soaked(0.1); free != 0 || slow < 4 || slow > 7 {
		t.Errorf("free ground is soaked for %d days, slow for %d", free, slow) // 0.9ⁿ < ½ from n = 7 on, sooner with what dries
	}
}

// A reading moves the store towards it, the more the surer it is: as two normal beliefs multiply.
func TestAReadingCorrectsTheBalance(t *testing.T) {
	s := store(t, 1)
	s.Depletion = 10
	near(t, "as sure as the balance", s.Corrected(30, 5, 5).Depletion, 20, 1e-12)
	near(t, "three times as sure", s.Corrected(30, 5, 15).Depletion, 10+20*0.9, 1e-12)
	near(t, "wetter than field capacity", s.Corrected(-20, 1e-6, 5).Above, 20, 1e-6)
	near(t, "drier than dry", s.Corrected(900, 1e-6, 5).Depletion, s.Holding.Available, 1e-6)
}

// FAO-56, equation 90: with a response of 1.05 a crop that took three quarters of its water loses 1.05 × 0.25.
func TestALackOfWaterCostsYield(t *testing.T) {
	for _, of := range []struct{ taken, asked, response, want float64 }{
		{300, 400, 1.05, 1 - 1.05*0.25}, {400, 400, 1.05, 1}, {500, 400, 1, 1}, {0, 400, 1.25, 0}, {0, 0, 1, 1},
	} {
		near(t, "yield", water.YieldShare(of.taken, of.asked, of.response), of.want, 1e-12)
	}
	s := store(t, 1)
	s.Depletion = 0.7 * s.Holding.Available
	ks, err := water.Stress(s.Holding.Available, s.Depletion, 0.5)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "Ks of a store", s.StressOf(0.5, 5), ks, 1e-12)
}

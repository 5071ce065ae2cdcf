package propagation

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

var testNormals = climate.Normals{
	ID: "test", Name: "Test", Kind: "cool", HeightM: 100, Latitude: 52,
	TMin:      [12]float64{-2, -2, 0, 3, 6, 9, 11, 11, 8, 5, 2, -1},
	TMax:      [12]float64{4, 5, 9, 13, 17, 20, 22, 22, 18, 13, 8, 5},
	Rain:      [12]float64{60, 45, 45, 45, 50, 55, 60, 60, 55, 60, 60, 65},
	WetDays:   [12]float64{13, 10, 11, 10, 10, 10, 10, 10, 10, 11, 12, 13},
	SpreadMin: 3.6, SpreadMax: 3.8, WetDayCooler: 1.5,
}

func testWeathers(t *testing.T, size int) *Weathers {
	t.Helper()
	generator, err := climate.NewGenerator(testNormals)
	if err != nil {
		t.Fatal(err)
	}
	season := calendar.SeasonOf(52, calendar.Must(2031, time.May, 1))
	first, err := climate.NewEnsemble(generator, season, season.Start, nil, size, 1)
	if err != nil {
		t.Fatal(err)
	}
	second, err := climate.NewEnsemble(generator, season.Next(52), season.Next(52).Start, nil, size, 2)
	if err != nil {
		t.Fatal(err)
	}
	w, err := JoinSeasons(1, first, second)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

func sure(value float64, unit string) flora.Figure {
	return flora.Figure{Value: value, Low: value, High: value, Unit: unit, Standing: flora.Measured}
}

func testLore() *Lore {
	one := sure(1, "share")
	return &Lore{
		Doubt: Doubt{Times: sure(1.4, "times"), Degrees: sure(2, "°C"), Share: sure(0.15, "share")},
		Rest: RestOf{
			ColdLow: sure(0, "°C"), ColdHigh: sure(10, "°C"), WarmLow: sure(15, "°C"), WarmHigh: sure(30, "°C"),
		},
		Raising: Raising{
			GrowsOn: one, Settles: one, InPlace: one, HardenDays: sure(10, "days"), FrostRisk: sure(0.1, "share"),
			SteadyDays: sure(30, "days"),
		},
		Seed: SeedOf{New: sure(0.95, "share"), Cool: sure(1, "times")},
		Rain: RainOf{sure(25, "mm"), sure(3, "days")},
	}
}

func of(f flora.Figure) *flora.Figure { return &f }

func seedRow() flora.Propagation {
	return flora.Propagation{
		Way: "seed", Base: of(sure(4, "°C")), Optimum: of(sure(20, "°C")), Ceiling: of(sure(27, "°C")),
		Warmth: of(sure(60, "°C d")), ComesUp: of(sure(0.8, "share")), SeedLife: of(sure(3, "years")),
		SetOutWeeks:  of(sure(6, "weeks")),
		FirstHarvest: map[string]flora.Figure{"leaf": sure(1, "years")},
	}
}

var shelf = &Place{Kind: IndoorShelf, SetC: 20, Trays: 4}

func TestASureWayTakesTheDaysOfItsSteps(t *testing.T) {
	w := testWeathers(t, 40)
	start := w.Index(calendar.Must(2031, time.March, 1))
	a := Attempt{
		Row: seedRow(), Weathers: w, Lore: testLore(), Start: start, By: -1, Wanted: 10, Started: 20,
		Rise: shelf, Grow: shelf,
	}
	o := a.Look(Runs, 1)
	// 3.75 days to come up (ended on the fourth), six weeks, ten days of hardening.
	if want := start + 3 + 42 + 10; o.Out != (Spread{want, want, want}) || !o.DatesKnown {
		t.Errorf("ready at %+v, want %d", o.Out, want)
	}
	// Twenty sown, each up with 0.8 × 0.95: the chance of ten is the binomial tail.
	if want := AtLeast(10, 20, 0.8*0.95); math.Abs(o.Chance-want) > 0.03 {
		t.Errorf("chance %.3f, the binomial's %.3f", o.Chance, want)
	}
	if o.Standing != flora.Measured && o.Standing != flora.Published {
		t.Errorf("standing %s", o.Standing)
	}
}

func TestTheSameSeedTheSameOutlook(t *testing.T) {
	w := testWeathers(t, 20)
	a := Attempt{
		Row:      seedRow(),
		Weathers: w,
		Lore:     testLore(),
		Start:    60,
		By:       -1,
		Wanted:   5,
		Started:  8,
		Rise:     shelf,
		Grow:     shelf,
	}
	a.Row.ComesUp = &flora.Figure{Value: 0.6, Low: 0.2, High: 0.9, Unit: "share"}
	first, second, other := a.Look(500, 3), a.Look(500, 3), a.Look(500, 4)
	if first.Chance != second.Chance || first.Out != second.Out || first.Chance == other.Chance {
		t.Errorf("chances %v %v, other seed %v", first.Chance, second.Chance, other.Chance)
	}
}

func TestATenderPlantNeverGoesOutBeforeItsFrostChance(t *testing.T) {
	w := testWeathers(t, 100)
	below, risk := 0.0, 0.1
	may := OutDays(w, &below, 30, risk)
	row := seedRow()
	rng := rand.New(rand.NewPCG(5, 5))
	for range 40 {
		a := Attempt{
			Row: row, Weathers: w, Lore: testLore(), Start: rng.IntN(300), By: -1, Wanted: 1, Started: 5,
			Rise: shelf, Grow: shelf, OutOn: may, KilledBelow: &below,
		}
		for member := range w.Size() {
			r := a.run(rng, member)
			if r.Out < 0 || r.Out >= w.Days {
				continue
			}
			// Counted on the members themselves, not by the table that the rule reads.
			cold := 0
			for m := range w.Size() {
				for day := r.Out; day <= r.Out+30 && day < w.Days; day++ {
					if w.Low(m, day) <= below {
						cold++
						break
					}
				}
			}
			if share := float64(cold) / float64(w.Size()); share > risk+1e-9 {
				t.Fatalf("started on %d it goes out on %s with a chance of frost of %.2f", a.Start, w.Date(r.Out), share)
			}
		}
	}
}

func TestColdOutdoorsComesFromTheWinter(t *testing.T) {
	w := testWeathers(t, 60)
	row := seedRow()
	row.ColdWeeks = of(sure(8, "weeks"))
	look := func(start calendar.Date, rest *Place) Outlook {
		a := Attempt{
			Row:      row,
			Weathers: w,
			Lore:     testLore(),
			Start:    w.Index(start),
			By:       -1,
			Wanted:   5,
			Started:  20,
			Rest:     rest,
		}
		return a.Look(300, 1)
	}
	autumn := look(calendar.Must(2031, time.October, 15), nil)
	spring := look(calendar.Must(2031, time.April, 20), nil)
	cold := look(calendar.Must(2031, time.April, 20), &Place{Kind: Refrigerator, SetC: 4})
	if up := w.Date(autumn.Up.P50); up < calendar.Must(2031, time.December, 10) || up > calendar.Must(2032, time.May, 31) {
		t.Errorf("laid out in October it is up on %s", up)
	}
	if up := w.Date(spring.Up.P10); up < calendar.Must(2031, time.November, 1) {
		t.Errorf("laid out in April it is up on %s, before any winter", up)
	}
	if days := cold.Rested.P50 - w.Index(calendar.Must(2031, time.April, 20)); days != 56 {
		t.Errorf("in a refrigerator eight weeks of cold take %d days", days)
	}
}

func TestWhatIsNotOnRecordIsSaid(t *testing.T) {
	w := testWeathers(t, 10)
	row := seedRow()
	row.Warmth, row.ComesUp = nil, nil
	a := Attempt{
		Row:      row,
		Weathers: w,
		Lore:     testLore(),
		Start:    60,
		By:       -1,
		Wanted:   5,
		Started:  10,
		Rise:     shelf,
		Grow:     shelf,
	}
	o := a.Look(100, 1)
	if o.ChanceKnown || o.DatesKnown || len(o.Missing) != 2 {
		t.Errorf("chance known %v, dates %v, missing %v", o.ChanceKnown, o.DatesKnown, o.Missing)
	}
	if _, err := a.StartsFor(0.9, 1); err == nil {
		t.Error("a number to start is told without the share that comes up")
	}
	aged := seedRow()
	aged.SeedLife = nil
	a.Row, a.Lot = aged, &SeedLot{Years: 2, Longer: sure(1, "times")}
	if _, err := a.StartsFor(0.9, 1); err == nil {
		t.Error("a number to start is told of a lot of which nobody knows how long it lives")
	}
	a.Lot = nil
	bare := seedRow()
	bare.Warmth = &flora.Figure{Value: 60, Low: 60, High: 60, Unit: "°C d", Standing: flora.Guess}
	a.Row = bare
	if o := a.Look(100, 1); !slices.Equal(o.Assumed, []string{"the warmth until it is up"}) || o.Standing != flora.Guess {
		t.Errorf("assumed %v, standing %s", o.Assumed, o.Standing)
	}
}

// An old lot needs more seed, and a tested one what its test says.
func TestStartsFollowTheLot(t *testing.T) {
	w := testWeathers(t, 10)
	at := func(lot *SeedLot) int {
		a := Attempt{Row: seedRow(), Weathers: w, Lore: testLore(), Wanted: 24, Rise: shelf, Grow: shelf, Lot: lot}
		n, err := a.StartsFor(0.9, 1)
		if err != nil {
			t.Fatal(err)
		}
		return n
	}
	before := at(nil)
	for years := 1.0; years < 6; years++ {
		n := at(&SeedLot{Years: years, Longer: sure(1, "times")})
		if n < before {
			t.Errorf("seed of %g years: %d starts, younger %d", years, n, before)
		}
		before = n
	}
	tested, _ := Tested(18, 25)
	// 64 draws of the beta stand for its integral.
	if n := at(&SeedLot{Seen: &tested}); n < 40 || n > 46 {
		t.Errorf("18 of 25 came up: %d starts, the beta-binomial's are 43", n)
	}
}

func TestTheLatestStartIsInTime(t *testing.T) {
	w := testWeathers(t, 40)
	a := Attempt{Row: seedRow(), Weathers: w, Lore: testLore(), Wanted: 5, Started: 20, Rise: shelf, Grow: shelf}
	a.By = w.Index(calendar.Must(2031, time.June, 1))
	days := InSpans([]Span{{0, w.Days - 1}}, 30, a.By, 7)
	start, chance, enough := a.LatestStart(days, 0.9, 200, 1)
	if !enough || chance < 0.9 || start > a.By-55 || start < a.By-62 {
		t.Errorf("start on %d for %d with %.2f, %v", start, a.By, chance, enough)
	}
	a.By = 40
	if _, _, enough := a.LatestStart(InSpans([]Span{{0, 999}}, 30, a.By, 7), 0.9, 200, 1); enough {
		t.Error("fifty-five days' work is done in ten")
	}
}

func TestASoakingRainIsCountedOverItsDays(t *testing.T) {
	days := make([]climate.Day, 20)
	days[2].Rain, days[6].Rain, days[7].Rain, days[9].Rain = 24, 10, 10, 6
	if day, comes := (Soaking{25, 3}).FirstDay(days, 0); comes {
		t.Errorf("26 mm in four days soak on day %d", day)
	}
	days[8].Rain = 5
	if day, comes := (Soaking{25, 3}).FirstDay(days, 0); !comes || day != 8 {
		t.Errorf("25 mm in days 6 to 8: day %d, %v", day, comes)
	}
	if day, comes := (Soaking{20, 3}).FirstDay(days, 3); !comes || day != 7 {
		t.Errorf("rain of before the day counts: day %d, %v", day, comes)
	}
}

// The chance by week is the share of members whose rain has come, counted the other way round.
func TestTheRainsChanceRisesToItsShare(t *testing.T) {
	w := testWeathers(t, 80)
	rain := Soaking{25, 3}
	chance := rain.ChanceByWeek(w, 100, 8)
	for week, got := range chance {
		count := 0
		for member := range w.Size() {
			if day, comes := rain.FirstDay(w.members[member], 100); comes && day < 100+7*(week+1) {
				count++
			}
		}
		if want := float64(count) / float64(w.Size()); math.Abs(got-want) > 1e-9 || week > 0 && got < chance[week-1] {
			t.Errorf("week %d: %.3f, counted %.3f", week, got, want)
		}
	}
}

// The triangle's quantiles against draws by another construction: sum of two uniforms for the
// even one.
func TestTriangle(t *testing.T) {
	for _, q := range []float64{0, 0.1, 0.5, 0.9, 1} {
		even := math.Sqrt(2*q) - 1 // of −1 to 1 with the tip at 0, below the middle
		if q > 0.5 {
			even = 1 - math.Sqrt(2*(1-q))
		}
		if got := triangle(-1, 0, 1, q); math.Abs(got-even) > 1e-9 {
			t.Errorf("at %g: %g, want %g", q, got, even)
		}
	}
	if got := triangle(2, 2, 2, 0.7); got != 2 {
		t.Errorf("without a range: %g", got)
	}
}

package ground_test

import (
	"math"
	"slices"
	"testing"

	"bramblyacre/core/ground"
	"bramblyacre/library"
)

func check(t *testing.T, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// table is the one that ships: the tests hold what growers will be told.
func table(t *testing.T) ground.Table {
	t.Helper()
	l, err := library.Shipped()
	check(t, err)
	return l.Ground().Signs
}

func aspect(t *testing.T, id string) ground.Aspect {
	t.Helper()
	a, err := ground.AspectOf(id)
	check(t, err)
	return a
}

// A point well inside each of the twelve classes of the triangle, and points on
// the bounds that the Soil Survey Manual gives.
func TestTextureTriangle(t *testing.T) {
	tests := []struct {
		sand, silt, clay float64
		want             string
	}{
		{92, 5, 3, "sand"}, {82, 12, 6, "loamy sand"}, {65, 25, 10, "sandy loam"}, {42, 40, 18, "loam"}, {20, 65, 15, "silt loam"}, {7, 88, 5, "silt"},
		{60, 13, 27, "sandy clay loam"}, {33, 33, 34, "clay loam"}, {10, 56, 34, "silty clay loam"}, {52, 7, 41, "sandy clay"}, {6, 47, 47, "silty clay"}, {20, 20, 60, "clay"},
		{40, 40, 20, "loam"}, {45, 15, 40, "clay"}, {50, 50, 0, "silt loam"}, {0, 80, 20, "silt loam"}, {0, 0, 100, "clay"}, {100, 0, 0, "sand"}, {0, 100, 0, "silt"},
		{52, 41, 7, "loam"}, {53, 40, 7, "sandy loam"}, {20, 53, 27, "silty clay loam"}, {46, 19, 35, "sandy clay"},
	}
	for _, test := range tests {
		shares, err := ground.Jar(test.sand, test.silt, test.clay)
		check(t, err)
		if got := shares.Class(); got != test.want {
			t.Errorf("%v sand, %v silt, %v clay is %s, want %s", test.sand, test.silt, test.clay, got, test.want)
		}
	}
}

// The triangle has no gaps: every share has a class, and neighbours in clay never
// get lighter by more than the triangle allows.
func TestEveryShareHasAClass(t *testing.T) {
	words := aspect(t, ground.Texture).Words
	seen := map[string]bool{}
	for sand := 0.0; sand <= 100; sand++ {
		for clay := 0.0; clay <= 100-sand; clay++ {
			shares, err := ground.Jar(sand, 100-sand-clay, clay)
			check(t, err)
			class := shares.Class()
			if !slices.Contains(words, class) {
				t.Fatalf("%v sand, %v clay is %q", sand, clay, class)
			}
			seen[class] = true
		}
	}
	if len(seen) != 12 {
		t.Errorf("%d of 12 classes are ever met", len(seen))
	}
}

func TestAJarIsReadByItsShares(t *testing.T) {
	small, err := ground.Jar(20, 20, 10)
	check(t, err)
	large, err := ground.Jar(60, 60, 30)
	check(t, err)
	if small != large || math.Abs(small.Sand-0.4) > 1e-12 {
		t.Errorf("a jar three times as tall reads %+v, the small one %+v", large, small)
	}
	for _, bad := range [][3]float64{{0, 0, 0}, {-1, 20, 10}, {math.NaN(), 1, 1}, {900, 900, 900}} {
		if _, err := ground.Jar(bad[0], bad[1], bad[2]); err == nil {
			t.Errorf("layers of %v mm gave shares", bad)
		}
	}
	likelihood := small.Likelihood()
	best := slices.Index(likelihood, slices.Max(likelihood))
	if got := aspect(t, ground.Texture).Words[best]; got != "loam" || slices.Max(likelihood) != 1 {
		t.Errorf("40, 40, 20 speaks most for %s, by %v", got, slices.Max(likelihood))
	}
}

// The nine classes of Thien's flow diagram.
func TestRibbon(t *testing.T) {
	for _, test := range []struct {
		length float64
		feel   string
		ball   bool
		want   string
	}{
		{10, "gritty", true, "sandy loam"}, {10, "smooth", true, "silt loam"}, {24, "neither", true, "loam"},
		{25, "gritty", true, "sandy clay loam"}, {40, "smooth", true, "silty clay loam"}, {50, "neither", true, "clay loam"},
		{60, "gritty", true, "sandy clay"}, {80, "smooth", true, "silty clay"}, {51, "neither", true, "clay"},
		{0, "gritty", true, "loamy sand"}, {0, "", false, "sand"},
	} {
		got, err := ground.Ribbon(test.length, test.feel, test.ball)
		if err != nil || got != test.want {
			t.Errorf("a ribbon of %v mm, %s: %s, %v; want %s", test.length, test.feel, got, err, test.want)
		}
	}
	for _, bad := range []float64{-1, 300, math.NaN()} {
		if _, err := ground.Ribbon(bad, "gritty", true); err == nil {
			t.Errorf("a ribbon of %v mm has a class", bad)
		}
	}
	if _, err := ground.Ribbon(30, "cold", true); err == nil {
		t.Error("a soil that feels cold has a class")
	}
}

// 25 mm in half an hour is 50 mm an hour; the bounds are 0.2, 0.6, 2, 6 and 20
// inches an hour.
func TestInfiltration(t *testing.T) {
	for _, test := range []struct {
		fall, minutes, rate float64
		class               string
	}{
		{25, 30, 50, "moderate"}, {1, 60, 1, "very slow"}, {4, 60, 4, "slow"}, {10, 60, 10, "moderately slow"}, {100, 60, 100, "moderately rapid"},
		{400, 60, 400, "rapid"}, {900, 60, 900, "very rapid"}, {0, 60, 0, "very slow"}, {50.8, 60, 50.8, "moderately rapid"},
	} {
		rate, class, err := ground.Infiltration(test.fall, test.minutes)
		if err != nil || math.Abs(rate-test.rate) > 1e-9 || class != test.class {
			t.Errorf("%v mm in %v min is %v mm/h, %s, %v; want %v, %s", test.fall, test.minutes, rate, class, err, test.rate, test.class)
		}
	}
	for _, bad := range [][2]float64{{-1, 30}, {25, 0}, {25, -5}, {math.NaN(), 5}, {5, math.NaN()}, {5000, 10}} {
		if _, _, err := ground.Infiltration(bad[0], bad[1]); err == nil {
			t.Errorf("%v mm in %v min has a rate", bad[0], bad[1])
		}
	}
}

func TestNothingSaidIsNothingKnown(t *testing.T) {
	b := ground.Weigh(aspect(t, ground.Moisture), nil)
	if b.Known() {
		t.Error("without evidence something is known")
	}
	for _, chance := range b.Chance {
		if math.Abs(chance-0.25) > 1e-12 {
			t.Errorf("without evidence the chances are %v", b.Chance)
		}
	}
}

// Every sign that ships shifts its aspects' belief, and the more it is seen with
// others of its kind the surer the belief is.
func TestEverySignShiftsABelief(t *testing.T) {
	signs := table(t)
	for _, sign := range signs.Signs {
		for _, e := range signs.Seen(sign.ID, "") {
			a := aspect(t, e.Aspect)
			b := ground.Weigh(a, []ground.Evidence{e})
			_, chance := b.Likeliest()
			sum := 0.0
			for _, c := range b.Chance {
				sum += c
			}
			if chance <= 1/float64(len(a.Words))*1.2 || math.Abs(sum-1) > 1e-9 {
				t.Errorf("%s leaves %s at %v", sign.ID, a.ID, b.Chance)
			}
			if s := e.Strength(); s != "slight" && s != "fair" && s != "strong" {
				t.Errorf("%s is of strength %q", sign.ID, s)
			}
		}
	}
	if signs.Seen("two-headed worm", "") != nil {
		t.Error("an unknown sign says something")
	}
}

func TestSignsThatAgreeMakeSurer(t *testing.T) {
	signs := table(t)
	moisture := aspect(t, ground.Moisture)
	one := ground.Weigh(moisture, signs.Seen("green-moss", ""))
	two := ground.Weigh(moisture, append(signs.Seen("green-moss", ""), signs.Seen("rushes", "")...))
	if two.Chance[3] <= one.Chance[3] || one.Chance[0] >= 0.1 {
		t.Errorf("moss gives wet %v, moss and rushes %v", one.Chance[3], two.Chance[3])
	}
	if len(two.Against) != 0 {
		t.Errorf("moss and rushes contradict each other: %v", two.Against)
	}
}

// A bed that is read for many years, by readings that contradict each other, still
// has chances that sum to 1 and leave nothing out of the scale.
func TestManyReadingsNeverSinkABelief(t *testing.T) {
	signs := table(t)
	acidity := aspect(t, ground.Acidity)
	var evidence []ground.Evidence
	for range 400 {
		for _, ph := range []float64{2, 11, 7} {
			read, err := signs.PHReading("ph meter", ph, "")
			if err != nil {
				t.Fatal(err)
			}
			evidence = append(evidence, read...)
		}
	}
	sum := 0.0
	for _, chance := range ground.Weigh(acidity, evidence).Chance {
		sum += chance
	}
	if !(math.Abs(sum-1) < 1e-9) { // so written that NaN fails
		t.Errorf("the chances sum to %v", sum)
	}
}

func TestAContradictionIsPointedOut(t *testing.T) {
	signs := table(t)
	moisture := aspect(t, ground.Moisture)
	evidence := append(signs.Seen("rushes", ""), signs.Seen("dusty", "")...)
	b := ground.Weigh(moisture, evidence)
	if len(b.Against) != 1 {
		t.Fatalf("rushes and dust a hand down: %v", b.Against)
	}
	said := ground.Weigh(moisture, append(signs.SaidToBe(moisture, "dry", "your word"), signs.Seen("rushes", "")...))
	if len(said.Against) != 1 || said.Chance[0] > 0.5 {
		t.Errorf("the word dry against rushes: %v, chances %v", said.Against, said.Chance)
	}
	if order := ground.Weigh(moisture, []ground.Evidence{evidence[len(evidence)-2], evidence[0]}); len(order.Chance) != 4 {
		t.Errorf("%v", order.Chance)
	}
}

func TestReadingsSpeakForWhatTheyRead(t *testing.T) {
	signs := table(t)
	meter, err := signs.PHReading("ph meter", 6.4, "")
	check(t, err)
	strip, err := signs.PHReading("ph strip", 6.4, "")
	check(t, err)
	acidity := aspect(t, ground.Acidity)
	byMeter, byStrip := ground.Weigh(acidity, meter), ground.Weigh(acidity, strip)
	if math.Abs(byMeter.Mean()-6.4) > 0.1 || math.Abs(byStrip.Mean()-6.4) > 0.15 {
		t.Errorf("6.4 is read as %v by the meter, %v by the strip", byMeter.Mean(), byStrip.Mean())
	}
	if _, chance := byMeter.Likeliest(); chance <= slices.Max(byStrip.Chance) {
		t.Error("the strip is surer than the meter")
	}
	worms, err := signs.WormCount(14, "")
	check(t, err)
	if b := ground.Weigh(aspect(t, ground.Fertility), worms); b.Chance[2] < 0.5 {
		t.Errorf("14 worms leave rich at %v", b.Chance[2])
	}
	water, err := signs.InfiltrationTest(2, 60, "")
	check(t, err)
	if class, _ := ground.Weigh(aspect(t, ground.Drainage), water).Likeliest(); class > 1 {
		t.Errorf("2 mm an hour speaks for class %d", class)
	}
	for name, err := range map[string]error{
		"pH 15":   second(signs.PHReading("ph meter", 15, "")),
		"worms":   second(signs.WormCount(-1, "")),
		"depth":   second(signs.DepthReading(0, "")),
		"jar":     second(signs.JarTest(0, 0, 0, "")),
		"ribbon":  second(signs.RibbonTest(900, "gritty", true, "")),
		"minutes": second(signs.InfiltrationTest(4, 0, "")),
	} {
		if err == nil {
			t.Errorf("%s: what cannot be was read", name)
		}
	}
}

func second(_ []ground.Evidence, err error) error { return err }

func TestCertainHoldsItsValue(t *testing.T) {
	for _, a := range ground.Aspects() {
		least, most := slices.Min(a.Values), slices.Max(a.Values)
		for i := range 11 {
			want := least + (most-least)*float64(i)/10
			if b := ground.Certain(a, want); math.Abs(b.Mean()-want) > 1e-9 || !b.Known() {
				t.Errorf("%s certain to be %v has mean %v", a.ID, want, b.Mean())
			}
		}
	}
}

// A sandy soil speaks for sharp drainage, a clay for slow, and a soil of which
// nothing is known for none.
func TestTextureSpeaksForDrainage(t *testing.T) {
	signs, texture, drainage := table(t), aspect(t, ground.Texture), aspect(t, ground.Drainage)
	likeliest := func(word string) string {
		class, _ := ground.Weigh(drainage, signs.TextureSpeaks(signs.SaidToBe(texture, word, ""))).Likeliest()
		return drainage.Words[class]
	}
	for word, want := range map[string]string{"sand": "sharp", "sandy loam": "free", "loam": "free", "clay loam": "slow", "clay": "slow"} {
		if got := likeliest(word); got != want {
			t.Errorf("%s speaks for %s drainage, want %s", word, got, want)
		}
	}
	if signs.TextureSpeaks(nil) != nil {
		t.Error("an unknown texture speaks")
	}
	// It is slight beside a test of the water itself.
	clay := signs.SaidToBe(texture, "clay", "")
	fast, err := signs.InfiltrationTest(200, 60, "")
	check(t, err)
	if class, _ := ground.Weigh(drainage, append(signs.TextureSpeaks(clay), fast...)).Likeliest(); drainage.Words[class] == "slow" {
		t.Error("clay outweighs water that goes in fast")
	}
	// Cracks speak of texture and drainage both: they do not count twice.
	if twice := signs.TextureSpeaks(signs.Seen("cracked-clay", "")); twice != nil {
		t.Errorf("cracks count twice: %v", twice)
	}
}

func TestATableThatCannotBeReliedOnIsRefused(t *testing.T) {
	good := table(t)
	for name, spoil := range map[string]func(*ground.Table){
		"no signs":         func(b *ground.Table) { b.Signs = nil },
		"a twin id":        func(b *ground.Table) { b.Signs = append(slices.Clone(b.Signs), b.Signs[0]) },
		"said begins at 0": func(b *ground.Table) { b.Said = []float64{0, 1} },
		"no texture":       func(b *ground.Table) { b.DrainageByTexture = nil },
		"no error":         func(b *ground.Table) { b.Errors = nil },
		"worms unordered":  func(b *ground.Table) { b.Worms = append(slices.Clone(b.Worms), b.Worms[0]) },
		"a class unknown": func(b *ground.Table) {
			b.Signs = []ground.Sign{{ID: "x", Name: "x", Look: "x", Says: []ground.Says{{Aspect: "moisture", Chance: map[string]float64{"soggy": 1}}}}}
		},
		"a class left out": func(b *ground.Table) {
			b.Signs = []ground.Sign{{ID: "x", Name: "x", Look: "x", Says: []ground.Says{{Aspect: "moisture", Chance: map[string]float64{"wet": 1}}}}}
		},
		"a chance of 2": func(b *ground.Table) {
			b.Signs = []ground.Sign{{ID: "x", Name: "x", Look: "x", Says: []ground.Says{{Aspect: "fertility", Chance: map[string]float64{"lean": 2, "fair": 1, "rich": 1}}}}}
		},
	} {
		spoilt := good
		spoil(&spoilt)
		if spoilt.Check() == nil {
			t.Errorf("%s is let through", name)
		}
	}
}

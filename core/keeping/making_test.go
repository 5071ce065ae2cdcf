package keeping_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"bramblyacre/core/keeping"
)

func TestDilutingASpirit(t *testing.T) {
	d, err := keeping.Dilute(500, 40, 70) // model.md §8
	if err != nil {
		t.Fatal(err)
	}
	near(t, "spirit", d.SpiritML, 285.71, 0.005)
	near(t, "water", d.WaterML, 214.29, 0.005)
	// What is mixed has the alcohol that went in.
	near(t, "strength", 70*d.SpiritML/(d.SpiritML+d.WaterML), 40, 1e-9)
	for _, tc := range [][3]float64{
		{500, 40, 120}, {500, 120, 96}, {500, 70, 40}, {0, 40, 70}, {math.NaN(), 40, 70}, {500, 0, 70}, {500, 40, 0},
		{math.Inf(1), 40, 70}, {500, math.NaN(), 70},
	} {
		if _, err := keeping.Dilute(tc[0], tc[1], tc[2]); err == nil {
			t.Errorf("%v: want an error", tc)
		}
	}
}

func TestFreshHerbWeakensASpirit(t *testing.T) {
	// 200 g of herb of which 0.8 are water in 400 ml of 40 %: 160 ml of alcohol in 560 ml.
	near(t, "strength", keeping.StrengthAfter(400, 40, 200, 0.8), 100*160.0/560, 1e-9)
	near(t, "dry herb", keeping.StrengthAfter(400, 40, 200, 0), 40, 1e-9)
	near(t, "nothing", keeping.StrengthAfter(0, 40, 0, 0), 0, 0)
}

func TestCoveringHerb(t *testing.T) {
	in, err := keeping.Infuse(50, keeping.Infusing{MLPerGram: 8, PackedMLPerGram: 12, Kept: 0.8})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "liquid", in.LiquidML, 400, 1e-9)
	near(t, "strained", in.StrainedML, 320, 1e-9)
	near(t, "jar", in.JarML, 600, 1e-9) // the herb stands higher than its oil with its own substance
	for _, grams := range []float64{0, -1, math.NaN(), math.Inf(1)} {
		if _, err := keeping.Infuse(grams, keeping.Infusing{MLPerGram: 8, Kept: 0.8}); err == nil {
			t.Errorf("%v g: want an error", grams)
		}
	}
	if _, err := keeping.Infuse(50, keeping.Infusing{MLPerGram: 8, Kept: 1.2}); err == nil {
		t.Error("more cannot come through than went in")
	}
}

func TestAMixIsSharedOutToTheGram(t *testing.T) {
	random := rand.New(rand.NewPCG(3, 5))
	for range 200 {
		shares := make([]keeping.Share, 1+random.IntN(6))
		for i := range shares {
			shares[i].Parts = 0.5 + 5*random.Float64()
		}
		total := 1 + 1000*random.Float64()
		grams, err := keeping.Mix(total, shares)
		if err != nil {
			t.Fatal(err)
		}
		sum := 0.0
		for i, g := range grams {
			sum += g
			near(t, "ratio", g/grams[0], shares[i].Parts/shares[0].Parts, 1e-9)
		}
		near(t, "sum", sum, total, 1e-9)
	}
	for _, bad := range [][]keeping.Share{nil, {{Name: "a"}}, {{Name: "a", Parts: -1}}, {{Name: "a", Parts: math.NaN()}}} {
		if _, err := keeping.Mix(100, bad); err == nil {
			t.Errorf("%v: want an error", bad)
		}
	}
}

func TestFreezing(t *testing.T) {
	frozen, err := keeping.Freeze(1500, keeping.Freezing{Drained: 0.9, LitresPerKilogram: 2}, 1)
	if err != nil || frozen != (keeping.Frozen{Grams: 1350, Litres: 3, Bags: 3}) {
		t.Errorf("%+v, %v", frozen, err)
	}
	if one, _ := keeping.Freeze(10, keeping.Freezing{Drained: 0.9, LitresPerKilogram: 2}, 1); one.Bags != 1 {
		t.Errorf("a little takes %d bags", one.Bags)
	}
	if _, err := keeping.Freeze(100, keeping.Freezing{Drained: 0.9, LitresPerKilogram: 2}, 0); err == nil {
		t.Error("a bag of nothing holds nothing")
	}
}

func TestTraysAreLoadedByWhatSpoilsFirstAndNeverMixed(t *testing.T) {
	random := rand.New(rand.NewPCG(9, 2))
	kinds := []string{"sage leaf", "hop cone", "lovage leaf", "valerian root"}
	for range 500 {
		var free []keeping.Tray
		for i := range 1 + random.IntN(6) {
			free = append(free, keeping.Tray{Number: i + 1, M2: 0.05 + 0.2*random.Float64()})
		}
		var waits []keeping.Waits
		load := map[string]float64{}
		for i := range random.IntN(6) {
			kind := kinds[random.IntN(len(kinds))]
			if load[kind] == 0 {
				load[kind] = 500 + 2000*random.Float64()
			}
			waits = append(waits, keeping.Waits{
				ID: int64(i + 1), Kind: kind, Grams: 5 + 500*random.Float64(), GramsPerM2: load[kind],
				Spoils: 40 * random.Float64(),
			})
		}
		placed, left := keeping.Load(free, waits)
		on, kindOn, laid := map[int]float64{}, map[int]string{}, map[int64]float64{}
		of := map[int64]keeping.Waits{}
		for _, w := range waits {
			of[w.ID] = w
		}
		for _, p := range placed {
			w := of[p.ID]
			on[p.Tray] += p.Grams / w.GramsPerM2
			laid[p.ID] += p.Grams
			if kind := kindOn[p.Tray]; kind != "" && kind != w.Kind {
				t.Fatalf("tray %d holds %s and %s", p.Tray, kind, w.Kind)
			}
			kindOn[p.Tray] = w.Kind
		}
		for _, tray := range free {
			if on[tray.Number] > tray.M2+1.1/500 { // a rounding of less than a gram
				t.Fatalf("tray %d of %v m² holds %v", tray.Number, tray.M2, on[tray.Number])
			}
		}
		for _, w := range waits {
			near(t, "nothing is lost", laid[w.ID]+left[w.ID], w.Grams, 1e-9)
		}
		if len(kindOn) < len(free) && len(left) > 0 {
			t.Fatalf("something is left beside a free tray: %v, %v", placed, left)
		}
	}
	// One tray, two baskets: that which spoils first is on it.
	placed, left := keeping.Load([]keeping.Tray{{Number: 1, M2: 0.1}}, []keeping.Waits{
		{ID: 1, Kind: "root", Grams: 50, GramsPerM2: 1000, Spoils: 48}, {ID: 2, Kind: "flower", Grams: 50, GramsPerM2: 1000, Spoils: 8},
	})
	if len(placed) != 1 || placed[0].ID != 2 || left[1] != 50 {
		t.Errorf("%v, %v", placed, left)
	}
}

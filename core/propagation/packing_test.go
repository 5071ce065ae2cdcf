package propagation

import (
	"math"
	"math/rand/v2"
	"testing"
)

// exhaustive tries every choice of options.
func exhaustive(bench Bench, batches []BenchBatch) (worth float64, kept int) {
	left := make([][]int, len(bench.Room))
	for i, room := range bench.Room {
		left[i] = append([]int(nil), room...)
	}
	var try func(i int, sum float64, n int)
	try = func(i int, sum float64, n int) {
		if i == len(batches) {
			if sum > worth {
				worth, kept = sum, n
			}
			return
		}
		try(i+1, sum, n)
		for _, option := range batches[i].Options {
			week, fits := option.Start, true
			type cell struct{ place, week int }
			var cells []cell
			for _, stay := range option.Stays {
				for range stay.Weeks {
					if week < 0 || week >= len(left[stay.Place]) || left[stay.Place][week] < batches[i].Trays {
						fits = false
						break
					}
					cells = append(cells, cell{stay.Place, week})
					week++
				}
			}
			if !fits {
				continue
			}
			for _, c := range cells {
				left[c.place][c.week] -= batches[i].Trays
			}
			try(i+1, sum+batches[i].worth(option), n+1)
			for _, c := range cells {
				left[c.place][c.week] += batches[i].Trays
			}
		}
	}
	try(0, 0, 0)
	return worth, kept
}

func randomBench(rng *rand.Rand, batches int) (Bench, []BenchBatch) {
	const weeks = 14
	bench := Bench{Room: make([][]int, 3)}
	for i := range bench.Room {
		for range weeks {
			bench.Room[i] = append(bench.Room[i], 1+rng.IntN(4))
		}
	}
	var all []BenchBatch
	for range batches {
		b := BenchBatch{Trays: 1 + rng.IntN(2), Food: rng.IntN(4) == 0, Priority: 1 + rng.IntN(5), Wished: rng.IntN(8)}
		first, second := rng.IntN(3), rng.IntN(3)
		a, c := 1+rng.IntN(4), 1+rng.IntN(3)
		for shift := range 1 + rng.IntN(3) {
			b.Options = append(b.Options, BenchOption{b.Wished + shift, []Stay{{first, a}, {second, c}}})
		}
		all = append(all, b)
	}
	return bench, all
}

func TestPackingAgainstExhaustiveSearch(t *testing.T) {
	rng := rand.New(rand.NewPCG(14, 1))
	for round := range 150 {
		bench, batches := randomBench(rng, 1+rng.IntN(8))
		packing := bench.Pack(batches)
		worth, _ := exhaustive(bench, batches)
		if !packing.Exact || math.Abs(packing.Worth-worth) > 1e-6 {
			t.Fatalf("round %d: %+v, the best is worth %.3f", round, packing, worth)
		}
		holds(t, bench, batches, packing)
	}
}

// holds makes sure that no place holds more than it has room for.
func holds(t *testing.T, bench Bench, batches []BenchBatch, p Packing) {
	t.Helper()
	used := map[[2]int]int{}
	kept := 0
	for i, chosen := range p.Chosen {
		if chosen < 0 {
			continue
		}
		kept++
		week := batches[i].Options[chosen].Start
		for _, stay := range batches[i].Options[chosen].Stays {
			for range stay.Weeks {
				used[[2]int{stay.Place, week}] += batches[i].Trays
				week++
			}
		}
	}
	if kept != p.Kept {
		t.Errorf("%d are kept, it says %d", kept, p.Kept)
	}
	for at, trays := range used {
		if room := bench.Room[at[0]]; at[1] >= len(room) || trays > room[at[1]] {
			t.Errorf("place %d in week %d holds %d trays", at[0], at[1], trays)
		}
	}
}

func TestMoreRoomNeverFewerBatchesKept(t *testing.T) {
	rng := rand.New(rand.NewPCG(14, 2))
	for range 60 {
		bench, batches := randomBench(rng, 9)
		for i := range batches {
			batches[i].Food = false
		}
		before := bench.Pack(batches)
		for i := range bench.Room {
			for week := range bench.Room[i] {
				bench.Room[i][week] += rng.IntN(2)
			}
		}
		after := bench.Pack(batches)
		if after.Kept < before.Kept || after.Worth < before.Worth-1e-6 {
			t.Fatalf("with more room %d are kept, before %d", after.Kept, before.Kept)
		}
	}
}

func TestFoodGoesFirst(t *testing.T) {
	bench := Bench{Room: [][]int{{2, 2}}}
	stays := []BenchOption{{0, []Stay{{0, 2}}}}
	packing := bench.Pack([]BenchBatch{
		{Trays: 1, Priority: 5, Options: stays},
		{Trays: 1, Priority: 5, Options: stays},
		{Trays: 2, Food: true, Priority: 1, Options: stays},
	})
	if packing.Chosen[2] != 0 || packing.Kept != 1 || packing.Food != 1 {
		t.Errorf("%+v", packing)
	}
}

func TestThirtyBatchesAreExactAndSixtyHaveABound(t *testing.T) {
	rng := rand.New(rand.NewPCG(14, 3))
	for range 6 {
		bench, batches := randomBench(rng, 30)
		packing := bench.Pack(batches)
		holds(t, bench, batches, packing)
		if !packing.Exact {
			t.Errorf("thirty batches: worth %.0f, bound %.0f", packing.Worth, packing.Bound)
		}
	}
	bench, batches := randomBench(rng, 60)
	packing := bench.Pack(batches)
	holds(t, bench, batches, packing)
	if food, more := packing.More(); packing.Worth > packing.Bound+1e-6 || food > 2 || more > 4 {
		t.Errorf("sixty batches: worth %.0f, bound %.0f", packing.Worth, packing.Bound)
	}
}

func TestAnEmptyBench(t *testing.T) {
	if p := (Bench{}).Pack(nil); !p.Exact || p.Kept != 0 {
		t.Errorf("%+v", p)
	}
	p := Bench{}.Pack(
		[]BenchBatch{{Trays: 1, Options: []BenchOption{{0, nil}}}, {Trays: 1, Options: []BenchOption{{0, []Stay{{0, 1}}}}}},
	)
	if p.Chosen[0] != 0 || p.Chosen[1] != -1 {
		t.Errorf("a sowing in place takes no room, a tray does: %+v", p)
	}
}

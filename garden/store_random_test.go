package garden

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"testing"

	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// Whatever a household does to its store in whatever order, nothing is made of nothing: what went into each lot is what
// came out of it and what was lost by name, no jar holds less than nothing, no basket gives more than was picked. And
// whatever is taken back, all of it is as it was.
func TestWeightsAreConservedWhateverIsDone(t *testing.T) {
	for seed := range uint64(4) {
		t.Run(fmt.Sprint(seed), func(t *testing.T) {
			t.Parallel()
			p := newStocked(t)
			random := rand.New(rand.NewPCG(seed, 18))
			for day := 2; day < 25; day += 5 {
				on := fmt.Sprintf("2031-05-%02d", day)
				p.pick(p.sage, "leaf", "300 g", on)
				p.pick(p.meadowsweet, "flowering top", "130 g", on)
				p.pick(p.yarrow, "flowering top", "140 g", on)
			}
			done := map[string]int{}
			for range 240 {
				what, err := p.anything(random)
				var faults say.Faults
				switch {
				case err == nil:
					done[what]++
				case errors.As(err, &faults), errors.As(err, new(say.ConflictError)), errors.As(err, new(say.NotFoundError)):
				default:
					t.Fatalf("%s: %v", what, err)
				}
			}
			p.balanced()
			for _, what := range []string{"load", "dry", "fill", "take", "make"} {
				if done[what] == 0 {
					t.Errorf("%q never came about: %v", what, done)
				}
			}
			before := p.snapshot()
			entry, err := p.Larder.PutShelf(t.Context(), 0, say.AsItStands, larder.ShelfInput{Name: "Last"})
			check(t, err)
			_, err = p.TakeBack(t.Context(), entry.ID)
			check(t, err)
			if p.snapshot() != before {
				t.Error("taken back, it is not as it was")
			}
			for _, page := range []func() error{
				func() error { _, err := p.Larder.Shelves(t.Context()); return err },
				func() error { _, err := p.Larder.Drier(t.Context()); return err },
				func() error { _, err := p.Larder.Runway(t.Context()); return err },
				func() error { _, err := p.Larder.Recalls(t.Context()); return err },
				func() error { _, err := p.Larder.Makings(t.Context()); return err },
				func() error { _, err := p.Now.Now(t.Context(), plot.NoDay); return err },
			} {
				check(t, page())
			}
			s := p.state()
			for _, lot := range plot.Lots.Of(s) {
				_, err := p.Larder.Lot(t.Context(), lot.ID)
				check(t, err)
			}
			for _, jar := range plot.Jars.Of(s) {
				_, err := p.Larder.Jar(t.Context(), jar.ID)
				check(t, err)
			}
		})
	}
}

// anything does something to the store, whether it can be done or not.
func (p *stocked) anything(random *rand.Rand) (what string, err error) {
	ctx, s := p.t.Context(), p.state()
	lots, jars := plot.Lots.Of(s), plot.Jars.Of(s)
	var pickings []int64
	for _, picked := range s.PickedSince(s.Today.AddDays(-60)) {
		pickings = append(pickings, picked.Picking.ID)
	}
	grams := fmt.Sprintf("%.1f g", 1+90*random.Float64())
	anyOf := func(ids []int64) int64 {
		if len(ids) == 0 {
			return 0
		}
		return ids[random.IntN(len(ids))]
	}
	lotIDs, jarIDs := []int64{}, []int64{}
	for _, lot := range lots {
		lotIDs = append(lotIDs, lot.ID)
	}
	for _, jar := range jars {
		jarIDs = append(jarIDs, jar.ID)
	}
	lot, jar := anyOf(lotIDs), anyOf(jarIDs)
	switch random.IntN(12) {
	case 0, 1, 2:
		_, err = p.Larder.LoadTrays(ctx, larder.LoadInput{Trays: []larder.TrayLoadInput{
			{Tray: int64(1 + random.IntN(6)), PickingID: anyOf(pickings), Amount: grams},
		}})
		return "load", err
	case 3, 4:
		fresh := 0.0
		for _, f := range s.FlowsOfLot(lot) {
			fresh += f.Grams
		}
		in := larder.FinishTrayInput{Amount: fmt.Sprintf("%.1f g", fresh*(0.2+0.1*random.Float64())), Tested: true}
		_, err = sayYes(func(affirmed []string) (any, error) {
			in.Affirmed = affirmed
			return p.Larder.FinishTray(ctx, lot, in)
		})
		return "dry", err
	case 5, 6:
		in := larder.FillInput{Holds: "1 l"}
		if random.IntN(3) == 0 {
			in = larder.FillInput{JarID: jar, Amount: grams}
		}
		_, err = p.Larder.FillJars(ctx, lot, []larder.FillInput{in})
		return "fill", err
	case 7:
		kind := []string{"taken", "given", "thrown"}[random.IntN(3)]
		_, err = p.Larder.Take(ctx, jar, larder.TakeInput{Kind: kind, Amount: grams, Whom: "Wyn", Why: "Stale."})
		return "take", err
	case 8:
		making := []string{"vinegar", "spirit", "honey", "mix", "powder", "frozen"}[random.IntN(6)]
		in := larder.MakeLotInput{Making: making, Name: "Mix", From: []larder.FromInput{{JarID: jar, Amount: grams}}}
		if making == "frozen" || random.IntN(4) == 0 {
			in.From = []larder.FromInput{{PickingID: anyOf(pickings), Amount: grams}}
		}
		if making == "mix" {
			in.From = append(in.From, larder.FromInput{JarID: anyOf(jarIDs), Amount: "2 g"})
		}
		sum, sumErr := p.Larder.SumMaking(ctx, in)
		if sumErr == nil && (making == "mix" || making == "powder" || making == "frozen") {
			in.Out = sum.Expected
		}
		_, err = p.Larder.Make(ctx, in)
		return "make", err
	case 9:
		_, err = p.Larder.Finish(ctx, lot, larder.FinishInput{Out: grams})
		return "finish", err
	case 10:
		if random.IntN(2) == 0 {
			_, err = p.Larder.MoveTray(ctx, lot, larder.MoveDryingInput{Tray: int64(1 + random.IntN(5)), Percent: random.IntN(100)})
			return "move", err
		}
		_, err = sayYes(func(affirmed []string) (any, error) {
			return p.Larder.WeighJar(ctx, jar, larder.JarWeighInput{Amount: grams, Affirmed: affirmed})
		})
		return "weigh", err
	default:
		if random.IntN(3) > 0 {
			_, err = p.Larder.WeighTray(ctx, lot, larder.WeighingInput{Amount: grams})
			return "weigh tray", err
		}
		_, err = p.Larder.DiscardLot(ctx, lot, larder.DiscardInput{Why: "Mould."})
		return "discard", err
	}
}

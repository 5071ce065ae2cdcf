package keeping_test

import (
	"math/rand/v2"
	"testing"

	"bramblyacre/core/keeping"
)

// randomFlows are flows from pickings to lots to jars, some jars into lots again, some away, as a household notes them.
func randomFlows(random *rand.Rand) []keeping.Flow {
	var flows []keeping.Flow
	pickings, lots, jars, away := 3+random.IntN(6), 0, 0, 0
	thing := func(kind keeping.Kind, among int) keeping.Thing {
		return keeping.Thing{Kind: kind, ID: int64(1 + random.IntN(among))}
	}
	for range 40 {
		grams := 1 + 100*random.Float64()
		switch deed := random.IntN(5); {
		case deed == 0 || lots == 0: // a new lot of one or two pickings
			lots++
			for range 1 + random.IntN(2) {
				flows = append(flows, keeping.Flow{From: thing(keeping.Picking, pickings), To: keeping.Thing{Kind: keeping.Lot, ID: int64(lots)}, Grams: grams})
			}
		case deed == 1 || jars == 0: // filled into a new jar
			jars++
			flows = append(flows, keeping.Flow{From: thing(keeping.Lot, lots), To: keeping.Thing{Kind: keeping.Jar, ID: int64(jars)}, Grams: grams})
		case deed == 2: // filled up
			flows = append(flows, keeping.Flow{From: thing(keeping.Lot, lots), To: thing(keeping.Jar, jars), Grams: grams})
		case deed == 3: // a mix
			lots++
			for range 1 + random.IntN(3) {
				flows = append(flows, keeping.Flow{From: thing(keeping.Jar, jars), To: keeping.Thing{Kind: keeping.Lot, ID: int64(lots)}, Grams: grams / 10})
			}
		default:
			away++
			flows = append(flows, keeping.Flow{From: thing(keeping.Jar, jars), To: keeping.Thing{Kind: keeping.Away, ID: int64(away)}, Grams: grams / 10})
		}
	}
	return flows
}

// reachedByPaths finds what is reached by following every path whose flows come one after another, by exhaustive
// search from the end back: another way than the one under test, which goes forward once.
func reachedByPaths(flows []keeping.Flow, from, to keeping.Thing) bool {
	var search func(at keeping.Thing, before int) bool
	search = func(at keeping.Thing, before int) bool {
		if at == from {
			return true
		}
		for i := before - 1; i >= 0; i-- {
			if flows[i].To == at && search(flows[i].From, i) {
				return true
			}
		}
		return false
	}
	return search(to, len(flows))
}

func TestARecallReachesEverythingDownTheLineAndNothingElse(t *testing.T) {
	random := rand.New(rand.NewPCG(41, 7))
	reachedOnce, notOnce := 0, 0
	for range 300 {
		flows := randomFlows(random)
		from := flows[random.IntN(len(flows))].From
		got := keeping.Reached(flows, from)
		all := map[keeping.Thing]bool{}
		for _, f := range flows {
			all[f.From], all[f.To] = true, true
		}
		for thing := range all {
			_, is := got[thing]
			if want := reachedByPaths(flows, from, thing); is != want {
				t.Fatalf("%v from %v: reached %v, want %v\n%v", thing, from, is, want, flows)
			}
			if is {
				reachedOnce++
			} else {
				notOnce++
			}
		}
	}
	if reachedOnce < 500 || notOnce < 500 {
		t.Errorf("%d were reached and %d were not: too few to tell", reachedOnce, notOnce)
	}
}

func TestWhatWasTakenBeforeSomethingBadWasFilledInIsNotReached(t *testing.T) {
	jar, good, bad := keeping.Thing{Kind: keeping.Jar, ID: 1}, keeping.Thing{Kind: keeping.Lot, ID: 1}, keeping.Thing{Kind: keeping.Lot, ID: 2}
	before, after := keeping.Thing{Kind: keeping.Away, ID: 1}, keeping.Thing{Kind: keeping.Away, ID: 2}
	got := keeping.Reached([]keeping.Flow{{good, jar, 50}, {jar, before, 10}, {bad, jar, 20}, {jar, after, 10}}, bad)
	if _, is := got[before]; is {
		t.Error("the gift of before is named")
	}
	if at, is := got[after]; !is || at != 3 {
		t.Errorf("the gift of after: %v, %v", at, is)
	}
}

func TestWhatAJarHoldsIsToldByWeight(t *testing.T) {
	a, b := keeping.Thing{Kind: keeping.Picking, ID: 1}, keeping.Thing{Kind: keeping.Picking, ID: 2}
	lotA, lotB := keeping.Thing{Kind: keeping.Lot, ID: 1}, keeping.Thing{Kind: keeping.Lot, ID: 2}
	jar, away := keeping.Thing{Kind: keeping.Jar, ID: 1}, keeping.Thing{Kind: keeping.Away, ID: 1}
	// 60 g of A, half used up, then 90 g of B: 30 to 90.
	flows := []keeping.Flow{{a, lotA, 300}, {b, lotB, 400}, {lotA, jar, 60}, {jar, away, 30}, {lotB, jar, 90}}
	got := keeping.Sources(flows, jar)
	near(t, "A", got[a], 0.25, 1e-12)
	near(t, "B", got[b], 0.75, 1e-12)
	// A mix of that jar and fresh A, half and half.
	mix := keeping.Thing{Kind: keeping.Lot, ID: 3}
	flows = append(flows, keeping.Flow{From: jar, To: mix, Grams: 40}, keeping.Flow{From: lotA, To: mix, Grams: 40})
	got = keeping.Sources(flows, mix)
	near(t, "A in the mix", got[a], 0.5+0.125, 1e-12)
	near(t, "B in the mix", got[b], 0.375, 1e-12)
	if alone := keeping.Sources(nil, a); alone[a] != 1 {
		t.Errorf("nothing flowed to it: %v", alone)
	}
	random := rand.New(rand.NewPCG(1, 8))
	for range 100 {
		flows := randomFlows(random)
		total := 0.0
		of := flows[len(flows)-1].To
		for source, share := range keeping.Sources(flows, of) {
			total += share
			if share > 0 && !reachedByPaths(flows, source, of) {
				t.Fatalf("%v is in %v, and never got there", source, of)
			}
		}
		if total != 0 { // what came out of a jar that nothing was in holds nothing
			near(t, "shares", total, 1, 1e-9)
		}
	}
}

package garden

import (
	"flag"
	"fmt"
	"maps"
	"math/rand/v2"
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/say"
	"bramblyacre/library"
)

// mutants is how many changed plants have to load and be asked of on every page; make fuzz
// asks for a thousand.
var mutants = flag.Int("mutants", 25, "how many changed plants are asked of on every page")

// spot is one value in a sheet, with a way to change it and to leave it out.
type spot struct {
	value any
	put   func(any)
	drop  func()
}

// placesIn are all values of a sheet, in order.
func placesIn(node any) (all []spot) {
	switch at := node.(type) {
	case map[string]any:
		for _, name := range slices.Sorted(maps.Keys(at)) {
			all = append(all, spot{at[name], func(v any) { at[name] = v }, func() { delete(at, name) }})
			all = append(all, placesIn(at[name])...)
		}
	case []any:
		for i, item := range at {
			all = append(all, spot{item, func(v any) { at[i] = v }, func() { at[i] = copied(at[0]) }})
			all = append(all, placesIn(item)...)
		}
	}
	return all
}

// spoilt is a value of the same kind that nobody would write, or hardly.
func spoilt(rng *rand.Rand, value any, others []spot) any {
	number := func() float64 {
		return []float64{0, -1, 1, 0.001, 0.5, 2, 12, 365, 366, 10_000, 1e9, -1e9, 1e300, rng.Float64() * 100}[rng.IntN(14)]
	}
	other := func() any { return copied(others[rng.IntN(len(others))].value) }
	switch v := value.(type) {
	case int64:
		return int64(number())
	case float64:
		return number()
	case bool:
		return !v
	case string:
		var figure flora.Figure
		if figure.UnmarshalText([]byte(v)) == nil {
			middle := number()
			return fmt.Sprintf("%.4f (%.4f to %.4f) %s %s", middle, middle-rng.Float64()*10, middle+rng.Float64()*1000, figure.Unit, figure.Standing)
		}
		return []any{"", "x", v + v, other()}[rng.IntN(4)]
	}
	return other()
}

// copied is a value that shares nothing with the sheet it is from.
func copied(node any) any {
	switch at := node.(type) {
	case map[string]any:
		table := map[string]any{}
		for name, value := range at {
			table[name] = copied(value)
		}
		return table
	case []any:
		list := make([]any, len(at))
		for i, item := range at {
			list[i] = copied(item)
		}
		return list
	}
	return node
}

// mutant changes a plant's file in one to four places; false where the outcome is no file.
func mutant(rng *rand.Rand, text []byte) (changed []byte, ok bool) {
	sheet, err := library.ReadSheet("plant", text)
	if err != nil {
		return nil, false
	}
	sheet["id"] = "mutant"
	for range 1 + rng.IntN(4) {
		all := placesIn(sheet)
		at := all[rng.IntN(len(all))]
		if rng.IntN(5) == 0 {
			at.drop()
		} else {
			at.put(spoilt(rng, at.value, all))
		}
	}
	changed, err = library.WriteSheet(sheet)
	return changed, err == nil
}

// plantAndAsk puts a plant of the grower's own, plants it and asks for every page; it tells
// whether the plant was taken in. What is refused has to be refused in words, with nothing
// written.
func (p *fixture) plantAndAsk(text string, origin string) (taken bool) {
	p.t.Helper()
	ctx := p.t.Context()
	before := p.entries()
	_, id, err := p.Plants.PutOwnPlant(ctx, say.AsItStands, plants.PlantFileInput{Text: text})
	if err != nil {
		if p.entries() != before {
			p.t.Errorf("refused with %v, something was written", err)
		}
		return false
	}
	planted := input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 3, StartedOn: "2030-04-10", Origin: origin}
	_, err = sayYes(func(affirmed []string) (journal.Entry, error) {
		planted.Affirmed = affirmed
		return p.Garden.Place.AddPlanting(ctx, planted)
	})
	if err == nil {
		p.everyPage()
		_, err = p.TakeBack(ctx, p.newest().ID)
		check(p.t, err)
	}
	p.everyPage()
	_, err = p.Plants.RemoveOwnPlant(ctx, id)
	check(p.t, err)
	return true
}

// Plants' files are changed at random; whatever loads is planted, and every page answers.
func TestWhateverPlantLoadsEveryPageAnswers(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	p := newPlot(t)
	rng := rand.New(rand.NewPCG(7, 11))
	all := p.Plot.Lib().AllSpecies()
	tried, loaded := 0, 0
	for loaded < *mutants && tried < 200**mutants {
		tried++
		s := all[rng.IntN(len(all))]
		text, _ := p.Plot.Lib().Text(s.ID)
		changed, ok := mutant(rng, text)
		if !ok {
			continue
		}
		if p.plantAndAsk(string(changed), []string{"seed", "division", "bought", "cutting"}[rng.IntN(4)]) {
			loaded++
		}
		if t.Failed() {
			t.Fatalf("with this plant:\n%s", changed)
		}
	}
	if loaded < *mutants {
		t.Errorf("only %d of %d changed plants loaded", loaded, tried)
	}
	t.Logf("%d changed plants tried, %d loaded, planted and asked of on every page: 0 failed", tried, loaded)
}

// FuzzOwnPlantOnEveryPage does the same with what the fuzzer thinks of: a species and a seed
// of changes, or a text of its own.
func FuzzOwnPlantOnEveryPage(f *testing.F) {
	f.Add(uint16(0), uint64(1), "")
	f.Add(uint16(40), uint64(2), "")
	f.Add(uint16(0), uint64(0), "id = \"x\"\n[names]\nname = \"x\"")
	today := day
	g, s := emptyGarden(f, &today)
	_, err := g.Place.AddBed(f.Context(), goodBed())
	check(f, err)
	shared := fixture{Garden: g, store: s, today: &today, bed: 1}
	f.Fuzz(func(t *testing.T, species uint16, seed uint64, text string) {
		p := shared
		p.t = t
		if text != "" {
			p.plantAndAsk(text, "seed")
			return
		}
		all := p.Plot.Lib().AllSpecies()
		base, _ := p.Plot.Lib().Text(all[int(species)%len(all)].ID)
		if changed, ok := mutant(rand.New(rand.NewPCG(seed, 1)), base); ok {
			p.plantAndAsk(string(changed), "division")
		}
	})
}

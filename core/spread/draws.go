package spread

import (
	"fmt"
	"hash/fnv"
	"math/rand/v2"
	"sync"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
)

// Runs is in how many runs everything is tried.
const Runs = 200

// Years is for how many years ahead.
const Years = 10

// draws are the chances of one stand's runs. They depend on the seed, the stand and what is drawn alone, so that
// every way of holding it meets the same luck.
type draws struct {
	seed  uint64
	doubt propagation.Doubt
	mu    sync.RWMutex // guards what follows: several plans are tried side by side
	known map[event][]float64
}

// event is what is drawn: of which front, in which year and which round of it, where it has such.
type event struct {
	what               string
	front, year, round int
}

func newDraws(seed uint64, doubt propagation.Doubt) *draws {
	return &draws{seed: seed, doubt: doubt, known: map[event][]float64{}}
}

// named are the runs' chances of what is drawn once.
func (d *draws) named(what string) []float64 { return d.of(event{what: what}) }

// of are the runs' chances, 0–1: one from each two-hundredth, in an order of its own.
func (d *draws) of(e event) []float64 {
	d.mu.RLock()
	made, has := d.known[e]
	d.mu.RUnlock()
	if has {
		return made
	}
	hash := fnv.New64a()
	_, _ = fmt.Fprintf(hash, "%s %d %d %d", e.what, e.front, e.year, e.round) // never fails
	rng := rand.New(rand.NewPCG(d.seed, hash.Sum64()))
	all := make([]float64, Runs)
	for i, place := range rng.Perm(Runs) {
		all[i] = (float64(place) + rng.Float64()) / Runs
	}
	d.mu.Lock()
	d.known[e] = all
	d.mu.Unlock()
	return all
}

// figure is what a figure is in a run, drawn from the triangle over its range.
func (d *draws) figure(what string, f flora.Figure, run int) float64 {
	return d.doubt.At(f, d.named(what)[run])
}

// figures is a figure in every run, of one front.
func (d *draws) figures(e event, f flora.Figure) []float64 {
	all := make([]float64, Runs)
	for run, at := range d.of(e) {
		all[run] = d.doubt.At(f, at)
	}
	return all
}

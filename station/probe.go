package station

import (
	"math"
	"math/rand/v2"

	"bramblyacre/core/calendar"
)

// Probe reads how much water is gone of a bed's ground. A real one would implement the same.
type Probe interface {
	// Name is what is shown as the source of a reading.
	Name() string
	// Simulated is true for a stand-in, which has to be labelled as one.
	Simulated() bool
	// Gone reads the share of the available water that is gone in a bed on a day, below 0 above what the
	// ground holds.
	Gone(bed int64, day calendar.Date) (float64, error)
}

// simulatedProbe makes up what a probe might read: what the ground would hold by some reckoning, off by an error
// that is the bed's own and one of the day.
type simulatedProbe struct {
	seed uint64
	// reckoned is what the stand-in takes the ground for.
	reckoned func(bed int64, day calendar.Date) (float64, error)
}

// How far off the simulated probe's ground is from the reckoning in a bed for good, and its needle on a day:
// standard deviations, as shares. Guesses of ours.
const bedOff, dayOff = 0.12, 0.05

// NewSimulatedProbe returns a stand-in for a soil probe. reckoned gives the share that is gone by a reckoning; the
// ground that it reads differs from it as real ground does.
func NewSimulatedProbe(seed uint64, reckoned func(bed int64, day calendar.Date) (float64, error)) Probe {
	return simulatedProbe{seed, reckoned}
}

func (p simulatedProbe) Name() string { return "Simulated soil probe" }

func (p simulatedProbe) Simulated() bool { return true }

func (p simulatedProbe) Gone(bed int64, day calendar.Date) (float64, error) {
	gone, err := p.reckoned(bed, day)
	if err != nil {
		return 0, err
	}
	own := rand.New(rand.NewPCG(p.seed, uint64(bed)))
	today := rand.New(rand.NewPCG(p.seed+uint64(bed), uint64(day)))
	gone += bedOff*own.NormFloat64() + dayOff*today.NormFloat64()
	return math.Min(1, math.Max(-0.5, math.Round(100*gone)/100)), nil
}

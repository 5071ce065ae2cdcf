package station

import (
	"math"
	"math/rand/v2"
)

// TrayScale reads what lies on a tray of the drier, in grams, and Hygrometer how damp the drier's air is. Real ones
// would implement the same.
type TrayScale interface {
	// Name is what is shown as the source of a weighing.
	Name() string
	// Simulated is true for a stand-in, which has to be labelled as one.
	Simulated() bool
	// Grams reads a tray, by its lot and the hours since it was loaded.
	Grams(lot int64, hours float64) (float64, error)
}

// Hygrometer reads the relative humidity of the air that leaves the drier.
type Hygrometer interface {
	Name() string
	Simulated() bool
	// Percent reads it after some hours, while so many grams of water an hour leave the trays.
	Percent(hours, waterAnHour float64) (float64, error)
}

// simulatedScale makes up what a scale might read: what the tray would weigh by some reckoning, drying quicker or
// slower than that by a factor that is the tray's own, and read with an error.
type simulatedScale struct {
	seed     uint64
	reckoned func(lot int64, hours float64) (float64, error)
}

// How much quicker or slower a simulated tray dries, as a standard deviation of the logarithm, and by how much its
// scale is off, as a share. Guesses of ours.
const trayOff, scaleOff = 0.25, 0.004

// NewSimulatedTrayScale returns a stand-in for the drier's scale. reckoned gives what a tray would weigh by a
// reckoning.
func NewSimulatedTrayScale(seed uint64, reckoned func(lot int64, hours float64) (float64, error)) TrayScale {
	return simulatedScale{seed, reckoned}
}

func (s simulatedScale) Name() string { return "Simulated scale" }

func (s simulatedScale) Simulated() bool { return true }

func (s simulatedScale) Grams(lot int64, hours float64) (float64, error) {
	own := rand.New(rand.NewPCG(s.seed, uint64(lot)))
	grams, err := s.reckoned(lot, hours*math.Exp(trayOff*own.NormFloat64()))
	if err != nil {
		return 0, err
	}
	reading := rand.New(rand.NewPCG(s.seed+uint64(lot), math.Float64bits(hours)))
	return math.Max(1, math.Round(grams*(1+scaleOff*reading.NormFloat64()))), nil
}

// simulatedHygrometer makes up a humidity: the room's, and more the more water leaves the trays.
type simulatedHygrometer struct{ seed uint64 }

// NewSimulatedHygrometer returns a stand-in for the drier's humidity sensor.
func NewSimulatedHygrometer(seed uint64) Hygrometer { return simulatedHygrometer{seed} }

func (s simulatedHygrometer) Name() string { return "Simulated humidity sensor" }

func (s simulatedHygrometer) Simulated() bool { return true }

// roomPercent is the humidity of a dry room's air once it is warmed, gramsHalf the grams of water an hour that bring it
// halfway to full. Guesses of ours.
const roomPercent, gramsHalf = 18.0, 60.0

func (s simulatedHygrometer) Percent(hours, waterAnHour float64) (float64, error) {
	reading := rand.New(rand.NewPCG(s.seed, math.Float64bits(hours)))
	damp := math.Max(0, waterAnHour) / (math.Max(0, waterAnHour) + gramsHalf)
	percent := roomPercent + (95-roomPercent)*damp + reading.NormFloat64()
	return math.Round(math.Min(100, math.Max(5, percent))), nil
}

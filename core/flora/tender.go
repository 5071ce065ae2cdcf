package flora

// Tender is a night that a plant does not bear unharmed.
type Tender struct {
	// Below is the lowest temperature of the night, in °C, at or under which it strikes.
	Below Figure `toml:"below"`
	// Does is what it does: it harms, ends the year's growth, or kills.
	Does string `toml:"does"`
	// From and Until bound the stages in which it strikes: all that stand above ground
	// where they are left out.
	From  Stage `toml:"from,omitempty"`
	Until Stage `toml:"until,omitempty"`
}

// What a frost does.
const (
	Harms       = "harms"
	EndsTheYear = "ends the year"
	Kills       = "kills"
)

// FrostWords are all that a frost does.
var FrostWords = []string{Harms, EndsTheYear, Kills}

// KilledBelow is the night's lowest temperature in °C at which frost kills the plant
// wherever it grows, and whether any does.
func (s *Species) KilledBelow() (below Figure, has bool) {
	for _, frost := range s.Tender {
		if frost.Does == Kills && (!has || frost.Below.Value > below.Value) {
			below, has = frost.Below, true
		}
	}
	return below, has
}

func (s *Species) checkTender(c *checker) {
	for i, frost := range s.Tender {
		key := keyAt("tender", i)
		c.figure(key+".below", unitCelsius, frost.Below, -40, 10)
		c.oneOf(key+".does", frost.Does, FrostWords...)
	}
}

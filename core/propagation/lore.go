package propagation

import (
	"errors"
	"fmt"
	"slices"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// Lore is what is known of raising plants that is of no one species: figures with their
// standing, and recipes for mixes.
type Lore struct {
	Doubt   Doubt   `toml:"doubt"`
	Rest    RestOf  `toml:"rest"`
	Raising Raising `toml:"raising"`
	Seed    SeedOf  `toml:"seed"`
	Root    RootOf  `toml:"root"`
	Rain    RainOf  `toml:"rain"`
	About   AboutOf `toml:"about"`
	Filling FillOf  `toml:"filling"`
	Labour  Labour  `toml:"labour"`
	Mixes   []Mix   `toml:"mix"`
}

// RestOf are the ranges of daily mean temperature that count for a moist rest.
type RestOf struct {
	ColdLow  flora.Figure `toml:"cold_low"`
	ColdHigh flora.Figure `toml:"cold_high"`
	WarmLow  flora.Figure `toml:"warm_low"`
	WarmHigh flora.Figure `toml:"warm_high"`
}

// For is the rest that so many weeks of warmth and then of cold are.
func (r RestOf) For(warmWeeks, coldWeeks float64) Rest {
	return Rest{
		WarmDays: 7 * warmWeeks, ColdDays: 7 * coldWeeks,
		Warm: climate.ChillRange{Low: r.WarmLow.Value, High: r.WarmHigh.Value},
		Cold: climate.ChillRange{Low: r.ColdLow.Value, High: r.ColdHigh.Value},
	}
}

// Raising is what becomes of seedlings and rooted pieces until they stand.
type Raising struct {
	// GrowsOn is the share that comes through growing on, Settles the share that comes through
	// the first weeks where it is set out; InPlace is the share of what came up in the open
	// ground that birds, slugs and drought leave.
	GrowsOn flora.Figure `toml:"grows_on"`
	Settles flora.Figure `toml:"settles"`
	InPlace flora.Figure `toml:"in_place"`
	// HardenDays is how long plants from under cover stand out by day before they stay out.
	HardenDays flora.Figure `toml:"harden_days"`
	// FrostRisk is the chance of a night too cold for it with which a tender plant goes out.
	FrostRisk flora.Figure `toml:"frost_risk"`
	// Frozen is the night in °C that keeps the ground hard, FrozenRisk the chance of one within the
	// steady days at which a hardy plant still goes out.
	Frozen     flora.Figure `toml:"frozen"`
	FrozenRisk flora.Figure `toml:"frozen_risk"`
	// WaterWeeks is how long what was newly set is watered.
	WaterWeeks flora.Figure `toml:"water_weeks"`
	// LiftWarmth is the thermal time in °C d above 0 from coming up until a volunteer is large
	// enough to lift.
	LiftWarmth flora.Figure `toml:"lift_warmth"`
	// SteadyDays is how many days after it went out a night too cold for it counts.
	SteadyDays flora.Figure `toml:"steady_days"`
}

// OutDays tells for each day of the weathers whether plants raised under cover may go out: tender
// ones, killed at a temperature, when the chance of it is down to FrostRisk; hardy ones when the
// ground is likely not frozen.
func (r Raising) OutDays(w *Weathers, killedBelow *float64) []bool {
	steady := int(r.SteadyDays.Value)
	if killedBelow != nil && *killedBelow > r.Frozen.Value {
		return OutDays(w, killedBelow, steady, r.FrostRisk.Value)
	}
	return OutDays(w, &r.Frozen.Value, steady, r.FrozenRisk.Value)
}

// SeedOf is how seed ages.
type SeedOf struct {
	// New is the share of new seed, well ripened, that is alive.
	New flora.Figure `toml:"new"`
	// Kitchen, Cool and Cold are by how much seed lives longer (or below 1 less long) in a warm
	// kitchen, a cool dry room, and cold and dry.
	Kitchen flora.Figure `toml:"kitchen"`
	Cool    flora.Figure `toml:"cool"`
	Cold    flora.Figure `toml:"cold"`
	// Poor is the share alive below which a lot is too old to rely on.
	Poor flora.Figure `toml:"poor"`
	// TestMonths is for how long a test or a counted tray speaks of a lot.
	TestMonths flora.Figure `toml:"test_months"`
	// Keep is the share of what varies in a kind that is to be kept over Generations.
	Keep        flora.Figure `toml:"keep"`
	Generations flora.Figure `toml:"generations"`
}

// Storages are the ways to store seed.
var Storages = []string{"warm kitchen", "cool room", "cold and dry"}

// Storage is by how much seed lives longer, stored in one of the ways.
func (s SeedOf) Storage(way string) (flora.Figure, error) {
	switch way {
	case "warm kitchen":
		return s.Kitchen, nil
	case "cool room":
		return s.Cool, nil
	case "cold and dry":
		return s.Cold, nil
	}
	return flora.Figure{}, fmt.Errorf("%q is no way to store seed here", way)
}

// RootOf is how a seedling's root grows.
type RootOf struct {
	// Tap and Fibrous are its length in cm a week; Cut is the share that may be cut off.
	Tap     flora.Figure `toml:"tap"`
	Fibrous flora.Figure `toml:"fibrous"`
	Cut     flora.Figure `toml:"cut"`
}

// RainOf is the soaking rain that cuttings in the open wait for.
type RainOf struct {
	MM   flora.Figure `toml:"mm"`
	Days flora.Figure `toml:"days"`
}

// Soaking is the rain waited for.
func (r RainOf) Soaking() Soaking { return Soaking{r.MM.Value, int(r.Days.Value)} }

// AboutOf is how seed lies about its mother: the share within the species' reach, and the
// kernel's shape.
type AboutOf struct {
	Within flora.Figure `toml:"within"`
	Shape  flora.Figure `toml:"shape"`
}

// FillOf is what filling cells takes beyond what they hold.
type FillOf struct {
	Settling  flora.Figure `toml:"settling"`
	Spill     flora.Figure `toml:"spill"`
	Shrinkage flora.Figure `toml:"shrinkage"`
}

// Cells is the filling of so many cells of so many litres.
func (f FillOf) Cells(cells int, litres float64) Filling {
	return Filling{cells, litres, f.Settling.Value, f.Spill.Value, f.Shrinkage.Value}
}

// Labour is the work of each deed in minutes.
type Labour struct {
	FillTray  flora.Figure `toml:"fill_tray"`
	Sow       flora.Figure `toml:"sow"`
	SowRow    flora.Figure `toml:"sow_row"`
	Cold      flora.Figure `toml:"cold"`
	PotOn     flora.Figure `toml:"pot_on"`
	Strike    flora.Figure `toml:"strike"`
	Divide    flora.Figure `toml:"divide"`
	Layer     flora.Figure `toml:"layer"`
	Graft     flora.Figure `toml:"graft"`
	Lift      flora.Figure `toml:"lift"`
	Buy       flora.Figure `toml:"buy"`
	WaterWeek flora.Figure `toml:"water_week"`
	Harden    flora.Figure `toml:"harden"`
	PlantOut  flora.Figure `toml:"plant_out"`
}

// Mix is a recipe of parts by volume.
type Mix struct {
	ID    string    `toml:"id"`
	Name  string    `toml:"name"`
	For   string    `toml:"for"`
	Parts []MixPart `toml:"part"`
}

// MixPart is one part of a mix.
type MixPart struct {
	Name  string  `toml:"name" json:"name"`
	Share float64 `toml:"share" json:"share"`
	// For says what the part does.
	For string `toml:"for" json:"for"`
}

// Check returns an error that names what is missing or cannot be.
func (l Lore) Check() error {
	var ids []string
	for _, mix := range l.Mixes {
		if mix.ID == "" || mix.Name == "" || len(mix.Parts) == 0 || slices.Contains(ids, mix.ID) {
			return fmt.Errorf("mix %q needs an id of its own, a name and parts", mix.ID)
		}
		ids = append(ids, mix.ID)
		for _, part := range mix.Parts {
			if part.Name == "" || part.For == "" || !(part.Share > 0) {
				return fmt.Errorf("mix %q: every part needs a name, a share above 0 and what it is for", mix.ID)
			}
		}
	}
	if len(ids) == 0 {
		return errors.New("there is no mix")
	}
	return nil
}

package harvest

import (
	"errors"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// Lore is what is known of picking and drying that is of no one species: figures with their standing.
type Lore struct {
	Dry  []DryLore `toml:"dry"`
	Air  AirLore   `toml:"air"`
	Work WorkLore  `toml:"work"`
	Root RootLore  `toml:"root"`
}

// DryLore is how a kind of part dries: Kind is one of flora.DriesWords, Rate is k of Page's thin layer per hour in
// moving air at 35 °C, Load the grams, fresh, that a m² of tray holds.
type DryLore struct {
	Kind string       `toml:"kind"`
	Rate flora.Figure `toml:"rate"`
	Load flora.Figure `toml:"load"`
}

// AirLore is what the air of a drier does.
type AirLore struct {
	Exponent flora.Figure `toml:"exponent"`
	Energy   flora.Figure `toml:"energy"`
	Still    flora.Figure `toml:"still"`
	Done     flora.Figure `toml:"done"`
}

// WorkLore is the work of picking that is of no one plant: Visit are the minutes of going out for a kind at all.
type WorkLore struct {
	Visit flora.Figure `toml:"visit"`
}

// RootLore is how a stand lives on from which roots are lifted.
type RootLore struct {
	Survival flora.Figure `toml:"survival"`
	// Crowns is the share of crowns put back that grow on; Part that of plants of which a part was broken off, PartYears
	// how long those are left alone, PartShare how much of a root is broken off.
	Crowns    flora.Figure `toml:"crowns"`
	Part      flora.Figure `toml:"part"`
	PartYears flora.Figure `toml:"part_years"`
	PartShare flora.Figure `toml:"part_share"`
	// Stays, SeedsAbout and Runs are the young plants that grow up beside one in a year, by how the kind spreads.
	Stays      flora.Figure `toml:"stays"`
	SeedsAbout flora.Figure `toml:"seeds_about"`
	Runs       flora.Figure `toml:"runs"`
	YearsVary  flora.Figure `toml:"years_differ"`
	// Room is how many times as many plants as stand now find room on their ground.
	Room flora.Figure `toml:"room"`
	// Bank is how near to a bank's edge, in m, plants hold it.
	Bank flora.Figure `toml:"bank"`
}

// Offspring are the young plants that grow up in a year beside one plant of a species.
func (l RootLore) Offspring(species *flora.Species) flora.Figure {
	switch species.Site.Spread {
	case "runs":
		return l.Runs
	case "seeds about":
		return l.SeedsAbout
	}
	return l.Stays
}

// Of returns how a kind of part dries, and whether that is on record.
func (l *Lore) Of(kind string) (DryLore, bool) {
	at := slices.IndexFunc(l.Dry, func(d DryLore) bool { return d.Kind == kind })
	if at < 0 {
		return DryLore{}, false
	}
	return l.Dry[at], true
}

// Check returns an error where the figures cannot be.
func (l *Lore) Check() error {
	had := map[string]bool{}
	for _, dry := range l.Dry {
		switch {
		case !slices.Contains(flora.DriesWords, dry.Kind) || had[dry.Kind]:
			return fmt.Errorf("dry: %q must be one of the ways in which parts dry, and once", dry.Kind)
		case !(dry.Rate.Low > 0), !(dry.Load.Low > 0):
			return fmt.Errorf("dry: %s: rate and load must be above 0", dry.Kind)
		}
		had[dry.Kind] = true
	}
	if !(l.Air.Exponent.Low > 0) || !(l.Air.Done.Low > 0 && l.Air.Done.High < 1) || !(l.Air.Still.Low > 0) {
		return errors.New("air: exponent and still must be above 0, done between 0 and 1")
	}
	return nil
}

package spread

import (
	"errors"

	"bramblyacre/core/flora"
)

// Lore is what is known of spreading that is of no one species: figures with their standing.
type Lore struct {
	Ground GroundLore `toml:"ground"`
	Edge   EdgeLore   `toml:"edge"`
	Seed   SeedLore   `toml:"seed"`
	Hold   HoldLore   `toml:"hold"`
	Work   WorkLore   `toml:"work"`
	Clear  ClearLore  `toml:"clear"`
}

// GroundLore is how fast a front is on each ground; Poor is a bed that does not suit the kind.
type GroundLore struct {
	Bed   flora.Figure `toml:"bed"`
	Open  flora.Figure `toml:"open"`
	Lawn  flora.Figure `toml:"lawn"`
	Path  flora.Figure `toml:"path"`
	Wild  flora.Figure `toml:"wild"`
	Hedge flora.Figure `toml:"hedge"`
	Poor  flora.Figure `toml:"poor"`
}

// EdgeLore is the chance that a front finds a way through an edge, and the years it takes; Width is the breadth of path
// or lawn that the chances hold for.
type EdgeLore struct {
	Wall      flora.Figure `toml:"wall"`
	WallYears flora.Figure `toml:"wall_years"`
	Path      flora.Figure `toml:"path"`
	PathYears flora.Figure `toml:"path_years"`
	Lawn      flora.Figure `toml:"lawn"`
	LawnYears flora.Figure `toml:"lawn_years"`
	Held      flora.Figure `toml:"held"`
	HeldYears flora.Figure `toml:"held_years"`
	Leak      flora.Figure `toml:"leak"`
	LeakYears flora.Figure `toml:"leak_years"`
	Width     flora.Figure `toml:"width"`
}

// SeedLore is what becomes of seed that fell.
type SeedLore struct {
	// Enters is the share that gets into the ground alive, WakesDug and WakesStill the shares that come up a year in
	// stirred ground and under grass, WakesLife the share that comes up over all its years at the least, Stands the
	// share of seedlings that grow up where nobody pulls them.
	Enters     flora.Figure `toml:"enters"`
	WakesDug   flora.Figure `toml:"wakes_dug"`
	WakesStill flora.Figure `toml:"wakes_still"`
	WakesLife  flora.Figure `toml:"wakes_life"`
	Stands     flora.Figure `toml:"stands"`
	// LeftOf is the share that lives after the years which a species' file gives.
	LeftOf flora.Figure `toml:"left_of"`
	// The others are how many grow up on each ground, against a bed.
	Bed   flora.Figure `toml:"bed"`
	Open  flora.Figure `toml:"open"`
	Lawn  flora.Figure `toml:"lawn"`
	Path  flora.Figure `toml:"path"`
	Wild  flora.Figure `toml:"wild"`
	Hedge flora.Figure `toml:"hedge"`
}

// HoldLore is what the ways of holding do, and how often they miss.
type HoldLore struct {
	BeheadMissed flora.Figure `toml:"behead_missed"`
	EdgeMissed   flora.Figure `toml:"edge_missed"`
	MowMissed    flora.Figure `toml:"mow_missed"`
	MowSpeed     flora.Figure `toml:"mow_speed"`
	MowSeed      flora.Figure `toml:"mow_seed"`
	DigMissed    flora.Figure `toml:"dig_missed"`
	SmotherLives flora.Figure `toml:"smother_lives"`
	EatSpeed     flora.Figure `toml:"eat_speed"`
	EatSeed      flora.Figure `toml:"eat_seed"`
	HensSeed     flora.Figure `toml:"hens_seed"`
	HensSpeed    flora.Figure `toml:"hens_speed"`
	Shallow      flora.Figure `toml:"shallow"`
	PullMissed   flora.Figure `toml:"pull_missed"`
}

// WorkLore is the work in minutes.
type WorkLore struct {
	Behead   flora.Figure `toml:"behead"`
	Edge     flora.Figure `toml:"edge"`
	Barrier  flora.Figure `toml:"barrier"`
	Pot      flora.Figure `toml:"pot"`
	Mow      flora.Figure `toml:"mow"`
	MowTimes flora.Figure `toml:"mow_times"`
	Dig      flora.Figure `toml:"dig"`
	Smother  flora.Figure `toml:"smother"`
	Eat      flora.Figure `toml:"eat"`
	Hens     flora.Figure `toml:"hens"`
	// Pull is of a m² looked over twice a year.
	Pull flora.Figure `toml:"pull"`
}

// ClearLore is what weeds in a crop and animals in a bed come to.
type ClearLore struct {
	// Meets is how tall weeds are in cm when they begin to shade a crop; WeedSmall and WeedTall are the minutes that a
	// m² of them takes.
	Meets     flora.Figure `toml:"meets"`
	WeedSmall flora.Figure `toml:"weed_small"`
	WeedTall  flora.Figure `toml:"weed_tall"`
	// Hen and Duck are the m² that one clears in a day, Raw and Near the days after droppings before what touches the
	// soil, and what does not, is eaten raw.
	Hen  flora.Figure `toml:"hen"`
	Duck flora.Figure `toml:"duck"`
	Raw  flora.Figure `toml:"raw"`
	Near flora.Figure `toml:"near"`
}

// Check returns an error where the figures cannot be.
func (l *Lore) Check() error {
	if !(l.Seed.LeftOf.Value > 0 && l.Seed.LeftOf.Value < 1) {
		return errors.New("seed.left_of: it must lie between 0 and 1")
	}
	if !(l.Edge.Width.Low > 0) {
		return errors.New("edge.width: it must be above 0 m")
	}
	return nil
}

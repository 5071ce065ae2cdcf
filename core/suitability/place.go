package suitability

import (
	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
)

// Place is all that counts of a bed for a plant.
type Place struct {
	// SunHours is the direct sun a day over the six summer months.
	SunHours float64
	// Ground is the belief for each aspect, by its id. An aspect that nothing
	// speaks for is not judged.
	Ground map[string]ground.Belief
	// Shelter is a place on flora.ShelterWords.
	Shelter float64
	// WinterLows are the lowest temperatures of possible winters at the bed in
	// °C; none leaves cold unjudged.
	WinterLows []float64
	// Trees are the poisoning trees whose ground this is.
	Trees []Tree
	// RoomM2 is the area in m² that bed mates leave free at their full size.
	RoomM2 float64
	// Held is true where the bed's edge holds what runs, Mulched where it lies
	// under mulch already.
	Held, Mulched bool
	// Unsafe are the kinds of unsafe ground; they forbid use, and count for no
	// score.
	Unsafe []UnsafeGround
}

// Tree is a kind of tree that poisons or sours the ground for others.
type Tree struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	Why  string `toml:"why"`
	// Reach is how far beyond the crown it is felt.
	Reach flora.Figure `toml:"reach"`
}

// shifted returns the belief with its whole scale moved, held to the scale's ends.
func shifted(b ground.Belief, by float64) ground.Belief {
	values := make([]float64, len(b.Aspect.Values))
	least, most := b.Aspect.Values[0], b.Aspect.Values[len(values)-1]
	for i, v := range b.Aspect.Values {
		values[i] = min(max(v+by, least), most)
	}
	b.Aspect.Values = values
	return b
}

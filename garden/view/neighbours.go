package view

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/geometry"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// SpadeM is how far from a stem a spade cuts, in metres, when roots are lifted: a guess.
const SpadeM = 0.35

// SpadeReachM is how far from a stem that is lifted a plant of another planting may stand and still be cut into.
func SpadeReachM(other *plot.Planting) float64 { return SpadeM + math.Min(plot.RootReachM(other), 0.5) }

// Neighbour is a planting that stands within reach of a spade.
type Neighbour struct {
	PlantingID int64  `json:"plantingId"`
	Name       string `json:"name"`
	Bed        string `json:"bed"`
	Plants     int    `json:"plants" doc:"How many of it stand so near"`
	Nearest    string `json:"nearest"`
	Words      string `json:"words"`
}

// Neighbours returns what stands within reach of a spade of a planting: where its
// own roots end and another's begin, the nearest first.
func Neighbours(s *plot.State, p *plot.Planting) []Neighbour {
	return NeighboursOf(s, p.Spots, func(other *plot.Planting) bool { return other.ID == p.ID })
}

// NeighboursOf returns what stands within reach of a spade of plants in some places, the nearest first, without the
// plantings that are their own.
func NeighboursOf(s *plot.State, at []geometry.Point, own func(*plot.Planting) bool) []Neighbour {
	near := []Neighbour{}
	distances := map[int64]float64{}
	for _, other := range s.Plantings {
		if own(other) {
			continue
		}
		reach := SpadeReachM(other)
		count, least := 0, math.Inf(1)
		for _, spot := range other.Spots {
			gap := math.Inf(1)
			for _, lifted := range at {
				gap = math.Min(gap, lifted.Distance(spot))
			}
			if gap <= reach {
				count++
				least = math.Min(least, gap)
			}
		}
		if count == 0 {
			continue
		}
		words := fmt.Sprintf("%s, %s away", say.Counted(float64(count), "plant", "plants"), s.Units.PlantLength(least))
		if other.Species.Site.Roots == "shallow" {
			words += "; its roots lie shallow"
		}
		distances[other.ID] = least
		near = append(
			near,
			Neighbour{other.ID, other.Species.Names.Name, other.Bed.Name, count, s.Units.PlantLength(least), words},
		)
	}
	slices.SortStableFunc(
		near,
		func(a, b Neighbour) int { return cmp.Compare(distances[a.PlantingID], distances[b.PlantingID]) },
	)
	return near
}

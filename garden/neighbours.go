package garden

import (
	"cmp"
	"fmt"
	"math"
	"slices"
)

// spadeM is how far from a stem a spade cuts, in metres, when roots are lifted: a
// usual value.
const spadeM = 0.35

// Neighbour is a planting that stands within reach of a spade.
type Neighbour struct {
	PlantingID int64  `json:"plantingId"`
	Name       string `json:"name"`
	Bed        string `json:"bed"`
	Plants     int    `json:"plants" doc:"How many of it stand so near"`
	Nearest    string `json:"nearest"`
	Words      string `json:"words"`
}

// neighbours returns what stands within reach of a spade of a planting: where its
// own roots end and another's begin, the nearest first.
func (s *state) neighbours(p *planting) []Neighbour {
	near := []Neighbour{}
	distances := map[int64]float64{}
	for _, other := range s.plantings {
		if other.ID == p.ID {
			continue
		}
		reach := spadeM + math.Min(rootReachM(other), 0.5)
		count, least := 0, math.Inf(1)
		for _, spot := range other.spots {
			gap := math.Inf(1)
			for _, own := range p.spots {
				gap = math.Min(gap, own.Distance(spot))
			}
			if gap <= reach {
				count++
				least = math.Min(least, gap)
			}
		}
		if count == 0 {
			continue
		}
		words := fmt.Sprintf("%s, %s away", counted(float64(count), "plant", "plants"), s.units.PlantLength(least))
		if other.species.Site.Roots == "shallow" {
			words += "; its roots lie shallow"
		}
		distances[other.ID] = least
		near = append(near, Neighbour{other.ID, other.species.Names.Name, other.bed.Name, count, s.units.PlantLength(least), words})
	}
	slices.SortStableFunc(near, func(a, b Neighbour) int { return cmp.Compare(distances[a.PlantingID], distances[b.PlantingID]) })
	return near
}

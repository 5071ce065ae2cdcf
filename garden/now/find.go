package now

import (
	"context"
	"slices"
	"strings"

	"bramblyacre/core/spelling"
	"bramblyacre/garden/say"
)

// Found is something the plot has by a name.
type Found struct {
	Kind       string `json:"kind" enum:"planting,bed"`
	PlantingID int64  `json:"plantingId"`
	BedID      int64  `json:"bedId"`
	Name       string `json:"name"`
	Detail     string `json:"detail"`
}

// mostFound is how many answers a search gives.
const mostFound = 12

// Find returns the beds and plantings with a name that has the words in it, by
// any name of the plant, whatever the accents.
func (u *Uses) Find(ctx context.Context, words string) ([]Found, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	found := []Found{}
	wanted := strings.Fields(spelling.Words(words))
	if len(wanted) == 0 {
		return found, nil
	}
	matches := func(names ...string) bool {
		all := spelling.Words(strings.Join(names, " "))
		return !slices.ContainsFunc(wanted, func(word string) bool { return !strings.Contains(all, word) })
	}
	for _, p := range s.Plantings {
		names := append([]string{p.Species.Names.Name, p.Species.Names.Botanical, p.Bed.Name}, p.Species.Names.Former...)
		for _, common := range p.Species.Names.Common {
			names = append(names, common.Name)
		}
		if matches(names...) {
			found = append(found, Found{Kind: "planting", PlantingID: p.ID, BedID: p.BedID, Name: say.Capital(p.Species.Names.Name), Detail: p.Bed.Name})
		}
	}
	for _, bed := range s.Beds {
		if matches(bed.Name) {
			found = append(found, Found{Kind: "bed", BedID: bed.ID, Name: bed.Name, Detail: "bed"})
		}
	}
	return found[:min(len(found), mostFound)], nil
}

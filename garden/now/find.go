package now

import (
	"context"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// Found is something that is called by a name: on the plot, in the library, or picked.
type Found struct {
	Kind       string `json:"kind" enum:"planting,bed,plant,basket,jar"`
	PlantingID int64  `json:"plantingId"`
	BedID      int64  `json:"bedId"`
	SpeciesID  string `json:"speciesId" doc:"The plant of the library; empty for others"`
	JarID      int64  `json:"jarId"`
	Name       string `json:"name"`
	Detail     string `json:"detail"`
}

// How many answers a search gives of the plot, and how many besides of the library and of
// what was picked.
const mostFound, mostPlants, mostBaskets, mostJars = 12, 6, 4, 6

// Find returns the beds and plantings with a name that has the words in it, by any name of the
// plant, whatever the accents; then the library's plants, however they are spelt, jars, and the
// newest baskets of such plants.
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
	var baskets []Found
	for _, p := range s.EverPlanted {
		names := append(plot.AllNames(p.Species), p.Bed.Name)
		if p.RemovedOn == nil && matches(names...) {
			found = append(
				found,
				Found{
					Kind:       "planting",
					PlantingID: p.ID,
					BedID:      p.BedID,
					Name:       say.Capital(p.Species.Names.Name),
					Detail:     p.Bed.Name,
				},
			)
		}
		if !matches(append(names, "basket")...) {
			continue
		}
		for _, picking := range slices.Backward(p.Pickings) {
			if s.LeftGrams(picking) > 0 && len(baskets) < mostBaskets {
				baskets = append(
					baskets,
					Found{
						Kind:       "basket",
						PlantingID: p.ID,
						Name:       say.Capital(p.Species.Names.Name) + " " + picking.Part,
						Detail:     "basket of " + view.FullDayWords(picking.Day),
					},
				)
			}
		}
	}
	for _, bed := range s.Beds {
		if matches(bed.Name) {
			found = append(found, Found{Kind: "bed", BedID: bed.ID, Name: bed.Name, Detail: "bed"})
		}
	}
	found = found[:min(len(found), mostFound)]
	plants, err := u.plot.FindPlants(ctx, words)
	if err != nil {
		return nil, err
	}
	for _, match := range plants[:min(len(plants), mostPlants)] {
		if species, has := s.Lib.Species(match.ID); has {
			detail := "in the library: " + species.Names.Botanical
			if flora.IsDangerous(species.Identity.Danger) {
				detail += ", " + species.Identity.Danger
			}
			found = append(
				found,
				Found{Kind: "plant", SpeciesID: match.ID, Name: say.Capital(species.Names.Name), Detail: detail},
			)
		}
	}
	for _, source := range u.jobSources {
		if source.Find == nil {
			continue
		}
		things := source.Find(s, matches)
		for _, one := range things[:min(len(things), mostJars)] {
			found = append(found, Found{Kind: "jar", JarID: one.JarID, Name: one.Name, Detail: one.Detail})
		}
	}
	return append(found, baskets...), nil
}

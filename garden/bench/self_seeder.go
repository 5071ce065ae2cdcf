package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// resowSuggestions are the self-seeders that are sown again each year to be certain.
func resowSuggestions(s *plot.State) (all []SuggestView) {
	for _, p := range shortLived(s) {
		if isInsured(s, p.ID) {
			all = append(
				all,
				suggestion(s, causeResow, fmt.Sprintf("%d:%s", p.ID, s.Next.Start), p.Species, p.Standing(), p.BedID,
					"You sow it again each year to be certain, whatever comes up by itself."),
			)
		}
	}
	return all
}

// shortLived are the plantings that do not live on by themselves: they seed themselves, or are sown again.
func shortLived(s *plot.State) (all []*plot.Planting) {
	for _, p := range s.Plantings {
		if p.Aside || p.Species.Life.Form == flora.Perennial {
			continue
		}
		if row := seedRow(p.Species); row != nil && row.IsAdvised() {
			all = append(all, p)
		}
	}
	return all
}

func isInsured(s *plot.State, planting int64) bool {
	return slices.ContainsFunc(insured.Of(s), func(r store.InsuredSowing) bool { return r.PlantingID == planting })
}

// InsureInput switches the insurance sowing of a planting.
type InsureInput struct {
	On bool `json:"on"`
}

// Insure notes whether a self-seeder is trusted, or sown again each year to be certain: both are schools.
func (u *Uses) Insure(ctx context.Context, plantingID int64, in InsureInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, plantingID)
		if err != nil {
			return journal.Record{}, err
		}
		if isInsured(s, plantingID) == in.On {
			return journal.Record{}, say.ConflictError{Why: "So it is already."}
		}
		verb := "Sow again each year: "
		if in.On {
			_, err = insuredTable.Put(ctx, d, 0, store.PutInsuredSowingParams{PlantingID: plantingID, Since: s.Today.String()})
		} else {
			verb = "Trusted to seed itself: "
			for _, row := range insured.Of(s) {
				if row.PlantingID == plantingID {
					err = insuredTable.Drop(ctx, d, row.ID)
				}
			}
		}
		return journal.Record{
			Kind:     kindWish,
			Bed:      &p.BedID,
			Planting: &p.ID,
			Summary:  verb + p.Species.Names.Name + " in " + p.Bed.Name,
		}, err
	})
}

// SelfSeederView is a planting that does not live on by itself.
type SelfSeederView struct {
	PlantingID int64  `json:"plantingId"`
	SpeciesID  string `json:"speciesId"`
	Name       string `json:"name"`
	Bed        string `json:"bed"`
	Insured    bool   `json:"insured" doc:"It is sown again each year to be certain"`
	Words      string `json:"words"`
}

func selfSeeders(s *plot.State) []SelfSeederView {
	all := []SelfSeederView{}
	for _, p := range shortLived(s) {
		v := SelfSeederView{
			PlantingID: p.ID, SpeciesID: p.SpeciesID, Name: p.Species.Names.Name, Bed: p.Bed.Name, Insured: isInsured(s, p.ID),
			Words: "It hardly seeds itself.",
		}
		if seedsItself(p.Species) {
			v.Words = "It seeds itself where it may."
		}
		all = append(all, v)
	}
	return all
}

func seedsItself(species *flora.Species) bool {
	return slices.ContainsFunc(
		species.Propagations,
		func(row flora.Propagation) bool { return row.Way == "volunteers" && row.IsAdvised() },
	) ||
		strings.Contains(species.Site.Spread, "seeds")
}

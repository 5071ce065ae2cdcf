package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/area"
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

// insuredDays are for how many days before and after its usual day a sowing to be certain is asked for.
const insuredBefore, insuredAfter = 14, 28

// insuredJobs ask for the sowing of a self-seeder that is sown again each year to be certain, about the day on which it
// is usually sown, where nothing of the kind was set since.
func insuredJobs(s *plot.State, p *plot.Planting, on calendar.Date) (all []area.Job) {
	if p.RemovedOn != nil || !isInsured(s, p.ID) {
		return nil
	}
	rules, err := p.Species.YearOfLifeRules(1)
	if err != nil || !rules.IsSown {
		return nil
	}
	for _, season := range []calendar.Season{s.Season, s.Next} {
		day := season.Start.AddDays(rules.SownAfter)
		first, last := day.AddDays(-insuredBefore), day.AddDays(insuredAfter)
		if p.Started >= first || slices.ContainsFunc(s.EverPlanted, func(other *plot.Planting) bool {
			return other.SpeciesID == p.SpeciesID && other.Started >= first && other.Started <= last
		}) {
			continue // it was sown
		}
		j := area.NewJob(s, p, "care", "insured", season, first, last, on)
		j.BestFirst, j.BestLast, j.Stake = day, day.AddDays(insuredBefore/2), stepStake
		j.Minutes = max(2, deedMinutes(s.Lib.Bench().Labour, sowing, p.Standing()))
		j.View.Minutes, j.View.Verb, j.View.What = j.Minutes, "Sow again", p.Species.Names.Name
		j.View.Amount = fmt.Sprintf("as many as stand, %d · %s", p.Standing(), say.MinutesWords(j.Minutes))
		j.View.Reason = "You sow it again each year to be certain, whatever comes up by itself."
		j.View.Cost = "If nothing comes up by itself, there is none next year."
		all = append(all, j)
	}
	return all
}

// sowing is the way of sowing, as work is reckoned for it.
var sowing = propagation.WayRow{Deed: propagation.Sow}

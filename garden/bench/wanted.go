package bench

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// WantedView is what is to be made more of: wishes, and what the plot itself suggests.
type WantedView struct {
	Wishes    []WishView    `json:"wishes"`
	Suggested []SuggestView `json:"suggested"`
	// SelfSeeders are trusted, or sown again each year: the grower's choice of each.
	SelfSeeders []SelfSeederView `json:"selfSeeders"`
}

// WishView is a wish with how far it is.
type WishView struct {
	ID        int64  `json:"id"`
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Botanical string `json:"botanical"`
	Plants    int    `json:"plants"`
	Words     string `json:"words"`
	Cause     string `json:"cause"`
	CauseIs   string `json:"causeIs"`
	Note      string `json:"note"`
	State     string `json:"state" doc:"What is under way"`
	BatchID   int64  `json:"batchId" doc:"The batch that answers it; 0 for none"`
	By        string `json:"by"`
	BedID     int64  `json:"bedId"`
}

// SuggestView is a wish that the plot suggests.
type SuggestView struct {
	Key       string `json:"key"`
	Cause     string `json:"cause" enum:"gap,need,failed,resow"`
	CauseIs   string `json:"causeIs"`
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Plants    int    `json:"plants"`
	BedID     int64  `json:"bedId"`
	Bed       string `json:"bed"`
	Why       string `json:"why"`
}

var causeWords = map[string]string{
	causeWish: "your wish", causeGap: "a gap on the plan", causeNeed: "a need the stand does not cover",
	causeFailed: "a planting failed",
	causeResow:  "sown again to be sure",
}

// Wanted shows what is to be made more of.
func (u *Uses) Wanted(ctx context.Context) (WantedView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return WantedView{}, err
	}
	v := WantedView{Wishes: []WishView{}, Suggested: []SuggestView{}, SelfSeeders: selfSeeders(s)}
	for _, row := range wishes.Of(s) {
		if row.EndedOn == nil {
			v.Wishes = append(v.Wishes, viewWish(s, row))
		}
	}
	slices.SortStableFunc(v.Wishes, func(a, b WishView) int { return say.CompareBools(a.BatchID != 0, b.BatchID != 0) })
	v.Suggested = append(v.Suggested, suggestions(s)...)
	return v, nil
}

func viewWish(s *plot.State, row store.Wish) WishView {
	v := WishView{
		ID: row.ID, SpeciesID: row.SpeciesID, Name: speciesName(s, row.SpeciesID), Plants: int(row.Plants), Cause: row.Cause,
		CauseIs: causeWords[row.Cause], Note: row.Note, State: "no way chosen yet",
	}
	of := ask{wanted: v.Plants, by: dayOf(row.ByDay)}
	if species, has := s.Lib.Species(row.SpeciesID); has {
		of.species, v.Botanical = species, species.Names.Botanical
	}
	if row.BedID != nil {
		bed := s.BedByID[*row.BedID]
		of.bed, v.BedID = &bed, *row.BedID
	}
	if row.ByDay != nil {
		v.By = *row.ByDay
	}
	v.Words = wishWords(of)
	for _, b := range openBatches(s) {
		if b.WishID == nil || *b.WishID != row.ID {
			continue
		}
		v.BatchID = b.ID
		v.State = fmt.Sprintf("%s planned for %s", b.Way, yearIfOther(s, startDay(b)))
		if b.BegunOn != nil {
			v.State = fmt.Sprintf(
				"%s, under way since %s: %d stand",
				b.Way,
				yearIfOther(s, startDay(b)),
				progressOf(s, b.ID).standing(b),
			)
		}
	}
	return v
}

// suggestions are the wishes that the plot itself has, those taken up already and the plants that
// are never raised left out.
func suggestions(s *plot.State) []SuggestView {
	all := slices.Concat(failedSuggestions(s), needSuggestions(s), gapSuggestions(s), resowSuggestions(s))
	taken := map[string]bool{}
	for _, wish := range wishes.Of(s) {
		taken[wish.CauseKey] = true
	}
	return slices.DeleteFunc(all, func(v SuggestView) bool {
		species, has := s.Lib.Species(v.SpeciesID)
		return taken[v.Key] || has && isNeverRaised(species)
	})
}

func suggestion(
	s *plot.State,
	cause, key string,
	species *flora.Species,
	plants int,
	bed int64,
	why string,
) SuggestView {
	return SuggestView{
		Key: cause + ":" + key, Cause: cause, CauseIs: causeWords[cause], SpeciesID: species.ID, Name: species.Names.Name, Plants: max(1, plants),
		BedID: bed, Bed: s.BedByID[bed].Name, Why: why,
	}
}

// failedSuggestions are plantings that failed within the last two years and stand no more.
func failedSuggestions(s *plot.State) (all []SuggestView) {
	for _, p := range s.EverPlanted {
		fates := s.Fates[p.ID]
		if p.RemovedOn == nil || len(fates) == 0 || p.Aside || p.Bed.RemovedOn != nil {
			continue
		}
		last := fates[len(fates)-1]
		day, err := calendar.Parse(last.Day)
		if err != nil || last.Outcome != "failed" || s.Today.DaysSince(day) > 2*yearDays ||
			standsHere(s, p.SpeciesID, p.BedID) {
			continue
		}
		all = append(all, suggestion(s, causeFailed, fmt.Sprint(p.ID), p.Species, int(p.Plants), p.BedID,
			fmt.Sprintf("%d failed in %s: %s. Mend that first, or set them elsewhere.", p.Plants, p.Bed.Name, last.Cause)))
	}
	return all
}

func standsHere(s *plot.State, species string, bed int64) bool {
	return slices.ContainsFunc(s.StandingIn(bed), func(p *plot.Planting) bool { return p.SpeciesID == species })
}

// needSuggestions are parts of which the stand gives less in a year than is needed.
func needSuggestions(s *plot.State) (all []SuggestView) {
	for _, need := range s.Needs {
		species, has := s.Lib.Species(need.SpeciesID)
		if !has || need.Grams <= 0 {
			continue
		}
		part, has := species.Part(need.Part)
		if !has || part.Harvest == nil {
			continue
		}
		each := yearlyGrams(species, part)
		if each <= 0 {
			continue
		}
		stand := 0
		for _, p := range s.Plantings {
			if p.SpeciesID == species.ID {
				stand += p.Standing()
			}
		}
		short := int(math.Ceil(need.Grams/each)) - stand
		if short < 1 {
			continue
		}
		all = append(all, suggestion(s, causeNeed, species.ID+":"+part.Name, species, short, 0,
			fmt.Sprintf("%s of %s is needed a year; %s give about %s.", s.Units.Weight(need.Grams), part.Name,
				say.Counted(float64(stand), "plant", "plants"), s.Units.Weight(each*float64(stand)))))
	}
	return all
}

// yearlyGrams is what one full-grown plant gives of a part in a year, taken once, in grams.
func yearlyGrams(species *flora.Species, part flora.Part) float64 {
	rule := part.Harvest
	return harvest.GramsEach(rule, 1) * rule.PerPlant.Value * rule.CutShare.Value
}

// gapSuggestions are beds with room for more of what stands in them.
func gapSuggestions(s *plot.State) (all []SuggestView) {
	const leastShare, leastM2, most, mostGaps = 0.35, 0.6, 12, 4
	for _, bed := range s.Beds {
		standing := s.StandingIn(bed.ID)
		free, area := s.RoomM2(bed.ID, nil), s.AreaM2(bed.ID)
		if bed.RemovedOn != nil || bed.Unsafe != "" || len(standing) == 0 || free < leastM2 || free < leastShare*area {
			continue
		}
		p := standing[0]
		for _, other := range standing[1:] {
			if !other.Aside && other.Species.IsUsed() && (p.Aside || s.WantedM2(other) > s.WantedM2(p)) {
				p = other
			}
		}
		if p.Aside || !p.Species.IsUsed() || p.Species.Site.Spread == "runs" {
			continue
		}
		more := suitability.PlantsOn(p.Species, free)
		if more < 1 {
			continue
		}
		all = append(
			all,
			suggestion(s, causeGap, fmt.Sprintf("%d:%s", bed.ID, p.SpeciesID), p.Species, min(more, most), bed.ID,
				fmt.Sprintf("%s of %s in %s lies free: room for %d more.", s.Units.Area(free), s.Units.Area(area), bed.Name, more)),
		)
	}
	return all[:min(len(all), mostGaps)]
}

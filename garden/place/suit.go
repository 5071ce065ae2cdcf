package place

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// SuitView is how well one bed suits one species.
type SuitView struct {
	BedID     int64   `json:"bedId"`
	Bed       string  `json:"bed"`
	SpeciesID string  `json:"speciesId"`
	Name      string  `json:"name"`
	Value     float64 `json:"value" doc:"0 to 1; the worst need decides"`
	Verdict   string  `json:"verdict" enum:"well,fairly,hardly,no"`
	Words     string  `json:"words" doc:"The verdict with what decides it"`
	// Serves is true where the plant serves what the bed is for.
	Serves  bool   `json:"serves" doc:"The plant serves what the bed is for"`
	Purpose string `json:"purpose" doc:"What the bed is for and whether the plant serves it; empty where it is for nothing in particular"`
	Room    string `json:"room" doc:"How many more full-grown plants there is room for"`
	// Memory is said first: what became of the same plant in the same bed.
	Memory   []string       `json:"memory"`
	Forbids  []string       `json:"forbids" doc:"Why nothing of it would be for use there; it may grow"`
	Needs    []SiteNeedView `json:"needs" doc:"The worst first"`
	Mended   *MendedView    `json:"mended,omitempty" doc:"What mends it as far as it can be"`
	Unknown  []string       `json:"unknown" doc:"Needs that nothing is known of in this bed"`
	Uses     []string       `json:"uses"`
	Spread   string         `json:"spread"`
	Mates    []string       `json:"mates" doc:"What it and its bed mates would do to each other"`
	Planting *PlantedHere   `json:"planting,omitempty"`
}

// PlantedHere is the planting that an answer is about.
type PlantedHere struct {
	ID     int64  `json:"id"`
	Plants string `json:"plants"`
}

// SiteNeedView is one need with its score and what mends it.
type SiteNeedView struct {
	Need     string       `json:"need"`
	Value    float64      `json:"value"`
	Known    bool         `json:"known"`
	Falls    bool         `json:"falls"`
	Words    string       `json:"words" doc:"What it wants and what there is"`
	Standing string       `json:"standing"`
	Remedies []RemedyView `json:"remedies"`
	NoRemedy string       `json:"noRemedy" doc:"Why nothing mends it; empty where something does, or need not"`
}

// RemedyView is what mends a need.
type RemedyView struct {
	Name  string  `json:"name"`
	How   string  `json:"how"`
	After float64 `json:"after" doc:"The need's score after it"`
	Whole float64 `json:"whole" doc:"The whole answer after it"`
	Hours string  `json:"hours"`
	// Standing is what its effect and its hours rest on.
	Standing string `json:"standing"`
}

// MendedView is a bed mended as far as it can be.
type MendedView struct {
	Steps   []string `json:"steps"`
	Value   float64  `json:"value"`
	Verdict string   `json:"verdict"`
	Hours   string   `json:"hours"`
}

// WhereView answers: where should this plant go?
type WhereView struct {
	SpeciesID string       `json:"speciesId"`
	Name      string       `json:"name"`
	Botanical string       `json:"botanical"`
	Memory    []string     `json:"memory" doc:"What became of it on this plot before"`
	Beds      []SuitView   `json:"beds" doc:"The best first"`
	ForMe     []view.ForMe `json:"forMe"`
	Warnings  []string     `json:"warnings" doc:"What to know before it is set: the law, children, hens, how it spreads"`
}

// Where ranks the beds for a species. A bed that it failed in is not left out;
// that is said first.
func (u *Uses) Where(ctx context.Context, speciesID string) (WhereView, error) {
	j, err := view.JudgingToday(ctx, u.plot)
	if err != nil {
		return WhereView{}, err
	}
	species, has := j.Lib.Species(speciesID)
	if !has {
		return WhereView{}, say.NotFoundError{What: "plant in the library"}
	}
	v := WhereView{
		SpeciesID: speciesID,
		Name:      species.Names.Name,
		Botanical: species.Names.Botanical,
		Memory:    view.Memory(j.State, 0, speciesID),
		Beds:      []SuitView{},
		ForMe:     view.ForMeAnswers(j.State, species),
		Warnings:  view.WarningsBeforeSetting(species),
	}
	for _, bed := range j.Beds {
		v.Beds = append(v.Beds, suit(j, bed, species, nil))
	}
	slices.SortStableFunc(v.Beds, func(a, b SuitView) int {
		if len(a.Forbids) > 0 != (len(b.Forbids) > 0) { // ground for use goes first
			return cmp.Compare(len(a.Forbids), len(b.Forbids))
		}
		return cmp.Compare(b.weighed(), a.weighed())
	})
	return v, nil
}

// servesMore is by how much a plant that serves what a bed is for goes before one that does not, on the scale of
// the answer: it turns likes round, and makes no bed good that is not.
const servesMore = 0.15

// weighed is the answer with what the bed is for taken in.
func (v SuitView) weighed() float64 {
	if v.Serves {
		return v.Value + servesMore*v.Value
	}
	return v.Value
}

// WhatView answers: what would suit this bed?
type WhatView struct {
	BedID   int64      `json:"bedId"`
	Bed     string     `json:"bed"`
	Room    string     `json:"room"`
	Forbids []string   `json:"forbids" doc:"Why nothing from here would be for use"`
	Species []SuitView `json:"species" doc:"The best first"`
	Uses    []string   `json:"uses" doc:"Uses to choose from"`
	Spreads []string   `json:"spreads" doc:"Ways of spreading to choose from"`
}

// WhatFilter narrows the plants that a bed is asked for; empty lets all through.
type WhatFilter struct{ Use, Spread string }

// What ranks the library's species for a bed.
func (u *Uses) What(ctx context.Context, bedID int64, filter WhatFilter) (WhatView, error) {
	j, err := view.JudgingToday(ctx, u.plot)
	if err != nil {
		return WhatView{}, err
	}
	bed, err := input.StandingBed(j.State, bedID)
	if err != nil {
		return WhatView{}, err
	}
	if filter.Use != "" && !slices.Contains(flora.UseWords, filter.Use) ||
		filter.Spread != "" && !slices.Contains(flora.SpreadWords, filter.Spread) {
		return WhatView{}, say.Faults{{Field: "use", Message: "Choose one of the uses and ways of spreading."}}
	}
	room := j.RoomM2(bedID, nil)
	v := WhatView{
		BedID:   bedID,
		Bed:     bed.Name,
		Room:    j.Units.Area(room) + " free when all stand full-grown",
		Species: []SuitView{},
		Uses:    flora.UseWords,
		Spreads: flora.SpreadWords,
		Forbids: forbidWords(j.Place(bed, j.Lore, j.Lows, nil)),
	}
	for _, species := range j.Species {
		if !species.IsUsed() { // what is never used is never offered for a bed
			continue
		}
		if filter.Use != "" && !slices.Contains(species.Site.Uses, filter.Use) ||
			filter.Spread != "" && species.Site.Spread != filter.Spread {
			continue
		}
		v.Species = append(v.Species, suit(j, bed, species, nil))
	}
	slices.SortStableFunc(v.Species, func(a, b SuitView) int { return cmp.Compare(b.weighed(), a.weighed()) })
	return v, nil
}

// suit answers for a bed and a species, or for a planting that stands there.
func suit(j view.Judging, bed store.Bed, species *flora.Species, of *plot.Planting) SuitView {
	return suitPlace(j, j.Place(bed, j.Lore, j.Lows, of), bed, species, of)
}

func suitPlace(
	j view.Judging,
	place suitability.Place,
	bed store.Bed,
	species *flora.Species,
	of *plot.Planting,
) SuitView {
	wanted := suitability.MatureArea(species, 1)
	if of != nil {
		wanted = j.WantedM2(of)
	}
	answer := suitability.Judge(species, place, wanted)
	v := SuitView{
		BedID:     bed.ID,
		Bed:       bed.Name,
		SpeciesID: species.ID,
		Name:      species.Names.Name,
		Value:     say.Round2(answer.Value),
		Verdict:   view.VerdictOf(answer.Value),
		Memory: view.Memory(
			j.State,
			bed.ID,
			species.ID,
		),
		Forbids: forbidWords(place),
		Needs:   []SiteNeedView{},
		Unknown: []string{},
		Uses:    view.NonNil(species.Site.Uses),
		Spread:  species.Site.Spread,
		Mates:   []string{},
	}
	if bed.Purpose != "" {
		v.Serves = slices.Contains(species.Site.Uses, bed.Purpose)
		v.Purpose = fmt.Sprintf("The bed is for %s: it serves that.", bed.Purpose)
		if !v.Serves {
			v.Purpose = fmt.Sprintf("The bed is for %s, which it does not serve.", bed.Purpose)
		}
	}
	width := species.Size.Width.Value / 100
	more := int(place.RoomM2 / (width * width)) // set in a square, each at its width
	v.Room = "no room for one more"
	if more > 0 {
		v.Room = "room for " + say.Counted(float64(more), "full-grown plant", "full-grown plants")
	}
	for _, score := range answer.Scores {
		if !score.Known {
			if score.Need == suitability.Cold { // an annual meets no winter
				continue
			}
			v.Unknown = append(v.Unknown, view.NeedName[score.Need])
			continue
		}
		v.Needs = append(v.Needs, viewSiteNeed(j, species, place, wanted, score))
	}
	v.Words = verdictWords(v, answer)
	if answer.Value < suitability.ShortBelow {
		if whole := j.Lore.Remedies.MendAll(species, place, wanted); len(whole.Steps) > 0 {
			mended := MendedView{
				Value:   say.Round2(whole.Answer.Value),
				Verdict: view.VerdictOf(whole.Answer.Value),
				Hours:   remedyHours(whole.HoursFirst, whole.HoursAYear),
			}
			for _, step := range whole.Steps {
				mended.Steps = append(mended.Steps, step.Name)
			}
			v.Mended = &mended
		}
	}
	if of == nil {
		v.Mates = wouldBeMates(j.State, bed.ID, species)
	} else {
		v.Planting = &PlantedHere{of.ID, say.Counted(float64(of.Standing()), "plant", "plants")}
	}
	return v
}

func verdictWords(v SuitView, answer suitability.Answer) string {
	words := map[string]string{
		"well": "Does well here", "fairly": "Gets by here", "hardly": "Hardly lives here", "no": "Not here",
	}[v.Verdict]
	if answer.Value >= suitability.ShortBelow || len(v.Needs) == 0 {
		return words + "."
	}
	return words + ": " + v.Needs[0].Words
}

// forbidWords say why nothing from a place would be for use.
func forbidWords(place suitability.Place) []string {
	words := []string{}
	for _, kind := range place.Unsafe {
		text := fmt.Sprintf("Part of it is unsafe ground (%s): %s. It may grow, but is not for use.", kind, kind.Why())
		if !slices.Contains(words, text) {
			words = append(words, text)
		}
	}
	return words
}

func viewSiteNeed(
	j view.Judging,
	species *flora.Species,
	place suitability.Place,
	areaM2 float64,
	score suitability.Score,
) SiteNeedView {
	v := SiteNeedView{
		Need:     view.NeedName[score.Need],
		Value:    say.Round2(score.Value),
		Known:    true,
		Falls:    score.Falls(),
		Standing: score.Standing.String(),
		Remedies: []RemedyView{},
	}
	v.Words = view.NeedWords(j.Units, species, score)
	if !v.Falls {
		return v
	}
	for _, m := range j.Lore.Remedies.Mend(species, place, areaM2, score) {
		v.Remedies = append(
			v.Remedies,
			RemedyView{
				m.Remedy.Name,
				m.Remedy.How,
				say.Round2(m.Need),
				say.Round2(m.Answer.Value),
				remedyHours(m.HoursFirst, m.HoursAYear),
				j.Lore.Remedies.Standing.String(),
			},
		)
	}
	if len(v.Remedies) == 0 {
		v.NoRemedy = "No remedy: choose another bed."
		if score.Need == suitability.Space {
			v.NoRemedy = "No remedy but fewer plants or another bed."
		}
	}
	return v
}

func remedyHours(first, aYear float64) string {
	switch {
	case aYear <= 0:
		return say.MinutesWords(first*60) + " of work, once"
	case math.Abs(first-aYear) < 0.05:
		return say.MinutesWords(aYear*60) + " of work a year"
	}
	return fmt.Sprintf(
		"%s of work in the first year, %s a year after",
		say.MinutesWords(first*60),
		say.MinutesWords(aYear*60),
	)
}

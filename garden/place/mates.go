package place

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// crowdingYears is how many years ahead crowding is shown.
const crowdingYears = 10

// MatesView is how the plantings of a bed go together.
type MatesView struct {
	BedID     int64               `json:"bedId"`
	Bed       string              `json:"bed"`
	Years     []int               `json:"years"`
	TakenM2   []float64           `json:"takenM2" doc:"Ground that all plants cover, by year"`
	Stands    []MateStand         `json:"stands" doc:"The same for each planting"`
	AreaM2    float64             `json:"areaM2" doc:"Ground that there is"`
	Area      string              `json:"area"`
	Words     string              `json:"words"`
	Troubles  []string            `json:"troubles"`
	Groups    []WaterGroup        `json:"groups" doc:"Plantings by the water they want"`
	Ground    []view.GroundNotice `json:"ground" doc:"Unsafe ground and poisoning trees"`
	FullestM2 float64             `json:"fullestM2"`
}

// MateStand is one planting's part of the ground by year.
type MateStand struct {
	PlantingID int64     `json:"plantingId"`
	Name       string    `json:"name"`
	TakenM2    []float64 `json:"takenM2"`
}

// WaterGroup is the plantings that want the same water.
type WaterGroup struct {
	Water string   `json:"water"`
	Names []string `json:"names"`
}

// Mates returns how the plantings of a bed go together.
func (u *Uses) Mates(ctx context.Context, bedID int64) (MatesView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MatesView{}, err
	}
	bed, err := input.StandingBed(s, bedID)
	if err != nil {
		return MatesView{}, err
	}
	v := MatesView{
		BedID:    bedID,
		Bed:      bed.Name,
		AreaM2:   say.Round1(s.AreaM2(bedID)),
		Area:     s.Units.Area(s.AreaM2(bedID)),
		Stands:   []MateStand{},
		Troubles: []string{},
		Groups:   []WaterGroup{},
		Ground:   []view.GroundNotice{},
	}
	for y := range crowdingYears + 1 {
		v.Years = append(v.Years, s.Today.Year()+y)
	}
	here := s.StandingIn(bedID)
	var stands []suitability.Stand
	for _, p := range here {
		stand := suitability.Stand{Species: p.Species, Plants: p.Standing(), Year: p.Year}
		stands = append(stands, stand)
		mate := MateStand{PlantingID: p.ID, Name: p.Species.Names.Name}
		for _, other := range here { // two of one name are told apart by their age
			if other != p && other.Species == p.Species {
				mate.Name = p.Species.Names.Name + ", " + say.YearWords(p.Year)
			}
		}
		for y := range crowdingYears + 1 {
			mate.TakenM2 = append(mate.TakenM2, say.Round1(stand.AreaInYears(y)))
		}
		v.Stands = append(v.Stands, mate)
		for _, notice := range view.Notices(p) {
			if !slices.Contains(v.Ground, notice) {
				v.Ground = append(v.Ground, notice)
			}
		}
	}
	for _, area := range suitability.Crowding(stands, crowdingYears) {
		v.TakenM2 = append(v.TakenM2, say.Round1(area))
		v.FullestM2 = max(v.FullestM2, say.Round1(area))
	}
	v.Words = crowdingWords(s, v) + runWords(s, bed, here)
	v.Troubles = troubles(here, nil)
	v.Groups = waterGroups(here)
	return v, nil
}

// runWords say of what runs in a bed that does not hold it that its ground here is that of the plants which were set.
func runWords(s *plot.State, bed store.Bed, here []*plot.Planting) string {
	var names []string
	for _, p := range here {
		if !p.Aside && p.Species.Site.Spread == "runs" && !s.EdgeHeld(bed) {
			names = append(names, p.Species.Names.Name)
		}
	}
	if len(names) == 0 {
		return ""
	}
	return fmt.Sprintf(" Not counted is what runs from %s: how far that gets stands under Spread.", say.Joined(say.Distinct(names)))
}

// crowdingWords say when the bed is full.
func crowdingWords(s *plot.State, v MatesView) string {
	if len(v.Stands) == 0 {
		return "Nothing stands here yet."
	}
	for y, area := range v.TakenM2 {
		if area <= v.AreaM2 {
			continue
		}
		over := s.Units.Area(area - v.AreaM2)
		if y == 0 {
			return fmt.Sprintf("They crowd each other already: %s more than the bed's %s.", over, v.Area)
		}
		return fmt.Sprintf("They fill the bed in %d and overgrow it by %s: thin, move or lift some before.", v.Years[y], over)
	}
	return fmt.Sprintf("At their largest they take %s of the bed's %s.", s.Units.Area(v.FullestM2), v.Area)
}

// troubleWords say what one species does to another in the same bed.
var troubleWords = map[suitability.MateTrouble]string{
	suitability.UnlikeWater:  "%s wants wetter ground than %s bears: one of them is always wrong.",
	suitability.DiggingHurts: "Lifting %s cuts the shallow roots of %s.",
	suitability.Overshadows:  "%s grows far above %s, which wants the sun: keep it on the side away from the noon sun.",
	suitability.Overruns:     "%s runs into %s: hold it with an edge, or a pot.",
}

// troubles lists what plantings do to each other; with a newcomer, only what it
// and they would do.
func troubles(here []*plot.Planting, newcomer *flora.Species) []string {
	words := []string{}
	add := func(a, b *flora.Species) {
		for _, trouble := range suitability.Between(a, b) {
			text := fmt.Sprintf(troubleWords[trouble], a.Names.Name, b.Names.Name)
			if text = say.Capital(text); !slices.Contains(words, text) {
				words = append(words, text)
			}
		}
	}
	for i, p := range here {
		if newcomer != nil {
			add(newcomer, p.Species)
			add(p.Species, newcomer)
			continue
		}
		for j, other := range here {
			if i != j && p.SpeciesID != other.SpeciesID {
				add(p.Species, other.Species)
			}
		}
	}
	return words
}

// wouldBeMates lists what a species and a bed's plantings would do to each other.
func wouldBeMates(s *plot.State, bedID int64, species *flora.Species) []string {
	var others []*plot.Planting
	for _, p := range s.StandingIn(bedID) {
		if p.SpeciesID != species.ID {
			others = append(others, p)
		}
	}
	return troubles(others, species)
}

// waterGroups sorts plantings by the water that they want, the driest first.
func waterGroups(here []*plot.Planting) []WaterGroup {
	groups := []WaterGroup{}
	for _, word := range flora.MoistureWords {
		var names []string
		for _, p := range here {
			if waterWord(p.Species) == word && !slices.Contains(names, p.Species.Names.Name) {
				names = append(names, p.Species.Names.Name)
			}
		}
		if len(names) > 0 {
			groups = append(groups, WaterGroup{word, names})
		}
	}
	return groups
}

// waterWord is the water that a species wants: the middle of its range, the wetter
// of two.
func waterWord(species *flora.Species) string {
	from := slices.Index(flora.MoistureWords, species.Site.Moisture.From)
	to := slices.Index(flora.MoistureWords, species.Site.Moisture.To)
	return flora.MoistureWords[(from+to+1)/2]
}

package view

import (
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
)

// NeedName is what one of a species' needs of a site is called.
var NeedName = map[suitability.Need]string{
	suitability.Sun:       "sun",
	suitability.Moisture:  "moisture",
	suitability.Drainage:  "drainage",
	suitability.Texture:   "texture",
	suitability.Acidity:   "pH",
	suitability.Fertility: "fertility",
	suitability.Depth:     "depth of soil",
	suitability.Shelter:   "shelter",
	suitability.Cold:      "winter cold",
	suitability.Toxin:     "trees' poison",
	suitability.Space:     "space",
	suitability.Edge:      "a held edge",
}

// scaleOf are the words that a need's numbers stand for.
var scaleOf = map[suitability.Need][]string{
	suitability.Moisture:  flora.MoistureWords,
	suitability.Drainage:  flora.DrainageWords,
	suitability.Texture:   flora.TextureWords,
	suitability.Fertility: flora.FertilityWords,
	suitability.Shelter:   flora.ShelterWords,
}

// NeedWords say what a species wants of a need, and what there is.
func NeedWords(units unit.System, species *flora.Species, s suitability.Score) string {
	if words, has := scaleOf[s.Need]; has {
		at := func(value float64) string {
			return words[max(0, min(len(words)-1, int(math.Round(value))))]
		}
		wants := at(s.Range.From)
		if to := at(s.Range.To); to != wants {
			wants += " to " + to
		}
		return fmt.Sprintf("wants %s %s; it is %s", wants, scaleNoun[s.Need], at(s.Has))
	}
	switch s.Need {
	case suitability.Sun:
		if s.Range.To >= 13 {
			return fmt.Sprintf("wants %s h of sun or more; it has %s", say.Number(s.Range.From), say.HoursWords(s.Has))
		}
		return fmt.Sprintf(
			"wants %s to %s h of sun; it has %s",
			say.Number(s.Range.From),
			say.Number(s.Range.To),
			say.HoursWords(s.Has),
		)
	case suitability.Acidity:
		return fmt.Sprintf(
			"wants a pH of %s to %s; it is about %s",
			say.Number(s.Range.From),
			say.Number(s.Range.To),
			say.Number(s.Has),
		)
	case suitability.Depth:
		return fmt.Sprintf(
			"wants %s of soil; it has about %s",
			units.PlantLength(s.Range.From/100),
			units.PlantLength(s.Has/100),
		)
	case suitability.Cold:
		return coldWords(units, species, s)
	case suitability.Toxin:
		return poisonWords(species, s)
	case suitability.Edge:
		if s.Value >= 1 {
			return "nothing of it runs out of this bed"
		}
		return "runs, and the bed's edge does not hold it"
	case suitability.Space:
		return fmt.Sprintf("wants %s full-grown; %s is free", units.Area(s.Range.From), units.Area(s.Has))
	}
	return ""
}

var scaleNoun = map[suitability.Need]string{
	suitability.Moisture:  "soil in summer",
	suitability.Drainage:  "drainage",
	suitability.Texture:   "soil",
	suitability.Fertility: "soil",
	suitability.Shelter:   "ground",
}

// coldWords say what cold a species bears and what there is. Where its limit hangs
// on how wet the ground is in winter, both limits are told.
func coldWords(units unit.System, species *flora.Species, s suitability.Score) string {
	bears := units.Temperature(species.Site.Cold.Value)
	if wet := species.Site.ColdWet; wet != nil {
		bears += " in ground dry in winter, " + units.Temperature(wet.Value) + " in wet"
		if s.Unsure {
			bears += " (nobody has said which this is)"
		}
	}
	return fmt.Sprintf("bears about %s; the coldest night is %s in the mean", bears, units.Temperature(s.Has))
}

func poisonWords(species *flora.Species, s suitability.Score) string {
	switch {
	case s.Tree == nil:
		return "no tree on record poisons this ground"
	case s.Value >= 1:
		return fmt.Sprintf("bears %s, whose ground this is", s.Tree.Name)
	case slices.Contains(species.Site.Suffers, s.Tree.ID):
		return fmt.Sprintf("suffers on the ground of %s: %s", s.Tree.Name, s.Tree.Why)
	}
	return fmt.Sprintf("the ground of %s: %s; whether it bears that is not on record here", s.Tree.Name, s.Tree.Why)
}

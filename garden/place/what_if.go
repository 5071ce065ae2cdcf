package place

import (
	"context"
	"maps"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/input"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// WhatIfInput are conditions to try on a bed; those left out stay as they are.
type WhatIfInput struct {
	SunHours  *float64 `json:"sunHours,omitempty"`
	Moisture  *float64 `json:"moisture,omitempty" doc:"0 dry, 1 fresh, 2 moist, 3 wet"`
	Winter    *float64 `json:"winter,omitempty" doc:"Moisture in winter: 0 dry, 1 fresh, 2 moist, 3 wet"`
	Drainage  *float64 `json:"drainage,omitempty" doc:"0 waterlogged, 1 slow, 2 free, 3 sharp"`
	Texture   *float64 `json:"texture,omitempty" doc:"0 sandy to 4 clay"`
	PH        *float64 `json:"ph,omitempty"`
	Fertility *float64 `json:"fertility,omitempty" doc:"0 lean, 1 fair, 2 rich"`
	DepthCm   *float64 `json:"depthCm,omitempty"`
	Shelter   *float64 `json:"shelter,omitempty" doc:"0 exposed, 1 half-sheltered, 2 sheltered"`
	Colder    *float64 `json:"colder,omitempty" doc:"°C colder than it is"`
}

// WhatIfView is every planting's answer under changed conditions.
type WhatIfView struct {
	Sliders   []Slider   `json:"sliders" doc:"The conditions that can be tried, as they are"`
	Plantings []SuitView `json:"plantings"`
	Before    []float64  `json:"before" doc:"Each planting's answer as things are"`
}

// Slider is a condition that can be tried.
type Slider struct {
	Key   string   `json:"key" enum:"sunHours,moisture,winter,drainage,texture,ph,fertility,depthCm,shelter,colder"`
	Name  string   `json:"name"`
	Low   float64  `json:"low"`
	High  float64  `json:"high"`
	Step  float64  `json:"step"`
	Value float64  `json:"value"`
	Words []string `json:"words" doc:"What whole numbers from low on stand for; none for a plain number"`
	Unit  string   `json:"unit"`
	// Known is false where nobody knows what it is: the value is only where the slider stands.
	Known bool `json:"known"`
}

// WhatIf answers for every planting of a bed under changed conditions. Nothing of
// it is noted.
func (u *Uses) WhatIf(ctx context.Context, bedID int64, in WhatIfInput) (WhatIfView, error) {
	j, err := view.JudgingToday(ctx, u.plot)
	if err != nil {
		return WhatIfView{}, err
	}
	bed, err := input.StandingBed(j.State, bedID)
	if err != nil {
		return WhatIfView{}, err
	}
	sliders := sliders(j, bed)
	var c say.Checklist
	given := in.values()
	for _, slider := range sliders {
		if value := given[slider.Key]; value != nil && !(*value >= slider.Low && *value <= slider.High) {
			c.Add(slider.Key, "It lies between %g and %g.", slider.Low, slider.High)
		}
	}
	if err := c.Err(); err != nil {
		return WhatIfView{}, err
	}
	v := WhatIfView{Sliders: sliders, Plantings: []SuitView{}, Before: []float64{}}
	for _, p := range j.StandingIn(bedID) {
		place := j.Place(bed, j.Lore, j.Lows, p)
		v.Before = append(v.Before, say.Round2(suitability.Judge(p.Species, place, j.WantedM2(p)).Value))
		v.Plantings = append(v.Plantings, suitPlace(j, changed(place, in), bed, p.Species, p))
	}
	return v, nil
}

func (in WhatIfInput) values() map[string]*float64 {
	return map[string]*float64{
		"sunHours":  in.SunHours,
		"moisture":  in.Moisture,
		"winter":    in.Winter,
		"drainage":  in.Drainage,
		"texture":   in.Texture,
		"ph":        in.PH,
		"fertility": in.Fertility,
		"depthCm":   in.DepthCm,
		"shelter":   in.Shelter,
		"colder":    in.Colder,
	}
}

// groundKeys are the conditions that are aspects of the ground.
var groundKeys = map[string]string{
	"moisture":  ground.Moisture,
	"winter":    ground.Winter,
	"drainage":  ground.Drainage,
	"texture":   ground.Texture,
	"ph":        ground.Acidity,
	"fertility": ground.Fertility,
	"depthCm":   ground.Depth,
}

// sliders are the conditions that can be tried, at what they are in a bed. One
// that nobody knows stands in its middle.
func sliders(j view.Judging, bed store.Bed) []Slider {
	sun, _ := j.SummerHours(bed)
	sliders := []Slider{
		{"sunHours", "sun", 0, 16, 0.5, say.Round1(sun), []string{}, "h", true},
		{"moisture", "moisture in summer", 0, 3, 0.25, 0, flora.MoistureWords, "", true},
		{"winter", "moisture in winter", 0, 3, 0.25, 0, flora.MoistureWords, "", true},
		{"drainage", "drainage", 0, 3, 0.25, 0, flora.DrainageWords, "", true},
		{"texture", "texture", 0, 4, 0.25, 0, flora.TextureWords, "", true},
		{"ph", "pH", 4, 9, 0.1, 0, []string{}, "", true},
		{"fertility", "fertility", 0, 2, 0.25, 0, flora.FertilityWords, "", true},
		{"depthCm", "depth of soil", 10, 100, 5, 0, []string{}, "cm", true},
		{"shelter", "shelter", 0, 2, 0.5, float64(j.ShelterOf(bed)), flora.ShelterWords, "", true},
		{"colder", "colder winters by", 0, 10, 0.5, 0, []string{}, "°C", true},
	}
	for i, slider := range sliders {
		if aspect, is := groundKeys[slider.Key]; is {
			b := j.Beliefs[bed.ID][aspect]
			sliders[i].Value = (slider.Low + slider.High) / 2
			if sliders[i].Known = b.Known(); sliders[i].Known {
				sliders[i].Value = min(max(say.Round1(b.Mean()), slider.Low), slider.High)
			}
		}
	}
	return sliders
}

// changed returns a place with conditions in place of its own.
func changed(place suitability.Place, in WhatIfInput) suitability.Place {
	place.Ground = maps.Clone(place.Ground)
	if place.Ground == nil {
		place.Ground = map[string]ground.Belief{}
	}
	for key, value := range in.values() {
		aspectID, is := groundKeys[key]
		if !is || value == nil {
			continue
		}
		if aspect, err := ground.AspectOf(aspectID); err == nil {
			place.Ground[aspectID] = ground.Certain(aspect, *value)
		}
	}
	if in.SunHours != nil {
		place.SunHours = *in.SunHours
	}
	if in.Shelter != nil {
		place.Shelter = *in.Shelter
	}
	if in.Colder != nil {
		colder := make([]float64, len(place.WinterLows))
		for i, low := range place.WinterLows {
			colder[i] = low - *in.Colder
		}
		place.WinterLows = colder
	}
	return place
}

package suitability

import (
	"fmt"
	"maps"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
)

// Remedy is something that mends a place.
type Remedy struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	// Need and When say which shortfall it is for.
	Need Need   `toml:"need"`
	When string `toml:"when"`
	// Shifts move needs on their own scales; Factor multiplies the hours of sun.
	Shifts map[Need]float64 `toml:"shifts"`
	Factor float64          `toml:"factor"`
	// Pot takes the plant off the tree's ground into soil of its own.
	Pot bool `toml:"pot"`
	// Holds makes the edge hold what runs. Mulch is mulch: no help where the bed
	// lies under it already.
	Holds bool `toml:"holds"`
	Mulch bool `toml:"mulch"`
	// The cost in hours: once, for each m², and in each year after.
	HoursOnce  float64 `toml:"hours_once"`
	HoursPerM2 float64 `toml:"hours_per_m2"`
	HoursAYear float64 `toml:"hours_a_year"`
	How        string  `toml:"how"`
}

// Remedies are all that can be done, with the standing of their figures.
type Remedies struct {
	Standing flora.Standing `toml:"standing"`
	List     []Remedy       `toml:"remedy"`
}

// needAspects are the needs that are aspects of the ground.
var needAspects = map[Need]string{
	Moisture:  ground.Moisture,
	Drainage:  ground.Drainage,
	Texture:   ground.Texture,
	Acidity:   ground.Acidity,
	Fertility: ground.Fertility,
	Depth:     ground.Depth,
}

// Check returns an error that names the first thing wrong with the remedies.
func (r Remedies) Check() error {
	ids := map[string]bool{}
	for i, remedy := range r.List {
		key := fmt.Sprintf("remedy[%d] (%s)", i, remedy.ID)
		switch {
		case remedy.ID == "" || remedy.Name == "" || remedy.How == "" || ids[remedy.ID]:
			return fmt.Errorf("%s: needs an id of its own, name and how", key)
		case remedy.When != TooLittle && remedy.When != TooMuch:
			return fmt.Errorf("%s.when: %q is neither %q nor %q", key, remedy.When, TooLittle, TooMuch)
		case len(remedy.Shifts) == 0 && remedy.Factor == 0 && !remedy.Pot && !remedy.Holds:
			return fmt.Errorf("%s.shifts: is missing", key)
		case remedy.Factor < 0 || remedy.HoursOnce < 0 || remedy.HoursPerM2 < 0 || remedy.HoursAYear < 0:
			return fmt.Errorf("%s: factors and hours are not below 0", key)
		}
		for need := range remedy.Shifts {
			if _, is := needAspects[need]; !is && need != Shelter && need != Cold {
				return fmt.Errorf("%s.shifts: %q cannot be shifted", key, need)
			}
		}
		ids[remedy.ID] = true
	}
	return nil
}

// Mended is a remedy with what it would do.
type Mended struct {
	Remedy Remedy
	// Need is the mended need's score, Answer the whole answer after it.
	Need   float64
	Answer Answer
	// HoursFirst is the work in the first year, HoursAYear in each year after.
	HoursFirst, HoursAYear float64
}

// mostPotM is the width in metres of the largest plant for a pot.
const mostPotM = 0.9

// apply returns the place with a remedy done.
func (r Remedy) apply(place Place) Place {
	mended := place
	mended.Ground = maps.Clone(place.Ground)
	if mended.Ground == nil {
		mended.Ground = map[string]ground.Belief{}
	}
	for need, by := range r.Shifts {
		switch need {
		case Shelter:
			mended.Shelter = min(place.Shelter+by, float64(len(flora.ShelterWords)-1))
		case Cold:
			mended.WinterLows = make([]float64, len(place.WinterLows))
			for i, low := range place.WinterLows {
				mended.WinterLows[i] = low + by
			}
		default:
			if b := place.Ground[needAspects[need]]; b.Known() {
				mended.Ground[needAspects[need]] = shifted(b, by)
			}
		}
	}
	if r.Factor > 0 {
		mended.SunHours *= r.Factor
	}
	if r.Pot {
		mended.Trees = nil
	}
	mended.Held = place.Held || r.Holds || r.Pot
	mended.Mulched = place.Mulched || r.Mulch
	return mended
}

func (r Remedy) fits(species *flora.Species, place Place, s Score) bool {
	if r.Need != s.Need || r.When != s.Direction || r.Mulch && place.Mulched {
		return false
	}
	return !r.Pot || species.Size.Width.Value/100 <= mostPotM && species.Site.Roots != "deep"
}

func (r Remedy) hours(areaM2 float64) (first, aYear float64) {
	return r.HoursOnce + r.HoursPerM2*areaM2 + r.HoursAYear, r.HoursAYear
}

// Mend returns what helps against one shortfall, the best first: only what raises
// its score, with the whole answer after it. None means that there is no remedy.
// areaM2 is the ground that the plants want full-grown, and the ground to be worked.
func (r Remedies) Mend(species *flora.Species, place Place, areaM2 float64, short Score) []Mended {
	var helps []Mended
	for _, remedy := range r.List {
		if !remedy.fits(species, place, short) {
			continue
		}
		m := Mended{Remedy: remedy, Answer: Judge(species, remedy.apply(place), areaM2)}
		m.HoursFirst, m.HoursAYear = remedy.hours(areaM2)
		m.Need = m.Answer.Of(short.Need).Value
		if m.Need > short.Value+0.01 {
			helps = append(helps, m)
		}
	}
	slices.SortStableFunc(helps, func(a, b Mended) int {
		if a.Need != b.Need {
			if a.Need > b.Need {
				return -1
			}
			return 1
		}
		return int(100 * (a.HoursFirst - b.HoursFirst))
	})
	return helps
}

// Of returns the score of a need.
func (a Answer) Of(need Need) Score {
	for _, s := range a.Scores {
		if s.Need == need {
			return s
		}
	}
	return Score{Need: need}
}

// Whole is a place mended as far as it can be.
type Whole struct {
	Steps                  []Remedy
	Answer                 Answer
	HoursFirst, HoursAYear float64
}

// mostSteps is how many remedies a bed is given at once: more is another bed.
const mostSteps = 4

// MendAll returns the remedies that together raise the answer as far as they can:
// at each step the one that helps the deciding need most, as long as the whole
// gains. areaM2 as for Mend.
func (r Remedies) MendAll(species *flora.Species, place Place, areaM2 float64) Whole {
	w := Whole{Answer: Judge(species, place, areaM2)}
	done := map[string]bool{}
	for len(w.Steps) < mostSteps {
		best := Mended{Answer: Answer{Value: w.Answer.Value + 0.01}}
		for _, short := range w.Answer.Scores {
			if !short.Falls() || short.Value > w.Answer.Value+1e-9 {
				continue
			}
			for _, m := range r.Mend(species, place, areaM2, short) {
				if !done[m.Remedy.ID] && m.Answer.Value > best.Answer.Value {
					best = m
				}
			}
		}
		if best.Remedy.ID == "" {
			break
		}
		done[best.Remedy.ID] = true
		place = best.Remedy.apply(place)
		w.Steps = append(w.Steps, best.Remedy)
		w.Answer = best.Answer
		w.HoursFirst += best.HoursFirst
		w.HoursAYear += best.HoursAYear
	}
	return w
}

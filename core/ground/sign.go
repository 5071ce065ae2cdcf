package ground

import (
	"fmt"
	"maps"
	"math"
	"slices"

	"bramblyacre/core/flora"
)

// Sign is something that can be seen on the ground and speaks for its nature.
type Sign struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	// Look says what has to be seen, and what does not count.
	Look string `toml:"look"`
	Says []Says `toml:"says"`
}

// Says is what a sign says of one aspect: for each class, how often the sign is
// met on such ground.
type Says struct {
	Aspect   string             `toml:"aspect"`
	Chance   map[string]float64 `toml:"chance"`
	Standing flora.Standing     `toml:"standing"`
}

// Table is all that evidence is read by.
type Table struct {
	Signs []Sign `toml:"sign"`
	// Worms are the bands of a count of earthworms, fewest first.
	Worms []WormBand `toml:"worms"`
	// Said is how well a class goes with the grower's word for another, by the
	// steps between them.
	Said []float64 `toml:"said"`
	// DrainageByTexture is how often ground of each drainage is met under a
	// texture of each word of flora.TextureWords.
	DrainageByTexture map[string]map[string]float64 `toml:"drainage_by_texture"`
	// Errors are the standard errors of readings in the aspect's unit.
	Errors map[string]float64 `toml:"errors"`
}

// WormBand is what a count of worms, in a spade's cube of 20 cm, says.
type WormBand struct {
	// Most is the largest count of the band.
	Most int    `toml:"most"`
	Name string `toml:"name"`
	Says []Says `toml:"says"`
}

// The kinds of reading whose error a table has to give.
var readingErrors = []string{"ph strip", "ph meter", "depth"}

// Check returns an error that names the first thing wrong with a table.
func (t Table) Check() error {
	if len(t.Signs) == 0 || len(t.Worms) == 0 {
		return fmt.Errorf("sign, worms: are missing")
	}
	ids := map[string]bool{}
	for i, sign := range t.Signs {
		key := fmt.Sprintf("sign[%d] (%s)", i, sign.ID)
		if sign.ID == "" || sign.Name == "" || sign.Look == "" || ids[sign.ID] {
			return fmt.Errorf("%s: needs an id of its own, name and look", key)
		}
		ids[sign.ID] = true
		if err := checkSays(key, sign.Says); err != nil {
			return err
		}
	}
	before := -1
	for i, band := range t.Worms {
		key := fmt.Sprintf("worms[%d]", i)
		if band.Most <= before {
			return fmt.Errorf("%s.most: must be above the band before", key)
		}
		before = band.Most
		if err := checkSays(key, band.Says); err != nil {
			return err
		}
	}
	if len(t.Said) < 2 || t.Said[0] != 1 {
		return fmt.Errorf("said: must begin with 1 and go on for words further off")
	}
	for _, word := range flora.TextureWords {
		if err := checkSays(
			"drainage_by_texture."+word,
			[]Says{{Aspect: Drainage, Chance: t.DrainageByTexture[word]}},
		); err != nil {
			return err
		}
	}
	for _, kind := range readingErrors {
		if !(t.Errors[kind] > 0) {
			return fmt.Errorf("errors.%s: must be above 0", kind)
		}
	}
	return nil
}

func checkSays(key string, says []Says) error {
	if len(says) == 0 {
		return fmt.Errorf("%s.says: is missing", key)
	}
	for _, s := range says {
		aspect, err := AspectOf(s.Aspect)
		if err != nil {
			return fmt.Errorf("%s.says.aspect: %w", key, err)
		}
		best := 0.0
		for _, word := range slices.Sorted(maps.Keys(s.Chance)) {
			if _, has := aspect.Index(word); !has {
				return fmt.Errorf("%s.says.chance: %s has no class %q", key, s.Aspect, word)
			}
			if c := s.Chance[word]; !(c >= 0 && c <= 1) {
				return fmt.Errorf("%s.says.chance.%s: %v is not between 0 and 1", key, word, c)
			}
			best = math.Max(best, s.Chance[word])
		}
		if best == 0 || len(s.Chance) != len(aspect.Words) {
			return fmt.Errorf("%s.says.chance: give each of %q its chance", key, aspect.Words)
		}
	}
	return nil
}

// Sign returns the sign of an id, and whether there is one.
func (t Table) Sign(id string) (Sign, bool) {
	i := slices.IndexFunc(t.Signs, func(s Sign) bool { return s.ID == id })
	if i < 0 {
		return Sign{}, false
	}
	return t.Signs[i], true
}

// evidence turns what something says into evidence.
func evidence(id, name, from string, says []Says) []Evidence {
	var all []Evidence
	for _, s := range says {
		aspect, err := AspectOf(s.Aspect)
		if err != nil {
			continue // the table was checked when it was read
		}
		likelihood := make([]float64, len(aspect.Words))
		for i, word := range aspect.Words {
			likelihood[i] = s.Chance[word]
		}
		all = append(
			all,
			Evidence{
				ID:         id,
				Name:       name,
				From:       from,
				Aspect:     s.Aspect,
				Likelihood: scaledToBest(likelihood),
				Standing:   s.Standing,
			},
		)
	}
	return all
}

// Seen returns the evidence of a sign that was seen; none for an unknown one.
func (t Table) Seen(id, from string) []Evidence {
	sign, has := t.Sign(id)
	if !has {
		return nil
	}
	return evidence(id, sign.Name, from, sign.Says)
}

// saidID marks the grower's own word.
const saidID = "said"

// SaidToBe returns the evidence of the grower's word for an aspect; none for a
// word that is not on its scale.
func (t Table) SaidToBe(aspect Aspect, word, from string) []Evidence {
	at, has := aspect.Index(word)
	if !has {
		return nil
	}
	likelihood := make([]float64, len(aspect.Words))
	for i := range likelihood {
		steps := i - at
		if aspect.ID == Texture { // its classes lie on a triangle, not on a line
			steps = int(2 * (aspect.Values[i] - aspect.Values[at]))
			if steps == 0 && i != at {
				steps = 1
			}
		}
		likelihood[i] = t.Said[min(max(steps, -steps), len(t.Said)-1)]
	}
	return []Evidence{
		{
			ID:         saidID,
			Name:       aspect.Name + " is " + word,
			From:       from,
			Aspect:     aspect.ID,
			Likelihood: likelihood,
			Standing:   flora.Guess,
		},
	}
}

// TextureSpeaks returns what the evidence of the texture says of the drainage: the
// mean over the textures that it may be. A sign that speaks of the drainage itself
// is left out, so that it does not count twice. None where nothing is known.
func (t Table) TextureSpeaks(all []Evidence) []Evidence {
	aspect, err := AspectOf(Texture)
	if err != nil {
		return nil
	}
	texture := Weigh(aspect, slices.DeleteFunc(slices.Clone(all), func(e Evidence) bool {
		return slices.ContainsFunc(
			all,
			func(other Evidence) bool { return other.ID == e.ID && other.ID != saidID && other.Aspect == Drainage },
		)
	}))
	if !texture.Known() {
		return nil
	}
	drainage, err := AspectOf(Drainage)
	if err != nil {
		return nil
	}
	likelihood := make([]float64, len(drainage.Words))
	for i, chance := range texture.Chance {
		heaviness := flora.TextureWords[int(texture.Aspect.Values[i])]
		for k, word := range drainage.Words {
			likelihood[k] += chance * t.DrainageByTexture[heaviness][word]
		}
	}
	class, _ := texture.Likeliest()
	return []Evidence{
		{
			ID:         "texture",
			Name:       "a soil of " + texture.Aspect.Words[class],
			From:       "its texture",
			Aspect:     Drainage,
			Likelihood: scaledToBest(likelihood),
			Standing:   flora.Guess,
		},
	}
}

// WormCount returns the evidence of a count of earthworms in a cube of 20 cm. A
// count below 0 or above 200 is an error.
func (t Table) WormCount(count float64, from string) ([]Evidence, error) {
	if !(count >= 0 && count <= 200) {
		return nil, fmt.Errorf("%v worms cannot be; count those in a cube of 20 cm", count)
	}
	for i, band := range t.Worms {
		if count <= float64(band.Most) || i == len(t.Worms)-1 {
			return evidence("worms", fmt.Sprintf("%.0f worms: %s", count, band.Name), from, band.Says), nil
		}
	}
	return nil, nil
}

// PHReading returns the evidence of a pH read with a strip or a meter. A pH
// outside 2 to 11 is no soil's, and an error.
func (t Table) PHReading(kind string, ph float64, from string) ([]Evidence, error) {
	if !(ph >= 2 && ph <= 11) {
		return nil, fmt.Errorf("a pH of %v is not a soil's; it lies between 2 and 11", ph)
	}
	return t.near(Acidity, kind, fmt.Sprintf("pH %.1f", ph), ph, from), nil
}

// DepthReading returns the evidence of a depth dug or probed to, in cm. A depth
// outside 0 to 300 cm is an error.
func (t Table) DepthReading(cm float64, from string) ([]Evidence, error) {
	if !(cm > 0 && cm <= 300) {
		return nil, fmt.Errorf("a depth of %v cm cannot be; it lies between 0 and 300 cm", cm)
	}
	return t.near(Depth, "depth", fmt.Sprintf("%.0f cm deep", cm), math.Min(cm, 75), from), nil
}

// near returns evidence for the classes near a value, by a normal error.
func (t Table) near(aspectID, kind, name string, value float64, from string) []Evidence {
	aspect, err := AspectOf(aspectID)
	if err != nil {
		return nil
	}
	likelihood := make([]float64, len(aspect.Words))
	for i, at := range aspect.Values {
		off := (value - at) / t.Errors[kind]
		likelihood[i] = math.Exp(-off * off / 2)
	}
	return []Evidence{{ID: kind, Name: name, From: from, Aspect: aspectID, Likelihood: scaledToBest(likelihood)}}
}

// JarTest returns the evidence of a jar's layers in mm, or Jar's error.
func (t Table) JarTest(sandMM, siltMM, clayMM float64, from string) ([]Evidence, error) {
	shares, err := Jar(sandMM, siltMM, clayMM)
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf("jar: %.0f %% sand, %.0f %% silt, %.0f %% clay", 100*shares.Sand, 100*shares.Silt, 100*shares.Clay)
	return []Evidence{{ID: "jar", Name: name, From: from, Aspect: Texture, Likelihood: shares.Likelihood()}}, nil
}

// RibbonTest returns the evidence of a ribbon, or Ribbon's error.
func (t Table) RibbonTest(lengthMM float64, feel string, makesBall bool, from string) ([]Evidence, error) {
	class, err := Ribbon(lengthMM, feel, makesBall)
	if err != nil {
		return nil, err
	}
	aspect, err := AspectOf(Texture)
	if err != nil {
		return nil, err
	}
	e := t.SaidToBe(aspect, class, from)
	e[0].ID, e[0].Name = "ribbon", fmt.Sprintf("ribbon of %.0f mm: %s", lengthMM, class)
	return e, nil
}

// InfiltrationTest returns the evidence of water's fall in mm over minutes, or
// Infiltration's error.
func (t Table) InfiltrationTest(fallMM, minutes float64, from string) ([]Evidence, error) {
	rate, class, err := Infiltration(fallMM, minutes)
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf("water goes in at %.0f mm an hour: %s", rate, class)
	return []Evidence{
		{
			ID:         "infiltration",
			Name:       name,
			From:       from,
			Aspect:     Drainage,
			Likelihood: scaledToBest(append([]float64(nil), permeabilityOf(rate).speaksFor...)),
		},
	}, nil
}

package water

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// Lore is what is known of the ground's water, whatever the bed.
type Lore struct {
	Soils []Soil `toml:"soil"`
	// Drains is the share of the water above field capacity that leaves in a day, by the word for
	// how the ground drains; Part is p by the driest ground that a kind is well in.
	Drains map[string]flora.Figure `toml:"drains"`
	Part   map[string]flora.Figure `toml:"part"`
	// Roots is how deep roots draw, in m: bare, shallow and deep.
	Roots map[string]flora.Figure `toml:"roots"`
	Shade Shade                   `toml:"shade"`
	Feels []Feel                  `toml:"feel"`
	Doubt Doubt                   `toml:"doubt"`
	// Beside is what water beside a bed brings, Rest the days between two waterings for kinds that rot, by the
	// dampest ground that they are well in.
	Beside Beside `toml:"beside"`
	// Response is how much of a season's growth is lost for each part of its water that a plant lacked.
	Response flora.Figure            `toml:"response"`
	Rest     map[string]flora.Figure `toml:"rest"`
}

// Beside is what water beside a bed brings to it.
type Beside struct {
	// Overflow is how many times the rain again, Rises how many mm a day come from below.
	Overflow flora.Figure `toml:"overflow"`
	Rises    flora.Figure `toml:"rises"`
}

// RestOf returns the days to leave between two waterings of a kind, and whether it is one that rots in damp
// ground: one that is well in dry ground, in no damper than fresh, and wants it to drain freely.
func (l Lore) RestOf(site flora.Site) (days flora.Figure, rots bool) {
	if site.Moisture.From != "dry" || site.Drainage.From != "free" && site.Drainage.From != "sharp" {
		return days, false
	}
	days, rots = l.Rest[site.Moisture.To]
	return days, rots
}

// PartOf returns p of a kind: by the driest ground that it is well in.
func (l Lore) PartOf(site flora.Site) float64 { return l.Part[site.Moisture.From].Value }

// Shade is what shade leaves of the reference's thirst.
type Shade struct {
	// Left is the share left where the sun never comes, Whole the share of the hours between
	// sunrise and sunset that counts as full sun.
	Left  flora.Figure `toml:"left"`
	Whole flora.Figure `toml:"whole"`
}

// Share returns the share of the reference evapotranspiration that is left over a bed with some hours of
// direct sun on a day of so many hours between sunrise and sunset.
func (s Shade) Share(sunHours, dayHours float64) float64 {
	if dayHours <= 0 {
		return s.Left.Value
	}
	lit := min(1, max(0, sunHours/(dayHours*s.Whole.Value)))
	return s.Left.Value + (1-s.Left.Value)*lit
}

// Feel is one answer of the test in the hand.
type Feel struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	// Gone is the share of the available water that is gone then, below 0 above field capacity.
	Gone flora.Figure `toml:"gone"`
}

// Spread is the feel's standard deviation, as a share: its range is taken for nineteen in twenty.
func (f Feel) Spread() float64 { return (f.Gone.High - f.Gone.Low) / 4 }

// Doubt is how far off readings and the reckoning are, as shares of the available water.
type Doubt struct {
	Probe     flora.Figure `toml:"probe"`
	Reckoning flora.Figure `toml:"reckoning"`
	ADay      flora.Figure `toml:"a_day"`
	Most      flora.Figure `toml:"most"`
}

// Soil returns the soil of a texture class, and whether it is known.
func (l Lore) Soil(texture string) (Soil, bool) {
	at := slices.IndexFunc(l.Soils, func(s Soil) bool { return s.Texture == texture })
	if at < 0 {
		return Soil{}, false
	}
	return l.Soils[at], true
}

// Feel returns a feel by its id, and whether it is known.
func (l Lore) Feel(id string) (Feel, bool) {
	at := slices.IndexFunc(l.Feels, func(f Feel) bool { return f.ID == id })
	if at < 0 {
		return Feel{}, false
	}
	return l.Feels[at], true
}

// Check returns an error naming what is missing or cannot be.
func (l *Lore) Check() error {
	for _, soil := range l.Soils {
		if err := soil.Check(); err != nil {
			return err
		}
	}
	for _, table := range []struct {
		name  string
		rows  map[string]flora.Figure
		words []string
	}{
		{"drains", l.Drains, flora.DrainageWords},
		{"part", l.Part, flora.MoistureWords},
		{"roots", l.Roots, append([]string{"bare"}, flora.RootWords...)},
	} {
		for _, word := range table.words {
			if f, has := table.rows[word]; !has || f.Value <= 0 || f.Value > 1 {
				return fmt.Errorf("%s.%s: needs a figure above 0 and up to 1", table.name, word)
			}
		}
	}
	for word, f := range l.Rest {
		if !slices.Contains(flora.MoistureWords, word) || f.Value < 1 || f.Value > 60 {
			return fmt.Errorf("rest.%s: needs a word of moisture and days from 1 to 60", word)
		}
	}
	for _, feel := range l.Feels {
		if feel.ID == "" || feel.Name == "" || feel.Spread() <= 0 {
			return fmt.Errorf("feel %q: needs an id, a name and a range", feel.ID)
		}
	}
	if l.Response.Value <= 0 || l.Response.Value > 2 {
		return fmt.Errorf("response: needs a figure above 0 and up to 2")
	}
	for name, f := range map[string]flora.Figure{
		"shade.left": l.Shade.Left, "shade.whole": l.Shade.Whole, "doubt.probe": l.Doubt.Probe,
		"doubt.reckoning": l.Doubt.Reckoning,
		"doubt.a_day":     l.Doubt.ADay, "doubt.most": l.Doubt.Most,
	} {
		if f.Value <= 0 || f.Value > 1 {
			return fmt.Errorf("%s: needs a share above 0 and up to 1", name)
		}
	}
	return nil
}

package keeping

import (
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// Recipe is a household's own way of making something.
type Recipe struct {
	Name string `toml:"name" json:"name"`
	// Making is the id of what it is a kind of.
	Making string `toml:"making" json:"making"`
	Note   string `toml:"note,omitempty" json:"note"`
	// Days is how long it stands, MLPerGram the liquid for a gram of herb, KeepsMonths how long it keeps; 0 for as is
	// usual.
	Days        int     `toml:"days,omitempty" json:"days"`
	MLPerGram   float64 `toml:"ml_per_gram,omitempty" json:"mlPerGram"`
	KeepsMonths float64 `toml:"keeps_months,omitempty" json:"keepsMonths"`

	Parts []RecipePart `toml:"part" json:"parts"`
	Steps []RecipeStep `toml:"step,omitempty" json:"steps"`
}

// RecipePart is what goes in: Share in parts by weight.
type RecipePart struct {
	Species string  `toml:"species" json:"species"`
	Part    string  `toml:"part" json:"part"`
	Share   float64 `toml:"share" json:"share"`
}

// RecipeStep is something to do besides, so many days after the beginning.
type RecipeStep struct {
	Day  int    `toml:"day" json:"day"`
	Text string `toml:"text" json:"text"`
}

// Bounds of what a recipe may say.
const (
	mostRecipeParts  = 30
	mostRecipeDays   = 400
	mostRecipeMonths = 240
	mostRecipeText   = 2000
)

// FaultyError is what is wrong with a recipe, by its key.
type FaultyError struct{ Key, Why string }

// Error says what is wrong.
func (e FaultyError) Error() string { return e.Key + ": " + e.Why }

// Check returns what is wrong with a recipe, a FaultyError: it has parts, each one of a plant that the library knows,
// and whose verdict allows what is made of it.
func (r Recipe) Check(l *Lore, species func(id string) (*flora.Species, bool)) error {
	making, known := l.Making(r.Making)
	switch {
	case r.Name == "" || len([]rune(r.Name)) > 80:
		return FaultyError{"name", "give it a name of at most 80 letters"}
	case !known:
		return FaultyError{"making", fmt.Sprintf("there is no making %q", r.Making)}
	case making.Word == "":
		return FaultyError{"making", "drying and freezing have no recipes"}
	case len(r.Parts) == 0:
		return FaultyError{"part", "a recipe has at least one part"}
	case len(r.Parts) > mostRecipeParts:
		return FaultyError{"part", fmt.Sprintf("no more than %d parts", mostRecipeParts)}
	case r.Days < 0 || r.Days > mostRecipeDays:
		return FaultyError{"days", fmt.Sprintf("it stands from 0 to %d days", mostRecipeDays)}
	case !(r.MLPerGram >= 0 && r.MLPerGram <= 200):
		return FaultyError{"ml_per_gram", "the liquid for a gram lies between 0 and 200 ml"}
	case !(r.KeepsMonths >= 0 && r.KeepsMonths <= mostRecipeMonths):
		return FaultyError{"keeps_months", fmt.Sprintf("it keeps from 0 to %d months", mostRecipeMonths)}
	case len([]rune(r.Note)) > mostRecipeText:
		return FaultyError{"note", "the note is too long"}
	}
	if keeps := making.Keeps; keeps != nil && r.KeepsMonths > keeps.High {
		return FaultyError{"keeps_months", fmt.Sprintf("it keeps %v months at most", keeps.High)}
	}
	for i, part := range r.Parts {
		if err := part.check(making, species); err != nil {
			return FaultyError{fmt.Sprintf("part %d", i+1), err.Error()}
		}
		if slices.ContainsFunc(
			r.Parts[:i],
			func(o RecipePart) bool { return o.Species == part.Species && o.Part == part.Part },
		) {
			return FaultyError{fmt.Sprintf("part %d", i+1), "it is named twice"}
		}
	}
	for i, step := range r.Steps {
		if step.Text == "" || len([]rune(step.Text)) > mostRecipeText || step.Day < 0 || step.Day > mostRecipeDays {
			return FaultyError{fmt.Sprintf("step %d", i+1), "needs a text and a day, not below 0"}
		}
	}
	return nil
}

func (p RecipePart) check(making Making, species func(id string) (*flora.Species, bool)) error {
	plant, known := species(p.Species)
	if !known {
		return fmt.Errorf("there is no plant %q", p.Species)
	}
	part, has := plant.Part(p.Part)
	switch {
	case !has:
		return fmt.Errorf("%s has no part %q", plant.Names.Name, p.Part)
	case !part.MayMake(making.Word):
		return fmt.Errorf("%s of %s may not go into this, by its verdict", p.Part, plant.Names.Name)
	case !(p.Share > 0 && p.Share <= 1000):
		return fmt.Errorf("its share is in parts by weight, above 0")
	}
	return nil
}

package library

import (
	"errors"
	"fmt"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/keeping"
)

// mostRecipeBytes is the most that a recipe's file holds.
const mostRecipeBytes = 64 << 10

// ReadRecipe reads a household's recipe as its file says it, and checks it against the plants that are known. What is
// wrong is told with its key, a keeping.FaultyError where it is one of the recipe's own.
func (l *Library) ReadRecipe(text []byte) (keeping.Recipe, error) {
	var r keeping.Recipe
	if len(text) > mostRecipeBytes {
		return r, fmt.Errorf("a recipe is no longer than %d kB", mostRecipeBytes>>10)
	}
	if err := decode("recipe", text, &r); err != nil {
		return r, err
	}
	return r, l.CheckRecipe(r)
}

// CheckRecipe returns what is wrong with a recipe.
func (l *Library) CheckRecipe(r keeping.Recipe) error { return r.Check(&l.keeping, l.Species) }

// WriteRecipe writes a recipe's file.
func WriteRecipe(r keeping.Recipe) ([]byte, error) {
	if r.Name == "" {
		return nil, errors.New("a recipe has a name")
	}
	return toml.Marshal(r)
}

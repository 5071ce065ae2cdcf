package larder

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// recipe is one of the household's own.
type recipe struct {
	keeping.Recipe
	id  int64
	row store.OwnRecipe
}

// steps are what it asks for besides.
func (r recipe) steps(begun calendar.Date) (steps []StepView) {
	for _, step := range r.Steps {
		day := begun.AddDays(step.Day)
		steps = append(steps, StepView{Day: day, When: day.DayMonth(), Text: step.Text, Minutes: ownStepMinutes})
	}
	return steps
}

// ownStepMinutes is how long a step of an own recipe takes: nobody writes that down. A guess of ours.
const ownStepMinutes = 10

// shareOf is how many parts by weight a recipe wants of a part of a plant, 0 for none.
func (r recipe) shareOf(p partOf) float64 {
	for _, part := range r.Parts {
		if part.Species == p.species.ID && part.Part == p.part {
			return part.Share
		}
	}
	return 0
}

// recipeByID is an own recipe as it can be made; false for one that is not there, or that what is known of its plants
// does not allow any more.
func recipeByID(s *plot.State, id int64) (recipe, bool) {
	for _, row := range ownRecipes.Of(s) {
		if row.ID == id && row.RemovedOn == nil {
			read, err := s.Lib.ReadRecipe([]byte(row.Text))
			return recipe{read, id, row}, err == nil
		}
	}
	return recipe{}, false
}

// RecipeView is a recipe.
type RecipeView struct {
	ID      int64          `json:"id"`
	Version say.Version    `json:"version"`
	Recipe  keeping.Recipe `json:"recipe"`
	Of      []string       `json:"of" doc:"Its parts in words"`
	Text    string         `json:"text" doc:"Its file"`
	Wrong   string         `json:"wrong" doc:"Why it cannot be made now; empty else"`
}

func viewRecipe(s *plot.State, row store.OwnRecipe) RecipeView {
	read, err := s.Lib.ReadRecipe([]byte(row.Text))
	v := RecipeView{ID: row.ID, Version: say.VersionOf(row), Recipe: read, Text: row.Text, Of: []string{}}
	if v.Recipe.Parts == nil {
		v.Recipe.Parts = []keeping.RecipePart{}
	}
	if v.Recipe.Steps == nil {
		v.Recipe.Steps = []keeping.RecipeStep{}
	}
	if err != nil {
		v.Wrong = say.Sentence(err.Error())
	}
	for _, part := range read.Parts {
		name := part.Species
		if species, has := s.Lib.Species(part.Species); has {
			name = species.Names.Name
		}
		v.Of = append(v.Of, fmt.Sprintf("%s of %s", say.Counted(part.Share, "part", "parts"), say.PartOf(name, part.Part)))
	}
	return v
}

// Recipes are the household's own recipes.
func (u *Uses) Recipes(ctx context.Context) ([]RecipeView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	views := []RecipeView{}
	for _, row := range ownRecipes.Of(s) {
		if row.RemovedOn == nil {
			views = append(views, viewRecipe(s, row))
		}
	}
	return views, nil
}

// recipeFields is where on the form each key of a recipe stands.
var recipeFields = map[string]string{
	"name": "name", "making": "making", "part": "parts", "days": "days", "ml_per_gram": "mlPerGram",
	"keeps_months": "keepsMonths", "note": "note",
}

// recipeFault is what is wrong with a recipe, at its field.
func recipeFault(err error) error {
	var faulty keeping.FaultyError
	if !errors.As(err, &faulty) {
		return say.Faults{{Field: "text", Message: say.Sentence(err.Error())}}
	}
	field := recipeFields[faulty.Key]
	for _, list := range []string{"part", "step"} {
		var number int
		if n, _ := fmt.Sscanf(faulty.Key, list+" %d", &number); n == 1 {
			field = fmt.Sprintf("%ss.%d", list, number-1)
		}
	}
	return say.Faults{{Field: field, Message: say.Sentence(faulty.Why)}}
}

// PutRecipe keeps a recipe, or changes one.
func (u *Uses) PutRecipe(ctx context.Context, id int64, seen say.Version, in keeping.Recipe) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		in.Name, in.Note = c.Name("name", in.Name), c.Text("note", in.Note, say.LongestNote)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if err := s.Lib.CheckRecipe(in); err != nil {
			return journal.Record{}, recipeFault(err)
		}
		text, err := library.WriteRecipe(in)
		if err != nil {
			return journal.Record{}, err
		}
		return putRecipe(ctx, s, d, id, seen, string(text), in.Name)
	})
}

// BringRecipe keeps a recipe as its file says it.
func (u *Uses) BringRecipe(ctx context.Context, text string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		read, err := s.Lib.ReadRecipe([]byte(text))
		if err != nil {
			return journal.Record{}, recipeFault(err)
		}
		return putRecipe(ctx, s, d, 0, say.AsItStands, text, read.Name)
	})
}

// mostRecipes is the most recipes that are kept.
const mostRecipes = 500

func putRecipe(
	ctx context.Context, s *plot.State, d *journal.Draft, id int64, seen say.Version, text, name string,
) (journal.Record, error) {
	row := store.PutOwnRecipeParams{Text: text}
	found, standing := id == 0, 0
	for _, other := range ownRecipes.Of(s) {
		if other.RemovedOn != nil {
			continue
		}
		standing++
		if other.ID == id {
			if err := seen.IsOf(say.VersionOf(other), "the recipe"); err != nil {
				return journal.Record{}, err
			}
			found, row.ID = true, &other.ID
			continue
		}
		if read, err := s.Lib.ReadRecipe([]byte(other.Text)); err == nil && strings.EqualFold(read.Name, name) {
			return journal.Record{}, say.Faults{{Field: "name", Message: "There is a recipe of that name."}}
		}
	}
	switch {
	case !found:
		return journal.Record{}, say.NotFoundError{What: "recipe"}
	case id == 0 && standing >= mostRecipes:
		return journal.Record{}, say.Faults{{Field: "name", Message: "There are as many recipes as can be kept."}}
	}
	summary := "Kept the recipe " + name
	if id != 0 {
		summary = "Changed the recipe " + name
	}
	_, err := recipesTable.Put(ctx, d, id, row)
	return journal.Record{Kind: kindStore, Summary: summary}, err
}

// RemoveRecipe puts a recipe away.
func (u *Uses) RemoveRecipe(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range ownRecipes.Of(s) {
			if row.ID != id || row.RemovedOn != nil {
				continue
			}
			today := s.Today.String()
			_, err := recipesTable.Put(ctx, d, id, store.PutOwnRecipeParams{ID: &row.ID, Text: row.Text, RemovedOn: &today})
			return journal.Record{Kind: kindStore, Summary: "Put a recipe away: " + viewRecipe(s, row).Recipe.Name}, err
		}
		return journal.Record{}, say.NotFoundError{What: "recipe"}
	})
}

// RecipeFile is a recipe's file, and its name.
func (u *Uses) RecipeFile(ctx context.Context, id int64) (text, name string, err error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return "", "", err
	}
	for _, row := range ownRecipes.Of(s) {
		if row.ID == id && row.RemovedOn == nil {
			return row.Text, viewRecipe(s, row).Recipe.Name, nil
		}
	}
	return "", "", say.NotFoundError{What: "recipe"}
}

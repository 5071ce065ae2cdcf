package garden

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"sync"

	"bramblyacre/core/flora"
	"bramblyacre/core/spelling"
	"bramblyacre/store"
)

// plantNames is the index of every name of every plant, made when first asked for.
type plantNames struct {
	once  sync.Once
	index *store.NameIndex
	err   error
}

// nameMatch is a plant found by one of its names.
type nameMatch struct {
	id, name string
	likeness float64
}

const (
	// mostNear is how many names are looked at more closely, leastLike how like
	// one must be to be found.
	mostNear  = 120
	leastLike = 0.6
	// shortWord is up to how many letters a word may have no run of three in
	// common with the name that is meant.
	shortWord = 5
)

// findPlants returns the plants with a name like a text, however it is spelt, the
// likest first.
func (g *Garden) findPlants(ctx context.Context, words string) ([]nameMatch, error) {
	names := &g.lore.Load().names
	names.once.Do(func() { names.index, names.err = newPlantNames(context.WithoutCancel(ctx), g.lib().AllSpecies()) })
	if names.err != nil {
		return nil, names.err
	}
	written := spelling.Words(words)
	near, err := names.index.Near(ctx, written, mostNear)
	if err != nil {
		return nil, err
	}
	found := likest(written, near)
	if len(found) == 0 && len([]rune(written)) <= shortWord {
		// A short word with a letter wrong may share no three with its name.
		if near, err = names.index.All(ctx); err != nil {
			return nil, err
		}
		found = likest(written, near)
	}
	return found, nil
}

func likest(written string, names []store.Named) []nameMatch {
	best := map[string]nameMatch{}
	for _, n := range names {
		if like := spelling.Likeness(written, n.Plain); like >= leastLike && like > best[n.ID].likeness {
			best[n.ID] = nameMatch{n.ID, n.Shown, like}
		}
	}
	var found []nameMatch
	for _, match := range best {
		found = append(found, match)
	}
	slices.SortFunc(found, func(a, b nameMatch) int {
		return cmp.Or(cmp.Compare(b.likeness, a.likeness), cmp.Compare(len(a.name), len(b.name)), cmp.Compare(a.id, b.id))
	})
	return found
}

// newPlantNames indexes all names of species.
func newPlantNames(ctx context.Context, all []*flora.Species) (*store.NameIndex, error) {
	var names []store.Named
	for _, s := range all {
		for _, name := range allNames(s) {
			names = append(names, store.Named{ID: s.ID, Shown: name, Plain: spelling.Words(name)})
		}
	}
	index, err := store.NewNameIndex(ctx, names)
	if err != nil {
		return nil, fmt.Errorf("index the plants' names: %w", err)
	}
	return index, nil
}

// allNames are all names that a species goes by: the one shown first, the botanical
// ones, and the common ones of every language.
func allNames(s *flora.Species) []string {
	names := append([]string{s.Names.Name, s.Names.Botanical}, s.Names.Former...)
	for _, common := range s.Names.Common {
		if !slices.Contains(names, common.Name) {
			names = append(names, common.Name)
		}
	}
	return names
}

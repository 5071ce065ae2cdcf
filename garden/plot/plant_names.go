package plot

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

// plantNames is the index of every name of every plant, made when first asked for. One that
// could not be made is tried again.
type plantNames struct {
	mu    sync.Mutex // guards index
	index *store.NameIndex
}

// indexOf is the index of the names of plants.
func (n *plantNames) indexOf(ctx context.Context, all []*flora.Species) (*store.NameIndex, error) {
	n.mu.Lock()
	defer n.mu.Unlock()
	if n.index == nil {
		made, err := newPlantNames(context.WithoutCancel(ctx), all)
		if err != nil {
			return nil, err
		}
		n.index = made
	}
	return n.index, nil
}

// NameMatch is a plant found by one of its names.
type NameMatch struct {
	ID, Name string
	// Likeness is how like its name is to what was written, 0 to 1.
	Likeness float64
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

// FindPlants returns the plants with a name like a text, however it is spelt, the
// likest first.
func (g *Plot) FindPlants(ctx context.Context, words string) ([]NameMatch, error) {
	lore := g.lore.Load()
	index, err := lore.names.indexOf(ctx, lore.lib.AllSpecies())
	if err != nil {
		return nil, err
	}
	written := spelling.Words(words)
	near, err := index.Near(ctx, written, mostNear)
	if err != nil {
		return nil, err
	}
	found := likest(written, near)
	if len(found) == 0 && len([]rune(written)) <= shortWord {
		// A short word with a letter wrong may share no three with its name.
		if near, err = index.All(ctx); err != nil {
			return nil, err
		}
		found = likest(written, near)
	}
	return found, nil
}

// likest are the plants whose names are like what was written, the likest first.
func likest(written string, names []store.Named) []NameMatch {
	best := map[string]NameMatch{}
	for _, n := range names {
		if like := spelling.Likeness(written, n.Plain); like >= leastLike && like > best[n.ID].Likeness {
			best[n.ID] = NameMatch{n.ID, n.Shown, like}
		}
	}
	var found []NameMatch
	for _, match := range best {
		found = append(found, match)
	}
	slices.SortFunc(found, func(a, b NameMatch) int {
		return cmp.Or(cmp.Compare(b.Likeness, a.Likeness), cmp.Compare(len(a.Name), len(b.Name)), cmp.Compare(a.ID, b.ID))
	})
	return found
}

// newPlantNames indexes all names of species.
func newPlantNames(ctx context.Context, all []*flora.Species) (*store.NameIndex, error) {
	var names []store.Named
	for _, s := range all {
		for _, name := range AllNames(s) {
			names = append(names, store.Named{ID: s.ID, Shown: name, Plain: spelling.Words(name)})
		}
	}
	index, err := store.NewNameIndex(ctx, names)
	if err != nil {
		return nil, fmt.Errorf("index the plants' names: %w", err)
	}
	return index, nil
}

// AllNames are all names that a species goes by: the one shown first, the botanical
// ones, and the common ones of every language.
func AllNames(s *flora.Species) []string {
	names := append([]string{s.Names.Name, s.Names.Botanical}, s.Names.Former...)
	for _, common := range s.Names.Common {
		if !slices.Contains(names, common.Name) {
			names = append(names, common.Name)
		}
	}
	return names
}

package identity

import (
	"cmp"
	"slices"

	"bramblyacre/core/flora"
)

// LookAlike is a plant that another is mistaken for, in the words of the species' file.
type LookAlike struct {
	// Name is the plant to be excluded, ID its own species where the library has it.
	Name, Botanical, ID string
	// Danger is deadly, poisonous, unpleasant or harmless.
	Danger string
	// Decides is the character that tells them apart, When the season it shows.
	Decides, When string
}

// LookAlikes returns what a species is mistaken for, the most dangerous first.
func LookAlikes(species *flora.Species) []LookAlike {
	var all []LookAlike
	for _, l := range species.LookAlikes {
		all = append(all, LookAlike{l.Name, l.Botanical, l.ID, l.Danger, l.Decides, l.WhenWords()})
	}
	slices.SortStableFunc(
		all,
		func(a, b LookAlike) int { return cmp.Compare(dangerOrder[a.Danger], dangerOrder[b.Danger]) },
	)
	return all
}

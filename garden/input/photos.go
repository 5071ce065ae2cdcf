package input

import (
	"slices"

	"bramblyacre/garden/say"
)

// MostPhotos is how many photographs a look may hold.
const MostPhotos = 12

// CheckPhotos notes what is wrong with the photographs that a look names: too many, or one that is not kept.
func CheckPhotos(c *say.Checklist, photos []string, isKept func(id string) bool) {
	if len(photos) > MostPhotos {
		c.Add("photos", "%d photographs are the most for one look.", MostPhotos)
	}
	if slices.ContainsFunc(photos, func(id string) bool { return !isKept(id) }) {
		c.Add("photos", "One of the photographs is not kept here. Add it again.")
	}
}

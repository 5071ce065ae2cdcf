package larder

import (
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// findJars are the jars that stand and have the words in their name, or in any name of a plant in them.
func findJars(s *plot.State, matches func(names ...string) bool) (found []area.Thing) {
	for _, h := range standing(s) {
		names := []string{h.name(), h.jar.Vessel}
		for _, lot := range h.lots {
			for _, p := range partsIn(s, lot) {
				names = append(names, plot.AllNames(p.species)...)
			}
		}
		if matches(names...) {
			found = append(found, area.Thing{
				JarID: h.jar.ID, Name: say.Capital(h.name()), Detail: h.jar.Vessel + ", " + amount(s, h.grams, h.lot.Density),
			})
		}
	}
	return found
}

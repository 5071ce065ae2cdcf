package library

import (
	"maps"
	"slices"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/climate"
)

// OwnClimateID is what a grower's own monthly means are chosen by.
const OwnClimateID = "own"

// ReadClimate reads a climate's file.
func ReadClimate(file string, text []byte) (climate.Normals, error) { return readClimate(file, text) }

// WriteClimate writes a climate as its file is written.
func WriteClimate(n climate.Normals) ([]byte, error) { return toml.Marshal(n) }

// WithClimate returns the same library with one more climate, in place of the one of its id where there is one.
func (l *Library) WithClimate(n climate.Normals) *Library {
	with := &Library{
		species: l.species, ordered: l.ordered, climates: maps.Clone(l.climates), ground: l.ground, bench: l.bench,
		care: l.care, spread: l.spread, usual: l.usual, works: l.works, courses: l.courses, texts: l.texts,
		origins: l.origins,
	}
	with.climates[n.ID] = n
	with.stations = append(
		slices.DeleteFunc(slices.Clone(l.stations), func(o climate.Normals) bool { return o.ID == n.ID }),
		n,
	)
	return with
}

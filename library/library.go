// Package library holds the species, the climates and the lore of ground that ship
// with the program, as TOML files, and reads them strictly: an unknown key, a figure without a
// unit or a range the wrong way round is an error that names file and key.
package library

import (
	"cmp"
	"embed"
	"fmt"
	"io/fs"
	"path"
	"slices"
	"sync"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

//go:embed species/*.toml climates/*.toml ground/*.toml
var shipped embed.FS

// Library is a set of species and climates.
type Library struct {
	species  map[string]*flora.Species
	climates map[string]climate.Normals
	ordered  []*flora.Species
	stations []climate.Normals
	ground   Ground
}

// Shipped returns the library that ships with the program. It is read once.
var Shipped = sync.OnceValues(func() (*Library, error) { return Read(shipped) })

// Read loads every species/*.toml and climates/*.toml of a file system. The
// first file that cannot be relied on stops it, with its name and key.
func Read(files fs.FS) (*Library, error) {
	l := &Library{species: map[string]*flora.Species{}, climates: map[string]climate.Normals{}}
	err := eachFile(files, "species/*.toml", func(name string, text []byte) error {
		s, err := ReadSpecies(name, text)
		if err != nil {
			return err
		}
		if _, twice := l.species[s.ID]; twice {
			return fmt.Errorf("%s: id: another file already describes %q", name, s.ID)
		}
		l.species[s.ID] = s
		l.ordered = append(l.ordered, s)
		return nil
	})
	if err != nil {
		return nil, err
	}
	err = eachFile(files, "climates/*.toml", func(name string, text []byte) error {
		n, err := readClimate(name, text)
		if err != nil {
			return err
		}
		l.climates[n.ID] = n
		l.stations = append(l.stations, n)
		return nil
	})
	if err != nil {
		return nil, err
	}
	l.ground, err = readGround(files)
	slices.SortFunc(l.ordered, func(a, b *flora.Species) int { return cmp.Compare(a.Names.Name, b.Names.Name) })
	return l, err
}

func eachFile(files fs.FS, pattern string, read func(name string, text []byte) error) error {
	names, err := fs.Glob(files, pattern)
	if err != nil {
		return err
	}
	for _, name := range names {
		text, err := fs.ReadFile(files, name)
		if err != nil {
			return fmt.Errorf("read %s: %w", name, err)
		}
		if err := read(path.Base(name), text); err != nil {
			return err
		}
	}
	return nil
}

// Species returns the species of an id, and whether there is one.
func (l *Library) Species(id string) (*flora.Species, bool) {
	s, has := l.species[id]
	return s, has
}

// AllSpecies returns every species, by name.
func (l *Library) AllSpecies() []*flora.Species { return l.ordered }

// Climate returns the normals of an id, and whether there are any.
func (l *Library) Climate(id string) (climate.Normals, bool) {
	n, has := l.climates[id]
	return n, has
}

// Climates returns the normals of every station, by file name.
func (l *Library) Climates() []climate.Normals { return l.stations }

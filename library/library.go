// Package library holds the species, the climates and the lore of ground that ship
// with the program, as TOML files, and reads them strictly: an unknown key, a figure without a
// unit or a range the wrong way round is an error that names file and key.
package library

import (
	"bytes"
	"cmp"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"path"
	"regexp"
	"slices"
	"strings"
	"sync"

	"bramblyacre/core/care"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/keeping"
	"bramblyacre/core/parallel"
	"bramblyacre/core/phenology"
	"bramblyacre/core/propagation"
	"bramblyacre/core/spread"
)

//go:embed species/*.toml climates/*.toml ground/*.toml usual/*.toml works/*.toml bench/*.toml care/*.toml
//go:embed gather/*.toml keeping/*.toml spread/*.toml
var shipped embed.FS

// Library is a set of species and climates.
type Library struct {
	species  map[string]*flora.Species
	climates map[string]climate.Normals
	ordered  []*flora.Species
	stations []climate.Normals
	ground   Ground
	bench    propagation.Lore
	care     care.Lore
	gather   harvest.Lore
	keeping  keeping.Lore
	spread   spread.Lore
	usual    flora.UsualFigures
	works    map[string]flora.Work
	courses  *phenology.Courses
	texts    map[string][]byte // of the species, as written
	origins  map[string]Origin // of the species that are not as shipped
	rules    map[string]*identity.Rules
	rulesMu  sync.Mutex

	catalogue     *identity.Catalogue
	catalogueOnce sync.Once
}

// Shipped returns the library that ships with the program. It is read once.
var Shipped = sync.OnceValues(func() (*Library, error) { return Read(shipped) })

// Files are the files that ship.
func Files() fs.FS { return shipped }

// Read loads every species/*.toml and climates/*.toml of a file system. The
// first file that cannot be relied on stops it, with its name and key.
func Read(files fs.FS) (*Library, error) {
	l := &Library{
		species:  map[string]*flora.Species{},
		climates: map[string]climate.Normals{},
		texts:    map[string][]byte{},
		courses:  phenology.NewCourses(),
	}
	err := eachFile(files, "climates/*.toml", func(name string, text []byte) error {
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
	if l.usual, err = readUsual(files); err != nil {
		return nil, err
	}
	if l.works, err = readWorks(files); err != nil {
		return nil, err
	}
	if err := l.readLore(files); err != nil {
		return nil, err
	}
	if err := l.readAllSpecies(files); err != nil {
		return nil, err
	}
	l.sort()
	if err := l.checkTogether(); err != nil {
		return nil, err
	}
	l.ground, err = readGround(files)
	return l, err
}

// readAllSpecies reads the species' files, as many at a time as the machine has processors.
func (l *Library) readAllSpecies(files fs.FS) error {
	type file struct {
		name    string
		text    []byte
		species *flora.Species
		err     error
	}
	var all []file
	err := eachFile(files, "species/*.toml", func(name string, text []byte) error {
		all = append(all, file{name: name, text: text})
		return nil
	})
	if err != nil {
		return err
	}
	parallel.Each(len(all), func(i int) {
		f, read := &all[i], l.readInLines
		if bytes.Contains(f.text, []byte("value =")) || bytes.Contains(f.text, []byte("low =")) {
			read = l.ReadSpecies // some figure is a table
		}
		f.species, f.err = read(f.name, f.text)
	})
	for _, f := range all {
		if f.err != nil {
			return f.err
		}
		if bytes.Contains(f.text, []byte("measured")) && measured.Match(f.text) {
			return fmt.Errorf("%s: a figure that ships cannot be measured; that standing is the grower's", f.name)
		}
		if _, twice := l.species[f.species.ID]; twice {
			return fmt.Errorf("%s: id: another file already describes %q", f.name, f.species.ID)
		}
		for _, id := range f.species.Sources() {
			if _, has := l.works[id]; !has {
				return fmt.Errorf("%s: source: there is no work %q in works/works.toml", f.name, id)
			}
		}
		l.add(f.species, f.text)
	}
	return nil
}

// measured finds a figure with the standing that only a grower's can have.
var measured = regexp.MustCompile(`(?m)(standing = "measured"| measured(;[^"]*)?"$)`)

func (l *Library) add(s *flora.Species, text []byte) {
	l.species[s.ID] = s
	l.texts[s.ID] = text
	l.ordered = append(l.ordered, s)
}

// InTheSouth returns a library of the same plants whose texts hold south of the equator:
// months are turned by half a year, or said to be northern. The files themselves stay.
func (l *Library) InTheSouth() *Library {
	south := &Library{
		species:  map[string]*flora.Species{},
		climates: l.climates,
		stations: l.stations,
		ground:   l.ground,
		bench:    l.bench,
		care:     l.care,
		gather:   l.gather,
		spread:   l.spread,
		usual:    l.usual,
		works:    l.works,
		courses:  l.courses,
		texts:    l.texts,
		origins:  l.origins,
	}
	for _, s := range l.ordered {
		turned := s.InTheSouth()
		south.species[s.ID] = turned
		south.ordered = append(south.ordered, turned)
	}
	return south
}

// Rules returns what has to be seen of a species before it is sure; nil for one that
// the library does not have.
func (l *Library) Rules(id string) *identity.Rules {
	l.rulesMu.Lock()
	defer l.rulesMu.Unlock()
	if made, has := l.rules[id]; has {
		return made
	}
	s, has := l.species[id]
	if !has {
		return nil
	}
	if l.rules == nil {
		l.rules = map[string]*identity.Rules{}
	}
	l.rules[id] = identity.NewRules(s, l.ordered, l.origins[id].Own)
	return l.rules[id]
}

// Catalogue returns the species laid out for narrowing a strange plant down.
func (l *Library) Catalogue() *identity.Catalogue {
	l.catalogueOnce.Do(func() { l.catalogue = identity.NewCatalogue(l.ordered) })
	return l.catalogue
}

func (l *Library) sort() {
	slices.SortFunc(l.ordered, func(a, b *flora.Species) int {
		return cmp.Compare(strings.ToLower(a.Names.Name), strings.ToLower(b.Names.Name))
	})
}

// checkTogether makes sure that the species agree with each other: that no plant that
// is used can be taken for a dangerous one by the rules of identity.
func (l *Library) checkTogether() error {
	return errors.Join(identity.CheckTogether(l.ordered)...)
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

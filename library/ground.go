package library

import (
	"errors"
	"fmt"
	"io/fs"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/suitability"
	"bramblyacre/core/water"
)

// Ground is what ships about ground: how its signs are read, what mends it, which
// trees poison it, how much colder a spot may be than the plot, and how it holds water.
type Ground struct {
	Signs    ground.Table
	Remedies suitability.Remedies
	Trees    []suitability.Tree
	Offsets  suitability.Offsets
	Days     DayOffsets
	Water    water.Lore
}

// DayOffsets are how much warmer or, below 0, colder a spot's days are.
type DayOffsets struct {
	Warm  flora.Figure `toml:"warm"`
	Cold  flora.Figure `toml:"cold"`
	Shade flora.Figure `toml:"shade"`
}

// Tree returns the poisoning tree of an id, and whether there is one.
func (g Ground) Tree(id string) (suitability.Tree, bool) {
	for _, tree := range g.Trees {
		if tree.ID == id {
			return tree, true
		}
	}
	return suitability.Tree{}, false
}

// readGround reads the files of ground/. A set without them has none.
func readGround(files fs.FS) (g Ground, err error) {
	var trees struct {
		Tree []suitability.Tree `toml:"tree"`
	}
	var microclimate struct {
		Offset suitability.Offsets `toml:"offset"`
		Day    DayOffsets          `toml:"day"`
	}
	tables := map[string]any{
		"signs.toml": &g.Signs, "remedies.toml": &g.Remedies, "trees.toml": &trees, "microclimate.toml": &microclimate,
		"water.toml": &g.Water,
	}
	for name, into := range tables {
		text, err := fs.ReadFile(files, "ground/"+name)
		if errors.Is(err, fs.ErrNotExist) {
			continue
		}
		if err != nil {
			return g, fmt.Errorf("read %s: %w", name, err)
		}
		if err := decode(name, text, into); err != nil {
			return g, err
		}
		if err := wholeFigures(name, text); err != nil {
			return g, err
		}
		if checked, can := into.(interface{ Check() error }); can {
			if err := checked.Check(); err != nil {
				return g, fmt.Errorf("%s: %w", name, err)
			}
		}
	}
	for i, tree := range trees.Tree {
		if tree.ID == "" || tree.Name == "" || tree.Why == "" || tree.Reach.Unit != "m" {
			return g, fmt.Errorf("trees.toml: tree[%d]: needs id, name, why and a reach in m", i)
		}
	}
	g.Trees, g.Offsets, g.Days = trees.Tree, microclimate.Offset, microclimate.Day
	return g, nil
}

// Ground returns what ships about ground.
func (l *Library) Ground() Ground { return l.ground }

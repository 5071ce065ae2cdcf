package plot

import (
	"encoding/json"

	"bramblyacre/library"
	"bramblyacre/store"
)

// lore is the library in force: what ships, with the grower's own plants and figures
// over it.
type lore struct {
	lib   *library.Library
	names plantNames
	// signature tells which own plants and figures are in it.
	signature string
	// faults are the own plants and figures that cannot be relied on, by species.
	faults map[string]error
}

// Lib is the library in force.
func (g *Plot) Lib() *library.Library { return g.lore.Load().lib }

// OwnFault is why an own plant or figure of a species cannot be relied on; nil where it can.
func (g *Plot) OwnFault(speciesID string) error { return g.lore.Load().faults[speciesID] }

// useOwn puts the grower's own plants, figures and climate over what ships, with texts that hold in
// the plot's half of the world, unless they are in force already.
func (g *Plot) useOwn(
	plants []store.OwnPlant, figures []store.OwnFigure, climates []store.OwnClimate, south bool,
) error {
	signature := ""
	if len(plants)+len(figures)+len(climates) > 0 {
		text, err := json.Marshal([]any{plants, figures, climates})
		if err != nil {
			return err
		}
		signature = string(text)
	}
	if south {
		signature += " in the south"
	}
	if g.lore.Load().signature == signature {
		return nil
	}
	next := &lore{lib: g.Library, signature: signature}
	if len(plants)+len(figures) > 0 {
		own := map[string][]byte{}
		for _, p := range plants {
			own[p.SpeciesID] = []byte(p.Text)
		}
		var replaced []library.OwnFigure
		for _, f := range figures {
			replaced = append(replaced, library.OwnFigure{Species: f.SpeciesID, Key: f.Key, Figure: f.Figure, Library: f.Was})
		}
		next.lib, next.faults = g.Library.With(own, replaced)
	}
	for _, row := range climates {
		n, err := library.ReadClimate("own climate", []byte(row.Text))
		if err != nil {
			return err // it was checked before it was written
		}
		next.lib = next.lib.WithClimate(n)
	}
	if south {
		next.lib = next.lib.InTheSouth()
	}
	g.lore.Store(next)
	return nil
}

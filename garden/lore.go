package garden

import (
	"encoding/json"

	"bramblyacre/core/flora"
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

// lib is the library in force.
func (g *Garden) lib() *library.Library { return g.lore.Load().lib }

// unreadable stands for a plant whose file the program cannot rely on, as after an
// update: its plantings stay on the plan and keep their notes, and nothing is forecast
// or offered of them.
func unreadable(id string) *flora.Species {
	size := flora.Figure{Value: 30, Low: 30, High: 30, Unit: "cm"}
	return &flora.Species{
		ID: id, Names: flora.Names{Name: id + " (its file cannot be read)", Botanical: "see its page under Plants"},
		Life: flora.Life{Form: flora.Perennial, FullAge: flora.Figure{Value: 1, Low: 1, High: 1}}, Size: flora.Size{Height: size, Width: size},
		Site: flora.Site{RootReach: size},
	}
}

// useOwn puts the grower's own plants and figures over what ships, unless they are in
// force already.
func (g *Garden) useOwn(plants []store.OwnPlant, figures []store.OwnFigure) error {
	signature := ""
	if len(plants)+len(figures) > 0 {
		text, err := json.Marshal([]any{plants, figures})
		if err != nil {
			return err
		}
		signature = string(text)
	}
	if g.lore.Load().signature == signature {
		return nil
	}
	next := &lore{lib: g.Library, signature: signature}
	if signature != "" {
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
	g.lore.Store(next)
	return nil
}

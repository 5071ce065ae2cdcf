package garden

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/store"
)

// leavesNoPlanting refuses to take an own plant out of the library from under a planting of
// it, by taking its file back as by removing it.
func (g *Garden) leavesNoPlanting(ctx context.Context, d *draft) error {
	for _, c := range d.changes {
		if c.Table != ownPlantsTable.Name() || !isNull(c.After) {
			continue
		}
		var gone store.OwnPlant
		if err := json.Unmarshal(c.Before, &gone); err != nil {
			return fmt.Errorf("own plant %d: %w", c.ID, err)
		}
		if _, ships := g.Library.Species(gone.SpeciesID); ships {
			continue
		}
		plantings, err := d.ListPlantings(ctx)
		if err != nil {
			return err
		}
		for _, p := range plantings {
			if p.SpeciesID == gone.SpeciesID {
				return ConflictError{fmt.Sprintf("%s stands or stood in a bed, so it stays in the library. Take back what was noted of it first.", capital(gone.SpeciesID))}
			}
		}
	}
	return nil
}

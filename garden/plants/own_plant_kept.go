package plants

import (
	"context"
	"encoding/json"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// leavesNoPlanting refuses to take an own plant out of the library from under a planting of
// it, by taking its file back as by removing it.
func (u *Uses) leavesNoPlanting(ctx context.Context, d *journal.Draft) error {
	for _, c := range d.Changes {
		if c.Table != ownPlantsTable.Name() || !journal.IsNull(c.After) {
			continue
		}
		var gone store.OwnPlant
		if err := json.Unmarshal(c.Before, &gone); err != nil {
			return fmt.Errorf("own plant %d: %w", c.ID, err)
		}
		if _, ships := u.plot.Library.Species(gone.SpeciesID); ships {
			continue
		}
		plantings, err := d.ListPlantings(ctx)
		if err != nil {
			return err
		}
		for _, p := range plantings {
			if p.SpeciesID == gone.SpeciesID {
				return say.ConflictError{
					Why: fmt.Sprintf(
						"%s stands or stood in a bed, so it stays in the library. Take back what was noted of it first.",
						say.Capital(gone.SpeciesID),
					),
				}
			}
		}
	}
	return nil
}

package place

import (
	"context"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// How large a plan may be. The first three are far beyond any garden; the fourth is what
// the light of the plan costs to work out: every bed looks past everything that shades.
const (
	MostBeds   = 400
	MostThings = 1000
	// mostShadings is of beds times what shades them: about two seconds of work.
	mostShadings = 60_000
	// mostPlantings is how many plantings can stand at a time.
	mostPlantings = 2000
)

// keepWithinLimits refuses a change that leaves the plot larger than can be worked out while
// somebody waits. It looks only where something was added.
func keepWithinLimits(ctx context.Context, d *journal.Draft) error {
	if d.Moves(bedsTable.Name(), planItemsTable.Name()) {
		if err := limitPlan(ctx, d.Queries); err != nil {
			return err
		}
	}
	if !d.Moves(plot.PlantingsTable.Name()) {
		return nil
	}
	rows, err := d.ListPlantings(ctx)
	if err != nil {
		return err
	}
	standing := 0
	for _, row := range rows {
		if row.RemovedOn == nil {
			standing++
		}
	}
	if standing > mostPlantings {
		return say.ConflictError{
			Why: fmt.Sprintf(
				"%d plantings would stand; %d are the most. Remove some that are gone first.",
				standing,
				mostPlantings,
			),
		}
	}
	return nil
}

func limitPlan(ctx context.Context, q *store.Queries) error {
	rows, err := q.ListBeds(ctx)
	if err != nil {
		return err
	}
	beds := 0
	for _, row := range rows {
		if row.RemovedOn == nil {
			beds++
		}
	}
	all, err := q.ListPlanItems(ctx)
	if err != nil {
		return err
	}
	items, err := plot.ReadItems(all)
	if err != nil {
		return err
	}
	shading := 0
	for _, it := range items {
		shading += len(it.Obstacles())
	}
	switch {
	case beds > MostBeds:
		return say.ConflictError{Why: fmt.Sprintf("%d beds would lie on the plan; %d are the most.", beds, MostBeds)}
	case len(items) > MostThings:
		return say.ConflictError{
			Why: fmt.Sprintf("%d things would stand on the plan; %d are the most.", len(items), MostThings),
		}
	case beds*shading > mostShadings:
		return say.ConflictError{
			Why: fmt.Sprintf(
				"%d beds among %d things that shade are more than can be worked out while you wait. Draw a row of trees as one hedge, or fewer of them.",
				beds,
				shading,
			),
		}
	}
	return nil
}

package plot

import (
	"context"
	"fmt"

	"bramblyacre/store"
)

// allRows are the rows of all tables.
type allRows struct {
	site         store.Site
	beds         []store.Bed
	plantings    []store.Planting
	observations []store.Observation
	pickings     []store.Picking
	answers      []store.JobAnswer
	needs        []store.Need
	items        []store.PlanItem
	readings     []store.Reading
	fates        []store.Fate
	looks        []store.Look
	finds        []store.Find
	sortings     []store.Sorting
	makings      []store.Making
	people       []store.Person
	ownPlants    []store.OwnPlant
	ownFigures   []store.OwnFigure
	notes        []store.PlantNote
	practice     []store.Practice
	measures     []store.Measure
}

// readRows reads all tables in one transaction, so that they agree.
func (g *Plot) readRows(ctx context.Context) (rows allRows, err error) {
	err = g.Store.InTransaction(ctx, func(q *store.Queries) (err error) {
		if rows.site, err = q.GetSite(ctx); err != nil {
			return fmt.Errorf("read the site: %w", err)
		}
		if rows.beds, err = q.ListBeds(ctx); err != nil {
			return fmt.Errorf("read the beds: %w", err)
		}
		if rows.plantings, err = q.ListPlantings(ctx); err != nil {
			return fmt.Errorf("read the plantings: %w", err)
		}
		if rows.observations, err = q.ListObservations(ctx); err != nil {
			return fmt.Errorf("read the observations: %w", err)
		}
		if rows.pickings, err = q.ListPickings(ctx); err != nil {
			return fmt.Errorf("read the pickings: %w", err)
		}
		if rows.answers, err = q.ListJobAnswers(ctx); err != nil {
			return fmt.Errorf("read the jobs: %w", err)
		}
		if rows.items, err = q.ListPlanItems(ctx); err != nil {
			return fmt.Errorf("read the plan: %w", err)
		}
		if rows.readings, err = q.ListReadings(ctx); err != nil {
			return fmt.Errorf("read the signs: %w", err)
		}
		if rows.fates, err = q.ListFates(ctx); err != nil {
			return fmt.Errorf("read what became of plantings: %w", err)
		}
		if rows.needs, err = q.ListNeeds(ctx); err != nil {
			return fmt.Errorf("read the needs: %w", err)
		}
		if rows.measures, err = q.ListMeasures(ctx); err != nil {
			return fmt.Errorf("read the measures: %w", err)
		}
		return rows.readIdentity(ctx, q)
	})
	return rows, err
}

// readIdentity reads what proves plants, who they are for, and the grower's own lore.
func (rows *allRows) readIdentity(ctx context.Context, q *store.Queries) (err error) {
	if rows.looks, err = q.ListLooks(ctx); err != nil {
		return fmt.Errorf("read the checks: %w", err)
	}
	if rows.finds, err = q.ListFinds(ctx); err != nil {
		return fmt.Errorf("read the finds: %w", err)
	}
	if rows.sortings, err = q.ListSortings(ctx); err != nil {
		return fmt.Errorf("read the sortings: %w", err)
	}
	if rows.makings, err = q.ListMakings(ctx); err != nil {
		return fmt.Errorf("read what was made: %w", err)
	}
	if rows.people, err = q.ListPeople(ctx); err != nil {
		return fmt.Errorf("read the household: %w", err)
	}
	if rows.ownPlants, err = q.ListOwnPlants(ctx); err != nil {
		return fmt.Errorf("read the own plants: %w", err)
	}
	if rows.ownFigures, err = q.ListOwnFigures(ctx); err != nil {
		return fmt.Errorf("read the own figures: %w", err)
	}
	if rows.notes, err = q.ListPlantNotes(ctx); err != nil {
		return fmt.Errorf("read the notes on plants: %w", err)
	}
	if rows.practice, err = q.ListPractice(ctx); err != nil {
		return fmt.Errorf("read the practice: %w", err)
	}
	return nil
}

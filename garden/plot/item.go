package plot

import (
	"encoding/json"
	"fmt"

	"bramblyacre/core/plan"
	"bramblyacre/store"
)

// Item is a thing on the plan other than a bed.
type Item struct {
	store.PlanItem
	plan.Item
}

// ItemName is what a thing is called: its name, or its kind.
func ItemName(kind, name string) string {
	if name != "" {
		return name
	}
	return "the " + kind
}

// ReadItems turns stored rows into things, those taken off the plan left out.
func ReadItems(rows []store.PlanItem) ([]Item, error) {
	var items []Item
	for _, row := range rows {
		if row.RemovedOn != nil {
			continue
		}
		kind, err := plan.KindOf(row.Kind)
		if err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		it := Item{PlanItem: row, Item: plan.Item{Kind: kind}}
		if err := json.Unmarshal([]byte(row.Traits), &it.Item.Traits); err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		points, err := decodePoints(row.Points)
		if err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		it.Form = itemForm(row, points)
		items = append(items, it)
	}
	return items, nil
}

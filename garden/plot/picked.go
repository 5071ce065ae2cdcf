package plot

import (
	"cmp"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/store"
)

// PickedFrom is a picking with the planting that it came from.
type PickedFrom struct {
	Planting *Planting
	Picking  store.Picking
	Day      calendar.Date
}

// PickedSince are the pickings since a day, of plantings that were removed since too, the oldest first.
func (s *State) PickedSince(day calendar.Date) (all []PickedFrom) {
	for _, p := range s.EverPlanted {
		for _, picking := range slices.Backward(p.Pickings) {
			on, err := calendar.Parse(picking.Day)
			if err != nil {
				continue
			}
			if on < day { // they are in the order of their days
				break
			}
			all = append(all, PickedFrom{p, picking, on})
		}
	}
	slices.SortFunc(all, func(a, b PickedFrom) int {
		return cmp.Or(cmp.Compare(a.Day, b.Day), cmp.Compare(a.Picking.ID, b.Picking.ID))
	})
	return all
}

// PickingByID returns a picking with the planting that it came from.
func (s *State) PickingByID(id int64) (PickedFrom, bool) {
	for _, p := range s.EverPlanted {
		for _, picking := range p.Pickings {
			if picking.ID == id {
				day, _ := calendar.Parse(picking.Day)
				return PickedFrom{p, picking, day}, true
			}
		}
	}
	return PickedFrom{}, false
}

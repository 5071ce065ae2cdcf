package larder

import (
	"context"
	"slices"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// standingShelves are the shelves that are there, in their order.
func standingShelves(s *plot.State) []store.Shelf {
	return slices.DeleteFunc(slices.Clone(plot.Shelves.Of(s)), func(r store.Shelf) bool { return r.RemovedOn != nil })
}

func shelfByID(s *plot.State, id int64) (store.Shelf, bool) {
	for _, shelf := range standingShelves(s) {
		if shelf.ID == id {
			return shelf, true
		}
	}
	return store.Shelf{}, false
}

// ShelfInput is a shelf.
type ShelfInput struct {
	Name string `json:"name"`
	// Position is its place from above, from 1 on; 0 for below all others.
	Position int64 `json:"position,omitempty" minimum:"0" maximum:"1000"`
}

// mostShelves is the most shelves that a house has.
const mostShelves = 60

// PutShelf puts up a shelf, or changes one.
func (u *Uses) PutShelf(ctx context.Context, id int64, seen say.Version, in ShelfInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutShelfParams{Name: c.Name("name", in.Name), Position: in.Position}
		summary := "Put up the shelf " + row.Name
		if id != 0 {
			shelf, has := shelfByID(s, id)
			if !has {
				return journal.Record{}, say.NotFoundError{What: "shelf"}
			}
			if err := seen.IsOf(say.VersionOf(shelf), "the shelf"); err != nil {
				return journal.Record{}, err
			}
			row.ID = &shelf.ID
			summary = "Changed the shelf " + row.Name
		}
		all := standingShelves(s)
		if row.Name == "" {
			c.Add("name", "Give the shelf a name: where it is, or what stands on it.")
		}
		for _, other := range all {
			if other.ID != id && other.Name == row.Name {
				c.Add("name", "There is a shelf of that name.")
			}
			if in.Position == 0 && id == 0 {
				row.Position = max(row.Position, other.Position+1)
			}
		}
		if id == 0 && len(all) >= mostShelves {
			c.Add("name", "No more than %d shelves.", mostShelves)
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := plot.ShelvesTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: summary}, err
	})
}

// RemoveShelf takes a shelf down: its jars stand on none then.
func (u *Uses) RemoveShelf(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		shelf, has := shelfByID(s, id)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "shelf"}
		}
		for _, h := range standing(s) {
			if h.jar.ShelfID != nil && *h.jar.ShelfID == id {
				row := jarParams(h.jar)
				row.ShelfID = nil
				if _, err := plot.JarsTable.Put(ctx, d, h.jar.ID, row); err != nil {
					return journal.Record{}, err
				}
			}
		}
		today := s.Today.String()
		row := store.PutShelfParams{ID: &shelf.ID, Name: shelf.Name, Position: shelf.Position, RemovedOn: &today}
		_, err := plot.ShelvesTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Took down the shelf " + shelf.Name}, err
	})
}

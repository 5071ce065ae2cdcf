package plot

import (
	"context"

	"bramblyacre/garden/journal"
	"bramblyacre/store"
)

// Kept are the rows of a table that one area alone reads: it says how, and the plot keeps them
// with every state, changed as entries change them.
type Kept[Row any] struct {
	table string
	read  func(*store.Queries, context.Context) ([]Row, error)
	id    func(Row) int64
	order func(a, b Row) int
}

// Keep are the rows of a table as its query reads them, in that order.
func Keep[Row, Params any](
	table journal.Table[Row, Params],
	read func(*store.Queries, context.Context) ([]Row, error),
	id func(Row) int64,
	order func(a, b Row) int,
) *Kept[Row] {
	return &Kept[Row]{table.Name(), read, id, order}
}

// Of are the rows as of a state. They are not to be changed.
func (k *Kept[Row]) Of(s *State) []Row {
	all, _ := s.rows.kept[k.table].([]Row)
	return all
}

// AnyKept are kept rows whatever they are.
type AnyKept interface{ held() held }

func (k *Kept[Row]) held() held {
	return held{
		k.table,
		func(ctx context.Context, q *store.Queries, r *rows) error {
			all, err := k.read(q, ctx)
			r.kept[k.table] = all
			return err
		},
		func(r *rows, c journal.RowChange) error {
			list, _ := r.kept[k.table].([]Row)
			after, err := listAfter(list, c, k.id, k.order)
			r.kept[k.table] = after
			return err
		},
	}
}

package garden

import "context"

// change runs work on the plot as it stands, in one transaction, and notes it in
// the ledger with its undo. Whatever fails, nothing is written.
func (g *Garden) change(ctx context.Context, work func(*state, *draft) (record, error)) (Entry, error) {
	return g.changeOnce(ctx, sending{}, work)
}

// changeOnce is change for what may be sent twice, as after a lost connection: it counts
// once, and is answered with the same entry.
func (g *Garden) changeOnce(ctx context.Context, sent sending, work func(*state, *draft) (record, error)) (Entry, error) {
	var s *state
	ready := func() (err error) {
		s, err = g.state(ctx)
		return err
	}
	return g.journal.Write(ctx, sent, ready, func(d *draft) (record, error) { return work(s, d) })
}

// changeRows runs work as change does, but never works the plot out: rows can be put back
// whatever has become of the plot.
func (g *Garden) changeRows(ctx context.Context, work func(*draft) (record, error)) (Entry, error) {
	return g.journal.Write(ctx, sending{}, nil, work)
}

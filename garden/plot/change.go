package plot

import (
	"context"

	"bramblyacre/garden/journal"
)

// Change runs work on the plot as it stands, in one transaction, and notes it in
// the ledger with its undo. Whatever fails, nothing is written.
func (g *Plot) Change(
	ctx context.Context,
	work func(*State, *journal.Draft) (journal.Record, error),
) (journal.Entry, error) {
	return g.ChangeOnce(ctx, journal.Sending{}, work)
}

// ChangeOnce is change for what may be sent twice, as after a lost connection: it counts
// once, and is answered with the same entry.
func (g *Plot) ChangeOnce(
	ctx context.Context,
	sent journal.Sending,
	work func(*State, *journal.Draft) (journal.Record, error),
) (journal.Entry, error) {
	var s *State
	ready := func() (err error) {
		s, err = g.State(ctx)
		return err
	}
	return g.Journal.Write(ctx, sent, ready, func(d *journal.Draft) (journal.Record, error) { return work(s, d) })
}

// ChangeRows runs work as change does, but never works the plot out: rows can be put back
// whatever has become of the plot.
func (g *Plot) ChangeRows(
	ctx context.Context,
	work func(*journal.Draft) (journal.Record, error),
) (journal.Entry, error) {
	return g.Journal.Write(ctx, journal.Sending{}, nil, work)
}

package garden

import "context"

// Ledger returns a page of the ledger.
func (g *Garden) Ledger(ctx context.Context, filter LedgerFilter) (LedgerView, error) {
	return g.journal.Ledger(ctx, filter)
}

// TakeBack undoes a ledger entry. It is itself an entry, and can be taken back.
func (g *Garden) TakeBack(ctx context.Context, id int64) (Entry, error) {
	return g.journal.TakeBack(ctx, id)
}

// ReplayLedger goes through the whole ledger and compares what comes of it with what stands.
func (g *Garden) ReplayLedger(ctx context.Context) (Replayed, error) {
	return g.journal.ReplayLedger(ctx)
}

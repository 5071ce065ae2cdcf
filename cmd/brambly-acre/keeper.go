package main

import (
	"context"
	"log/slog"
	"time"

	"bramblyacre/garden"
	"bramblyacre/store"
)

// keeper looks after a plot's file while it is served: it keeps what the station read, folds the log in when
// nothing is written, keeps a copy for every night, and looks the file through.
type keeper struct {
	garden *garden.Garden
	store  *store.Store
	// sample is true for the sample plot, of which no copies are kept.
	sample bool
	log    *slog.Logger

	// seen is the newest entry at the last look, folded the newest that was folded in.
	seen, folded int64
	// checked is the day on which the file was last looked through.
	checked string
}

// lookEvery is how often the keeper looks. What was written at one look and is still the
// newest at the next is folded in.
const lookEvery = 20 * time.Second

func newKeeper(g *garden.Garden, s *store.Store, sample bool, log *slog.Logger) *keeper {
	return &keeper{garden: g, store: s, sample: sample, log: log}
}

// run looks after the file until the context ends.
func (k *keeper) run(ctx context.Context) {
	ticker := time.NewTicker(lookEvery)
	defer ticker.Stop()
	for {
		k.look(ctx, time.Now())
		select {
		case <-ctx.Done():
			return
		case <-ticker.C:
		}
	}
}

func (k *keeper) look(ctx context.Context, now time.Time) {
	fold := func() error {
		last, err := k.store.LastLedgerID(ctx)
		if err != nil || last != k.seen || last == k.folded {
			k.seen = last
			return err
		}
		k.folded = last
		return k.store.FoldIn(ctx)
	}
	k.tell(ctx, "keep the weather", k.garden.KeepStationDays(ctx))
	k.tell(ctx, "fold the log in", fold())
	if k.sample {
		return
	}
	kept, err := k.garden.Household.CopiesKept(ctx)
	if err == nil {
		var path string
		if path, err = k.store.KeepNight(ctx, now, kept); path != "" {
			k.log.Info("kept a copy", "path", path)
		}
	}
	k.tell(ctx, "keep the night's copy", err)
	if ctx.Err() == nil {
		k.garden.Plot.SetCopyTrouble(copyTrouble(err))
	}
	if day := now.Format(time.DateOnly); day != k.checked {
		k.checked = day
		if err := k.store.WholeCheck(ctx); err != nil && ctx.Err() == nil {
			k.garden.Plot.SetDamage(k.store.Damaged(ctx, err).Error())
			k.tell(ctx, "look the file through", err)
		}
	}
}

// copyTrouble says in a grower's words why a copy could not be kept.
func copyTrouble(err error) string {
	if err == nil {
		return ""
	}
	if _, is := store.DiskFault(err); is {
		return "The night's copy could not be kept: there is no room on the disk, or it cannot be written to. The plot itself is as it was."
	}
	return "The night's copy could not be kept: " + err.Error()
}

// tell logs what went wrong, unless the program is about to end.
func (k *keeper) tell(ctx context.Context, what string, err error) {
	if err != nil && ctx.Err() == nil {
		k.log.Error("could not "+what, "error", err)
	}
}

package plot

import (
	"context"
	"fmt"
	"log/slog"
	"sync"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/station"
	"bramblyacre/store"
)

// keptStation is a station whose readings are kept as they were read: what is in the plot's file is never
// asked of it again.
type keptStation struct {
	station.Station
	store *store.Store
	// name is what its readings are kept under, today the day that is not over and so not kept.
	name  string
	today calendar.Date

	mu   sync.Mutex // guards days
	days map[calendar.Date]climate.Day
}

// Days returns what was read, from the file where it is kept there.
func (k *keptStation) Days(first, last calendar.Date) ([]climate.Day, error) {
	if last < first {
		return k.Station.Days(first, last) // which says what is wrong
	}
	k.mu.Lock()
	defer k.mu.Unlock()
	days := make([]climate.Day, last-first+1)
	missing := false
	for i := range days {
		day, has := k.days[first.AddDays(i)]
		days[i], missing = day, missing || !has
	}
	if !missing {
		return days, nil
	}
	return k.readOn(first, last)
}

// readOn reads days of which some are not in memory: from the file, and what is not there from the station.
func (k *keptStation) readOn(first, last calendar.Date) ([]climate.Day, error) {
	ctx := context.Background()
	rows, err := k.store.ListStationDays(ctx, store.ListStationDaysParams{
		Station: k.name, First: first.String(), Last: last.String(),
	})
	if err != nil {
		return nil, fmt.Errorf("read the station's days: %w", err)
	}
	for _, row := range rows {
		if day, err := calendar.Parse(row.Day); err == nil {
			k.days[day] = climate.Day{TMin: orUnread(row.TminC), TMax: orUnread(row.TmaxC), Rain: orUnread(row.RainMm)}
		}
	}
	read, err := k.Station.Days(first, last)
	if err != nil {
		return nil, err
	}
	var fresh []store.KeepStationDayParams
	for i, day := range read {
		at := first.AddDays(i)
		if _, has := k.days[at]; !has && !day.Blank() {
			k.days[at] = day
			if at >= k.today {
				continue
			}
			fresh = append(fresh, store.KeepStationDayParams{
				Station: k.name, Day: at.String(), TminC: orNull(day.TMin), TmaxC: orNull(day.TMax), RainMm: orNull(day.Rain),
			})
		}
		if kept, has := k.days[at]; has {
			read[i] = kept
		}
	}
	if err := k.keep(ctx, fresh); err != nil {
		// They can be read again; the plot is shown all the same.
		slog.Warn("the station's readings are not kept", "error", err)
	}
	return read, nil
}

func (k *keptStation) keep(ctx context.Context, fresh []store.KeepStationDayParams) error {
	if len(fresh) == 0 {
		return nil
	}
	return k.store.InTransaction(ctx, func(q *store.Queries) error {
		for _, row := range fresh {
			if err := q.KeepStationDay(ctx, row); err != nil {
				return err
			}
		}
		return nil
	})
}

func orUnread(value *float64) float64 {
	if value == nil {
		return climate.Unread
	}
	return *value
}

func orNull(value float64) *float64 {
	if value != value { // unread
		return nil
	}
	return &value
}

package plot

import (
	"context"
	"fmt"
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

	mu   sync.Mutex // guards what follows
	days map[calendar.Date]climate.Day
	// unsaved are the days that are not in the file yet.
	unsaved []store.KeepStationDayParams
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
	for i, day := range read {
		at := first.AddDays(i)
		if kept, has := k.days[at]; has {
			read[i] = kept
			continue
		}
		if day.Blank() {
			continue
		}
		k.days[at] = day
		if at < k.today {
			k.unsaved = append(k.unsaved, store.KeepStationDayParams{
				Station: k.name, Day: at.String(), TminC: orNull(day.TMin), TmaxC: orNull(day.TMax), RainMm: orNull(day.Rain),
			})
		}
	}
	return read, nil
}

// save writes what was read and is not in the file yet.
func (k *keptStation) save(ctx context.Context) error {
	k.mu.Lock()
	unsaved := k.unsaved
	k.unsaved = nil
	k.mu.Unlock()
	if len(unsaved) == 0 {
		return nil
	}
	err := k.store.InTransaction(ctx, func(q *store.Queries) error {
		for _, row := range unsaved {
			if err := q.KeepStationDay(ctx, row); err != nil {
				return err
			}
		}
		return nil
	})
	if err != nil { // for the next time
		k.mu.Lock()
		k.unsaved = append(unsaved, k.unsaved...)
		k.mu.Unlock()
	}
	return err
}

// KeepStationDays writes into the file what the station read and is not kept there yet. Reading does not
// write by itself: the plot is read while others write.
func (g *Plot) KeepStationDays(ctx context.Context) error {
	sky := g.lastSky.Load()
	if sky == nil {
		return nil
	}
	kept, is := sky.Station.(*keptStation)
	if !is {
		return nil
	}
	if err := kept.save(ctx); err != nil {
		return fmt.Errorf("keep the station's days: %w", err)
	}
	return nil
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

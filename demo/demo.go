// Package demo makes the sample plot: an acre in an invented hill valley, built
// through garden as a grower would, the same every time.
package demo

import (
	"context"
	"fmt"
	"slices"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/garden"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// Today is the day that the sample plot is looked at: Tuesday 27 May 2031.
var Today = calendar.Must(2031, time.May, 27)

// Build fills an empty store with the sample plot. The garden's day runs through
// three years as the notes were made.
func Build(ctx context.Context, s *store.Store, l *library.Library) error {
	day := calendar.Must(2028, time.March, 1)
	const seasons = 8 // building asks for no dates, so few will do
	g, err := garden.Open(
		ctx,
		plot.Options{
			Store:    s,
			Library:  l,
			PinnedTo: &day,
			Seasons:  seasons,
			Clock:    func() time.Time { return day.Time().Add(18 * time.Hour) },
		},
	)
	if err != nil {
		return err
	}
	b := &builder{ctx: ctx, garden: g, day: &day, beds: map[string]int64{}, plantings: map[string]int64{},
		places: map[string]int64{}, lots: map[string]int64{}, batches: map[string]int64{}, trays: map[string]int64{},
		shelves: map[string]int64{}, jars: map[string]int64{}, lotsMade: map[string]int64{}}
	b.layOut()
	b.furnish()
	for _, person := range livesThere {
		b.do(person.Name, func() error {
			_, err := b.garden.Household.PutPerson(b.ctx, 0, say.AsItStands, person)
			return err
		})
	}
	for _, e := range inOrder() {
		b.do(e.what, func() error {
			*b.day = max(*b.day, e.day)
			return e.act(b)
		})
	}
	return b.err
}

// builder does one thing after another until one fails.
type builder struct {
	ctx       context.Context
	garden    *garden.Garden
	day       *calendar.Date
	beds      map[string]int64
	plantings map[string]int64
	places    map[string]int64
	lots      map[string]int64
	batches   map[string]int64
	trays     map[string]int64
	shelves   map[string]int64
	jars      map[string]int64
	lotsMade  map[string]int64
	err       error
}

func (b *builder) do(what string, act func() error) {
	if b.err != nil {
		return
	}
	if err := act(); err != nil {
		b.err = fmt.Errorf("sample plot, %s, %s: %w", *b.day, what, err)
	}
}

func (b *builder) layOut() {
	b.do("site", func() error {
		_, err := b.garden.Place.SetSite(b.ctx, say.AsItStands, place.SiteInput{
			Name:      "Thornwell Acre",
			Latitude:  46.6,
			Altitude:  "640 m",
			ClimateID: "hill-valley",
			Width:     "71 m",
			Depth:     "57 m",
			Units:     "metric",
			Station:   "simulated",
		})
		return err
	})
	for _, bed := range beds {
		b.do(bed.Name, func() error {
			entry, err := b.garden.Place.AddBed(b.ctx, bed)
			b.beds[bed.Name] = entry.Made
			return err
		})
	}
}

// furnish sets the things about the beds and writes down what they were read for.
func (b *builder) furnish() {
	for _, thing := range things {
		b.do(thing.Name, func() error {
			_, err := b.garden.Place.AddItem(b.ctx, thing)
			return err
		})
	}
}

// event is something that was noted on a day.
type event struct {
	day  calendar.Date
	what string
	act  func(*builder) error
}

// inOrder returns everything that was noted, by day.
func inOrder() []event {
	var events []event
	for _, p := range plantings {
		events = append(events, event{mustDay(p.in.StartedOn), p.key, func(b *builder) error { return b.plant(p) }})
	}
	for _, p := range newcomers {
		written := max(mustDay(p.in.StartedOn), mustDay(writtenDown))
		events = append(events, event{written, p.key, func(b *builder) error { return b.plant(p) }})
	}
	events = append(events, event{mustDay("2031-05-03"), "hours", func(b *builder) error {
		_, err := b.garden.Now.SetHours(b.ctx, say.AsItStands, hours)
		return err
	}})
	for _, n := range slices.Concat(notes, newcomerNotes) {
		events = append(events, event{mustDay(n.day), n.planting, func(b *builder) error { return b.note(n) }})
	}
	for _, l := range slices.Concat(looks, newcomerLooks) {
		events = append(events, event{mustDay(l.day), l.planting, func(b *builder) error { return b.check(l) }})
	}
	for _, sign := range signs {
		events = append(events, event{mustDay(sign.in.Day), sign.bed, func(b *builder) error {
			_, err := b.garden.Place.NoteReading(b.ctx, b.beds[sign.bed], sign.in)
			return err
		}})
	}
	for _, l := range lost {
		events = append(events, event{mustDay(l.in.StartedOn), l.key, func(b *builder) error { return b.plant(l.planted) }})
		events = append(events, event{mustDay(l.gone), l.key, func(b *builder) error {
			_, err := b.garden.Place.NoteFate(
				b.ctx,
				b.plantings[l.key],
				place.FateInput{Outcome: "failed", Cause: l.cause, Note: l.note, Gone: true},
			)
			return err
		}})
	}
	events = append(events, weathered()...)
	events = append(events, raised()...)
	events = append(events, spreading()...)
	events = append(events, gathering()...)
	events = append(events, kept()...)
	slices.SortStableFunc(events, func(a, b event) int { return int(a.day - b.day) })
	return events
}

func (b *builder) plant(p planted) error {
	in := p.in
	in.BedID = b.beds[p.bed]
	entry, err := b.garden.Place.AddPlanting(b.ctx, in)
	if asked := say.Questions(err); len(asked) > 0 { // the hop runs, and is cut back every year
		in.Affirmed = asked
		entry, err = b.garden.Place.AddPlanting(b.ctx, in)
	}
	b.plantings[p.key] = entry.Made
	return err
}

func (b *builder) note(n note) error {
	id, has := b.plantings[n.planting]
	if !has {
		return fmt.Errorf("there is no planting %q", n.planting)
	}
	if n.amount != "" {
		_, err := b.garden.Gather.NotePicking(
			b.ctx,
			id,
			gather.PickingInput{Day: n.day, Part: n.part, Amount: n.amount, Note: n.note},
		)
		if err != nil || n.day > lastSorted {
			return err
		}
		return b.sort(id)
	}
	_, err := b.garden.Now.NoteObservation(b.ctx, id, now.ObservationInput{
		Day: n.day, Stage: n.stage, Share: n.share, Height: n.height, Width: n.width, Marks: n.marks, Note: n.note,
	})
	return err
}

func mustDay(text string) calendar.Date {
	day, err := calendar.Parse(text)
	if err != nil {
		panic(err) // the sample's own data
	}
	return day
}

package demo

import (
	"errors"
	"fmt"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// youngLime is the household's own lime, years before its first blossom.
var youngLime = planted{"young lime", "Nut Shade", input.PlantingInput{
	SpeciesID: "small-leaved-lime", Plants: 1, StartedOn: "2029-11-03", Origin: "bought", Labelled: true, Source: nursery,
}}

// limeWrittenDown is the day on which it was, years after it was set.
const limeWrittenDown = "2031-05-25"

// shelves are where the jars stand.
var shelves = []string{"Kitchen shelf", "Cellar stair"}

// jarred is a picking that was dried whole and filled into a jar.
type jarred struct {
	key, planting, part string
	day                 string
	amount              string
	hours               int
	holds, shelf        string
}

// driedThen are what was dried in earlier years.
var driedThen = []jarred{
	{"sage 2028", "sage", "leaf", "2028-08-19", "220 g", 34, "1 l", "Kitchen shelf"},
	{"sage 2029", "sage", "leaf", "2029-08-12", "420 g", 36, "1.5 l", "Kitchen shelf"},
	{"sage 2030", "sage", "leaf", "2030-08-10", "460 g", 30, "1.5 l", "Kitchen shelf"},
	{"meadowsweet 2029", "meadowsweet", "flowering top", "2029-08-25", "380 g", 28, "2 l", "Kitchen shelf"},
	{"meadowsweet 2030", "meadowsweet", "flowering top", "2030-07-13", "520 g", 26, "3 l", "Cellar stair"},
	{"meadowsweet late", "meadowsweet", "flowering top", "2030-07-27", "190 g", 30, "1 l", "Cellar stair"},
	{"hop 2030", "hop", "cone", "2030-09-14", "150 g", 22, "1 l", "Cellar stair"},
	{"lovage 2030", "lovage", "leaf", "2030-06-01", "480 g", 40, "1.5 l", "Kitchen shelf"},
	{"lovage seed 2030", "lovage", "seed", "2030-09-01", "90 g", 20, "300 ml", "Cellar stair"},
	{"valerian 2030", "valerian", "root", "2030-10-20", "240 g", 60, "500 ml", "Cellar stair"},
}

// used is what was taken out of jars, so many grams every so many days from one day to another.
type used struct {
	from, until string
	every       int
	amount      string
	jars        []string
}

// habits are what the household takes: what is taken when a jar is empty is taken of the next.
var habits = []used{
	{"2028-09-10", "2031-05-26", 12, "3 spoons", []string{"sage 2028", "sage 2029", "sage 2030"}},
	{"2029-10-02", "2031-05-25", 15, "1 cup", []string{"meadowsweet 2029", "meadowsweet 2030"}},
	{"2028-11-04", "2031-05-24", 15, "1.5 cups", []string{"lime 2028", "lime 2029", "lime 2030"}},
	{"2030-10-04", "2031-05-20", 12, "1 cup", []string{"hop 2030"}},
	{"2030-07-06", "2031-05-22", 16, "2 spoons", []string{"lovage 2030"}},
	{"2030-11-10", "2031-04-26", 21, "1 spoon", []string{"valerian 2030"}},
}

// weighs are what a measure of each weighs.
var weighs = map[string]string{
	"sage": "0.9 g", "meadowsweet": "2.2 g", "lime": "1.6 g", "hop": "1.4 g", "lovage": "1.1 g", "valerian": "3 g",
}

// dryingNow are the trays that dry today, and what they weighed this morning.
var dryingNow = []struct {
	planting, part, amount, picked string
	// laid is what of it is laid in, empty for all: the rest waits in its basket.
	laid            string
	tray            int64
	at              string
	weighed, weight string
}{
	{"thyme", "leaf", "45 g", "2031-05-26", "", 1, "2031-05-26T19:00", "2031-05-27T08:00", "19 g"},
	{"thyme", "leaf", "45 g", "2031-05-26", "", 2, "2031-05-26T19:00", "2031-05-27T08:00", "30 g"},
	{"sweet cicely", "leaf", "190 g", "2031-05-27", "110 g", 3, "2031-05-27T10:00", "", ""},
}

// kept is what the household dried, made, used and keeps.
func kept() []event {
	events := []event{
		{mustDay(limeWrittenDown), youngLime.key, func(b *builder) error { return b.plant(youngLime) }},
	}
	add := func(day, what string, act func(b *builder) error) {
		events = append(events, event{mustDay(day), what, act})
	}
	for _, name := range shelves {
		add("2028-08-01", name, func(b *builder) error {
			entry, err := b.garden.Larder.PutShelf(b.ctx, 0, say.AsItStands, larder.ShelfInput{Name: name})
			b.shelves[name] = entry.Made
			return err
		})
	}
	for _, j := range driedThen {
		add(j.day, j.key, func(b *builder) error { return b.layIn(j) })
		add(mustDay(j.day).AddDays(3).String(), j.key, func(b *builder) error { return b.takeOut(j) })
	}
	for year, amount := range map[string]string{"2028": "40 g", "2029": "60 g", "2030": "60 g"} {
		add(year+"-10-28", "lime "+year, func(b *builder) error {
			_, err := b.garden.Larder.Buy(b.ctx, larder.BoughtInput{
				SpeciesID: "small-leaved-lime", Part: "flower", From: "the herb stall", Amount: amount,
				Jar: larder.FillInput{Holds: "1 l", ShelfID: b.shelves["Kitchen shelf"]},
			})
			return b.lastJar("lime "+year, err)
		})
	}
	for _, habit := range habits {
		for day := mustDay(habit.from); day <= mustDay(habit.until); day = day.AddDays(habit.everyFrom(day)) {
			add(min(noted(day), mustDay(habit.until)).String(), "use", func(b *builder) error { return b.use(habit, day) })
		}
	}
	return append(events, makings()...)
}

// noted is the day on which what was taken on a day is written down: at the end of its quarter, from the slip on the
// jar.
func noted(day calendar.Date) calendar.Date {
	quarter := (int(day.Month()) - 1) / 3
	return calendar.Must(day.Year()+(quarter+1)/4, time.Month(3*((quarter+1)%4)+1), 1).AddDays(-1)
}

// everyFrom is how many days later it is taken again: half as long again in summer, less in winter.
func (u used) everyFrom(day calendar.Date) int {
	switch day.Month() {
	case 12, 1, 2:
		return max(1, u.every*3/4)
	case 6, 7, 8:
		return u.every * 3 / 2
	}
	return u.every
}

// makings are what was made of what was dried, given away and called back, and what is under way today.
func makings() []event {
	var events []event
	add := func(day, what string, act func(b *builder) error) {
		events = append(events, event{mustDay(day), what, act})
	}
	add("2030-11-03", "evening tea", func(b *builder) error {
		_, err := b.garden.Larder.Make(b.ctx, larder.MakeLotInput{
			Making: "mix", Name: "Evening tea", Out: "45 g", From: []larder.FromInput{
				{JarID: b.jars["meadowsweet late"], Amount: "20 g"}, {JarID: b.jars["hop 2030"], Amount: "6 g"},
				{JarID: b.jars["lime 2030"], Amount: "20 g"},
			},
		})
		if err != nil {
			return err
		}
		return b.fill("evening tea", "700 ml", "Kitchen shelf")
	})
	add("2030-12-02", "sage vinegar", func(b *builder) error {
		_, err := b.garden.Larder.Make(b.ctx, larder.MakeLotInput{
			Making: "vinegar", From: []larder.FromInput{{JarID: b.jars["sage 2030"], Amount: "18 g"}}, Strength: "6",
		})
		return err
	})
	add("2030-12-20", "a gift of tea", func(b *builder) error {
		_, err := b.garden.Larder.Take(b.ctx, b.jars["evening tea"], larder.TakeInput{
			Kind: "given", Whom: "Wyn next door", Amount: "12 g",
		})
		return err
	})
	add("2030-12-23", "sage vinegar strained", func(b *builder) error {
		lot, err := b.lastLot()
		if err != nil {
			return err
		}
		if _, err := b.garden.Larder.Finish(b.ctx, lot, larder.FinishInput{Out: "150 ml"}); err != nil {
			return err
		}
		return b.fill("sage vinegar", "200 ml", "Cellar stair")
	})
	add("2031-05-10", "thyme in honey", func(b *builder) error {
		_, err := b.garden.Larder.Make(b.ctx, larder.MakeLotInput{
			Making: "honey", From: []larder.FromInput{{JarID: b.jars["sage 2030"], Amount: "10 g"}},
		})
		return err
	})
	add("2031-05-24", "a lot called back", func(b *builder) error {
		_, err := b.garden.Larder.Recall(b.ctx, larder.RecallInput{
			LotID: b.lotsMade["meadowsweet late"], Why: "The field across the lane was sprayed that day, and the wind stood our way.",
		})
		return err
	})
	add("2031-05-25", "a recipe", func(b *builder) error {
		_, err := b.garden.Larder.PutRecipe(b.ctx, 0, say.AsItStands, eveningTea)
		return err
	})
	add("2031-05-27", "the drier", func(b *builder) error {
		_, err := b.garden.Larder.SetDrier(b.ctx, say.AsItStands, larder.DrierKindInput{
			DrierInput: makeDo.DrierInput, Kind: "drier", Watts: "320",
		})
		return err
	})
	for _, tray := range dryingNow {
		add("2031-05-27", "tray", func(b *builder) error {
			picking, err := b.pickAndSort(tray.planting, tray.part, tray.amount, tray.picked)
			if err != nil {
				return err
			}
			if _, err := b.garden.Larder.LoadTrays(b.ctx, larder.LoadInput{
				At: tray.at, Trays: []larder.TrayLoadInput{{Tray: tray.tray, PickingID: picking, Amount: tray.laid}},
			}); err != nil || tray.weighed == "" {
				return err
			}
			lot, err := b.lastLot()
			if err != nil {
				return err
			}
			_, err = b.garden.Larder.WeighTray(b.ctx, lot, larder.WeighingInput{At: tray.weighed, Amount: tray.weight})
			return err
		})
	}
	return events
}

// eveningTea is a recipe of the household's own.
var eveningTea = keeping.Recipe{
	Name: "Evening tea, by the recipe", Making: "mix", Note: "Mixed in small amounts: it fades sooner than its parts.",
	Parts: []keeping.RecipePart{
		{Species: "meadowsweet", Part: "flowering top", Share: 2}, {Species: "hop", Part: "cone", Share: 1},
		{Species: "small-leaved-lime", Part: "flower", Share: 2},
	},
}

// pickAndSort notes a picking of a planting and sorts it at the table.
func (b *builder) pickAndSort(planting, part, amount, day string) (picking int64, err error) {
	id, has := b.plantings[planting]
	if !has {
		return 0, fmt.Errorf("there is no planting %q", planting)
	}
	picked, err := b.garden.Gather.NotePicking(b.ctx, id, gather.PickingInput{
		Day: day, Part: part, Amount: amount, TookAnyway: true,
	})
	if err != nil {
		return 0, err
	}
	return picked.Entry.Made, b.sort(id)
}

// layIn picks, sorts and lays on trays, as many as it needs.
func (b *builder) layIn(j jarred) error {
	picking, err := b.pickAndSort(j.planting, j.part, j.amount, j.day)
	if err != nil {
		return err
	}
	drier, err := b.garden.Larder.Drier(b.ctx)
	if err != nil {
		return err
	}
	in := larder.LoadInput{At: j.day + "T08:00"}
	for _, place := range drier.Proposal {
		if place.PickingID == picking {
			in.Trays = append(in.Trays, larder.TrayLoadInput{Tray: place.Tray, PickingID: picking, Amount: place.Amount})
		}
	}
	if len(in.Trays) > 0 {
		in.Trays[len(in.Trays)-1].Amount = "" // all that is left
	}
	_, err = b.garden.Larder.LoadTrays(b.ctx, in)
	return err
}

// takeOut takes what was laid in out of the drier, and fills it into one jar.
func (b *builder) takeOut(j jarred) error {
	drier, err := b.garden.Larder.Drier(b.ctx)
	if err != nil {
		return err
	}
	ended := mustDay(j.day).Time().Add(time.Duration(8+j.hours) * time.Hour)
	for _, tray := range drier.Trays {
		if tray.Lot == nil {
			continue
		}
		id := tray.Lot.LotID
		out := larder.FinishTrayInput{At: plot.MomentText(ended), Amount: tray.Lot.Expected, Tested: true}
		_, err := b.garden.Larder.FinishTray(b.ctx, id, out)
		if err != nil {
			return err
		}
		fill := larder.FillInput{Holds: j.holds, ShelfID: b.shelves[j.shelf]}
		if jar, begun := b.jars[j.key]; begun {
			fill = larder.FillInput{JarID: jar}
		}
		if _, err := b.garden.Larder.FillJars(b.ctx, id, []larder.FillInput{fill}); err != nil {
			return err
		}
		b.lotsMade[j.key] = id
		if err := b.lastJar(j.key, nil); err != nil {
			return err
		}
	}
	return nil
}

// lastJar keeps the id of the jar that was filled last, unless it has one.
func (b *builder) lastJar(key string, err error) error {
	if _, has := b.jars[key]; has || err != nil {
		return err
	}
	s, err := b.garden.State(b.ctx)
	if err != nil {
		return err
	}
	all := plot.Jars.Of(s)
	b.jars[key] = all[len(all)-1].ID
	return nil
}

// lastLot is the lot that was begun last.
func (b *builder) lastLot() (int64, error) {
	s, err := b.garden.State(b.ctx)
	if err != nil {
		return 0, err
	}
	all := plot.Lots.Of(s)
	return all[len(all)-1].ID, nil
}

// fill fills the newest lot into a jar.
func (b *builder) fill(key, holds, shelf string) error {
	lot, err := b.lastLot()
	if err != nil {
		return err
	}
	_, err = b.garden.Larder.FillJars(b.ctx, lot, []larder.FillInput{{Holds: holds, ShelfID: b.shelves[shelf]}})
	return b.lastJar(key, err)
}

// use takes what is usual of the first jar that has any.
func (b *builder) use(habit used, day calendar.Date) error {
	for _, key := range habit.jars {
		id, has := b.jars[key]
		if !has {
			continue
		}
		s, err := b.garden.State(b.ctx)
		if err != nil {
			return err
		}
		if jar, _ := s.JarByID(id); jar.EndedOn != nil || s.FlowsOfJar(id)[0].Day > day.String() {
			continue
		}
		in := larder.TakeInput{Kind: "taken", Day: day.String(), Amount: habit.amount}
		_, err = b.garden.Larder.Take(b.ctx, id, in)
		if len(say.Questions(err)) > 0 { // the first of its kind is weighed
			in.MeasureWeighs = weighs[strings.Fields(key)[0]]
			_, err = b.garden.Larder.Take(b.ctx, id, in)
		}
		var faults say.Faults
		if errors.As(err, &faults) { // too little is left: the rest of it, the next jar next time
			in.Amount = ""
			_, err = b.garden.Larder.Take(b.ctx, id, in)
		}
		return err
	}
	return nil
}

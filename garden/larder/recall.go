package larder

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// RecallView is something that is not to be used, and everything down the line of it.
type RecallView struct {
	Kind       string       `json:"kind" enum:"identity,ground,table,verdict,own,caution"`
	ID         int64        `json:"id" doc:"Of the household's own word; 0 where the plot itself tells"`
	Title      string       `json:"title"`
	Why        string       `json:"why"`
	ToDo       []string     `json:"toDo"`
	PlantingID int64        `json:"plantingId" doc:"Where it began; 0 for none"`
	UnderWay   []RecallLine `json:"underWay" doc:"What dries or stands still, or is not in a jar yet"`
	Jars       []RecallLine `json:"jars" doc:"What stands"`
	Gifts      []RecallLine `json:"gifts" doc:"Who was given some"`
	Used       string       `json:"used" doc:"What of it was used already; empty for none"`
}

// RecallLine is one thing that is recalled.
type RecallLine struct {
	ID    int64  `json:"id" doc:"Of the lot, the jar, or what was given"`
	Words string `json:"words"`
	Told  string `json:"told" doc:"When whoever was given some was told; empty for not yet"`
	Whom  string `json:"whom"`
	// Question is what is new among its cautions, for a lot that is to be labelled anew.
	New []string `json:"new"`
}

// RecallsView is all that is held back, and what was and is free again.
type RecallsView struct {
	Recalls []RecallView `json:"recalls"`
	Undone  []string     `json:"undone" doc:"What the household held back, and found to be an error"`
}

// Recalls returns all that is held back.
func (u *Uses) Recalls(ctx context.Context) (RecallsView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RecallsView{}, err
	}
	hold := heldOf(s)
	v := RecallsView{Recalls: []RecallView{}, Undone: []string{}}
	for i, from := range hold.origins {
		v.Recalls = append(v.Recalls, viewRecall(s, hold, i, from))
	}
	if r, has := rereadRecall(s, hold); has {
		v.Recalls = append(v.Recalls, r)
	}
	for _, row := range slices.Backward(plot.Recalls.Of(s)) {
		if row.UndoneOn != nil {
			v.Undone = append(v.Undone, fmt.Sprintf("%s, held back on %s: %s Free again since %s.", recallName(s, row),
				view.FullDayWords(row.Day), say.Sentence(row.Why), view.FullDayWords(*row.UndoneOn)))
		}
	}
	return v, nil
}

func recallName(s *plot.State, row store.Recall) string {
	if row.LotID != nil {
		if lot, has := s.LotByID(*row.LotID); has {
			return say.Capital(stuffOf(s, lot).name()) + ", lot " + lotLabel(lot)
		}
	}
	if row.PickingID != nil {
		if picked, has := s.PickingByID(*row.PickingID); has {
			return say.Capital(say.PartOf(picked.Planting.Species.Names.Name, picked.Picking.Part)) + ", " + pickedWords(picked)
		}
	}
	return "Something"
}

// originWords say where something began that is held back.
func originWords(s *plot.State, from origin) string {
	if from.thing.Kind == keeping.Picking {
		if picked, has := s.PickingByID(from.thing.ID); has {
			return say.Capital(say.PartOf(picked.Planting.Species.Names.Name, picked.Picking.Part)) + ", " + pickedWords(picked)
		}
	}
	if lot, has := s.LotByID(from.thing.ID); has {
		return say.Capital(stuffOf(s, lot).name()) + ", lot " + lotLabel(lot)
	}
	return "Something"
}

// toDo is what is to be done about what is held back, by why it is.
var toDo = map[string][]string{
	holdIdentity: {
		"Use nothing of it, and set it apart.",
		"Tell whoever was given some. Where anyone has taken it and feels unwell, call a doctor or poison line, and keep a piece of it.",
		"Prove the planting anew: it is free again by itself once it is sure.",
	},
	holdGround: {
		"Use nothing of it, and set it apart.",
		"Tell whoever was given some.",
		"Where the ground turns out to be sound, change the plan: it is free again by itself.",
	},
	holdTable: {
		"Use nothing of it, and keep the stranger to show it.",
		"Tell whoever was given some. Where anyone has taken it and feels unwell, call a doctor or poison line.",
	},
	holdVerdict: {
		"Use nothing of it: what is known of the part has changed.",
		"Tell whoever was given some.",
	},
	holdOwn: {
		"Use nothing of it, and set it apart.",
		"Tell whoever was given some.",
		"Where it was an error, say so: it is free again.",
	},
}

func viewRecall(s *plot.State, hold held, index int, from origin) RecallView {
	v := RecallView{
		Kind: from.kind, ID: from.recall.ID, Title: originWords(s, from), Why: say.Sentence(from.why),
		ToDo: toDo[from.kind], UnderWay: []RecallLine{}, Jars: []RecallLine{}, Gifts: []RecallLine{},
	}
	if from.thing.Kind == keeping.Picking {
		if picked, has := s.PickingByID(from.thing.ID); has {
			v.PlantingID = picked.Planting.ID
		}
	}
	used := 0.0
	times := 0
	var things []keeping.Thing
	for thing, origins := range hold.by {
		if slices.Contains(origins, index) {
			things = append(things, thing)
		}
	}
	slices.SortFunc(things, func(a, b keeping.Thing) int {
		return cmp.Or(cmp.Compare(a.Kind, b.Kind), cmp.Compare(a.ID, b.ID))
	})
	for _, thing := range things {
		switch thing.Kind {
		case keeping.Lot:
			if lot, has := s.LotByID(thing.ID); has && isLeft(s, lot) {
				v.UnderWay = append(v.UnderWay, RecallLine{
					ID: lot.ID, Words: say.Capital(stuffOf(s, lot).name()) + ", lot " + lotLabel(lot), New: []string{},
				})
			}
		case keeping.Jar:
			if jar, has := s.JarByID(thing.ID); has && jar.EndedOn == nil {
				v.Jars = append(v.Jars, recallJar(s, jar))
			}
		case keeping.Away:
			f, has := s.JarFlowByID(thing.ID)
			if !has {
				continue
			}
			switch f.Kind {
			case flowGiven:
				v.Gifts = append(v.Gifts, recallGift(s, f))
			case flowTaken:
				used -= f.Grams
				times++
			}
		}
	}
	if times > 0 {
		v.Used = fmt.Sprintf(
			"%s of it was used already, in %s.",
			amount(s, used, 0),
			say.Counted(float64(times), "taking", "takings"),
		)
	}
	return v
}

func recallJar(s *plot.State, jar store.Jar) RecallLine {
	h, _ := holdingOf(s, jar)
	words := fmt.Sprintf("%s, %s of %s: %s", say.Capital(h.name()), jar.Vessel, s.Units.Volume(jar.Ml/1000),
		amount(s, h.grams, h.lot.Density))
	if shelf, has := shelfByID(s, shelfOf(s, jar)); has {
		words += ", " + shelf.Name
	}
	return RecallLine{ID: jar.ID, Words: words, New: []string{}}
}

func recallGift(s *plot.State, f store.JarFlow) RecallLine {
	jar, _ := s.JarByID(f.JarID)
	h, _ := holdingOf(s, jar)
	line := RecallLine{
		ID: f.ID, Whom: f.Whom, New: []string{},
		Words: fmt.Sprintf("%s of %s, given to %s on %s", amount(s, -f.Grams, h.lot.Density), h.name(), f.Whom,
			view.FullDayWords(f.Day)),
	}
	if f.ToldOn != nil {
		line.Told = "told on " + view.FullDayWords(*f.ToldOn)
	}
	return line
}

// rereadRecall are the lots of which a caution is new, with their jars and who was given some.
func rereadRecall(s *plot.State, hold held) (v RecallView, has bool) {
	v = RecallView{
		Kind: holdCaution, Title: "A caution is new", Why: "What is known of a plant has changed since its jar was labelled.",
		ToDo: []string{
			"Read what is new, and whom it is for.", "Label the jar anew, and say here that it was read: it is free again then.",
			"Tell whoever was given some.",
		},
		UnderWay: []RecallLine{}, Jars: []RecallLine{}, Gifts: []RecallLine{},
	}
	var lots []int64
	for id := range hold.reread {
		lots = append(lots, id)
	}
	slices.Sort(lots)
	for _, id := range lots {
		lot, _ := s.LotByID(id)
		jars, stands := s.JarsOf(id), isLeft(s, lot)
		var here []RecallLine
		for _, jarID := range jars {
			jar, _ := s.JarByID(jarID)
			if jar.EndedOn == nil {
				here = append(here, recallJar(s, jar))
			}
			for _, f := range s.FlowsOfJar(jarID) {
				if f.Kind == flowGiven && f.Day >= s.Today.AddDays(-730).String() {
					v.Gifts = append(v.Gifts, recallGift(s, f))
				}
			}
		}
		if len(here) == 0 && !stands {
			continue
		}
		v.Jars = append(v.Jars, here...)
		v.UnderWay = append(v.UnderWay, RecallLine{
			ID: id, Words: say.Capital(stuffOf(s, lot).name()) + ", lot " + lotLabel(lot), New: hold.reread[id],
		})
	}
	return v, len(v.UnderWay) > 0
}

// RecallInput holds a picking or a lot back.
type RecallInput struct {
	PickingID int64  `json:"pickingId,omitempty"`
	LotID     int64  `json:"lotId,omitempty"`
	Why       string `json:"why"`
}

// Recall holds a picking or a lot back by the household's own word: sprayed, mouldy, a tray mixed up.
func (u *Uses) Recall(ctx context.Context, in RecallInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutRecallParams{Day: s.Today.String(), Why: c.Text("why", in.Why, say.LongestNote)}
		if row.Why == "" {
			c.Add("why", "Say why it is held back.")
		}
		switch {
		case (in.PickingID != 0) == (in.LotID != 0):
			c.Add("lotId", "Say what is held back: a basket or a lot.")
		case in.PickingID != 0:
			if _, has := s.PickingByID(in.PickingID); !has {
				return journal.Record{}, say.NotFoundError{What: "picking"}
			}
			row.PickingID = &in.PickingID
		default:
			if _, has := s.LotByID(in.LotID); !has {
				return journal.Record{}, say.NotFoundError{What: "lot"}
			}
			row.LotID = &in.LotID
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, already := s.RecallOf(in.PickingID, in.LotID); already {
			return journal.Record{}, say.ConflictError{Why: "It is held back already."}
		}
		written, err := plot.RecallsTable.Put(ctx, d, 0, row)
		return journal.Record{
			Kind:    kindStore,
			Summary: "Held back " + say.LowerFirst(recallName(s, written)) + ": " + row.Why,
		}, err
	})
}

// UndoRecall frees what was held back in error.
func (u *Uses) UndoRecall(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range plot.Recalls.Of(s) {
			if row.ID != id {
				continue
			}
			if row.UndoneOn != nil {
				return journal.Record{}, say.ConflictError{Why: "It is free already."}
			}
			today := s.Today.String()
			_, err := plot.RecallsTable.Put(ctx, d, id, store.PutRecallParams{
				ID: &row.ID, PickingID: row.PickingID, LotID: row.LotID, Day: row.Day, Why: row.Why, UndoneOn: &today,
			})
			return journal.Record{
				Kind:    kindStore,
				Summary: "Freed " + say.LowerFirst(recallName(s, row)) + ": it was an error",
			}, err
		}
		return journal.Record{}, say.NotFoundError{What: "recall"}
	})
}

// TellGift notes that whoever was given something was told about it.
func (u *Uses) TellGift(ctx context.Context, flow int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		f, has := s.JarFlowByID(flow)
		if !has || f.Kind != flowGiven {
			return journal.Record{}, say.NotFoundError{What: "gift"}
		}
		if f.ToldOn != nil {
			return journal.Record{}, say.ConflictError{Why: f.Whom + " was told already."}
		}
		today := s.Today.String()
		_, err := plot.JarFlowsTable.Put(ctx, d, flow, store.PutJarFlowParams{
			ID: &f.ID, JarID: f.JarID, Day: f.Day, Kind: f.Kind, Grams: f.Grams, LotID: f.LotID, Typed: f.Typed, Whom: f.Whom,
			Why: f.Why, ToldOn: &today,
		})
		return journal.Record{Kind: kindStore, Summary: "Told " + f.Whom + " about what was given"}, err
	})
}

// ReadCautions notes that what is new among a lot's cautions was read, and its jars labelled anew.
func (u *Uses) ReadCautions(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		lot, has := s.LotByID(id)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "lot"}
		}
		if len(newCautions(s, lot)) == 0 {
			return journal.Record{}, say.ConflictError{Why: "Nothing is new among its cautions."}
		}
		row := lotParams(lot)
		row.Cautions = toldCautions(partsIn(s, lot), stuffOf(s, lot).making)
		_, err := plot.LotsTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Read the new cautions of " + stuffOf(s, lot).name()}, err
	})
}

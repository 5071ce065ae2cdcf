package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// FamilyView is a kind's mothers and offspring as a tree.
type FamilyView struct {
	SpeciesID string           `json:"speciesId"`
	Name      string           `json:"name"`
	Words     string           `json:"words" doc:"Since when nothing was bought"`
	Members   []Relative       `json:"members" doc:"Each after what it came from"`
	Kinds     []FamilyKindView `json:"kinds" doc:"The kinds that have a family here"`
}

// Relative is one planting or seed lot of a family.
type Relative struct {
	ID     string        `json:"id"`
	From   string        `json:"from" doc:"What it came from; empty for what came from elsewhere"`
	Kind   string        `json:"kind" enum:"planting,lot,batch"`
	Row    int64         `json:"row" doc:"Its own id"`
	Title  string        `json:"title"`
	How    string        `json:"how"`
	On     calendar.Date `json:"on"`
	Did    string        `json:"did" doc:"How it did"`
	Stands bool          `json:"stands"`
	Depth  int           `json:"depth"`
}

// FamilyKindView is a kind with a family.
type FamilyKindView struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Members   int    `json:"members"`
}

// Family shows the mothers and offspring of a kind; the one with the most members where none is named.
func (u *Uses) Family(ctx context.Context, speciesID string) (FamilyView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return FamilyView{}, err
	}
	v := FamilyView{SpeciesID: speciesID, Members: []Relative{}, Kinds: familyKinds(s)}
	if v.SpeciesID == "" && len(v.Kinds) > 0 {
		most := v.Kinds[0]
		for _, kind := range v.Kinds {
			if kind.Members > most.Members {
				most = kind
			}
		}
		v.SpeciesID = most.SpeciesID
	}
	if v.SpeciesID == "" {
		return v, nil
	}
	species, has := s.Lib.Species(v.SpeciesID)
	if !has {
		return FamilyView{}, say.NotFoundError{What: "plant"}
	}
	v.Name = species.Names.Name
	v.Members = inTree(relativesOf(s, v.SpeciesID))
	v.Words = sinceBought(s, v.Name, v.SpeciesID)
	return v, nil
}

func familyKinds(s *plot.State) []FamilyKindView {
	kinds := []FamilyKindView{}
	for _, species := range s.Lib.AllSpecies() {
		if n := len(relativesOf(s, species.ID)); n > 0 {
			kinds = append(kinds, FamilyKindView{species.ID, species.Names.Name, n})
		}
	}
	return kinds
}

func plantingKey(id int64) string { return fmt.Sprintf("planting-%d", id) }
func lotKey(id int64) string      { return fmt.Sprintf("lot-%d", id) }
func batchKey(id int64) string    { return fmt.Sprintf("batch-%d", id) }

// relativesOf are the plantings, lots and batches of a kind, each with what it came from.
func relativesOf(s *plot.State, speciesID string) (all []Relative) {
	from := map[int64]string{}
	for _, row := range lineages.Of(s) {
		switch {
		case row.BatchID != nil:
			from[row.PlantingID] = batchKey(*row.BatchID)
		case row.MotherID != nil:
			from[row.PlantingID] = plantingKey(*row.MotherID)
		case row.LotID != nil:
			from[row.PlantingID] = lotKey(*row.LotID)
		}
	}
	for _, p := range s.EverPlanted {
		if p.SpeciesID == speciesID {
			all = append(all, Relative{
				ID: plantingKey(
					p.ID,
				), From: from[p.ID], Kind: "planting", Row: p.ID, Title: p.Bed.Name, How: p.OriginRow.Name, On: p.Started,
				Did: didWords(s, p), Stands: p.RemovedOn == nil,
			})
		}
	}
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.SpeciesID != speciesID {
			continue
		}
		r := Relative{
			ID:     lotKey(lot.ID),
			Kind:   "lot",
			Row:    lot.ID,
			Title:  lot.Name,
			How:    lot.Origin + " seed",
			On:     dayOf(&lot.RipeOn),
			Stands: lot.RemovedOn == nil,
		}
		if lot.MotherID != nil {
			r.From = plantingKey(*lot.MotherID)
		}
		if seen, what := seenOfLot(s, lot); seen != nil {
			r.Did = fmt.Sprintf("%.0f in 100 came up, by %s", 100*seen.Mean(), what)
		}
		all = append(all, r)
	}
	for _, b := range batches.Of(s) {
		if b.SpeciesID != speciesID || b.BegunOn == nil {
			continue
		}
		r := Relative{
			ID:     batchKey(b.ID),
			Kind:   "batch",
			Row:    b.ID,
			Title:  say.Counted(float64(b.Starts), "start", "starts"),
			How:    b.Way,
			On:     startDay(b),
			Stands: b.EndedOn == nil,
		}
		switch {
		case b.LotID != nil:
			r.From = lotKey(*b.LotID)
		case b.MotherID != nil:
			r.From = plantingKey(*b.MotherID)
		}
		if p := progressOf(s, b.ID); p.Counted || p.Out > 0 {
			r.Did = fmt.Sprintf("%d came up, %d planted out", max(p.Up, p.Out), p.Out)
		}
		all = append(all, r)
	}
	return all
}

// didWords say how a planting did.
func didWords(s *plot.State, p *plot.Planting) string {
	words := say.Counted(float64(p.Standing()), "plant", "plants")
	if p.RemovedOn != nil {
		words = "gone " + dayOf(p.RemovedOn).DayMonthYear()
	}
	for _, fate := range s.Fates[p.ID] {
		words = fate.Outcome + ": " + fate.Cause
	}
	return words
}

// inTree orders relatives so that each stands after what it came from, with its depth. What came
// from something that is not of the family, or from itself by a slip of rows, is a root.
func inTree(all []Relative) []Relative {
	known := map[string]bool{}
	children := map[string][]int{}
	for _, r := range all {
		known[r.ID] = true
	}
	var roots []int
	for i, r := range all {
		if r.From == "" || !known[r.From] {
			all[i].From = ""
			roots = append(roots, i)
		} else {
			children[r.From] = append(children[r.From], i)
		}
	}
	ordered := make([]Relative, 0, len(all))
	seen := map[int]bool{}
	var walk func(i, depth int)
	walk = func(i, depth int) {
		if seen[i] {
			return
		}
		seen[i] = true
		all[i].Depth = depth
		ordered = append(ordered, all[i])
		for _, child := range children[all[i].ID] {
			walk(child, depth+1)
		}
	}
	for _, i := range roots {
		walk(i, 0)
	}
	for i := range all {
		walk(i, 0)
	}
	return ordered
}

// sinceBought says since when nothing of a kind was bought.
func sinceBought(s *plot.State, name, speciesID string) string {
	newest := plot.NoDay
	for _, p := range s.EverPlanted {
		if p.SpeciesID == speciesID && p.OriginRow.Origin == flora.FromBought {
			newest = max(newest, p.Started)
		}
	}
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.SpeciesID == speciesID && lot.Origin == originBought {
			newest = max(newest, dayOf(&lot.RipeOn))
		}
	}
	if newest == plot.NoDay {
		return fmt.Sprintf("Nothing of %s was ever bought here.", name)
	}
	return fmt.Sprintf("Nothing of %s was bought since %s.", name, newest.DayMonthYear())
}

// LineageInput says what a planting came from.
type LineageInput struct {
	MotherID int64 `json:"motherId,omitempty" doc:"0 for none known"`
	LotID    int64 `json:"lotId,omitempty" doc:"0 for none known"`
}

// TellLineage notes what a planting came from that was not raised on the bench: its mother, or its seed
// lot. What came of a batch knows it already.
func (u *Uses) TellLineage(ctx context.Context, plantingID int64, in LineageInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, has := s.ByID[plantingID]
		if !has {
			return journal.Record{}, say.NotFoundError{What: "planting"}
		}
		row := store.PutLineageParams{PlantingID: plantingID}
		id := int64(0)
		for _, known := range lineages.Of(s) {
			if known.PlantingID == plantingID {
				if known.BatchID != nil {
					return journal.Record{}, say.ConflictError{Why: "It came of a batch of the bench: that is known already."}
				}
				id = known.ID
				row.ID = &id
			}
		}
		var c say.Checklist
		from := "nothing known"
		if in.MotherID != 0 {
			mother, known := s.ByID[in.MotherID]
			switch {
			case !known || mother.SpeciesID != p.SpeciesID:
				c.Add("motherId", "Choose a planting of %s.", p.Species.Names.Name)
			case mother.Started > p.Started:
				c.Add("motherId", "She was set only on %s, after it.", mother.Started.DayMonthYear())
			case descends(s, in.MotherID, plantingID):
				c.Add("motherId", "She came from it herself.")
			default:
				from = mother.Bed.Name
			}
			row.MotherID = &in.MotherID
		}
		if in.LotID != 0 {
			lot, known := rowOf(plot.SeedLots.Of(s), in.LotID, func(r store.SeedLot) int64 { return r.ID })
			if !known || lot.SpeciesID != p.SpeciesID {
				c.Add("lotId", "Choose a seed lot of %s.", p.Species.Names.Name)
			}
			row.LotID, from = &in.LotID, lot.Name
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := lineagesTable.Put(ctx, d, id, row)
		return journal.Record{
			Kind:     kindBatch,
			Bed:      &p.BedID,
			Planting: &p.ID,
			Summary: fmt.Sprintf("Said what %s in %s came from: %s",
				p.Species.Names.Name, p.Bed.Name, from),
		}, err
	})
}

// descends tells whether a planting is an offspring of another, over however many mothers.
func descends(s *plot.State, planting, of int64) bool {
	for range len(s.EverPlanted) + 1 {
		if planting == of {
			return true
		}
		found := false
		for _, row := range lineages.Of(s) {
			if row.PlantingID == planting && row.MotherID != nil {
				planting, found = *row.MotherID, true
				break
			}
		}
		if !found {
			return false
		}
	}
	return true
}

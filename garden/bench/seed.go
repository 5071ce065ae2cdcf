package bench

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Where seed comes from.
const (
	originOwn    = "own"
	originBought = "bought"
)

// SeedLotInput is a seed lot as typed.
type SeedLotInput struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Origin    string `json:"origin" enum:"own,bought"`
	MotherID  int64  `json:"motherId,omitempty" doc:"Of own seed, the planting that bore it; 0 for not known"`
	Mothers   int    `json:"mothers,omitempty" doc:"Of own seed, from how many plants; 0 for not known"`
	Source    string `json:"source,omitempty" doc:"Of bought seed, whose it is"`
	// RipeOn is the day that it was ripe, or of bought seed the day of its harvest or packing.
	RipeOn   string `json:"ripeOn"`
	Sign     string `json:"sign,omitempty" doc:"By which sign it was ripe"`
	Dried    string `json:"dried,omitempty" doc:"How it was dried"`
	Storage  string `json:"storage" enum:"warm kitchen,cool room,cold and dry"`
	Weight   string `json:"weight,omitempty" doc:"What is left, as typed; empty for not weighed"`
	Count    string `json:"count,omitempty" doc:"About how many seeds that is; empty for not counted"`
	Labelled bool   `json:"labelled,omitempty" doc:"It came labelled from a known source"`
	Note     string `json:"note,omitempty"`
}

// mostGrams is the most seed that a household keeps of a lot: 50 kg.
const mostGrams = 50_000

func readLot(s *plot.State, in SeedLotInput) (store.PutSeedLotParams, error) {
	var c say.Checklist
	row := store.PutSeedLotParams{
		SpeciesID: in.SpeciesID, Name: c.Name("name", in.Name), Origin: in.Origin, Source: c.Text("source", in.Source,
			say.LongestNote),
		RipeOn: in.RipeOn, Sign: c.Text("sign", in.Sign, say.LongestNote), Dried: c.Text("dried", in.Dried, say.LongestNote),
		Storage: in.Storage, Note: c.Text("note", in.Note, say.LongestNote),
	}
	species, has := s.Lib.Species(in.SpeciesID)
	if !has {
		c.Add("speciesId", "Choose a plant of the library.")
	}
	if in.Origin != originOwn && in.Origin != originBought {
		c.Add("origin", "Say whether it is your own seed or was bought.")
	}
	input.ReadDay(s, &c, "ripeOn", in.RipeOn)
	if _, err := s.Lib.Bench().Seed.Storage(in.Storage); err != nil {
		c.Add("storage", "Choose how it is kept: %s.", say.OrList(propagation.Storages))
	}
	if in.MotherID != 0 {
		p, known := s.ByID[in.MotherID]
		switch {
		case in.Origin == originBought:
			c.Add("motherId", "Bought seed has no mother here.")
		case !known:
			c.Add("motherId", "Choose a planting.")
		case has && p.SpeciesID != species.ID:
			c.Add("motherId", "%s bears no seed of %s.", say.Capital(p.Species.Names.Name), species.Names.Name)
		}
		row.MotherID = &in.MotherID
	}
	if in.Mothers < 0 || in.Mothers > mostWanted {
		c.Add("mothers", "From 1 to %d plants; 0 where nobody knows.", mostWanted)
	} else if in.Mothers > 0 {
		mothers := int64(in.Mothers)
		row.Mothers = &mothers
	}
	row.Grams, row.SeedsGram = readSeedAmount(s, &c, in)
	if in.Labelled {
		row.Labelled = 1
		if row.Source == "" {
			c.Add("source", "Say whose label it came with.")
		}
	}
	return row, c.Err()
}

// readSeedAmount reads what is left of a lot, in grams, and its own count a gram; nil for what was not
// said.
func readSeedAmount(s *plot.State, c *say.Checklist, in SeedLotInput) (grams, perGram *float64) {
	if strings.TrimSpace(in.Weight) != "" {
		weight, err := unit.Parse(unit.Mass, in.Weight, s.Units.MassUnit())
		switch {
		case err != nil:
			c.AddError("weight", err)
		case weight < 0 || weight > mostGrams:
			c.Add("weight", "From nothing to %s.", s.Units.Weight(mostGrams))
		default:
			grams = &weight
		}
	}
	if strings.TrimSpace(in.Count) == "" {
		return grams, nil
	}
	count, rest, err := unit.SplitNumber(strings.TrimSpace(in.Count))
	switch {
	case err != nil || strings.TrimSpace(rest) != "" || count < 0 || count != math.Trunc(count) || count > 1e8:
		c.Add("count", "Write about how many seeds there are, for example 400.")
	case grams == nil:
		c.Add("weight", "Say what they weigh, too: a count alone cannot be used up by weight.")
	case count > 0 && *grams > 0:
		each := count / *grams
		perGram = &each
	case count > 0:
		c.Add("weight", "So many seeds weigh more than nothing.")
	}
	return grams, perGram
}

func lotParams(row store.SeedLot) store.PutSeedLotParams {
	return store.PutSeedLotParams{
		ID: &row.ID, SpeciesID: row.SpeciesID, Name: row.Name, Origin: row.Origin, MotherID: row.MotherID,
		Mothers: row.Mothers,
		Source:  row.Source, RipeOn: row.RipeOn, Sign: row.Sign, Dried: row.Dried, Storage: row.Storage, Grams: row.Grams,
		SeedsGram: row.SeedsGram, Labelled: row.Labelled, Note: row.Note, RemovedOn: row.RemovedOn,
	}
}

func standingLot(s *plot.State, id int64) (store.SeedLot, error) {
	row, has := rowOf(plot.SeedLots.Of(s), id, func(r store.SeedLot) int64 { return r.ID })
	if !has || row.RemovedOn != nil {
		return row, say.NotFoundError{What: "seed lot"}
	}
	return row, nil
}

// PutLot adds a seed lot, with an id of 0, or changes one.
func (u *Uses) PutLot(ctx context.Context, id int64, seen say.Version, in SeedLotInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		verb := "Put by "
		if id != 0 {
			row, err := standingLot(s, id)
			if err != nil {
				return journal.Record{}, err
			}
			if err := seen.IsOf(say.VersionOf(row), row.Name); err != nil {
				return journal.Record{}, err
			}
			verb = "Changed "
		}
		row, err := readLot(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		if id != 0 {
			row.ID = &id
			for _, b := range batches.Of(s) {
				if b.LotID != nil && *b.LotID == id && b.SpeciesID != row.SpeciesID {
					return journal.Record{}, say.Faults{{Field: "speciesId",
						Message: "A batch was raised of it as " + speciesName(s, b.SpeciesID) + ": put by a new lot instead."}}
				}
			}
		}
		if _, err := plot.SeedLotsTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:     kindSeed,
			Planting: row.MotherID,
			Summary:  fmt.Sprintf("%sseed of %s: %s", verb, speciesName(s, row.SpeciesID), row.Name),
		}, nil
	})
}

// UseUpLot takes a lot off the shelf: it is used up, given away or thrown out.
func (u *Uses) UseUpLot(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := standingLot(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.RemovedOn = &today
		_, err = plot.SeedLotsTable.Put(ctx, d, id, lotParams(row))
		return journal.Record{
			Kind:    kindSeed,
			Summary: fmt.Sprintf("Took the seed %s of %s off the shelf", row.Name, speciesName(s, row.SpeciesID)),
		}, err
	})
}

// SeedTestInput is a test of germination.
type SeedTestInput struct {
	Day    string `json:"day"`
	Tried  int    `json:"tried"`
	CameUp int    `json:"cameUp"`
	Note   string `json:"note,omitempty"`
}

// mostTested is the most seeds in one test.
const mostTested = 2000

// TestLot notes a test of germination.
func (u *Uses) TestLot(ctx context.Context, id int64, in SeedTestInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		lot, err := standingLot(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", in.Day)
		if ripe := dayOf(&lot.RipeOn); !c.Has("day") && day < ripe {
			c.Add("day", "It was ripe only on %s.", ripe.DayMonthYear())
		}
		switch {
		case in.Tried < 1:
			c.Add("tried", "A test needs 1 seed or more: of 0 nothing can be said.")
		case in.Tried > mostTested:
			c.Add("tried", "No more than %d.", mostTested)
		case in.CameUp < 0 || in.CameUp > in.Tried:
			c.Add("cameUp", "From 0 to the %d that were tried.", in.Tried)
		}
		note := c.Text("note", in.Note, say.LongestNote)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := testsTable.Put(ctx, d, 0, store.PutSeedTestParams{
			LotID: id, Day: in.Day, Tried: int64(in.Tried), CameUp: int64(in.CameUp), Note: note,
		}); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindSeed,
			Summary: fmt.Sprintf(
				"Tested the seed %s of %s: %d of %d came up",
				lot.Name,
				speciesName(s, lot.SpeciesID),
				in.CameUp,
				in.Tried,
			),
		}, nil
	})
}

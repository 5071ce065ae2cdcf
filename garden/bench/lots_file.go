package bench

import (
	"context"
	"fmt"
	"strings"

	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// LotRow is a seed lot for a file.
type LotRow struct {
	Plant, Botanical, Name, Origin, Source, RipeOn, Sign, Dried, Storage string
	Grams, Seeds, Mothers                                                *float64
	Labelled                                                             bool
	Note                                                                 string
}

// Lots returns the lots on the shelf for a file.
func (u *Uses) Lots(ctx context.Context) ([]LotRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []LotRow{}
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.RemovedOn != nil {
			continue
		}
		row := LotRow{
			Plant: speciesName(
				s,
				lot.SpeciesID,
			), Name: lot.Name, Origin: lot.Origin, Source: lot.Source, RipeOn: lot.RipeOn, Sign: lot.Sign,
			Dried: lot.Dried, Storage: lot.Storage, Grams: lot.Grams, Labelled: lot.Labelled == 1, Note: lot.Note,
		}
		if species, has := s.Lib.Species(lot.SpeciesID); has {
			row.Botanical = species.Names.Botanical
		}
		if lot.Grams != nil && lot.SeedsGram != nil {
			seeds := *lot.Grams * *lot.SeedsGram
			row.Seeds = &seeds
		}
		if lot.Mothers != nil {
			mothers := float64(*lot.Mothers)
			row.Mothers = &mothers
		}
		rows = append(rows, row)
	}
	return rows, nil
}

// BringLots brings seed lots in from a file, or shows what it would bring.
func (u *Uses) BringLots(
	ctx context.Context,
	lines []area.FileLine,
	note, leaveOut bool,
) (area.BroughtFileView, error) {
	return area.Brought[store.PutSeedLotParams]{
		Most: mostLines,
		Read: func(s *plot.State, line area.FileLine, _ []store.PutSeedLotParams) (store.PutSeedLotParams, string, error) {
			get := func(name string) string { return strings.TrimSpace(line.Fields[name]) }
			row, err := readLotLine(s, get)
			return row, strings.TrimSpace(get("plant") + " " + get("lot")), err
		},
		Write: writeLots,
	}.Take(ctx, u.plot, lines, note, leaveOut)
}

func writeLots(
	ctx context.Context,
	_ *plot.State,
	d *journal.Draft,
	rows []store.PutSeedLotParams,
) (journal.Record, error) {
	for _, row := range rows {
		if _, err := plot.SeedLotsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
	}
	return journal.Record{Kind: kindSeed, Summary: fmt.Sprintf("Brought in %d seed lots from a file", len(rows))}, nil
}

func readLotLine(s *plot.State, get func(string) string) (store.PutSeedLotParams, error) {
	id, err := speciesNamed(s, get("plant"), get("botanical name"))
	if err != nil {
		return store.PutSeedLotParams{}, err
	}
	mothers, err := wholeField(get("mothers"), "mothers")
	if err != nil {
		return store.PutSeedLotParams{}, err
	}
	in := SeedLotInput{
		SpeciesID: id, Name: get("lot"), Origin: get("origin"), Mothers: mothers, Source: get("source"),
		RipeOn: get("ripe on"),
		Sign: get(
			"sign",
		), Dried: get("dried"), Storage: get("storage"), Count: get("seeds"), Labelled: get("labelled") == "true",
		Note: get("note"),
	}
	if grams := get("weight (g)"); grams != "" {
		in.Weight = grams + " g"
	}
	return readLot(s, in)
}

package bench

import (
	"context"
	"strings"

	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// The bench of somebody who said nothing yet: a tray of 24 cells of 85 ml, all weights alike, no
// prices.
func unsaidBench() store.Bench {
	return store.Bench{
		ID: 1, Soon: 0.5, Cheap: 0.5, Certain: 0.5, Easy: 0.5, TrayCells: 24, CellL: 0.085, CellCm: 6,
	}
}

// settingsOf is the bench's row, or what stands for it until something is said.
func settingsOf(s *plot.State) store.Bench {
	if rows := benchRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return unsaidBench()
}

// BenchSettingsView are the grower's measures and prices.
type BenchSettingsView struct {
	Scoop      string      `json:"scoop"`
	Bucket     string      `json:"bucket"`
	Packet     *float64    `json:"packet" doc:"What a packet of seed costs; null where nobody said"`
	Plant      *float64    `json:"plant"`
	MixLitre   *float64    `json:"mixLitre"`
	Currency   string      `json:"currency"`
	TrayCells  int         `json:"trayCells"`
	Cell       string      `json:"cell"`
	CellDepth  string      `json:"cellDepth"`
	VolumeUnit string      `json:"volumeUnit"`
	LengthUnit string      `json:"lengthUnit"`
	Weights    WeightsView `json:"weights"`
	Version    say.Version `json:"version"`
}

// WeightsView says what counts to the grower, each 0 to 1.
type WeightsView struct {
	Soon    float64 `json:"soon" minimum:"0" maximum:"1"`
	Cheap   float64 `json:"cheap" minimum:"0" maximum:"1"`
	Certain float64 `json:"certain" minimum:"0" maximum:"1"`
	Easy    float64 `json:"easy" minimum:"0" maximum:"1"`
}

// BenchSettingsInput are measures and prices as typed.
type BenchSettingsInput struct {
	Scoop     string   `json:"scoop,omitempty" doc:"As typed; empty for none"`
	Bucket    string   `json:"bucket,omitempty" doc:"As typed; empty for none"`
	Packet    *float64 `json:"packet,omitempty"`
	Plant     *float64 `json:"plant,omitempty"`
	MixLitre  *float64 `json:"mixLitre,omitempty"`
	Currency  string   `json:"currency,omitempty"`
	TrayCells int      `json:"trayCells"`
	Cell      string   `json:"cell" doc:"What a cell holds, as typed"`
	CellDepth string   `json:"cellDepth" doc:"How deep a cell is, as typed"`
}

func viewSettings(s *plot.State) BenchSettingsView {
	row := settingsOf(s)
	volume := func(litres *float64) string {
		if litres == nil {
			return ""
		}
		return s.Units.Volume(*litres)
	}
	return BenchSettingsView{
		Scoop: volume(row.ScoopL), Bucket: volume(row.BucketL),
		Packet: row.PacketPrice, Plant: row.PlantPrice, MixLitre: row.MixPrice, Currency: row.Currency,
		TrayCells: int(row.TrayCells), Cell: s.Units.Volume(row.CellL), CellDepth: s.Units.PlantLength(row.CellCm / 100),
		VolumeUnit: s.Units.VolumeUnit(), LengthUnit: s.Units.LengthUnit(),
		Weights: WeightsView{row.Soon, row.Cheap, row.Certain, row.Easy},
		Version: say.VersionOf(row),
	}
}

// putBench writes the bench's one row, which stands from the first thing that is said of it.
func putBench(ctx context.Context, s *plot.State, d *journal.Draft, row store.Bench) error {
	params := store.PutBenchParams{
		ScoopL: row.ScoopL, BucketL: row.BucketL, PacketPrice: row.PacketPrice, PlantPrice: row.PlantPrice,
		MixPrice: row.MixPrice, Currency: row.Currency, Soon: row.Soon, Cheap: row.Cheap, Certain: row.Certain,
		Easy:      row.Easy,
		TrayCells: row.TrayCells, CellL: row.CellL, CellCm: row.CellCm,
	}
	id := int64(0)
	if stood := benchRows.Of(s); len(stood) > 0 {
		id = stood[0].ID
		params.ID = &id
	}
	_, err := benchTable.Put(ctx, d, id, params)
	return err
}

// The most and least of what a tray can be.
const (
	mostCells    = 600
	shallowestCm = 1.0
	deepestCm    = 60.0
)

// readCell reads what a cell holds, in litres.
func readCell(s *plot.State, c *say.Checklist, field, text string) float64 {
	litres, err := unit.Parse(unit.Volume, text, "ml")
	switch {
	case err != nil:
		c.AddError(field, err)
	case !(litres > 0):
		c.Add(field, "A cell holds more than nothing.")
	case litres > propagation.LargestCell:
		c.Add(field, "A cell holds at most %s; what is larger is a pot.", s.Units.Volume(propagation.LargestCell))
	}
	return litres
}

// readCellDepth reads how deep a cell is, in cm.
func readCellDepth(s *plot.State, c *say.Checklist, field, text string) float64 {
	metres, err := unit.Parse(unit.Length, text, "cm")
	if err != nil {
		c.AddError(field, err)
		return 0
	}
	if cm := metres * 100; cm < shallowestCm || cm > deepestCm {
		c.Add(
			field,
			"A cell is from %s to %s deep.",
			s.Units.PlantLength(shallowestCm/100),
			s.Units.PlantLength(deepestCm/100),
		)
	}
	return metres * 100
}

// SetMeasures notes the grower's measures and prices.
func (u *Uses) SetMeasures(ctx context.Context, seen say.Version, in BenchSettingsInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row := settingsOf(s)
		if err := seen.IsOf(say.VersionOf(row), "The measures"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row.ScoopL = readMeasure(s, &c, "scoop", in.Scoop)
		row.BucketL = readMeasure(s, &c, "bucket", in.Bucket)
		row.PacketPrice = readPrice(&c, "packet", in.Packet)
		row.PlantPrice = readPrice(&c, "plant", in.Plant)
		row.MixPrice = readPrice(&c, "mixLitre", in.MixLitre)
		row.Currency = c.Text("currency", in.Currency, 8)
		if in.TrayCells < 1 || in.TrayCells > mostCells {
			c.Add("trayCells", "A tray has from 1 to %d cells.", mostCells)
		}
		row.TrayCells = int64(in.TrayCells)
		row.CellL = readCell(s, &c, "cell", in.Cell)
		row.CellCm = readCellDepth(s, &c, "cellDepth", in.CellDepth)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		err := putBench(ctx, s, d, row)
		return journal.Record{Kind: kindBench, Summary: "Set the bench's measures and prices"}, err
	})
}

// readMeasure reads the volume of a scoop or bucket in litres; nil for none.
func readMeasure(s *plot.State, c *say.Checklist, field, text string) *float64 {
	if strings.TrimSpace(text) == "" {
		return nil
	}
	litres, err := unit.Parse(unit.Volume, text, s.Units.VolumeUnit())
	switch {
	case err != nil:
		c.AddError(field, err)
	case !(litres > 0.005 && litres <= 200):
		c.Add(field, "A measure holds from 5 ml to %s.", s.Units.Volume(200))
	}
	return &litres
}

func readPrice(c *say.Checklist, field string, price *float64) *float64 {
	if price != nil && !(*price >= 0 && *price <= 1e6) {
		c.Add(field, "A price is 0 or more, and no more than a million.")
	}
	return price
}

// SetWeights notes what counts to the grower.
func (u *Uses) SetWeights(ctx context.Context, in WeightsView) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		for _, w := range []struct {
			field string
			value float64
		}{{"soon", in.Soon}, {"cheap", in.Cheap}, {"certain", in.Certain}, {"easy", in.Easy}} {
			if !(w.value >= 0 && w.value <= 1) {
				c.Add(w.field, "A weight lies between 0 and 1.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := settingsOf(s)
		row.Soon, row.Cheap, row.Certain, row.Easy = in.Soon, in.Cheap, in.Certain, in.Easy
		err := putBench(ctx, s, d, row)
		return journal.Record{Kind: kindBench, Summary: "Said what counts when ways are compared"}, err
	})
}

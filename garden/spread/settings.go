package spread

import (
	"context"
	"slices"
	"strings"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Animals that may clear a bed.
var animals = []string{"hens", "ducks"}

// SpreadSettings are what holding costs here, and which animals are kept.
type SpreadSettings struct {
	BoardPrice *float64    `json:"boardPrice,omitempty" doc:"A metre of board to sink"`
	SheetPrice *float64    `json:"sheetPrice,omitempty" doc:"A m² of card and sheet"`
	PotPrice   *float64    `json:"potPrice,omitempty"`
	Currency   string      `json:"currency,omitempty"`
	Animals    []string    `json:"animals" doc:"hens, ducks"`
	Version    say.Version `json:"version"`
}

func settingsOf(s *plot.State) store.SpreadSetting {
	if rows := settingsRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.SpreadSetting{}
}

// keeps tells whether the household keeps an animal.
func keeps(s *plot.State, animal string) bool {
	return slices.Contains(strings.Split(settingsOf(s).Animals, ","), animal)
}

// Settings are what holding costs here.
func (u *Uses) Settings(ctx context.Context) (SpreadSettings, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SpreadSettings{}, err
	}
	row := settingsOf(s)
	v := SpreadSettings{
		BoardPrice: row.BoardPrice, SheetPrice: row.SheetPrice, PotPrice: row.PotPrice, Currency: row.Currency,
		Animals: []string{},
		Version: say.VersionOf(row),
	}
	for _, animal := range animals {
		if keeps(s, animal) {
			v.Animals = append(v.Animals, animal)
		}
	}
	return v, nil
}

// SpreadSettingsInput changes them.
type SpreadSettingsInput struct {
	BoardPrice *float64 `json:"boardPrice,omitempty"`
	SheetPrice *float64 `json:"sheetPrice,omitempty"`
	PotPrice   *float64 `json:"potPrice,omitempty"`
	Currency   string   `json:"currency,omitempty"`
	Animals    []string `json:"animals"`
}

const dearest, longestCurrency = 1e6, 6

// SetSettings changes what holding costs here, and which animals are kept.
func (u *Uses) SetSettings(ctx context.Context, seen say.Version, in SpreadSettingsInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		before := settingsOf(s)
		if err := seen.IsOf(say.VersionOf(before), "what holding costs"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		price := func(field string, value *float64) *float64 {
			if value != nil && !(*value >= 0 && *value <= dearest) {
				c.Add(field, "A price lies between 0 and %.0f.", dearest)
			}
			return value
		}
		row := store.PutSpreadSettingParams{
			BoardPrice: price("boardPrice", in.BoardPrice), SheetPrice: price("sheetPrice", in.SheetPrice),
			PotPrice: price("potPrice", in.PotPrice), Currency: c.Text("currency", in.Currency, longestCurrency),
		}
		var kept []string
		for _, animal := range animals {
			if slices.Contains(in.Animals, animal) {
				kept = append(kept, animal)
			}
		}
		if len(kept) < len(in.Animals) {
			c.Add("animals", "Hens and ducks are known here.")
		}
		row.Animals = strings.Join(kept, ",")
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if before.ID != 0 {
			row.ID = &before.ID
		}
		_, err := settingsTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindSpread, Summary: "Changed what holding plants costs"}, err
	})
}

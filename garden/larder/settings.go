package larder

import (
	"context"
	"net/url"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// DrierKindInput is how the drier is.
type DrierKindInput struct {
	input.DrierInput
	Kind  string `json:"kind" enum:"drier,rack,bunches,oven"`
	Watts string `json:"watts,omitempty" doc:"What it draws, as typed; empty where nobody knows"`
}

// SetDrier notes how the drier is.
func (u *Uses) SetDrier(ctx context.Context, seen say.Version, in DrierKindInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		before := s.GatherSettings()
		if err := seen.IsOf(say.VersionOf(before), "the drier"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := plot.GatherSettingsParams(before)
		input.ReadDrier(s, &c, in.DrierInput, &row)
		if !slices.Contains(drierKinds, in.Kind) {
			c.Add("kind", "Choose from %s.", say.OrList(drierKinds))
		}
		row.Drier, row.Watts = in.Kind, nil
		if text := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(in.Watts), "W")); text != "" {
			watts, err := strconv.ParseFloat(text, 64)
			if err != nil || !(watts >= 0 && watts <= 20000) {
				c.Add("watts", "Say what it draws in watts, from 0 to 20000: it stands on its plate.")
			}
			row.Watts = &watts
		}
		if row.Trays != nil {
			for _, t := range trays(s) {
				if t.number > *row.Trays {
					c.Add("trays", "Something dries on tray %d: take it out first.", t.number)
					break
				}
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := plot.GatherSettingsTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindStore, Summary: "Changed the drier"}, err
	})
}

// settingsOf is the larder's one row.
func settingsOf(s *plot.State) store.LarderSetting {
	if rows := settingsRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.LarderSetting{}
}

// AddressInput is where the household's own devices reach this house.
type AddressInput struct {
	Address string `json:"address" doc:"Such as http://192.168.0.10:8420; empty for the address that the page was opened at"`
}

// SetAddress notes where the household's own devices reach this house: what is printed on labels leads there.
func (u *Uses) SetAddress(ctx context.Context, in AddressInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		address := strings.TrimRight(strings.TrimSpace(in.Address), "/")
		if address != "" {
			at, err := url.Parse(address)
			if err != nil || at.Scheme != "http" && at.Scheme != "https" || at.Host == "" || at.Path != "" || at.User != nil ||
				at.RawQuery != "" || at.Fragment != "" || len(address) > 200 {
				c.Add("address", "Write it as in the browser, for example http://192.168.0.10:8420.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := store.PutLarderSettingsParams{Address: address}
		before := settingsOf(s)
		if before.ID != 0 {
			row.ID = &before.ID
		}
		_, err := settingsTable.Put(ctx, d, before.ID, row)
		return journal.Record{Kind: kindStore, Summary: "Changed the address that is printed on labels"}, err
	})
}

// AddressOf is the address that is printed on labels: the household's own, or else the one at which the page was
// opened.
func (u *Uses) AddressOf(ctx context.Context, opened string) (string, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return "", err
	}
	if own := settingsOf(s).Address; own != "" {
		return own, nil
	}
	return opened, nil
}

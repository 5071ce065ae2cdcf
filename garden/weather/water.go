package weather

import (
	"cmp"
	"context"
	"fmt"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/station"
	"bramblyacre/store"
)

var wateringsTable = journal.NewTable(
	"waterings",
	(*store.Queries).GetWatering,
	(*store.Queries).PutWatering,
	(*store.Queries).DropWatering,
)

var feelsTable = journal.NewTable(
	"soil_feels",
	(*store.Queries).GetSoilFeel,
	(*store.Queries).PutSoilFeel,
	(*store.Queries).DropSoilFeel,
)

var settingsTable = journal.NewTable(
	"water_settings",
	(*store.Queries).GetWaterSettings,
	(*store.Queries).PutWaterSettings,
	(*store.Queries).DropWaterSettings,
)

var settingsRows = plot.Keep(
	settingsTable,
	(*store.Queries).ListWaterSettings,
	func(r store.WaterSetting) int64 { return r.ID },
	func(a, b store.WaterSetting) int { return cmp.Compare(a.ID, b.ID) },
)

// unsaidFlow is what a garden hose brings a minute until somebody measured theirs, in litres: a guess.
const unsaidFlow = 12

// simulatedProbe is the probe that ships.
const simulatedProbe = "simulated"

// settingsOf are how the household waters, or what stands for it until something is said.
func settingsOf(s *plot.State) store.WaterSetting {
	if rows := settingsRows.Of(s); len(rows) > 0 {
		return rows[0]
	}
	return store.WaterSetting{FlowL: unsaidFlow}
}

// WateringInput is water given to a bed.
type WateringInput struct {
	Day string `json:"day"`
	// Amount is litres over the whole bed, or minutes of the hose.
	Amount string `json:"amount" doc:"As typed: 20 l, 5 qt, or 3 min of the hose"`
	Note   string `json:"note,omitempty"`
}

// mostLitres is the most that anybody gives one bed in a day.
const mostLitres = 100_000

// NoteWatering notes water given to a bed.
func (u *Uses) NoteWatering(ctx context.Context, bedID int64, in WateringInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, bedID)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		input.ReadDay(s, &c, "day", in.Day)
		row := store.PutWateringParams{
			BedID: bedID, Day: in.Day, Litres: readLitres(&c, s, in.Amount), Note: c.Text("note", in.Note, say.LongestNote),
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		made, err := wateringsTable.Put(ctx, d, 0, row)
		if err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindWater, Summary: fmt.Sprintf("Watered %s with %s", bed.Name, s.Units.Volume(made.Litres)), Bed: &bedID,
		}, nil
	})
}

// readLitres reads an amount of water: a volume, or minutes of the hose.
func readLitres(c *say.Checklist, s *plot.State, text string) float64 {
	text = strings.TrimSpace(strings.ToLower(text))
	litres := 0.0
	var err error
	number, isMinutes := minutesOf(text)
	if isMinutes {
		litres, err = unit.Parse(unit.Volume, number, "l")
		litres *= settingsOf(s).FlowL
	} else {
		litres, err = unit.Parse(unit.Volume, text, s.Units.VolumeUnit())
	}
	switch {
	case err != nil:
		c.AddError("amount", err)
	case !(litres > 0):
		c.Add("amount", "Type how much was given: 20 l, or 3 min of the hose.")
	case litres > mostLitres:
		c.Add("amount", "So much is given to no bed: %s at most.", s.Units.Volume(mostLitres))
	}
	return litres
}

// minutesOf is the number of an amount that is told in minutes.
func minutesOf(text string) (number string, is bool) {
	for _, word := range []string{"minutes", "minute", "mins", "min"} {
		if rest, has := strings.CutSuffix(text, word); has {
			return strings.TrimSpace(rest), true
		}
	}
	return "", false
}

// FeelInput is how a bed's soil felt in the hand.
type FeelInput struct {
	Day  string `json:"day"`
	Feel string `json:"feel" doc:"The id of a feel"`
	Note string `json:"note,omitempty"`
}

// NoteFeel notes how the soil of a bed's roots felt in the hand: the reckoning goes on from there.
func (u *Uses) NoteFeel(ctx context.Context, bedID int64, in FeelInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, bedID)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		input.ReadDay(s, &c, "day", in.Day)
		feel, has := s.Lib.Ground().Water.Feel(in.Feel)
		if !has {
			c.Add("feel", "Choose how it felt.")
		}
		row := store.PutSoilFeelParams{
			BedID: bedID, Day: in.Day, Kind: "feel", Feel: in.Feel, Gone: feel.Gone.Value,
			Note: c.Text("note", in.Note, say.LongestNote),
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := feelsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:    kindWater,
			Summary: fmt.Sprintf("Felt the soil of %s: %s", bed.Name, feel.Name),
			Bed:     &bedID,
		}, nil
	})
}

// probe is the soil probe that is switched on; nil for none. It reads what stood before this change.
func (u *Uses) probe(s *plot.State) station.Probe {
	if settingsOf(s).Probe != simulatedProbe {
		return nil
	}
	return station.NewSimulatedProbe(uint64(s.Site.WeatherSeed), func(bedID int64, _ calendar.Date) (float64, error) {
		w, err := s.Water(s.BedByID[bedID])
		if err != nil {
			return 0, err
		}
		return w.Gone, nil
	})
}

// ReadProbe reads the soil probe in a bed today, and notes what it read.
func (u *Uses) ReadProbe(ctx context.Context, bedID int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, bedID)
		if err != nil {
			return journal.Record{}, err
		}
		probe := u.probe(s)
		if probe == nil {
			return journal.Record{}, say.ConflictError{Why: "No soil probe is switched on: say so in how you water."}
		}
		for _, row := range s.Feels(bedID) {
			if row.Kind == "probe" && row.Day == s.Today.String() {
				return journal.Record{}, say.ConflictError{Why: "The probe was read in " + bed.Name + " today already."}
			}
		}
		gone, err := probe.Gone(bedID, s.Today)
		if err != nil {
			return journal.Record{}, fmt.Errorf("read the probe: %w", err)
		}
		row := store.PutSoilFeelParams{BedID: bedID, Day: s.Today.String(), Kind: "probe", Gone: gone, Note: probe.Name()}
		if _, err := feelsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindWater, Summary: fmt.Sprintf("%s in %s: %s", probe.Name(), bed.Name, view.GoneWords(gone)), Bed: &bedID,
		}, nil
	})
}

// WaterSettingsInput is how the household waters.
type WaterSettingsInput struct {
	Flow  string `json:"flow" doc:"What the hose or can brings a minute, as typed: 12 l"`
	Probe string `json:"probe" enum:",simulated" doc:"The soil probe at hand; empty for none"`
}

// SetWater notes how the household waters.
func (u *Uses) SetWater(ctx context.Context, seen say.Version, in WaterSettingsInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		was := settingsOf(s)
		if err := seen.IsOf(say.VersionOf(was), "how you water"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		row := store.PutWaterSettingsParams{Probe: in.Probe}
		flow, err := unit.Parse(unit.Volume, in.Flow, s.Units.VolumeUnit())
		if row.FlowL = flow; err != nil {
			c.AddError("flow", err)
		} else if !(flow >= 0.1 && flow <= 500) {
			c.Add("flow", "Type what comes in a minute: between %s and %s.", s.Units.Volume(0.1), s.Units.Volume(500))
		}
		if in.Probe != "" && in.Probe != simulatedProbe {
			c.Add("probe", "Choose no probe, or the simulated one.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if was.ID != 0 {
			row.ID = &was.ID
		}
		_, err = settingsTable.Put(ctx, d, was.ID, row)
		return journal.Record{Kind: kindWater, Summary: "Changed how water is given"}, err
	})
}

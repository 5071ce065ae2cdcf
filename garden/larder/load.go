package larder

import (
	"cmp"
	"context"
	"fmt"
	"maps"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// LoadInput is what is laid on the drier's trays.
type LoadInput struct {
	At    string          `json:"at,omitempty" doc:"Day and time, as 2031-05-27T08:30; empty for now"`
	Trays []TrayLoadInput `json:"trays" minItems:"1"`
}

// TrayLoadInput is what of a basket is laid on a tray.
type TrayLoadInput struct {
	Tray      int64  `json:"tray" minimum:"1"`
	PickingID int64  `json:"pickingId"`
	Amount    string `json:"amount,omitempty" doc:"Fresh, as typed; empty for all that is left of the basket"`
}

// pickedGrams is what is taken of a basket, in grams, fresh: no more than is left of it, of which so much was taken
// already in the same entry.
func pickedGrams(
	s *plot.State, c *say.Checklist, field string, picked plot.PickedFrom, text string, already float64,
) float64 {
	part, _ := picked.Planting.Species.Part(picked.Picking.Part)
	left := s.LeftGrams(picked.Picking) - already
	if left < leastGrams {
		c.Add(field, "Nothing is left in this basket: it was dried, made into something, or went to the compost.")
		return 0
	}
	if strings.TrimSpace(text) == "" {
		return left
	}
	grams, err := input.ReadWeight(s, part, text)
	switch {
	case err != nil:
		c.AddError(field, err)
		return 0
	case !(grams >= leastGrams):
		c.Add(field, "An amount must be above nothing.")
	case grams > left*scaleError:
		c.Add(field, "Only %s is left in this basket.", amount(s, left, 0))
	}
	return min(grams, left)
}

// scaleError is by how much a scale may be off before more was taken than there is.
const scaleError = 1.02

// fitPicking is a picking that may be put to use.
func fitPicking(s *plot.State, id int64) (plot.PickedFrom, error) {
	picked, has := s.PickingByID(id)
	if !has {
		return picked, say.NotFoundError{What: "picking"}
	}
	if state, why := view.BasketState(s, picked.Planting, picked.Picking); state != view.BasketFit {
		return picked, say.ConflictError{Why: strings.TrimSpace("It is not fit for use yet. " + why)}
	}
	return picked, nil
}

// LoadTrays lays baskets on the drier's trays.
func (u *Uses) LoadTrays(ctx context.Context, in LoadInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		at := readMoment(&c, "at", in.At, u.plot.Moment())
		settings := s.GatherSettings()
		type laid struct {
			picked plot.PickedFrom
			grams  float64
		}
		onTray, already := map[int64][]laid{}, map[int64]float64{}
		for i, one := range in.Trays {
			field := fmt.Sprintf("trays.%d.", i)
			picked, err := fitPicking(s, one.PickingID)
			if err != nil {
				return journal.Record{}, err
			}
			if other := onTray[one.Tray]; len(other) > 0 && !sameKind(other[0].picked, picked) {
				c.Add(field+"tray", "Never two kinds on one tray: they dry at different speeds, and are mixed up.")
			}
			checkTray(s, &c, field+"tray", one.Tray)
			grams := pickedGrams(s, &c, field+"amount", picked, one.Amount, already[one.PickingID])
			already[one.PickingID] += grams
			onTray[one.Tray] = append(onTray[one.Tray], laid{picked, grams})
			if at.Before(picked.Day.Time()) {
				c.Add("at", "It was only picked on %s.", picked.Day.DayMonth())
			}
			part, _ := picked.Planting.Species.Part(picked.Picking.Part)
			load, known := s.Lib.Gather().Of(part.Keep.Dries)
			if !known {
				c.Add(field+"pickingId", "%s is not dried: freeze it, or make something of it.",
					say.Capital(say.PartOf(picked.Planting.Species.Names.Name, part.Name)))
				continue
			}
			total := 0.0
			for _, l := range onTray[one.Tray] {
				total += l.grams
			}
			if most := load.Load.High * settings.TrayM2; total > most*scaleError {
				c.Add(field+"amount", "A tray of %s holds at most %s of it: it dries no more where it lies deeper.",
					s.Units.SmallArea(settings.TrayM2), amount(s, most, 0))
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		var words []string
		var planting int64
		for ahead, number := range slices.Sorted(maps.Keys(onTray)) {
			first := onTray[number][0].picked
			planting = first.Planting.ID
			row, making := u.newLot(s, makingDried, first)
			row.BegunAt, row.Tray = plot.MomentText(at), &number
			row.Celsius, row.MovingAir = &settings.Celsius, &settings.MovingAir
			row.Cautions = toldCautions([]partOf{{first.Planting.Species, first.Picking.Part}}, making)
			var flows []flow
			total := 0.0
			for _, l := range onTray[number] {
				flows = append(flows, flow{
					side: sideIn, name: pickedWords(l.picked), picking: l.picked.Picking.ID, grams: l.grams,
				})
				total += l.grams
			}
			if _, err := begin(ctx, s, d, row, flows, ahead); err != nil {
				return journal.Record{}, err
			}
			words = append(words, fmt.Sprintf("%s of %s on tray %d", amount(s, total, 0),
				say.PartOf(first.Planting.Species.Names.Name, first.Picking.Part), number))
		}
		return journal.Record{Kind: kindStore, Summary: "Laid to dry: " + say.Joined(words), Planting: &planting}, nil
	})
}

func sameKind(a, b plot.PickedFrom) bool {
	return a.Planting.SpeciesID == b.Planting.SpeciesID && a.Picking.Part == b.Picking.Part
}

// newLot is a lot of a picking, not yet begun.
func (u *Uses) newLot(s *plot.State, id string, picked plot.PickedFrom) (store.PutLotParams, keeping.Making) {
	making, _ := s.Lib.Keeping().Making(id)
	part, _ := picked.Planting.Species.Part(picked.Picking.Part)
	row := store.PutLotParams{
		Making: id, SpeciesID: picked.Planting.SpeciesID, Part: picked.Picking.Part, KeepsMonths: keepsMonths(s, part),
	}
	return row, making
}

// keepsMonths is how many months a part keeps dried, by its own file or else by its kind.
func keepsMonths(s *plot.State, part flora.Part) float64 {
	if part.Keep.Months != nil {
		return part.Keep.Months.Value
	}
	lore, _ := s.Lib.Keeping().Part(keptAs(part))
	return lore.Keeps.Value
}

// checkTray refuses a tray that the drier does not have, or that is not free.
func checkTray(s *plot.State, c *say.Checklist, field string, number int64) {
	if number < 1 || number > trayCount(s) {
		c.Add(field, "The drier has %s: say in its settings if it has more.",
			say.Counted(float64(trayCount(s)), "tray", "trays"))
		return
	}
	for _, t := range trays(s) {
		if t.number == number {
			c.Add(field, "Tray %d is not free: %s dries on it.", number, t.name())
			return
		}
	}
}

// unsaidTrays is how many trays a drier has that nobody has counted.
const unsaidTrays = 5

func trayCount(s *plot.State) int64 {
	if trays := s.GatherSettings().Trays; trays != nil {
		return *trays
	}
	return unsaidTrays
}

// pickedWords say what was picked, where and when.
func pickedWords(picked plot.PickedFrom) string {
	return fmt.Sprintf("picked in the %s, %s", cmp.Or(picked.Planting.Bed.Name, "bed"), view.DayWords(picked.Picking.Day))
}

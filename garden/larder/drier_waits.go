package larder

import (
	"fmt"
	"math"
	"time"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// DrierWait is a basket that waits.
type DrierWait struct {
	PickingID int64   `json:"pickingId"`
	SpeciesID string  `json:"speciesId"`
	Part      string  `json:"part"`
	Dries     string  `json:"dries"`
	Name      string  `json:"name"`
	Left      string  `json:"left"`
	From      string  `json:"from"`
	Hours     float64 `json:"hours" doc:"Until it spoils; below 0 for past it"`
	Spoils    string  `json:"spoils" doc:"Until when it keeps, in words"`
	State     string  `json:"state" enum:"to sort,fit for use,held back"`
	Why       string  `json:"why" doc:"Why it may not be dried yet"`
	CanDry    bool    `json:"canDry"`
}

// PlacingView is what of a basket may lie on a tray.
type PlacingView struct {
	Tray      int64  `json:"tray"`
	PickingID int64  `json:"pickingId"`
	Name      string `json:"name"`
	Amount    string `json:"amount" doc:"As it may be typed"`
}

func (v *DrierView) addWaiting(s *plot.State, now time.Time, free []keeping.Tray) {
	var waits []keeping.Waits
	of := map[int64]DrierWait{}
	for _, b := range baskets(s) {
		name := say.PartOf(b.Planting.Species.Names.Name, b.Picking.Part)
		w := DrierWait{
			PickingID: b.Picking.ID, SpeciesID: b.Planting.SpeciesID, Part: b.Picking.Part, Dries: b.part.Keep.Dries,
			Name: name, Left: amount(s, b.left, 0), From: pickedWords(b.PickedFrom),
			Hours: say.Round1(b.spoils.Sub(now).Hours()), Spoils: spoilWords(now, b.spoils),
		}
		w.State, w.Why = view.BasketState(s, b.Planting, b.Picking)
		load, dries := s.Lib.Gather().Of(b.part.Keep.Dries)
		w.CanDry = dries && w.State == view.BasketFit
		if !dries && w.Why == "" {
			w.Why = "It is not dried: freeze it, or make something of it."
		}
		v.Waits = append(v.Waits, w)
		of[w.PickingID] = w
		if w.CanDry {
			waits = append(waits, keeping.Waits{
				ID: w.PickingID, Kind: b.Planting.SpeciesID + "/" + b.Picking.Part, Grams: b.left,
				GramsPerM2: load.Load.Value, Spoils: w.Hours,
			})
		}
	}
	placed, left := keeping.Load(free, waits)
	for _, p := range placed {
		v.Proposal = append(v.Proposal, PlacingView{int64(p.Tray), p.ID, of[p.ID].Name, amount(s, p.Grams, 0)})
	}
	for _, w := range waits {
		if grams, has := left[w.ID]; has {
			v.NoRoom = append(v.NoRoom, fmt.Sprintf("%s of %s: %s", amount(s, grams, 0), of[w.ID].Name, of[w.ID].Spoils))
		}
	}
}

func spoilWords(now, spoils time.Time) string {
	switch hours := spoils.Sub(now).Hours(); {
	case hours <= 0:
		return "past its time: look it over before you dry it"
	case hours < 1.5:
		return "within the hour, or it spoils"
	case hours < 36:
		return fmt.Sprintf("within %.0f hours, or it spoils", math.Floor(hours))
	default:
		return fmt.Sprintf("within %.0f days", math.Floor(hours/24))
	}
}

package season

import (
	"context"
	"fmt"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// KeptShareInput is what a household leaves standing of a planting's part, beyond the plant's own floor.
type KeptShareInput struct {
	PlantingID int64  `json:"plantingId"`
	Part       string `json:"part"`
	// Percent is of what it carries; 0 for no rule.
	Percent int    `json:"percent" minimum:"0" maximum:"100"`
	ForWhom string `json:"forWhom" doc:"bees, birds, seed"`
}

// KeepShare notes what is left standing of a part, for insects, birds or seed; no allowance goes below it.
func (u *Uses) KeepShare(ctx context.Context, in KeptShareInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, in.PlantingID)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		if _, _, err := takenPart(s, &c, p.SpeciesID, in.Part); err != nil {
			return journal.Record{}, err
		}
		if in.Percent < 0 || in.Percent > 100 {
			c.Add("percent", "Say how many in a hundred stay: 0 to 100.")
		}
		whom := c.Text("forWhom", in.ForWhom, say.LongestNote)
		if in.Percent > 0 && whom == "" && !c.Has("forWhom") {
			c.Add("forWhom", "Say for whom it stays: bees, birds, seed.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		before, has := s.KeptShareOf(p.ID, in.Part)
		name := say.PartOf(p.Species.Names.Name, in.Part)
		record := journal.Record{Kind: kindSeason, Bed: &p.BedID, Planting: &p.ID}
		if in.Percent == 0 {
			if !has {
				return journal.Record{}, say.Faults{{Field: "percent", Message: "No rule of yours holds for it."}}
			}
			record.Summary = fmt.Sprintf("No rule of what stays of %s any more", name)
			return record, plot.KeptSharesTable.Drop(ctx, d, before.ID)
		}
		row := store.PutKeptShareParams{
			PlantingID: p.ID, Part: in.Part, Share: float64(in.Percent) / 100, ForWhom: whom,
		}
		if has {
			row.ID = &before.ID
		}
		record.Summary = fmt.Sprintf("%d %% of %s stays for %s", in.Percent, name, whom)
		_, err = plot.KeptSharesTable.Put(ctx, d, before.ID, row)
		return record, err
	})
}

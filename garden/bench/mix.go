package bench

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// mixOf returns a recipe by its id: a name of the library's, or the number of an own one.
func mixOf(s *plot.State, id string) (propagation.Mix, bool) {
	for _, mix := range allMixes(s) {
		if mix.ID == id {
			return mix, true
		}
	}
	return propagation.Mix{}, false
}

// allMixes are the library's recipes and the grower's own.
func allMixes(s *plot.State) []propagation.Mix {
	mixes := slices.Clone(s.Lib.Bench().Mixes)
	for _, row := range ownMixes.Of(s) {
		if row.RemovedOn != nil {
			continue
		}
		mix := propagation.Mix{ID: strconv.FormatInt(row.ID, 10), Name: row.Name, For: row.Purpose}
		if json.Unmarshal([]byte(row.Parts), &mix.Parts) == nil {
			mixes = append(mixes, mix)
		}
	}
	return mixes
}

// MixesView is the recipes, and the shed.
type MixesView struct {
	Mixes []MixView  `json:"mixes"`
	Shed  []ShedView `json:"shed"`
}

// MixView is a recipe.
type MixView struct {
	ID    string                `json:"id"`
	Name  string                `json:"name"`
	For   string                `json:"for"`
	Own   bool                  `json:"own"`
	Parts []propagation.MixPart `json:"parts"`
	Ratio string                `json:"ratio"`
}

// ShedView is what there is of a part.
type ShedView struct {
	Name   string  `json:"name"`
	Litres float64 `json:"-"`
	Amount string  `json:"amount"`
}

// Mixes shows the recipes and what the shed holds.
func (u *Uses) Mixes(ctx context.Context) (MixesView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MixesView{}, err
	}
	v := MixesView{Mixes: []MixView{}, Shed: []ShedView{}}
	shipped := len(s.Lib.Bench().Mixes)
	for i, mix := range allMixes(s) {
		v.Mixes = append(v.Mixes, MixView{mix.ID, mix.Name, mix.For, i >= shipped, mix.Parts, ratioOf(mix)})
	}
	for _, row := range shedParts.Of(s) {
		v.Shed = append(v.Shed, ShedView{row.Name, row.Litres, s.Units.Volume(row.Litres)})
	}
	return v, nil
}

func ratioOf(mix propagation.Mix) string {
	var words []string
	for _, part := range mix.Parts {
		words = append(words, say.Number(part.Share))
	}
	return strings.Join(words, " : ")
}

// FillingInput is what is to be filled with which mix.
type FillingInput struct {
	Mix   string
	Cells int
	Cell  string
}

// FillingView is how much of each part a filling takes.
type FillingView struct {
	Mix   string            `json:"mix"`
	Fill  string            `json:"fill" doc:"How much mix goes into the cells"`
	Parts []FillingPartView `json:"parts"`
	Steps []string          `json:"steps"`
	// Runs says for how many cells the shed is enough.
	Runs   string `json:"runs"`
	Enough bool   `json:"enough"`
	Buy    string `json:"buy" doc:"What to get; empty where there is enough"`
	Rests  string `json:"rests"`
}

// FillingPartView is one part of a filling.
type FillingPartView struct {
	Name     string  `json:"name"`
	For      string  `json:"for"`
	Share    float64 `json:"share"`
	Amount   string  `json:"amount"`
	Measures string  `json:"measures" doc:"In the grower's own scoop or bucket; empty where neither is known"`
	Shed     string  `json:"shed"`
	Short    bool    `json:"short"`
}

// Fill works out what a filling takes.
func (u *Uses) Fill(ctx context.Context, in FillingInput) (FillingView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return FillingView{}, err
	}
	var c say.Checklist
	mix, has := mixOf(s, in.Mix)
	if !has {
		c.Add("mix", "Choose one of the recipes.")
	}
	litres := readCell(s, &c, "cell", in.Cell)
	if in.Cells < 1 || in.Cells > propagation.MostStarts {
		c.Add("cells", "Say how many cells, from 1 to %d.", propagation.MostStarts)
	}
	if err := c.Err(); err != nil {
		return FillingView{}, err
	}
	return viewFill(s, mix, in.Cells, litres)
}

func viewFill(s *plot.State, mix propagation.Mix, cells int, litres float64) (FillingView, error) {
	filling := s.Lib.Bench().Filling.Cells(cells, litres)
	fill, err := filling.Litres()
	if err != nil {
		return FillingView{}, err
	}
	shares := make([]float64, len(mix.Parts))
	shed := make([]float64, len(mix.Parts))
	for i, part := range mix.Parts {
		shares[i], shed[i] = part.Share, inShed(s, part.Name)
	}
	parts, err := filling.Parts(shares)
	if err != nil {
		return FillingView{}, err
	}
	settings := settingsOf(s)
	v := FillingView{Mix: mix.Name, Fill: s.Units.Volume(fill), Parts: []FillingPartView{}, Enough: true}
	var buy []string
	for i, part := range mix.Parts {
		p := FillingPartView{
			Name: part.Name, For: part.For, Share: part.Share, Amount: s.Units.Volume(parts[i]),
			Measures: measuresWords(settings, parts[i]),
			Shed:     s.Units.Volume(shed[i]), Short: shed[i] < parts[i]-1e-9,
		}
		if p.Short {
			v.Enough = false
			buy = append(buy, s.Units.Volume(parts[i]-shed[i])+" of "+part.Name)
		}
		v.Parts = append(v.Parts, p)
	}
	if len(buy) > 0 {
		v.Buy = "To get: " + say.Joined(buy) + "."
	}
	enough, short, err := filling.Enough(shares, shed)
	if err != nil {
		return FillingView{}, err
	}
	v.Runs = fmt.Sprintf("What is in the shed fills %s.", say.Counted(float64(enough), "cell", "cells"))
	if enough < cells {
		v.Runs += fmt.Sprintf(" The %s runs out first.", mix.Parts[short].Name)
	}
	figures := s.Lib.Bench().Filling
	v.Rests = fmt.Sprintf(
		"Reckoned with %.0f in 100 topped up after settling, %.0f spilt, and parts that lose %.0f when mixed: guesses of ours.",
		100*figures.Settling.Value,
		100*figures.Spill.Value,
		100*figures.Shrinkage.Value,
	)
	v.Steps = []string{
		"Sieve what is coarse: a finger's breadth for potting, half of that for seed.",
		"Measure the parts apart, then turn them over until the colour is even. Wet it until a fistful holds and drips nothing.",
		"Fill the cells loosely to the brim, knock the tray down on the bench twice, and top it up.",
		"Strike off level, and firm only where something is set.",
	}
	return v, nil
}

func inShed(s *plot.State, name string) float64 {
	for _, row := range shedParts.Of(s) {
		if strings.EqualFold(row.Name, name) {
			return row.Litres
		}
	}
	return 0
}

// measuresWords say a volume in the grower's own bucket and scoop.
func measuresWords(settings store.Bench, litres float64) string {
	var words []string
	if settings.BucketL != nil && litres >= *settings.BucketL/2 {
		words = append(words, say.Counted(say.Round1(litres / *settings.BucketL), "bucket", "buckets"))
	}
	if settings.ScoopL != nil {
		words = append(words, say.Counted(say.Round1(litres / *settings.ScoopL), "scoop", "scoops"))
	}
	return say.OrList(words)
}

// OwnMixInput is an own recipe.
type OwnMixInput struct {
	Name  string                `json:"name"`
	For   string                `json:"for,omitempty"`
	Parts []propagation.MixPart `json:"parts"`
}

// mostParts is the most parts of a recipe.
const mostParts = 12

// PutMix adds an own recipe, with an id of 0, or changes one.
func (u *Uses) PutMix(ctx context.Context, id int64, in OwnMixInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if row, has := rowOf(ownMixes.Of(s), id, func(r store.OwnMix) int64 { return r.ID }); id != 0 &&
			(!has || row.RemovedOn != nil) {
			return journal.Record{}, say.NotFoundError{What: "recipe"}
		}
		var c say.Checklist
		row := store.PutOwnMixParams{Name: c.Name("name", in.Name), Purpose: c.Text("for", in.For, say.LongestNote)}
		if len(in.Parts) < 1 || len(in.Parts) > mostParts {
			c.Add("parts", "A mix has from 1 to %d parts.", mostParts)
		}
		for i := range in.Parts {
			part := &in.Parts[i]
			part.Name, part.For = c.Name("parts", part.Name), c.Text("parts", part.For, say.LongestNote)
			if !(part.Share > 0 && part.Share <= 1000) {
				c.Add("parts", "Every part is above 0.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		parts, err := json.Marshal(in.Parts)
		if err != nil {
			return journal.Record{}, err
		}
		row.Parts = string(parts)
		if id != 0 {
			row.ID = &id
		}
		_, err = mixesTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindBench, Summary: "Wrote the recipe " + row.Name}, err
	})
}

// ShedInput is what there is of a part now.
type ShedInput struct {
	Name   string `json:"name"`
	Amount string `json:"amount" doc:"As typed"`
}

// SetShed notes what the shed holds of a part.
func (u *Uses) SetShed(ctx context.Context, in ShedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutShedPartParams{Name: c.Name("name", in.Name)}
		litres, err := unit.Parse(unit.Volume, in.Amount, s.Units.VolumeUnit())
		const most = 100_000
		switch {
		case err != nil:
			c.AddError("amount", err)
		case litres < 0 || litres > most:
			c.Add("amount", "From nothing to %s.", s.Units.Volume(most))
		}
		row.Litres = litres
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		var id int64
		for _, known := range shedParts.Of(s) {
			if strings.EqualFold(known.Name, row.Name) {
				id, row.Name = known.ID, known.Name
				row.ID = &id
			}
		}
		_, err = shedTable.Put(ctx, d, id, row)
		return journal.Record{
			Kind:    kindBench,
			Summary: fmt.Sprintf("Counted the shed: %s of %s", s.Units.Volume(litres), row.Name),
		}, err
	})
}

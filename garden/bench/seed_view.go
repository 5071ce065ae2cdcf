package bench

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// SeedsView is the seed on the shelf, and what to save this year.
type SeedsView struct {
	Lots       []SeedLotView  `json:"lots"`
	Save       []SaveSeedView `json:"save"`
	Storages   []string       `json:"storages"`
	WeightUnit string         `json:"weightUnit"`
}

// SeedLotView is one seed lot.
type SeedLotView struct {
	ID        int64       `json:"id"`
	SpeciesID string      `json:"speciesId"`
	Plant     string      `json:"plant"`
	Botanical string      `json:"botanical"`
	Name      string      `json:"name"`
	Origin    string      `json:"origin"`
	From      string      `json:"from"`
	MotherID  int64       `json:"motherId"`
	Mothers   int         `json:"mothers"`
	Source    string      `json:"source"`
	RipeOn    string      `json:"ripeOn"`
	Age       string      `json:"age"`
	Sign      string      `json:"sign"`
	Dried     string      `json:"dried"`
	Storage   string      `json:"storage"`
	Alive     []float64   `json:"alive" doc:"Share alive: 1, 5 and 9 in 10; none where nobody can tell"`
	AliveText string      `json:"aliveText"`
	Rests     string      `json:"rests" doc:"What that rests on"`
	Tests     []string    `json:"tests"`
	Left      string      `json:"left"`
	Weight    string      `json:"weight"`
	Count     string      `json:"count"`
	SowBy     string      `json:"sowBy"`
	TooOld    bool        `json:"tooOld"`
	Labelled  bool        `json:"labelled"`
	Note      string      `json:"note"`
	Version   say.Version `json:"version"`
}

// Seeds shows the seed on the shelf.
func (u *Uses) Seeds(ctx context.Context) (SeedsView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SeedsView{}, err
	}
	v := SeedsView{
		Lots:       []SeedLotView{},
		Save:       seedToSave(s),
		Storages:   propagation.Storages,
		WeightUnit: s.Units.MassUnit(),
	}
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.RemovedOn == nil {
			v.Lots = append(v.Lots, viewLot(s, lot))
		}
	}
	return v, nil
}

func viewLot(s *plot.State, lot store.SeedLot) SeedLotView {
	v := SeedLotView{
		ID: lot.ID, SpeciesID: lot.SpeciesID, Plant: speciesName(s, lot.SpeciesID), Name: lot.Name, Origin: lot.Origin,
		Source: lot.Source,
		RipeOn: lot.RipeOn, Sign: lot.Sign, Dried: lot.Dried, Storage: lot.Storage, Alive: []float64{}, Tests: []string{},
		Labelled: lot.Labelled == 1, Note: lot.Note, Version: say.VersionOf(lot), From: lotFrom(s, lot),
	}
	if lot.MotherID != nil {
		v.MotherID = *lot.MotherID
	}
	if lot.Mothers != nil {
		v.Mothers = int(*lot.Mothers)
	}
	years := lotYears(lot, s.Today)
	v.Age = ageWords(years)
	species, has := s.Lib.Species(lot.SpeciesID)
	var row *flora.Propagation
	if has {
		v.Botanical = species.Names.Botanical
		row = seedRow(species)
	}
	for _, test := range tests.Of(s) {
		if test.LotID == lot.ID {
			v.Tests = append(
				v.Tests,
				fmt.Sprintf("%s: %d of %d came up", dayOf(&test.Day).DayMonthYear(), test.CameUp, test.Tried),
			)
		}
	}
	alive, known := aliveOf(s, lot, s.Today)
	_, from := seenOfLot(s, lot)
	switch {
	case from != "":
		v.Rests = "by " + from
	case known:
		v.Rests = "reckoned by its age and how it is kept; a test would tell"
	default:
		v.Rests = "how long its seed lives is not on record; a test would tell"
	}
	v.AliveText = "not known"
	if known {
		v.Alive = alive[:]
		v.AliveText = fmt.Sprintf("%.0f in 100 (%.0f to %.0f)", 100*alive[1], 100*alive[0], 100*alive[2])
		if alive[2] < 0.02 {
			v.AliveText = "hardly any"
		}
		v.TooOld = alive[1] < s.Lib.Bench().Seed.Poor.Value
		v.SowBy = sowBy(s, lot, row, v.TooOld)
	}
	v.Left, v.Weight, v.Count = leftWords(s, lot, row)
	return v
}

func lotFrom(s *plot.State, lot store.SeedLot) string {
	if lot.Origin == originBought {
		if lot.Source == "" {
			return "bought"
		}
		return "bought: " + lot.Source
	}
	from := "own"
	if lot.MotherID != nil {
		if p, has := s.ByID[*lot.MotherID]; has {
			from = "own, from " + p.Species.Names.Name + " in " + p.Bed.Name
		}
	}
	if lot.Mothers != nil {
		from += ", " + say.Counted(float64(*lot.Mothers), "mother", "mothers")
	}
	return from
}

// ageWords say an age in months, or in years and months while those count.
func ageWords(years float64) string {
	months := int(math.Floor(years*12 + 0.5))
	words := say.Counted(float64(months), "month", "months")
	switch {
	case months < 2:
		return "new"
	case months >= 36:
		words = say.Counted(float64(months/12), "year", "years")
	case months >= 12:
		words = say.Counted(float64(months/12), "year", "years")
		if months%12 > 0 {
			words += " " + say.Counted(float64(months%12), "month", "months")
		}
	}
	return words + " old"
}

func leftWords(s *plot.State, lot store.SeedLot, row *flora.Propagation) (left, weight, count string) {
	if lot.Grams == nil {
		return "not weighed", "", ""
	}
	weight = s.Units.Weight(*lot.Grams)
	left = weight
	if seeds, known := seedsOf(lot, row); known {
		left = fmt.Sprintf("about %s seeds, %s", say.Number(roundRough(seeds)), weight)
		if lot.SeedsGram != nil {
			count = say.Number(math.Round(seeds))
		}
	}
	return left, weight, count
}

// roundRough rounds to two digits: nobody counts seed more exactly by weight.
func roundRough(n float64) float64 {
	if n < 10 {
		return math.Round(n)
	}
	scale := math.Pow(10, math.Floor(math.Log10(n))-1)
	return math.Round(n/scale) * scale
}

// sowBy says by when to sow a lot: the day from which less of it is alive than is worth sowing.
func sowBy(s *plot.State, lot store.SeedLot, row *flora.Propagation, tooOld bool) string {
	if tooOld {
		return "too old to rely on: test it, or sow thickly what is left"
	}
	if row == nil || row.SeedLife == nil {
		return ""
	}
	const farYears = 25
	known := knownLot(s, lot, s.Today)
	known.Seen = nil
	poor := s.Lib.Bench().Seed.Poor.Value
	for month := 1; month < farYears*12; month++ {
		later := *known
		later.Years += float64(month) / 12
		if later.Alive(*row.SeedLife, s.Lib.Bench())[1] < poor {
			return "sow by " + s.Today.AddDays(int(float64(month-1)*yearDays/12)).Time().Format("January 2006")
		}
	}
	return "keeps for many years"
}

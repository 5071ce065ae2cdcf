package bench

import (
	"context"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Where seed comes from.
const (
	originOwn    = "own"
	originBought = "bought"
)

// SeedLotInput is a seed lot as typed.
type SeedLotInput struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	Origin    string `json:"origin" enum:"own,bought"`
	MotherID  int64  `json:"motherId,omitempty" doc:"Of own seed, the planting that bore it; 0 for not known"`
	Mothers   int    `json:"mothers,omitempty" doc:"Of own seed, from how many plants; 0 for not known"`
	Source    string `json:"source,omitempty" doc:"Of bought seed, whose it is"`
	// RipeOn is the day that it was ripe, or of bought seed the day of its harvest or packing.
	RipeOn   string `json:"ripeOn"`
	Sign     string `json:"sign,omitempty" doc:"By which sign it was ripe"`
	Dried    string `json:"dried,omitempty" doc:"How it was dried"`
	Storage  string `json:"storage" enum:"warm kitchen,cool room,cold and dry"`
	Weight   string `json:"weight,omitempty" doc:"What is left, as typed; empty for not weighed"`
	Count    string `json:"count,omitempty" doc:"About how many seeds that is; empty for not counted"`
	Labelled bool   `json:"labelled,omitempty" doc:"It came labelled from a known source"`
	Note     string `json:"note,omitempty"`
}

// mostGrams is the most seed that a household keeps of a lot: 50 kg.
const mostGrams = 50_000

func readLot(s *plot.State, in SeedLotInput) (store.PutSeedLotParams, error) {
	var c say.Checklist
	row := store.PutSeedLotParams{
		SpeciesID: in.SpeciesID, Name: c.Name("name", in.Name), Origin: in.Origin, Source: c.Text("source", in.Source,
			say.LongestNote),
		RipeOn: in.RipeOn, Sign: c.Text("sign", in.Sign, say.LongestNote), Dried: c.Text("dried", in.Dried, say.LongestNote),
		Storage: in.Storage, Note: c.Text("note", in.Note, say.LongestNote),
	}
	species, has := s.Lib.Species(in.SpeciesID)
	if !has {
		c.Add("speciesId", "Choose a plant of the library.")
	}
	if in.Origin != originOwn && in.Origin != originBought {
		c.Add("origin", "Say whether it is your own seed or was bought.")
	}
	input.ReadDay(s, &c, "ripeOn", in.RipeOn)
	if _, err := s.Lib.Bench().Seed.Storage(in.Storage); err != nil {
		c.Add("storage", "Choose how it is kept: %s.", say.OrList(propagation.Storages))
	}
	if in.MotherID != 0 {
		p, known := s.ByID[in.MotherID]
		switch {
		case in.Origin == originBought:
			c.Add("motherId", "Bought seed has no mother here.")
		case !known:
			c.Add("motherId", "Choose a planting.")
		case has && p.SpeciesID != species.ID:
			c.Add("motherId", "%s bears no seed of %s.", say.Capital(p.Species.Names.Name), species.Names.Name)
		}
		row.MotherID = &in.MotherID
	}
	if in.Mothers < 0 || in.Mothers > mostWanted {
		c.Add("mothers", "From 1 to %d plants; 0 where nobody knows.", mostWanted)
	} else if in.Mothers > 0 {
		mothers := int64(in.Mothers)
		row.Mothers = &mothers
	}
	row.Grams, row.SeedsGram = readSeedAmount(s, &c, in)
	if in.Labelled {
		row.Labelled = 1
		if row.Source == "" {
			c.Add("source", "Say whose label it came with.")
		}
	}
	return row, c.Err()
}

// readSeedAmount reads what is left of a lot, in grams, and its own count a gram; nil for what was not
// said.
func readSeedAmount(s *plot.State, c *say.Checklist, in SeedLotInput) (grams, perGram *float64) {
	if strings.TrimSpace(in.Weight) != "" {
		weight, err := unit.Parse(unit.Mass, in.Weight, s.Units.MassUnit())
		switch {
		case err != nil:
			c.AddError("weight", err)
		case weight < 0 || weight > mostGrams:
			c.Add("weight", "From nothing to %s.", s.Units.Weight(mostGrams))
		default:
			grams = &weight
		}
	}
	if strings.TrimSpace(in.Count) == "" {
		return grams, nil
	}
	count, rest, err := unit.SplitNumber(strings.TrimSpace(in.Count))
	switch {
	case err != nil || strings.TrimSpace(rest) != "" || count < 0 || count != math.Trunc(count) || count > 1e8:
		c.Add("count", "Write about how many seeds there are, for example 400.")
	case grams == nil:
		c.Add("weight", "Say what they weigh, too: a count alone cannot be used up by weight.")
	case count > 0 && *grams > 0:
		each := count / *grams
		perGram = &each
	case count > 0:
		c.Add("weight", "So many seeds weigh more than nothing.")
	}
	return grams, perGram
}

func lotParams(row store.SeedLot) store.PutSeedLotParams {
	return store.PutSeedLotParams{
		ID: &row.ID, SpeciesID: row.SpeciesID, Name: row.Name, Origin: row.Origin, MotherID: row.MotherID,
		Mothers: row.Mothers,
		Source:  row.Source, RipeOn: row.RipeOn, Sign: row.Sign, Dried: row.Dried, Storage: row.Storage, Grams: row.Grams,
		SeedsGram: row.SeedsGram, Labelled: row.Labelled, Note: row.Note, RemovedOn: row.RemovedOn,
	}
}

func standingLot(s *plot.State, id int64) (store.SeedLot, error) {
	row, has := rowOf(lots.Of(s), id, func(r store.SeedLot) int64 { return r.ID })
	if !has || row.RemovedOn != nil {
		return row, say.NotFoundError{What: "seed lot"}
	}
	return row, nil
}

// PutLot adds a seed lot, with an id of 0, or changes one.
func (u *Uses) PutLot(ctx context.Context, id int64, seen say.Version, in SeedLotInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		verb := "Put by "
		if id != 0 {
			row, err := standingLot(s, id)
			if err != nil {
				return journal.Record{}, err
			}
			if err := seen.IsOf(say.VersionOf(row), row.Name); err != nil {
				return journal.Record{}, err
			}
			verb = "Changed "
		}
		row, err := readLot(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		if id != 0 {
			row.ID = &id
			for _, b := range batches.Of(s) {
				if b.LotID != nil && *b.LotID == id && b.SpeciesID != row.SpeciesID {
					return journal.Record{}, say.Faults{{Field: "speciesId",
						Message: "A batch was raised of it as " + speciesName(s, b.SpeciesID) + ": put by a new lot instead."}}
				}
			}
		}
		if _, err := lotsTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:     kindSeed,
			Planting: row.MotherID,
			Summary:  fmt.Sprintf("%sseed of %s: %s", verb, speciesName(s, row.SpeciesID), row.Name),
		}, nil
	})
}

// UseUpLot takes a lot off the shelf: it is used up, given away or thrown out.
func (u *Uses) UseUpLot(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := standingLot(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		today := s.Today.String()
		row.RemovedOn = &today
		_, err = lotsTable.Put(ctx, d, id, lotParams(row))
		return journal.Record{
			Kind:    kindSeed,
			Summary: fmt.Sprintf("Took the seed %s of %s off the shelf", row.Name, speciesName(s, row.SpeciesID)),
		}, err
	})
}

// SeedTestInput is a test of germination.
type SeedTestInput struct {
	Day    string `json:"day"`
	Tried  int    `json:"tried"`
	CameUp int    `json:"cameUp"`
	Note   string `json:"note,omitempty"`
}

// mostTested is the most seeds in one test.
const mostTested = 2000

// TestLot notes a test of germination.
func (u *Uses) TestLot(ctx context.Context, id int64, in SeedTestInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		lot, err := standingLot(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		day := input.ReadDay(s, &c, "day", in.Day)
		if ripe := dayOf(&lot.RipeOn); !c.Has("day") && day < ripe {
			c.Add("day", "It was ripe only on %s.", ripe.DayMonthYear())
		}
		switch {
		case in.Tried < 1:
			c.Add("tried", "A test needs 1 seed or more: of 0 nothing can be said.")
		case in.Tried > mostTested:
			c.Add("tried", "No more than %d.", mostTested)
		case in.CameUp < 0 || in.CameUp > in.Tried:
			c.Add("cameUp", "From 0 to the %d that were tried.", in.Tried)
		}
		note := c.Text("note", in.Note, say.LongestNote)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if _, err := testsTable.Put(ctx, d, 0, store.PutSeedTestParams{
			LotID: id, Day: in.Day, Tried: int64(in.Tried), CameUp: int64(in.CameUp), Note: note,
		}); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindSeed,
			Summary: fmt.Sprintf(
				"Tested the seed %s of %s: %d of %d came up",
				lot.Name,
				speciesName(s, lot.SpeciesID),
				in.CameUp,
				in.Tried,
			),
		}, nil
	})
}

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

// SaveSeedView is seed to save this year.
type SaveSeedView struct {
	SpeciesID string `json:"speciesId"`
	Name      string `json:"name"`
	When      string `json:"when"`
	Why       string `json:"why"`
	Mothers   string `json:"mothers"`
	PlantID   int64  `json:"plantingId"`
	// First and Last are the days in which it is likely ripe.
	First calendar.Date `json:"first"`
	Last  calendar.Date `json:"last"`

	bed string
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
	for _, lot := range lots.Of(s) {
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

// seedToSave is what seed to save this year: of what seeds here this season and is on the shelf no
// more, or getting old, or was raised from few mothers.
func seedToSave(s *plot.State) []SaveSeedView {
	saves := []SaveSeedView{}
	seen := map[string]bool{}
	lore := s.Lib.Bench().Seed
	mothers, err := propagation.MothersToSaveFrom(lore.Keep.Value, int(lore.Generations.Value))
	if err != nil {
		return saves
	}
	for _, p := range s.Plantings {
		row := seedRow(p.Species)
		if seen[p.SpeciesID] || p.Aside || row == nil || !row.IsAdvised() || p.Now == nil {
			continue
		}
		bands := p.Now.Bands(flora.Ripe, flora.DyingBack, flora.Ripe)
		if len(bands) == 0 {
			continue
		}
		first, last, opens := bands[0].LikelyDays()
		if !opens || last < s.Today {
			continue
		}
		why := whySave(s, p.SpeciesID)
		if why == "" {
			continue
		}
		seen[p.SpeciesID] = true
		saves = append(saves, SaveSeedView{
			SpeciesID: p.SpeciesID, Name: p.Species.Names.Name, PlantID: p.ID, Why: why,
			When: "ripe about " + calendar.Span(first, last), Mothers: mothersWords(p, mothers, lore),
			First: first, Last: last, bed: p.Bed.Name,
		})
	}
	return saves
}

func mothersWords(p *plot.Planting, mothers int, lore propagation.SeedOf) string {
	words := fmt.Sprintf("From %d mothers or more, so that the kind keeps %s in 10 of what varies over %s generations.",
		mothers, say.Number(lore.Keep.Value*10), say.Number(lore.Generations.Value))
	if standing := p.Standing(); standing < mothers {
		words += fmt.Sprintf(" %d stand here: take of all of them, and fetch seed from elsewhere now and then.", standing)
	}
	return words
}

// whySave says why seed of a species is worth saving this year; empty where it is not.
func whySave(s *plot.State, speciesID string) string {
	standing := standingLots(s, speciesID)
	if len(standing) == 0 {
		for _, wish := range wishes.Of(s) {
			if wish.SpeciesID == speciesID && wish.EndedOn == nil {
				return "wished for, and no seed of it is on the shelf"
			}
		}
		if species, has := s.Lib.Species(speciesID); has && species.Life.Form != flora.Perennial {
			return "it does not live on by itself, and no seed of it is on the shelf"
		}
		return ""
	}
	for _, lot := range standing {
		if alive, known := aliveOf(s, lot, s.Today.AddDays(yearDays)); !known || alive[1] >= s.Lib.Bench().Seed.Poor.Value {
			return ""
		}
	}
	return "what is on the shelf is getting old"
}

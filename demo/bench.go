package demo

import (
	"bramblyacre/core/propagation"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/say"
)

// raisingPlaces are where plants are raised on the sample plot.
var raisingPlaces = []bench.RaisingPlaceInput{
	{
		Name:  "Attic shelf",
		Kind:  "indoor shelf",
		Trays: 4,
		Set:   "19 °C",
		Light: new(13.0),
		Note:  "Under the skylight, two lamps.",
	},
	{Name: "Heat mat", Kind: "warm bed", Trays: 2, Set: "21 °C"},
	{
		Name:   "Lean-to",
		Kind:   "cold house",
		Trays:  6,
		Warmer: "2.5 °C",
		Least:  "-6 °C",
		Note:   "Glass against the house's west wall.",
	},
	{Name: "Yard slats", Kind: "outdoors", Trays: 7},
	{Name: "Cellar fridge", Kind: "refrigerator", Trays: 1, Set: "4 °C"},
}

// foodRooms are the room that food has first call on.
var foodRooms = []struct {
	place string
	in    bench.KeptRoomInput
}{
	{"Attic shelf", bench.KeptRoomInput{Name: "squashes", Trays: 1, From: "2031-04-20", Until: "2031-06-08"}},
	{"Lean-to", bench.KeptRoomInput{Name: "leeks", Trays: 2, From: "2031-03-10", Until: "2031-06-20"}},
	{"Attic shelf", bench.KeptRoomInput{Name: "winter salads", Trays: 2, From: "2031-08-04", Until: "2031-09-20"}},
	{"Lean-to", bench.KeptRoomInput{Name: "winter salads", Trays: 3, From: "2031-09-10", Until: "2031-11-20"}},
}

// seedLots are the seed on the sample plot's shelf, of different age.
var seedLots = []struct {
	key, mother string
	in          bench.SeedLotInput
}{
	{"valerian own", "valerian", bench.SeedLotInput{
		SpeciesID: "valerian", Name: "Long Bed 2030", Origin: "own", Mothers: 12, RipeOn: "2030-07-24",
		Sign:  "parachutes lift when blown at",
		Dried: "in a paper bag in the attic, two weeks", Storage: "cool room", Weight: "3 g",
	}},
	{"hyssop", "", bench.SeedLotInput{
		SpeciesID: "anise-hyssop", Name: "Packet, mill swap", Origin: "bought", RipeOn: "2030-09-15", Storage: "cool room",
		Weight: "1 g", Labelled: true,
		Source: nursery,
	}},
	{"marigold", "", bench.SeedLotInput{
		SpeciesID: "pot-marigold", Name: "From the neighbour", Origin: "bought", RipeOn: "2029-09-02",
		Storage: "warm kitchen", Weight: "12 g",
		Source: "The neighbour's garden, no label",
	}},
	{"cicely", "sweet cicely", bench.SeedLotInput{
		SpeciesID: "sweet-cicely", Name: "Nut Shade 2030", Origin: "own", Mothers: 8, RipeOn: "2030-08-03",
		Sign:  "dark brown and loose on the ray",
		Dried: "laid down moist in sand, not dried", Storage: "cool room", Weight: "15 g",
	}},
	{"lovage", "lovage", bench.SeedLotInput{
		SpeciesID: "lovage", Name: "Long Bed 2027", Origin: "own", Mothers: 1, RipeOn: "2027-09-10",
		Sign: "brown, splitting", Dried: "on a sheet",
		Storage: "warm kitchen", Weight: "8 g", Note: "Forgotten in the kitchen drawer.",
	}},
	{"yarrow", "", bench.SeedLotInput{
		SpeciesID: "yarrow", Name: "Packet of 2028", Origin: "bought", RipeOn: "2028-09-01", Storage: "cold and dry",
		Weight: "0.5 g", Labelled: true,
		Source: nursery,
	}},
	{"thyme", "", bench.SeedLotInput{
		SpeciesID: "garden-thyme", Name: "Packet of 2030", Origin: "bought", RipeOn: "2030-08-20", Storage: "cool room",
		Weight: "0.4 g", Count: "1900",
		Labelled: true, Source: nursery,
	}},
}

// raised is what the bench did this spring, and is to do, day by day.
func raised() []event {
	return []event{
		{mustDay("2031-02-20"), "places", (*builder).layOutBench},
		{mustDay("2031-02-20"), "families", func(b *builder) error {
			for _, of := range [][2]string{{"sage young", "sage"}, {"valerian wet", "valerian"}, {"meadowsweet hedge",
				"meadowsweet"}} {
				in := bench.LineageInput{MotherID: b.plantings[of[1]]}
				if _, err := b.garden.Bench.TellLineage(b.ctx, b.plantings[of[0]], in); err != nil {
					return err
				}
			}
			return nil
		}},
		{mustDay("2031-02-20"), "seed", (*builder).putSeedBy},
		{mustDay("2031-03-02"), "seed test", func(b *builder) error {
			_, err := b.garden.Bench.TestLot(b.ctx, b.lots["valerian own"], bench.SeedTestInput{
				Day: "2031-03-02", Tried: 30, CameUp: 21, Note: "On damp paper, at the stove",
			})
			return err
		}},
		{mustDay("2031-04-19"), "hyssop sown", func(b *builder) error {
			return b.sow("hyssop", "anise-hyssop", 12, "Dry Bank", "Attic shelf", 20)
		}},
		{mustDay("2031-04-29"), "valerian sown", func(b *builder) error {
			return b.sow("valerian", "valerian", 16, "Wet Corner", "Attic shelf", 40)
		}},
		{mustDay("2031-05-10"), "hyssop counted", func(b *builder) error { return b.count("hyssop", 17) }},
		{mustDay("2031-05-24"), "valerian counted", func(b *builder) error { return b.count("valerian", 19) }},
		{mustDay("2031-05-18"), "angelica seen", func(b *builder) error {
			_, err := b.garden.Bench.NoteVolunteers(b.ctx, bench.VolunteerInput{
				SpeciesID: "garden-angelica", BedID: b.beds["Long Bed"], Place: "the east end, where one stood until last year",
				Day:    "2031-05-18",
				Plants: 26, Note: "Two true leaves, thumb high.",
			})
			return err
		}},
		{mustDay("2031-05-18"), "dug for beans", func(b *builder) error {
			_, err := b.garden.Bench.PlanBedWork(b.ctx, bench.BedWorkInput{
				BedID: b.beds["Long Bed"], Day: "2031-06-07", What: "the east end dug for beans",
			})
			return err
		}},
		{mustDay("2031-05-20"), "sown again each year", func(b *builder) error {
			_, err := b.garden.Bench.Insure(b.ctx, b.plantings["burdock young"], bench.InsureInput{On: true})
			return err
		}},
		{Today, "wishes", (*builder).wishAndPlan},
	}
}

func (b *builder) layOutBench() error {
	for _, place := range raisingPlaces {
		entry, err := b.garden.Bench.PutPlace(b.ctx, 0, say.AsItStands, place)
		if err != nil {
			return err
		}
		b.places[place.Name] = entry.Made
	}
	for _, room := range foodRooms {
		in := room.in
		in.PlaceID = b.places[room.place]
		if _, err := b.garden.Bench.KeepRoom(b.ctx, in); err != nil {
			return err
		}
	}
	if _, err := b.garden.Bench.SetMeasures(b.ctx, say.AsItStands, bench.BenchSettingsInput{
		Scoop: "0.8 l", Bucket: "9 l", Packet: new(3.2), Plant: new(4.5), MixLitre: new(0.3), Currency: "€", TrayCells: 20, Cell: "70 ml", CellDepth: "6 cm",
	}); err != nil {
		return err
	}
	for _, part := range []bench.ShedInput{
		{Name: "leaf mould", Amount: "14 l"}, {Name: "leaf mould, sieved", Amount: "3 l"}, {Name: "compost, sieved",
			Amount: "22 l"},
		{Name: "grit", Amount: "2.5 l"}, {Name: "loam", Amount: "18 l"}, {Name: "sharp sand", Amount: "9 l"},
	} {
		if _, err := b.garden.Bench.SetShed(b.ctx, part); err != nil {
			return err
		}
	}
	_, err := b.garden.Bench.PutMix(b.ctx, 0, bench.OwnMixInput{
		Name: "attic mix", For: "what stands long on the shelf: it stays open", Parts: []propagation.MixPart{
			{Name: "leaf mould, sieved", Share: 4, For: "holds water and air"}, {Name: "grit", Share: 3, For: "drains"},
			{Name: "loam", Share: 1, For: "holds food"},
		},
	})
	return err
}

func (b *builder) putSeedBy() error {
	for _, lot := range seedLots {
		in := lot.in
		in.MotherID = b.plantings[lot.mother]
		entry, err := b.garden.Bench.PutLot(b.ctx, 0, say.AsItStands, in)
		if err != nil {
			return err
		}
		b.lots[lot.key] = entry.Made
	}
	return nil
}

// sow wishes for a plant, takes its way from seed in a place, sows it today, and sets it into the
// cells of a tray.
func (b *builder) sow(key, species string, wanted int, bed, place string, starts int) error {
	id, err := b.plan(key, bench.WishInput{SpeciesID: species, Plants: wanted, BedID: b.beds[bed]}, "seed", place, starts)
	if err != nil {
		return err
	}
	if _, err := b.garden.Bench.BeginBatch(b.ctx, id, bench.BeginInput{Day: b.day.String(), Starts: starts}); err != nil {
		return err
	}
	tray, err := b.garden.Bench.PutTray(b.ctx, 0, say.AsItStands, bench.TrayInput{
		Name: key, PlaceID: b.places[place], Rows: 5, Columns: starts / 5, Cell: "70 ml", Depth: "6 cm", Mix: "sowing",
	})
	if err != nil {
		return err
	}
	b.trays[key] = tray.Made
	_, err = b.garden.Bench.SowTray(b.ctx, tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: id, Count: starts})
	return err
}

// plan makes a wish, and plans it by the first of its ways of a kind that is had in a place.
func (b *builder) plan(key string, wish bench.WishInput, way, place string, starts int) (int64, error) {
	entry, err := b.garden.Bench.Wish(b.ctx, wish)
	if err != nil || way == "" {
		return 0, err
	}
	ways, err := b.garden.Bench.Ways(b.ctx, bench.AskInput{Wish: entry.Made})
	if err != nil {
		return 0, err
	}
	for _, w := range ways.Ways {
		if w.Way == way && (place == "" || w.Where == place) {
			planned, err := b.garden.Bench.PlanBatch(b.ctx, bench.PlanBatchInput{WishID: entry.Made, Key: w.Key, Starts: starts})
			b.batches[key] = planned.Made
			return planned.Made, err
		}
	}
	return 0, say.NotFoundError{What: "way " + way + " of " + wish.SpeciesID + " in " + place}
}

// count taps so many cells of a tray as up, as seed comes up: here and there.
func (b *builder) count(key string, up int) error {
	tray, err := b.garden.Bench.Tray(b.ctx, b.trays[key])
	if err != nil {
		return err
	}
	var changes []bench.CellChange
	const stride = 7 // prime to the cells of both trays, so that it meets each once
	for i := range up {
		changes = append(changes, bench.CellChange{Cell: i * stride % len(tray.Cells), State: "up", From: -1})
	}
	_, err = b.garden.Bench.CountTray(b.ctx, b.trays[key], say.AsItStands, bench.CountTrayInput{Changes: changes})
	return err
}

// wishAndPlan is what is wanted today, and how.
func (b *builder) wishAndPlan() error {
	for _, w := range []struct {
		wish       bench.WishInput
		way, place string
		starts     int
	}{
		{bench.WishInput{SpeciesID: "common-sage", Plants: 10, BedID: b.beds["Dry Bank"]}, "softwood cutting",
			"Heat mat", 20},
		{bench.WishInput{SpeciesID: "garden-thyme", Plants: 12, BedID: b.beds["Dry Bank"]}, "seed", "Lean-to", 40},
		{bench.WishInput{SpeciesID: "lovage", Plants: 3, BedID: b.beds["Long Bed"], By: "2032-05-01"}, "division", "", 0},
		{bench.WishInput{SpeciesID: "yarrow", Plants: 15, BedID: b.beds["Dry Bank"]}, "seed", "Attic shelf", 0},
		{bench.WishInput{SpeciesID: "pot-marigold", Plants: 20}, "seed", "in place", 0},
		{bench.WishInput{SpeciesID: "valerian", Plants: 8, BedID: b.beds["Long Bed"], By: "2032-06-01"}, "", "", 0},
		{bench.WishInput{
			SpeciesID: "elecampane", Plants: 5, BedID: b.beds["Long Bed"], By: "2031-07-10",
			Note: "For the gap by the path, before the visit.",
		}, "", "", 0},
		{bench.WishInput{SpeciesID: "garden-angelica", Plants: 6, BedID: b.beds["Wet Corner"]}, "", "", 0},
	} {
		if _, err := b.plan(w.wish.SpeciesID, w.wish, w.way, w.place, w.starts); err != nil {
			return err
		}
	}
	return nil
}

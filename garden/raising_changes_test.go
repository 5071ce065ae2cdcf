package garden

import (
	"bramblyacre/core/propagation"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/say"
)

// benchKinds is how many kinds of change the bench has here: the last of everyChange.
const benchKinds = 15

// benchChanges are one change of every kind at the bench.
func (p *fixture) benchChanges() []change {
	p.t.Helper()
	t, ctx := p.t, p.t.Context()
	r := &raising{fixture: p}
	r.furnish(t, p.Garden)
	begun := r.sown(t, 12)
	planned := r.planned(t, bench.AskInput{Species: "valerian", Plants: 4}, "seed", "House", 10)
	tray, err := p.Bench.PutTray(ctx, 0, say.AsItStands, bench.TrayInput{Name: "Tin", PlaceID: r.shelf, Rows: 3, Columns: 4, Cell: "70 ml", Depth: "6 cm"})
	check(t, err)
	annual, err := p.Garden.Place.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: "borage", Plants: 5, StartedOn: "2031-04-20", Origin: "seed"})
	check(t, err)
	changes := []change{
		{"self-seeder insured", func() (journal.Entry, error) { return p.Bench.Insure(ctx, annual.Made, bench.InsureInput{On: true}) }},
		{"place added", func() (journal.Entry, error) {
			return p.Bench.PutPlace(ctx, 0, say.AsItStands, bench.RaisingPlaceInput{Name: "Sill", Kind: "indoor shelf", Trays: 2, Set: "17 °C"})
		}},
		{"room kept", func() (journal.Entry, error) {
			return p.Bench.KeepRoom(ctx, bench.KeptRoomInput{PlaceID: r.house, Name: "leeks", Trays: 1, From: "2031-03-01", Until: "2031-06-20"})
		}},
		{"seed put by", func() (journal.Entry, error) {
			return p.Bench.PutLot(ctx, 0, say.AsItStands, bench.SeedLotInput{SpeciesID: "borage", Name: "Bees'", Origin: "bought", RipeOn: "2030-08-01", Storage: "cold and dry"})
		}},
		{"seed tested", func() (journal.Entry, error) {
			return p.Bench.TestLot(ctx, r.lot, bench.SeedTestInput{Day: "2031-05-20", Tried: 20, CameUp: 13})
		}},
		{"wished", func() (journal.Entry, error) {
			return p.Bench.Wish(ctx, bench.WishInput{SpeciesID: "lovage", Plants: 2})
		}},
		{"batch begun", func() (journal.Entry, error) {
			return p.Bench.BeginBatch(ctx, planned, bench.BeginInput{Day: "2031-05-27", Starts: 10})
		}},
		{"batch counted", func() (journal.Entry, error) {
			return p.Bench.CountBatch(ctx, begun, bench.BatchCountInput{Kind: "up", Plants: 9, Day: "2031-05-27"})
		}},
		{"tray sown", func() (journal.Entry, error) {
			return p.Bench.SowTray(ctx, tray.Made, say.AsItStands, bench.SowTrayInput{BatchID: begun, Count: 12})
		}},
		{"volunteers seen", func() (journal.Entry, error) {
			return p.Bench.NoteVolunteers(ctx, bench.VolunteerInput{SpeciesID: "valerian", MotherID: r.mother, BedID: r.bed, Day: "2031-05-20", Plants: 7})
		}},
		{"planted out", func() (journal.Entry, error) {
			return sayYes(func(affirmed []string) (journal.Entry, error) {
				return p.Bench.PlantOut(ctx, begun, bench.PlantOutInput{Day: "2031-05-27", BedID: p.bed, Plants: 3, Stage: "shooting", Affirmed: affirmed})
			})
		}},
		{"recipe written", func() (journal.Entry, error) {
			return p.Bench.PutMix(ctx, 0, bench.OwnMixInput{Name: "Gritty", Parts: []propagation.MixPart{{Name: "grit", Share: 1, For: "drains"}}})
		}},
		{"shed counted", func() (journal.Entry, error) {
			return p.Bench.SetShed(ctx, bench.ShedInput{Name: "grit", Amount: "12 l"})
		}},
		{"bed to be worked", func() (journal.Entry, error) {
			return p.Bench.PlanBedWork(ctx, bench.BedWorkInput{BedID: p.bed, Day: "2031-06-20", What: "hoed"})
		}},
		{"measures set", func() (journal.Entry, error) {
			return p.Bench.SetMeasures(ctx, say.AsItStands, bench.BenchSettingsInput{TrayCells: 30, Cell: "60 ml", CellDepth: "5 cm", Scoop: "1 l"})
		}},
	}
	if len(changes) != benchKinds {
		t.Fatalf("%d kinds of change, not %d", len(changes), benchKinds)
	}
	return changes
}

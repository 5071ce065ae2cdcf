package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/bench"
	"bramblyacre/garden/journal"
)

// BatchNote is why a batch ends.
type BatchNote struct {
	Note string `json:"note,omitempty"`
}

// BySettingOut is plants to be set out.
type BySettingOut struct {
	Bed     int64  `query:"bed"`
	Width   string `query:"width" maxLength:"40"`
	Length  string `query:"length" maxLength:"40"`
	Spacing string `query:"spacing" maxLength:"40"`
	Edge    string `query:"edge" maxLength:"40"`
	Species string `query:"species" maxLength:"80"`
}

func (in BySettingOut) input() bench.SetOutInput {
	return bench.SetOutInput{
		BedID: in.Bed, Width: in.Width, Length: in.Length, Spacing: in.Spacing, Edge: in.Edge, Species: in.Species,
	}
}

func (o operations) registerBench(api huma.API) {
	o.registerBatches(api)
	o.registerTrays(api)
	o.registerSeeds(api)
	o.registerBenchFiles(api)
	operation(api, http.MethodGet, "/api/bench", "getBench", "The shelves to raise plants on, week by week",
		func(ctx context.Context, _ *nothing) (bench.BenchView, error) {
			return o.garden.Bench.Bench(ctx)
		})
	operation(api, http.MethodGet, "/api/bench/wanted", "getWanted", "What is to be made more of",
		func(ctx context.Context, _ *nothing) (bench.WantedView, error) {
			return o.garden.Bench.Wanted(ctx)
		})
	operation(api, http.MethodPost, "/api/wishes", "wish", "Note what is to be made more of",
		func(ctx context.Context, in *struct{ Body bench.WishInput }) (journal.Entry, error) {
			return o.garden.Bench.Wish(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/wishes/{id}/end", "endWish", "Take a wish off the list",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.EndWish(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/ways", "getWays", "Every way to make more of a plant, side by side",
		func(ctx context.Context, in *struct {
			Wish    int64  `query:"wish"`
			Species string `query:"species" maxLength:"80"`
			Plants  int    `query:"plants"`
			By      string `query:"by" maxLength:"20"`
			Bed     int64  `query:"bed"`
		}) (bench.WaysView, error) {
			return o.garden.Bench.Ways(ctx, bench.AskInput{
				Wish: in.Wish, Species: in.Species, Plants: in.Plants, By: in.By, BedID: in.Bed,
			})
		})
	operation(api, http.MethodPut, "/api/bench/weights", "setWeights", "Say what counts when ways are compared",
		func(ctx context.Context, in *struct{ Body bench.WeightsView }) (journal.Entry, error) {
			return o.garden.Bench.SetWeights(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/bench/measures", "setMeasures", "Set the grower's measures and prices",
		func(ctx context.Context, in *struct {
			Seen
			Body bench.BenchSettingsInput
		}) (journal.Entry, error) {
			return o.garden.Bench.SetMeasures(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/raising-places", "addRaisingPlace", "Add a place to raise plants",
		func(ctx context.Context, in *struct{ Body bench.RaisingPlaceInput }) (journal.Entry, error) {
			return o.garden.Bench.PutPlace(ctx, 0, "", in.Body)
		})
	operation(api, http.MethodPut, "/api/raising-places/{id}", "changeRaisingPlace", "Change a place to raise plants",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.RaisingPlaceInput
		}) (journal.Entry, error) {
			return o.garden.Bench.PutPlace(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/raising-places/{id}/give-up", "giveUpRaisingPlace", "Take a place off the bench",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.GiveUpPlace(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/kept-rooms", "keepRoom", "Keep room for food crops",
		func(ctx context.Context, in *struct{ Body bench.KeptRoomInput }) (journal.Entry, error) {
			return o.garden.Bench.KeepRoom(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/kept-rooms/{id}/free", "freeRoom", "Give kept room back",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.FreeRoom(ctx, in.ID)
		})
}

func (o operations) registerBatches(api huma.API) {
	operation(api, http.MethodPost, "/api/batches", "planBatch", "Plan a batch by a way that was chosen",
		func(ctx context.Context, in *struct{ Body bench.PlanBatchInput }) (journal.Entry, error) {
			return o.garden.Bench.PlanBatch(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/batches/{id}", "setBatch", "Set what goes first, and where a batch is to stand",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.SetBatchInput
		}) (journal.Entry, error) {
			return o.garden.Bench.SetBatch(ctx, in.ID, in.version(), in.Body)
		})
	operation(
		api,
		http.MethodPost,
		"/api/batches/{id}/begin",
		"beginBatch",
		"Note that a batch was sown, struck, lifted or divided",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.BeginInput
		}) (journal.Entry, error) {
			return o.garden.Bench.BeginBatch(ctx, in.ID, in.Body)
		},
	)
	operation(
		api,
		http.MethodPost,
		"/api/batches/{id}/counts",
		"countBatch",
		"Note what came up of a batch, went, or was potted on",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.BatchCountInput
		}) (journal.Entry, error) {
			return o.garden.Bench.CountBatch(ctx, in.ID, in.Body)
		},
	)
	operation(
		api,
		http.MethodPost,
		"/api/batches/{id}/move/try",
		"tryMove",
		"Tell what moving a batch would come to; nothing is noted",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.MoveBatchInput
		}) (bench.MoveTriedView, error) {
			return o.garden.Bench.TryMove(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodPut, "/api/batches/{id}/move", "moveBatch", "Move a batch, or a part of its way",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.MoveBatchInput
		}) (journal.Entry, error) {
			return o.garden.Bench.MoveBatch(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/batches/{id}/plant-out", "plantOut", "Make a planting of plants of a batch",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.PlantOutInput
		}) (journal.Entry, error) {
			return o.garden.Bench.PlantOut(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/batches/{id}/end", "endBatch", "End a batch",
		func(ctx context.Context, in *struct {
			ByID
			Body BatchNote
		}) (journal.Entry, error) {
			return o.garden.Bench.EndBatch(ctx, in.ID, in.Body.Note)
		})
}

func (o operations) registerTrays(api huma.API) {
	operation(api, http.MethodGet, "/api/trays", "getTrays", "All trays of cells",
		func(ctx context.Context, _ *nothing) (bench.TraysView, error) {
			return o.garden.Bench.Trays(ctx)
		})
	operation(api, http.MethodGet, "/api/trays/{id}", "getTray", "A tray from above",
		func(ctx context.Context, in *ByID) (bench.TrayView, error) {
			return o.garden.Bench.Tray(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/trays", "addTray", "Fill a tray",
		func(ctx context.Context, in *struct{ Body bench.TrayInput }) (journal.Entry, error) {
			return o.garden.Bench.PutTray(ctx, 0, "", in.Body)
		})
	operation(api, http.MethodPut, "/api/trays/{id}", "changeTray", "Change a tray",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.TrayInput
		}) (journal.Entry, error) {
			return o.garden.Bench.PutTray(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/trays/{id}/sow", "sowTray", "Set a batch into cells",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.SowTrayInput
		}) (journal.Entry, error) {
			return o.garden.Bench.SowTray(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/trays/{id}/counts", "countTray", "Count a tray by its cells",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.CountTrayInput
		}) (journal.Entry, error) {
			return o.garden.Bench.CountTray(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/trays/{id}/empty", "emptyTray", "Empty a tray",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.EmptyTray(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/mixes", "getMixes", "The recipes, and what the shed holds",
		func(ctx context.Context, _ *nothing) (bench.MixesView, error) {
			return o.garden.Bench.Mixes(ctx)
		})
	operation(api, http.MethodGet, "/api/fill", "getFill", "How much of each part a filling takes",
		func(ctx context.Context, in *struct {
			Mix   string `query:"mix" maxLength:"40"`
			Cells int    `query:"cells"`
			Cell  string `query:"cell" maxLength:"40"`
		}) (bench.FillingView, error) {
			return o.garden.Bench.Fill(ctx, bench.FillingInput{Mix: in.Mix, Cells: in.Cells, Cell: in.Cell})
		})
	operation(api, http.MethodPost, "/api/mixes", "addMix", "Write a recipe",
		func(ctx context.Context, in *struct{ Body bench.OwnMixInput }) (journal.Entry, error) {
			return o.garden.Bench.PutMix(ctx, 0, in.Body)
		})
	operation(api, http.MethodPut, "/api/mixes/{id}", "changeMix", "Change a recipe",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.OwnMixInput
		}) (journal.Entry, error) {
			return o.garden.Bench.PutMix(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPut, "/api/shed", "setShed", "Note what the shed holds",
		func(ctx context.Context, in *struct{ Body bench.ShedInput }) (journal.Entry, error) {
			return o.garden.Bench.SetShed(ctx, in.Body)
		})
	operation(api, http.MethodGet, "/api/setting-out", "getSettingOut", "Where plants stand, in triangles and squares",
		func(ctx context.Context, in *BySettingOut) (bench.SetOutView, error) {
			return o.garden.Bench.SetOut(ctx, in.input())
		})
}

func (o operations) registerSeeds(api huma.API) {
	operation(api, http.MethodGet, "/api/seeds", "getSeeds", "The seed on the shelf, and what to save",
		func(ctx context.Context, _ *nothing) (bench.SeedsView, error) {
			return o.garden.Bench.Seeds(ctx)
		})
	operation(api, http.MethodPost, "/api/seeds", "addSeeds", "Put seed by",
		func(ctx context.Context, in *struct{ Body bench.SeedLotInput }) (journal.Entry, error) {
			return o.garden.Bench.PutLot(ctx, 0, "", in.Body)
		})
	operation(api, http.MethodPut, "/api/seeds/{id}", "changeSeeds", "Change a seed lot",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body bench.SeedLotInput
		}) (journal.Entry, error) {
			return o.garden.Bench.PutLot(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/seeds/{id}/tests", "testSeeds", "Note a test of germination",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.SeedTestInput
		}) (journal.Entry, error) {
			return o.garden.Bench.TestLot(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/seeds/{id}/used-up", "useUpSeeds", "Take a seed lot off the shelf",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.UseUpLot(ctx, in.ID)
		})
	operation(api, http.MethodGet, "/api/volunteers", "getVolunteers", "What came up by itself, in the order to rescue it",
		func(ctx context.Context, _ *nothing) (bench.VolunteersView, error) {
			return o.garden.Bench.Volunteers(ctx)
		})
	operation(api, http.MethodPost, "/api/volunteers", "noteVolunteers", "Note seedlings that came up by themselves",
		func(ctx context.Context, in *struct{ Body bench.VolunteerInput }) (journal.Entry, error) {
			return o.garden.Bench.NoteVolunteers(ctx, in.Body)
		})
	operation(
		api,
		http.MethodPost,
		"/api/volunteers/{id}/check",
		"checkVolunteers",
		"Note what one of them showed when it was cut",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.VolunteerCheckInput
		}) (journal.Entry, error) {
			return o.garden.Bench.CheckVolunteers(ctx, in.ID, in.Body)
		},
	)
	operation(
		api,
		http.MethodPost,
		"/api/volunteers/{id}/lift",
		"liftVolunteers",
		"Make a batch of volunteers that were lifted",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.LiftInput
		}) (journal.Entry, error) {
			return o.garden.Bench.LiftVolunteers(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/volunteers/{id}/leave", "leaveVolunteers", "Take a group off the list",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Bench.LeaveVolunteers(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/bed-works", "planBedWork", "Note when a bed is dug or hoed",
		func(ctx context.Context, in *struct{ Body bench.BedWorkInput }) (journal.Entry, error) {
			return o.garden.Bench.PlanBedWork(ctx, in.Body)
		})
	operation(
		api,
		http.MethodPut,
		"/api/plantings/{id}/insurance",
		"insure",
		"Trust a self-seeder, or sow it again each year",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.InsureInput
		}) (journal.Entry, error) {
			return o.garden.Bench.Insure(ctx, in.ID, in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/plantings/{id}/lineage", "tellLineage", "Say what a planting came from",
		func(ctx context.Context, in *struct {
			ByID
			Body bench.LineageInput
		}) (journal.Entry, error) {
			return o.garden.Bench.TellLineage(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodGet, "/api/family", "getFamily", "The mothers and offspring of a kind",
		func(ctx context.Context, in *struct {
			Species string `query:"species" maxLength:"80"`
		}) (bench.FamilyView, error) {
			return o.garden.Bench.Family(ctx, in.Species)
		})
}

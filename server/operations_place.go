package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/view"
)

// registerPlace is the plot's place, its plan, its ground and what stands on it.
func (o operations) registerPlace(api huma.API) {
	o.registerSite(api)
	o.registerPlot(api)
	o.registerRoundOrder(api)
	o.registerPlan(api)
	o.registerSun(api)
	o.registerGround(api)
	o.registerSuitability(api)
	o.registerPlantings(api)
}

func (o operations) registerSite(api huma.API) {
	operation(api, http.MethodGet, "/api/site", "getSite", "The plot's place and the choices that forms offer",
		func(ctx context.Context, _ *nothing) (place.SiteView, error) { return o.garden.Place.Site(ctx) })
	operation(api, http.MethodPut, "/api/site", "setSite", "Change the plot's place and units",
		func(ctx context.Context, in *struct {
			Seen
			Body place.SiteInput
		}) (journal.Entry, error) {
			return o.garden.Place.SetSite(ctx, in.version(), in.Body)
		})
	operation(
		api,
		http.MethodGet,
		"/api/climates",
		"listClimates",
		"The climates for a latitude, the likeliest first, each with what it means",
		func(ctx context.Context, in *struct {
			Latitude float64 `query:"latitude" required:"true" minimum:"-90" maximum:"90"`
			Units    string  `query:"units" enum:"metric,us" doc:"Left out: as the plot is shown"`
		}) ([]place.ClimateChoice, error) {
			return o.garden.Place.Climates(ctx, in.Latitude, unit.System(in.Units))
		},
	)
	show(
		api,
		"/api/ribbon",
		"getRibbon",
		"The plot's year",
		func(ctx context.Context, on calendar.Date) (now.RibbonView, error) {
			return o.garden.Now.Ribbon(ctx, on)
		},
	)
	operation(api, http.MethodGet, "/api/species", "listSpecies", "The library's plants",
		func(ctx context.Context, _ *nothing) ([]plants.SpeciesChoice, error) {
			return o.garden.Plants.Species(ctx)
		})
	operation(api, http.MethodGet, "/api/likenesses", "listLikenesses", "What the drawing of each plant follows",
		func(ctx context.Context, _ *nothing) ([]view.Likeness, error) {
			return o.garden.Plants.Likenesses(ctx)
		})
	operation(api, http.MethodGet, "/api/find", "find", "Beds and plantings by any name",
		func(ctx context.Context, in *struct {
			Words string `query:"words" maxLength:"200"`
		}) ([]now.Found, error) {
			return o.garden.Now.Find(ctx, in.Words)
		})
}

func (o operations) registerRoundOrder(api huma.API) {
	operation(api, http.MethodGet, "/api/round/after", "getRoundAfter", "What today's looks came to",
		func(ctx context.Context, _ *nothing) (now.RoundAfterView, error) { return o.garden.Now.RoundAfter(ctx) })
	operation(api, http.MethodGet, "/api/round/order", "getRoundOrder", "The order in which the beds are walked",
		func(ctx context.Context, _ *nothing) (place.RoundOrderView, error) {
			return o.garden.Place.RoundOrder(ctx)
		})
	operation(api, http.MethodPut, "/api/round/order", "setRoundOrder", "Change the order in which the beds are walked",
		func(ctx context.Context, in *struct {
			Seen
			Body RoundOrder
		}) (journal.Entry, error) {
			return o.garden.Place.SetRoundOrder(ctx, in.version(), in.Body.Beds)
		})
}

// RoundOrder is an order of the beds.
type RoundOrder struct {
	Beds []int64 `json:"beds" maxItems:"1000" doc:"Every bed's id, in the order of the walk"`
}

func (o operations) registerPlot(api huma.API) {
	show(
		api,
		"/api/plot",
		"getPlot",
		"The plan of the plot",
		func(ctx context.Context, on calendar.Date) (place.PlotView, error) {
			return o.garden.Place.Plot(ctx, on)
		},
	)
	operation(api, http.MethodPost, "/api/beds", "addBed", "Lay out a bed",
		func(ctx context.Context, in *struct{ Body place.BedInput }) (journal.Entry, error) {
			return o.garden.Place.AddBed(ctx, in.Body)
		})
	operation(api, http.MethodPut, "/api/beds/{id}", "changeBed", "Change a bed",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body place.BedInput
		}) (journal.Entry, error) {
			return o.garden.Place.ChangeBed(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/beds/{id}", "removeBed", "Take a bed off the plan",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemoveBed(ctx, in.ID)
		})
}

func (o operations) registerPlantings(api huma.API) {
	operation(api, http.MethodGet, "/api/plantings/{id}", "getPlanting", "One planting",
		func(ctx context.Context, in *struct {
			ByID
			ShownDay
		}) (place.PlantingView, error) {
			day, err := in.date()
			if err != nil {
				return place.PlantingView{}, err
			}
			return o.garden.Place.Planting(ctx, in.ID, day)
		})
	operation(api, http.MethodPost, "/api/plantings", "addPlanting", "Set a planting",
		func(ctx context.Context, in *struct{ Body input.PlantingInput }) (journal.Entry, error) {
			return o.garden.Place.AddPlanting(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/read", "readListing", "Understand a list of plants; nothing is noted",
		func(ctx context.Context, in *struct{ Body place.ListingInput }) (place.ListingView, error) {
			return o.garden.Place.ReadListing(ctx, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/many", "setMany", "Set several plantings in one act: all or none",
		func(ctx context.Context, in *struct {
			Body struct {
				Plantings []input.PlantingInput `json:"plantings" maxItems:"400"`
			}
		}) (journal.Entry, error) {
			return o.garden.Place.SetMany(ctx, in.Body.Plantings)
		})
	operation(api, http.MethodPut, "/api/plantings/{id}", "changePlanting", "Change a planting",
		func(ctx context.Context, in *struct {
			ByID
			Seen
			Body input.PlantingInput
		}) (journal.Entry, error) {
			return o.garden.Place.ChangePlanting(ctx, in.ID, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/plantings/{id}", "removePlanting", "Note that a planting is gone",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Place.RemovePlanting(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/plantings/{id}/observations", "noteObservation", "Note what was seen",
		func(ctx context.Context, in *struct {
			ByID
			Body now.ObservationInput
		}) (now.Observed, error) {
			return o.garden.Now.NoteObservation(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/plantings/{id}/pickings", "notePicking", "Note what was taken",
		func(ctx context.Context, in *struct {
			ByID
			Body gather.PickingInput
		}) (gather.Picked, error) {
			return o.garden.Gather.NotePicking(ctx, in.ID, in.Body)
		})
}

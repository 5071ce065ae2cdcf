package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/season"
)

// registerSeason is the plan of the season: what is needed, what there is to make do with, and which day takes what.
func (o operations) registerSeason(api huma.API) {
	operation(api, http.MethodGet, "/api/season-plan", "getSeasonPlan", "The plan of the season that a day lies in",
		func(ctx context.Context, in *struct {
			ShownDay
			Against int64 `query:"against" doc:"A plan kept by a name to hold against it; 0 for none"`
		}) (season.SeasonPlanView, error) {
			day, err := in.date()
			if err != nil {
				return season.SeasonPlanView{}, err
			}
			return o.garden.Season.Plan(ctx, day, in.Against)
		})
	operation(api, http.MethodPost, "/api/season-plan/stop", "stopSeasonPlan", "Stop the planning: what was found stands",
		func(ctx context.Context, in *ShownDay) (season.SeasonPlanView, error) {
			day, err := in.date()
			if err != nil {
				return season.SeasonPlanView{}, err
			}
			return o.garden.Season.Stop(ctx, day)
		})
	operation(api, http.MethodPost, "/api/season-plan/try", "trySeasonPlan", "What tying a picking to a day would do",
		func(ctx context.Context, in *struct{ Body season.KeepPlanInput }) (season.TriedPlanView, error) {
			return o.garden.Season.Try(ctx, in.Body)
		})
	operation(
		api,
		http.MethodPut,
		"/api/season-plan",
		"keepSeasonPlan",
		"Follow the plan, or one with a picking tied or let go",
		func(ctx context.Context, in *struct {
			Seen
			Body season.KeepPlanInput
		}) (journal.Entry, error) {
			return o.garden.Season.Keep(ctx, in.version(), in.Body)
		},
	)
	operation(api, http.MethodPost, "/api/season-plan/leave", "leaveSeasonPlan", "Follow no plan of a season any more",
		func(ctx context.Context, in *struct {
			Body struct {
				On string `json:"on" doc:"A day of the season"`
			}
		}) (journal.Entry, error) {
			return o.garden.Season.LeavePlan(ctx, in.Body.On)
		})
	operation(
		api,
		http.MethodPost,
		"/api/season-plan/copies",
		"copySeasonPlan",
		"Keep the plan by a name, to hold another against it",
		func(ctx context.Context, in *struct{ Body season.PlanCopyInput }) (journal.Entry, error) {
			return o.garden.Season.Copy(ctx, in.Body)
		},
	)
	operation(
		api,
		http.MethodPost,
		"/api/season-plan/copies/{id}/follow",
		"followSeasonCopy",
		"Follow a plan kept by a name",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Season.FollowCopy(ctx, in.ID)
		},
	)
	operation(
		api,
		http.MethodDelete,
		"/api/season-plan/copies/{id}",
		"dropSeasonCopy",
		"Let a plan go that was kept by a name",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Season.DropCopy(ctx, in.ID)
		},
	)
	operation(api, http.MethodGet, "/api/out-to-pick", "getOutToPick", "What can be picked today, on one walk",
		func(ctx context.Context, _ *nothing) (season.OutView, error) { return o.garden.Season.Out(ctx) })
	operation(api, http.MethodGet, "/api/make-do", "getMakeDo", "The drier, the time for picking and the days away",
		func(ctx context.Context, _ *nothing) (season.MakeDoView, error) { return o.garden.Season.MakeDo(ctx) })
	operation(api, http.MethodPut, "/api/make-do", "setMakeDo", "Change the drier and the time for picking",
		func(ctx context.Context, in *struct {
			Seen
			Body season.MakeDoInput
		}) (journal.Entry, error) {
			return o.garden.Season.SetMakeDo(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/days-away", "goAway", "Note days on which nobody is there to pick",
		func(ctx context.Context, in *struct{ Body season.AwayInput }) (journal.Entry, error) {
			return o.garden.Season.GoAway(ctx, in.Body)
		})
	operation(api, http.MethodDelete, "/api/days-away/{id}", "stayAfterAll", "Take days away off the calendar",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Season.StayAfterAll(ctx, in.ID)
		})
	operation(api, http.MethodPost, "/api/feasts", "planFeast", "Note a day on which so much must be ready",
		func(ctx context.Context, in *struct{ Body season.FeastInput }) (journal.Entry, error) {
			return o.garden.Season.PlanFeast(ctx, in.Body)
		})
	operation(api, http.MethodDelete, "/api/feasts/{id}", "dropFeast", "Take such a day off",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Season.DropFeast(ctx, in.ID)
		})
	operation(
		api,
		http.MethodGet,
		"/api/custom-days",
		"getCustomDays",
		"The days of the year on which customs ask for parts",
		func(ctx context.Context, _ *nothing) ([]season.CustomDayView, error) {
			return o.garden.Season.CustomDays(ctx)
		},
	)
	operation(api, http.MethodPost, "/api/custom-days", "addCustomDay", "Note such a day",
		func(ctx context.Context, in *struct{ Body season.CustomDayInput }) (journal.Entry, error) {
			return o.garden.Season.AddCustomDay(ctx, in.Body)
		})
	operation(api, http.MethodDelete, "/api/custom-days/{id}", "dropCustomDay", "Take such a day off",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Season.DropCustomDay(ctx, in.ID)
		})
	operation(api, http.MethodPut, "/api/kept-shares", "keepShare", "Note what of a part is left standing, and for whom",
		func(ctx context.Context, in *struct{ Body season.KeptShareInput }) (journal.Entry, error) {
			return o.garden.Season.KeepShare(ctx, in.Body)
		})
}

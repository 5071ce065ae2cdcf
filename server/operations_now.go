package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/year"
)

func (o operations) registerNow(api huma.API) {
	show(
		api,
		"/api/now",
		"getNow",
		"What is closing, open and coming",
		func(ctx context.Context, on calendar.Date) (now.NowView, error) {
			return o.garden.Now.Now(ctx, on)
		},
	)
	show(
		api,
		"/api/gather",
		"getGather",
		"Every window of the season",
		func(ctx context.Context, on calendar.Date) (gather.GatherView, error) {
			return o.garden.Gather.Gather(ctx, on)
		},
	)
	show(api, "/api/year", "getYear", "A year looked back at",
		func(ctx context.Context, on calendar.Date) (year.YearView, error) { return o.garden.Year.Year(ctx, on) })
	show(api, "/api/week", "getWeek", "What is done on which day of a week, and what there is no time for",
		func(ctx context.Context, on calendar.Date) (now.WeekView, error) { return o.garden.Now.Week(ctx, on) })
	operation(api, http.MethodPut, "/api/hours", "setHours", "Note how much time there is for the garden",
		func(ctx context.Context, in *struct {
			Seen
			Body now.HoursInput
		}) (journal.Entry, error) {
			return o.garden.Now.SetHours(ctx, in.version(), in.Body)
		})
	operation(
		api,
		http.MethodGet,
		"/api/troubles/{mark}",
		"getTrouble",
		"What a sign of trouble is, what brings it and what to do",
		func(ctx context.Context, in *struct {
			Mark     string `path:"mark" maxLength:"40"`
			Planting int64  `query:"planting" doc:"Of one planting; of all where left out"`
		}) (now.TroubleView, error) {
			return o.garden.Now.Trouble(ctx, in.Mark, in.Planting)
		},
	)
	operation(api, http.MethodGet, "/api/round", "getRound", "Today's walk",
		func(ctx context.Context, _ *nothing) (now.RoundView, error) { return o.garden.Now.Round(ctx) })
	operation(api, http.MethodPost, "/api/jobs/answer", "answerJob", "Note that a job is done, put off or skipped",
		func(ctx context.Context, in *struct {
			Body struct {
				Key    string `json:"key"`
				Answer string `json:"answer" doc:"done, not yet or skip"`
			}
		}) (journal.Entry, error) {
			return o.garden.Now.AnswerJob(ctx, in.Body.Key, in.Body.Answer)
		})
	operation(api, http.MethodPut, "/api/needs", "setNeed", "Note what the household needs of a part in a year",
		func(ctx context.Context, in *struct {
			Seen
			Body gather.NeedInput
		}) (journal.Entry, error) {
			return o.garden.Gather.SetNeed(ctx, in.version(), in.Body)
		})
}

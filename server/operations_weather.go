package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/format"
	"bramblyacre/garden/area"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/weather"
)

// registerWeather is what was read of the weather, what is expected, and the climate behind it.
func (o operations) registerWeather(api huma.API) {
	show(api, "/api/weather", "getWeather", "The weather as it was read up to a day, and the outlook",
		func(ctx context.Context, on calendar.Date) (weather.WeatherView, error) {
			return o.garden.Weather.Weather(ctx, on)
		})
	operation(api, http.MethodPut, "/api/weather/readings", "typeReading", "Note what was read of a day's weather",
		func(ctx context.Context, in *struct {
			Seen
			Body weather.DayReadingInput
		}) (journal.Entry, error) {
			return o.garden.Weather.TypeReading(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodDelete, "/api/weather/readings", "dropReading", "Take away the reading of a day",
		func(ctx context.Context, in *struct {
			Day    string `query:"day" required:"true" maxLength:"20"`
			Source string `query:"source" required:"true" enum:"typed,file"`
		}) (journal.Entry, error) {
			return o.garden.Weather.DropReading(ctx, in.Day, in.Source)
		})
	operation(api, http.MethodPost, "/api/weather/file", "bringWeather",
		"Bring daily weather in from a file, or show what it would bring",
		func(ctx context.Context, in *struct{ Body BroughtFile }) (area.BroughtFileView, error) {
			lines, err := format.ReadDailyWeather(strings.NewReader(in.Body.Text))
			if err != nil {
				return area.BroughtFileView{}, err
			}
			return o.garden.Weather.BringFile(ctx, lines, in.Body.Note, in.Body.LeaveOut)
		})
	operation(api, http.MethodGet, "/api/climate", "getClimate", "The climate behind the weather, as it is at the plot",
		func(ctx context.Context, in *struct {
			Species string `query:"species" maxLength:"80" doc:"Whose own frost limits to tell too"`
		}) (weather.ClimateView, error) {
			return o.garden.Weather.Climate(ctx, in.Species)
		})
	operation(api, http.MethodGet, "/api/climate/own", "getOwnClimate", "The grower's own climate to be changed",
		func(ctx context.Context, _ *nothing) (weather.OwnClimateView, error) {
			return o.garden.Weather.OwnClimate(ctx)
		})
	operation(api, http.MethodPut, "/api/climate/own", "setOwnClimate", "Note the grower's own climate, and follow it",
		func(ctx context.Context, in *struct {
			Seen
			Body weather.OwnClimateInput
		}) (journal.Entry, error) {
			return o.garden.Weather.SetOwnClimate(ctx, in.version(), in.Body)
		})
	operation(
		api,
		http.MethodPost,
		"/api/climate/own/read",
		"readMonths",
		"Read a table of monthly means into the form, noting nothing",
		func(ctx context.Context, in *struct {
			Body struct {
				Text string `json:"text" maxLength:"100000"`
			}
		}) (ReadMonths, error) {
			lines, err := format.ReadMonths(strings.NewReader(in.Body.Text))
			if err != nil {
				return ReadMonths{}, err
			}
			months, err := o.garden.Weather.ReadMonths(ctx, lines)
			return ReadMonths{months}, err
		},
	)
	operation(api, http.MethodGet, "/api/water", "getWater", "The water of every bed",
		func(ctx context.Context, _ *nothing) (weather.WaterView, error) { return o.garden.Weather.Water(ctx) })
	operation(api, http.MethodPut, "/api/water/settings", "setWater", "Change how water is given",
		func(ctx context.Context, in *struct {
			Seen
			Body weather.WaterSettingsInput
		}) (journal.Entry, error) {
			return o.garden.Weather.SetWater(ctx, in.version(), in.Body)
		})
	operation(api, http.MethodPost, "/api/beds/{id}/waterings", "noteWatering", "Note water given to a bed",
		func(ctx context.Context, in *struct {
			ByID
			Body weather.WateringInput
		}) (journal.Entry, error) {
			return o.garden.Weather.NoteWatering(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/beds/{id}/feels", "noteFeel", "Note how a bed's soil felt in the hand",
		func(ctx context.Context, in *struct {
			ByID
			Body weather.FeelInput
		}) (journal.Entry, error) {
			return o.garden.Weather.NoteFeel(ctx, in.ID, in.Body)
		})
	operation(api, http.MethodPost, "/api/beds/{id}/probe", "readProbe", "Read the soil probe in a bed",
		func(ctx context.Context, in *ByID) (journal.Entry, error) {
			return o.garden.Weather.ReadProbe(ctx, in.ID)
		})
}

// ReadMonths are the months that a file tells, as they are typed.
type ReadMonths struct {
	Months []weather.OwnMonthInput `json:"months"`
}

package garden

import (
	"errors"
	"strings"
	"testing"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

func TestObservationsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	good := now.ObservationInput{Day: "2031-05-20", Stage: "in bud", Share: "half", Height: "40 cm", Width: "12 in"}
	tests := []struct {
		spoil        func(*now.ObservationInput)
		field, words string
	}{
		{func(in *now.ObservationInput) { in.Day = "2031-05-28" }, "day", "has not come yet"},
		{func(in *now.ObservationInput) { in.Day = "2029-04-09" }, "day", "only began"},
		{func(in *now.ObservationInput) { in.Day = "yesterday" }, "day", "This is not a whole day. Type one like 27 May 2031."},
		{func(in *now.ObservationInput) { in.Stage = "blooming" }, "stage", "is not a stage"},
		{func(in *now.ObservationInput) { in.Day, in.Stage = "2029-06-01", "full flower" }, "stage", `has no stage "full flower" in its first year`},
		{func(in *now.ObservationInput) { in.Share = "nearly all" }, "share", "is not a share"},
		{func(in *now.ObservationInput) { in.Height = "-4 cm" }, "height", "cannot be"},
		{func(in *now.ObservationInput) { in.Height = "40 m" }, "height", "must be above nothing and below 3.3 m"},
		{func(in *now.ObservationInput) { in.Width = "wide" }, "width", "is not a length"},
		{func(in *now.ObservationInput) { in.Width = "3 kg" }, "width", "is not a unit of length"},
		{func(in *now.ObservationInput) { in.Marks = []string{"bored"} }, "marks", "is not a sign of trouble"},
		{func(in *now.ObservationInput) { in.Note = strings.Repeat("long ", 20000) }, "note", "2000 is the most"},
		{func(in *now.ObservationInput) { in.Note = "\xff\xfe" }, "note", "not readable"},
		{func(in *now.ObservationInput) { in.ClientKey = strings.Repeat("k", 65) }, "clientKey", "too long"},
	}
	before := p.entries()
	for _, test := range tests {
		in := good
		test.spoil(&in)
		_, err := p.Now.NoteObservation(t.Context(), p.planting, in)
		p.refused(err, test.field, test.words, before)
	}
	if _, err := p.Now.NoteObservation(t.Context(), p.planting, good); err != nil {
		t.Errorf("a good observation is refused: %v", err)
	}
}

func TestPickingsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	tests := []struct {
		in           gather.PickingInput
		field, words string
	}{
		{gather.PickingInput{Day: "2031-05-28", Part: "leaf", Amount: "3"}, "day", "has not come yet"},
		{gather.PickingInput{Day: "2031-05-27", Part: "heart", Amount: "3"}, "part", "has no part"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: ""}, "amount", "Say how much"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "-3"}, "amount", "above nothing"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "0"}, "amount", "above nothing"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "3 furlongs"}, "amount", "is not an amount here"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "900 kg"}, "amount", "can have borne"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "250 leaves"}, "amount", "more than the allowance"},
		{gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "900 kg", TookAnyway: true}, "amount", "can have borne"},
	}
	before := p.entries()
	for _, test := range tests {
		_, err := p.Gather.NotePicking(t.Context(), p.planting, test.in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestPlantingsAndBedsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	plantings := []struct {
		spoil        func(*input.PlantingInput)
		field, words string
	}{
		{func(in *input.PlantingInput) { in.BedID = 99 }, "bedId", "Choose a bed"},
		{func(in *input.PlantingInput) { in.SpeciesID = "triffid" }, "speciesId", "Choose a plant"},
		{func(in *input.PlantingInput) { in.Plants = -3 }, "plants", "Say how many"},
		{func(in *input.PlantingInput) { in.Plants = 1e9 }, "plants", "Say how many"},
		{func(in *input.PlantingInput) { in.Area = "400 m²" }, "area", "no more than the bed's"},
		{func(in *input.PlantingInput) { in.Area = "a patch" }, "area", "is not a unit of area"},
		{func(in *input.PlantingInput) { in.StartedOn = "2031-05-28" }, "startedOn", "has not come yet"},
		{func(in *input.PlantingInput) { in.StartedOn = "1066-10-14" }, "startedOn", "too long ago"},
		{func(in *input.PlantingInput) { in.Origin = "bequest" }, "origin", "is not an origin"},
		{func(in *input.PlantingInput) { in.Source = " " }, "source", "whose label"},
	}
	for _, test := range plantings {
		in := p.goodPlanting()
		test.spoil(&in)
		_, err := p.AddPlanting(t.Context(), in)
		p.refused(err, test.field, test.words, before)
	}
	beds := []struct {
		spoil        func(*place.BedInput)
		field, words string
	}{
		{func(in *place.BedInput) { in.Name = "" }, "name", "Give the bed a name"},
		{func(in *place.BedInput) { in.Name = "long bed" }, "name", "already a bed"},
		{func(in *place.BedInput) { in.X = "29 m" }, "x", "reaches outside the plot"},
		{func(in *place.BedInput) { in.X = "31 m" }, "x", "is not possible here"},
		{func(in *place.BedInput) { in.Turn = 90; in.Y = "2 m" }, "x", "reaches outside the plot"},
		{func(in *place.BedInput) { in.Width = "0" }, "width", "is not possible here"},
		{func(in *place.BedInput) { in.Depth = "-2 m" }, "depth", "is not possible here"},
		{func(in *place.BedInput) { in.SunHours = new(25.0) }, "sunHours", "between 0 and 24"},
		{func(in *place.BedInput) { in.Moisture = "soggy" }, "moisture", "Choose"},
		{func(in *place.BedInput) { in.Unsafe = "haunted" }, "unsafe", "is not a kind of unsafe ground"},
	}
	for _, test := range beds {
		in := goodBed()
		in.Name, in.Y = "Other Bed", "9 m"
		test.spoil(&in)
		_, err := p.Place.AddBed(t.Context(), in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestSiteThatCannotBeIsRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	good := place.SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric"}
	before := p.entries()
	for _, test := range []struct {
		spoil        func(*place.SiteInput)
		field, words string
	}{
		{func(in *place.SiteInput) { in.Latitude = 91 }, "latitude", "between -90 and 90"},
		{func(in *place.SiteInput) { in.ClimateID = "lunar" }, "climateId", "Choose one"},
		{func(in *place.SiteInput) { in.Altitude = "9 km" }, "altitude", "is not a unit"},
		{func(in *place.SiteInput) { in.Altitude = "9000 m" }, "altitude", "is not possible"},
		{func(in *place.SiteInput) { in.Width = "12 m" }, "width", "Long Bed would lie outside"},
		{func(in *place.SiteInput) { in.Units = "cubits" }, "units", "Choose metric or US"},
		{func(in *place.SiteInput) { in.Name = "" }, "name", "a name"},
	} {
		in := good
		test.spoil(&in)
		_, err := p.SetSite(t.Context(), say.AsItStands, in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestUnknownIdsAndRemovedThingsAreToldApart(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	look := now.ObservationInput{Day: "2031-05-20", Stage: "in bud"}
	var missing say.NotFoundError
	var conflict say.ConflictError
	if _, err := p.Now.NoteObservation(ctx, 404, look); !errors.As(err, &missing) {
		t.Errorf("an unknown planting gives %v", err)
	}
	if _, err := p.TakeBack(ctx, 404); !errors.As(err, &missing) {
		t.Errorf("an unknown entry gives %v", err)
	}
	if _, err := p.Place.RemoveBed(ctx, 404); !errors.As(err, &missing) {
		t.Errorf("an unknown bed gives %v", err)
	}
	if _, err := p.Place.Planting(ctx, 404, plot.NoDay); !errors.As(err, &missing) {
		t.Errorf("showing an unknown planting gives %v", err)
	}
	if _, err := p.Place.RemoveBed(ctx, p.bed); !errors.As(err, &conflict) {
		t.Errorf("removing a bed with a planting gives %v", err)
	}
	_, err := p.Place.RemovePlanting(ctx, p.planting)
	check(t, err)
	if _, err := p.Now.NoteObservation(ctx, p.planting, look); !errors.As(err, &conflict) {
		t.Errorf("a look at a removed planting gives %v", err)
	}
	_, err = p.Place.RemoveBed(ctx, p.bed)
	check(t, err)
	before := p.entries()
	_, err = p.AddPlanting(ctx, p.goodPlanting())
	p.refused(err, "bedId", "was removed", before)
	if _, err := p.Now.Now(ctx, day.AddDays(6000)); err == nil {
		t.Error("a day years away can be shown")
	}
	if _, err := p.Now.AnswerJob(ctx, "pick:1:leaf:2031", "perhaps"); err == nil {
		t.Error("an unknown answer was taken")
	}
}

package garden

import (
	"errors"
	"strings"
	"testing"
)

func TestObservationsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	good := ObservationInput{Day: "2031-05-20", Stage: "in bud", Share: "half", Height: "40 cm", Width: "12 in"}
	tests := []struct {
		spoil        func(*ObservationInput)
		field, words string
	}{
		{func(in *ObservationInput) { in.Day = "2031-05-28" }, "day", "has not come yet"},
		{func(in *ObservationInput) { in.Day = "2029-04-09" }, "day", "only began"},
		{func(in *ObservationInput) { in.Day = "yesterday" }, "day", "is not a date"},
		{func(in *ObservationInput) { in.Stage = "blooming" }, "stage", "is not a stage"},
		{func(in *ObservationInput) { in.Day, in.Stage = "2029-06-01", "full flower" }, "stage", `has no stage "full flower" in its first year`},
		{func(in *ObservationInput) { in.Share = "nearly all" }, "share", "is not a share"},
		{func(in *ObservationInput) { in.Height = "-4 cm" }, "height", "cannot be"},
		{func(in *ObservationInput) { in.Height = "40 m" }, "height", "must be above nothing and below 3 m"},
		{func(in *ObservationInput) { in.Width = "wide" }, "width", "is not a length"},
		{func(in *ObservationInput) { in.Width = "3 kg" }, "width", "is not a unit of length"},
		{func(in *ObservationInput) { in.Marks = []string{"bored"} }, "marks", "is not a sign of trouble"},
		{func(in *ObservationInput) { in.Note = strings.Repeat("long ", 20000) }, "note", "2000 is the most"},
		{func(in *ObservationInput) { in.Note = "\xff\xfe" }, "note", "not readable"},
		{func(in *ObservationInput) { in.ClientKey = strings.Repeat("k", 65) }, "clientKey", "too long"},
	}
	before := p.entries()
	for _, test := range tests {
		in := good
		test.spoil(&in)
		_, err := p.NoteObservation(t.Context(), p.planting, in)
		p.refused(err, test.field, test.words, before)
	}
	if _, err := p.NoteObservation(t.Context(), p.planting, good); err != nil {
		t.Errorf("a good observation is refused: %v", err)
	}
}

func TestPickingsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	tests := []struct {
		in           PickingInput
		field, words string
	}{
		{PickingInput{Day: "2031-05-28", Part: "leaf", Amount: "3"}, "day", "has not come yet"},
		{PickingInput{Day: "2031-05-27", Part: "heart", Amount: "3"}, "part", "has no part"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: ""}, "amount", "Say how much"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "-3"}, "amount", "above nothing"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "0"}, "amount", "above nothing"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "3 furlongs"}, "amount", "is not an amount here"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "900 kg"}, "amount", "can have borne"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "250 leaves"}, "amount", "more than the allowance"},
		{PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "900 kg", TookAnyway: true}, "amount", "can have borne"},
	}
	before := p.entries()
	for _, test := range tests {
		_, err := p.NotePicking(t.Context(), p.planting, test.in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestPlantingsAndBedsThatCannotBeAreRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	plantings := []struct {
		spoil        func(*PlantingInput)
		field, words string
	}{
		{func(in *PlantingInput) { in.BedID = 99 }, "bedId", "Choose a bed"},
		{func(in *PlantingInput) { in.SpeciesID = "triffid" }, "speciesId", "Choose a plant"},
		{func(in *PlantingInput) { in.Plants = -3 }, "plants", "Say how many"},
		{func(in *PlantingInput) { in.Plants = 1e9 }, "plants", "Say how many"},
		{func(in *PlantingInput) { in.Area = "400 m²" }, "area", "no more than the bed's"},
		{func(in *PlantingInput) { in.Area = "a patch" }, "area", "is not a unit of area"},
		{func(in *PlantingInput) { in.StartedOn = "2031-05-28" }, "startedOn", "has not come yet"},
		{func(in *PlantingInput) { in.StartedOn = "1066-10-14" }, "startedOn", "too long ago"},
		{func(in *PlantingInput) { in.Origin = "bequest" }, "origin", "is not an origin"},
		{func(in *PlantingInput) { in.Source = " " }, "source", "whose label"},
	}
	for _, test := range plantings {
		in := p.goodPlanting()
		test.spoil(&in)
		_, err := p.AddPlanting(t.Context(), in)
		p.refused(err, test.field, test.words, before)
	}
	beds := []struct {
		spoil        func(*BedInput)
		field, words string
	}{
		{func(in *BedInput) { in.Name = "" }, "name", "Give the bed a name"},
		{func(in *BedInput) { in.Name = "long bed" }, "name", "already a bed"},
		{func(in *BedInput) { in.X = "29 m" }, "x", "reaches outside the plot"},
		{func(in *BedInput) { in.X = "31 m" }, "x", "is not possible here"},
		{func(in *BedInput) { in.Turn = 90; in.Y = "2 m" }, "x", "reaches outside the plot"},
		{func(in *BedInput) { in.Width = "0" }, "width", "is not possible here"},
		{func(in *BedInput) { in.Depth = "-2 m" }, "depth", "is not possible here"},
		{func(in *BedInput) { in.SunHours = new(25.0) }, "sunHours", "between 0 and 24"},
		{func(in *BedInput) { in.Moisture = "soggy" }, "moisture", "Choose"},
		{func(in *BedInput) { in.Unsafe = "haunted" }, "unsafe", "is not a kind of unsafe ground"},
	}
	for _, test := range beds {
		in := goodBed()
		in.Name, in.Y = "Other Bed", "9 m"
		test.spoil(&in)
		_, err := p.AddBed(t.Context(), in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestSiteThatCannotBeIsRefusedAtTheField(t *testing.T) {
	p := newPlot(t)
	good := SiteInput{Name: "Acre", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "30 m", Depth: "20 m", Units: "metric"}
	before := p.entries()
	for _, test := range []struct {
		spoil        func(*SiteInput)
		field, words string
	}{
		{func(in *SiteInput) { in.Latitude = 91 }, "latitude", "between -90 and 90"},
		{func(in *SiteInput) { in.ClimateID = "lunar" }, "climateId", "Choose one"},
		{func(in *SiteInput) { in.Altitude = "9 km" }, "altitude", "is not a unit"},
		{func(in *SiteInput) { in.Altitude = "9000 m" }, "altitude", "is not possible"},
		{func(in *SiteInput) { in.Width = "12 m" }, "width", "Long Bed would lie outside"},
		{func(in *SiteInput) { in.Units = "cubits" }, "units", "Choose metric or US"},
		{func(in *SiteInput) { in.Name = "" }, "name", "a name"},
	} {
		in := good
		test.spoil(&in)
		_, err := p.SetSite(t.Context(), AsItStands, in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestUnknownIdsAndRemovedThingsAreToldApart(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	look := ObservationInput{Day: "2031-05-20", Stage: "in bud"}
	var missing NotFoundError
	var conflict ConflictError
	if _, err := p.NoteObservation(ctx, 404, look); !errors.As(err, &missing) {
		t.Errorf("an unknown planting gives %v", err)
	}
	if _, err := p.TakeBack(ctx, 404); !errors.As(err, &missing) {
		t.Errorf("an unknown entry gives %v", err)
	}
	if _, err := p.RemoveBed(ctx, 404); !errors.As(err, &missing) {
		t.Errorf("an unknown bed gives %v", err)
	}
	if _, err := p.Planting(ctx, 404, NoDay); !errors.As(err, &missing) {
		t.Errorf("showing an unknown planting gives %v", err)
	}
	if _, err := p.RemoveBed(ctx, p.bed); !errors.As(err, &conflict) {
		t.Errorf("removing a bed with a planting gives %v", err)
	}
	_, err := p.RemovePlanting(ctx, p.planting)
	check(t, err)
	if _, err := p.NoteObservation(ctx, p.planting, look); !errors.As(err, &conflict) {
		t.Errorf("a look at a removed planting gives %v", err)
	}
	_, err = p.RemoveBed(ctx, p.bed)
	check(t, err)
	before := p.entries()
	_, err = p.AddPlanting(ctx, p.goodPlanting())
	p.refused(err, "bedId", "was removed", before)
	if _, err := p.Now(ctx, day.AddDays(3000)); err == nil {
		t.Error("a day years away can be shown")
	}
	if _, err := p.AnswerJob(ctx, "pick:1:leaf:2031", "perhaps"); err == nil {
		t.Error("an unknown answer was taken")
	}
}

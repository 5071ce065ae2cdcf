package demo

import (
	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/say"
	"bramblyacre/garden/season"
)

// needs are what the household uses in a year.
var needs = []gather.NeedInput{
	{SpeciesID: "meadowsweet", Part: "flowering top", Amount: "900 g", Matters: "much"},
	{SpeciesID: "common-sage", Part: "leaf", Amount: "600 g"},
	{SpeciesID: "garden-thyme", Part: "leaf", Amount: "40 g dried"},
	{SpeciesID: "lavender", Part: "flower", Amount: "6 cups dried", MeasureWeighs: "9 g"},
	{SpeciesID: "hyssop", Part: "flowering top", Amount: "2 jars dried", MeasureWeighs: "30 g", Matters: "little"},
	{SpeciesID: "hop", Part: "cone", Amount: "200 g"},
	{SpeciesID: "sweet-cicely", Part: "green seed", Amount: "80 g"},
	{SpeciesID: "blackcurrant", Part: "fruit", Amount: "4 lb"},
	{SpeciesID: "valerian", Part: "root", Amount: "150 g dried"},
	{SpeciesID: "yarrow", Part: "flowering top", Amount: "120 g"},
}

// makeDo is the household's drier, and its two free evenings a week.
var makeDo = season.MakeDoInput{
	DrierInput: input.DrierInput{Trays: "5", Tray: "30 x 40 cm", Warmth: "35 °C", MovingAir: true},
	Minutes:    []string{"", "", "1 h 30 min", "", "1 h 15 min", "", ""},
}

// olderAndYounger stand with the valerian of the Long Bed, so that its roots are of mixed ages. Nobody has looked at
// them in flower yet.
var olderAndYounger = []planted{
	{"valerian oldest", "Long Bed", input.PlantingInput{
		SpeciesID: "valerian", Plants: 4, StartedOn: "2028-04-16", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"valerian younger", "Long Bed", input.PlantingInput{
		SpeciesID: "valerian", Plants: 6, StartedOn: "2030-05-06", Origin: "seed", Labelled: true, Source: nursery,
	}},
}

// olderWrittenDown is the day on which they were, long after they were set.
const olderWrittenDown = "2031-05-12"

// gathering is what the household needs, and what it has to make do with.
func gathering() []event {
	var events []event
	for _, p := range olderAndYounger {
		events = append(events, event{mustDay(olderWrittenDown), p.key, func(b *builder) error { return b.plant(p) }})
	}
	for _, need := range needs {
		events = append(events, event{Today, need.SpeciesID + " " + need.Part, func(b *builder) error {
			_, err := b.garden.Gather.SetNeed(b.ctx, say.AsItStands, need)
			return err
		}})
	}
	return append(
		events,
		event{Today, "make do", func(b *builder) error {
			_, err := b.garden.Season.SetMakeDo(b.ctx, say.AsItStands, makeDo)
			return err
		}},
		event{Today, "away", func(b *builder) error {
			_, err := b.garden.Season.GoAway(
				b.ctx,
				season.AwayInput{First: "2031-08-09", Last: "2031-08-17", Note: "By the sea."},
			)
			return err
		}},
		event{Today, "market", func(b *builder) error {
			_, err := b.garden.Season.PlanFeast(b.ctx, season.FeastInput{
				Name: "Midsummer market", Day: "2031-06-28", SpeciesID: "common-sage", Part: "leaf", Amount: "40 g dried",
			})
			return err
		}},
		event{Today, "bees", func(b *builder) error {
			_, err := b.garden.Season.KeepShare(b.ctx, season.KeptShareInput{
				PlantingID: b.plantings["lavender"], Part: "flower", Percent: 60, ForWhom: "bees",
			})
			return err
		}},
	)
}

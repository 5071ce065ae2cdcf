package demo

import (
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/say"
	"bramblyacre/garden/spread"
)

// mintCorner is open ground, where a mint was let loose three years ago.
const mintCorner = "Mint Corner"

// runners are what gets about: a mint in open ground, over its edge by now, and ground elder that came with the hedge.
var runners = []planted{
	{"mint", mintCorner, input.PlantingInput{
		SpeciesID: "peppermint", Plants: 3, StartedOn: "2028-05-20", Origin: "bought", Labelled: true, Source: nursery,
		Note: "Only until a pot is found.",
	}},
	{"ground elder", "Hedge Foot", input.PlantingInput{
		SpeciesID: "ground-elder", Plants: 12, StartedOn: "2029-06-10", Origin: "found", Note: "Came with the hedge.",
	}},
}

// runnersWrittenDown is the day on which they were, long after they were set.
const runnersWrittenDown = "2031-05-10"

// runnerLooks are the checks of them.
var runnerLooks = []look{{day: "2031-05-21", planting: "mint", by: "Ida"}}

// cameUp are weeds and volunteers that were seen this spring.
var cameUp = []struct {
	bed string
	in  bench.VolunteerInput
}{
	{
		"South Wall",
		bench.VolunteerInput{SpeciesID: "chickweed", Day: "2031-05-16", Plants: 60, Place: "among the marigolds"},
	},
	{"", bench.VolunteerInput{
		SpeciesID: "hedge-bindweed", Day: "2031-05-19", Plants: 3, Place: "at the foot of the Board fence",
		X: new(33.8), Y: new(24.0),
	}},
	{"", bench.VolunteerInput{
		SpeciesID: "himalayan-balsam", Day: "2031-05-24", Plants: 9, Place: "on the bank of the Frog pond",
		X: new(44.6), Y: new(12.6),
	}},
}

// spreading is what was noted of how plants get about, and how they are held.
func spreading() []event {
	events := []event{
		{mustDay("2029-03-24"), "hop held", func(b *builder) error {
			return b.hold("hop", spread.HoldInput{Policy: "held", Ways: []string{"edge:2"}, Line: 0.1})
		}},
		{mustDay("2030-10-12"), "hop seen", func(b *builder) error {
			return b.sight(
				"hop",
				spread.FrontSightingInput{Day: "2030-10-12", Kind: "at most", Note: "Edged, and looked all along."},
			)
		}},
		{mustDay("2031-05-11"), "mint seen", func(b *builder) error {
			return b.sight("mint", spread.FrontSightingInput{
				Day: "2031-05-11", Kind: "farthest", X: new(2.0), Y: new(22.9), Note: "In the grass by the boundary.",
			})
		}},
		{mustDay("2031-05-12"), "prices", func(b *builder) error {
			_, err := b.garden.Spread.SetSettings(b.ctx, say.AsItStands, spread.SpreadSettingsInput{
				BoardPrice: new(4.5), SheetPrice: new(1.2), Animals: []string{"hens"},
			})
			return err
		}},
		{mustDay("2031-05-26"), "law", func(b *builder) error {
			_, err := b.garden.Spread.NoteLaw(b.ctx, "himalayan-balsam", say.AsItStands, spread.LawInput{
				Listed: "yes", Day: "2031-05-26", Note: "On the list that the parish keeps.",
			})
			return err
		}},
		{mustDay("2031-05-26"), "hens", func(b *builder) error { return b.planHens() }},
	}
	for _, p := range runners {
		events = append(events, event{mustDay(runnersWrittenDown), p.key, func(b *builder) error { return b.plant(p) }})
	}
	for _, l := range runnerLooks {
		events = append(events, event{mustDay(l.day), l.planting, func(b *builder) error { return b.check(l) }})
	}
	for _, one := range cameUp {
		events = append(events, event{mustDay(one.in.Day), one.in.SpeciesID, func(b *builder) error {
			in := one.in
			in.BedID = b.beds[one.bed]
			_, err := b.garden.Bench.NoteVolunteers(b.ctx, in)
			return err
		}})
	}
	return events
}

func (b *builder) hold(planting string, in spread.HoldInput) error {
	_, err := b.garden.Spread.SetHold(b.ctx, b.plantings[planting], say.AsItStands, in)
	return err
}

func (b *builder) sight(planting string, in spread.FrontSightingInput) error {
	_, err := b.garden.Spread.NoteSighting(b.ctx, b.plantings[planting], in)
	return err
}

// planHens lets the hens in under the wall once the marigolds are over.
func (b *builder) planHens() error {
	in := spread.ClearingInput{
		BedID: b.beds["South Wall"], Animal: "hens", Head: 5, Day: "2031-11-24", Days: 3, Then: "mulch",
	}
	_, err := b.garden.Spread.PlanClearing(b.ctx, in)
	if asked := say.Questions(err); len(asked) > 0 { // what stays is fenced
		in.Affirmed = asked
		_, err = b.garden.Spread.PlanClearing(b.ctx, in)
	}
	return err
}

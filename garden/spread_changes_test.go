package garden

import (
	"bramblyacre/garden/bench"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/say"
	"bramblyacre/garden/spread"
)

// runner sets a mint in the plot's bed that nobody held for years.
func (p *fixture) runner() int64 {
	p.t.Helper()
	return p.set(input.PlantingInput{BedID: p.bed, SpeciesID: "peppermint", Plants: 2, StartedOn: "2029-05-10", Origin: "division"})
}

// set sets a planting, and says yes to what is asked back.
func (p *fixture) set(in input.PlantingInput) int64 {
	p.t.Helper()
	entry, err := p.AddPlanting(p.t.Context(), in)
	check(p.t, err)
	return entry.Made
}

// weed is a group of chickweed in the plot's bed.
func (p *fixture) weed(plants int) int64 {
	p.t.Helper()
	entry, err := p.Bench.NoteVolunteers(p.t.Context(), bench.VolunteerInput{SpeciesID: "chickweed", BedID: p.bed, Day: "2031-05-20", Plants: plants})
	check(p.t, err)
	return entry.Made
}

// spreadChanges are one change of every kind of what spreads.
func (p *fixture) spreadChanges() []change {
	p.t.Helper()
	ctx := p.t.Context()
	mint, weed, weeds := p.runner(), p.weed(30), p.weed(8)
	seen, err := p.Spread.NoteSighting(ctx, mint, spread.FrontSightingInput{Day: "2031-05-01", Kind: "at most"})
	check(p.t, err)
	keep := func(animals ...string) (journal.Entry, error) {
		return p.Spread.SetSettings(ctx, say.AsItStands, spread.SpreadSettingsInput{BoardPrice: new(3.0), Animals: animals})
	}
	_, err = keep("hens")
	check(p.t, err)
	clearing := func() (journal.Entry, error) {
		return sayYes(func(affirmed []string) (journal.Entry, error) {
			return p.Spread.PlanClearing(ctx, spread.ClearingInput{BedID: p.bed, Animal: "hens", Head: 4, Day: "2031-12-01", Days: 5, Then: "mulch", Affirmed: affirmed})
		})
	}
	planned, err := clearing()
	check(p.t, err)
	hold := func(ways ...string) (journal.Entry, error) {
		return p.Spread.SetHold(ctx, mint, say.AsItStands, spread.HoldInput{Policy: "held", Ways: ways, Line: 0.1})
	}
	_, err = hold("edge:1")
	check(p.t, err)
	return []change{
		{"front seen", func() (journal.Entry, error) {
			return p.Spread.NoteSighting(ctx, mint, spread.FrontSightingInput{Day: "2031-05-20", Kind: "farthest", X: new(14.0), Y: new(12.0)})
		}},
		{"sighting taken away", func() (journal.Entry, error) { return p.Spread.DropSighting(ctx, seen.Made) }},
		{"stand held", func() (journal.Entry, error) { return hold("edge:2", "mow") }},
		{"stand held no more", func() (journal.Entry, error) { return p.Spread.DropHold(ctx, mint) }},
		{"prices of holding", func() (journal.Entry, error) { return keep("hens", "ducks") }},
		{"law looked up", func() (journal.Entry, error) {
			return p.Spread.NoteLaw(ctx, "japanese-knotweed", say.AsItStands, spread.LawInput{Listed: "yes", Day: "2031-05-20", Note: "The county's."})
		}},
		{"hens planned", clearing},
		{"hens over", func() (journal.Entry, error) { return p.Spread.EndClearing(ctx, planned.Made) }},
		{"weed to be eaten", func() (journal.Entry, error) {
			return p.Spread.DoWith(ctx, weed, spread.DeedInput{Deed: "eat", Day: "2031-05-27", Plants: 20})
		}},
		{"weed chopped", func() (journal.Entry, error) {
			return p.Spread.DoWith(ctx, weeds, spread.DeedInput{Deed: "lift whole", Day: "2031-05-27", Plants: 8})
		}},
	}
}

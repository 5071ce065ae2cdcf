package garden

import (
	"bramblyacre/core/calendar"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/roots"
	"bramblyacre/garden/say"
	"bramblyacre/garden/season"

	"bramblyacre/garden/household"
	"bramblyacre/garden/input"
)

// fewHours are two evenings a week and three trays.
var fewHours = season.MakeDoInput{
	DrierInput: input.DrierInput{Trays: "3", Tray: "30 x 40 cm", Warmth: "35 °C", MovingAir: true}, Minutes: []string{"", "1 h", "", "", "45", "", ""},
}

// need says how much of a part is needed.
func (p *fixture) need(species, part, amount string) {
	p.t.Helper()
	_, err := p.Gather.SetNeed(p.t.Context(), say.AsItStands, gather.NeedInput{SpeciesID: species, Part: part, Amount: amount})
	check(p.t, err)
}

// makeDo says what there is to make do with.
func (p *fixture) makeDo(in season.MakeDoInput) {
	p.t.Helper()
	_, err := p.Season.SetMakeDo(p.t.Context(), say.AsItStands, in)
	check(p.t, err)
}

// planned is the plan of the season, wholly made, plannedOn that of the season that a day lies in.
func (p *fixture) planned() season.SeasonPlanView { p.t.Helper(); return p.plannedOn(plot.NoDay) }

func (p *fixture) plannedOn(on calendar.Date) season.SeasonPlanView {
	p.t.Helper()
	for {
		v, err := p.Season.Plan(p.t.Context(), on, 0)
		check(p.t, err)
		if !v.Working && !v.Reckoning {
			return v
		}
	}
}

// seasonKinds is how many kinds of change the season's plan has here: those of everyChange before the bench's.
const seasonKinds = 9

// seasonChanges are one change of every kind of the season's plan.
func (p *fixture) seasonChanges() []change {
	p.t.Helper()
	ctx := p.t.Context()
	p.need("garden-sorrel", "leaf", "250 g")
	p.makeDo(fewHours)
	person, err := p.Household.PutPerson(ctx, 0, say.AsItStands, household.PersonInput{Name: "Hazel", Circumstances: []string{}})
	check(p.t, err)
	_, err = p.AddPlanting(ctx, input.PlantingInput{BedID: p.bed, SpeciesID: "valerian", Plants: 8, StartedOn: "2028-04-10", Origin: "seed", Labelled: true, Source: "A label."})
	check(p.t, err)
	check(p.t, third(p.Place.SetCustoms(ctx, true)))
	changes := []change{
		{"drier and time", func() (journal.Entry, error) {
			in := fewHours
			in.Trays = "4"
			return p.Season.SetMakeDo(ctx, say.AsItStands, in)
		}},
		{"away", func() (journal.Entry, error) {
			return p.Season.GoAway(ctx, season.AwayInput{First: "2031-06-01", Last: "2031-06-05"})
		}},
		{"feast", func() (journal.Entry, error) {
			return p.Season.PlanFeast(ctx, season.FeastInput{Name: "Market", Day: "2031-06-21", SpeciesID: "garden-sorrel", Part: "leaf", Amount: "60 g"})
		}},
		{"plan followed", func() (journal.Entry, error) {
			return p.Season.Keep(ctx, say.AsItStands, season.KeepPlanInput{On: "2031-06-01"})
		}},
		{"plan kept by a name", func() (journal.Entry, error) {
			return p.Season.Copy(ctx, season.PlanCopyInput{On: "2031-06-01", Name: "First"})
		}},
		{"day that asks for a plant", func() (journal.Entry, error) {
			return p.Season.AddCustomDay(ctx, season.CustomDayInput{Name: "Midsummer", Month: 6, Day: 21, SpeciesID: "garden-sorrel", Part: "leaf"})
		}},
		{"share kept for bees", func() (journal.Entry, error) {
			return p.Season.KeepShare(ctx, season.KeptShareInput{PlantingID: p.planting, Part: "leaf", Percent: 80, ForWhom: "bees"})
		}},
		{"a little first", func() (journal.Entry, error) {
			return p.Gather.TellFirst(ctx, gather.FirstTasteInput{PersonID: person.Made, SpeciesID: "garden-sorrel", Part: "leaf"})
		}},
		{"roots settled", func() (journal.Entry, error) {
			return p.Roots.Settle(ctx, "valerian", p.bed, say.AsItStands, roots.RootInput{School: "whole", Take: new(int64(2))})
		}},
	}
	if len(changes) != seasonKinds {
		p.t.Fatalf("%d kinds of change, not %d", len(changes), seasonKinds)
	}
	return changes
}

package garden

import (
	"testing"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
)

// stocked is a plot with sage, meadowsweet and yarrow, and what a larder needs.
type stocked struct {
	*fixture
	sage, meadowsweet, yarrow int64
}

func newStocked(t *testing.T) *stocked {
	t.Helper()
	s := &stocked{fixture: newPlot(t)}
	s.sage = s.plant("common-sage", 12)
	s.meadowsweet = s.plant("meadowsweet", 12)
	s.yarrow = s.plant("yarrow", 12)
	return s
}

func (p *stocked) plant(species string, plants int) int64 {
	p.t.Helper()
	entry, err := p.AddPlanting(p.t.Context(), input.PlantingInput{
		BedID: p.bed, SpeciesID: species, Plants: plants, StartedOn: "2028-04-10", Origin: "bought", Labelled: true,
		Source: "Label of a nursery.",
	})
	check(p.t, err)
	return entry.Made
}

// pick notes a picking, sorts it at the table, and returns its id.
func (p *stocked) pick(planting int64, part, amount, day string) int64 {
	p.t.Helper()
	entry, err := p.Gather.NotePicking(p.t.Context(), planting, gather.PickingInput{
		Day: day, Part: part, Amount: amount, TookAnyway: true,
	})
	check(p.t, err)
	id := entry.Entry.Made
	baskets, err := p.Gather.Baskets(p.t.Context())
	check(p.t, err)
	answers := map[string]string{}
	for _, b := range baskets {
		if b.PickingID == id {
			for _, q := range b.Questions {
				answers[q.ID] = "seen"
			}
		}
	}
	_, err = p.SortPicking(p.t.Context(), id, gather.SortingInput{By: "Hazel", Answers: answers})
	check(p.t, err)
	return id
}

// load lays a basket on a tray in the morning, and returns the lot.
func (p *stocked) load(picking, tray int64, amount, at string) int64 {
	p.t.Helper()
	_, err := p.Larder.LoadTrays(p.t.Context(), larder.LoadInput{
		At: at, Trays: []larder.TrayLoadInput{{Tray: tray, PickingID: picking, Amount: amount}},
	})
	check(p.t, err)
	return p.newestLot()
}

func (p *stocked) state() *plot.State {
	p.t.Helper()
	s, err := p.State(p.t.Context())
	check(p.t, err)
	return s
}

func (p *stocked) newestLot() int64 {
	p.t.Helper()
	lots := plot.Lots.Of(p.state())
	return lots[len(lots)-1].ID
}

func (p *stocked) newestJar() int64 {
	p.t.Helper()
	jars := plot.Jars.Of(p.state())
	return jars[len(jars)-1].ID
}

// dry takes a lot out of the drier.
func (p *stocked) dry(lot int64, amount, at string) {
	p.t.Helper()
	_, err := sayYes(func(affirmed []string) (any, error) {
		return p.Larder.FinishTray(p.t.Context(), lot, larder.FinishTrayInput{At: at, Amount: amount, Tested: true, Affirmed: affirmed})
	})
	check(p.t, err)
}

// jar fills a lot into a jar of its own, and returns it.
func (p *stocked) jar(lot int64, holds, amount string) int64 {
	p.t.Helper()
	_, err := p.Larder.FillJars(p.t.Context(), lot, []larder.FillInput{{Holds: holds, Amount: amount}})
	check(p.t, err)
	return p.newestJar()
}

// dried is a jar of a picking that was dried whole.
func (p *stocked) dried(planting int64, part, fresh, day, dry string) (picking, lot, jar int64) {
	p.t.Helper()
	picking = p.pick(planting, part, fresh, day)
	lot = p.load(picking, 1, "", day+"T08:00")
	p.dry(lot, dry, day+"T23:00")
	return picking, lot, p.jar(lot, "2 l", "")
}

func (p *stocked) take(jar int64, in larder.TakeInput) error {
	p.t.Helper()
	_, err := p.Larder.Take(p.t.Context(), jar, in)
	return err
}

// balanced makes sure of every lot that is done: what went in and was added is what came out and was lost, to the gram,
// and of every jar that what came out of it is no more than went in.
func (p *stocked) balanced() {
	p.t.Helper()
	s := p.state()
	for _, lot := range plot.Lots.Of(s) {
		sum := 0.0
		for _, f := range s.FlowsOfLot(lot.ID) {
			if f.Side == "loss" {
				sum -= f.Grams
				if f.Name == "" {
					p.t.Errorf("lot %d lost %v g without a name", lot.ID, f.Grams)
				}
			} else {
				sum += f.Grams
			}
		}
		if lot.Grams != nil && !within(sum, *lot.Grams, 0.01) {
			p.t.Errorf("lot %d (%s): %v g in less losses, %v g out", lot.ID, lot.Making, sum, *lot.Grams)
		}
		if lot.Grams != nil && s.FilledOf(lot.ID) > *lot.Grams+0.01 {
			p.t.Errorf("lot %d: %v g in jars of %v g", lot.ID, s.FilledOf(lot.ID), *lot.Grams)
		}
	}
	for _, jar := range plot.Jars.Of(s) {
		sum := 0.0
		for _, f := range s.FlowsOfJar(jar.ID) {
			sum += f.Grams
			if sum < -0.01 {
				p.t.Errorf("jar %d holds %v g", jar.ID, sum)
			}
		}
		if jar.EndedOn != nil && !within(sum, 0, 0.06) {
			p.t.Errorf("jar %d is empty and holds %v g", jar.ID, sum)
		}
	}
	for _, picked := range s.EverPlanted {
		for _, picking := range picked.Pickings {
			if s.StoredOf(picking.ID) > s.KeptGrams(picking)+0.01 {
				p.t.Errorf("picking %d: %v g stored of %v g", picking.ID, s.StoredOf(picking.ID), s.KeptGrams(picking))
			}
		}
	}
}

func within(got, want, by float64) bool { return got-want <= by && want-got <= by }

// pickingOf is a picking of today.
func pickingOf(part, amount string) gather.PickingInput {
	return gather.PickingInput{Day: "2031-05-27", Part: part, Amount: amount, TookAnyway: true}
}

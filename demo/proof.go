package demo

import (
	"bramblyacre/garden/household"
	"bramblyacre/garden/plot"
)

// livesThere are the people of the sample plot. They are invented.
var livesThere = []household.PersonInput{
	{Name: "Ida", Born: "1984-02-11", Circumstances: []string{"blood thinners"}},
	{Name: "Joss", Born: "1986-09-30", Circumstances: []string{"daisy-family allergy"}},
	{Name: "Pim", Born: "2027-04-05", Circumstances: []string{}},
}

// look is one look at a planting's characters. It saw all that shows on its day, except
// where only some are named.
type look struct {
	day, planting, by string
	only              []string
	note              string
}

// looks proved the plantings, most of them in flower: one where a label came with it, two
// where it did not. What has not flowered yet is owed its look.
var looks = []look{
	{day: "2028-07-08", planting: "lovage", by: "Ida"},
	{day: "2028-07-08", planting: "lovage", by: "Joss"},
	{day: "2028-08-24", planting: "lovage", by: "Ida", note: "Ripe: flat seeds, no horns."},
	{day: "2028-08-26", planting: "lovage", by: "Joss"},
	{day: "2029-06-06", planting: "sorrel", by: "Ida"},
	{day: "2030-06-20", planting: "valerian", by: "Ida"},
	{day: "2030-09-12", planting: "burdock old", by: "Joss", note: "Leaf and root; the rest when it flowers."},
	{day: "2029-07-04", planting: "meadowsweet", by: "Ida"},
	{day: "2029-07-11", planting: "meadowsweet", by: "Joss"},
	{day: "2029-08-20", planting: "meadowsweet", by: "Ida", note: "Twisted green fruits."},
	{day: "2029-08-21", planting: "meadowsweet", by: "Joss"},
	{day: "2031-05-20", planting: "valerian wet", by: "Joss", note: "Divided from the Long Bed's."},
	{day: "2028-06-20", planting: "sage", by: "Ida"},
	{day: "2030-06-20", planting: "sage young", by: "Ida"},
	{day: "2031-05-10", planting: "sage young", by: "Joss"},
	{day: "2031-05-18", planting: "sorrel pots", by: "Ida"},
	{day: "2028-09-02", planting: "hop", by: "Ida"},
	{day: "2028-09-05", planting: "hop", by: "Joss"},
	{day: "2029-05-24", planting: "sweet cicely", by: "Ida"},
	{day: "2029-06-28", planting: "sweet cicely", by: "Ida", note: "Green seeds as long as a finger joint."},
	{
		day:      "2031-05-12",
		planting: "umbels",
		by:       "Ida",
		only:     []string{"stem-surface", "leaf-build"},
		note:     "Too windy to tell the smell.",
	},
	{day: "2031-05-20", planting: "burdock young", by: "Joss"},
	{
		day:      "2030-07-03",
		planting: "meadowsweet hedge",
		by:       "Ida",
	},
	{day: "2030-07-10", planting: "meadowsweet hedge", by: "Joss"},
	{day: "2030-08-20", planting: "meadowsweet hedge", by: "Ida"},
	{day: "2030-08-21", planting: "meadowsweet hedge", by: "Joss"},
}

// check notes a look at a planting.
func (b *builder) check(l look) error {
	id := b.plantings[l.planting]
	view, err := b.garden.Identity.Check(b.ctx, id, plot.NoDay, l.by)
	if err != nil {
		return err
	}
	answers := map[string]string{}
	for _, only := range l.only {
		answers[only] = "seen"
	}
	if l.only == nil {
		for _, character := range view.Showing {
			answers[character] = "seen"
		}
	}
	seen := view.Look(l.day, l.by, answers)
	seen.Note = l.note
	_, err = b.garden.Identity.NoteLook(b.ctx, id, seen)
	return err
}

// lastSorted is the last day whose pickings were sorted at the table.
const lastSorted = "2031-05-12"

// sort sorts the newest picking of a planting at the table.
func (b *builder) sort(plantingID int64) error {
	baskets, err := b.garden.Gather.Baskets(b.ctx)
	if err != nil {
		return err
	}
	for _, basket := range baskets {
		if basket.PlantingID != plantingID || basket.State != "to sort" {
			continue
		}
		answers := map[string]string{}
		for _, q := range basket.Questions {
			answers[q.ID] = "seen"
		}
		_, err := b.garden.Gather.SortPicking(b.ctx, basket.PickingID, basket.Sorting("Ida", answers))
		return err
	}
	return nil // held back: nothing to sort
}

package garden

import (
	"bramblyacre/core/keeping"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/say"
)

// storeKinds is how many kinds of change the store has here: those of everyChange before the bench's.
const storeKinds = 17

// storeChanges are one change of every kind of the store.
func (p *fixture) storeChanges() []change {
	p.t.Helper()
	ctx := p.t.Context()
	s := &stocked{fixture: p}
	sage := s.plant("common-sage", 12)
	drying := s.load(s.pick(sage, "leaf", "200 g", "2031-05-27"), 1, "", "2031-05-27T08:00")
	waits := s.pick(sage, "leaf", "60 g", "2031-05-27")
	_, lot, jar := s.driedOn(sage, 2)
	_, err := p.Larder.Make(ctx, larder.MakeLotInput{Making: "vinegar", From: []larder.FromInput{{JarID: jar, Amount: "6 g"}}})
	check(p.t, err)
	vinegar := s.newestLot()
	check(p.t, s.take(jar, larder.TakeInput{Kind: "given", Whom: "Wyn", Amount: "2 g"}))
	flows := s.state().FlowsOfJar(jar)
	gift := flows[len(flows)-1].ID
	shelf, err := p.Larder.PutShelf(ctx, 0, say.AsItStands, larder.ShelfInput{Name: "Stair"})
	check(p.t, err)
	changes := []change{
		{"tray laid in", func() (journal.Entry, error) {
			return p.Larder.LoadTrays(ctx, larder.LoadInput{Trays: []larder.TrayLoadInput{{Tray: 3, PickingID: waits}}})
		}},
		{"tray weighed", func() (journal.Entry, error) {
			return p.Larder.WeighTray(ctx, drying, larder.WeighingInput{At: "2031-05-27T10:00", Amount: "150 g"})
		}},
		{"tray parted", func() (journal.Entry, error) {
			return p.Larder.MoveTray(ctx, drying, larder.MoveDryingInput{Tray: 3, Percent: 40})
		}},
		{"tray taken out", func() (journal.Entry, error) {
			return p.Larder.FinishTray(ctx, drying, larder.FinishTrayInput{Amount: "46 g", Tested: true, At: "2031-05-27T22:00"})
		}},
		{"drier changed", func() (journal.Entry, error) {
			return p.Larder.SetDrier(ctx, say.AsItStands, larder.DrierKindInput{
				Kind: "rack", DrierInput: input.DrierInput{Trays: "7", Tray: "0.2 m²", Warmth: "22 °C"}, Watts: "0",
			})
		}},
		{"shaken", func() (journal.Entry, error) { return p.Larder.MarkStep(ctx, vinegar, larder.StepInput{Step: "shake"}) }},
		{"strained", func() (journal.Entry, error) {
			return p.Larder.Finish(ctx, vinegar, larder.FinishInput{Out: "50 ml"})
		}},
		{"cup taken", func() (journal.Entry, error) {
			return p.Larder.Take(ctx, jar, larder.TakeInput{Kind: "taken", Amount: "1 cup", MeasureWeighs: "2 g"})
		}},
		{"jar weighed", func() (journal.Entry, error) {
			return p.Larder.WeighJar(ctx, jar, larder.JarWeighInput{Amount: "20 g"})
		}},
		{"jar moved", func() (journal.Entry, error) {
			return p.Larder.MoveJar(ctx, jar, larder.MoveJarInput{ShelfID: shelf.Made})
		}},
		{"bought", func() (journal.Entry, error) {
			return p.Larder.Buy(ctx, larder.BoughtInput{
				SpeciesID: "common-sage", Part: "leaf", From: "a stall", Amount: "30 g", Jar: larder.FillInput{Holds: "1 l"},
			})
		}},
		{"held back", func() (journal.Entry, error) {
			return p.Larder.Recall(ctx, larder.RecallInput{LotID: lot, Why: "Moths."})
		}},
		{"gift told", func() (journal.Entry, error) { return p.Larder.TellGift(ctx, gift) }},
		{"recipe", func() (journal.Entry, error) {
			return p.Larder.PutRecipe(ctx, 0, say.AsItStands, keeping.Recipe{
				Name: "Sage tea", Making: "mix", Parts: []keeping.RecipePart{{Species: "common-sage", Part: "leaf", Share: 1}},
			})
		}},
		{"address", func() (journal.Entry, error) {
			return p.Larder.SetAddress(ctx, larder.AddressInput{Address: "http://192.168.0.10:8420"})
		}},
		{"shelf taken down", func() (journal.Entry, error) { return p.Larder.RemoveShelf(ctx, shelf.Made) }},
		{"thrown out under way", func() (journal.Entry, error) {
			return p.Larder.DiscardLot(ctx, vinegar, larder.DiscardInput{Why: "Mould."})
		}},
	}
	if len(changes) != storeKinds {
		p.t.Fatalf("%d kinds of change, not %d", len(changes), storeKinds)
	}
	return changes
}

// driedOn is a jar of a picking of last week that was dried on a tray.
func (p *stocked) driedOn(planting, tray int64) (picking, lot, jar int64) {
	p.t.Helper()
	picking = p.pick(planting, "leaf", "120 g", "2031-05-20")
	lot = p.load(picking, tray, "", "2031-05-20T08:00")
	p.dry(lot, "28 g", "2031-05-21T08:00")
	return picking, lot, p.jar(lot, "1 l", "")
}

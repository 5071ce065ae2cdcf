package garden

import (
	"errors"
	"math"
	"strings"
	"testing"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/input"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/say"
)

func TestWhatCannotBeInTheDrierIsRefusedAtTheField(t *testing.T) {
	p := newStocked(t)
	sage, sorrel := p.pick(p.sage, "leaf", "900 g", "2031-05-27"), p.pick(p.planting, "leaf", "200 g", "2031-05-27")
	meadowsweet := p.pick(p.meadowsweet, "flowering top", "100 g", "2031-05-27")
	ctx := t.Context()
	load := func(at string, trays ...larder.TrayLoadInput) error {
		_, err := p.Larder.LoadTrays(ctx, larder.LoadInput{At: at, Trays: trays})
		return err
	}
	on := func(tray, picking int64, amount string) larder.TrayLoadInput {
		return larder.TrayLoadInput{Tray: tray, PickingID: picking, Amount: amount}
	}
	before := p.entries()
	p.refused(load("2031-05-28T08:00", on(1, sage, "100 g")), "at", "not come yet", before)
	p.refused(load("2031-05-26T08:00", on(1, sage, "100 g")), "at", "only picked", before)
	p.refused(load("noon", on(1, sage, "100 g")), "at", "no day and time", before)
	p.refused(load("", on(9, sage, "100 g")), "trays.0.tray", "The drier has 5 trays", before)
	p.refused(load("", on(1, sage, "950 g")), "trays.0.amount", "Only", before)
	p.refused(load("", on(1, sage, "800 g")), "trays.0.amount", "holds at most", before)
	p.refused(load("", on(1, sage, "-3 g")), "trays.0.amount", "above nothing", before)
	p.refused(load("", on(1, sage, "NaN g")), "trays.0.amount", "", before)
	p.refused(load("", on(1, sorrel, "100 g")), "trays.0.pickingId", "is not dried", before)
	p.refused(load("", on(1, sage, "100 g"), on(1, meadowsweet, "50 g")), "trays.1.tray", "Never two kinds", before)
	p.refused(load("", on(1, meadowsweet, "60 g"), on(2, meadowsweet, "60 g")), "trays.1.amount", "Only 40 g", before)
	// Twice dried: all of it is on its tray already.
	check(t, load("2031-05-27T06:00", on(1, meadowsweet, "")))
	lot := p.newestLot()
	before = p.entries()
	p.refused(load("", on(2, meadowsweet, "")), "trays.0.amount", "Nothing is left in this basket", before)
	p.refused(load("", on(1, sage, "100 g")), "trays.0.tray", "not free", before)

	weigh := func(at, amount string) error {
		_, err := p.Larder.WeighTray(ctx, lot, larder.WeighingInput{At: at, Amount: amount})
		return err
	}
	p.refused(weigh("", "140 g"), "amount", "does not get heavier", before)
	p.refused(weigh("", "0 g"), "amount", "more than nothing", before)
	p.refused(weigh("", "light"), "amount", "", before)
	p.refused(weigh("2031-05-27T05:00", "80 g"), "at", "only laid in", before)
	check(t, weigh("2031-05-27T09:00", "60 g"))
	before = p.entries()
	p.refused(weigh("2031-05-27T09:00", "55 g"), "at", "weighed at this minute", before)

	finish := func(amount string, tested bool) error {
		_, err := p.Larder.FinishTray(ctx, lot, larder.FinishTrayInput{Amount: amount, Tested: tested})
		return err
	}
	p.refused(finish("120 g", true), "amount", "cannot weigh more", before)
	p.refused(finish("70 g", true), "amount", "cannot weigh more now", before)
	p.refused(finish("0 g", true), "amount", "weighs something", before)
	p.refused(finish("24 g", false), "tested", "Test it in the hand", before)
	p.refused(finish("58 g", true), "amount", "water still", before)
	p.refused(finish("3 g", true), "amount", "very little", before)
	_, err := p.Larder.MoveTray(ctx, lot, larder.MoveDryingInput{Tray: 1})
	p.refused(err, "tray", "not free", before)
	_, err = p.Larder.MoveTray(ctx, lot, larder.MoveDryingInput{Tray: 2, Percent: 100})
	p.refused(err, "percent", "1 to 99", before)
	_, err = p.Larder.DiscardLot(ctx, lot, larder.DiscardInput{})
	p.refused(err, "why", "Say why", before)
	p.dry(lot, "25 g", "2031-05-27T20:00")
	var conflict say.ConflictError
	if err := finish("25 g", true); !errors.As(err, &conflict) {
		t.Errorf("taken out twice: %v", err)
	}
	if err := weigh("", "20 g"); !errors.As(err, &conflict) {
		t.Errorf("weighed when it was out: %v", err)
	}
	for _, id := range []int64{math.MaxInt64, math.MinInt64, 0, -1} {
		_, lotErr := p.Larder.Lot(ctx, id)
		_, jarErr := p.Larder.Jar(ctx, id)
		if !errors.As(lotErr, new(say.NotFoundError)) || !errors.As(jarErr, new(say.NotFoundError)) {
			t.Errorf("%d: %v, %v", id, lotErr, jarErr)
		}
	}
	if _, err := p.Larder.LoadTrays(ctx, larder.LoadInput{Trays: []larder.TrayLoadInput{on(1, 999, "")}}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a basket that is not there: %v", err)
	}
	p.balanced()
}

func TestABasketThatIsNotSortedGoesNowhere(t *testing.T) {
	p := newStocked(t)
	entry, err := p.Gather.NotePicking(t.Context(), p.sage, pickingOf("leaf", "100 g"))
	check(t, err)
	var conflict say.ConflictError
	_, err = p.Larder.LoadTrays(t.Context(), larder.LoadInput{Trays: []larder.TrayLoadInput{{Tray: 1, PickingID: entry.Entry.Made}}})
	if !errors.As(err, &conflict) || !strings.Contains(conflict.Why, "not fit for use") {
		t.Errorf("dried unsorted: %v", err)
	}
	_, err = p.Larder.Make(t.Context(), larder.MakeLotInput{Making: "vinegar", From: []larder.FromInput{{PickingID: entry.Entry.Made}}})
	if !errors.As(err, &conflict) {
		t.Errorf("made into something unsorted: %v", err)
	}
}

func TestWhatCannotBeMadeIsRefusedAtTheField(t *testing.T) {
	p := newStocked(t)
	ctx := t.Context()
	_, _, sage := p.dried(p.sage, "leaf", "250 g", "2031-05-20", "60 g")
	fresh := p.pick(p.sage, "leaf", "100 g", "2031-05-27")
	comfrey := p.pick(p.plant("comfrey", 6), "leaf", "300 g", "2031-05-27")
	comfreyLot := p.load(comfrey, 1, "", "2031-05-27T01:00")
	p.dry(comfreyLot, "50 g", "2031-05-27T22:00")
	outside := p.jar(comfreyLot, "1 l", "")
	good := larder.MakeLotInput{Making: "spirit", From: []larder.FromInput{{JarID: sage, Amount: "20 g"}}, Strength: "40"}
	before := p.entries()
	for _, test := range []struct {
		spoil        func(*larder.MakeLotInput)
		field, words string
	}{
		{func(in *larder.MakeLotInput) { in.Making = "elixir" }, "making", "Choose what"},
		{func(in *larder.MakeLotInput) { in.From = nil }, "from", "at least one"},
		{func(in *larder.MakeLotInput) { in.Strength = "120" }, "strength", "at most 100"},
		{func(in *larder.MakeLotInput) { in.Strength = "strong" }, "strength", "in %"},
		{func(in *larder.MakeLotInput) { in.Strength = "15" }, "strength", "spoils"},
		{func(in *larder.MakeLotInput) { in.Liquid = "10 ml" }, "liquid", "does not cover it"},
		{func(in *larder.MakeLotInput) { in.Liquid = "much" }, "liquid", ""},
		{func(in *larder.MakeLotInput) { in.Days = "a month" }, "days", "how many days"},
		{func(in *larder.MakeLotInput) { in.Days = "4000" }, "days", "how many days"},
		{func(in *larder.MakeLotInput) { in.From[0].Amount = "200 g" }, "from.0.amount", "Only 60 g"},
		{func(in *larder.MakeLotInput) { in.From[0].Amount = "none" }, "from.0.amount", ""},
		{func(in *larder.MakeLotInput) { in.Out = "80 ml" }, "out", "has to stand"},
		{func(in *larder.MakeLotInput) { in.At = "2031-06-05T10:00" }, "at", "not come yet"},
		{func(in *larder.MakeLotInput) { in.From[0].JarID = outside }, "from.0.pickingId", "may not go into this"},
		{func(in *larder.MakeLotInput) { in.Making, in.From[0].JarID = "syrup", outside }, "from.0.pickingId", "may not go into this"},
		{func(in *larder.MakeLotInput) {
			in.Making, in.From[0] = "salve", larder.FromInput{JarID: outside, Amount: "5 g"}
		}, "from.0.pickingId", "lay the herb in oil first"},
		{func(in *larder.MakeLotInput) { in.Making, in.From[0] = "honey", larder.FromInput{PickingID: fresh} }, "from.0.pickingId", "brings water"},
		{func(in *larder.MakeLotInput) { in.Making = "frozen" }, "from.0.pickingId", "is dried already"},
		{func(in *larder.MakeLotInput) { in.Making = "mix" }, "name", "Give it a name"},
		{func(in *larder.MakeLotInput) { in.From = append(in.From, larder.FromInput{PickingID: fresh}) }, "from.1.pickingId", "one jar"},
		{func(in *larder.MakeLotInput) { in.From = append(in.From, in.From[0]) }, "from.1.jarId", "named twice"},
	} {
		in := good
		in.From = append([]larder.FromInput{}, good.From...)
		test.spoil(&in)
		_, err := p.Larder.Make(ctx, in)
		p.refused(err, test.field, test.words, before)
		if _, err := p.Larder.SumMaking(ctx, in); err == nil && test.field != "out" {
			t.Errorf("the sum of %+v is told", in)
		}
	}
	// Fresh herb gives its water: 40 % falls below what keeps.
	_, err := p.Larder.Make(ctx, larder.MakeLotInput{
		Making: "spirit", From: []larder.FromInput{{PickingID: fresh, Amount: "100 g"}}, Liquid: "100 ml", Strength: "40",
	})
	p.refused(err, "strength", "spoils", before)
	_, err = p.Larder.Make(ctx, good)
	check(t, err)
	// Comfrey is for the outside: an oil and its salve are made of it.
	_, err = p.Larder.Make(ctx, larder.MakeLotInput{Making: "oil", From: []larder.FromInput{{JarID: outside, Amount: "30 g"}}})
	check(t, err)
	p.balanced()
}

func TestWhatCannotBeInAJarIsRefusedAtTheField(t *testing.T) {
	p := newStocked(t)
	ctx := t.Context()
	picking := p.pick(p.sage, "leaf", "250 g", "2031-05-20")
	lot := p.load(picking, 1, "", "2031-05-20T08:00")
	var conflict say.ConflictError
	if _, err := p.Larder.FillJars(ctx, lot, []larder.FillInput{{Holds: "1 l"}}); !errors.As(err, &conflict) {
		t.Errorf("filled while it dries: %v", err)
	}
	p.dry(lot, "60 g", "2031-05-21T08:00")
	fill := func(in larder.FillInput) error {
		_, err := p.Larder.FillJars(ctx, lot, []larder.FillInput{in})
		return err
	}
	before := p.entries()
	p.refused(fill(larder.FillInput{Holds: "100 ml", Amount: "60 g"}), "jars.0.amount", "does not go in", before)
	p.refused(fill(larder.FillInput{}), "jars.0.holds", "Say what it holds", before)
	p.refused(fill(larder.FillInput{Holds: "-1 l"}), "jars.0.holds", "", before)
	p.refused(fill(larder.FillInput{Holds: "500 l"}), "jars.0.holds", "60 litres", before)
	p.refused(fill(larder.FillInput{Holds: "1 l", Vessel: "boot"}), "jars.0.vessel", "Choose from", before)
	p.refused(fill(larder.FillInput{Holds: "1 l", ShelfID: 77}), "jars.0.shelfId", "no such shelf", before)
	p.refused(fill(larder.FillInput{Holds: "2 l", Amount: "90 g"}), "jars.0.amount", "", before)
	jar := p.jar(lot, "1 l", "40 g")
	before = p.entries()
	_, err := p.Larder.FillJars(ctx, lot, []larder.FillInput{{JarID: jar, Amount: "5 g"}, {JarID: jar, Amount: "5 g"}})
	p.refused(err, "jars.1.jarId", "named twice", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "41.5 g"}), "amount", "Only 40 g", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "0 g"}), "amount", "above nothing", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "a sip"}), "amount", "", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "given", Amount: "3 g"}), "whom", "to whom", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "thrown", Amount: "3 g"}), "why", "Say why", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "lent", Amount: "3 g"}), "kind", "used, given", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "3 g", Day: "2031-05-28"}), "day", "not come yet", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "3 g", Day: "2031-05-01"}), "day", "only filled", before)
	p.refused(p.take(jar, larder.TakeInput{Kind: "taken", Amount: "1 cup", MeasureWeighs: "nothing"}), "measureWeighs", "", before)
	weigh := func(amount string) error {
		_, err := p.Larder.WeighJar(ctx, jar, larder.JarWeighInput{Amount: amount})
		return err
	}
	p.refused(weigh("90 g"), "amount", "more than was in it", before)
	p.refused(weigh("9 kg"), "amount", "does not go in", before)
	p.refused(weigh("-5 g"), "amount", "", before)
	_, err = p.Larder.PutShelf(ctx, 0, say.AsItStands, larder.ShelfInput{})
	p.refused(err, "name", "Give the shelf a name", before)
	_, err = p.Larder.Buy(ctx, larder.BoughtInput{SpeciesID: "hemlock", Part: "leaf", From: "a stall", Amount: "10 g", Jar: larder.FillInput{Holds: "1 l"}})
	p.refused(err, "part", "", before)
	_, err = p.Larder.Buy(ctx, larder.BoughtInput{SpeciesID: "common-sage", Part: "leaf", Amount: "10 g", Jar: larder.FillInput{Holds: "1 l"}})
	p.refused(err, "from", "where it was bought", before)
	_, err = p.Larder.Buy(ctx, larder.BoughtInput{SpeciesID: "common-sage", Part: "leaf", From: "a stall", Amount: "900 g", Jar: larder.FillInput{Holds: "1 l"}})
	p.refused(err, "amount", "does not go in", before)
	_, err = p.Larder.SetAddress(ctx, larder.AddressInput{Address: "javascript:alert(1)"})
	p.refused(err, "address", "as in the browser", before)
	_, err = p.Larder.SetDrier(ctx, say.AsItStands, larder.DrierKindInput{Kind: "kiln", DrierInput: input.DrierInput{Tray: "0.12 m²", Warmth: "35 °C"}})
	p.refused(err, "kind", "Choose from", before)
	p.balanced()
}

func TestARecipeThatCannotBeIsRefusedAtTheField(t *testing.T) {
	p := newStocked(t)
	good := keeping.Recipe{Name: "Winter tea", Making: "mix", Parts: []keeping.RecipePart{
		{Species: "meadowsweet", Part: "flowering top", Share: 2}, {Species: "yarrow", Part: "flowering top", Share: 1},
	}}
	before := p.entries()
	for _, test := range []struct {
		spoil        func(*keeping.Recipe)
		field, words string
	}{
		{func(r *keeping.Recipe) { r.Parts = nil }, "parts", "at least one part"},
		{func(r *keeping.Recipe) { r.Name = " " }, "name", "Give it a name"},
		{func(r *keeping.Recipe) { r.Making = "elixir" }, "making", "no making"},
		{func(r *keeping.Recipe) { r.Parts[1].Species = "triffid" }, "parts.1", "no plant"},
		{func(r *keeping.Recipe) { r.Parts[1].Part = "heart" }, "parts.1", "no part"},
		{func(r *keeping.Recipe) { r.Parts[1].Share = 0 }, "parts.1", "above 0"},
		{func(r *keeping.Recipe) { r.Parts[1] = r.Parts[0] }, "parts.1", "named twice"},
		{func(r *keeping.Recipe) { r.Parts[1] = keeping.RecipePart{Species: "comfrey", Part: "leaf", Share: 1} }, "parts.1", "verdict"},
		{func(r *keeping.Recipe) { r.Days = -1 }, "days", "0 to 400"},
		{func(r *keeping.Recipe) { r.Making, r.KeepsMonths = "vinegar", 200 }, "", ""},
	} {
		in := good
		in.Parts = append([]keeping.RecipePart{}, good.Parts...)
		test.spoil(&in)
		_, err := p.Larder.PutRecipe(t.Context(), 0, say.AsItStands, in)
		if test.field == "" {
			if err == nil {
				t.Errorf("%+v is kept", in)
			}
			continue
		}
		p.refused(err, test.field, test.words, before)
	}
	entry, err := p.Larder.PutRecipe(t.Context(), 0, say.AsItStands, good)
	check(t, err)
	text, name, err := p.Larder.RecipeFile(t.Context(), entry.Made)
	if err != nil || name != "Winter tea" || !strings.Contains(text, `species = 'meadowsweet'`) {
		t.Errorf("%q, %q, %v", name, text, err)
	}
	before = p.entries()
	_, err = p.Larder.BringRecipe(t.Context(), text)
	p.refused(err, "name", "of that name", before)
	_, err = p.Larder.BringRecipe(t.Context(), text+"\nportion = 3\n")
	p.refused(err, "text", "not known", before)
	_, err = p.Larder.BringRecipe(t.Context(), "name = ")
	p.refused(err, "text", "", before)
	// A file goes out and in again as it is.
	_, err = p.Larder.RemoveRecipe(t.Context(), entry.Made)
	check(t, err)
	_, err = p.Larder.BringRecipe(t.Context(), text)
	check(t, err)
	recipes, err := p.Larder.Recipes(t.Context())
	if err != nil || len(recipes) != 1 || recipes[0].Text != text || len(recipes[0].Of) != 2 || recipes[0].Wrong != "" {
		t.Errorf("%+v, %v", recipes, err)
	}
}

// A jar that was changed meanwhile, a shelf that another page changed: nothing is lost.
func TestAShelfThatAnotherPageChangedIsNotWrittenOver(t *testing.T) {
	p := newStocked(t)
	entry, err := p.Larder.PutShelf(t.Context(), 0, say.AsItStands, larder.ShelfInput{Name: "Stair"})
	check(t, err)
	view, err := p.Larder.Shelves(t.Context())
	check(t, err)
	seen := view.Shelves[0].Version
	_, err = p.Larder.PutShelf(t.Context(), entry.Made, seen, larder.ShelfInput{Name: "Cellar stair"})
	check(t, err)
	if _, err := p.Larder.PutShelf(t.Context(), entry.Made, seen, larder.ShelfInput{Name: "Attic"}); !errors.As(err, new(say.StaleError)) {
		t.Errorf("written over: %v", err)
	}
}

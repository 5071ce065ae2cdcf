package garden

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/larder"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// chain is a jar of sage and one of meadowsweet, a tea mixed of both, a gift of the tea and one of the sage alone.
type chain struct {
	*stocked
	sagePicking, meadowPicking int64
	sageLot, meadowLot, teaLot int64
	sageJar, meadowJar, teaJar int64
}

func newChain(t *testing.T) *chain {
	t.Helper()
	c := &chain{stocked: newStocked(t)}
	c.sagePicking, c.sageLot, c.sageJar = c.dried(c.sage, "leaf", "250 g", "2031-05-20", "60 g")
	c.meadowPicking, c.meadowLot, c.meadowJar = c.dried(c.meadowsweet, "flowering top", "120 g", "2031-05-21", "30 g")
	check(t, c.take(c.sageJar, larder.TakeInput{Kind: "given", Whom: "Wyn", Amount: "5 g"}))
	_, err := c.Larder.Make(t.Context(), larder.MakeLotInput{
		Making: "mix", Name: "House tea", Out: "30 g",
		From: []larder.FromInput{{JarID: c.sageJar, Amount: "20 g"}, {JarID: c.meadowJar, Amount: "10 g"}},
	})
	check(t, err)
	c.teaLot = c.newestLot()
	c.teaJar = c.jar(c.teaLot, "500 ml", "")
	check(t, c.take(c.teaJar, larder.TakeInput{Kind: "given", Whom: "Alder", Amount: "4 g"}))
	check(t, c.take(c.teaJar, larder.TakeInput{Kind: "taken", Amount: "3 g"}))
	return c
}

// heldJars are the jars that are held back.
func (c *chain) heldJars() (ids []int64) {
	c.t.Helper()
	view, err := c.Larder.Shelves(c.t.Context())
	check(c.t, err)
	for _, shelf := range view.Shelves {
		for _, jar := range shelf.Jars {
			if jar.Held != "" {
				ids = append(ids, jar.ID)
			}
		}
	}
	slices.Sort(ids)
	return ids
}

func (c *chain) recalls() larder.RecallsView {
	c.t.Helper()
	view, err := c.Larder.Recalls(c.t.Context())
	check(c.t, err)
	return view
}

func TestALotThatIsCalledBackHoldsEverythingDownTheLine(t *testing.T) {
	c := newChain(t)
	if held := c.heldJars(); len(held) != 0 {
		t.Fatalf("%v are held before anything was wrong", held)
	}
	_, err := c.Larder.Recall(t.Context(), larder.RecallInput{LotID: c.meadowLot, Why: "Sprayed."})
	check(t, err)
	if held := c.heldJars(); !slices.Equal(held, []int64{c.meadowJar, c.teaJar}) {
		t.Errorf("held %v, want the meadowsweet %d and the tea %d", held, c.meadowJar, c.teaJar)
	}
	recalls := c.recalls()
	if len(recalls.Recalls) != 1 || len(recalls.Recalls[0].Jars) != 2 || len(recalls.Recalls[0].Gifts) != 1 ||
		recalls.Recalls[0].Gifts[0].Whom != "Alder" || !strings.Contains(recalls.Recalls[0].Used, "3 g") {
		t.Fatalf("%+v", recalls.Recalls)
	}
	// Nothing is taken, made, filled or labelled of what is held; it may be thrown out.
	var conflict say.ConflictError
	if err := c.take(c.teaJar, larder.TakeInput{Kind: "taken", Amount: "2 g"}); !errors.As(err, &conflict) {
		t.Errorf("taking of it: %v", err)
	}
	if err := c.take(c.teaJar, larder.TakeInput{Kind: "given", Whom: "Wyn", Amount: "2 g"}); !errors.As(err, &conflict) {
		t.Errorf("giving of it: %v", err)
	}
	if _, err := c.Larder.Make(t.Context(), larder.MakeLotInput{
		Making: "vinegar", From: []larder.FromInput{{JarID: c.meadowJar}},
	}); !errors.As(err, &conflict) {
		t.Errorf("making of it: %v", err)
	}
	if _, err := c.Larder.Labels(t.Context(), larder.LabelsOf{JarIDs: []int64{c.teaJar}}); !errors.As(err, &conflict) {
		t.Errorf("its label: %v", err)
	}
	check(t, c.take(c.sageJar, larder.TakeInput{Kind: "taken", Amount: "2 g"}))
	_, err = c.Larder.TellGift(t.Context(), recalls.Recalls[0].Gifts[0].ID)
	check(t, err)
	if told := c.recalls().Recalls[0].Gifts[0].Told; !strings.Contains(told, "27 May") {
		t.Errorf("told %q", told)
	}
	if _, err := c.Larder.TellGift(t.Context(), recalls.Recalls[0].Gifts[0].ID); !errors.As(err, &conflict) {
		t.Errorf("told twice: %v", err)
	}
	// It was an error: everything is free again, and says so.
	_, err = c.Larder.UndoRecall(t.Context(), recalls.Recalls[0].ID)
	check(t, err)
	if held, view := c.heldJars(), c.recalls(); len(held) != 0 || len(view.Recalls) != 0 || len(view.Undone) != 1 {
		t.Errorf("held %v, %+v", held, view)
	}
	if _, err := c.Larder.UndoRecall(t.Context(), recalls.Recalls[0].ID); !errors.As(err, &conflict) {
		t.Errorf("undone twice: %v", err)
	}
}

func TestAnIdentityThatFallsAndGroundFoundUnsafeHoldTheirJars(t *testing.T) {
	c := newChain(t)
	// The sage turns out not to be what it was taken for.
	looks := c.state().Looks[c.sage]
	check(t, c.store.InTransaction(t.Context(), func(q *store.Queries) error {
		for _, look := range looks {
			if err := q.DropLook(t.Context(), look.Row.ID); err != nil {
				return err
			}
		}
		return nil
	}))
	c.Forget()
	if held := c.heldJars(); !slices.Equal(held, []int64{c.sageJar, c.teaJar}) {
		t.Errorf("held %v, want the sage %d and the tea %d", held, c.sageJar, c.teaJar)
	}
	recalls := c.recalls().Recalls
	if len(recalls) != 1 || recalls[0].Kind != "identity" || len(recalls[0].Gifts) != 2 || recalls[0].PlantingID != c.sage {
		t.Errorf("%+v", recalls)
	}
	// It is proved again: everything is free by itself.
	prove(t, c.Garden, c.sage, "common-sage", "2031-05-27")
	if held := c.heldJars(); len(held) != 0 {
		t.Errorf("proved again, and %v are held", held)
	}
	// A strip beside the bed turns out to be sprayed: everything from the bed is held, and free once it is drawn elsewhere.
	entry, err := c.Place.AddItem(t.Context(), unsafeStrip("5 m", "4 m"))
	check(t, err)
	if held := c.heldJars(); len(held) != 3 {
		t.Errorf("on unsafe ground %v are held", held)
	}
	for _, r := range c.recalls().Recalls {
		if r.Kind != "ground" {
			t.Errorf("%+v", r)
		}
	}
	_, err = c.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if held := c.heldJars(); len(held) != 0 {
		t.Errorf("the strip is gone, and %v are held", held)
	}
}

func TestACautionThatIsNewIsReadBeforeTheJarIsUsed(t *testing.T) {
	c := newChain(t)
	// As if the jar had been labelled when one caution less was known.
	_, err := c.Garden.Plot.Change(t.Context(), func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		lot, _ := s.LotByID(c.sageLot)
		_, rest, _ := strings.Cut(lot.Cautions, "\n")
		_, err := plot.LotsTable.Put(t.Context(), d, lot.ID, store.PutLotParams{
			ID: &lot.ID, Year: lot.Year, Number: lot.Number, Making: lot.Making, SpeciesID: lot.SpeciesID, Part: lot.Part,
			BegunAt: lot.BegunAt, EndedAt: lot.EndedAt, Grams: lot.Grams, KeepsMonths: lot.KeepsMonths, Cautions: rest,
		})
		return journal.Record{Kind: "store", Summary: "Changed"}, err
	})
	check(t, err)
	if held := c.heldJars(); !slices.Equal(held, []int64{c.sageJar}) {
		t.Errorf("held %v, want the sage %d alone", held, c.sageJar)
	}
	recalls := c.recalls().Recalls
	if len(recalls) != 1 || recalls[0].Kind != "caution" || len(recalls[0].UnderWay) != 1 || len(recalls[0].UnderWay[0].New) != 1 ||
		len(recalls[0].Gifts) != 1 {
		t.Fatalf("%+v", recalls)
	}
	// The label may be printed: that is what is to be done about it.
	if _, err := c.Larder.Labels(t.Context(), larder.LabelsOf{JarIDs: []int64{c.sageJar}}); err != nil {
		t.Error(err)
	}
	_, err = c.Larder.ReadCautions(t.Context(), c.sageLot)
	check(t, err)
	if held := c.heldJars(); len(held) != 0 {
		t.Errorf("read, and %v are held", held)
	}
}

// What was picked of a planting stays what it was when the planting is gone from the plan: an annual that is cleared in
// autumn takes no jar with it.
func TestAJarOutlivesThePlantingItIsOf(t *testing.T) {
	c := newChain(t)
	_, err := c.Place.RemovePlanting(t.Context(), c.sage)
	check(t, err)
	if held := c.heldJars(); len(held) != 0 {
		t.Errorf("the planting was cleared, and %v are held: %+v", held, c.recalls().Recalls)
	}
	check(t, c.take(c.sageJar, larder.TakeInput{Kind: "taken", Amount: "2 g"}))
	jar, err := c.Larder.Jar(t.Context(), c.sageJar)
	check(t, err)
	if len(jar.Sources) != 1 || jar.Sources[0].PickingID != c.sagePicking {
		t.Errorf("%+v", jar.Sources)
	}
	// In winter the bed turns out to lie beside a sprayed strip: what grew in it is held though it is gone.
	entry, err := c.Place.AddItem(t.Context(), unsafeStrip("5 m", "4 m"))
	check(t, err)
	if held := c.heldJars(); !slices.Contains(held, c.sageJar) {
		t.Errorf("its bed is unsafe, and only %v are held", held)
	}
	for _, r := range c.recalls().Recalls {
		if r.Kind != "ground" {
			t.Errorf("%+v", r)
		}
	}
	_, err = c.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if held := c.heldJars(); len(held) != 0 {
		t.Errorf("the strip is gone, and %v are held", held)
	}
}

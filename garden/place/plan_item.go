package place

import (
	"context"
	"encoding/json"
	"math"
	"time"

	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// ItemInput is what a grower says of a thing on the plan. A trait that its kind
// does not have is left out.
type ItemInput struct {
	Kind string `json:"kind"`
	Name string `json:"name,omitempty"`
	FormInput
	Height      string   `json:"height,omitempty"`
	CrownBase   string   `json:"crownBase,omitempty" doc:"Height of the lowest leaves"`
	Leaf        string   `json:"leaf,omitempty" doc:"evergreen or deciduous"`
	LeafFrom    int      `json:"leafFrom,omitempty" doc:"First month in leaf, 1–12"`
	LeafUntil   int      `json:"leafUntil,omitempty" doc:"Last month in leaf, 1–12"`
	Tree        string   `json:"tree,omitempty" doc:"A kind of tree that poisons the ground; empty for others"`
	LetsThrough *float64 `json:"letsThrough,omitempty" doc:"Per cent of direct light let through in leaf"`
	Reach       string   `json:"reach,omitempty" doc:"How far its effect goes beyond its own ground"`
	Unsafe      string   `json:"unsafe,omitempty"`
	FallPercent *float64 `json:"fallPercent,omitempty"`
	FacesDeg    *float64 `json:"facesDeg,omitempty" doc:"Clockwise from true north"`
	Deep        string   `json:"deep,omitempty" doc:"How deep it goes into the ground"`
	Note        string   `json:"note,omitempty"`
}

// AddItem sets a thing on the plan.
func (u *Uses) AddItem(ctx context.Context, in ItemInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := readItem(s, u.plot, in)
		if err != nil {
			return journal.Record{}, err
		}
		return putItem(ctx, d, 0, row, "Drew ")
	})
}

// ChangeItem changes a thing on the plan.
func (u *Uses) ChangeItem(ctx context.Context, id int64, seen say.Version, in ItemInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		it, err := StandingItem(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(it.PlanItem), plot.ItemName(it.PlanItem.Kind, it.Name)); err != nil {
			return journal.Record{}, err
		}
		row, err := readItem(s, u.plot, in)
		if err != nil {
			return journal.Record{}, err
		}
		row.ID = &id
		return putItem(ctx, d, id, row, "Changed ")
	})
}

// RemoveItem takes a thing off the plan.
func (u *Uses) RemoveItem(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		it, err := StandingItem(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		row := itemParams(it.PlanItem)
		today := s.Today.String()
		row.RemovedOn = &today
		return putItem(ctx, d, id, row, "Removed ")
	})
}

func putItem(
	ctx context.Context,
	d *journal.Draft,
	id int64,
	row store.PutPlanItemParams,
	verb string,
) (journal.Record, error) {
	_, err := planItemsTable.Put(ctx, d, id, row)
	return journal.Record{Kind: "plan", Summary: verb + plot.ItemName(row.Kind, row.Name)}, err
}

func itemParams(row store.PlanItem) store.PutPlanItemParams {
	return store.PutPlanItemParams{
		ID:        &row.ID,
		Kind:      row.Kind,
		Name:      row.Name,
		Shape:     row.Shape,
		XM:        row.XM,
		YM:        row.YM,
		WidthM:    row.WidthM,
		DepthM:    row.DepthM,
		TurnDeg:   row.TurnDeg,
		Points:    row.Points,
		Traits:    row.Traits,
		Note:      row.Note,
		RemovedOn: row.RemovedOn,
	}
}

// StandingItem returns a thing that has not been removed.
func StandingItem(s *plot.State, id int64) (plot.Item, error) {
	for _, it := range s.Items {
		if it.ID == id {
			return it, nil
		}
	}
	return plot.Item{}, say.NotFoundError{What: "thing on the plan"}
}

func setItemForm(row *store.PutPlanItemParams, f plan.Form) {
	row.Shape, row.XM, row.YM, row.WidthM, row.DepthM = string(f.Shape), f.At.X, f.At.Y, f.Width, f.Depth
	row.TurnDeg, row.Points = math.Mod(f.Turn, 360), encodePoints(f.Points)
}

// traitFields are the fields that the traits are typed in.
var traitFields = map[plan.Trait]string{
	plan.Height:      "height",
	plan.CrownBase:   "crownBase",
	plan.LeafSeason:  "leaf",
	plan.TreeSpecies: "tree",
	plan.LetsThrough: "letsThrough",
	plan.Reach:       "reach",
	plan.Unsafe:      "unsafe",
	plan.Fall:        "fallPercent",
	plan.Faces:       "facesDeg",
	plan.Depth:       "deep",
}

func readItem(s *plot.State, g *plot.Plot, in ItemInput) (store.PutPlanItemParams, error) {
	var c say.Checklist
	row := store.PutPlanItemParams{
		Kind:   in.Kind,
		Name:   c.Name("name", in.Name),
		Note:   c.Text("note", in.Note, say.LongestNote),
		Points: "[]",
	}
	kind, err := plan.KindOf(in.Kind)
	if err != nil {
		c.AddError("kind", err)
		return row, c.Err()
	}
	if in.Shape == "" {
		in.Shape = string(kind.Shapes[0])
	}
	if !kind.MayBe(plan.Shape(in.Shape)) {
		c.Add("shape", "A %s cannot be a %s.", in.Kind, in.Shape)
		return row, c.Err()
	}
	form := readForm(s, &c, in.FormInput, offPlotM)
	if kind.Kind == plan.Barrier && c.Err() == nil && !withinPlot(form, s.Boundary) {
		c.Add("points", "A root barrier lies on the plot: this one runs outside its boundary.")
	}
	setItemForm(&row, form)
	traits := readTraits(s, &c, kind, in)
	for _, fault := range traits.Check(kind) {
		if !c.Has(traitFields[fault.Trait]) {
			c.Add(traitFields[fault.Trait], "%s", fault.Why)
		}
	}
	if kind.Has(plan.Unsafe) {
		_, err := suitability.Parse(in.Unsafe)
		c.AddError("unsafe", err)
	}
	if _, known := g.Lib().Ground().Tree(in.Tree); kind.Has(plan.TreeSpecies) && in.Tree != "" && !known {
		c.Add("tree", "%q is not a tree on record here; leave it empty for one that poisons nothing.", in.Tree)
	}
	text, err := json.Marshal(traits.Only(kind))
	if err != nil {
		c.AddError("height", err)
	}
	row.Traits = string(text)
	return row, c.Err()
}

func readTraits(s *plot.State, c *say.Checklist, kind plan.KindRow, in ItemInput) plan.Traits {
	t := plan.Traits{
		Leaf:      in.Leaf,
		LeafFrom:  time.Month(in.LeafFrom),
		LeafUntil: time.Month(in.LeafUntil),
		Tree:      in.Tree,
		Unsafe:    in.Unsafe,
	}
	unit := s.Units.GroundUnit()
	if kind.Has(plan.Height) {
		t.HeightM = length(c, "height", in.Height, unit, 0, plan.TallestM)
	}
	if kind.Has(plan.CrownBase) && in.CrownBase != "" {
		t.CrownBaseM = length(c, "crownBase", in.CrownBase, unit, 0, plan.TallestM)
	}
	if kind.Has(plan.Depth) {
		t.DepthM = length(c, "deep", in.Deep, s.Units.LengthUnit(), 0, plan.DeepestM)
	}
	if kind.Has(plan.Reach) && in.Reach != "" {
		reach := length(c, "reach", in.Reach, unit, 0, plan.FarthestM)
		t.ReachM = &reach
	}
	if in.LetsThrough != nil {
		share := *in.LetsThrough / 100
		t.LetsThrough = &share
	}
	if in.FallPercent != nil {
		t.FallPercent = *in.FallPercent
	}
	if in.FacesDeg != nil {
		t.FacesDeg = *in.FacesDeg
	} else if kind.Has(plan.Faces) {
		c.Add("facesDeg", "Say which way it faces, in degrees clockwise from north: 180 is south.")
	}
	return t
}

// ItemAsTyped is a thing as it would be typed.
func ItemAsTyped(s *plot.State, it plot.Item) ItemInput {
	t, length := it.Item.Traits, s.Units.GroundLength
	in := ItemInput{
		Kind:      it.PlanItem.Kind,
		Name:      it.Name,
		FormInput: viewForm(s, it.Form),
		Leaf:      t.Leaf,
		LeafFrom:  int(t.LeafFrom),
		LeafUntil: int(t.LeafUntil),
		Tree:      t.Tree,
		Unsafe:    t.Unsafe,
		Note:      it.Note,
	}
	kind := it.Item.Kind
	if kind.Has(plan.Height) {
		in.Height = length(t.HeightM)
	}
	if kind.Has(plan.Depth) {
		in.Deep = s.Units.PlantLength(t.DepthM)
	}
	if t.CrownBaseM > 0 {
		in.CrownBase = length(t.CrownBaseM)
	}
	if t.ReachM != nil {
		in.Reach = length(*t.ReachM)
	}
	if t.LetsThrough != nil {
		in.LetsThrough = new(*t.LetsThrough * 100)
	}
	if kind.Has(plan.Fall) {
		in.FallPercent, in.FacesDeg = new(t.FallPercent), new(t.FacesDeg)
	}
	return in
}

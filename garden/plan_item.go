package garden

import (
	"context"
	"encoding/json"
	"fmt"
	"math"
	"time"

	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/store"
)

// item is a thing on the plan other than a bed.
type item struct {
	store.PlanItem
	plan.Item
}

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
	Note        string   `json:"note,omitempty"`
}

// AddItem sets a thing on the plan.
func (g *Garden) AddItem(ctx context.Context, in ItemInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		row, err := s.readItem(g, in)
		if err != nil {
			return record{}, err
		}
		return putItem(ctx, d, 0, row, "Drew ")
	})
}

// ChangeItem changes a thing on the plan.
func (g *Garden) ChangeItem(ctx context.Context, id int64, seen Version, in ItemInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		it, err := s.standingItem(id)
		if err != nil {
			return record{}, err
		}
		if err := seen.isOf(versionOf(it.PlanItem), itemName(it.PlanItem.Kind, it.Name)); err != nil {
			return record{}, err
		}
		row, err := s.readItem(g, in)
		if err != nil {
			return record{}, err
		}
		row.ID = &id
		return putItem(ctx, d, id, row, "Changed ")
	})
}

// RemoveItem takes a thing off the plan.
func (g *Garden) RemoveItem(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		it, err := s.standingItem(id)
		if err != nil {
			return record{}, err
		}
		row := itemParams(it.PlanItem)
		today := s.today.String()
		row.RemovedOn = &today
		return putItem(ctx, d, id, row, "Removed ")
	})
}

func putItem(ctx context.Context, d *draft, id int64, row store.PutPlanItemParams, verb string) (record, error) {
	_, err := planItemsTable.Put(ctx, d, id, row)
	return record{kind: "plan", summary: verb + itemName(row.Kind, row.Name)}, err
}

// itemName is what a thing is called: its name, or its kind.
func itemName(kind, name string) string {
	if name != "" {
		return name
	}
	return "the " + kind
}

func itemParams(row store.PlanItem) store.PutPlanItemParams {
	return store.PutPlanItemParams{
		ID: &row.ID, Kind: row.Kind, Name: row.Name, Shape: row.Shape, XM: row.XM, YM: row.YM, WidthM: row.WidthM, DepthM: row.DepthM,
		TurnDeg: row.TurnDeg, Points: row.Points, Traits: row.Traits, Note: row.Note, RemovedOn: row.RemovedOn,
	}
}

// standingItem returns a thing that has not been removed.
func (s *state) standingItem(id int64) (item, error) {
	for _, it := range s.items {
		if it.ID == id {
			return it, nil
		}
	}
	return item{}, NotFoundError{"thing on the plan"}
}

func setItemForm(row *store.PutPlanItemParams, f plan.Form) {
	row.Shape, row.XM, row.YM, row.WidthM, row.DepthM = string(f.Shape), f.At.X, f.At.Y, f.Width, f.Depth
	row.TurnDeg, row.Points = math.Mod(f.Turn, 360), encodePoints(f.Points)
}

// traitFields are the fields that the traits are typed in.
var traitFields = map[plan.Trait]string{
	plan.Height: "height", plan.CrownBase: "crownBase", plan.LeafSeason: "leaf", plan.TreeSpecies: "tree", plan.LetsThrough: "letsThrough",
	plan.Reach: "reach", plan.Unsafe: "unsafe", plan.Fall: "fallPercent", plan.Faces: "facesDeg",
}

func (s *state) readItem(g *Garden, in ItemInput) (store.PutPlanItemParams, error) {
	var c checklist
	row := store.PutPlanItemParams{Kind: in.Kind, Name: c.name("name", in.Name), Note: c.text("note", in.Note, longestNote), Points: "[]"}
	kind, err := plan.KindOf(in.Kind)
	if err != nil {
		c.addError("kind", err)
		return row, c.err()
	}
	if in.Shape == "" {
		in.Shape = string(kind.Shapes[0])
	}
	if !kind.MayBe(plan.Shape(in.Shape)) {
		c.add("shape", "A %s cannot be a %s.", in.Kind, in.Shape)
		return row, c.err()
	}
	setItemForm(&row, s.readForm(&c, in.FormInput, offPlotM))
	traits := s.readTraits(&c, kind, in)
	for _, fault := range traits.Check(kind) {
		if !c.has(traitFields[fault.Trait]) {
			c.add(traitFields[fault.Trait], "%s", fault.Why)
		}
	}
	if kind.Has(plan.Unsafe) {
		_, err := suitability.Parse(in.Unsafe)
		c.addError("unsafe", err)
	}
	if _, known := g.lib().Ground().Tree(in.Tree); kind.Has(plan.TreeSpecies) && in.Tree != "" && !known {
		c.add("tree", "%q is not a tree on record here; leave it empty for one that poisons nothing.", in.Tree)
	}
	text, err := json.Marshal(traits.Only(kind))
	if err != nil {
		c.addError("height", err)
	}
	row.Traits = string(text)
	return row, c.err()
}

func (s *state) readTraits(c *checklist, kind plan.KindRow, in ItemInput) plan.Traits {
	t := plan.Traits{Leaf: in.Leaf, LeafFrom: time.Month(in.LeafFrom), LeafUntil: time.Month(in.LeafUntil), Tree: in.Tree, Unsafe: in.Unsafe}
	unit := s.units.GroundUnit()
	if kind.Has(plan.Height) {
		t.HeightM = c.length("height", in.Height, unit, 0, plan.TallestM)
	}
	if kind.Has(plan.CrownBase) && in.CrownBase != "" {
		t.CrownBaseM = c.length("crownBase", in.CrownBase, unit, 0, plan.TallestM)
	}
	if kind.Has(plan.Reach) && in.Reach != "" {
		reach := c.length("reach", in.Reach, unit, 0, plan.FarthestM)
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
		c.add("facesDeg", "Say which way it faces, in degrees clockwise from north: 180 is south.")
	}
	return t
}

// readItems turns stored rows into things, those taken off the plan left out.
func readItems(rows []store.PlanItem) ([]item, error) {
	var items []item
	for _, row := range rows {
		if row.RemovedOn != nil {
			continue
		}
		kind, err := plan.KindOf(row.Kind)
		if err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		it := item{PlanItem: row, Item: plan.Item{Kind: kind}}
		if err := json.Unmarshal([]byte(row.Traits), &it.Item.Traits); err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		points, err := decodePoints(row.Points)
		if err != nil {
			return nil, fmt.Errorf("plan item %d: %w", row.ID, err)
		}
		it.Form = itemForm(row, points)
		items = append(items, it)
	}
	return items, nil
}

// itemInput is a thing as it would be typed.
func (s *state) itemInput(it item) ItemInput {
	t, length := it.Item.Traits, s.units.GroundLength
	in := ItemInput{
		Kind: it.PlanItem.Kind, Name: it.Name, FormInput: s.viewForm(it.Form), Leaf: t.Leaf, LeafFrom: int(t.LeafFrom), LeafUntil: int(t.LeafUntil),
		Tree: t.Tree, Unsafe: t.Unsafe, Note: it.Note,
	}
	kind := it.Item.Kind
	if kind.Has(plan.Height) {
		in.Height = length(t.HeightM)
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

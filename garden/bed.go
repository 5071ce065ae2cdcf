package garden

import (
	"context"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

// The words for what holds a bed's edge and for how warm it lies.
var (
	edgeWords   = []string{"", "open", "held"}
	warmthWords = []string{"", "cold", "warm"}
)

// BedInput is what a grower says of a bed. A word that is left empty is one that
// nobody has said: signs and tests may tell instead.
type BedInput struct {
	Name string `json:"name"`
	FormInput
	SunHours  *float64 `json:"sunHours,omitempty" doc:"Measured hours of sun a day in summer; they replace the computed ones"`
	Moisture  string   `json:"moisture"`
	Winter    string   `json:"winter,omitempty"`
	Texture   string   `json:"texture,omitempty"`
	Drainage  string   `json:"drainage,omitempty"`
	PH        string   `json:"ph,omitempty"`
	Fertility string   `json:"fertility,omitempty"`
	SoilDepth string   `json:"soilDepth,omitempty"`
	Mulch     string   `json:"mulch,omitempty" doc:"As typed; empty for none"`
	Shelter   string   `json:"shelter,omitempty" doc:"Empty: told from the plan"`
	Warmth    string   `json:"warmth,omitempty" doc:"cold or warm; empty: told from the plan"`
	Frost     bool     `json:"frostHollow,omitempty"`
	Edge      string   `json:"edge,omitempty" doc:"open or held; empty: told from the plan"`
	Unsafe    string   `json:"unsafe,omitempty" doc:"A kind of unsafe ground; empty for safe ground"`
	Note      string   `json:"note,omitempty"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// askOverBuilding is the question that a bed over a house or a pond is asked back with.
const askOverBuilding = "over building"

// AddBed lays out a bed.
func (g *Garden) AddBed(ctx context.Context, in BedInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		row, err := s.readBed(in, 0)
		if err != nil {
			return record{}, err
		}
		for _, bed := range s.beds {
			row.RoundOrder = max(row.RoundOrder, bed.RoundOrder+1)
		}
		return putBed(ctx, d, 0, row, "Laid out "+row.Name)
	})
}

// ChangeBed changes a bed's name, place, size or conditions.
func (g *Garden) ChangeBed(ctx context.Context, id int64, seen Version, in BedInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		bed, err := s.standingBed(id)
		if err != nil {
			return record{}, err
		}
		if err := seen.isOf(versionOf(bed), bed.Name); err != nil {
			return record{}, err
		}
		row, err := s.readBed(in, id)
		if err != nil {
			return record{}, err
		}
		row.ID, row.RoundOrder = &id, bed.RoundOrder
		return putBed(ctx, d, id, row, "Changed "+row.Name)
	})
}

// RemoveBed takes a bed off the plan. A bed that something stands in is kept.
func (g *Garden) RemoveBed(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		bed, err := s.standingBed(id)
		if err != nil {
			return record{}, err
		}
		var names []string
		for _, p := range s.plantings {
			if p.BedID == id {
				names = append(names, p.species.Names.Name)
			}
		}
		if len(names) > 0 {
			return record{}, ConflictError{capital(joined(names)) + " still stand in " + bed.Name + ". Remove or move them first."}
		}
		row := bedParams(bed)
		today := s.today.String()
		row.RemovedOn = &today
		return putBed(ctx, d, id, row, "Removed "+bed.Name)
	})
}

func putBed(ctx context.Context, d *draft, id int64, row store.PutBedParams, summary string) (record, error) {
	bed, err := bedsTable.Put(ctx, d, id, row)
	return record{kind: "bed", summary: summary, bed: &bed.ID}, err
}

func bedParams(bed store.Bed) store.PutBedParams {
	return store.PutBedParams{
		ID: &bed.ID, Name: bed.Name, XM: bed.XM, YM: bed.YM, WidthM: bed.WidthM, DepthM: bed.DepthM, TurnDeg: bed.TurnDeg,
		SunHours: bed.SunHours, Moisture: bed.Moisture, Unsafe: bed.Unsafe, Note: bed.Note, RoundOrder: bed.RoundOrder, RemovedOn: bed.RemovedOn,
		Shape: bed.Shape, Points: bed.Points, InnerM: bed.InnerM, Texture: bed.Texture, Drainage: bed.Drainage, Winter: bed.Winter, Ph: bed.Ph,
		Fertility: bed.Fertility, SoilDepth: bed.SoilDepth, MulchM: bed.MulchM, Shelter: bed.Shelter, Warmth: bed.Warmth, FrostHollow: bed.FrostHollow, Edge: bed.Edge,
	}
}

// standingBed returns a bed that has not been removed.
func (s *state) standingBed(id int64) (store.Bed, error) {
	bed, has := s.bedByID[id]
	if !has {
		return bed, NotFoundError{"bed"}
	}
	if bed.RemovedOn != nil {
		return bed, ConflictError{bed.Name + " was removed. Take the removal back in the ledger first."}
	}
	return bed, nil
}

func (in BedInput) said() []saidWord {
	return saidOf(store.Bed{Moisture: in.Moisture, Winter: in.Winter, Texture: in.Texture, Drainage: in.Drainage, Ph: in.PH, Fertility: in.Fertility, SoilDepth: in.SoilDepth})
}

// readBed checks what was entered of a bed; id is 0 for a new one.
func (s *state) readBed(in BedInput, id int64) (store.PutBedParams, error) {
	var c checklist
	row := store.PutBedParams{
		Name: c.name("name", in.Name), Note: c.text("note", in.Note, longestNote),
		SunHours: in.SunHours, Moisture: in.Moisture, Winter: in.Winter, Texture: in.Texture, Drainage: in.Drainage, Ph: in.PH,
		Fertility: in.Fertility, SoilDepth: in.SoilDepth, Shelter: in.Shelter, Warmth: in.Warmth, Edge: in.Edge, Unsafe: in.Unsafe,
	}
	if in.Frost {
		row.FrostHollow = 1
	}
	form := s.readForm(&c, in.FormInput, 0)
	setBedForm(&row, form)
	if row.Name == "" {
		c.add("name", "Give the bed a name.")
	}
	for _, bed := range s.beds {
		if bed.ID != id && strings.EqualFold(bed.Name, row.Name) {
			c.add("name", "There is already a bed called %s.", bed.Name)
		}
	}
	if h := in.SunHours; h != nil && !(*h >= 0 && *h <= 24) {
		c.add("sunHours", "Hours of sun lie between 0 and 24.")
	}
	s.readConditions(&c, in, &row)
	if len(c.faults) == 0 {
		s.checkBedForm(&c, form, id)
		s.askWhatLiesUnder(&c, id, form, in.Affirmed)
	}
	return row, c.err()
}

func (s *state) readConditions(c *checklist, in BedInput, row *store.PutBedParams) {
	for _, said := range in.said() {
		aspect, err := ground.AspectOf(said.aspect)
		if err != nil {
			continue
		}
		if _, known := aspect.Index(said.word); !known && said.word != "" {
			c.add(said.field, "Choose %s.", orList(aspect.Words))
		}
	}
	oneOf := func(field, word string, words []string) {
		if word != "" && !slices.Contains(words, word) {
			c.add(field, "Choose %s.", orList(words))
		}
	}
	oneOf("shelter", in.Shelter, flora.ShelterWords)
	oneOf("warmth", in.Warmth, warmthWords[1:])
	oneOf("edge", in.Edge, edgeWords[1:])
	if in.Mulch != "" {
		row.MulchM = c.length("mulch", in.Mulch, s.units.LengthUnit(), 0, 0.5)
	}
	if _, err := suitability.Parse(in.Unsafe); err != nil {
		c.addError("unsafe", err)
	}
}

// orList lists choices: "dry, fresh, moist or wet".
func orList(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " or " + words[len(words)-1]
}

// checkBedForm refuses a bed that reaches outside the plot, and a pot that stands
// in another.
func (s *state) checkBedForm(c *checklist, form plan.Form, id int64) {
	field := "x"
	if form.Shape == plan.Polygon {
		field = "points"
	}
	if form.Shape == plan.Line {
		c.add("shape", "A bed is a rectangle, an outline, a ring or a pot.")
		return
	}
	if !withinPlot(form, s.boundary) {
		c.add(field, "The bed reaches outside the plot, which is %s by %s. Move it or make it smaller.",
			s.units.GroundLength(s.site.WidthM), s.units.GroundLength(s.site.DepthM))
		return
	}
	if form.Shape != plan.Round {
		return
	}
	for _, bed := range s.beds {
		other := s.forms[bed.ID]
		const touch = 0.01
		if bed.ID != id && other.Shape == plan.Round && form.At.Distance(other.At) < (form.Width+other.Width)/2-touch {
			c.add(field, "The pot would stand in the pot %s. Leave %s between their middles.", bed.Name, s.units.GroundLength((form.Width+other.Width)/2))
			return
		}
	}
}

// mostOver is the share of a bed that may lie over a building or water unasked: a plan is
// drawn by hand.
const mostOver = 0.15

// askWhatLiesUnder asks back about a bed that lies over a building or water. A pot may stand
// anywhere.
func (s *state) askWhatLiesUnder(c *checklist, id int64, form plan.Form, affirmed []string) {
	if form.Shape == plan.Round {
		return
	}
	for _, thing := range s.items {
		if thing.Item.Kind.Kind != plan.Building && thing.Item.Kind.Kind != plan.Pond && thing.Item.Kind.Kind != plan.Stream {
			continue
		}
		was := 0.0 // where it lay so before, nothing new is to be asked
		if before, stands := s.forms[id]; stands {
			was = before.Region().ShareWithin(thing.Item.Form.Region())
		}
		if over := form.Region().ShareWithin(thing.Item.Form.Region()); over > max(mostOver, was+0.01) {
			field := "x"
			if form.Shape == plan.Polygon {
				field = "points"
			}
			c.ask(field, askOverBuilding, affirmed, "%s of the bed would lie over the %s %s. Is it so drawn?", capital(shareWords(over)), thing.Item.Kind.Kind, thing.PlanItem.Name)
			return
		}
	}
}

// bedInput is a bed as it would be typed.
func (s *state) bedInput(bed store.Bed) BedInput {
	in := BedInput{
		Name: bed.Name, FormInput: s.viewForm(s.forms[bed.ID]), SunHours: bed.SunHours, Moisture: bed.Moisture, Winter: bed.Winter,
		Texture: bed.Texture, Drainage: bed.Drainage, PH: bed.Ph, Fertility: bed.Fertility, SoilDepth: bed.SoilDepth,
		Shelter: bed.Shelter, Warmth: bed.Warmth, Frost: bed.FrostHollow != 0, Edge: bed.Edge, Unsafe: bed.Unsafe, Note: bed.Note,
	}
	if bed.MulchM > 0 {
		in.Mulch = s.smallLength(bed.MulchM)
	}
	return in
}

// smallLength writes a small length with a tenth: "7.5 cm", "3 in".
func (s *state) smallLength(metres float64) string {
	if s.units == unit.US {
		return number(metres/0.0254) + " in"
	}
	return number(metres*100) + " cm"
}

// areaM2 is the ground of a bed.
func (s *state) areaM2(bedID int64) float64 {
	return math.Max(geometry.SmallestArea, s.forms[bedID].Area())
}

package place

import (
	"context"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
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
	Purpose   string   `json:"purpose,omitempty" doc:"What the bed is for, one of the uses; empty for nothing in particular"`
	Unsafe    string   `json:"unsafe,omitempty" doc:"A kind of unsafe ground; empty for safe ground"`
	Note      string   `json:"note,omitempty"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// AskOverBuilding is the question that a bed over a house or a pond is asked back with.
const AskOverBuilding = "over building"

// AddBed lays out a bed.
func (u *Uses) AddBed(ctx context.Context, in BedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, err := readBed(s, in, 0)
		if err != nil {
			return journal.Record{}, err
		}
		for _, bed := range s.Beds {
			row.RoundOrder = max(row.RoundOrder, bed.RoundOrder+1)
		}
		return putBed(ctx, d, 0, row, "Laid out "+row.Name)
	})
}

// ChangeBed changes a bed's name, place, size or conditions.
func (u *Uses) ChangeBed(ctx context.Context, id int64, seen say.Version, in BedInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(say.VersionOf(bed), bed.Name); err != nil {
			return journal.Record{}, err
		}
		row, err := readBed(s, in, id)
		if err != nil {
			return journal.Record{}, err
		}
		row.ID, row.RoundOrder = &id, bed.RoundOrder
		return putBed(ctx, d, id, row, "Changed "+row.Name)
	})
}

// RemoveBed takes a bed off the plan. A bed that something stands in is kept.
func (u *Uses) RemoveBed(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		bed, err := input.StandingBed(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		var names []string
		for _, p := range s.Plantings {
			if p.BedID == id {
				names = append(names, p.Species.Names.Name)
			}
		}
		if len(names) > 0 {
			return journal.Record{}, say.ConflictError{
				Why: say.Capital(say.Joined(names)) + " still stand in " + bed.Name + ". Remove or move them first.",
			}
		}
		row := bedParams(bed)
		today := s.Today.String()
		row.RemovedOn = &today
		return putBed(ctx, d, id, row, "Removed "+bed.Name)
	})
}

func putBed(
	ctx context.Context,
	d *journal.Draft,
	id int64,
	row store.PutBedParams,
	summary string,
) (journal.Record, error) {
	bed, err := bedsTable.Put(ctx, d, id, row)
	return journal.Record{Kind: "bed", Summary: summary, Bed: &bed.ID}, err
}

func bedParams(bed store.Bed) store.PutBedParams {
	return store.PutBedParams{
		ID:          &bed.ID,
		Name:        bed.Name,
		XM:          bed.XM,
		YM:          bed.YM,
		WidthM:      bed.WidthM,
		DepthM:      bed.DepthM,
		TurnDeg:     bed.TurnDeg,
		SunHours:    bed.SunHours,
		Moisture:    bed.Moisture,
		Unsafe:      bed.Unsafe,
		Note:        bed.Note,
		RoundOrder:  bed.RoundOrder,
		RemovedOn:   bed.RemovedOn,
		Shape:       bed.Shape,
		Points:      bed.Points,
		InnerM:      bed.InnerM,
		Texture:     bed.Texture,
		Drainage:    bed.Drainage,
		Winter:      bed.Winter,
		Ph:          bed.Ph,
		Fertility:   bed.Fertility,
		SoilDepth:   bed.SoilDepth,
		MulchM:      bed.MulchM,
		Shelter:     bed.Shelter,
		Warmth:      bed.Warmth,
		FrostHollow: bed.FrostHollow,
		Edge:        bed.Edge,
		Purpose:     bed.Purpose,
	}
}

func (in BedInput) saidWords() []plot.SaidWord {
	return plot.SaidOf(
		store.Bed{
			Moisture:  in.Moisture,
			Winter:    in.Winter,
			Texture:   in.Texture,
			Drainage:  in.Drainage,
			Ph:        in.PH,
			Fertility: in.Fertility,
			SoilDepth: in.SoilDepth,
		},
	)
}

// readBed checks what was entered of a bed; id is 0 for a new one.
func readBed(s *plot.State, in BedInput, id int64) (store.PutBedParams, error) {
	var c say.Checklist
	row := store.PutBedParams{
		Name:      c.Name("name", in.Name),
		Note:      c.Text("note", in.Note, say.LongestNote),
		SunHours:  in.SunHours,
		Moisture:  in.Moisture,
		Winter:    in.Winter,
		Texture:   in.Texture,
		Drainage:  in.Drainage,
		Ph:        in.PH,
		Fertility: in.Fertility,
		SoilDepth: in.SoilDepth,
		Shelter:   in.Shelter,
		Warmth:    in.Warmth,
		Edge:      in.Edge,
		Purpose:   in.Purpose,
		Unsafe:    in.Unsafe,
	}
	if in.Frost {
		row.FrostHollow = 1
	}
	form := readBedForm(s, &c, in.FormInput, id)
	setBedForm(&row, form)
	if row.Name == "" {
		c.Add("name", "Give the bed a name.")
	}
	for _, bed := range s.Beds {
		if bed.ID != id && strings.EqualFold(bed.Name, row.Name) {
			c.Add("name", "There is already a bed called %s.", bed.Name)
		}
	}
	if h := in.SunHours; h != nil && !(*h >= 0 && *h <= 24) {
		c.Add("sunHours", "Hours of sun lie between 0 and 24.")
	}
	readConditions(s, &c, in, &row)
	if len(c.Faults) == 0 {
		checkBedForm(s, &c, form, id)
		askWhatLiesUnder(s, &c, id, form, in.Affirmed)
	}
	return row, c.Err()
}

func readConditions(s *plot.State, c *say.Checklist, in BedInput, row *store.PutBedParams) {
	for _, said := range in.saidWords() {
		aspect, err := ground.AspectOf(said.Aspect)
		if err != nil {
			continue
		}
		if _, known := aspect.Index(said.Word); !known && said.Word != "" {
			c.Add(said.Field, "Choose %s.", say.OrList(aspect.Words))
		}
	}
	oneOf := func(field, word string, words []string) {
		if word != "" && !slices.Contains(words, word) {
			c.Add(field, "Choose %s.", say.OrList(words))
		}
	}
	oneOf("shelter", in.Shelter, flora.ShelterWords)
	oneOf("warmth", in.Warmth, warmthWords[1:])
	oneOf("edge", in.Edge, edgeWords[1:])
	oneOf("purpose", in.Purpose, flora.UseWords)
	if in.Mulch != "" {
		row.MulchM = length(c, "mulch", in.Mulch, s.Units.LengthUnit(), 0, 0.5)
	}
	if _, err := suitability.Parse(in.Unsafe); err != nil {
		c.AddError("unsafe", err)
	}
}

// checkBedForm refuses a bed that reaches outside the plot, and a pot that stands
// in another.
// pathM is the width of the path that is left round a bed that finds its place by itself, in metres.
const pathM = 0.6

// readBedForm reads a bed's form; one that is new and laid nowhere finds its place by itself.
func readBedForm(s *plot.State, c *say.Checklist, in FormInput, id int64) plan.Form {
	if id != 0 || in.X != "" || in.Y != "" || len(in.Points) > 0 || in.Shape == string(plan.Polygon) {
		return readForm(s, c, in, 0)
	}
	before := len(c.Faults)
	in.X, in.Y = "0 m", "0 m"
	form := readForm(s, c, in, 0)
	if len(c.Faults) > before {
		return form
	}
	var taken []geometry.Region
	for _, bed := range s.Beds {
		taken = append(taken, s.Forms[bed.ID].Region())
	}
	for _, thing := range s.Items {
		if suits := thing.Item.Kind.Kind; suits != plan.Lawn && suits != plan.Wild && suits != plan.Slope {
			taken = append(taken, thing.Item.Form.Region())
		}
	}
	at, found := plan.FreeSpot(form, s.Boundary, taken, pathM)
	if !found {
		c.Add(
			"width",
			"There is no room for it beside what is laid out, with a path of %s around. Make it smaller, or draw it where it lies.",
			s.Units.GroundLength(pathM),
		)
		return form
	}
	form.At = at
	return form.Recentred()
}

func checkBedForm(s *plot.State, c *say.Checklist, form plan.Form, id int64) {
	field := "x"
	if form.Shape == plan.Polygon {
		field = "points"
	}
	if form.Shape == plan.Line {
		c.Add("shape", "A bed is a rectangle, an outline, a ring or a pot.")
		return
	}
	if !withinPlot(form, s.Boundary) {
		c.Add(field, "The bed reaches outside the plot, which is %s by %s. Move it or make it smaller.",
			s.Units.GroundLength(s.Site.WidthM), s.Units.GroundLength(s.Site.DepthM))
		return
	}
	if form.Shape != plan.Round {
		return
	}
	for _, bed := range s.Beds {
		other := s.Forms[bed.ID]
		const touch = 0.01
		if bed.ID != id && other.Shape == plan.Round && form.At.Distance(other.At) < (form.Width+other.Width)/2-touch {
			c.Add(
				field,
				"The pot would stand in the pot %s. Leave %s between their middles.",
				bed.Name,
				s.Units.GroundLength((form.Width+other.Width)/2),
			)
			return
		}
	}
}

// mostOver is the share of a bed that may lie over a building or water unasked: a plan is
// drawn by hand.
const mostOver = 0.15

// askWhatLiesUnder asks back about a bed that lies over a building or water. A pot may stand
// anywhere.
func askWhatLiesUnder(s *plot.State, c *say.Checklist, id int64, form plan.Form, affirmed []string) {
	if form.Shape == plan.Round {
		return
	}
	for _, thing := range s.Items {
		if thing.Item.Kind.Kind != plan.Building && thing.Item.Kind.Kind != plan.Pond && thing.Item.Kind.Kind != plan.Stream {
			continue
		}
		was := 0.0 // where it lay so before, nothing new is to be asked
		if before, stands := s.Forms[id]; stands {
			was = before.Region().ShareWithin(thing.Item.Form.Region())
		}
		if over := form.Region().ShareWithin(thing.Item.Form.Region()); over > max(mostOver, was+0.01) {
			field := "x"
			if form.Shape == plan.Polygon {
				field = "points"
			}
			c.Ask(
				field,
				AskOverBuilding,
				affirmed,
				"%s of the bed would lie over the %s %s. Is it so drawn?",
				say.Capital(say.ShareWords(over)),
				thing.Item.Kind.Kind,
				thing.PlanItem.Name,
			)
			return
		}
	}
}

// bedInput is a bed as it would be typed.
func bedInput(s *plot.State, bed store.Bed) BedInput {
	in := BedInput{
		Name:      bed.Name,
		FormInput: viewForm(s, s.Forms[bed.ID]),
		SunHours:  bed.SunHours,
		Moisture:  bed.Moisture,
		Winter:    bed.Winter,
		Texture:   bed.Texture,
		Drainage:  bed.Drainage,
		PH:        bed.Ph,
		Fertility: bed.Fertility,
		SoilDepth: bed.SoilDepth,
		Shelter:   bed.Shelter,
		Warmth:    bed.Warmth,
		Frost:     bed.FrostHollow != 0,
		Edge:      bed.Edge,
		Purpose:   bed.Purpose,
		Unsafe:    bed.Unsafe,
		Note:      bed.Note,
	}
	if bed.MulchM > 0 {
		in.Mulch = smallLength(s, bed.MulchM)
	}
	return in
}

// smallLength writes a small length with a tenth: "7.5 cm", "3 in".
func smallLength(s *plot.State, metres float64) string {
	if s.Units == unit.US {
		return say.Number(metres/0.0254) + " in"
	}
	return say.Number(metres*100) + " cm"
}

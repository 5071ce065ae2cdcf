package bench

import (
	"context"
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// SetOutInput is plants to be set out: in a bed of the plan, or in a rectangle as typed.
type SetOutInput struct {
	BedID   int64
	Width   string
	Length  string
	Spacing string
	Edge    string
	Species string
}

// SetOutView is where plants go, to scale.
type SetOutView struct {
	Title   string `json:"title"`
	Species string `json:"species"`
	// Width and Depth are the drawing's, in metres; Outline is the bed's in the same.
	Width    float64            `json:"width"`
	Depth    float64            `json:"depth"`
	Outline  [][]geometry.Point `json:"outline"`
	Hole     []geometry.Point   `json:"hole"`
	Spacing  string             `json:"spacing"`
	Edge     string             `json:"edge"`
	Triangle SetOutLayout       `json:"triangle"`
	Square   SetOutLayout       `json:"square"`
	Better   string             `json:"better" enum:"triangle,square"`
	Words    string             `json:"words"`
	Note     string             `json:"note" doc:"Where the spacing comes from"`
}

// SetOutLayout is one pattern.
type SetOutLayout struct {
	Plants int                `json:"plants"`
	Spots  []geometry.Point   `json:"spots"`
	Rows   [][]geometry.Point `json:"-"`
	// Tape are the distances to mark along the first edge and from row to row.
	Tape []string `json:"tape"`
}

// SetOut works out where plants stand in a bed or a rectangle, in triangles and in squares.
func (u *Uses) SetOut(ctx context.Context, in SetOutInput) (SetOutView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SetOutView{}, err
	}
	var c say.Checklist
	v := SetOutView{Outline: [][]geometry.Point{}, Hole: []geometry.Point{}}
	spacing := readSpan(s, &c, "spacing", in.Spacing)
	edge := 0.0
	if in.Edge == "" {
		edge = spacing / 2
	} else {
		edge = readSpan(s, &c, "edge", in.Edge)
	}
	if in.Species != "" {
		if species, has := s.Lib.Species(in.Species); has {
			v.Species = species.ID
			v.Title = say.Capital(species.Names.Name)
		}
	}
	setting := propagation.SettingOut{Spacing: spacing, Edge: edge}
	var lay func(propagation.Pattern) (propagation.Layout, error)
	if in.BedID != 0 {
		bed, err := input.StandingBed(s, in.BedID)
		if err != nil {
			return SetOutView{}, err
		}
		region, rectangle := localBed(s, in.BedID)
		v.Title = joinedTitle(v.Title, bed.Name)
		low, high := region.Bounds()
		v.Width, v.Depth = high.X-low.X, high.Y-low.Y
		for _, area := range region.Areas {
			v.Outline = append(v.Outline, area.Moved(geometry.Point{X: -low.X, Y: -low.Y}))
		}
		v.Hole = append(v.Hole, region.Hole.Moved(geometry.Point{X: -low.X, Y: -low.Y})...)
		moved := geometry.Region{Hole: v.Hole}
		for _, outline := range v.Outline {
			moved.Areas = append(moved.Areas, outline)
		}
		lay = func(pattern propagation.Pattern) (propagation.Layout, error) {
			best, err := setting.InRegion(moved, pattern)
			if err != nil || !rectangle {
				return best, err
			}
			if straight, err := setting.InRectangle(v.Width, v.Depth, pattern); err == nil &&
				len(straight.Spots) >= len(best.Spots) {
				return straight, nil // easier to tape
			}
			return best, nil
		}
	} else {
		v.Width, v.Depth = readSpan(s, &c, "width", in.Width), readSpan(s, &c, "length", in.Length)
		v.Title = joinedTitle(v.Title, s.Units.PlantLength(v.Width)+" by "+s.Units.PlantLength(v.Depth))
		v.Outline = append(v.Outline, []geometry.Point{{}, {X: v.Width}, {X: v.Width, Y: v.Depth}, {Y: v.Depth}})
		lay = func(pattern propagation.Pattern) (propagation.Layout, error) {
			return setting.InRectangle(v.Width, v.Depth, pattern)
		}
	}
	if err := c.Err(); err != nil {
		return SetOutView{}, err
	}
	triangle, err := lay(propagation.Triangle)
	if err != nil {
		return SetOutView{}, say.Faults{{Field: "spacing", Message: say.Sentence(err.Error())}}
	}
	square, err := lay(propagation.Square)
	if err != nil {
		return SetOutView{}, say.Faults{{Field: "spacing", Message: say.Sentence(err.Error())}}
	}
	v.Spacing, v.Edge = s.Units.PlantLength(spacing), s.Units.PlantLength(edge)
	v.Triangle, v.Square = viewLayout(s, triangle, setting), viewLayout(s, square, setting)
	better := propagation.Better(len(triangle.Spots), len(square.Spots))
	v.Better = string(better)
	v.Words = setOutWords(len(triangle.Spots), len(square.Spots))
	v.Note = spacingNote(s, in.Species)
	return v, nil
}

func joinedTitle(plant, where string) string {
	if plant == "" {
		return where
	}
	return plant + ", " + where
}

// localBed is a bed's ground in its own frame, not turned, and whether it is a plain rectangle.
func localBed(s *plot.State, bed int64) (geometry.Region, bool) {
	form := s.Forms[bed]
	return form.Local(), string(form.Shape) == "rectangle"
}

func readSpan(s *plot.State, c *say.Checklist, field, text string) float64 {
	metres, err := unit.Parse(unit.Length, text, "cm")
	const most = 200
	switch {
	case err != nil:
		c.AddError(field, err)
	case !(metres > 0) && field != "edge" || metres < 0 || metres > most:
		c.Add(field, "This must be above nothing and no more than %s.", s.Units.GroundLength(most))
	}
	return metres
}

func setOutWords(triangle, square int) string {
	switch {
	case triangle == 0 && square == 0:
		return "There is no room for one plant at this spacing."
	case triangle > square:
		return fmt.Sprintf("%d in triangles, %d in squares: triangles hold %d more.", triangle, square, triangle-square)
	case triangle == square:
		return fmt.Sprintf("%d either way: squares are taped out and hoed more easily.", square)
	}
	return fmt.Sprintf("%d in squares, %d in triangles: the bed is too narrow for triangles to pay.", square, triangle)
}

// spacingNote says what spacing is on record of a species.
func spacingNote(s *plot.State, id string) string {
	species, has := s.Lib.Species(id)
	if !has {
		return ""
	}
	for _, row := range species.Propagations {
		if row.Spacing != nil {
			return fmt.Sprintf("On record for %s: %s apart (%s).", species.Names.Name,
				s.Units.PlantLengths(row.Spacing.Low/100, row.Spacing.High/100), row.Spacing.Standing)
		}
	}
	return fmt.Sprintf(
		"No spacing is on record for %s; it grows about %s wide.",
		species.Names.Name,
		s.Units.PlantLength(species.Size.Width.Value/100),
	)
}

// viewLayout tells a layout with what to tape: where the first of each kind of row begins, how far
// apart, and how far the rows are.
func viewLayout(s *plot.State, l propagation.Layout, setting propagation.SettingOut) SetOutLayout {
	v := SetOutLayout{Plants: len(l.Spots), Spots: l.Spots, Rows: l.Rows, Tape: []string{}}
	if v.Spots == nil {
		v.Spots = []geometry.Point{}
	}
	if len(l.Rows) == 0 {
		return v
	}
	apart := setting.Spacing
	if l.Pattern == propagation.Triangle {
		apart *= 0.8660254
	}
	v.Tape = append(v.Tape,
		fmt.Sprintf("%s, %s apart.", say.Counted(float64(len(l.Rows)), "row", "rows"), s.Units.PlantLength(apart)),
		fmt.Sprintf("In a row, a plant every %s.", s.Units.PlantLength(setting.Spacing)))
	if l.Pattern == propagation.Triangle {
		v.Tape = append(v.Tape, fmt.Sprintf("Every other row begins %s further in.", s.Units.PlantLength(setting.Spacing/2)))
	}
	return v
}

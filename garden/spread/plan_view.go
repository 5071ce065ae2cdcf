package spread

import (
	"bramblyacre/core/geometry"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/view"
)

// SpreadPlan is the plan under the map.
type SpreadPlan struct {
	// Low and High are the corners of all that is drawn, in metres.
	Low      SpreadPoint   `json:"low"`
	High     SpreadPoint   `json:"high"`
	Boundary string        `json:"boundary" doc:"As a path in metres"`
	Beds     []SpreadShape `json:"beds"`
	Things   []SpreadShape `json:"things"`
}

// SpreadPoint is a place on the plan in metres.
type SpreadPoint struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// SpreadShape is a bed or a thing as it is drawn.
type SpreadShape struct {
	ID   int64       `json:"id"`
	Kind string      `json:"kind" doc:"bed, or the kind of thing"`
	Name string      `json:"name"`
	Path string      `json:"path" doc:"In metres; drawn by the even-odd rule"`
	At   SpreadPoint `json:"at" doc:"Its middle"`
}

func planView(s *plot.State, g *ground) SpreadPlan {
	low, high := drawnBounds(s, g)
	v := SpreadPlan{
		Low: pointView(low), High: pointView(high), Boundary: view.PathOf([][]geometry.Point{s.Boundary}),
		Beds: []SpreadShape{}, Things: []SpreadShape{},
	}
	for _, bed := range s.Beds {
		form := s.Forms[bed.ID]
		v.Beds = append(v.Beds, SpreadShape{bed.ID, "bed", bed.Name, view.RegionPath(form.Region()), pointView(form.At)})
	}
	for _, it := range s.Items {
		v.Things = append(v.Things, SpreadShape{
			it.ID, string(it.Item.Kind.Kind), it.PlanItem.Name, view.RegionPath(it.Form.Region()), pointView(it.Form.At),
		})
	}
	return v
}

func pointView(p geometry.Point) SpreadPoint { return SpreadPoint{p.X, p.Y} }

// aboutM is how much ground is drawn about the beds and things, in metres.
const aboutM = 4

// drawnBounds are the corners of what is drawn: all beds and things with some ground about them, and no more than is
// reckoned.
func drawnBounds(s *plot.State, g *ground) (low, high geometry.Point) {
	var corners geometry.Polygon
	for _, bed := range s.Beds {
		corners = append(corners, s.Forms[bed.ID].Region().Corners()...)
	}
	for _, it := range s.Items {
		corners = append(corners, it.Form.Region().Corners()...)
	}
	if len(corners) == 0 {
		corners = s.Boundary
	}
	low, high = corners.Bounds()
	least := g.terrain.Grid.Low
	most := least.Plus(
		geometry.Point{X: float64(g.terrain.Grid.Wide), Y: float64(g.terrain.Grid.Deep)}.Times(g.terrain.Grid.Step),
	)
	return geometry.Point{X: max(low.X-aboutM, least.X), Y: max(low.Y-aboutM, least.Y)},
		geometry.Point{X: min(high.X+aboutM, most.X), Y: min(high.Y+aboutM, most.Y)}
}

package plot

import (
	"encoding/json"
	"fmt"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/store"
)

func decodePoints(text string) (points []geometry.Point, err error) {
	if text == "" { // put back from a note older than outlines
		return nil, nil
	}
	if err := json.Unmarshal([]byte(text), &points); err != nil {
		return nil, fmt.Errorf("read an outline: %w", err)
	}
	return points, nil
}

// bedForm is a bed's form as stored.
func bedForm(bed store.Bed) (plan.Form, error) {
	points, err := decodePoints(bed.Points)
	if bed.Shape == "" { // put back from a note older than shapes
		bed.Shape = string(plan.Rectangle)
	}
	return plan.Form{
		Shape: plan.Shape(bed.Shape), At: geometry.Point{X: bed.XM, Y: bed.YM}, Width: bed.WidthM, Depth: bed.DepthM,
		Inner: bed.InnerM, Turn: bed.TurnDeg, Points: points,
	}, err
}

// BoundaryOf is the plot's boundary: the one drawn, or its rectangle.
func BoundaryOf(site store.Site) (geometry.Polygon, error) {
	points, err := decodePoints(site.Boundary)
	if err != nil {
		return nil, err
	}
	if len(points) > 0 {
		return points, nil
	}
	return geometry.Polygon{
		{X: 0, Y: 0},
		{X: site.WidthM, Y: 0},
		{X: site.WidthM, Y: site.DepthM},
		{X: 0, Y: site.DepthM},
	}, nil
}

// itemForm is the form of a thing other than a bed as stored.
func itemForm(row store.PlanItem, points []geometry.Point) plan.Form {
	return plan.Form{
		Shape: plan.Shape(
			row.Shape,
		),
		At:     geometry.Point{X: row.XM, Y: row.YM},
		Width:  row.WidthM,
		Depth:  row.DepthM,
		Turn:   row.TurnDeg,
		Points: points,
	}
}

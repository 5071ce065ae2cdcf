package format

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"strings"

	"github.com/paulmach/orb"
	"github.com/paulmach/orb/geojson"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden"
	"bramblyacre/garden/place"
)

// The plan's file is GeoJSON (RFC 7946) in local metres: x to the right and y up
// from the plan's upper left corner, so that a viewer shows it the right way up.
// Its anchor says where that corner lies and how the plan is turned. See
// docs/formats.md.

// planCRS names the coordinates, so that nobody takes them for degrees.
const planCRS = "local metres"

// anchor is where a plan's upper left corner lies.
type anchor struct {
	Name      string   `json:"name"`
	Latitude  float64  `json:"latitude"`
	Longitude *float64 `json:"longitude,omitempty"`
	// BearingDeg is the way that the plan's upper edge looks, clockwise from
	// true north.
	BearingDeg float64 `json:"bearing_deg"`
	WidthM     float64 `json:"width_m"`
	DepthM     float64 `json:"depth_m"`
}

// placed is what a feature's properties say of its form, where its outline alone
// would not.
type placed struct {
	What   string      `json:"what"`
	Shape  string      `json:"shape,omitempty"`
	At     *[2]float64 `json:"at_m,omitempty"`
	Width  float64     `json:"width_m,omitempty"`
	Depth  float64     `json:"depth_m,omitempty"`
	Inner  float64     `json:"inner_m,omitempty"`
	Turn   float64     `json:"turn_deg,omitempty"`
	Detail any         `json:"detail,omitempty"`
}

// WritePlan writes a plan as GeoJSON.
func WritePlan(w io.Writer, data place.PlanData) error {
	file := geojson.NewFeatureCollection()
	file.ExtraMembers = geojson.Properties{
		"coordinates_are": planCRS,
		"anchor":          anchor{data.Name, data.Latitude, data.Longitude, data.BearingDeg, data.WidthM, data.DepthM},
	}
	add := func(form plan.Form, what string, detail any) error {
		feature, err := planFeature(form, what, detail)
		if err == nil {
			file.Append(feature)
		}
		return err
	}
	if len(data.Boundary) > 0 {
		if err := add(plan.Form{Shape: plan.Polygon, Points: data.Boundary}, "boundary", nil); err != nil {
			return err
		}
	}
	for _, bed := range data.Beds {
		bed.Bed.FormInput = place.FormInput{}
		if err := add(bed.Form, "bed", bed.Bed); err != nil {
			return err
		}
	}
	for _, item := range data.Items {
		item.Item.FormInput = place.FormInput{}
		if err := add(item.Form, item.Item.Kind, item.Item); err != nil {
			return err
		}
	}
	text, err := json.MarshalIndent(file, "", "  ")
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(w, "%s\n", text)
	return err
}

func planFeature(form plan.Form, what string, detail any) (*geojson.Feature, error) {
	var shape orb.Geometry
	if form.Shape == plan.Line {
		line := orb.LineString{}
		for _, p := range form.Path() {
			line = append(line, up(p))
		}
		shape = line
	} else {
		region := form.Region()
		polygon := orb.Polygon{ring(region.Areas[0])}
		if len(region.Hole) > 0 {
			polygon = append(polygon, ring(region.Hole))
		}
		shape = polygon
	}
	said := placed{What: what, Shape: string(form.Shape), Detail: detail}
	switch form.Shape {
	case plan.Polygon:
	case plan.Line:
		said.Width = form.Width
	default:
		at := [2]float64(up(form.At))
		said.At, said.Width, said.Inner, said.Turn = &at, form.Width, form.Inner, form.Turn
		if form.Shape == plan.Rectangle {
			said.Depth = form.Depth
		}
	}
	text, err := json.Marshal(said)
	if err != nil {
		return nil, err
	}
	feature := geojson.NewFeature(shape)
	return feature, json.Unmarshal(text, &feature.Properties)
}

// up turns a place on the plan into one whose y runs up; it is its own inverse.
func up(p geometry.Point) orb.Point {
	if p.Y == 0 { // no -0 in the file
		return orb.Point{p.X, 0}
	}
	return orb.Point{p.X, -p.Y}
}

func down(p orb.Point) geometry.Point {
	return geometry.Point{X: p[0], Y: -p[1] + 0}
}

func ring(outline geometry.Polygon) orb.Ring {
	closed := orb.Ring{}
	for _, p := range outline {
		closed = append(closed, up(p))
	}
	return append(closed, closed[0])
}

// ReadPlan reads a plan from GeoJSON as WritePlan writes it; features by hand need
// no more than what, a name for a bed, and an outline. A file that is none, or a
// feature that cannot be, is an error that names the feature and the reason.
func ReadPlan(text []byte) (place.PlanData, error) {
	var data place.PlanData
	file, err := geojson.UnmarshalFeatureCollection(text)
	var wrongType *json.UnmarshalTypeError
	if errors.As(err, &wrongType) { // its words are of Go's types
		return data, fmt.Errorf("this is not a GeoJSON feature collection: %s stands where it cannot", wrongType.Value)
	}
	if err != nil {
		return data, fmt.Errorf("this is not a GeoJSON feature collection: %w", err)
	}
	if kind, _ := file.ExtraMembers["coordinates_are"].(string); kind != planCRS {
		return data, fmt.Errorf(
			"the file does not say that its coordinates are %q; degrees cannot be read as a plan",
			planCRS,
		)
	}
	var at anchor
	if err := remarshal(file.ExtraMembers["anchor"], &at); err != nil {
		return data, fmt.Errorf("anchor: %w", err)
	}
	data = place.PlanData{
		Anchored:   file.ExtraMembers["anchor"] != nil,
		Name:       at.Name,
		Latitude:   at.Latitude,
		Longitude:  at.Longitude,
		BearingDeg: at.BearingDeg,
		WidthM:     at.WidthM,
		DepthM:     at.DepthM,
	}
	// Every bed, every other thing, and the boundary.
	if most := place.MostBeds + place.MostThings + 1; len(file.Features) > most {
		return data, fmt.Errorf("the file holds %d features; %d are the most", len(file.Features), most)
	}
	for i, feature := range file.Features {
		if feature == nil {
			return data, fmt.Errorf("features[%d] is null", i)
		}
		if err := readFeature(&data, feature); err != nil {
			return data, fmt.Errorf("features[%d]: %w", i, err)
		}
	}
	return data, nil
}

func readFeature(data *place.PlanData, feature *geojson.Feature) error {
	var said placed
	if err := remarshal(feature.Properties, &said); err != nil {
		return err
	}
	form, err := featureForm(said, feature.Geometry)
	if err == nil {
		err = onThisEarth(form)
	}
	if err != nil {
		return fmt.Errorf("%s: %w", said.What, err)
	}
	switch said.What {
	case "":
		return errors.New("properties.what is missing: boundary, bed, or a kind of thing")
	case "boundary":
		data.Anchored = true
		data.Boundary = geometry.Polygon(form.Points).Moved(form.At)
	case "bed":
		var bed place.BedInput
		if err := strictly(said.Detail, &bed); err != nil {
			return fmt.Errorf("bed: %w", err)
		}
		data.Beds = append(data.Beds, place.PlanBed{Form: form, Bed: bed})
	default:
		var item place.ItemInput
		if err := strictly(said.Detail, &item); err != nil {
			return fmt.Errorf("%s: %w", said.What, err)
		}
		item.Kind = said.What
		data.Items = append(data.Items, place.PlanItem{Form: form, Item: item})
	}
	return nil
}

// farthestM is farther than anything on a plan lies, in metres.
const farthestM = 1e5

// onThisEarth refuses what lies farther away than can be reckoned with.
func onThisEarth(form plan.Form) error {
	for _, p := range append([]geometry.Point{form.At}, form.Points...) {
		if !(math.Abs(p.X) <= farthestM && math.Abs(p.Y) <= farthestM) {
			return errors.New("it lies more than 100 km away")
		}
	}
	if !(math.Abs(form.Turn) <= 360) {
		return errors.New("a turn lies between -360 and 360 degrees")
	}
	return nil
}

// featureForm is the form that a feature's properties and outline give.
func featureForm(said placed, shape orb.Geometry) (plan.Form, error) {
	form := plan.Form{
		Shape: plan.Shape(said.Shape),
		Width: said.Width,
		Depth: said.Depth,
		Inner: said.Inner,
		Turn:  said.Turn,
	}
	if said.At != nil {
		form.At = down(orb.Point(*said.At))
		if form.Shape == plan.Round || form.Shape == plan.Ring {
			form.Depth = form.Width
		}
		return form, form.Check()
	}
	switch outline := shape.(type) {
	case orb.Polygon:
		form.Shape = plan.Polygon
		if len(outline) == 0 || len(outline[0]) < 4 {
			return form, errors.New("the outline needs three corners or more")
		}
		if len(outline) > 1 {
			return form, errors.New("an outline with holes is read only as a ring with at_m, width_m and inner_m")
		}
		corners := outline[0]
		if corners[0] == corners[len(corners)-1] {
			corners = corners[:len(corners)-1]
		}
		for _, p := range corners {
			form.Points = append(form.Points, down(p))
		}
	case orb.LineString:
		form.Shape = plan.Line
		for _, p := range outline {
			form.Points = append(form.Points, down(p))
		}
	default:
		return form, errors.New("only a Polygon, a LineString, or a feature with at_m can be read")
	}
	if err := form.Check(); err != nil {
		return form, err
	}
	return form.Recentred(), nil
}

func remarshal(from, into any) error {
	text, err := json.Marshal(from)
	if err != nil {
		return err
	}
	return json.Unmarshal(text, into)
}

// strictly reads a detail and refuses keys that are not known.
func strictly(from, into any) error {
	if from == nil {
		return nil
	}
	text, err := json.Marshal(from)
	if err != nil {
		return err
	}
	decoder := json.NewDecoder(strings.NewReader(string(text)))
	decoder.DisallowUnknownFields()
	return decoder.Decode(into)
}

func writePlanFile(ctx context.Context, g *garden.Garden, w io.Writer) error {
	data, err := g.Place.PlanFile(ctx)
	if err != nil {
		return err
	}
	return WritePlan(w, data)
}

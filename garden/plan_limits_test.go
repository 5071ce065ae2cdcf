package garden

import (
	"context"
	"errors"
	"fmt"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// planOf is a plan of so many beds and trees.
func planOf(beds, trees int) place.PlanData {
	data := place.PlanData{}
	for i := range beds {
		form := plan.Form{Shape: plan.Rectangle, At: geometry.Point{X: 3 + float64(i%25)*4, Y: 2 + float64(i/25)*2}, Width: 2, Depth: 1}
		data.Beds = append(data.Beds, place.PlanBed{Form: form, Bed: place.BedInput{Name: fmt.Sprint("Bed ", i)}})
	}
	for i := range trees {
		form := plan.Form{Shape: plan.Round, At: geometry.Point{X: float64(i%33) * 3, Y: float64(i/33) * 3}, Width: 2, Depth: 2}
		data.Items = append(data.Items, place.PlanItem{Form: form, Item: place.ItemInput{Kind: "tree", Height: "3 m", Leaf: "evergreen"}})
	}
	return data
}

// A plan answers, or is refused in words with nothing of it written; and what stands at the
// limit cannot be made to grow by any other way.
func TestAPlanThatCannotBeWorkedOutIsRefused(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	_, err := p.SetSite(ctx, say.AsItStands, place.SiteInput{Name: "My plot", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Width: "110 m", Depth: "110 m", Units: "metric"})
	check(t, err)
	before := p.entries()
	for _, test := range []struct {
		beds, trees int
		says        string
	}{
		{1500, 0, "400 are the most"}, {400, 0, "401 beds would lie"}, {1, 1001, "1000 are the most"}, {299, 201, "300 beds among 201 things"}, {1500, 2500, "400 are the most"},
	} {
		began := time.Now()
		_, err := p.Place.ImportPlan(ctx, planOf(test.beds, test.trees))
		var refused say.ConflictError
		if !errors.As(err, &refused) || !strings.Contains(err.Error(), test.says) {
			t.Errorf("%d beds and %d things: %v", test.beds, test.trees, err)
		}
		t.Logf("%d beds and %d things are refused after %v", test.beds, test.trees, time.Since(began).Round(time.Millisecond))
	}
	if p.entries() != before {
		t.Error("something of a refused plan was written")
	}
	_, err = p.Place.ImportPlan(ctx, planOf(place.MostBeds-1, 0))
	check(t, err)
	bed := goodBed()
	bed.Name, bed.FormInput = "One more", place.FormInput{X: "100 m", Y: "100 m", Width: "2 m", Depth: "1 m"}
	if _, err := p.Place.AddBed(ctx, bed); err == nil {
		t.Error("a bed beyond the limit was laid out")
	}
	s, err := p.Plot.State(ctx)
	check(t, err)
	copied := place.ArrangeInput{Things: []place.Thing{{What: "bed", ID: s.Beds[0].ID, Version: say.AsItStands}}, Down: "50 m", Copy: true}
	if _, err := p.Place.Arrange(ctx, copied); err == nil {
		t.Error("a bed beyond the limit was copied")
	}
}

// Whoever leaves while the plot is worked out takes the work along; the next to ask gets
// their answer.
func TestWhoeverLeavesTakesTheirWorkAlong(t *testing.T) {
	p := newPlot(t)
	p.Forget()
	ctx, leave := context.WithCancel(t.Context())
	leave()
	if _, err := p.Now.Now(ctx, plot.NoDay); !errors.Is(err, context.Canceled) {
		t.Errorf("the one who left is answered %v", err)
	}
	if _, err := p.Now.Now(t.Context(), plot.NoDay); err != nil {
		t.Errorf("the next is answered %v", err)
	}
}

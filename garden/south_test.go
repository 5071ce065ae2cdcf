package garden

import "testing"

// An empty plot in the south answers every screen of identity: what is this, the pairs to
// practise, no baskets, no finds; a find there is checked in its own season.
func TestAnEmptyPlotInTheSouthAnswersEveryScreenOfIdentity(t *testing.T) {
	today := day
	g, _ := emptyGarden(t, &today)
	_, err := g.SetSite(t.Context(), SiteInput{Name: "Acre", Latitude: -30, Altitude: "60 m", ClimateID: "humid-subtropical-south", Width: "40 m", Depth: "30 m", Units: "us"})
	check(t, err)
	baskets, err := g.Baskets(t.Context())
	if err != nil || len(baskets) != 0 {
		t.Errorf("%d baskets, %v", len(baskets), err)
	}
	practice, err := g.Practice(t.Context())
	if err != nil || practice.Due != len(practice.Pairs) || practice.Pairs[0].Here {
		t.Errorf("%d pairs due of %d, %v", practice.Due, len(practice.Pairs), err)
	}
	_, err = g.AddFind(t.Context(), FindInput{Day: "2031-05-20", Place: "By the gate", SpeciesID: "warrigal-greens"})
	check(t, err)
	finds, err := g.Finds(t.Context())
	check(t, err)
	v, err := g.CheckFind(t.Context(), finds[0].ID, NoDay)
	check(t, err)
	noNulls(t, "a check in the south", v)
	if v.State != "unproven" || len(v.Questions) == 0 || v.Stage.String() == "" {
		t.Errorf("the check is %s at %s with %d questions", v.State, v.Stage, len(v.Questions))
	}
}

package garden

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

func (p *fixture) listed(in place.ListingInput) place.ListingView {
	p.t.Helper()
	v, err := p.Place.ReadListing(p.t.Context(), in)
	check(p.t, err)
	return v
}

// What is written down is understood where it is sure, and asked back where it is not; nothing is noted by it.
func TestAListOfPlantsIsUnderstoodOrAskedBack(t *testing.T) {
	p := newPlot(t)
	fence := goodBed()
	fence.Name, fence.X, fence.Y = "North Fence", "", ""
	bed, err := p.Place.AddBed(t.Context(), fence)
	check(t, err)
	before := p.entries()
	for name, species := range map[string]string{"sage": "common-sage", "angelica": "garden-angelica", "parsley": "", "hogweed": "", "saffron": "", "hemlock": "hemlock"} {
		if got := p.listed(place.ListingInput{Form: "words", Text: "1 " + name, BedID: p.bed}).Plants[0]; got.Planting.SpeciesID != species {
			t.Errorf("%q was taken for %q", name, got.Planting.SpeciesID)
		}
	}
	v := p.listed(place.ListingInput{Form: "words", Text: "3 lovage, 10 ramsons from a division in 2028, a hop at the fence, some Löwenzahn, 4 mint, 2 lovege in Long Bed, 1 unicornwort", BedID: p.bed})
	if len(v.Plants) != 7 {
		t.Fatalf("%d plants: %+v", len(v.Plants), v.Plants)
	}
	for i, want := range []struct {
		species string
		plants  int
		bed     int64
		since   string
		origin  string
		asks    string
	}{
		{"lovage", 3, p.bed, "2031-05-27", "bought", ""},
		{"ramsons", 10, p.bed, "2028-04-15", "division", ""},
		{"hop", 1, bed.Made, "2031-05-27", "bought", ""},
		{"dandelion", 0, p.bed, "2031-05-27", "bought", "How many"},
		{"", 4, p.bed, "2031-05-27", "bought", "Which is meant"},
		{"", 2, p.bed, "2031-05-27", "bought", `called just "lovege"`},
		{"", 1, p.bed, "2031-05-27", "bought", "No plant of the library"},
	} {
		got := v.Plants[i]
		in := got.Planting
		if in.SpeciesID != want.species || in.Plants != want.plants || in.BedID != want.bed || in.StartedOn != want.since || in.Origin != want.origin {
			t.Errorf("%q: %+v", got.Text, in)
		}
		if asks := strings.Join(got.Asks, " "); (want.asks == "") != (asks == "") || !strings.Contains(asks, want.asks) {
			t.Errorf("%q asks %q, want %q", got.Text, asks, want.asks)
		}
	}
	if !slices.ContainsFunc(v.Plants[4].Choices, func(c place.ListedChoice) bool { return c.SpeciesID == "water-mint" }) {
		t.Errorf("mint may be water mint: %+v", v.Plants[4].Choices)
	}
	if p.entries() != before {
		t.Error("understanding noted something")
	}
}

// A name that is only near to a dangerous plant's is never read as it, nor a dangerous plant's name as a near one:
// of every plant of the library each name with one letter wrong is asked back, unless another plant is called so.
func TestAMisspeltNameChoosesNoPlant(t *testing.T) {
	p := newPlot(t)
	var text []string
	for _, s := range p.Lib().AllSpecies() {
		name := []rune(strings.ReplaceAll(s.Names.Name, "-", " "))
		if len(name) < 5 || name[2] == ' ' {
			continue
		}
		name[2]++
		text = append(text, "2 "+string(name))
	}
	v := p.listed(place.ListingInput{Form: "words", Text: strings.Join(text, "\n"), BedID: p.bed})
	if len(v.Plants) < 90 {
		t.Fatalf("only %d were read", len(v.Plants))
	}
	for _, plant := range v.Plants {
		if plant.Planting.SpeciesID != "" {
			t.Errorf("%q was taken for %s", plant.Text, plant.Planting.SpeciesID)
		}
	}
}

// All of a list is set in one entry, or nothing of it; taken back, all of it is gone.
func TestAListIsSetInOneActOrNotAtAll(t *testing.T) {
	p := newPlot(t)
	v := p.listed(place.ListingInput{Form: "words", Text: "3 lovage, 10 ramsons, 2 sweet cicely", BedID: p.bed})
	var plantings []input.PlantingInput
	for _, plant := range v.Plants {
		plantings = append(plantings, plant.Planting)
	}
	before := p.entries()
	bad := slices.Clone(plantings)
	bad[1].Plants, bad[2].BedID = -4, 99
	_, err := p.Place.SetMany(t.Context(), bad)
	p.refused(err, "plantings[1].plants", "Say how many", before)
	p.refused(err, "plantings[2].bedId", "Choose a bed", before)
	_, err = p.Place.SetMany(t.Context(), nil)
	p.refused(err, "plantings", "from 1 to", before)
	standing := func() int {
		s, err := p.State(t.Context())
		check(t, err)
		return len(s.Plantings)
	}
	had := standing()
	entry, err := sayYes(func(affirmed []string) (journal.Entry, error) {
		for i := range plantings {
			plantings[i].Affirmed = affirmed
		}
		return p.Place.SetMany(t.Context(), plantings)
	})
	check(t, err)
	if standing() != had+3 || p.entries() != before+1 {
		t.Errorf("%d plantings more in %d entries", standing()-had, p.entries()-before)
	}
	if !strings.Contains(entry.Summary, "lovage, ramsons and sweet cicely") {
		t.Errorf("the ledger says %q", entry.Summary)
	}
	_, err = p.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if standing() != had {
		t.Errorf("taken back, %d plantings are left over", standing()-had)
	}
}

// A table is read line by line: what is wrong is told by its line, and the rest stands.
func TestATableOfPlantingsIsReadLineByLine(t *testing.T) {
	p := newPlot(t)
	table := "\ufeffPlant;How many;Bed;Since;Origin;Label;Colour\n" +
		"lovage;3;Long Bed;2028-04-15;division;Nine Elms nursery;red\n" +
		";4;Long Bed;;;;\n" +
		"ramsons;lots;;spring 2029;from seed;;\n" +
		"hop;2;;the day before;by magic;;\n" +
		"sage;1;;;;;;;;;\n\n" +
		"=HYPERLINK(1);1;;;;;\n"
	v := p.listed(place.ListingInput{Form: "csv", Text: table})
	if len(v.Plants) != 4 {
		t.Fatalf("%d plants of %+v", len(v.Plants), v)
	}
	first := v.Plants[0].Planting
	if first.SpeciesID != "lovage" || first.Plants != 3 || first.StartedOn != "2028-04-15" || first.Origin != "division" || !first.Labelled || first.Source != "Nine Elms nursery" || len(v.Plants[0].Asks) != 0 {
		t.Errorf("the first line: %+v", v.Plants[0])
	}
	for i, asks := range [][]string{nil, {"lots"}, {"the day before", "by magic"}, {"No plant"}} {
		said := strings.Join(v.Plants[i].Asks, " ")
		for _, want := range asks {
			if !strings.Contains(said, want) {
				t.Errorf("line %d asks %q, want %q in it", i, said, want)
			}
		}
	}
	if second := v.Plants[1].Planting; second.StartedOn != "2029-04-15" || second.Origin != "seed" {
		t.Errorf("the second line: %+v", second)
	}
	if third := v.Plants[2].Planting; third.StartedOn != "" || third.Origin != "" {
		t.Errorf("what cannot be read is taken as something else: %+v", third)
	}
	if late := p.listed(place.ListingInput{Form: "words", Text: "3 hop in 2099, 2 hop on 31 Feb 2029", BedID: p.bed}); late.Plants[0].Planting.StartedOn+late.Plants[1].Planting.StartedOn != "" {
		t.Errorf("days that are none are taken as others: %+v", late.Plants)
	}
	twice := p.listed(place.ListingInput{Form: "csv", Text: "plant,name,since\nhop,chives,today\n"})
	if got := twice.Plants[0]; got.Planting.SpeciesID != "hop" || got.Planting.StartedOn != "2031-05-27" || len(twice.Refused) != 1 {
		t.Errorf("a column that comes twice: %+v", twice)
	}
	refused := strings.Join(v.Refused, "\n")
	for _, want := range []string{`the column "Colour" is none of these`, "Line 3 names no plant", "Line 6 has 11 cells"} {
		if !strings.Contains(refused, want) {
			t.Errorf("%q is not among what is refused:\n%s", want, refused)
		}
	}
	for _, text := range []string{"", "a,b\n1,2\n", "\"", "plant\n\"open"} {
		v := p.listed(place.ListingInput{Form: "csv", Text: text})
		if len(v.Refused) == 0 || len(v.Plants) != 0 {
			t.Errorf("%q: %+v", text, v)
		}
	}
	_, err := p.Place.ReadListing(t.Context(), place.ListingInput{Form: "words", Text: " , "})
	p.refused(err, "text", "at least one plant", p.entries())
	_, err = p.Place.ReadListing(t.Context(), place.ListingInput{Form: "words", Text: strings.Repeat("a and ", 6600)})
	p.refused(err, "text", "400 are the most", p.entries())
	_, err = p.Place.ReadListing(t.Context(), place.ListingInput{Form: "words", Text: strings.Repeat("a and ", 7000)})
	p.refused(err, "text", "too long", p.entries())
	_, err = p.Place.ReadListing(t.Context(), place.ListingInput{Form: "words", Text: strings.Repeat("3 lovage\n", 401)})
	p.refused(err, "text", "400 are the most", p.entries())
}

// A new plot has no place until one is said: what it begins with is no answer. Heights and sizes that are
// left out are the climate's and the plan's own.
func TestANewPlotSaysThatItsPlaceIsNotKnown(t *testing.T) {
	p := emptyPlot(t)
	site, err := p.Place.Site(t.Context())
	check(t, err)
	if site.Placed {
		t.Error("a plot that nobody placed says that it is")
	}
	before := p.entries()
	_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: 46.6, ClimateID: "high-plateau-south", Units: "us"})
	p.refused(err, "climateId", "other half of the world", before)
	bad := 200.0
	_, err = p.Garden.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -35, Longitude: &bad, ClimateID: "dry-summer", Units: "us"})
	p.refused(err, "longitude", "between -180 and 180", before)
	at := 149.0
	entry, err := p.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "Acre", Latitude: -35, Longitude: &at, ClimateID: "humid-subtropical-south", Units: "us", Width: "90"})
	check(t, err)
	site, err = p.Place.Site(t.Context())
	check(t, err)
	if !site.Placed || site.Longitude == nil || *site.Longitude != 149 || site.Width != "90 ft" {
		t.Errorf("placed %v at %v, %s wide", site.Placed, site.Longitude, site.Width)
	}
	climate, _ := p.Lib().Climate("humid-subtropical-south")
	if site.AltitudeM != climate.HeightM {
		t.Errorf("the height is %v m, the climate's is %v m", site.AltitudeM, climate.HeightM)
	}
	_, err = p.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if site, err = p.Place.Site(t.Context()); err != nil || site.Placed {
		t.Errorf("taken back, it is still placed: %v", err)
	}
}

// The climates of one's own half of the world come first, the nearest at the top, and each says its year
// in the months of the plot. The figures are read off the climate's file by hand.
func TestClimatesAreSuggestedForALatitude(t *testing.T) {
	p := newPlot(t)
	north, err := p.Place.Climates(t.Context(), 57, "metric")
	check(t, err)
	if first := north[0]; first.ID != "cool-maritime" || !first.Fits || !strings.Contains(first.Means, "Nights about 1 °C in January, days about 19 °C in July.") ||
		!strings.Contains(first.Means, "Frost from November to April.") || !strings.Contains(first.Means, "Rain: 944 mm a year, in all seasons.") {
		t.Errorf("57° north: %+v", first)
	}
	if _, err := p.Place.Climates(t.Context(), math.NaN(), "metric"); err == nil {
		t.Error("a latitude that is no number has climates")
	}
	south, err := p.Place.Climates(t.Context(), -57, "us")
	check(t, err)
	if !strings.HasSuffix(south[0].ID, "-south") {
		t.Errorf("57° south: %s first", south[0].ID)
	}
	i := slices.IndexFunc(south, func(c place.ClimateChoice) bool { return c.ID == "cool-maritime" })
	if c := south[i]; c.Fits || !strings.Contains(c.Far, "turned round") || !strings.Contains(c.Means, "Nights about 33 °F in July, days about 65 °F in January.") || !strings.Contains(c.Means, "Rain: 37 in a year") {
		t.Errorf("the cool maritime climate at 57° south: %+v", c)
	}
}

// A bed of a size finds its own place, apart from all others, until there is none.
func TestABedOfASizeFindsItsPlace(t *testing.T) {
	p := emptyPlot(t)
	for i := range 12 {
		in := place.BedInput{Name: fmt.Sprintf("Bed %d", i), FormInput: place.FormInput{Width: "6 m", Depth: "1.2 m"}}
		_, err := p.Place.AddBed(t.Context(), in)
		check(t, err)
	}
	v, err := p.Place.Plot(t.Context(), plot.NoDay)
	check(t, err)
	for i, a := range v.Beds {
		for _, b := range v.Beds[:i] {
			across, along := max(a.At.X-b.At.X, b.At.X-a.At.X), max(a.At.Y-b.At.Y, b.At.Y-a.At.Y)
			if across < 6.6-1e-6 && along < 1.8-1e-6 {
				t.Errorf("%s at %v lies within a path of %s at %v", a.Name, a.At, b.Name, b.At)
			}
		}
	}
	before := p.entries()
	_, err = p.Place.AddBed(t.Context(), place.BedInput{Name: "Field", FormInput: place.FormInput{Width: "29 m", Depth: "15 m"}})
	p.refused(err, "width", "no room", before)
}

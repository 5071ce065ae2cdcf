package garden

import (
	"cmp"
	"errors"
	"io/fs"
	"slices"
	"strings"
	"testing"
	"testing/fstest"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

func TestACopyIsPutChangedFoundAndPlanted(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "garden-sorrel")
	check(t, err)
	if copied.ID != "garden-sorrel-own" || !strings.Contains(copied.Text, `name = "garden sorrel, own"`) {
		t.Fatalf("the copy is %s", copied.ID)
	}
	text := strings.Replace(copied.Text, `name = "garden sorrel, own"`, `name = "mill sorrel"`, 1)
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: text})
	check(t, err)
	put := p.newest().ID
	found, err := p.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{Words: "mil sorrel"})
	check(t, err)
	if len(found.Plants) == 0 || found.Plants[0].ID != id {
		t.Errorf("a search finds %v", ids(found))
	}
	file, err := p.Plants.PlantFile(t.Context(), id)
	if err != nil || file.Text != text || !file.Own {
		t.Errorf("written out it is another file, %v", err)
	}
	_, err = p.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 3, StartedOn: "2030-04-10", Origin: "seed"})
	check(t, err)
	if _, err := p.Plants.RemoveOwnPlant(t.Context(), id); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("a plant that stands on the plot was taken out: %v", err)
	}
	if _, err := p.TakeBack(t.Context(), put); !errors.As(err, new(say.ConflictError)) {
		t.Errorf("a plant that stands on the plot was taken back: %v", err)
	}
	if _, err := p.TakeBack(t.Context(), p.newest().ID); err != nil {
		t.Fatal(err)
	}
	if _, err := p.TakeBack(t.Context(), put); err != nil {
		t.Fatal(err)
	}
	if _, err := p.Plants.Plant(t.Context(), id, plot.NoDay); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("taken back, it is still there: %v", err)
	}
}

func TestABrokenPlantFileIsRefusedWithLineOrKeyAndNothingChanges(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "garden-sorrel")
	check(t, err)
	before := p.entries()
	for name, test := range map[string]struct{ old, new, want string }{
		"broken TOML":   {"[life]", "[life", "line "},
		"unknown key":   {"[life]", "[life]\ncolour = \"green\"", "life.colour"},
		"unknown state": {`leaf-joint = "papery-sheath"`, `leaf-joint = "velvet"`, "identity.shows.leaf-joint"},
		"no musts":      {`must = ["leaf-joint", "leaf-shape", "flower-colour", "flower-form"]`, "", "identity.must"},
		"no station":    {"[growth]", "[growth]\nat = \"the moon\"", "growth.at"},
	} {
		if !strings.Contains(copied.Text, test.old) {
			t.Fatalf("%s: the copy does not hold %q", name, test.old)
		}
		_, _, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: strings.Replace(copied.Text, test.old, test.new, 1)})
		p.refused(err, "text", test.want, before)
	}
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: ""})
	p.refused(err, "text", "", before)
	if _, err := p.Plants.Plant(t.Context(), "garden-sorrel-own", plot.NoDay); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a refused plant is there: %v", err)
	}
}

func TestAnOwnPlantThatCannotBeToldFromADeadlyOneIsRefused(t *testing.T) {
	p := newPlot(t)
	file, err := p.Plants.PlantFile(t.Context(), "ramsons")
	check(t, err)
	lily, err := p.Plants.PlantFile(t.Context(), "lily-of-the-valley")
	check(t, err)
	shows := func(text string) string {
		_, rest, _ := strings.Cut(text, "[identity.shows]\n")
		block, _, _ := strings.Cut(rest, "\n[")
		return block
	}
	text := strings.Replace(strings.Replace(file.Text, shows(file.Text), shows(lily.Text), 1), `id = "ramsons"`, `id = "gate-garlic"`, 1)
	// The look-alikes without a page of their own are refused first.
	text, _, _ = strings.Cut(text, "[[look_alike]]\nname = \"bluebell\"")
	before := p.entries()
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: text})
	p.refused(err, "text", "lily of the valley, which is deadly", before)
}

// A plant is put from a form: what cannot be is told at its field and changes nothing,
// and what was filled in is in force and comes back the same.
func TestAPlantIsPutFromItsSheet(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "garden-sorrel")
	check(t, err)
	size := copied.Sheet["size"].(map[string]any)
	names := copied.Sheet["names"].(map[string]any)
	before := p.entries()
	size["height"], names["botanical"] = "tall cm guess", ""
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Sheet: copied.Sheet})
	p.refused(err, "sheet.size.height", "not a figure", before)
	size["height"] = "44 (30 to 60) cm measured"
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Sheet: copied.Sheet})
	p.refused(err, "sheet.names.botanical", "is missing", before)
	names["botanical"] = "Rumex acetosa L."
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Sheet: copied.Sheet})
	check(t, err)
	file, err := p.Plants.PlantFile(t.Context(), id)
	check(t, err)
	if got := file.Sheet["size"].(map[string]any)["height"]; got != size["height"] || !strings.Contains(file.Text, "44 (30 to 60) cm measured") {
		t.Errorf("its height came back as %v", got)
	}
	v, err := p.Plants.Plant(t.Context(), id, plot.NoDay)
	if err != nil || v.Name != "garden sorrel, own" {
		t.Errorf("its page: %s, %v", v.Name, err)
	}
	for _, warning := range v.SameName {
		if strings.Contains(warning, "is also a name of garden sorrel") {
			t.Errorf("a copy is called another plant: %s", warning)
		}
	}
}

// A file turns into a sheet and back without being kept; a broken one is refused with
// its line.
func TestAPlantFileIsTurned(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	file, err := p.Plants.TurnPlantFile(plants.PlantFileInput{Text: "id = \"gate-weed\"\n[size]\nheight = { value = 9, low = 5, high = 12, unit = \"cm\", standing = \"guess\" }\n"})
	check(t, err)
	if got := file.Sheet["size"].(map[string]any)["height"]; got != "9 (5 to 12) cm guess" {
		t.Errorf("the height is %v", got)
	}
	file.Sheet["id"] = "mill-weed"
	back, err := p.Plants.TurnPlantFile(plants.PlantFileInput{Sheet: file.Sheet})
	if err != nil || !strings.Contains(back.Text, "mill-weed") {
		t.Errorf("turned back it is %q, %v", back.Text, err)
	}
	_, err = p.Plants.TurnPlantFile(plants.PlantFileInput{Text: "id = 'gate-weed'\n[size"})
	p.refused(err, "text", "line 2", before)
}

// The words of a form are the words of the checks: each is one that a plant uses.
func TestTheWordsOfAPlantsSheetAreThoseOfTheLibrary(t *testing.T) {
	p := newPlot(t)
	words := p.Plants.PlantWords()
	noNulls(t, "the words", words)
	routes, kinds := map[string]bool{}, map[string]bool{}
	for _, s := range p.Plot.Library.AllSpecies() {
		for _, c := range s.Cautions {
			routes[c.Route] = true
		}
		for _, part := range s.Parts {
			kinds[part.Kind] = true
		}
		if !slices.Contains(words.Habits, s.Life.Habit) || !slices.Contains(words.Spreads, s.Site.Spread) {
			t.Errorf("%s is a %s that %s", s.ID, s.Life.Habit, s.Site.Spread)
		}
	}
	if len(routes) != len(words.Routes) || len(kinds) > len(words.Kinds) || len(words.Stages) != 10 || len(words.Stations) != 8 {
		t.Errorf("%d routes, %d kinds, %d stages, %d stations", len(words.Routes), len(words.Kinds), len(words.Stages), len(words.Stations))
	}
}

// The grower's figure is in force at once, is marked, survives an update of the library,
// and says that the library's own has changed.
func TestAnOwnFigureSurvivesALibraryUpdate(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	for _, test := range []struct{ key, figure, field, words string }{
		{"size.colour", "3 cm", "key", "cannot be replaced"},
		{"size.height", "tall", "figure", "Write a number"},
		{"size.height", "95 kg", "figure", `the unit is "kg"`},
		{"size.height", "95 (120 to 80) cm", "figure", "wrong way"},
		{"size.height", "", "figure", "holds already"},
		{"size.height", "-5 cm", "figure", "outside what can be"},
		{"part[0].harvest.cut_share", "0.9 share", "figure", "more than the whole"},
	} {
		_, err := p.Plants.PutOwnFigure(t.Context(), "lovage", say.AsItStands, plants.OwnFigureInput{Key: test.key, Figure: test.figure})
		p.refused(err, test.field, test.words, before)
	}
	_, err := p.Plants.PutOwnFigure(t.Context(), "lovage", say.AsItStands, plants.OwnFigureInput{Key: "size.height", Figure: "151 (140 to 160) cm"})
	check(t, err)
	figure := func(g *Garden) plants.FigureView {
		v, err := g.Plants.Plant(t.Context(), "lovage", plot.NoDay)
		check(t, err)
		if v.Fault != "" {
			t.Errorf("a fault: %s", v.Fault)
		}
		return v.Figures[0]
	}
	if f := figure(p.Garden); !f.Own || f.Figure != "151 (140 to 160) cm" || f.Standing != "measured" || f.Changed || f.Library == "" {
		t.Errorf("the figure is %+v", f)
	}
	updated := updatedLibrary(t, "lovage", `height = "180 (130`, `height = "170 (120`)
	today := day
	after, err := Open(t.Context(), plot.Options{Store: p.store, Library: updated, PinnedTo: &today, Seasons: fewSeasons})
	check(t, err)
	if f := figure(after); !f.Own || f.Figure != "151 (140 to 160) cm" || !f.Changed || !strings.HasPrefix(f.Library, "170 ") {
		t.Errorf("after the update the figure is %+v", f)
	}
	_, err = after.Plants.PutOwnFigure(t.Context(), "lovage", say.AsItStands, plants.OwnFigureInput{Key: "size.height"})
	check(t, err)
	if f := figure(after); f.Own || !strings.HasPrefix(f.Figure, "170 ") {
		t.Errorf("back at the library's, the figure is %+v", f)
	}
}

// updatedLibrary is what ships with one species' file changed.
func updatedLibrary(t *testing.T, id, old, new string) *library.Library {
	t.Helper()
	files := fstest.MapFS{}
	check(t, fs.WalkDir(library.Files(), ".", func(name string, entry fs.DirEntry, err error) error {
		if err != nil || entry.IsDir() {
			return err
		}
		text, err := fs.ReadFile(library.Files(), name)
		if name == "species/"+id+".toml" {
			if !strings.Contains(string(text), old) {
				t.Fatalf("%s does not hold %q", id, old)
			}
			text = []byte(strings.Replace(string(text), old, new, 1))
		}
		files[name] = &fstest.MapFile{Data: text}
		return err
	}))
	updated, err := library.Read(files)
	check(t, err)
	return updated
}

// A plant of the grower's own that a later program cannot read any more locks nobody
// out: its planting stays, every screen is answered, and nothing of it is offered.
func TestAnOwnPlantThatCannotBeReadLocksNobodyOut(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "garden-sorrel")
	check(t, err)
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: copied.Text})
	check(t, err)
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 3, StartedOn: "2030-04-10", Origin: "seed", Labelled: true, Source: "Label."})
	check(t, err)
	planting := p.newest().PlantingID
	check(t, p.store.InTransaction(t.Context(), func(q *store.Queries) error {
		own, err := q.ListOwnPlants(t.Context())
		if err != nil {
			return err
		}
		_, err = q.PutOwnPlant(t.Context(), store.PutOwnPlantParams{ID: &own[0].ID, SpeciesID: id, Text: strings.Replace(own[0].Text, "[life]", "[life]\nsince = 1", 1)})
		return err
	}))
	today := day
	g, err := Open(t.Context(), plot.Options{Store: p.store, Library: p.Plot.Library, PinnedTo: &today, Seasons: fewSeasons})
	check(t, err)
	v, err := g.Place.Planting(t.Context(), planting, plot.NoDay)
	check(t, err)
	if v.Identity == "sure" || len(v.Allowance) != 0 || !strings.Contains(v.Name, "cannot be read") {
		t.Errorf("the planting is %s, %s", v.Name, v.Identity)
	}
	for name, ask := range map[string]func() error{
		"now":       func() error { _, err := g.Now.Now(t.Context(), plot.NoDay); return err },
		"plot":      func() error { _, err := g.Place.Plot(t.Context(), plot.NoDay); return err },
		"gather":    func() error { _, err := g.Gather.Gather(t.Context(), plot.NoDay); return err },
		"round":     func() error { _, err := g.Now.Round(t.Context()); return err },
		"plants":    func() error { _, err := g.Plants.Plants(t.Context(), plot.NoDay, plants.PlantsFilter{}); return err },
		"check":     func() error { _, err := g.Identity.Check(t.Context(), planting, plot.NoDay, ""); return err },
		"baskets":   func() error { _, err := g.Gather.Baskets(t.Context()); return err },
		"practice":  func() error { _, err := g.Practice.Practice(t.Context()); return err },
		"ground":    func() error { _, err := g.Place.BedGround(t.Context(), p.bed); return err },
		"mates":     func() error { _, err := g.Place.Mates(t.Context(), p.bed); return err },
		"what":      func() error { _, err := g.Place.What(t.Context(), p.bed, place.WhatFilter{}); return err },
		"calendar":  func() error { _, err := g.Now.Calendar(t.Context()); return err },
		"household": func() error { _, err := g.Household.Household(t.Context()); return err },
	} {
		if err := ask(); err != nil {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// The barest plant that can be relied on, with every list left out that may be, is
// shown on every screen that shows plants.
func TestTheBarestPlantIsShownEverywhere(t *testing.T) {
	p := newPlot(t)
	type table = map[string]any
	sheet := table{
		"format": 1, "id": "mill-rocket", "wildlife": "Small bees.",
		"names": table{"name": "mill rocket", "botanical": "Diplotaxis molendini Inv.", "family": "Brassicaceae"},
		"life":  table{"form": "perennial", "habit": "herb", "full_age": "2 year of life guess"},
		"size":  table{"height": "40 cm guess", "width": "30 cm guess"},
		"growth": table{"at": "hill-valley", "year": []any{
			table{"from": 1, "sown": "15 Apr", "course": "shooting 1 May, leafing 12 May, full leaf 1 Jun, dying back 1 Oct, resting 1 Nov"},
			table{"from": 2, "course": "shooting 1 Apr, leafing 12 Apr, full leaf 1 May, first flower 1 Jun, ripe 10 Aug, dying back 1 Oct, resting 1 Nov"},
		}},
		"site": table{
			"sun": "5 to 14 (3 to 17) h guess", "ph": "6 to 8 pH guess", "moisture": "fresh guess", "drainage": "free guess", "texture": "light to medium guess",
			"fertility": "fair guess", "shelter": "exposed to sheltered guess", "soil_depth": "20 cm guess", "cold": "-8 °C guess", "roots": "shallow", "root_reach": "30 cm guess", "spread": "stays",
		},
		"household":  table{"ease": "easy", "ease_why": "It stays.", "hens": "not known"},
		"identity":   table{"danger": "harmless", "shows": table{"smell": "mustard"}},
		"propagate":  []any{table{"way": "seed", "how": "In spring."}},
		"part":       []any{table{"name": "leaf", "kind": "leaf", "verdict": []any{"not used"}}},
		"look_alike": []any{table{"name": "wild rocket", "botanical": "Diplotaxis tenuifolia (L.) DC.", "danger": "harmless", "decides": "It is larger.", "when": "June to August"}},
	}
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Sheet: sheet})
	check(t, err)
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: id, Plants: 4, StartedOn: "2029-04-10", Origin: "seed"})
	check(t, err)
	ctx := t.Context()
	state, err := p.Plot.State(ctx)
	check(t, err)
	standing := state.Plantings[len(state.Plantings)-1].ID
	for name, view := range map[string]func() (any, error){
		"the plants":    func() (any, error) { return p.Plants.Plants(ctx, plot.NoDay, plants.PlantsFilter{}) },
		"its page":      func() (any, error) { return p.Plants.Plant(ctx, id, plot.NoDay) },
		"a comparison":  func() (any, error) { return p.Plants.Compare(ctx, plot.NoDay, []string{id, "hop"}) },
		"its file":      func() (any, error) { return p.Plants.PlantFile(ctx, id) },
		"what is this":  func() (any, error) { return p.Identity.WhatIsThis(ctx, map[string]string{"smell": "mustard"}, nil) },
		"the practice":  func() (any, error) { return p.Practice.Practice(ctx) },
		"now":           func() (any, error) { return p.Now.Now(ctx, plot.NoDay) },
		"the plot":      func() (any, error) { return p.Place.Plot(ctx, plot.NoDay) },
		"the gathering": func() (any, error) { return p.Gather.Gather(ctx, plot.NoDay) },
		"the round":     func() (any, error) { return p.Now.Round(ctx) },
		"where it goes": func() (any, error) { return p.Place.Where(ctx, id) },
		"what suits":    func() (any, error) { return p.Place.What(ctx, p.bed, place.WhatFilter{}) },
		"its mates":     func() (any, error) { return p.Place.Mates(ctx, p.bed) },
		"its planting":  func() (any, error) { return p.Place.Planting(ctx, standing, plot.NoDay) },
		"its check":     func() (any, error) { return p.Identity.Check(ctx, standing, plot.NoDay, "") },
	} {
		v, err := view()
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		noNulls(t, name, v)
	}
}

// An own plant may stand in for a useful one of the library: it is in force at once, on
// the plot too, and taken out of the library it leaves what ships in its place.
func TestAnOwnPlantStandsInForTheLibrarys(t *testing.T) {
	p := newPlot(t)
	file, err := p.Plants.PlantFile(t.Context(), "garden-sorrel")
	check(t, err)
	names := func() (page, standing string) {
		v, err := p.Plants.Plant(t.Context(), "garden-sorrel", plot.NoDay)
		check(t, err)
		planting, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
		check(t, err)
		return v.Name, planting.Name
	}
	_, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: strings.Replace(file.Text, `name = "garden sorrel"`, `name = "our sorrel"`, 1)})
	check(t, err)
	if page, standing := names(); id != "garden-sorrel" || page != "our sorrel" || standing != "our sorrel" {
		t.Errorf("%s is called %s, and %s where it stands", id, page, standing)
	}
	if v, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay); err != nil || v.Identity != "sure" {
		t.Errorf("what was proved is %s, %v", v.Identity, err)
	}
	_, err = p.Plants.RemoveOwnPlant(t.Context(), id)
	check(t, err)
	if page, standing := names(); page != "garden sorrel" || standing != "garden sorrel" {
		t.Errorf("taken out it is called %s, and %s where it stands", page, standing)
	}
	if _, err := p.Plants.RemoveOwnPlant(t.Context(), id); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("taken out twice: %v", err)
	}
	before := p.entries()
	hemlock, err := p.Plants.PlantFile(t.Context(), "hemlock")
	check(t, err)
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: hemlock.Text})
	p.refused(err, "text", "stays as it is there", before)
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Sheet: hemlock.Sheet})
	p.refused(err, "sheet.id", "stays as it is there", before)
}

// sureSage plants common sage that is sure, old enough to cut.
func sureSage(p *fixture) int64 {
	p.t.Helper()
	_, err := p.AddPlanting(p.t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "common-sage", Plants: 4, StartedOn: "2028-04-10", Origin: "bought", Labelled: true, Source: "A label."})
	check(p.t, err)
	for _, planting := range must(p.Place.Plot(p.t.Context(), plot.NoDay)).Beds[0].Plantings {
		if planting.SpeciesID == "common-sage" {
			return planting.ID
		}
	}
	p.t.Fatal("there is no sage")
	return 0
}

func must[T any](value T, err error) T {
	if err != nil {
		panic(err)
	}
	return value
}

// The cautions of a picking are those of what is made of it, by its own route, and are
// asked of a picking that is there.
func TestTheCautionsOfAPickingAreThoseOfWhatIsMade(t *testing.T) {
	p := newPlot(t)
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-26", Part: "leaf", Amount: "12"})
	check(t, err)
	sage := sureSage(p)
	_, err = p.Gather.NotePicking(t.Context(), sage, gather.PickingInput{Day: "2031-05-26", Part: "leaf", Amount: "12"})
	check(t, err)
	all, err := p.Gather.Baskets(t.Context())
	check(t, err)
	slices.SortFunc(all, func(a, b gather.BasketView) int { return cmp.Compare(b.PickingID, a.PickingID) })
	before := p.entries()
	_, err = p.Gather.CautionsFor(t.Context(), all[1].PickingID, "tea") // of sorrel, which is food
	p.refused(err, "preparation", "is not made into that here; choose from food", before)
	_, err = p.Gather.Label(t.Context(), all[1].PickingID, "tea")
	if !errors.As(err, new(say.ConflictError)) { // it is not sorted yet
		t.Errorf("a label before it is sorted: %v", err)
	}
	for _, made := range []string{"", "food", "tea", "salve"} {
		v, err := p.Gather.CautionsFor(t.Context(), all[0].PickingID, made)
		check(t, err)
		noNulls(t, "the cautions of "+made, v)
		if !strings.Contains(v.Ask, "doctor or pharmacist") || len(v.List) == 0 && v.None == "" {
			t.Errorf("of %q it says %+v", made, v)
		}
		for _, caution := range v.List {
			if made == "salve" && caution.Route == "by mouth" {
				t.Errorf("a salve warns of swallowing: %s", caution.Text)
			}
		}
	}
	if _, err := p.Gather.CautionsFor(t.Context(), 9999, "tea"); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("of a picking that is none: %v", err)
	}
}

// A plant that was just put into the library can be planted at once: it is among the choices
// before any other page was asked for.
func TestAnOwnPlantCanBePlantedAtOnce(t *testing.T) {
	p := newPlot(t)
	has := func(id string) bool {
		return slices.ContainsFunc(must(p.Plants.Species(t.Context())), func(c plants.SpeciesChoice) bool { return c.ID == id })
	}
	copied := must(p.Plants.CopyOf(t.Context(), "garden-sorrel"))
	entry, id, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: copied.Text})
	check(t, err)
	if !has(id) {
		t.Errorf("%s is not among the choices", id)
	}
	_, err = p.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if has(id) {
		t.Errorf("%s is still among the choices", id)
	}
}

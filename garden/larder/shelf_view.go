package larder

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// StoreView is what stands on the shelves, and what is on its way there.
type StoreView struct {
	Day     calendar.Date `json:"day"`
	Words   string        `json:"words"`
	Shelves []StoreShelf  `json:"shelves" doc:"From above; the last without an id holds what stands on none"`
	// Loose are lots that are done and not in jars yet, UnderWay what stands or dries still.
	Loose    []LotLine  `json:"loose"`
	UnderWay []LotLine  `json:"underWay"`
	Baskets  int        `json:"baskets" doc:"Baskets that wait to be dried or made into something"`
	Held     []HeldLine `json:"held" doc:"What is held back, by where it began"`
	Seeds    []SeedLine `json:"seeds" doc:"Seed kept to sow, the same lots as on the bench"`
	Address  string     `json:"address" doc:"Where the household's own devices reach this house; empty where nobody said"`
	// Sizes are the sheets that labels may be printed on.
	Sizes []LabelSize `json:"sizes"`
}

// StoreShelf is a shelf with its jars.
type StoreShelf struct {
	ID      int64       `json:"id" doc:"0 for what stands on no shelf"`
	Version say.Version `json:"version"`
	Name    string      `json:"name"`
	// Position is its place from above.
	Position int64      `json:"position"`
	Jars     []JarBrief `json:"jars" doc:"In the order in which they run out"`
}

// JarBrief is a jar as it stands on its shelf.
type JarBrief struct {
	ID        int64   `json:"id"`
	Name      string  `json:"name"`
	SpeciesID string  `json:"speciesId" doc:"Empty for a mix"`
	Part      string  `json:"part"`
	Making    string  `json:"making"`
	Dries     string  `json:"dries" doc:"thin leaf, flower, root …: how it looks"`
	Vessel    string  `json:"vessel"`
	Holds     string  `json:"holds"`
	Size      float64 `json:"size" doc:"How large it is drawn against a jar of a litre"`
	Full      float64 `json:"full" doc:"0 to 1"`
	Amount    string  `json:"amount"`
	Foot      string  `json:"foot" doc:"The day on which it is used up"`
	Soon      bool    `json:"soon" doc:"Used up within two months"`
	Out       string  `json:"out" doc:"The same with its chance"`
	Gap       string  `json:"gap" doc:"How long it is missing then; empty for not"`
	Held      string  `json:"held" doc:"Why it is held back; empty else"`
	Bought    bool    `json:"bought"`
	Opened    string  `json:"opened" doc:"Since when; empty for sealed"`
	Keeps     string  `json:"keeps"`
	Past      bool    `json:"past" doc:"Past its time"`
	Here      string  `json:"here" doc:"Who of the household is to read its cautions first; empty for nobody"`
	Mixed     int     `json:"mixed" doc:"How many lots are in it"`
}

// LotLine is a lot in a line.
type LotLine struct {
	ID     int64  `json:"id"`
	Label  string `json:"label"`
	Name   string `json:"name"`
	Making string `json:"making"`
	Words  string `json:"words"`
	Ready  string `json:"ready" doc:"When it is done; empty for now"`
	Due    bool   `json:"due" doc:"It has stood long enough"`
	Held   string `json:"held"`
	Left   string `json:"left" doc:"What is left to fill, as it may be typed"`
	// NewCautions are what is new among its cautions.
	NewCautions []string `json:"newCautions"`
}

// HeldLine is something that is held back.
type HeldLine struct {
	Kind  string `json:"kind"`
	Words string `json:"words"`
}

// SeedLine is a lot of seed.
type SeedLine struct {
	ID    int64  `json:"id"`
	Name  string `json:"name"`
	Words string `json:"words"`
}

// soonDays is how soon a jar is used up that is said to be so soon.
const soonDays = 60

// Shelves returns what stands on the shelves.
func (u *Uses) Shelves(ctx context.Context) (StoreView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return StoreView{}, err
	}
	hold := heldOf(s)
	v := StoreView{
		Day: s.Today, Shelves: []StoreShelf{}, Loose: []LotLine{}, UnderWay: []LotLine{}, Held: []HeldLine{},
		Seeds: seedLines(s), Address: settingsOf(s).Address, Sizes: LabelSizes,
	}
	byShelf := map[int64][]brief{}
	jars, gaps, heldJars := 0, 0, 0
	for _, l := range u.lines(s, hold) {
		day := 0.0
		for _, h := range l.jars {
			day += h.grams
			b := viewBrief(s, l, h, hold, l.emptyAfter(day, s))
			byShelf[shelfOf(s, h.jar)] = append(byShelf[shelfOf(s, h.jar)], b)
			jars++
		}
		if gapWords(l.gap(s.Today)) != "" {
			gaps++
		}
	}
	for _, h := range standing(s) {
		if hold.whyJar(h) == "" {
			continue
		}
		b := viewBrief(s, line{stuff: h.stuff}, h, hold, horizonDays)
		byShelf[shelfOf(s, h.jar)] = append(byShelf[shelfOf(s, h.jar)], b)
		jars, heldJars = jars+1, heldJars+1
	}
	add := func(shelf store.Shelf, version say.Version) {
		on := byShelf[shelf.ID]
		slices.SortStableFunc(on, func(a, b brief) int {
			return cmp.Or(cmp.Compare(a.days, b.days), cmp.Compare(a.view.Name, b.view.Name), cmp.Compare(a.view.ID, b.view.ID))
		})
		sv := StoreShelf{ID: shelf.ID, Version: version, Name: shelf.Name, Position: shelf.Position, Jars: []JarBrief{}}
		for _, b := range on {
			sv.Jars = append(sv.Jars, b.view)
		}
		v.Shelves = append(v.Shelves, sv)
	}
	for _, shelf := range standingShelves(s) {
		add(shelf, say.VersionOf(shelf))
	}
	if len(byShelf[0]) > 0 {
		add(store.Shelf{Name: "On no shelf"}, "")
	}
	v.addLots(s, hold)
	for _, b := range baskets(s) {
		if state, _ := view.BasketState(s, b.Planting, b.Picking); state != view.BasketHeld {
			v.Baskets++
		}
	}
	for _, o := range hold.origins {
		v.Held = append(v.Held, HeldLine{o.kind, originWords(s, o)})
	}
	v.Words = storeWords(jars, gaps, heldJars)
	return v, nil
}

func storeWords(jars, gaps, held int) string {
	words := say.Counted(float64(jars), "jar", "jars") + ", in the order they are used up"
	if gaps > 0 {
		words += fmt.Sprintf(" · %s a gap", say.Counted(float64(gaps), "leaves", "leave"))
	}
	if held > 0 {
		words += fmt.Sprintf(" · %d held back", held)
	}
	return words
}

// brief is a jar with how many days it lasts, for its place on the shelf.
type brief struct {
	view JarBrief
	days int
}

// emptyAfter is in how many days so many grams of a product are used up, as likely as not.
func (l line) emptyAfter(grams float64, s *plot.State) int {
	if !l.known {
		return horizonDays
	}
	if len(l.jars) == 1 {
		return min(l.out.Middle, horizonDays)
	}
	return min(l.use.Until(grams, quarters(s.Today, horizonDays)).Middle, horizonDays)
}

// shelfOf is the shelf that a jar stands on, 0 for none that is there.
func shelfOf(s *plot.State, jar store.Jar) int64 {
	if jar.ShelfID == nil {
		return 0
	}
	if _, has := shelfByID(s, *jar.ShelfID); !has {
		return 0
	}
	return *jar.ShelfID
}

func viewBrief(s *plot.State, l line, h holding, hold held, days int) brief {
	v := JarBrief{
		ID: h.jar.ID, Name: h.name(), SpeciesID: h.lot.SpeciesID, Part: h.lot.Part, Making: h.lot.Making,
		Dries: h.part.Keep.Dries, Vessel: h.jar.Vessel, Holds: s.Units.Volume(h.jar.Ml / 1000),
		Amount: amount(s, h.grams, h.lot.Density), Held: hold.whyJar(h), Bought: h.lots[0].BoughtFrom != "",
		Mixed: len(h.lots), Here: view.ViewCautions(s, cautionsOf(s, h.lots...)).Here,
	}
	const litre, least, most = 1000.0, 0.66, 1.2
	v.Size = say.Round2(math.Max(least, math.Min(most, math.Cbrt(h.jar.Ml/litre))))
	if ml, _, known := h.room(s, h.grams); known {
		v.Full = say.Round2(math.Min(1, ml/h.jar.Ml))
	}
	if h.jar.OpenedOn != nil {
		v.Opened = "open since " + view.DayWords(*h.jar.OpenedOn)
	}
	if until := keepsUntil(h); until != 0 {
		v.Keeps, v.Past = "keeps to about "+monthWords(s.Today, until), until < s.Today
		if v.Past {
			v.Keeps = "past its time since " + monthWords(s.Today, until)
		}
	}
	switch {
	case v.Held != "":
		v.Foot = "held"
		return brief{v, days}
	case !l.known && l.history.times() == 0:
		v.Foot = "not used yet"
	case !l.known:
		v.Foot = "in use"
	case days >= horizonDays:
		v.Foot = "years"
	default:
		v.Foot = footWords(s.Today, s.Today.AddDays(days))
		v.Soon = days <= soonDays
	}
	v.Out = l.outWords(s.Today)
	if h.jar.ID == l.jars[len(l.jars)-1].jar.ID { // it is missing after the last of it
		v.Gap = gapWords(l.gap(s.Today))
	}
	return brief{v, days}
}

func (v *StoreView) addLots(s *plot.State, hold held) {
	for _, lot := range plot.Lots.Of(s) {
		switch {
		case lot.EndedAt == nil:
			v.UnderWay = append(v.UnderWay, viewLotLine(s, lot, hold))
		case isLeft(s, lot):
			v.Loose = append(v.Loose, viewLotLine(s, lot, hold))
		}
	}
}

func viewLotLine(s *plot.State, lot store.Lot, hold held) LotLine {
	st := stuffOf(s, lot)
	l := LotLine{
		ID: lot.ID, Label: lotLabel(lot), Name: st.name(), Making: lot.Making, Held: hold.whyLot(lot),
		NewCautions: view.NonNil(hold.reread[lot.ID]),
	}
	if lot.EndedAt != nil {
		left := *lot.Grams - s.FilledOf(lot.ID)
		l.Left = amount(s, left, lot.Density)
		l.Words = l.Left + " not in a jar yet"
		return l
	}
	begun, _ := plot.ParseMoment(lot.BegunAt)
	day := calendar.OfTime(begun)
	if lot.Making == makingDried {
		l.Words = fmt.Sprintf("in the drier since %s", day.DayMonth())
		return l
	}
	ready := day.AddDays(int(lot.Days))
	l.Words, l.Due = fmt.Sprintf("stands since %s", day.DayMonth()), ready <= s.Today
	l.Ready = "ready on " + ready.DayMonth()
	if l.Due {
		l.Ready = "ready to strain"
		if lot.Days == 0 {
			l.Ready = "say what came of it"
		}
	}
	return l
}

// seedLines are the lots of seed that are kept to sow.
func seedLines(s *plot.State) []SeedLine {
	lines := []SeedLine{}
	for _, lot := range plot.SeedLots.Of(s) {
		if lot.RemovedOn != nil {
			continue
		}
		name := lot.SpeciesID
		if species, has := s.Lib.Species(lot.SpeciesID); has {
			name = species.Names.Name
		}
		words := []string{lot.Name}
		if lot.Grams != nil {
			words = append(words, amount(s, *lot.Grams, 0))
		}
		if ripe, err := calendar.Parse(lot.RipeOn); err == nil {
			words = append(words, "ripe "+ripe.Time().Format("2006"))
		}
		lines = append(lines, SeedLine{lot.ID, say.Capital(name), strings.Join(words, " · ")})
	}
	slices.SortStableFunc(lines, func(a, b SeedLine) int { return cmp.Compare(a.Name, b.Name) })
	return lines
}

package larder

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// MakeLotInput is what is made of what was picked, or of what stands in jars.
type MakeLotInput struct {
	// Making is the id of a way of keeping; RecipeID a recipe of the household's own, 0 for none.
	Making   string      `json:"making"`
	RecipeID int64       `json:"recipeId,omitempty"`
	Name     string      `json:"name,omitempty" doc:"Of a mix; else it is named by what it is of"`
	From     []FromInput `json:"from"`
	At       string      `json:"at,omitempty" doc:"Day and time; empty for now"`
	Liquid   string      `json:"liquid,omitempty" doc:"How much liquid, as typed; empty for what covers it"`
	Strength string      `json:"strength,omitempty" doc:"In %, as it stands on the bottle"`
	DiluteTo string      `json:"diluteTo,omitempty" doc:"To how many % a stronger spirit is filled up with water; empty for not"`
	Days     string      `json:"days,omitempty" doc:"How long it stands; empty for as long as is usual"`
	Bag      string      `json:"bag,omitempty" doc:"What a bag holds, as typed; for freezing"`
	// Out is what came of it, where it is done the same day; empty while it stands.
	Out      string   `json:"out,omitempty" doc:"What came of it, as typed, where it is done already"`
	Note     string   `json:"note,omitempty"`
	Affirmed []string `json:"affirmed,omitempty"`
}

// FromInput is what goes in: of a basket, or of a jar.
type FromInput struct {
	PickingID int64  `json:"pickingId,omitempty"`
	JarID     int64  `json:"jarId,omitempty"`
	Amount    string `json:"amount,omitempty" doc:"As typed; empty for all of it"`
}

// ingredient is what goes in.
type ingredient struct {
	picked *plot.PickedFrom
	jar    *holding
	grams  float64
	fresh  bool
	parts  []partOf
	name   string
	water  float64
	room   float64
	keeps  float64 // months from now on
	past   bool    // past its time
}

// plannedMaking is a making with all its sums, before it is noted.
type plannedMaking struct {
	making keeping.Making
	recipe *recipe
	from   []ingredient
	parts  []partOf
	at     time.Time
	fresh  bool
	herb   float64 // grams of what goes in
	liquid float64 // grams
	liquidML,
	jarML,
	strainedML float64
	density   float64
	strength  *float64
	after     *float64 // strength once fresh herb gave its water
	diluted   *keeping.Diluted
	days      int
	months    float64
	added     []flow
	expected  float64 // grams that come of it
	bags      int
	bagLitres float64
	row       store.PutLotParams
}

// MakingSumView is what a making comes to, before it is noted.
type MakingSumView struct {
	Lines    []string          `json:"lines" doc:"What is measured out, and what comes of it"`
	Steps    []StepView        `json:"steps"`
	Ready    string            `json:"ready" doc:"When it has stood long enough; empty for the same day"`
	Keeps    string            `json:"keeps"`
	Expected string            `json:"expected" doc:"What comes of it, as it may be typed"`
	Vessel   string            `json:"vessel"`
	Cautions view.CautionsView `json:"cautions"`
	Standing string            `json:"standing"`
}

// StepView is a step of a making.
type StepView struct {
	Day     calendar.Date `json:"day"`
	When    string        `json:"when"`
	Text    string        `json:"text"`
	Minutes float64       `json:"minutes"`
}

// SumMaking works out what a making comes to, and notes nothing.
func (u *Uses) SumMaking(ctx context.Context, in MakeLotInput) (MakingSumView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MakingSumView{}, err
	}
	in.Out = ""
	m, err := u.plan(s, in)
	if err != nil {
		return MakingSumView{}, err
	}
	return viewSum(s, m), nil
}

// Make notes that something is made: it is under way from then on, or done where it says what came of it.
func (u *Uses) Make(ctx context.Context, in MakeLotInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		m, err := u.plan(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		m.askStale(&c, in.Affirmed)
		out := -1.0
		if text := strings.TrimSpace(in.Out); text != "" {
			out = readOut(s, &c, "out", text, m.density, m.herb+m.liquid+sumOf(m.added))
			if m.days > 0 {
				c.Add("out", "It has to stand until it is strained: say what came of it then.")
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		flows, err := m.takeOut(ctx, s, d)
		if err != nil {
			return journal.Record{}, err
		}
		if m.liquid > 0 {
			liquid, _ := s.Lib.Keeping().Liquid(m.making.Liquid)
			flows = append(flows, flow{side: sideAdded, name: liquid.Name, grams: m.liquid})
		}
		flows = append(flows, m.added...)
		lot, err := begin(ctx, s, d, m.row, flows, 0)
		if err != nil {
			return journal.Record{}, err
		}
		name := stuffOf(s, lot).name()
		record := journal.Record{Kind: kindStore, Summary: "Began " + name}
		if len(m.from) == 1 && m.from[0].picked != nil {
			record.Planting = &m.from[0].picked.Planting.ID
		}
		if out < 0 {
			return record, nil
		}
		record.Summary = fmt.Sprintf("Made %s, %s", name, amount(s, out, lot.Density))
		return record, endOf(ctx, d, lot, m.at, out, m.herb+m.liquid+sumOf(m.added), lossName(m.making))
	})
}

// askStale asks back about what is past its time.
func (m plannedMaking) askStale(c *say.Checklist, affirmed []string) {
	for i, from := range m.from {
		if from.past {
			c.Ask(
				fmt.Sprintf("from.%d.pickingId", i),
				"stale",
				affirmed,
				"%s is past its time: what is made of it is stale from the beginning. Was it smelt, looked at for mould, and is fit all the same?",
				say.Capital(from.name),
			)
		}
	}
}

func sumOf(flows []flow) (grams float64) {
	for _, f := range flows {
		grams += f.grams
	}
	return grams
}

// lossName is what is lost in a making.
func lossName(m keeping.Making) string {
	switch {
	case m.ID == makingFrozen:
		return "drained off and trimmed"
	case m.ID == "syrup":
		return "boiled away and strained out"
	case m.Liquid != "":
		return "herb strained out, and what stayed in it"
	case m.ID == "flour" || m.ID == "powder":
		return "sieved out and dust"
	}
	return "spilt, or stuck to pan and spoon"
}

// takeOut takes what goes in out of its jars, and returns what went in.
func (m plannedMaking) takeOut(ctx context.Context, s *plot.State, d *journal.Draft) (flows []flow, err error) {
	day := calendar.OfTime(m.at).String()
	for _, from := range m.from {
		if from.picked != nil {
			flows = append(flows, flow{
				side: sideIn, name: pickedWords(*from.picked), picking: from.picked.Picking.ID, grams: from.grams,
			})
			continue
		}
		out, err := takeFrom(ctx, s, d, *from.jar, store.PutJarFlowParams{
			Day: day, Kind: flowMade, Grams: -from.grams, Why: m.making.Name,
		})
		if err != nil {
			return nil, err
		}
		flows = append(flows, flow{side: sideIn, name: from.name, jarFlow: out.ID, grams: from.grams})
	}
	return flows, nil
}

// plan reads a making and works out its sums. Only what is fit for use, and only what the verdict of its part allows.
func (u *Uses) plan(s *plot.State, in MakeLotInput) (m plannedMaking, err error) {
	var c say.Checklist
	lore := s.Lib.Keeping()
	if in.RecipeID != 0 {
		own, has := recipeByID(s, in.RecipeID)
		if !has {
			return m, say.NotFoundError{What: "recipe"}
		}
		m.recipe, in.Making = &own, own.Making
		if in.Name == "" {
			in.Name = own.Name
		}
	}
	making, known := lore.Making(in.Making)
	if !known || in.Making == makingDried {
		c.Add("making", "Choose what is made of it.")
		return m, c.Err()
	}
	m.making = making
	m.at = readMoment(&c, "at", in.At, u.plot.Moment())
	if len(in.From) == 0 {
		c.Add("from", "Say what goes in: at least one part.")
		return m, c.Err()
	}
	hold := heldOf(s)
	already := map[int64]float64{}
	fromJar := map[int64]float64{}
	for i, one := range in.From {
		field := fmt.Sprintf("from.%d.", i)
		if _, twice := fromJar[one.JarID]; twice && one.PickingID == 0 {
			c.Add(field+"jarId", "This jar is named twice.")
			continue
		}
		from, err := readIngredient(s, &c, hold, field, one, already, fromJar)
		if err != nil {
			return m, err
		}
		checkVerdict(&c, field, from, making)
		m.from = append(m.from, from)
		m.herb += from.grams
		if from.picked != nil && m.at.Before(from.picked.Day.Time()) {
			c.Add("at", "It was only picked on %s.", from.picked.Day.DayMonth())
		}
	}
	if err := c.Err(); err != nil {
		return m, err
	}
	m.checkState(&c, in)
	m.checkRecipe(s, &c)
	m.name(&c, in)
	m.sum(s, &c, in)
	m.row.Note = c.Text("note", in.Note, say.LongestNote)
	return m, c.Err()
}

// readIngredient reads what goes in.
func readIngredient(
	s *plot.State, c *say.Checklist, hold held, field string, in FromInput, already, fromJar map[int64]float64,
) (from ingredient, err error) {
	if in.PickingID != 0 {
		picked, err := fitPicking(s, in.PickingID)
		if err != nil {
			return from, err
		}
		part, _ := picked.Planting.Species.Part(picked.Picking.Part)
		from = ingredient{
			picked: &picked, fresh: true, parts: []partOf{{picked.Planting.Species, part.Name}},
			name: say.PartOf(picked.Planting.Species.Names.Name, part.Name), keeps: keepsMonths(s, part),
		}
		from.grams = pickedGrams(s, c, field+"amount", picked, in.Amount, already[in.PickingID])
		already[in.PickingID] += from.grams
		if part.Keep.Water != nil {
			from.water = part.Keep.Water.Value
		}
		if lore, known := s.Lib.Keeping().Part(keptAs(part)); known {
			from.room = lore.FreshRoom.Value
		}
		return from, nil
	}
	h, err := standingJar(s, in.JarID)
	if err != nil {
		return from, err
	}
	if why := hold.whyJar(h); why != "" {
		return from, say.ConflictError{Why: "It is held back. " + why}
	}
	from = ingredient{jar: &h, name: h.name(), keeps: h.lot.KeepsMonths, fresh: h.lot.Making == makingFrozen}
	if until := keepsUntil(h); until != 0 {
		from.keeps = math.Max(0, float64(until.DaysSince(s.Today))/daysOfMonth)
		from.past = until < s.Today
	}
	for _, lot := range h.lots {
		for _, p := range partsIn(s, lot) {
			if !slices.Contains(from.parts, p) {
				from.parts = append(from.parts, p)
			}
		}
	}
	from.grams = jarGrams(s, c, field+"amount", h, in.Amount, "", fromJar[in.JarID])
	fromJar[in.JarID] += from.grams
	if h.one {
		if lore, known := s.Lib.Keeping().Part(keptAs(h.part)); known {
			from.room = lore.Room.Value
		}
	}
	return from, nil
}

// checkVerdict refuses what the verdict of a part does not allow.
func checkVerdict(c *say.Checklist, field string, from ingredient, making keeping.Making) {
	for _, p := range from.parts {
		part, has := p.species.Part(p.part)
		switch {
		case !has || !mayBeUsed(part) || len(part.Preparations()) == 0:
			c.Add(field+"pickingId", "%s is not used here.", say.Capital(say.PartOf(p.species.Names.Name, p.part)))
		case making.Word != "" && !part.MayMake(making.Word):
			c.Add(field+"pickingId", "%s may not go into this, by what is known of it: %s.",
				say.Capital(say.PartOf(p.species.Names.Name, p.part)), mayWords(part))
		}
	}
}

func mayWords(part flora.Part) string {
	if may := part.Preparations(); len(may) > 0 {
		return "it is for " + say.OrList(may)
	}
	return "it is not used"
}

// checkState refuses fresh for what is made of dried, and dried for what is made of fresh.
func (m *plannedMaking) checkState(c *say.Checklist, in MakeLotInput) {
	fresh, dried := m.making.Takes()
	for i, from := range m.from {
		field := fmt.Sprintf("from.%d.pickingId", i)
		m.fresh = m.fresh || from.fresh
		isOil := from.jar != nil && from.jar.lot.Making == makingOil
		isDried := from.jar != nil && (from.jar.lot.Making == makingDried || from.jar.lot.Making == makingMix)
		switch {
		case m.making.From == "oil":
			if !isOil {
				c.Add(field, "It is made of an oil: lay the herb in oil first.")
			}
		case isOil || from.jar != nil && !isDried && !from.fresh:
			c.Add(field, "This is made already: %s.", from.name)
		case m.making.ID == makingFrozen && from.jar != nil && from.fresh:
			c.Add(field, "It is frozen already: thawed, it is not frozen again.")
		case m.making.ID == makingFrozen && len(m.from[0].parts) == 1 && from.parts[0] != m.from[0].parts[0]:
			c.Add(field, "Freeze each kind by itself: they are not blanched alike.")
		case from.fresh && !fresh:
			c.Add(field, "It is made of what is dried: fresh herb brings water into it, and it spoils.")
		case !from.fresh && !dried:
			c.Add(field, "It is made of what is fresh: %s is dried already.", from.name)
		}
	}
	if m.making.ID == makingMix {
		return
	}
	first := m.from[0]
	for i, from := range m.from[1:] {
		if from.fresh != first.fresh && m.making.Liquid != "" {
			c.Add(fmt.Sprintf("from.%d.pickingId", i+1), "Fresh and dried do not go into one jar: they take unlike liquid.")
		}
	}
}

// checkRecipe refuses what the recipe does not name, and asks for what it does.
func (m *plannedMaking) checkRecipe(s *plot.State, c *say.Checklist) {
	if m.recipe == nil {
		return
	}
	goesIn := map[partOf]bool{}
	for i, from := range m.from {
		for _, p := range from.parts {
			goesIn[p] = true
			if m.recipe.shareOf(p) == 0 {
				c.Add(fmt.Sprintf("from.%d.pickingId", i), "%s is not in the recipe.",
					say.Capital(say.PartOf(p.species.Names.Name, p.part)))
			}
		}
	}
	for _, part := range m.recipe.Parts {
		if species, has := s.Lib.Species(part.Species); has && !goesIn[partOf{species, part.Part}] {
			c.Add("from", "The recipe wants %s too.", say.PartOf(species.Names.Name, part.Part))
		}
	}
}

// name is what it is of: one part of one plant, or a mix with a name of its own.
func (m *plannedMaking) name(c *say.Checklist, in MakeLotInput) {
	m.row.Making, m.row.BegunAt, m.row.Name = m.making.ID, plot.MomentText(m.at), c.Name("name", in.Name)
	if m.fresh {
		m.row.Fresh = 1
	}
	for _, from := range m.from {
		for _, p := range from.parts {
			if !slices.Contains(m.parts, p) {
				m.parts = append(m.parts, p)
			}
		}
	}
	m.row.Cautions = toldCautions(m.parts, m.making)
	if m.recipe != nil {
		m.row.RecipeID = &m.recipe.id
	}
	if len(m.parts) == 1 && m.making.ID != makingMix {
		m.row.SpeciesID, m.row.Part = m.parts[0].species.ID, m.parts[0].part
		return
	}
	if m.row.Name == "" {
		c.Add("name", "Give it a name: it is of several plants.")
	}
}

// sum works out what is measured out and what comes of it.
func (m *plannedMaking) sum(s *plot.State, c *say.Checklist, in MakeLotInput) {
	lore := s.Lib.Keeping()
	m.months = math.Inf(1)
	for _, from := range m.from {
		m.months = math.Min(m.months, from.keeps)
	}
	switch keeps := m.making.Keeps; {
	case keeps != nil && m.making.Liquid != "":
		m.months = keeps.Value // what it is laid in keeps it, however long it was dry before
	case keeps != nil:
		m.months = math.Min(m.months, keeps.Value)
	}
	if m.fresh && m.making.FreshKeeps != nil {
		m.months = m.making.FreshKeeps.Value
	}
	m.expected = m.herb
	m.readDays(c, in)
	switch {
	case m.making.ID == makingFrozen:
		m.sumFreezing(s, c, in)
	case m.making.Liquid != "":
		liquid, _ := lore.Liquid(m.making.Liquid)
		m.sumLiquid(s, c, in, liquid)
	case m.making.Kept != nil:
		m.expected = m.herb * m.making.Kept.Value
	}
	base := m.herb
	if m.making.ID == "syrup" {
		base = m.expected
	}
	for _, add := range m.making.Added {
		grams := base * add.Grams.Value
		m.added = append(m.added, flow{side: sideAdded, name: add.Name, grams: grams})
		m.expected += grams
	}
	if m.recipe != nil && m.recipe.KeepsMonths > 0 {
		m.months = math.Min(m.months, m.recipe.KeepsMonths)
	}
	m.row.Days, m.row.KeepsMonths, m.row.Density, m.row.Strength = int64(m.days), m.months, m.density, m.strength
}

// mostDays is how long a thing may stand.
const mostDays = 400

func (m *plannedMaking) readDays(c *say.Checklist, in MakeLotInput) {
	if m.making.Days == nil {
		return
	}
	m.days = int(math.Round(m.making.Days.Value))
	if m.recipe != nil && m.recipe.Days > 0 {
		m.days = m.recipe.Days
	}
	if text := strings.TrimSpace(in.Days); text != "" {
		days, err := strconv.Atoi(strings.TrimSpace(strings.TrimSuffix(strings.TrimSuffix(text, "days"), "d")))
		if err != nil || days < 1 || days > mostDays {
			c.Add("days", "Say how many days it stands: from 1 to %d.", mostDays)
			return
		}
		m.days = days
	}
}

// sumLiquid is what covers it.
func (m *plannedMaking) sumLiquid(s *plot.State, c *say.Checklist, in MakeLotInput, liquid keeping.Liquid) {
	ml, known := m.making.ML(!m.fresh)
	if !known {
		c.Add("making", "It is not made so of this.")
		return
	}
	room, water := 0.0, 0.0
	for _, from := range m.from {
		room += from.room * from.grams / m.herb
		water += from.water * from.grams
	}
	infusing := keeping.Infusing{MLPerGram: ml.Value, PackedMLPerGram: room, Kept: m.making.Kept.Value}
	if m.recipe != nil && m.recipe.MLPerGram > 0 {
		infusing.MLPerGram = m.recipe.MLPerGram
	}
	if text := strings.TrimSpace(in.Liquid); text != "" {
		litres, err := unit.Parse(unit.Volume, text, "ml")
		switch {
		case err != nil:
			c.AddError("liquid", err)
			return
		case !(litres > 0) || litres > 200:
			c.Add("liquid", "The liquid lies between nothing and 200 litres.")
			return
		}
		infusing.MLPerGram = 1000 * litres / m.herb
	}
	sums, err := keeping.Infuse(m.herb, infusing)
	if err != nil {
		c.AddError("liquid", err)
		return
	}
	m.liquidML, m.jarML, m.strainedML = sums.LiquidML, sums.JarML, sums.StrainedML
	m.density, m.liquid = liquid.Weight.Value, sums.LiquidML*liquid.Weight.Value
	if m.making.ID == "syrup" {
		// A syrup weighs more than water by its sugar: as much sugar as tea is about 1.3 g a ml, a guess of ours.
		m.density = 1.3
	}
	m.expected = sums.StrainedML * liquid.Weight.Value
	m.readStrength(c, in, liquid, water)
	if m.making.ID != "syrup" && m.liquidML < m.herb*ml.Low*0.5 {
		c.Add("liquid", "That does not cover it: %s at least, or what stands out moulds.",
			s.Units.Volume(m.herb*ml.Low/1000))
	}
}

// readStrength reads how strong the liquid is, and refuses one in which it spoils.
func (m *plannedMaking) readStrength(c *say.Checklist, in MakeLotInput, liquid keeping.Liquid, water float64) {
	if m.making.Strength == nil {
		return
	}
	strength := liquid.Strength.Value
	if text := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(in.Strength), "%")); text != "" {
		typed, rest, err := unit.SplitNumber(text)
		if err != nil || strings.TrimSpace(rest) != "" || !(typed > 0 && typed <= 100) {
			c.Add("strength", "The strength is in %%, above 0 and at most 100, as it stands on the bottle.")
			return
		}
		strength = typed
	}
	strength = m.dilute(c, in, liquid, strength)
	m.strength = &strength
	after := strength
	if m.fresh {
		after = keeping.StrengthAfter(m.liquidML, strength, m.herb, water/m.herb)
		m.after = &after
	}
	least := m.making.Strength.Value
	if liquid.ID == "vinegar" {
		after = strength // a bought vinegar has its least on the bottle; what fresh herb adds is told, not refused
	}
	if after < least-0.05 {
		c.Add("strength", "It would have %.0f %%: below %.0f %% it spoils. Take a stronger one, more of it, or dried herb.",
			after, least)
	}
}

// dilute fills a spirit up with water to a weaker one, where that was asked for, and returns how strong it is then.
func (m *plannedMaking) dilute(c *say.Checklist, in MakeLotInput, liquid keeping.Liquid, strength float64) float64 {
	text := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(in.DiluteTo), "%"))
	if text == "" {
		return strength
	}
	want, rest, err := unit.SplitNumber(text)
	if liquid.ID != "spirit" || err != nil || strings.TrimSpace(rest) != "" {
		c.Add("diluteTo", "A spirit is filled up with water to so many %%, for example 40.")
		return strength
	}
	diluted, err := keeping.Dilute(m.liquidML, want, strength)
	if err != nil {
		c.AddError("diluteTo", err)
		return strength
	}
	m.diluted = &diluted
	return want
}

// sumFreezing is what freezing comes to.
func (m *plannedMaking) sumFreezing(s *plot.State, c *say.Checklist, in MakeLotInput) {
	m.bagLitres = 1
	if text := strings.TrimSpace(in.Bag); text != "" {
		litres, err := unit.Parse(unit.Volume, text, s.Units.VolumeUnit())
		switch {
		case err != nil:
			c.AddError("bag", err)
			return
		case !(litres >= 0.05 && litres <= 20):
			c.Add("bag", "A bag holds from 50 ml to 20 litres.")
			return
		}
		m.bagLitres = litres
	}
	part, _ := m.from[0].parts[0].species.Part(m.from[0].parts[0].part)
	kind, _ := s.Lib.Keeping().Part(keptAs(part))
	freezing := keeping.Freezing{Drained: 1, LitresPerKilogram: kind.Packed.Value}
	if blanchMinutes(part) > 0 {
		freezing.Drained = kind.Drained.Value
	}
	frozen, err := keeping.Freeze(m.herb, freezing, m.bagLitres)
	if err != nil {
		c.AddError("bag", err)
		return
	}
	m.expected, m.bags, m.jarML = frozen.Grams, frozen.Bags, 1000*frozen.Litres
	m.months = s.Lib.Keeping().Freezer.Keeps.Value
	if part.Keep.Freeze != nil && part.Keep.Freeze.Months != nil {
		m.months = part.Keep.Freeze.Months.Value
	}
}

// blanchMinutes is how long a part is blanched, 0 for not at all or nothing on record.
func blanchMinutes(part flora.Part) float64 {
	if part.Keep.Freeze == nil || part.Keep.Freeze.Blanch == nil {
		return 0
	}
	return part.Keep.Freeze.Blanch.Value
}

// readOut reads what came of a making, in grams: no more than what went in.
func readOut(s *plot.State, c *say.Checklist, field, text string, density, most float64) float64 {
	var grams float64
	var err error
	if density > 0 {
		litres, volumeErr := unit.Parse(unit.Volume, text, "ml")
		grams, err = litres*1000*density, volumeErr
		if volumeErr != nil {
			if weight, weightErr := unit.Parse(unit.Mass, text, s.Units.MassUnit()); weightErr == nil {
				grams, err = weight, nil
			}
		}
	} else {
		grams, err = unit.Parse(unit.Mass, text, s.Units.MassUnit())
	}
	// What blanching soaks in, and a jug that tells five in a hundred more.
	const soaks = 1.12
	switch {
	case err != nil:
		c.AddError(field, err)
	case !(grams > 0):
		c.Add(field, "What came of it is more than nothing. If it spoilt, throw it out.")
	case grams > most*soaks:
		c.Add(field, "More than went in: that was %s in all.", amount(s, most, density))
	}
	return grams
}

// FinishInput is what came of what was under way.
type FinishInput struct {
	At  string `json:"at,omitempty" doc:"Day and time; empty for now"`
	Out string `json:"out" doc:"What came of it, as typed"`
}

// Finish notes what came of what stood: strained, pressed, bottled.
func (u *Uses) Finish(ctx context.Context, lot int64, in FinishInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		st, err := underWay(s, lot)
		if err != nil {
			return journal.Record{}, err
		}
		if st.lot.Making == makingDried {
			return journal.Record{}, say.ConflictError{Why: "It is in the drier: take it out there, by the test in the hand."}
		}
		var c say.Checklist
		at := readMoment(&c, "at", in.At, u.plot.Moment())
		begun, err := plot.ParseMoment(st.lot.BegunAt)
		if err == nil && at.Before(begun) {
			c.Add("at", "It was only begun at %s.", momentWords(u.plot.Moment(), begun))
		}
		whole := 0.0
		for _, f := range s.FlowsOfLot(lot) {
			whole += f.Grams
		}
		grams := readOut(s, &c, "out", in.Out, st.lot.Density, whole)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindStore, Summary: fmt.Sprintf("Finished %s: %s", st.name(), amount(s, grams, st.lot.Density)),
		}, end(ctx, s, d, st.lot, at, grams, lossName(st.making))
	})
}

package larder

import (
	"fmt"
	"math"
	"slices"
	"time"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

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

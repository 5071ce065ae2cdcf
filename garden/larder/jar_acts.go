package larder

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// standingJar is a jar with something in it.
func standingJar(s *plot.State, id int64) (holding, error) {
	jar, has := s.JarByID(id)
	if !has {
		return holding{}, say.NotFoundError{What: "jar"}
	}
	h, has := holdingOf(s, jar)
	if !has || jar.EndedOn != nil {
		return h, say.ConflictError{Why: "This jar is empty."}
	}
	return h, nil
}

// kitchen are the measures of a liquid whose volume is the same in every kitchen, in ml.
var kitchen = map[string]float64{
	"teaspoon": 5, "tablespoon": 15, "spoon": 15, "cup": 240, "mug": 300,
}

// measureName is what a measure of what is in a jar is kept by.
func (st stuff) measureName(one string) string {
	if st.lot.Making == makingDried {
		return one + " dried"
	}
	return one + " of " + strings.TrimSuffix(st.making.Of, " of")
}

// measurePart is of what a measure is kept: of the part, or of a mix by its name.
func (st stuff) measurePart() (species, part string) {
	if st.one {
		return st.species.ID, st.part.Name
	}
	return "", st.name()
}

// weighed is what one of a measure of it weighs, in grams; false where that was never weighed.
func (st stuff) weighed(s *plot.State, one string) (grams float64, known bool) {
	if st.lot.Density > 0 {
		ml, known := kitchen[one]
		return ml * st.lot.Density, known
	}
	species, part := st.measurePart()
	for _, m := range plot.Measures.Of(s) {
		if m.Name == st.measureName(one) && m.SpeciesID == species && m.Part == part {
			return m.Grams, true
		}
	}
	return 0, false
}

// jarGrams is what is taken of a jar, in grams: no more than is in it, of which so much was taken already in the same
// entry. Nothing written is all.
func jarGrams(
	s *plot.State, c *say.Checklist, field string, h holding, text, measureWeighs string, already float64,
) float64 {
	grams, _ := readJarAmount(s, c, field, h, text, measureWeighs, already)
	return grams
}

// readJarAmount is jarGrams, with a measure that was weighed for the first time, to be kept.
func readJarAmount(
	s *plot.State, c *say.Checklist, field string, h holding, text, measureWeighs string, already float64,
) (grams float64, weighed *store.PutMeasureParams) {
	left := h.grams - already
	if left < leastGrams {
		c.Add(field, "Nothing is left in this jar.")
		return 0, nil
	}
	text = strings.TrimSpace(text)
	if text == "" {
		return left, nil
	}
	n, rest, err := unit.SplitNumber(text)
	if err != nil {
		c.Add(field, "Say how much, for example a cup, 2 spoons or %s.", amount(s, min(5, left), h.lot.Density))
		return 0, nil
	}
	name := strings.ToLower(strings.Join(strings.Fields(rest), " "))
	one, isMeasure := input.HouseholdMeasure(strings.TrimSuffix(name, " dried"))
	switch {
	case isMeasure:
		grams, weighed = readMeasured(s, c, h, one, n, measureWeighs)
	case h.lot.Density > 0:
		grams, err = readLiquid(s, text, h.lot.Density)
	default:
		grams, err = unit.Parse(unit.Mass, strings.TrimSuffix(strings.ToLower(text), " dried"), s.Units.MassUnit())
	}
	switch {
	case len(c.Faults) > 0:
		return 0, nil
	case err != nil:
		c.AddError(field, err)
		return 0, nil
	case !(grams >= leastGrams):
		c.Add(field, "An amount must be above nothing.")
	case grams > left*scaleError && grams > left+0.5:
		c.Add(field, "Only %s is in it. If it looks like more, weigh the jar.", amount(s, left, h.lot.Density))
	}
	return min(grams, left), weighed
}

// readLiquid reads an amount of a liquid by volume or by weight, in grams.
func readLiquid(s *plot.State, text string, density float64) (float64, error) {
	litres, err := unit.Parse(unit.Volume, text, "ml")
	if err == nil {
		return litres * 1000 * density, nil
	}
	if grams, weightErr := unit.Parse(unit.Mass, text, s.Units.MassUnit()); weightErr == nil {
		return grams, nil
	}
	return 0, err
}

func readMeasured(
	s *plot.State, c *say.Checklist, h holding, one string, n float64, weighs string,
) (grams float64, weighed *store.PutMeasureParams) {
	if each, known := h.weighed(s, one); known {
		return n * each, nil
	}
	if h.lot.Density > 0 {
		c.Add("amount", "How much a %s holds is not the same in every kitchen: write ml, spoons or cups.", one)
		return 0, nil
	}
	if strings.TrimSpace(weighs) == "" {
		c.Ask("measureWeighs", "weigh", nil,
			"What does one %s of %s weigh? Weigh one: it is kept, and not asked again.", one, h.name())
		return 0, nil
	}
	each, err := unit.Parse(unit.Mass, strings.TrimSuffix(strings.TrimSpace(weighs), " dried"), s.Units.MassUnit())
	switch {
	case err != nil:
		c.AddError("measureWeighs", err)
		return 0, nil
	case !(each > 0) || each > input.MostNeedGrams:
		c.Add("measureWeighs", "A %s weighs more than nothing.", one)
		return 0, nil
	}
	species, part := h.measurePart()
	return n * each, &store.PutMeasureParams{Name: h.measureName(one), SpeciesID: species, Part: part, Grams: each}
}

// takeFrom writes what leaves a jar: it is opened with the first, and ends with the last.
func takeFrom(
	ctx context.Context, s *plot.State, d *journal.Draft, h holding, row store.PutJarFlowParams,
) (store.JarFlow, error) {
	row.JarID = h.jar.ID
	if h.grams+row.Grams < leastGrams {
		row.Grams = -h.grams // no crumb is left over of a rounding
	}
	out, err := plot.JarFlowsTable.Put(ctx, d, 0, row)
	if err != nil {
		return out, err
	}
	jar := jarParams(h.jar)
	switch {
	case h.grams+row.Grams < leastGrams:
		jar.EndedOn = &row.Day
	case h.jar.OpenedOn == nil:
		jar.OpenedOn = &row.Day
	default:
		return out, nil
	}
	_, err = plot.JarsTable.Put(ctx, d, h.jar.ID, jar)
	return out, err
}

func jarParams(jar store.Jar) store.PutJarParams {
	return store.PutJarParams{
		ID: &jar.ID, ShelfID: jar.ShelfID, Vessel: jar.Vessel, Ml: jar.Ml, Name: jar.Name, OpenedOn: jar.OpenedOn,
		EndedOn: jar.EndedOn, Note: jar.Note,
	}
}

// TakeInput is what is taken out of a jar, and what for.
type TakeInput struct {
	Amount string `json:"amount,omitempty" doc:"As typed: a cup, 2 spoons, 15 g; empty for all of it"`
	Kind   string `json:"kind" enum:"taken,given,thrown"`
	Day    string `json:"day,omitempty" doc:"Empty for today"`
	Whom   string `json:"whom,omitempty" doc:"To whom it was given"`
	Why    string `json:"why,omitempty" doc:"Why it was thrown out"`
	// MeasureWeighs is what one of the measure in the amount weighs, where it was asked.
	MeasureWeighs string `json:"measureWeighs,omitempty" doc:"What one cup or spoon weighs, as typed; kept"`
}

// takenWords is how each kind is said of what was taken.
var takenWords = map[string]string{flowTaken: "Took", flowGiven: "Gave away", flowThrown: "Threw out"}

// Take takes something out of a jar: used, given away or thrown out. What is held back may be thrown out alone.
func (u *Uses) Take(ctx context.Context, jar int64, in TakeInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, jar)
		if err != nil {
			return journal.Record{}, err
		}
		if why := heldOf(s).whyJar(h); why != "" && in.Kind != flowThrown {
			return journal.Record{}, say.ConflictError{Why: "Nothing is taken of it: it is held back. " + why}
		}
		var c say.Checklist
		row := store.PutJarFlowParams{Kind: in.Kind, Day: s.Today.String(), Typed: strings.TrimSpace(in.Amount)}
		if _, known := takenWords[in.Kind]; !known {
			c.Add("kind", "It was used, given away or thrown out.")
		}
		if in.Day != "" {
			row.Day = input.ReadDayWithin(s, &c, "day", in.Day, 366*mostYearsAgo).String()
		}
		if filled := s.FlowsOfJar(jar)[0].Day; c.Err() == nil && row.Day < filled {
			c.Add("day", "The jar was only filled on %s.", dayMonthYear(filled))
		}
		row.Whom, row.Why = c.Name("whom", in.Whom), c.Text("why", in.Why, say.LongestNote)
		switch {
		case in.Kind == flowGiven && row.Whom == "":
			c.Add("whom", "Say to whom: they are told if something is wrong with it later.")
		case in.Kind == flowThrown && row.Why == "":
			c.Add("why", "Say why: stale, damp, mouldy, too old.")
		}
		grams, weighed := readJarAmount(s, &c, "amount", h, in.Amount, in.MeasureWeighs, 0)
		row.Grams = -grams
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if weighed != nil {
			if _, err := plot.MeasuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return journal.Record{}, err
			}
		}
		if _, err := takeFrom(ctx, s, d, h, row); err != nil {
			return journal.Record{}, err
		}
		words := fmt.Sprintf("%s %s of %s", takenWords[in.Kind], amount(s, grams, h.lot.Density), h.name())
		switch in.Kind {
		case flowGiven:
			words += " to " + row.Whom
		case flowThrown:
			words += ": " + row.Why
		}
		return journal.Record{Kind: kindStore, Summary: words}, nil
	})
}

func dayMonthYear(text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		return text
	}
	return day.DayMonthYear()
}

// JarWeighInput is what a jar is found to hold.
type JarWeighInput struct {
	Amount   string   `json:"amount" doc:"What is in it, without the jar, as typed"`
	Affirmed []string `json:"affirmed,omitempty"`
}

// WeighJar notes what a jar is found to hold: more or less than was reckoned.
func (u *Uses) WeighJar(ctx context.Context, jar int64, in JarWeighInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, jar)
		if err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		var grams float64
		if h.lot.Density > 0 {
			grams, err = readLiquid(s, in.Amount, h.lot.Density)
		} else {
			grams, err = unit.Parse(unit.Mass, in.Amount, s.Units.MassUnit())
		}
		switch {
		case err != nil:
			c.AddError("amount", err)
		case !(grams >= 0) || grams > input.MostNeedGrams:
			c.Add("amount", "A jar holds nothing or more.")
		default:
			checkFits(s, &c, "amount", h.jar, h.stuff, grams)
			const more = 1.1
			if grams > h.grams*more+2 {
				c.Ask(
					"amount",
					"more",
					in.Affirmed,
					"That is %s more than was in it by what was noted. Is it weighed without the jar?",
					amount(s, grams-h.grams, h.lot.Density),
				)
			}
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		row := store.PutJarFlowParams{
			JarID: jar, Day: s.Today.String(), Kind: flowWeighed, Grams: grams - h.grams, Typed: strings.TrimSpace(in.Amount),
		}
		if _, err := plot.JarFlowsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		if grams < leastGrams {
			ended := jarParams(h.jar)
			ended.EndedOn = &row.Day
			if _, err := plot.JarsTable.Put(ctx, d, jar, ended); err != nil {
				return journal.Record{}, err
			}
		}
		return journal.Record{
			Kind: kindStore,
			Summary: fmt.Sprintf("Weighed the jar of %s: %s, by what was noted %s", h.name(),
				amount(s, grams, h.lot.Density), amount(s, h.grams, h.lot.Density)),
		}, nil
	})
}

// checkFits refuses more than a jar holds.
func checkFits(s *plot.State, c *say.Checklist, field string, jar store.Jar, st stuff, grams float64) {
	_, least, known := st.room(s, grams)
	if known && least > jar.Ml*scaleError {
		c.Add(field, "It does not go in: %s of it need %s even when pressed, and the %s holds %s.",
			amount(s, grams, st.lot.Density), s.Units.Volume(math.Ceil(least/10)*10/1000), jar.Vessel,
			s.Units.Volume(jar.Ml/1000))
	}
}

// FillInput is what is filled into a jar: one of its own, or one that stands, to fill it up.
type FillInput struct {
	JarID   int64  `json:"jarId,omitempty" doc:"A jar of the same that is filled up; 0 for a new one"`
	Vessel  string `json:"vessel,omitempty" doc:"jar, bottle, tin, bag; empty for what is usual"`
	Holds   string `json:"holds,omitempty" doc:"What it holds to the rim, as typed: 500 ml, 1 pint"`
	ShelfID int64  `json:"shelfId,omitempty" doc:"0 for no shelf yet"`
	Amount  string `json:"amount,omitempty" doc:"As typed; empty for all that is left, or for as much as goes in"`
}

// FillJars fills a lot into jars.
func (u *Uses) FillJars(ctx context.Context, lot int64, jars []FillInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, has := s.LotByID(lot)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "lot"}
		}
		st := stuffOf(s, row)
		if row.EndedAt == nil || row.Grams == nil {
			return journal.Record{}, say.ConflictError{Why: say.Capital(st.name()) + " is not done yet."}
		}
		if why := heldOf(s).whyLot(row); why != "" {
			return journal.Record{}, say.ConflictError{Why: "It is held back. " + why}
		}
		var c say.Checklist
		if len(jars) == 0 {
			c.Add("jars", "Say into which jar.")
		}
		left := *row.Grams - s.FilledOf(lot)
		whole := left
		var filled []string
		had := map[int64]bool{}
		for i, in := range jars {
			if in.JarID != 0 && had[in.JarID] {
				c.Add(fmt.Sprintf("jars.%d.jarId", i), "This jar is named twice.")
				continue
			}
			had[in.JarID] = true
			grams, err := fillOne(ctx, s, d, &c, fmt.Sprintf("jars.%d.", i), st, in, left)
			if err != nil {
				return journal.Record{}, err
			}
			left -= grams
			filled = append(filled, amount(s, grams, row.Density))
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind: kindStore,
			Summary: fmt.Sprintf("Filled %s of %s into %s", amount(s, whole-left, row.Density), st.name(),
				say.Counted(float64(len(filled)), "jar", "jars")),
		}, nil
	})
}

// mostJarLitres is the largest vessel that stands on a shelf.
const mostJarLitres = 60

func fillOne(
	ctx context.Context, s *plot.State, d *journal.Draft, c *say.Checklist, field string, st stuff, in FillInput,
	left float64,
) (grams float64, err error) {
	if left < leastGrams {
		c.Add(field+"amount", "Nothing is left of this lot: it is in its jars.")
		return 0, nil
	}
	jar, inIt := store.Jar{}, 0.0
	if in.JarID != 0 {
		h, err := standingJar(s, in.JarID)
		if err != nil {
			return 0, err
		}
		if h.product() != st.product() {
			c.Add(field+"jarId", "It holds %s: never two kinds in one jar. Mix a tea of them instead.", h.name())
			return 0, nil
		}
		if why := heldOf(s).whyJar(h); why != "" {
			return 0, say.ConflictError{Why: "That jar is held back. " + why}
		}
		jar, inIt = h.jar, h.grams
	} else {
		readVessel(s, c, field, in, st, &jar)
	}
	grams = left
	ml, _, known := st.room(s, 1)
	if room := jar.Ml/ml - inIt; known && strings.TrimSpace(in.Amount) == "" && jar.Ml > 0 {
		grams = min(left, room)
		if grams < leastGrams {
			c.Add(field+"jarId", "This %s is full.", jar.Vessel)
		}
	} else if text := strings.TrimSpace(in.Amount); text != "" {
		grams = readOut(s, c, field+"amount", text, st.lot.Density, left)
		if grams > left*scaleError && !c.Has(field+"amount") {
			c.Add(field+"amount", "Only %s is left of this lot.", amount(s, left, st.lot.Density))
		}
		grams = min(grams, left)
	}
	checkFits(s, c, field+"amount", jar, st, inIt+grams)
	if c.Err() != nil {
		return grams, nil
	}
	if in.JarID == 0 {
		return grams, putFilled(ctx, d, jar, s.Today, st.lot.ID, grams, in.Amount)
	}
	_, err = plot.JarFlowsTable.Put(ctx, d, 0, store.PutJarFlowParams{
		JarID: jar.ID, Day: s.Today.String(), Kind: flowFilled, Grams: grams, LotID: &st.lot.ID,
		Typed: strings.TrimSpace(in.Amount),
	})
	return grams, err
}

// vessels are what things are kept in.
var vessels = []string{"jar", "bottle", "tin", "bag"}

// readVessel reads a new jar.
func readVessel(s *plot.State, c *say.Checklist, field string, in FillInput, st stuff, jar *store.Jar) {
	jar.Vessel = in.Vessel
	if jar.Vessel == "" {
		jar.Vessel = st.making.Vessel
	}
	if !slices.Contains(vessels, jar.Vessel) {
		c.Add(field+"vessel", "Choose from %s.", say.OrList(vessels))
	}
	litres, err := unit.Parse(unit.Volume, in.Holds, "ml")
	switch {
	case strings.TrimSpace(in.Holds) == "":
		c.Add(field+"holds", "Say what it holds to the rim, for example 500 ml or 1 pint.")
	case err != nil:
		c.AddError(field+"holds", err)
	case !(litres >= 0.005 && litres <= mostJarLitres):
		c.Add(field+"holds", "It holds from 5 ml to %d litres.", mostJarLitres)
	}
	jar.Ml = 1000 * litres
	if in.ShelfID != 0 {
		if _, has := shelfByID(s, in.ShelfID); !has {
			c.Add(field+"shelfId", "There is no such shelf.")
		}
		jar.ShelfID = &in.ShelfID
	}
}

// MoveJarInput is where a jar stands.
type MoveJarInput struct {
	ShelfID int64 `json:"shelfId" doc:"0 for no shelf"`
}

// MoveJar puts a jar on another shelf.
func (u *Uses) MoveJar(ctx context.Context, id int64, in MoveJarInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		row, to := jarParams(h.jar), "no shelf"
		row.ShelfID = nil
		if in.ShelfID != 0 {
			shelf, has := shelfByID(s, in.ShelfID)
			if !has {
				return journal.Record{}, say.NotFoundError{What: "shelf"}
			}
			row.ShelfID, to = &shelf.ID, shelf.Name
		}
		_, err = plot.JarsTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Moved " + h.name() + " to " + to}, err
	})
}

// OpenJar notes that a jar was opened.
func (u *Uses) OpenJar(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		h, err := standingJar(s, id)
		if err != nil {
			return journal.Record{}, err
		}
		if h.jar.OpenedOn != nil {
			return journal.Record{}, say.ConflictError{Why: "It is open since " + dayMonthYear(*h.jar.OpenedOn) + "."}
		}
		row, today := jarParams(h.jar), s.Today.String()
		row.OpenedOn = &today
		_, err = plot.JarsTable.Put(ctx, d, id, row)
		return journal.Record{Kind: kindStore, Summary: "Opened " + h.name()}, err
	})
}

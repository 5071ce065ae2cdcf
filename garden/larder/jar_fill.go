package larder

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

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

package roots

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// RootsView are the stands whose roots are lifted.
type RootsView struct {
	Stands []RootRow `json:"stands"`
}

// RootRow is such a stand in a line.
type RootRow struct {
	SpeciesID string `json:"speciesId"`
	BedID     int64  `json:"bedId"`
	Name      string `json:"name" doc:"Plant and part"`
	Bed       string `json:"bed"`
	Plants    int    `json:"plants"`
	Words     string `json:"words" doc:"Its ages"`
	Take      string `json:"take" doc:"How many a year"`
	Refused   string `json:"refused" doc:"Why nothing of it is for use; empty where it is"`
}

// years is how long a stand is to last, keep the share of futures in which it does, seed that of the simulation.
const (
	years = 20
	keep  = 0.95
	seed  = 1
)

// Roots are the plot's stands of roots.
func (u *Uses) Roots(ctx context.Context) (RootsView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RootsView{}, err
	}
	v := RootsView{Stands: []RootRow{}}
	for _, st := range standsOf(s) {
		take, err := st.model(s, st.figuresOf(s)).SteadyTake(years, keep, seed)
		if err != nil {
			return v, err
		}
		row := RootRow{
			SpeciesID: st.species.ID, BedID: st.bed.ID, Name: say.PartOf(st.species.Names.Name, st.part.Name),
			Bed: st.bed.Name, Plants: st.count(), Words: st.ageWords(), Refused: st.refused(),
			Take: takeWords(take, st.count()),
		}
		if st.row.Take != nil {
			row.Take += fmt.Sprintf("; you settled on %d", *st.row.Take)
		}
		v.Stands = append(v.Stands, row)
	}
	return v, nil
}

func takeWords(take, of int) string {
	if take == 0 {
		return "none may go every year if it is to last"
	}
	return fmt.Sprintf("%d of %d a year", take, of)
}

// refused says why nothing of a stand is for use; empty where some of it is.
func (st *stand) refused() string {
	why := ""
	for _, p := range st.plantings {
		r := harvest.MayUse(p.Species, st.part, p.IdentityState, p.Ground)
		if r == nil {
			return ""
		}
		why = view.ViewRefusal(p, st.part, r).Why
	}
	return why
}

// ageWords are the years of life of its plants, the oldest first.
func (st *stand) ageWords() string {
	count := map[int]int{}
	var ages []int
	for _, p := range st.plantings {
		if count[p.Year] == 0 {
			ages = append(ages, p.Year)
		}
		count[p.Year] += p.Standing()
	}
	slices.SortFunc(ages, func(a, b int) int { return b - a })
	var words []string
	for _, age := range ages {
		words = append(words, fmt.Sprintf("%d in the %s", count[age], say.YearWords(age)))
	}
	return say.Joined(words)
}

// RootAsk is what is tried of a stand: what is left out is as it stands.
type RootAsk struct {
	School    string
	Survival  *float64
	Offspring *float64
	Crowns    *float64
	// Take is how many a year; nil for what is settled, or the greatest steady take.
	Take *int
}

// RootView is a stand whose roots are lifted.
type RootView struct {
	RootRow
	Version   say.Version `json:"version"`
	School    string      `json:"school" enum:"whole,part"`
	Survival  float64     `json:"survival" doc:"The share of plants that see the next year"`
	Offspring float64     `json:"offspring" doc:"Young plants a year beside one of age"`
	Crowns    float64     `json:"crowns" doc:"The share of what goes back that grows on"`
	Basis     string      `json:"basis" doc:"What the figures rest on"`
	FirstYear int         `json:"firstYear"`
	// Steady is the greatest take that keeps the stand, without crowns put back NoCrowns.
	Steady      int    `json:"steady"`
	NoCrowns    int    `json:"noCrowns" doc:"The same where no crown goes back"`
	Settled     *int64 `json:"settled,omitempty" doc:"What the household settled on"`
	ThisYear    int    `json:"thisYear" doc:"How many are lifted by what is shown"`
	SteadyWords string `json:"steadyWords" doc:"What that take comes to"`
	Lifted      int    `json:"lifted" doc:"How many were lifted of this year's already"`
	LiftOn      string `json:"liftOn" doc:"When it may next be lifted"`

	Curve    []TakeChance `json:"curve" doc:"The chance that the stand is kept, by how many are lifted every year"`
	Futures  []RootCourse `json:"futures" doc:"What becomes of it, by what share of the plants of age is lifted"`
	Plants   []RootMark   `json:"plants" doc:"Its plants by their places; none where they are not drawn one by one"`
	Others   []RootOther  `json:"others" doc:"What else stands within the spade's reach of what is lifted"`
	Beside   []string     `json:"beside" doc:"The same in words"`
	Outline  string       `json:"outline" doc:"The bed as a path in metres"`
	Low      RootPoint    `json:"low"`
	High     RootPoint    `json:"high"`
	SpadeM   float64      `json:"spadeM"`
	Rotation []RootYear   `json:"rotation" doc:"Which plants each year, were each to live on"`
}

// RootPoint is a place on the plan in metres.
type RootPoint struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// TakeChance is the chance that a stand is kept at a yearly take.
type TakeChance struct {
	Take   int     `json:"take"`
	Chance float64 `json:"chance"`
}

// RootCourse is what becomes of a stand over the years.
type RootCourse struct {
	Name   string    `json:"name"`
	Low    []float64 `json:"low"`
	Middle []float64 `json:"middle"`
	High   []float64 `json:"high"`
	Words  string    `json:"words"`
}

// RootMark is a plant of the stand.
type RootMark struct {
	X        float64 `json:"x"`
	Y        float64 `json:"y"`
	Year     int     `json:"year"`
	Lift     bool    `json:"lift" doc:"One of those to lift now"`
	Why      string  `json:"why" doc:"Why it is lifted, or why it stays"`
	Unproven bool    `json:"unproven"`
}

// RootOther is a plant of another kind within reach of the spade.
type RootOther struct {
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	Name string  `json:"name"`
}

// RootYear is what is lifted in a year.
type RootYear struct {
	Year   int   `json:"year"`
	Lifted []int `json:"lifted" doc:"By their index among the plants"`
}

// Root is a stand of roots, with what is asked of it.
func (u *Uses) Root(ctx context.Context, species string, bed int64, ask RootAsk) (RootView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RootView{}, err
	}
	st, err := standAt(s, species, bed)
	if err != nil {
		return RootView{}, err
	}
	f, err := st.asked(s, ask)
	if err != nil {
		return RootView{}, err
	}
	model := st.model(s, f)
	v := RootView{
		RootRow: RootRow{
			SpeciesID: species, BedID: bed, Name: say.PartOf(st.species.Names.Name, st.part.Name), Bed: st.bed.Name,
			Plants: st.count(), Words: st.ageWords(), Refused: st.refused(),
		},
		Version: versionOf(st.row), School: string(f.school), Survival: f.survival, Offspring: f.offspring, Crowns: f.crowns,
		FirstYear: model.FirstYear, Settled: st.row.Take, Lifted: st.lifted(s), LiftOn: st.liftWords(s),
	}
	if v.Steady, err = model.SteadyTake(years, keep, seed); err != nil {
		return v, err
	}
	bare := model
	bare.Replanted = 0
	if v.NoCrowns, err = bare.SteadyTake(years, keep, seed); err != nil {
		return v, err
	}
	v.RootRow.Take = takeWords(v.Steady, st.count())
	v.ThisYear = v.Steady
	switch {
	case ask.Take != nil:
		v.ThisYear = *ask.Take
	case st.row.Take != nil:
		v.ThisYear = int(*st.row.Take)
	}
	v.Basis = basisWords(f)
	v.SteadyWords = st.steadyWords(s, v, model)
	if err := st.futures(&v, model); err != nil {
		return v, err
	}
	st.draw(s, &v, f, model)
	return v, nil
}

// asked are the figures that a stand is to be reckoned by.
func (st *stand) asked(s *plot.State, ask RootAsk) (figures, error) {
	var c say.Checklist
	row := st.row
	if ask.School != "" {
		if ask.School != row.School {
			row.Crowns = nil // it was said of the other school
		}
		row.School = ask.School
	}
	for _, given := range []struct {
		value *float64
		into  **float64
	}{{ask.Survival, &row.Survival}, {ask.Offspring, &row.Offspring}, {ask.Crowns, &row.Crowns}} {
		if given.value != nil {
			*given.into = given.value
		}
	}
	checkRow(&c, row)
	if ask.Take != nil && (*ask.Take < 0 || *ask.Take > st.count()) {
		c.Add("take", "Of %d plants no more than all can be lifted.", st.count())
	}
	if err := c.Err(); err != nil {
		return figures{}, err
	}
	tried := *st
	tried.row = row
	return tried.figuresOf(s), nil
}

// liftWords say when a stand may next be lifted.
func (st *stand) liftWords(s *plot.State) string {
	if st.liftOn == s.Today {
		return "now"
	}
	return "from about " + st.liftOn.DayMonth()
}

func basisWords(f figures) string {
	if f.ownSurvival && f.ownOff && f.ownBack {
		return "Reckoned by your own figures."
	}
	return "How many live, come up beside and grow on again are guesses of ours until you say what you saw."
}

// lifted is how many were lifted of a stand in the winter that the next lifting belongs to.
func (st *stand) lifted(s *plot.State) int {
	n := 0.0
	for _, p := range st.plantings {
		taken, _, _ := view.TakenOf(s, p, st.part, st.liftOn)
		for _, one := range taken {
			n += one.Units
		}
	}
	return int(math.Round(n))
}

// steadyWords say what the take that is shown comes to.
func (st *stand) steadyWords(s *plot.State, v RootView, model harvest.RootStand) string {
	kept := model.Keeps(v.ThisYear, years, seed)
	grams := float64(v.ThisYear) * harvest.GramsEach(st.part.Harvest, 1)
	if v.School == string(plot.PartRoot) {
		grams *= s.Lib.Gather().Root.PartShare.Value
	}
	if v.ThisYear == 0 {
		return fmt.Sprintf("Left alone, no fewer stand in %d years in %.0f of 100 futures.", years, 100*kept)
	}
	verb := "lifted"
	if v.School == string(plot.PartRoot) {
		verb = "broken into"
	}
	return fmt.Sprintf("%s %s every year, about %s fresh: no fewer stand in %d years in %.0f of 100 futures.",
		say.Counted(float64(v.ThisYear), "plant", "plants"), verb, s.Units.Weight(grams), years, 100*kept)
}

// mostCurve is by how many takes the curve is drawn at most.
const mostCurve = 14

// futures are the curve of takes, and what becomes of the stand by what share is lifted.
func (st *stand) futures(v *RootView, model harvest.RootStand) error {
	most := min(st.count(), max(2*v.Steady+2, v.ThisYear, 4))
	step := max(1, int(math.Ceil(float64(most)/mostCurve)))
	for take := 0; take <= most; take += step {
		v.Curve = append(v.Curve, TakeChance{take, say.Round2(model.Keeps(take, years, seed))})
	}
	for _, one := range []struct {
		name  string
		share float64
	}{{"none", 0}, {"a third", 1.0 / 3}, {"half", 0.5}, {"all", 1}} {
		f, err := model.FutureOf(one.share, years, seed)
		if err != nil {
			return err
		}
		v.Futures = append(v.Futures, RootCourse{
			one.name, f.Low, f.Middle, f.High, fmt.Sprintf("%.0f lifted in all, %.0f stand in the end (%.0f–%.0f)",
				f.Lifted, f.Middle[years], f.Low[years], f.High[years]),
		})
	}
	return nil
}

// versionOf is the version of what was said of a stand.
func versionOf(row store.RootStand) say.Version { return say.VersionOf(row) }

package spread

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/parallel"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// SpreadView is how far the plot's plants may get in the years to come.
type SpreadView struct {
	Today calendar.Date `json:"today"`
	Free  bool          `json:"free" doc:"As if nothing were done; else each stand is held as its policy says"`
	Plan  SpreadPlan    `json:"plan"`
	// Years are the days that the maps are of: today in so many years.
	Years  []SpreadYear  `json:"years"`
	Stands []SpreadStand `json:"stands" doc:"What runs fastest first, then what covers most"`
	// Unknown are plantings of kinds of which nothing is on record.
	Unknown []SpreadPlain `json:"unknown"`
	// Gentle are those of which it is on record that they keep to their room.
	Gentle    []SpreadPlain  `json:"gentle"`
	Deadlines []DeadlineView `json:"deadlines"`
	Basis     string         `json:"basis" doc:"What the figures rest on"`
	AnyHeld   bool           `json:"anyHeld" doc:"Some stand is held by its policy"`
}

// SpreadYear is a year of the slider.
type SpreadYear struct {
	Year  int           `json:"year" doc:"In how many years; 0 is today"`
	On    calendar.Date `json:"on"`
	Words string        `json:"words"`
}

// SpreadPlain is a planting that is told in a line.
type SpreadPlain struct {
	PlantingID int64  `json:"plantingId"`
	SpeciesID  string `json:"speciesId"`
	Name       string `json:"name"`
	Bed        string `json:"bed"`
	Words      string `json:"words"`
}

// SpreadStand is a stand with its maps.
type SpreadStand struct {
	PlantingID int64        `json:"plantingId"`
	SpeciesID  string       `json:"speciesId"`
	Name       string       `json:"name"`
	Bed        string       `json:"bed"`
	BedID      int64        `json:"bedId"`
	At         SpreadPoint  `json:"at"`
	Ways       []string     `json:"ways" doc:"How it spreads: runners, seed"`
	How        string       `json:"how" doc:"How fast, and what that rests on"`
	Policy     string       `json:"policy" enum:",held,bounded,free,rid"`
	Hold       string       `json:"hold" doc:"How it is held; empty where nobody said"`
	State      string       `json:"state" doc:"Where it stands today"`
	Over       bool         `json:"over" doc:"It is likely past its bed's edge today"`
	Maps       []SpreadMap  `json:"maps"`
	Reaches    []ReachView  `json:"reaches" doc:"What it reaches, the soonest first"`
	Seen       []FrontSeen  `json:"seen"`
	Bank       string       `json:"bank" doc:"The seed in the ground; empty where none is on record"`
	Deadline   DeadlineView `json:"deadline"`
}

// SpreadMap is a stand in a year, as lines.
type SpreadMap struct {
	Year int `json:"year"`
	// Lines are those of two, five and eight in ten.
	Lines  []string `json:"lines" doc:"Paths in metres about ground that is covered with 2, 5 and 8 chances in 10 or more"`
	AreaM2 float64  `json:"areaM2" doc:"The ground that is covered on average"`
}

// ReachView is when a stand reaches something.
type ReachView struct {
	Key   string `json:"key"`
	Where string `json:"where" doc:"under the Fence path"`
	Words string `json:"words" doc:"by June 2033, 5 in 10"`
	Years string `json:"years" doc:"Between which years, 8 in 10"`
	// ByYear is the chance that it is there, from today to ten years on.
	ByYear []float64   `json:"byYear"`
	At     SpreadPoint `json:"at" doc:"Where it comes to it first"`
	BedID  int64       `json:"bedId" doc:"The bed that it reaches; 0 for none"`
	Today  bool        `json:"today" doc:"It is likely there already"`
}

// FrontSeen is where a front was seen.
type FrontSeen struct {
	ID    int64         `json:"id" doc:"0 for what a look marked"`
	Day   calendar.Date `json:"day"`
	Words string        `json:"words"`
	At    *SpreadPoint  `json:"at,omitempty"`
}

// Spread shows how far the plot's plants may get. Year is the one year whose maps are wanted, for a first picture;
// below 0 for all. Free is as if nothing were done.
func (u *Uses) Spread(ctx context.Context, year int, free bool) (SpreadView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return SpreadView{}, err
	}
	r, err := u.reckon(s)
	if err != nil {
		return SpreadView{}, say.ConflictError{Why: say.Sentence(err.Error())}
	}
	if year > spread.Years {
		return SpreadView{}, say.Faults{
			{Field: "year", Message: fmt.Sprintf("Only %d years ahead are reckoned.", spread.Years)},
		}
	}
	v := SpreadView{
		Today: s.Today, Free: free, Plan: planView(s, r.ground), Years: []SpreadYear{},
		Stands:  make([]SpreadStand, len(r.order)),
		Unknown: []SpreadPlain{}, Gentle: []SpreadPlain{}, Deadlines: []DeadlineView{},
		Basis: "Rates, seed and what holding does are guesses of ours, each drawn over its range in 200 runs. What you see " +
			"yourself, and note here, sets a stand right.",
	}
	years := []int{year}
	if year < 0 {
		years = years[:0]
		for at := range spread.Years + 1 {
			years = append(years, at)
		}
	}
	for at := range spread.Years + 1 {
		on := r.clock.after(s.Today, float64(at))
		v.Years = append(v.Years, SpreadYear{at, on, monthYear(on)})
	}
	parallel.Each(len(r.order), func(i int) { v.Stands[i] = r.standView(r.order[i], years, free) })
	slices.SortStableFunc(v.Stands, func(a, b SpreadStand) int {
		return cmp.Or(cmp.Compare(r.pace(b), r.pace(a)), cmp.Compare(lastArea(b), lastArea(a)))
	})
	for _, one := range v.Stands {
		v.AnyHeld = v.AnyHeld || one.Policy == string(plot.PolicyHeld) || one.Policy == string(plot.PolicyBounded)
		if one.Deadline.Words != "" {
			v.Deadlines = append(v.Deadlines, one.Deadline)
		}
	}
	slices.SortStableFunc(v.Deadlines, func(a, b DeadlineView) int { return cmp.Compare(a.Last, b.Last) })
	for _, p := range s.Plantings {
		if p.Aside || r.stands[p.ID] != nil {
			continue
		}
		plain := SpreadPlain{p.ID, p.SpeciesID, p.Species.Names.Name, p.Bed.Name, gentleWords(p)}
		if !isOnRecord(p.Species) {
			plain.Words = "How it spreads is not on record: look past its edge."
			v.Unknown = append(v.Unknown, plain)
		} else {
			v.Gentle = append(v.Gentle, plain)
		}
	}
	return v, nil
}

// pace is how far a stand runs in a year in metres, by its file; 0 for one that seeds about.
func (r *reckoning) pace(stand SpreadStand) (most float64) {
	one := r.stands[stand.PlantingID]
	if one.planting.Species.Site.Spread != "runs" {
		return 0
	}
	for _, f := range one.Fronts {
		most = max(most, f.Rate.Value)
	}
	return most
}

func lastArea(s SpreadStand) float64 {
	if len(s.Maps) == 0 {
		return 0
	}
	return s.Maps[len(s.Maps)-1].AreaM2
}

func monthYear(day calendar.Date) string { return fmt.Sprintf("%s %d", day.Month(), day.Year()) }

func gentleWords(p *plot.Planting) string {
	if p.Species.Site.SpreadNote != "" {
		return p.Species.Site.SpreadNote
	}
	if p.Species.Site.Spread == "gentle" {
		return "Widens gently."
	}
	return "Keeps to its room, by what is on record."
}

// waysOf is how a stand is held.
func (r *reckoning) waysOf(one *stand, free bool) spread.Plan {
	if free {
		return nil
	}
	_, ways, _ := r.state.HoldOf(one.planting.ID)
	return ways
}

// standView is one stand with its maps and what it reaches.
func (r *reckoning) standView(one *stand, years []int, free bool) SpreadStand {
	s, p := r.state, one.planting
	v := SpreadStand{
		PlantingID: p.ID, SpeciesID: p.SpeciesID, Name: p.Species.Names.Name, Bed: p.Bed.Name, BedID: p.BedID,
		Ways: []string{}, At: pointView(p.Area.Middle), How: howWords(s, p), Seen: r.seenViews(p),
		Maps: []SpreadMap{}, Reaches: []ReachView{}, Deadline: deadlineOf(s, p),
	}
	if len(p.Spots) > 0 {
		v.At = pointView(middleOf(p.Spots))
	}
	for _, way := range p.Species.Spreads {
		if !slices.Contains(v.Ways, way.By) {
			v.Ways = append(v.Ways, way.By)
		}
	}
	if hold, ways, has := s.HoldOf(p.ID); has {
		v.Policy, v.Hold = hold.Policy, holdWords(plot.Policy(hold.Policy), ways)
	}
	run := one.Covers(r.waysOf(one, free))
	grid := r.ground.terrain.Grid
	for _, year := range years {
		cover := run.In(year)
		m := SpreadMap{Year: year, Lines: []string{}, AreaM2: say.Round1(cover.AreaM2(grid))}
		for _, lines := range cover.Contours(grid, lineToleranceM) {
			m.Lines = append(m.Lines, view.PathOf(lines))
		}
		v.Maps = append(v.Maps, m)
	}
	edge := run.Reached(one.Outside())
	v.Over = edge.By(0) >= 0.5
	v.State = r.stateWords(one, edge)
	for _, t := range r.ground.targets {
		if t.BedID == p.BedID {
			continue
		}
		if reach, counts := r.reachView(one, t, run.Reached(t.Target)); counts {
			v.Reaches = append(v.Reaches, reach)
		}
	}
	slices.SortStableFunc(v.Reaches, func(a, b ReachView) int { return cmp.Compare(meanOf(b.ByYear), meanOf(a.ByYear)) })
	if seeds, known := run.SeedIn(target{Target: one.Outside()}.Target, 0); known {
		here, _ := run.SeedIn(spread.Target{Cells: grid.Within(s.Forms[p.BedID].Region())}, 0)
		v.Bank = bankWords(p, here, seeds)
	}
	return v
}

// lineToleranceM is how far off a line of the map may be, in metres.
const lineToleranceM = 0.08

// stateWords say where a stand stands today.
func (r *reckoning) stateWords(one *stand, edge spread.Chances) string {
	if len(one.Fronts) == 0 {
		return "It seeds about; nothing of it runs."
	}
	since := "since it was set"
	if n := len(one.Seen); n > 0 {
		since = "by what was seen of it"
	}
	switch chance := edge.By(0); {
	case chance >= 0.5:
		return fmt.Sprintf("Past its bed's edge today, %s, as reckoned %s.", say.Chance(chance), since)
	case chance >= 0.02:
		return fmt.Sprintf("Within its bed today, likely: past the edge %s, as reckoned %s.", say.Chance(chance), since)
	}
	return "Within its bed today, as reckoned " + since + "."
}

func meanOf(all []float64) (mean float64) {
	for _, v := range all {
		mean += v / float64(len(all))
	}
	return mean
}

// leastTold is the chance within all years from which something is said to be reached.
const leastTold = 0.15

// reachView says when a stand reaches something; false where it hardly does.
func (r *reckoning) reachView(one *stand, t target, when spread.Chances) (ReachView, bool) {
	v := ReachView{Key: t.Key, Where: t.Where, BedID: t.BedID, ByYear: byYear(when)}
	last := v.ByYear[spread.Years]
	if last < leastTold {
		return v, false
	}
	v.At = pointView(r.ground.nearest(t.Cells, one.of.Spots))
	v.Today = v.ByYear[0] >= 0.5
	v.Words, v.Years = r.whenWords(when), r.yearsWords(when)
	return v, true
}

func byYear(when spread.Chances) []float64 {
	all := make([]float64, spread.Years+1)
	for year := range all {
		all[year] = say.Round2(when.By(float64(year)))
	}
	return all
}

// whenWords say when something is reached: by when with 5 in 10, else by when with 2 in 10, else the chance in all
// years.
func (r *reckoning) whenWords(when spread.Chances) string {
	today := r.state.Today
	if chance := when.By(0); chance >= 0.5 {
		return "today already, " + say.Chance(chance)
	}
	for _, share := range []float64{0.5, 0.2} {
		if years, comes := when.At(share); comes {
			on := r.clock.after(today, years)
			if years < 1 {
				return fmt.Sprintf("by %s, %s", monthYear(on), say.InTen(share))
			}
			return fmt.Sprintf("by %d, %s", on.Year(), say.InTen(share))
		}
	}
	return fmt.Sprintf("within %d years, %s", spread.Years, say.Chance(when.By(spread.Years)))
}

// yearsWords say between which years something is reached, 8 in 10.
func (r *reckoning) yearsWords(when spread.Chances) string {
	year := func(share float64) (int, bool) {
		years, comes := when.At(share)
		return r.clock.after(r.state.Today, years).Year(), comes
	}
	first, comes := year(0.1)
	if !comes {
		return ""
	}
	last, all := year(0.9)
	switch {
	case !all:
		return fmt.Sprintf("from %d", first)
	case first == last:
		return fmt.Sprint(first)
	case first/100 == last/100:
		return fmt.Sprintf("%d–%02d", first, last%100)
	}
	return fmt.Sprintf("%d–%d", first, last)
}

// howWords say how fast a stand goes, and what that rests on.
func howWords(s *plot.State, p *plot.Planting) string {
	var words []string
	for _, way := range p.Species.Spreads {
		switch {
		case way.Rate != nil:
			words = append(
				words,
				fmt.Sprintf("%s go about %s a year (%s to %s, %s)", way.By, s.Units.GroundLength(way.Rate.Value),
					s.Units.GroundLength(way.Rate.Low), s.Units.GroundLength(way.Rate.High), way.Rate.Standing),
			)
		case way.By == "seed" && way.Reach != nil:
			words = append(
				words,
				fmt.Sprintf("most seed falls within %s (%s)", s.Units.GroundLength(way.Reach.Value), way.Reach.Standing),
			)
		}
	}
	return say.Capital(say.Joined(words)) + "."
}

// bankWords say how much seed lies in the ground of a stand's bed and about it.
func bankWords(p *plot.Planting, here, about float64) string {
	words := fmt.Sprintf("About %s seeds of it lie in %s, and %s about it", roundly(here), p.Bed.Name, roundly(about))
	if way := spread.SeedWay(p.Species); way != nil {
		words += fmt.Sprintf("; they last about %s years (%s)", say.Number(way.SoilYears.Value), way.SoilYears.Standing)
	}
	return words + "."
}

// roundly says a number that nobody can know exactly: to one figure, or two.
func roundly(n float64) string {
	switch {
	case n < 1:
		return "no"
	case n < 10:
		return fmt.Sprintf("%.0f", n)
	}
	step := 1.0
	for n/step >= 100 {
		step *= 10
	}
	return thousands(int(n/step+0.5) * int(step))
}

// thousands parts a number by commas from ten thousand on.
func thousands(n int) string {
	text := fmt.Sprint(n)
	if n < 10_000 {
		return text
	}
	for at := len(text) - 3; at > 0; at -= 3 {
		text = text[:at] + "," + text[at:]
	}
	return text
}

// seenViews are where a stand's front was seen.
func (r *reckoning) seenViews(p *plot.Planting) []FrontSeen {
	all := []FrontSeen{}
	for _, row := range sightings.Of(r.state) {
		if row.PlantingID != p.ID {
			continue
		}
		day, err := calendar.Parse(row.Day)
		if err != nil {
			continue
		}
		v := FrontSeen{ID: row.ID, Day: day, Words: sightingWords(row)}
		if row.X != nil && row.Y != nil {
			v.At = &SpreadPoint{*row.X, *row.Y}
		}
		all = append(all, v)
	}
	for _, look := range pastEdgeLooks(p) {
		all = append(all, FrontSeen{Day: look, Words: "Seen past its bed's edge, on a look."})
	}
	slices.SortStableFunc(all, func(a, b FrontSeen) int { return cmp.Compare(a.Day, b.Day) })
	return all
}

package place

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/sun"
	"bramblyacre/garden/input"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// GroundView is everything known of a bed's place.
type GroundView struct {
	BedID    int64         `json:"bedId"`
	Name     string        `json:"name"`
	Aspects  []AspectView  `json:"aspects"`
	Readings []ReadingView `json:"readings"`
	Signs    []SignChoice  `json:"signs" doc:"What can be read off the ground"`
	Sun      BedSunView    `json:"sun"`
	Shelter  string        `json:"shelter"`
	Warmth   string        `json:"warmth"`
	Edge     string        `json:"edge"`
	Beside   []BesideView  `json:"beside" doc:"What lies next to the bed"`
	Winter   string        `json:"winter" doc:"The coldest night here"`
	Zone     string        `json:"zone"`
}

// AspectView is what is known of one aspect of the ground.
type AspectView struct {
	ID       string         `json:"id"`
	Name     string         `json:"name"`
	Classes  []ClassChance  `json:"classes"`
	Likely   string         `json:"-"`
	Words    string         `json:"words"`
	Evidence []EvidenceView `json:"evidence"`
	Against  []string       `json:"against" doc:"Evidence that contradicts other evidence"`
}

// ClassChance is how likely a class is.
type ClassChance struct {
	Word   string  `json:"word"`
	Chance float64 `json:"chance"`
}

// EvidenceView is a piece of evidence with its strength.
type EvidenceView struct {
	Name     string `json:"name"`
	From     string `json:"from"`
	Strength string `json:"strength" enum:"slight,fair,strong"`
	SpeaksTo string `json:"speaksFor"`
	Standing string `json:"standing" doc:"What its strength rests on"`
}

// ReadingView is a reading as noted.
type ReadingView struct {
	ID   int64         `json:"id"`
	Day  calendar.Date `json:"day"`
	Kind string        `json:"kind"`
	Name string        `json:"name"`
	Note string        `json:"note"`
}

// SignChoice is a sign that can be read.
type SignChoice struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Look  string   `json:"look"`
	Tells []string `json:"tells" doc:"The aspects that it speaks to"`
}

// BedSunView is a bed's sun.
type BedSunView struct {
	Months   []float64    `json:"months" doc:"Computed hours a day by month, January first"`
	Open     []float64    `json:"open" doc:"The same in the open"`
	Summer   float64      `json:"summer" doc:"Hours that count: measured, else computed"`
	Words    string       `json:"words"`
	Measured bool         `json:"measured"`
	Takers   []ShadeTaker `json:"takers" doc:"What keeps sun from it in summer"`
}

// BesideView is something that lies next to a bed.
type BesideView struct {
	Kind  string `json:"kind"`
	Words string `json:"words"`
}

// BedGround returns everything known of a bed's place.
func (u *Uses) BedGround(ctx context.Context, bedID int64) (GroundView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return GroundView{}, err
	}
	bed, err := input.StandingBed(s, bedID)
	if err != nil {
		return GroundView{}, err
	}
	lore := u.plot.Lib().Ground()
	lows := s.WinterLows()
	v := GroundView{
		BedID:    bedID,
		Name:     bed.Name,
		Aspects:  viewAspects(s, bedID),
		Readings: []ReadingView{},
		Signs:    []SignChoice{},
		Beside:   beside(s, bedID),
	}
	for _, row := range s.Readings[bedID] {
		evidence, err := plot.ReadingEvidence(lore.Signs, row)
		if err != nil {
			return v, err
		}
		day, err := calendar.Parse(row.Day)
		if err != nil {
			return v, err
		}
		v.Readings = append(v.Readings, ReadingView{row.ID, day, row.Kind, evidence[0].Name, row.Note})
	}
	for _, sign := range lore.Signs.Signs {
		choice := SignChoice{sign.ID, sign.Name, sign.Look, []string{}}
		for _, says := range sign.Says {
			if aspect, err := ground.AspectOf(says.Aspect); err == nil {
				choice.Tells = append(choice.Tells, aspect.Name)
			}
		}
		v.Signs = append(v.Signs, choice)
	}
	if v.Sun, err = viewBedSun(ctx, s, bedID); err != nil {
		return v, err
	}
	v.Shelter = flora.ShelterWords[s.ShelterOf(bed)]
	if bed.Shelter == "" {
		v.Shelter += ", from the plan"
	}
	offset := s.WinterOffset(bed, lore.Offsets)
	v.Warmth = warmthOf(bed.Warmth, bed.Warmth == "" && s.Warmed(bedID), bed.FrostHollow != 0)
	v.Edge = "open: what runs can leave it"
	if s.EdgeHeld(bed) {
		v.Edge = "held: what runs stays in it"
	}
	mean, coldest := lowsOf(lows, offset)
	v.Winter = fmt.Sprintf(
		"Coldest night of a winter: %s in the mean, %s or colder in 1 of 10.",
		s.Units.Temperature(mean),
		s.Units.Temperature(coldest),
	)
	plotMean, _ := lowsOf(lows, 0)
	v.Zone = suitability.HardinessZone(plotMean)
	return v, nil
}

func warmthOf(said string, wallBehind, frost bool) string {
	words := "as the plot"
	switch {
	case said != "":
		words = said
	case wallBehind:
		words = "warm: before a wall or house, from the plan"
	}
	if frost {
		words += "; frost gathers here"
	}
	return words
}

// lowsOf returns the mean and the tenth part's coldest of winters' lowest
// temperatures at a spot that is offset from the plot's.
func lowsOf(lows []float64, offset float64) (mean, tenth float64) {
	if len(lows) == 0 {
		return offset, offset
	}
	sorted := slices.Sorted(slices.Values(lows))
	for _, low := range sorted {
		mean += low / float64(len(sorted))
	}
	return mean + offset, sorted[len(sorted)/10] + offset
}

func viewAspects(s *plot.State, bedID int64) []AspectView {
	views := []AspectView{}
	for _, aspect := range ground.Aspects() {
		b := s.Beliefs[bedID][aspect.ID]
		v := AspectView{
			ID:       aspect.ID,
			Name:     aspect.Name,
			Classes:  []ClassChance{},
			Evidence: []EvidenceView{},
			Against:  []string{},
		}
		for i, word := range aspect.Words {
			v.Classes = append(v.Classes, ClassChance{word, math.Round(b.Chance[i]*100) / 100})
		}
		v.Words = "Nobody has said or read anything yet."
		if b.Known() {
			class, chance := b.Likeliest()
			v.Likely = aspect.Words[class]
			v.Words = fmt.Sprintf("%s, %s", v.Likely, say.InTen(chance))
		}
		for _, e := range b.Evidence {
			v.Evidence = append(
				v.Evidence,
				EvidenceView{e.Name, e.From, e.Strength(), bestClass(aspect, e), e.Standing.String()},
			)
		}
		for _, pair := range b.Against {
			a, b := b.Evidence[pair[0]], b.Evidence[pair[1]]
			words := fmt.Sprintf(
				"“%s” speaks for %s, “%s” for %s: look again, or dig a hole.",
				a.Name,
				bestClass(aspect, a),
				b.Name,
				bestClass(aspect, b),
			)
			if !slices.Contains(v.Against, words) { // the same sign may have been read more than once
				v.Against = append(v.Against, words)
			}
		}
		views = append(views, v)
	}
	return views
}

// bestClass names the classes that evidence speaks for most.
func bestClass(aspect ground.Aspect, e ground.Evidence) string {
	var best []string
	for i, l := range e.Likelihood {
		if l >= 0.85 {
			best = append(best, aspect.Words[i])
		}
	}
	if len(best) > 2 {
		return best[0] + " to " + best[len(best)-1]
	}
	return say.OrList(best)
}

func viewBedSun(ctx context.Context, s *plot.State, bedID int64) (BedSunView, error) {
	bed := s.BedByID[bedID]
	v := BedSunView{Months: monthHours(s, bedID), Open: []float64{}}
	course, err := s.YearCourse()
	if err != nil {
		return v, err
	}
	for _, hours := range course.OpenHours() {
		v.Open = append(v.Open, say.Round1(hours))
	}
	v.Summer, v.Measured = s.SummerHours(bed)
	v.Summer = say.Round1(v.Summer)
	v.Words = say.HoursWords(v.Summer) + " a day in summer, computed from the plan"
	if v.Measured {
		v.Words = fmt.Sprintf(
			"%s a day in summer, as you measured; the plan gives %s",
			say.HoursWords(v.Summer),
			say.HoursWords(s.ComputedSummer(bedID)),
		)
	}
	v.Takers, err = shadeTakers(ctx, s, bedID)
	return v, err
}

// besideM is how near something lies next to a bed, in metres.
const besideM = 0.6

// beside lists what lies next to a bed, with its side.
func beside(s *plot.State, bedID int64) []BesideView {
	form := s.Forms[bedID]
	region := form.Region()
	list := []BesideView{}
	for _, it := range s.Items {
		if it.Item.Kind.Kind == plan.Slope || region.Apart(it.Form.Region()) > besideM {
			continue
		}
		words := plot.ItemName(it.PlanItem.Kind, it.Name)
		if side := sideOf(s, form, it.Form); side != "" {
			words += ", " + side
		}
		list = append(list, BesideView{it.PlanItem.Kind, words})
	}
	for _, corner := range region.Corners() {
		if s.Boundary.ToEdge(corner) <= besideM {
			return append(list, BesideView{"boundary", "the boundary: a neighbour's ground beyond"})
		}
	}
	return list
}

// sideOf says on which side of a bed another thing's nearest point lies.
func sideOf(s *plot.State, bed, other plan.Form) string {
	path := other.Path()
	nearest, least := other.At, math.Inf(1)
	for _, p := range append(path, other.At) {
		if d := p.Distance(bed.At); d < least {
			nearest, least = p, d
		}
	}
	for i := 1; i < len(path); i++ {
		for k := range 20 {
			p := path[i-1].Plus(path[i].Minus(path[i-1]).Times(float64(k) / 20))
			if d := p.Distance(bed.At); d < least {
				nearest, least = p, d
			}
		}
	}
	off := nearest.Minus(bed.At)
	if math.Hypot(off.X, off.Y) < 0.01 {
		return ""
	}
	north := sun.Toward(0, s.Site.BearingDeg)
	azimuth := math.Atan2(north.Cross(off), north.Dot(off)) * 180 / math.Pi
	return "on its " + compassWord(azimuth) + " side"
}

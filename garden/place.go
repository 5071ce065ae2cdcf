package garden

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/core/sun"
	"bramblyacre/library"
	"bramblyacre/store"
)

// addPlan reads the boundary, the beds and the things on the plan.
func (s *state) addPlan(rows allRows) (err error) {
	if s.boundary, err = boundaryOf(s.site); err != nil {
		return err
	}
	s.forms = map[int64]plan.Form{}
	for _, bed := range rows.beds {
		s.bedByID[bed.ID] = bed
		if s.forms[bed.ID], err = bedForm(bed); err != nil {
			return fmt.Errorf("bed %d: %w", bed.ID, err)
		}
		if bed.RemovedOn == nil {
			s.beds = append(s.beds, bed)
		}
	}
	if s.items, err = readItems(rows.items); err != nil {
		return err
	}
	s.readings, s.fates = map[int64][]store.Reading{}, map[int64][]store.Fate{}
	for _, row := range rows.readings {
		s.readings[row.BedID] = append(s.readings[row.BedID], row)
	}
	for _, row := range rows.fates {
		s.fates[row.PlantingID] = append(s.fates[row.PlantingID], row)
	}
	return nil
}

// addPlace works out where plants stand, the ground they reach, the sun and the
// soil of each bed.
func (g *Garden) addPlace(s *state) error {
	for _, bed := range s.beds {
		here := s.standingIn(bed.ID)
		for i, area := range layOut(s.forms[bed.ID], here) {
			here[i].area, here[i].spots = area, area.plants
		}
	}
	lore := g.Library.Ground()
	s.findGround(lore.Tree)
	if err := g.addSun(s); err != nil {
		return err
	}
	s.beliefs = map[int64]map[string]ground.Belief{}
	for _, bed := range s.beds {
		beliefs, err := s.believe(bed, lore.Signs)
		if err != nil {
			return err
		}
		s.beliefs[bed.ID] = beliefs
	}
	return nil
}

// standingIn returns what stands in a bed.
func (s *state) standingIn(bedID int64) []*planting {
	var here []*planting
	for _, p := range s.plantings {
		if p.BedID == bedID {
			here = append(here, p)
		}
	}
	return here
}

// sunStepMinutes is how finely the sun's way is followed over a year.
const sunStepMinutes = 15

// bedSamples is how many points of a bed its sun is reckoned at.
const bedSamples = 25

// sunKey is what a plot's sun follows from; the same key has the same sun.
func (s *state) sunKey() string {
	type thing struct {
		Kind   string
		Form   plan.Form
		Traits plan.Traits
	}
	key := struct {
		Latitude, Bearing float64
		Year              int
		Things            []thing
		Beds              map[int64]plan.Form
	}{s.site.Latitude, s.site.BearingDeg, s.season.Start.Year(), nil, map[int64]plan.Form{}}
	for _, it := range s.items {
		key.Things = append(key.Things, thing{it.PlanItem.Kind, it.Form, it.Item.Traits})
	}
	for _, bed := range s.beds {
		key.Beds[bed.ID] = s.forms[bed.ID]
	}
	text, err := json.Marshal(key)
	if err != nil {
		return "" // no number that is none is ever stored
	}
	return string(text)
}

// addSun takes over the sun worked out before, as long as nothing of the plan has
// moved, and else works it out.
func (g *Garden) addSun(s *state) error {
	key := s.sunKey()
	if g.sunFor != key || g.sunHours == nil {
		course, err := s.yearCourse()
		if err != nil {
			return err
		}
		light, spans := s.bedLight(course, s.obstacles(0))
		g.sunHours = map[int64][]float64{}
		for _, span := range spans {
			g.sunHours[span.bed] = light.MeanHours(span.first, span.end)
		}
		g.sunFor = key
	}
	s.sunHours = g.sunHours
	return nil
}

func (s *state) yearCourse() (*sun.Course, error) {
	return sun.Year(s.site.Latitude, s.site.BearingDeg, s.season.Start.Year(), sunStepMinutes)
}

// bedSpan is which points of a light are a bed's.
type bedSpan struct {
	bed        int64
	first, end int
}

func (s *state) bedLight(course *sun.Course, obstacles []sun.Obstacle) (*sun.Light, []bedSpan) {
	var points []geometry.Point
	var spans []bedSpan
	for _, bed := range s.beds {
		first := len(points)
		points = append(points, s.forms[bed.ID].Samples(bedSamples)...)
		spans = append(spans, bedSpan{bed.ID, first, len(points)})
	}
	return sun.NewLight(course, s.terrain(), points, obstacles), spans
}

// obstacles are all that keeps out the sun, but for one thing by its id.
func (s *state) obstacles(except int64) []sun.Obstacle {
	var all []sun.Obstacle
	for _, it := range s.items {
		if it.ID != except {
			all = append(all, it.Obstacles()...)
		}
	}
	return all
}

func (s *state) terrain() sun.Terrain {
	var terrain sun.Terrain
	for _, it := range s.items {
		terrain = append(terrain, it.Ramps(s.site.BearingDeg)...)
	}
	return terrain
}

// summerMonths are the six months of the growing season, by the hemisphere, from
// 0 for January.
func (s *state) summerMonths() []int {
	if s.site.Latitude < 0 {
		return []int{9, 10, 11, 0, 1, 2}
	}
	return []int{3, 4, 5, 6, 7, 8}
}

// summerHours is a bed's direct sun a day over the summer months: as measured by
// the grower, or else computed.
func (s *state) summerHours(bed store.Bed) (hours float64, measured bool) {
	if bed.SunHours != nil {
		return *bed.SunHours, true
	}
	return s.computedSummer(bed.ID), false
}

func (s *state) computedSummer(bedID int64) float64 {
	months, sum := s.sunHours[bedID], 0.0
	if len(months) < 12 {
		return 0
	}
	for _, m := range s.summerMonths() {
		sum += months[m] / 6
	}
	return sum
}

// sheltered tells from the plan how sheltered a bed lies, as a place on
// flora.ShelterWords: by how many of eight directions have something tall within
// eight times its height.
func (s *state) sheltered(form plan.Form) int {
	const directions, lee = 8, 8.0
	covered := map[int]bool{}
	for _, it := range s.items {
		if it.Item.Kind.Shade == plan.NoShade {
			continue
		}
		path := it.Form.Path()
		for i := range directions {
			toward := geometry.Point{Y: -1}.Turned(360 / directions * float64(i))
			reach := form.At.Plus(toward.Times(lee * it.Item.Traits.HeightM))
			for j := 1; j < len(path); j++ {
				if crosses(form.At, reach, path[j-1], path[j]) {
					covered[i] = true
				}
			}
		}
	}
	switch {
	case len(covered) >= 4:
		return 2
	case len(covered) >= 2:
		return 1
	}
	return 0
}

func crosses(a, b, c, d geometry.Point) bool {
	side := func(p, q, r geometry.Point) float64 { return q.Minus(p).Cross(r.Minus(p)) }
	return side(a, b, c)*side(a, b, d) < 0 && side(c, d, a)*side(c, d, b) < 0
}

// warmWallM is how near a wall or a house warms a bed before its sunny side.
const warmWallM = 1.5

// warmed tells from the plan whether a wall or a house on the bed's pole side
// gives back the sun's warmth.
func (s *state) warmed(form plan.Form) bool {
	poleward := sun.Toward(0, s.site.BearingDeg)
	if s.site.Latitude < 0 {
		poleward = poleward.Times(-1)
	}
	region := form.Region()
	for _, it := range s.items {
		if it.Item.Kind.Kind != plan.Wall && it.Item.Kind.Kind != plan.Building {
			continue
		}
		if region.Apart(it.Form.Region()) > warmWallM {
			continue
		}
		probe := form.At.Plus(poleward.Times(100))
		path := it.Form.Path()
		for j := 1; j < len(path); j++ {
			if crosses(form.At, probe, path[j-1], path[j]) {
				return true
			}
		}
	}
	return false
}

// edgeHeld tells from the plan whether a bed's edge holds what runs: a pot does.
func (s *state) edgeHeld(bed store.Bed) bool {
	if bed.Edge != "" {
		return bed.Edge == "held"
	}
	return plan.Shape(bed.Shape) == plan.Round
}

// place is all that counts of a bed for a plant that is not there yet, or of the
// plants of one planting where one is given.
func (s *state) place(bed store.Bed, lore library.Ground, lows []float64, of *planting) suitability.Place {
	form := s.forms[bed.ID]
	p := suitability.Place{Ground: s.beliefs[bed.ID], Shelter: float64(s.shelterOf(bed)), Held: s.edgeHeld(bed), Mulched: bed.MulchM >= thickMulchM}
	p.SunHours, _ = s.summerHours(bed)
	offset := s.winterOffset(bed, lore.Offsets)
	p.WinterLows = make([]float64, len(lows))
	for i, low := range lows {
		p.WinterLows[i] = low + offset
	}
	p.RoomM2 = s.roomM2(bed.ID, of)
	if of != nil {
		for _, f := range of.findings {
			if f.ground != "" {
				p.Unsafe = append(p.Unsafe, f.ground)
			}
			if f.tree != nil {
				p.Trees = append(p.Trees, *f.tree)
			}
		}
		return p
	}
	if bed.Unsafe != "" {
		p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(bed.Unsafe))
	}
	region := form.Region()
	for _, it := range s.items {
		if it.Item.Kind.Kind == plan.UnsafeGround && region.Apart(it.Form.Region()) <= it.Item.Traits.Reach(it.Item.Kind) {
			p.Unsafe = append(p.Unsafe, suitability.UnsafeGround(it.Item.Traits.Unsafe))
		}
		tree, known := lore.Tree(it.Item.Traits.Tree)
		if known && form.Shape != plan.Round && region.DistanceTo(it.Form.At) <= s.treeReachM(it, tree) {
			p.Trees = append(p.Trees, tree)
		}
	}
	return p
}

// thickMulchM is how thick mulch has to lie to be of use, in metres: a usual value.
const thickMulchM = 0.05

func (s *state) shelterOf(bed store.Bed) int {
	if i := slices.Index(flora.ShelterWords, bed.Shelter); i >= 0 {
		return i
	}
	return s.sheltered(s.forms[bed.ID])
}

// winterOffset is how much colder, below 0, or warmer a bed's coldest night is
// than the open plot's, in °C.
func (s *state) winterOffset(bed store.Bed, offsets library.Offsets) float64 {
	sum := 0.0
	if bed.FrostHollow != 0 {
		sum += offsets.FrostHollow.Value
	}
	if plan.Shape(bed.Shape) == plan.Round {
		sum += offsets.Pot.Value
	}
	switch {
	case bed.Warmth == "cold":
		sum += offsets.Cold.Value
	case bed.Warmth == "warm" || bed.Warmth == "" && s.warmed(s.forms[bed.ID]):
		sum += offsets.Warm.Value
	}
	return sum
}

// roomM2 is the ground that the plantings of a bed leave free at full size; that
// of one planting counts as free.
func (s *state) roomM2(bedID int64, except *planting) float64 {
	room := s.areaM2(bedID)
	for _, p := range s.standingIn(bedID) {
		if p != except {
			room -= s.wantedM2(p)
		}
	}
	return math.Max(0, room)
}

// wantedM2 is the ground that a planting covers at full size: the area it was
// sown on, or a circle for each plant.
func (s *state) wantedM2(p *planting) float64 {
	if p.AreaM2 != nil {
		return *p.AreaM2
	}
	return suitability.MatureArea(p.species, p.standing())
}

// winterLows are the lowest temperatures of winters as they usually come, in °C.
func (g *Garden) winterLows(s *state) ([]float64, error) {
	g.mu.Lock()
	defer g.mu.Unlock()
	if err := s.sky.climatology(s.season); err != nil {
		return nil, err
	}
	return s.sky.lows, nil
}

package roots

import (
	"math"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/plan"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// stand is a kind whose roots are lifted, in a bed: all of its plantings there together.
type stand struct {
	species   *flora.Species
	part      flora.Part
	bed       store.Bed
	plantings []*plot.Planting
	// plants are its plants by their places, with of whose planting each is; none where they are not drawn one by one.
	plants []harvest.RootPlant
	of     []*plot.Planting
	// row is what the household said of it.
	row store.RootStand
	// liftOn is the day on which it may next be lifted.
	liftOn calendar.Date
}

// standsOf are all stands of roots on the plot, by bed and kind.
func standsOf(s *plot.State) (stands []*stand) {
	for _, bed := range s.Beds {
		for _, p := range s.StandingIn(bed.ID) {
			part, has := rootPart(p)
			if !has {
				continue
			}
			at := slices.IndexFunc(
				stands,
				func(one *stand) bool { return one.bed.ID == bed.ID && one.species.ID == p.SpeciesID },
			)
			if at < 0 {
				row, _ := s.RootStandOf(p.SpeciesID, bed.ID)
				stands, at = append(stands, &stand{species: p.Species, part: part, bed: bed, row: row}), len(stands)
			}
			stands[at].plantings = append(stands[at].plantings, p)
		}
	}
	for _, one := range stands {
		one.liftOn = one.nextLift(s)
		one.setPlants(s)
	}
	return stands
}

// rootPart is the part of a planting that is lifted with the plant, of a kind that lives on.
func rootPart(p *plot.Planting) (flora.Part, bool) {
	if p.Aside || p.Species.Life.Form != flora.Perennial {
		return flora.Part{}, false
	}
	for _, part := range p.Species.Parts {
		if part.Harvest != nil && part.Harvest.TakesPlant {
			return part, true
		}
	}
	return flora.Part{}, false
}

func standAt(s *plot.State, species string, bed int64) (*stand, error) {
	for _, one := range standsOf(s) {
		if one.species.ID == species && one.bed.ID == bed {
			return one, nil
		}
	}
	return nil, say.NotFoundError{What: "stand of roots"}
}

// setPlants sets the plants by their places, where all of them are drawn one by one.
func (st *stand) setPlants(s *plot.State) {
	for _, p := range st.plantings {
		if len(p.Spots) != p.Standing() {
			st.plants, st.of = nil, nil
			return
		}
		for _, spot := range p.Spots {
			st.plants = append(st.plants, harvest.RootPlant{
				At: spot, Year: p.Year, Holds: holdsBank(s, spot),
				Resting: !s.Age(p, s.Season).Settled() || p.IdentityState != identity.Sure || p.Ground != "",
			})
			st.of = append(st.of, p)
		}
	}
}

// nextLift is the day on which roots of a stand may next be lifted: today, or when the next window opens.
func (st *stand) nextLift(s *plot.State) calendar.Date {
	next := s.Season.End
	for _, p := range st.plantings {
		for _, span := range s.Spans(p) {
			if span.Window.Part.Name == st.part.Name && span.Last >= s.Today {
				next = min(next, max(s.Today, span.First))
				break
			}
		}
	}
	return next
}

// holdsBank tells whether a plant stands so near to a water's edge, or to that of a slope, that its roots hold it.
func holdsBank(s *plot.State, at geometry.Point) bool {
	reach := s.Lib.Gather().Root.Bank.Value
	for _, it := range s.Items {
		switch kind := it.Item.Kind; {
		case kind.Water && it.Form.Region().DistanceTo(at) <= reach:
			return true
		case kind.Kind == plan.Slope:
			for _, area := range it.Form.Region().Areas {
				if area.ToEdge(at) <= reach {
					return true
				}
			}
		}
	}
	return false
}

// firstYear is the year of life from which a root of it may be lifted.
func (st *stand) firstYear() int { return max(1, int(math.Ceil(st.part.Harvest.MinYear.Value))) }

// count is how many plants stand.
func (st *stand) count() (n int) {
	for _, p := range st.plantings {
		n += p.Standing()
	}
	return n
}

// apart is how near to each other no two are lifted in one year: somewhat more than plants stand from their nearest
// neighbour.
func (st *stand) apart() float64 {
	const more = 1.25
	var nearest []float64
	for i, p := range st.plants {
		least := math.Inf(1)
		for j, q := range st.plants {
			if i != j {
				least = min(least, p.At.Distance(q.At))
			}
		}
		if !math.IsInf(least, 1) {
			nearest = append(nearest, least)
		}
	}
	if len(nearest) == 0 {
		return 0
	}
	slices.Sort(nearest)
	return more * nearest[len(nearest)/2]
}

// figures are those that a stand is reckoned by: the household's own, else what the lore says.
type figures struct {
	school                       plot.RootSchool
	survival, offspring, crowns  float64
	ownSurvival, ownOff, ownBack bool
}

func (st *stand) figuresOf(s *plot.State) figures {
	lore := s.Lib.Gather().Root
	f := figures{
		school: plot.RootSchool(st.row.School), survival: lore.Survival.Value, offspring: lore.Offspring(st.species).Value,
	}
	if f.school == "" {
		f.school = plot.WholeRoot
	}
	if st.row.Survival != nil {
		f.survival, f.ownSurvival = *st.row.Survival, true
	}
	if st.row.Offspring != nil {
		f.offspring, f.ownOff = *st.row.Offspring, true
	}
	switch {
	case st.row.Crowns != nil:
		f.crowns, f.ownBack = *st.row.Crowns, true
	case f.school == plot.PartRoot:
		f.crowns = lore.Part.Value
	case harvest.LeavesCrowns(st.species, st.part.Harvest):
		f.crowns = lore.Crowns.Value
	}
	return f
}

// model is the stand as it is simulated.
func (st *stand) model(s *plot.State, f figures) harvest.RootStand {
	lore, first := s.Lib.Gather().Root, st.firstYear()
	m := harvest.RootStand{
		Ages: make([]float64, first), FirstYear: first, Survival: f.survival, Offspring: f.offspring, Replanted: f.crowns,
		YearSigma: lore.YearsVary.Value, Room: float64(st.room(lore.Room.Value)),
	}
	if f.school == plot.PartRoot {
		m.BackAt = max(1, first-int(lore.PartYears.Value))
	}
	for _, p := range st.plantings {
		m.Ages[min(first, max(1, p.Year))-1] += float64(p.Standing())
	}
	return m
}

// room is how many plants the stand's ground holds: as many as find room between those that stand, or more where they
// stand far apart.
func (st *stand) room(crowded float64) int {
	m2 := 0.0
	for _, p := range st.plantings {
		m2 += p.Area.Outline.Area()
	}
	room := int(crowded * float64(st.count()))
	if wide := st.species.Size.Width.Value / 100; wide > 0 {
		room = max(room, int(m2/(wide*wide)))
	}
	return room
}

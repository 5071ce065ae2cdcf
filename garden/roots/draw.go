package roots

import (
	"fmt"
	"slices"

	"bramblyacre/core/geometry"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/view"
)

// draw marks which plants to lift on the bed, what stands within the spade's reach of them, and the rotation.
func (st *stand) draw(s *plot.State, v *RootView, f figures, model harvest.RootStand) {
	v.Plants, v.Others, v.Beside, v.Rotation = []RootMark{}, []RootOther{}, []string{}, []RootYear{}
	v.SpadeM = view.SpadeM
	region := s.Forms[st.bed.ID].Region()
	v.Outline = view.RegionPath(region)
	low, high := region.Bounds()
	v.Low, v.High = RootPoint{low.X, low.Y}, RootPoint{high.X, high.Y}
	if len(st.plants) == 0 {
		return
	}
	apart := st.apart()
	take := max(0, v.ThisYear-v.Lifted)
	chosen := harvest.ChooseRoots(st.plants, take, model.FirstYear, apart)
	crowding := harvest.Crowding(st.plants, apart)
	var at []geometry.Point
	for i, plant := range st.plants {
		mark := RootMark{
			X: plant.At.X, Y: plant.At.Y, Year: plant.Year, Lift: slices.Contains(chosen, i),
			Unproven: st.of[i].IdentityState != identity.Sure,
		}
		mark.Why = st.why(i, mark, chosen, crowding, model.FirstYear, apart)
		if mark.Lift {
			at = append(at, plant.At)
		}
		v.Plants = append(v.Plants, mark)
	}
	own := func(p *plot.Planting) bool { return slices.Contains(st.plantings, p) }
	for _, near := range view.NeighboursOf(s, at, own) {
		v.Beside = append(v.Beside, fmt.Sprintf("%s: %s", near.Name, near.Words))
	}
	for _, p := range s.Plantings {
		if own(p) {
			continue
		}
		reach := view.SpadeReachM(p)
		for _, spot := range p.Spots {
			if slices.ContainsFunc(at, func(a geometry.Point) bool { return a.Distance(spot) <= reach }) {
				v.Others = append(v.Others, RootOther{spot.X, spot.Y, p.Species.Names.Name})
			}
		}
	}
	rotation := harvest.Rotation{
		Take: v.ThisYear, Years: 10, FirstYear: model.FirstYear, Apart: apart, Back: f.crowns > 0, BackAt: model.BackAt,
	}
	if f.school == plot.PartRoot {
		rotation.BackAt, rotation.Rests = model.FirstYear, int(s.Lib.Gather().Root.PartYears.Value)
	}
	for i, lifted := range rotation.Of(st.plants) {
		v.Rotation = append(v.Rotation, RootYear{s.Season.Start.AddDays(180).Year() + i, lifted})
	}
}

// why says why a plant is lifted, or why it stays.
func (st *stand) why(i int, mark RootMark, chosen []int, crowding []float64, firstYear int, apart float64) string {
	plant := st.plants[i]
	switch {
	case mark.Lift && crowding[i] > 1:
		return "old, and crowded"
	case mark.Lift:
		return "among the oldest"
	case plant.Holds:
		return "holds the bank"
	case st.of[i].Ground != "":
		return "on unsafe ground"
	case mark.Unproven:
		return "not proved yet"
	case plant.Resting:
		return "settles until next season"
	case plant.Year < firstYear:
		return "too young"
	case slices.ContainsFunc(chosen, func(j int) bool { return plant.At.Distance(st.plants[j].At) < apart }):
		return "beside one that is lifted"
	}
	return "left for other years"
}

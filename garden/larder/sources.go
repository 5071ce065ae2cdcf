package larder

import (
	"cmp"
	"fmt"
	"slices"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// sourcesOf are the pickings, and what was bought, that a thing is of, the largest share first.
func sourcesOf(s *plot.State, hold held, of keeping.Thing) []SourceView {
	views := []SourceView{}
	for thing, share := range keeping.Sources(flowsBefore(s, of), of) {
		v := SourceView{Share: say.Round2(share), Held: hold.why(thing)}
		switch thing.Kind {
		case keeping.Picking:
			picked, has := s.PickingByID(thing.ID)
			if !has {
				continue
			}
			v.PickingID, v.PlantingID = thing.ID, picked.Planting.ID
			v.Words = fmt.Sprintf("%s, %s", say.PartOf(picked.Planting.Species.Names.Name, picked.Picking.Part),
				pickedWords(picked))
		case keeping.Lot:
			lot, has := s.LotByID(thing.ID)
			if !has || lot.BoughtFrom == "" {
				continue
			}
			v.LotID, v.Words = lot.ID, stuffOf(s, lot).name()+", bought from "+lot.BoughtFrom
		default:
			continue
		}
		views = append(views, v)
	}
	slices.SortFunc(views, func(a, b SourceView) int {
		return cmp.Or(cmp.Compare(b.Share, a.Share), cmp.Compare(a.PickingID, b.PickingID), cmp.Compare(a.LotID, b.LotID))
	})
	return views
}

// flowsBefore are the flows that led to a thing, as they were noted: those of what it is of, and no others.
func flowsBefore(s *plot.State, of keeping.Thing) []keeping.Flow {
	type noted struct {
		keeping.Flow
		id int64
	}
	var all []noted
	seenLot, seenJar := map[int64]bool{}, map[int64]bool{}
	var addLot func(id int64)
	var addJar func(id int64)
	addLot = func(id int64) {
		if seenLot[id] {
			return
		}
		seenLot[id] = true
		to := keeping.Thing{Kind: keeping.Lot, ID: id}
		for _, f := range s.FlowsOfLot(id) {
			switch {
			case f.PickingID != nil:
				from := keeping.Thing{Kind: keeping.Picking, ID: *f.PickingID}
				all = append(all, noted{keeping.Flow{From: from, To: to, Grams: f.Grams}, 0})
			case f.JarFlowID != nil:
				if out, has := s.JarFlowByID(*f.JarFlowID); has {
					from := keeping.Thing{Kind: keeping.Jar, ID: out.JarID}
					all = append(all, noted{keeping.Flow{From: from, To: to, Grams: f.Grams}, out.ID})
					addJar(out.JarID)
				}
			}
		}
	}
	addJar = func(id int64) {
		if seenJar[id] {
			return
		}
		seenJar[id] = true
		jar := keeping.Thing{Kind: keeping.Jar, ID: id}
		for _, f := range s.FlowsOfJar(id) {
			switch {
			case f.LotID != nil:
				from := keeping.Thing{Kind: keeping.Lot, ID: *f.LotID}
				all = append(all, noted{keeping.Flow{From: from, To: jar, Grams: f.Grams}, f.ID})
				addLot(*f.LotID)
			case f.Grams < 0 && f.Kind != flowMade:
				away := keeping.Thing{Kind: keeping.Away, ID: f.ID}
				all = append(all, noted{keeping.Flow{From: jar, To: away, Grams: -f.Grams}, f.ID})
			}
		}
	}
	if of.Kind == keeping.Jar {
		addJar(of.ID)
	} else {
		addLot(of.ID)
	}
	slices.SortStableFunc(all, func(a, b noted) int { return cmp.Compare(a.id, b.id) })
	flows := make([]keeping.Flow, len(all))
	for i, one := range all {
		flows[i] = one.Flow
	}
	return flows
}

package place

import (
	"context"
	"fmt"
	"math"
	"slices"

	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// RoundOrderView is the order in which the beds are walked on a round.
type RoundOrderView struct {
	Version  say.Version `json:"version"`
	Beds     []RoundBed  `json:"beds" doc:"In the order of the walk"`
	Length   string      `json:"length" doc:"How long the walk is, as the crow flies"`
	Shortest []int64     `json:"shortest" doc:"The ids in the order of the shortest walk from the same first bed"`
	// ShortestLength is how long that is; Saves is what it saves, empty where it saves nothing.
	ShortestLength string `json:"shortestLength"`
	Saves          string `json:"saves"`
}

// RoundBed is a bed of the walk.
type RoundBed struct {
	ID   int64          `json:"id"`
	Name string         `json:"name"`
	At   geometry.Point `json:"at"`
}

// RoundOrder shows the order in which the beds are walked, and a shorter one from the same first bed.
func (u *Uses) RoundOrder(ctx context.Context) (RoundOrderView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return RoundOrderView{}, err
	}
	v := RoundOrderView{Version: roundVersion(s), Beds: []RoundBed{}, Shortest: []int64{}}
	var points []geometry.Point
	var asIs []int
	for i, bed := range s.Beds {
		at := s.Forms[bed.ID].At
		v.Beds = append(v.Beds, RoundBed{bed.ID, bed.Name, at})
		points, asIs = append(points, at), append(asIs, i)
	}
	order := plan.ShortestWalk(points, 0)
	for _, i := range order {
		v.Shortest = append(v.Shortest, s.Beds[i].ID)
	}
	now, short := plan.WalkLength(points, asIs), plan.WalkLength(points, order)
	v.Length, v.ShortestLength = s.Units.GroundLength(math.Round(now)), s.Units.GroundLength(math.Round(short))
	if saves := now - short; saves >= 1 {
		v.Saves = s.Units.GroundLength(math.Round(saves))
	}
	return v, nil
}

// roundVersion is the version of the order of the beds.
func roundVersion(s *plot.State) say.Version {
	ids := []int64{}
	for _, bed := range s.Beds {
		ids = append(ids, bed.ID)
	}
	return say.VersionOf(ids)
}

// SetRoundOrder changes the order in which the beds are walked: every bed once.
func (u *Uses) SetRoundOrder(ctx context.Context, seen say.Version, ids []int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		if err := seen.IsOf(roundVersion(s), "the order of the beds"); err != nil {
			return journal.Record{}, err
		}
		var c say.Checklist
		for i, id := range ids {
			if bed, has := s.BedByID[id]; !has || bed.RemovedOn != nil || slices.Contains(ids[:i], id) {
				c.Add("beds", "Name every bed that is on the plan, and each once.")
				break
			}
		}
		if len(ids) != len(s.Beds) {
			c.Add("beds", "Name every bed that is on the plan, and each once.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		moved := 0
		for i, id := range ids {
			row := bedParams(s.BedByID[id])
			if order := int64(i + 1); row.RoundOrder != order {
				row.RoundOrder = order
				moved++
				if _, err := bedsTable.Put(ctx, d, id, row); err != nil {
					return journal.Record{}, err
				}
			}
		}
		if moved == 0 {
			return journal.Record{}, say.ConflictError{Why: "The beds are walked in that order already."}
		}
		return journal.Record{
			Kind: "bed", Summary: fmt.Sprintf("Changed the order of the round: %s first", s.BedByID[ids[0]].Name),
		}, nil
	})
}

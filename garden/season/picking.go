package season

import (
	"encoding/json"
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	planning "bramblyacre/core/harvest/season"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// Picking is one picking of a plan, as it is kept.
type Picking struct {
	Planting int64  `json:"planting"`
	Part     string `json:"part"`
	Day      string `json:"day"`
	// Units are in the part's own unit.
	Units int `json:"units"`
	// Tied is one that the household settled: it stays where it is. Why says what for.
	Tied bool   `json:"tied,omitempty"`
	Why  string `json:"why,omitempty"`
}

func (p Picking) on() calendar.Date {
	day, err := calendar.Parse(p.Day)
	if err != nil {
		return plot.NoDay
	}
	return day
}

// followed is the plan of a season that the household follows; false where it keeps none.
func followed(s *plot.State, season calendar.Season) (row store.SeasonPlan, picks []Picking, has bool) {
	for _, row := range planRows.Of(s) {
		if row.Name == "" && row.Season == season.Start.String() {
			return row, picksOf(row), true
		}
	}
	return row, nil, false
}

// picksOf are a kept plan's pickings; none where they cannot be read.
func picksOf(row store.SeasonPlan) (picks []Picking) {
	if json.Unmarshal([]byte(row.Picks), &picks) != nil {
		return nil
	}
	return picks
}

// tied are the pickings that the household settled.
func tied(picks []Picking) (settled []Picking) {
	for _, p := range picks {
		if p.Tied {
			settled = append(settled, p)
		}
	}
	return settled
}

// standAt is the index of the stand of a part of a planting; below 0 where the plan has none.
func (q *question) standAt(planting int64, part string) int {
	for i, stand := range q.stands {
		if stand.p.ID == planting && stand.part.Name == part {
			return i
		}
	}
	return -1
}

// pick is a kept picking as the problem has it; false where its stand or its day is not in it.
func (q *question) pick(p Picking) (pick planning.Pick, is bool) {
	pick = planning.Pick{Stand: q.standAt(p.Planting, p.Part), Day: p.on().DaysSince(q.first)}
	if pick.Stand < 0 || pick.Day < 0 || pick.Day >= q.problem.Days {
		return pick, false
	}
	group := float64(q.stands[pick.Stand].group)
	pick.Units = max(1, int(math.Round(float64(p.Units)/group)))
	return pick, true
}

// picking is a pick of the problem as it is kept.
func (q *question) picking(pick planning.Pick) Picking {
	stand := q.stands[pick.Stand]
	p := Picking{
		Planting: stand.p.ID, Part: stand.part.Name, Day: q.first.AddDays(pick.Day).String(), Units: pick.Units * stand.group,
	}
	for _, lock := range q.problem.Locked {
		p.Tied = p.Tied || lock.Stand == pick.Stand && lock.Day == pick.Day
	}
	return p
}

// settle takes the settled pickings that can be into the problem, and says of the others why they cannot.
func (q *question) settle(settled []Picking) {
	from := map[planning.Pick]Picking{}
	for _, one := range settled {
		pick, is := q.pick(one)
		if is {
			from[pick] = one
			q.problem.Locked = append(q.problem.Locked, pick)
			continue
		}
		switch day := one.on(); {
		case day < q.first:
			if !q.wasPicked(one) {
				q.unkept = append(q.unkept, unkept{one, "Its day is past, and nothing was noted as picked."})
			}
		case day > q.season.End:
			// of another season's plan
		default:
			q.unkept = append(q.unkept, unkept{one, "Nothing of it may be taken this season."})
		}
	}
	for _, one := range q.problem.Settle() {
		q.unkept = append(q.unkept, unkept{from[one.Pick], q.breakWords(one)})
	}
}

// wasPicked tells whether a picking of the plan was carried out: the part was taken within some days of it.
func (q *question) wasPicked(one Picking) bool {
	p, has := q.state.ByID[one.Planting]
	if !has {
		return false
	}
	for _, taken := range p.Pickings {
		if day, err := calendar.Parse(taken.Day); err == nil && taken.Part == one.Part {
			if gap := day.DaysSince(one.on()); gap >= -aboutDays && gap <= aboutDays {
				return true
			}
		}
	}
	return false
}

// aboutDays is how far from its day a picking still counts as the one that was planned.
const aboutDays = 5

// breakWords say why a settled picking cannot be.
func (q *question) breakWords(one planning.Unkept) string {
	stand := q.stands[one.Pick.Stand]
	day := q.first.AddDays(one.Pick.Day).DayMonth()
	switch where := one.Why.Where; {
	case strings.HasPrefix(where, "minutes"):
		if awayOn(q.state, q.first.AddDays(one.Pick.Day)) {
			return fmt.Sprintf("Nobody is there on %s.", day)
		}
		return fmt.Sprintf("There is not the time for it on %s.", day)
	case strings.HasPrefix(where, "tray_area"):
		if q.problem.TrayArea == 0 {
			return "There is no drier."
		}
		return fmt.Sprintf("The trays do not hold it from %s on.", day)
	case strings.HasPrefix(where, "stands"):
		return fmt.Sprintf("It is more than %s bears then.", stand.p.Species.Names.Name)
	}
	return fmt.Sprintf("On %s nothing of it may be taken.", day)
}

package garden

import (
	"encoding/json"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/identity"
	"bramblyacre/store"
)

// look is one visit's answers as core takes them, with its row and photographs.
type look struct {
	identity.Look
	row    store.Look
	photos []string
}

// claimsLabel is what a planting's row says of one that came labelled from a known
// source. Before there was a check it was the grower's word for a sure plant.
const claimsLabel = string(identity.Sure)

// labelled tells whether a planting came labelled from a known source.
func (p *planting) labelled() bool { return p.Identity == claimsLabel }

func (s *state) addEvidence(rows allRows) error {
	s.looks, s.findLook = map[int64][]look{}, map[int64][]look{}
	for _, row := range rows.looks {
		l := look{row: row}
		day, err := calendar.Parse(row.NotedOn)
		l.Day, l.By = day, row.ByWhom
		err = errors.Join(err, json.Unmarshal([]byte(row.Answers), &l.Answers), json.Unmarshal([]byte(row.Shown), &l.Shown), json.Unmarshal([]byte(row.Photos), &l.photos))
		if err != nil {
			err = fmt.Errorf("check %d: %w", row.ID, err)
			if row.PlantingID == nil {
				return err
			}
			// It may have contradicted: without it nothing is proved of the planting.
			s.cannotRead(*row.PlantingID, err)
			continue
		}
		if row.PlantingID != nil {
			s.looks[*row.PlantingID] = append(s.looks[*row.PlantingID], l)
		} else {
			s.findLook[*row.FindID] = append(s.findLook[*row.FindID], l)
		}
	}
	s.sortings, s.makings = map[int64][]store.Sorting{}, map[int64][]store.Making{}
	for _, row := range rows.sortings {
		s.sortings[row.PickingID] = append(s.sortings[row.PickingID], row)
	}
	for _, row := range rows.makings {
		s.makings[row.PickingID] = append(s.makings[row.PickingID], row)
	}
	return nil
}

func asCore(looks []look) []identity.Look {
	all := make([]identity.Look, len(looks))
	for i, l := range looks {
		all[i] = l.Look
	}
	return all
}

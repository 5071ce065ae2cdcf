package plot

import (
	"encoding/json"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/identity"
	"bramblyacre/store"
)

// Look is one visit's answers as core takes them, with its row and photographs.
type Look struct {
	identity.Look
	Row    store.Look
	Photos []string
}

// ClaimsLabel is what a planting's row says of one that came labelled from a known
// source. Before there was a check it was the grower's word for a sure plant.
const ClaimsLabel = string(identity.Sure)

// Labelled tells whether a planting came labelled from a known source.
func (p *Planting) Labelled() bool { return p.Identity == ClaimsLabel }

func (s *State) addEvidence(rows allRows) error {
	s.Looks, s.FindLook = map[int64][]Look{}, map[int64][]Look{}
	for _, row := range rows.looks {
		l := Look{Row: row}
		day, err := calendar.Parse(row.NotedOn)
		l.Day, l.By = day, row.ByWhom
		err = errors.Join(err, json.Unmarshal([]byte(row.Answers), &l.Answers), json.Unmarshal([]byte(row.Shown), &l.Shown), json.Unmarshal([]byte(row.Photos), &l.Photos))
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
			s.Looks[*row.PlantingID] = append(s.Looks[*row.PlantingID], l)
		} else {
			s.FindLook[*row.FindID] = append(s.FindLook[*row.FindID], l)
		}
	}
	s.Sortings, s.Makings = map[int64][]store.Sorting{}, map[int64][]store.Making{}
	for _, row := range rows.sortings {
		s.Sortings[row.PickingID] = append(s.Sortings[row.PickingID], row)
	}
	for _, row := range rows.makings {
		s.Makings[row.PickingID] = append(s.Makings[row.PickingID], row)
	}
	return nil
}

// AsCore are looks as core judges them.
func AsCore(looks []Look) []identity.Look {
	all := make([]identity.Look, len(looks))
	for i, l := range looks {
		all[i] = l.Look
	}
	return all
}

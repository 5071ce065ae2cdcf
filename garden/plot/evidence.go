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

// addEvidence reads the looks at characters, and takes over from the state before those of
// what nobody looked at since.
func (s *State) addEvidence(before *State) error {
	s.Looks, s.FindLook = map[int64][]Look{}, map[int64][]Look{}
	for at, rows := range s.rows.looks {
		all, id := s.Looks, at.planting
		if at.planting == 0 {
			all, id = s.FindLook, at.find
		}
		if before != nil && !before.Broken[at.planting] && same(before.rows.looks[at], rows) {
			if at.planting != 0 {
				all[id] = before.Looks[id]
			} else {
				all[id] = before.FindLook[id]
			}
			continue
		}
		for _, row := range rows {
			l := Look{Row: row}
			day, err := calendar.Parse(row.NotedOn)
			l.Day, l.By = day, row.ByWhom
			err = errors.Join(
				err,
				json.Unmarshal([]byte(row.Answers), &l.Answers),
				json.Unmarshal([]byte(row.Shown), &l.Shown),
				json.Unmarshal([]byte(row.Photos), &l.Photos),
			)
			if err != nil {
				err = fmt.Errorf("check %d: %w", row.ID, err)
				if at.planting == 0 {
					return err
				}
				// It may have contradicted: without it nothing is proved of the planting.
				s.cannotRead(at.planting, err)
				continue
			}
			all[id] = append(all[id], l)
		}
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

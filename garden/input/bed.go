package input

import (
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// StandingBed returns a bed that has not been removed.
func StandingBed(s *plot.State, id int64) (store.Bed, error) {
	bed, has := s.BedByID[id]
	if !has {
		return bed, say.NotFoundError{What: "bed"}
	}
	if bed.RemovedOn != nil {
		return bed, say.ConflictError{Why: bed.Name + " was removed. Take the removal back in the ledger first."}
	}
	return bed, nil
}

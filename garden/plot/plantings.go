package plot

import (
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/store"
)

// addPlantings reads the plantings with what was noted of each, and takes over from the state
// before what is the same.
func (s *State) addPlantings(before *State) {
	for _, row := range s.rows.plantings {
		p := s.planting(row, before)
		s.ByID[row.ID] = p
		s.EverPlanted = append(s.EverPlanted, p)
		if row.RemovedOn == nil {
			s.Plantings = append(s.Plantings, p)
		}
	}
}

// planting is one planting with all but its forecast and its place.
func (s *State) planting(row store.Planting, before *State) *Planting {
	species, readable := s.Lib.Species(row.SpeciesID)
	started, err := calendar.Parse(row.StartedOn)
	origin, fault := flora.ParseOrigin(row.Origin)
	if err = errors.Join(err, fault); err != nil {
		s.cannotRead(row.ID, fmt.Errorf("planting %d: %w", row.ID, err))
		started, origin = s.Today, flora.OriginRow{Name: "it cannot be read"}
	}
	p := &Planting{
		Planting: row, Species: species, Bed: s.BedByID[row.BedID], Started: started,
		Rules: s.Lib.Rules(row.SpeciesID), Sightings: s.sightingsOf(row.ID, before), Pickings: s.rows.pickings[row.ID],
	}
	var old *Planting
	if before != nil {
		old = before.ByID[row.ID]
	}
	switch {
	case !readable:
		p.setAside(row.SpeciesID)
	case s.Broken[row.ID]:
		p.setAside(species.Names.Name)
	default:
		s.safely(p, func(p *Planting) {
			if old != nil && old.Rules == p.Rules && old.Identity == p.Identity && same(before.Looks[row.ID], s.Looks[row.ID]) {
				p.Finding = old.Finding
			} else {
				p.Finding = p.Rules.Judge(AsCore(s.Looks[row.ID]), p.Labelled())
			}
			p.IdentityState = p.Finding.State
			p.Lifted = liftedSinceCount(p)
		})
	}
	p.OriginRow = origin.For(p.Species.Life.Form)
	return p
}

// sightingsOf are the looks at a planting as core takes them.
func (s *State) sightingsOf(planting int64, before *State) (seen []sighting) {
	rows := s.rows.observations[planting]
	if before != nil && !before.Broken[planting] && same(before.rows.observations[planting], rows) {
		if old := before.ByID[planting]; old != nil {
			return old.Sightings
		}
	}
	for _, row := range rows {
		day, err := calendar.Parse(row.Day)
		stage, fault := flora.ParseStage(row.Stage)
		if err = errors.Join(err, fault); err != nil {
			s.cannotRead(planting, fmt.Errorf("observation %d: %w", row.ID, err))
			continue
		}
		seen = append(
			seen,
			sighting{
				phenology.Sighting{Day: day, Stage: stage, Share: phenology.Share(row.Share), Affirmed: row.Affirmed != 0},
				row,
			},
		)
	}
	return seen
}

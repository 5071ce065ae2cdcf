package plot

import (
	"log/slog"
	"runtime/debug"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// unreadable stands for a plant that the program cannot rely on or cannot work out, as
// after an update: its plantings stay on the plan and keep their notes, and nothing is
// forecast or offered of them.
func unreadable(id, name string) *flora.Species {
	size := flora.Figure{Value: 30, Low: 30, High: 30, Unit: "cm"}
	return &flora.Species{
		ID:    id,
		Names: flora.Names{Name: name + " (its file cannot be read)", Botanical: "see its page under Plants"},
		Life: flora.Life{
			Form:    flora.Perennial,
			FullAge: flora.Figure{Value: 1, Low: 1, High: 1},
		},
		Size: flora.Size{Height: size, Width: size},
		Site: flora.Site{RootReach: size},
	}
}

// setAside leaves a planting out of all that is worked out: one fault in it must not take
// the whole plot away. It stays on the plan, keeps its notes, says so, and is never for use.
func (p *Planting) setAside(name string) {
	p.Aside = true
	p.Species = unreadable(p.SpeciesID, name)
	p.Rules = identity.NewRules(p.Species, nil, true)
	p.Finding = p.Rules.Judge(nil, false)
	p.IdentityState = p.Finding.State
	p.Now, p.Next, p.beforeLook, p.Surprise, p.Windows, p.Lifted = nil, nil, nil, nil, nil, 0
}

// cannotRead leaves a planting aside of which a row cannot be read.
func (s *State) cannotRead(planting int64, err error) {
	slog.Error("a row cannot be read", "planting", planting, "error", err)
	if s.Broken == nil {
		s.Broken = map[int64]bool{}
	}
	s.Broken[planting] = true
}

// safely does work for one planting, which it sets aside where the work fails.
func (s *State) safely(p *Planting, work func(*Planting)) {
	defer func() {
		if fault := recover(); fault != nil {
			slog.Error(
				"a planting cannot be worked out",
				"planting",
				p.ID,
				"species",
				p.SpeciesID,
				"fault",
				fault,
				"stack",
				string(debug.Stack()),
			)
			p.setAside(p.Species.Names.Name)
		}
	}()
	work(p)
}

// Tryout asks of a planting what a page of an area asks of it on a day. What comes of it is
// thrown away: it is asked to see that it can be.
type Tryout func(s *State, p *Planting, on calendar.Date)

// TryOut asks of a planting what the pages ask, so that one that fails there is found while
// it can still be set aside. The library's own plants are tried before they ship.
func (g *Plot) TryOut(s *State, p *Planting) {
	if origin, changed := s.Lib.Origin(p.SpeciesID); !changed || !origin.Own && len(origin.Figures) == 0 {
		return
	}
	s.safely(p, func(p *Planting) {
		for _, on := range []calendar.Date{s.Today, s.Next.Start} {
			for _, try := range g.tries {
				try(s, p, on)
			}
		}
	})
}

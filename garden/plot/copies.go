package plot

import (
	"sync/atomic"
)

// SetDamage notes what is wrong with the plot's file, for every screen to say.
func (g *Plot) SetDamage(what string) {
	g.damage.Store(&what)
	g.health.Add(1)
}

// Damage is what is wrong with the plot's file; empty where nothing is known to be.
func (g *Plot) Damage() string { return textOf(&g.damage) }

// SetCopyTrouble notes why a night's copy could not be kept, empty once one was.
func (g *Plot) SetCopyTrouble(why string) {
	g.copyTrouble.Store(&why)
	g.health.Add(1)
}

func textOf(at *atomic.Pointer[string]) string {
	if text := at.Load(); text != nil {
		return *text
	}
	return ""
}

// CopyTrouble is why the last night's copy could not be kept; empty where one was.
func (g *Plot) CopyTrouble() string { return textOf(&g.copyTrouble) }

package view

import (
	"fmt"

	"bramblyacre/garden/plot"
)

// LackedWater says by how much a planting is reckoned smaller for the water that it lacked this season; nothing where
// that is hardly anything.
func LackedWater(s *plot.State, p *plot.Planting) string {
	const hardly = 0.03
	lost := 1 - s.GrownShare(p)
	if lost < hardly {
		return ""
	}
	standing := s.Lib.Ground().Water.Response.Standing
	return fmt.Sprintf(
		" It lacked water this season, and is reckoned about %.0f %% smaller for it (%s).",
		100*lost,
		standing,
	)
}

package garden

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/harvest"
	"bramblyacre/core/phenology"
)

// span is a harvest window with its first and last likely day. A window that
// runs through the winter is one span over two seasons.
type span struct {
	window      harvest.Window
	first, last calendar.Date
	closes      phenology.Dates
}

// spans returns the planting's windows of this season and the next, joined
// over the winter.
func (s *state) spans(p *planting) []span {
	var spans []span
	for _, w := range p.windows {
		first, last, opens := w.LikelyDays()
		if !opens {
			continue
		}
		joins := false
		for i := range spans {
			if w.FromBefore && spans[i].window.IntoNext && spans[i].window.Part.Name == w.Part.Name && spans[i].last+1 == first {
				spans[i].last, spans[i].closes = last, w.Closes
				joins = true
			}
		}
		if !joins {
			spans = append(spans, span{w, first, last, w.Closes})
		}
	}
	return spans
}

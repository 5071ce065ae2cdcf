package plot

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/harvest"
	"bramblyacre/core/phenology"
)

// Span is a harvest window with its first and last likely day. A window that
// runs through the winter is one span over two seasons.
type Span struct {
	Window      harvest.Window
	First, Last calendar.Date
	Closes      phenology.Dates
}

// Spans returns the planting's windows of this season and the next, joined
// over the winter.
func (s *State) Spans(p *Planting) []Span {
	var spans []Span
	for _, w := range p.Windows {
		first, last, opens := w.LikelyDays()
		if !opens {
			continue
		}
		joins := false
		for i := range spans {
			if w.FromBefore && spans[i].Window.IntoNext && spans[i].Window.Part.Name == w.Part.Name && spans[i].Last+1 == first {
				spans[i].Last, spans[i].Closes = last, w.Closes
				joins = true
			}
		}
		if !joins {
			spans = append(spans, Span{w, first, last, w.Closes})
		}
	}
	return spans
}

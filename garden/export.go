package garden

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// Event is a window or a job as a calendar holds it.
type Event struct {
	// UID is the same each time the event is worked out.
	UID         string
	First, Last calendar.Date
	Summary     string
	Description string
	Place       string
}

// CalendarData is what a calendar file is made of.
type CalendarData struct {
	Name   string
	At     time.Time
	Events []Event
}

// Calendar returns the windows and jobs from today on, as far as they are
// forecast.
func (g *Garden) Calendar(ctx context.Context) (CalendarData, error) {
	s, err := g.state(ctx)
	if err != nil {
		return CalendarData{}, err
	}
	data := CalendarData{Name: s.site.Name, At: g.Clock().UTC()}
	for _, p := range s.plantings {
		for _, span := range s.spans(p) {
			if span.last < s.today || s.refusal(p, span.window.Part, max(span.first, s.today)) != nil {
				continue
			}
			v := s.viewWindow(p, span, max(span.first, s.today))
			data.Events = append(data.Events, Event{
				UID:   fmt.Sprintf("window-%d-%s-%s@brambly-acre", p.ID, strings.ReplaceAll(span.window.Part.Name, " ", "-"), span.window.Season().Start),
				First: span.first, Last: span.last, Place: p.bed.Name,
				Summary: fmt.Sprintf("%s %s", v.Verb, partOf(p.species.Names.Name, v.Part)),
				Description: fmt.Sprintf("%s. Opens %s; closes %s. %s", v.Amount, v.Opens.Text, v.Closes.Text,
					s.joinCautions(p.species, v.Part)),
			})
		}
		for _, j := range s.careJobs(p, s.today) {
			if j.Last >= s.today {
				data.Events = append(data.Events, Event{
					UID: j.Key + "@brambly-acre", First: j.First, Last: j.Last, Place: p.bed.Name,
					Summary: j.view.Verb + " " + j.view.What, Description: j.view.Amount + ". " + j.view.Reason,
				})
			}
		}
	}
	slices.SortStableFunc(data.Events, func(a, b Event) int { return int(a.First - b.First) })
	return data, nil
}

func (s *state) joinCautions(species *flora.Species, part string) string {
	return "Cautions: " + strings.Join(s.cautionLines(species, part), " ")
}

// PickingRow is a picking for a file.
type PickingRow struct {
	Day, Bed, Plant, Botanical, Part string
	Units                            float64
	UnitName                         string
	Grams                            float64
	ShareOfStand                     float64
	OverAllowance                    bool
	Note                             string
}

// Pickings returns every picking, the oldest first.
func (g *Garden) Pickings(ctx context.Context) ([]PickingRow, error) {
	s, err := g.state(ctx)
	if err != nil {
		return nil, err
	}
	rows := []PickingRow{}
	for _, p := range s.all {
		for _, picking := range p.pickings {
			row := PickingRow{
				Day: picking.Day, Bed: p.bed.Name, Plant: p.species.Names.Name, Botanical: p.species.Names.Botanical, Part: picking.Part,
				Units: picking.Units, Grams: picking.Grams, ShareOfStand: picking.Share, OverAllowance: picking.TookAnyway != 0, Note: picking.Note,
			}
			if part, has := p.species.Part(picking.Part); has && part.Harvest != nil {
				row.UnitName = part.Harvest.Many
			}
			rows = append(rows, row)
		}
	}
	slices.SortStableFunc(rows, func(a, b PickingRow) int {
		return compareTexts(a.Day, b.Day, a.Bed, b.Bed, a.Plant, b.Plant, a.Part, b.Part)
	})
	return rows, nil
}

// ObservationRow is an observation for a file.
type ObservationRow struct {
	Day, Bed, Plant, Botanical string
	Stage                      flora.Stage
	Share                      string
	HeightCm, WidthCm          *float64
	Marks, Note                string
}

// Observations returns every observation, the oldest first.
func (g *Garden) Observations(ctx context.Context) ([]ObservationRow, error) {
	s, err := g.state(ctx)
	if err != nil {
		return nil, err
	}
	rows := []ObservationRow{}
	for _, p := range s.all {
		for _, seen := range p.sightings {
			rows = append(rows, ObservationRow{
				Day: seen.row.Day, Bed: p.bed.Name, Plant: p.species.Names.Name, Botanical: p.species.Names.Botanical, Stage: seen.Stage,
				Share: seen.row.Share, HeightCm: inCm(seen.row.HeightM), WidthCm: inCm(seen.row.WidthM), Marks: seen.row.Marks, Note: seen.row.Note,
			})
		}
	}
	slices.SortStableFunc(rows, func(a, b ObservationRow) int {
		return compareTexts(a.Day, b.Day, a.Bed, b.Bed, a.Plant, b.Plant)
	})
	return rows, nil
}

func inCm(metres *float64) *float64 {
	if metres == nil {
		return nil
	}
	cm := *metres * 100
	return &cm
}

// compareTexts compares pairs of texts until one pair differs.
func compareTexts(pairs ...string) int {
	for i := 0; i+1 < len(pairs); i += 2 {
		if pairs[i] < pairs[i+1] {
			return -1
		}
		if pairs[i] > pairs[i+1] {
			return 1
		}
	}
	return 0
}

package now

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// CalendarData is what a calendar file is made of.
type CalendarData struct {
	Name   string
	At     time.Time
	Events []area.Event
}

// Calendar returns the windows and jobs from today on, as far as they are
// forecast.
func (u *Uses) Calendar(ctx context.Context) (CalendarData, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return CalendarData{}, err
	}
	data := CalendarData{Name: s.Site.Name, At: u.plot.Clock().UTC()}
	for _, p := range s.Plantings {
		for _, span := range s.Spans(p) {
			if span.Last < s.Today || view.Refusal(s, p, span.Window.Part, max(span.First, s.Today)) != nil {
				continue
			}
			v := view.ViewWindow(s, p, span, max(span.First, s.Today))
			data.Events = append(data.Events, area.Event{
				UID: fmt.Sprintf(
					"window-%d-%s-%s@brambly-acre",
					p.ID,
					strings.ReplaceAll(span.Window.Part.Name, " ", "-"),
					span.Window.Season().Start,
				),
				First:   span.First,
				Last:    span.Last,
				Place:   p.Bed.Name,
				Summary: fmt.Sprintf("%s %s", v.Verb, say.PartOf(p.Species.Names.Name, v.Part)),
				Description: fmt.Sprintf("%s. Opens %s; closes %s. %s", v.Amount, v.Opens.Text, v.Closes.Text,
					joinCautions(s, p.Species, v.Part)),
			})
		}
		for _, j := range careJobs(s, p, s.Today) {
			data.add(s, j)
		}
		for _, source := range u.jobSources {
			for _, j := range source.Of(s, p, s.Today) {
				if j.View.Kind == "spread" {
					data.add(s, j)
				}
			}
		}
	}
	for _, source := range u.jobSources {
		if source.Dated != nil {
			data.Events = append(data.Events, source.Dated(s)...)
		}
		if source.Plot == nil {
			continue
		}
		for _, j := range source.Plot(s, s.Today) {
			if j.View.Kind == "bench" || j.View.Kind == "spread" {
				data.add(s, j)
			}
		}
	}
	slices.SortStableFunc(data.Events, func(a, b area.Event) int { return int(a.First - b.First) })
	return data, nil
}

// add adds a job that is not over.
func (d *CalendarData) add(s *plot.State, j area.Job) {
	if j.Last < s.Today {
		return
	}
	d.Events = append(d.Events, area.Event{
		UID: j.Key + "@brambly-acre", First: j.First, Last: j.Last, Place: j.View.Bed,
		Summary: j.View.Verb + " " + j.View.What, Description: j.View.Amount + ". " + j.View.Reason,
	})
}

func joinCautions(s *plot.State, species *flora.Species, part string) string {
	return "Cautions: " + strings.Join(view.CautionLines(s, species, part), " ")
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
func (u *Uses) Pickings(ctx context.Context) ([]PickingRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []PickingRow{}
	for _, p := range s.EverPlanted {
		for _, picking := range p.Pickings {
			row := PickingRow{
				Day:           picking.Day,
				Bed:           p.Bed.Name,
				Plant:         p.Species.Names.Name,
				Botanical:     p.Species.Names.Botanical,
				Part:          picking.Part,
				Units:         picking.Units,
				Grams:         picking.Grams,
				ShareOfStand:  picking.Share,
				OverAllowance: picking.TookAnyway != 0,
				Note:          picking.Note,
			}
			if part, has := p.Species.Part(picking.Part); has && part.Harvest != nil {
				row.UnitName = part.Harvest.Many
			}
			rows = append(rows, row)
		}
	}
	slices.SortStableFunc(rows, func(a, b PickingRow) int {
		return say.CompareTexts(a.Day, b.Day, a.Bed, b.Bed, a.Plant, b.Plant, a.Part, b.Part)
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
func (u *Uses) Observations(ctx context.Context) ([]ObservationRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []ObservationRow{}
	for _, p := range s.EverPlanted {
		for _, seen := range p.Sightings {
			rows = append(rows, ObservationRow{
				Day:       seen.Row.Day,
				Bed:       p.Bed.Name,
				Plant:     p.Species.Names.Name,
				Botanical: p.Species.Names.Botanical,
				Stage:     seen.Stage,
				Share:     seen.Row.Share,
				HeightCm:  inCm(seen.Row.HeightM),
				WidthCm:   inCm(seen.Row.WidthM),
				Marks:     seen.Row.Marks,
				Note:      seen.Row.Note,
			})
		}
	}
	slices.SortStableFunc(rows, func(a, b ObservationRow) int {
		return say.CompareTexts(a.Day, b.Day, a.Bed, b.Bed, a.Plant, b.Plant)
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

package season

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// FeastInput is a day on which so much of a part must be ready.
type FeastInput struct {
	Name      string `json:"name"`
	Day       string `json:"day"`
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
	Amount    string `json:"amount" doc:"As typed: 200 g dried, 1 lb, 12 cups"`
	// MeasureWeighs is what one of a measure in the amount weighs, where it was asked.
	MeasureWeighs string `json:"measureWeighs,omitempty" doc:"What one cup or jar weighs, as typed; kept"`
}

// FeastView is such a day.
type FeastView struct {
	ID     int64  `json:"id"`
	Name   string `json:"name"`
	Day    string `json:"day"`
	Words  string `json:"words" doc:"What must be ready, and when"`
	IsPast bool   `json:"isPast"`
}

// PlanFeast notes a day on which so much of a part must be ready.
func (u *Uses) PlanFeast(ctx context.Context, in FeastInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		species, part, err := takenPart(s, &c, in.SpeciesID, in.Part)
		if err != nil {
			return journal.Record{}, err
		}
		day := input.ReadComingDay(s, &c, "day", in.Day)
		row := store.PutFeastParams{
			Name: c.Name("name", in.Name), Day: day.String(), SpeciesID: in.SpeciesID, Part: in.Part,
		}
		if row.Name == "" && !c.Has("name") {
			c.Add("name", "Say what it is for: a market, a feast.")
		}
		if part.Harvest == nil {
			return journal.Record{}, c.Err()
		}
		amount, weighed := input.ReadNeed(s, &c, species, part, in.Amount, in.MeasureWeighs)
		row.Grams, row.Typed = amount, c.Text("amount", in.Amount, say.LongestNote)
		if amount <= 0 && !c.Has("amount") && !c.Has("measureWeighs") {
			c.Add("amount", "Say how much must be ready, for example 200 g dried.")
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		if weighed != nil {
			if _, err := plot.MeasuresTable.Put(ctx, d, 0, *weighed); err != nil {
				return journal.Record{}, err
			}
		}
		_, err = feastsTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: kindSeason, Summary: fmt.Sprintf(
			"%s, %s: %s of %s, fresh, must be ready", row.Name, day.DayMonthYear(), s.Units.Weight(row.Grams),
			say.PartOf(species.Names.Name, part.Name),
		)}, err
	})
}

// DropFeast takes such a day off.
func (u *Uses) DropFeast(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		for _, row := range feasts.Of(s) {
			if row.ID == id {
				return journal.Record{Kind: kindSeason, Summary: row.Name + " asks for nothing any more"},
					feastsTable.Drop(ctx, d, id)
			}
		}
		return journal.Record{}, say.NotFoundError{What: "feast or market"}
	})
}

// takenPart is a part that can be taken, with its species; a fault where it is none.
func takenPart(s *plot.State, c *say.Checklist, speciesID, name string) (*flora.Species, flora.Part, error) {
	species, has := s.Lib.Species(speciesID)
	if !has {
		return nil, flora.Part{}, say.NotFoundError{What: "plant"}
	}
	part, has := species.Part(name)
	if !has || part.Harvest == nil {
		c.Add("part", "%s has no part called %q that is taken.", say.Capital(species.Names.Name), name)
		return species, flora.Part{}, nil
	}
	return species, part, nil
}

func viewFeasts(s *plot.State) []FeastView {
	views := []FeastView{}
	for _, row := range feasts.Of(s) {
		name := row.SpeciesID
		if species, has := s.Lib.Species(row.SpeciesID); has {
			name = species.Names.Name
		}
		v := FeastView{ID: row.ID, Name: row.Name, Day: row.Day, IsPast: row.Day < s.Today.String()}
		if day, err := calendar.Parse(row.Day); err == nil {
			v.Words = fmt.Sprintf("%s of %s by %s", row.Typed, say.PartOf(name, row.Part), day.DayMonthYear())
		}
		views = append(views, v)
	}
	return views
}

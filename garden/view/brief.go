package view

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// PlantingBrief names a planting and says how it stands on a day.
type PlantingBrief struct {
	ID         int64       `json:"id"`
	Version    say.Version `json:"version"`
	BedID      int64       `json:"bedId"`
	Bed        string      `json:"bed"`
	SpeciesID  string      `json:"speciesId"`
	Name       string      `json:"name"`
	Botanical  string      `json:"botanical"`
	Plants     int         `json:"plants"`
	PlantWords string      `json:"plantWords" doc:"7 plants, third year, from a division"`
	Identity   string      `json:"identity"`
	Stage      flora.Stage `json:"stage"`
	StageWords string      `json:"stageWords"`
	SeenWords  string      `json:"seenWords"`
	Height     string      `json:"height"`
	Width      string      `json:"width"`
}

// Brief says how a planting stands on a day.
func Brief(s *plot.State, p *plot.Planting, on calendar.Date) PlantingBrief {
	forecast, year := s.ForecastOn(p, on)
	b := PlantingBrief{
		ID:         p.ID,
		Version:    say.VersionOf(p.Planting),
		BedID:      p.BedID,
		Bed:        p.Bed.Name,
		SpeciesID:  p.SpeciesID,
		Name:       p.Species.Names.Name,
		Botanical:  p.Species.Names.Botanical,
		Plants:     p.Standing(),
		Identity:   string(p.IdentityState),
		PlantWords: say.Counted(float64(p.Standing()), "plant", "plants") + ", " + p.OriginRow.Name,
		SeenWords:  seenWords(s, p),
	}
	if year > 0 { // one that was removed has no year to be in
		b.PlantWords = fmt.Sprintf(
			"%s, %s, %s",
			say.Counted(float64(p.Standing()), "plant", "plants"),
			say.YearWords(year),
			p.OriginRow.Name,
		)
	}
	if forecast == nil {
		b.StageWords = "has lived its life"
		return b
	}
	index, chance := forecast.MostOn(on)
	b.Stage = forecast.Stages[index]
	b.StageWords = b.Stage.String()
	if chance < 0.75 {
		b.StageWords += ", " + say.InTen(chance)
	}
	size := forecast.SizeOn(p.Species, year, on)
	scale := s.MeasuredScale(p)
	b.Height, b.Width = s.Units.PlantLength(size.Height*scale), s.Units.PlantLength(size.Width*scale)
	return b
}

// seenWords says when a planting was last looked at.
func seenWords(s *plot.State, p *plot.Planting) string {
	if len(p.Sightings) == 0 {
		return "never looked at"
	}
	last := p.Sightings[len(p.Sightings)-1]
	day := last.Day.DayMonth()
	switch {
	case last.Day == s.Today:
		day = "today"
	case last.Day.Year() != s.Today.Year():
		day += fmt.Sprintf(" %d", last.Day.Year())
	}
	return fmt.Sprintf("seen %s: %s, %s", day, last.Stage, last.Share)
}

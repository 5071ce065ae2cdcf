package garden

import (
	"context"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/harvest"
)

// RibbonView is the plot's year as the ribbon draws it.
type RibbonView struct {
	Start calendar.Date `json:"start"`
	End   calendar.Date `json:"end"`
	Today calendar.Date `json:"today"`
	// Frost is the chance of a night at or below 0 °C, Soil the usual warmth
	// at sowing depth in °C, both by day.
	Frost []float64 `json:"frost"`
	Soil  []float64 `json:"soil"`
	// SoilTop is the soil's warmest day, in the grower's units.
	SoilTop string `json:"soilTop"`
	// Open is how many windows are open in each week.
	Open []int `json:"open"`
}

// Ribbon returns the season that a day lies in.
func (g *Garden) Ribbon(ctx context.Context, on calendar.Date) (RibbonView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return RibbonView{}, err
	}
	g.mu.Lock()
	err = s.sky.climatology(s.season)
	g.mu.Unlock()
	if err != nil {
		return RibbonView{}, err
	}
	season := s.season
	if s.next.Contains(on) {
		season = s.next
	}
	v := RibbonView{Start: season.Start, End: season.End, Today: s.today}
	top := math.Inf(-1)
	for i := range season.Days() {
		// A leap year has a day that the usual year may lack.
		j := min(i, len(s.sky.frost)-1)
		v.Frost = append(v.Frost, math.Round(s.sky.frost[j]*100)/100)
		v.Soil = append(v.Soil, math.Round(s.sky.soil[j]*10)/10)
		top = math.Max(top, s.sky.soil[j])
	}
	v.SoilTop = s.units.Temperature(top)
	for week := season.Start; week <= season.End; week += 7 {
		open := 0
		for _, p := range s.plantings {
			for _, w := range p.windows {
				if w.OpenOn(min(week+3, season.End)) && harvest.MayUse(p.species, w.Part, p.identity, p.ground) == nil {
					open++
				}
			}
		}
		v.Open = append(v.Open, open)
	}
	return v, nil
}

package now

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
	// SoilWords is the same in the grower's units.
	SoilWords []string `json:"soilWords" doc:"The soil's warmth by day, in the grower's units"`
	// Open is how many windows are open in each week.
	Open []int `json:"open"`
}

// Ribbon returns the season that a day lies in.
func (u *Uses) Ribbon(ctx context.Context, on calendar.Date) (RibbonView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return RibbonView{}, err
	}
	season := s.Season
	if s.Next.Contains(on) {
		season = s.Next
	}
	v := RibbonView{Start: season.Start, End: season.End, Today: s.Today}
	for i := range season.Days() {
		// A leap year has a day that the usual year may lack.
		j := min(i, len(s.Sky.Frost)-1)
		v.Frost = append(v.Frost, math.Round(s.Sky.Frost[j]*100)/100)
		v.Soil = append(v.Soil, math.Round(s.Sky.Soil[j]*10)/10)
		v.SoilWords = append(v.SoilWords, s.Units.Temperature(s.Sky.Soil[j]))
	}
	for week := season.Start; week <= season.End; week += 7 {
		open := 0
		for _, p := range s.Plantings {
			for _, w := range p.Windows {
				if w.OpenOn(min(week+3, season.End)) && harvest.MayUse(p.Species, w.Part, p.IdentityState, p.Ground) == nil {
					open++
				}
			}
		}
		v.Open = append(v.Open, open)
	}
	return v, nil
}

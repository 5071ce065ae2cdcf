package view

import (
	"fmt"
	"math"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// pastWords say how much of a part is past its stage already; empty for next to nothing.
func pastWords(forecast *phenology.Forecast, rule *flora.HarvestRule, on calendar.Date) string {
	past := harvest.PastShare(forecast, rule, on)
	if past < 0.05 {
		return ""
	}
	return fmt.Sprintf("About %.0f of 10 are past it.", math.Max(1, math.Round(10*past)))
}

// soonDays is how far ahead waiting for more is held against a part's age.
const soonDays = 14

// ageWords say how good a part is now against its best, what its age does to it, and what waiting would do.
func ageWords(forecast *phenology.Forecast, part flora.Part, on calendar.Date) string {
	const nearly = 0.95
	now, later := harvest.StageQuality(forecast, part, on), harvest.StageQuality(forecast, part, on.AddDays(soonDays))
	ready := harvest.ReadyShare(forecast, part.Harvest, on)
	soon := harvest.ReadyShare(forecast, part.Harvest, on.AddDays(soonDays))
	if now == 0 || len(part.Keep.Quality) == 0 {
		return part.Keep.Falls
	}
	words := "It is at its best now."
	if now < nearly {
		words = fmt.Sprintf("It is at about %.0f %% of its best now.", 100*now)
	}
	switch {
	case later == 0 || soon < 0.1:
		words += " In two weeks it is over."
	case soon > ready+0.1 && later < now-0.05:
		words += fmt.Sprintf(" In two weeks more are ready, at about %.0f %% of their best.", 100*later)
	case later < now-0.05:
		words += fmt.Sprintf(" In two weeks it is at about %.0f %%.", 100*later)
	case later > now+0.05:
		words += " It gets better within two weeks."
	}
	return strings.TrimSpace(words + " " + part.Keep.Falls)
}

// takenWords say how often a part was taken this year and before, and what that left.
func takenWords(s *plot.State, p *plot.Planting, part flora.Part, on calendar.Date, a harvest.Allowance) string {
	var days []string
	before := 0
	season := calendar.SeasonOf(s.Site.Latitude, on)
	for _, picking := range p.Pickings {
		day, err := calendar.Parse(picking.Day)
		switch {
		case err != nil || picking.Part != part.Name || day > on:
		case season.Contains(day):
			days = append(days, day.DayMonth())
		default:
			before++
		}
	}
	var words string
	switch {
	case len(days) == 0 && before == 0:
		return "Never taken."
	case len(days) == 0:
		words = fmt.Sprintf("Not taken yet this year; %s before.", say.Counted(float64(before), "time", "times"))
	default:
		words = fmt.Sprintf("Taken this year on %s", say.Joined(days))
		if before > 0 {
			words += fmt.Sprintf(", %s before", say.Counted(float64(before), "time", "times"))
		}
		words += "."
	}
	if missing := a.Full - a.Standing; missing >= 1 {
		words += fmt.Sprintf(" %.0f of %s are not there again yet.", math.Round(missing),
			say.Counted(math.Round(a.Full), part.Harvest.One, part.Harvest.Many))
	}
	return words
}

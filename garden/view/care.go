package view

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/care"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/spread"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// CareDue is a row of a plant's care with its days this season, whether it is wanted of a planting, and why.
type CareDue struct {
	Row  flora.Care
	Work care.Work
	// First and Last are the days on which it can be done, BestFirst and BestLast those on which it is done best.
	First, Last, BestFirst, BestLast calendar.Date
	// Closes is when its time is over at the latest.
	Closes phenology.Dates
	Wanted bool
	// Why says what, besides its stage, asks for it or speaks against it; empty for nothing.
	Why string
	// Minutes is the work on the whole planting.
	Minutes float64
}

// CareKey is what a planting's job of a row is kept by, with the year in which its season began.
func CareKey(p *plot.Planting, row string, year int) string {
	return fmt.Sprintf("care:%d:%s:%d", p.ID, row, year)
}

// CareOf are the rows of care of a planting in the season of a day, wanted or not, each with its days. A row whose
// stage does not come has none and is left out, as is one for other years of its life.
func CareOf(s *plot.State, p *plot.Planting, on calendar.Date) []CareDue {
	var all []CareDue
	forecast, year := s.ForecastOn(p, on)
	if forecast == nil {
		return nil
	}
	for _, row := range p.Species.Care {
		if !row.IsIn(year) {
			continue
		}
		for _, due := range careDays(s, p, forecast, row) {
			due.Row, due.Work = row, s.Lib.Care().WorkOf(row)
			due.Minutes = math.Max(2, float64(p.Standing())*row.MinutesEach.Value)
			judgeCare(s, p, forecast, year, &due)
			all = append(all, due)
		}
	}
	return all
}

// careDays are the days of a row in a season: by the nights where it is to be done before one, else by its stages.
func careDays(s *plot.State, p *plot.Planting, forecast *phenology.Forecast, row flora.Care) (all []CareDue) {
	if row.ByNight.Unit != "" {
		ensemble, err := s.Sky.Ensemble(forecast.Season)
		if err != nil {
			return nil
		}
		nights, comes := NightsBefore(s, p, ensemble, row.ByNight.Value)
		if !comes {
			return nil
		}
		return []CareDue{{
			First: nights.First, Last: nights.Last, BestFirst: nights.First, BestLast: nights.Best,
			Why: fmt.Sprintf("Before nights of %s: %s.", s.Units.Temperature(row.ByNight.Value), nights.ChanceWords()),
		}}
	}
	for _, band := range forecast.Bands(row.From, row.Until, row.From) {
		first, last, opens := band.LikelyDays()
		if !opens {
			continue
		}
		due := CareDue{First: first, Last: last, Closes: band.Closes}
		due.BestFirst, due.BestLast, _ = band.BestDays()
		all = append(all, due)
	}
	return all
}

// judgeCare says whether a row is wanted, and why.
func judgeCare(s *plot.State, p *plot.Planting, forecast *phenology.Forecast, year int, due *CareDue) {
	// What a row does not ask about is not worked out: of three hundred plantings that would be a tenth of a second.
	row := due.Row
	situation := care.Situation{
		Year: year, YearsSince: care.Never, MulchCm: 100 * p.Bed.MulchM, TooRich: isTooRich(p),
		NightsTold: nightsTold(p.Species, row),
	}
	if row.UntilHeight.Unit != "" || row.UntilWidth.Unit != "" {
		situation.HeightCm, situation.WidthCm = sizeNow(s, p, forecast, year, max(min(s.Today, due.Last), due.First))
	}
	if row.Every.Unit != "" || due.Work.Name == care.Renew {
		situation.YearsSince = yearsSinceCare(s, p, row.ID, forecast.Season)
		situation.Crowded = isCrowded(s, p.BedID)
	}
	if name := due.Work.Name; name == care.Water || name == care.Mulch {
		if w, err := s.Water(p.Bed); err == nil && w != nil {
			situation.KnowsWater, situation.Short = true, w.DryNow || w.DryP50 != plot.NoDay
		}
	}
	verdict := care.Judge(due.Row, due.Work, situation)
	due.Wanted = verdict.Wanted
	if words, held := heldWords(s, p, due.Work.Name); held {
		due.Wanted, due.Why = false, words
		return
	}
	if why := careWords(s, due, verdict, situation); why != "" {
		due.Why = why
	}
	if due.Work.Name == care.BeforeSeed && due.Wanted && spread.SeedWay(p.Species) != nil {
		due.Why = strings.TrimSpace(due.Why + " " + LateWords(forecast, s.Today))
	}
}

// heldWords say that work against spreading is asked for by how a stand is held, or not at all where it may run; false
// for other work, and where nobody said how it is held.
func heldWords(s *plot.State, p *plot.Planting, work string) (words string, held bool) {
	if work != care.Hold && work != care.BeforeSeed {
		return "", false
	}
	row, ways, has := s.HoldOf(p.ID)
	_, beheads := ways.Of(spread.Behead)
	switch {
	case !has:
		return "", false
	case plot.Policy(row.Policy) == plot.PolicyFree:
		return "It is free to run, as you said under Spread.", true
	case work == care.BeforeSeed && !beheads:
		return "", false
	}
	return "It is asked for by how you hold it, under Spread.", true
}

// sizeNow is how tall and wide a planting's plants are on a day in cm: as they are expected to be, or as they were
// measured where that is more.
func sizeNow(
	s *plot.State,
	p *plot.Planting,
	forecast *phenology.Forecast,
	year int,
	on calendar.Date,
) (heightCm, widthCm float64) {
	size := forecast.SizeOn(p.Species, year, on)
	size.Width *= s.MeasuredScale(p)
	if seen, measured := lastMeasured(p, forecast.Season, on); measured {
		size.Height, size.Width = math.Max(size.Height, seen.Height), math.Max(size.Width, seen.Width)
	}
	return 100 * size.Height, 100 * size.Width
}

// lastMeasured is the size that was measured last in a season up to a day.
func lastMeasured(p *plot.Planting, season calendar.Season, on calendar.Date) (size phenology.Size, measured bool) {
	for _, seen := range p.Sightings {
		if !season.Contains(seen.Day) || seen.Day > on {
			continue
		}
		if h := seen.Row.HeightM; h != nil {
			size.Height, measured = *h, true
		}
		if w := seen.Row.WidthM; w != nil {
			size.Width, measured = *w, true
		}
	}
	return size, measured
}

// longestMemory is for how many years back work that was done is asked for.
const longestMemory = 15

func yearsSinceCare(s *plot.State, p *plot.Planting, row string, season calendar.Season) int {
	for years := 1; years <= longestMemory; years++ {
		if answer, has := s.Answer(CareKey(p, row, season.Start.Year()-years)); has && answer.Answer == "done" {
			return years
		}
	}
	return care.Never
}

// nightsTold tells whether a row is of shelter at stages at which single nights harm the plant: those nights are told.
func nightsTold(species *flora.Species, row flora.Care) bool {
	return row.ByNight.Unit == "" && slices.ContainsFunc(species.Tender, func(frost flora.Tender) bool {
		return frost.From != frost.Until && row.From < frost.Until && frost.From < row.Until
	})
}

// isTooRich tells whether a bed's ground is said to be richer than a plant wants.
func isTooRich(p *plot.Planting) bool {
	said := slices.Index(flora.FertilityWords, p.Bed.Fertility)
	return said > slices.Index(flora.FertilityWords, p.Species.Site.Fertility.To) && said >= 0
}

// isCrowded tells whether the plants of a bed cover more ground than it has.
func isCrowded(s *plot.State, bedID int64) bool {
	taken := 0.0
	for _, p := range s.StandingIn(bedID) {
		taken += suitability.Stand{Species: p.Species, Plants: p.Standing(), Year: p.Year}.AreaInYears(0)
	}
	return taken > s.AreaM2(bedID)
}

// careWords say what asks for work or speaks against it.
func careWords(s *plot.State, due *CareDue, verdict care.Verdict, at care.Situation) string {
	size := fmt.Sprintf(
		"It is about %s tall and %s wide", s.Units.PlantLength(at.HeightCm/100), s.Units.PlantLength(at.WidthCm/100))
	switch verdict.Reason {
	case care.GroundDry:
		return "Its ground is dry or soon will be: water first, for mulch keeps dry ground dry."
	case care.IsCrowded:
		return "What stands in its bed has grown into each other's room."
	case care.StillSmall:
		return fmt.Sprintf("%s; go on until it is %s.", size, untilWords(s, due.Row))
	case care.LargeEnough:
		return fmt.Sprintf("%s: large enough, from %s on.", size, untilWords(s, due.Row))
	case care.YearsAgo:
		return fmt.Sprintf("Done last %s ago.", say.Counted(float64(at.YearsSince), "year", "years"))
	case care.DoneLately:
		return fmt.Sprintf(
			"Done %s ago; it comes again after %d years.",
			say.Counted(float64(at.YearsSince), "year", "years"),
			verdict.Again,
		)
	case care.BedIsWatered:
		return "Its bed is watered when its ground has lost what it can spare."
	case care.Mulched:
		return fmt.Sprintf("%s of mulch lie there already.", s.Units.PlantLength(at.MulchCm/100))
	case care.OnTheNight:
		return "It is asked for on the evening before such a night."
	case care.TooRich:
		return "Its ground is said to be richer than it wants."
	}
	return ""
}

func untilWords(s *plot.State, row flora.Care) string {
	var sizes []string
	if row.UntilHeight.Unit != "" {
		sizes = append(sizes, s.Units.PlantLength(row.UntilHeight.Value/100)+" tall")
	}
	if row.UntilWidth.Unit != "" {
		sizes = append(sizes, s.Units.PlantLength(row.UntilWidth.Value/100)+" wide")
	}
	return say.Joined(sizes)
}

// CostWords say what leaving a row's work costs.
func (due CareDue) CostWords() string {
	words := due.Work.Leaving
	if due.Row.Irreversible {
		words += " It cannot be made good."
	}
	return words
}

// nitrogenWords warn of what too much food does where flowers are taken.
func nitrogenWords(species *flora.Species) string {
	for _, part := range species.Parts {
		if part.Harvest != nil && (part.Kind == "flower" || part.Kind == "top") {
			return "Once, and not much: fed freely it makes leaf at the cost of flowers."
		}
	}
	return "Once, and not much: what it cannot take up is washed out."
}

// WhyWords say why a row's work is done, with what asks for it here.
func (due CareDue) WhyWords(species *flora.Species) string {
	words := due.Row.Why
	if due.Why != "" {
		words += " " + due.Why
	}
	if due.Work.Name == care.Feed {
		words += " " + nitrogenWords(species)
	}
	return words
}

// CareView is a row of care of a planting as its page shows it.
type CareView struct {
	What   string `json:"what" doc:"Pinch the tips of young plants"`
	Days   string `json:"days"`
	Wanted bool   `json:"wanted" doc:"It is asked for when its days come"`
	Done   bool   `json:"done" doc:"It was noted as done this season"`
	Why    string `json:"why"`
	Cost   string `json:"cost" doc:"What leaving it costs"`
	Work   string `json:"work"`
}

// ViewCare is the care of a planting in the season of a day, by its days.
func ViewCare(s *plot.State, p *plot.Planting, on calendar.Date) []CareView {
	all := []CareView{}
	due := CareOf(s, p, on)
	slices.SortStableFunc(due, func(a, b CareDue) int { return int(a.First - b.First) })
	for _, one := range due {
		v := CareView{
			What: one.Row.Verb + " " + one.Row.What, Days: calendar.Span(one.First, one.Last), Wanted: one.Wanted,
			Why: one.WhyWords(p.Species), Cost: one.CostWords(), Work: one.Work.Name,
		}
		if !one.Wanted {
			v.Why = one.Why
		}
		if forecast, _ := s.ForecastOn(p, on); forecast != nil {
			answer, has := s.Answer(CareKey(p, one.Row.ID, forecast.Season.Start.Year()))
			v.Done = has && answer.Answer == "done"
		}
		all = append(all, v)
	}
	return all
}

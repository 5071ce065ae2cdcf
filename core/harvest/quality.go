package harvest

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
)

// StageQuality returns how good what is ready of a part is on a day, as a share of its best, by the stages that the
// plants are at: of a stage of which nothing is on record it is as good as at the one before. 0 where nothing is ready.
func StageQuality(f *phenology.Forecast, part flora.Part, day calendar.Date) float64 {
	rule, sum, ready, last := part.Harvest, 0.0, 0.0, 1.0
	for k, share := range f.SharesOn(day) {
		if !f.Between(k, rule.From, rule.Until) {
			continue
		}
		if figure, on := part.Keep.Quality[f.Stages[k].String()]; on {
			last = figure.Value
		}
		sum, ready = sum+share*last, ready+share
	}
	if ready == 0 {
		return 0
	}
	return sum / ready
}

// PastShare returns the share of plants that have left a rule's stages behind by a day, 0–1; none of a part that is
// taken through the winter, whose stages end with the next year's growth.
func PastShare(f *phenology.Forecast, rule *flora.HarvestRule, day calendar.Date) float64 {
	if f.ThroughWinter(rule.From, rule.Until) {
		return 0
	}
	past, within := 0.0, false
	for k, share := range f.SharesOn(day) {
		is := f.Between(k, rule.From, rule.Until)
		if within && !is {
			past += share
		}
		within = within || is
	}
	return min(1, past)
}

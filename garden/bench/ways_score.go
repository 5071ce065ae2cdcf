package bench

import (
	"strings"

	"bramblyacre/garden/plot"
)

// scoreOf weighs the ways by what counts to the grower: each quality from 0 for the worst of the
// ways to 1 for the best.
func scoreOf(
	s *plot.State,
	all []*variant,
	costs map[*variant]cost,
	weights WeightsView,
) (map[*variant]float64, map[*variant]string) {
	type quality struct {
		weight float64
		of     func(*variant) (float64, bool) // more is worse
		best   string
	}
	today := s.Today
	qualities := []quality{
		{weights.Soon, func(v *variant) (float64, bool) {
			return float64(v.attempt.Weathers.Date(v.outlook.Out.P50).DaysSince(today)), v.outlook.DatesKnown
		}, "soonest"},
		{weights.Cheap, func(v *variant) (float64, bool) { return costs[v].money, costs[v].moneyKnown }, "cheapest"},
		{weights.Certain, func(v *variant) (float64, bool) { return -v.outlook.Chance, v.outlook.ChanceKnown }, "surest"},
		{weights.Easy, func(v *variant) (float64, bool) { return costs[v].minutes, true }, "least work"},
	}
	scores, because := map[*variant]float64{}, map[*variant]string{}
	for _, q := range qualities {
		low, high, any := 0.0, 0.0, false
		for _, v := range all {
			if value, known := q.of(v); known && v.possible {
				if !any {
					low, high, any = value, value, true
				}
				low, high = min(low, value), max(high, value)
			}
		}
		for _, v := range all {
			value, known := q.of(v)
			share := 0.0 // what is not known counts as the worst
			if known && any {
				share = 1
				if high > low {
					share = min(max((high-value)/(high-low), 0), 1)
				}
			}
			scores[v] += q.weight * share
			if share == 1 && high > low && v.possible {
				because[v] = strings.TrimPrefix(because[v]+", "+q.best, ", ")
			}
		}
	}
	return scores, because
}

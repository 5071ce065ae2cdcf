package harvest

import (
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
)

// DryEnough tells whether the day at index i of the weather ends a run of as
// many dry days as the rule asks for. A rule that asks for none is always met;
// days before the weather begins, and days whose rain was not read, count as wet.
func DryEnough(rule *flora.HarvestRule, weather []climate.Day, i int) bool {
	if rule.DryDays == nil {
		return true
	}
	for back := range int(rule.DryDays.Value) {
		if j := i - back; j < 0 || j >= len(weather) || !weather[j].HasRain() || weather[j].Wet() {
			return false
		}
	}
	return true
}

// NextDryDay returns the index of the first day, from i on, that DryEnough
// holds for, or false if the weather shows none.
func NextDryDay(rule *flora.HarvestRule, weather []climate.Day, i int) (int, bool) {
	for ; i < len(weather); i++ {
		if DryEnough(rule, weather, i) {
			return i, true
		}
	}
	return 0, false
}

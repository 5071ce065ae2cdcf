package say

import (
	"bramblyacre/core/flora"
)

// CompareTexts compares pairs of texts until one pair differs.
func CompareTexts(pairs ...string) int {
	for i := 0; i+1 < len(pairs); i += 2 {
		if pairs[i] < pairs[i+1] {
			return -1
		}
		if pairs[i] > pairs[i+1] {
			return 1
		}
	}
	return 0
}

// CompareBools orders false before true.
func CompareBools(a, b bool) int {
	switch {
	case a == b:
		return 0
	case a:
		return 1
	}
	return -1
}

// Distinct leaves out a stage that stands twice, as the rest at both ends.
func Distinct(stages []flora.Stage) []flora.Stage {
	var once []flora.Stage
	had := map[flora.Stage]bool{}
	for _, stage := range stages {
		if !had[stage] {
			had[stage] = true
			once = append(once, stage)
		}
	}
	return once
}

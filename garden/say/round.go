package say

import (
	"bramblyacre/core/flora"
)

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

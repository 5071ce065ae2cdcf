package view

import (
	"slices"

	"bramblyacre/core/identity"
	"bramblyacre/garden/say"
)

func CheckAnswers(c *say.Checklist, rules *identity.Rules, answers map[string]string) {
	if len(answers) == 0 {
		c.Add("answers", "Answer at least one question.")
	}
	for id, answer := range answers {
		if _, known := rules.Species.Identity.Shows[id]; !known {
			c.Add("answers", "%q is no character on record for %s.", id, rules.Species.Names.Name)
		}
		if _, err := identity.ParseAnswer(answer); err != nil {
			c.AddError("answers", err)
		}
	}
	slices.SortFunc(c.Faults, func(a, b say.Fault) int {
		return slices.Compare([]string{a.Field, a.Message}, []string{b.Field, b.Message})
	})
}

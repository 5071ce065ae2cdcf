package input

import (
	"math"
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
)

// ReadMinutes reads the time that there is on a day, in whole minutes; nil where nothing is said.
func ReadMinutes(c *say.Checklist, field, text string) *int64 {
	if strings.TrimSpace(text) == "" {
		return nil
	}
	minutes, err := unit.Parse(unit.Duration, text, "min")
	switch {
	case err != nil:
		c.AddError(field, err)
		return nil
	case minutes < 0 || minutes > 24*60:
		c.Add(field, "A day has no more than 24 hours.")
		return nil
	}
	whole := int64(math.Round(minutes))
	return &whole
}

package input

import (
	"cmp"
	"strconv"
	"strings"

	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// DrierInput is how a drier is.
type DrierInput struct {
	Trays     string `json:"trays" doc:"How many; empty for nobody said"`
	Tray      string `json:"tray" doc:"The space of one, as typed: its area, or width × depth"`
	Warmth    string `json:"warmth" doc:"As typed"`
	MovingAir bool   `json:"movingAir"`
}

// ReadDrier reads how a drier is into what stands of it.
func ReadDrier(s *plot.State, c *say.Checklist, in DrierInput, row *store.PutGatherSettingsParams) {
	// What is shown is rounded: what stands is not changed by saving it unchanged.
	if in.Tray != s.Units.SmallArea(row.TrayM2) {
		row.TrayM2 = readTray(s, c, in.Tray)
	}
	if in.Warmth != s.Units.Temperature(row.Celsius) {
		row.Celsius = readWarmth(s, c, in.Warmth)
	}
	row.MovingAir = 0
	if in.MovingAir {
		row.MovingAir = 1
	}
	row.Trays = nil
	if text := strings.TrimSpace(in.Trays); text != "" {
		trays, err := strconv.ParseInt(text, 10, 64)
		if err != nil || trays < 0 || trays > mostTrays {
			c.Add("trays", "Count the trays: a whole number from 0 to %d.", mostTrays)
		}
		row.Trays = &trays
	}
}

const mostTrays = 1000

// readTray reads the space of a tray in m²: as an area, or as width by depth.
func readTray(s *plot.State, c *say.Checklist, text string) float64 {
	const least, most = 0.005, 4
	m2 := 0.0
	// A unit that stands behind the depth alone holds for both.
	wide, deep, by := strings.Cut(strings.NewReplacer("×", "x", " by ", "x").Replace(strings.ToLower(text)), "x")
	if by {
		_, common, _ := unit.SplitNumber(strings.TrimSpace(deep))
		width, err := unit.Parse(unit.Length, wide, cmp.Or(strings.TrimSpace(common), s.Units.LengthUnit()))
		depth, err2 := unit.Parse(unit.Length, deep, s.Units.LengthUnit())
		if err != nil || err2 != nil {
			c.Add("tray", "Write its width and depth, for example 30 × 40 cm.")
			return plot.UnsaidTrayM2
		}
		m2 = width * depth
	} else if area, err := unit.Parse(unit.Area, text, "m²"); err != nil {
		c.Add("tray", "Write its width and depth, for example 30 × 40 cm.")
		return plot.UnsaidTrayM2
	} else {
		m2 = area
	}
	if !(m2 >= least && m2 <= most) {
		c.Add("tray", "A tray has from %.0f cm² to %d m².", least*1e4, most)
		return plot.UnsaidTrayM2
	}
	return m2
}

func readWarmth(s *plot.State, c *say.Checklist, text string) float64 {
	const least, most = 5, 90
	celsius, err := unit.Parse(unit.Temperature, text, s.Units.TemperatureUnit())
	switch {
	case err != nil:
		c.AddError("warmth", err)
	case !(celsius >= least && celsius <= most):
		c.Add("warmth", "A drier or a room has from %s to %s.", s.Units.Temperature(least), s.Units.Temperature(most))
	default:
		return celsius
	}
	return plot.UnsaidCelsius
}

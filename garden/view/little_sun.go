package view

import (
	"fmt"

	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// LittleSun says that a planting has less sun than its kind is well in, and so flowers and bears less; nothing where it
// has enough, or where nobody knows the sun of its bed.
func LittleSun(s *plot.State, p *plot.Planting) string {
	if p.Aside || !flowers(p.Species) {
		return ""
	}
	hours, measured := s.SummerHours(p.Bed)
	wants := p.Species.Site.Sun
	if !measured && len(s.SunHours[p.BedID]) == 0 || hours >= wants.From {
		return ""
	}
	return fmt.Sprintf(
		"It has %s of sun a day here and is well from %s: expect fewer flowers, and less fruit and seed (%s).",
		say.HoursWords(hours),
		say.HoursWords(wants.From),
		wants.Standing,
	)
}

// flowers tells whether a species ever comes into flower.
func flowers(species *flora.Species) bool {
	for _, year := range species.Growth.Years {
		for _, rule := range year.Stages {
			if rule.Stage == flora.FullFlower || rule.Stage == flora.FirstFlower {
				return true
			}
		}
	}
	return false
}

// ofFlowering are the stages that only a plant that flowers comes to.
var ofFlowering = []flora.Stage{flora.InBud, flora.FirstFlower, flora.FullFlower, flora.SettingSeed, flora.Ripe}

// sunNotices are what little sun means to a part that is of the flower: it begins at a stage of flower or fruit.
func sunNotices(s *plot.State, p *plot.Planting, rule *flora.HarvestRule) []string {
	for _, stage := range ofFlowering {
		if rule.From == stage {
			if words := LittleSun(s, p); words != "" {
				return []string{words}
			}
		}
	}
	return nil
}

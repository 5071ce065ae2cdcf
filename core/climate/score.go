package climate

import (
	"math"

	"bramblyacre/core/calendar"
)

// Score is how outlooks so many days ahead stood against what came.
type Score struct {
	Ahead int
	// Days is how many days were compared, WetDays of how many the rain was read.
	Days, WetDays int
	// OffC is by how much an extreme was off in the mean, in °C, UsualOffC by how much what is usual
	// on the day would have been.
	OffC, UsualOffC float64
	// Inside is the share of extremes that fell within the band that 8 in 10 were said to.
	Inside float64
	// Brier is the mean square of the chance of rain that was said less what came (1 or 0), UsualBrier that
	// of the usual chance: 0 is perfect (Brier 1950, Monthly Weather Review 78).
	Brier, UsualBrier float64
}

// Skill is by how much the outlook was nearer than what is usual, for warmth: 1 is perfect, 0 no better.
func (s Score) Skill() float64 {
	if s.UsualOffC == 0 {
		return 0
	}
	return 1 - s.OffC/s.UsualOffC
}

// Said is an outlook with the day that it was said on.
type Said struct {
	On      calendar.Date
	Outlook []Expected
}

// ScoreOutlooks compares outlooks with what came, by the days ahead, 1 first. came gives what was read of a
// day; what was not read is not compared. Days ahead of which nothing can be compared have 0 Days.
func (g *Generator) ScoreOutlooks(said []Said, came func(calendar.Date) Day) []Score {
	longest := 0
	for _, one := range said {
		longest = max(longest, len(one.Outlook))
	}
	scores := make([]Score, longest)
	for i := range scores {
		s := &scores[i]
		s.Ahead = i + 1
		for _, one := range said {
			if i >= len(one.Outlook) {
				continue
			}
			day, e := one.On.AddDays(i+1), one.Outlook[i]
			truth := came(day)
			usual, _, _, wetShare, _ := g.Usual(day)
			if truth.HasWarmth() {
				s.Days++
				for _, pair := range [][3]float64{{truth.TMin, e.TMin, usual.TMin}, {truth.TMax, e.TMax, usual.TMax}} {
					off := math.Abs(pair[0] - pair[1])
					s.OffC += off / 2
					s.UsualOffC += math.Abs(pair[0]-pair[2]) / 2
					if off <= EightInTen*e.Spread {
						s.Inside += 0.5
					}
				}
			}
			if truth.HasRain() {
				s.WetDays++
				wet := 0.0
				if truth.Wet() {
					wet = 1
				}
				s.Brier += (e.WetChance - wet) * (e.WetChance - wet)
				s.UsualBrier += (wetShare - wet) * (wetShare - wet)
			}
		}
		if n := float64(s.Days); n > 0 {
			s.OffC, s.UsualOffC, s.Inside = s.OffC/n, s.UsualOffC/n, s.Inside/n
		}
		if n := float64(s.WetDays); n > 0 {
			s.Brier, s.UsualBrier = s.Brier/n, s.UsualBrier/n
		}
	}
	return scores
}

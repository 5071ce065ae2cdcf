package spread

// SeedsOf is what became of all seed of a stand by the end of a run under a plan, and how much lies in the ground.
func (p *Ready) SeedsOf(plan Plan, run int) (fell, lost, cameUp, bank float64) {
	c := p.seedCourse(plan, run, p.lives(plan, p.courses(plan), run))
	for gen := range generations {
		bank += c.bank[gen][Years]
	}
	return c.fell, c.lost, c.cameUp, bank
}

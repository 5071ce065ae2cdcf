package plot

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/store"
)

// LookedAt says when a planting was looked at last; nothing where it never was.
func LookedAt(p *Planting) string {
	if len(p.Sightings) == 0 {
		return "Never looked at, so wide."
	}
	return ""
}

// Planting is one planting with everything known of it.
type Planting struct {
	store.Planting
	Species   *flora.Species
	Bed       store.Bed
	Started   calendar.Date
	OriginRow flora.OriginRow
	// rules are what has to be seen of it, finding what the looks amount to, and
	// identity the state that they leave it in.
	Rules         *identity.Rules
	Finding       identity.Finding
	IdentityState identity.State
	// ground is the gravest unsafe ground that it reaches, findings all of it.
	Ground   suitability.UnsafeGround
	Findings []Finding
	// area is its part of the bed, spots where its plants stand on the plan.
	Area  plan.Area
	Spots []geometry.Point

	Sightings []sighting
	Pickings  []store.Picking

	// year is the year of life in the current season.
	Year int
	// now and next are the forecasts of this season and the next; nil for a
	// plant that does not live to see it.
	Now, Next *phenology.Forecast
	Surprise  *phenology.Surprise
	// beforeLook works this season's forecast out as it would be without the last look; nil
	// where there was none this season.
	beforeLook func() *phenology.Forecast
	// course is what the forecast follows from, besides the looks.
	course courseOf
	// past is what was learned of its pace before this season.
	past    *paceAtStart
	Windows []harvest.Window // of this season and the next
	// lifted is how many plants went with their roots since they were counted.
	Lifted int
	// aside is true where its plant cannot be read or worked out.
	Aside bool
}

// sighting is an observation as core takes it.
type sighting struct {
	phenology.Sighting
	Row store.Observation
}

// liftedSinceCount sums the plants that went with their roots since the
// planting was last counted, without those whose crowns were put back.
func liftedSinceCount(p *Planting) int {
	lifted := 0.0
	for _, picking := range p.Pickings {
		part, has := p.Species.Part(picking.Part)
		if has && part.Harvest != nil && part.Harvest.TakesPlant && p.LiftedAfterCount(picking) {
			lifted += picking.Units - picking.CrownsBack
		}
	}
	return int(lifted + 0.5)
}

// Standing is how many plants stand today.
func (p *Planting) Standing() int { return max(0, int(p.Plants)-p.Lifted) }

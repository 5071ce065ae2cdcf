package garden

import (
	"context"
	"fmt"
	"math"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// PlotView is the plan of the plot on a day.
type PlotView struct {
	Day       calendar.Date `json:"day"`
	WidthM    float64       `json:"widthM"`
	DepthM    float64       `json:"depthM"`
	AreaWords string        `json:"areaWords"`
	ScaleM    float64       `json:"scaleM" doc:"A length for the scale bar"`
	ScaleText string        `json:"scaleText"`
	Beds      []BedView     `json:"beds"`
}

// BedView is a bed with what stands in it.
type BedView struct {
	ID        int64         `json:"id"`
	Name      string        `json:"name"`
	XM        float64       `json:"xM"`
	YM        float64       `json:"yM"`
	WidthM    float64       `json:"widthM"`
	DepthM    float64       `json:"depthM"`
	X         string        `json:"x"`
	Y         string        `json:"y"`
	Width     string        `json:"width"`
	Depth     string        `json:"depth"`
	Turn      float64       `json:"turn"`
	SunHours  float64       `json:"sunHours"`
	Moisture  string        `json:"moisture"`
	Unsafe    string        `json:"unsafe"`
	UnsafeWhy string        `json:"unsafeWhy"`
	Note      string        `json:"note"`
	Words     string        `json:"words"`
	Area      string        `json:"area"`
	Plantings []PlantedView `json:"plantings"`
}

// PlantedView is a planting on the plan.
type PlantedView struct {
	PlantingBrief
	Middle Spot    `json:"middle"`
	WidthM float64 `json:"widthM" doc:"Of its part of the bed"`
	DepthM float64 `json:"depthM" doc:"Of its part of the bed"`
	Spots  []Spot  `json:"spots" doc:"Where each plant stands; the first of them where they are many"`
	PlantM float64 `json:"plantM" doc:"The width of one plant on the day"`
	Open   bool    `json:"open" doc:"Something may be taken on the day"`
}

// PlantingBrief names a planting and says how it stands on a day.
type PlantingBrief struct {
	ID         int64       `json:"id"`
	BedID      int64       `json:"bedId"`
	Bed        string      `json:"bed"`
	SpeciesID  string      `json:"speciesId"`
	Name       string      `json:"name"`
	Botanical  string      `json:"botanical"`
	Plants     int         `json:"plants"`
	PlantWords string      `json:"plantWords" doc:"7 plants, third year, from a division"`
	Identity   string      `json:"identity"`
	Stage      flora.Stage `json:"stage"`
	StageWords string      `json:"stageWords"`
	SeenWords  string      `json:"seenWords"`
	Height     string      `json:"height"`
	Width      string      `json:"width"`
	KeepsLeaf  bool        `json:"keepsLeaf"`
}

// Plot returns the plan on a day.
func (g *Garden) Plot(ctx context.Context, on calendar.Date) (PlotView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return PlotView{}, err
	}
	v := PlotView{Day: on, WidthM: s.site.WidthM, DepthM: s.site.DepthM, AreaWords: s.units.Area(s.site.WidthM * s.site.DepthM), Beds: []BedView{}}
	v.ScaleM, v.ScaleText = 5, "5 m"
	if s.units == "us" {
		const twentyFeet = 20 * 0.3048
		v.ScaleM, v.ScaleText = twentyFeet, "20 ft"
	}
	for _, bed := range s.beds {
		b := BedView{
			ID: bed.ID, Name: bed.Name, XM: bed.XM, YM: bed.YM, WidthM: bed.WidthM, DepthM: bed.DepthM, Turn: bed.TurnDeg,
			X: s.units.GroundLength(bed.XM), Y: s.units.GroundLength(bed.YM), Width: s.units.GroundLength(bed.WidthM), Depth: s.units.GroundLength(bed.DepthM),
			SunHours: bed.SunHours, Moisture: bed.Moisture, Unsafe: bed.Unsafe, Note: bed.Note,
			Words: fmt.Sprintf("%s · %s h sun", bed.Moisture, number(bed.SunHours)), Area: s.units.Area(bed.WidthM * bed.DepthM),
			Plantings: []PlantedView{},
		}
		var here []*planting
		for _, p := range s.plantings {
			if p.BedID == bed.ID {
				here = append(here, p)
				b.UnsafeWhy = p.ground.Why()
			}
		}
		for i, area := range layOut(bed, here) {
			p := here[i]
			planted := PlantedView{PlantingBrief: s.brief(p, on), Middle: area.middle, WidthM: area.width, DepthM: area.depth, Spots: area.plants}
			if forecast, year := s.on(p, on); forecast != nil {
				planted.PlantM = forecast.SizeOn(p.species, year, on).Width * s.measuredScale(p)
				planted.PlantM = math.Min(planted.PlantM, 1.2*math.Max(area.width, area.depth))
			}
			planted.Open = s.readyWords(p, on) != ""
			b.Plantings = append(b.Plantings, planted)
		}
		v.Beds = append(v.Beds, b)
	}
	return v, nil
}

// brief says how a planting stands on a day.
func (s *state) brief(p *planting, on calendar.Date) PlantingBrief {
	forecast, year := s.on(p, on)
	b := PlantingBrief{
		ID: p.ID, BedID: p.BedID, Bed: p.bed.Name, SpeciesID: p.SpeciesID, Name: p.species.Names.Name, Botanical: p.species.Names.Botanical,
		Plants: p.standing(), Identity: string(p.identity), KeepsLeaf: p.species.Life.KeepsLeaf,
		PlantWords: fmt.Sprintf("%s, %s, %s", counted(float64(p.standing()), "plant", "plants"), yearWords(year), p.origin.Name),
		SeenWords:  s.seenWords(p),
	}
	if forecast == nil {
		b.StageWords = "has lived its life"
		return b
	}
	index, chance := forecast.StageOn(on)
	b.Stage = forecast.Stages[index]
	b.StageWords = b.Stage.String()
	if chance < 0.75 {
		b.StageWords += ", " + inTen(chance)
	}
	size := forecast.SizeOn(p.species, year, on)
	scale := s.measuredScale(p)
	b.Height, b.Width = s.units.PlantLength(size.Height*scale), s.units.PlantLength(size.Width*scale)
	return b
}

// seenWords says when a planting was last looked at.
func (s *state) seenWords(p *planting) string {
	if len(p.sightings) == 0 {
		return "never looked at"
	}
	last := p.sightings[len(p.sightings)-1]
	day := last.Day.DayMonth()
	switch {
	case last.Day == s.today:
		day = "today"
	case last.Day.Year() != s.today.Year():
		day += fmt.Sprintf(" %d", last.Day.Year())
	}
	return fmt.Sprintf("seen %s: %s, %s", day, last.Stage, last.Share)
}

package weather

import (
	"context"
	"fmt"
	"math"
	"time"

	"gonum.org/v1/gonum/stat"

	"bramblyacre/core/climate"
	"bramblyacre/core/suitability"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// ClimateView is the climate behind the weather, as it is at the plot.
type ClimateView struct {
	Name      string      `json:"name"`
	Kind      string      `json:"kind"`
	Height    string      `json:"height" doc:"What the plot's height makes of the climate's figures"`
	Months    []MonthView `json:"months" doc:"January first"`
	Zone      string      `json:"zone"`
	ZoneWords string      `json:"zoneWords"`
	Frosts    []FrostView `json:"frosts"`
	Rains     string      `json:"rains" doc:"When the rains set in; empty where there is no dry season"`
	Soil      string      `json:"soil"`
	Beds      []BedNights `json:"beds"`
	Scale     []ScaleMark `json:"scale"`
}

// MonthView is a month as it usually is.
type MonthView struct {
	Name     string  `json:"name"`
	LowC     float64 `json:"lowC"`
	HighC    float64 `json:"highC"`
	RainMM   float64 `json:"rainMm"`
	Rain     string  `json:"rain"`
	WetDays  float64 `json:"wetDays"`
	Frost    float64 `json:"frost" doc:"The share of its nights that freeze"`
	DayHours float64 `json:"dayHours"`
	SoilC    float64 `json:"soilC"`
	MulchedC float64 `json:"mulchedC"`
	Words    string  `json:"words"`
}

// FrostView is when nights of a strength end and begin.
type FrostView struct {
	Threshold string       `json:"threshold"`
	For       string       `json:"for" doc:"Whose limit it is; empty for none's own"`
	Dates     []FrostDates `json:"dates"`
}

// FrostDates are the days for one chance.
type FrostDates struct {
	Chance string `json:"chance"`
	Last   string `json:"last" doc:"After this day such a night comes in no more years than that"`
	First  string `json:"first" doc:"By this day such a night has come in so many years"`
}

// BedNights is how a bed's nights and days lie to the plot's.
type BedNights struct {
	BedID int64  `json:"bedId"`
	Name  string `json:"name"`
	Words string `json:"words"`
}

// mulchShownM is the mulch that the soil's warmth is shown under, soilShownM the depth, in m.
const mulchShownM, soilShownM = 0.08, 0.05

// Climate explains the climate as it is at the plot, with the frost dates of a plant's own limit where one is
// named.
func (u *Uses) Climate(ctx context.Context, speciesID string) (ClimateView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return ClimateView{}, err
	}
	base, has := s.Lib.Climate(s.Site.ClimateID)
	if !has {
		return ClimateView{}, say.NotFoundError{What: "climate"}
	}
	v := ClimateView{
		Name:   base.Name,
		Kind:   base.Kind,
		Height: heightWords(s, base),
		Frosts: []FrostView{},
		Beds:   []BedNights{},
		Scale:  scale(s),
	}
	if v.Months, err = months(s); err != nil {
		return v, err
	}
	v.Zone, v.ZoneWords = zoneWords(s)
	for _, threshold := range []float64{0, -2, -4} {
		v.Frosts = append(v.Frosts, frostsOf(s, threshold, ""))
	}
	if speciesID != "" {
		species, has := s.Lib.Species(speciesID)
		if !has {
			return v, say.Faults{{Field: "species", Message: "Choose a plant of the library."}}
		}
		for _, tender := range species.Tender {
			v.Frosts = append(v.Frosts, frostsOf(s, tender.Below.Value, fmt.Sprintf("%s: %s", species.Names.Name, tender.Does)))
		}
	}
	v.Rains = rainsWords(s)
	v.Soil = soilWords(s, v.Months)
	for _, bed := range s.Beds {
		if bed.RemovedOn == nil {
			v.Beds = append(v.Beds, BedNights{bed.ID, bed.Name, view.SpotOf(s, bed).Words})
		}
	}
	return v, nil
}

func heightWords(s *plot.State, base climate.Normals) string {
	cooler := (s.Site.AltitudeM - base.HeightM) * climate.LapseRate
	if math.Abs(cooler) < 0.05 {
		return fmt.Sprintf("The climate's figures hold for %s, where the plot lies.", s.Units.GroundLength(base.HeightM))
	}
	how := "cooler"
	if cooler < 0 {
		how = "warmer"
	}
	return fmt.Sprintf(
		"The climate's figures hold for %s. The plot lies at %s and is reckoned %s %s for it.",
		s.Units.GroundLength(
			base.HeightM,
		),
		s.Units.GroundLength(s.Site.AltitudeM),
		s.Units.TemperatureDifference(math.Abs(cooler)),
		how,
	)
}

func months(s *plot.State) ([]MonthView, error) {
	usual, normals := s.Sky.Usual, s.Sky.Normals()
	lag, err := climate.SoilLag(soilShownM, 0)
	if err != nil {
		return nil, err
	}
	slow, err := climate.SoilLag(soilShownM, mulchShownM)
	if err != nil {
		return nil, err
	}
	soil, mulched := usual.MeanSoilCourse(lag), usual.MeanSoilCourse(slow)
	all := make([]MonthView, 12)
	days := make([]float64, 12)
	for i := range soil {
		day := usual.Season.Start.AddDays(i)
		m := int(day.Month()) - 1
		days[m]++
		all[m].SoilC += soil[i]
		all[m].MulchedC += mulched[i]
		hours, err := climate.DayLength(s.Site.Latitude, day)
		if err != nil {
			return nil, err
		}
		all[m].DayHours += hours
		for member := range usual.Size() {
			if usual.Weather(member)[i].TMin <= 0 {
				all[m].Frost += 1 / float64(usual.Size())
			}
		}
	}
	for m := range all {
		v := &all[m]
		v.Name = time.Month(m + 1).String()
		v.SoilC, v.MulchedC, v.DayHours, v.Frost = v.SoilC/days[m], v.MulchedC/days[m], v.DayHours/days[m], v.Frost/days[m]
		v.LowC, v.HighC, v.RainMM, v.WetDays = normals.TMin[m], normals.TMax[m], normals.Rain[m], normals.WetDays[m]
		v.Rain = s.Units.Rain(v.RainMM)
		v.Words = fmt.Sprintf(
			"%s: %s, %s of rain on %s, %s of daylight, %.0f nights in 10 freeze; soil %s, under mulch %s",
			v.Name,
			s.Units.Temperatures(v.LowC, v.HighC),
			s.Units.Rain(v.RainMM),
			say.Counted(math.Round(v.WetDays), "day", "days"),
			fmt.Sprintf("%.1f h", v.DayHours),
			10*v.Frost,
			s.Units.Temperature(v.SoilC),
			s.Units.Temperature(v.MulchedC),
		)
	}
	return all, nil
}

// zoneYears is the years that a zone is the mean of, as the zones' map has it.
const zoneYears = 30

// zoneWords are the hardiness zone with its half, and between which it may lie: the mean of the lowest nights
// of thirty years is itself unsure.
func zoneWords(s *plot.State) (zone, words string) {
	mean, spread := stat.MeanStdDev(s.Sky.Usual.YearlyLowest(), nil)
	off := climate.EightInTen * spread / math.Sqrt(zoneYears)
	zone = suitability.HardinessZone(mean)
	low, high := suitability.HardinessZone(mean-off), suitability.HardinessZone(mean+off)
	words = fmt.Sprintf("The coldest night of a year has %s in the mean, and %s in 8 winters of 10.",
		s.Units.Temperature(mean), s.Units.Temperatures(mean-climate.EightInTen*spread, mean+climate.EightInTen*spread))
	if low != high {
		words += fmt.Sprintf(" Over %d years it would be told as %s to %s.", zoneYears, low, high)
	}
	return zone, words
}

// frostsOf are the frost dates of a threshold in °C.
func frostsOf(s *plot.State, threshold float64, whose string) FrostView {
	v := FrostView{Threshold: s.Units.Temperature(threshold), For: whose, Dates: []FrostDates{}}
	for _, chance := range []float64{0.5, 0.2, 0.1} {
		dates := s.Sky.Usual.FrostDates(threshold, chance)
		one := FrostDates{Chance: fmt.Sprintf("%.0f in 10", 10*chance), Last: "none", First: "none"}
		if dates.HasLast {
			one.Last = dates.Last.DayMonth()
		}
		if dates.HasFirst {
			one.First = dates.First.DayMonth()
		}
		v.Dates = append(v.Dates, one)
	}
	return v
}

func rainsWords(s *plot.State) string {
	onset, has := s.Sky.Usual.RainsOnset(s.Sky.Normals())
	if !has {
		return ""
	}
	words := fmt.Sprintf("The rains set in about %s, between %s and %s in 8 years of 10: three days with more than %s.",
		onset.P50.DayMonth(), onset.P10.DayMonth(), onset.P90.DayMonth(), s.Units.Rain(20))
	if onset.Share < 0.9 {
		words += fmt.Sprintf(" In %s they do within the season at all.", say.InTen(onset.Share))
	}
	return words
}

// soilWords say what mulch does to the warmth of the soil.
func soilWords(s *plot.State, all []MonthView) string {
	warm, cold := 0, 0
	for m := range all {
		if all[m].SoilC > all[warm].SoilC {
			warm = m
		}
		if all[m].SoilC < all[cold].SoilC {
			cold = m
		}
	}
	return fmt.Sprintf("Soil where seed lies has %s in %s and %s in %s; under a hand of mulch %s and %s.",
		s.Units.Temperature(all[warm].SoilC), all[warm].Name, s.Units.Temperature(all[cold].SoilC), all[cold].Name,
		s.Units.Temperature(all[warm].MulchedC), s.Units.Temperature(all[cold].MulchedC))
}

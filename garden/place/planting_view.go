package place

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// PlantingView is everything about one planting on a day.
type PlantingView struct {
	view.PlantingBrief
	Day         calendar.Date `json:"day"`
	SeasonStart calendar.Date `json:"seasonStart"`
	SeasonEnd   calendar.Date `json:"seasonEnd"`
	Today       calendar.Date `json:"today"`
	Family      string        `json:"family"`
	OtherNames  []string      `json:"otherNames"`
	StartedOn   string        `json:"startedOn"`
	Origin      string        `json:"origin"`
	StartYear   int64         `json:"startYear" doc:"The year of its life that it was in when it was set; 0 where nobody said"`
	Labelled    bool          `json:"labelled"`
	Source      string        `json:"source" doc:"Whose label it came with"`
	Proof       string        `json:"proof" doc:"What its checks amount to"`
	Area        string        `json:"area" doc:"The area as entered, empty where plants are counted"`
	Note        string        `json:"note"`
	Removed     bool          `json:"removed"`
	Unsafe      string        `json:"unsafe"`

	Ground     []view.GroundNotice  `json:"ground" doc:"Unsafe ground and poisoning trees that its roots or crown reach"`
	Neighbours []view.Neighbour     `json:"neighbours" doc:"What stands within reach of a spade"`
	Fates      []FateView           `json:"fates" doc:"Whether it throve or failed, as noted"`
	Stages     []view.StageBand     `json:"stages" doc:"The year's stages in order"`
	Shares     []StageShare         `json:"shares" doc:"Share of plants at each stage on the day"`
	Seen       []SeenMark           `json:"seen" doc:"This season's looks"`
	Windows    []view.WindowView    `json:"windows"`
	Allowance  []view.AllowanceView `json:"allowances"`
	Owed       []view.OwedCheck     `json:"owed" doc:"Checks before it is sure"`
	Moved      *view.MovedView      `json:"moved,omitempty"`
	Pace       string               `json:"pace"`
	Standing   string               `json:"standing" doc:"The weakest standing the forecast rests on"`
	Looks      []PastLook           `json:"looks" doc:"The looks at it, the newest first"`
	Care       []view.CareView      `json:"care" doc:"The care of its year, by its days"`
	History    []journal.LedgerLine `json:"history"`
	LookAlike  []view.OwedCheck     `json:"lookAlikes"`
	Verdicts   []PartVerdict        `json:"verdicts"`
	Options    []flora.Stage        `json:"options" doc:"Every stage of its year"`
	Expected   flora.Stage          `json:"expected"`
}

// StageShare is the share of plants at a stage.
type StageShare struct {
	Stage flora.Stage `json:"stage"`
	Share float64     `json:"share"`
	Words string      `json:"words" doc:"3 in 10"`
}

// SeenMark is a look as the year's drawing shows it.
type SeenMark struct {
	Day   calendar.Date `json:"day"`
	Stage flora.Stage   `json:"stage"`
	Share string        `json:"share"`
}

// PastLook is a look as the planting's page lists it.
type PastLook struct {
	Day    calendar.Date `json:"day"`
	Words  string        `json:"words" doc:"in bud, half; 1.2 m tall; 6 plants"`
	Marks  []string      `json:"marks" doc:"Signs of trouble, each of which has a page"`
	Note   string        `json:"note"`
	Photos []string      `json:"photos"`
}

// mostPastLooks is how many looks a page lists.
const mostPastLooks = 40

// pastLooks are the looks at a planting, the newest first.
func pastLooks(s *plot.State, p *plot.Planting) []PastLook {
	all := []PastLook{}
	for i := len(p.Sightings) - 1; i >= 0 && len(all) < mostPastLooks; i-- {
		seen := p.Sightings[i]
		words := fmt.Sprintf("%s, %s", seen.Stage, seen.Share)
		if h := seen.Row.HeightM; h != nil {
			words += "; " + s.Units.PlantLength(*h) + " tall"
		}
		if w := seen.Row.WidthM; w != nil {
			words += "; " + s.Units.PlantLength(*w) + " wide"
		}
		if n := seen.Row.Counted; n != nil {
			words += "; " + say.Counted(float64(*n), "plant", "plants")
		}
		all = append(all, PastLook{seen.Day, words, view.ListOf(seen.Row.Marks), seen.Row.Note, view.ListOf(seen.Row.Photos)})
	}
	return all
}

// PartVerdict is what a part may serve for.
type PartVerdict struct {
	Part     string   `json:"part"`
	Verdicts []string `json:"verdicts"`
	Use      string   `json:"use"`
	Standing string   `json:"standing"`
}

const (
	mostHistory = 60
	// leastShare is the share of plants from which a stage is told.
	leastShare = 0.02
)

// Planting returns one planting on a day.
func (u *Uses) Planting(ctx context.Context, id int64, on calendar.Date) (PlantingView, error) {
	s, on, err := u.plot.StateOn(ctx, on)
	if err != nil {
		return PlantingView{}, err
	}
	p, has := s.ByID[id]
	if !has {
		return PlantingView{}, say.NotFoundError{What: "planting"}
	}
	v := viewPlanting(s, p, on)
	v.History, err = u.plot.Journal.LedgerLines(ctx, journal.LedgerFilter{PlantingID: id, Most: mostHistory})
	return v, err
}

// tryPlanting asks for a planting's page.
func tryPlanting(s *plot.State, p *plot.Planting, on calendar.Date) { viewPlanting(s, p, on) }

// viewPlanting is a planting on a day, without its history.
func viewPlanting(s *plot.State, p *plot.Planting, on calendar.Date) PlantingView {
	season := s.Season
	if s.Next.Contains(on) {
		season = s.Next
	}
	v := PlantingView{
		PlantingBrief: view.Brief(s, p, on),
		Day:           on,
		SeasonStart:   season.Start,
		SeasonEnd:     season.End,
		Today:         s.Today,
		Family:        p.Species.Names.Family,
		OtherNames:    []string{},
		StartedOn:     p.StartedOn,
		Origin:        p.Origin,
		Labelled:      p.Labelled(),
		Source:        p.IdentityNote,
		Proof:         view.ProofWords(s, p.Rules, p.Finding, s.Looks[p.ID], p.Labelled()),
		Note:          p.Note,
		Removed:       p.RemovedOn != nil,
		Unsafe:        string(p.Ground),
		Stages:        []view.StageBand{},
		Shares:        []StageShare{},
		Seen:          []SeenMark{},
		Windows:       []view.WindowView{},
		Allowance:     []view.AllowanceView{},
		Owed: owed(
			s,
			p,
		),
		LookAlike:  view.ViewLookAlikes(identity.LookAlikes(p.Species)),
		Moved:      view.Moved(s, p),
		Options:    []flora.Stage{},
		Ground:     view.Notices(p),
		Neighbours: view.Neighbours(s, p),
		Fates:      viewFates(s.Fates[p.ID]),
		Looks:      pastLooks(s, p),
		Care:       []view.CareView{},
	}
	if p.StartYear != nil {
		v.StartYear = *p.StartYear
	}
	if p.AreaM2 != nil {
		v.Area = s.Units.Area(*p.AreaM2)
	}
	for _, name := range p.Species.Names.Common {
		v.OtherNames = append(v.OtherNames, fmt.Sprintf("%s (%s)", name.Name, name.Language))
	}
	for _, part := range p.Species.Parts {
		verdict := PartVerdict{Part: part.Name, Use: part.Use, Standing: part.UseStanding}
		for _, word := range part.Verdicts {
			verdict.Verdicts = append(verdict.Verdicts, string(word))
		}
		v.Verdicts = append(v.Verdicts, verdict)
	}
	forecast, _ := s.ForecastOn(p, on)
	if v.Removed || forecast == nil {
		v.Pace = view.NoForecast(p)
		return v
	}
	addForecast(s, &v, p, forecast, on)
	return v
}

func addForecast(s *plot.State, v *PlantingView, p *plot.Planting, forecast *phenology.Forecast, on calendar.Date) {
	v.Pace = view.PaceWords(forecast.Pace) + s.SpotWords(p.Bed) + view.LackedWater(s, p)
	if little := view.LittleSun(s, p); little != "" {
		v.Pace += " " + little
	}
	v.Standing = forecast.Standing().String()
	v.Care = view.ViewCare(s, p, on)
	v.Options = say.Distinct(forecast.Stages)
	index, _ := p.Now.StageOn(s.Today)
	v.Expected = p.Now.Stages[index]
	shares := forecast.SharesOn(on)
	for k, stage := range forecast.Stages {
		if k > 0 {
			dates := say.ViewDates(forecast.Dates(k))
			v.Stages = append(v.Stages, view.StageBand{Stage: stage, BBCH: stage.BBCH(), Dates: dates, Past: dates.P50 <= on})
		}
		if shares[k] >= leastShare {
			v.Shares = append(v.Shares, StageShare{stage, shares[k], say.FewInTen(shares[k])})
		}
	}
	for _, seen := range p.Sightings {
		if forecast.Season.Contains(seen.Day) {
			v.Seen = append(v.Seen, SeenMark{seen.Day, seen.Stage, string(seen.Share)})
		}
	}
	for _, span := range s.Spans(p) {
		if span.Last >= forecast.Season.Start && span.First <= forecast.Season.End {
			v.Windows = append(v.Windows, view.ViewWindow(s, p, span, on))
		}
	}
	v.Allowance = view.Allowances(s, p, on)
}

// owed are the look-alikes that an unproven planting is to be told apart from.
func owed(s *plot.State, p *plot.Planting) []view.OwedCheck {
	if p.IdentityState == identity.Sure {
		return []view.OwedCheck{}
	}
	return view.ViewLookAlikes(identity.LookAlikes(p.Species))
}

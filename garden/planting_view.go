package garden

import (
	"context"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
)

// PlantingView is everything about one planting on a day.
type PlantingView struct {
	PlantingBrief
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

	Ground     []GroundNotice  `json:"ground" doc:"Unsafe ground and poisoning trees that its roots or crown reach"`
	Neighbours []Neighbour     `json:"neighbours" doc:"What stands within reach of a spade"`
	Fates      []FateView      `json:"fates" doc:"Whether it throve or failed, as noted"`
	Stages     []StageBand     `json:"stages" doc:"The year's stages in order"`
	Shares     []StageShare    `json:"shares" doc:"Share of plants at each stage on the day"`
	Seen       []SeenMark      `json:"seen" doc:"This season's looks"`
	Windows    []WindowView    `json:"windows"`
	Allowance  []AllowanceView `json:"allowances"`
	Owed       []OwedCheck     `json:"owed" doc:"Checks before it is sure"`
	Moved      *MovedView      `json:"moved,omitempty"`
	Pace       string          `json:"pace"`
	Standing   string          `json:"standing" doc:"The weakest standing the forecast rests on"`
	History    []LedgerLine    `json:"history"`
	LookAlike  []OwedCheck     `json:"lookAlikes"`
	Verdicts   []PartVerdict   `json:"verdicts"`
	Options    []flora.Stage   `json:"options" doc:"Every stage of its year"`
	Expected   flora.Stage     `json:"expected"`
}

// StageBand is when a stage is reached.
type StageBand struct {
	Stage flora.Stage `json:"stage"`
	BBCH  int         `json:"bbch" doc:"Code on the extended BBCH scale"`
	Dates DatesView   `json:"dates"`
	Past  bool        `json:"past"`
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

// PartVerdict is what a part may serve for.
type PartVerdict struct {
	Part     string   `json:"part"`
	Verdicts []string `json:"verdicts"`
	Use      string   `json:"use"`
	Standing string   `json:"standing"`
}

// WindowView is a run of days in which a part can be taken.
type WindowView struct {
	PlantingID int64         `json:"plantingId"`
	Name       string        `json:"name"`
	Bed        string        `json:"bed"`
	Part       string        `json:"part"`
	Verb       string        `json:"verb"`
	First      calendar.Date `json:"first"`
	Last       calendar.Date `json:"last"`
	Opens      DatesView     `json:"opens"`
	Closes     DatesView     `json:"closes"`
	Peak       *DatesView    `json:"peak,omitempty"`
	State      string        `json:"state" enum:"closing,open,coming,over,later"`
	Words      string        `json:"words"`
	NeverSeen  bool          `json:"neverSeen" doc:"Nobody has looked, so the window is wide"`
	Refused    string        `json:"refused" doc:"Why it is not for use; empty where it is"`
	Notices    []string      `json:"notices" doc:"What to know of the ground it stands on"`
	Amount     string        `json:"amount" doc:"What may be taken on the day; empty outside the window"`
	Weight     string        `json:"weight"`
	Chance     float64       `json:"chance" doc:"That it is open on the day"`
}

const (
	mostHistory = 60
	// leastShare is the share of plants from which a stage is told.
	leastShare = 0.02
)

// Planting returns one planting on a day.
func (g *Garden) Planting(ctx context.Context, id int64, on calendar.Date) (PlantingView, error) {
	s, on, err := g.stateOn(ctx, on)
	if err != nil {
		return PlantingView{}, err
	}
	p, has := s.byID[id]
	if !has {
		return PlantingView{}, NotFoundError{"planting"}
	}
	v := s.viewPlanting(p, on)
	v.History, err = g.journal.ledgerLines(ctx, LedgerFilter{PlantingID: id, Most: mostHistory})
	return v, err
}

// tryPlanting asks for a planting's page.
func tryPlanting(s *state, p *planting, on calendar.Date) { s.viewPlanting(p, on) }

// viewPlanting is a planting on a day, without its history.
func (s *state) viewPlanting(p *planting, on calendar.Date) PlantingView {
	season := s.season
	if s.next.Contains(on) {
		season = s.next
	}
	v := PlantingView{
		PlantingBrief: s.brief(p, on), Day: on, SeasonStart: season.Start, SeasonEnd: season.End, Today: s.today,
		Family: p.species.Names.Family, OtherNames: []string{}, StartedOn: p.StartedOn, Origin: p.Origin, Labelled: p.labelled(), Source: p.IdentityNote, Proof: s.proofWords(p.rules, p.finding, s.looks[p.ID], p.labelled()),
		Note: p.Note, Removed: p.RemovedOn != nil, Unsafe: string(p.ground),
		Stages: []StageBand{}, Shares: []StageShare{}, Seen: []SeenMark{}, Windows: []WindowView{}, Allowance: []AllowanceView{},
		Owed: s.owed(p), LookAlike: viewLookAlikes(identity.LookAlikes(p.species)), Moved: s.moved(p), Options: []flora.Stage{},
		Ground: p.notices(), Neighbours: s.neighbours(p), Fates: viewFates(s.fates[p.ID]),
	}
	if p.StartYear != nil {
		v.StartYear = *p.StartYear
	}
	if p.AreaM2 != nil {
		v.Area = s.units.Area(*p.AreaM2)
	}
	for _, name := range p.species.Names.Common {
		v.OtherNames = append(v.OtherNames, fmt.Sprintf("%s (%s)", name.Name, name.Language))
	}
	for _, part := range p.species.Parts {
		verdict := PartVerdict{Part: part.Name, Use: part.Use, Standing: part.UseStanding}
		for _, word := range part.Verdicts {
			verdict.Verdicts = append(verdict.Verdicts, string(word))
		}
		v.Verdicts = append(v.Verdicts, verdict)
	}
	forecast, _ := s.on(p, on)
	if v.Removed || forecast == nil {
		v.Pace = p.noForecast()
		return v
	}
	s.addForecast(&v, p, forecast, on)
	return v
}

func (s *state) addForecast(v *PlantingView, p *planting, forecast *phenology.Forecast, on calendar.Date) {
	v.Pace, v.Standing = paceWords(forecast.Pace)+s.spotWords(p.bed), forecast.Standing().String()
	v.Options = distinct(forecast.Stages)
	index, _ := p.now.StageOn(s.today)
	v.Expected = p.now.Stages[index]
	shares := forecast.SharesOn(on)
	for k, stage := range forecast.Stages {
		if k > 0 {
			dates := viewDates(forecast.Dates(k))
			v.Stages = append(v.Stages, StageBand{stage, stage.BBCH(), dates, dates.P50 <= on})
		}
		if shares[k] >= leastShare {
			v.Shares = append(v.Shares, StageShare{stage, shares[k], fewInTen(shares[k])})
		}
	}
	for _, seen := range p.sightings {
		if forecast.Season.Contains(seen.Day) {
			v.Seen = append(v.Seen, SeenMark{seen.Day, seen.Stage, string(seen.Share)})
		}
	}
	for _, span := range s.spans(p) {
		if span.last >= forecast.Season.Start && span.first <= forecast.Season.End {
			v.Windows = append(v.Windows, s.viewWindow(p, span, on))
		}
	}
	v.Allowance = s.allowances(p, on)
}

// owed are the look-alikes that an unproven planting is to be told apart from.
func (s *state) owed(p *planting) []OwedCheck {
	if p.identity == identity.Sure {
		return []OwedCheck{}
	}
	return viewLookAlikes(identity.LookAlikes(p.species))
}

// Window states.
const (
	stateOver  = "over"
	stateLater = "later"
)

func (s *state) viewWindow(p *planting, span span, on calendar.Date) WindowView {
	part := span.window.Part
	v := WindowView{
		PlantingID: p.ID, Name: p.species.Names.Name, Bed: p.bed.Name, Part: part.Name, Verb: part.Harvest.Verb,
		First: span.first, Last: span.last, Opens: viewDates(span.window.Opens), Closes: viewDates(span.closes),
		NeverSeen: len(p.sightings) == 0, Chance: span.window.ChanceOn(on), Notices: p.treeNotices(),
	}
	if span.window.Peak != nil {
		peak := viewDates(*span.window.Peak)
		v.Peak = &peak
	}
	switch urgency := urgencyOf(span, on); {
	case urgency != "":
		v.State = string(urgency)
	case on > span.last:
		v.State = stateOver
	default:
		v.State = stateLater
	}
	at := on
	if on < span.first || on > span.last {
		at = span.first
	}
	if r := s.refusal(p, part, at); r != nil {
		v.Refused = r.Why
		if r.Kind == string(harvest.Unsafe) {
			v.Refused = p.unsafeShort()
		}
	} else if at == on {
		view, _ := s.allowance(p, part, on)
		v.Amount, v.Weight = view.Amount, view.Weight
	}
	switch v.State {
	case "coming", stateLater:
		v.Words = "opens " + v.Opens.Text
	case stateOver:
		v.Words = "closed about " + span.last.DayMonth()
	default:
		v.Words = "closes " + v.Closes.Text
		if v.Closes.Chance < 0.5 {
			v.Words = "open to the end of the year"
		}
	}
	return v
}

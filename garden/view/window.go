package view

import (
	"bramblyacre/core/agenda"
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
	"fmt"
	"slices"
)

// UrgencyOf tells how urgent a window is on a day.
func UrgencyOf(span plot.Span, on calendar.Date) agenda.Urgency {
	return agenda.UrgencyOn(agenda.Job{First: span.First, Last: span.Last}, on)
}

// StageBand is when a stage is reached.
type StageBand struct {
	Stage flora.Stage   `json:"stage"`
	BBCH  int           `json:"bbch" doc:"Code on the extended BBCH scale"`
	Dates say.DatesView `json:"dates"`
	Past  bool          `json:"past"`
}

// WindowView is a run of days in which a part can be taken.
type WindowView struct {
	PlantingID int64          `json:"plantingId"`
	Name       string         `json:"name"`
	Bed        string         `json:"bed"`
	Part       string         `json:"part"`
	Verb       string         `json:"verb"`
	First      calendar.Date  `json:"first"`
	Last       calendar.Date  `json:"last"`
	Opens      say.DatesView  `json:"opens"`
	Closes     say.DatesView  `json:"closes"`
	Peak       *say.DatesView `json:"peak,omitempty"`
	State      string         `json:"state" enum:"closing,open,coming,over,later"`
	Words      string         `json:"words"`
	NeverSeen  bool           `json:"neverSeen" doc:"Nobody has looked, so the window is wide"`
	Refused    string         `json:"refused" doc:"Why it is not for use; empty where it is"`
	Notices    []string       `json:"notices" doc:"What to know of the ground it stands on"`
	Amount     string         `json:"amount" doc:"What may be taken on the day; empty outside the window"`
	Weight     string         `json:"weight"`
	Chance     float64        `json:"chance" doc:"That it is open on the day"`
	Flush      string         `json:"flush" doc:"The name of the flush, of a part that is ready more than once a year"`
	Missed     bool           `json:"missed" doc:"It is over, and nothing was taken in it"`
}

// Window states.
const (
	stateOver  = "over"
	stateLater = "later"
)

// ViewWindow shows a window of a planting, as told on a day.
func ViewWindow(s *plot.State, p *plot.Planting, span plot.Span, on calendar.Date) WindowView {
	part := span.Window.Part
	v := WindowView{
		PlantingID: p.ID, Name: p.Species.Names.Name, Bed: p.Bed.Name, Part: part.Name, Verb: part.Harvest.Verb,
		First: span.First, Last: span.Last, Opens: say.ViewDates(span.Window.Opens), Closes: say.ViewDates(span.Closes),
		NeverSeen: len(p.Sightings) == 0, Chance: span.Window.ChanceOn(on), Notices: treeNotices(p), Flush: span.Window.Flush,
	}
	if span.Window.Peak != nil {
		peak := say.ViewDates(*span.Window.Peak)
		v.Peak = &peak
	}
	switch urgency := UrgencyOf(span, on); {
	case urgency != "":
		v.State = string(urgency)
	case on > span.Last:
		v.State = stateOver
	default:
		v.State = stateLater
	}
	at := on
	if on < span.First || on > span.Last {
		at = span.First
	}
	if r := Refusal(s, p, part, at); r != nil {
		v.Refused = r.Why
		if r.Kind == string(harvest.Unsafe) {
			v.Refused = unsafeShort(p)
		}
	} else if at == on {
		view, _ := Allowance(s, p, part, on)
		v.Amount, v.Weight = view.Amount, view.Weight
	}
	switch v.State {
	case "coming", stateLater:
		v.Words = "opens " + v.Opens.Text
	case stateOver:
		v.Words = "closed about " + span.Last.DayMonth()
		if v.Missed = v.Refused == "" && !takenIn(p, part.Name, span); v.Missed {
			v.Words = missedWords(s, p, span)
		}
	default:
		v.Words = "closes " + v.Closes.Text
		if v.Closes.Chance < 0.5 {
			v.Words = "open to the end of the year"
		}
	}
	return v
}

// takenIn tells whether a part was taken within a window.
func takenIn(p *plot.Planting, part string, span plot.Span) bool {
	return slices.ContainsFunc(p.Pickings, func(picking store.Picking) bool {
		day, err := calendar.Parse(picking.Day)
		return err == nil && picking.Part == part && day >= span.First && day <= span.Last
	})
}

// missedWords say that a window passed without a picking, and when the next one opens.
func missedWords(s *plot.State, p *plot.Planting, over plot.Span) string {
	words := "missed: closed about " + over.Last.DayMonth()
	for _, span := range s.Spans(p) {
		if span.Window.Part.Name != over.Window.Part.Name || span.First <= over.Last {
			continue
		}
		next := span.First.DayMonth()
		if span.First.Year() != over.Last.Year() {
			next = span.First.DayMonthYear()
		}
		if span.Window.Flush != "" {
			return fmt.Sprintf("%s; the %s follows about %s", words, span.Window.Flush, next)
		}
		return fmt.Sprintf("%s; the next opens about %s", words, next)
	}
	return words + "; none follows in sight"
}

package bench

import (
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// UnfitBatchView is a batch that does not fit as it is planned.
type UnfitBatchView struct {
	BatchID int64  `json:"batchId"`
	Name    string `json:"name"`
	Trays   int    `json:"trays"`
	Why     string `json:"why"`
	// Offer says when it would fit, Start and PlaceID how; none where nothing would.
	Offer   string        `json:"offer"`
	Start   calendar.Date `json:"start"`
	PlaceID int64         `json:"placeId"`
	Can     bool          `json:"can"`
}

// viewUnfit tells why a batch does not fit as it is planned, and when it would.
func (sh *shelves) viewUnfit(s *plot.State, b store.Batch, a arrangement, i int) UnfitBatchView {
	v := UnfitBatchView{BatchID: b.ID, Name: batchName(s, b), Trays: int(b.Trays), Why: sh.whyUnfit(s, b)}
	chosen := a.packing.Chosen[i]
	if chosen < 0 {
		way, _ := propagation.WayOf(b.Way)
		v.Offer = fmt.Sprintf("Nothing is free for it in the %d weeks after.", weeksTried)
		if way.Deed == propagation.Sow {
			v.Offer += " Sow it in place, or make room."
		}
		return v
	}
	option := a.options[i][chosen]
	v.Can, v.PlaceID = true, option.to
	begin := max(startDay(b), s.Today)
	v.Start = begin.AddDays(option.shift * weekDays)
	v.Offer = fmt.Sprintf("It would fit from %s", yearIfOther(s, v.Start))
	if option.to != 0 {
		if to, has := placeOf(s, option.to); has {
			v.Offer += " in " + to.Name
		}
	}
	out := dayOf(&b.OutOn).AddDays(v.Start.DaysSince(startDay(b)))
	v.Offer += ", out about " + yearIfOther(s, out) + "."
	return v
}

// othersFirst is why a batch does not fit that finds room as long as nothing else is planned.
const othersFirst = "Others that want the same room go before it."

// whyUnfit names the first place and week that a batch finds full.
func (sh *shelves) whyUnfit(s *plot.State, b store.Batch) string {
	spans := sh.weeksOf(aheadStays(s, b), 0)
	for i, st := range aheadStays(s, b) {
		at, has := sh.index[st.Place]
		if !has {
			continue
		}
		used := sh.used[at]
		for week := max(0, spans[i].from); week < min(sh.weeks, spans[i].end); week++ {
			if left := int(sh.rows[at].Trays) - used[week]; left < int(b.Trays) {
				return fmt.Sprintf("%s has room for %s in the week of %s; it takes %d.", sh.rows[at].Name,
					roomWords(left), sh.first.AddDays(week*weekDays).DayMonth(), b.Trays)
			}
		}
	}
	return othersFirst
}

func roomWords(trays int) string {
	if trays <= 0 {
		return "no tray"
	}
	return say.Counted(float64(trays), "tray", "trays")
}

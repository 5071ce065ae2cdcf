package weather

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/climate"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// OwnClimateInput is the grower's own climate: means of many years by month, as typed.
type OwnClimateInput struct {
	Name string `json:"name"`
	// Height is that of where they were measured; empty for the plot's.
	Height string `json:"height,omitempty" doc:"Of where they were measured, as typed; empty: the plot's"`
	// Like is the climate whose swings about the means are taken, and its wet days where none are typed.
	Like   string          `json:"like" doc:"The climate whose swings from day to day are taken"`
	Months []OwnMonthInput `json:"months" minItems:"12" maxItems:"12" doc:"January first"`
}

// OwnMonthInput is a month of it.
type OwnMonthInput struct {
	Low     string `json:"low" doc:"The mean of the nights' lowest, as typed"`
	High    string `json:"high" doc:"The mean of the days' highest, as typed"`
	Rain    string `json:"rain" doc:"Of the whole month, as typed"`
	WetDays string `json:"wetDays,omitempty" doc:"Days with rain; empty: as of the climate that it is like"`
}

// OwnClimateView is what stands of it, to be changed.
type OwnClimateView struct {
	Version say.Version `json:"version"`
	// Stands is false where the grower has none: then the figures are those of the climate that is chosen.
	Stands bool            `json:"stands"`
	Typed  OwnClimateInput `json:"typed"`
	Months []string        `json:"months" doc:"Their names, January first"`
	Likes  []LikeChoice    `json:"likes"`
}

// LikeChoice is a climate whose swings can be taken.
type LikeChoice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// OwnClimate is the grower's own climate to be changed, or that of the plot to begin from.
func (u *Uses) OwnClimate(ctx context.Context) (OwnClimateView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return OwnClimateView{}, err
	}
	row, has := s.OwnClimate()
	v := OwnClimateView{Version: say.VersionOf(row), Stands: has, Months: []string{}, Likes: []LikeChoice{}}
	base, known := s.Lib.Climate(s.Site.ClimateID)
	if has {
		base, known = s.Lib.Climate(library.OwnClimateID)
	}
	if !known {
		return v, say.NotFoundError{What: "climate"}
	}
	for _, n := range u.plot.Lib().Climates() {
		if n.ID != library.OwnClimateID {
			v.Likes = append(v.Likes, LikeChoice{n.ID, n.Name})
		}
	}
	v.Typed = typedClimate(s, base, has)
	for m := range 12 {
		v.Months = append(v.Months, time.Month(m+1).String())
	}
	return v, nil
}

// typedClimate are a climate's figures as they are typed, in the plot's half of the world.
func typedClimate(s *plot.State, base climate.Normals, own bool) OwnClimateInput {
	n := base.AtSite(s.Site.Latitude, base.HeightM)
	in := OwnClimateInput{Like: likeOf(s, base), Height: s.Units.GroundLength(n.HeightM)}
	if own {
		in.Name = base.Name
	}
	for m := range 12 {
		in.Months = append(in.Months, OwnMonthInput{
			s.Units.FineTemperature(n.TMin[m]), s.Units.FineTemperature(n.TMax[m]), s.Units.Rainfall(n.Rain[m]),
			strconv.FormatFloat(n.WetDays[m], 'f', 1, 64),
		})
	}
	return in
}

// likeOf is the climate whose swings another has.
func likeOf(s *plot.State, of climate.Normals) string {
	for _, n := range s.Lib.Climates() {
		if n.ID != library.OwnClimateID && n.SpreadMin == of.SpreadMin && n.SpreadMax == of.SpreadMax &&
			n.SwingMin == of.SwingMin &&
			n.WetDayCooler == of.WetDayCooler {
			return n.ID
		}
	}
	return of.ID
}

// SetOwnClimate notes the grower's own climate, and has the plot's weather follow it.
func (u *Uses) SetOwnClimate(ctx context.Context, seen say.Version, in OwnClimateInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		was, has := s.OwnClimate()
		if err := seen.IsOf(say.VersionOf(was), "your own climate"); err != nil {
			return journal.Record{}, err
		}
		n, err := readOwnClimate(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		text, err := library.WriteClimate(n)
		if err != nil {
			return journal.Record{}, err
		}
		row, id := store.PutOwnClimateParams{Text: string(text)}, int64(0)
		if has {
			id, row.ID = was.ID, &was.ID
		}
		if _, err := plot.OwnClimateTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		if s.Site.ClimateID != library.OwnClimateID {
			site := store.PutSiteParams(s.Site)
			site.ClimateID = library.OwnClimateID
			if _, err := plot.SiteTable.Put(ctx, d, 1, site); err != nil {
				return journal.Record{}, err
			}
		}
		return journal.Record{Kind: kindWeather, Summary: "Typed in an own climate: " + n.Name}, nil
	})
}

// readOwnClimate reads the months as they were typed.
func readOwnClimate(s *plot.State, in OwnClimateInput) (climate.Normals, error) {
	var c say.Checklist
	like, known := s.Lib.Climate(in.Like)
	if !known || in.Like == library.OwnClimateID {
		c.Add("like", "Choose the climate whose swings from day to day yours is most like.")
		return climate.Normals{}, c.Err()
	}
	n := like.AtSite(s.Site.Latitude, like.HeightM)
	n.ID, n.Name, n.Kind = library.OwnClimateID, c.Name(
		"name",
		in.Name,
	), "your own monthly means; its swings from day to day are those of "+like.Name
	if n.Name == "" {
		c.Add("name", "Give it a name: the place and the years, for example.")
	}
	if n.HeightM = s.Site.AltitudeM; in.Height != "" {
		height, err := unit.Parse(unit.Length, in.Height, s.Units.GroundUnit())
		switch {
		case err != nil:
			c.AddError("height", err)
		case height < -430 || height > 6000:
			c.Add("height", "%s is no height that plants grow at.", in.Height)
		}
		n.HeightM = height
	}
	if len(in.Months) != 12 {
		c.Add("months", "Type all twelve months.")
		return n, c.Err()
	}
	for m, month := range in.Months {
		readMonth(s, &c, &n, m, month)
	}
	if err := c.Err(); err != nil {
		return n, err
	}
	if err := n.Check(); err != nil {
		return n, say.Faults{{Field: "months", Message: say.Sentence(err.Error())}}
	}
	if !n.IsOfThisWorldAt(s.Site.AltitudeM) {
		return n, say.Faults{{Field: "height", Message: fmt.Sprintf(
			"Reckoned for the plot's height, %s, such a climate is not of this world. Is this height right?",
			s.Units.GroundLength(s.Site.AltitudeM))}}
	}
	return n, nil
}

func readMonth(s *plot.State, c *say.Checklist, n *climate.Normals, m int, month OwnMonthInput) {
	at := func(field string) string { return fmt.Sprintf("months.%d.%s", m, field) }
	read := func(field, text string, kind unit.Kind, standard string, low, high float64) float64 {
		value, err := unit.Parse(kind, text, standard)
		switch {
		case strings.TrimSpace(text) == "":
			c.Add(at(field), "Type a figure.")
		case err != nil:
			c.AddError(at(field), err)
		case value < low || value > high:
			c.Add(at(field), "%s is not of this world.", text)
		}
		return value
	}
	before := len(c.Faults)
	n.TMin[m] = read("low", month.Low, unit.Temperature, s.Units.TemperatureUnit(), -60, 50)
	n.TMax[m] = read("high", month.High, unit.Temperature, s.Units.TemperatureUnit(), -60, 55)
	n.Rain[m] = inTenths(1000 * read("rain", month.Rain, unit.Length, s.Units.RainUnit(), 0, 5))
	if len(c.Faults) == before && n.TMin[m] > n.TMax[m] {
		c.Add(at("low"), "The lowest lies above the highest.")
	}
	length := float64(time.Date(2031, time.Month(m+2), 0, 0, 0, 0, 0, time.UTC).Day())
	if text := strings.TrimSpace(month.WetDays); text != "" {
		days, err := strconv.ParseFloat(text, 64)
		if err != nil || !(days >= 0 && days <= length) {
			c.Add(at("wetDays"), "A number of days from 0 to %.0f.", length)
		}
		n.WetDays[m] = days
	}
	switch {
	case n.Rain[m] > 0 && n.WetDays[m] == 0:
		c.Add(at("wetDays"), "It rains on some day, if %s falls.", month.Rain)
	case n.Rain[m] == 0:
		n.WetDays[m] = 0
	}
}

// inTenths rounds to a tenth of a mm: what a gauge is read to.
func inTenths(mm float64) float64 { return math.Round(mm*10) / 10 }

// MonthColumns are the columns of a table of own months.
var MonthColumns = []string{"month", "tmin", "tmax", "rain", "wet_days"}

// ReadMonths turns the lines of a table of months, in °C and mm, into what is typed in a form: each month once, by its
// number or its English name. Nothing is noted.
func (u *Uses) ReadMonths(ctx context.Context, lines []map[string]string) ([]OwnMonthInput, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	var c say.Checklist
	months := make([]OwnMonthInput, 12)
	seen := [12]bool{}
	for i, line := range lines {
		m := monthOf(line["month"])
		figure := func(column string) (float64, bool) {
			value, err := strconv.ParseFloat(strings.TrimSpace(line[column]), 64)
			if err != nil || math.IsNaN(value) || math.IsInf(value, 0) {
				c.Add("file", "Line %d: %s %q is no number.", i+2, column, line[column])
				return 0, false
			}
			return value, true
		}
		if m < 0 {
			c.Add("file", "Line %d: %q is no month.", i+2, line["month"])
			continue
		}
		if seen[m] {
			c.Add("file", "Line %d: %s stands twice.", i+2, time.Month(m+1))
			continue
		}
		seen[m] = true
		low, isLow := figure("tmin")
		high, isHigh := figure("tmax")
		rain, isRain := figure("rain")
		if !isLow || !isHigh || !isRain {
			continue
		}
		months[m] = OwnMonthInput{
			s.Units.FineTemperature(
				low,
			), s.Units.FineTemperature(high), s.Units.Rainfall(rain), strings.TrimSpace(line["wet_days"]),
		}
	}
	if i := slices.Index(seen[:], false); i >= 0 && len(c.Faults) == 0 {
		c.Add("file", "%s is missing: a line for each month, January to December.", time.Month(i+1))
	}
	return months, c.Err()
}

// monthOf reads a month's number or English name; below 0 for none.
func monthOf(text string) int {
	text = strings.ToLower(strings.TrimSpace(text))
	if n, err := strconv.Atoi(text); err == nil && n >= 1 && n <= 12 {
		return n - 1
	}
	for m := range 12 {
		name := strings.ToLower(time.Month(m + 1).String())
		if len(text) >= 3 && strings.HasPrefix(name, text) {
			return m
		}
	}
	return -1
}

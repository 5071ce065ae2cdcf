package garden

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/unit"
	"bramblyacre/store"
)

const longestKey = 64

// ObservationInput is what a grower saw of a planting. Sizes are as typed.
type ObservationInput struct {
	// SpeciesID is the plant that the page showed; empty where there was no page.
	SpeciesID string   `json:"speciesId,omitempty" doc:"The plant that the page showed"`
	Day       string   `json:"day"`
	Stage     string   `json:"stage"`
	Share     string   `json:"share,omitempty"`
	Height    string   `json:"height,omitempty"`
	Width     string   `json:"width,omitempty"`
	Marks     []string `json:"marks,omitempty"`
	Note      string   `json:"note,omitempty"`
	// ClientKey makes a note that is sent twice, as after a lost connection,
	// count once.
	ClientKey string `json:"clientKey,omitempty"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// The questions that a look is asked back with.
const (
	askSurprise = "surprise"
	askOrder    = "order"
)

// Observed is the answer to an observation.
type Observed struct {
	Entry Entry      `json:"entry"`
	Moved *MovedView `json:"moved,omitempty" doc:"How the forecast moved; null where nothing was learned"`
	// Ready says what can be taken now, in one line; empty where nothing can.
	Ready string `json:"ready"`
}

// NoteObservation notes what was seen of a planting.
func (g *Garden) NoteObservation(ctx context.Context, plantingID int64, in ObservationInput) (Observed, error) {
	content := in
	content.Affirmed = nil
	sent, err := sentAs(in.ClientKey, "observation", plantingID, content)
	if err != nil {
		return Observed{}, err
	}
	entry, err := g.changeOnce(ctx, sent, func(s *state, d *draft) (record, error) {
		p, err := s.standingPlanting(plantingID)
		if err != nil {
			return record{}, err
		}
		if in.SpeciesID != "" {
			if err := (Sight{SpeciesID: in.SpeciesID}).isOf(g, p.rules, nil); err != nil {
				return record{}, err
			}
		}
		row, err := s.readObservation(p, in)
		if err != nil {
			return record{}, err
		}
		if _, err := observationsTable.Put(ctx, d, 0, row); err != nil {
			return record{}, err
		}
		summary := fmt.Sprintf("Saw %s in %s: %s, %s", p.species.Names.Name, p.bed.Name, row.Stage, row.Share)
		if row.Marks != "" {
			summary += "; " + strings.ReplaceAll(row.Marks, ",", ", ")
		}
		return record{kind: "observation", summary: summary, bed: &p.BedID, planting: &p.ID}, nil
	})
	if err != nil {
		return Observed{}, err
	}
	s, err := g.state(ctx)
	if err != nil {
		return Observed{}, err
	}
	p := s.byID[plantingID]
	return Observed{Entry: entry, Moved: s.moved(p), Ready: s.readyWords(p, s.today)}, nil
}

func (s *state) readObservation(p *planting, in ObservationInput) (store.PutObservationParams, error) {
	var c checklist
	row := store.PutObservationParams{PlantingID: p.ID, Note: c.text("note", in.Note, longestNote)}
	day := s.readPastDay(&c, p, in.Day)
	row.Day = day.String()
	stage, err := flora.ParseStage(in.Stage)
	if err != nil {
		c.addError("stage", err)
	} else if len(c.faults) == 0 {
		plan, lives := s.plan(p, calendar.SeasonOf(s.site.Latitude, day))
		switch {
		case !lives:
			c.add("stage", "%s", p.noForecast())
		default:
			if _, has := plan.Index(stage, day); !has && !s.showsOlder(p, stage) {
				c.add("stage", "%s has no stage %q in its %s. It goes through %s.", capital(p.species.Names.Name), stage,
					yearWords(s.yearOfLife(p, calendar.SeasonOf(s.site.Latitude, day))), stageList(plan.Stages))
			}
		}
	}
	row.Stage = stage.String()
	if in.Share == "" {
		in.Share = string(phenology.Most)
	}
	share, err := phenology.ParseShare(in.Share)
	c.addError("share", err)
	row.Share = string(share)
	row.HeightM = s.readSize(&c, "height", in.Height, p.species.Size.Height.High)
	row.WidthM = s.readSize(&c, "width", in.Width, p.species.Size.Width.High)
	for _, mark := range in.Marks {
		if !slices.Contains(marks, mark) {
			c.add("marks", "%q is not a sign of trouble that can be marked. Write it as a note.", mark)
		}
	}
	row.Marks = strings.Join(in.Marks, ",")
	row.ClientKey = readClientKey(in.ClientKey)
	if len(c.faults) == 0 {
		if s.askAbout(&c, p, phenology.Sighting{Day: day, Stage: stage, Share: share}, in.Affirmed) && len(c.faults) == 0 {
			row.Affirmed = 1
		}
	}
	return row, c.err()
}

// askAbout asks back about a look that would be read as another than it says, or that goes
// back behind what was seen before: a slip of the pen must not move the year. It tells whether
// there was a question to ask, affirmed or not.
func (s *state) askAbout(c *checklist, p *planting, seen phenology.Sighting, affirmed []string) (asked bool) {
	season := calendar.SeasonOf(s.site.Latitude, seen.Day)
	plan, lives := s.plan(p, season)
	if !lives {
		return false
	}
	index, has := plan.Index(seen.Stage, seen.Day)
	if !has {
		return false
	}
	for _, other := range p.seenIn(season) {
		at, known := plan.Index(other.Stage, other.Day)
		if known && (other.Day < seen.Day && at > index || other.Day > seen.Day && at < index) {
			c.ask("stage", askOrder, affirmed, "On %s it was seen %s; %s on %s would go backward. Seen, or a slip?", other.Day.DayMonth(), other.Stage, seen.Stage, seen.Day.DayMonth())
			return true
		}
	}
	weather, made := s.sky.seasons[season]
	if !made || p.now == nil || season != s.season {
		return false
	}
	expected, _ := p.now.MostOn(seen.Day)
	if expected == index {
		return false
	}
	if chance, doubted := plan.Doubts(p.now.Pace, weather, seen); doubted {
		c.ask("stage", askSurprise, affirmed, "%s on %s? The forecast gave it %s: it expected %s. Seen, or a slip?", capital(seen.Stage.String()), seen.Day.DayMonth(), oneIn(chance), p.now.Stages[expected])
		return true
	}
	return false
}

// oneIn says a small chance: "1 in 200".
func oneIn(chance float64) string {
	if chance < 0.001 {
		return "less than 1 in 1,000"
	}
	step := 1.0
	switch {
	case chance < 0.005:
		step = 100
	case chance < 0.05:
		step = 10
	}
	return fmt.Sprintf("1 in %.0f", math.Max(2, math.Round(1/chance/step)*step))
}

// showsOlder tells whether a stage that a planting's year does not have is one of a later
// year: where nobody said how old it is, it is then that old.
func (s *state) showsOlder(p *planting, stage flora.Stage) bool {
	if p.StartYear != nil || p.origin.FromStart {
		return false
	}
	for _, year := range p.species.Growth.Years {
		if year.From > 1 && slices.ContainsFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == stage }) {
			return true
		}
	}
	return false
}

// readPastDay reads the day of a note: not before the planting began, not in
// the future.
func (s *state) readPastDay(c *checklist, p *planting, text string) calendar.Date {
	day, err := calendar.Parse(text)
	switch {
	case err != nil:
		c.addError("day", err)
	case day > s.today:
		c.add("day", "%s has not come yet. Today is %s.", day.DayMonth(), s.today.DayMonth())
	case day < p.started:
		c.add("day", "The planting only began on %s.", p.started)
	}
	return day
}

// readSize reads a typed size of a plant in metres; nil where nothing is typed.
// More than three times what the species reaches is a slip of the hand.
func (s *state) readSize(c *checklist, field, text string, mostCm float64) *float64 {
	metres, err := unit.Parse(unit.Length, text, s.units.LengthUnit())
	if errors.Is(err, unit.ErrEmpty) {
		return nil
	}
	most := 3 * mostCm / 100
	switch {
	case err != nil:
		c.addError(field, err)
	case metres <= 0 || metres > most:
		c.add(field, "%s cannot be; it must be above nothing and below %s.", text, s.units.PlantLength(most))
	}
	return &metres
}

func readClientKey(key string) *string {
	if key == "" {
		return nil
	}
	return &key
}

func stageList(stages []flora.Stage) string {
	var names []string
	for _, stage := range stages {
		if name := stage.String(); !slices.Contains(names, name) {
			names = append(names, name)
		}
	}
	return joined(names)
}

// MovedView says how the last look moved the forecast, and why.
type MovedView struct {
	Why      string       `json:"why"`
	Surprise bool         `json:"surprise" doc:"The forecast held this look for unlikely"`
	Stages   []MovedStage `json:"stages"`
}

// MovedStage is a later stage's dates without the last look and with it.
type MovedStage struct {
	Stage  flora.Stage `json:"stage"`
	Before DatesView   `json:"before"`
	After  DatesView   `json:"after"`
	// Days is how far the middle moved, below 0 for sooner.
	Days int `json:"days"`
}

// moved compares the forecast with the one without this season's last look;
// nil where there was none.
func (s *state) moved(p *planting) *MovedView {
	if p == nil || p.beforeLook == nil || p.now == nil {
		return nil
	}
	last := p.sightings[len(p.sightings)-1]
	index, has := p.now.Index(last.Stage, last.Day)
	if !has {
		return nil
	}
	v := &MovedView{Surprise: p.surprise != nil}
	for k := index + 1; k < len(p.now.Stages); k++ {
		before, after := viewDates(p.beforeLook.Dates(k)), viewDates(p.now.Dates(k))
		if before.Chance < 0.5 || after.Chance < 0.5 {
			continue // its middle is no day
		}
		v.Stages = append(v.Stages, MovedStage{p.now.Stages[k], before, after, after.P50.DaysSince(before.P50)})
	}
	expected, _ := p.beforeLook.StageOn(last.Day)
	v.Why = fmt.Sprintf("Seen %s on %s. ", last.Stage, last.Day.DayMonth())
	switch {
	case index > 0 && expected < index:
		v.Why += fmt.Sprintf("Without this look it was held to be %s, and %s was expected about %s. ", p.now.Stages[expected], last.Stage, p.beforeLook.Dates(index).P50.DayMonth())
	case expected > index:
		v.Why += fmt.Sprintf("Without this look it was held to be %s already. ", p.now.Stages[expected])
	default:
		v.Why += "As expected. "
	}
	v.Why += paceWords(p.now.Pace)
	return v
}

// paceWords says how a planting's pace compares with the species' usual one.
func paceWords(pace phenology.Pace) string {
	if pace.Seen == 0 {
		return "Never looked at, so the dates are wide."
	}
	looks := counted(float64(pace.Seen), "look", "looks")
	switch percent := 100 * (pace.Quantile(0.5) - 1); {
	case percent <= -1:
		return fmt.Sprintf("From %s: it runs about %.0f %% ahead of the usual pace.", looks, -percent)
	case percent >= 1:
		return fmt.Sprintf("From %s: it runs about %.0f %% behind the usual pace.", looks, percent)
	}
	return fmt.Sprintf("From %s: it keeps the usual pace.", looks)
}

package now

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/phenology"
	"bramblyacre/core/unit"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

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
	// Count is how many plants stand, as typed; empty where nobody counted.
	Count  string   `json:"count,omitempty" doc:"How many plants stand, as typed"`
	Photos []string `json:"photos,omitempty" doc:"Of photographs kept before"`
	Note   string   `json:"note,omitempty"`
	// ClientKey makes a note that is sent twice, as after a lost connection,
	// count once.
	ClientKey string `json:"clientKey,omitempty"`
	// Affirmed are the questions that were asked back and said yes to.
	Affirmed []string `json:"affirmed,omitempty" doc:"The questions that were asked back, word for word, and said yes to"`
}

// The questions that a look is asked back with.
const (
	AskSurprise = "surprise"
	AskOrder    = "order"
)

// Observed is the answer to an observation.
type Observed struct {
	Entry journal.Entry   `json:"entry"`
	Moved *view.MovedView `json:"moved,omitempty" doc:"How the forecast moved; null where nothing was learned"`
	// Ready says what can be taken now, in one line; empty where nothing can.
	Ready string `json:"ready"`
}

// NoteObservation notes what was seen of a planting.
func (u *Uses) NoteObservation(ctx context.Context, plantingID int64, in ObservationInput) (Observed, error) {
	content := in
	content.Affirmed = nil
	sent, err := journal.SentAs(in.ClientKey, "observation", plantingID, content)
	if err != nil {
		return Observed{}, err
	}
	entry, err := u.plot.ChangeOnce(ctx, sent, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		p, err := input.StandingPlanting(s, plantingID)
		if err != nil {
			return journal.Record{}, err
		}
		if in.SpeciesID != "" {
			if err := (view.Sight{SpeciesID: in.SpeciesID}).IsOf(u.plot, p.Rules, nil); err != nil {
				return journal.Record{}, err
			}
		}
		in.Photos, in.Marks = say.Distinct(in.Photos), say.Distinct(in.Marks)
		row, err := readObservation(ctx, s, d, p, in)
		if err != nil {
			return journal.Record{}, err
		}
		if _, err := plot.ObservationsTable.Put(ctx, d, 0, row); err != nil {
			return journal.Record{}, err
		}
		if err := recount(ctx, s, d, p, row); err != nil {
			return journal.Record{}, err
		}
		summary := fmt.Sprintf("Saw %s in %s: %s, %s", p.Species.Names.Name, p.Bed.Name, row.Stage, row.Share)
		if row.Marks != "" {
			summary += "; " + strings.ReplaceAll(row.Marks, ",", ", ")
		}
		if row.Counted != nil {
			summary += "; counted " + say.Counted(float64(*row.Counted), "plant", "plants")
		}
		if n := len(in.Photos); n > 0 {
			summary += "; " + say.Counted(float64(n), "photograph", "photographs")
		}
		return journal.Record{Kind: "observation", Summary: summary, Bed: &p.BedID, Planting: &p.ID}, nil
	})
	if err != nil {
		return Observed{}, err
	}
	s, err := u.plot.State(ctx)
	if err != nil {
		return Observed{}, err
	}
	p := s.ByID[plantingID]
	return Observed{Entry: entry, Moved: view.Moved(s, p), Ready: view.ReadyWords(s, p, s.Today)}, nil
}

// recount takes over how many plants a look counted, where none were counted later.
func recount(
	ctx context.Context,
	s *plot.State,
	d *journal.Draft,
	p *plot.Planting,
	row store.PutObservationParams,
) error {
	if row.Counted == nil || row.Day < p.CountedOn || int(*row.Counted) == p.Standing() {
		return nil
	}
	params := plot.PlantingParams(p.Planting)
	params.Plants, params.CountedOn, params.CountedAfter = *row.Counted, row.Day, s.LastEntry
	if row.Day < s.Today.String() {
		params.CountedAfter = 0 // what was lifted since was noted before this, and is gone all the same
	}
	_, err := plot.PlantingsTable.Put(ctx, d, p.ID, params)
	return err
}

// mostCounted is how many plants a planting may be counted to have.
const mostCounted = 10_000

// readCount reads how many plants were counted; nil where nothing is typed.
func readCount(c *say.Checklist, text string) *int64 {
	text = strings.TrimSpace(text)
	if text == "" {
		return nil
	}
	count, err := strconv.ParseInt(text, 10, 64)
	switch {
	case err != nil:
		c.Add("count", "%q is not a number of plants; write for example 7.", text)
	case count == 0:
		c.Add("count", "Where none stands any more, mark it as gone.")
	case count < 0 || count > mostCounted:
		c.Add("count", "A planting has between 1 and %d plants.", mostCounted)
	}
	return &count
}

func readObservation(
	ctx context.Context, s *plot.State, d *journal.Draft, p *plot.Planting, in ObservationInput,
) (store.PutObservationParams, error) {
	var c say.Checklist
	row := store.PutObservationParams{PlantingID: p.ID, Note: c.Text("note", in.Note, say.LongestNote)}
	day := input.ReadPastDay(s, &c, p, in.Day)
	row.Day = day.String()
	stage, err := flora.ParseStage(in.Stage)
	if err != nil {
		c.AddError("stage", err)
	} else if len(c.Faults) == 0 {
		plan, lives := s.Plan(p, calendar.SeasonOf(s.Site.Latitude, day))
		switch {
		case !lives:
			c.Add("stage", "%s", view.NoForecast(p))
		default:
			if _, has := plan.Index(stage, day); !has && !showsOlder(s, p, stage) {
				c.Add("stage", "%s has no stage %q in its %s. It goes through %s.", say.Capital(p.Species.Names.Name), stage,
					say.YearWords(s.YearOfLife(p, calendar.SeasonOf(s.Site.Latitude, day))), stageList(plan.Stages))
			}
		}
	}
	row.Stage = stage.String()
	if in.Share == "" {
		in.Share = string(phenology.Most)
	}
	share, err := phenology.ParseShare(in.Share)
	c.AddError("share", err)
	row.Share = string(share)
	row.HeightM = readSize(s, &c, "height", in.Height, p.Species.Size.Height.High)
	row.WidthM = readSize(s, &c, "width", in.Width, p.Species.Size.Width.High)
	for _, mark := range in.Marks {
		if !slices.Contains(s.Marks(), mark) {
			c.Add("marks", "%q is not a sign of trouble that can be marked. Write it as a note.", mark)
		}
	}
	row.Marks = strings.Join(in.Marks, ",")
	row.Counted = readCount(&c, in.Count)
	input.CheckPhotos(&c, in.Photos, func(id string) bool {
		_, err := d.GetPhotograph(ctx, id)
		return err == nil
	})
	row.Photos = strings.Join(in.Photos, ",")
	row.ClientKey = say.ReadClientKey(in.ClientKey)
	if len(c.Faults) == 0 {
		if askAbout(s, &c, p, phenology.Sighting{Day: day, Stage: stage, Share: share}, in.Affirmed) && len(c.Faults) == 0 {
			row.Affirmed = 1
		}
	}
	return row, c.Err()
}

// askAbout asks back about a look that would be read as another than it says, or that goes
// back behind what was seen before: a slip of the pen must not move the year. It tells whether
// there was a question to ask, affirmed or not.
func askAbout(
	s *plot.State,
	c *say.Checklist,
	p *plot.Planting,
	seen phenology.Sighting,
	affirmed []string,
) (asked bool) {
	season := calendar.SeasonOf(s.Site.Latitude, seen.Day)
	plan, lives := s.Plan(p, season)
	if !lives {
		return false
	}
	index, has := plan.Index(seen.Stage, seen.Day)
	if !has {
		return false
	}
	for _, other := range p.SeenIn(season) {
		at, known := plan.Index(other.Stage, other.Day)
		if known && (other.Day < seen.Day && at > index || other.Day > seen.Day && at < index) {
			c.Ask(
				"stage",
				AskOrder,
				affirmed,
				"On %s it was seen %s; %s on %s would go backward. Seen, or a slip?",
				other.Day.DayMonth(),
				other.Stage,
				seen.Stage,
				seen.Day.DayMonth(),
			)
			return true
		}
	}
	weather, err := s.Sky.Ensemble(season)
	if err != nil || p.Now == nil || season != s.Season {
		return false
	}
	expected, _ := p.Now.MostOn(seen.Day)
	if expected == index {
		return false
	}
	if chance, doubted := plan.Doubts(p.Now.Pace, weather, seen); doubted {
		c.Ask(
			"stage",
			AskSurprise,
			affirmed,
			"%s on %s? The forecast gave it %s: it expected %s. Seen, or a slip?",
			say.Capital(seen.Stage.String()),
			seen.Day.DayMonth(),
			oneIn(chance),
			p.Now.Stages[expected],
		)
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
func showsOlder(s *plot.State, p *plot.Planting, stage flora.Stage) bool {
	if p.StartYear != nil || p.OriginRow.FromStart {
		return false
	}
	for _, year := range p.Species.Growth.Years {
		if year.From > 1 && slices.ContainsFunc(year.Stages, func(r flora.StageRule) bool { return r.Stage == stage }) {
			return true
		}
	}
	return false
}

// readSize reads a typed size of a plant in metres; nil where nothing is typed.
// More than three times what the species reaches is a slip of the hand.
func readSize(s *plot.State, c *say.Checklist, field, text string, mostCm float64) *float64 {
	metres, err := unit.Parse(unit.Length, text, s.Units.LengthUnit())
	if errors.Is(err, unit.ErrEmpty) {
		return nil
	}
	most := 3 * mostCm / 100
	switch {
	case err != nil:
		c.AddError(field, err)
	case metres <= 0 || metres > most:
		c.Add(field, "%s cannot be; it must be above nothing and below %s.", text, s.Units.PlantLength(most))
	}
	return &metres
}

func stageList(stages []flora.Stage) string {
	var names []string
	for _, stage := range stages {
		if name := stage.String(); !slices.Contains(names, name) {
			names = append(names, name)
		}
	}
	return say.Joined(names)
}

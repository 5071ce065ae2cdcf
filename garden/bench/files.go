package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// LotRow is a seed lot for a file.
type LotRow struct {
	Plant, Botanical, Name, Origin, Source, RipeOn, Sign, Dried, Storage string
	Grams, Seeds, Mothers                                                *float64
	Labelled                                                             bool
	Note                                                                 string
}

// BatchRow is a batch for a file.
type BatchRow struct {
	Plant, Botanical, Way, Lot, Planned, Begun, Out, Bed, Ended string
	Wanted, Starts, Trays                                       int
	Up, Gone, PlantedOut                                        *int
	Note                                                        string
}

// Lots returns the lots on the shelf for a file.
func (u *Uses) Lots(ctx context.Context) ([]LotRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []LotRow{}
	for _, lot := range lots.Of(s) {
		if lot.RemovedOn != nil {
			continue
		}
		row := LotRow{
			Plant: speciesName(
				s,
				lot.SpeciesID,
			), Name: lot.Name, Origin: lot.Origin, Source: lot.Source, RipeOn: lot.RipeOn, Sign: lot.Sign,
			Dried: lot.Dried, Storage: lot.Storage, Grams: lot.Grams, Labelled: lot.Labelled == 1, Note: lot.Note,
		}
		if species, has := s.Lib.Species(lot.SpeciesID); has {
			row.Botanical = species.Names.Botanical
		}
		if lot.Grams != nil && lot.SeedsGram != nil {
			seeds := *lot.Grams * *lot.SeedsGram
			row.Seeds = &seeds
		}
		if lot.Mothers != nil {
			mothers := float64(*lot.Mothers)
			row.Mothers = &mothers
		}
		rows = append(rows, row)
	}
	return rows, nil
}

// Batches returns all batches for a file, the oldest first.
func (u *Uses) Batches(ctx context.Context) ([]BatchRow, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	rows := []BatchRow{}
	for _, b := range batches.Of(s) {
		v := viewBatch(s, b)
		row := BatchRow{
			Plant: v.Name, Botanical: v.Botanical, Way: b.Way, Lot: v.Lot, Planned: b.PlannedOn, Out: b.OutOn, Bed: v.Bed,
			Wanted: v.Wanted, Starts: v.Starts, Trays: v.Trays, Note: b.Note,
		}
		if b.BegunOn != nil {
			row.Begun = *b.BegunOn
		}
		if b.EndedOn != nil {
			row.Ended = *b.EndedOn
		}
		if p := progressOf(s, b.ID); p.Counted || p.Out > 0 || p.Gone > 0 {
			up, gone, out := max(p.Up, p.Out), p.Gone, p.Out
			row.Up, row.Gone, row.PlantedOut = &up, &gone, &out
		}
		rows = append(rows, row)
	}
	return rows, nil
}

// FileLine is one line of a file that is brought in: its number, and what it says by the file's
// headings.
type FileLine struct {
	Line   int
	Fields map[string]string
}

// BroughtFileView is what a file brings: each line, taken or refused with the reason.
type BroughtFileView struct {
	Lines   []BroughtLine  `json:"lines"`
	Taken   int            `json:"taken"`
	Refused int            `json:"refused"`
	Entry   *journal.Entry `json:"entry" doc:"null for a preview: nothing was noted"`
}

// BroughtLine is one line.
type BroughtLine struct {
	Line  int      `json:"line"`
	Words string   `json:"words"`
	Wrong []string `json:"wrong" doc:"What is wrong with it; none where it is taken"`
}

// mostLines is the most lines that one file brings.
const mostLines = 2000

// brought is what a line becomes.
type brought struct {
	words string
	write func(context.Context, *plot.State, *journal.Draft) error
}

// bring reads lines, and where noted is true writes them all as one entry. Lines that are refused
// are left out only where that was said; else nothing is written.
func (u *Uses) bring(
	ctx context.Context,
	lines []FileLine,
	note, leaveOut bool,
	kind, what string,
	read func(*plot.State, FileLine) (brought, error),
) (BroughtFileView, error) {
	v := BroughtFileView{Lines: []BroughtLine{}}
	if len(lines) > mostLines {
		return v, say.Faults{{Field: "file", Message: fmt.Sprintf("No more than %d lines at once.", mostLines)}}
	}
	readAll := func(s *plot.State) []brought {
		v = BroughtFileView{Lines: []BroughtLine{}}
		var good []brought
		for _, line := range lines {
			one, err := read(s, line)
			shown := BroughtLine{Line: line.Line, Words: one.words, Wrong: []string{}}
			if err != nil {
				shown.Wrong = wrongWords(err)
				v.Refused++
			} else {
				good = append(good, one)
				v.Taken++
			}
			v.Lines = append(v.Lines, shown)
		}
		return good
	}
	if !note {
		s, err := u.plot.State(ctx)
		if err != nil {
			return v, err
		}
		readAll(s)
		return v, nil
	}
	entry, err := u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		good := readAll(s)
		switch {
		case v.Refused > 0 && !leaveOut:
			return journal.Record{}, say.Faults{
				{Field: "file", Message: fmt.Sprintf("%s refused: mend them, or say that they are left out.",
					say.Counted(float64(v.Refused), "line is", "lines are"))},
			}
		case len(good) == 0:
			return journal.Record{}, say.Faults{{Field: "file", Message: "No line of the file can be taken."}}
		}
		for _, one := range good {
			if err := one.write(ctx, s, d); err != nil {
				return journal.Record{}, err
			}
		}
		return journal.Record{Kind: kind, Summary: fmt.Sprintf("Brought in %d %s from a file", len(good), what)}, nil
	})
	if err != nil {
		return v, err
	}
	v.Entry = &entry
	return v, nil
}

func wrongWords(err error) []string {
	faults, is := err.(say.Faults)
	if !is {
		return []string{say.Sentence(err.Error())}
	}
	var words []string
	for _, fault := range faults {
		words = append(words, fault.Message)
	}
	return words
}

// speciesNamed finds a plant by its botanical name, or else by one of its names; the two have to
// agree where both stand.
func speciesNamed(s *plot.State, plant, botanical string) (string, error) {
	var found *flora.Species
	for _, species := range s.Lib.AllSpecies() {
		if botanical != "" && slices.ContainsFunc(append([]string{species.Names.Botanical}, species.Names.Former...),
			func(name string) bool { return strings.EqualFold(name, botanical) }) {
			found = species
			break
		}
	}
	if found == nil && botanical != "" {
		return "", say.Faults{{Field: "botanical name", Message: fmt.Sprintf("%q is no plant of the library.", botanical)}}
	}
	if found != nil {
		return found.ID, nil
	}
	var named []*flora.Species
	for _, species := range s.Lib.AllSpecies() {
		if strings.EqualFold(species.Names.Name, plant) || strings.EqualFold(species.ID, plant) {
			named = append(named, species)
		}
	}
	if len(named) != 1 {
		return "", say.Faults{
			{Field: "plant", Message: fmt.Sprintf("%q is no plant of the library; write its botanical name.", plant)},
		}
	}
	return named[0].ID, nil
}

// BringLots brings seed lots in from a file, or shows what it would bring.
func (u *Uses) BringLots(ctx context.Context, lines []FileLine, note, leaveOut bool) (BroughtFileView, error) {
	return u.bring(ctx, lines, note, leaveOut, kindSeed, "seed lots", func(s *plot.State, line FileLine) (brought, error) {
		get := func(name string) string { return strings.TrimSpace(line.Fields[name]) }
		one := brought{words: strings.TrimSpace(get("plant") + " " + get("lot"))}
		id, err := speciesNamed(s, get("plant"), get("botanical name"))
		if err != nil {
			return one, err
		}
		mothers, err := wholeField(get("mothers"), "mothers")
		if err != nil {
			return one, err
		}
		in := SeedLotInput{
			SpeciesID: id, Name: get("lot"), Origin: get("origin"), Mothers: mothers, Source: get("source"),
			RipeOn: get("ripe on"),
			Sign: get(
				"sign",
			), Dried: get("dried"), Storage: get("storage"), Count: get("seeds"), Labelled: get("labelled") == "true",
			Note: get("note"),
		}
		if grams := get("weight (g)"); grams != "" {
			in.Weight = grams + " g"
		}
		row, err := readLot(s, in)
		one.write = func(ctx context.Context, _ *plot.State, d *journal.Draft) error {
			_, err := lotsTable.Put(ctx, d, 0, row)
			return err
		}
		return one, err
	})
}

func wholeField(text, name string) (int, error) {
	if text == "" {
		return 0, nil
	}
	n := 0
	if _, err := fmt.Sscanf(text, "%d", &n); err != nil || fmt.Sprint(n) != text {
		return 0, say.Faults{{Field: name, Message: fmt.Sprintf("%s: %q is not a whole number.", say.Capital(name), text)}}
	}
	return n, nil
}

// BringBatches brings batches in from a file, or shows what it would bring.
func (u *Uses) BringBatches(ctx context.Context, lines []FileLine, note, leaveOut bool) (BroughtFileView, error) {
	return u.bring(ctx, lines, note, leaveOut, kindBatch, "batches", func(s *plot.State, line FileLine) (brought, error) {
		get := func(name string) string { return strings.TrimSpace(line.Fields[name]) }
		one := brought{words: strings.TrimSpace(get("plant") + ", " + get("way"))}
		row, up, err := readBatchLine(s, get)
		one.write = func(ctx context.Context, s *plot.State, d *journal.Draft) error {
			made, err := batchesTable.Put(ctx, d, 0, row)
			if err != nil || up == nil {
				return err
			}
			_, err = countsTable.Put(
				ctx,
				d,
				0,
				store.PutBatchCountParams{
					BatchID: made.ID,
					Day:     s.Today.String(),
					Kind:    countUp,
					Plants:  int64(*up),
					Note:    "From a file",
				},
			)
			return err
		}
		return one, err
	})
}

func readBatchLine(s *plot.State, get func(string) string) (row store.PutBatchParams, up *int, err error) {
	id, err := speciesNamed(s, get("plant"), get("botanical name"))
	if err != nil {
		return row, nil, err
	}
	var c say.Checklist
	number := func(name string) int {
		n, err := wholeField(get(name), name)
		if err != nil {
			c.AddError(name, err)
		}
		return n
	}
	row = store.PutBatchParams{
		SpeciesID: id, Way: get("way"), Wanted: int64(max(1, number("wanted"))), Starts: int64(number("started")),
		Trays: int64(max(0, number("trays"))),
		PlannedOn: get(
			"planned",
		), Stays: "[]", OutOn: get("out"), Priority: 3, Note: c.Text("note", get("note"), say.LongestNote),
	}
	if _, known := propagation.WayOf(row.Way); !known {
		c.Add("way", "%q is no way to make more; use %s.", row.Way, say.OrList(flora.PropagationWays))
	}
	if row.Starts < 1 || row.Starts > propagation.MostStarts {
		c.Add("started", "Started: from 1 to %d.", propagation.MostStarts)
	}
	if begun := get("begun"); begun != "" {
		day := input.ReadDay(s, &c, "begun", begun)
		row.BegunOn = &begun
		if row.PlannedOn == "" {
			row.PlannedOn = day.String()
		}
	}
	if row.OutOn == "" {
		row.OutOn = row.PlannedOn
	}
	for _, day := range []struct{ field, text string }{{"planned", row.PlannedOn}, {"out", row.OutOn}} {
		if dayOf(&day.text) == plot.NoDay {
			c.Add(day.field, "%s: %q is not a whole day such as 2031-05-27.", say.Capital(day.field), day.text)
		}
	}
	if out, planned := dayOf(&row.OutOn), dayOf(&row.PlannedOn); out != plot.NoDay && out < planned {
		c.Add("out", "It cannot go out before it is begun.")
	}
	if name := get("lot"); name != "" {
		at := slices.IndexFunc(
			lots.Of(s),
			func(lot store.SeedLot) bool { return lot.SpeciesID == id && strings.EqualFold(lot.Name, name) },
		)
		if at < 0 {
			c.Add("lot", "There is no seed lot %q of this plant: bring the lots in first.", name)
		} else {
			row.LotID = &lots.Of(s)[at].ID
		}
	}
	if name := get("bed"); name != "" {
		at := slices.IndexFunc(
			s.Beds,
			func(b store.Bed) bool { return b.RemovedOn == nil && strings.EqualFold(b.Name, name) },
		)
		if at < 0 {
			c.Add("bed", "There is no bed %q on the plan.", name)
		} else {
			row.BedID = &s.Beds[at].ID
		}
	}
	if get("came up") != "" {
		n := number("came up")
		if n < 0 || n > int(row.Starts) {
			c.Add("came up", "No more than the %d that were started can have come up.", row.Starts)
		}
		if row.BegunOn == nil {
			c.Add("came up", "Nothing came up of what was not begun.")
		}
		up = &n
	}
	if ended := get("ended"); ended != "" {
		input.ReadDay(s, &c, "ended", ended)
		row.EndedOn = &ended
	}
	return row, up, c.Err()
}

// BenchLabel is a label to stick into a tray or pot.
type BenchLabel struct {
	Name, Botanical, From, Day string
	Unproven                   bool
}

// Labels are the labels of a batch, one for each of its trays or so many plants; of all open batches
// where none is named.
func (u *Uses) Labels(ctx context.Context, batch int64, each int) ([]BenchLabel, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	var labels []BenchLabel
	for _, b := range openBatches(s) {
		if batch != 0 && b.ID != batch {
			continue
		}
		v := viewBatch(s, b)
		label := BenchLabel{
			Name:      say.Capital(v.Name),
			Botanical: v.Botanical,
			Day:       startDay(b).DayMonthYear(),
			Unproven:  b.Way == "volunteers",
		}
		switch {
		case v.Lot != "":
			label.From = "seed: " + v.Lot
		case v.Mother != "":
			label.From = b.Way + " of " + v.Mother
		default:
			label.From = b.Way
		}
		n := max(1, v.Trays)
		if each > 0 {
			n = each
		}
		for range min(n, mostLabels) {
			labels = append(labels, label)
		}
	}
	if labels == nil {
		return nil, say.NotFoundError{What: "batch"}
	}
	return labels[:min(len(labels), mostLabels)], nil
}

// mostLabels is the most labels that are printed at once.
const mostLabels = 480

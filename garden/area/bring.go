package area

import (
	"context"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// FileLine is one line of a file that is brought in: its number, and what it says by the file's
// headings.
type FileLine struct {
	Line   int
	Fields map[string]string
}

// BroughtFileView is what a file brings: each line, taken or refused with the reason.
type BroughtFileView struct {
	Lines   []BroughtLine  `json:"lines" doc:"Of a long file the refused ones first, and not all"`
	Taken   int            `json:"taken"`
	Refused int            `json:"refused"`
	Words   string         `json:"words" doc:"What the lines that are taken come to"`
	Entry   *journal.Entry `json:"entry" doc:"null for a preview: nothing was noted"`
}

// BroughtLine is one line.
type BroughtLine struct {
	Line  int      `json:"line"`
	Words string   `json:"words"`
	Wrong []string `json:"wrong" doc:"What is wrong with it; none where it is taken"`
}

// mostShown is how many lines of a file are shown.
const mostShown = 400

// Brought is how a file's lines become rows.
type Brought[Row any] struct {
	// Most is the most lines that one file brings.
	Most int
	// Read reads a line, those before it already read; the words say what it is, also where it is wrong.
	Read func(s *plot.State, line FileLine, before []Row) (row Row, words string, err error)
	// Words sum up the lines that are taken; nil for nothing to say.
	Words func(s *plot.State, rows []Row) string
	// Write writes all rows that are taken, and tells the entry.
	Write func(ctx context.Context, s *plot.State, d *journal.Draft, rows []Row) (journal.Record, error)
}

// Take shows what lines would bring, or where note is true writes them all as one entry. Lines that are
// refused are left out only where that was said; else nothing is written.
func (b Brought[Row]) Take(
	ctx context.Context,
	p *plot.Plot,
	lines []FileLine,
	note, leaveOut bool,
) (v BroughtFileView, err error) {
	v.Lines = []BroughtLine{}
	if len(lines) > b.Most {
		return v, say.Faults{{Field: "file", Message: fmt.Sprintf("No more than %d lines at once.", b.Most)}}
	}
	var rows []Row
	if !note {
		s, err := p.State(ctx)
		if err != nil {
			return v, err
		}
		v, _ = b.readAll(s, lines)
		return v, nil
	}
	entry, err := p.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		v, rows = b.readAll(s, lines)
		switch {
		case v.Refused > 0 && !leaveOut:
			return journal.Record{}, say.Faults{
				{Field: "file", Message: fmt.Sprintf("%s refused: mend them, or say that they are left out.",
					say.Counted(float64(v.Refused), "line is", "lines are"))},
			}
		case len(rows) == 0:
			return journal.Record{}, say.Faults{{Field: "file", Message: "No line of the file can be taken."}}
		}
		return b.Write(ctx, s, d, rows)
	})
	if err != nil {
		return v, err
	}
	v.Entry = &entry
	return v, nil
}

func (b Brought[Row]) readAll(s *plot.State, lines []FileLine) (BroughtFileView, []Row) {
	var good []Row
	var taken, refused []BroughtLine
	for _, line := range lines {
		row, words, err := b.Read(s, line, good)
		shown := BroughtLine{Line: line.Line, Words: words, Wrong: []string{}}
		if err != nil {
			shown.Wrong = wrongWords(err)
			refused = append(refused, shown)
			continue
		}
		good = append(good, row)
		taken = append(taken, shown)
	}
	v := BroughtFileView{Taken: len(taken), Refused: len(refused)}
	if len(lines) <= mostShown {
		v.Lines = inOrder(taken, refused)
	} else {
		v.Lines = append(refused, taken...)[:mostShown]
	}
	if b.Words != nil && len(good) > 0 {
		v.Words = b.Words(s, good)
	}
	return v, good
}

// inOrder are lines in the order of the file.
func inOrder(taken, refused []BroughtLine) []BroughtLine {
	all := make([]BroughtLine, 0, len(taken)+len(refused))
	for len(taken) > 0 || len(refused) > 0 {
		if len(refused) == 0 || len(taken) > 0 && taken[0].Line < refused[0].Line {
			all, taken = append(all, taken[0]), taken[1:]
		} else {
			all, refused = append(all, refused[0]), refused[1:]
		}
	}
	return all
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

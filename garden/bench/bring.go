package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
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

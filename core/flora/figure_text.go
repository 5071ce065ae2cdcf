package flora

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"
)

// A figure is written in a line, "110 (80 to 150) cm usual", or with the work it is
// taken from, "110 (80 to 150) cm published: a-flora", and may end in a note
// after a semicolon. Where only the range is known, "80 to 150 cm usual", its middle is
// reckoned with. A range is written "2 to 7 (0 to 12) h usual": good from 2 to
// 7, borne from 0 to 12. A range of words leaves out the unit.

const numberPattern = `(-?\d+(?:\.\d+)?)`

var (
	figurePattern = regexp.MustCompile(
		`^` + numberPattern + `(?: \(` + numberPattern + ` to ` + numberPattern + `\))? (\S.*)$`,
	)
	spanPattern  = regexp.MustCompile(`^` + numberPattern + ` to ` + numberPattern + ` ([^(\s].*)$`)
	rangePattern = regexp.MustCompile(
		`^` + numberPattern + ` to ` + numberPattern + `(?: \(` + numberPattern + ` to ` + numberPattern + `\))? (\S+)$`,
	)
	wordRangePattern = regexp.MustCompile(`^([a-z-]+)(?: to ([a-z-]+))?(?: \(([a-z-]+) to ([a-z-]+)\))?$`)
)

// grounds are what a figure ends in: what it rests on.
type grounds struct {
	standing     Standing
	source, note string
}

// splitGrounds returns what stands before a figure's standing, and what it rests on.
func splitGrounds(text string) (body string, g grounds, err error) {
	text, g.note, _ = strings.Cut(text, "; ")
	text, g.source, _ = strings.Cut(text, ": ")
	text = strings.TrimSpace(text)
	at := strings.LastIndexByte(text, ' ')
	if at < 0 {
		return "", g, fmt.Errorf("%q says no standing: end it in guess, usual or published", text)
	}
	if err := g.standing.UnmarshalText([]byte(text[at+1:])); err != nil {
		return "", g, err
	}
	return strings.TrimSpace(text[:at]), g, nil
}

func (g grounds) String() string {
	text := g.standing.String()
	if g.source != "" {
		text += ": " + g.source
	}
	if g.note != "" {
		text += "; " + g.note
	}
	return text
}

func decimal(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

func numbers(texts ...string) []float64 {
	all := make([]float64, len(texts))
	for i, text := range texts {
		all[i], _ = strconv.ParseFloat(text, 64) // the pattern lets only numbers through
	}
	return all
}

// UnmarshalText reads a figure from its line. One without a range has its value as
// both ends.
func (f *Figure) UnmarshalText(text []byte) error {
	body, g, err := splitGrounds(string(text))
	if err != nil {
		return err
	}
	if m := spanPattern.FindStringSubmatch(body); m != nil {
		v := numbers(m[1], m[2])
		*f = Figure{(v[0] + v[1]) / 2, v[0], v[1], m[3], g.standing, g.source, g.note}
		return nil
	}
	m := figurePattern.FindStringSubmatch(body)
	if m == nil {
		return fmt.Errorf(`%q is not a figure; write it as "110 (80 to 150) cm usual"`, text)
	}
	v := numbers(m[1], m[1], m[1])
	if m[2] != "" {
		v = numbers(m[1], m[2], m[3])
	}
	*f = Figure{v[0], v[1], v[2], m[4], g.standing, g.source, g.note}
	return nil
}

// MarshalText writes a figure as the line it is read from.
func (f Figure) MarshalText() ([]byte, error) {
	within := ""
	if f.Low != f.Value || f.High != f.Value {
		within = fmt.Sprintf(" (%s to %s)", decimal(f.Low), decimal(f.High))
	}
	return fmt.Appendf(nil, "%s%s %s %s", decimal(f.Value), within, f.Unit, grounds{f.Standing, f.Source, f.Note}), nil
}

// UnmarshalText reads a range from its line.
func (r *Range) UnmarshalText(text []byte) error {
	body, g, err := splitGrounds(string(text))
	if err != nil {
		return err
	}
	m := rangePattern.FindStringSubmatch(body)
	if m == nil {
		return fmt.Errorf(`%q is not a range; write it as "2 to 7 (0 to 12) h usual"`, text)
	}
	if m[3] == "" {
		m[3], m[4] = m[1], m[2]
	}
	v := numbers(m[3], m[1], m[2], m[4])
	*r = Range{v[0], v[1], v[2], v[3], m[5], g.standing, g.source, g.note}
	return nil
}

// MarshalText writes a range as the line it is read from.
func (r Range) MarshalText() ([]byte, error) {
	return fmt.Appendf(
		nil,
		"%s to %s (%s to %s) %s %s",
		decimal(r.From),
		decimal(r.To),
		decimal(r.Low),
		decimal(r.High),
		r.Unit,
		grounds{r.Standing, r.Source, r.Note},
	), nil
}

// UnmarshalText reads a range of words from its line.
func (r *WordRange) UnmarshalText(text []byte) error {
	body, g, err := splitGrounds(string(text))
	if err != nil {
		return err
	}
	m := wordRangePattern.FindStringSubmatch(body)
	if m == nil {
		return fmt.Errorf(`%q is not a range of words; write it as "fresh to moist (dry to wet) usual"`, text)
	}
	if m[2] == "" {
		m[2] = m[1]
	}
	if m[3] == "" {
		m[3], m[4] = m[1], m[2]
	}
	*r = WordRange{m[3], m[1], m[2], m[4], g.standing, g.source, g.note}
	return nil
}

// MarshalText writes a range of words as the line it is read from.
func (r WordRange) MarshalText() ([]byte, error) {
	return fmt.Appendf(
		nil,
		"%s to %s (%s to %s) %s",
		r.From,
		r.To,
		r.Low,
		r.High,
		grounds{r.Standing, r.Source, r.Note},
	), nil
}

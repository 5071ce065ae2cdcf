package garden

import (
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"
)

// Fault is something wrong with one field of what was entered, said so that the
// grower knows what to do.
type Fault struct {
	Field   string
	Message string
}

// Faults are everything wrong with an entry. Nothing of it was written.
type Faults []Fault

// Error lists the faults.
func (f Faults) Error() string {
	lines := make([]string, len(f))
	for i, fault := range f {
		lines[i] = fault.Field + ": " + fault.Message
	}
	return strings.Join(lines, "; ")
}

// NotFoundError says that an id is unknown.
type NotFoundError struct{ What string }

// Error says what was not found.
func (e NotFoundError) Error() string { return "there is no such " + e.What }

// ConflictError says that the plot has moved on since.
type ConflictError struct{ Why string }

// Error says why.
func (e ConflictError) Error() string { return e.Why }

// checklist gathers faults while an entry is read.
type checklist struct{ faults Faults }

func (c *checklist) add(field, format string, args ...any) {
	c.faults = append(c.faults, Fault{field, fmt.Sprintf(format, args...)})
}

func (c *checklist) addError(field string, err error) {
	if err != nil {
		c.add(field, "%s", sentence(err.Error()))
	}
}

// has tells whether a fault was found at a field already.
func (c *checklist) has(field string) bool {
	return slices.ContainsFunc(c.faults, func(f Fault) bool { return f.Field == field })
}

// err returns the faults as an error, nil if there are none.
func (c *checklist) err() error {
	if len(c.faults) == 0 {
		return nil
	}
	return c.faults
}

const (
	longestName = 80
	longestNote = 2000
)

// text checks a written text and returns it trimmed.
func (c *checklist) text(field, value string, longest int) string {
	value = strings.TrimSpace(value)
	if length := utf8.RuneCountInString(value); length > longest {
		c.add(field, "This is %d characters long; %d is the most.", length, longest)
	}
	if !utf8.ValidString(value) {
		c.add(field, "This is not readable text.")
	}
	return value
}

// sentence gives an error's text a capital and a full stop.
func sentence(text string) string {
	if text == "" {
		return text
	}
	text = strings.ToUpper(text[:1]) + text[1:]
	if !strings.HasSuffix(text, ".") {
		text += "."
	}
	return text
}

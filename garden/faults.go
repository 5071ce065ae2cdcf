package garden

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"bramblyacre/core/spelling"
)

// Fault is something wrong with one field of what was entered, said so that the
// grower knows what to do.
type Fault struct {
	Field   string
	Message string
	// Code is set for a question: what was entered is noted all the same once it is sent
	// again with the code among what is affirmed.
	Code string
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
	c.faults = append(c.faults, Fault{Field: field, Message: fmt.Sprintf(format, args...)})
}

// ask asks back about what is unlikely or unwise, and no fault in itself: nothing is noted
// unless the question, word for word, is among what was affirmed. A yes to what another
// plant, day or stage was asked about is no yes to this one.
func (c *checklist) ask(field, code string, affirmed []string, format string, args ...any) {
	question := fmt.Sprintf(format, args...)
	if !slices.Contains(affirmed, question) {
		c.faults = append(c.faults, Fault{Field: field, Message: question, Code: code})
	}
}

// Questions returns the questions that a change was refused with, word for word: sent again
// with them affirmed, it is taken in. None where something else is wrong too.
func Questions(err error) (asked []string) {
	var faults Faults
	if !errors.As(err, &faults) {
		return nil
	}
	for _, fault := range faults {
		if fault.Code == "" {
			return nil
		}
		asked = append(asked, fault.Message)
	}
	return asked
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

// name reads the name of someone or something: one line, and no more than may be.
func (c *checklist) name(field, value string) string {
	return spelling.OneLine(c.text(field, value, longestName))
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

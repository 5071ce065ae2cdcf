package say

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

// Checklist gathers faults while an entry is read.
type Checklist struct{ Faults Faults }

// Add notes that something is wrong with a field.
func (c *Checklist) Add(field, format string, args ...any) {
	c.Faults = append(c.Faults, Fault{Field: field, Message: fmt.Sprintf(format, args...)})
}

// Ask asks back about what is unlikely or unwise, and no fault in itself: nothing is noted
// unless the question, word for word, is among what was affirmed. A yes to what another
// plant, day or stage was asked about is no yes to this one.
func (c *Checklist) Ask(field, code string, affirmed []string, format string, args ...any) {
	question := fmt.Sprintf(format, args...)
	if !slices.Contains(affirmed, question) {
		c.Faults = append(c.Faults, Fault{Field: field, Message: question, Code: code})
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

// AddError notes an error at a field, nothing where there is none.
func (c *Checklist) AddError(field string, err error) {
	if err != nil {
		c.Add(field, "%s", Sentence(err.Error()))
	}
}

// Has tells whether a fault was found at a field already.
func (c *Checklist) Has(field string) bool {
	return slices.ContainsFunc(c.Faults, func(f Fault) bool { return f.Field == field })
}

// Err returns the faults as an error, nil if there are none.
func (c *Checklist) Err() error {
	if len(c.Faults) == 0 {
		return nil
	}
	return c.Faults
}

const (
	longestName = 80
	LongestNote = 2000
)

// Text checks a written text and returns it trimmed.
func (c *Checklist) Text(field, value string, longest int) string {
	value = strings.TrimSpace(value)
	if length := utf8.RuneCountInString(value); length > longest {
		c.Add(field, "This is %d characters long; %d is the most.", length, longest)
	}
	if !utf8.ValidString(value) {
		c.Add(field, "This is not readable text.")
	}
	return value
}

// Name reads the name of someone or something: one line, and no more than may be.
func (c *Checklist) Name(field, value string) string {
	return spelling.OneLine(c.Text(field, value, longestName))
}

// Sentence gives an error's text a capital and a full stop.
func Sentence(text string) string {
	if text == "" {
		return text
	}
	text = strings.ToUpper(text[:1]) + text[1:]
	if !strings.HasSuffix(text, ".") {
		text += "."
	}
	return text
}

// LongestKey is how long a sender's key may be.
const LongestKey = 64

// ReadClientKey is a sender's key as it is kept: nil for none.
func ReadClientKey(key string) *string {
	if key == "" {
		return nil
	}
	return &key
}

// LongestAgoDays is how long ago anything noted can have been: 150 years.
const LongestAgoDays = 150 * 366

package library

import (
	"fmt"
	"strings"

	"bramblyacre/core/flora"
)

const (
	// deepest is more than how deep any key of a plant lies.
	deepest = 8
	// mostFields is more than how many fields any plant has.
	mostFields = 2000
)

// tooLarge refuses a sheet that no plant has: what is nested without end would be written
// and read for as long as somebody likes.
func tooLarge(sheet any) error {
	if fields := 0; isSmall(sheet, 0, &fields) {
		return nil // as nearly always: no key is written
	}
	fields := 0
	var walk func(key string, node any, depth int) error
	walk = func(key string, node any, depth int) error {
		if fields++; fields > mostFields {
			return flora.Problem{What: fmt.Sprintf("a plant has at most %d fields", mostFields)}
		}
		if depth > deepest {
			return flora.Problem{
				Key:  key,
				What: fmt.Sprintf("this key is not known: no field of a plant lies more than %d deep", deepest),
			}
		}
		switch at := node.(type) {
		case map[string]any:
			for name, value := range at {
				if err := walk(strings.TrimPrefix(key+"."+name, "."), value, depth+1); err != nil {
					return err
				}
			}
		case []any:
			for i, item := range at {
				if err := walk(fmt.Sprintf("%s[%d]", key, i), item, depth+1); err != nil {
					return err
				}
			}
		}
		return nil
	}
	return walk("", sheet, 0)
}

// isSmall tells whether a sheet keeps within the limits; fields counts what was seen of it.
func isSmall(node any, depth int, fields *int) bool {
	if *fields++; *fields > mostFields || depth > deepest {
		return false
	}
	switch at := node.(type) {
	case map[string]any:
		for _, value := range at {
			if !isSmall(value, depth+1, fields) {
				return false
			}
		}
	case []any:
		for _, item := range at {
			if !isSmall(item, depth+1, fields) {
				return false
			}
		}
	}
	return true
}

// mostSteps is more than any key has.
const mostSteps = 30

// endlessKey finds a key of more steps than any has, "a.b.c…": what is read step by step
// takes as long as somebody likes.
func endlessKey(text []byte) (at int, is bool) {
	steps := 0
	letters, blank := false, false // of the step that is being read: any, and a blank after them
	for i, b := range text {
		switch {
		case b == '.':
			if letters {
				steps++
			}
			letters, blank = false, false
			if steps > mostSteps {
				return i, true
			}
		case b == ' ' || b == '\t':
			blank = letters
		case b >= 'a' && b <= 'z', b >= 'A' && b <= 'Z', b >= '0' && b <= '9', b == '_', b == '-', b == '"', b == '\'':
			if blank { // a second word: it is a sentence, or a new line's key
				steps = 0
			}
			letters, blank = true, false
		default:
			steps, letters, blank = 0, false, false
		}
	}
	return 0, false
}

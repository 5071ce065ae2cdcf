package library

import (
	"bytes"
	"errors"
	"fmt"
	"maps"
	"math"
	"regexp"
	"slices"
	"strings"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/flora"
)

// A sheet is a species' file as a form shows it: tables, lists and lines, with every
// figure, range and common name as one line.

// ReadSheet returns the sheet of a species' text. It only has to be TOML: whether it
// can be relied on is CheckOwn's to say.
func ReadSheet(file string, text []byte) (map[string]any, error) {
	sheet := map[string]any{}
	if err := decode(file, text, &sheet); err != nil {
		return nil, err
	}
	if err := tooLarge(sheet); err != nil {
		return nil, fmt.Errorf("%s: %w", file, err)
	}
	if sheet["format"] == int64(oldFormat) {
		upgrade(sheet)
	}
	asLines(sheet)
	return sheet, nil
}

// asLines turns the tables of figures, ranges and common names in a tree into lines. A
// table that is none of them, or not whole, stays as it is.
func asLines(node any) any {
	switch at := node.(type) {
	case map[string]any:
		if line, is := lineOf(at); is {
			return line
		}
		for key, value := range at {
			at[key] = asLines(value)
		}
	case []any:
		for i, item := range at {
			at[i] = asLines(item)
		}
	}
	return node
}

// lineOf writes a table as the line it could have been.
func lineOf(table map[string]any) (line string, is bool) {
	has := func(key string) bool { _, has := table[key]; return has }
	var into interface{ MarshalText() ([]byte, error) }
	switch {
	case has("value") && has("standing"):
		into = &flora.Figure{}
	case has("from") && has("high") && has("unit"):
		into = &flora.Range{}
	case has("from") && has("high") && has("standing"):
		into = &flora.WordRange{}
	case has("language") && has("name") && len(table) == 2:
		into = &flora.CommonName{}
	default:
		return "", false
	}
	text, err := toml.Marshal(table)
	if err != nil || toml.Unmarshal(text, into) != nil {
		return "", false
	}
	written, err := into.MarshalText()
	return string(written), err == nil
}

// WriteSheet writes a sheet as a species' file. What was left empty is left out, so
// that what is usual holds; an item of a list is never left out, so that nothing that
// was begun is lost unsaid.
func WriteSheet(sheet map[string]any) ([]byte, error) {
	if err := tooLarge(sheet); err != nil {
		return nil, err
	}
	whole, _ := withoutEmpty(sheet, false)
	var out bytes.Buffer
	if err := toml.NewEncoder(&out).Encode(whole); err != nil {
		return nil, fmt.Errorf("write the plant's file: %w", err)
	}
	return out.Bytes(), nil
}

// withoutEmpty copies a node without what is empty in it, whole numbers as such, and
// tells whether anything is left.
func withoutEmpty(node any, inList bool) (kept any, has bool) {
	switch at := node.(type) {
	case map[string]any:
		table := map[string]any{}
		for key, value := range at {
			if v, has := withoutEmpty(value, false); has {
				table[key] = v
			}
		}
		return table, inList || len(table) > 0
	case []any:
		list := []any{}
		for _, item := range at {
			if v, has := withoutEmpty(item, true); has {
				list = append(list, v)
			}
		}
		return list, len(list) > 0
	case string:
		text := strings.TrimSpace(at)
		return text, text != ""
	case float64:
		// JSON knows no whole numbers, and TOML tells 1 from 1.0.
		const exactBelow = 1 << 53
		if at == math.Trunc(at) && math.Abs(at) < exactBelow {
			return int64(at), true
		}
	case nil:
		return nil, false
	}
	return node, true
}

// CheckSheet writes a sheet as a species' file and makes sure that it can be relied on
// as CheckOwn does. What is wrong comes back by its key, as "part[1].harvest.per_plant".
func (l *Library) CheckSheet(sheet map[string]any) (*flora.Species, []byte, []flora.Problem) {
	if err := tooLarge(sheet); err != nil {
		return nil, nil, keyed(err)
	}
	if _, old := sheet["propagation"]; old { // a form that was begun before this format
		upgrade(sheet)
	}
	if problems := unreadable(sheet); len(problems) > 0 {
		return nil, nil, problems
	}
	text, err := WriteSheet(sheet)
	if err != nil {
		return nil, nil, []flora.Problem{{What: err.Error()}}
	}
	s, err := l.CheckOwn(sheetFile, text)
	if err != nil {
		return nil, text, keyed(err)
	}
	return s, text, nil
}

const sheetFile = "plant"

// mostUnreadable is after how many lines that cannot be read the rest is left unread.
const mostUnreadable = 30

// unreadable finds the lines of a sheet that cannot be read, each by its key. Every
// field is read by itself: what reads a whole file stops at the first, and does not say
// in which item of a list it stands.
func unreadable(sheet map[string]any) (problems []flora.Problem) {
	var walk func(key string, node any, within func(any) any)
	walk = func(key string, node any, within func(any) any) {
		if len(problems) == mostUnreadable {
			return
		}
		if strings.Count(key, ".") > deepest {
			problems = append(problems, flora.Problem{Key: key, What: "this key is not known"})
			return
		}
		switch at := node.(type) {
		case map[string]any:
			for _, name := range slices.Sorted(maps.Keys(at)) {
				walk(strings.TrimPrefix(key+"."+name, "."), at[name], func(v any) any { return within(map[string]any{name: v}) })
			}
			return
		case []any:
			for i, item := range at {
				walk(fmt.Sprintf("%s[%d]", key, i), item, func(v any) any { return within([]any{v}) })
			}
			return
		}
		text, err := WriteSheet(within(node).(map[string]any))
		if err == nil {
			err = decode(sheetFile, text, &flora.Species{})
		}
		if err != nil {
			problems = append(problems, flora.Problem{Key: key, What: keyed(err)[0].What})
		}
	}
	walk("", sheet, func(v any) any { return v })
	return problems
}

// named is what a key's item is called by, which a form does not need: "part[0] (leaf)".
var named = regexp.MustCompile(`(\[\d+\]) \([^)]*\)`)

// keyed lists what an error of reading a species says, each with its key where it has one.
func keyed(err error) []flora.Problem {
	if several, are := err.(interface{ Unwrap() []error }); are {
		var all []flora.Problem
		for _, one := range several.Unwrap() {
			all = append(all, keyed(one)...)
		}
		return all
	}
	var problem flora.Problem
	if !errors.As(err, &problem) {
		return []flora.Problem{{What: err.Error()}}
	}
	problem.Key = named.ReplaceAllString(problem.Key, "$1")
	return []flora.Problem{problem}
}

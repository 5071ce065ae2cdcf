package library

import (
	"bytes"
	"maps"
	"regexp"
	"slices"
	"strings"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// oldFormat is the format before this one, in which growers have plants of their own.
const oldFormat = 1

// upgraded returns a species' text and tree in the format that is read today. One that is in
// it comes back as it is.
func upgraded(text []byte, tree map[string]any) ([]byte, map[string]any, error) {
	if tree["format"] != int64(oldFormat) {
		return text, tree, nil
	}
	upgrade(tree)
	var out bytes.Buffer
	if err := toml.NewEncoder(&out).Encode(tree); err != nil {
		return nil, nil, err
	}
	return out.Bytes(), tree, nil
}

// upgrade turns a tree of the old format into one of today's. What is not as it was said to be
// is left as it stands, for the checks to tell.
func upgrade(tree map[string]any) {
	tree["format"] = int64(flora.FormatVersion)
	if ways, is := tree["propagation"].(map[string]any); is {
		tree["propagate"] = propagateRows(ways)
		delete(tree, "propagation")
	}
	if growth, is := tree["growth"].(map[string]any); is {
		if frosts, has := growth["frost"]; has {
			tree["tender"] = frosts
			delete(growth, "frost")
		}
	}
	for _, part := range tables(tree["part"]) {
		if water, has := part["water"]; has {
			part["keep"] = map[string]any{"water": water}
			delete(part, "water")
		}
	}
	for _, like := range tables(tree["look_alike"]) {
		if when, is := like["when"].(string); is {
			var of string
			if like["when"], of = monthsOf(when); of != "" {
				like["of"] = of
			}
		}
	}
	identity, _ := tree["identity"].(map[string]any)
	if danger, _ := identity["danger"].(string); flora.IsDangerous(danger) && tree["poison"] == nil {
		const unknown = "Not on record."
		tree["poison"] = map[string]any{
			"what": unknown, "signs": unknown, "soon": unknown,
			"first": "Call a poison centre or the emergency number at once, and keep a piece of the plant.",
		}
	}
}

// propagateRows are the ways of the old format as rows.
func propagateRows(ways map[string]any) []any {
	rows := []any{}
	for _, way := range slices.Sorted(maps.Keys(ways)) {
		how, _ := ways[way].(string)
		rows = append(rows, map[string]any{"way": wayToday(way, how), "how": how})
	}
	return rows
}

// wayToday is what a way of the old format is called today: a cutting says of what wood it is.
func wayToday(way, how string) string {
	switch {
	case way == "itself":
		return "volunteers"
	case way != "cutting":
		return way
	case strings.Contains(how, "soft"):
		return "softwood cutting"
	case strings.Contains(how, "half-ripe"):
		return "half-ripe cutting"
	case strings.Contains(how, "hard"):
		return "hardwood cutting"
	}
	return "softwood cutting"
}

// monthWords finds "March to July" or one month in a text.
var monthWords = func() *regexp.Regexp {
	const month = `(?:January|February|March|April|May|June|July|August|September|October|November|December)`
	return regexp.MustCompile(month + `(?: to ` + month + `)?`)
}()

// monthsOf are the months that a text of the old format names, and what is left of it; all
// year, and the whole text, where it names none or says more than months can.
func monthsOf(text string) (months, rest string) {
	var all calendar.Months
	for _, found := range monthWords.FindAllString(text, -1) {
		var span calendar.Months
		if span.UnmarshalText([]byte(found)) == nil {
			all |= span
		}
	}
	if all == 0 {
		return calendar.AllYear.String(), strings.TrimSpace(strings.ReplaceAll(text, calendar.AllYear.String(), ""))
	}
	rest = strings.Trim(strings.TrimSpace(monthWords.ReplaceAllString(text, "")), " ,;:")
	if halfATime.MatchString(rest) { // "from May": no months say it whole
		return calendar.AllYear.String(), text
	}
	return all.String(), rest
}

// halfATime finds a word that leaves a time open at one end, or puts two of them side by side.
var halfATime = regexp.MustCompile(`(?i)\b(from|until|till|by|in|after|before|since|on)\b|,`)

// tables are the tables of a list; none where it is none.
func tables(list any) (all []map[string]any) {
	items, _ := list.([]any)
	for _, item := range items {
		if table, is := item.(map[string]any); is {
			all = append(all, table)
		}
	}
	return all
}

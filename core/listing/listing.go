// Package listing reads plants as people write them down: "3 lovage, 10 ramsons from a
// division in 2028, a hop at the fence". It finds the numbers, the names and what else is said;
// whether a plant or a bed is known by a name is not its business.
package listing

import (
	"regexp"
	"strconv"
	"strings"

	"bramblyacre/core/flora"
)

// Entry is one plant of a list, as far as it is said.
type Entry struct {
	// Text is the entry as it was written.
	Text string
	// Name is what is left after all else was taken out.
	Name string
	// Count is how many plants, 0 where nobody said. Vague is true for a word such as "some".
	Count int
	Vague bool
	// Area is the ground they cover, as typed; empty where plants are counted.
	Area string
	// Origin is empty where it is not said.
	Origin flora.Origin
	// Source is who it came from, empty where it is not said.
	Source string
	// Since is when it was set.
	Since Since
	// Where is the bed, as written.
	Where string
}

// Read reads a list, entries parted by lines, semicolons, commas and "and". A name that
// holds an "and" of its own is kept whole where isName knows it.
func Read(text string, isName func(name string) bool) []Entry {
	var entries []Entry
	for _, part := range parted(text, isName) {
		if part = strings.TrimSpace(strings.Trim(part, "-–•*. \t")); part != "" {
			entries = append(entries, readEntry(part, isName))
		}
	}
	return entries
}

// A comma between digits belongs to a number; one before a clause that is no plant belongs to
// the entry before it.
var (
	breaks = regexp.MustCompile(`[\n\r;]+|,(?:\s+|$)|,(?:[^\s\d])`)
	ands   = regexp.MustCompile(`(?i)\s+(?:and|&|\+)\s+`)
	clause = regexp.MustCompile(
		`(?i)^(?:in|at|by|near|under|along|on|from|since|sown|bought|divided|planted|set|found|self-sown|as)\b`,
	)
)

func parted(text string, isName func(string) bool) []string {
	var parts []string
	from := 0
	add := func(part string, onLine bool) {
		if onLine && len(parts) > 0 && clause.MatchString(strings.TrimSpace(part)) {
			parts[len(parts)-1] += " " + strings.TrimSpace(part)
			return
		}
		parts = append(parts, part)
	}
	onLine := false
	for _, at := range breaks.FindAllStringIndex(text, -1) {
		add(text[from:at[0]], onLine)
		onLine = text[at[0]] == ','
		from = at[0] + 1
	}
	add(text[from:], onLine)
	var whole []string
	for _, part := range parts {
		whole = append(whole, partedAtAnd(part, isName)...)
	}
	return whole
}

func partedAtAnd(part string, isName func(string) bool) []string {
	at := ands.FindStringIndex(part)
	// Nothing that is longer is one plant: a long list of ands is not read again at each of them.
	const longestEntry = 200
	if at == nil || len(part) <= longestEntry && isName(readEntry(part, isName).Name) {
		return []string{part}
	}
	// "and in May" goes on with the same entry.
	if rest := part[at[1]:]; clause.MatchString(rest) {
		return partedAtAnd(part[:at[0]]+" "+rest, isName)
	}
	return append([]string{part[:at[0]]}, partedAtAnd(part[at[1]:], isName)...)
}

var (
	area = regexp.MustCompile(
		`(?i)^(\d+(?:[.,]\d+)?\s*(?:m²|m2|sq\.? ?m|square met(?:er|re)s?|ft²|ft2|sq\.? ?ft|square feet|square foot))\.?\s+(?:of\s+)?`,
	)
	number = regexp.MustCompile(
		`(?i)^(?:about\s+|around\s+|~\s*)?(\d{1,6})\s*(?:x|×|plants? of|pots? of|stands? of)?\s+(?:of\s+)?`,
	)
	numberAfter = regexp.MustCompile(`(?i)\s*(?:[x×:]\s*(\d{1,6})|\((\d{1,6})\)|\s(\d{1,6})(?:\s*plants?)?)$`)
	dozen       = regexp.MustCompile(`(?i)^(?:(a|one|two|three|four|half a)\s+)?dozen\s+(?:of\s+)?`)
	worded      = regexp.MustCompile(
		`(?i)^(an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\s+(?:(?:plants?|pots?)\s+of\s+)?`,
	)
	vague = regexp.MustCompile(
		`(?i)^(?:(?:a|an|the|one|my|our)\s+)?(?:some|few|several|many|lots of|patch of|row of|clump of|drift of|bed of|handful of|couple of|pair of)\s+(?:of\s+)?`,
	)
	article = regexp.MustCompile(`(?i)^(?:the|my|our|some)\s+`)
)

var counts = map[string]int{
	"a":      1,
	"an":     1,
	"one":    1,
	"two":    2,
	"three":  3,
	"four":   4,
	"five":   5,
	"six":    6,
	"seven":  7,
	"eight":  8,
	"nine":   9,
	"ten":    10,
	"eleven": 11,
	"twelve": 12,
}

func readEntry(text string, isName func(string) bool) Entry {
	e := Entry{Text: text}
	rest := strings.Join(strings.Fields(text), " ")
	rest = e.readNumber(rest)
	rest = e.readClauses(rest, isName)
	if m := numberAfter.FindStringSubmatchIndex(rest); m != nil && e.Count == 0 && e.Area == "" && m[0] > 0 {
		for group := 2; group < len(m); group += 2 {
			if m[group] >= 0 {
				e.Count, _ = strconv.Atoi(rest[m[group]:m[group+1]]) // digits alone, few enough
			}
		}
		rest = rest[:m[0]]
	}
	e.Name = strings.Trim(article.ReplaceAllString(rest, ""), " .,:-–")
	return e
}

// readNumber takes the number or the area from the beginning.
func (e *Entry) readNumber(text string) string {
	if m := area.FindStringSubmatchIndex(text); m != nil {
		e.Area = text[m[2]:m[3]]
		return text[m[1]:]
	}
	if m := dozen.FindStringSubmatch(text); m != nil {
		switch times := strings.ToLower(m[1]); times {
		case "half a":
			e.Count = 6
		case "":
			e.Count = 12
		default:
			e.Count = 12 * counts[times]
		}
		return text[len(m[0]):]
	}
	if m := vague.FindString(text); m != "" {
		if strings.Contains(strings.ToLower(m), "couple") || strings.Contains(strings.ToLower(m), "pair") {
			e.Count = 2
		} else {
			e.Vague = true
		}
		return text[len(m):]
	}
	if m := number.FindStringSubmatch(text); m != nil {
		e.Count, _ = strconv.Atoi(m[1]) // digits alone, few enough
		return text[len(m[0]):]
	}
	if m := worded.FindStringSubmatch(text); m != nil {
		e.Count = counts[strings.ToLower(m[1])]
		return text[len(m[0]):]
	}
	return text
}

package calendar

import (
	"regexp"
	"strings"
	"time"
)

// monthName finds a month in a text. May counts only where it stands as a month stands:
// after or before a word of time.
var monthName = regexp.MustCompile(
	`\b(January|February|March|April|June|July|August|September|October|November|December|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)\b` +
		`|\b(?:in|from|to|until|till|by|of|early|mid|late|and|or|before|after|through|since|–|-) (May)\b|\b(May) (?:to|until|till|and|or|onward|–|-)`,
)

// notTimes are what is left of a text that names nothing but months.
var notTimes = regexp.MustCompile(
	`(?i)\b(to|from|until|till|and|or|in|by|of|the|early|mid|late|end|beginning|middle|onward|onwards|on|through|before|after|only|again|mostly|all)\b|[\s,.;:()–-]|\d`,
)

// SouthernMonths returns a text about the northern year as it holds in the south: where it
// names nothing but months, they are turned by half a year; where months stand among other
// words, it says that they are of the north. A text without months is returned as it is.
func SouthernMonths(text string) string {
	found := monthName.FindAllStringSubmatchIndex(text, -1)
	if found == nil {
		return text
	}
	var turned, rest strings.Builder
	at := 0
	for _, match := range found {
		from, to := match[2], match[3]
		for group := 2; from < 0 && group < len(match)/2; group++ {
			from, to = match[2*group], match[2*group+1]
		}
		turned.WriteString(text[at:from])
		rest.WriteString(text[at:from])
		turned.WriteString(halfAYearOn(text[from:to]))
		at = to
	}
	turned.WriteString(text[at:])
	rest.WriteString(text[at:])
	if notTimes.ReplaceAllString(rest.String(), "") == "" {
		return turned.String()
	}
	return strings.TrimSuffix(
		text,
		".",
	) + " (months of the north)" + map[bool]string{true: ".", false: ""}[strings.HasSuffix(text, ".")]
}

// halfAYearOn is the month six months after a named one, as long or as short.
func halfAYearOn(name string) string {
	for m := time.January; m <= time.December; m++ {
		other := (m+5)%12 + 1
		switch {
		case name == m.String():
			return other.String()
		case len(name) >= 3 && strings.HasPrefix(m.String(), name):
			return other.String()[:3]
		}
	}
	return name
}

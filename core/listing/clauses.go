package listing

import (
	"regexp"
	"strconv"
	"strings"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

// Since is when a plant was set, as far as it is said.
type Since struct {
	// Year is 0 where nothing is said, or where YearsAgo says it.
	Year int
	// YearsAgo is how many years ago: 0 for this year where Said is true and Year is 0.
	YearsAgo int
	Said     bool
	// Month and Day are 0 where they are not said; Season is "" or spring, summer, autumn, winter.
	Month  time.Month
	Day    int
	Season string
}

// On returns the day that is meant on a plot, seen from today: the middle of a month or season where
// no day is said, of spring where only the year is, or today where that is still to come; today where
// nothing is said. It is false for a day that there is not, or that was said and has not come.
func (s Since) On(today calendar.Date, southern bool) (calendar.Date, bool) {
	if !s.Said {
		return today, true
	}
	year := s.Year
	if year == 0 {
		year = today.Year() - s.YearsAgo
	}
	middles := map[string]time.Month{
		"spring": time.April,
		"summer": time.July,
		"autumn": time.October,
		"winter": time.January,
	}
	month, day := s.Month, s.Day
	if month == 0 {
		season := s.Season
		if season == "" {
			season = "spring"
		}
		month = middles[season]
		if southern {
			month = (month+5)%12 + 1
		}
	}
	if day == 0 {
		const middle = 15
		day = middle
	}
	on, err := calendar.New(year, month, day)
	if err != nil {
		return today, false
	}
	if on > today {
		said := s.Month != 0 && month != today.Month() || s.Day != 0 || year > today.Year()
		return today, !said
	}
	return on, true
}

const monthNames = `jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?`

var (
	when = []*regexp.Regexp{
		regexp.MustCompile(
			`(?i)\b(?:(?:in|since|on|from|planted|set)\s+)*(?:(?P<day>\d{1,2})(?:st|nd|rd|th)?\s+)?(?P<month>` + monthNames + `)\.?,?\s+(?P<year>(?:19|20)\d\d)\b`,
		),
		regexp.MustCompile(
			`(?i)\b(?:(?:in|since|from|planted|set)\s+)*(?:the\s+)?(?P<season>spring|summer|autumn|fall|winter)\s+(?:of\s+)?(?P<year>(?:19|20)\d\d)\b`,
		),
		regexp.MustCompile(`\b(?P<year>(?:19|20)\d\d)-(?P<monthno>\d\d)-(?P<day>\d\d)\b`),
		regexp.MustCompile(`(?i)\b(?:(?:in|since|from|planted|set)\s+)*(?:the\s+year\s+)?(?P<year>(?:19|20)\d\d)\b`),
		regexp.MustCompile(`(?i)\b(?P<last>last|this)\s+(?P<season>spring|summer|autumn|fall|winter|year)\b`),
		regexp.MustCompile(`(?i)\b(?P<ago>\d{1,2}|an?|one|two|three|four|five|six|seven|eight|nine|ten)\s+years?\s+ago\b`),
		regexp.MustCompile(`(?i)\b(?P<today>today)\b`),
	}
	origins = []struct {
		origin flora.Origin
		said   *regexp.Regexp
	}{
		{
			flora.FromVolunteer,
			regexp.MustCompile(
				`(?i)\b(?:(?:which|that)\s+)?(?:came\s+up\s+by\s+(?:it|them)sel(?:f|ves)|self-?\s?sown|self-?\s?seeded|volunteers?)\b`,
			),
		},
		{
			flora.FromSeed,
			regexp.MustCompile(`(?i)\b(?:(?:grown\s+)?from\s+(?:a\s+packet\s+of\s+)?seeds?|as\s+seeds?|sown)\b`),
		},
		{
			flora.FromDivision,
			regexp.MustCompile(
				`(?i)\b(?:from\s+(?:an?\s+)?(?:divisions?|offsets?|runners?|suckers?)|as\s+(?:an?\s+)?divisions?|divided)\b`,
			),
		},
		{
			flora.FromCutting,
			regexp.MustCompile(
				`(?i)\b(?:from\s+(?:an?\s+)?(?:(?:root|hardwood|softwood)\s+)?cuttings?|as\s+(?:an?\s+)?cuttings?)\b`,
			),
		},
		{
			flora.FromBought,
			regexp.MustCompile(`(?i)\b(?:bought(?:\s+in)?|from\s+(?:the|a)\s+(?:nursery|shop|market|garden\s+cent(?:er|re)))\b`),
		},
		{flora.FromFound, regexp.MustCompile(`(?i)\bfound(?:\s+(?:here|there|growing))?\b`)},
	}
	setAtEnd = regexp.MustCompile(`(?i)\s(?:planted|set)$`)
	place    = regexp.MustCompile(
		`(?i)\s(?:in|into|at|by|near|under|along|on|beside|behind|against)\s+(?:the\s+|my\s+|our\s+)?([^,]+?)\s*$`,
	)
	source = regexp.MustCompile(`(?i)\sfrom\s+([^,]+?)\s*$`)
	months = map[string]time.Month{
		"jan": time.January,
		"feb": time.February,
		"mar": time.March,
		"apr": time.April,
		"may": time.May,
		"jun": time.June,
		"jul": time.July,
		"aug": time.August,
		"sep": time.September,
		"oct": time.October,
		"nov": time.November,
		"dec": time.December,
	}
)

// ReadSince reads when a plant was set, written alone; Said is false where it is no time.
func ReadSince(text string) Since {
	e := readEntry("x "+strings.TrimSpace(text), func(string) bool { return false })
	if e.Name != "x" {
		return Since{}
	}
	return e.Since
}

// ReadOrigin reads how a plant began, written alone: a word of flora's, or as in a list; empty
// where it is no way to begin.
func ReadOrigin(text string) flora.Origin {
	text = strings.ToLower(strings.TrimSpace(text))
	if row, err := flora.ParseOrigin(text); err == nil {
		return row.Origin
	}
	for _, written := range []string{"x " + text, "x from " + text} {
		if e := readEntry(written, func(string) bool { return false }); e.Origin != "" {
			return e.Origin
		}
	}
	return ""
}

// readClauses takes when, from what, where and from whom out of an entry. What is a name as it
// stands is left whole: jack by the hedge is a plant.
func (e *Entry) readClauses(text string, isName func(string) bool) string {
	for _, pattern := range when {
		m := pattern.FindStringSubmatchIndex(text)
		if m == nil || m[0] == 0 {
			continue
		}
		e.Since = sinceOf(func(group string) string {
			if at := pattern.SubexpIndex(group); at >= 0 && m[2*at] >= 0 {
				return strings.ToLower(text[m[2*at]:m[2*at+1]])
			}
			return ""
		})
		text = text[:m[0]] + text[m[1]:]
		break
	}
	for _, row := range origins {
		if at := row.said.FindStringIndex(text); at != nil && at[0] > 0 {
			e.Origin = row.origin
			text = text[:at[0]] + text[at[1]:]
			break
		}
	}
	text = " " + strings.TrimRight(strings.Join(strings.Fields(text), " "), " ,")
	text = setAtEnd.ReplaceAllString(text, "")
	for range 2 {
		if isName(strings.TrimSpace(text)) {
			break
		}
		if m := place.FindStringSubmatchIndex(text); m != nil && e.Where == "" {
			e.Where, text = strings.Trim(text[m[2]:m[3]], " ,."), text[:m[0]]
		}
		if m := source.FindStringSubmatchIndex(text); m != nil && e.Source == "" {
			e.Source, text = strings.Trim(text[m[2]:m[3]], " ,."), text[:m[0]]
		}
	}
	return strings.TrimSpace(text)
}

func sinceOf(said func(group string) string) Since {
	s := Since{Said: true}
	s.Year, _ = strconv.Atoi(said("year")) // digits alone, or nothing
	s.Day, _ = strconv.Atoi(said("day"))
	if month := said("month"); len(month) >= 3 {
		s.Month = months[month[:3]]
	}
	if n, err := strconv.Atoi(said("monthno")); err == nil {
		s.Month = time.Month(n)
	}
	s.Season = said("season")
	if s.Season == "fall" {
		s.Season = "autumn"
	}
	if s.Season == "year" {
		s.Season = ""
	}
	if said("last") == "last" {
		s.YearsAgo = 1
	}
	if ago := said("ago"); ago != "" {
		if n, err := strconv.Atoi(ago); err == nil {
			s.YearsAgo = n
		} else {
			s.YearsAgo = counts[ago]
		}
	}
	if said("today") != "" {
		return Since{}
	}
	return s
}

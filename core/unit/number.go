package unit

import (
	"errors"
	"math"
	"regexp"
	"strconv"
	"strings"
)

// errNoNumber is returned for a text that begins with no number.
var errNoNumber = errors.New("no number")

// ErrAmbiguous is returned for a number like "1,500", which is one and a half to some and
// fifteen hundred to others.
var ErrAmbiguous = errors.New("a comma before three figures can be read two ways: write 1500 or 1.5")

// vulgar are the fractions that keyboards and pens write in one sign.
var vulgar = map[rune]float64{
	'½': 1.0 / 2,
	'⅓': 1.0 / 3,
	'⅔': 2.0 / 3,
	'¼': 1.0 / 4,
	'¾': 3.0 / 4,
	'⅕': 1.0 / 5,
	'⅖': 2.0 / 5,
	'⅗': 3.0 / 5,
	'⅘': 4.0 / 5,
	'⅙': 1.0 / 6,
	'⅚': 5.0 / 6,
	'⅛': 1.0 / 8,
	'⅜': 3.0 / 8,
	'⅝': 5.0 / 8,
	'⅞': 7.0 / 8,
}

// spoken are numbers in words, the longer before those that they begin with.
var spoken = []struct {
	words string
	value float64
}{
	{
		"half a dozen",
		6,
	},
	{"a dozen", 12},
	{"one and a half", 1.5},
	{"half an", 0.5},
	{"half a", 0.5},
	{"a half", 0.5},
	{"half", 0.5},
	{
		"quarter of a",
		0.25,
	},
	{"a quarter", 0.25},
	{"quarter", 0.25},
	{"a third of a", 1.0 / 3},
	{"a couple of", 2},
	{"a pair of", 2},
	{"an", 1},
	{"a", 1},
	{
		"one",
		1,
	},
	{"two", 2},
	{"three", 3},
	{"four", 4},
	{"five", 5},
	{"six", 6},
	{"seven", 7},
	{"eight", 8},
	{"nine", 9},
	{"ten", 10},
	{"eleven", 11},
	{"twelve", 12},
}

var (
	figures  = regexp.MustCompile(`^([+-]?)(\d{1,3}(?:[ \x{a0}\x{202f}]\d{3})+|\d+(?:[.,]\d+)?|[.,]\d+)`)
	gaps     = strings.NewReplacer(" ", "", "\u00a0", "", "\u202f", "", ",", ".")
	twoWays  = regexp.MustCompile(`^[1-9]\d{0,2},\d{3}$`)
	overSign = regexp.MustCompile(`^\s*[/⁄]\s*(\d+)`)
	andPart  = regexp.MustCompile(`^(?:\s+|\s*-\s*|\s+and\s+)(\d+)\s*[/⁄]\s*(\d+)`)
)

// SplitNumber reads the number that a text begins with, in figures ("0.5", "1,5", "1/4",
// "1 1/2", "1½", "1 000") or in words ("a", "half a", "two"), and returns it with the rest of the
// text. A text that begins with none, or with a fraction of nothing, is an error, and one
// that can be read two ways is ErrAmbiguous.
func SplitNumber(text string) (value float64, rest string, err error) {
	text = strings.TrimLeft(text, " \t\u00a0")
	if found := figures.FindStringSubmatch(text); found != nil {
		if twoWays.MatchString(found[2]) {
			return 0, text, ErrAmbiguous
		}
		if value, err = strconv.ParseFloat(gaps.Replace(found[2]), 64); err != nil {
			return 0, text, err
		}
		rest = text[len(found[0]):]
		switch over := overSign.FindStringSubmatch(rest); {
		case over != nil:
			value, rest, err = fraction(value, over[1], rest[len(over[0]):])
		default:
			if and := andPart.FindStringSubmatch(rest); and != nil {
				var part, top float64
				if top, err = strconv.ParseFloat(and[1], 64); err == nil {
					part, rest, err = fraction(top, and[2], rest[len(and[0]):])
				}
				value += part
			} else if sign, size := firstRune(strings.TrimLeft(rest, " ")); vulgar[sign] != 0 {
				value += vulgar[sign]
				rest = strings.TrimLeft(rest, " ")[size:]
			}
		}
		if found[1] == "-" {
			value = -value
		}
		return value, rest, err
	}
	if sign, size := firstRune(text); vulgar[sign] != 0 {
		return vulgar[sign], text[size:], nil
	}
	lower := strings.ToLower(text)
	for _, s := range spoken {
		if after, is := strings.CutPrefix(lower, s.words); is && (after == "" || after[0] == ' ') {
			return s.value, text[len(text)-len(after):], nil
		}
	}
	return 0, text, errNoNumber
}

func fraction(top float64, bottom, rest string) (float64, string, error) {
	under, err := strconv.ParseFloat(bottom, 64)
	if err != nil || under == 0 || math.IsInf(under, 0) {
		return 0, rest, errNoNumber
	}
	return top / under, rest, nil
}

func firstRune(text string) (r rune, size int) {
	for i, c := range text {
		if i > 0 {
			return r, i
		}
		r = c
	}
	return r, len(text)
}

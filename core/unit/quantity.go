// Package unit reads and writes amounts as growers do: "18 in", "45 cm",
// "2 lb 3 oz", "1.2 kg", "64 °F". Inside the program a length is in metres, a
// mass in grams, an area in square metres and a temperature in °C.
package unit

import (
	"errors"
	"fmt"
	"math"
	"regexp"
	"strings"
	"unicode"
)

// Kind is what a quantity measures.
type Kind int

// The kinds of quantity a grower types.
const (
	Length Kind = iota
	Mass
	Area
	Temperature
	Volume
	Duration
)

var kindNames = map[Kind]string{
	Length: "length", Mass: "weight", Area: "area", Temperature: "temperature", Volume: "volume", Duration: "time",
}

// String names the kind in a grower's word.
func (k Kind) String() string { return kindNames[k] }

func (k Kind) withArticle() string {
	if k == Area {
		return "an " + k.String()
	}
	return "a " + k.String()
}

// ErrEmpty is returned for a text without an amount.
var ErrEmpty = errors.New("nothing is written here")

// scale is a unit's factor to the base unit, and offset for temperatures:
// base = (value + before) × factor.
type scale struct {
	kind   Kind
	factor float64
	before float64
}

// The factors are exact by the international yard and pound agreement (1959).
var scales = map[string]scale{
	"m": {
		Length,
		1,
		0,
	},
	"metre":  {Length, 1, 0},
	"metres": {Length, 1, 0},
	"meter":  {Length, 1, 0},
	"meters": {Length, 1, 0},
	"cm":     {Length, 0.01, 0},
	"mm":     {Length, 0.001, 0},
	"in": {
		Length,
		0.0254,
		0,
	},
	"inch":   {Length, 0.0254, 0},
	"inches": {Length, 0.0254, 0},
	"\"":     {Length, 0.0254, 0},
	"″":      {Length, 0.0254, 0},
	"ft": {
		Length,
		0.3048,
		0,
	},
	"foot":  {Length, 0.3048, 0},
	"feet":  {Length, 0.3048, 0},
	"'":     {Length, 0.3048, 0},
	"′":     {Length, 0.3048, 0},
	"yd":    {Length, 0.9144, 0},
	"yard":  {Length, 0.9144, 0},
	"yards": {Length, 0.9144, 0},
	"mg": {
		Mass,
		0.001,
		0,
	},
	"g":      {Mass, 1, 0},
	"gram":   {Mass, 1, 0},
	"grams":  {Mass, 1, 0},
	"kg":     {Mass, 1000, 0},
	"kilo":   {Mass, 1000, 0},
	"kilos":  {Mass, 1000, 0},
	"oz":     {Mass, 28.349523125, 0},
	"ounce":  {Mass, 28.349523125, 0},
	"ounces": {Mass, 28.349523125, 0},
	"lb":     {Mass, 453.59237, 0},
	"lbs":    {Mass, 453.59237, 0},
	"pound":  {Mass, 453.59237, 0},
	"pounds": {Mass, 453.59237, 0},
	"m²":     {Area, 1, 0},
	"m2":     {Area, 1, 0},
	"sqm":    {Area, 1, 0},
	"ft²":    {Area, 0.09290304, 0},
	"ft2":    {Area, 0.09290304, 0},
	"sqft":   {Area, 0.09290304, 0},
	"ha":     {Area, 10000, 0},
	"acre":   {Area, 4046.8564224, 0},
	"acres":  {Area, 4046.8564224, 0},
	"ml":     {Volume, 0.001, 0},
	"cl":     {Volume, 0.01, 0},
	"l":      {Volume, 1, 0},
	"litre":  {Volume, 1, 0},
	"litres": {Volume, 1, 0},
	"liter":  {Volume, 1, 0},
	"liters": {Volume, 1, 0},
	"pt":     {Volume, 0.473176473, 0},
	"pint":   {Volume, 0.473176473, 0},
	"pints":  {Volume, 0.473176473, 0},
	"qt":     {Volume, 0.946352946, 0},
	"quart":  {Volume, 0.946352946, 0},
	"quarts": {Volume, 0.946352946, 0},
	"gal":    {Volume, 3.785411784, 0},
	"gallon": {Volume, 3.785411784, 0},
	"min":    {Duration, 1, 0},
	"mins":   {Duration, 1, 0},
	"minute": {Duration, 1, 0}, "minutes": {Duration, 1, 0},
	"h":     {Duration, 60, 0},
	"hr":    {Duration, 60, 0},
	"hour":  {Duration, 60, 0},
	"hours": {Duration, 60, 0},
	"°c":    {Temperature, 1, 0},
	"c":     {Temperature, 1, 0},
	"°f":    {Temperature, 5.0 / 9, -32},
	"f":     {Temperature, 5.0 / 9, -32},
}

// Parse reads one amount of a kind and returns it in the base unit (m, g, m², °C, l or minutes; pint, quart and
// gallon are those of the United States). A number without a unit takes the given default unit. Several
// parts are added up ("2 lb 3 oz", "5' 4\""), temperatures excepted; only the last may lack its unit. A
// unit of another kind, an unknown unit, or a text that is no number is an error that says what to write;
// an empty text is ErrEmpty.
func Parse(kind Kind, text, defaultUnit string) (float64, error) {
	rest := strings.TrimSpace(strings.ToLower(text))
	if rest == "" {
		return 0, ErrEmpty
	}
	total, parts := 0.0, 0
	for rest != "" {
		number, name, remaining, err := nextPart(rest)
		if errors.Is(err, ErrAmbiguous) {
			return 0, fmt.Errorf("%q: %w", text, err)
		}
		if err != nil || name == "" && remaining != "" { // two numbers are not one amount
			return 0, fmt.Errorf("%q is not %s; write for example %s", text, kind.withArticle(), example(kind))
		}
		rest = remaining
		if name == "" {
			name = strings.ToLower(defaultUnit)
		}
		s, known := scales[name]
		if !known || s.kind != kind {
			return 0, fmt.Errorf("%q is not a unit of %s; write for example %s", name, kind, example(kind))
		}
		total += (number + s.before) * s.factor
		parts++
	}
	if parts > 1 && kind == Temperature {
		return 0, fmt.Errorf("%q is not one temperature", text)
	}
	if math.IsInf(total, 0) || math.IsNaN(total) {
		return 0, fmt.Errorf("%q is too large a number", text)
	}
	return total, nil
}

var examples = map[Kind]string{
	Length: "45 cm or 18 in", Mass: "1.2 kg or 2 lb 3 oz", Area: "3 m² or 32 ft²", Temperature: "18 °C or 64 °F",
	Volume: "85 ml or 3 qt", Duration: "45 min or 1 h 30 min",
}

func example(kind Kind) string { return examples[kind] }

// unitName is a unit after its number. The 2 of m2 and ft2 belongs to the unit only where a
// word ends after it.
var unitName = regexp.MustCompile(`^[\s\x{a0}]*((?:m|ft)2\b|[^\d\s+.,/½⅓⅔¼¾⅛⅜⅝⅞-]*)[\s\x{a0}]*`)

// nextPart splits the first number and its unit off the text: "2 lb" of "2 lb 3 oz", "5'" of
// "5'4".
func nextPart(text string) (number float64, name, rest string, err error) {
	number, rest, err = SplitNumber(text)
	if err != nil {
		return 0, "", "", err
	}
	found := unitName.FindStringSubmatch(rest)
	if found[1] == "" && strings.ContainsFunc(text[:len(text)-len(rest)], unicode.IsLetter) {
		return 0, "", "", errNoNumber // "half", of nothing
	}
	return number, found[1], rest[len(found[0]):], nil
}

package library

import (
	"bytes"
	"errors"
	"fmt"
	"io/fs"
	"regexp"
	"slices"
	"strings"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// ReadSpecies reads one species file, with what is usual where it leaves something out
// and the courses of its years worked out. Every error names the file and the key.
func (l *Library) ReadSpecies(file string, text []byte) (*flora.Species, error) {
	// As a tree first: what no plant is would take long to tell key by key.
	var tree map[string]any
	if err := decode(file, text, &tree); err != nil {
		return nil, err
	}
	if err := tooLarge(tree); err != nil {
		return nil, fmt.Errorf("%s: %w", file, err)
	}
	text, tree, err := upgraded(text, tree)
	if err != nil {
		return nil, fmt.Errorf("%s: bring it into today's format: %w", file, err)
	}
	if err := walkFigures(file, "", tree); err != nil {
		return nil, err
	}
	return l.readInLines(file, text)
}

// readInLines reads a species' file of today's format whose figures are lines: none of them can
// lack a key.
func (l *Library) readInLines(file string, text []byte) (*flora.Species, error) {
	var s flora.Species
	if err := decode(file, text, &s); err != nil {
		return nil, err
	}
	for i, row := range s.Care {
		if row.Work != "" && !l.care.Has(row.Work) && len(l.care.Works) > 0 {
			return nil, fmt.Errorf("%s: %w", file,
				flora.Problem{Key: fmt.Sprintf("care[%d].work", i), What: fmt.Sprintf("there is no kind of work %q", row.Work)})
		}
	}
	l.usual.Fill(&s)
	s.Names.MakePlain()
	if s.Growth.At != "" {
		station, has := l.climates[s.Growth.At]
		if !has {
			return nil, fmt.Errorf(
				"%s: %w",
				file,
				flora.Problem{Key: "growth.at", What: fmt.Sprintf("there is no station %q", s.Growth.At)},
			)
		}
		if err := l.courses.Fill(&s, station); err != nil {
			return nil, fmt.Errorf("%s: %w", file, err)
		}
	}
	problems := append(s.Check(), identity.Check(&s)...)
	if len(problems) > 0 {
		faults := make([]error, len(problems))
		for i, p := range problems {
			faults[i] = fmt.Errorf("%s: %w", file, p)
		}
		return nil, errors.Join(faults...)
	}
	return &s, nil
}

// readUsual reads what is usual for parts of each kind. A set without it has none.
func readUsual(files fs.FS) (u flora.UsualFigures, err error) {
	const name = "parts.toml"
	text, err := fs.ReadFile(files, "usual/"+name)
	if errors.Is(err, fs.ErrNotExist) {
		return u, nil
	}
	if err != nil {
		return u, fmt.Errorf("read %s: %w", name, err)
	}
	return u, decode(name, text, &u)
}

func readClimate(file string, text []byte) (climate.Normals, error) {
	var n climate.Normals
	if err := decode(file, text, &n); err != nil {
		return n, err
	}
	if err := n.Check(); err != nil {
		return n, fmt.Errorf("%s: %w", file, err)
	}
	return n, nil
}

// decode reads TOML into a value and refuses keys that the value does not have.
func decode(file string, text []byte, into any) error {
	if at, is := endlessKey(text); is {
		return fmt.Errorf(
			"%s: line %d: %w",
			file,
			1+bytes.Count(text[:at], []byte("\n")),
			flora.Problem{What: fmt.Sprintf("no field of a plant lies more than %d deep", deepest)},
		)
	}
	decoder := toml.NewDecoder(bytes.NewReader(text)).DisallowUnknownFields()
	err := decoder.Decode(into)
	var unknown *toml.StrictMissingError
	var broken *toml.DecodeError
	switch {
	case errors.As(err, &unknown):
		first := unknown.Errors[0]
		row, _ := first.Position()
		return fmt.Errorf(
			"%s: line %d: %w",
			file,
			row,
			flora.Problem{Key: strings.Join(first.Key(), "."), What: "this key is not known"},
		)
	case errors.As(err, &broken):
		row, column := broken.Position()
		problem := flora.Problem{Key: strings.Join(broken.Key(), "."), What: plainly(broken.Error())}
		return fmt.Errorf("%s: line %d, column %d: %w", file, row, column, problem)
	case err != nil:
		return fmt.Errorf("%s: %w", file, err)
	}
	if problem, found := notFinite(into); found {
		return fmt.Errorf("%s: %w", file, problem)
	}
	return nil
}

// misplaced is how the decoder says that a value of one kind stands where another
// belongs, in the program's words.
var misplaced = regexp.MustCompile(`^cannot (?:decode TOML (\w+) into|store (?:a|an) (table|array)).*`)

var kindWords = map[string]string{
	"array":   "a list",
	"string":  "text",
	"integer": "a number",
	"float":   "a number",
	"boolean": "true or false",
	"inline":  "a table",
	"table":   "a table",
}

// plainly writes what the decoder says in a grower's words.
func plainly(fault string) string {
	fault = strings.TrimPrefix(fault, "toml: ")
	m := misplaced.FindStringSubmatch(fault)
	if m == nil {
		return fault
	}
	if word, has := kindWords[m[1]+m[2]]; has {
		return word + " cannot stand here"
	}
	return "this cannot stand here"
}

// figureKeys are the keys that every figure must carry: left out, a number
// would silently be 0.
var figureKeys = []string{"value", "low", "high", "unit", "standing"}

// rangeKeys are the keys that every range must carry; one of numbers has a unit
// besides, which its own check asks for.
var rangeKeys = []string{"low", "from", "to", "high", "standing"}

// wholeFigures makes sure that every table that looks like a figure has all of
// figureKeys.
func wholeFigures(file string, text []byte) error {
	var tree map[string]any
	if err := decode(file, text, &tree); err != nil {
		return err
	}
	return walkFigures(file, "", tree)
}

func walkFigures(file, key string, node any) error {
	switch at := node.(type) {
	case map[string]any:
		_, hasValue := at["value"]
		_, hasLow := at["low"]
		_, hasUnit := at["unit"]
		_, hasTo := at["to"]
		if hasValue || hasLow || hasUnit {
			wanted := figureKeys
			if hasTo && !hasValue {
				wanted = rangeKeys
			}
			for _, want := range wanted {
				if _, has := at[want]; !has {
					return fmt.Errorf("%s: %w", file, flora.Problem{Key: key + "." + want, What: "is missing"})
				}
			}
			return nil
		}
		names := make([]string, 0, len(at))
		for name := range at {
			names = append(names, name)
		}
		slices.Sort(names)
		for _, name := range names {
			if err := walkFigures(file, strings.TrimPrefix(key+"."+name, "."), at[name]); err != nil {
				return err
			}
		}
	case []any:
		for i, item := range at {
			if err := walkFigures(file, fmt.Sprintf("%s[%d]", key, i), item); err != nil {
				return err
			}
		}
	}
	return nil
}

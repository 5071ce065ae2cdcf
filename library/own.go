package library

import (
	"bytes"
	"errors"
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/spelling"
)

// Origin says how a species of the library comes not to be as shipped.
type Origin struct {
	// Own is true where the whole species is the grower's.
	Own bool
	// Figures are the grower's own figures by their key, with what the library says.
	Figures map[string]OwnFigure
}

// OwnFigure is a figure that the grower puts in place of the library's.
type OwnFigure struct {
	Species, Key string
	// Figure is the grower's, Library what the library said when it was put, both as
	// lines; Now what the library says today.
	Figure, Library, Now string
}

// With returns a library with the grower's own species and figures over this one,
// which is not changed. An own species may stand in for one of the library. What
// cannot be relied on is left out and told in faults, each with the species it is of:
// a library update must not lock the grower out.
func (l *Library) With(own map[string][]byte, figures []OwnFigure) (merged *Library, faults map[string]error) {
	merged = &Library{
		species:  map[string]*flora.Species{},
		climates: l.climates,
		stations: l.stations,
		ground:   l.ground,
		bench:    l.bench,
		care:     l.care,
		gather:   l.gather,
		spread:   l.spread,
		usual:    l.usual,
		works:    l.works,
		courses:  l.courses,
		texts:    map[string][]byte{},
		origins:  map[string]Origin{},
	}
	faults = map[string]error{}
	byID := map[string][]OwnFigure{}
	for _, f := range figures {
		byID[f.Species] = append(byID[f.Species], f)
	}
	texts := maps.Clone(l.texts)
	maps.Copy(texts, own)
	for _, id := range slices.Sorted(maps.Keys(texts)) {
		s, text := l.species[id], texts[id]
		_, isOwn := own[id]
		origin := Origin{Own: isOwn}
		if isOwn {
			read, err := l.ReadSpecies(id+".toml", text)
			if err == nil {
				err = errors.Join(l.softens(read), l.tells(read))
			}
			if err != nil {
				faults[id] = err
				if s == nil {
					continue
				}
			} else {
				s = read
			}
		}
		for _, f := range byID[id] {
			changed, err := replaceFigure(text, f.Key, f.Figure)
			var read *flora.Species
			if err == nil {
				read, err = l.ReadSpecies(id+".toml", changed)
			}
			if err != nil {
				faults[id] = err
				continue
			}
			f.Now = lineAt(s, f.Key)
			if origin.Figures == nil {
				origin.Figures = map[string]OwnFigure{}
			}
			origin.Figures[f.Key] = f
			s, text = read, changed
		}
		merged.add(s, text)
		if origin.Own || origin.Figures != nil {
			merged.origins[id] = origin
		}
	}
	merged.sort()
	return merged, faults
}

// CheckOwn reads a species of the grower's and makes sure that it agrees with all
// others of the library, as those that ship have to. The errors name line or key.
func (l *Library) CheckOwn(file string, text []byte) (*flora.Species, error) {
	s, err := l.ReadSpecies(file, text)
	if err != nil {
		return nil, err
	}
	others := []*flora.Species{s}
	for _, other := range l.ordered {
		if other.ID != s.ID {
			others = append(others, other)
		}
	}
	faults := []error{l.softens(s), l.tells(s)}
	for _, fault := range identity.CheckTogether(others) {
		faults = append(faults, fmt.Errorf("%s: %w", file, fault))
	}
	return s, errors.Join(faults...)
}

// softens refuses a species of the grower's that would make a dangerous plant of the
// library less so: one in its place, or one of its botanical name that is called milder
// or is used where it is not. A slip of the pen must not open the gate.
func (l *Library) softens(own *flora.Species) error {
	if !spelling.IsLatin(strings.Join(append([]string{own.Names.Botanical}, own.Names.Former...), " ")) {
		return flora.Problem{Key: "names.botanical", What: "a botanical name is written in Latin letters; type it anew"}
	}
	for _, danger := range l.ordered {
		if !flora.IsDangerous(danger.Identity.Danger) {
			continue
		}
		if by, near := flora.NearPlant(
			own,
			danger,
		); near && !flora.SamePlant(own, danger) && own.IsUsed() &&
			!slices.Contains(own.Identity.OtherThan, danger.ID) {
			return flora.Problem{
				Key: "names",
				What: fmt.Sprintf(
					"%q is a name of %s (%s), which is %s, or nearly so. Mend the name; or if it is truly another plant, say so: other_than = [%q] under identity",
					by,
					danger.Names.Name,
					danger.Names.Botanical,
					danger.Identity.Danger,
					danger.ID,
				),
			}
		}
		if danger.ID == own.ID {
			return flora.Problem{
				Key: "id",
				What: fmt.Sprintf(
					"%s is %s in the library and stays as it is there; give yours another id",
					danger.Names.Name,
					danger.Identity.Danger,
				),
			}
		}
		if !flora.SamePlant(own, danger) {
			continue
		}
		if own.IsUsed() && !danger.IsUsed() {
			return flora.Problem{
				Key: "part",
				What: fmt.Sprintf(
					"%s is %s in the library as %s: no part of it is used",
					own.Names.Botanical,
					danger.Identity.Danger,
					danger.Names.Name,
				),
			}
		}
		if milder(own.Identity.Danger, danger.Identity.Danger) {
			return flora.Problem{
				Key: "identity.danger",
				What: fmt.Sprintf(
					"%s is %s in the library as %s: it cannot be %q here",
					own.Names.Botanical,
					danger.Identity.Danger,
					danger.Names.Name,
					own.Identity.Danger,
				),
			}
		}
	}
	return nil
}

// tells refuses a used species of the grower's whose musts tell it from too little: at
// least one must decides against every deadly plant. Else a label and a few characters
// that many plants share would prove it.
func (l *Library) tells(own *flora.Species) error {
	if !own.IsUsed() {
		return nil
	}
	var open []string
	for _, d := range identity.NewRules(own, l.ordered, true).Dangers {
		if d.Danger == "deadly" &&
			!slices.ContainsFunc(own.Identity.Musts, func(must string) bool { return slices.Contains(d.Deciding, must) }) {
			open = append(open, d.Name)
		}
	}
	if len(open) == 0 {
		return nil
	}
	return flora.Problem{
		Key:  "identity.must",
		What: fmt.Sprintf("none of the musts tells it from %s, which kill: add a must that does", strings.Join(open, ", ")),
	}
}

func milder(danger, than string) bool {
	return slices.Index(flora.DangerWords, danger) > slices.Index(flora.DangerWords, than)
}

// Origin tells how a species comes not to be as shipped, and whether it is not.
func (l *Library) Origin(id string) (Origin, bool) {
	origin, has := l.origins[id]
	return origin, has
}

// Text is the file of a species, the grower's figures in it.
func (l *Library) Text(id string) ([]byte, bool) {
	text, has := l.texts[id]
	return text, has
}

// lineAt is a figure of a species as its line.
func lineAt(s *flora.Species, key string) string {
	for _, k := range FigureKeys(s) {
		if k.Key == key {
			line, _ := k.Figure.MarshalText() // a figure can always be written
			return string(line)
		}
	}
	return ""
}

// replaceFigure puts a figure into a species' text at a key like "size.height" or
// "part[0].harvest.per_plant".
func replaceFigure(text []byte, key, figure string) (changed []byte, err error) {
	var tree map[string]any
	if err := toml.Unmarshal(text, &tree); err != nil {
		return nil, err
	}
	table := tree
	steps := strings.Split(key, ".")
	for _, step := range steps[:len(steps)-1] {
		name, index, indexed := strings.Cut(strings.TrimSuffix(step, "]"), "[")
		at := table[name]
		if indexed {
			list, _ := at.([]any)
			n, err := strconv.Atoi(index)
			if err != nil || n < 0 || n >= len(list) {
				return nil, fmt.Errorf("%s: there is no such figure", key)
			}
			at = list[n]
		}
		next, isTable := at.(map[string]any)
		if !isTable {
			return nil, fmt.Errorf("%s: there is no such figure", key)
		}
		table = next
	}
	table[steps[len(steps)-1]] = figure
	var out bytes.Buffer
	if err := toml.NewEncoder(&out).Encode(tree); err != nil {
		return nil, err
	}
	return out.Bytes(), nil
}

// FigureKeys are the figures of a species that a grower may replace, with their names.
func FigureKeys(s *flora.Species) []FigureKey {
	keys := []FigureKey{
		{
			"size.height",
			"height",
			s.Size.Height,
		},
		{"size.width", "width", s.Size.Width},
		{"life.full_age", "full-grown in", s.Life.FullAge},
		{
			"site.soil_depth",
			"soil depth",
			s.Site.SoilDepth,
		},
		{"site.cold", "winter cold", s.Site.Cold},
		{"site.root_reach", "root reach", s.Site.RootReach},
		{"growth.base", "warmth counts from", s.Growth.Base},
	}
	for i, part := range s.Parts {
		if part.Harvest == nil {
			continue
		}
		at := fmt.Sprintf("part[%d].harvest.", i)
		keys = append(
			keys,
			FigureKey{
				at + "per_plant",
				part.Name + ": on a plant",
				part.Harvest.PerPlant,
			},
			FigureKey{at + "grams_each", part.Name + ": weight of one", part.Harvest.GramsEach},
			FigureKey{
				at + "min_year",
				part.Name + ": first taken in",
				part.Harvest.MinYear,
			},
			FigureKey{at + "cut_share", part.Name + ": share taken", part.Harvest.CutShare},
			FigureKey{at + "floor", part.Name + ": share left", part.Harvest.Floor},
		)
	}
	return keys
}

// FigureKey is a figure that may be replaced: where it stands, its name, and itself.
type FigureKey struct {
	Key, Name string
	Figure    flora.Figure
}

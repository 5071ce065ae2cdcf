// Package flora describes species: their names, growth, parts, harvest rules
// and cautions, each figure with its unit, range and standing, and the checks
// that a description has to pass before anything relies on it.
package flora

import "fmt"

// Stage is a plant's growth stage, in the order of a full year.
type Stage int

// The stages a grower tells apart.
const (
	Resting Stage = iota
	Shooting
	Leafing
	FullLeaf
	InBud
	FirstFlower
	FullFlower
	SettingSeed
	Ripe
	DyingBack
)

// stageRows give each stage its name and its code on the extended BBCH scale
// (Hack et al. 1992), which is what files carry.
var stageRows = []struct {
	name string
	bbch int
}{
	Resting:     {"resting", 0},
	Shooting:    {"shooting", 9},
	Leafing:     {"leafing", 19},
	FullLeaf:    {"full leaf", 39},
	InBud:       {"in bud", 55},
	FirstFlower: {"first flower", 61},
	FullFlower:  {"full flower", 65},
	SettingSeed: {"setting seed", 75},
	Ripe:        {"ripe", 89},
	DyingBack:   {"dying back", 93},
}

// Stages lists every stage in order.
func Stages() []Stage {
	all := make([]Stage, len(stageRows))
	for i := range all {
		all[i] = Stage(i)
	}
	return all
}

// String returns the grower's word for the stage.
func (s Stage) String() string {
	if s < 0 || int(s) >= len(stageRows) {
		return fmt.Sprintf("stage %d", int(s))
	}
	return stageRows[s].name
}

// BBCH returns the stage's code on the extended BBCH scale, 0–99.
func (s Stage) BBCH() int { return stageRows[s].bbch }

// ParseStage returns the stage of a name, or an error that lists the names.
func ParseStage(name string) (Stage, error) {
	for i, row := range stageRows {
		if row.name == name {
			return Stage(i), nil
		}
	}
	return 0, fmt.Errorf(
		"%q is not a stage; the stages are resting, shooting, leafing, full leaf, in bud, first flower, full flower, setting seed, ripe, dying back",
		name,
	)
}

// MarshalText writes the stage's name.
func (s Stage) MarshalText() ([]byte, error) { return []byte(s.String()), nil }

// UnmarshalText reads the stage's name.
func (s *Stage) UnmarshalText(text []byte) (err error) {
	*s, err = ParseStage(string(text))
	return err
}

package library

import (
	"bytes"
	"maps"
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/pelletier/go-toml/v2"

	"bramblyacre/core/flora"
)

// numbersIn calls visit for every number of a tree, with its place and a way to change it.
func numbersIn(key string, node any, visit func(key string, put func(any))) {
	switch at := node.(type) {
	case map[string]any:
		for _, name := range slices.Sorted(maps.Keys(at)) {
			switch at[name].(type) {
			case float64, int64:
				visit(key+"."+name, func(v any) { at[name] = v })
			default:
				numbersIn(key+"."+name, at[name], visit)
			}
		}
	case []any:
		for i, item := range at {
			switch item.(type) {
			case float64, int64:
				visit(key, func(v any) { at[i] = v })
			default:
				numbersIn(key, item, visit)
			}
		}
	}
}

// No number of a plant's file may be one that is none, wherever it stands: as a table's
// number, or as digits without end in a line.
func TestWhatIsNoNumberIsNoFigure(t *testing.T) {
	l, _ := allSpecies(t)
	text, has := l.Text("common-sage")
	if !has {
		t.Fatal("there is no sage")
	}
	read := func() (tree map[string]any) {
		if err := toml.Unmarshal(text, &tree); err != nil {
			t.Fatal(err)
		}
		tree["id"] = "gate-sage"
		// Figures in lines are written as tables, so that each number can be put.
		return asTables(t, tree).(map[string]any)
	}
	var keys []string
	numbersIn("", read(), func(key string, _ func(any)) { keys = append(keys, key) })
	if len(keys) < 60 {
		t.Fatalf("only %d numbers were found: %v", len(keys), keys)
	}
	write := func(tree map[string]any) []byte {
		var out bytes.Buffer
		if err := toml.NewEncoder(&out).Encode(tree); err != nil {
			t.Fatal(err)
		}
		return out.Bytes()
	}
	if _, err := l.CheckOwn("plant", write(read())); err != nil {
		t.Fatalf("as it is: %v", err)
	}
	for i, key := range keys {
		for _, none := range []float64{math.NaN(), math.Inf(1), math.Inf(-1)} {
			tree, at := read(), 0
			numbersIn("", tree, func(_ string, put func(any)) {
				if at == i {
					put(none)
				}
				at++
			})
			text := write(tree)
			if _, err := l.CheckOwn("plant", text); err == nil || !strings.Contains(err.Error(), "is no figure") && !strings.Contains(err.Error(), "cannot stand here") {
				t.Errorf("%s = %v is taken for a figure: %v", key, none, err)
			}
			if _, err := ReadSheet("plant", text); err == nil {
				t.Errorf("%s = %v can stand on a sheet", key, none)
			}
		}
	}
	endless := strings.Repeat("9", 400)
	for _, line := range []string{endless + " cm usual", "9 (1 to " + endless + ") cm usual"} {
		changed, err := replaceFigure(text, "size.height", line)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := l.ReadSpecies("plant", changed); err == nil || !strings.Contains(err.Error(), "size.height") {
			t.Errorf("400 digits: %v", err)
		}
	}
}

// asTables writes the lines of figures and ranges in a tree as tables.
func asTables(t *testing.T, node any) any {
	switch at := node.(type) {
	case map[string]any:
		for name, value := range at {
			at[name] = asTables(t, value)
		}
	case []any:
		for i, item := range at {
			at[i] = asTables(t, item)
		}
	case string:
		var r flora.Range
		if strings.Contains(at, "(") && r.UnmarshalText([]byte(at)) == nil {
			return map[string]any{"low": r.Low, "from": r.From, "to": r.To, "high": r.High, "unit": r.Unit, "standing": r.Standing.String(), "source": r.Source, "note": r.Note}
		}
		var f flora.Figure
		if f.UnmarshalText([]byte(at)) == nil {
			return map[string]any{"value": f.Value, "low": f.Low, "high": f.High, "unit": f.Unit, "standing": f.Standing.String(), "source": f.Source, "note": f.Note}
		}
	}
	return node
}

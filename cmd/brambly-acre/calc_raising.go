package main

import (
	"errors"
	"fmt"
	"math"
	"strconv"
	"strings"

	"bramblyacre/core/propagation"
)

// raising are the sums of making more of a plant.
var raising = map[string]calculation{
	"starts": {
		needs: []string{"wanted", "confidence"},
		takes: []string{"chance", "came_up", "of"},
		run: func(v *values) (map[string]any, error) {
			n, err := startsOf(v)
			return map[string]any{"starts": n}, err
		},
	},
	"seed-age": {
		needs: []string{"viability", "years", "sigma"},
		run: func(v *values) (map[string]any, error) {
			alive, err := propagation.Viability(v.number("viability"), v.number("years"), v.number("sigma"))
			return map[string]any{"viability": alive}, err
		},
	},
	"emergence": {
		needs: []string{"temperature", "base", "optimum", "ceiling", "warmth"},
		run: func(v *values) (map[string]any, error) {
			days, err := propagation.Germination{
				Base: v.number("base"), Optimum: v.number("optimum"), Ceiling: v.number("ceiling"), Warmth: v.number("warmth"),
			}.DaysAt(v.number("temperature"))
			var never propagation.NeverError
			if errors.As(err, &never) {
				return map[string]any{"days": nil, "why": never.Error()}, nil
			}
			return map[string]any{"days": days}, err
		},
	},
	"mix": {
		needs: []string{"cells", "cell_ml", "settling", "spill", "shrinkage", "parts"},
		run: func(v *values) (map[string]any, error) {
			cells, shares := v.whole("cells"), v.parts("parts")
			if v.err != nil {
				return nil, v.err
			}
			filling := propagation.Filling{
				Cells: cells, CellLitres: v.number("cell_ml") / 1000,
				Settling: v.number("settling"), Spill: v.number("spill"), Shrinkage: v.number("shrinkage"),
			}
			fill, err := filling.Litres()
			if err != nil {
				return nil, err
			}
			litres, err := filling.Parts(shares)
			return map[string]any{"fill_l": fill, "parts_l": litres}, err
		},
	},
	"set-out": {
		needs:   []string{"width_cm", "length_cm", "spacing_cm", "edge_cm"},
		answers: []string{"triangle", "square", "better"},
		run: func(v *values) (map[string]any, error) {
			s := propagation.SettingOut{Spacing: v.number("spacing_cm") / 100, Edge: v.number("edge_cm") / 100}
			count := map[propagation.Pattern]int{}
			for _, pattern := range []propagation.Pattern{propagation.Triangle, propagation.Square} {
				layout, err := s.InRectangle(v.number("width_cm")/100, v.number("length_cm")/100, pattern)
				if err != nil {
					return nil, err
				}
				count[pattern] = len(layout.Spots)
			}
			triangle, square := count[propagation.Triangle], count[propagation.Square]
			return map[string]any{
				"triangle": triangle, "square": square, "better": propagation.Better(triangle, square),
			}, nil
		},
	},
}

// startsOf is how many to start, by a chance or by a test of the seed.
func startsOf(v *values) (int, error) {
	wanted, confidence := v.whole("wanted"), v.number("confidence")
	tested := v.has("came_up") || v.has("of")
	switch {
	case v.err != nil:
		return 0, v.err
	case v.has("chance") == tested:
		return 0, errors.New("give either chance, or came_up and of")
	case tested && !(v.has("came_up") && v.has("of")):
		return 0, errors.New("came_up and of go together: how many came up of how many")
	case !tested:
		return propagation.Starts(wanted, v.number("chance"), confidence)
	}
	cameUp, of := v.whole("came_up"), v.whole("of")
	if v.err != nil {
		return 0, v.err
	}
	share, err := propagation.Tested(cameUp, of)
	if err != nil {
		return 0, err
	}
	return propagation.StartsTested(wanted, share, confidence)
}

// whole reads a whole number.
func (v *values) whole(key string) int {
	n := v.number(key)
	if (n != math.Trunc(n) || math.Abs(n) > math.MaxInt32) && v.err == nil {
		v.err = fmt.Errorf("%s: %q is not a whole number", key, v.texts[key])
	}
	return int(n)
}

// parts reads the shares of a mix, 3:2:1.
func (v *values) parts(key string) (shares []float64) {
	for word := range strings.SplitSeq(v.texts[key], ":") {
		share, err := strconv.ParseFloat(word, 64)
		if (err != nil || math.IsNaN(share) || math.IsInf(share, 0)) && v.err == nil {
			v.err = fmt.Errorf("%s: %q is not parts such as 3:2:1", key, v.texts[key])
		}
		shares = append(shares, share)
	}
	return shares
}

package ground

import (
	"errors"
	"fmt"
	"math"
)

// Shares are the parts of sand, silt and clay in the fine earth, summing to 1.
type Shares struct{ Sand, Silt, Clay float64 }

// Jar returns the shares of a jar test from the heights of its settled layers in
// mm. The layers' heights stand in for their weights, which is near enough for a
// class. A negative layer, or layers that sum to nothing or to more than a jar,
// is an error.
func Jar(sandMM, siltMM, clayMM float64) (Shares, error) {
	const tallestJarMM = 1000
	for name, height := range map[string]float64{"sand": sandMM, "silt": siltMM, "clay": clayMM} {
		if math.IsNaN(height) || height < 0 {
			return Shares{}, fmt.Errorf("the layer of %s cannot be %v mm", name, height)
		}
	}
	sum := sandMM + siltMM + clayMM
	if sum == 0 {
		return Shares{}, errors.New("the layers sum to nothing: measure each from its bottom to its top, in mm")
	}
	if sum > tallestJarMM {
		return Shares{}, fmt.Errorf("the layers sum to %v mm, more than a jar holds", sum)
	}
	return Shares{sandMM / sum, siltMM / sum, clayMM / sum}, nil
}

// textureRow is one class of the triangle: its bounds and how heavy it digs.
type textureRow struct {
	word      string
	heaviness float64 // a place on flora.TextureWords
	// holds tells whether shares in per cent belong to it.
	holds func(sand, silt, clay float64) bool
}

// textureRows are the classes in the order in which the bounds are to be asked.
var textureRows = []textureRow{
	{"sand", 0, func(_, silt, clay float64) bool { return silt+1.5*clay < 15 }},
	{"loamy sand", 0, func(_, silt, clay float64) bool { return silt+2*clay < 30 }},
	{"sandy loam", 1, func(sand, silt, clay float64) bool {
		return clay >= 7 && clay < 20 && sand > 52 || clay < 7 && silt < 50
	}},
	{"loam", 2, func(sand, silt, clay float64) bool {
		return clay >= 7 && clay < 27 && silt >= 28 && silt < 50 && sand <= 52
	}},
	{"silt loam", 2, func(_, silt, clay float64) bool {
		return silt >= 50 && clay >= 12 && clay < 27 || silt >= 50 && silt < 80 && clay < 12
	}},
	{"silt", 2, func(_, silt, clay float64) bool { return silt >= 80 && clay < 12 }},
	{"sandy clay loam", 2, func(sand, silt, clay float64) bool {
		return clay >= 20 && clay < 35 && silt < 28 && sand > 45
	}},
	{"clay loam", 3, func(sand, _, clay float64) bool { return clay >= 27 && clay < 40 && sand > 20 && sand <= 45 }},
	{"silty clay loam", 3, func(sand, _, clay float64) bool { return clay >= 27 && clay < 40 && sand <= 20 }},
	{"sandy clay", 3, func(sand, _, clay float64) bool { return clay >= 35 && sand > 45 }},
	{"silty clay", 4, func(_, silt, clay float64) bool { return clay >= 40 && silt >= 40 }},
	{"clay", 4, func(_, _, _ float64) bool { return true }},
}

func textureWords() []string {
	words := make([]string, len(textureRows))
	for i, row := range textureRows {
		words[i] = row.word
	}
	return words
}

func textureHeaviness() []float64 {
	places := make([]float64, len(textureRows))
	for i, row := range textureRows {
		places[i] = row.heaviness
	}
	return places
}

// Class returns the texture class of the shares.
//
// Source: the texture triangle of the USDA Soil Survey Manual (1993), chapter 3,
// whose twelve classes the FAO Guidelines for Soil Description (2006) use too.
func (s Shares) Class() string { return textureRows[s.classIndex()].word }

func (s Shares) classIndex() int {
	// Rounding keeps a share that is a bound to a thousandth on its right side.
	sand, silt, clay := percent(s.Sand), percent(s.Silt), percent(s.Clay)
	for i, row := range textureRows {
		if row.holds(sand, silt, clay) {
			return i
		}
	}
	return len(textureRows) - 1
}

func percent(share float64) float64 { return math.Round(share*1e5) / 1e3 }

// jarSpread is the standard error of a jar's share: about six in a hundred by
// eye, a guess.
const jarSpread = 0.06

// Likelihood returns how well each texture class goes with the shares read, when
// sand and clay are each read with a standard error: a jar's lines are seldom
// sharp.
func (s Shares) Likelihood() []float64 {
	chance := make([]float64, len(textureRows))
	const steps, reach = 12, 2.5
	for i := -steps; i <= steps; i++ {
		for j := -steps; j <= steps; j++ {
			a, b := float64(i)/steps*reach, float64(j)/steps*reach
			near := Shares{Sand: s.Sand + a*jarSpread, Clay: s.Clay + b*jarSpread}
			near.Silt = 1 - near.Sand - near.Clay
			if near.Sand < 0 || near.Clay < 0 || near.Silt < 0 {
				continue
			}
			chance[near.classIndex()] += math.Exp(-(a*a + b*b) / 2)
		}
	}
	return scaledToBest(chance)
}

// Feels of a soil between the fingers.
const (
	Gritty  = "gritty"
	Smooth  = "smooth"
	Neither = "neither"
)

// ribbonClasses are the classes by the ribbon's length and the feel.
var ribbonClasses = map[string][3]string{
	Gritty:  {"sandy loam", "sandy clay loam", "sandy clay"},
	Smooth:  {"silt loam", "silty clay loam", "silty clay"},
	Neither: {"loam", "clay loam", "clay"},
}

// Ribbon returns the texture class of a soil pressed between thumb and finger into
// a ribbon that breaks at a length in mm, by its feel when very wet. A ribbon of
// 0 mm that makes a ball is loamy sand, one that makes none sand. A length beyond
// 0 to 200 mm, or an unknown feel, is an error.
//
// Source: Thien 1979, Journal of Agronomic Education 8, 54–55.
func Ribbon(lengthMM float64, feel string, makesBall bool) (string, error) {
	if math.IsNaN(lengthMM) || lengthMM < 0 || lengthMM > 200 {
		return "", fmt.Errorf("a ribbon of %v mm cannot be; it breaks between 0 and 200 mm", lengthMM)
	}
	classes, known := ribbonClasses[feel]
	switch {
	case !makesBall:
		return "sand", nil
	case lengthMM == 0:
		return "loamy sand", nil
	case !known:
		return "", fmt.Errorf("%q is not a feel; it is %s, %s or %s", feel, Gritty, Smooth, Neither)
	case lengthMM < 25:
		return classes[0], nil
	case lengthMM <= 50:
		return classes[1], nil
	}
	return classes[2], nil
}

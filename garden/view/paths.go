package view

import (
	"strconv"

	"bramblyacre/core/geometry"
)

// PathOf writes closed lines as the path of a drawing in metres, to a centimetre.
func PathOf(lines [][]geometry.Point) string {
	var d []byte
	number := func(value float64) {
		text := strconv.FormatFloat(value, 'f', 2, 64)
		for text[len(text)-1] == '0' {
			text = text[:len(text)-1]
		}
		if text[len(text)-1] == '.' {
			text = text[:len(text)-1]
		}
		d = append(d, text...)
	}
	for _, line := range lines {
		for i, p := range line {
			d = append(d, "LM"[b2i(i == 0)])
			number(p.X)
			d = append(d, ' ')
			number(p.Y)
		}
		d = append(d, 'Z')
	}
	return string(d)
}

func b2i(is bool) int {
	if is {
		return 1
	}
	return 0
}

// RegionPath is the path of a region, its hole left open by drawing it with the even-odd rule.
func RegionPath(region geometry.Region) string {
	var lines [][]geometry.Point
	for _, area := range region.Areas {
		lines = append(lines, area)
	}
	if len(region.Hole) > 0 {
		lines = append(lines, region.Hole)
	}
	return PathOf(lines)
}

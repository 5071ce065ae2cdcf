package server

import (
	"fmt"
	"strings"

	"github.com/boombuler/barcode/qr"
)

// Square is a text as a QR code (ISO/IEC 18004): its rows by their cells, # where a cell is dark, without the
// quiet margin.
func Square(text string) ([]string, error) {
	code, err := qr.Encode(text, qr.M, qr.Auto)
	if err != nil {
		return nil, fmt.Errorf("draw a square of %d signs: %w", len(text), err)
	}
	size := code.Bounds()
	rows := make([]string, 0, size.Dy())
	for y := size.Min.Y; y < size.Max.Y; y++ {
		var row strings.Builder
		for x := size.Min.X; x < size.Max.X; x++ {
			if r, _, _, _ := code.At(x, y).RGBA(); r == 0 {
				row.WriteByte('#')
			} else {
				row.WriteByte(' ')
			}
		}
		rows = append(rows, row.String())
	}
	return rows, nil
}

// quiet is how many light cells stand about a square on a screen of text.
const quiet = 2

// TextSquare is a square for a terminal, two rows of it a line. Light cells are drawn, on the dark ground of
// most terminals, and said in colours so that it reads on a light one, too.
func TextSquare(rows []string) string {
	const whiteOnBlack, plain = "\x1b[97;40m", "\x1b[0m"
	isLight := func(x, y int) bool {
		return y < 0 || y >= len(rows) || x < 0 || x >= len(rows[y]) || rows[y][x] != '#'
	}
	halves := map[[2]bool]string{
		{true, true}: "█", {true, false}: "▀", {false, true}: "▄", {false, false}: " ",
	}
	var text strings.Builder
	for y := -quiet; y < len(rows)+quiet; y += 2 {
		text.WriteString(whiteOnBlack)
		for x := -quiet; x < len(rows)+quiet; x++ {
			text.WriteString(halves[[2]bool{isLight(x, y), isLight(x, y+1)}])
		}
		text.WriteString(plain + "\n")
	}
	return text.String()
}

package server

import (
	"image"
	"image/color"
	"strings"
	"testing"

	"github.com/makiuchi-d/gozxing"
	reader "github.com/makiuchi-d/gozxing/qrcode"
)

// read reads a square by another's reader.
func read(t *testing.T, isDark func(x, y int) bool, size int) string {
	t.Helper()
	const dots, quiet = 8, 4
	picture := image.NewGray(image.Rect(0, 0, (size+2*quiet)*dots, (size+2*quiet)*dots))
	for x := range picture.Bounds().Dx() {
		for y := range picture.Bounds().Dy() {
			shade := color.Gray{255}
			if cx, cy := x/dots-quiet, y/dots-quiet; cx >= 0 && cy >= 0 && cx < size && cy < size && isDark(cx, cy) {
				shade = color.Gray{0}
			}
			picture.SetGray(x, y, shade)
		}
	}
	bitmap, err := gozxing.NewBinaryBitmapFromImage(picture)
	check(t, err)
	result, err := reader.NewQRCodeReader().Decode(bitmap, map[gozxing.DecodeHintType]any{gozxing.DecodeHintType_PURE_BARCODE: true})
	check(t, err)
	return result.GetText()
}

func TestASquareOpensItsAddress(t *testing.T) {
	for _, address := range []string{
		"https://192.168.1.20:8443/pair?code=ABCD-2345", "https://[fd00::7]:8443/pair?code=ABCD-2345",
		"https://192.168.1.20:8443/calendar/" + strings.Repeat("aB3_", 11) + ".ics",
	} {
		rows, err := Square(address)
		check(t, err)
		if got := read(t, func(x, y int) bool { return rows[y][x] == '#' }, len(rows)); got != address {
			t.Errorf("the square of %s opens %s", address, got)
		}
		// In a terminal each line holds two rows, the light cells drawn, two of them about the square.
		var lines [][]rune
		for line := range strings.Lines(TextSquare(rows)) {
			line = strings.TrimSuffix(strings.TrimPrefix(strings.TrimSpace(line), "\x1b[97;40m"), "\x1b[0m")
			lines = append(lines, []rune(line))
		}
		isDark := func(x, y int) bool {
			sign := lines[(y+2)/2][x+2]
			if (y+2)%2 == 0 {
				return sign != '█' && sign != '▀'
			}
			return sign != '█' && sign != '▄'
		}
		if got := read(t, isDark, len(rows)); got != address {
			t.Errorf("in a terminal the square of %s opens %s", address, got)
		}
	}
}

package format

import (
	"sync"
	"unicode"

	"codeberg.org/go-pdf/fpdf"
	"github.com/go-fonts/dejavu/dejavusans"
	"github.com/go-fonts/dejavu/dejavusansbold"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"
	"golang.org/x/image/font/sfnt"
	"golang.org/x/text/unicode/norm"
)

// typeface is a typeface that ships with the program, regular and bold, and what it covers.
type typeface struct {
	name          string
	regular, bold []byte
	covers        func() *sfnt.Font
}

func newTypeface(name string, regular, bold []byte) typeface {
	return typeface{name, regular, bold, sync.OnceValue(func() *sfnt.Font {
		font, err := sfnt.Parse(regular)
		if err != nil {
			panic("a typeface that ships cannot be read: " + err.Error())
		}
		return font
	})}
}

// The typeface that is printed in, and the one for texts with signs that it lacks.
var (
	usualFace = newTypeface("usual", goregular.TTF, gobold.TTF)
	wideFace  = newTypeface("wide", dejavusans.TTF, dejavusansbold.TTF)
)

// missingSign stands for a sign that no typeface has: an empty square.
const missingSign = '□'

// largestSign is the largest code point that the PDF library's tables can hold.
const largestSign = 0xFFFF

// has tells whether a typeface has a sign that can be printed.
func (f typeface) has(r rune) bool {
	if r > largestSign {
		return false
	}
	index, err := f.covers().GlyphIndex(&sfnt.Buffer{}, r)
	return err == nil && index != 0
}

// press sets type on a PDF in any writing.
type press struct {
	*fpdf.Fpdf
	added map[string]bool
}

func newPress(pdf *fpdf.Fpdf) press { return press{pdf, map[string]bool{}} }

// face chooses the type for a text, and returns the text as it can be printed in it: what
// cannot be seen is left out, and what no typeface has is an empty square. Style is "" or
// "B", size in points.
func (p press) face(style string, size float64, text string) string {
	signs, face := []rune{}, usualFace
	for _, r := range norm.NFC.String(text) {
		if !unicode.IsGraphic(r) || unicode.Is(unicode.Variation_Selector, r) {
			continue
		}
		if !usualFace.has(r) {
			face = wideFace
		}
		signs = append(signs, r)
	}
	for i, r := range signs {
		if !face.has(r) {
			signs[i] = missingSign
		}
	}
	if !p.added[face.name] {
		p.AddUTF8FontFromBytes(face.name, "", face.regular)
		p.AddUTF8FontFromBytes(face.name, "B", face.bold)
		p.added[face.name] = true
	}
	p.SetFont(face.name, style, size)
	return string(signs)
}

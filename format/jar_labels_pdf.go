package format

import (
	"bytes"
	"fmt"
	"image/png"
	"io"

	"codeberg.org/go-pdf/fpdf"
	"github.com/boombuler/barcode"
	"github.com/boombuler/barcode/qr"

	"bramblyacre/garden/larder"
	"bramblyacre/garden/say"
)

// How a jar's label is set: what lies about it in mm, how large its square is at most, and the smallest type in points
// that can be read at arm's length.
const (
	jarLabelPad    = 3.0
	jarSquare      = 20.0
	leastJarType   = 5.0
	usualJarType   = 8.5
	squareDots     = 256
	jarTypeStep    = 0.25
	pointsToMM     = 0.3528
	jarLineSpacing = 1.18
)

// LotAddress is where a lot's page stands on a house's own server.
func LotAddress(house string, lot int64) string { return fmt.Sprintf("%s/store/lots/%d", house, lot) }

// WriteJarLabels writes labels for jars on sheets of a size, the first after so many that are used already. Each has a
// square that opens the lot's page on the house's own server, where that has an address; the label of a gift has none,
// and says everything itself. On a small label the cautions may be too long: then it names for whom there are some, and
// sends to the page; a gift's, that has no page to send to, is refused.
func WriteJarLabels(w io.Writer, size larder.LabelSize, labels []larder.LabelData, house string, skip int) error {
	pdf := labelSheet(size)
	press := newPress(pdf)
	sheet := size.Columns * size.Rows
	for i, label := range labels {
		at := (i + skip) % sheet
		if at == 0 || i == 0 {
			pdf.AddPage()
		}
		x := size.Left + float64(at%size.Columns)*(size.LabelWidth+size.GapX)
		y := size.Top + float64(at/size.Columns)*(size.LabelHeight+size.GapY)
		if err := writeJarLabel(press, size, label, house, x, y); err != nil {
			return err
		}
	}
	return pdf.Output(w)
}

func labelSheet(size larder.LabelSize) *fpdf.Fpdf {
	pdf := fpdf.NewCustom(&fpdf.InitType{
		OrientationStr: "P", UnitStr: "mm", Size: fpdf.SizeType{Wd: size.PageWidth, Ht: size.PageHeight},
	})
	pdf.SetTitle("Labels for jars", true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetAutoPageBreak(false, 0)
	pdf.SetMargins(0, 0, 0)
	return pdf
}

// jarText is a run of a label's text.
type jarText struct {
	style string
	scale float64
	text  string
	gap   float64
}

func writeJarLabel(press press, size larder.LabelSize, label larder.LabelData, house string, x, y float64) error {
	square := 0.0
	if house != "" && !label.Gift {
		square = min(jarSquare, size.LabelHeight*0.55)
	}
	all := jarTexts(label, label.Cautions)
	points, fits := jarType(press, size, all, square)
	if !fits && !label.Gift && house != "" {
		short := []string{label.For + " All of them: the page of this lot, behind the square."}
		if label.For == "" {
			short = []string{"Its cautions: the page of this lot, behind the square."}
		}
		all = jarTexts(label, short)
		points, fits = jarType(press, size, all, square)
	}
	if !fits {
		return say.Faults{{
			Field:   "size",
			Message: "What is to be said of " + say.LowerFirst(label.Title) + " does not fit on this label: take a larger one.",
		}}
	}
	setJarLabel(press, size, all, points, square, x, y)
	if square == 0 {
		return nil
	}
	return drawSquare(press, LotAddress(house, label.LotID), x+size.LabelWidth-jarLabelPad-square, y+jarLabelPad, square)
}

func jarTexts(label larder.LabelData, cautions []string) (all []jarText) {
	all = append(all, jarText{"B", 1.7, label.Title, 0})
	for _, name := range label.Botanical {
		all = append(all, jarText{"", 1, name, 0})
	}
	all = append(all, jarText{"B", 1.1, label.What, 0.3})
	for _, line := range label.Lines {
		all = append(all, jarText{"", 1, line, 0})
	}
	for i, line := range cautions {
		gap := 0.3
		if i == 0 {
			gap = 0.9
		}
		all = append(all, jarText{"", 0.95, line, gap})
	}
	return append(all, jarText{"", 0.9, label.Ask, 0.6})
}

// jarType finds the largest type in which a label's text fits; false where none does.
func jarType(press press, size larder.LabelSize, all []jarText, square float64) (points float64, fits bool) {
	for points = usualJarType; points >= leastJarType; points -= jarTypeStep {
		if setJarLabel(press, size, all, points, square, -1, -1) <= size.LabelHeight-2*jarLabelPad {
			return points, true
		}
	}
	return points, false
}

// setJarLabel sets a label's text, or with x below 0 only measures it, and returns how high it is in mm. Beside the
// square the lines are shorter.
func setJarLabel(press press, size larder.LabelSize, all []jarText, points, square, x, y float64) (high float64) {
	for _, run := range all {
		size1 := points * run.scale
		line := size1 * pointsToMM * jarLineSpacing
		high += run.gap
		shown := press.face(run.style, size1, run.text)
		for rest := shown; rest != ""; {
			width := size.LabelWidth - 2*jarLabelPad
			if square > 0 && high < square+1 {
				width -= square + 2
			}
			var first string
			first, rest = firstLine(press, rest, width)
			if x >= 0 {
				press.face(run.style, size1, run.text)
				press.SetXY(x+jarLabelPad, y+jarLabelPad+high)
				press.CellFormat(width, line, first, "", 0, "L", false, 0, "")
			}
			high += line
		}
	}
	return high
}

// firstLine cuts what fits on a line off a text, at a space where there is one.
func firstLine(press press, text string, width float64) (first, rest string) {
	runes := []rune(text)
	cut, space := len(runes), -1
	for i := range runes {
		if press.GetStringWidth(string(runes[:i+1])) > width-0.5 {
			cut = max(1, i)
			break
		}
		if runes[i] == ' ' {
			space = i
		}
	}
	if cut == len(runes) {
		return text, ""
	}
	if space > 0 {
		return string(runes[:space]), string(runes[space+1:])
	}
	return string(runes[:cut]), string(runes[cut:])
}

// lotSquare is the square that opens an address, as a QR code (ISO/IEC 18004).
func lotSquare(address string) (barcode.Barcode, error) {
	code, err := qr.Encode(address, qr.M, qr.Auto)
	if err != nil {
		return nil, err
	}
	return barcode.Scale(code, squareDots, squareDots)
}

// drawSquare draws the square that opens an address.
func drawSquare(press press, address string, x, y, size float64) error {
	code, err := lotSquare(address)
	if err != nil {
		return fmt.Errorf("draw the square of %q: %w", address, err)
	}
	var picture bytes.Buffer
	if err := png.Encode(&picture, code); err != nil {
		return err
	}
	press.RegisterImageOptionsReader(address, fpdf.ImageOptions{ImageType: "PNG"}, &picture)
	press.ImageOptions(address, x, y, size, size, false, fpdf.ImageOptions{ImageType: "PNG"}, 0, "")
	return press.Error()
}

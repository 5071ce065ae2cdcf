package format

import (
	"io"

	"codeberg.org/go-pdf/fpdf"

	"bramblyacre/garden/gather"
)

// Sizes of a label in mm: it is as wide as a jar's front and as long as its cautions.
const (
	labelWidth  = 90.0
	labelHeight = 160.0
	labelMargin = 6.0
)

// WriteLabelPDF writes the label of a jar: what, of which part, from where, when, and
// what to beware of.
func WriteLabelPDF(w io.Writer, label gather.LabelData) error {
	pdf := fpdf.NewCustom(
		&fpdf.InitType{OrientationStr: "P", UnitStr: "mm", Size: fpdf.SizeType{Wd: labelWidth, Ht: labelHeight}},
	)
	pdf.SetTitle(label.Title, true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetMargins(labelMargin, labelMargin, labelMargin)
	pdf.SetAutoPageBreak(true, labelMargin)
	pdf.AddPage()
	press := newPress(pdf)
	line := func(style string, size, height float64, text string) {
		pdf.MultiCell(labelWidth-2*labelMargin, height, press.face(style, size, text), "", "L", false)
	}
	what := label.Part
	if label.Made != "" {
		what = label.Made + " of " + label.Part
	}
	line("B", 15, 7, label.Title)
	line("", 9, 4.5, label.Botanical)
	line("", 11, 6, what)
	line("", 9, 4.5, "From "+label.From+", picked "+label.Day)
	pdf.Ln(2)
	line("B", 9, 4.5, "Beware")
	for _, caution := range label.Cautions {
		line("", 8, 4, caution)
		pdf.Ln(0.8)
	}
	pdf.Ln(1)
	line("", 7.5, 3.8, label.Ask)
	return pdf.Output(w)
}

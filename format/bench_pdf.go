package format

import (
	"io"
	"math"

	"codeberg.org/go-pdf/fpdf"

	"bramblyacre/core/geometry"
	"bramblyacre/garden/bench"
)

// A sheet of bench labels: three across and eight down an A4 page, in mm.
const (
	labelsAcross = 3
	labelsDown   = 8
	stickWidth   = 64.0
	stickHeight  = 33.9
	stickLeft    = 9.0
	stickTop     = 12.9
	stickPad     = 3.0
)

// WriteBenchLabels writes labels for trays and pots on A4 sheets: name, what it came from, the day.
func WriteBenchLabels(w io.Writer, labels []bench.BenchLabel) error {
	pdf := fpdf.New("P", "mm", "A4", "")
	pdf.SetTitle("Labels for the bench", true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetAutoPageBreak(false, 0)
	press := newPress(pdf)
	for i, label := range labels {
		at := i % (labelsAcross * labelsDown)
		if at == 0 {
			pdf.AddPage()
		}
		x := stickLeft + float64(at%labelsAcross)*stickWidth
		y := stickTop + float64(at/labelsAcross)*stickHeight
		pdf.SetDrawColor(200, 200, 200)
		pdf.Rect(x, y, stickWidth, stickHeight, "D")
		line := func(style string, size, height float64, text string) {
			y += height
			pdf.SetXY(x+stickPad, y-height)
			for shown := press.face(style, size, text); ; size -= 0.5 {
				if pdf.GetStringWidth(shown) <= stickWidth-2*stickPad || size <= 5 {
					pdf.CellFormat(stickWidth-2*stickPad, height, shown, "", 0, "L", false, 0, "")
					return
				}
				shown = press.face(style, size, text)
			}
		}
		y += 2.5
		line("B", 13, 6.5, label.Name)
		line("", 8, 4, label.Botanical)
		line("", 9, 5.5, label.From)
		line("", 9, 5, label.Day)
		if label.Unproven {
			line("B", 8, 5, "unproven: check before any use")
		}
	}
	return pdf.Output(w)
}

// WriteSettingOut writes where plants go on one page, to scale, with what to tape.
func WriteSettingOut(w io.Writer, v bench.SetOutView) error {
	pdf := fpdf.New("P", "mm", "A4", "")
	pdf.SetTitle("Setting out: "+v.Title, true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetAutoPageBreak(false, 0)
	pdf.AddPage()
	press := newPress(pdf)
	layout := v.Square
	if v.Better == "triangle" {
		layout = v.Triangle
	}
	const margin, top = 15.0, 48.0
	width, height := pdf.GetPageSize()
	line := func(y float64, style string, size float64, text string) {
		pdf.SetXY(margin, y)
		pdf.CellFormat(width-2*margin, 6, press.face(style, size, text), "", 0, "L", false, 0, "")
	}
	line(margin, "B", 15, v.Title)
	line(margin+8, "", 10, v.Words)
	y := margin + 14
	for _, words := range layout.Tape {
		line(y, "", 9, words)
		y += 5
	}
	scale := math.Min((width-2*margin)/v.Width, (height-top-margin)/v.Depth)
	at := func(p geometry.Point) (float64, float64) { return margin + p.X*scale, top + (v.Depth-p.Y)*scale }
	pdf.SetDrawColor(60, 60, 60)
	outlines := v.Outline
	if len(v.Hole) > 0 {
		outlines = append(append([][]geometry.Point{}, outlines...), v.Hole)
	}
	for _, outline := range outlines {
		points := make([]fpdf.PointType, len(outline))
		for i, p := range outline {
			points[i].X, points[i].Y = at(p)
		}
		pdf.Polygon(points, "D")
	}
	for _, spot := range layout.Spots {
		x, y := at(spot)
		pdf.Circle(x, y, math.Max(0.6, math.Min(2.5, scale*0.03)), "D")
	}
	return pdf.Output(w)
}

package format

import (
	"context"
	"io"

	"codeberg.org/go-pdf/fpdf"

	"bramblyacre/garden"
	"bramblyacre/garden/season"
)

func writeSeasonPDF(ctx context.Context, g *garden.Garden, w io.Writer) error {
	sheet, err := g.Season.Sheet(ctx)
	if err != nil {
		return err
	}
	site, err := g.Place.Site(ctx)
	if err != nil {
		return err
	}
	paper := "A4"
	if site.Units == "us" {
		paper = "Letter"
	}
	return WriteSeasonPDF(w, sheet, paper)
}

// WriteSeasonPDF writes the plan of a season on one page, in the largest type that it fits in; what does not fit in the
// smallest goes on.
func WriteSeasonPDF(w io.Writer, sheet season.Sheet, paper string) error {
	const largest, least, step = 10.0, 6.0, 0.5
	var page *fpdf.Fpdf
	for size := largest; size >= least; size -= step {
		page = seasonPage(sheet, paper, size)
		if page.PageCount() == 1 {
			break
		}
	}
	return page.Output(w)
}

func seasonPage(sheet season.Sheet, paper string, size float64) *fpdf.Fpdf {
	const margin, dayWidth = 14.0, 34.0
	pdf := fpdf.New("P", "mm", paper, "")
	pdf.SetTitle(sheet.Title, true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetMargins(margin, margin, margin)
	pdf.SetAutoPageBreak(true, margin)
	pdf.AddPage()
	press := newPress(pdf)
	width, _ := pdf.GetPageSize()
	height := size * 0.46
	text := func(x, wide float64, style string, size, height float64, words string) {
		pdf.SetX(x)
		pdf.MultiCell(wide, height, press.face(style, size, words), "", "L", false)
	}
	text(margin, width-2*margin, "B", size+5, height+3, sheet.Title)
	text(margin, width-2*margin, "", size, height, sheet.Under)
	pdf.Ln(2)
	for _, day := range sheet.Days {
		pdf.SetDrawColor(180, 180, 180)
		pdf.Line(margin, pdf.GetY(), width-margin, pdf.GetY())
		pdf.Ln(1)
		top, page := pdf.GetY(), pdf.PageNo()
		text(margin, dayWidth, "B", size, height, day.Day)
		after := pdf.GetY()
		if pdf.PageNo() == page {
			pdf.SetY(top)
		}
		for _, pick := range day.Picks {
			x, wide := margin+dayWidth, width-2*margin-dayWidth
			text(x, wide, "B", size, height, "\u25a1 "+pick.What+" \u00b7 "+pick.Where)
			text(x, wide, "", size-1, height, pick.Sign)
			if pick.Mind != "" {
				text(x, wide, "", size-1, height, pick.Mind)
			}
		}
		if pdf.PageNo() == page && pdf.GetY() < after {
			pdf.SetY(after)
		}
		pdf.Ln(1)
	}
	pdf.Ln(1)
	text(margin, width-2*margin, "B", size+1, height+1, "What it covers")
	for _, line := range sheet.Cover {
		text(margin, width-2*margin, "", size, height, line)
	}
	pdf.Ln(1)
	text(margin, width-2*margin, "", size-1, height, sheet.Foot)
	return pdf
}

package format

import (
	"context"
	"fmt"
	"io"
	"math"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"bramblyacre/core/geometry"
	"bramblyacre/garden"
)

// Sizes of the printed plan in mm.
const (
	sheetMargin  = 12.0
	legendWidth  = 82.0
	headHeight   = 14.0
	legendLine   = 4.0
	smallestType = 6.0
)

// scales are those that a plan is printed in, the largest first.
var scales = []float64{20, 25, 50, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1250, 1500, 2000, 2500, 5000, 10000, 20000, 50000}

func writePlanPDF(ctx context.Context, g *garden.Garden, w io.Writer) error {
	plot, err := g.Plot(ctx, garden.NoDay)
	if err != nil {
		return err
	}
	site, err := g.Site(ctx)
	if err != nil {
		return err
	}
	return WritePlanPDF(w, plot, site)
}

// WritePlanPDF writes the plan on one page, to scale, with a legend: A4, or Letter
// where US units are shown.
func WritePlanPDF(w io.Writer, plot garden.PlotView, site garden.SiteView) error {
	paper := "A4"
	if site.Units == "us" {
		paper = "Letter"
	}
	pdf := fpdf.New("L", "mm", paper, "")
	pdf.SetTitle("Plan of "+site.Name, true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetAutoPageBreak(false, 0)
	pdf.AddUTF8FontFromBytes("go", "", goregular.TTF)
	pdf.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	pdf.AddPage()
	s := newSheet(pdf, plot)
	s.head(site)
	s.draw(plot)
	s.legend(plot)
	return pdf.Output(w)
}

// sheet is a page with a plan on it.
type sheet struct {
	*fpdf.Fpdf
	width, height float64
	scale         float64
	low           geometry.Point
	originX       float64
	originY       float64
}

// mm is a length on the ground in mm on the page.
func (s *sheet) mm(metres float64) float64 { return metres * 1000 / s.scale }

func newSheet(pdf *fpdf.Fpdf, plot garden.PlotView) *sheet {
	s := &sheet{Fpdf: pdf}
	s.width, s.height = pdf.GetPageSize()
	all := append(geometry.Polygon(nil), plot.Boundary...)
	for _, bed := range plot.Beds {
		for _, area := range bed.Areas {
			all = append(all, area...)
		}
	}
	low, high := all.Bounds()
	roomX, roomY := s.width-2*sheetMargin-legendWidth, s.height-2*sheetMargin-headHeight-8
	for _, s.scale = range scales {
		if s.mm(high.X-low.X) <= roomX && s.mm(high.Y-low.Y) <= roomY {
			break
		}
	}
	s.low = low
	s.originX = sheetMargin + (roomX-s.mm(high.X-low.X))/2
	s.originY = sheetMargin + headHeight + (roomY-s.mm(high.Y-low.Y))/2
	return s
}

func (s *sheet) at(p geometry.Point) fpdf.PointType {
	return fpdf.PointType{X: s.originX + s.mm(p.X-s.low.X), Y: s.originY + s.mm(p.Y-s.low.Y)}
}

func (s *sheet) outline(area geometry.Polygon, style string) {
	points := make([]fpdf.PointType, len(area))
	for i, p := range area {
		points[i] = s.at(p)
	}
	s.Polygon(points, style)
}

func (s *sheet) head(site garden.SiteView) {
	s.SetFont("go", "B", 15)
	s.Text(sheetMargin, sheetMargin+5, site.Name)
	s.SetFont("go", "", 9)
	s.Text(sheetMargin, sheetMargin+10, fmt.Sprintf("Plan of %s. Scale 1 : %.0f when printed at full size.", site.Today, s.scale))
}

// greys are the fills of kinds of things, so that the plan prints without colour.
var greys = map[string]int{
	"building": 150, "wall": 60, "fence": 90, "hedge": 170, "path": 232, "lawn": 245, "wild ground": 240, "pond": 205, "stream": 205, "overflow": 215,
}

func (s *sheet) draw(plot garden.PlotView) {
	s.ClipRect(sheetMargin-2, sheetMargin+headHeight-2, s.width-2*sheetMargin-legendWidth+4, s.height-2*sheetMargin-headHeight+2, false)
	s.SetDrawColor(40, 40, 40)
	for _, item := range plot.Items {
		s.item(item)
	}
	s.SetLineWidth(0.5)
	s.SetDashPattern([]float64{3, 1.5}, 0)
	s.outline(plot.Boundary, "D")
	s.SetDashPattern(nil, 0)
	s.SetLineWidth(0.35)
	for i, bed := range plot.Beds {
		s.bed(i+1, bed)
	}
	s.ClipEnd()
	s.north(plot.Bearing)
	s.scaleBar(plot)
}

func (s *sheet) item(item garden.ItemView) {
	s.SetLineWidth(0.2)
	switch item.Kind {
	case "unsafe ground":
		s.SetDashPattern([]float64{1, 1}, 0)
		for _, area := range item.Areas {
			s.outline(area, "D")
		}
		s.SetDashPattern(nil, 0)
	case "tree":
		at := s.at(item.At)
		s.Circle(at.X, at.Y, s.mm(item.WidthM/2), "D")
		s.Circle(at.X, at.Y, 0.8, "F")
	case "slope":
		s.SetDrawColor(160, 160, 160)
		for _, area := range item.Areas {
			s.outline(area, "D")
		}
		s.SetDrawColor(40, 40, 40)
	default:
		grey := greys[item.Kind]
		s.SetFillColor(grey, grey, grey)
		for _, area := range item.Areas {
			s.outline(area, "F")
		}
	}
	s.SetFillColor(40, 40, 40)
}

func (s *sheet) bed(number int, bed garden.BedView) {
	s.SetFillColor(255, 255, 255)
	for _, area := range bed.Areas {
		s.outline(area, "FD")
	}
	if len(bed.Hole) > 0 {
		s.outline(bed.Hole, "D")
	}
	s.SetFillColor(40, 40, 40)
	for _, planted := range bed.Plantings {
		for _, spot := range planted.Spots {
			at := s.at(spot)
			s.Circle(at.X, at.Y, math.Max(0.25, math.Min(1, s.mm(planted.PlantM/2))), "D")
		}
	}
	at := s.at(bed.At)
	if len(bed.Hole) > 0 { // on the ring, not in its hole
		at = s.at(geometry.Point{X: bed.At.X, Y: bed.At.Y - bed.WidthM*0.4})
	}
	s.SetFont("go", "B", 9)
	text := fmt.Sprint(number)
	width := s.GetStringWidth(text)
	s.SetFillColor(255, 255, 255)
	s.Circle(at.X, at.Y, 2.6, "FD")
	s.SetFillColor(40, 40, 40)
	s.Text(at.X-width/2, at.Y+1.2, text)
}

// north draws an arrow that points to true north.
func (s *sheet) north(bearingDeg float64) {
	middle := geometry.Point{X: s.width - sheetMargin - legendWidth - 8, Y: sheetMargin + 7}
	tip := geometry.Point{Y: -7}.Turned(-bearingDeg)
	side := geometry.Point{X: 2.2, Y: 4}
	left, right := geometry.Point{X: -side.X, Y: side.Y}.Turned(-bearingDeg), side.Turned(-bearingDeg)
	s.Polygon([]fpdf.PointType{
		{X: middle.X + tip.X, Y: middle.Y + tip.Y}, {X: middle.X + right.X, Y: middle.Y + right.Y}, {X: middle.X, Y: middle.Y}, {X: middle.X + left.X, Y: middle.Y + left.Y},
	}, "F")
	s.SetFont("go", "B", 9)
	s.Text(middle.X-tip.X*0.9-1.4, middle.Y-tip.Y*0.9+1.5, "N")
}

func (s *sheet) scaleBar(plot garden.PlotView) {
	length := s.mm(plot.ScaleM)
	x, y := sheetMargin, s.height-sheetMargin-1
	s.SetLineWidth(0.4)
	s.Line(x, y, x+length, y)
	s.Line(x, y-1.5, x, y)
	s.Line(x+length, y-1.5, x+length, y)
	s.SetFont("go", "", 9)
	s.Text(x+length+2, y, plot.ScaleText)
}

// legend lists the beds by number with what stands in them, and the things. Where
// it would not fit it is set smaller, down to what can still be read.
func (s *sheet) legend(plot garden.PlotView) {
	type line struct {
		bold bool
		text string
	}
	var lines []line
	for i, bed := range plot.Beds {
		lines = append(lines, line{true, fmt.Sprintf("%d  %s", i+1, bed.Name)}, line{false, bed.Size + " · " + bed.Words})
		for _, planted := range bed.Plantings {
			lines = append(lines, line{false, fmt.Sprintf("– %s, %d", planted.Name, planted.Plants)})
		}
		if bed.Unsafe != "" {
			lines = append(lines, line{false, "Nothing from here is for use: " + bed.Unsafe})
		}
	}
	for _, item := range plot.Items {
		name := item.Name
		if name == "" {
			name = item.Kind
		}
		text := name + ": " + item.Words
		if item.Kind == "unsafe ground" {
			text = name + ": " + item.Input.Unsafe + ", nothing for use"
			if item.Input.Reach != "" {
				text += " within " + item.Input.Reach
			}
		}
		lines = append(lines, line{false, text})
	}
	x, y := s.width-sheetMargin-legendWidth+4, sheetMargin+5
	room := s.height - 2*sheetMargin - 6
	step := math.Min(legendLine, room/float64(max(1, len(lines))))
	size := math.Max(smallestType, step/legendLine*8.5)
	shown := lines
	if most := int(room / (smallestType / 8.5 * legendLine)); len(lines) > most {
		shown = append(lines[:most-1:most-1], line{false, fmt.Sprintf("and %d more lines on screen", len(lines)-most+1)})
		step = room / float64(len(shown))
	}
	for _, l := range shown {
		style := ""
		if l.bold {
			style = "B"
		}
		s.SetFont("go", style, size)
		s.Text(x, y, fitted(s.Fpdf, l.text, legendWidth-4))
		y += step
	}
}

// fitted shortens a text to a width in mm.
func fitted(pdf *fpdf.Fpdf, text string, width float64) string {
	runes := []rune(text)
	for pdf.GetStringWidth(string(runes)) > width && len(runes) > 1 {
		runes = append(runes[:len(runes)-2], '…')
	}
	return string(runes)
}

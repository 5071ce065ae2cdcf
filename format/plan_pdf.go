package format

import (
	"context"
	"fmt"
	"io"
	"math"
	"strings"

	"codeberg.org/go-pdf/fpdf"

	"bramblyacre/core/geometry"
	"bramblyacre/garden"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
)

// Sizes of the printed plan in mm.
const (
	sheetMargin  = 12.0
	legendWidth  = 82.0
	headHeight   = 14.0
	legendLine   = 3.45
	smallestType = 6.0
)

// scales are those that a plan is printed in, the largest first.
var scales = []float64{
	20,
	25,
	50,
	75,
	100,
	125,
	150,
	200,
	250,
	300,
	400,
	500,
	750,
	1000,
	1250,
	1500,
	2000,
	2500,
	5000,
	10000,
	20000,
	50000,
}

func writePlanPDF(ctx context.Context, g *garden.Garden, w io.Writer) error {
	plot, err := g.Place.Plot(ctx, plot.NoDay)
	if err != nil {
		return err
	}
	site, err := g.Place.Site(ctx)
	if err != nil {
		return err
	}
	return WritePlanPDF(w, plot, site)
}

// WritePlanPDF writes the plan on one page, to scale, with a legend: A4, or Letter
// where US units are shown.
func WritePlanPDF(w io.Writer, plot place.PlotView, site place.SiteView) error {
	paper := "A4"
	if site.Units == "us" {
		paper = "Letter"
	}
	pdf := fpdf.New("L", "mm", paper, "")
	pdf.SetTitle("Plan of "+site.Name, true)
	pdf.SetCreator("Brambly Acre", true)
	pdf.SetAutoPageBreak(false, 0)
	pdf.AddPage()
	s := newSheet(pdf, plot)
	s.head(site)
	s.draw(plot)
	s.legend(plot)
	return pdf.Output(w)
}

// sheet is a page with a plan on it.
type sheet struct {
	press
	width, height float64
	scale         float64
	low           geometry.Point
	originX       float64
	originY       float64
}

// mm is a length on the ground in mm on the page.
func (s *sheet) mm(metres float64) float64 { return metres * 1000 / s.scale }

func newSheet(pdf *fpdf.Fpdf, plot place.PlotView) *sheet {
	s := &sheet{press: newPress(pdf)}
	s.width, s.height = pdf.GetPageSize()
	low, high := drawnBounds(plot)
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

// drawnBounds is the part of the plot that is printed: all that is drawn on it with a little
// room about, so that an empty half takes no paper; the whole plot where nothing is drawn.
func drawnBounds(plot place.PlotView) (low, high geometry.Point) {
	const room = 1.5
	var all geometry.Polygon
	for _, bed := range plot.Beds {
		for _, area := range bed.Areas {
			all = append(all, area...)
		}
	}
	for _, item := range plot.Items {
		for _, area := range item.Areas {
			all = append(all, area...)
		}
	}
	whole := append(geometry.Polygon(nil), plot.Boundary...)
	if len(plot.Beds) == 0 {
		return whole.Bounds()
	}
	low, high = all.Bounds()
	least, most := whole.Bounds()
	low = geometry.Point{
		X: math.Max(low.X-room, math.Min(low.X, least.X)),
		Y: math.Max(low.Y-room, math.Min(low.Y, least.Y)),
	}
	high = geometry.Point{
		X: math.Min(high.X+room, math.Max(high.X, most.X)),
		Y: math.Min(high.Y+room, math.Max(high.Y, most.Y)),
	}
	return low, high
}

func (s *sheet) onPaper(p geometry.Point) fpdf.PointType {
	return fpdf.PointType{X: s.originX + s.mm(p.X-s.low.X), Y: s.originY + s.mm(p.Y-s.low.Y)}
}

func (s *sheet) outline(area geometry.Polygon, style string) {
	points := make([]fpdf.PointType, len(area))
	for i, p := range area {
		points[i] = s.onPaper(p)
	}
	s.Polygon(points, style)
}

func (s *sheet) head(site place.SiteView) {
	s.Text(sheetMargin, sheetMargin+5, s.face("B", 15, site.Name))
	s.Text(
		sheetMargin,
		sheetMargin+10,
		s.face(
			"",
			9,
			fmt.Sprintf("Plan of %s. Scale 1 : %.0f when printed at full size.", site.Today.DayMonthYear(), s.scale),
		),
	)
}

// greys are the fills of kinds of things, so that the plan prints without colour.
var greys = map[string]int{
	"building":    150,
	"wall":        60,
	"fence":       90,
	"hedge":       170,
	"path":        232,
	"lawn":        245,
	"wild ground": 240,
	"pond":        205,
	"stream":      205,
	"overflow":    215,
	// Narrow as it is it has to be seen.
	"root barrier": 40,
}

func (s *sheet) draw(plot place.PlotView) {
	s.ClipRect(
		sheetMargin-2,
		sheetMargin+headHeight-2,
		s.width-2*sheetMargin-legendWidth+4,
		s.height-2*sheetMargin-headHeight+2,
		false,
	)
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
	s.names(plot) // after the beds, that none covers a name
	s.ClipEnd()
	s.north(plot.Bearing)
	s.scaleBar(plot)
}

func (s *sheet) item(item place.ItemView) {
	s.SetLineWidth(0.2)
	switch item.Kind {
	case "unsafe ground":
		s.SetDashPattern([]float64{1, 1}, 0)
		for _, area := range item.Areas {
			s.outline(area, "D")
		}
		s.SetDashPattern(nil, 0)
	case "tree":
		at := s.onPaper(item.At)
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

func (s *sheet) bed(number int, bed place.BedView) {
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
			at := s.onPaper(spot)
			s.Circle(at.X, at.Y, math.Max(0.25, math.Min(1, s.mm(planted.PlantM/2))), "D")
		}
	}
	at := s.onPaper(bed.At)
	if len(bed.Hole) > 0 { // on the ring, not in its hole
		at = s.onPaper(geometry.Point{X: bed.At.X, Y: bed.At.Y - bed.WidthM*0.4})
	}
	text := s.face("B", 9, fmt.Sprint(number))
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
		{
			X: middle.X + tip.X,
			Y: middle.Y + tip.Y,
		},
		{X: middle.X + right.X, Y: middle.Y + right.Y},
		{X: middle.X, Y: middle.Y},
		{X: middle.X + left.X, Y: middle.Y + left.Y},
	}, "F")
	s.Text(middle.X-tip.X*0.9-1.4, middle.Y-tip.Y*0.9+1.5, s.face("B", 9, "N"))
}

func (s *sheet) scaleBar(plot place.PlotView) {
	length := s.mm(plot.ScaleM)
	x, y := sheetMargin, s.height-sheetMargin-1
	s.SetLineWidth(0.4)
	s.Line(x, y, x+length, y)
	s.Line(x, y-1.5, x, y)
	s.Line(x+length, y-1.5, x+length, y)
	s.Text(x+length+2, y, s.face("", 9, plot.ScaleText))
}

// legendEntry is one line of the legend before it is broken.
type legendEntry struct {
	bold bool
	text string
}

// legend lists the beds by number with what stands in them, what is not for use and what is
// unproven, and the things. Nothing is cut: long lines are broken, and what does not fit
// beside the plan at a size that can be read goes on to the next page.
func (s *sheet) legend(plot place.PlotView) {
	entries := legendEntries(plot)
	x, top := s.width-sheetMargin-legendWidth+4, sheetMargin+5
	room := s.height - 2*sheetMargin - 6
	const usual = 8.5
	size := usual
	var lines []legendEntry
	for ; size >= smallestType; size -= 0.5 {
		if lines = s.broken(entries, size, legendWidth-4); float64(len(lines))*legendLine*size/usual <= room {
			break
		}
	}
	size = math.Max(size, smallestType)
	step := legendLine * size / usual
	y := top
	for _, l := range lines {
		if y > top+room {
			s.AddPage()
			x, y = sheetMargin, top
		}
		style := ""
		if l.bold {
			style = "B"
		}
		s.Text(x, y, s.face(style, size, l.text))
		y += step
	}
}

// broken breaks entries into lines of a width in mm at a size of type.
func (s *sheet) broken(entries []legendEntry, size, width float64) (lines []legendEntry) {
	for _, entry := range entries {
		style := ""
		if entry.bold {
			style = "B"
		}
		for i, text := range s.SplitText(s.face(style, size, entry.text), width) {
			if i > 0 {
				text = "   " + text
			}
			lines = append(lines, legendEntry{entry.bold, text})
		}
	}
	return lines
}

func legendEntries(plot place.PlotView) (entries []legendEntry) {
	add := func(bold bool, format string, args ...any) {
		entries = append(entries, legendEntry{bold, fmt.Sprintf(format, args...)})
	}
	for i, bed := range plot.Beds {
		add(true, "%d  %s", i+1, bed.Name)
		add(false, "%s · %s", bed.Size, bed.Words)
		if bed.Unsafe != "" {
			add(true, "NOT FOR USE: %s", bed.Unsafe)
		}
		for _, planted := range bed.Plantings {
			text := fmt.Sprintf("– %s, %d", planted.Name, planted.Plants)
			switch planted.Identity {
			case "sure":
			case "excluded":
				text += " · A CHECK CONTRADICTED IT, NOT FOR USE"
			default:
				text += " · UNPROVEN, NOT FOR USE"
			}
			add(false, "%s", text)
			for _, notice := range planted.Ground {
				if notice.Forbids && bed.Unsafe == "" {
					add(true, "NOT FOR USE: %s", notice.Words)
				}
			}
		}
	}
	var things []string // one after the other: a line for each would fill the page
	for _, item := range plot.Items {
		if item.Kind != "unsafe ground" {
			things = append(things, nameOf(item)+": "+item.Words)
			continue
		}
		text := nameOf(item) + ": " + item.Input.Unsafe + ", nothing for use"
		if item.Input.Reach != "" {
			text += " within " + item.Input.Reach
		}
		add(false, "%s", text)
	}
	if len(things) > 0 {
		add(false, "%s", strings.Join(things, "; "))
	}
	return entries
}

// nameOf is what a thing is called.
func nameOf(item place.ItemView) string {
	if item.Name != "" {
		return item.Name
	}
	return item.Kind
}

// names writes what each thing is called where it lies on the plan.
func (s *sheet) names(plot place.PlotView) {
	for _, item := range plot.Items {
		at := item.At
		for _, area := range item.Areas {
			at = area.Middle()
			break
		}
		place := s.onPaper(at)
		text := s.face("", 6.5, nameOf(item))
		width := s.GetStringWidth(text)
		if item.Kind == "tree" {
			place.Y -= 2
		}
		s.SetFillColor(255, 255, 255)
		s.Rect(place.X-width/2-0.5, place.Y-2.2, width+1, 3, "F")
		s.SetFillColor(40, 40, 40)
		s.Text(place.X-width/2, place.Y, text)
	}
}

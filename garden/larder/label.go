package larder

import (
	"context"
	"fmt"
	"slices"

	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// LabelSize is a sheet that labels are printed on, in mm.
type LabelSize struct {
	ID    string `json:"id"`
	Words string `json:"words"`
	// Page is how wide and high the sheet is, Label one label; Left and Top where the first stands, GapX and GapY what
	// lies between two.
	PageWidth   float64 `json:"-"`
	PageHeight  float64 `json:"-"`
	Columns     int     `json:"columns"`
	Rows        int     `json:"rows"`
	LabelWidth  float64 `json:"-"`
	LabelHeight float64 `json:"-"`
	Left        float64 `json:"-"`
	Top         float64 `json:"-"`
	GapX        float64 `json:"-"`
	GapY        float64 `json:"-"`
}

// LabelSizes are sheets of labels as they are sold everywhere, by their measures.
var LabelSizes = []LabelSize{
	{"large", "8 on A4, 99 × 68 mm", 210, 297, 2, 4, 99.1, 67.7, 4.65, 13.1, 2.5, 0},
	{"middle", "14 on A4, 99 × 38 mm", 210, 297, 2, 7, 99.1, 38.1, 4.65, 15.15, 2.5, 0},
	{"small", "24 on A4, 70 × 37 mm", 210, 297, 3, 8, 70, 37, 0, 0.5, 0, 0},
	{"letter-large", "6 on US letter, 4 × 3⅓ in", 215.9, 279.4, 2, 3, 101.6, 84.67, 4, 12.7, 4.7, 0},
	{"letter-middle", "10 on US letter, 4 × 2 in", 215.9, 279.4, 2, 5, 101.6, 50.8, 4, 12.7, 4.7, 0},
	{"strip", "one long strip, 90 mm wide", 90, 160, 1, 1, 90, 160, 0, 0, 0, 0},
}

// LabelData is what stands on the label of a jar.
type LabelData struct {
	Title     string
	Botanical []string
	What      string
	// Lines are where it is from, when it was picked and made, the lot, until when it keeps.
	Lines []string
	// For says for whom there are cautions, in a line; Cautions are all of them.
	For      string
	Cautions []string
	Ask      string
	// LotID is the lot whose page the square leads to; Gift is true for someone who does not know the house.
	LotID int64
	Gift  bool
}

// LabelsOf asks for labels.
type LabelsOf struct {
	JarIDs []int64
	LotIDs []int64
	// Each is how many of each are printed; Gift is true for someone who does not know the house.
	Each int
	Gift bool
}

// mostLabels is the most labels that are printed at once.
const mostLabels = 480

// Labels returns the labels of jars and lots. What is held back gets none, unless what is new among its cautions is all
// that holds it.
func (u *Uses) Labels(ctx context.Context, of LabelsOf) ([]LabelData, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return nil, err
	}
	hold := heldOf(s)
	var labels []LabelData
	add := func(h holding, held string) error {
		if held != "" {
			return say.ConflictError{Why: "No label: it is held back. " + held}
		}
		label := labelOf(s, h, of.Gift)
		for range max(1, of.Each) {
			if len(labels) < mostLabels {
				labels = append(labels, label)
			}
		}
		return nil
	}
	for _, id := range of.JarIDs {
		h, err := standingJar(s, id)
		if err != nil {
			return nil, err
		}
		if err := add(h, hold.why(keeping.Thing{Kind: keeping.Jar, ID: id})); err != nil {
			return nil, err
		}
	}
	for _, id := range of.LotIDs {
		lot, has := s.LotByID(id)
		if !has {
			return nil, say.NotFoundError{What: "lot"}
		}
		held := hold.why(keeping.Thing{Kind: keeping.Lot, ID: id})
		if err := add(holding{stuff: stuffOf(s, lot), lots: []store.Lot{lot}}, held); err != nil {
			return nil, err
		}
	}
	if len(labels) == 0 {
		return nil, say.Faults{{Field: "jars", Message: "Say of which jars."}}
	}
	return labels, nil
}

// labelOf is the label of a jar, or of a lot as if it were in one.
func labelOf(s *plot.State, h holding, gift bool) LabelData {
	st, lot, lots := h.stuff, h.lot, h.lots
	label := LabelData{Title: say.Capital(st.plain()), LotID: lot.ID, Gift: gift, Ask: view.AskFirst}
	if st.one {
		label.Title = say.Capital(st.species.Names.Name)
	}
	var parts []partOf
	for _, one := range lots {
		for _, p := range partsIn(s, one) {
			if !slices.Contains(parts, p) {
				parts = append(parts, p)
			}
		}
	}
	for _, p := range parts {
		words := p.species.Names.Botanical
		if len(parts) > 1 {
			words = say.PartOf(p.species.Names.Name, p.part) + " (" + words + ")"
		}
		if !slices.Contains(label.Botanical, words) {
			label.Botanical = append(label.Botanical, words)
		}
	}
	switch {
	case lot.Making == makingDried:
		label.What = lot.Part + ", dried"
	case lot.Making == makingFrozen:
		label.What = lot.Part + ", frozen"
	case st.one:
		label.What = st.making.Of + " " + lot.Part
	default:
		label.What = lot.Name
		label.Title = lot.Name
		if st.making.ID == makingMix {
			label.What = "a tea mix"
		}
	}
	if lot.Strength != nil && st.making.ID == "spirit" {
		label.What += fmt.Sprintf(", made with %s %% alcohol", say.Number(*lot.Strength))
	}
	label.Lines = labelLines(s, h)
	cautions := view.ViewCautions(s, cautionsOf(s, lots...))
	var whom []string
	for _, c := range cautions.List {
		line := view.CautionLine(c)
		if gift { // the names of this house say nothing to another
			line = c.Who + ": " + c.Text
		}
		label.Cautions = append(label.Cautions, line)
		if who := say.LowerFirst(c.Who); !slices.Contains(whom, who) && who != "everyone" {
			whom = append(whom, who)
		}
	}
	if len(label.Cautions) == 0 {
		label.Cautions = []string{view.NoCaution}
	}
	if len(whom) > 0 {
		label.For = "Cautions for: " + say.Joined(whom) + "."
	}
	return label
}

// labelLines say where it is from, when it was picked and made, the lot, and until when it keeps.
func labelLines(s *plot.State, h holding) (lines []string) {
	for _, lot := range h.lots {
		if lot.BoughtFrom != "" {
			lines = append(lines, "Bought from "+lot.BoughtFrom+", "+madeOn(lot).DayMonthYear())
			continue
		}
		for _, f := range s.FlowsOfLot(lot.ID) {
			if f.PickingID == nil {
				continue
			}
			if picked, has := s.PickingByID(*f.PickingID); has {
				lines = append(lines, fmt.Sprintf("From %s, picked %s", picked.Planting.Bed.Name, picked.Day.DayMonthYear()))
			}
		}
		if lot.EndedAt != nil {
			lines = append(lines, fmt.Sprintf("Lot %s, done %s", lotLabel(lot), madeOn(lot).DayMonthYear()))
		} else {
			lines = append(lines, fmt.Sprintf("Lot %s, begun %s", lotLabel(lot), madeOn(lot).DayMonthYear()))
		}
	}
	lines = slices.Compact(lines)
	last := ""
	if h.grams > 0 {
		last = amount(s, h.grams, h.lot.Density) + ". "
	}
	// Of several lots in a jar the first that is past its time counts.
	if until := keepsUntil(h); until != 0 {
		last += "Best before " + until.Time().Format("January 2006") + "."
	}
	if opened := h.making.Opened; opened != nil {
		last += " Once opened, within " + keepsWords(opened.Value) + "."
	}
	if last != "" {
		lines = append(lines, last)
	}
	return lines
}

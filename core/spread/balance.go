package spread

import (
	"slices"

	"bramblyacre/core/flora"
)

// Side is which side of the balance a row lies on.
type Side string

// The sides. A row that is open lies on neither: nothing is on record.
const (
	For     Side = "for"
	Against Side = "against"
	Neither Side = "neither"
	Unknown Side = "not on record"
)

// Subject is what a row of the balance is about.
type Subject string

// The subjects.
const (
	Insects   Subject = "insects and birds"
	CoverSoil Subject = "cover of the soil"
	Food      Subject = "food"
	Fodder    Subject = "fodder"
	Pace      Subject = "how fast it goes"
	Shed      Subject = "seed it sheds"
	SoilBank  Subject = "seed in the ground"
	Pieces    Subject = "what grows again"
	Harm      Subject = "danger"
	LawList   Subject = "law"
)

// Subjects are all of them, in the order in which they are shown.
func Subjects() []Subject {
	return []Subject{Insects, CoverSoil, Food, Fodder, Pace, Shed, SoilBank, Pieces, Harm, LawList}
}

// Weight is how much a row counts: 0 for nothing, to 3.
type Weight int

// BalanceRow is one thing that speaks for a kind or against it.
type BalanceRow struct {
	Subject Subject
	Side    Side
	Weight  Weight
	// Figure is what it rests on, nil for none; Text is the species file's own words, empty for none.
	Figure *flora.Figure
	Text   string
	// Parts are the parts that a row of food is about.
	Parts []string
}

// Balance weighs a kind that comes up by itself: one row for each subject, whatever is on record.
func Balance(species *flora.Species) []BalanceRow {
	rows := make([]BalanceRow, 0, len(Subjects()))
	for _, subject := range Subjects() {
		rows = append(rows, balanceRow(species, subject))
	}
	return rows
}

func balanceRow(s *flora.Species, subject Subject) BalanceRow {
	row := BalanceRow{Subject: subject, Side: Unknown}
	is := func(side Side, weight Weight) { row.Side, row.Weight = side, weight }
	switch subject {
	case Insects:
		if row.Text = s.Wildlife; row.Text != "" {
			is(For, 1)
		}
		if slices.Contains(s.Site.Uses, "insects") {
			is(For, 2)
		}
	case CoverSoil:
		is(Neither, 0)
		if slices.Contains(s.Site.Uses, "ground cover") || slices.Contains(s.Site.Uses, "holding a bank") {
			is(For, 2)
		} else if slices.Contains(s.Site.Uses, "nurse for others") || slices.Contains(s.Site.Uses, "nitrogen") ||
			slices.Contains(s.Site.Uses, "feeding the soil") {
			is(For, 1)
		}
	case Food:
		is(Neither, 0)
		for _, part := range s.Parts {
			if IsFood(part) {
				row.Parts = append(row.Parts, part.Name)
				is(For, 2)
			}
		}
	case Fodder:
		row.Text = s.Household.HensWhy
		switch s.Household.Hens {
		case "eaten":
			is(For, 1)
		case "a little", "left alone":
			is(Neither, 0)
		case "harmful":
			is(Against, 1)
		}
	case Pace:
		row.Text = s.Site.SpreadNote
		for _, way := range s.Spreads {
			if way.Rate != nil && (row.Figure == nil || way.Rate.Value > row.Figure.Value) {
				row.Figure = way.Rate
			}
		}
		if row.Figure == nil {
			if !slices.ContainsFunc(s.Spreads, func(w flora.SpreadWay) bool { return w.By != "seed" }) && len(s.Spreads) > 0 {
				is(Neither, 0) // by seed alone
			}
			break
		}
		is(Neither, 0)
		// In metres a year, as below in seeds, years and shares: guesses of ours, there to weigh and for nothing else.
		for _, bound := range []float64{0.1, 0.3, 0.6} {
			if row.Figure.Value >= bound {
				is(Against, row.Weight+1)
			}
		}
	case Shed:
		way := SeedWay(s)
		if way == nil {
			break
		}
		seeds := scaled(*way.Heads, *way.SeedsHead)
		row.Figure, row.Text = &seeds, way.How
		is(Neither, 0)
		for _, bound := range []float64{200, 2000, 20000} {
			if seeds.Value >= bound {
				is(Against, row.Weight+1)
			}
		}
	case SoilBank:
		way := SeedWay(s)
		if way == nil {
			break
		}
		row.Figure, row.Text = way.SoilYears, way.Wakes
		is(Neither, 0)
		for _, bound := range []float64{3, 8, 25} {
			if way.SoilYears.Value >= bound {
				is(Against, row.Weight+1)
			}
		}
	case Pieces:
		regrows, known := Regrows(s)
		if !known {
			break
		}
		row.Figure = &regrows
		is(Neither, 0)
		for _, bound := range []float64{0.3, 0.7} {
			if regrows.Value >= bound {
				is(Against, row.Weight+1)
			}
		}
	case Harm:
		is(Neither, 0)
		row.Text = s.Watch
		switch {
		case s.Identity.Danger == "deadly":
			is(Against, 3)
		case s.Identity.Danger == "poisonous":
			is(Against, 3)
		case s.Identity.Danger == "unpleasant" || HurtsByTouch(s):
			is(Against, 1)
		}
	case LawList:
		is(Neither, 0)
		if row.Text = s.Law; row.Text != "" {
			is(Against, 3)
		}
	}
	return row
}

// scaled is the product of two figures, with the weaker standing.
func scaled(a, b flora.Figure) flora.Figure {
	return flora.Figure{
		Value: a.Value * b.Value, Low: a.Low * b.Low, High: a.High * b.High, Unit: b.Unit,
		Standing: flora.Weakest(a.Standing, b.Standing),
	}
}

// IsFood tells whether a part is eaten.
func IsFood(part flora.Part) bool {
	return slices.Contains(part.Verdicts, flora.EatenRaw) || slices.Contains(part.Verdicts, flora.EatenCooked)
}

// HurtsByTouch tells whether a caution is on record for handling a kind.
func HurtsByTouch(s *flora.Species) bool {
	return slices.ContainsFunc(s.Cautions, func(c flora.Caution) bool { return c.Route == "handling" })
}

// Sum is what speaks for a kind less what speaks against it.
func Sum(rows []BalanceRow) (sum int) {
	for _, row := range rows {
		switch row.Side {
		case For:
			sum += int(row.Weight)
		case Against:
			sum -= int(row.Weight)
		}
	}
	return sum
}

package format

import (
	"encoding/csv"
	"io"
	"strconv"
	"strings"

	"bramblyacre/garden"
)

// WritePickings writes pickings as CSV (RFC 4180), with units in the headings.
func WritePickings(w io.Writer, rows []garden.PickingRow) error {
	table := [][]string{{"day", "bed", "plant", "botanical name", "part", "amount (counted)", "counted in", "fresh weight (g)", "share of stand", "over allowance", "note"}}
	for _, r := range rows {
		table = append(table, []string{
			r.Day, safe(r.Bed), r.Plant, r.Botanical, r.Part, decimal(r.Units, 2), r.UnitName, decimal(r.Grams, 1), decimal(r.ShareOfStand, 3),
			strconv.FormatBool(r.OverAllowance), safe(r.Note),
		})
	}
	return write(w, table)
}

// WriteObservations writes observations as CSV (RFC 4180), with units in the
// headings and the stage also as a BBCH code.
func WriteObservations(w io.Writer, rows []garden.ObservationRow) error {
	table := [][]string{{"day", "bed", "plant", "botanical name", "stage", "stage (BBCH)", "share of plants", "height (cm)", "width (cm)", "marks", "note"}}
	for _, r := range rows {
		table = append(table, []string{
			r.Day, safe(r.Bed), r.Plant, r.Botanical, r.Stage.String(), strconv.Itoa(r.Stage.BBCH()), r.Share,
			optional(r.HeightCm), optional(r.WidthCm), r.Marks, safe(r.Note),
		})
	}
	return write(w, table)
}

func write(w io.Writer, table [][]string) error {
	file := csv.NewWriter(w)
	file.UseCRLF = true // RFC 4180, 2.1
	return file.WriteAll(table)
}

// safe keeps a grower's text from being taken for a formula by a spreadsheet.
func safe(text string) string {
	if text != "" && strings.ContainsRune("=+-@\t\r", rune(text[0])) {
		return "'" + text
	}
	return text
}

func decimal(value float64, decimals int) string {
	return strconv.FormatFloat(value, 'f', decimals, 64)
}

func optional(value *float64) string {
	if value == nil {
		return ""
	}
	return decimal(*value, 1)
}

package format

import (
	"encoding/csv"
	"io"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"golang.org/x/text/unicode/norm"

	"bramblyacre/garden/now"
)

// WritePickings writes pickings as CSV (RFC 4180), with units in the headings.
func WritePickings(w io.Writer, rows []now.PickingRow) error {
	table := [][]string{
		{
			"day",
			"bed",
			"plant",
			"botanical name",
			"part",
			"amount (counted)",
			"counted in",
			"fresh weight (g)",
			"share of stand",
			"over allowance",
			"note",
		},
	}
	for _, r := range rows {
		table = append(table, []string{
			r.Day,
			safe(r.Bed),
			safe(r.Plant),
			safe(r.Botanical),
			safe(r.Part),
			decimal(r.Units, 2),
			safe(r.UnitName),
			decimal(r.Grams, 1),
			decimal(r.ShareOfStand, 3),
			strconv.FormatBool(r.OverAllowance),
			safe(r.Note),
		})
	}
	return write(w, table)
}

// WriteObservations writes observations as CSV (RFC 4180), with units in the
// headings and the stage also as a BBCH code.
func WriteObservations(w io.Writer, rows []now.ObservationRow) error {
	table := [][]string{
		{
			"day",
			"bed",
			"plant",
			"botanical name",
			"stage",
			"stage (BBCH)",
			"share of plants",
			"height (cm)",
			"width (cm)",
			"marks",
			"note",
		},
	}
	for _, r := range rows {
		table = append(table, []string{
			r.Day,
			safe(r.Bed),
			safe(r.Plant),
			safe(r.Botanical),
			safe(r.Stage.String()),
			strconv.Itoa(r.Stage.BBCH()),
			safe(r.Share),
			optional(r.HeightCm),
			optional(r.WidthCm),
			safe(r.Marks),
			safe(r.Note),
		})
	}
	return write(w, table)
}

func write(w io.Writer, table [][]string) error {
	file := csv.NewWriter(w)
	file.UseCRLF = true // RFC 4180, 2.1
	return file.WriteAll(table)
}

// safe keeps a text from being taken for a formula by a spreadsheet, wherever it came from:
// the grower, or a file that somebody gave them. Some spreadsheets look behind blanks and
// quotes, and take the wide signs for the plain ones.
func safe(text string) string {
	bare := strings.TrimLeftFunc(text, func(r rune) bool {
		return unicode.IsSpace(r) || unicode.IsControl(r) || r == '"' || r == '\'' || r == '\uFEFF'
	})
	first, _ := utf8.DecodeRuneInString(norm.NFKC.String(bare))
	if bare != "" && strings.ContainsRune("=+-@|%", first) || strings.HasPrefix(text, "'") {
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

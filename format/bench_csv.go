package format

import (
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/garden"
	"bramblyacre/garden/area"
	"bramblyacre/garden/bench"
	"bramblyacre/garden/say"
)

// lotHeadings and batchHeadings are the headings of the bench's tables, as docs/formats.md tells
// them.
var (
	lotHeadings = []string{
		"plant", "botanical name", "lot", "origin", "source", "ripe on", "sign", "dried", "storage", "weight (g)",
		"seeds", "mothers",
		"labelled", "note",
	}
	batchHeadings = []string{
		"plant", "botanical name", "way", "lot", "wanted", "started", "trays", "planned", "begun", "came up", "lost",
		"planted out", "out",
		"bed", "ended", "note",
	}
)

// WriteLots writes seed lots as CSV (RFC 4180).
func WriteLots(w io.Writer, rows []bench.LotRow) error {
	table := [][]string{lotHeadings}
	for _, r := range rows {
		table = append(table, []string{
			safe(
				r.Plant,
			), safe(r.Botanical), safe(r.Name), r.Origin, safe(r.Source), r.RipeOn, safe(r.Sign), safe(r.Dried), r.Storage,
			number(r.Grams, 4), number(r.Seeds, 0), number(r.Mothers, 0), strconv.FormatBool(r.Labelled), safe(r.Note),
		})
	}
	return write(w, table)
}

// WriteBatches writes batches as CSV (RFC 4180).
func WriteBatches(w io.Writer, rows []bench.BatchRow) error {
	table := [][]string{batchHeadings}
	whole := func(n *int) string {
		if n == nil {
			return ""
		}
		return strconv.Itoa(*n)
	}
	for _, r := range rows {
		table = append(table, []string{
			safe(
				r.Plant,
			), safe(r.Botanical), r.Way, safe(r.Lot), strconv.Itoa(r.Wanted), strconv.Itoa(r.Starts),
			strconv.Itoa(r.Trays), r.Planned,
			r.Begun, whole(r.Up), whole(r.Gone), whole(r.PlantedOut), r.Out, safe(r.Bed), r.Ended, safe(r.Note),
		})
	}
	return write(w, table)
}

func number(value *float64, decimals int) string {
	if value == nil {
		return ""
	}
	text := decimal(*value, decimals)
	if strings.Contains(text, ".") {
		text = strings.TrimRight(strings.TrimRight(text, "0"), ".")
	}
	return text
}

// ReadLots reads the lines of a table of seed lots; ReadBatches those of a table of batches. A file
// that is no such table is a fault that says why; what is wrong with a single line is told where it is
// brought in.
func ReadLots(r io.Reader) ([]area.FileLine, error) {
	return readLines(r, lotHeadings, "plant", "lot")
}

// ReadBatches reads the lines of a table of batches.
func ReadBatches(r io.Reader) ([]area.FileLine, error) {
	return readLines(r, batchHeadings, "plant", "way", "started")
}

func readLines(r io.Reader, headings []string, needed ...string) ([]area.FileLine, error) {
	fault := func(format string, args ...any) error {
		return say.Faults{{Field: "file", Message: fmt.Sprintf(format, args...)}}
	}
	file := csv.NewReader(r)
	file.FieldsPerRecord = -1
	head, err := file.Read()
	if errors.Is(err, io.EOF) {
		return nil, fault("The file is empty.")
	}
	if err != nil {
		return nil, fault("This is no table: %v.", err)
	}
	for i := range head {
		head[i] = strings.ToLower(strings.TrimSpace(strings.TrimPrefix(head[i], "\uFEFF")))
		if !slices.Contains(headings, head[i]) {
			return nil, fault("Heading %q is not known. The headings are: %s.", head[i], strings.Join(headings, ", "))
		}
	}
	for _, name := range needed {
		if !slices.Contains(head, name) {
			return nil, fault("The heading %q is missing. The headings are: %s.", name, strings.Join(headings, ", "))
		}
	}
	var lines []area.FileLine
	for {
		record, err := file.Read()
		if errors.Is(err, io.EOF) {
			return lines, nil
		}
		if err != nil {
			return nil, fault("The table cannot be read: %v.", err) // with its line
		}
		at, _ := file.FieldPos(0)
		line := area.FileLine{Line: at, Fields: map[string]string{}}
		for i, value := range record {
			if i < len(head) {
				line.Fields[head[i]] = plain(value)
			}
		}
		lines = append(lines, line)
	}
}

// plain takes off the quote that safe put before a text.
func plain(text string) string {
	if rest, is := strings.CutPrefix(text, "'"); is && safe(rest) != rest {
		return rest
	}
	return text
}

// benchFiles are the bench's files by the name they are asked for.
var benchFiles = map[string]File{
	"seeds": {"seeds.csv", csvType, func(ctx context.Context, g *garden.Garden, w io.Writer) error {
		rows, err := g.Bench.Lots(ctx)
		if err != nil {
			return err
		}
		return WriteLots(w, rows)
	}},
	"batches": {"batches.csv", csvType, func(ctx context.Context, g *garden.Garden, w io.Writer) error {
		rows, err := g.Bench.Batches(ctx)
		if err != nil {
			return err
		}
		return WriteBatches(w, rows)
	}},
}

const csvType = "text/csv; charset=utf-8; header=present"

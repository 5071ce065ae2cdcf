package place

import (
	"bytes"
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/listing"
	"bramblyacre/core/spelling"
	"bramblyacre/garden/say"
)

// tableLine is a line of a table by the names of its columns.
type tableLine struct {
	number int
	cells  map[string]string
}

// tableColumns are the columns that a table of plantings may have, each by the names it is known by.
var tableColumns = map[string][]string{
	"plant": {"plant", "species", "name"},
	"count": {"count", "plants", "number", "how many"},
	"area":  {"area"},
	"bed":   {"bed", "where", "place"},
	"since": {"since", "day", "date", "set", "planted", "started"},
	"from":  {"origin", "from", "how"},
	"label": {"label", "labelled", "source"},
	"note":  {"note", "notes"},
}

// readTable reads a table of plantings, comma, semicolon or tab between its cells, with a line of
// column names; what cannot be read is refused line by line.
func readTable(text string) (lines []tableLine, refused []string) {
	text = strings.TrimPrefix(text, "\ufeff")
	reader := csv.NewReader(bytes.NewReader([]byte(text)))
	reader.FieldsPerRecord, reader.TrimLeadingSpace = -1, true
	head, _, _ := strings.Cut(text, "\n")
	for _, comma := range []rune{';', '\t'} {
		if strings.ContainsRune(head, comma) {
			reader.Comma = comma
		}
	}
	names, err := reader.Read()
	if err != nil {
		return nil, []string{"The table is empty, or its first line is no line of a table."}
	}
	columns := make([]string, len(names))
	for i, name := range names {
		for column, known := range tableColumns {
			if slices.Contains(known, spelling.Words(name)) && !slices.Contains(columns, column) {
				columns[i] = column
			}
		}
		if columns[i] == "" && strings.TrimSpace(name) != "" {
			const says = "Line 1: the column %q is none of these, or one of them again, and is left out: " +
				"plant, count, area, bed, since, origin, label, note."
			refused = append(refused, fmt.Sprintf(says, name))
		}
	}
	if !slices.Contains(columns, "plant") {
		return nil, append(refused, "Line 1 has to name the columns; one of them is \"plant\".")
	}
	for {
		record, err := reader.Read()
		if errors.Is(err, io.EOF) {
			return lines, refused
		}
		if err != nil {
			return lines, append(refused, say.Sentence("the rest is not read: "+err.Error()))
		}
		number, _ := reader.FieldPos(0)
		if len(record) > len(columns) {
			refused = append(
				refused,
				fmt.Sprintf("Line %d has %d cells where the first line names %d columns.", number, len(record), len(columns)),
			)
			continue
		}
		line := tableLine{number, map[string]string{}}
		for i, cell := range record {
			if cell = strings.TrimSpace(cell); cell != "" && columns[i] != "" {
				line.cells[columns[i]] = cell
			}
		}
		switch {
		case len(line.cells) == 0:
		case line.cells["plant"] == "":
			refused = append(refused, fmt.Sprintf("Line %d names no plant.", number))
		default:
			lines = append(lines, line)
		}
	}
}

// ofLine turns a line of a table into a planting. A day is read as it is written in a table,
// 2028-04-15, or in words.
func (r listingReader) ofLine(ctx context.Context, line tableLine) (ListedPlant, error) {
	written := line.cells["plant"]
	e := listing.Entry{
		Text:  fmt.Sprintf("line %d: %s", line.number, written),
		Name:  written,
		Where: line.cells["bed"],
		Area:  line.cells["area"],
	}
	var asks []string
	noDay, noOrigin := false, false
	if count, has := line.cells["count"]; has {
		n, err := strconv.Atoi(count)
		if err != nil || n < 1 {
			e.Vague = true
			asks = append(asks, fmt.Sprintf("%q is not a number of plants.", count))
		}
		e.Count = max(n, 0)
	}
	if since, has := line.cells["since"]; has {
		e.Since = listing.ReadSince(since)
		if noDay = !e.Since.Said && spelling.Words(since) != "today"; noDay {
			asks = append(asks, fmt.Sprintf("%q is not a day: write it as 2028-04-15, 15 April 2028 or 2028.", since))
		}
	}
	if from, has := line.cells["from"]; has {
		if e.Origin = listing.ReadOrigin(from); e.Origin == "" {
			asks = append(asks, fmt.Sprintf("%q is no way to begin: %s.", from, say.OrList(originWords())))
			noOrigin = true
		}
	}
	plant, err := r.plantOf(ctx, e)
	// What is written and cannot be read is left open, so that it is not set as something else.
	if noDay {
		plant.Planting.StartedOn = ""
	}
	if noOrigin {
		plant.Planting.Origin = ""
	}
	plant.Planting.Note = line.cells["note"]
	if label := line.cells["label"]; label != "" {
		plant.Planting.Labelled, plant.Planting.Source = true, label
	}
	plant.Asks = append(plant.Asks, asks...)
	return plant, err
}

func originWords() []string {
	var words []string
	for _, row := range flora.Origins() {
		words = append(words, string(row.Origin))
	}
	return words
}

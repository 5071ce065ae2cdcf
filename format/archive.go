package format

import (
	"archive/zip"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/csv"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"path"
	"slices"
	"strconv"
	"strings"
	"time"

	"bramblyacre/garden"
	"bramblyacre/store"
)

// An archive is a plot in open files: every table as CSV, the photographs as pictures, the
// grower's own plants as TOML, the plan as GeoJSON, and a manifest that says what there is
// and by which hash each file is known. See docs/formats.md.

const (
	archiveFormat  = "brambly-acre archive"
	archiveVersion = 1
	manifestName   = "manifest.json"
	planName       = "plan.geojson"
	// mostArchiveBytes is how much an archive may hold, unpacked: ten years of photographs.
	mostArchiveBytes = 8 << 30
	mostArchiveFiles = 200_000
	mostManifest     = 64 << 20
)

// Manifest says what an archive holds.
type Manifest struct {
	Format  string `json:"format"`
	Version int    `json:"version"`
	// Form is of the plot's tables.
	Form   int64           `json:"form"`
	PlotID string          `json:"plot_id"`
	Name   string          `json:"name"`
	Made   string          `json:"made"`
	Tables []ManifestTable `json:"tables"`
	Files  []ManifestFile  `json:"files"`
}

// ManifestTable is a table of an archive.
type ManifestTable struct {
	Name    string         `json:"name"`
	File    string         `json:"file"`
	Rows    int            `json:"rows"`
	Columns []store.Column `json:"columns"`
}

// ManifestFile is a file of an archive with the hash that it is known by.
type ManifestFile struct {
	Name   string `json:"name"`
	Bytes  int64  `json:"bytes"`
	SHA256 string `json:"sha256"`
}

// apart are the columns that stand as files of their own, by table: who names the file, and
// how.
var apart = map[string]struct {
	column string
	file   func(row map[string]any) string
}{
	"photographs": {"bytes", func(row map[string]any) string {
		return fmt.Sprintf("photographs/%v.%s", row["sha256"], pictureEnding(row["kind"]))
	}},
	"own_climates": {"text", func(map[string]any) string { return "climates/own.toml" }},
	"own_plants":   {"text", func(row map[string]any) string { return fmt.Sprintf("plants/%v.toml", row["species_id"]) }},
}

func pictureEnding(kind any) string {
	switch kind {
	case "image/jpeg":
		return "jpg"
	case "image/png":
		return "png"
	case "image/webp":
		return "webp"
	}
	return "picture"
}

// archiveWriter writes files into an archive and notes them in its manifest.
type archiveWriter struct {
	zip      *zip.Writer
	manifest Manifest
}

func (a *archiveWriter) add(name string, text []byte) error {
	file, err := a.zip.CreateHeader(
		&zip.FileHeader{Name: name, Method: zip.Deflate, Modified: time.Date(1980, 1, 1, 0, 0, 0, 0, time.UTC)},
	)
	if err != nil {
		return err
	}
	sum := sha256.Sum256(text)
	a.manifest.Files = append(a.manifest.Files, ManifestFile{name, int64(len(text)), hex.EncodeToString(sum[:])})
	_, err = file.Write(text)
	return err
}

// WriteArchive writes a whole plot as an archive.
func WriteArchive(ctx context.Context, g *garden.Garden, w io.Writer) error {
	s := g.Plot.Store
	site, err := s.GetSite(ctx)
	if err != nil {
		return err
	}
	form, err := s.Form(ctx)
	if err != nil {
		return err
	}
	a := archiveWriter{
		zip.NewWriter(w),
		Manifest{
			Format:  archiveFormat,
			Version: archiveVersion,
			Form:    form,
			PlotID:  g.Plot.PlotID(),
			Name:    site.Name,
			Made:    g.Plot.Clock().UTC().Format(time.RFC3339),
			Tables:  []ManifestTable{},
			Files:   []ManifestFile{},
		},
	}
	if err := s.EveryTable(ctx, a.addTable); err != nil {
		return fmt.Errorf("write the archive: %w", err)
	}
	var plan bytes.Buffer
	if err := writePlanFile(ctx, g, &plan); err != nil {
		return err
	}
	if err := a.add(planName, plan.Bytes()); err != nil {
		return err
	}
	text, err := json.MarshalIndent(a.manifest, "", "  ")
	if err != nil {
		return err
	}
	file, err := a.zip.Create(manifestName)
	if err != nil {
		return err
	}
	if _, err := file.Write(append(text, '\n')); err != nil {
		return err
	}
	return a.zip.Close()
}

// addTable writes a table as CSV, and what stands apart as files.
func (a *archiveWriter) addTable(table store.Table) error {
	away, hasAway := apart[table.Name]
	told := ManifestTable{Name: table.Name, File: "tables/" + table.Name + ".csv", Rows: len(table.Rows)}
	var head []string
	for _, c := range table.Columns {
		if !hasAway || c.Name != away.column {
			told.Columns = append(told.Columns, c)
			head = append(head, c.Name)
		}
	}
	var text bytes.Buffer
	file := csv.NewWriter(&text)
	file.UseCRLF = true // RFC 4180, 2.1
	if err := file.Write(head); err != nil {
		return err
	}
	for _, row := range table.Rows {
		named := map[string]any{}
		var cells []string
		for i, c := range table.Columns {
			named[c.Name] = row[i]
			if !hasAway || c.Name != away.column {
				cells = append(cells, cellOf(row[i]))
			}
		}
		if err := file.Write(cells); err != nil {
			return err
		}
		if hasAway {
			if err := a.add(away.file(named), bytesOf(named[away.column])); err != nil {
				return err
			}
		}
	}
	file.Flush()
	if err := file.Error(); err != nil {
		return err
	}
	a.manifest.Tables = append(a.manifest.Tables, told)
	return a.add(told.File, text.Bytes())
}

func bytesOf(value any) []byte {
	if text, is := value.(string); is {
		return []byte(text)
	}
	blob, _ := value.([]byte)
	return blob
}

const nothingCell = `\N`

var (
	escapes   = strings.NewReplacer(`\`, `\\`, "\r", `\r`)
	unescapes = strings.NewReplacer(`\\`, `\`, `\r`, "\r")
)

// cellOf writes a value as a cell that is read back as it was: \N for nothing, and a text
// that a spreadsheet would take for a formula behind an apostrophe.
func cellOf(value any) string {
	switch v := value.(type) {
	case int64:
		return strconv.FormatInt(v, 10)
	case float64:
		return strconv.FormatFloat(v, 'g', -1, 64)
	case string:
		return safe(escapes.Replace(v))
	}
	return nothingCell
}

// valueOf reads a cell of a column.
func valueOf(cell, kind string) (any, error) {
	if cell == nothingCell {
		return nil, nil
	}
	switch kind {
	case "INTEGER":
		return strconv.ParseInt(cell, 10, 64)
	case "REAL":
		return strconv.ParseFloat(cell, 64)
	case "TEXT":
		return unescapes.Replace(strings.TrimPrefix(cell, "'")), nil
	}
	return nil, fmt.Errorf("a column of the kind %q", kind)
}

// Archive is an archive that was read whole and found to be what its manifest says.
type Archive struct {
	Manifest Manifest
	tables   []store.Table
}

// ReadArchive reads an archive. One of which anything is missing, changed or added is
// refused.
func ReadArchive(from io.ReaderAt, size int64) (Archive, error) {
	file, err := zip.NewReader(from, size)
	if err != nil {
		return Archive{}, errors.New("this is no archive: it is no whole ZIP file")
	}
	r := archiveReader{files: map[string]*zip.File{}}
	total := uint64(0)
	for _, f := range file.File {
		if _, twice := r.files[f.Name]; twice {
			return Archive{}, fmt.Errorf("%s is in the archive twice", f.Name)
		}
		r.files[f.Name] = f
		total += f.UncompressedSize64
	}
	if len(r.files) > mostArchiveFiles || total > mostArchiveBytes {
		return Archive{}, errors.New("the archive holds more than any plot")
	}
	a := Archive{}
	if err := r.readManifest(&a.Manifest); err != nil {
		return a, err
	}
	for _, told := range a.Manifest.Files {
		if err := r.verify(told); err != nil {
			return a, err
		}
	}
	for name := range r.files {
		if name != manifestName && !r.known[name] {
			return a, fmt.Errorf("%s is in the archive, but not in its manifest", name)
		}
	}
	for _, told := range a.Manifest.Tables {
		table, err := r.readTable(told)
		if err != nil {
			return a, fmt.Errorf("%s: %w", told.File, err)
		}
		a.tables = append(a.tables, table)
	}
	return a, nil
}

type archiveReader struct {
	files map[string]*zip.File
	known map[string]bool
}

// text is a whole file of the archive, no longer than so many bytes.
func (r *archiveReader) text(name string, most int64) (text []byte, err error) {
	file, has := r.files[name]
	if !has {
		return nil, fmt.Errorf("%s is missing from the archive", name)
	}
	opened, err := file.Open()
	if err != nil {
		return nil, fmt.Errorf("%s: %w", name, err)
	}
	defer func() { err = errors.Join(err, opened.Close()) }()
	if text, err = io.ReadAll(io.LimitReader(opened, most+1)); err != nil {
		return nil, fmt.Errorf("%s is broken: %w", name, err)
	}
	if int64(len(text)) > most {
		return nil, fmt.Errorf("%s is longer than it says", name)
	}
	return text, nil
}

func (r *archiveReader) readManifest(m *Manifest) error {
	text, err := r.text(manifestName, mostManifest)
	if err != nil {
		return err
	}
	if err := json.Unmarshal(text, m); err != nil || m.Format != archiveFormat {
		return errors.New("this is no archive of a plot: its manifest does not say so")
	}
	if m.Version != archiveVersion {
		return fmt.Errorf("the archive is of version %d; this program reads version %d", m.Version, archiveVersion)
	}
	return nil
}

// verify makes sure that a file is what the manifest says.
func (r *archiveReader) verify(told ManifestFile) error {
	if r.known == nil {
		r.known = map[string]bool{}
	}
	r.known[told.Name] = true
	text, err := r.text(told.Name, told.Bytes)
	if err != nil {
		return err
	}
	if sum := sha256.Sum256(text); int64(len(text)) != told.Bytes || hex.EncodeToString(sum[:]) != told.SHA256 {
		return fmt.Errorf("%s was changed since the archive was made: its hash is another", told.Name)
	}
	return nil
}

func (r *archiveReader) readTable(told ManifestTable) (table store.Table, err error) {
	if told.File != path.Join("tables", told.Name+".csv") || !r.known[told.File] {
		return table, errors.New("the table's file is not where it belongs")
	}
	text, err := r.text(told.File, int64(r.files[told.File].UncompressedSize64))
	if err != nil {
		return table, err
	}
	reader := csv.NewReader(bytes.NewReader(text))
	reader.ReuseRecord = true
	var head []string
	for _, c := range told.Columns {
		head = append(head, c.Name)
	}
	first, err := reader.Read()
	if err != nil || !slices.Equal(first, head) {
		return table, errors.New("its heading is not what the manifest says")
	}
	table.Name, table.Columns = told.Name, slices.Clone(told.Columns)
	away, hasAway := apart[told.Name]
	if hasAway {
		table.Columns = append(table.Columns, store.Column{Name: away.column})
	}
	for n := 1; ; n++ {
		cells, err := reader.Read()
		if err == io.EOF {
			break
		}
		if err != nil {
			return table, err
		}
		row, named := make([]any, len(cells)), map[string]any{}
		for i, cell := range cells {
			if row[i], err = valueOf(cell, told.Columns[i].Type); err != nil {
				return table, fmt.Errorf("row %d, %s: %w", n, told.Columns[i].Name, err)
			}
			named[told.Columns[i].Name] = row[i]
		}
		if hasAway {
			name := away.file(named)
			if !r.known[name] {
				return table, fmt.Errorf("row %d: %s is missing from the archive", n, name)
			}
			blob, err := r.text(name, int64(r.files[name].UncompressedSize64))
			if err != nil {
				return table, err
			}
			if told.Name == "photographs" {
				row = append(row, blob)
			} else {
				row = append(row, string(blob))
			}
		}
		table.Rows = append(table.Rows, row)
	}
	if len(table.Rows) != told.Rows {
		return table, fmt.Errorf("it holds %d rows; the manifest says %d", len(table.Rows), told.Rows)
	}
	return table, nil
}

// BuildPlot makes the archive's plot in an empty folder.
func (a Archive) BuildPlot(ctx context.Context, dir string) error {
	return store.Build(ctx, dir, a.Manifest.Form, a.tables)
}

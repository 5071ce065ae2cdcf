package plants

import (
	"context"
	"fmt"
	"regexp"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/store"
)

// PlantFile is a plant of the library as its file.
type PlantFile struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Own  bool   `json:"own" doc:"The whole file is the grower's"`
	// Version is of the grower's own file, or of none.
	Version say.Version `json:"version"`
	Text    string      `json:"text"`
	// Sheet is the same file as a form shows it: tables, lists and lines.
	Sheet map[string]any `json:"sheet"`
}

// PlantFileInput is a plant's file as written, or its sheet as filled in.
type PlantFileInput struct {
	Text  string         `json:"text,omitempty" maxLength:"200000"`
	Sheet map[string]any `json:"sheet,omitempty"`
}

// OwnFigureInput is the grower's own figure in place of the library's.
type OwnFigureInput struct {
	Key string `json:"key" doc:"Where it stands: size.height"`
	// Figure is as a line without its standing: "95 (80 to 110) cm". Empty goes back to
	// the library's.
	Figure string `json:"figure"`
}

// FigureView is a figure that may be replaced.
type FigureView struct {
	Version  say.Version `json:"version"`
	Key      string      `json:"key"`
	Name     string      `json:"name"`
	Figure   string      `json:"figure" doc:"95 (80 to 110) cm"`
	Standing string      `json:"standing"`
	Own      bool        `json:"own" doc:"It is the grower's"`
	Library  string      `json:"library" doc:"What the library says, where it is the grower's"`
	Changed  bool        `json:"changed" doc:"The library's own has changed since the grower put theirs"`
}

// PlantFile returns a plant's file, the grower's own figures in it.
func (u *Uses) PlantFile(ctx context.Context, id string) (PlantFile, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return PlantFile{}, err
	}
	text, has := s.Lib.Text(id)
	if !has {
		return PlantFile{}, say.NotFoundError{What: "plant in the library"}
	}
	species, _ := s.Lib.Species(id)
	origin, _ := s.Lib.Origin(id)
	version := say.VersionOf(nil)
	for _, own := range s.Own {
		if own.SpeciesID == id {
			version = say.VersionOf(own.Text)
		}
	}
	sheet, err := library.ReadSheet("plant", text)
	return PlantFile{id, species.Names.Name, origin.Own, version, string(text), sheet}, err
}

// CopyOf returns a plant's file under a new id and name, to be changed and put as an
// own plant.
func (u *Uses) CopyOf(ctx context.Context, id string) (PlantFile, error) {
	file, err := u.PlantFile(ctx, id)
	if err != nil {
		return PlantFile{}, err
	}
	copyID := id + "-own"
	for n := 2; ; n++ {
		if _, taken := u.plot.Lib().Species(copyID); !taken {
			break
		}
		copyID = fmt.Sprintf("%s-own-%d", id, n)
	}
	text := idLine.ReplaceAllString(file.Text, fmt.Sprintf("id = %q", copyID))
	text = nameLine.ReplaceAllString(text, fmt.Sprintf("${1}name = %q", file.Name+", own"))
	sheet, err := library.ReadSheet("plant", []byte(text))
	return PlantFile{copyID, file.Name + ", own", true, say.VersionOf(nil), text, sheet}, err
}

// TurnPlantFile turns a plant's text into its sheet, or its sheet into text, and keeps
// nothing. Text that is no TOML is refused with its line.
func (u *Uses) TurnPlantFile(in PlantFileInput) (PlantFile, error) {
	text := []byte(in.Text)
	if in.Sheet != nil {
		written, err := library.WriteSheet(in.Sheet)
		if err != nil {
			return PlantFile{}, say.Faults{{Field: "sheet", Message: err.Error()}}
		}
		text = written
	}
	sheet, err := library.ReadSheet("plant", text)
	if err != nil {
		return PlantFile{}, say.Faults{{Field: "text", Message: fileFault(err)}}
	}
	return PlantFile{Own: true, Text: string(text), Sheet: sheet}, nil
}

// readOwn reads a plant of the grower's from what was put, and returns its text. What
// is wrong with a sheet is told by the key of each field, with a text by its lines.
func (u *Uses) readOwn(in PlantFileInput) (*flora.Species, string, error) {
	if in.Sheet == nil {
		species, err := u.plot.Library.CheckOwn("plant", []byte(in.Text))
		if err != nil {
			return nil, "", say.Faults{{Field: "text", Message: fileFault(err)}}
		}
		return species, in.Text, nil
	}
	species, text, problems := u.plot.Library.CheckSheet(in.Sheet)
	var faults say.Faults
	for _, p := range problems {
		faults = append(faults, say.Fault{Field: strings.TrimSuffix("sheet."+p.Key, "."), Message: p.What})
	}
	if faults != nil {
		return nil, "", faults
	}
	return species, string(text), nil
}

var (
	idLine   = regexp.MustCompile(`(?m)^id = ["'].*["']$`)
	nameLine = regexp.MustCompile(`(?m)\A((?s:.*?)^\[names\]\n(?s:.*?))^name = ["'].*["']$`)
)

// PutOwnPlant puts a plant of the grower's own from its file or sheet, new or in place
// of the one of its id. One that cannot be relied on is refused with its line or key, and
// nothing is changed.
func (u *Uses) PutOwnPlant(ctx context.Context, seen say.Version, in PlantFileInput) (journal.Entry, string, error) {
	species, text, err := u.readOwn(in)
	if err != nil {
		return journal.Entry{}, "", err
	}
	id := species.ID
	entry, err := u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, rowID, standing := store.PutOwnPlantParams{SpeciesID: id, Text: text}, int64(0), say.VersionOf(nil)
		all, err := d.ListOwnPlants(ctx)
		if err != nil {
			return journal.Record{}, err
		}
		for _, own := range all {
			if own.SpeciesID == id {
				row.ID, rowID, standing = &own.ID, own.ID, say.VersionOf(own.Text)
			}
		}
		if err := seen.IsOf(standing, "the file of "+species.Names.Name); err != nil {
			return journal.Record{}, err
		}
		if _, err := ownPlantsTable.Put(ctx, d, rowID, row); err != nil {
			return journal.Record{}, err
		}
		verb := "Added the plant "
		if rowID != 0 {
			verb = "Changed the plant "
		}
		return journal.Record{Kind: "own plant", Summary: verb + species.Names.Name}, nil
	})
	return entry, id, err
}

// fileFault writes what is wrong with a plant's file, each fault once, without the name
// it was read by.
func fileFault(err error) string {
	lines := strings.Split(err.Error(), "\n")
	for i, line := range lines {
		if at := strings.Index(line, ": "); at >= 0 && (line[:at] == "plant" || strings.HasSuffix(line[:at], ".toml")) {
			lines[i] = line[at+2:]
		}
	}
	const most = 6
	if len(lines) > most {
		lines = append(lines[:most], fmt.Sprintf("and %d more", len(lines)-most))
	}
	return strings.Join(lines, "\n")
}

// RemoveOwnPlant takes an own plant out of the library. One that stands on the plot
// stays: its planting would have no plant.
func (u *Uses) RemoveOwnPlant(ctx context.Context, id string) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		all, err := d.ListOwnPlants(ctx)
		if err != nil {
			return journal.Record{}, err
		}
		for _, own := range all {
			if own.SpeciesID != id {
				continue
			}
			if _, ships := u.plot.Library.Species(id); !ships {
				for _, p := range s.EverPlanted {
					if p.SpeciesID == id {
						return journal.Record{}, say.ConflictError{
							Why: fmt.Sprintf(
								"%s stands or stood in %s, so it stays in the library.",
								say.Capital(p.Species.Names.Name),
								p.Bed.Name,
							),
						}
					}
				}
			}
			return journal.Record{
					Kind:    "own plant",
					Summary: "Took the own plant " + id + " out of the library",
				}, ownPlantsTable.Drop(
					ctx,
					d,
					own.ID,
				)
		}
		return journal.Record{}, say.NotFoundError{What: "own plant"}
	})
}

// PutOwnFigure puts the grower's own figure in place of the library's, or takes it back
// where it is empty.
func (u *Uses) PutOwnFigure(
	ctx context.Context,
	speciesID string,
	seen say.Version,
	in OwnFigureInput,
) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		species, has := s.Lib.Species(speciesID)
		if !has {
			return journal.Record{}, say.NotFoundError{What: "plant in the library"}
		}
		key, has := figureKey(species, in.Key)
		if !has {
			return journal.Record{}, say.Faults{{Field: "key", Message: "This figure cannot be replaced."}}
		}
		all, err := d.ListOwnFigures(ctx)
		if err != nil {
			return journal.Record{}, err
		}
		var before *store.OwnFigure
		standing := say.VersionOf(nil)
		var others []library.OwnFigure
		for i, f := range all {
			if f.SpeciesID == speciesID && f.Key == in.Key {
				before, standing = &all[i], say.VersionOf(f.Figure)
			} else {
				others = append(others, library.OwnFigure{Species: f.SpeciesID, Key: f.Key, Figure: f.Figure, Library: f.Was})
			}
		}
		if err := seen.IsOf(standing, key.Name+" of "+species.Names.Name); err != nil {
			return journal.Record{}, err
		}
		if strings.TrimSpace(in.Figure) == "" {
			if before == nil {
				return journal.Record{}, say.Faults{{Field: "figure", Message: "The library's figure holds already."}}
			}
			return journal.Record{
					Kind:    "own figure",
					Summary: fmt.Sprintf("Went back to the library's %s of %s", key.Name, species.Names.Name),
				}, ownFiguresTable.Drop(
					ctx,
					d,
					before.ID,
				)
		}
		line := strings.TrimSpace(in.Figure) + " " + flora.Measured.String()
		var figure flora.Figure
		if err := figure.UnmarshalText([]byte(line)); err != nil {
			return journal.Record{}, say.Faults{
				{
					Field:   "figure",
					Message: fmt.Sprintf("Write a number with its unit, or with its range: %s.", bareFigure(key.Figure)),
				},
			}
		}
		row := store.PutOwnFigureParams{SpeciesID: speciesID, Key: in.Key, Figure: line}
		id := int64(0)
		if before != nil {
			row.ID, row.Was, id = &before.ID, before.Was, before.ID
		} else {
			was, _ := key.Figure.MarshalText()
			row.Was = string(was)
		}
		if err := u.tryFigure(
			ctx,
			d,
			speciesID,
			others,
			library.OwnFigure{Species: speciesID, Key: in.Key, Figure: line},
		); err != nil {
			return journal.Record{}, say.Faults{{Field: "figure", Message: fileFault(err)}}
		}
		if _, err := ownFiguresTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{
			Kind:    "own figure",
			Summary: fmt.Sprintf("Own figure for %s of %s: %s", key.Name, species.Names.Name, strings.TrimSpace(in.Figure)),
		}, nil
	})
}

// tryFigure makes sure that a plant can be relied on with a figure.
func (u *Uses) tryFigure(
	ctx context.Context,
	d *journal.Draft,
	speciesID string,
	others []library.OwnFigure,
	figure library.OwnFigure,
) error {
	plants, err := d.ListOwnPlants(ctx)
	if err != nil {
		return err
	}
	own := map[string][]byte{}
	for _, p := range plants {
		own[p.SpeciesID] = []byte(p.Text)
	}
	_, faults := u.plot.Library.With(own, append(others, figure))
	return faults[speciesID]
}

func figureKey(species *flora.Species, key string) (library.FigureKey, bool) {
	for _, k := range library.FigureKeys(species) {
		if k.Key == key {
			return k, true
		}
	}
	return library.FigureKey{}, false
}

// bareFigure is a figure's line without what it rests on.
func bareFigure(f flora.Figure) string {
	line, _ := flora.Figure{Value: f.Value, Low: f.Low, High: f.High, Unit: f.Unit}.MarshalText()
	return strings.TrimSuffix(string(line), " "+flora.Guess.String())
}

// figuresOf are the figures of a plant that may be replaced.
func figuresOf(s *plot.State, species *flora.Species) []FigureView {
	origin, _ := s.Lib.Origin(species.ID)
	views := []FigureView{}
	for _, k := range library.FigureKeys(species) {
		v := FigureView{
			Version:  say.VersionOf(nil),
			Key:      k.Key,
			Name:     k.Name,
			Figure:   bareFigure(k.Figure),
			Standing: k.Figure.Standing.String(),
		}
		if own, has := origin.Figures[k.Key]; has {
			v.Own, v.Library, v.Changed, v.Version = true, own.Now, own.Now != own.Library, say.VersionOf(own.Figure)
		}
		views = append(views, v)
	}
	return views
}

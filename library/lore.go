package library

import (
	"errors"
	"fmt"
	"io/fs"
	"reflect"

	"bramblyacre/core/care"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/keeping"
	"bramblyacre/core/propagation"
	"bramblyacre/core/spread"
)

// benchFile holds what is known of raising plants that is of no one species.
const benchFile = "bench/bench.toml"

// Bench is what is known of raising plants that is of no one species.
func (l *Library) Bench() *propagation.Lore { return &l.bench }

// careFile holds the kinds of work on plants, troubleFile the signs of trouble.
const careFile, troubleFile = "care/care.toml", "care/trouble.toml"

// Care is what is known of work on plants that is of no one species.
func (l *Library) Care() *care.Lore { return &l.care }

// spreadFile holds what is known of spreading.
const spreadFile = "spread/spread.toml"

// Spread is what is known of spreading that is of no one species.
func (l *Library) Spread() *spread.Lore { return &l.spread }

// gatherFile holds what is known of picking and drying.
const gatherFile = "gather/gather.toml"

// Gather is what is known of picking and drying that is of no one species.
func (l *Library) Gather() *harvest.Lore { return &l.gather }

// keepingFile holds what is known of keeping.
const keepingFile = "keeping/keeping.toml"

// Keeping is what is known of keeping that is of no one species.
func (l *Library) Keeping() *keeping.Lore { return &l.keeping }

// readLore reads the files of what is of no one species: the bench's, the care's, those of spreading, picking
// and keeping. A set without one has none.
func (l *Library) readLore(files fs.FS) error {
	if err := l.readOne(files, benchFile, &l.bench); err != nil {
		return err
	}
	if err := l.readOne(files, careFile, &l.care); err != nil {
		return err
	}
	if err := l.readOne(files, troubleFile, &l.care); err != nil {
		return err
	}
	if err := l.readOne(files, spreadFile, &l.spread); err != nil {
		return err
	}
	if err := l.readOne(files, gatherFile, &l.gather); err != nil {
		return err
	}
	return l.readOne(files, keepingFile, &l.keeping)
}

func (l *Library) readOne(files fs.FS, file string, into interface{ Check() error }) error {
	text, err := fs.ReadFile(files, file)
	if errors.Is(err, fs.ErrNotExist) {
		return nil
	}
	if err != nil {
		return fmt.Errorf("read %s: %w", file, err)
	}
	if err := decode(file, text, into); err != nil {
		return err
	}
	if err := wholeFigures(file, text); err != nil {
		return err
	}
	if err := into.Check(); err != nil {
		return fmt.Errorf("%s: %w", file, err)
	}
	return l.everyFigure(file, "", reflect.ValueOf(into).Elem())
}

// everyFigure makes sure that every figure of a value is there, lies in its range, and names a
// work that is on the list where it is published.
func (l *Library) everyFigure(file, key string, v reflect.Value) error {
	if v.Kind() == reflect.Slice {
		for i := range v.Len() {
			if err := l.everyFigure(file, fmt.Sprintf("%s[%d]", key, i), v.Index(i)); err != nil {
				return err
			}
		}
		return nil
	}
	if v.Kind() != reflect.Struct {
		return nil
	}
	figure, is := v.Interface().(flora.Figure)
	if !is {
		for i := range v.NumField() {
			if err := l.everyFigure(file, key+"."+v.Type().Field(i).Name, v.Field(i)); err != nil {
				return err
			}
		}
		return nil
	}
	switch {
	case figure.Unit == "":
		return fmt.Errorf("%s: %s is missing", file, key)
	case figure.Low > figure.Value || figure.Value > figure.High:
		return fmt.Errorf(
			"%s: %s: the value %v is outside its range %v to %v",
			file,
			key,
			figure.Value,
			figure.Low,
			figure.High,
		)
	}
	if _, has := l.works[figure.Source]; figure.Standing == flora.Published && !has {
		return fmt.Errorf("%s: %s: there is no work %q in works/works.toml", file, key, figure.Source)
	}
	return nil
}

package library

import (
	"fmt"
	"io/fs"
	"reflect"

	"bramblyacre/core/flora"
	"bramblyacre/core/propagation"
)

// benchFile holds what is known of raising plants that is of no one species.
const benchFile = "bench/bench.toml"

// Bench is what is known of raising plants that is of no one species.
func (l *Library) Bench() *propagation.Lore { return &l.bench }

// readBench reads bench/bench.toml. A set without it has none.
func (l *Library) readBench(files fs.FS) error {
	found, err := fs.Glob(files, benchFile)
	if err != nil || len(found) == 0 {
		return err
	}
	text, err := fs.ReadFile(files, benchFile)
	if err != nil {
		return fmt.Errorf("read %s: %w", benchFile, err)
	}
	if err := decode(benchFile, text, &l.bench); err != nil {
		return err
	}
	if err := wholeFigures(benchFile, text); err != nil {
		return err
	}
	if err := l.bench.Check(); err != nil {
		return fmt.Errorf("%s: %w", benchFile, err)
	}
	return l.everyFigure("", reflect.ValueOf(l.bench))
}

// everyFigure makes sure that every figure of a value is there, lies in its range, and names a
// work that is on the list where it is published.
func (l *Library) everyFigure(key string, v reflect.Value) error {
	if v.Kind() != reflect.Struct {
		return nil
	}
	figure, is := v.Interface().(flora.Figure)
	if !is {
		for i := range v.NumField() {
			if err := l.everyFigure(key+"."+v.Type().Field(i).Name, v.Field(i)); err != nil {
				return err
			}
		}
		return nil
	}
	switch {
	case figure.Unit == "":
		return fmt.Errorf("%s: %s is missing", benchFile, key)
	case figure.Low > figure.Value || figure.Value > figure.High:
		return fmt.Errorf(
			"%s: %s: the value %v is outside its range %v to %v",
			benchFile,
			key,
			figure.Value,
			figure.Low,
			figure.High,
		)
	}
	if _, has := l.works[figure.Source]; figure.Standing == flora.Published && !has {
		return fmt.Errorf("%s: %s: there is no work %q in works/works.toml", benchFile, key, figure.Source)
	}
	return nil
}

package library

import (
	"fmt"
	"maps"
	"math"
	"reflect"
	"slices"
	"strings"

	"bramblyacre/core/flora"
)

// notFinite finds a number in a decoded value that is none: TOML can write nan and inf, and
// a line of digits can be too long for any number. No comparison with one holds, so that it
// would pass every check of a range.
func notFinite(value any) (problem flora.Problem, found bool) {
	v := reflect.ValueOf(value)
	if allFinite(v) {
		return problem, false // as nearly always: no key is written
	}
	return findNotFinite("", v)
}

// allFinite tells whether every number in a value is one.
func allFinite(v reflect.Value) bool {
	switch v.Kind() {
	case reflect.Float32, reflect.Float64:
		return !math.IsNaN(v.Float()) && !math.IsInf(v.Float(), 0)
	case reflect.Pointer, reflect.Interface:
		return v.IsNil() || allFinite(v.Elem())
	case reflect.Struct:
		for i := range v.NumField() {
			if !allFinite(v.Field(i)) {
				return false
			}
		}
	case reflect.Map:
		for entries := v.MapRange(); entries.Next(); {
			if !allFinite(entries.Value()) {
				return false
			}
		}
	case reflect.Slice, reflect.Array:
		for i := range v.Len() {
			if !allFinite(v.Index(i)) {
				return false
			}
		}
	}
	return true
}

func findNotFinite(key string, v reflect.Value) (flora.Problem, bool) {
	within := func(name string) string { return strings.TrimPrefix(key+"."+name, ".") }
	switch v.Kind() {
	case reflect.Float32, reflect.Float64:
		if number := v.Float(); math.IsNaN(number) || math.IsInf(number, 0) {
			return flora.Problem{Key: key, What: fmt.Sprintf("%v is no figure; write a number", number)}, true
		}
	case reflect.Pointer, reflect.Interface:
		if !v.IsNil() {
			return findNotFinite(key, v.Elem())
		}
	case reflect.Struct:
		for i := range v.NumField() {
			field := v.Type().Field(i)
			if !field.IsExported() {
				continue
			}
			name, _, _ := strings.Cut(field.Tag.Get("toml"), ",")
			if name == "" {
				name = strings.ToLower(field.Name)
			}
			if problem, found := findNotFinite(within(name), v.Field(i)); found {
				return problem, true
			}
		}
	case reflect.Map:
		keys := map[string]reflect.Value{}
		for _, k := range v.MapKeys() {
			keys[fmt.Sprint(k.Interface())] = k
		}
		for _, name := range slices.Sorted(maps.Keys(keys)) {
			if problem, found := findNotFinite(within(name), v.MapIndex(keys[name])); found {
				return problem, true
			}
		}
	case reflect.Slice, reflect.Array:
		for i := range v.Len() {
			if problem, found := findNotFinite(fmt.Sprintf("%s[%d]", key, i), v.Index(i)); found {
				return problem, true
			}
		}
	}
	return flora.Problem{}, false
}

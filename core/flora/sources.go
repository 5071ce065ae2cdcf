package flora

import (
	"maps"
	"reflect"
	"slices"
)

// Sources are the works that the figures, cautions and the poison of a species name, each
// once, in the order of the alphabet.
func (s *Species) Sources() []string {
	found := map[string]bool{}
	gatherSources(reflect.ValueOf(*s), found)
	return slices.Sorted(maps.Keys(found))
}

// sourced are the types that name the works that they rest on.
type sourced interface{ worksNamed() []string }

func (f Figure) worksNamed() []string    { return []string{f.Source} }
func (r Range) worksNamed() []string     { return []string{r.Source} }
func (r WordRange) worksNamed() []string { return []string{r.Source} }
func (c Caution) worksNamed() []string   { return c.Source }
func (p Poison) worksNamed() []string    { return p.Source }

// gatherSources goes through all that can be read of a value.
func gatherSources(v reflect.Value, found map[string]bool) {
	if v.CanInterface() {
		if at, is := v.Interface().(sourced); is && (v.Kind() != reflect.Pointer || !v.IsNil()) {
			for _, work := range at.worksNamed() {
				if work != "" {
					found[work] = true
				}
			}
			return
		}
	}
	switch v.Kind() {
	case reflect.Pointer:
		if !v.IsNil() {
			gatherSources(v.Elem(), found)
		}
	case reflect.Struct:
		for i := range v.NumField() {
			if v.Type().Field(i).IsExported() {
				gatherSources(v.Field(i), found)
			}
		}
	case reflect.Slice:
		for i := range v.Len() {
			gatherSources(v.Index(i), found)
		}
	case reflect.Map:
		for _, key := range v.MapKeys() {
			gatherSources(v.MapIndex(key), found)
		}
	}
}

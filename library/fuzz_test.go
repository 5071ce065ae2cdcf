package library

import (
	"reflect"
	"testing"
)

// FuzzOwnPlantFile makes sure that no text ends in a panic, and that what a form shows of
// one is written as what it was.
func FuzzOwnPlantFile(f *testing.F) {
	l, err := Shipped()
	if err != nil {
		f.Fatal(err)
	}
	for _, id := range []string{"garden-sorrel", "hemlock", "common-sage"} {
		text, _ := l.Text(id)
		f.Add(text)
	}
	f.Add([]byte("[[a]]\nb = [{c = nan}]"))
	f.Add([]byte("a.b.c = 1\n[a.b]\nd = 2"))
	f.Fuzz(func(t *testing.T, text []byte) {
		if len(text) > 200_000 {
			return // the door takes no more
		}
		if s, err := l.CheckOwn("plant", text); err == nil && s == nil {
			t.Error("neither a plant nor a fault")
		}
		sheet, err := ReadSheet("plant", text)
		if err != nil {
			return
		}
		written, err := WriteSheet(sheet)
		if err != nil {
			return // a sheet can hold what no file can
		}
		again, err := ReadSheet("plant", written)
		if err != nil {
			t.Fatalf("what was written cannot be read: %v\n%s", err, written)
		}
		twice, err := WriteSheet(again)
		if err != nil || !reflect.DeepEqual(twice, written) {
			t.Errorf("written twice it is\n%s\nand was\n%s", twice, written)
		}
	})
}

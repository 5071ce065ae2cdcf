package demo

import (
	"testing"

	"bramblyacre/library"
	"bramblyacre/store"
)

func BenchmarkBuild(b *testing.B) {
	l, err := library.Shipped()
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		s, err := store.Open(b.Context(), b.TempDir())
		if err != nil {
			b.Fatal(err)
		}
		if err := Build(b.Context(), s, l); err != nil {
			b.Fatal(err)
		}
		if err := s.Close(); err != nil {
			b.Fatal(err)
		}
	}
}

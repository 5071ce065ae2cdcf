package library

import "testing"

// BenchmarkLoadingTheLibrary reads, fills in and checks all that ships, as every start
// of the program does.
func BenchmarkLoadingTheLibrary(b *testing.B) {
	for b.Loop() {
		if _, err := Read(shipped); err != nil {
			b.Fatal(err)
		}
	}
}

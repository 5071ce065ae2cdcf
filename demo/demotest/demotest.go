// Package demotest gives tests the sample plot: it is built once for all tests of a package, and each works on a copy.
package demotest

import (
	"context"
	"errors"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"bramblyacre/demo"
	"bramblyacre/library"
	"bramblyacre/store"
)

// file is the sample plot as one file's bytes.
var file = sync.OnceValues(func() (_ []byte, err error) {
	dir, err := os.MkdirTemp("", "brambly-acre-sample-*")
	if err != nil {
		return nil, err
	}
	defer func() { err = errors.Join(err, os.RemoveAll(dir)) }()
	shipped, err := library.Shipped()
	if err != nil {
		return nil, err
	}
	s, err := store.Open(context.Background(), dir)
	if err != nil {
		return nil, err
	}
	// Closing brings the write-ahead log into the file.
	if err := errors.Join(demo.Build(context.Background(), s, shipped), s.Close()); err != nil {
		return nil, err
	}
	return os.ReadFile(filepath.Join(dir, store.FileName))
})

// Dir is a folder of the test's own with a copy of the sample plot in it.
func Dir(t testing.TB) string {
	t.Helper()
	sample, err := file()
	if err != nil {
		t.Fatal(err)
	}
	dir := t.TempDir()
	if err := os.WriteFile(filepath.Join(dir, store.FileName), sample, 0o600); err != nil {
		t.Fatal(err)
	}
	return dir
}

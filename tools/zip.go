//go:build ignore

// Packs a folder into a zip archive: zip.go ARCHIVE DIR NAME packs DIR/NAME.
package main

import (
	"archive/zip"
	"fmt"
	"os"
	"path/filepath"
)

func main() {
	if err := pack(os.Args[1], os.Args[2], os.Args[3]); err != nil {
		fmt.Fprintln(os.Stderr, "zip:", err)
		os.Exit(1)
	}
}

func pack(archive, dir, name string) error {
	file, err := os.Create(archive)
	if err != nil {
		return err
	}
	w := zip.NewWriter(file)
	files, err := filepath.Glob(filepath.Join(dir, name, "*"))
	if err != nil {
		return err
	}
	for _, path := range files {
		content, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		into, err := w.Create(name + "/" + filepath.Base(path))
		if err != nil {
			return err
		}
		if _, err := into.Write(content); err != nil {
			return err
		}
	}
	if err := w.Close(); err != nil {
		return err
	}
	return file.Close()
}

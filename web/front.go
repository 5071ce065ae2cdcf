// Package web holds the built front end.
package web

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var built embed.FS

// Front returns the files that the browser loads.
func Front() (fs.FS, error) { return fs.Sub(built, "dist") }

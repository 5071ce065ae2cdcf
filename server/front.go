package server

import (
	"fmt"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"
)

// serveFront serves the built front end: files under /assets/ by their hashed
// names for good, and the one page for every other path, so that a link into
// the application opens it.
func serveFront(engine *gin.Engine, front fs.FS) error {
	page, err := fs.ReadFile(front, "index.html")
	if err != nil {
		return fmt.Errorf("the front end is not built (make build): %w", err)
	}
	// What browsers ask for by this ending is not known to every machine.
	if err := mime.AddExtensionType(".webmanifest", "application/manifest+json"); err != nil {
		return err
	}
	files := filesOf(front)
	engine.NoRoute(func(c *gin.Context) {
		at := c.Request.URL.Path
		switch {
		case strings.HasPrefix(at, "/api/"):
			problem(c, http.StatusNotFound, "There is nothing at this address.")
		case c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead:
			problem(c, http.StatusMethodNotAllowed, "Nothing can be changed at this address.")
		case strings.HasPrefix(at, "/assets/"):
			c.Header("Cache-Control", "public, max-age=31536000, immutable")
			files(c)
		case strings.Contains(at[strings.LastIndex(at, "/")+1:], "."):
			c.Header("Cache-Control", "no-cache")
			files(c)
		default:
			c.Header("Cache-Control", "no-cache")
			c.Data(http.StatusOK, "text/html; charset=utf-8", page)
		}
	})
	return nil
}

// packings are the ways in which a file may lie packed beside itself, the tightest first: what a browser
// calls each, and how its name ends.
var packings = []struct{ name, ending string }{{"br", ".br"}, {"gzip", ".gz"}}

// filesOf sends files as they were packed when they were built, in the tightest way that the browser can unpack.
func filesOf(front fs.FS) gin.HandlerFunc {
	plain := http.FileServerFS(front)
	return func(c *gin.Context) {
		name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
		c.Header("Vary", "Accept-Encoding")
		for _, packing := range packings {
			if !takes(c.Request.Header.Get("Accept-Encoding"), packing.name) {
				continue
			}
			packed, err := fs.ReadFile(front, name+packing.ending)
			if err != nil {
				continue // it is not packed so
			}
			c.Header("Content-Encoding", packing.name)
			c.Data(http.StatusOK, mime.TypeByExtension(path.Ext(name)), packed)
			return
		}
		plain.ServeHTTP(c.Writer, c.Request)
	}
}

// takes tells whether a browser takes a packing.
func takes(accepted, packing string) bool {
	for one := range strings.SplitSeq(accepted, ",") {
		name, weight, _ := strings.Cut(strings.TrimSpace(one), ";")
		if strings.TrimSpace(name) == packing {
			return !strings.HasSuffix(strings.ReplaceAll(weight, " ", ""), "q=0")
		}
	}
	return false
}

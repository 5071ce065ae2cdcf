package server

import (
	"fmt"
	"io/fs"
	"net/http"
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
	files := http.FileServerFS(front)
	engine.NoRoute(func(c *gin.Context) {
		path := c.Request.URL.Path
		switch {
		case strings.HasPrefix(path, "/api/"):
			problem(c, http.StatusNotFound, "There is nothing at this address.")
		case c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead:
			problem(c, http.StatusMethodNotAllowed, "Nothing can be changed at this address.")
		case strings.HasPrefix(path, "/assets/"):
			c.Header("Cache-Control", "public, max-age=31536000, immutable")
			files.ServeHTTP(c.Writer, c.Request)
		case strings.Contains(path[strings.LastIndex(path, "/")+1:], "."):
			c.Header("Cache-Control", "no-cache")
			files.ServeHTTP(c.Writer, c.Request)
		default:
			c.Header("Cache-Control", "no-cache")
			c.Data(http.StatusOK, "text/html; charset=utf-8", page)
		}
	})
	return nil
}

package store

import (
	"net/url"
	"path/filepath"
)

// fileURI names a database's file to SQLite, whatever signs are in its name, and how it is
// to be opened.
func fileURI(path string, how url.Values) string {
	uri := "file:" + (&url.URL{Path: filepath.ToSlash(path)}).EscapedPath()
	if len(how) > 0 {
		uri += "?" + how.Encode()
	}
	return uri
}

// asItLies opens a file that nobody writes to, without its log.
var asItLies = url.Values{"mode": {"ro"}, "immutable": {"1"}}

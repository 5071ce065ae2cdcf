package server

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"
	lru "github.com/hashicorp/golang-lru/v2"

	"bramblyacre/core/calendar"
	"bramblyacre/garden"
)

const (
	// mostKept is how many answers are kept, and largestKept the most bytes of one, as sent.
	mostKept    = 128
	largestKept = 512 << 10
)

// moment is all that answers follow from besides the question: what is noted, what is told of
// the file, and the day.
type moment struct {
	entry, health int64
	today         calendar.Date
}

// keptAnswer is an answer as it was sent.
type keptAnswer struct {
	moment
	tag, kind, encoding []string // as header values
	body                []byte
}

// neverKept are answers that follow from something else than what is noted: the folder of copies, files that are made,
// how far a planning has got, the drier with its hours, who may come in, and pictures, which are large and
// never change.
var neverKept = []string{
	"/api/sharing", "/api/this-device",
	"/api/copies", "/api/files/", "/api/season-plan", "/api/drier", "/api/photographs", "/api/openapi",
}

// keptAnswers serves a repeated question from the bytes of its answer, for as long as nothing was
// noted, the day is the same, and so is the program. An answer carries a tag of all that: who
// has it already is told that it is unchanged, without its bytes.
func keptAnswers(g *garden.Garden, version string) gin.HandlerFunc {
	answers, err := lru.New[question, keptAnswer](mostKept)
	if err != nil {
		panic(err) // mostKept is above nothing
	}
	return func(c *gin.Context) {
		if g == nil || c.Request.Method != http.MethodGet || !mayBeKept(c.Request.URL.Path) {
			c.Next()
			return
		}
		key := question{
			c.Request.URL.Path,
			c.Request.URL.RawQuery,
			strings.Contains(c.Request.Header.Get("Accept-Encoding"), "gzip"),
		}
		now := moment{g.Entry(), g.Health(), g.Today()}
		header := c.Writer.Header()
		header["Cache-Control"] = askedEachTime
		answer, has := answers.Get(key)
		if !has || answer.moment != now {
			answer = keptAnswer{moment: now, tag: []string{tagOf(g.PlotID(), version, now, key)}}
			has = false
		}
		if asked := c.Request.Header.Get("If-None-Match"); asked != "" && holds(asked, answer.tag[0]) {
			header["Etag"] = answer.tag
			c.AbortWithStatus(http.StatusNotModified)
			return
		}
		if has {
			header["Etag"], header["Vary"], header["Content-Type"] = answer.tag, byEncoding, answer.kind
			if len(answer.encoding) > 0 {
				header["Content-Encoding"] = answer.encoding
			}
			c.Status(http.StatusOK)
			_, _ = c.Writer.Write(answer.body) // one who has left needs no answer
			c.Abort()
			return
		}
		copied := &copyingWriter{ResponseWriter: c.Writer, tag: answer.tag}
		c.Writer = copied
		c.Next()
		if copied.Status() == http.StatusOK && !copied.tooLarge {
			answer.kind, answer.encoding, answer.body = header["Content-Type"], header["Content-Encoding"], copied.body.Bytes()
			answers.Add(key, answer)
		}
	}
}

// question is what is asked, and how its answer may be packed.
type question struct {
	path, query string
	packed      bool
}

// Header values that every kept answer has. It is asked each time whether one still holds.
var askedEachTime, byEncoding = []string{"private, no-cache"}, []string{"Accept-Encoding"}

func mayBeKept(path string) bool {
	if !strings.HasPrefix(path, "/api/") {
		return false
	}
	for _, prefix := range neverKept {
		if strings.HasPrefix(path, prefix) {
			return false
		}
	}
	return true
}

// tagOf tells one answer from another.
func tagOf(plot, version string, now moment, asked question) string {
	sum := sha256.Sum256(fmt.Appendf(nil, "%s %s %v %v", plot, version, now, asked))
	return `"` + hex.EncodeToString(sum[:12]) + `"`
}

// holds tells whether a tag is among those that the asker has.
func holds(has, tag string) bool {
	for one := range strings.SplitSeq(has, ",") {
		if strings.TrimPrefix(strings.TrimSpace(one), "W/") == tag {
			return true
		}
	}
	return false
}

// copyingWriter keeps a copy of what is sent, and tags it where it is an answer.
type copyingWriter struct {
	gin.ResponseWriter
	tag      []string
	body     bytes.Buffer
	tooLarge bool
	tagged   bool
}

func (w *copyingWriter) mark(status int) {
	if !w.tagged && status == http.StatusOK {
		w.Header()["Etag"] = w.tag
	}
	w.tagged = true
}

// WriteHeader tags the answer.
func (w *copyingWriter) WriteHeader(status int) {
	w.mark(status)
	w.ResponseWriter.WriteHeader(status)
}

// Write sends and copies.
func (w *copyingWriter) Write(text []byte) (int, error) {
	w.mark(w.Status())
	if w.tooLarge = w.tooLarge || w.body.Len()+len(text) > largestKept; !w.tooLarge {
		w.body.Write(text)
	}
	return w.ResponseWriter.Write(text)
}

// WriteString sends and copies.
func (w *copyingWriter) WriteString(text string) (int, error) { return w.Write([]byte(text)) }

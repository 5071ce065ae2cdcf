package server

import (
	"bytes"
	"compress/gzip"
	"io"
	"net/http"
	"testing"

	"github.com/gin-gonic/gin"
)

// An answer that is asked for again is the same, until something is noted; who has it is told
// that it is unchanged, and never of one that is not.
func TestAnUnchangedAnswerIsNotSentAgain(t *testing.T) {
	h := handler(t)
	first := ask(h, "GET", "/api/now", "")
	tag := first.Header().Get("ETag")
	if first.Code != 200 || tag == "" || first.Header().Get("Cache-Control") != "private, no-cache" {
		t.Fatalf("answered %d with tag %q, %s", first.Code, tag, first.Header().Get("Cache-Control"))
	}
	again := ask(h, "GET", "/api/now", "")
	if again.Code != 200 || !bytes.Equal(again.Body.Bytes(), first.Body.Bytes()) || again.Header().Get("ETag") != tag ||
		again.Header().Get("Content-Type") != first.Header().Get("Content-Type") {
		t.Errorf("asked again: %d, %s", again.Code, again.Header())
	}
	unchanged := ask(h, "GET", "/api/now", "", "If-None-Match", `W/"other", `+tag)
	if unchanged.Code != http.StatusNotModified || unchanged.Body.Len() != 0 {
		t.Errorf("who has it is answered %d with %d bytes", unchanged.Code, unchanged.Body.Len())
	}
	if other := ask(h, "GET", "/api/now?on=2031-06-01", "", "If-None-Match", tag); other.Code != 200 ||
		other.Header().Get("ETag") == tag {
		t.Errorf("another day is answered %d with tag %s", other.Code, other.Header().Get("ETag"))
	}
	if noted := ask(h, "POST", "/api/beds", `{"name":"Long Bed","x":"10 m","y":"5 m","width":"8 m","depth":"1.2 m","moisture":"moist"}`); noted.Code != 200 {
		t.Fatalf("%d: %s", noted.Code, noted.Body)
	}
	if after := ask(h, "GET", "/api/plot", "", "If-None-Match", tag); after.Code != 200 ||
		!bytes.Contains(after.Body.Bytes(), []byte("Long Bed")) {
		t.Errorf("after a change: %d", after.Code)
	}
	if after := ask(h, "GET", "/api/now", "", "If-None-Match", tag); after.Code != 200 ||
		after.Header().Get("ETag") == tag {
		t.Errorf("after a change Now is answered %d", after.Code)
	}
}

func TestKeptBytesAreOfTheEncodingAskedFor(t *testing.T) {
	h := handler(t)
	plain := ask(h, "GET", "/api/plants", "")
	for range 2 {
		packed := ask(h, "GET", "/api/plants", "", "Accept-Encoding", "gzip")
		reader, err := gzip.NewReader(packed.Body)
		check(t, err)
		text, err := io.ReadAll(reader)
		check(t, err)
		if packed.Header().Get("Content-Encoding") != "gzip" || !bytes.Equal(text, plain.Body.Bytes()) {
			t.Error("the packed answer is another")
		}
		if again := ask(h, "GET", "/api/plants", ""); again.Header().Get("Content-Encoding") != "" ||
			!bytes.Equal(again.Body.Bytes(), plain.Body.Bytes()) {
			t.Error("the plain answer is another")
		}
	}
}

// Faults, changes and what follows from something else than the ledger are never kept.
func TestOnlyAnswersAreKept(t *testing.T) {
	h := handler(t)
	for _, path := range []string{"/api/plantings/999", "/api/now?on=tomorrow", "/api/copies", "/api/files/calendar.ics", "/api/season-plan"} {
		if answer := ask(h, "GET", path, ""); answer.Header().Get("ETag") != "" {
			t.Errorf("%s is tagged, answered %d", path, answer.Code)
		}
	}
}

// BenchmarkRepeatedRead is Now asked for again and again, beside a bare handler of Gin's that
// sends the same bytes.
func BenchmarkRepeatedRead(b *testing.B) {
	h := handler(b)
	answer := ask(h, "GET", "/api/now", "", "Accept-Encoding", "gzip")
	body := answer.Body.Bytes()
	bare := gin.New()
	bare.GET("/api/now", func(c *gin.Context) { c.Data(http.StatusOK, "application/json", body) })
	for name, handler := range map[string]http.Handler{"ours": h, "bare Gin": bare} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if answer := ask(handler, "GET", "/api/now", "", "Accept-Encoding", "gzip"); answer.Code != 200 ||
					answer.Body.Len() != len(body) {
					b.Fatal(answer.Code, answer.Body.Len())
				}
			}
		})
	}
}

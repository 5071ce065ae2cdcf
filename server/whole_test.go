package server

import (
	"context"
	"fmt"
	"io"
	"io/fs"
	"log/slog"
	"math"
	"net/http"
	"strings"
	"syscall"
	"testing"
)

// An answer that cannot be written is a fault with its status, never half an answer under
// 200; with and without compression.
func TestAnAnswerThatCannotBeWrittenIsAFault(t *testing.T) {
	options := Options{Address: address, Version: "test", Log: slog.New(slog.NewTextHandler(io.Discard, nil))}
	engine := newEngine(options)
	operation(newAPI(engine, "test"), http.MethodGet, "/api/broken", "broken", "An answer that is no JSON",
		func(context.Context, *nothing) (map[string]float64, error) {
			return map[string]float64{"fine": 1, "size": math.NaN()}, nil
		})
	for _, headers := range [][]string{nil, {"Accept-Encoding", "gzip"}} {
		answer := ask(engine, http.MethodGet, "/api/broken", "", headers...)
		if answer.Code != http.StatusInternalServerError {
			t.Fatalf("with %v the status is %d: %q", headers, answer.Code, answer.Body)
		}
		if told := problemOf(t, answer); !strings.Contains(told.Detail, "Something failed here") {
			t.Errorf("it says %+v", told)
		}
	}
}

// What the disk does not take in is told in a grower's words, and as a fault that mends
// itself once there is room.
func TestAFullDiskIsAnsweredAsSuch(t *testing.T) {
	engine := newEngine(Options{Address: address, Version: "test", Log: slog.New(slog.NewTextHandler(io.Discard, nil))})
	operation(newAPI(engine, "test"), http.MethodPost, "/api/full", "full", "A change on a full disk",
		func(context.Context, *nothing) (struct{}, error) {
			return struct{}{}, fmt.Errorf("write beds: %w", &fs.PathError{Op: "write", Path: "acre.db", Err: syscall.ENOSPC})
		})
	answer := ask(engine, http.MethodPost, "/api/full", "")
	if told := problemOf(t, answer); answer.Code != http.StatusInsufficientStorage ||
		!strings.Contains(told.Detail, "what you typed is still here") ||
		strings.Contains(answer.Body.String(), "acre.db") {
		t.Errorf("it is answered %d: %+v", answer.Code, told)
	}
}

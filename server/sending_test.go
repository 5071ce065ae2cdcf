package server

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
)

// Whatever is sent twice under one key counts once and is answered alike, also after what it
// was made from has changed by it; something else under the key is a fault.
func TestAChangeThatIsSentTwiceCountsOnce(t *testing.T) {
	h := handler(t)
	var plot place.PlotView
	read := func(path string, into any) {
		t.Helper()
		check(t, json.Unmarshal(ask(h, "GET", path, "").Body.Bytes(), into))
	}
	steps := []struct{ method, path, body, other string }{
		{"POST", "/api/beds", longBed, strings.Replace(longBed, "Long", "Wide", 1)},
		{
			"POST",
			"/api/plantings",
			`{"bedId":1,"speciesId":"garden-sorrel","plants":9,"startedOn":"2029-04-10","origin":"seed"}`,
			`{"bedId":1,"speciesId":"lovage","plants":9,"startedOn":"2029-04-10","origin":"seed"}`,
		},
		{"POST", "/api/plants/hop/notes", `{"kind":"note","text":"Climbs."}`, `{"kind":"note","text":"Twines."}`},
		{"POST", "/api/people", `{"name":"Ida","circumstances":[]}`, `{"name":"Joss","circumstances":[]}`},
		{
			"PUT",
			"/api/beds/1",
			strings.Replace(longBed, "Long Bed", "Changed Bed", 1),
			strings.Replace(longBed, "Long Bed", "Other Bed", 1),
		},
		{"DELETE", "/api/people/1", "", ""},
		{"POST", "/api/ledger/6/take-back", "", ""},
	}
	for i, step := range steps {
		read("/api/plot", &plot)
		headers := []string{keyHeader, fmt.Sprint("key ", i)}
		if step.method == "PUT" {
			headers = append(headers, "If-Match", `"`+string(plot.Beds[0].Version)+`"`)
		}
		var entries [3]string
		for n := range entries {
			answer := ask(h, step.method, step.path, step.body, headers...)
			if answer.Code != 200 {
				t.Fatalf("%s %s, sent %d times, is answered %d: %s", step.method, step.path, n+1, answer.Code, answer.Body)
			}
			var noted struct {
				journal.Entry
				Within journal.Entry `json:"entry"`
			}
			check(t, json.Unmarshal(answer.Body.Bytes(), &noted))
			entries[n] = fmt.Sprint(noted.Entry, noted.Within)
		}
		if entries[1] != entries[0] || entries[2] != entries[0] ||
			entries[0] == fmt.Sprint(journal.Entry{}, journal.Entry{}) {
			t.Errorf("%s %s is answered %q", step.method, step.path, entries)
		}
		var ledger journal.LedgerView
		read("/api/ledger?most=200", &ledger)
		if len(ledger.Lines) != i+1 {
			t.Errorf("after %s %s there are %d entries", step.method, step.path, len(ledger.Lines))
		}
		if step.other == "" {
			continue
		}
		if answer := ask(h, step.method, step.path, step.other, headers...); answer.Code != 409 ||
			!strings.Contains(problemOf(t, answer).Detail, "noted already") {
			t.Errorf("%s %s with something else is answered %d: %s", step.method, step.path, answer.Code, answer.Body)
		}
	}
	if answer := ask(h, "POST", "/api/people", `{"name":"Kit","circumstances":[]}`, keyHeader, strings.Repeat("k", 65)); answer.Code != 400 {
		t.Errorf("a key without end is answered %d", answer.Code)
	}
}

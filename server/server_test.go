package server

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"

	"bramblyacre/demo"
	"bramblyacre/garden"
	"bramblyacre/library"
	"bramblyacre/store"
)

const address = "127.0.0.1:8420"

var front = fstest.MapFS{
	"index.html":         {Data: []byte("<!doctype html><title>Brambly Acre</title>")},
	"assets/main-abc.js": {Data: []byte("console.log(1)")},
}

func handler(t testing.TB) http.Handler {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), t.TempDir())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	g, err := garden.Open(t.Context(), garden.Options{Store: s, Library: shipped, PinnedTo: &demo.Today, Seasons: 20})
	check(t, err)
	h, err := New(Options{Garden: g, Front: front, Address: address, Version: "test", Log: slog.New(slog.NewTextHandler(io.Discard, nil))})
	check(t, err)
	return h
}

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func ask(h http.Handler, method, path, body string, headers ...string) *httptest.ResponseRecorder {
	request := httptest.NewRequest(method, "http://"+address+path, strings.NewReader(body))
	request.Header.Set("Content-Type", "application/json")
	for i := 0; i+1 < len(headers); i += 2 {
		if headers[i] == "Host" {
			request.Host = headers[i+1]
		} else {
			request.Header.Set(headers[i], headers[i+1])
		}
	}
	answer := httptest.NewRecorder()
	h.ServeHTTP(answer, request)
	return answer
}

// problemOf reads an RFC 9457 problem and fails for anything else.
func problemOf(t *testing.T, answer *httptest.ResponseRecorder) (problem struct {
	Title  string
	Status int
	Detail string
	Errors []struct{ Location, Message string }
}) {
	t.Helper()
	if kind := answer.Header().Get("Content-Type"); kind != "application/problem+json" {
		t.Errorf("the answer is %q, not a problem: %s", kind, answer.Body)
	}
	check(t, json.Unmarshal(answer.Body.Bytes(), &problem))
	if problem.Status != answer.Code || problem.Title == "" {
		t.Errorf("the problem says %+v, the answer %d", problem, answer.Code)
	}
	return problem
}

func TestBadRequestsAreProblems(t *testing.T) {
	h := handler(t)
	bed := `{"name":"Long Bed","x":"10 m","y":"5 m","width":"8 m","depth":"1 m","sunHours":6,"moisture":"moist"}`
	tests := []struct {
		name, method, path, body string
		status                   int
		says                     string
	}{
		{"broken JSON", "POST", "/api/beds", `{"name":`, 400, ""},
		{"no JSON", "POST", "/api/beds", `hello`, 400, ""},
		{"a number for a text", "POST", "/api/beds", strings.Replace(bed, `"Long Bed"`, `7`, 1), 422, "body.name"},
		{"an unknown field", "POST", "/api/beds", strings.Replace(bed, `"name"`, `"colour":"red","name"`, 1), 422, "body"},
		{"a field missing", "POST", "/api/beds", `{"name":"Long Bed"}`, 422, "body"},
		{"a bed outside", "POST", "/api/beds", strings.Replace(bed, "10 m", "29 m", 1), 422, "body.x"},
		{"text of 100 kB", "POST", "/api/beds", strings.Replace(bed, "Long Bed", strings.Repeat("x", 100_000), 1), 422, "body.name"},
		{"more than a megabyte", "POST", "/api/beds", strings.Replace(bed, "Long Bed", strings.Repeat("x", 1<<21), 1), 413, "megabyte"},
		{"an unknown planting", "GET", "/api/plantings/99", "", 404, "no such planting"},
		{"an id that is none", "GET", "/api/plantings/first", "", 422, "path.id"},
		{"a date that is none", "GET", "/api/now?on=2031-02-30", "", 422, "body.on"},
		{"a date years away", "GET", "/api/now?on=2050-01-01", "", 422, "Only days from"},
		{"an unknown address", "GET", "/api/nowhere", "", 404, "nothing at this address"},
		{"a change to a page", "POST", "/plot", "{}", 405, "Nothing can be changed"},
		{"an unknown file", "GET", "/api/files/secrets", "", 422, "path.name"},
		{"an unknown thing", "POST", "/api/plan/items", `{"kind":"dragon"}`, 422, "body.kind"},
		{"a tree of 400 m", "POST", "/api/plan/items", `{"kind":"tree","x":"5 m","y":"5 m","width":"4 m","height":"400 m","leaf":"evergreen"}`, 422, "body.height"},
		{"nothing to move", "POST", "/api/plan/arrange", `{"things":[],"right":"1 m"}`, 422, "body.things"},
		{"a bed that is none", "POST", "/api/plan/reshape", `{"what":"bed","id":9,"x":"5 m","y":"5 m","width":"4 m","depth":"1 m"}`, 404, "no such bed"},
		{"a thing that is none", "DELETE", "/api/plan/items/9", "", 404, "no such thing"},
		{"a boundary that crosses itself", "PUT", "/api/plan/boundary", `{"bearingDeg":0,"points":[{"x":"0","y":"0"},{"x":"9 m","y":"9 m"},{"x":"9 m","y":"0"},{"x":"0","y":"9 m"}]}`, 422, "crosses itself"},
		{"a plan that is none", "POST", "/api/plan/import", `{"text":"hello"}`, 422, "body.text"},
		{"an hour that is none", "GET", "/api/plan/shadows?hour=99", "", 422, "query.hour"},
		{"a drag of nothing", "POST", "/api/plan/drag", `{"itemId":4,"xM":1,"yM":1,"hour":9}`, 404, "no such thing"},
		{"the ground of no bed", "GET", "/api/beds/9/ground", "", 404, "no such bed"},
		{"where nothing goes", "GET", "/api/species/mandrake/where", "", 404, "no such plant"},
		{"an unknown plant", "GET", "/api/plants/mandrake", "", 404, "no such plant"},
		{"an unknown use", "GET", "/api/plants?use=gold", "", 422, "one of the uses"},
		{"one plant beside none", "GET", "/api/compare?ids=hop", "", 422, "from 2 to 4"},
		{"an unknown ledger entry", "POST", "/api/ledger/7/take-back", "", 404, "no such ledger entry"},
	}
	for _, test := range tests {
		t.Run(test.name, func(t *testing.T) {
			answer := ask(h, test.method, test.path, test.body)
			if answer.Code != test.status {
				t.Fatalf("status %d, want %d: %s", answer.Code, test.status, answer.Body)
			}
			problemOf(t, answer)
			if !strings.Contains(answer.Body.String(), test.says) {
				t.Errorf("the answer %s lacks %q", answer.Body, test.says)
			}
		})
	}
	if answer := ask(h, "GET", "/api/ledger", ""); !strings.Contains(answer.Body.String(), `"lines":[]`) {
		t.Errorf("a refused change was written: %s", answer.Body)
	}
	if answer := ask(h, "POST", "/api/beds", bed); answer.Code != 200 {
		t.Errorf("the good bed is refused: %s", answer.Body)
	}
}

func TestOnlyItsOwnAddressIsAnswered(t *testing.T) {
	h := handler(t)
	for host, want := range map[string]int{
		address: 200, "localhost:8420": 200, "localhost": 200, "[::1]:8420": 200,
		"evil.example": 421, "127.0.0.1.evil.example:8420": 421, "192.0.2.7:8420": 421, "": 421,
	} {
		if answer := ask(h, "GET", "/api/site", "", "Host", host); answer.Code != want {
			t.Errorf("host %q is answered %d, want %d", host, answer.Code, want)
		}
	}
	// Where it listens at every address, the one it was reached at is its own.
	for host, want := range map[string]int{"192.0.2.7:8420": 200, "192.0.2.8:8420": 421, "evil.example": 421, "unknown": 421} {
		request := httptest.NewRequest("GET", "http://"+host+"/api/site", nil)
		local := &net.TCPAddr{IP: net.ParseIP("192.0.2.7"), Port: 8420}
		answer := httptest.NewRecorder()
		h.ServeHTTP(answer, request.WithContext(context.WithValue(request.Context(), http.LocalAddrContextKey, local)))
		if answer.Code != want {
			t.Errorf("reached at 192.0.2.7, host %q is answered %d, want %d", host, answer.Code, want)
		}
	}
	if answer := ask(h, "GET", "/api/site", "", "Host", "unknown"); answer.Code != 421 {
		t.Errorf("a host called unknown is answered %d", answer.Code)
	}
	if answer := ask(h, "PUT", "/api/needs", "{}", "Origin", "http://evil.example"); answer.Code != 403 {
		t.Errorf("a foreign page's change is answered %d", answer.Code)
	}
	if answer := ask(h, "PUT", "/api/needs", "{}", "Origin", "http://"+address); answer.Code == 403 {
		t.Error("its own page's change is refused")
	}
}

func TestHeadersKeepForeignScriptsOut(t *testing.T) {
	h := handler(t)
	for _, path := range []string{"/", "/plot", "/api/site", "/assets/main-abc.js", "/api/nowhere"} {
		header := ask(h, "GET", path, "").Header()
		policy := header.Get("Content-Security-Policy")
		for _, want := range []string{"default-src 'self'", "script-src 'self';", "object-src 'none'", "frame-ancestors 'none'"} {
			if !strings.Contains(policy, want) {
				t.Errorf("%s: the policy %q lacks %q", path, policy, want)
			}
		}
		if strings.Contains(policy, "http:") || strings.Contains(policy, "https:") || strings.Contains(policy, "*") {
			t.Errorf("%s: the policy allows a foreign origin: %s", path, policy)
		}
		if header.Get("X-Content-Type-Options") != "nosniff" || header.Get("Referrer-Policy") != "no-referrer" {
			t.Errorf("%s: headers are missing: %v", path, header)
		}
	}
}

func TestPagesAndAssetsAreServed(t *testing.T) {
	h := handler(t)
	for _, path := range []string{"/", "/plot", "/plantings/5"} {
		if answer := ask(h, "GET", path, ""); answer.Code != 200 || !strings.Contains(answer.Body.String(), "<title>Brambly Acre") {
			t.Errorf("%s gives %d %s", path, answer.Code, answer.Body)
		}
	}
	asset := ask(h, "GET", "/assets/main-abc.js", "", "Accept-Encoding", "gzip")
	if asset.Code != 200 || !strings.Contains(asset.Header().Get("Cache-Control"), "immutable") || asset.Header().Get("Content-Encoding") != "gzip" {
		t.Errorf("the script is answered %d with %v", asset.Code, asset.Header())
	}
	if answer := ask(h, "GET", "/assets/missing.js", ""); answer.Code != 404 {
		t.Errorf("a missing script is answered %d", answer.Code)
	}
	if _, err := New(Options{Front: fstest.MapFS{}, Address: address, Log: slog.Default()}); err == nil {
		t.Error("a front end that is not built is served")
	}
}

func TestOpenAPIDescribesWhatIsServed(t *testing.T) {
	served := ask(handler(t), "GET", "/api/openapi.json", "")
	var description struct {
		OpenAPI string
		Paths   map[string]any
	}
	check(t, json.Unmarshal(served.Body.Bytes(), &description))
	if description.OpenAPI != "3.1.0" || len(description.Paths) < 18 {
		t.Errorf("OpenAPI %s with %d paths", description.OpenAPI, len(description.Paths))
	}
	text, err := OpenAPI("1")
	check(t, err)
	again, err := OpenAPI("1")
	check(t, err)
	if !bytes.Equal(text, again) {
		t.Error("the description differs from one time to the next")
	}
}

func TestFilesAreDownloads(t *testing.T) {
	h := handler(t)
	for name, begins := range map[string]string{"calendar": "BEGIN:VCALENDAR\r\n", "pickings": "day,bed,plant", "observations": "day,bed,plant"} {
		answer := ask(h, "GET", "/api/files/"+name, "")
		if answer.Code != 200 || !strings.HasPrefix(answer.Body.String(), begins) || !strings.HasPrefix(answer.Header().Get("Content-Disposition"), "attachment") {
			t.Errorf("%s is answered %d %v: %.60s", name, answer.Code, answer.Header(), answer.Body)
		}
	}
}

func BenchmarkNowOfAnEmptyPlot(b *testing.B) {
	h := handler(b)
	for b.Loop() {
		if answer := ask(h, "GET", "/api/now", ""); answer.Code != 200 {
			b.Fatal(answer.Body)
		}
	}
}

package server

import (
	"bytes"
	"context"
	"encoding/json"
	"image"
	"image/png"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"bramblyacre/demo"
	"bramblyacre/garden"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
	"bramblyacre/share"
	"bramblyacre/store"
)

const address = "127.0.0.1:8420"

var front = fstest.MapFS{
	"index.html":         {Data: []byte("<!doctype html><title>Brambly Acre</title>")},
	"assets/main-abc.js": {Data: []byte("console.log(1)")}, "assets/main-abc.js.br": {Data: []byte("as br")}, "assets/main-abc.js.gz": {Data: []byte("as gzip")},
	"manifest.webmanifest": {Data: []byte("{}")},
}

func handler(t testing.TB) http.Handler {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), t.TempDir())
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &demo.Today, Seasons: 20})
	check(t, err)
	quiet := slog.New(slog.NewTextHandler(io.Discard, nil))
	house, err := share.OpenHouse(t.Context(), s, time.Now, quiet)
	check(t, err)
	h, err := New(
		Options{Garden: g, Front: front, Address: address, Version: "test", Log: quiet, Sharing: &Sharing{House: house}},
	)
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

// versionFor is the version of what a change is made to: the plot's place, or nothing yet.
func versionFor(t *testing.T, h http.Handler, path string) string {
	t.Helper()
	var plot place.PlotView
	var plant plants.PlantFile
	check(t, json.Unmarshal(ask(h, "GET", "/api/plot", "").Body.Bytes(), &plot))
	check(t, json.Unmarshal(ask(h, "GET", "/api/plants/hop/file", "").Body.Bytes(), &plant))
	if strings.HasPrefix(path, "/api/plan/") || path == "/api/site" {
		return `"` + string(plot.Version) + `"`
	}
	return `"` + string(plant.Version) + `"`
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
		{
			"text of 100 kB",
			"POST",
			"/api/beds",
			strings.Replace(bed, "Long Bed", strings.Repeat("x", 100_000), 1),
			422,
			"body.name",
		},
		{
			"more than a megabyte",
			"POST",
			"/api/beds",
			strings.Replace(bed, "Long Bed", strings.Repeat("x", 1<<21), 1),
			413,
			"megabyte",
		},
		{"an unknown planting", "GET", "/api/plantings/99", "", 404, "no such planting"},
		{"an id that is none", "GET", "/api/plantings/first", "", 422, "path.id"},
		{"a date that is none", "GET", "/api/now?on=2031-02-30", "", 422, "body.on"},
		{"a date years away", "GET", "/api/now?on=2050-01-01", "", 422, "Only days from"},
		{"an unknown address", "GET", "/api/nowhere", "", 404, "nothing at this address"},
		{"a change to a page", "POST", "/plot", "{}", 405, "Nothing can be changed"},
		{"an unknown file", "GET", "/api/files/secrets", "", 422, "path.name"},
		{"an unknown thing", "POST", "/api/plan/items", `{"kind":"dragon"}`, 422, "body.kind"},
		{
			"a tree of 400 m",
			"POST",
			"/api/plan/items",
			`{"kind":"tree","x":"5 m","y":"5 m","width":"4 m","height":"400 m","leaf":"evergreen"}`,
			422,
			"body.height",
		},
		{"nothing to move", "POST", "/api/plan/arrange", `{"things":[],"right":"1 m"}`, 422, "body.things"},
		{
			"a bed that is none",
			"POST",
			"/api/plan/reshape",
			`{"what":"bed","id":9,"x":"5 m","y":"5 m","width":"4 m","depth":"1 m"}`,
			404,
			"no such bed",
		},
		{"a thing that is none", "DELETE", "/api/plan/items/9", "", 404, "no such thing"},
		{
			"a boundary that crosses itself",
			"PUT",
			"/api/plan/boundary",
			`{"bearingDeg":0,"points":[{"x":"0","y":"0"},{"x":"9 m","y":"9 m"},{"x":"9 m","y":"0"},{"x":"0","y":"9 m"}]}`,
			422,
			"crosses itself",
		},
		{"a plan that is none", "POST", "/api/plan/import", `{"text":"hello"}`, 422, "body.text"},
		{"an hour that is none", "GET", "/api/plan/shadows?hour=99", "", 422, "query.hour"},
		{"a drag of nothing", "POST", "/api/plan/drag", `{"itemId":4,"xM":1,"yM":1,"hour":9}`, 404, "no such thing"},
		{"the ground of no bed", "GET", "/api/beds/9/ground", "", 404, "no such bed"},
		{"where nothing goes", "GET", "/api/species/mandrake/where", "", 404, "no such plant"},
		{"an unknown plant", "GET", "/api/plants/mandrake", "", 404, "no such plant"},
		{"an unknown use", "GET", "/api/plants?use=gold", "", 422, "one of the uses"},
		{"one plant beside none", "GET", "/api/compare?ids=hop", "", 422, "from 2 to 4"},
		{
			"a look at nothing",
			"POST",
			"/api/plantings/99/looks",
			`{"day":"2031-05-27","by":"Ida","answers":{"smell":"seen"},"speciesId":"hop","shown":{}}`,
			404,
			"no such planting",
		},
		{"the check of no planting", "GET", "/api/plantings/99/check", "", 404, "no such planting"},
		{"the check of no find", "GET", "/api/finds/99/check", "", 404, "no such find"},
		{
			"a find of a deadly plant",
			"POST",
			"/api/finds",
			`{"day":"2031-05-27","place":"here","speciesId":"hemlock","seen":{}}`,
			422,
			"plant that is used",
		},
		{"what has an aura", "POST", "/api/what-is-this", `{"seen":{"aura":"blue"}}`, 422, "is no character"},
		{"what without anything", "POST", "/api/what-is-this", `{}`, 422, "body"},
		{"a photograph that is none", "POST", "/api/photographs", `hello`, 422, "no JPEG, PNG or WebP"},
		{"no photograph", "GET", "/api/photographs/" + strings.Repeat("0", 64), "", 404, "no such photograph"},
		{"a photograph by a path", "GET", "/api/photographs/passwd", "", 422, "path.id"},
		{
			"the sorting of nothing",
			"POST",
			"/api/pickings/99/sortings",
			`{"by":"Ida","answers":{},"rejected":"","speciesId":"hop","shown":{}}`,
			404,
			"no such picking",
		},
		{"a plant's file that is none", "POST", "/api/plant-files", `{"text":"[names"}`, 422, "body.text"},
		{"a plant's sheet of nothing", "POST", "/api/own-plants", `{"sheet":{}}`, 422, "body.sheet.names.botanical"},
		{"a plant's sheet that is a word", "POST", "/api/own-plants", `{"sheet":"nettle"}`, 422, "body.sheet"},
		{"something of nothing", "POST", "/api/pickings/99/makings", `{"preparation":"tea"}`, 404, "no such picking"},
		{"the label of nothing", "GET", "/api/pickings/99/label", "", 404, "no such picking"},
		{"a person without a name", "POST", "/api/people", `{"name":"","circumstances":[]}`, 422, "body.name"},
		{"a person who is none", "DELETE", "/api/people/99", "", 404, "no such person"},
		{"a plant file that is none", "POST", "/api/own-plants", `{"text":"hello"}`, 422, "line 1"},
		{
			"a plant file without end",
			"POST",
			"/api/own-plants",
			`{"text":"` + strings.Repeat("x", 250_000) + `"}`,
			422,
			"body.text",
		},
		{
			"a figure of no plant",
			"PUT",
			"/api/plants/mandrake/figures",
			`{"key":"size.height","figure":"3 cm"}`,
			404,
			"no such plant",
		},
		{
			"a figure that is none",
			"PUT",
			"/api/plants/lovage/figures",
			`{"key":"size.height","figure":"tall"}`,
			422,
			"body.figure",
		},
		{"the file of no plant", "GET", "/api/files/plant/mandrake", "", 404, "no such plant"},
		{
			"a note of no kind",
			"POST",
			"/api/plants/lovage/notes",
			`{"kind":"rumour","text":"So they say."}`,
			422,
			"body.kind",
		},
		{"practice of no pair", "GET", "/api/practice/specimen?species=oak&other=ash&seed=1", "", 404, "no such pair"},
		{
			"a fourth decision",
			"POST",
			"/api/practice/decisions",
			`{"speciesId":"ramsons","otherId":"hemlock","seed":1,"looked":[],"decision":"maybe"}`,
			422,
			"body.decision",
		},
		{"a map of next century", "GET", "/api/spread?year=100", "", 422, "query.year"},
		{"the holding of nothing", "GET", "/api/plantings/99/hold", "", 404, "no such planting"},
		{
			"a sighting of nothing",
			"POST",
			"/api/plantings/99/sightings",
			`{"day":"2031-05-27","kind":"at most"}`,
			404,
			"no such planting",
		},
		{"no sighting", "DELETE", "/api/sightings/99", "", 404, "no such sighting"},
		{
			"a deed with nothing",
			"POST",
			"/api/volunteers/99/deed",
			`{"deed":"eat","day":"2031-05-27","plants":1}`,
			404,
			"no such group",
		},
		{
			"a deed that is none",
			"POST",
			"/api/volunteers/99/deed",
			`{"deed":"fry","day":"2031-05-27","plants":1}`,
			422,
			"body.deed",
		},
		{
			"the law of no plant",
			"PUT",
			"/api/species/mandrake/law",
			`{"listed":"no","day":"2031-05-27"}`,
			404,
			"no such plant",
		},
		{"the balance of no plant", "GET", "/api/spread/balance?species=mandrake", "", 422, "species"},
		{
			"a clearing by geese",
			"POST",
			"/api/clearings",
			`{"bedId":1,"animal":"geese","head":1,"day":"2031-06-27","days":1,"then":"mulch"}`,
			422,
			"body.animal",
		},
		{"no clearing", "POST", "/api/clearings/99/end", "", 404, "no such clearing"},
		{
			"a barrier without depth",
			"POST",
			"/api/plan/items",
			`{"kind":"root barrier","shape":"line","width":"3 cm","points":[{"x":"1 m","y":"1 m"},{"x":"2 m","y":"1 m"}]}`,
			422,
			"body.deep",
		},
		{"an unknown ledger entry", "POST", "/api/ledger/7/take-back", "", 404, "no such ledger entry"},
	}
	for _, test := range tests {
		t.Run(test.name, func(t *testing.T) {
			answer := ask(h, test.method, test.path, test.body, "If-Match", versionFor(t, h, test.path))
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
		if answer := ask(h, "GET", path, ""); answer.Code != 200 ||
			!strings.Contains(answer.Body.String(), "<title>Brambly Acre") {
			t.Errorf("%s gives %d %s", path, answer.Code, answer.Body)
		}
	}
	for accepted, want := range map[string][2]string{
		"gzip": {"gzip", "as gzip"}, "gzip, deflate, br": {"br", "as br"}, "br;q=0, gzip": {"gzip", "as gzip"}, "": {"", "console.log(1)"}, "brave": {"", "console.log(1)"},
	} {
		asset := ask(h, "GET", "/assets/main-abc.js", "", "Accept-Encoding", accepted)
		header := asset.Header()
		if asset.Code != 200 || !strings.Contains(header.Get("Cache-Control"), "immutable") || header.Get("Content-Encoding") != want[0] ||
			asset.Body.String() != want[1] || !strings.HasPrefix(header.Get("Content-Type"), "text/javascript") || header.Get("Vary") != "Accept-Encoding" {
			t.Errorf("the script for one who takes %q is answered %d %q with %v", accepted, asset.Code, asset.Body, header)
		}
	}
	if kind := ask(h, "GET", "/manifest.webmanifest", "").Header().Get("Content-Type"); kind != "application/manifest+json" {
		t.Errorf("the manifest is %q", kind)
	}
	if answer := ask(h, "GET", "/assets/missing.js", ""); answer.Code != 404 {
		t.Errorf("a missing script is answered %d", answer.Code)
	}
	if _, err := New(Options{Front: fstest.MapFS{}, Address: address, Log: slog.Default(), Sharing: &Sharing{}}); err == nil {
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
		if answer.Code != 200 || !strings.HasPrefix(answer.Body.String(), begins) ||
			!strings.HasPrefix(answer.Header().Get("Content-Disposition"), "attachment") {
			t.Errorf("%s is answered %d %v: %.60s", name, answer.Code, answer.Header(), answer.Body)
		}
	}
}

// A picture, a plant's file and a label are answered as what they are.
func TestPicturesPlantFilesAndLabelsAreServedAsSuch(t *testing.T) {
	h := handler(t)
	var picture bytes.Buffer
	check(t, png.Encode(&picture, image.NewGray(image.Rect(0, 0, 4, 3))))
	kept := ask(h, "POST", "/api/photographs", picture.String(), "Content-Type", "application/octet-stream")
	var id struct{ ID string }
	if kept.Code != 200 || json.Unmarshal(kept.Body.Bytes(), &id) != nil {
		t.Fatalf("a picture is answered %d: %s", kept.Code, kept.Body)
	}
	if answer := ask(h, "GET", "/api/photographs/"+id.ID, ""); answer.Code != 200 ||
		answer.Header().Get("Content-Type") != "image/png" ||
		answer.Body.String() != picture.String() {
		t.Errorf("it comes back as %d %v", answer.Code, answer.Header())
	}
	file := ask(h, "GET", "/api/files/plant/ramsons", "")
	if file.Code != 200 ||
		!strings.HasPrefix(file.Header().Get("Content-Disposition"), `attachment; filename="ramsons.toml"`) ||
		!strings.Contains(file.Body.String(), "Allium ursinum") {
		t.Errorf("a plant's file is %d %v", file.Code, file.Header())
	}
	for _, step := range []struct{ method, path, body string }{
		{"POST", "/api/beds", `{"name":"Long Bed","x":"10 m","y":"5 m","width":"8 m","depth":"1 m","moisture":"moist"}`},
		{"POST", "/api/plantings", `{"bedId":1,"speciesId":"common-sage","plants":9,"startedOn":"2028-04-10","origin":"bought","labelled":true,"source":"A label."}`},
	} {
		if answer := ask(h, step.method, step.path, step.body); answer.Code != 200 {
			t.Fatalf("%s is answered %d: %s", step.path, answer.Code, answer.Body)
		}
	}
	var asked identity.CheckView
	check(t, json.Unmarshal(ask(h, "GET", "/api/plantings/1/check?by=Ida", "").Body.Bytes(), &asked))
	answers := map[string]string{}
	for _, character := range asked.Showing {
		answers[character] = "seen"
	}
	look, err := json.Marshal(asked.Look("2031-05-27", "Ida", answers))
	check(t, err)
	if answer := ask(h, "POST", "/api/plantings/1/looks", string(look)); answer.Code != 200 {
		t.Fatalf("a look is answered %d: %s", answer.Code, answer.Body)
	}
	if answer := ask(h, "POST", "/api/plantings/1/pickings", `{"day":"2031-05-26","part":"leaf","amount":"12"}`); answer.Code != 200 {
		t.Fatalf("a picking is answered %d: %s", answer.Code, answer.Body)
	}
	if answer := ask(h, "GET", "/api/pickings/1/label", ""); answer.Code != 409 ||
		!strings.Contains(answer.Body.String(), "not fit for use") {
		t.Errorf("the label of what was not sorted: %d %s", answer.Code, answer.Body)
	}
	var baskets []gather.BasketView
	check(t, json.Unmarshal(ask(h, "GET", "/api/baskets", "").Body.Bytes(), &baskets))
	answers = map[string]string{}
	for _, q := range baskets[0].Questions {
		answers[q.ID] = "seen"
	}
	body, err := json.Marshal(baskets[0].Sorting("Ida", answers))
	check(t, err)
	if answer := ask(h, "POST", "/api/pickings/1/sortings", string(body)); answer.Code != 200 {
		t.Fatalf("a sorting is answered %d: %s", answer.Code, answer.Body)
	}
	label := ask(h, "GET", "/api/pickings/1/label?preparation=food", "")
	if label.Code != 200 || label.Header().Get("Content-Type") != "application/pdf" ||
		!strings.HasPrefix(label.Body.String(), "%PDF-") {
		t.Errorf("the label is %d %v", label.Code, label.Header())
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

package server

import (
	"bytes"
	"encoding/binary"
	"encoding/json"
	"fmt"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"math/rand/v2"
	"net/http"
	"strings"
	"testing"

	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/spread"
)

const longBed = `{"name":"Long Bed","x":"10 m","y":"5 m","width":"8 m","depth":"1 m","moisture":"moist"}`

// Two pages with one form open: the first to note it wins, and the second is told, loses
// nothing and writes nothing. A change without the version that was shown is refused.
func TestAFormThatWasOpenWhileThePlotMovedOnWritesNothing(t *testing.T) {
	h := handler(t)
	ok := func(answer interface{ Result() *http.Response }) {
		t.Helper()
		if got := answer.Result(); got.StatusCode != 200 {
			t.Fatalf("answered %d", got.StatusCode)
		}
	}
	ok(ask(h, "POST", "/api/beds", longBed))
	ok(ask(h, "POST", "/api/people", `{"name":"Ida","circumstances":[]}`))
	ok(
		ask(
			h,
			"POST",
			"/api/plan/items",
			`{"kind":"tree","x":"5 m","y":"12 m","width":"4 m","height":"6 m","leaf":"evergreen"}`,
		),
	)
	ok(
		ask(
			h,
			"POST",
			"/api/plantings",
			`{"bedId":1,"speciesId":"garden-sorrel","plants":9,"startedOn":"2029-04-10","origin":"seed"}`,
		),
	)
	ok(
		ask(
			h,
			"POST",
			"/api/plantings",
			`{"bedId":1,"speciesId":"wild-strawberry","plants":5,"startedOn":"2029-04-10","origin":"division","affirmed":["`+runsAsked(
				t,
				h,
			)+`"]}`,
		),
	)
	shown := func() map[string]string {
		var plot place.PlotView
		check(t, json.Unmarshal(ask(h, "GET", "/api/plot", "").Body.Bytes(), &plot))
		var household household.HouseholdView
		check(t, json.Unmarshal(ask(h, "GET", "/api/household", "").Body.Bytes(), &household))
		var planting place.PlantingView
		check(t, json.Unmarshal(ask(h, "GET", "/api/plantings/1", "").Body.Bytes(), &planting))
		var gathered gather.GatherView
		check(t, json.Unmarshal(ask(h, "GET", "/api/gather", "").Body.Bytes(), &gathered))
		var plant plants.PlantView
		check(t, json.Unmarshal(ask(h, "GET", "/api/plants/hop", "").Body.Bytes(), &plant))
		var need gather.NeedView
		for _, n := range gathered.Needs {
			if n.Part == "leaf" && n.SpeciesID == "garden-sorrel" {
				need = n
			}
		}
		var figure plants.FigureView
		for _, f := range plant.Figures {
			if f.Key == "size.height" {
				figure = f
			}
		}
		var hold spread.HoldView
		check(t, json.Unmarshal(ask(h, "GET", "/api/plantings/2/hold", "").Body.Bytes(), &hold))
		var costs spread.SpreadSettings
		check(t, json.Unmarshal(ask(h, "GET", "/api/spread/settings", "").Body.Bytes(), &costs))
		var balance spread.BalanceView
		check(t, json.Unmarshal(ask(h, "GET", "/api/spread/balance?species=himalayan-balsam", "").Body.Bytes(), &balance))
		law := spread.LawView{}
		for _, kind := range balance.Kinds {
			if kind.SpeciesID == "himalayan-balsam" {
				law = kind.Law
			}
		}
		return map[string]string{
			"/api/beds/1": string(
				plot.Beds[0].Version,
			), "/api/people/1": string(household.People[0].Version), "/api/plan/items/1": string(plot.Items[0].Version),
			"/api/plantings/1": string(
				planting.Version,
			), "/api/needs": string(need.Version), "/api/plants/hop/figures": string(figure.Version),
			"/api/site": string(plot.Version), "/api/plan/boundary": string(plot.Version),
			"/api/plantings/2/hold": string(hold.Version), "/api/spread/settings": string(costs.Version),
			"/api/species/himalayan-balsam/law": string(law.Version),
		}
	}
	forms := []struct{ path, first, second string }{
		{
			"/api/beds/1",
			strings.Replace(longBed, "Long Bed", "First Bed", 1),
			strings.Replace(longBed, "Long Bed", "Second Bed", 1),
		},
		{"/api/people/1", `{"name":"Ida","circumstances":["pregnant"]}`, `{"name":"Ida B","circumstances":[]}`},
		{
			"/api/plan/items/1",
			`{"kind":"tree","x":"5 m","y":"12 m","width":"4 m","height":"7 m","leaf":"evergreen"}`,
			`{"kind":"tree","x":"5 m","y":"12 m","width":"4 m","height":"8 m","leaf":"evergreen"}`,
		},
		{
			"/api/plantings/1",
			`{"bedId":1,"speciesId":"garden-sorrel","plants":8,"startedOn":"2029-04-10","origin":"seed"}`,
			`{"bedId":1,"speciesId":"garden-sorrel","plants":7,"startedOn":"2029-04-10","origin":"seed"}`,
		},
		{
			"/api/needs",
			`{"speciesId":"garden-sorrel","part":"leaf","amount":"400 g"}`,
			`{"speciesId":"garden-sorrel","part":"leaf","amount":"500 g"}`,
		},
		{"/api/plants/hop/figures", `{"key":"size.height","figure":"500 cm"}`, `{"key":"size.height","figure":"600 cm"}`},
		{
			"/api/site",
			`{"name":"Here","latitude":46.6,"altitude":"640 m","climateId":"hill-valley","width":"30 m","depth":"20 m","units":"metric"}`,
			`{"name":"There","latitude":46.6,"altitude":"640 m","climateId":"hill-valley","width":"30 m","depth":"20 m","units":"metric"}`,
		},
		{"/api/plantings/2/hold", `{"policy":"held","ways":["edge:1"]}`, `{"policy":"held","ways":["edge:2"]}`},
		{"/api/spread/settings", `{"animals":["hens"]}`, `{"animals":["ducks"]}`},
		{"/api/species/himalayan-balsam/law", `{"listed":"no","day":"2031-05-20"}`, `{"listed":"yes","day":"2031-05-20"}`},
		{"/api/plan/boundary", `{"bearingDeg":10}`, `{"bearingDeg":20}`},
	}
	entries := func() int {
		var ledger journal.LedgerView
		check(t, json.Unmarshal(ask(h, "GET", "/api/ledger?most=200", "").Body.Bytes(), &ledger))
		return len(ledger.Lines)
	}
	for _, form := range forms {
		t.Run(form.path, func(t *testing.T) {
			version := `"` + shown()[form.path] + `"`
			before := entries()
			if answer := ask(h, "PUT", form.path, form.first); answer.Code != 422 ||
				!strings.Contains(answer.Body.String(), "If-Match") {
				t.Errorf("without a version it is answered %d: %s", answer.Code, answer.Body)
			}
			if answer := ask(h, "PUT", form.path, form.first, "If-Match", `"*"`); answer.Code != 412 {
				t.Errorf("whatever stands is answered %d: %s", answer.Code, answer.Body)
			}
			if answer := ask(h, "PUT", form.path, form.first, "If-Match", version); answer.Code != 200 {
				t.Fatalf("the first is answered %d: %s", answer.Code, answer.Body)
			}
			answer := ask(h, "PUT", form.path, form.second, "If-Match", version)
			if answer.Code != 412 || !strings.Contains(problemOf(t, answer).Detail, "changed meanwhile") {
				t.Errorf("the second is answered %d: %s", answer.Code, answer.Body)
			}
			if got := entries(); got != before+1 {
				t.Errorf("%d entries were written, not 1", got-before)
			}
			if answer := ask(h, "PUT", form.path, form.second, "If-Match", `"`+shown()[form.path]+`"`); answer.Code != 200 {
				t.Errorf("having seen the first, the second is answered %d: %s", answer.Code, answer.Body)
			}
		})
	}
	stale := `{"things":[{"what":"bed","id":1,"version":"0011223344556677"}],"right":"1 m"}`
	if answer := ask(h, "POST", "/api/plan/arrange", stale); answer.Code != 412 {
		t.Errorf("a move of what was seen elsewhere is answered %d: %s", answer.Code, answer.Body)
	}
}

// runsAsked is what is asked back before a strawberry is set in a bed that does not hold it.
func runsAsked(t *testing.T, h http.Handler) string {
	t.Helper()
	answer := ask(
		h,
		"POST",
		"/api/plantings",
		`{"bedId":1,"speciesId":"wild-strawberry","plants":5,"startedOn":"2029-04-10","origin":"division"}`,
	)
	for _, fault := range problemOf(t, answer).Errors {
		if strings.Contains(fault.Message, "does not hold it") {
			return fault.Message
		}
	}
	t.Fatalf("nothing is asked back: %s", answer.Body)
	return ""
}

// Several ways are asked for together by naming each; the same way twice is refused.
func TestSeveralWaysAreAskedForTogether(t *testing.T) {
	h := handler(t)
	ask(h, "POST", "/api/beds", longBed)
	set := `{"bedId":1,"speciesId":"wild-strawberry","plants":5,"startedOn":"2029-04-10","origin":"division","affirmed":["` + runsAsked(
		t,
		h,
	) + `"]}`
	if answer := ask(h, "POST", "/api/plantings", set); answer.Code != 200 {
		t.Fatalf("%d: %s", answer.Code, answer.Body)
	}
	var hold spread.HoldView
	check(
		t,
		json.Unmarshal(ask(h, "GET", "/api/plantings/1/hold?with=edge%3A2&with=mow&with=pull", "").Body.Bytes(), &hold),
	)
	if hold.Tried == nil || len(hold.Tried.Ways) != 3 {
		t.Errorf("%+v", hold.Tried)
	}
	if answer := ask(h, "GET", "/api/plantings/1/hold?with=edge%3A2&with=edge%3A1", ""); answer.Code != 422 {
		t.Errorf("one way twice is answered %d", answer.Code)
	}
}

// What was asked of another plot, by a page or by a device, never reaches this one.
func TestWhatWasKeptForAnotherPlotIsNotWrittenIntoThisOne(t *testing.T) {
	h := handler(t)
	var site place.SiteView
	check(t, json.Unmarshal(ask(h, "GET", "/api/site", "").Body.Bytes(), &site))
	if len(site.PlotID) != 32 {
		t.Fatalf("the plot's id is %q", site.PlotID)
	}
	answer := ask(h, "POST", "/api/beds", longBed, plotHeader, strings.Repeat("0", 32))
	if told := problemOf(t, answer); answer.Code != 409 || !strings.Contains(told.Detail, "Another plot") ||
		len(told.Errors) != 1 ||
		told.Errors[0].Location != "header.Acre-Plot" {
		t.Errorf("answered %d: %s", answer.Code, answer.Body)
	}
	if answer := ask(h, "GET", "/api/plot", "", plotHeader, strings.Repeat("0", 32)); answer.Code != 409 {
		t.Errorf("a page of another plot is answered %d", answer.Code)
	}
	if answer := ask(h, "POST", "/api/beds", longBed, plotHeader, site.PlotID); answer.Code != 200 {
		t.Errorf("its own is answered %d: %s", answer.Code, answer.Body)
	}
	var plot place.PlotView
	check(t, json.Unmarshal(ask(h, "GET", "/api/plot", "").Body.Bytes(), &plot))
	if len(plot.Beds) != 1 {
		t.Errorf("%d beds stand", len(plot.Beds))
	}
}

// A page from elsewhere is known by what the browser says of it, with or without an origin.
func TestAChangeFromAnotherSiteIsRefused(t *testing.T) {
	h := handler(t)
	for _, from := range []string{"cross-site", "same-site"} {
		if answer := ask(h, "POST", "/api/beds", longBed, "Sec-Fetch-Site", from); answer.Code != 403 {
			t.Errorf("%s is answered %d", from, answer.Code)
		}
	}
	for _, from := range []string{"same-origin", "none"} {
		if answer := ask(h, "POST", "/api/beds", strings.Replace(longBed, "Long Bed", from, 1), "Sec-Fetch-Site", from); answer.Code == 403 {
			t.Errorf("%s is refused", from)
		}
	}
}

// photo is a JPEG of about so many bytes: noise cannot be pressed.
func photo(t *testing.T, bytesWanted int) []byte {
	t.Helper()
	side := 64
	for {
		picture := image.NewRGBA(image.Rect(0, 0, side, side))
		rng := rand.New(rand.NewPCG(1, 2))
		for i := range picture.Pix {
			picture.Pix[i] = uint8(rng.UintN(256))
		}
		var out bytes.Buffer
		check(t, jpeg.Encode(&out, picture, &jpeg.Options{Quality: 100}))
		if out.Len() >= bytesWanted {
			return out.Bytes()
		}
		side = side * 5 / 4
	}
}

// Photographs are kept up to 12 MB; what is larger, broken or of another kind is refused in
// words, and the connection is not cut.
func TestPhotographsAreKeptToTheSizeThatIsSaid(t *testing.T) {
	h := handler(t)
	for _, megabytes := range []int{1, 3, 9} {
		picture := photo(t, megabytes<<20+1000)
		if len(picture) > 12<<20 {
			t.Fatalf("the picture has %d bytes", len(picture))
		}
		if answer := ask(h, "POST", "/api/photographs", string(picture), "Content-Type", "application/octet-stream"); answer.Code != 200 {
			t.Errorf("%d bytes are answered %d: %s", len(picture), answer.Code, answer.Body)
		}
	}
	whole := photo(t, 1000)
	var animated bytes.Buffer
	check(
		t,
		gif.Encode(&animated, image.NewPaletted(image.Rect(0, 0, 4, 4), color.Palette{color.Black, color.White}), nil),
	)
	wide := append([]byte{}, pngHead(30000, 30000)...)
	for name, test := range map[string]struct {
		body   []byte
		status int
		says   string
	}{
		"13 MB":                       {make([]byte, 13<<20), 413, "12 MB"},
		"a GIF":                       {animated.Bytes(), 422, "no JPEG, PNG or WebP"},
		"half a JPEG":                 {whole[:len(whole)/2], 422, "broken"},
		"900 million pixels":          {wide, 422, "40 million"},
		"the beginning of a JPEG":     {[]byte("\xff\xd8\xff"), 422, "no JPEG"},
		"a text that begins as a PNG": {[]byte("\x89PNG\r\n\x1a\nhello"), 422, "no JPEG"},
		"a RIFF that is no picture":   {[]byte("RIFF1234WAVEfmt "), 422, "no JPEG"},
	} {
		answer := ask(h, "POST", "/api/photographs", string(test.body), "Content-Type", "application/octet-stream")
		if answer.Code != test.status || !strings.Contains(answer.Body.String(), test.says) {
			t.Errorf("%s is answered %d: %s", name, answer.Code, answer.Body)
		}
	}
	if answer := ask(h, "POST", "/api/beds", fmt.Sprintf(`{"name":%q}`, strings.Repeat("x", 2<<20))); answer.Code != 413 {
		t.Errorf("a bed of 2 MB is answered %d", answer.Code)
	}
}

// pngHead is the beginning of a PNG of a size, with a sound checksum.
func pngHead(width, height uint32) []byte {
	head := []byte("IHDR")
	head = binary.BigEndian.AppendUint32(head, width)
	head = binary.BigEndian.AppendUint32(head, height)
	head = append(head, 8, 2, 0, 0, 0)
	out := append([]byte("\x89PNG\r\n\x1a\n"), 0, 0, 0, 13)
	return binary.BigEndian.AppendUint32(append(out, head...), crc32.ChecksumIEEE(head))
}

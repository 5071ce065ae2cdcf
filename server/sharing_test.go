package server

import (
	"bytes"
	"crypto/tls"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"net/url"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	ical "github.com/arran4/golang-ical"

	"bramblyacre/demo"
	"bramblyacre/demo/demotest"
	"bramblyacre/garden"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
	"bramblyacre/share"
	"bramblyacre/store"
)

const houseAddress = "192.168.1.20:8443"

// twoDoors is one plot behind both of its doors: this machine's, and the house's.
type twoDoors struct {
	here, house http.Handler
	sharing     *Sharing
	log         bytes.Buffer
}

func sharedPlot(t testing.TB) *twoDoors {
	t.Helper()
	return sharedPlotIn(t, t.TempDir())
}

func sharedPlotIn(t testing.TB, dir string) *twoDoors {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), dir)
	check(t, err)
	t.Cleanup(func() { check(t, s.Close()) })
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &demo.Today, Seasons: 20})
	check(t, err)
	d := &twoDoors{}
	log := slog.New(slog.NewTextHandler(&d.log, nil))
	house, err := share.OpenHouse(t.Context(), s, time.Now, log)
	check(t, err)
	authority, err := share.OpenAuthority(dir, time.Now)
	check(t, err)
	d.sharing = &Sharing{House: house, Authority: authority, Addresses: []string{"https://" + houseAddress}}
	options := Options{Garden: g, Front: front, Address: address, Version: "test", Log: log, Sharing: d.sharing}
	d.here, err = New(options)
	check(t, err)
	options.ToHouse = true
	d.house, err = New(options)
	check(t, err)
	return d
}

const fromPhone, fromBeyond = "192.168.1.31:50000", "203.0.113.9:50000"

// fromHouse asks at the house's door, as a device that may have cookies.
func (d *twoDoors) fromHouse(
	method, path, body string,
	cookies []*http.Cookie,
	headers ...string,
) *httptest.ResponseRecorder {
	request := httptest.NewRequest(method, "https://"+houseAddress+path, strings.NewReader(body))
	request.RemoteAddr = fromPhone
	request.Header.Set("Content-Type", "application/json")
	for i := 0; i+1 < len(headers); i += 2 {
		switch headers[i] {
		case "Host":
			request.Host = headers[i+1]
		case "From address":
			request.RemoteAddr = headers[i+1]
		default:
			request.Header.Set(headers[i], headers[i+1])
		}
	}
	for _, cookie := range cookies {
		request.AddCookie(cookie)
	}
	at, _ := net.ResolveTCPAddr("tcp", houseAddress)
	request = request.WithContext(contextAt(request, at))
	answer := httptest.NewRecorder()
	d.house.ServeHTTP(answer, request)
	return answer
}

// pair pairs a device as its page does, and returns its cookies.
func (d *twoDoors) pair(t testing.TB, device, person string) []*http.Cookie {
	t.Helper()
	var code CodeView
	check(t, json.Unmarshal(ask(d.here, "POST", "/api/sharing/codes", `{"person":""}`).Body.Bytes(), &code))
	answer := d.form(code.Code, device, person)
	if answer.Code != http.StatusSeeOther || answer.Header().Get("Location") != "/" {
		t.Fatalf("pairing is answered %d: %s", answer.Code, answer.Body)
	}
	return answer.Result().Cookies()
}

func (d *twoDoors) form(code, device, person string, headers ...string) *httptest.ResponseRecorder {
	form := url.Values{"code": {code}, "device": {device}, "person": {person}}
	headers = append(
		[]string{"Content-Type", "application/x-www-form-urlencoded", "Origin", "https://" + houseAddress},
		headers...)
	return d.fromHouse("POST", "/pair", form.Encode(), nil, headers...)
}

// everyOperation lists method and path of every operation of the document, its parameters filled in.
func everyOperation(t *testing.T) (all [][2]string) {
	t.Helper()
	text, err := OpenAPI("test")
	check(t, err)
	var document struct {
		Paths map[string]map[string]any `json:"paths"`
	}
	check(t, json.Unmarshal(text, &document))
	for path, operations := range document.Paths {
		for method := range operations {
			filled := regexp.MustCompile(`\{[^}]*\}`).ReplaceAllString(path, "1")
			all = append(all, [2]string{strings.ToUpper(method), filled})
		}
	}
	if len(all) < 100 {
		t.Fatalf("the document has only %d operations", len(all))
	}
	return all
}

// Without pairing no operation answers, with no cookie, a wrong one, or the device's id for one, and nothing else does but
// the pairing page.
func TestWithoutPairingNothingAnswers(t *testing.T) {
	d := sharedPlot(t)
	cookies := d.pair(t, "Phone", "Ida")
	out := d.pair(t, "Lost", "")
	check(t, d.sharing.House.PutOut(t.Context(), out[1].Value))
	named := func(name, value string) *http.Cookie { return &http.Cookie{Name: name, Value: value} }
	strangers := map[string][]*http.Cookie{
		"none":          nil,
		"a wrong one":   {named(tokenCookie, strings.Repeat("A", 43))},
		"an empty one":  {named(tokenCookie, "")},
		"the device id": {named(tokenCookie, cookies[1].Value), cookies[1]},
		"one put out":   out,
		"another name":  {named("device", cookies[0].Value)},
	}
	others := [][2]string{
		{"GET", "/assets/main-abc.js"},
		{"GET", "/sw.js"},
		{"GET", "/api/nothing"},
		{"POST", "/"},
		{"OPTIONS", "/api/site"},
		{"HEAD", "/api/site"},
		{"GET", "/pair/../api/site"},
		{"GET", "/pair/x"},
		{"GET", "/calendar/x.ics"},
		{"GET", "/calendar/.ics"},
		{"GET", "/calendar/"}, {"GET", "/calendar/../"}, {"GET", "/calendar/../round"}, {"GET", "/calendar/../assets/main-abc.js"}, {"GET", "/calendar/x/../../assets/main-abc.js"}, {"GET", "/calendar/../index.html"}, {"GET", "//pair"}, {"GET", "/pair/"}, {"GET", "/pair/authority.crt/../../round"},
	}
	asked, answered := 0, 0
	for name, with := range strangers {
		for _, one := range append(everyOperation(t), others...) {
			answer := d.fromHouse(one[0], one[1], "{}", with)
			asked++
			if answer.Code < 300 || answer.Code >= 500 || strings.Contains(answer.Body.String(), "plotId") {
				answered++
				t.Errorf("%s %s with %s is answered %d", one[0], one[1], name, answer.Code)
			}
		}
	}
	t.Logf("%d requests without pairing, %d answered", asked, answered)
	for _, gone := range d.fromHouse("GET", "/", "", out, "Accept", "text/html").Result().Cookies() {
		if gone.MaxAge >= 0 || gone.Value != "" {
			t.Errorf("the device that was put out keeps %s", gone)
		}
	}
	for _, path := range []string{"/", "/round", "/store/lots/1"} {
		answer := d.fromHouse("GET", path, "", nil, "Accept", "text/html,*/*")
		if answer.Code != http.StatusSeeOther || answer.Header().Get("Location") != "/pair" {
			t.Errorf("the page %s is answered %d", path, answer.Code)
		}
	}
	if answer := d.fromHouse("GET", "/api/site", "", cookies); answer.Code != http.StatusOK {
		t.Errorf("with pairing it is answered %d", answer.Code)
	}
	if answer := ask(d.here, "GET", "/pair", ""); strings.Contains(answer.Body.String(), "Pair this device") {
		t.Error("this machine's own address has a pairing page")
	}
}

func TestTheCookieOfADeviceIsClosed(t *testing.T) {
	d := sharedPlot(t)
	for when, cookies := range map[string][]*http.Cookie{
		"pairing": d.pair(t, "Phone", ""),
		"a page":  d.fromHouse("GET", "/", "", d.pair(t, "Tablet", ""), "Accept", "text/html,*/*").Result().Cookies(),
	} {
		if len(cookies) != 2 {
			t.Fatalf("%s gives %d cookies", when, len(cookies))
		}
		token := cookies[0]
		if token.Name != tokenCookie || !token.HttpOnly || !token.Secure || token.SameSite != http.SameSiteStrictMode ||
			token.Path != "/" ||
			token.Domain != "" {
			t.Errorf("%s gives %s", when, token)
		}
		if cookies[1].Value == token.Value || len(token.Value) < 43 {
			t.Errorf("%s gives a token that can be read or guessed", when)
		}
	}
}

// A code used twice, guessed, or late is refused in words at its field; guesses are told to wait.
func TestAWrongCodeIsRefused(t *testing.T) {
	d := sharedPlot(t)
	var code CodeView
	check(t, json.Unmarshal(ask(d.here, "POST", "/api/sharing/codes", `{"person":"Joss"}`).Body.Bytes(), &code))
	if answer := d.form(code.Code, "Phone", "Ida"); answer.Code != http.StatusSeeOther {
		t.Fatalf("the right code is answered %d", answer.Code)
	}
	statuses := map[int]int{}
	for range 6 {
		answer := d.form(code.Code, `<b>"Phone"`, "")
		statuses[answer.Code]++
		if len(answer.Result().Cookies()) > 0 || !strings.Contains(answer.Body.String(), `role="alert"`) {
			t.Errorf("the code used again is answered %d: %s", answer.Code, answer.Body)
		}
		if strings.Contains(answer.Body.String(), "<b>\"") {
			t.Error("what was typed is markup")
		}
		if answer.Code == http.StatusTooManyRequests && answer.Header().Get("Retry-After") == "" {
			t.Error("it is not said how long to wait")
		}
	}
	if statuses[http.StatusUnprocessableEntity] == 0 || statuses[http.StatusTooManyRequests] == 0 {
		t.Errorf("six tries are answered %v", statuses)
	}
	if !strings.Contains(d.log.String(), "a wrong code was tried") {
		t.Error("the log says nothing of it")
	}
	if strings.Contains(d.log.String(), code.Code) {
		t.Error("the log holds the code")
	}
	if devices := d.sharing.House.Devices(); len(devices) != 1 || devices[0].Person != "Joss" {
		t.Errorf("there are the devices %+v", devices)
	}
}

func TestOneDevicesPageIsNotTakenForAnothers(t *testing.T) {
	d := sharedPlot(t)
	ida, joss := d.pair(t, "Ida's phone", "Ida"), d.pair(t, "Joss's phone", "Joss")
	add := func(cookies []*http.Cookie, as string) int {
		return d.fromHouse("POST", "/api/people", `{"name":"Ada","circumstances":[]}`, cookies, deviceHeader, as).Code
	}
	// A cookie that was stolen from one device, beside what another keeps.
	if code := add(ida, joss[1].Value); code != http.StatusForbidden {
		t.Errorf("Ida's cookie under Joss's device is answered %d", code)
	}
	if code := add(ida, ida[1].Value); code != http.StatusOK {
		t.Errorf("Ida's own is answered %d", code)
	}
}

func TestEntriesCarryThePersonOfTheDevice(t *testing.T) {
	d := sharedPlot(t)
	ida, joss := d.pair(t, "Ida's phone", "Ida"), d.pair(t, "Kitchen tablet", "Joss")
	notes := []struct {
		cookies        []*http.Cookie
		person, device string
	}{{ida, "Ida", "Ida's phone"}, {joss, "Joss", "Kitchen tablet"}, {nil, "", ""}}
	for i, n := range notes {
		body := fmt.Sprintf(`{"name":"Person %d","circumstances":[]}`, i)
		var answer *httptest.ResponseRecorder
		if n.cookies == nil {
			answer = ask(d.here, "POST", "/api/people", body)
		} else {
			answer = d.fromHouse("POST", "/api/people", body, n.cookies)
		}
		if answer.Code != http.StatusOK {
			t.Fatalf("it is answered %d: %s", answer.Code, answer.Body)
		}
	}
	var ledger journal.LedgerView
	check(t, json.Unmarshal(ask(d.here, "GET", "/api/ledger", "").Body.Bytes(), &ledger))
	for i, n := range notes {
		if line := ledger.Lines[len(notes)-1-i]; line.ByWhom != n.person || line.Device != n.device {
			t.Errorf("entry %d is by %q on %q", i, line.ByWhom, line.Device)
		}
	}
}

func TestWhoMayComeInIsSettledAtTheMachine(t *testing.T) {
	d := sharedPlot(t)
	cookies := d.pair(t, "Phone", "Ida")
	for _, one := range everyOperation(t) {
		if !strings.HasPrefix(one[1], "/api/sharing") {
			continue
		}
		if answer := d.fromHouse(one[0], one[1], `{"person":"","device":"x"}`, cookies); answer.Code != http.StatusForbidden {
			t.Errorf("%s %s from a device is answered %d", one[0], one[1], answer.Code)
		}
	}
	var me ThisDevice
	check(t, json.Unmarshal(d.fromHouse("GET", "/api/this-device", "", cookies).Body.Bytes(), &me))
	if !me.Paired || me.Name != "Phone" || me.Person != "Ida" || me.ID != cookies[1].Value {
		t.Errorf("the device is told %+v of itself", me)
	}
	if answer := d.fromHouse("DELETE", "/api/this-device", "", cookies); answer.Code != http.StatusOK {
		t.Errorf("leaving is answered %d", answer.Code)
	}
	if answer := d.fromHouse("GET", "/api/site", "", cookies); answer.Code != http.StatusUnauthorized {
		t.Errorf("a device that left is answered %d", answer.Code)
	}
	if answer := ask(d.here, "DELETE", "/api/this-device", ""); answer.Code != http.StatusConflict {
		t.Errorf("the machine itself, leaving, is answered %d", answer.Code)
	}
}

func TestDevicesAreNamedAndPutOut(t *testing.T) {
	d := sharedPlot(t)
	cookies := d.pair(t, "Phone", "Ida")
	path := "/api/sharing/devices/" + cookies[1].Value
	var view SharingView
	check(t, json.Unmarshal(ask(d.here, "PUT", path, `{"device":"Garden phone","person":"Joss"}`).Body.Bytes(), &view))
	if len(view.Devices) != 1 || view.Devices[0].Name != "Garden phone" || view.Devices[0].Person != "Joss" ||
		!slices.Contains(view.People, "Joss") {
		t.Errorf("it is listed as %+v", view)
	}
	if p := problemOf(t, ask(d.here, "PUT", path, `{"device":" ","person":"Joss"}`)); p.Status != 422 ||
		p.Errors[0].Location != "body.device" {
		t.Errorf("a device without a name is answered %+v", p)
	}
	check(t, json.Unmarshal(ask(d.here, "DELETE", path, "").Body.Bytes(), &view))
	if len(view.Devices) != 0 || d.fromHouse("GET", "/api/site", "", cookies).Code != http.StatusUnauthorized {
		t.Error("it was put out, and is let in")
	}
	for _, method := range []string{"DELETE", "PUT"} {
		if p := problemOf(t, ask(d.here, method, path, `{"device":"x","person":""}`)); p.Status != 404 {
			t.Errorf("%s of one that was put out is answered %d", method, p.Status)
		}
	}
}

func TestWhoComesFromBeyondTheHouseIsRefused(t *testing.T) {
	d := sharedPlot(t)
	cookies := d.pair(t, "Phone", "Ida")
	for _, path := range []string{"/", "/pair", "/api/site", "/calendar/x.ics"} {
		if answer := d.fromHouse("GET", path, "", cookies, "From address", fromBeyond); answer.Code != http.StatusForbidden {
			t.Errorf("%s from beyond is answered %d", path, answer.Code)
		}
	}
	for _, c := range []struct {
		headers []string
		code    int
	}{
		{[]string{"Host", "garden.example:8443"}, http.StatusMisdirectedRequest},
		{[]string{"Origin", "https://elsewhere.example"}, http.StatusForbidden},
		{[]string{"Origin", "http://" + houseAddress}, http.StatusForbidden},
		{[]string{"Sec-Fetch-Site", "cross-site"}, http.StatusForbidden},
	} {
		if answer := d.fromHouse("POST", "/api/people", `{"name":"A","circumstances":[]}`, cookies, c.headers...); answer.Code != c.code {
			t.Errorf("%v is answered %d", c.headers, answer.Code)
		}
		if answer := d.form("AAAA-AAAA", "Phone", "", c.headers...); answer.Code != c.code {
			t.Errorf("pairing with %v is answered %d", c.headers, answer.Code)
		}
	}
}

// The feed is read by another's reader of calendars, and ends with its address.
func TestTheCalendarFeedIsACalendar(t *testing.T) {
	d := sharedPlotIn(t, demotest.Dir(t))
	var view SharingView
	check(t, json.Unmarshal(ask(d.here, "POST", "/api/sharing/feed", "").Body.Bytes(), &view))
	if len(view.Feed) != 2 || !strings.HasPrefix(view.Feed[0].Address, "http://"+address+"/calendar/") {
		t.Fatalf("its addresses are %+v", view.Feed)
	}
	path := strings.TrimPrefix(view.Feed[0].Address, "http://"+address)
	for name, answer := range map[string]*httptest.ResponseRecorder{"here": ask(d.here, "GET", path, ""), "the house": d.fromHouse("GET", path, "", nil)} {
		read, err := ical.ParseCalendar(bytes.NewReader(answer.Body.Bytes()))
		if err != nil || answer.Code != 200 || !strings.HasPrefix(answer.Header().Get("Content-Type"), "text/calendar") {
			t.Fatalf("%s answers %d: %v", name, answer.Code, err)
		}
		var file bytes.Buffer
		_, _ = file.ReadFrom(ask(d.here, "GET", "/api/files/calendar", "").Body)
		saved, err := ical.ParseCalendar(&file)
		check(t, err)
		if len(read.Events()) == 0 || len(read.Events()) != len(saved.Events()) {
			t.Errorf("%s has %d events, the file %d", name, len(read.Events()), len(saved.Events()))
		}
	}
	ask(d.here, "POST", "/api/sharing/feed", "")
	if answer := d.fromHouse("GET", path, "", nil); answer.Code != http.StatusNotFound {
		t.Errorf("the old address is answered %d", answer.Code)
	}
	check(t, json.Unmarshal(ask(d.here, "DELETE", "/api/sharing/feed", "").Body.Bytes(), &view))
	if len(view.Feed) != 0 {
		t.Errorf("it was ended, and has the addresses %v", view.Feed)
	}
}

func TestWhereItIsNotSharedNoCodeIsMade(t *testing.T) {
	h := handler(t)
	var view SharingView
	check(t, json.Unmarshal(ask(h, "GET", "/api/sharing", "").Body.Bytes(), &view))
	if view.Shared || len(view.Addresses) != 0 {
		t.Errorf("it says %+v", view)
	}
	if p := problemOf(t, ask(h, "POST", "/api/sharing/codes", `{"person":""}`)); p.Status != 409 ||
		!strings.Contains(p.Detail, "--share") {
		t.Errorf("a code is answered %+v", p)
	}
}

// Over a real connection: the house's door answers over TLS alone, from 1.2 on.
func TestTheHouseIsServedOverTLS(t *testing.T) {
	d := sharedPlot(t)
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	check(t, err)
	ended := make(chan error, 1)
	ctx, stop := withCancel(t)
	quiet := slog.New(slog.NewTextHandler(io.Discard, nil))
	go func() { ended <- ServeTLS(ctx, listener, d.house, d.sharing.Authority.ServerTLS(nil), quiet) }()
	defer func() { stop(); check(t, <-ended) }()
	at := listener.Addr().String()
	client := func(least, most uint16) *http.Client {
		roots := rootsOf(t, d.sharing.Authority)
		return &http.Client{
			Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: roots, MinVersion: least, MaxVersion: most}},
		}
	}
	answer, err := client(tls.VersionTLS12, tls.VersionTLS13).Get("https://" + at + "/pair")
	check(t, err)
	text, err := io.ReadAll(answer.Body)
	check(t, err)
	check(t, answer.Body.Close())
	if answer.StatusCode != 200 || !strings.Contains(string(text), d.sharing.Authority.Fingerprint()) {
		t.Errorf("the pairing page is answered %d", answer.StatusCode)
	}
	if _, err := client(tls.VersionTLS10, tls.VersionTLS11).Get("https://" + at + "/pair"); err == nil {
		t.Error("TLS 1.1 is answered")
	}
	if plain, err := http.Get("http://" + at + "/pair"); err == nil && plain.StatusCode != http.StatusBadRequest {
		t.Errorf("without TLS it is answered %d", plain.StatusCode)
	}
}

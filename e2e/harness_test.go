// Package e2e drives the real interface in headless Chromium against a real
// server and database.
package e2e

import (
	"context"
	"encoding/json"
	"flag"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"net/url"
	"os"
	"regexp"
	goruntime "runtime"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/network"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"

	"bramblyacre/demo"
	"bramblyacre/demo/demotest"
	"bramblyacre/garden"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/library"
	"bramblyacre/server"
	"bramblyacre/share"
	"bramblyacre/store"
	"bramblyacre/web"
)

// patience is how long a page may take to show something on a busy machine.
const patience = 30 * time.Second

// plot is a running server over a database of its own.
type served struct {
	garden *garden.Garden
	url    string
	// cut makes the server drop every connection, as a lost network does.
	cut atomic.Bool
	// lost makes the server do what is asked, and drop the connection in place of an answer.
	lost atomic.Bool
	// other answers in place of the plot, as when another is served at its address.
	other atomic.Pointer[http.Handler]
	// handler is what answers for this plot.
	handler http.Handler
	sharing server.Sharing
}

// most is how many tests run beside each other: they wait for pages more than they work.
const most = "3"

func TestMain(m *testing.M) {
	flag.Parse()
	if set := flag.Lookup("test.parallel"); set.Value.String() == strconv.Itoa(goruntime.GOMAXPROCS(0)) {
		if err := set.Value.Set(most); err != nil {
			panic(err) // it is a number
		}
	}
	code := m.Run()
	stopChromium()
	os.Exit(code)
}

// samplePlot serves a fresh copy of the sample plot.
func samplePlot(t testing.TB) *served {
	t.Helper()
	return serve(t, demotest.Dir(t))
}

// unplacedPlot serves a plot that nothing has been done on, and of which nobody said where it lies.
func unplacedPlot(t *testing.T) *served {
	t.Helper()
	return serve(t, t.TempDir())
}

// emptyPlot serves a plot of which no more is said than where it lies.
func emptyPlot(t *testing.T) *served {
	t.Helper()
	p := unplacedPlot(t)
	_, err := p.garden.Place.SetSite(t.Context(), say.AsItStands, place.SiteInput{Name: "My plot", Latitude: 46.6, Altitude: "640 m", ClimateID: "hill-valley", Units: "metric"})
	check(t, err)
	return p
}

func serve(t testing.TB, dir string) *served {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	s, err := store.Open(t.Context(), dir)
	check(t, err)
	g, err := garden.Open(t.Context(), plot.Options{Store: s, Library: shipped, PinnedTo: &demo.Today, Sample: true})
	check(t, err)
	front, err := web.Front()
	check(t, err)
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	check(t, err)
	p := &served{garden: g, url: "http://" + listener.Addr().String()}
	quiet := slog.New(slog.NewTextHandler(io.Discard, nil))
	known, err := share.OpenHouse(t.Context(), s, time.Now, quiet)
	check(t, err)
	p.sharing.House = known
	handler, err := server.New(server.Options{
		Garden: g, Front: front, Address: listener.Addr().String(), Version: "test", Log: quiet, Sharing: &p.sharing,
	})
	check(t, err)
	p.handler = handler
	t.Cleanup(func() { check(t, s.Close()) })
	p.begin(t, func(ctx context.Context) error { return server.Serve(ctx, listener, p.cuttable(handler)) })
	return p
}

// begin runs a server until the test ends.
func (p *served) begin(t testing.TB, run func(context.Context) error) {
	t.Helper()
	ctx, stop := context.WithCancel(context.Background())
	ended := make(chan error, 1)
	go func() { ended <- run(ctx) }()
	t.Cleanup(func() {
		stop()
		if err := <-ended; err != nil {
			t.Errorf("the server ended with %v", err)
		}
	})
}

func (p *served) cuttable(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if p.cut.Load() {
			panic(http.ErrAbortHandler)
		}
		if other := p.other.Load(); other != nil {
			// The other plot's server is asked as at its own address.
			r.Host = "localhost"
			r.Header.Del("Origin")
			next = *other
		} else {
			next = p.handler
		}
		if p.lost.Load() && r.Method != http.MethodGet {
			next.ServeHTTP(httptest.NewRecorder(), r)
			panic(http.ErrAbortHandler)
		}
		next.ServeHTTP(w, r)
	})
}

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

// browser is one tab.
type browser struct {
	t    testing.TB
	ctx  context.Context
	plot *served

	mu       sync.Mutex
	problems []string
}

// chromium is the one browser whose tabs all tests share, each with a profile of its own.
var chromium = sync.OnceValues(func() (context.Context, error) {
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.Flag("no-sandbox", true), chromedp.Flag("disable-gpu", true), chromedp.Flag("disable-quic", true),
		chromedp.Flag("disable-background-networking", true), chromedp.Flag("disable-component-update", true), chromedp.Flag("disable-sync", true),
		chromedp.Flag("disable-background-timer-throttling", true), chromedp.Flag("disable-renderer-backgrounding", true), chromedp.Flag("disable-backgrounding-occluded-windows", true),
		chromedp.Flag("hide-scrollbars", true),
		// Else every tab has a second page of the browser's own beside it, drawn by nobody.
		chromedp.Flag("disable-features", "Translate,BlinkGenPropertyTrees,PreloadTopChromeWebUI,WebUITabStrip,InitialWebUI"),
		// The plots of these tests have one authority, which a phone would have been told to trust.
		chromedp.Flag("ignore-certificate-errors-spki-list", trusted()),
	)
	allocator, stopAllocator := chromedp.NewExecAllocator(context.Background(), options...)
	ctx, stop := chromedp.NewContext(allocator)
	stopChromium = func() { stop(); stopAllocator() }
	return ctx, chromedp.Do(ctx)
})

var stopChromium = func() {}

// focused lets a tab behave as the one in front.
func focused(ctx context.Context, t *chromedp.Target) (none chromedp.Void, err error) {
	_, err = cdp.Call(ctx, t, emulation.SetFocusEmulationEnabled, emulation.SetFocusEmulationEnabledParams{Enabled: true})
	return none, err
}

// open opens a tab of a size, with a profile of its own, at a path. When the test
// ends, any script error and any request to another host fails it.
func open(t *testing.T, p *served, width, height int64, path string) *browser {
	t.Helper()
	window, err := chromium()
	check(t, err)
	ctx, stop := chromedp.NewContext(window, chromedp.WithNewBrowserContext())
	b := &browser{t: t, ctx: ctx, plot: p}
	t.Cleanup(func() {
		stop()
		b.mu.Lock()
		defer b.mu.Unlock()
		for _, problem := range b.problems {
			t.Error(problem)
		}
	})
	check(t, chromedp.Listen(ctx, b.watch))
	// Each tab behaves as the one that is looked at.
	check(t, chromedp.Do(ctx, chromedp.EmulateViewport(width, height), focused))
	b.visit(path)
	return b
}

func (b *browser) watch(event any) {
	problem := ""
	switch e := event.(type) {
	case *network.EventRequestWillBeSent:
		at, err := url.Parse(e.Request.URL)
		if err != nil || at.Scheme != "data" && at.Scheme != "blob" && !strings.HasPrefix(e.Request.URL, b.plot.url+"/") {
			problem = "a request went elsewhere: " + e.Request.URL
		}
	case *runtime.EventExceptionThrown:
		problem = "a script failed: " + e.ExceptionDetails.Text
	case *runtime.EventConsoleAPICalled:
		if e.Type == "error" || e.Type == "warning" {
			problem = fmt.Sprintf("the console says: %s", e.Args[0].Value)
		}
	}
	if problem != "" {
		b.mu.Lock()
		b.problems = append(b.problems, problem)
		b.mu.Unlock()
	}
}

func (b *browser) visit(path string) {
	b.t.Helper()
	check(b.t, chromedp.Do(b.ctx, chromedp.Navigate(b.plot.url+path)))
}

// spot is where an element stands in the window.
type spot struct {
	Found bool    `json:"found"`
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
}

// finder finds an element by its role's selector and its accessible name: the
// aria-label, the label's text, or the text itself. A name in full goes before one
// that merely holds it, and inside an open dialog goes before outside.
const finder = `(selector, name) => {
	const labelled = (e) => e.getAttribute("aria-labelledby")?.split(" ").map((id) => document.getElementById(id)?.textContent).join(" ");
	const nameOf = (e) => (e.getAttribute("aria-label") ?? labelled(e) ?? e.labels?.[0]?.textContent ?? e.textContent ?? "").replace(/\s+/g, " ").trim();
	const within = [...document.querySelectorAll("[role=dialog], [role=listbox]")].filter((e) => !e.parentElement.closest("[role=dialog]")).at(-1) ?? document;
	const shown = [...within.querySelectorAll(selector)].filter((e) => e.getClientRects().length > 0);
	return shown.find((e) => nameOf(e) === name) ?? shown.find((e) => nameOf(e).includes(name));
}`

const (
	buttons = "button, a, [role=button], [role=option], [role=menuitem], [role=tab], input[type=checkbox]"
	fields  = "input, textarea, [role=combobox]"
)

// locate waits for an element and brings it into view.
func (b *browser) locate(selector, name string) spot {
	b.t.Helper()
	expression := fmt.Sprintf(`(() => { const e = (%s)(%s, %s); if (!e) return {found: false};
		e.scrollIntoView({block: "center", inline: "center", behavior: "instant"});
		// What still unfolds stands still between two frames of a busy machine.
		if (document.getAnimations().some((a) => a.playState === "running" && a.effect?.getComputedTiming().iterations !== Infinity &&
			a.effect?.target?.contains(e))) return {found: false};
		// A shape on the plan says where it can be hit: the middle of a ring is not on it.
		const r = (e.querySelector("[data-hit]") ?? e).getBoundingClientRect(); return {found: true, x: r.x + r.width / 2, y: r.y + r.height / 2}; })()`, finder, quoted(selector), quoted(name))
	// It has to stand still: a page that is still filling would slip from
	// under the mouse.
	var before spot
	for end := time.Now().Add(patience); ; time.Sleep(80 * time.Millisecond) {
		at, err := chromedp.Run(b.ctx, chromedp.Evaluate[spot](expression))
		check(b.t, err)
		if at.Found && at == before {
			return at
		}
		before = at
		if time.Now().After(end) {
			b.t.Fatalf("nothing is called %q. The page says:\n%.1500s", name, b.text())
		}
	}
}

func quoted(text string) string {
	encoded, err := json.Marshal(text)
	if err != nil {
		panic(err) // a string can always be written
	}
	return string(encoded)
}

// click clicks a button or link by its name, with the mouse.
func (b *browser) click(name string) {
	b.t.Helper()
	b.clickOn(buttons, name)
}

// clickOn clicks the first element of a selector that is called so. A click that came to something else, because the
// element moved or went between the look and the press as a message does whose time is up, is made once more.
func (b *browser) clickOn(selector, name string) {
	b.t.Helper()
	for range 3 {
		at := b.locate(selector, name)
		_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`(() => {
			window.reached = "";
			window.addEventListener("click", (click) => {
				// As it stands when it is clicked: a page may have drawn it anew since.
				window.reached = (%s)(%s, %s)?.contains(click.target) ? "it" : "another";
			}, {once: true, capture: true});
			return true; })()`, finder, quoted(selector), quoted(name))))
		check(b.t, err)
		check(b.t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at.X, at.Y)))
		switch b.clickReached() {
		case "another":
			continue
		case "":
			if b.finds(selector, name) {
				continue
			}
		}
		return
	}
	b.t.Fatalf("what is called %q does not take a click", name)
}

func (b *browser) finds(selector, name string) bool {
	found, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`Boolean((%s)(%s, %s))`, finder, quoted(selector), quoted(name))))
	return err == nil && found
}

// clickReached waits for the last click to come to something, as it may on a busy machine some time after it was made:
// "it" or "another", or nothing where the page was left meanwhile or the click was swallowed.
func (b *browser) clickReached() string {
	for range 20 {
		reached, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`window.reached ?? "left"`))
		if err != nil || reached != "" {
			return reached
		}
		time.Sleep(50 * time.Millisecond)
	}
	return ""
}

// fill types into a field by its label, in place of what stands there.
func (b *browser) fill(label, text string) {
	b.t.Helper()
	// On a busy machine a dialog may still be opening, and take the focus for itself once more.
	for range 3 {
		at := b.locate(fields, label)
		check(b.t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at.X, at.Y)))
		_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`(() => { const e = document.activeElement; e.select?.(); return true; })()`))
		check(b.t, err)
		b.keys("\b")
		b.inserts(text)
		empty, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`!(document.activeElement?.value ?? "")`))
		check(b.t, err)
		if !empty || text == "" {
			return
		}
	}
}

// choose picks an option from a field that opens a list.
func (b *browser) choose(label, option string) {
	b.t.Helper()
	at := b.locate("[role=combobox]", label)
	check(b.t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at.X, at.Y)))
	b.click(option)
	// On a busy machine a click can meet a list that is still unfolding, and is lost.
	for end := time.Now().Add(patience / 5); time.Now().Before(end); time.Sleep(100 * time.Millisecond) {
		if !b.has("[role=listbox]") {
			return
		}
	}
	b.click(option)
	b.gone("[role=listbox]")
}

// has tells whether the page has an element.
func (b *browser) has(selector string) bool {
	b.t.Helper()
	has, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`document.querySelector(`+quoted(selector)+`) !== null`))
	check(b.t, err)
	return has
}

// focus gives an element the keyboard.
func (b *browser) focus(selector string) {
	b.t.Helper()
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`(() => { document.querySelector(`+quoted(selector)+`).focus(); return true; })()`))
	check(b.t, err)
}

// inserts puts text where the keyboard is, in one go as a paste does.
func (b *browser) inserts(text string) {
	b.t.Helper()
	typed := func(ctx context.Context, t *chromedp.Target) (none chromedp.Void, err error) {
		_, err = cdp.Call(ctx, t, input.InsertText, input.InsertTextParams{Text: text})
		return none, err
	}
	check(b.t, chromedp.Do(b.ctx, typed))
}

// keys types.
func (b *browser) keys(text string) {
	b.t.Helper()
	check(b.t, chromedp.Do(b.ctx, chromedp.KeyEvent(text)))
}

// text is what the page says, an open dialog's words first.
func (b *browser) text() string {
	b.t.Helper()
	text, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`[...document.querySelectorAll("[role=dialog]"), document.body].filter(Boolean).map((e) => e.innerText).join(" / ").replace(/\s+/g, " ")`))
	check(b.t, err)
	return text
}

// textOf is what an element says, empty where there is none.
func (b *browser) textOf(selector string) string {
	b.t.Helper()
	text, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](fmt.Sprintf(`(document.querySelector(%s)?.innerText ?? "").replace(/\s+/g, " ")`, quoted(selector))))
	check(b.t, err)
	return text
}

// sees waits until the page says something.
func (b *browser) sees(words string) {
	b.t.Helper()
	b.until("the words "+quoted(words), func() bool { return strings.Contains(b.text(), words) })
}

// seesNo waits until the page no longer says something.
func (b *browser) seesNo(words string) {
	b.t.Helper()
	b.until("no more of "+quoted(words), func() bool { return !strings.Contains(b.text(), words) })
}

// ofAll says so many of all plants of the library, of which there may be more any day.
func ofAll(t *testing.T, n int) string {
	t.Helper()
	shipped, err := library.Shipped()
	check(t, err)
	all := len(shipped.AllSpecies())
	if n < 0 {
		n = all
	}
	return fmt.Sprintf("%d of %d", n, all)
}

// all is every plant of the library.
const all = -1

// jobs is how many jobs the page says there are.
func (b *browser) jobs() (n int) {
	b.t.Helper()
	b.until("the number of jobs", func() bool {
		said := regexp.MustCompile(`(\d+) jobs`).FindStringSubmatch(b.textOf("main"))
		if said == nil {
			return false
		}
		var err error
		n, err = strconv.Atoi(said[1])
		return err == nil
	})
	return n
}

// gone waits until no element matches.
func (b *browser) gone(selector string) {
	b.t.Helper()
	b.until("no "+selector, func() bool { return !b.has(selector) })
}

func (b *browser) until(what string, holds func() bool) {
	b.t.Helper()
	for end := time.Now().Add(patience); !holds(); time.Sleep(60 * time.Millisecond) {
		if time.Now().After(end) {
			b.t.Fatalf("waited in vain for %s. The page says:\n%.1500s", what, b.text())
		}
	}
}

// fetch reads a path of the server as the page would.
func (b *browser) fetch(path string) string {
	b.t.Helper()
	text, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](fmt.Sprintf("fetch(%s).then((r) => r.text())", quoted(path)), chromedp.EvalAwaitPromise))
	check(b.t, err)
	return text
}

// mouse presses, moves or releases the left button at a place in the window.
func (b *browser) mouse(kind input.DispatchMouseEventType, x, y float64, modifiers ...chromedp.Modifier) {
	b.t.Helper()
	held := func(p *input.DispatchMouseEventParams) {
		if kind != chromedp.MouseReleased {
			p.Buttons = 1
		}
	}
	check(b.t, chromedp.Do(b.ctx, chromedp.MouseEvent(kind, x, y, chromedp.ButtonLeft, chromedp.ClickCount(1), chromedp.ButtonModifiers(modifiers...), held)))
}

// drag presses the mouse at one place and lets it go at another, by way of steps
// between.
func (b *browser) drag(fromX, fromY, toX, toY float64) {
	b.t.Helper()
	b.mouse(chromedp.MousePressed, fromX, fromY)
	const steps = 8
	for i := 1; i <= steps; i++ {
		share := float64(i) / steps
		b.mouse(chromedp.MouseMoved, fromX+(toX-fromX)*share, fromY+(toY-fromY)*share)
	}
	b.mouse(chromedp.MouseReleased, toX, toY)
}

// wheel turns the mouse's wheel by a number of pixels.
func wheel(pixels float64) chromedp.MouseOption {
	// A sideways turn of nothing would be left out of the message, and is asked for.
	const nextToNothing = 0.01
	return func(p *input.DispatchMouseEventParams) { p.DeltaX, p.DeltaY, p.Buttons = nextToNothing, pixels, 0 }
}

// toLedger goes to the ledger, which on a phone lies under More.
func (b *browser) toLedger() {
	b.t.Helper()
	if narrow, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`window.innerWidth < 900`)); err == nil && narrow {
		b.click("More")
		b.clickOn("[role=menuitem]", "Ledger")
		b.gone("[role=menu]") // until then it lies over the page
		return
	}
	b.click("Ledger")
}

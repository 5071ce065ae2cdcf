package e2e

import (
	"context"
	"crypto/sha256"
	"crypto/x509"
	"encoding/base64"
	"encoding/pem"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"net/netip"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/chromedp/chromedp"

	"bramblyacre/demo/demotest"
	"bramblyacre/server"
	"bramblyacre/share"
	"bramblyacre/web"
)

// authorityDir holds the one authority that all shared plots of these tests have.
var authorityDir = sync.OnceValue(func() string {
	dir, err := os.MkdirTemp("", "authority-*")
	if err == nil {
		_, err = share.OpenAuthority(dir, time.Now)
	}
	if err != nil {
		panic(err) // no test can begin
	}
	return dir
})

// trusted is how Chromium is told to trust the authority: by the hash of its public key.
func trusted() string {
	text, err := os.ReadFile(filepath.Join(authorityDir(), share.AuthorityFile))
	if err != nil {
		panic(err)
	}
	block, _ := pem.Decode(text)
	cert, err := x509.ParseCertificate(block.Bytes)
	if err != nil {
		panic(err)
	}
	sum := sha256.Sum256(cert.RawSubjectPublicKeyInfo)
	return base64.StdEncoding.EncodeToString(sum[:])
}

// sharedPlot serves the sample plot to this machine, and to the house over TLS.
func sharedPlot(t testing.TB) (here, house *served) {
	t.Helper()
	here = serve(t, demotest.Dir(t))
	return here, toHouse(t, here)
}

// toHouse serves a plot to the house, too, over TLS.
func toHouse(t testing.TB, here *served) *served {
	t.Helper()
	authority, err := share.OpenAuthority(authorityDir(), time.Now)
	check(t, err)
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	check(t, err)
	house := &served{garden: here.garden, url: "https://" + listener.Addr().String()}
	here.sharing.Authority, here.sharing.Addresses = authority, []string{house.url}
	house.sharing = here.sharing
	front, err := web.Front()
	check(t, err)
	house.handler = houseHandler(t, house, front)
	serving := authority.ServerTLS([]netip.Addr{netip.MustParseAddr("127.0.0.1")})
	house.begin(t, func(ctx context.Context) error {
		return server.ServeTLS(ctx, listener, house.cuttable(house.handler), serving, slog.New(slog.DiscardHandler))
	})
	return house
}

// houseHandler answers the house with a front end.
func houseHandler(t testing.TB, house *served, front fs.FS) http.Handler {
	t.Helper()
	handler, err := server.New(server.Options{
		Garden: house.garden, Front: front, Address: strings.TrimPrefix(house.url, "https://"), Version: "test",
		Log: slog.New(slog.DiscardHandler), Sharing: &house.sharing, ToHouse: true,
	})
	check(t, err)
	return handler
}

// letIn pairs a device as its owner does, with a code that was made at the machine, and opens a page on it.
func letIn(t *testing.T, house *served, device, person, path string) *browser {
	t.Helper()
	code, err := house.sharing.House.Invite("")
	check(t, err)
	b := open(t, house, 390, 844, "/pair?code="+code.Text)
	b.pairs(device, person)
	if path != "/" {
		b.visit(path)
	}
	return b
}

func (b *browser) pairs(device, person string) {
	b.t.Helper()
	b.fill("What this device is called", device)
	b.fill("Whose it is", person)
	b.click("Pair this device")
	b.until("the plot", func() bool { return !strings.Contains(b.text(), "Pair this device") && b.has("main h1") })
}

// evaluate runs a script of the page and waits for what it promises.
func evaluate[T any](b *browser, script string) T {
	b.t.Helper()
	value, err := chromedp.Run(b.ctx, chromedp.Evaluate[T](script, chromedp.EvalAwaitPromise))
	check(b.t, err)
	return value
}

// ready waits until the device could go out: its worker keeps the program, and what is shown outdoors was taken along.
func (b *browser) ready(paths ...string) {
	b.t.Helper()
	b.until("the worker", func() bool {
		return evaluate[bool](b, `navigator.serviceWorker.getRegistration().then((r) => Boolean(r?.active))`)
	})
	for _, path := range paths {
		b.until(path+" to be taken along", func() bool {
			return evaluate[bool](b, `caches.match(`+quoted(path)+`).then((answer) => Boolean(answer))`)
		})
	}
}

// A grower lets a phone in at the machine, sees it come in, names it, and puts it out; the phone then shows nothing.
func TestAPhoneIsLetInAndPutOut(t *testing.T) {
	t.Parallel()
	here, house := sharedPlot(t)
	machine := open(t, here, 1280, 800, "/settings/home")
	machine.sees("Let a device in")
	if said := machine.textOf("[aria-label=Fingerprint]"); strings.NewReplacer(":", "", " ", "").Replace(said) !=
		strings.ReplaceAll(house.sharing.Authority.Fingerprint(), ":", "") {
		t.Errorf("the fingerprint shown is %q", said)
	}
	machine.fill("Whose it will be", "Ida")
	machine.click("Make a code")
	machine.sees("For one device of Ida, once")
	code := evaluate[string](machine, `document.querySelector("[data-code]").dataset.code`)

	phone := open(t, house, 390, 844, "/round")
	phone.sees("Pair this device with the plot")
	phone.fill("Code", "AAAA-AAAA")
	phone.fill("What this device is called", "Phone")
	phone.click("Pair this device")
	phone.sees("This code lets nobody in")
	phone.keepsToTheRules(1280, 320, 390)
	phone.fill("Code", strings.ToLower(code))
	phone.pairs("Garden phone", "")
	phone.visit("/settings/kept")
	phone.sees("Paired as Garden phone, Ida's.")

	machine.sees("A device came in.")
	machine.sees("Garden phone · Ida")
	machine.click("Change Garden phone")
	machine.fill("What it is called", "")
	machine.click("Change it")
	machine.sees("Give it a name")
	machine.fill("What it is called", "Old phone")
	machine.click("Change it")
	machine.sees("Old phone · Ida")
	phone.visit("/settings/home")
	phone.sees("settled at the machine that serves the plot")

	phone.visit("/")
	phone.sees("Closing")
	phone.ready("/api/now")
	machine.click("Put Old phone out")
	machine.click("Put it out")
	machine.sees("Old phone was put out")
	phone.until("the end", func() bool {
		phone.keys("gg") // whatever it asks for next
		return strings.Contains(phone.text(), "This device was put out")
	})
	if kept := evaluate[int](phone, `caches.keys().then((names) => names.filter((name) => name.startsWith("acre-answers")).length)`); kept != 0 {
		t.Errorf("%d stores of answers are left on it", kept)
	}
	phone.visit("/round")
	phone.sees("Pair this device with the plot")
}

// The calendar's address is given, renewed and ended.
func TestTheCalendarIsGivenAnAddress(t *testing.T) {
	t.Parallel()
	here, _ := sharedPlot(t)
	b := open(t, here, 1280, 800, "/settings/home")
	b.click("Give the calendar an address")
	b.sees("On this machine")
	first := b.textOf("[aria-label=Calendar] code")
	if text := b.fetch(strings.TrimPrefix(first, here.url)); !strings.HasPrefix(text, "BEGIN:VCALENDAR") {
		t.Errorf("%s answers %.60q", first, text)
	}
	b.click("Renew or end it")
	b.click("Renew it: the old one ends")
	b.until("another address", func() bool {
		now := b.textOf("[aria-label=Calendar] code")
		return now != "" && now != first
	})
	if text := b.fetch(strings.TrimPrefix(first, here.url)); strings.Contains(text, "VCALENDAR") {
		t.Error("the old address still answers")
	}
	b.click("Renew or end it")
	b.click("End the feed")
	b.sees("Give the calendar an address")
}

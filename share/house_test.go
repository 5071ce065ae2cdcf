package share

import (
	"bytes"
	"errors"
	"log/slog"
	"net/netip"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"testing"
	"time"

	"bramblyacre/store"
)

// home is a house with a clock that the test turns.
type home struct {
	*House
	now   time.Time
	log   bytes.Buffer
	store *store.Store
	dir   string
}

func newHome(t *testing.T) *home {
	t.Helper()
	h := &home{now: opened, dir: t.TempDir()}
	var err error
	h.store, err = store.Open(t.Context(), h.dir)
	check(t, err)
	t.Cleanup(func() { check(t, h.store.Close()) })
	h.open(t)
	return h
}

// open opens the house again, as after a restart.
func (h *home) open(t *testing.T) {
	t.Helper()
	var err error
	h.House, err = OpenHouse(t.Context(), h.store, at(&h.now), slog.New(slog.NewTextHandler(&h.log, nil)))
	check(t, err)
}

func (h *home) code(t *testing.T, person string) string {
	t.Helper()
	code, err := h.Invite(person)
	check(t, err)
	return code.Text
}

func (h *home) pair(t *testing.T, code, name, person string, from string) (string, Device, error) {
	t.Helper()
	return h.Pair(t.Context(), code, name, person, netip.MustParseAddr(from))
}

const phone, stranger = "192.168.1.31", "192.168.1.66"

func TestACodeLetsOneDeviceInOnce(t *testing.T) {
	h := newHome(t)
	code := h.code(t, "")
	if !regexp.MustCompile(`^[A-HJKMNP-TV-Z2-9]{4}-[A-HJKMNP-TV-Z2-9]{4}$`).MatchString(code) {
		t.Fatalf("the code is %q", code)
	}
	token, device, err := h.pair(t, strings.ToLower(strings.ReplaceAll(code, "-", " ")), " Ida's  phone ", "Ida", phone)
	check(t, err)
	if device.Name != "Ida's phone" || device.Person != "Ida" || device.From != phone {
		t.Errorf("it is noted as %+v", device)
	}
	if known, is, err := h.Known(t.Context(), token, phone); err != nil || !is || known.ID != device.ID {
		t.Errorf("its token is answered with %+v %v %v", known, is, err)
	}
	if _, _, err := h.pair(t, code, "Another", "", stranger); !errors.Is(err, ErrWrongCode) {
		t.Errorf("the code, used again, is answered with %v", err)
	}
	h.open(t)
	if _, is, _ := h.Known(t.Context(), token, phone); !is || len(h.Devices()) != 1 {
		t.Error("a restart forgets the device")
	}
}

func TestManyAtOnceWithOneCodeAreOne(t *testing.T) {
	h := newHome(t)
	code := h.code(t, "")
	var all sync.WaitGroup
	for i := range 20 {
		all.Go(func() { _, _, _ = h.Pair(t.Context(), code, "Phone", "", netip.AddrFrom4([4]byte{10, 0, 0, byte(i)})) })
	}
	all.Wait()
	if n := len(h.Devices()); n != 1 {
		t.Errorf("%d devices came in by one code", n)
	}
}

func TestACodeDiesInTenMinutes(t *testing.T) {
	h := newHome(t)
	in, late := h.code(t, ""), h.code(t, "")
	h.now = opened.Add(CodeHolds - time.Second)
	if _, _, err := h.pair(t, in, "Phone", "", phone); err != nil {
		t.Errorf("a second before it ends it is answered with %v", err)
	}
	h.now = opened.Add(CodeHolds)
	if _, _, err := h.pair(t, late, "Phone", "", phone); !errors.Is(err, ErrWrongCode) {
		t.Errorf("at its end it is answered with %v", err)
	}
}

func TestACodeMadeForSomebodyIsTheirs(t *testing.T) {
	h := newHome(t)
	_, device, err := h.pair(t, h.code(t, "Joss"), "Tablet", "Ida", phone)
	check(t, err)
	if device.Person != "Joss" {
		t.Errorf("it is %s's", device.Person)
	}
}

func TestANameThatCannotBeDoesNotUseTheCodeUp(t *testing.T) {
	h := newHome(t)
	code := h.code(t, "")
	for _, c := range []struct{ name, person, field string }{
		{"", "Ida", "device"}, {"  ", "Ida", "device"}, {strings.Repeat("x", 41), "", "device"},
		{"Phone", strings.Repeat("ü", 41), "person"}, {"a\u202eb", "", "device"}, {"Phone", "I\x00", "person"}, {"\xff\xfe", "", "device"},
	} {
		var fault NameError
		if _, _, err := h.pair(t, code, c.name, c.person, phone); !errors.As(err, &fault) || fault.Field != c.field {
			t.Errorf("%q of %q is answered with %v", c.name, c.person, err)
		}
	}
	if _, _, err := h.pair(t, code, "Phone", "", phone); err != nil {
		t.Errorf("after all that the code is answered with %v", err)
	}
}

// Whoever guesses for as long as a code holds is judged a few times a minute, whichever addresses it uses. The truth is counted
// here: every try that is judged answers that the code is wrong.
func TestGuessingIsSlowedAndLogged(t *testing.T) {
	h := newHome(t)
	h.code(t, "")
	judged := 0
	for range int(CodeHolds / time.Second) {
		if _, _, err := h.pair(t, "AAAA-AAAA", "Phone", "", stranger); errors.Is(err, ErrWrongCode) {
			judged++
		}
		h.now = h.now.Add(time.Second)
	}
	if judged < freeTries || judged > 12 {
		t.Errorf("%d guesses of one device were judged in ten minutes", judged)
	}
	if !strings.Contains(h.log.String(), "a wrong code was tried") || !strings.Contains(h.log.String(), stranger) {
		t.Error("the log says nothing of it")
	}
	judged = 0
	for i := range 6000 {
		from := netip.AddrFrom4([4]byte{10, 1, byte(i >> 8), byte(i)})
		if _, _, err := h.Pair(t.Context(), "AAAA-AAAA", "Phone", "", from); errors.Is(err, ErrWrongCode) {
			judged++
		}
		h.now = h.now.Add(CodeHolds / 6000)
	}
	if judged > mostWrong*11 {
		t.Errorf("%d guesses of all devices together were judged in ten minutes", judged)
	}
	h.now = h.now.Add(2 * time.Minute)
	if _, _, err := h.pair(t, h.code(t, ""), "Phone", "", phone); err != nil {
		t.Errorf("the grower's own phone is answered with %v afterwards", err)
	}
}

func TestADeviceThatWasPutOutIsNotLetIn(t *testing.T) {
	h := newHome(t)
	token, device, err := h.pair(t, h.code(t, ""), "Lost phone", "", phone)
	check(t, err)
	kept, other, err := h.pair(t, h.code(t, ""), "Tablet", "", stranger)
	check(t, err)
	check(t, h.PutOut(t.Context(), device.ID))
	for range 2 { // at once, and after a restart
		if _, is, _ := h.Known(t.Context(), token, phone); is {
			t.Error("it is still let in")
		}
		if _, is, _ := h.Known(t.Context(), kept, stranger); !is || len(h.Devices()) != 1 || h.Devices()[0].ID != other.ID {
			t.Error("the other device is out, too")
		}
		h.open(t)
	}
	if err := h.PutOut(t.Context(), device.ID); !errors.Is(err, ErrNoDevice) {
		t.Errorf("put out twice it is answered with %v", err)
	}
}

func TestNoTokenIsKept(t *testing.T) {
	h := newHome(t)
	token, _, err := h.pair(t, h.code(t, ""), "Phone", "", phone)
	check(t, err)
	check(t, h.store.FoldIn(t.Context()))
	text, err := os.ReadFile(filepath.Join(h.dir, store.FileName))
	check(t, err)
	if bytes.Contains(text, []byte(token)) || strings.Contains(h.log.String(), token) {
		t.Error("the token is in the database or in the log")
	}
}

func TestNoMoreDevicesThanMayBe(t *testing.T) {
	h := newHome(t)
	for range MostDevices {
		_, _, err := h.pair(t, h.code(t, ""), "Phone", "", phone)
		check(t, err)
	}
	if _, _, err := h.pair(t, h.code(t, ""), "Phone", "", phone); !errors.Is(err, ErrTooMany) {
		t.Errorf("one more is answered with %v", err)
	}
}

// Seen says when a device was there, to some minutes: asking much does not write much.
func TestADeviceIsSeen(t *testing.T) {
	h := newHome(t)
	token, _, err := h.pair(t, h.code(t, ""), "Phone", "", phone)
	check(t, err)
	for _, step := range []struct {
		after time.Duration
		from  string
		seen  time.Duration
	}{{time.Minute, phone, 0}, {6 * time.Minute, phone, 6 * time.Minute}, {7 * time.Minute, stranger, 7 * time.Minute}} {
		h.now = opened.Add(step.after)
		_, _, err := h.Known(t.Context(), token, step.from)
		check(t, err)
		if d := h.Devices()[0]; !d.Seen.Equal(opened.Add(step.seen)) || d.From != step.from {
			t.Errorf("after %s it was last seen at %s from %s", step.after, d.Seen, d.From)
		}
	}
}

func TestTheCalendarsAddressCanBeRenewed(t *testing.T) {
	h := newHome(t)
	if h.OpensFeed("") || h.FeedSecret() != "" {
		t.Error("there is a feed before anybody asked for one")
	}
	check(t, h.RenewFeed(t.Context()))
	first := h.FeedSecret()
	h.open(t)
	if len(first) < 43 || !h.OpensFeed(first) || h.OpensFeed(first[:42]) || h.OpensFeed("") {
		t.Errorf("the secret is %q, opened again %q", first, h.FeedSecret())
	}
	check(t, h.RenewFeed(t.Context()))
	if h.OpensFeed(first) || !h.OpensFeed(h.FeedSecret()) {
		t.Error("the old address still opens it")
	}
	check(t, h.EndFeed(t.Context()))
	if h.OpensFeed("") || h.FeedSecret() != "" {
		t.Error("it was ended, and opens")
	}
}

// A copy and an archive carry nobody who may come in: what was put out is not let in by restoring an older copy.
func TestACopyLetsNobodyIn(t *testing.T) {
	h := newHome(t)
	token, device, err := h.pair(t, h.code(t, ""), "Lost phone", "", phone)
	check(t, err)
	check(t, h.RenewFeed(t.Context()))
	check(t, h.store.EveryTable(t.Context(), func(table store.Table) error {
		if table.Name == "devices" || table.Name == "calendar_feed" {
			t.Errorf("the archive has %s", table.Name)
		}
		return nil
	}))
	copied := filepath.Join(t.TempDir(), "copy.db")
	check(t, h.store.BackUp(t.Context(), copied))
	text, err := os.ReadFile(copied)
	check(t, err)
	for _, secret := range []string{device.ID, h.FeedSecret(), "Lost phone"} {
		if bytes.Contains(text, []byte(secret)) {
			t.Errorf("the copy holds %q", secret)
		}
	}
	elsewhere := t.TempDir()
	_, err = store.Restore(t.Context(), copied, elsewhere)
	check(t, err)
	restored, err := store.Open(t.Context(), elsewhere)
	check(t, err)
	defer func() { check(t, restored.Close()) }()
	other, err := OpenHouse(t.Context(), restored, at(&h.now), slog.Default())
	check(t, err)
	if _, is, _ := other.Known(t.Context(), token, phone); is || len(other.Devices()) != 0 || other.FeedSecret() != "" {
		t.Error("the copy lets the device in")
	}
}

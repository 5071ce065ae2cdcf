package share

import (
	"context"
	"log/slog"
	"net/netip"
	"slices"
	"strings"
	"time"
	"unicode"

	"bramblyacre/store"
)

// House is who may come in from the house's network: codes, tries, devices and the calendar's address.
type House struct {
	codes   codes
	tries   *tries
	devices *devices
	feed    *feed
	log     *slog.Logger
}

// OpenHouse reads who was let in.
func OpenHouse(ctx context.Context, s *store.Store, clock func() time.Time, log *slog.Logger) (*House, error) {
	known, err := openDevices(ctx, s, clock)
	if err != nil {
		return nil, err
	}
	read, err := openFeed(ctx, s, clock)
	if err != nil {
		return nil, err
	}
	return &House{codes: codes{clock: clock}, tries: newTries(clock), devices: known, feed: read, log: log}, nil
}

// Invite makes a code for somebody's device; for anybody's where person is empty.
func (h *House) Invite(person string) (Code, error) {
	person, err := readName("person", person, false)
	if err != nil {
		return Code{}, err
	}
	return h.codes.make(person), nil
}

// WaitError is that tries come too fast: how long to wait before the next.
type WaitError struct{ Wait time.Duration }

func (e WaitError) Error() string {
	return "There were too many wrong codes. Wait, and try again."
}

// ErrWrongCode is that a code does not let in: mistyped, used before, or older than ten minutes. Which of them
// is not said.
var ErrWrongCode = NameError{
	"code",
	"This code lets nobody in: it is mistyped, was used already, or is older than ten minutes. Have a new one made.",
}

// Pair lets a device in by a code. Names are judged before the code is used up.
func (h *House) Pair(
	ctx context.Context,
	code, name, person string,
	from netip.Addr,
) (token string, d Device, err error) {
	name, err = readName("device", name, true)
	if err != nil {
		return "", d, err
	}
	person, err = readName("person", person, false)
	if err != nil {
		return "", d, err
	}
	if wait := h.tries.wait(from); wait > 0 {
		h.log.Warn("a code was tried too soon", "from", from, "wait", wait.Round(time.Second))
		return "", d, WaitError{wait}
	}
	whose, lets := h.codes.use(code)
	if !lets {
		h.log.Warn("a wrong code was tried", "from", from)
		return "", d, ErrWrongCode
	}
	h.tries.right(from)
	if whose != "" {
		person = whose
	}
	token, d, err = h.devices.let(ctx, name, person, from.String())
	if err == nil {
		h.log.Info("a device was let in", "device", d.Name, "person", d.Person, "from", from)
	}
	return token, d, err
}

// Known is the device whose token this is, if it was let in and not put out since.
func (h *House) Known(ctx context.Context, token, from string) (Device, bool, error) {
	return h.devices.of(ctx, token, from)
}

// Devices are those that are let in, by name.
func (h *House) Devices() []Device {
	all := h.devices.list()
	slices.SortFunc(all, func(a, b Device) int {
		if c := strings.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)); c != 0 {
			return c
		}
		return strings.Compare(a.ID, b.ID)
	})
	return all
}

// Change notes another name of a device, or that it is somebody else's now.
func (h *House) Change(ctx context.Context, id, name, person string) error {
	name, err := readName("device", name, true)
	if err != nil {
		return err
	}
	person, err = readName("person", person, false)
	if err != nil {
		return err
	}
	return h.devices.change(ctx, id, name, person)
}

// PutOut lets a device in no more, from its next request on.
func (h *House) PutOut(ctx context.Context, id string) error {
	if err := h.devices.putOut(ctx, id); err != nil {
		return err
	}
	h.log.Info("a device was put out", "device", id)
	return nil
}

// isNoSign tells what is no visible sign: marks that break a line, or turn text round.
func isNoSign(r rune) bool { return unicode.IsControl(r) || unicode.Is(unicode.Cf, r) }

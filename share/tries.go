package share

import (
	"net/netip"
	"sync"
	"time"

	lru "github.com/hashicorp/golang-lru/v2"
)

const (
	// freeTries is how often one may mistype before waiting begins.
	freeTries   = 3
	firstWait   = time.Second
	longestWait = 5 * time.Minute
	// forgivenAfter the last wait is over, a source starts afresh.
	forgivenAfter = time.Hour
	// mostWrong tries in wrongWithin, from all devices together, are judged; more are told to wait.
	mostWrong   = 30
	wrongWithin = time.Minute
	// mostSources is how many sources of tries are remembered; the one that tried longest ago goes first.
	mostSources = 1024
)

// tries slow down whoever guesses: each wrong try beyond the first few doubles the wait before the
// next, for the address it came from, and all addresses together are bounded.
type tries struct {
	clock   func() time.Time
	mutex   sync.Mutex // guards what follows
	sources *lru.Cache[netip.Prefix, trying]
	wrong   []time.Time
}

type trying struct {
	wrong int
	until time.Time
}

func newTries(clock func() time.Time) *tries {
	sources, err := lru.New[netip.Prefix, trying](mostSources)
	if err != nil {
		panic(err) // mostSources is above nothing
	}
	return &tries{clock: clock, sources: sources}
}

// source is what tries are counted for: an address, or the network of one in IPv6, where a device
// has as many addresses as it likes.
func source(addr netip.Addr) netip.Prefix {
	addr = addr.Unmap().WithZone("")
	bits := addr.BitLen()
	if addr.Is6() {
		bits = 64
	}
	prefix, err := addr.Prefix(bits)
	if err != nil {
		return netip.Prefix{} // an address that is none: all of them are one source
	}
	return prefix
}

// wait is how long a source has to wait before its next try is judged. A try that is judged is begun here, so that many
// at once are not all judged: it counts as wrong until it is settled.
func (t *tries) wait(from netip.Addr) time.Duration {
	t.mutex.Lock()
	defer t.mutex.Unlock()
	now := t.clock()
	key := source(from)
	one, _ := t.sources.Get(key)
	if !one.until.IsZero() && now.Sub(one.until) > forgivenAfter {
		one = trying{}
	}
	if now.Before(one.until) {
		return one.until.Sub(now)
	}
	for len(t.wrong) > 0 && now.Sub(t.wrong[0]) >= wrongWithin {
		t.wrong = t.wrong[1:]
	}
	if len(t.wrong) >= mostWrong {
		return wrongWithin - now.Sub(t.wrong[0])
	}
	t.wrong = append(t.wrong, now)
	one.wrong++
	if over := one.wrong - freeTries; over >= 0 {
		one.until = now.Add(min(firstWait<<min(over, 16), longestWait))
	}
	t.sources.Add(key, one)
	return 0
}

// right says that the try that was begun was right: the source starts afresh.
func (t *tries) right(from netip.Addr) {
	t.mutex.Lock()
	defer t.mutex.Unlock()
	t.sources.Remove(source(from))
	if n := len(t.wrong); n > 0 {
		t.wrong = t.wrong[:n-1]
	}
}
